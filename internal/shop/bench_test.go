package shop

import (
	"context"
	"fmt"
	"sort"
	"testing"
	"time"

	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// stored is how many jobs lie in the database while reads and writes are
// measured.
const stored = 10_000

var crowd struct {
	shop *Shop
	mira record.Account
	ids  []int64
}

// crowded fills a shop once for all benchmarks.
func crowded(b *testing.B) (*Shop, record.Account, []int64) {
	b.Helper()
	if crowd.shop != nil {
		return crowd.shop, crowd.mira, crowd.ids
	}
	_, mira, _ := open(b)
	// The shop outlives the first benchmark.
	st, err := store.Open(ctx, lastDSN)
	if err != nil {
		b.Fatal(err)
	}
	s := New(st)
	_, o, p, err := stove().Records(nil)
	if err != nil {
		b.Fatal(err)
	}
	p.Number, p.Spot = 1, measure.Whole
	var ids []int64
	for start := 0; start < stored; start += 500 {
		err := st.Write(ctx, func(t *store.Tx) error {
			c, err := t.Jobs.AddCustomer(ctx, record.Customer{Name: fmt.Sprintf("Customer %d", start)})
			if err != nil {
				return err
			}
			for n := range 500 {
				id, err := s.Desk.AddJob(ctx, t, mira, c,
					record.Job{Place: "bench", Story: fmt.Sprint(start + n), CreatedAt: s.Now(),
						Object: o, Panes: []record.Pane{p}})
				if err != nil {
					return err
				}
				ids = append(ids, id)
			}
			return nil
		})
		if err != nil {
			b.Fatal(err)
		}
	}
	for place, text := range sized {
		read(b, s, mira, ids[stored/2], place, text)
	}
	crowd.shop, crowd.mira, crowd.ids = s, mira, ids
	return s, mira, ids
}

// median reports the middle of the measured times as ms/op.
func median(b *testing.B, times []time.Duration) {
	sort.Slice(times, func(i, j int) bool { return times[i] < times[j] })
	b.ReportMetric(float64(times[len(times)/2].Microseconds())/1000, "median-ms")
}

func BenchmarkReadJob(b *testing.B) {
	s, _, ids := crowded(b)
	var times []time.Duration
	for b.Loop() {
		t := time.Now()
		if _, err := s.Table(context.Background(), jobview.First(ids[stored/2])); err != nil {
			b.Fatal(err)
		}
		times = append(times, time.Since(t))
	}
	median(b, times)
}

func BenchmarkWriteReading(b *testing.B) {
	s, mira, ids := crowded(b)
	var times []time.Duration
	n := 0
	for b.Loop() {
		n++
		j, err := s.Store.Jobs.Job(ctx, ids[n%stored])
		if err != nil {
			b.Fatal(err)
		}
		version := 0
		if len(j.Panes[0].Readings) > 0 {
			version = j.Panes[0].Readings[0].Version
		}
		t := time.Now()
		err = s.Measure.Read(ctx, mira, jobview.First(ids[n%stored]), reading.HeightMiddle,
			measure.Said{Text: fmt.Sprint(240 + n%9), Instrument: length.Tape, Version: version})
		times = append(times, time.Since(t))
		if err != nil && ids[n%stored] != ids[stored/2] {
			b.Fatal(err)
		}
	}
	median(b, times)
}

func BenchmarkToday(b *testing.B) {
	s, _, _ := crowded(b)
	var times []time.Duration
	for b.Loop() {
		t := time.Now()
		if _, err := s.Today.Today(ctx, record.Account{}); err != nil {
			b.Fatal(err)
		}
		times = append(times, time.Since(t))
	}
	median(b, times)
}

// The days of a shop with many open jobs, as a screen asks for them.
func BenchmarkDays(b *testing.B) {
	s, mira, _ := crowded(b)
	if _, err := s.Days.Days(ctx, mira); err != nil {
		b.Fatal(err)
	}
	var times []time.Duration
	for b.Loop() {
		t := time.Now()
		if _, err := s.Days.Days(ctx, mira); err != nil {
			b.Fatal(err)
		}
		times = append(times, time.Since(t))
	}
	median(b, times)
}

// What the Choose station asks with each move of a weight.
func BenchmarkWeigh(b *testing.B) {
	s, _, ids := crowded(b)
	var times []time.Duration
	n := 0
	for b.Loop() {
		n++
		t := time.Now()
		if _, err := s.Bench.Weigh(ctx, jobview.First(ids[stored/2]),
			map[string]float64{"impact": float64(n % 11)}); err != nil {
			b.Fatal(err)
		}
		times = append(times, time.Since(t))
	}
	median(b, times)
}
