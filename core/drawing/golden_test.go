package drawing

import (
	"fmt"
	"sort"
	"strings"
	"testing"

	"freshshard/core/fit"
	"freshshard/core/outline"
)

// shape is the geometry of a drawing as text: layer by layer, in tenths of a
// millimetre.
func shape(d Drawing, layers ...Layer) string {
	var out []string
	for _, i := range d.Items {
		for _, l := range layers {
			if i.Layer != l {
				continue
			}
			s := i.ID + ":"
			for _, p := range i.Points {
				s += fmt.Sprintf(" %.1f,%.1f", p.X, p.Y)
			}
			if i.Text != "" {
				s += " " + i.Text
			}
			out = append(out, s)
		}
	}
	sort.Strings(out)
	return strings.Join(out, "\n")
}

// The table of a stove door, worked by hand: opening as read, pane in its
// middle, brackets numbered crosswise.
func TestGoldenTable(t *testing.T) {
	s := scene(t, "clip-heat", map[fit.Place]string{fit.WidthTop: "270 ±0.3", fit.WidthBottom: "270 ±0.3", fit.HeightLeft: "240 ±0.3", fit.HeightRight: "240 ±0.3", fit.Ledge: "14", fit.Reach: "16"})
	// 270 − 0.3 − 4 − 1.6 = 264.1 → 264.0; 240 − 5.9 = 234.1 → 234.0. Half a
	// bracket is 0.045 · 234 = 10.53; its number stands 1.9 of that to its left.
	want := strings.TrimSpace(`
bracket-1-order: 49.0,243.2 1
bracket-2-order: 181.0,243.2 3
bracket-3-order: 49.0,-12.6 4
bracket-4-order: 181.0,-12.6 2
opening: 0.0,0.0 270.0,0.0 270.0,240.0 0.0,240.0
pane: 3.0,3.0 267.0,3.0 267.0,237.0 3.0,237.0`)
	if got := shape(Table(s), LayerPane, LayerOpening, LayerOrder); got != want {
		t.Errorf("got\n%s\nwant\n%s", got, want)
	}
}

// The section at that edge: wall at 0, ledge to 14, tape of 3 mm seated at two
// thirds, pane from 3 mm on, bracket to 16.
func TestGoldenSection(t *testing.T) {
	s := scene(t, "clip-heat", map[fit.Place]string{fit.WidthTop: "270 ±0.3", fit.WidthBottom: "270 ±0.3", fit.HeightLeft: "240 ±0.3", fit.HeightRight: "240 ±0.3", fit.Ledge: "14", fit.Reach: "16", fit.DepthTop: "9"})
	d := Section(s)
	if p := item(t, d, "pane-cut").Points; fmt.Sprintf("%.3f %.3f %.3f", p[0].X, p[0].Y, p[2].Y) != "3.000 2.025 6.025" {
		t.Errorf("pane %v", p)
	}
	if p := item(t, d, "bracket-cut").Points; fmt.Sprintf("%.1f %.1f", p[3].X, p[3].Y) != "16.0 6.0" {
		t.Errorf("bracket %v", p)
	}
	if i := item(t, d, "bite"); i.Text != "13.0" || i.Points[1].X != 16 {
		t.Errorf("%+v", i)
	}
}

func TestStampStandsInItsCorner(t *testing.T) {
	for corner, want := range map[string]struct {
		left, low bool
	}{"upper-left": {true, false}, "upper-right": {false, false}, "lower-left": {true, true}, "lower-right": {false, true}} {
		s := scene(t, "clip-heat", full)
		s.Stamp, s.Corner = "GC 4", corner
		p := item(t, Table(s), "stamp").Points[0]
		if (p.X < 135) != want.left || (p.Y < 121) != want.low {
			t.Errorf("%s: the stamp is at %v", corner, p)
		}
	}
	s := scene(t, "clip-heat", full)
	s.Stamp = "GC 4"
	for _, i := range Table(s).Items {
		if i.ID == "stamp" {
			t.Error("a stamp is drawn though nobody knows its corner")
		}
	}
}

func TestOfOutline(t *testing.T) {
	p, err := outline.RoundTop(200, 300, 100)
	if err != nil {
		t.Fatal(err)
	}
	in, err := p.Offset(10)
	if err != nil {
		t.Fatal(err)
	}
	d := OfOutline(outline.Outline{Outer: p}, in)
	lines, arcs := 0, 0
	for _, i := range d.Items {
		switch i.Kind {
		case Line:
			lines++
		case Arc:
			arcs++
		}
	}
	if lines != 6 || arcs != 2 {
		t.Errorf("%d lines, %d arcs", lines, arcs)
	}
	if a := item(t, d, "loop-0-3"); a.Radius != 100 || a.Points[0] != (outline.Point{X: 100, Y: 300}) {
		t.Errorf("%+v", a)
	}
}
