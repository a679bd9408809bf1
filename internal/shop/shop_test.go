package shop

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"strings"
	"sync"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/internal/bench"
	"freshshard/internal/buy"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/localdb"
	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/measure"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/store"
)

var server *localdb.Server

func TestMain(m *testing.M) {
	os.Exit(dbtest.Run(m, func(s *localdb.Server) { server = s }))
}

var (
	ctx     = context.Background()
	lastDSN string // of the shop that was opened last
)

// open gives a shop with an owner, Mira, and a technician, Tor.
func open(t testing.TB) (*Shop, record.Account, record.Account) {
	t.Helper()
	lastDSN = setUp.Fresh(t, server)
	st, err := store.Open(ctx, lastDSN)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	people, err := st.People.Accounts(ctx)
	if err != nil || len(people) != 2 {
		t.Fatalf("%d people, %v", len(people), err)
	}
	s := New(st)
	s.MadeUp = true
	s.Wrote = func(j record.Job) { asKept(t, st, j) }
	return s, people[0], people[1]
}

// asKept holds a job as a change left it in memory against what the database has of it: a call
// answers from the one, and whoever asks next reads the other.
func asKept(t testing.TB, st *store.Store, j record.Job) {
	t.Helper()
	kept, err := st.Jobs.Job(ctx, j.ID)
	if err != nil {
		t.Errorf("job %d is not there: %v", j.ID, err)
		return
	}
	if kept.Pulse != j.Pulse {
		return // somebody was quicker
	}
	text := func(j record.Job) string {
		b, err := json.Marshal(j)
		if err != nil {
			t.Error(err)
		}
		return strings.ReplaceAll(string(b), ":null", ":[]")
	}
	if a, b := text(j), text(kept); a != b {
		i := 0
		for i < min(len(a), len(b)) && a[i] == b[i] {
			i++
		}
		from := max(0, i-80)
		t.Errorf("in memory …%.160s, kept …%.160s", a[from:], b[from:])
	}
}

// setUp is a shop of Mira, who owns it, and Tor.
var setUp = dbtest.Kept{Fill: func(dsn string) error {
	st, err := store.Open(ctx, dsn)
	if err != nil {
		return err
	}
	defer func() { _ = st.Close() }()
	s := New(st)
	mira, err := s.People.Setup(ctx, record.Shop{Name: "Lantern Yard", Town: "Hollin Ferry", Unit: length.MM},
		people.Person{Name: "Mira", Login: "Mira", Password: "three plain words"})
	if err != nil {
		return err
	}
	_, err = s.People.AddPerson(ctx, mira, "", people.Person{Name: "Tor", Login: "tor", Password: "four plain words here",
		Role: record.Technician})
	return err
}}

func stove() desk.TakeIn {
	return desk.TakeIn{Name: "Oda Marl", Phone: "0550 118", Object: "Sauna stove", Exposure: "fire", Family: "clip-heat",
		Story: "cracked from the lower left bracket", Place: "bench"}
}

func takeIn(t testing.TB, s *Shop, by record.Account) int64 {
	t.Helper()
	id, err := s.Desk.TakeIn(ctx, by, "", stove())
	if err != nil {
		t.Fatal(err)
	}
	return id
}

func read(t testing.TB, s *Shop, by record.Account, job int64, place reading.Place, text string) {
	t.Helper()
	if err := s.Measure.Read(ctx, by, jobview.First(job), place,
		measure.Said{Text: text, Instrument: length.Rule}); err != nil {
		t.Fatal(err)
	}
}

var sized = map[reading.Place]string{
	reading.WidthTop: "270", reading.WidthBottom: "268.4", reading.HeightLeft: "242", reading.HeightRight: `9 17/32"`,
	reading.Ledge: "14",
	reading.Reach: "16",
}

func view1(t testing.TB, s *Shop, id int64) jobview.View {
	t.Helper()
	v, err := s.Table(ctx, jobview.First(id))
	if err != nil {
		t.Fatal(err)
	}
	return v
}

