package plan

import (
	"maps"
	"slices"
	"strings"
	"testing"
	"time"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/work"
)

func planOf(t *testing.T, id string) Plan { t.Helper(); return planFor(t, id, work.Object{}) }

// planFor is the plan of a way of holding where it usually is, in an object.
func planFor(t *testing.T, id string, o work.Object) Plan {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	if o.Exposure, err = exposure.Book.ByID(f.Exposure); err != nil {
		t.Fatal(err)
	}
	p, err := Build(work.ToSize(f, o), Facts{Exposure: o.Exposure})
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

// upTo has all steps before one done, but for some.
func upTo(p Plan, step string, but ...string) Standing {
	st := Standing{Done: map[string]time.Time{}, Sized: true}
	for _, s := range p.Steps {
		if s.Key == step {
			break
		}
		if !slices.Contains(but, s.Key) {
			st.Done[s.Key] = noon
		}
	}
	return st
}

// What a step waits for, just before, at and after.
func TestWait(t *testing.T) {
	bonded, tube, stove, port := planOf(t, "bonded-fixed"), planOf(t, "gauge-tube"), planOf(t, "clip-heat"),
		planOf(t, "ring-port")
	laid := upTo(bonded, "cure")
	laid.Laid = &noon
	with := func(st Standing, f func(*Standing)) Standing { f(&st); return st }
	post := func(st *Standing) { st.Awaits = "the post" }
	order := func(st *Standing) { st.Awaits, st.Away = "the pane from the cutter", true }
	for _, c := range []struct {
		name string
		plan Plan
		step string
		st   Standing
		at   time.Duration
		why  string
	}{
		{"cure before the bond", bonded, "cure", upTo(bonded, "cure", "pane-in"), 0,
			"the pane is not in yet: first step 13, pane in"},
		{"cure of what nobody laid", bonded, "cure", upTo(bonded, "cure"), 48 * time.Hour, "nobody has said what was laid"},
		{"cure right after it", bonded, "cure", laid, 40 * time.Millisecond, "60 min"},
		{"a second before the hour", bonded, "cure", laid, time.Hour - time.Second, "60 min"},
		{"at the hour", bonded, "cure", laid, time.Hour, ""},
		{"measured with nothing read", tube, "measure", Standing{Unread: []string{"stop depth"}}, 0,
			"not read yet: stop depth"},
		{"measured without a size", tube, "measure", Standing{}, 0, "no size"},
		{"measured", tube, "measure", Standing{Sized: true}, 0, ""},
		{"fire before the door is back", stove, "first-fire", upTo(stove, "first-fire", "door-on"), 0,
			"its door is not hung yet: first step 16, door on"},
		{"fire", stove, "first-fire", upTo(stove, "first-fire"), 0, ""},
		{"opened without its guard", tube, "open", upTo(tube, "open", "guard"), 0, "it is not closed yet"},
		{"opened with no tube in it", tube, "open", upTo(tube, "open", "tube-in"), 0, "the pane is not in yet"},
		{"door off a warm stove", stove, "door-off", Standing{}, 0, "it is not off and tried dead: first step 1, cold"},
		{"looked over before it came", stove, "check-new", with(upTo(stove, "check-new"), order), 0,
			"waits for the pane from the cutter"},
		{"looked over while something else is awaited", stove, "check-new", with(upTo(stove, "check-new"), post), 0, ""},
		{"tried in while it is away", stove, "dry-fit", with(upTo(stove, "dry-fit"), order), 0,
			"it waits for the pane from the cutter; say first that it has come"},
		{"tried in while a gasket is awaited", stove, "dry-fit", with(upTo(stove, "dry-fit"), post), 0, ""},
		{"set while it is awaited", stove, "gasket-on", with(upTo(stove, "gasket-on"), post), 0, "the post"},
		{"its seat meanwhile", stove, "rebate", with(upTo(stove, "rebate", "order", "check-new"), order), 0, ""},
		{"tried in before it was looked over", stove, "dry-fit", upTo(stove, "dry-fit", "check-new"), 0,
			"the new pane is not looked over yet: first step 9, check the new pane"},
		{"looked over", stove, "check-new", upTo(stove, "check-new"), 0, ""},
		{"looked over though nobody ordered it", stove, "check-new", upTo(stove, "check-new", "order"), 0,
			"it is not ordered"},
		{"ordered while another is awaited", stove, "order", Standing{Awaits: "the pane", Away: true}, 0, ""},
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
	late := upTo(bonded, "cure")
	hour := noon.Add(time.Hour)
	late.Lay(bonded, map[string]family.Load{"press": family.Ready}, []Bond{{What: "urethane", Step: "cure", Since: noon,
		Loads: map[family.Load]*time.Time{family.LetGo: &hour}}})
	o := Object{{Name: "pane 1", Plan: bonded, Standing: late}}
	w := o.Waits(0, noon)
	if len(w) != 3 || w[1].Step != "trim-back" || w[2].Step != "water" || w[2].Until != nil || w[0].Step != "cure" ||
		!w[0].Until.Equal(hour) {
		t.Errorf("%+v", w)
	}
	if c := late.CheckWait("press", noon); c == nil || !strings.Contains(c.Why, "does not harden") {
		t.Errorf("%+v", c)
	}
}

// What lies in front waits for what lies behind, what is shut once waits for all, and what falls
// falls with all that stood on it, but for what only had to be so at the time.
func TestObject(t *testing.T) {
	capped := planFor(t, "lugs-cap", work.Object{Stacked: true})
	o := Object{{"inner", 1, capped, upTo(capped, "pane-up")}, {"outer", 0, capped, upTo(capped, "pane-up")}}
	up, bar := capped.step(t, "pane-up"), capped.step(t, "bar-on")
	if w := o.Wait(1, up, noon); w == nil || !strings.HasPrefix(w.Why, "inner, the pane is not in yet") ||
		w.Step != "pane-up" {
		t.Errorf("%+v", w)
	}
	if w := o.Wait(0, up, noon); w != nil {
		t.Errorf("%+v", w)
	}
	o[0].Standing = upTo(capped, "bar-on")
	if w := o.Wait(1, up, noon); w != nil {
		t.Errorf("%+v", w)
	}
	if w := o.Wait(0, bar, noon); w == nil || !strings.HasPrefix(w.Why, "outer, the pane is not in yet") {
		t.Errorf("capped over one pane: %+v", w)
	}
	o[1].Standing = upTo(capped, "bar-on")
	if w := o.Wait(0, bar, noon); w != nil {
		t.Errorf("%+v", w)
	}
	// Another way of holding, without such a step, holds the door open all the same.
	stove, beads := planOf(t, "clip-heat"), planFor(t, "bead-brads", work.Object{})
	o = Object{{"pane 1", 0, stove, upTo(stove, "door-on")}, {"pane 2", 0, beads, upTo(beads, "beads-on")}}
	if w := o.Wait(0, stove.step(t, "door-on"), noon); w == nil || !strings.HasPrefix(w.Why, "pane 2, ") {
		t.Errorf("%+v", w)
	}

	all := upTo(stove, "")
	for _, c := range []struct {
		open, falls string
		st          func(*Standing)
	}{
		{"", "", func(*Standing) {}}, {"cold", "", func(*Standing) {}}, {"pane-out", "", func(*Standing) {}},
		{"check-new", "dry-fit gasket-on pane-in brackets settle door-on first-fire cold", func(*Standing) {}},
		{"brackets", "settle door-on first-fire cold", func(*Standing) {}},
		{"door-on", "first-fire cold", func(*Standing) {}},
		{"", "", func(st *Standing) { st.Awaits = "the post" }},
		{"", "check-new dry-fit gasket-on pane-in brackets settle door-on first-fire cold",
			func(st *Standing) { st.Awaits, st.Away = "the pane from the cutter", true }},
	} {
		st := all
		st.Done = maps.Clone(all.Done)
		delete(st.Done, c.open)
		c.st(&st)
		var got []string
		for _, f := range stove.Fallen(st) {
			got = append(got, f.Step.Key)
			if f.Why == "" {
				t.Errorf("%s falls, and nobody says why", f.Step.Key)
			}
		}
		if strings.Join(got, " ") != c.falls {
			t.Errorf("without %q fall %v", c.open, got)
		}
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
		st.Laid = &time.Time{}
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
			if s.Least > 0 && len(s.After) == 0 {
				t.Errorf("%s: %s", f.ID, s.Key)
			}
		}
		for _, c := range work.ToSize(f, work.Object{}).Checks {
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
