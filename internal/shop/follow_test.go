package shop

import (
	"slices"
	"testing"
	"time"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/core/setting"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
)

func isDone(v jobview.View, step string) bool { return jobview.TickOf(&v.Pane, step) != nil }

func checkIn(v jobview.View, key string) jobview.CheckView {
	return v.Checks[slices.IndexFunc(v.Checks, func(c jobview.CheckView) bool { return c.Key == key })]
}

// The last reading does the step of measuring, unless one is odd, or what they say stops
// there; what somebody opened again stays open until something is read.
func TestReadingMeasures(t *testing.T) {
	s, _, tor := open(t)
	for _, c := range []struct {
		name  string
		last  map[reading.Place]string
		done  bool
		again string
	}{
		{"all read", map[reading.Place]string{reading.Ledge: "14", reading.Reach: "16"}, true, "14.2"},
		{"one open", map[reading.Place]string{reading.Ledge: "14"}, false, "14.2"},
		{"a ledge that stops", map[reading.Place]string{reading.Ledge: "3", reading.Reach: "4"}, false, "3.2"},
		{"an odd one", map[reading.Place]string{reading.Ledge: "14", reading.Reach: "16", reading.WidthMiddle: "281"}, false,
			""},
	} {
		id := takeIn(t, s, tor)
		for _, p := range []reading.Place{reading.WidthTop, reading.WidthBottom, reading.HeightLeft, reading.HeightRight} {
			read(t, s, tor, id, p, sized[p])
		}
		places := []reading.Place{reading.WidthMiddle, reading.Ledge, reading.Reach}
		for _, p := range places {
			if text := c.last[p]; text != "" {
				read(t, s, tor, id, p, text)
			}
		}
		if v := view1(t, s, id); isDone(v, bench.MeasureStep) != c.done {
			t.Errorf("%s: done %v, odd %+v, stops %+v", c.name, isDone(v, bench.MeasureStep), v.Reckoning.Fit.Odd, v.Stops)
		}
		if !c.done {
			continue
		}
		v := view1(t, s, id)
		if k := jobview.TickOf(&v.Pane, bench.MeasureStep); k.By != "Tor" {
			t.Errorf("%s: ticked by %q", c.name, k.By)
		}
		if err := s.Bench.Tick(ctx, tor, jobview.First(id), bench.MeasureStep,
			bench.Done{Outcome: "open", Seen: 1}); err != nil {
			t.Fatal(err)
		}
		if isDone(view1(t, s, id), bench.MeasureStep) {
			t.Errorf("%s: opened, it is done again", c.name)
		}
		i := slices.IndexFunc(v.Pane.Readings, func(r record.Reading) bool { return r.Place == reading.Ledge })
		if err := s.Measure.Read(ctx, tor, jobview.First(id), reading.Ledge,
			measure.Said{Text: c.again, Instrument: length.Rule,
				Version: v.Pane.Readings[i].Version}); err != nil {
			t.Fatal(err)
		}
		if !isDone(view1(t, s, id), bench.MeasureStep) {
			t.Errorf("%s: read again, it stays open", c.name)
		}
	}
}

// The last pass over the last screw does the step of tightening, and the hold that asks for
// nothing goes with it where all before it is done.
func TestScrewsTighten(t *testing.T) {
	s, _, tor := open(t)
	for _, first := range []bool{true, false} {
		id, err := s.Desk.TakeIn(ctx, tor, "", desk.TakeIn{Name: "Oda Marl", Object: "Deck oven, front", Exposure: "oven",
			Family: "channel-front", Place: "bench"})
		if err != nil {
			t.Fatal(err)
		}
		for p, text := range square("500", "350", "11") {
			read(t, s, tor, id, p, text)
		}
		if err := s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "toughened", Thickness: 4}); err != nil {
			t.Fatal(err)
		}
		v := view1(t, s, id)
		all := jobview.ScrewsOf(v.Pane, v.Reckoning.Family) * len(setting.Passes)
		for _, st := range v.Reckoning.Plan.Steps {
			if first && slices.Index(family.Stations, st.Station) <= slices.Index(family.Stations, "set") && !st.Screws {
				if err := s.Bench.Tick(ctx, tor, jobview.First(id), st.Key, bench.Done{Outcome: "done"}); err != nil {
					t.Fatal(err)
				}
			}
		}
		if !first { // only what tightening waits for
			upTo(t, s, tor, jobview.First(id), "bar-on", "cause")
		}
		for _, c := range []struct {
			counted int
			done    bool
		}{{all - 1, false}, {all, true}} {
			v := view1(t, s, id)
			if err := s.Bench.CountScrews(ctx, tor, jobview.First(id), c.counted, v.Pane.Version); err != nil {
				t.Fatal(err)
			}
			v = view1(t, s, id)
			if isDone(v, "bar-on") != c.done || isDone(v, "settle") != (c.done && first) {
				t.Errorf("%d of %d counted: tightened %v, nothing to wait for %v", c.counted, all, isDone(v, "bar-on"),
					isDone(v, "settle"))
			}
		}
	}
}

