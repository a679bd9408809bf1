package shop

import (
	"errors"
	"strings"
	"sync"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/prove"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// ringWindow is a ring window whose work is done but for its proof.
func ringWindow(t *testing.T, s *Shop, by record.Account) jobview.Bench {
	t.Helper()
	id, err := s.Desk.TakeIn(ctx, by, "", desk.TakeIn{Name: "Quay stables", Object: "Horse trailer, ring window",
		Exposure: "weather",
		Family:   "clamp-ring", Place: "bench", Like: "acrylic"})
	if err != nil {
		t.Fatal(err)
	}
	for _, st := range view1(t, s, id).Reckoning.Plan.Steps {
		if st.Station == "prove" {
			continue
		}
		if err := s.Bench.Tick(ctx, by, jobview.First(id), st.Key, bench.Done{Outcome: "done"}); err != nil {
			if f := fault.Of(err); f == nil || !strings.Contains(f.Why, "not read yet") {
				t.Fatalf("%s: %v", st.Key, err)
			}
		}
	}
	return jobview.First(id)
}

// Water runs over a ring window: its check does not pass before the clock is out, a leak
// is said at once, and a retry starts no second clock.
func TestWaterRuns(t *testing.T) {
	s, _, tor := open(t)
	at := ringWindow(t, s, tor)
	start := s.Now()
	s.Now = func() time.Time { return start }
	view := func() jobview.View {
		t.Helper()
		v, err := s.Table(ctx, at)
		if err != nil {
			t.Fatal(err)
		}
		return v
	}
	v := view()
	if len(v.MayTime) == 0 || v.MayTime[0].ID != "water" || v.MayTime[0].Gates != "water" || !v.MayTime[0].Check {
		t.Fatalf("%+v", v.MayTime)
	}
	for range 2 {
		if err := s.Timers.StartTimer(ctx, tor, "water-water", at, hold.StartedTimer{Usual: "water", Gates: "water",
			Check: true}); err != nil {
			t.Fatal(err)
		}
	}
	v = view()
	if len(v.Timers) != 1 || v.Timers[0].Out || len(v.MayTime) != 0 {
		t.Fatalf("%+v, %+v", v.Timers, v.MayTime)
	}
	answer := func(o prove.Outcome, finding string) error {
		c := bench.Checked{Answer: prove.Answer{Outcome: o, Finding: finding}}
		for _, k := range view().Checks {
			if k.Key == "water" {
				c.Seen = k.Version
			}
		}
		return s.Bench.Answer(ctx, tor, at, "water", c)
	}
	for _, c := range []struct {
		after time.Duration
		waits bool
	}{{0, true}, {10*time.Minute - time.Millisecond, true}, {10 * time.Minute, false}} {
		s.Now = func() time.Time { return start.Add(c.after) }
		waits := ""
		for _, k := range view().Checks {
			if k.Key == "water" {
				waits = k.Waits
			}
		}
		if (waits != "") != c.waits || c.waits && !strings.Contains(waits, "its clock runs: water over it") {
			t.Errorf("after %v it waits for %q", c.after, waits)
		}
		if c.waits {
			if f := fault.Of(answer(prove.Pass, "")); f == nil || !strings.HasPrefix(f.Why, "not yet: its clock runs") {
				t.Errorf("after %v it passed: %v", c.after, f)
			}
		}
	}
	s.Now = func() time.Time { return start.Add(2 * time.Minute) }
	if err := answer(prove.Fail, "low in the corner"); err != nil {
		t.Errorf("a leak is not said before the clock is out: %v", err)
	}
	today, err := s.Today.Today(ctx, tor)
	if err != nil || len(today.Clocks) != 0 {
		t.Errorf("a clock whose check is answered still calls: %+v, %v", today.Clocks, err)
	}
	s.Now = func() time.Time { return start.Add(10 * time.Minute) }
	if err := answer(prove.Pass, ""); err != nil {
		t.Error(err)
	}
}

// A first fire has three parts; its step opens after the last. Clocks live in the record:
// another program sees them, two who begin the next part at once begin one.
func TestFirstFireInParts(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	at, begin := jobview.First(id), s.Now()
	s.Now = func() time.Time { return begin }
	if err := s.Timers.StartTimer(ctx, tor, "", at,
		hold.StartedTimer{Usual: "first-fire", Gates: "first-fire"}); err != nil {
		t.Fatal(err)
	}
	other := New(s.Store)
	timer := func() jobview.TimerView {
		t.Helper()
		v, err := other.Table(ctx, at)
		if err != nil || len(v.Timers) != 1 {
			t.Fatal(err)
		}
		return v.Timers[0]
	}
	var c *record.Conflict
	if err := s.Timers.NextTimer(ctx, tor, at, timer().ID, 1); fault.Of(err) == nil {
		t.Errorf("the next part began before the first was out: %v", err)
	}
	for part := range 2 {
		now := begin.Add(time.Duration(part+1) * 40 * time.Minute)
		s.Now = func() time.Time { return now }
		k := timer()
		if k.Stage != part || k.Next == "" {
			t.Fatalf("%+v", k)
		}
		var wg sync.WaitGroup
		errs := make([]error, 2)
		for i := range errs {
			wg.Go(func() { errs[i] = s.Timers.NextTimer(ctx, tor, at, k.ID, k.Version) })
		}
		wg.Wait()
		if (errs[0] == nil) == (errs[1] == nil) {
			t.Fatalf("both began the next part: %v", errs)
		}
		for _, err := range errs {
			if err != nil && !errors.As(err, &c) {
				t.Error(err)
			}
		}
	}
	k := timer()
	if k.Stage != 2 || k.Next != "" || !k.Until.Equal(begin.Add(80*time.Minute+30*time.Minute)) {
		t.Fatalf("%+v", k)
	}
	today, err := s.Today.Today(ctx, tor)
	if err != nil || len(today.Clocks) != 1 || today.Clocks[0].Kind != "runs" || today.Clocks[0].Out {
		t.Errorf("%+v, %v", today.Clocks, err)
	}
	if err := s.Timers.DropTimer(ctx, tor, at, k.ID, k.Version-1); !errors.As(err, &c) {
		t.Errorf("an old version took it out: %v", err)
	}
	if err := s.Timers.DropTimer(ctx, tor, at, k.ID, k.Version); err != nil {
		t.Fatal(err)
	}
	if v, _ := s.Table(ctx, at); len(v.Timers) != 0 {
		t.Error("it is still there")
	}
}

// What no clock keeps shut is refused, with the field and the right words.
func TestTimerRefuses(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	tomorrow := s.Now().Add(time.Hour)
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "cold", bench.Done{Outcome: "done"}); err != nil {
		t.Fatal(err)
	}
	for name, c := range map[string]struct {
		in    hold.StartedTimer
		field string
	}{
		"a step that there is not":  {hold.StartedTimer{What: "paint", Minutes: 5, Gates: "moon"}, "gates"},
		"a check that there is not": {hold.StartedTimer{What: "paint", Minutes: 5, Gates: "moon", Check: true}, "gates"},
		"a step that is ticked":     {hold.StartedTimer{What: "paint", Minutes: 5, Gates: "cold"}, "gates"},
		"for nothing":               {hold.StartedTimer{Minutes: 5}, "what"},
		"backwards":                 {hold.StartedTimer{What: "paint", Minutes: -5}, "minutes"},
		"from tomorrow":             {hold.StartedTimer{What: "paint", Minutes: 5, Since: &tomorrow}, "since"},
		"one that there is not":     {hold.StartedTimer{Usual: "moon"}, "usual"},
	} {
		if f := fault.Of(s.Timers.StartTimer(ctx, tor, "", jobview.First(id), c.in)); f == nil || f.Field != c.field {
			t.Errorf("%s: %v", name, f)
		}
	}
	signed := finished(t, s, mira, tor)
	var c *record.Conflict
	if err := s.Timers.StartTimer(ctx, tor, "", jobview.First(signed),
		hold.StartedTimer{What: "paint", Minutes: 5}); !errors.As(err, &c) {
		t.Errorf("a clock on a signed job: %v", err)
	}
}