func TestRoad(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	v := view1(t, s, id)
	if !v.Reckoning.Fit.Ready || v.Job.Customer.Name != "Oda Marl" || len(v.Pane.Readings) != 6 {
		t.Fatalf("ready %v, %d readings", v.Reckoning.Fit.Ready, len(v.Pane.Readings))
	}
	if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{}); err == nil {
		t.Fatal("signed with everything open")
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id),
		bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	for _, st := range v.Reckoning.Plan.Steps {
		if err := s.Bench.Tick(ctx, tor, jobview.First(id), st.Key, bench.Done{Outcome: "done"}); err != nil {
			t.Fatal(err)
		}
	}
	for _, c := range v.Checks {
		a := bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}}
		if c.Limit != nil {
			n := 0.8
			a.Value = &n
		}
		if err := s.Bench.Answer(ctx, tor, jobview.First(id), c.Key, a); err != nil {
			t.Fatal(err)
		}
	}
	v = view1(t, s, id)
	if len(v.Hindrances) != 0 || v.MinutesTo != 0 {
		t.Fatalf("still open: %+v", v.Hindrances)
	}
	ticket, err := s.Records.Sign(ctx, tor, "k1", id, records.Signature{})
	if err != nil {
		t.Fatal(err)
	}
	again, err := s.Records.Sign(ctx, tor, "k1", id, records.Signature{})
	if err != nil || again != ticket {
		t.Errorf("a retry of the sign-off: %d, %v", again, err)
	}
	order := v.Reckoning.Order
	var c *record.Conflict
	if err := s.Measure.Read(ctx, tor, jobview.First(id), reading.WidthTop,
		measure.Said{Text: "300", Instrument: length.Tape,
			Version: 1}); !errors.As(err, &c) {
		t.Errorf("a signed job took a reading: %v", err)
	}
	if v = view1(t, s, id); v.Reckoning.Order != order || v.Job.Ticket == nil || v.Job.Ticket.By != "Tor" {
		t.Errorf("ticket %+v, order %q", v.Job.Ticket, v.Reckoning.Order)
	}
	h, err := s.Desk.History(ctx, id)
	if err != nil || len(h) < 30 || h[0].Action != "signed" || h[len(h)-1].Action != "taken in" {
		t.Errorf("history of %d, %v", len(h), err)
	}
	_ = mira
}

func TestOverrideIsForOwners(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	var open *records.Open
	if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{}); !errors.As(err, &open) ||
		len(open.Hindrances) < 5 {
		t.Fatalf("%v", err)
	}
	var denied *record.Denied
	if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{Override: "in a hurry"}); !errors.As(err, &denied) {
		t.Errorf("a technician signed over open checks: %v", err)
	}
	if _, err := s.Records.Sign(ctx, mira, "", id, records.Signature{Override: "customer took it home"}); err != nil {
		t.Error(err)
	}
	if v := view1(t, s, id); v.Job.Ticket.Override != "customer took it home" {
		t.Errorf("%+v", v.Job.Ticket)
	}
}

func TestRetryNeverDoubles(t *testing.T) {
	s, mira, _ := open(t)
	var wg sync.WaitGroup
	ids := make([]int64, 8)
	for i := range ids {
		wg.Go(func() {
			id, err := s.Desk.TakeIn(ctx, mira, "same-key", stove())
			if err != nil {
				t.Error(err)
			}
			ids[i] = id
		})
	}
	wg.Wait()
	for _, id := range ids {
		if id != ids[0] {
			t.Fatalf("eight tries of one take-in made %v", ids)
		}
	}
	rows, err := s.Today.Find(ctx, "", "", 0, 50)
	if err != nil || len(rows) != 1 {
		t.Errorf("%d jobs, %v", len(rows), err)
	}
	other := stove()
	other.Object = "Deck oven"
	var reused *record.Reused
	if _, err := s.Desk.TakeIn(ctx, mira, "same-key", other); !errors.As(err, &reused) {
		t.Errorf("another request under the same key: %v", err)
	}
}

