package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/internal/bench"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/records"
)

// proved does all the work of a pane and passes all its checks.
func proved(t *testing.T, s *Shop, by record.Account, id int64) {
	t.Helper()
	v := view1(t, s, id)
	for _, st := range v.Reckoning.Plan.Steps {
		if err := s.Bench.Tick(ctx, by, jobview.First(id), st.Key, bench.Done{Outcome: "done"}); err != nil {
			t.Fatalf("%s: %v", st.Key, err)
		}
	}
	for _, c := range v.Checks {
		a := bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}}
		if c.Limit != nil {
			n := c.Limit.Value
			a.Value = &n
		}
		if err := s.Bench.Answer(ctx, by, jobview.First(id), c.Key, a); err != nil {
			t.Fatalf("%s: %v", c.Key, err)
		}
	}
}

// shallow is a stove whose ledge and brackets hardly reach over the pane.
func shallow(t *testing.T, s *Shop, by record.Account) int64 {
	t.Helper()
	id := takeIn(t, s, by)
	for p, text := range sized {
		switch p {
		case reading.Reach:
			text = "5"
		case reading.Ledge:
			text = "8"
		}
		read(t, s, by, id, p, text)
	}
	if err := s.Bench.Choose(ctx, by, jobview.First(id),
		bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	return id
}

// stopsOf are the keys of the stops that nobody took on.
func stopsOf(v jobview.View) string {
	var keys []string
	for _, h := range v.Hindrances {
		if h.Kind == prove.KindStop {
			keys = append(keys, h.Key)
		}
	}
	return strings.Join(keys, " ")
}

// A stop is signed over by no technician and by no reason for the whole job: an
// owner takes it on by name, and only as it stands.
func TestAStopStops(t *testing.T) {
	s, mira, tor := open(t)
	id := shallow(t, s, tor)
	proved(t, s, tor, id)
	v := view1(t, s, id)
	if len(v.Hindrances) != 1 || v.Hindrances[0].Kind != prove.KindStop {
		t.Fatalf("%+v", v.Hindrances)
	}
	key := v.Hindrances[0].Key
	if v.Stops[0].Place != string(reading.Reach) || !strings.Contains(v.Stops[0].Says, "under a bracket") ||
		!strings.HasPrefix(v.Stops[0].Limit, "at least 4 mm") {
		t.Fatalf("%+v", v.Stops[0])
	}
	var refused *records.Open
	if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{}); !errors.As(err, &refused) {
		t.Fatalf("a technician signed over a stop: %v", err)
	}
	if _, err := s.Records.Sign(ctx, mira, "", id, records.Signature{Override: "it will hold, I think"}); !errors.As(err,
		&refused) {
		t.Fatalf("one reason for all signed over a stop: %v", err)
	}
	beyond := v.Stops[0].Beyond
	var denied *record.Denied
	if err := s.Bench.TakeOn(ctx, tor, jobview.First(id), key,
		bench.TakeOn{Reason: "it will hold, I think", Beyond: beyond}); !errors.As(err,
		&denied) {
		t.Fatalf("a technician took it on: %v", err)
	}
	if f := fault.Of(s.Bench.TakeOn(ctx, mira, jobview.First(id), key,
		bench.TakeOn{Reason: "x", Beyond: beyond})); f == nil ||
		f.Field != "reason" {
		t.Fatalf("a letter is a reason: %v", f)
	}
	if f := fault.Of(s.Bench.TakeOn(ctx, mira, jobview.First(id), "rest",
		bench.TakeOn{Reason: "it will hold, I think"})); f == nil ||
		f.Field != "stop" {
		t.Fatalf("took on what is no stop: %v", f)
	}
	var conflict *record.Conflict
	if err := s.Bench.TakeOn(ctx, mira, jobview.First(id), key,
		bench.TakeOn{Reason: "it will hold, I think", Beyond: beyond / 2}); !errors.As(err, &conflict) {
		t.Fatalf("took on more than was seen: %v", err)
	}
	for range 2 { // a retry is as good as once
		if err := s.Bench.TakeOn(ctx, mira, jobview.First(id), key,
			bench.TakeOn{Reason: "it will hold, I think", Beyond: beyond}); err != nil {
			t.Fatal(err)
		}
	}
	if v = view1(t, s, id); len(v.Hindrances) != 0 || v.Stops[0].Taken == nil || v.Stops[0].Taken.By != "Mira" {
		t.Fatalf("%+v, %+v", v.Hindrances, v.Stops)
	}
	// It does not reach farther than what was taken on.
	if err := s.Measure.Read(ctx, tor, jobview.First(id), reading.Reach,
		measure.Said{Text: "4", Instrument: "rule", Version: 1}); err != nil {
		t.Fatal(err)
	}
	if v = view1(t, s, id); stopsOf(v) == "" {
		t.Fatal("a word stands for something worse")
	}
	// A stop that a new reading lifts needs nobody.
	if err := s.Measure.Read(ctx, tor, jobview.First(id), reading.Reach,
		measure.Said{Text: "16", Instrument: "rule", Version: 2}); err != nil {
		t.Fatal(err)
	}
	if v = view1(t, s, id); len(v.Stops) != 0 {
		t.Fatalf("%+v", v.Stops)
	}
	if err := s.Measure.Read(ctx, tor, jobview.First(id), reading.Reach,
		measure.Said{Text: "5", Instrument: "rule", Version: 3}); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.LetGo(ctx, mira, jobview.First(id), key); err != nil {
		t.Fatal(err)
	}
	if v = view1(t, s, id); stopsOf(v) != key {
		t.Fatalf("let go, and %q stops", stopsOf(v))
	}
	if err := s.Bench.TakeOn(ctx, mira, jobview.First(id), key, bench.TakeOn{Reason: "wider brackets come on Friday",
		Beyond: beyond}); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{}); err != nil {
		t.Fatal(err)
	}
	if v = view1(t, s, id); v.Job.Ticket.Changed || len(v.Stops) != 1 ||
		v.Stops[0].Taken.Reason != "wider brackets come on Friday" {
		t.Fatalf("%+v", v.Stops)
	}
	// The word of an owner here is none in another shop.
	doc, err := s.Desk.Carry(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	there, _, other := open(t)
	far, err := there.Desk.Bring(ctx, other, "", onPaper(t, doc))
	if err != nil {
		t.Fatal(err)
	}
	if v = view1(t, there, far); stopsOf(v) != key {
		t.Fatalf("carried, and %q stops", stopsOf(v))
	}
}

