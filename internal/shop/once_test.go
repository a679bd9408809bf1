package shop

import (
	"testing"
	"time"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/records"
)

// Nine lights of one sash: what is alike is said once, and each light keeps its
// own size. They took 198 ticks one by one; 45 calls are enough for all of it.
func TestNineLightsTogether(t *testing.T) {
	s, _, tor := open(t)
	now := time.Now().UTC()
	s.Now = func() time.Time { return now }
	calls := 0
	did := func(what string, err error) {
		t.Helper()
		if calls++; err != nil {
			t.Fatalf("%s: %v", what, err)
		}
	}
	id, err := s.Desk.TakeIn(ctx, tor, "",
		desk.TakeIn{Name: "Oda Marl", Object: "Greenhouse, north sash", Exposure: "weather",
			Family: "putty-points", Place: "bench", Layout: &drawing.Layout{Across: 3, Down: 3}})
	did("taken in", err)
	first := jobview.First(id)
	read(t, s, tor, id, reading.Ledge, "12")
	did("settled", s.Bench.Choose(ctx, tor, first, bench.Settle{Material: "annealed", Thickness: 4}))
	like := bench.LikeThis{Places: []reading.Place{reading.Ledge}, Choice: true, Fixing: true}
	did("alike", s.Bench.Like(ctx, tor, first, like))
	v := view1(t, s, id)
	if n := len(v.Hindrances); n < 150 {
		t.Fatalf("only %d things are open", n)
	}
	// The sizes come off the sash at once, as the sum lays them.
	for _, p := range v.Panes {
		for place, text := range map[reading.Place]string{reading.WidthTop: "250", reading.WidthBottom: "250",
			reading.HeightLeft:  "180",
			reading.HeightRight: "180"} {
			if err := s.Measure.Read(ctx, tor, jobview.Bench{Job: id, Pane: p.ID}, place,
				measure.Said{Text: text, Instrument: "rule"}); err != nil {
				t.Fatal(err)
			}
		}
	}
	calls++
	for _, st := range v.Reckoning.Plan.Steps {
		if st.Hardens {
			calls++
			laid(t, s, tor, first)
		}
		did("step "+st.Key, s.Bench.TickAll(ctx, tor, id, st.Key, false))
	}
	for _, c := range view1(t, s, id).Checks {
		did("check "+c.Key, s.Bench.AnswerAll(ctx, tor, id, c.Key, bench.Checked{Answer: good(c)}))
	}
	v = view1(t, s, id)
	if len(v.Hindrances) > 0 {
		t.Fatalf("%d still open, first %+v", len(v.Hindrances), v.Hindrances[0])
	}
	_, err = s.Records.Sign(ctx, tor, "", id, records.Signature{})
	did("signed", err)
	if calls > 45 {
		t.Errorf("%d calls", calls)
	}
}

