package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/pane"
	"freshshard/core/prove"
	"freshshard/internal/bench"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/standing"
	"freshshard/internal/store"
	"freshshard/internal/today"
)

// packed is a job whose pane stands in a pack.
func packed(t *testing.T, s *Shop, by record.Account) int64 {
	t.Helper()
	id := takeIn(t, s, by)
	v := view1(t, s, id)
	held := v.Pane.Held
	held.Stack = pane.Stack{Panes: ovenPack().Panes, Gaps: ovenPack().Gaps, Here: 3}
	if err := s.Desk.SetPane(ctx, by, jobview.First(id), held, v.Pane.Version); err != nil {
		t.Fatal(err)
	}
	return id
}

// A change that a pane could not be reckoned with is refused whole, at its
// field, and nothing of it is stored.
func TestWhatCannotBeReckonedIsNotStored(t *testing.T) {
	s, _, tor := open(t)
	id := packed(t, s, tor)
	for name, change := range map[string]func(*record.Object){
		"a room of 68":                     func(o *record.Object) { o.Exposure.Room = 68 },
		"the coldest above the heat":       func(o *record.Object) { o.Exposure.Coldest = o.Exposure.Steady + 1 },
		"a frame hotter than any":          func(o *record.Object) { o.Exposure.FrameHot = 5000 },
		"a peak below the heat":            func(o *record.Object) { o.Exposure.Short = o.Exposure.Steady - 1 },
		"a room as hot as what is outside": func(o *record.Object) { o.Exposure.Room = o.Exposure.Steady },
	} {
		before := view1(t, s, id)
		o := before.Job.Object
		change(&o)
		if err := s.Desk.SetObject(ctx, tor, id, o); fault.Of(err) == nil {
			t.Errorf("%s: %v", name, err)
		}
		after := view1(t, s, id)
		if after.Job.Object != before.Job.Object || after.Job.Pulse != before.Job.Pulse {
			t.Errorf("%s was stored all the same", name)
		}
	}
}

// One job that cannot be reckoned hides no other, says why, can be opened, is
// not signed, and can be mended.
func TestOneBadJobHidesNoOther(t *testing.T) {
	s, mira, tor := open(t)
	bad, good := packed(t, s, tor), takeIn(t, s, tor)
	if _, err := s.Store.DB.Exec("UPDATE object o JOIN job j ON j.object_id = o.id SET o.exposure = "+
		"JSON_SET(o.exposure, '$.room', 68) WHERE j.id = ?", bad); err != nil {
		t.Fatal(err)
	}
	s.Standing.Stands = standing.NewKept() // as after a restart
	day, err := s.Today.Today(ctx, record.Account{})
	if err != nil || len(day.Turns) != 2 {
		t.Fatalf("%d turns, %v", len(day.Turns), err)
	}
	for _, turn := range day.Turns {
		if broken := strings.HasPrefix(turn.Problem, "cannot be reckoned: "); broken != (turn.Job == bad) {
			t.Errorf("job %d: %q", turn.Job, turn.Problem)
		}
	}
	v := view1(t, s, bad)
	if v.Reckoning.Fault == nil || len(v.Reckoning.Plan.Steps) == 0 || len(v.Reckoning.Table.Items) == 0 {
		t.Errorf("%+v", v.Reckoning.Fault)
	}
	found := false
	for _, h := range v.Hindrances {
		found = found || strings.Contains(h.Text, "cannot be reckoned")
	}
	if !found {
		t.Errorf("nothing hinders the signature: %+v", v.Hindrances)
	}
	// What does not touch the fault goes on, what mends it is taken.
	if err := s.Bench.Tick(ctx, tor, jobview.First(bad), "cold", bench.Done{Outcome: "done"}); err != nil {
		t.Error(err)
	}
	held := v.Pane.Held
	held.Name = "outer"
	if err := s.Desk.SetPane(ctx, tor, jobview.First(bad), held, v.Pane.Version); err != nil {
		t.Errorf("another change of the bad pane: %v", err)
	}
	o := v.Job.Object
	o.Exposure.Room = 20
	if err := s.Desk.SetObject(ctx, mira, bad, o); err != nil {
		t.Fatal(err)
	}
	if v := view1(t, s, bad); v.Reckoning.Fault != nil {
		t.Errorf("%v", v.Reckoning.Fault)
	}
	_ = good
}