// A proof that passes does the step that it is the proof of; one that fails does not, and
// one that may be left out leaves it out. It waits for what the step waits for.
func TestProofDoesItsStep(t *testing.T) {
	s, _, tor := open(t)
	now := time.Now().UTC()
	s.Now = func() time.Time { return now }
	for _, c := range []struct {
		name    string
		outcome prove.Outcome
		ready   bool
		tick    string
		refused bool
	}{
		{"passed", prove.Pass, true, "done", false}, {"failed", prove.Fail, true, "", false},
		{"left to the customer", prove.Skip, true, "left-out", false}, {"too soon", prove.Pass, false, "", true},
	} {
		id := takeIn(t, s, tor)
		step := "door-on"
		if c.ready {
			step = "first-fire"
		}
		upTo(t, s, tor, jobview.First(id), step, "measure")
		if k := checkIn(view1(t, s, id), "fire"); (k.Waits == "") != c.ready {
			t.Errorf("%s: it waits for %q", c.name, k.Waits)
		}
		finding := ""
		if c.outcome != prove.Pass {
			finding = "smoke at the upper edge"
		}
		err := s.Bench.Answer(ctx, tor, jobview.First(id), "fire",
			bench.Checked{Answer: prove.Answer{Outcome: c.outcome, Finding: finding}})
		if (fault.Of(err) != nil) != c.refused {
			t.Errorf("%s: %v", c.name, err)
		}
		v := view1(t, s, id)
		got := ""
		if k := jobview.TickOf(&v.Pane, "first-fire"); k != nil {
			got = k.Outcome
		}
		if got != c.tick {
			t.Errorf("%s: the step is %q", c.name, got)
		}
	}
}

// A step that shows what a check asks passes it, and left out it does not.
func TestStepShowsItsChecks(t *testing.T) {
	s, mira, _ := open(t)
	for _, c := range []struct {
		outcome, reason string
		want            prove.Outcome
	}{{"done", "", prove.Pass}, {"left-out", "the old one is in pieces, and its drawing is at hand", prove.Open}} {
		id, err := s.Desk.TakeIn(ctx, mira, "",
			desk.TakeIn{Name: "Oda Marl", Object: "Deck oven, outer pane", Exposure: "oven",
				Family: "channel-front", Road: road.Chosen{ID: "part"}, Place: "bench"})
		if err != nil {
			t.Fatal(err)
		}
		upTo(t, s, mira, jobview.First(id), "part-here", "part-number")
		if err := s.Bench.Tick(ctx, mira, jobview.First(id), "part-number",
			bench.Done{Outcome: "left-out", Reason: "the customer brought it along"}); err != nil {
			t.Fatal(err)
		}
		if err := s.Bench.Tick(ctx, mira, jobview.First(id), "part-here",
			bench.Done{Outcome: c.outcome, Reason: c.reason}); err != nil {
			t.Fatal(err)
		}
		v := view1(t, s, id)
		for _, key := range []string{"old-on-new", "print-side"} {
			if k := checkIn(v, key); k.Outcome != c.want {
				t.Errorf("%s: %s is %q", c.outcome, key, k.Outcome)
			}
		}
	}
}