// Three panes of an oven's door, two of them sound: 81 things were open, under
// 40 are enough; the object comes apart and goes together once.
func TestThreePanesTwoSound(t *testing.T) {
	s, _, tor := open(t)
	now := time.Now().UTC()
	s.Now = func() time.Time { return now }
	id, err := s.Desk.TakeIn(ctx, tor, "", desk.TakeIn{Name: "Brindle & Daughters", Object: "Deck oven, upper door",
		Exposure: "oven",
		Family:   "window-pack", Power: true, Place: "bench", Layout: &drawing.Layout{Across: 3, Behind: true}})
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range view1(t, s, id).Panes[1:] {
		at := jobview.Bench{Job: id, Pane: p.ID}
		v, err := s.Table(ctx, at)
		if err != nil {
			t.Fatal(err)
		}
		held := v.Pane.Held
		held.Road = road.Chosen{ID: "kept", How: "clean", Came: road.Unbroken}
		if err := s.Desk.SetPane(ctx, tor, at, held, v.Pane.Version); err != nil {
			t.Fatal(err)
		}
	}
	for place, text := range map[reading.Place]string{reading.WidthTop: "400", reading.WidthBottom: "400",
		reading.HeightLeft:  "300",
		reading.HeightRight: "300", reading.Ledge: "14"} {
		read(t, s, tor, id, place, text)
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "toughened", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	if n := len(v.Hindrances); n >= 40 || n < 25 {
		t.Errorf("%d things are open", n)
	}
	seen := map[string]bool{}
	for _, h := range v.Hindrances {
		if h.Key == "isolate" && seen[h.Key] {
			t.Error("power is asked for twice")
		}
		seen[h.Key] = true
	}
	// Ticked on the second, it stands on all; opened on the third, it is open on all.
	second, third := jobview.Bench{Job: id, Pane: v.Panes[1].ID}, jobview.Bench{Job: id, Pane: v.Panes[2].ID}
	if err := s.Bench.Tick(ctx, tor, second, "isolate", bench.Done{Outcome: "done"}); err != nil {
		t.Fatal(err)
	}
	for _, p := range v.Panes {
		w, err := s.Table(ctx, jobview.Bench{Job: id, Pane: p.ID})
		if err != nil || jobview.TickOf(&w.Pane, "isolate") == nil {
			t.Errorf("pane %d: isolating stands not on it, %v", p.Number, err)
		}
	}
	if w := view1(t, s, id); w.Panes[1].Untouched || !w.Panes[2].Untouched {
		t.Error("what is done once counts as done to each")
	}
	if err := s.Bench.Tick(ctx, tor, third, "isolate", bench.Done{Outcome: "open", Seen: 1}); err != nil {
		t.Fatal(err)
	}
	if w := view1(t, s, id); jobview.TickOf(&w.Pane, "isolate") != nil {
		t.Error("opened on one, it stands on another")
	}
	// The pack goes on its studs and is heated once all of it is done on every pane.
	err = s.Bench.Tick(ctx, tor, third, "first-heat", bench.Done{Outcome: "done"})
	if fault.Of(err) == nil {
		t.Errorf("heated with the pack open: %v", err)
	}
	// Station by station, all panes at each: nothing is stacked before all faces are clean.
	for _, to := range []string{"stack", "first-heat"} {
		for _, p := range v.Panes {
			upTo(t, s, tor, jobview.Bench{Job: id, Pane: p.ID}, to)
		}
	}
	if err := s.Bench.Tick(ctx, tor, third, "first-heat", bench.Done{Outcome: "done"}); err != nil {
		t.Error(err)
	}
	for _, p := range v.Panes {
		at := jobview.Bench{Job: id, Pane: p.ID}
		w, err := s.Table(ctx, at)
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range w.Checks {
			if c.Outcome == prove.Open {
				if err := s.Bench.Answer(ctx, tor, at, c.Key, bench.Checked{Answer: good(c)}); err != nil {
					t.Fatalf("pane %d, %s: %v", p.Number, c.Key, err)
				}
			}
		}
	}
	if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{}); err != nil {
		t.Errorf("%v, %+v", err, view1(t, s, id).Hindrances)
	}
}

