package plan

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/exposure"
	"freshshard/core/family"
)

func planOf(t *testing.T, id string) Plan {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	e, err := exposure.Book.ByID(f.Exposure)
	if err != nil {
		t.Fatal(err)
	}
	p, err := Build(f, Facts{Exposure: e})
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func (p Plan) step(t *testing.T, key string) Step {
	t.Helper()
	for _, s := range p.Steps {
		if s.Key == key {
			return s
		}
	}
	t.Fatalf("no step %s", key)
	return Step{}
}

var noon = time.Date(2026, 6, 1, 12, 0, 0, 0, time.UTC)

// What a step waits for, just before, at and after.
func TestWait(t *testing.T) {
	bonded, tube, stove, port := planOf(t, "bonded-fixed"), planOf(t, "gauge-tube"), planOf(t, "clip-heat"),
		planOf(t, "ring-port")
	done := func(keys ...string) Standing {
		st := Standing{Done: map[string]time.Time{}, Sized: true}
		for _, k := range keys {
			st.Done[k] = noon
		}
		return st
	}
	for _, c := range []struct {
		name string
		plan Plan
		step string
		st   Standing
		at   time.Duration
		why  string
	}{
		{"cure before the bond", bonded, "cure", done(), 0, "first step 13, pane in"},
		{"cure right after it", bonded, "cure", done("pane-in"), 40 * time.Millisecond, "60 min"},
		{"a second before the hour", bonded, "cure", done("pane-in"), time.Hour - time.Second, "60 min"},
		{"at the hour", bonded, "cure", done("pane-in"), time.Hour, ""},
		{"measured with nothing read", tube, "measure", Standing{Unread: []string{"stop depth"}}, 0,
			"not read yet: stop depth"},
		{"measured without a size", tube, "measure", Standing{}, 0, "no size"},
		{"measured", tube, "measure", Standing{Sized: true}, 0, ""},
		{"fire before it is cold", stove, "first-fire", done("brackets", "door-on"), 0, "first step 1, cold"},
		{"fire", stove, "first-fire", done("cold", "brackets", "door-on"), 0, ""},
		{"opened without its guard", tube, "open", done("hand-tight"), 0, "guard"},
		{"what waits for nothing", stove, "screws", done(), 0, ""},
		{"looked over before it came", stove, "check-new", Standing{Awaits: "the pane from the cutter"}, 0,
			"waits for the pane from the cutter"},
		{"looked over", stove, "check-new", Standing{}, 0, ""},
		{"ordered while another is awaited", stove, "order", Standing{Awaits: "the pane"}, 0, ""},
		{"another hold at the same station", port, "flat", Standing{Unread: []string{"diameter"}}, 0, ""},
		{"another step at the same station", stove, "gasket-judge", Standing{Unread: []string{"width"}}, 0, ""},
	} {
		w := c.plan.Wait(c.plan.step(t, c.step), c.st, noon.Add(c.at))
		if (w == nil) != (c.why == "") || w != nil && (!strings.Contains(w.Why, c.why) || w.Step != c.step) {
			t.Errorf("%s: %+v", c.name, w)
		}
		if w != nil && (w.Until != nil) != strings.Contains(c.why, "min") {
			t.Errorf("%s: until %v", c.name, w.Until)
		}
	}
	if w := bonded.Waits(done("dry-fit", "bead", "pane-in"), noon); len(w) != 3 || w[1].Step != "trim-back" ||
		w[2].Step != "water" || w[2].Until != nil || w[0].Step != "cure" || !w[0].Until.Equal(noon.Add(time.Hour)) {
		t.Errorf("%+v", w)
	}
}

// Clocks of all kinds: just before, at, after; what has a part to go is opened by no hour;
// of two the later counts, and a leak is said at once.
func TestClocks(t *testing.T) {
	at := func(d time.Duration) *time.Time { t := noon.Add(d); return &t }
	hard := Clock{What: "urethane", Ready: at(time.Hour)}
	runs := Clock{What: "Paint dries", Ready: at(2 * time.Hour), Says: "its clock runs: paint dries"}
	part := Clock{What: "Half a fire", Ready: at(time.Minute), Says: "its clock runs: half a fire", Shut: true}
	never := Clock{What: "urethane"}
	for _, c := range []struct {
		name string
		c    Clock
		at   time.Duration
		why  string
	}{
		{"hardens", hard, time.Hour - 1, "urethane has to harden"}, {"hard", hard, time.Hour, ""},
		{"runs", runs, 2*time.Hour - 1, "its clock runs: paint dries"}, {"out", runs, 2 * time.Hour, ""},
		{"a part to go", part, 48 * time.Hour, "its clock runs: half a fire"},
		{"does not come", never, 1000 * time.Hour, "does not harden in such air"},
		{"the later of two", hard.Later(runs), 90 * time.Minute, "paint dries"},
		{"the same, said the other way", runs.Later(hard), 90 * time.Minute, "paint dries"},
		{"a part to go beside one that is later", part.Later(runs), 48 * time.Hour, "half a fire"},
		{"one that does not come beside one that does", hard.Later(never), 48 * time.Hour, "does not harden"},
	} {
		st := Standing{Clocks: map[string]Clock{"trim": c.c}, Checks: map[string]Clock{"water": c.c}}
		w := Plan{}.Wait(Step{Key: "trim"}, st, noon.Add(c.at))
		k := st.CheckWait("water", noon.Add(c.at))
		if (w == nil) != (c.why == "") || w != nil && !strings.Contains(w.Why, c.why) || (k == nil) != (w == nil) {
			t.Errorf("%s: %+v, %+v", c.name, w, k)
		}
	}
	if (Standing{}).CheckWait("water", noon) != nil {
		t.Error("a check without a clock waits")
	}
	if hard.Waiting() != "urethane to harden" || runs.Waiting() != "Paint dries" {
		t.Errorf("%q, %q", hard.Waiting(), runs.Waiting())
	}
}

// Nothing sticky before the dry fit, no pane before its bead, no refit before the hold of
// what hardens.
func TestSequence(t *testing.T) {
	for _, c := range []struct{ family, step, after string }{
		{"bonded-fixed", "bead", "dry-fit"}, {"bonded-fixed", "pane-in", "bead"}, {"bonded-fixed", "trim-back", "cure"},
		{"edge-bonded", "bond", "dry-run"}, {"edge-bonded", "refit", "cure"}, {"ring-port", "bed", "dry-fit"},
		{"ring-port", "ring-in", "cure"}, {"putty-points", "back-putty", "dry-fit"},
		{"putty-points", "front-putty", "points-in"}, {"glued-beads", "hang", "glue-sets"},
		{"clamp-ring", "ring-on", "butyl"},
	} {
		p := planOf(t, c.family)
		st := Standing{Done: map[string]time.Time{}, Sized: true}
		for _, s := range p.Steps {
			if s.Key != c.after && s.Key != c.step {
				st.Done[s.Key] = noon.Add(-48 * time.Hour)
			}
		}
		if w := p.Wait(p.step(t, c.step), st, noon); w == nil || !strings.Contains(w.Why, "first step") {
			t.Errorf("%s: %s before %s: %+v", c.family, c.step, c.after, w)
		}
		st.Done[c.after] = noon.Add(-24 * time.Hour)
		if w := p.Wait(p.step(t, c.step), st, noon); w != nil {
			t.Errorf("%s: %s after %s: %+v", c.family, c.step, c.after, w)
		}
	}
}

// Every step that another waits for is in the plan and comes before it.
func TestWaitsHoldTogether(t *testing.T) {
	for _, f := range family.Book.All() {
		p := planOf(t, f.ID)
		number := map[string]int{}
		for _, s := range p.Steps {
			number[s.Key] = s.Number
			for _, k := range s.After {
				if number[k] == 0 {
					t.Errorf("%s: %s waits for %s, which does not come before it", f.ID, s.Key, k)
				}
			}
			if s.Least > 0 && len(s.After) == 0 || len(s.May) > 0 && !s.Hold {
				t.Errorf("%s: %s", f.ID, s.Key)
			}
		}
		for _, c := range f.Checks {
			for _, k := range c.After {
				if number[k] == 0 {
					t.Errorf("%s: check %s waits for %s, which is no step", f.ID, c.Key, k)
				}
			}
		}
	}
}

// Who may leave what out.
func TestLeave(t *testing.T) {
	tube, stove := planOf(t, "gauge-tube"), planOf(t, "clip-heat")
	for _, c := range []struct {
		name   string
		step   Step
		reason string
		owner  bool
		says   string
	}{
		{"no hold", stove.step(t, "screws"), "came out long ago", false, ""},
		{"isolation by a technician", tube.step(t, "isolate"), "it was cold already", false, "it is not skipped"},
		{"isolation by an owner", tube.step(t, "isolate"), "the plant was scrapped", true, ""},
		{"the book's case", stove.step(t, "cold"), "the door came by itself", false, ""},
		{"another case", stove.step(t, "cold"), "it felt cold", false, "skipped only where the door came by itself"},
		{"another case by an owner", stove.step(t, "cold"), "it felt cold", true, ""},
		{"what broke it", Step{Required: true, Hold: true}, "no time today", true, "broke the last pane"},
	} {
		err := c.step.Leave(c.reason, c.owner)
		if (err == nil) != (c.says == "") || err != nil && !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v", c.name, err)
		}
	}
}

// A required step stands behind the others of its station: at the first one, and
// where nothing stands behind it.
func TestRequiredStandsAtItsStation(t *testing.T) {
	f, _ := family.Book.ByID("lift-drop")
	e, _ := exposure.Book.ByID(f.Exposure)
	for station, want := range map[family.Station]int{"assess": 2, "prove": len(f.Steps) + 1} {
		p, err := Build(f, Facts{Exposure: e, Required: []Required{{Key: "fix-x", Station: station, Text: "Do it."}}})
		if err != nil || p.step(t, "fix-x").Number != want {
			t.Errorf("%s: %v, %v", station, p.step(t, "fix-x").Number, err)
		}
	}
	f.Steps = f.Steps[1:] // nothing at the first station
	p, err := Build(f, Facts{Exposure: e, Required: []Required{{Key: "fix-x", Station: "assess", Text: "Do it."}}})
	if err != nil || p.Steps[0].Key != "fix-x" {
		t.Errorf("%v, %v", p.Steps[0].Key, err)
	}
}