// A gate that closes after the material was settled stops the signature, and so
// does one that a technician chose over; an owner who chooses over it has taken
// it on.
func TestAGateThatClosesStops(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	if err := s.Bench.Choose(ctx, tor, jobview.First(id),
		bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	if v := view1(t, s, id); stopsOf(v) != "" {
		t.Fatalf("%+v", v.Stops)
	}
	o := view1(t, s, id).Job.Object
	o.Exposure.Steady, o.Exposure.Short = 640, 700
	if err := s.Desk.SetObject(ctx, tor, id, o); err != nil {
		t.Fatal(err)
	}
	if v := view1(t, s, id); stopsOf(v) != "gate_life:glass-ceramic" {
		t.Fatalf("%q", stopsOf(v))
	}
	settle := func(by record.Account, want string) {
		t.Helper()
		seen := view1(t, s, id).Pane.Choice.ID
		if err := s.Bench.Choose(ctx, by, jobview.First(id), bench.Settle{Material: "toughened", Thickness: 4,
			Reason: "nothing else is to be had", Seen: seen}); err != nil {
			t.Fatal(err)
		}
		if v := view1(t, s, id); stopsOf(v) != want {
			t.Fatalf("%s: %q", by.Name, stopsOf(v))
		}
	}
	settle(tor, "gate_steady:toughened gate_peak:toughened gate_sudden:toughened")
	settle(mira, "")
}

// A technician who leaves out all that can be left out, and skips every check
// that can be skipped, does not get a signature: what is left is every hold and
// every check that the book does not let go.
func TestLeavingEverythingOutGetsNoSignature(t *testing.T) {
	s, _, tor := open(t)
	for _, f := range family.Book.All() {
		in := stove()
		in.Family, in.Exposure, in.Object = f.ID, f.Exposure, f.Name
		id, err := s.Desk.TakeIn(ctx, tor, "", in)
		if err != nil {
			t.Fatal(err)
		}
		want := map[string]bool{}
		v := view1(t, s, id)
		for _, st := range v.Reckoning.Plan.Steps {
			tries := append([]string{"no time for it", "x"}, st.May...)
			left := false
			for _, why := range tries {
				if s.Bench.Tick(ctx, tor, jobview.First(id), st.Key, bench.Done{Outcome: "left-out", Reason: why}) == nil {
					left = true
					break
				}
			}
			if may := !st.Hold || len(st.May) > 0; left != may {
				t.Errorf("%s: %s left out %v, may be %v", f.ID, st.Key, left, may)
			}
			if !left {
				want["step "+st.Key] = true
			}
		}
		for _, c := range v.Checks {
			err := s.Bench.Answer(ctx, tor, jobview.First(id), c.Key,
				bench.Checked{Answer: prove.Answer{Outcome: prove.Skip, Finding: "no time for it"}})
			if (err == nil) != (c.May != "") {
				t.Errorf("%s: %s skipped: %v", f.ID, c.Key, err)
			}
			if err != nil {
				want["check "+c.Key] = true
			}
		}
		for _, why := range []string{"", "no time for it"} {
			if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{Override: why}); err == nil {
				t.Fatalf("%s: signed with everything left out", f.ID)
			}
		}
		for _, h := range view1(t, s, id).Hindrances {
			delete(want, h.Kind+" "+h.Key)
		}
		if len(want) != 0 || len(view1(t, s, id).Hindrances) < 5 {
			t.Errorf("%s: %v hinder nothing", f.ID, want)
		}
	}
}