func TestConflictShowsBoth(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	read(t, s, tor, id, reading.WidthTop, "268")
	var c *record.Conflict
	err := s.Measure.Read(ctx, mira, jobview.First(id), reading.WidthTop,
		measure.Said{Text: "270", Instrument: length.Tape})
	if !errors.As(err, &c) || c.Field != "width_top" || !strings.Contains(c.Says, "Tor read 268") {
		t.Fatalf("%v", err)
	}
	if err := s.Measure.Read(ctx, mira, jobview.First(id), reading.WidthTop,
		measure.Said{Text: "270", Instrument: length.Tape,
			Version: 1}); err != nil {
		t.Fatal(err)
	}
	if err := s.Measure.TakeBack(ctx, tor, jobview.First(id), reading.WidthTop, 1); !errors.As(err, &c) {
		t.Errorf("took back what somebody else had read since: %v", err)
	}
	if err := s.Measure.TakeBack(ctx, tor, jobview.First(id), reading.WidthTop, 2); err != nil {
		t.Error(err)
	}
	if v := view1(t, s, id); len(v.Pane.Readings) != 0 {
		t.Errorf("%+v", v.Pane.Readings)
	}
	// A place that was taken back counts on, so that an old copy never fits.
	read(t, s, tor, id, reading.WidthTop, "269")
	if v := view1(t, s, id); v.Pane.Readings[0].Version != 3 {
		t.Errorf("version %d", v.Pane.Readings[0].Version)
	}
}

func TestManyWritersLoseNothing(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	places := []reading.Place{}
	for _, w := range reading.Walk("clip", reading.Shape{}) {
		// Readings of one round size that belong together, so without diagonals.
		if w.Least > 10 && w.Place != reading.Rising && w.Place != reading.Falling {
			places = append(places, w.Place)
		}
	}
	var wg sync.WaitGroup
	for n := range 30 {
		wg.Go(func() {
			by := mira
			if n%2 == 0 {
				by = tor
			}
			err := s.Measure.Read(ctx, by, jobview.First(id), places[n%len(places)],
				measure.Said{Text: fmt.Sprint(300 + n), Instrument: length.Tape})
			var c *record.Conflict
			if err != nil && !errors.As(err, &c) {
				t.Errorf("writer %d: %v", n, err)
			}
		})
	}
	wg.Wait()
	j, err := s.Store.Jobs.Job(ctx, id)
	if err != nil || len(j.Panes[0].Readings) != len(places) {
		t.Errorf("%d readings at %d places, %v", len(j.Panes[0].Readings), len(places), err)
	}
}

// A job is read as of one moment: what one change wrote into two tables is seen of both or of
// neither.
func TestAJobIsReadAsOfOneMoment(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	write := func(n int) {
		if err := s.Store.Write(ctx, func(x *store.Tx) error {
			return errors.Join(x.Jobs.Run(ctx, "UPDATE job SET pulse = ? WHERE id = ?", n, id),
				x.Panes.Run(ctx, "UPDATE pane SET name = ? WHERE job_id = ?", fmt.Sprint(n), id))
		}); err != nil {
			t.Error(err)
		}
	}
	write(1000)
	done := make(chan struct{})
	go func() {
		defer close(done)
		for n := range 300 {
			write(1001 + n)
		}
	}()
	for reads := 0; ; reads++ {
		j, err := s.Store.Jobs.Job(ctx, id)
		if err != nil || j.Panes[0].Name != fmt.Sprint(j.Pulse) {
			t.Fatalf("after %d reads the job is of %d and its pane of %s, %v", reads, j.Pulse, j.Panes[0].Name, err)
		}
		select {
		case <-done:
			return
		default:
		}
	}
}

