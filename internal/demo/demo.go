// Package demo fills the made-up shop: Lantern Yard in the ferry town of
// Hollin Ferry. Nobody and nothing in it is real.
package demo

import (
	"context"
	"fmt"
	"slices"
	"time"

	"golang.org/x/sync/errgroup"

	"freshshard/core/catalogue"
	"freshshard/core/cure"
	"freshshard/core/family"
	"freshshard/core/guest"
	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/source"
	"freshshard/core/striplog"
	"freshshard/internal/bench"
	"freshshard/internal/buy"
	"freshshard/internal/database"
	"freshshard/internal/desk"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/shop"
	"freshshard/internal/strip"
)

// Owner is who signs in to look around; the password is printed at the start.
const (
	Owner    = "mira"
	Password = "lantern yard glass"
)

// HalfFilled says whether a server has a made-up shop that was not finished: it
// is easier made anew than mended.
func HalfFilled(ctx context.Context, dsn, name string) (bool, error) {
	db, _, err := database.Connect(dsn, 0)
	if err != nil {
		return false, err
	}
	defer func() { _ = db.Close() }()
	for _, table := range []string{"account", "memo"} {
		var n int
		err := db.QueryRowContext(ctx,
			"SELECT COUNT(*) FROM information_schema.tables WHERE table_schema = ? AND table_name = ?", name, table).Scan(&n)
		if err != nil || n == 0 {
			return false, err
		}
	}
	var people, done int
	if err := db.QueryRowContext(ctx, "SELECT COUNT(*) FROM `"+name+"`.account").Scan(&people); err != nil {
		return false, err
	}
	err = db.QueryRowContext(ctx, "SELECT COUNT(*) FROM `"+name+"`.memo WHERE name = ?",
		records.FilledMemo).Scan(&done)
	return people > 0 && done == 0, err
}

// Jobs is how many jobs the made-up shop has.
func Jobs() int { return len(present()) + len(past()) }

// Fill makes people, customers and jobs, with dates around now. A shop that was
// filled before stays as it is. It tells of each job that is in.
func Fill(ctx context.Context, s *shop.Shop, in func()) error {
	needs, err := s.People.NeedsSetup(ctx)
	if err != nil || !needs {
		return err
	}
	// What was done was done a while ago: nobody has all jobs in hand at once.
	before := s.At(func() time.Time { return s.Now().Add(-2 * time.Hour) })
	if err := fillAll(ctx, before, s.Now(), in); err != nil {
		return err
	}
	if err := inHand(ctx, s); err != nil {
		return err
	}
	people, err := s.People.List(ctx)
	if err != nil {
		return err
	}
	mira := people[slices.IndexFunc(people, func(a record.Account) bool { return a.Login == Owner })]
	if err := fillRoads(ctx, before, mira); err != nil {
		return err
	}
	if err := promiseWell(ctx, s, mira); err != nil {
		return err
	}
	return s.Records.NoteFilled(ctx)
}

// inHand lets Ebbe do one more step, a moment ago, so that one job is in hand.
func inHand(ctx context.Context, s *shop.Shop) error {
	const object = "Orchard tractor's cab, rear quarter light"
	people, err := s.People.List(ctx)
	if err != nil {
		return err
	}
	found, err := s.Today.Find(ctx, object, "open", 0, 1)
	if err != nil || len(found) == 0 {
		return err
	}
	v, err := s.Work(ctx, jobview.First(found[0].ID))
	if err != nil {
		return err
	}
	i := slices.IndexFunc(people, func(a record.Account) bool { return a.Login == "ebbe" })
	for _, st := range v.Reckoning.Plan.Steps {
		if i >= 0 && !slices.ContainsFunc(v.Pane.Ticks, func(t record.Tick) bool { return t.Step == st.Key }) {
			return s.Bench.Tick(ctx, people[i], jobview.First(v.Job.ID), st.Key, bench.Done{Outcome: "done"})
		}
	}
	return nil
}

// present are the jobs that are in hand or were signed of late.
func present() []job { return append(jobs(), objects()...) }

