package shop

import (
	"errors"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/reading"
	"freshshard/core/striplog"
	"freshshard/internal/bench"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/strip"
)

func came(what string, n int, captures ...string) striplog.Entry {
	return striplog.Entry{Kind: striplog.Fasteners, What: what, Count: n, Fate: striplog.Back, Captures: captures,
		Held: striplog.Held{How: "screw", Drive: "T20", Size: "M4"}}
}

// measured reads all that is asked of a sauna stove's opening.
func measured(t *testing.T, s *Shop, by record.Account, job int64) {
	t.Helper()
	for place, text := range map[reading.Place]string{"width_top": "270", "width_bottom": "270", "height_left": "242",
		"height_right": "242", "ledge": "14", "bracket_reach": "16"} {
		read(t, s, by, job, place, text)
	}
}

// Off in order, back in order, and no signature while something is out.
func TestStripAndRebuild(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	for _, e := range []striplog.Entry{came("shell screw", 4), {Kind: striplog.Part, What: "outer shell", Count: 2,
		Fate: striplog.Back, Held: striplog.Held{How: "gravity"}}} {
		if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(e)); err != nil {
			t.Fatal(err)
		}
	}
	v := view1(t, s, id)
	if v.Job.Strip[0].Entry.ID != "e1" || v.Job.Strip[0].Entry.Bag != "1" || v.Job.Strip[1].Entry.Bag != "" {
		t.Errorf("%+v", v.Job.Strip)
	}
	screws := v.Job.Strip[0].Entry
	screws.Captures = []string{"e2"}
	if err := s.Strip.SetStrip(ctx, tor, id, "e1", strip.Noted(screws), 1); err != nil {
		t.Fatal(err)
	}
	var c *record.Conflict
	if err := s.Strip.SetStrip(ctx, mira, id, "e1", strip.Noted(screws), 1); !errors.As(err, &c) ||
		!strings.Contains(c.Says, "Tor changed") {
		t.Errorf("an old copy: %v", err)
	}
	if f := fault.Of(s.Bench.PutBack(ctx, tor, id, "e2", 2, 1)); f == nil ||
		!strings.Contains(f.Why, "the pane is not in yet") {
		t.Errorf("the shell went on before the pane was in: %v", f)
	}
	at := jobview.First(id)
	measured(t, s, tor, id)
	upTo(t, s, tor, at, "line:e2")
	if err := s.Bench.PutBack(ctx, tor, id, "e1", 4, 2); fault.Of(err) == nil {
		t.Errorf("screws went in before their shell: %v", err)
	}
	held := func() int {
		n := 0
		for _, h := range view1(t, s, id).Hindrances {
			if h.Kind == "strip" {
				n++
			}
		}
		return n
	}
	if held() != 2 {
		t.Errorf("%d entries hold the signature up", held())
	}
	for _, p := range []struct {
		id          string
		in, version int
	}{{"e2", 2, 1}, {"e1", 4, 2}} {
		if err := s.Bench.PutBack(ctx, tor, id, p.id, p.in, p.version); err != nil {
			t.Fatal(err)
		}
	}
	if held() != 0 {
		t.Errorf("%d entries still hold the signature up", held())
	}
	if err := s.Strip.DropStrip(ctx, tor, id, "e2", 2); fault.Of(err) == nil {
		t.Errorf("what the screws hold down was taken out: %v", err)
	}
	if err := s.Strip.DropStrip(ctx, tor, id, "e1", 3); err != nil {
		t.Error(err)
	}
	// An id is never used twice, whatever was taken out.
	if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(came("another", 1))); err != nil {
		t.Fatal(err)
	}
	if got := view1(t, s, id).Job.Strip[1].Entry.ID; got != "e3" {
		t.Errorf("new entry is %s", got)
	}
}