// A bed and a second bead: two things harden, each keeps its own step, and where both
// keep one the later counts.
func TestTwoHarden(t *testing.T) {
	s, tor, at, start := bonded(t)
	if err := start("", func(l *hold.Laid) { l.Adhesive = "two-part-urethane" }); err != nil {
		t.Fatal(err)
	}
	if err := start("", nil); err != nil {
		t.Fatalf("a second thing on one step: %v", err)
	}
	var c *record.Conflict
	if err := start("", nil); !errors.As(err, &c) {
		t.Errorf("the same twice: %v", err)
	}
	if err := start("", func(l *hold.Laid) { l.Step, l.Adhesive = "trim-back", "neutral-silicone" }); err != nil {
		t.Fatal(err)
	}
	v, err := s.Table(ctx, at)
	if err != nil || len(v.Pane.Cures) != 3 {
		t.Fatal(err)
	}
	later := v.Pane.Cures[0].LetGo
	if r := v.Pane.Cures[1].LetGo; r.After(*later) {
		later = r
	}
	b := jobview.PaneOf(&v.Job, &v.Pane, "mm", nil, jobview.Numbers)
	if got := b.Standing.Clocks["cure"].Ready; !got.Equal(*later) {
		t.Errorf("the step waits until %v, the later is %v", got, later)
	}
	if r := v.Pane.Cures[2].LetGo; r.After(*later) {
		later = r
	}
	// Mouldings wait for their own bead, and for what the pane lies on.
	if got := b.Standing.Clocks["trim-back"].Ready; got == nil || !got.Equal(*later) {
		t.Errorf("the second bead's step waits until %v", got)
	}
	_ = tor
}
