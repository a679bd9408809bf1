package reckon

import (
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// A tube is ordered by its outside and its wall. A wall that nobody has read is
// asked for, never assumed; one that leaves no bore stops.
func TestTubeHasItsWall(t *testing.T) {
	f, _ := family.Book.ByID("gauge-tube")
	e, _ := exposure.Book.ByID(f.Exposure)
	for _, c := range []struct {
		name, outside, wall string
		settled             float64
		order               string
		bore                working.Verdict
	}{
		{"nothing read", "8", "", 0, "", ""},
		{"read", "8", "1.5", 0, "tube, 8.0 mm outside, 266.5 mm long, not chosen yet; best choice: " +
			"borosilicate, wall 1.5 mm", working.Good},
		{"read off a broken end", "8", "1.04", 0, "borosilicate, wall 1 mm", working.Good},
		{"a wall that no list has", "12.7", "2.7", 0, "borosilicate, wall 2.7 mm", working.Good},
		{"just a bore", "8", "3", 0, "borosilicate, wall 3 mm", working.Good},
		{"hardly a bore", "8", "3.1", 0, "borosilicate, wall 3.1 mm", working.Stop},
		{"settled too thick", "8", "", 4, "borosilicate, wall 4 mm", working.Stop},
	} {
		k := Known{Object: Object{Exposure: e}, Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None}},
			Seen: Seen{Readings: usually(t, f)}, Unit: length.MM}
		delete(k.Readings, reading.TubeWall)
		for p, text := range map[reading.Place]string{reading.TubeOutside: c.outside, reading.TubeWall: c.wall} {
			if text == "" {
				continue
			}
			got, err := reading.FromTexts(map[reading.Place]string{p: text}, length.MM)
			if err != nil {
				t.Fatal(err)
			}
			k.Readings[p] = got[p]
		}
		if c.settled > 0 {
			k.Material, k.Thickness = "borosilicate", c.settled
		}
		r, got := reckoned(t, k)
		if !strings.Contains(r.Order, c.order) || (r.Order == "") != (c.order == "") || got["bore"].Verdict != c.bore {
			t.Errorf("%s: order %q, bore %+v", c.name, r.Order, got["bore"])
		}
		if c.order == "" && (len(r.Fit.Missing) != 1 || r.Fit.Missing[0].Place != reading.TubeWall ||
			!strings.Contains(r.Pane, "wall not read")) {
			t.Errorf("%s: %s, missing %+v", c.name, r.Pane, r.Fit.Missing)
		}
	}
}

// Who sells a pane neither loosens nor tightens what the furnace does to it.
func TestTheFurnaceSetsTheBand(t *testing.T) {
	f, _ := family.Book.ByID("putty-points")
	e, _ := exposure.Book.ByID(f.Exposure)
	for _, c := range []struct {
		material string
		cutter   fit.Cutter
		band     float64
	}{{"toughened", "", 2.5}, {"toughened", fit.ShopCut, 2.5}, {"toughened", fit.HandCut, 2.5}, {"annealed", "", 1.6},
		{"annealed", fit.HandCut, 1}, {"annealed", fit.ShopCut, 1.6}} {
		r, _ := reckoned(t, Known{Object: Object{Exposure: e},
			Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None}}, Seen: Seen{Readings: usually(t, f)},
			Settled: Settled{Material: c.material, Thickness: 4, Cutter: c.cutter}, Unit: length.MM})
		if r.Fit.Band.Half != c.band {
			t.Errorf("%s by %q: ±%v", c.material, c.cutter, r.Fit.Band.Half)
		}
	}
}