// past are those of the year that is behind the shop.
func past() []gone { return append(year(), ways()...) }

// fillRights lets some do what only those do who may.
func fillRights(ctx context.Context, s *shop.Shop, by record.Account, logins ...string) error {
	people, err := s.People.List(ctx)
	if err != nil {
		return err
	}
	weeks, err := s.Days.Calendar.Weeks(ctx)
	if err != nil {
		return err
	}
	for _, w := range weeks {
		i := slices.IndexFunc(people, func(a record.Account) bool { return a.ID == w.Account })
		if !slices.Contains(logins, people[i].Login) {
			continue
		}
		w.May = []string{"pressure", "gas", "height"}
		if err := s.Days.Calendar.SetWeek(ctx, by, w); err != nil {
			return err
		}
	}
	return nil
}

func fillAll(outer context.Context, s *shop.Shop, now time.Time, in func()) error {
	ctx := outer
	staff, err := fillPeople(ctx, s)
	if err != nil {
		return err
	}
	mira := staff["mira"]
	if err := fillRights(ctx, s, mira, "mira", "tor"); err != nil {
		return err
	}
	sheet := catalogue.Value{Kind: catalogue.Material, ID: "cast", Item: "density", V: 2480,
		Sheet: "Delivery sheet 4 of the patterned glass"}
	if err := s.Records.Book.SetOwn(ctx, mira, sheet); err != nil {
		return err
	}
	if err := fillStores(ctx, s, mira); err != nil {
		return err
	}
	// They are taken in one after another, so that each has its number; what is
	// then done to each waits for no other.
	all := present()
	ids := make([]int64, len(all))
	for i, j := range all {
		if ids[i], err = takeIn(ctx, s, staff[j.by], j, now); err != nil {
			return fmt.Errorf("demo job %d, %s: %w", i+1, j.in.Object, err)
		}
	}
	work, ctx := errgroup.WithContext(outer)
	work.SetLimit(hands)
	for i, j := range all {
		work.Go(func() error {
			defer in()
			if err := fill(ctx, s, staff[j.by], ids[i], j, now); err != nil {
				return fmt.Errorf("demo job %d, %s: %w", i+1, j.in.Object, err)
			}
			return nil
		})
	}
	if err := work.Wait(); err != nil {
		return err
	}
	if err := fillPapers(outer, s, mira); err != nil {
		return err
	}
	if err := fillYear(outer, s, staff, now, in); err != nil {
		return err
	}
	// Tickets have their numbers in the order of the jobs.
	for i, j := range all {
		if j.sign {
			if err := sign(outer, s, staff[j.by], ids[i]); err != nil {
				return fmt.Errorf("demo job %d, %s: %w", i+1, j.in.Object, err)
			}
			if err := invoiceOf(outer, s, mira, ids[i]); err != nil {
				return fmt.Errorf("demo job %d, %s: %w", i+1, j.in.Object, err)
			}
		}
	}
	return nil
}

// fillPeople sets the shop up and adds those who work in it, by their sign-in names.
func fillPeople(ctx context.Context, s *shop.Shop) (map[string]record.Account, error) {
	mira, err := s.People.Setup(ctx, record.Shop{Name: "Lantern Yard", Town: "Hollin Ferry", Unit: length.MM},
		people.Person{Name: "Mira Quill", Login: Owner, Password: Password})
	if err != nil {
		return nil, err
	}
	staff := map[string]record.Account{"mira": mira}
	for _, p := range []people.Person{
		{Name: "Tor Vanning", Login: "tor", Password: Password, Role: record.Technician},
		{Name: "Ebbe Sand", Login: "ebbe", Password: Password, Role: record.Technician},
	} {
		if staff[p.Login], err = s.People.AddPerson(ctx, mira, "", p); err != nil {
			return nil, err
		}
	}
	return staff, nil
}

// hands is how many jobs are filled at once: the database takes what several
// write in one go.
const hands = 8

