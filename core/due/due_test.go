package due

import (
	"slices"
	"testing"
	"time"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/pane"
	"freshshard/core/road"
)

// What is due for ordinary panes, the soonest first. Common practice, no source.
func TestFor(t *testing.T) {
	out := time.Date(2026, 3, 20, 16, 0, 0, 0, time.UTC)
	for _, c := range []struct {
		name string
		of   Of
		want []string
	}{
		{"a sauna stove", Of{"clip-heat", "fire", "glass-ceramic", "size", "opening"}, []string{"nip", "pits", "rope"}},
		{"a deck oven", Of{"window-pack", "oven", "toughened", "size", "opening"}, []string{"nip", "rope"}},
		{"the same in a cabinet", Of{"clip-heat", "room", "annealed", "size", "opening"}, nil},
		{"a greenhouse light", Of{"putty-points", "weather", "annealed", "size", "opening"}, []string{"paint", "putty"}},
		{"one that was only cleaned", Of{"putty-points", "weather", "", "kept", "clean"}, nil},
		{"one that is watched", Of{"bonded-fixed", "weather", "", "kept", "watch"}, []string{"watch"}},
		{"stuck again", Of{"edge-bonded", "weather", "", "stays", "stick"}, []string{"bond"}},
		{"a gauge tube", Of{"gauge-tube", "boiler", "borosilicate", "size", "opening"}, []string{"tube"}},
		{"a trailer's ring window in plastic", Of{"clamp-ring", "weather", "acrylic", "size", "opening"}, []string{"nip-soft",
			"weeps", "plastic"}},
		{"lugs and a cap", Of{"lugs-cap", "weather", "toughened", "size", "opening"}, []string{"nip-soft", "rubber"}},
		{"a cab's drop glass", Of{"drop-glass", "weather", "toughened", "size", "pattern"}, []string{"run"}},
		{"a guard's panel", Of{"flat-panel", "room", "polycarbonate", "size", "opening"}, []string{"screws", "plastic"}},
	} {
		t.Run(c.name, func(t *testing.T) {
			var got []string
			last := out
			for _, d := range For(c.of, out) {
				got = append(got, d.Key)
				if d.On.Before(last) || d.On.Hour() != hour || d.What == "" || d.Why == "" || d.Origin.String() == "" {
					t.Errorf("%+v", d)
				}
				last = d.On
			}
			if !slices.Equal(got, c.want) {
				t.Errorf("%v, want %v", got, c.want)
			}
		})
	}
}

// Days are days of the calendar: over the change of the clock and the end of February
// too, whatever hour it went out at.
func TestForDays(t *testing.T) {
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	for out, want := range map[time.Time]string{
		time.Date(2026, 3, 20, 23, 50, 0, 0, zone): "2026-04-03 09:00 CEST", // the clocks go on in between
		time.Date(2026, 10, 20, 0, 5, 0, 0, zone):  "2026-11-03 09:00 CET",
		time.Date(2028, 2, 16, 12, 0, 0, 0, zone):  "2028-03-01 09:00 CET", // a leap year
	} {
		d := For(Of{Family: "putty-points", Exposure: "weather", Road: "size"}, out)
		if len(d) == 0 || d[0].On.Format("2006-01-02 15:04 MST") != want {
			t.Errorf("out %v: %v, want %s", out, d, want)
		}
	}
}

// Every word that a rule goes by is one of the catalogues, and every way of holding that
// a pane is fitted in has something that is looked at again.
func TestRulesName(t *testing.T) {
	keys := map[string]bool{}
	for _, r := range rules {
		if keys[r.Key] || r.After.V < 1 || r.After.Origin.Check() != nil {
			t.Errorf("%s: twice, or its time is wrong", r.Key)
		}
		keys[r.Key] = true
		for _, id := range r.Families {
			if _, err := family.Book.ByID(id); err != nil {
				t.Errorf("%s: %v", r.Key, err)
			}
		}
		for _, id := range r.Materials {
			if _, err := pane.Book.ByID(id); err != nil {
				t.Errorf("%s: %v", r.Key, err)
			}
		}
		for _, id := range r.Exposures {
			if _, err := exposure.Book.ByID(id); err != nil {
				t.Errorf("%s: %v", r.Key, err)
			}
		}
		for _, id := range r.Roads {
			if _, _, err := road.Of(id, ""); err != nil {
				t.Errorf("%s: %v", r.Key, err)
			}
		}
	}
	for _, f := range family.Book.All() {
		at := Of{Family: f.ID, Exposure: "fire", Road: "size"}
		if len(For(at, time.Unix(0, 0))) == 0 {
			t.Errorf("nothing is ever looked at again: %s", f.ID)
		}
	}
}