// What is taken back takes back what it took with it, and nothing that somebody said before it.
func TestTakenBackTakesBack(t *testing.T) {
	s, mira, tor := open(t)
	now := time.Now().UTC().Truncate(time.Second)
	s.Now = func() time.Time { return now }
	must := func(err error) {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
	}
	state := func(id int64, name string, steps map[string]bool, checks map[string]prove.Outcome) {
		t.Helper()
		v := view1(t, s, id)
		for k, want := range steps {
			if isDone(v, k) != want {
				t.Errorf("%s: step %s is done: %v", name, k, isDone(v, k))
			}
		}
		for k, want := range checks {
			if got := checkIn(v, k).Outcome; got != want {
				t.Errorf("%s: check %s is %q", name, k, got)
			}
		}
	}

	// A reading that the size needs; one that it does not need.
	id := takeIn(t, s, tor)
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	read(t, s, tor, id, reading.OldThickness, "4.0")
	state(id, "read", map[string]bool{bench.MeasureStep: true}, nil)
	must(s.Measure.TakeBack(ctx, tor, jobview.First(id), reading.OldThickness, 1))
	state(id, "one too many taken back", map[string]bool{bench.MeasureStep: true}, nil)
	must(s.Measure.TakeBack(ctx, tor, jobview.First(id), reading.Reach, 1))
	state(id, "one that is needed taken back", map[string]bool{bench.MeasureStep: false}, nil)

	// The last screw, and the hold that went with it.
	front, err := s.Desk.TakeIn(ctx, tor, "", desk.TakeIn{Name: "Oda Marl", Object: "Deck oven, front", Exposure: "oven",
		Family: "channel-front", Place: "bench"})
	must(err)
	for p, text := range square("500", "350", "11") {
		read(t, s, tor, front, p, text)
	}
	must(s.Bench.Choose(ctx, tor, jobview.First(front), bench.Settle{Material: "toughened", Thickness: 4}))
	v := view1(t, s, front)
	for _, st := range v.Reckoning.Plan.Steps {
		if slices.Index(family.Stations, st.Station) <= slices.Index(family.Stations, "set") && !st.Screws {
			must(s.Bench.Tick(ctx, tor, jobview.First(front), st.Key, bench.Done{Outcome: "done"}))
		}
	}
	full := jobview.ScrewsOf(v.Pane, v.Reckoning.Family) * len(setting.Passes)
	must(s.Bench.CountScrews(ctx, tor, jobview.First(front), full, view1(t, s, front).Pane.Version))
	state(front, "all counted", map[string]bool{"bar-on": true, "settle": true}, nil)
	must(s.Bench.CountScrews(ctx, tor, jobview.First(front), full-1, view1(t, s, front).Pane.Version))
	state(front, "one taken back", map[string]bool{"bar-on": false, "settle": false, "pane-up": true}, nil)
	must(s.Bench.CountScrews(ctx, tor, jobview.First(front), full, view1(t, s, front).Pane.Version))
	must(s.Bench.Tick(ctx, tor, jobview.First(front), "pane-up", bench.Done{Outcome: "open", Seen: 1}))
	state(front, "a step before it opened", map[string]bool{"pane-up": false, "settle": false, "bar-on": false,
		"dry-fit": true}, nil)

	// A proof: its step goes with it, unless it was ticked before.
	for _, first := range []bool{false, true} {
		stove := takeIn(t, s, tor)
		upTo(t, s, tor, jobview.First(stove), "first-fire", "measure")
		if first {
			must(s.Bench.Tick(ctx, tor, jobview.First(stove), "first-fire", bench.Done{Outcome: "done"}))
			now = now.Add(time.Minute)
		}
		must(s.Bench.Answer(ctx, tor, jobview.First(stove), "fire", bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}}))
		must(s.Bench.Reopen(ctx, tor, jobview.First(stove), "fire", 1, ""))
		state(stove, "a proof taken back", map[string]bool{"first-fire": first}, map[string]prove.Outcome{"fire": prove.Open})
	}

	// A step that showed two checks: what somebody looked at before stays looked at.
	part, err := s.Desk.TakeIn(ctx, mira, "",
		desk.TakeIn{Name: "Oda Marl", Object: "Deck oven, outer pane", Exposure: "oven",
			Family: "channel-front", Road: road.Chosen{ID: "part"}, Place: "bench"})
	must(err)
	must(s.Bench.Answer(ctx, mira, jobview.First(part), "print-side",
		bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}}))
	now = now.Add(time.Minute)
	must(s.Bench.Tick(ctx, mira, jobview.First(part), "part-number",
		bench.Done{Outcome: "left-out", Reason: "the customer brought it along"}))
	must(s.Bench.Tick(ctx, mira, jobview.First(part), "part-here", bench.Done{Outcome: "done"}))
	must(s.Bench.Tick(ctx, mira, jobview.First(part), "part-here", bench.Done{Outcome: "open", Seen: 1}))
	state(part, "opened", map[string]bool{"part-here": false}, map[string]prove.Outcome{"old-on-new": prove.Open,
		"print-side": prove.Pass})
}
