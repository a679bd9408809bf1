package setting

import (
	"math"
	"slices"
	"testing"

	"freshshard/core/outline"
)

func TestCrosswiseFour(t *testing.T) {
	// Two brackets at the top, two at the bottom: upper left, lower right, then
	// the other diagonal. Common practice, no source.
	at := Spread(260, 240, Sides{Top: 2, Bottom: 2})
	if got, want := Crosswise(at), []int{0, 3, 1, 2}; !slices.Equal(got, want) {
		t.Errorf("got %v, want %v", got, want)
	}
}

func TestCrosswiseHoldsForAnyNumber(t *testing.T) {
	for n := range 41 {
		at := Spread(400, 300, Sides{Top: n, Right: n % 3, Bottom: n % 5, Left: n % 2})
		order := Crosswise(at)
		if again := Crosswise(at); !slices.Equal(order, again) {
			t.Fatalf("%d: not repeatable", n)
		}
		seen := slices.Clone(order)
		slices.Sort(seen)
		for i, s := range seen {
			if i != s {
				t.Fatalf("%d: screw %d is missing or twice in %v", n, i, order)
			}
		}
		// Each next one is farthest from the one just done, among those left.
		for k := 1; k < len(order); k++ {
			d := at[order[k]].To(at[order[k-1]])
			for _, later := range order[k+1:] {
				if at[later].To(at[order[k-1]]) > d+0.01 {
					t.Fatalf("%d: after screw %d, %d is farther than %d", n, order[k-1], later, order[k])
				}
			}
		}
	}
}

func TestGasket(t *testing.T) {
	least, most := GasketLength(1000)
	if least != 1000 || most != 1020 {
		t.Errorf("got %v to %v", least, most)
	}
	if a, b := Seated(4); math.Abs(a-2.4) > 1e-12 || b != 3 {
		t.Errorf("seated %v to %v", a, b)
	}
	f := GasketFigure(1000.8, "the pane's edge")
	if math.Abs(f.Value-1020.816) > 1e-9 || f.Working.Values == "" {
		t.Errorf("figure %+v", f)
	}
}

// 0.1 in per square foot is about 27 mm per m², at least 4 in; small panes a
// fifth of the side. GANA Glazing Manual, from memory.
func TestBlocks(t *testing.T) {
	for _, c := range []struct {
		w, h, length float64
	}{
		{2000, 2500, 27.34 * 5}, // 5 m²
		{1000, 1000, 100},
		{300, 400, 60},
	} {
		b := Blocks(c.w, c.h, 6, 3)
		if math.Abs(b[0].Length-c.length) > 0.05 || b[0].At != c.w/4 || b[1].At != c.w*3/4 || b[0].Width != 7.5 ||
			b[0].Height != 3 {
			t.Errorf("%v × %v: %+v", c.w, c.h, b)
		}
	}
}

func TestPoints(t *testing.T) {
	for side := 60.0; side < 2400; side += 7 {
		at := PointsOn(side)
		if len(at) < 2 {
			t.Fatalf("%v mm: %d points", side, len(at))
		}
		if at[0] > 100 || side-at[len(at)-1] > 100+1e-9 {
			t.Fatalf("%v mm: too far from a corner: %v", side, at)
		}
		for i := 1; i < len(at); i++ {
			if gap := at[i] - at[i-1]; gap > 200+1e-9 || gap <= 0 {
				t.Fatalf("%v mm: gap %v", side, gap)
			}
		}
	}
	if got := len(Points(400, 300)); got != 8 {
		t.Errorf("400 × 300 takes %d points", got)
	}
}

func BenchmarkCrosswise(b *testing.B) {
	at := Spread(1200, 900, Sides{Top: 10, Right: 10, Bottom: 10, Left: 10})
	for b.Loop() {
		Crosswise(at)
	}
}

// Fixings round any edge stand evenly: neighbours are one space apart along it.
func TestAround(t *testing.T) {
	p, err := outline.Circle(400)
	if err != nil {
		t.Fatal(err)
	}
	at := Around(p, 8)
	if len(at) != 8 {
		t.Fatalf("%d of 8", len(at))
	}
	for i, a := range at {
		// The chord of an eighth of a circle of 400.
		if d := a.To(at[(i+1)%8]); math.Abs(d-400*math.Sin(math.Pi/8)) > 0.5 {
			t.Errorf("%v to the next", d)
		}
	}
	if n := len(PointsAround(p)); n != 7 {
		t.Errorf("a circle of 1257 mm takes %d points", n)
	}
	small, _ := outline.Circle(100)
	if n := len(PointsAround(small)); n != shapedLeast {
		t.Errorf("a small one takes %d", n)
	}
}

// The other school: round in order, clockwise from the upper left.
func TestRound(t *testing.T) {
	at := Spread(260, 240, Sides{Top: 2, Right: 1, Bottom: 2, Left: 1})
	if got, want := Tighten(at, "round"), []int{0, 1, 2, 4, 3, 5}; !slices.Equal(got, want) {
		t.Errorf("got %v, want %v", got, want)
	}
	if !slices.Equal(Tighten(at, "crosswise"), Crosswise(at)) {
		t.Error("crosswise is another order")
	}
}