// job is one job of the demo: take-in, then as far as its fields say.
type job struct {
	by       string
	in       desk.TakeIn
	due      float64 // hours from now; 0 is no promise
	pane     func(*record.Pane)
	offers   []source.Offer
	object   func(*record.Object)
	seen     bench.Seen
	strip    []striplog.Entry
	guests   []guest.Guest
	readings []said
	settle   string // material
	thick    float64
	steps    int            // steps done from the start
	to       family.Station // all steps are done that stand before this station
	checks   int            // checks passed from the start
	waits    string
	until    float64 // hours from now
	order    *order
	laid     *hold.Laid
	ago      float64 // hours since it was laid
	passing
	others []job // what was done to the second pane and those after it
	sign   bool
}

// passing is how time goes by at a job.
type passing struct {
	came  int             // days ago that it was taken in
	took  func(plan.Step) // lets time pass until a step is done
	later func(time.Time) // lets it pass until a moment
}

type said struct {
	place reading.Place
	text  string
	with  length.Instrument
}

func takeIn(ctx context.Context, s *shop.Shop, by record.Account, j job, now time.Time) (int64, error) {
	if j.due != 0 {
		at := promised(now, j.due)
		j.in.Promised = &at
	}
	if j.in.Place == "" {
		j.in.Place = "bench"
	}
	if old, err := s.Desk.Customers(ctx, j.in.Name); err == nil && len(old) == 1 {
		j.in.CustomerID = old[0].ID
	}
	at := s.Now().AddDate(0, 0, -j.came)
	return s.At(func() time.Time { return at }).Desk.TakeIn(ctx, by, "", j.in)
}

// fill does what was done to a job, short of its signature.
func fill(ctx context.Context, s *shop.Shop, by record.Account, id int64, j job, now time.Time) error {
	v, err := s.Work(ctx, jobview.First(id))
	if err != nil {
		return err
	}
	if j.object != nil {
		o := v.Job.Object
		j.object(&o)
		if err := s.Desk.SetObject(ctx, by, id, o); err != nil {
			return err
		}
	}
	for _, e := range j.strip {
		if err := s.Strip.AddStrip(ctx, by, "", id, strip.Noted(e)); err != nil {
			return err
		}
	}
	for _, o := range j.offers {
		if err := s.Buy.AddOffer(ctx, by, "", jobview.First(id), o); err != nil {
			return err
		}
	}
	for _, g := range j.guests {
		if err := s.Strip.PutIn(ctx, by, "", jobview.First(id), g); err != nil {
			return err
		}
	}
	for i, p := range v.Panes {
		work := j
		if i > 0 {
			if i > len(j.others) {
				break
			}
			work = j.others[i-1]
		}
		if err := work.do(ctx, s, by, jobview.Bench{Job: id, Pane: p.ID}, now); err != nil {
			return fmt.Errorf("pane %d: %w", i+1, err)
		}
	}
	return nil
}

// sign puts everything back that came off and signs a job off.
func sign(ctx context.Context, s *shop.Shop, by record.Account, id int64) error {
	v, err := s.Work(ctx, jobview.First(id))
	if err != nil {
		return err
	}
	for _, line := range v.Strip.Back {
		if line.Done || line.Step != "" {
			continue
		}
		if err := s.Bench.PutBack(ctx, by, id, line.ID, line.Of, 1); err != nil {
			return err
		}
	}
	_, err = s.Records.Sign(ctx, by, "", id, records.Signature{})
	return err
}

// do is what was done to one pane.
func (j job) do(ctx context.Context, s *shop.Shop, by record.Account, at jobview.Bench, now time.Time) error {
	v, err := s.Work(ctx, at)
	if err != nil {
		return err
	}
	if j.pane != nil {
		p := v.Pane
		j.pane(&p)
		if err := s.Desk.SetPane(ctx, by, at, p.Held, p.Version); err != nil {
			return err
		}
	}
	if len(j.seen.Evidence)+len(j.seen.OldPane) > 0 {
		if err := s.Bench.Diagnose(ctx, by, at, j.seen); err != nil {
			return err
		}
	}
	for _, r := range j.readings {
		// What was read as it stands here was meant, a slip of the tape among it.
		if err := s.Measure.Read(ctx, by, at, r.place,
			measure.Said{Text: r.text, Instrument: r.with, Sure: true}); err != nil {
			return err
		}
	}
	if j.settle != "" {
		if err := s.Bench.Choose(ctx, by, at, bench.Settle{Material: j.settle, Thickness: j.thick}); err != nil {
			return err
		}
	}
	return j.finish(ctx, s, by, at, now)
}