func TestTakeInIsTried(t *testing.T) {
	s, _, tor := open(t)
	in := stove()
	in.Steady = ptr(9000)
	if _, err := s.Desk.TakeIn(ctx, tor, "", in); fault.Of(err) == nil {
		t.Errorf("%v", err)
	}
	if rows, err := s.Today.Find(ctx, "", "", 0, 10); err != nil || len(rows) != 0 {
		t.Errorf("%d jobs, %v", len(rows), err)
	}
}

// Each of two people who saw the same thing changes it; the second is told what
// the first did. The same call again is as good as once.
func TestNothingIsOverwrittenUnseen(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	at := jobview.First(id)
	pass, fail := bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}},
		bench.Checked{Answer: prove.Answer{Outcome: prove.Fail, Finding: "loose at the hinge"}}
	for _, c := range []struct {
		name          string
		first, second func(by record.Account) error
	}{
		{"tick", func(by record.Account) error { return s.Bench.Tick(ctx, by, at, "cold", bench.Done{Outcome: "done"}) },
			func(by record.Account) error {
				return s.Bench.Tick(ctx, by, at, "cold", bench.Done{Outcome: "left-out", Reason: "the door came by itself"})
			}},
		{"opened tick", func(by record.Account) error {
			return s.Bench.Tick(ctx, by, at, "cold", bench.Done{Outcome: "open", Seen: 1})
		},
			func(by record.Account) error {
				return s.Bench.Tick(ctx, by, at, "cold",
					bench.Done{Outcome: "left-out", Reason: "the door came by itself", Seen: 1})
			}},
		{"check", func(by record.Account) error {
			upTo(t, s, by, at, "first-fire", "measure", "choose")
			return s.Bench.Answer(ctx, by, at, "paper", pass)
		},
			func(by record.Account) error { return s.Bench.Answer(ctx, by, at, "paper", fail) }},
		{"reopened check", func(by record.Account) error { return s.Bench.Reopen(ctx, by, at, "paper", 1, "") },
			func(by record.Account) error { f := fail; f.Seen = 1; return s.Bench.Answer(ctx, by, at, "paper", f) }},
		{"material", func(by record.Account) error {
			return s.Bench.Choose(ctx, by, at, bench.Settle{Material: "glass-ceramic", Thickness: 4})
		}, func(by record.Account) error {
			return s.Bench.Choose(ctx, by, at, bench.Settle{Material: "glass-ceramic", Thickness: 5})
		}},
		{"place", func(by record.Account) error {
			return s.Measure.PlacePane(ctx, by, at,
				measure.Placed{Spot: drawing.Spot{X: 0.1, Y: 0.1, W: 0.3, H: 0.3}, Version: 1})
		}, func(by record.Account) error {
			return s.Measure.PlacePane(ctx, by, at,
				measure.Placed{Spot: drawing.Spot{X: 0.5, Y: 0.5, W: 0.3, H: 0.3}, Version: 1})
		}},
		{"diagnosis", func(by record.Account) error {
			return s.Bench.Diagnose(ctx, by, at, bench.Seen{Evidence: map[string]string{"origin": "fixing"}})
		}, func(by record.Account) error {
			return s.Bench.Diagnose(ctx, by, at, bench.Seen{Evidence: map[string]string{"origin": "edge"}})
		}},
	} {
		if err := c.first(tor); err != nil {
			t.Fatalf("%s: %v", c.name, err)
		}
		pulse := view1(t, s, id).Job.Pulse
		if err := c.first(tor); err != nil {
			t.Errorf("%s: a retry is a conflict with oneself: %v", c.name, err)
		}
		var k *record.Conflict
		if err := c.second(mira); !errors.As(err, &k) || k.Says == "" {
			t.Errorf("%s: a second person who saw it before: %v", c.name, err)
		}
		if now := view1(t, s, id).Job.Pulse; now != pulse {
			t.Errorf("%s: the job changed", c.name)
		}
	}
	// A version for what is not there is told, not a fault of the program.
	other := takeIn(t, s, tor)
	var k *record.Conflict
	if err := s.Bench.Diagnose(ctx, tor, jobview.First(other), bench.Seen{Evidence: map[string]string{"origin": "edge"},
		Version: 4}); !errors.As(err, &k) {
		t.Errorf("%v", err)
	}
}

