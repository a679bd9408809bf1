package cutting

import (
	"context"
	"fmt"
	"math"
	"testing"
)

// How much of a sheet that was cut up at random is used again, the worst of 20, in 2 s
// each, and the yield of a shop's day; timing is the time until nothing can be better.
func BenchmarkPerfect(b *testing.B) {
	for _, n := range []int{25, 60, 100} {
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			worst := 1.0
			for b.Loop() {
				for seed := range uint64(20) {
					p, err := Solve(context.Background(), perfect(seed, n, 2250, 1605, 60), Options{Seed: 1})
					if err != nil {
						b.Fatal(err)
					}
					placed := 0.0
					for _, s := range p.Sheets {
						for _, l := range s.Root.Leaves() {
							if l.Kind == IsPiece {
								placed += l.W * l.H / (2250 * 1605)
							}
						}
					}
					worst = min(worst, placed)
				}
			}
			b.ReportMetric(worst*100, "worst-%")
		})
	}
}

// One plan laid out, by the number of pieces: how time grows.
func BenchmarkLay(b *testing.B) {
	for _, n := range []int{20, 200, 2000} {
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			task := shopLike(1, n)
			s := newSearch(context.Background(), task, Options{})
			g := s.starts(s.plain)[0]
			for b.Loop() {
				s.b.build(g)
			}
		})
	}
}

// A shop's day of panes in a second: yield with what is kept.
func BenchmarkDay(b *testing.B) {
	for _, n := range []int{20, 60, 200} {
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			sum, k := 0.0, 0
			for b.Loop() {
				p, err := Solve(context.Background(), shopLike(uint64(k), n), Options{})
				if err != nil {
					b.Fatal(err)
				}
				sum += p.Useful
				k++
			}
			b.ReportMetric(100*sum/float64(k), "useful-%")
		})
	}
}

// Bars beside the bound: how many more than it are cut into, of 500 stretches.
func BenchmarkBars(b *testing.B) {
	over, k := 0, 0
	for b.Loop() {
		p, err := SolveBars(context.Background(), barTask(uint64(k), 500, 1500, 0))
		if err != nil {
			b.Fatal(err)
		}
		over += len(p.Bars) - int(math.Round(p.Bound/1.5))
		k++
	}
	b.ReportMetric(float64(over)/float64(k), "bars-over")
}
