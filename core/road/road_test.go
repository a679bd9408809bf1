package road

import (
	"slices"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/fault"
)

func keys(f family.Family) (steps, checks []string) {
	for _, s := range f.Steps {
		steps = append(steps, s.Key)
	}
	for _, c := range f.Checks {
		checks = append(checks, c.Key)
	}
	return steps, checks
}

func laid(t *testing.T, f family.Family, id, how string, came Came) family.Family {
	t.Helper()
	r, h, err := Of(id, how)
	if err != nil {
		t.Fatal(err)
	}
	return Apply(f, r, h, came)
}

// The table holds together: stations are stations, keys are not the way of
// holding's own, every step says why, every road has a way of going it.
func TestRoadsHoldTogether(t *testing.T) {
	if len(All()) != 6 || All()[0].ID != Size {
		t.Fatalf("%d roads, first %s", len(All()), All()[0].ID)
	}
	own := map[string]bool{}
	for _, f := range family.Book.All() {
		for _, s := range f.Steps {
			own[s.Key] = true
		}
	}
	for _, r := range All() {
		if len(r.Hows) == 0 || r.Name == "" || r.Hint == "" {
			t.Errorf("%s says too little", r.ID)
		}
		for _, h := range r.Hows {
			if !r.Sized && h.Headline == "" || len(r.Hows) > 1 && (h.ID == "" || h.Name == "") {
				t.Errorf("%s/%s has no headline or no name", r.ID, h.ID)
			}
			for _, s := range h.Drop {
				if !slices.Contains(family.Stations, s) {
					t.Errorf("%s/%s drops %q, which is no station", r.ID, h.ID, s)
				}
			}
			for _, s := range h.Steps {
				if own[s.Key] || !slices.Contains(family.Stations, s.Station) || s.Why == "" || s.Do == "" || s.Minutes <= 0 {
					t.Errorf("%s/%s: step %+v", r.ID, h.ID, s)
				}
			}
			for k := range h.Words {
				if !own[k] {
					t.Errorf("%s/%s renames %s, which nobody has", r.ID, h.ID, k)
				}
			}
		}
	}
}

// What makes an object safe to work on, and to go back to, stands on every
// road; steps stay in the order of the stations; no key is there twice. A pane that is only watched is not
// opened, and of one that is copied the object is not here.
func TestSafetyStaysOnEveryRoad(t *testing.T) {
	for _, f := range family.Book.All() {
		before, _ := keys(f)
		for _, r := range All() {
			for _, h := range r.Hows {
				g := laid(t, f, r.ID, h.ID, Unbroken)
				steps, checks := keys(g)
				for _, k := range []string{"cold", "guard"} {
					if slices.Contains(before, k) && !slices.Contains(steps, k) && h.ID != "watch" && h.ID != "pattern" {
						t.Errorf("%s, %s/%s: %s is gone", f.ID, r.ID, h.ID, k)
					}
				}
				at := 0
				seen := map[string]bool{}
				for _, s := range g.Steps {
					n := slices.Index(family.Stations, s.Station)
					if n < at || seen[s.Key] {
						t.Errorf("%s, %s/%s: %s stands in the wrong place or twice", f.ID, r.ID, h.ID, s.Key)
					}
					at, seen[s.Key] = n, true
				}
				seen = map[string]bool{}
				for _, k := range checks {
					if seen[k] {
						t.Errorf("%s, %s/%s: check %s twice", f.ID, r.ID, h.ID, k)
					}
					seen[k] = true
				}
				if len(checks) == 0 {
					t.Errorf("%s, %s/%s proves nothing", f.ID, r.ID, h.ID)
				}
			}
		}
	}
}

// A pane made to size is done as the way of holding has it, and laying a road
// leaves the book as it was.
func TestSizeChangesNothing(t *testing.T) {
	for _, f := range family.Book.All() {
		steps, checks := keys(f)
		for _, r := range All() {
			laid(t, f, r.ID, "", Whole)
		}
		g := laid(t, f, "", "", Broken)
		if a, b := keys(g); !slices.Equal(a, steps) || !slices.Equal(b, checks) {
			t.Errorf("%s: %v %v", f.ID, a, b)
		}
		if a, b := keys(f); !slices.Equal(a, steps) || !slices.Equal(b, checks) {
			t.Errorf("%s was changed in the book", f.ID)
		}
	}
}

