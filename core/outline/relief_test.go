package outline

import (
	"math"
	"testing"
)

// How many scores of which kind break a shape out of its blank. Common practice, no
// source: a circle in eighths, straight sides edge to edge.
func TestScores(t *testing.T) {
	must := func(p Path, err error) Path {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
	inside := must(NewPath([]Vertex{{Point: Point{X: 0, Y: 0}}, {Point: Point{X: 400, Y: 0}},
		{Point: Point{X: 400, Y: 300}, Bulge: -0.2}, {Point: Point{X: 0, Y: 300}}}))
	cases := []struct {
		name               string
		p                  Path
		runs, relief, nest int
	}{
		{"a rectangle", must(RoundedRect(400, 300, 0)), 0, 0, 0},
		{"a circle", must(Circle(240)), 0, 8, 0},
		{"a half round on a rectangle", must(RoundTop(400, 300, 200)), 6, 3, 0},
		{"a flat arch, an eighth of a turn at most", must(RoundTop(400, 300, 30)), 6, 0, 0},
		{"rounded corners", must(RoundedRect(400, 300, 40)), 8, 4, 0},
		{"a triangle", must(Triangle(400, 300, 300)), 6, 0, 0},
		// Rise 0.2 × 400 / 2 = 40 mm: two flatter ones before it. Its sides run out below only,
		// and along the top neither.
		{"an inside curve", inside, 4, 0, 2},
	}
	for _, c := range cases {
		t.Run(c.name, func(t *testing.T) {
			got := map[string]int{}
			const margin = 32
			b := c.p.Box()
			for _, s := range c.p.Scores(margin) {
				got[s.Kind]++
				for i, q := range s.Line {
					if q.X < b.Min.X-margin-1e-6 || q.X > b.Max.X+margin+1e-6 || q.Y < b.Min.Y-margin-1e-6 ||
						q.Y > b.Max.Y+margin+1e-6 {
						t.Errorf("%s at %v is beside the blank", s.Kind, q)
					}
					if i > 0 && i < len(s.Line)-1 && s.Kind != Nest && c.p.Inside(q) {
						t.Errorf("%s at %v runs into the pane", s.Kind, q)
					}
				}
				last := s.Line[len(s.Line)-1]
				edge := math.Min(math.Min(last.X-b.Min.X, b.Max.X-last.X), math.Min(last.Y-b.Min.Y, b.Max.Y-last.Y))
				if s.Kind != Nest && math.Abs(edge+margin) > 1e-6 {
					t.Errorf("%s ends at %v, not at the blank's edge", s.Kind, last)
				}
				mid := Point{X: (s.Line[0].X + last.X) / 2, Y: (s.Line[0].Y + last.Y) / 2}
				if s.Kind != Nest && c.p.Inside(mid) {
					t.Errorf("%s from %v to %v runs through the pane", s.Kind, s.Line[0], last)
				}
			}
			if got[RunOut] != c.runs || got[ReliefAt] != c.relief || got[Nest] != c.nest {
				t.Errorf("%v, want %d, %d, %d", got, c.runs, c.relief, c.nest)
			}
		})
	}
}

// A relief score stops 2 mm short of the outline; nested curves lie in the waste, each
// deeper than the one before.
func TestScoresKeepOff(t *testing.T) {
	c, _ := Circle(240)
	m := c.Box()
	centre := Point{X: (m.Min.X + m.Max.X) / 2, Y: (m.Min.Y + m.Max.Y) / 2}
	for _, s := range c.Scores(20) {
		if d := centre.To(s.Line[0]) - 120; math.Abs(d-2) > 1e-6 {
			t.Errorf("a relief score begins %.2f mm off the outline", d)
		}
	}
	p, _ := NewPath([]Vertex{{Point: Point{X: 0, Y: 0}}, {Point: Point{X: 400, Y: 0}},
		{Point: Point{X: 400, Y: 300}, Bulge: -0.2}, {Point: Point{X: 0, Y: 300}}})
	low := 300.0
	for _, s := range p.Scores(20) {
		if s.Kind != Nest {
			continue
		}
		mid := s.Line[len(s.Line)/2]
		if p.Inside(mid) || mid.Y >= low || mid.Y < 260 {
			t.Errorf("a curve goes down to %.1f", mid.Y)
		}
		low = mid.Y
	}
}