// hardens says what was laid where it hardens, and lets time pass until it has: in the year that is
// behind the shop by going on later, in what is in hand by having begun some days ago.
func (j job) hardens(ctx context.Context, s *shop.Shop, by record.Account, at jobview.Bench, st plan.Step) error {
	if !st.Hardens {
		return nil
	}
	warm := 22.0
	in := hold.Laid{Step: st.Key, Adhesive: cure.UsualFor(j.in.Family), Width: 8, Edges: 2, Place: record.AtBench,
		Surface: &warm}
	if j.later == nil {
		since := s.Now().AddDate(0, 0, -j.came)
		in.Since = &since
	}
	if err := s.Hold.StartCure(ctx, by, "", at, in, time.Local); err != nil {
		return err
	}
	v, err := s.Work(ctx, at)
	if err != nil || j.later == nil {
		return err
	}
	for _, c := range v.Pane.Cures {
		ready := c.Ready
		if a, err := cure.Book.ByID(c.Adhesive); err == nil && a.Opens() == cure.LetGo {
			ready = c.LetGo
		}
		if ready != nil {
			j.later(*ready)
		}
	}
	return nil
}

// proves passes the first checks of a pane, but for those that wait: what is not hung is not listened
// to yet.
func (j job) proves(ctx context.Context, s *shop.Shop, by record.Account, at jobview.Bench) error {
	v, err := s.Work(ctx, at)
	if err != nil {
		return err
	}
	for i, c := range v.Checks {
		if i >= j.checks {
			break
		}
		if c.Waits != "" {
			continue
		}
		a := bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}}
		if c.Limit != nil {
			good := c.Limit.Value / 2
			if c.Limit.Sense == "at-least" {
				good = c.Limit.Value * 1.5
			}
			a.Value = &good
		}
		if err := s.Bench.Answer(ctx, by, at, c.Key, a); err != nil {
			return err
		}
	}
	return nil
}

// finish ticks steps, answers checks and notes what the pane waits for.
func (j job) finish(ctx context.Context, s *shop.Shop, by record.Account, at jobview.Bench, now time.Time) error {
	v, err := s.Work(ctx, at)
	if err != nil {
		return err
	}
	steps := v.Reckoning.Plan.Steps
	if i := slices.IndexFunc(steps, func(st plan.Step) bool { return st.Station == j.to }); i >= 0 {
		j.steps = i
	}
	for i, st := range steps {
		if i < j.steps {
			if j.took != nil {
				j.took(st)
			}
			if err := j.hardens(ctx, s, by, at, st); err != nil {
				return err
			}
			if err := s.Bench.Tick(ctx, by, at, st.Key, bench.Done{Outcome: "done"}); err != nil {
				return err
			}
		}
	}
	if err := j.proves(ctx, s, by, at); err != nil {
		return err
	}
	if j.laid != nil {
		in, since := *j.laid, now.Add(-time.Duration(j.ago*float64(time.Hour)))
		in.Since = &since
		if err := startClock(ctx, s, by, at, in); err != nil {
			return err
		}
	}
	if j.order != nil {
		return j.order.place(ctx, s, by, at)
	}
	if j.waits != "" {
		until := inHours(now.Add(time.Duration(j.until * float64(time.Hour))))
		return s.Buy.SetWait(ctx, by, at, buy.Wait{For: j.waits, Until: &until, Version: v.Pane.Version})
	}
	return nil
}

// roundUp goes to the next half hour, as promises do.
func roundUp(t time.Time) time.Time { return t.Truncate(30 * time.Minute).Add(30 * time.Minute) }