// Each road in one way of holding: what it asks, and what it no longer does.
// Common practice, no source.
func TestWhatEachRoadAsks(t *testing.T) {
	for _, c := range []struct {
		family, road, how  string
		came               Came
		has, lacks         string // steps
		proves, notChecked string
		measured, settled  bool
		titled, titledAs   string
		fewer              int // at most so many steps
	}{
		{family: "channel-front", road: "part", has: "door-off save-parts part-number part-here dry-fit pane-up",
			lacks: "measure choose order check-new", proves: "old-on-new print-side play hinges", fewer: 15},
		{family: "bonded-fixed", road: "stays", how: "stick", came: Whole, has: "both-faces adhesive prime bead cure",
			lacks: "measure choose order", proves: "cause-gone pull press water", titled: "vacuum",
			titledAs: "Seat and pane clean"},
		{family: "clip-heat", road: "stays", how: "seal", came: Unbroken, has: "cold new-seal gasket-on brackets first-fire",
			lacks: "measure order", proves: "edge-whole paper", titled: "pane-out", titledAs: "Pane out whole"},
		{family: "clip-heat", road: "stays", how: "nip", came: Unbroken, has: "cold nip", lacks: "door-off first-fire",
			proves: "alike moves", notChecked: "gap", fewer: 2},
		{family: "window-pack", road: "kept", how: "clean", came: Unbroken, has: "shell-off clean-faces stack",
			lacks: "measure vacuum choose", proves: "faces-clean edge-whole", notChecked: "outside"},
		{family: "channel-front", road: "kept", how: "watch", came: Unbroken, has: "cause", lacks: "first-heat",
			proves: "told", fewer: 1},
		{family: "putty-points", road: "kept", how: "watch", came: Unbroken, has: "cause", lacks: "putty-out look",
			proves: "told", fewer: 1, titled: "cause", titledAs: "Look it over"},
		{family: "putty-points", road: "other", how: "board", has: "measure order pane-in", measured: true, settled: true,
			proves: "gap"},
		{family: "clamp-ring", road: "window", has: "measure cover order", lacks: "choose", measured: true},
		{family: "locking-gasket", road: "window", has: "part-number part-here", lacks: "measure choose", proves: "covers"},
		{family: "bead-brads", road: "stays", how: "upgrade", came: Unbroken, has: "what-added", proves: "added",
			titled: "cause", titledAs: "Look it over, and what is asked"},
	} {
		f, err := family.Book.ByID(c.family)
		if err != nil {
			t.Fatal(err)
		}
		r, h, err := Of(c.road, c.how)
		if err != nil {
			t.Fatal(err)
		}
		g := Apply(f, r, h, c.came)
		steps, checks := keys(g)
		for _, k := range strings.Fields(c.has) {
			if !slices.Contains(steps, k) {
				t.Errorf("%s, %s/%s: no step %s in %v", c.family, c.road, c.how, k, steps)
			}
		}
		for _, k := range strings.Fields(c.lacks) {
			if slices.Contains(steps, k) {
				t.Errorf("%s, %s/%s: asks %s", c.family, c.road, c.how, k)
			}
		}
		for _, k := range strings.Fields(c.proves) {
			if !slices.Contains(checks, k) {
				t.Errorf("%s, %s/%s: does not prove %s, %v", c.family, c.road, c.how, k, checks)
			}
		}
		for _, k := range strings.Fields(c.notChecked) {
			if slices.Contains(checks, k) {
				t.Errorf("%s, %s/%s: asks to prove %s", c.family, c.road, c.how, k)
			}
		}
		if r.Measured(f) != c.measured || r.Settled() != c.settled {
			t.Errorf("%s, %s/%s: measured %v, settled %v", c.family, c.road, c.how, r.Measured(f), r.Settled())
		}
		if c.fewer > 0 && len(steps) > c.fewer {
			t.Errorf("%s, %s/%s: %d steps, %v", c.family, c.road, c.how, len(steps), steps)
		}
		for _, s := range g.Steps {
			if s.Key == c.titled && s.Title != c.titledAs {
				t.Errorf("%s, %s/%s: %s says %q", c.family, c.road, c.how, s.Key, s.Title)
			}
		}
	}
}

// What a way of holding does not have cannot be done with it, and a broken pane
// does not stay.
func TestChosenRefuses(t *testing.T) {
	for _, c := range []struct {
		family string
		in     Chosen
		field  string // empty for none
	}{
		{"clip-heat", Chosen{}, ""}, {"clip-heat", Chosen{ID: "size", Came: Whole}, ""},
		{"clip-heat", Chosen{ID: "melt"}, "road.id"}, {"clip-heat", Chosen{ID: "stays", How: "melt", Came: Whole},
			"road.how"},
		{"clip-heat", Chosen{ID: "stays", How: "stick", Came: Whole}, "road.how"},
		{"edge-bonded", Chosen{ID: "stays", How: "stick", Came: Whole}, ""},
		{"edge-bonded", Chosen{ID: "stays", How: "stick"}, "road.came"},
		{"edge-bonded", Chosen{ID: "stays", How: "stick", Came: Broken}, "road.came"},
		{"bonded-fixed", Chosen{ID: "stays", How: "nip", Came: Unbroken}, "road.how"},
		{"clip-heat", Chosen{ID: "stays", How: "nip", Came: Unbroken}, ""},
		{"putty-points", Chosen{ID: "kept", How: "watch"}, "road.came"},
		{"putty-points", Chosen{ID: "kept", How: "watch", Came: Unbroken}, ""},
		{"gauge-tube", Chosen{ID: "stays", How: "seal", Came: Whole}, "road.id"},
		{"gauge-tube", Chosen{ID: "kept", How: "clean", Came: Whole}, "road.id"},
		{"gauge-tube", Chosen{ID: "stays", How: "nip", Came: Unbroken}, ""},
		{"gauge-tube", Chosen{ID: "other", How: "board"}, "road.id"}, {"gauge-tube", Chosen{ID: "part"}, "road.id"},
		{"drop-glass", Chosen{ID: "part", Part: Part{Number: "71-4", Asked: []Asked{{Says: "84.50"}}}},
			"road.part.asked[0].where"},
	} {
		f, err := family.Book.ByID(c.family)
		if err != nil {
			t.Fatal(err)
		}
		err = c.in.Check(f)
		if c.field == "" && err != nil || c.field != "" && (fault.Of(err) == nil || fault.Of(err).Field != c.field) {
			t.Errorf("%s, %+v: %v", c.family, c.in, err)
		}
	}
}

func TestPartSays(t *testing.T) {
	for want, p := range map[string]Part{"": {}, "71-4": {Number: "71-4"}, "off its plate": {Seen: "plate"},
		"71-4, out of a parts list": {Number: "71-4", Seen: "list"}} {
		if p.Says() != want || p.Noted() != (want != "") {
			t.Errorf("%q, noted %v, want %q", p.Says(), p.Noted(), want)
		}
	}
}