func TestRefusals(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	for _, c := range []struct {
		field string
		call  func() error
	}{
		{"width_top", func() error {
			return s.Measure.Read(ctx, tor, jobview.First(id), "width_top", measure.Said{Text: "banana", Instrument: "tape"})
		}},
		{"height_left", func() error {
			return s.Measure.Read(ctx, tor, jobview.First(id), "height_left", measure.Said{Text: "40 m", Instrument: "tape"})
		}},
		{"instrument", func() error {
			return s.Measure.Read(ctx, tor, jobview.First(id), "width_top",
				measure.Said{Text: "300", Instrument: "thumb"})
		}},
		{"place", func() error {
			return s.Measure.Read(ctx, tor, jobview.First(id), "girth", measure.Said{Text: "300", Instrument: "tape"})
		}},
		{"thickness", func() error {
			return s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "glass-ceramic", Thickness: 7})
		}},
		{"material", func() error {
			return s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "ice", Thickness: 4})
		}},
		{"reason", func() error {
			return s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "toughened", Thickness: 4})
		}},
		{"reason", func() error {
			return s.Bench.Tick(ctx, tor, jobview.First(id), "cold", bench.Done{Outcome: "left-out"})
		}},
		{"value", func() error {
			return s.Bench.Answer(ctx, tor, jobview.First(id), "gap", bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}})
		}},
		{"frame", func() error {
			return s.Desk.SetPane(ctx, tor, jobview.First(id), record.Held{Family: "clip-heat", Frame: "cheese"}, 1)
		}},
		{"name", func() error { return s.Desk.SetObject(ctx, tor, id, record.Object{Name: " "}) }},
		{"name", func() error { return s.Desk.SetCustomer(ctx, tor, id, record.Customer{}) }},
		{"place", func() error { return s.Desk.SetJob(ctx, tor, id, record.Job{Place: "moon"}) }},
		{"login", func() error {
			_, err := s.People.AddPerson(ctx, mira, "", people.Person{Name: "Tor", Login: "tor", Password: "another long one",
				Role: "technician"})
			return err
		}},
		{"password", func() error {
			_, err := s.People.AddPerson(ctx, mira, "",
				people.Person{Name: "Ann", Login: "ann", Password: "short", Role: "technician"})
			return err
		}},
		{"exposure", func() error {
			in := stove()
			in.Exposure = "lava"
			_, err := s.Desk.TakeIn(ctx, tor, "", in)
			return err
		}},
		{"object", func() error {
			in := stove()
			in.Object = "  "
			_, err := s.Desk.TakeIn(ctx, tor, "", in)
			return err
		}},
		{"customer_id", func() error {
			in := stove()
			in.CustomerID = 999
			_, err := s.Desk.TakeIn(ctx, tor, "", in)
			return err
		}},
	} {
		err := c.call()
		if f := fault.Of(err); f == nil || f.Field != c.field {
			t.Errorf("want a fault at %s, got %v", c.field, err)
		}
	}
	var nf *record.NotFound
	if _, err := s.Table(ctx, jobview.First(4711)); !errors.As(err, &nf) {
		t.Errorf("a job that is not there: %v", err)
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "no-such-step", bench.Done{Outcome: "done"}); !errors.As(err,
		&nf) {
		t.Errorf("a step that is not there: %v", err)
	}
}

func TestClosedGateWantsAReason(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	if err := s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "toughened", Thickness: 4,
		Reason: "only to see it"}); err != nil {
		t.Fatal(err)
	}
	if v := view1(t, s, id); !strings.Contains(v.Pane.Choice.Reason, "above the 250 °C") {
		t.Errorf("the reason against it is lost: %q", v.Pane.Choice.Reason)
	}
	var c *record.Conflict
	if err := s.Bench.Choose(ctx, tor, jobview.First(id),
		bench.Settle{Material: "glass-ceramic", Thickness: 4}); !errors.As(err, &c) {
		t.Errorf("an old copy settled: %v", err)
	}
	if err := s.Bench.Choose(ctx, tor, jobview.First(id), bench.Settle{Material: "glass-ceramic", Thickness: 4,
		Seen: view1(t, s, id).Pane.Choice.ID}); err != nil {
		t.Error(err)
	}
}