// A signed job stays as it was, whoever is renamed through another job, and
// says when somebody changed it past the program.
func TestSignedStaysSigned(t *testing.T) {
	s, mira, tor := open(t)
	id := finished(t, s, mira, tor)
	in := stove()
	in.CustomerID = view1(t, s, id).Job.Customer.ID
	other, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	c := view1(t, s, other).Job.Customer
	c.Name = "Oda Marl-Ness"
	if err := s.Desk.SetCustomer(ctx, tor, other, c); err != nil {
		t.Fatal(err)
	}
	shop, err := s.Settings(ctx)
	if err != nil {
		t.Fatal(err)
	}
	shop.Name = "Another Yard"
	if _, err := s.People.SetShop(ctx, mira, shop); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Store.DB.Exec("UPDATE reading SET text = '999', value = 999"); err != nil {
		t.Fatal(err)
	}
	all, paper, err := s.Benches(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	v := all[0]
	if v.Job.Customer.Name != "Oda Marl" || paper.Name != "Lantern Yard" || v.Pane.Readings[0].Reading.Value == 999 ||
		v.Job.Ticket.Changed {
		t.Errorf("%q, %q, %+v, changed %v", v.Job.Customer.Name, paper.Name, v.Pane.Readings[0].Reading, v.Job.Ticket.Changed)
	}
	for name, q := range map[string]string{
		"its document": "UPDATE ticket SET document = REPLACE(document, 'Oda Marl', 'Ada Marl')",
		"who signed":   "UPDATE ticket SET signed_by = 2",
		"its reason":   "UPDATE ticket SET override_reason = ''",
		"its day":      "UPDATE ticket SET signed_at = signed_at - INTERVAL 1 DAY",
		"everything":   "UPDATE ticket SET document = 'nothing'",
		"its seal":     "UPDATE ticket SET seal = REPEAT('x', 32)",
	} {
		id := finished(t, s, mira, tor)
		if view1(t, s, id).Job.Ticket.Changed {
			t.Fatal("a ticket is changed as it is signed")
		}
		if _, err := s.Store.DB.Exec(q+" WHERE job_id = ?", id); err != nil {
			t.Fatal(err)
		}
		if !view1(t, s, id).Job.Ticket.Changed {
			t.Errorf("%s was changed, and it does not say so", name)
		}
	}
}

// Whatever sign a keyboard has is kept and comes back, up to the limits.
func TestAnyCharacterIsKept(t *testing.T) {
	s, mira, tor := open(t)
	in := stove()
	in.Name, in.Story = "Oda 🔥 Marl", strings.Repeat("🪟", 1000)
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	reason := "wind blew " + strings.Repeat("🚪", 490)
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "screws",
		bench.Done{Outcome: "left-out", Reason: reason}); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Records.Sign(ctx, mira, "", id, records.Signature{Override: reason}); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	if v.Job.Customer.Name != in.Name || v.Job.Story != in.Story || v.Job.Ticket.Override != reason ||
		v.Pane.Ticks[0].Reason != reason {
		t.Error("a text came back changed")
	}
	long := stove()
	long.Story = strings.Repeat("🪟", 1001)
	if _, err := s.Desk.TakeIn(ctx, tor, "", long); fault.Of(err) == nil || fault.Of(err).Field != "story" {
		t.Errorf("%v", err)
	}
}

