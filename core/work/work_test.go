package work_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/road"
	"freshshard/core/state"
	"freshshard/core/work"
	"freshshard/tools/golden"
)

func held(t *testing.T, id string) family.Family {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	return f
}

func seen(t *testing.T, id string) exposure.Exposure {
	t.Helper()
	e, err := exposure.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	return e
}

// What the object is says what is asked: an oven between lugs is not a trailer, a cabinet sees no
// rain, a tractor's leaf is hung when its bond is ready. Common practice, no source.
func TestWhatTheObjectBrings(t *testing.T) {
	for _, c := range []struct {
		name, family, exposure string
		o                      work.Object
		order                  string // steps that are there in this order
		not                    string // steps and checks that are not
		checks                 string
	}{
		{"an electric oven, between lugs, its door off", "lugs-cap", "oven", work.Object{Power: true, Leaf: true},
			"isolate door-off bar-off pane-up bar-on door-on first-heat", "water leaf-off leaf-on prove", "heat hinges square"},
		{"an oven that nobody said is electric: it has a lamp and a fan", "lugs-cap", "oven", work.Object{},
			"isolate bar-off first-heat", "water door-off", "heat"},
		{"an oven, under tabs", "tabbed-retainer", "oven", work.Object{Leaf: true},
			"isolate door-off screws panel-on film door-on first-heat", "prove interlock water", "heat tabs"},
		{"a machine's guard, under tabs", "tabbed-retainer", "room", work.Object{},
			"isolate screws panel-on film prove", "first-heat door-off water", "interlock"},
		{"a stove's door: fire out and cold, and one way of getting in", "clip-heat", "fire", work.Object{Leaf: true},
			"cold door-off screws door-on first-fire", "isolate leaf-off leaf-on", "fire paper"},
		{"a stove with a fan", "channel-front", "fire", work.Object{Power: true}, "cold cause isolate door-off", "water", ""},
		{"a trailer's light between lugs", "lugs-cap", "weather", work.Object{Vehicle: true},
			"bar-off pane-up bar-on water", "isolate first-heat door-off", "water"},
		{"an apothecary cabinet", "bead-brads", "room", work.Object{}, "door-off beads-off beads-on hang look",
			"isolate water first-heat", ""},
		{"the same with its hinges noted", "bead-brads", "room", work.Object{Leaf: true},
			"leaf-off beads-off beads-on leaf-on leaf-height leaf-seals", "door-off hang water", "leaf-gap leaf-latch"},
		{"a museum case, bonded", "bonded-fixed", "room", work.Object{}, "trim-off bead pane-in cure trim-back", "water",
			"press"},
		{"a tractor's bonded leaf", "bonded-fixed", "weather", work.Object{Vehicle: true, Leaf: true},
			"leaf-off trim-off bead pane-in cure trim-back leaf-on leaf-height leaf-seals water", "isolate door-off",
			"water leaf-gap"},
		{"a café boiler's gauge tube", "gauge-tube", "boiler", work.Object{Power: true},
			"isolate out tube-in hand-tight guard open",
			"door-off first-heat water", "weep"},
		{"a lit cabinet", "lift-drop", "room", work.Object{Power: true}, "isolate out lift-in", "water", ""},
	} {
		c.o.Exposure = seen(t, c.exposure)
		f := work.ToSize(held(t, c.family), c.o)
		at := 0
		for _, k := range strings.Fields(c.order) {
			i := slices.IndexFunc(f.Steps[at:], func(s family.Step) bool { return s.Key == k })
			if i < 0 {
				t.Errorf("%s: %s is not there, or comes too soon", c.name, k)
				continue
			}
			at += i + 1
		}
		has := map[string]bool{}
		for _, s := range f.Steps {
			has[s.Key] = true
		}
		for _, k := range f.Checks {
			has["?"+k.Key] = true
		}
		for _, k := range strings.Fields(c.not) {
			if has[k] || has["?"+k] {
				t.Errorf("%s: asks for %s", c.name, k)
			}
		}
		for _, k := range strings.Fields(c.checks) {
			if !has["?"+k] {
				t.Errorf("%s: does not prove %s", c.name, k)
			}
		}
	}
}

// objects are the kinds of object that any way of holding is tried in.
func objects(t *testing.T, f family.Family) map[string]work.Object {
	return map[string]work.Object{
		"as it usually is":                   {Exposure: seen(t, f.Exposure)},
		"an electric oven, its door off":     {Exposure: seen(t, "oven"), Power: true, Leaf: true},
		"a stove":                            {Exposure: seen(t, "fire")},
		"indoors, on a leaf":                 {Exposure: seen(t, "room"), Leaf: true},
		"on the road, a leaf that comes off": {Exposure: seen(t, "weather"), Vehicle: true, Leaf: true},
	}
}

// On every road of every way of holding in every object: stations stay in their order, no key is
// there twice, and what a step needs is made before it, if it is made at all.
func TestOrderHoldsTogether(t *testing.T) {
	for _, f := range family.Book.All() {
		for name, o := range objects(t, f) {
			for _, r := range road.All() {
				for _, h := range r.Hows {
					sound(t, fmt.Sprintf("%s, %s %s, %s", f.ID, r.ID, h.ID, name), work.Of(f, r, h, road.Whole, o))
				}
			}
		}
	}
}

func sound(t *testing.T, name string, f family.Family) {
	t.Helper()
	at, keys, made := 0, map[string]bool{}, map[state.State]int{}
	for i, s := range f.Steps {
		for _, k := range s.Makes {
			made[k] = i
			if _, err := state.Book.ByID(string(k)); err != nil {
				t.Errorf("%s: %s makes %s, and nobody knows what that is", name, s.Key, k)
			}
		}
	}
	for i, s := range f.Steps {
		n := slices.Index(family.Stations, s.Station)
		if n < at || keys[s.Key] {
			t.Errorf("%s: %s stands in the wrong place or twice", name, s.Key)
		}
		at, keys[s.Key] = n, true
		own := func(k state.State) bool { return slices.Contains(s.Makes, k) }
		for _, k := range s.Needs {
			if last, ok := made[k]; ok && last > i && !own(k) && k != state.Fixed {
				t.Errorf("%s: %s needs %s, which %s makes later", name, s.Key, k, f.Steps[last].Key)
			}
		}
	}
	for _, c := range f.Checks {
		for _, k := range c.After {
			if !keys[k] {
				t.Errorf("%s: %s waits for %s, which is no step", name, c.Key, k)
			}
		}
	}
}

// The order of each way of holding in each kind of object, for people to read.
func TestOrdersAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, f := range family.Book.All() {
		all := objects(t, f)
		names := make([]string, 0, len(all))
		for name := range all {
			names = append(names, name)
		}
		slices.Sort(names)
		for _, name := range names {
			fmt.Fprintf(b, "= %s, %s\n", f.Name, name)
			w := work.ToSize(f, all[name])
			for _, station := range family.Stations {
				if slices.Contains([]family.Station{"measure", "choose", "source"}, station) {
					continue // the same everywhere
				}
				var said []string
				for _, s := range w.Steps {
					if s.Station == station {
						said = append(said, s.Title)
					}
				}
				if len(said) > 0 {
					fmt.Fprintf(b, "  %s: %s\n", station, strings.Join(said, "; "))
				}
			}
			var said []string
			for _, c := range w.Checks {
				said = append(said, c.Text)
			}
			fmt.Fprintf(b, "  proof: %s\n", strings.Join(said, "; "))
		}
	}
	golden.Check(t, "orders", b.String())
}