// A thing that came off goes back once, where it is done: what lies under the pane before that is
// tried in, the pane and its gasket with their own steps, the rest when the pane holds. What stood on
// it opens again with it.
func TestLinesAreSteps(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	at := jobview.First(id)
	for _, e := range []striplog.Entry{{Kind: striplog.Part, What: "door handle"}, came("bracket screws", 4, "e3"),
		{Kind: striplog.Part, What: "brackets"}, {Kind: striplog.Pane, What: "pane"}, {Kind: striplog.Part, What: "shim"}} {
		e.Count, e.Fate = max(1, e.Count), striplog.Back
		if len(e.Captures) > 0 {
			e.Captures = nil
		}
		if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(e)); err != nil {
			t.Fatal(err)
		}
	}
	screws := view1(t, s, id).Job.Strip[1].Entry
	screws.Captures = []string{"e3"}
	if err := s.Strip.SetStrip(ctx, tor, id, "e2", strip.Noted(screws), 1); err != nil {
		t.Fatal(err)
	}
	measured(t, s, tor, id)
	upTo(t, s, tor, at, "dry-fit", "line:e5")
	tick := func(step, outcome string, seen int) error {
		return s.Bench.Tick(ctx, tor, at, step, bench.Done{Outcome: outcome, Seen: seen})
	}
	if f := fault.Of(tick("dry-fit", "done", 0)); f == nil ||
		!strings.Contains(f.Why, "what lies under it is not in yet") {
		t.Errorf("tried in without the shim: %v", f)
	}
	asked := func(station string) string {
		for _, a := range view1(t, s, id).Asks {
			if string(a.Station) == station {
				return string(a.Kind) + " " + a.Says
			}
		}
		return ""
	}
	if got := asked("prepare"); got != "back Put back: shim" {
		t.Errorf("asked at Prepare: %s", got)
	}
	if err := tick("line:e5", "done", 0); err != nil {
		t.Fatal(err)
	}
	if f := fault.Of(s.Bench.PutBack(ctx, tor, id, "e4", 1, 1)); f == nil ||
		!strings.Contains(f.Why, "pane goes in with “Pane in") {
		t.Errorf("the pane counted off by itself: %v", f)
	}
	upTo(t, s, tor, at, "door-on")
	in := func() (out []int) {
		back := view1(t, s, id).Strip.Back
		slices.SortFunc(back, func(a, b striplog.Line) int { return strings.Compare(a.ID, b.ID) })
		for _, l := range back {
			out = append(out, l.In)
		}
		return out
	}
	if got := in(); !slices.Equal(got, []int{0, 4, 1, 1, 1}) {
		t.Errorf("in: %v", got)
	}
	if got := asked("refit"); got != "back Put back: door handle" {
		t.Errorf("asked at Refit: %s", got)
	}
	upTo(t, s, tor, at, "first-fire")
	upTo(t, s, tor, at, "")
	// The shim comes out: the pane came out with it, and all that stood on that.
	seen := view1(t, s, id).Job.Strip[4].Version
	if err := s.Bench.PutBack(ctx, tor, id, "e5", 0, seen); err != nil {
		t.Fatal(err)
	}
	if got := in(); !slices.Equal(got, []int{0, 0, 0, 0, 0}) {
		t.Errorf("in without the shim: %v", got)
	}
	if v := view1(t, s, id); isDone(v, "pane-in") || isDone(v, "door-on") || !isDone(v, "rebate") {
		t.Errorf("what stood on the shim stands")
	}
	if f := fault.Of(tick("line:e5", "left-out", 0)); f == nil {
		t.Error("what came off was left out")
	}
}

func TestStripCopy(t *testing.T) {
	s, _, tor := open(t)
	first, second := takeIn(t, s, tor), takeIn(t, s, tor)
	for _, e := range []striplog.Entry{came("one", 2), came("two", 3, "e1")} {
		if err := s.Strip.AddStrip(ctx, tor, "", first, strip.Noted(e)); err != nil {
			t.Fatal(err)
		}
	}
	rows, err := s.Strip.Earlier(ctx, second)
	if err != nil || len(rows) != 1 || rows[0].ID != first {
		t.Fatalf("%v, %v", rows, err)
	}
	if err := s.Strip.CopyStrip(ctx, tor, second, first); err != nil {
		t.Fatal(err)
	}
	if j := view1(t, s, second).Job; len(j.Strip) != 2 || j.Strip[1].Entry.Captures[0] != "e1" {
		t.Errorf("%+v", j.Strip)
	}
	if err := s.Strip.CopyStrip(ctx, tor, second, first); fault.Of(err) == nil {
		t.Errorf("copied over what was there: %v", err)
	}
	third := takeIn(t, s, tor)
	if err := s.Strip.CopyStrip(ctx, tor, third, third); fault.Of(err) == nil {
		t.Errorf("copied nothing: %v", err)
	}
}