// A cure hold waits for the clock, and an owner can leave it out in words.
func TestACureWaits(t *testing.T) {
	s, mira, tor := open(t)
	now := time.Date(2026, 6, 1, 12, 0, 0, 0, time.UTC)
	s.Now = func() time.Time { return now }
	in := stove()
	in.Family, in.Exposure, in.Object = "bonded-fixed", "weather", "Ferry wheelhouse"
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	cure := func() error { return s.Bench.Tick(ctx, tor, jobview.First(id), "cure", bench.Done{Outcome: "done"}) }
	if f := fault.Of(cure()); f == nil || !strings.Contains(f.Why, "bead along the path") {
		t.Fatalf("cured before it was bonded: %v", f)
	}
	upTo(t, s, tor, jobview.First(id), "cure", "measure")
	if f := fault.Of(cure()); f == nil || !strings.Contains(f.Why, "nobody has said what was laid") {
		t.Fatalf("cured with nothing laid: %v", f)
	}
	// Fast, by its table; laid an hour ago, and it counts from then.
	since := now.Add(-time.Hour + time.Minute)
	laid := hold.Laid{Step: "cure", Adhesive: "urethane-fast", Width: 8, Edges: 2, Place: record.AtBench, Since: &since}
	if err := s.Hold.StartCure(ctx, tor, "", jobview.First(id), laid, time.UTC); err != nil {
		t.Fatal(err)
	}
	early := now.AddDate(0, 0, -6)
	laid.Since, laid.Adhesive = &early, "urethane"
	if f := fault.Of(s.Hold.StartCure(ctx, tor, "", jobview.First(id), laid, time.UTC)); f == nil || f.Field != "since" ||
		!strings.Contains(f.Why, "the object was not here then") {
		t.Errorf("laid before it came in: %v", f)
	}
	v := view1(t, s, id)
	letGo, ready := *v.Pane.Cures[0].LetGo, *v.Pane.Cures[0].Ready
	for _, c := range v.Checks {
		if want := c.Key == "press" || c.Key == "water"; (c.Waits != "") != want {
			t.Errorf("%s waits %q", c.Key, c.Waits)
		}
	}
	for _, too := range []time.Time{now, letGo.Add(-time.Second)} {
		now = too
		if f := fault.Of(cure()); f == nil || f.Field != "outcome" {
			t.Fatalf("cured too soon: %v", f)
		}
	}
	now = letGo
	if err := cure(); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "cure", bench.Done{Outcome: "open", Seen: 1}); err != nil {
		t.Fatal(err)
	}
	now = ready.Add(-time.Second)
	if f := fault.Of(s.Bench.Answer(ctx, tor, jobview.First(id), "press",
		bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}})); f == nil {
		t.Error("pressed before it had cured")
	}
	now = ready
	if err := cure(); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "cure", bench.Done{Outcome: "open", Seen: 1}); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Tick(ctx, mira, jobview.First(id), "cure",
		bench.Done{Outcome: "left-out", Reason: "glued with butyl, nothing cures"}); err != nil {
		t.Fatal(err)
	}
}

// A pane that comes out again takes its bond's clock with it, and the next bead is waited for anew.
func TestABondFallsWithItsPane(t *testing.T) {
	s, tor, at, start := bonded(t)
	if err := start("", nil); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Tick(ctx, tor, at, "dry-fit", bench.Done{Outcome: "open", Seen: 1}); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, at.Job)
	if len(v.Pane.Cures) != 0 || isDone(v, "pane-in") || isDone(v, "bead") || !isDone(v, "flange") {
		t.Errorf("%+v, %+v", v.Pane.Cures, v.Pane.Ticks)
	}
}

// A check that failed is tried again; that it failed stays on the record.
func TestAFailureStaysOnTheRecord(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	upTo(t, s, tor, jobview.First(id), "first-fire", "measure")
	answer := func(o prove.Outcome, finding string, seen int) {
		t.Helper()
		if err := s.Bench.Answer(ctx, tor, jobview.First(id), "paper",
			bench.Checked{Answer: prove.Answer{Outcome: o, Finding: finding},
				Seen: seen}); err != nil {
			t.Fatal(err)
		}
	}
	answer(prove.Fail, "loose at the hinge", 0)
	if err := s.Bench.Reopen(ctx, tor, jobview.First(id), "paper", 1, "the keeper a hair nearer"); err != nil {
		t.Fatal(err)
	}
	answer(prove.Fail, "still loose", 0)
	answer(prove.Pass, "", 1)
	for _, c := range view1(t, s, id).Checks {
		if c.Key != "paper" {
			continue
		}
		if len(c.Try) == 0 {
			t.Error("nothing is said to try")
		}
		if c.Outcome != prove.Pass || len(c.Trials) != 2 || c.Trials[0].Finding != "loose at the hinge" ||
			c.Trials[0].Changed != "the keeper a hair nearer" || c.Trials[1].Finding != "still loose" ||
			c.Trials[0].By != "Tor" {
			t.Errorf("%+v", c)
		}
	}
}
