package reckon

import (
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/pane"
)

// No size is given of a pane that is ruled out: until one is settled, what is
// best allowed is reckoned with, and said; where nothing may be, nothing is
// ordered.
func TestNoSizeFromWhatIsRuledOut(t *testing.T) {
	for _, c := range []struct {
		name, family     string
		steady, peak     float64
		strike           bool
		windscreen       bool
		settled          string
		want             string // material reckoned with
		instead, without string
	}{
		{"as usual", "putty-points", 20, 30, false, false, "", "annealed", "", ""},
		{"at its limit", "putty-points", 110, 150, false, false, "", "annealed", "", ""},
		{"above it", "putty-points", 111, 150, false, false, "", "",
			"annealed glass, which is usual here, is ruled out: hot side 111 °C", ""},
		{"an oven", "putty-points", 240, 290, false, false, "", "", "annealed glass, which is usual here", ""},
		{"where somebody may fall", "putty-points", 20, 30, true, false, "", "", "people can fall against it", ""},
		{"hotter than anything stands", "clip-heat", 900, 950, false, false, "", "glass-ceramic", "",
			"nothing on the list stands this place"},
		{"a windscreen", "locking-gasket", 20, 30, false, true, "", "laminated", "a windscreen is laminated",
			"a windscreen's glass is never assumed"},
		{"a windscreen that is settled", "locking-gasket", 20, 30, false, true, "laminated", "laminated", "", ""},
		{"settled, and ruled out", "putty-points", 240, 290, false, false, "annealed", "annealed", "", ""},
	} {
		f, err := family.Book.ByID(c.family)
		if err != nil {
			t.Fatal(err)
		}
		e, _ := exposure.Book.ByID("room")
		e.Steady, e.Short, e.Sudden, e.Hours = c.steady, c.peak, 10, 10
		k := Known{Object: Object{Exposure: e, Strike: c.strike, Duty: pane.Duty{Windscreen: c.windscreen}},
			Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None}}, Seen: Seen{Readings: usually(t, f)},
			Settled: Settled{Material: c.settled}, Unit: length.MM}
		if c.settled != "" {
			k.Thickness = 6
		}
		r, err := Pane(k)
		if err != nil {
			t.Errorf("%s: %v", c.name, err)
			continue
		}
		if c.want != "" && r.Material.ID != c.want || !strings.Contains(r.Instead, c.instead) ||
			(r.Instead == "") != (c.instead == "") {
			t.Errorf("%s: %s, instead %q", c.name, r.Material.ID, r.Instead)
		}
		if !strings.Contains(r.Withheld, c.without) || (r.Withheld == "") != (c.without == "") ||
			(r.Order == "") != (c.without != "") {
			t.Errorf("%s: order %q, withheld %q", c.name, r.Order, r.Withheld)
		}
		if c.settled == "" && c.without == "" {
			if closed, err := r.Material.Against(Sized{Held: r.Held}.need(Told{like: k.Like})); err != nil || len(closed) > 0 {
				t.Errorf("%s: reckoned with %s, which is ruled out: %v, %v", c.name, r.Material.ID, closed, err)
			}
		}
	}
}