// What came off first holds down what came off later: the later one says so.
func TestNotedUnderWhatCameOffBefore(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	for _, e := range []strip.Entered{strip.Noted(came("shell screw", 4)), {Entry: came("shell", 1),
		Under: []string{"e1"}}, {Entry: came("shield", 1), Under: []string{"e1", "e2"}}} {
		for range 2 { // sent again, it is noted once
			if err := s.Strip.AddStrip(ctx, tor, "noted-under-"+e.What, id, e); err != nil {
				t.Fatal(err)
			}
		}
	}
	all := view1(t, s, id).Job.Strip
	if len(all) != 3 || !slices.Equal(all[0].Entry.Captures, []string{"e2", "e3"}) ||
		!slices.Equal(all[1].Entry.Captures, []string{"e3"}) {
		t.Errorf("%+v", all)
	}
	for field, e := range map[string]strip.Entered{
		"under":    {Entry: came("x", 1), Under: []string{"e9"}},
		"captures": {Entry: came("x", 1, "e1"), Under: []string{"e1"}}, // each under the other
	} {
		if f := fault.Of(s.Strip.AddStrip(ctx, tor, "", id, e)); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, f)
		}
	}
	if got := view1(t, s, id).Job.Strip; len(got) != 3 || len(got[0].Entry.Captures) != 2 {
		t.Errorf("what was refused is kept: %+v", got)
	}
}

func TestStripRefuses(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	for field, e := range map[string]striplog.Entry{"what": came(" ", 1), "count": came("x", 0),
		"captures": came("x", 1, "e9")} {
		if f := fault.Of(s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(e))); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, f)
		}
	}
	for range 2 {
		if err := s.Strip.AddStrip(ctx, tor, "one-key-twice", id, strip.Noted(came("x", 1))); err != nil {
			t.Fatal(err)
		}
	}
	if n := len(view1(t, s, id).Job.Strip); n != 1 {
		t.Errorf("a retry noted it %d times", n)
	}
	var nf *record.NotFound
	if err := s.Bench.PutBack(ctx, tor, id, "e77", 1, 1); !errors.As(err, &nf) {
		t.Errorf("%v", err)
	}
}

// In an object of different panes each line is the step's that puts it back; what no pane's step
// does is a step of its own, once for all.
func TestLinesOfDifferentPanes(t *testing.T) {
	s, _, tor := open(t)
	first, second := pairOf(t, s, tor, stove())
	id := first.Job
	w, err := s.Work(ctx, second)
	if err != nil {
		t.Fatal(err)
	}
	held := w.Pane.Held
	held.Family = "bead-brads"
	if err := s.Desk.SetPane(ctx, tor, second, held, w.Pane.Version); err != nil {
		t.Fatal(err)
	}
	for _, what := range []string{"knob", "beads", "brackets"} {
		if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(striplog.Entry{Kind: striplog.Part, What: what, Count: 1,
			Fate: striplog.Back, Held: striplog.Held{How: "gravity"}})); err != nil {
			t.Fatal(err)
		}
	}
	want := map[string]string{"e1": "", "e2": "Beads on, brads along the glass", "e3": "Brackets by hand, then crosswise"}
	for _, l := range view1(t, s, id).Strip.Back {
		if l.Step != want[l.ID] {
			t.Errorf("%s goes back with %q, want %q", l.Say, l.Step, want[l.ID])
		}
	}
	for _, at := range []jobview.Bench{jobview.First(id), second} {
		w, err := s.Work(ctx, at)
		if err != nil {
			t.Fatal(err)
		}
		own := ""
		for _, st := range w.Reckoning.Plan.Steps {
			if st.Number == 0 {
				own += st.Key + " "
			}
		}
		if own != "line:e1 " {
			t.Errorf("%s has steps for %s", w.Reckoning.Family.ID, own)
		}
	}
}