// What is said for all is said only where it may be: a step that waits on one
// pane stays open there, a failure is never said for all, a value that somebody
// read stays, and a closed gate of one pane stops the choice for all.
func TestAllIsCareful(t *testing.T) {
	s, _, tor := open(t)
	first, second := pairOf(t, s, tor, stove())
	id := first.Job
	if err := s.Bench.TickAll(ctx, tor, id, "measure", false); fault.Of(err) == nil {
		t.Errorf("measured with nothing read: %v", err)
	}
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "measure", bench.Done{Outcome: "open", Seen: 1}); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.TickAll(ctx, tor, id, "measure", false); err != nil {
		t.Error(err)
	}
	w, err := s.Table(ctx, second)
	if err != nil || jobview.TickOf(&w.Pane, "measure") != nil {
		t.Errorf("ticked on a pane that nobody measured, %v", err)
	}
	if err := s.Bench.AnswerAll(ctx, tor, id, "gap", bench.Checked{Answer: prove.Answer{Outcome: prove.Fail,
		Finding: "tight"}}); fault.Of(err) == nil {
		t.Errorf("a failure for all: %v", err)
	}
	much := 5.0
	if err := s.Bench.AnswerAll(ctx, tor, id, "gap", bench.Checked{Answer: prove.Answer{Outcome: prove.Pass,
		Value: &much}}); fault.Of(err) == nil {
		t.Errorf("a number beyond its limit passed for all: %v", err)
	}
	if err := s.Measure.Read(ctx, tor, second, reading.Ledge, measure.Said{Text: "11", Instrument: "rule"}); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Like(ctx, tor, jobview.First(id),
		bench.LikeThis{Places: []reading.Place{reading.Ledge, reading.Reach}}); err != nil {
		t.Fatal(err)
	}
	w, err = s.Table(ctx, second)
	if err != nil {
		t.Fatal(err)
	}
	got := map[reading.Place]string{}
	for _, r := range w.Pane.Readings {
		got[r.Place] = r.Reading.Text
	}
	if got[reading.Ledge] != "11" || got[reading.Reach] != sized[reading.Reach] {
		t.Errorf("%v", got)
	}
	// Doing it again changes nothing.
	before, _ := s.Table(ctx, second)
	if err := s.Bench.Like(ctx, tor, jobview.First(id),
		bench.LikeThis{Places: []reading.Place{reading.Ledge, reading.Reach},
			Fixing: true}); err != nil {
		t.Fatal(err)
	}
	after, _ := s.Table(ctx, second)
	if len(after.Pane.Readings) != len(before.Pane.Readings) || after.Pane.Version != before.Pane.Version {
		t.Errorf("made alike twice: %d readings, version %d", len(after.Pane.Readings), after.Pane.Version)
	}
}

// A material is settled on all panes that are alike, or on none: what one of them cannot stand is
// refused for all, in one write.
func TestSettledOnAllOrNone(t *testing.T) {
	s, _, tor := open(t)
	for name, c := range map[string]struct {
		push    float64 // on the second pane, N
		settled int
	}{"both stand it": {0, 2}, "the second is leaned on": {9000, 0}} {
		in := stove()
		in.Layout = &drawing.Layout{Across: 2, Down: 1}
		id, err := s.Desk.TakeIn(ctx, tor, "", in)
		if err != nil {
			t.Fatal(err)
		}
		first := jobview.First(id)
		second := jobview.Bench{Job: id, Pane: view1(t, s, id).Panes[1].ID}
		for _, at := range []jobview.Bench{first, second} {
			for p, text := range sized {
				if err := s.Measure.Read(ctx, tor, at, p, measure.Said{Text: text, Instrument: "rule"}); err != nil {
					t.Fatal(err)
				}
			}
		}
		w, err := s.Work(ctx, second)
		if err != nil {
			t.Fatal(err)
		}
		held := w.Pane.Held
		held.Duty.Push = c.push
		if err := s.Desk.SetPane(ctx, tor, second, held, w.Pane.Version); err != nil {
			t.Fatal(err)
		}
		err = s.Bench.Choose(ctx, tor, first, bench.Settle{Material: "glass-ceramic", Thickness: 4, All: true})
		if (fault.Of(err) == nil) != (c.settled > 0) {
			t.Errorf("%s: %v", name, err)
		}
		settled := 0
		for _, at := range []jobview.Bench{first, second} {
			if w, err := s.Work(ctx, at); err == nil && w.Pane.Choice != nil {
				settled++
			}
		}
		if settled != c.settled {
			t.Errorf("%s: settled on %d, want %d", name, settled, c.settled)
		}
	}
}