func TestFindsByWords(t *testing.T) {
	s, _, tor := open(t)
	take := func(name, object, story string) int64 {
		in := stove()
		in.Name, in.Object, in.Story = name, object, story
		id, err := s.Desk.TakeIn(ctx, tor, "", in)
		if err != nil {
			t.Fatal(err)
		}
		return id
	}
	kiln, tram := take("Ingrid Ås", "Potter's kiln", "peephole cracked"),
		take("Tram museum", "Carriage window", "a stone")
	find := func(words string) []int64 {
		t.Helper()
		rows, err := s.Today.Find(ctx, words, "", 0, 10)
		if err != nil {
			t.Fatal(err)
		}
		ids := []int64{}
		for _, r := range rows {
			ids = append(ids, r.ID)
		}
		return ids
	}
	for words, want := range map[string][]int64{"kiln": {kiln}, "ingrid peephole": {kiln}, "ås": {kiln},
		"KIL ing": {kiln}, "kiln tram": {}, "": {tram, kiln}, "%": {}, "+*()\"~<>@": {}, "stone": {tram}} {
		got := find(words)
		if len(got) != len(want) || len(got) > 0 && got[0] != want[0] {
			t.Errorf("%q finds %v, want %v", words, got, want)
		}
	}
	v := view1(t, s, kiln)
	c := v.Job.Customer
	c.Name = "Sigrid Ås"
	if err := s.Desk.SetCustomer(ctx, tor, kiln, c); err != nil {
		t.Fatal(err)
	}
	if len(find("ingrid")) != 0 || len(find("sigrid")) != 1 {
		t.Error("a new name is not found, or the old one is")
	}
}

// Today reckons what has changed, and shows at once what another did.
func TestTodayKeepsWhatHasNotChanged(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	first := func() today.Turn {
		t.Helper()
		day, err := s.Today.Today(ctx, record.Account{})
		if err != nil {
			t.Fatal(err)
		}
		return *day.First
	}
	before := first()
	if len(s.Standing.Stands.Kept) != 1 {
		t.Fatalf("%d are kept", len(s.Standing.Stands.Kept))
	}
	second := New(s.Store) // another process
	if err := second.Bench.Tick(ctx, tor, jobview.First(id), "cold", bench.Done{Outcome: "done"}); err != nil {
		t.Fatal(err)
	}
	if after := first(); after.Next == before.Next {
		t.Errorf("still at %q", after.Next)
	}
	due := s.Now().Add(20 * time.Hour)
	j := view1(t, s, id).Job
	j.PromisedAt = &due
	if err := second.Desk.SetJob(ctx, tor, id, j); err != nil {
		t.Fatal(err)
	}
	if first().Late {
		t.Error("late before its time")
	}
	now := s.Now()
	s.Now = func() time.Time { return now.Add(21 * time.Hour) }
	if !first().Late {
		t.Error("its time has passed, and it is not late")
	}
}

// A signature that comes to nothing takes no number: tickets are numbered without holes.
func TestTicketsHaveNoHoles(t *testing.T) {
	s, mira, tor := open(t)
	first := view1(t, s, finished(t, s, mira, tor)).Job.Ticket.Number
	broken := errors.New("the power went")
	err := s.Store.Write(ctx, func(tx *store.Tx) error {
		job, err := s.Desk.TakeIn(ctx, tor, "", stove())
		if err != nil {
			return err
		}
		if err := tx.Shops.LockShop(ctx); err != nil {
			return err
		}
		if _, err := tx.Panes.AddTicket(ctx, job, mira.ID, s.Now(), ""); err != nil {
			return err
		}
		return broken
	})
	if !errors.Is(err, broken) {
		t.Fatal(err)
	}
	if n := view1(t, s, finished(t, s, mira, tor)).Job.Ticket.Number; n != first+1 {
		t.Errorf("ticket %d follows ticket %d", n, first)
	}
}