func TestStaleSettings(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	v := view1(t, s, id)
	p := v.Pane
	p.Sides.Left = 1
	if err := s.Desk.SetPane(ctx, tor, jobview.First(id), p.Held, p.Version); err != nil {
		t.Fatal(err)
	}
	var c *record.Conflict
	if err := s.Desk.SetPane(ctx, mira, jobview.First(id), p.Held, p.Version); !errors.As(err, &c) {
		t.Errorf("pane: %v", err)
	}
	o := v.Job.Object
	o.Stamp = "GC 4"
	if err := s.Desk.SetObject(ctx, tor, id, o); err != nil {
		t.Fatal(err)
	}
	if err := s.Desk.SetObject(ctx, mira, id, o); !errors.As(err, &c) {
		t.Errorf("object: %v", err)
	}
	cust := v.Job.Customer
	cust.Phone = "0550 999"
	if err := s.Desk.SetCustomer(ctx, tor, id, cust); err != nil {
		t.Fatal(err)
	}
	if err := s.Desk.SetCustomer(ctx, mira, id, cust); !errors.As(err, &c) {
		t.Errorf("customer: %v", err)
	}
	if got := view1(t, s, id).Job.Customer; got.Phone != "0550 999" || got.Name != "Oda Marl" {
		t.Errorf("%+v", got)
	}
	j := v.Job
	due := time.Now().Add(time.Hour).UTC()
	j.PromisedAt = &due
	if err := s.Desk.SetJob(ctx, tor, id, j); err != nil {
		t.Fatal(err)
	}
	if err := s.Desk.SetJob(ctx, mira, id, j); !errors.As(err, &c) {
		t.Errorf("job: %v", err)
	}
}

func TestTodayOrder(t *testing.T) {
	s, mira, _ := open(t)
	at := func(h time.Duration) *time.Time { v := s.Now().Add(h * time.Hour); return &v }
	take := func(object string, due *time.Time) int64 {
		in := stove()
		in.Object, in.Promised = object, due
		id, err := s.Desk.TakeIn(ctx, mira, "", in)
		if err != nil {
			t.Fatal(err)
		}
		return id
	}
	take("no promise", nil)
	take("next week", at(150))
	take("late", at(1))
	waits := take("waits", at(30))
	if err := s.Buy.SetWait(ctx, mira, jobview.First(waits), buy.Wait{For: "pane from the cutter", Until: at(20),
		Version: 1}); err != nil {
		t.Fatal(err)
	}
	day, err := s.Today.Today(ctx, record.Account{})
	if err != nil {
		t.Fatal(err)
	}
	if day.First == nil || day.First.Object != "late" || !day.First.Late || day.First.Next != "Cold, and why it broke" {
		t.Errorf("first is %+v", day.First)
	}
	if len(day.Turns) != 3 || day.Turns[2].Object != "no promise" || len(day.Waits) != 1 || day.Open != 4 {
		t.Errorf("%d turns, %d waits, %d open", len(day.Turns), len(day.Waits), day.Open)
	}
}

func TestAtSteady(t *testing.T) {
	_, o, _, err := desk.TakeIn{Name: "A", Object: "Oven", Exposure: "oven", Family: "clip-heat",
		Steady: ptr(300)}.Records(nil)
	if err != nil {
		t.Fatal(err)
	}
	if e := o.Exposure; e.Steady != 300 || e.Short < 350 || e.Sudden != 240 || e.FrameHot != 210 {
		t.Errorf("%+v", e)
	}
	if _, _, _, err := (desk.TakeIn{Name: "A", Object: "Oven", Exposure: "oven", Family: "clip-heat",
		Steady: ptr(9000)}).Records(nil); fault.Of(err) == nil {
		t.Errorf("9000 °C: %v", err)
	}
}

func ptr(v float64) *float64 { return &v }
