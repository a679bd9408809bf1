package days

import (
	"context"
	"fmt"
	"slices"
	"time"

	"freshshard/core/catalogue"
	"freshshard/core/cure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/pace"
	"freshshard/core/schedule"
	"freshshard/core/usual"
	"freshshard/internal/hold"
	"freshshard/internal/record"
	"freshshard/internal/standing"
	"freshshard/internal/stock"
)

// dayWork gathers the problem with what its names mean.
type dayWork struct {
	now   time.Time
	zone  *time.Location
	what  WhatIf
	p     schedule.Problem
	names []record.Account
	jobs  []standing.Job
	steps map[string]dayStepOf
	slips []schedule.Slip
	pins  map[string]setPin
	hold.Weather
	own    catalogue.Values
	all    []standing.Job // every open job
	pace   pace.Pace
	comes  pace.Arrivals
	roads  dayRoads
	sites  map[int64]record.Site
	rounds []record.Round
	drives map[string]int // min on the road that a step was given
	gone   []goneJob      // what is all done in rounds
	warn   []DayLeft      // what stands against a round that was taken
}

// goneJob is a job whose last work is done in a round.
type goneJob struct {
	standing.Job
	ready time.Time
}

// setPin is a pin, the younger ones with higher numbers.
type setPin struct {
	record.DayPin
	set int
}

type dayStepOf struct {
	job, pane       int64
	object, station string
	title, takes    string
}

// rule is a rule of thumb in whole minutes.
func (w *dayWork) rule(k usual.Key) int { return int(usual.Of(w.own, k)) }

func (w *dayWork) minute(t time.Time) int { return int(t.Sub(w.now).Round(time.Minute).Minutes()) }

func (w *dayWork) at(minute int) time.Time { return w.now.Add(time.Duration(minute) * time.Minute) }

// gathered is the problem of the days, with what cannot be planned.
func (s *Service) gathered(ctx context.Context, what WhatIf, now time.Time) (*dayWork, []DayLeft, error) {
	w := &dayWork{now: now, zone: s.TimeZone(), what: what, steps: map[string]dayStepOf{}, drives: map[string]int{}}
	var err error
	if w.Weather, err = s.Hold.Outdoors(ctx, hold.AirOf(s.Store), now, daysAhead*24); err != nil {
		return w, nil, err
	}
	if w.own, err = s.Store.Shops.Own(ctx); err != nil {
		return w, nil, err
	}
	w.Air = what.colder(w.Air, 1, usual.Of(w.own, usual.FrontDamp))
	if w.pace, err = s.Learnt(ctx); err != nil {
		return w, nil, err
	}
	if w.comes, err = s.Arrivals(ctx); err != nil {
		return w, nil, err
	}
	if err := s.dayPeople(ctx, w); err != nil {
		return w, nil, err
	}
	pins, err := s.Store.Days.DayPins(ctx)
	if err != nil {
		return w, nil, err
	}
	w.pins = what.moved(pins)
	if err := s.dayRounds(ctx, w); err != nil {
		return w, nil, err
	}
	left, err := s.dayJobs(ctx, w)
	return w, left, err
}

// hours are a week laid over the days to come, in the shop's own zone.
func (w *dayWork) hours(k record.Week) ([]schedule.Window, error) {
	out := []schedule.Window{}
	clock := func(field, text string, day time.Time) (time.Time, error) {
		t, err := time.Parse("15:04", text)
		if err != nil {
			return t, fault.New(field, fmt.Sprintf("%q is no time of the day", text), "write 08:00")
		}
		return time.Date(day.Year(), day.Month(), day.Day(), t.Hour(), t.Minute(), 0, 0, w.zone), nil
	}
	first := w.now.In(w.zone)
	for d := range daysAhead {
		day := time.Date(first.Year(), first.Month(), first.Day()+d, 12, 0, 0, 0, w.zone)
		weekday := (int(day.Weekday())+6)%7 + 1
		if !slices.Contains(k.Days, weekday) || slices.Contains(k.Off, day.Format(time.DateOnly)) {
			continue
		}
		from, err := clock("from", k.From, day)
		if err != nil {
			return nil, err
		}
		to, err := clock("to", k.To, day)
		if err != nil {
			return nil, err
		}
		parts := [][2]time.Time{{from, to}}
		if k.NoonFrom != "" || k.NoonTo != "" {
			a, err := clock("noon_from", k.NoonFrom, day)
			if err != nil {
				return nil, err
			}
			b, err := clock("noon_to", k.NoonTo, day)
			if err != nil {
				return nil, err
			}
			parts = [][2]time.Time{{from, a}, {b, to}}
		}
		for _, p := range parts {
			if !p[1].After(p[0]) {
				return nil, fault.New("to", "the day ends before it begins", "give the hours in order")
			}
			if at := (schedule.Window{From: max(0, w.minute(p[0])), To: w.minute(p[1])}); at.To > at.From {
				out = append(out, at)
			}
		}
	}
	return out, nil
}

// dayPeople are those who work.
func (s *Service) dayPeople(ctx context.Context, w *dayWork) error {
	people, err := s.Store.People.Accounts(ctx)
	if err != nil {
		return err
	}
	weeks, err := s.Store.Days.Weeks(ctx)
	if err != nil {
		return err
	}
	for _, a := range people {
		if !a.Active {
			continue
		}
		k, ok := weeks[a.ID]
		if !ok {
			k = UsualWeek
		}
		k.Off = append(slices.Clone(k.Off), w.what.off(a.ID)...)
		h, err := w.hours(k)
		if err != nil {
			return err
		}
		w.names = append(w.names, a)
		w.p.People = append(w.p.People, schedule.Person{ID: fmt.Sprint(a.ID), Name: a.Name, Hours: h, May: k.May})
	}
	w.moreHands()
	places, err := s.Calendar.DayPlaces(ctx)
	for _, p := range places {
		w.p.Places = append(w.p.Places, schedule.Place{ID: p.Name, Count: p.Count})
	}
	return err
}

// fitOutdoors are the hours whose weather lets a bond or putty be laid outdoors. Hours of
// which nobody knows the weather do, until a forecast says otherwise.
func (w *dayWork) fitOutdoors() []schedule.Window {
	out := []schedule.Window{}
	known := 0 // up to this minute the weather was looked at
	for _, a := range w.Air {
		at := schedule.Window{From: max(0, w.minute(a.At)), To: w.minute(a.At) + 60}
		if at.From > known {
			out = append(out, schedule.Window{From: known, To: at.From})
		}
		known = max(known, at.To)
		if at.To <= at.From || !w.Fit(a) {
			continue
		}
		if n := len(out); n > 0 && out[n-1].To >= at.From {
			out[n-1].To = at.To
		} else {
			out = append(out, at)
		}
	}
	if end := daysAhead * 24 * 60; known < end {
		if n := len(out); n > 0 && out[n-1].To >= known {
			out[n-1].To = end
		} else {
			out = append(out, schedule.Window{From: known, To: end})
		}
	}
	return out
}

// dayJobs puts what is left of each open job into the problem.
func (s *Service) dayJobs(ctx context.Context, w *dayWork) ([]DayLeft, error) {
	left := []DayLeft{}
	all, err := s.Standing.Open(ctx, stock.MostCut)
	if err != nil {
		return nil, err
	}
	hardens, err := s.Hardens(ctx, w.what)
	if err != nil {
		return nil, err
	}
	dry := w.fitOutdoors()
	w.all = all
	for _, j := range append(all, w.what.more...) {
		if at, ok := w.what.promise[j.ID]; ok {
			j.Promised = &at
		}
		job, why, err := w.job(j, hardens, dry)
		if err != nil {
			return nil, err
		}
		if why != "" {
			left = append(left, DayLeft{j.ID, j.Object, why})
		}
		if why == "" && !w.what.apart {
			w.inRound(&job, j)
		}
		if len(job.Steps) > 0 && why == "" {
			w.p.Jobs, w.jobs = append(w.p.Jobs, job), append(w.jobs, j)
		}
	}
	w.urgent()
	return left, nil
}

// beads tells how long one takes, min, by how it is loaded.
type beads = func(cure.Bead) (map[cure.Key]int, error)

// Hardens reads the air once and says how long beads take at the bench from now on.
func (s *Service) Hardens(ctx context.Context, what WhatIf) (beads, error) {
	now := s.Now()
	air, err := s.Hold.Airs(ctx, hold.AirOf(s.Store), now, s.TimeZone())(record.AtBench)
	if err != nil {
		return nil, err
	}
	own, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return nil, err
	}
	if len(air) == 0 { // as a workshop that is warmed by day; no clock is started by it
		air = []cure.Air{{At: now, C: usual.Of(own, usual.BenchHeat), RH: usual.Of(own, usual.BenchDamp)}}
	}
	return cure.Beads(what.colder(air, usual.Of(own, usual.FrontInside)/100, usual.Of(own, usual.FrontDamp)), now), nil
}

// job is what is left of one, with why it cannot be planned.
func (w *dayWork) job(j standing.Job, hardens beads, dry []schedule.Window) (schedule.Job, string, error) {
	c := jobChain{dayWork: w, job: j, place: "bench", away: true, whose: map[string]int{}}
	c.out = schedule.Job{ID: fmt.Sprint(j.ID), Name: j.Object}
	if j.Promised != nil {
		at := w.minute(*j.Promised)
		c.out.Promise = &at
	}
	if j.Place == "site" {
		c.place, c.dry = "van", dry
		if site, ok := w.sites[j.ID]; ok && !w.what.apart {
			one, _ := w.roads.Usual(w.roads.home, site.Place)
			c.drive = 2 * one
		}
	}
	shares := standing.Shares(j.Panes)
	for i, p := range j.Panes {
		if why, err := c.pane(p, shares[i], hardens); why != "" || err != nil {
			return c.out, why, err
		}
	}
	c.waitForOthers()
	return c.out, "", nil
}

// jobChain strings the steps of one job together.
type jobChain struct {
	*dayWork
	job    standing.Job
	out    schedule.Job
	place  string            // the resource that work at the object takes
	dry    []schedule.Window // hours in which something can be laid at the place
	drive  int               // there and back, min
	away   bool              // nobody is at the object now
	loads  family.Load       // of the last step
	whose  map[string]int    // the step that does what is done once for the object, by its key
	before []once
	behind []once
	laid   []laid
}

// once is a step of one pane that stands before or behind what another pane does for the object.
type once struct {
	key  string
	step int
	wait int // min
}

// laid is a step behind which something hardens, and for how long, min.
type laid struct {
	step  string
	pane  int64
	waits map[cure.Key]int
}

// waitForOthers lets what is done once wait until each pane has come to it, and what follows it at
// another pane wait for the one that does it; none waits in a circle.
func (c *jobChain) waitForOthers() {
	for _, o := range c.before {
		if does, ok := c.whose[o.key]; ok {
			c.out.Link(does, o.step, o.wait)
		}
	}
	for _, o := range c.behind {
		if does, ok := c.whose[o.key]; ok {
			c.out.Link(o.step, does, 0)
		}
	}
}

// shared notes what of a step is done once and what of that it follows, and adds the bonds that it
// loads: those of its pane, or of the object where it is done once.
func (c *jobChain) shared(st *schedule.Step, o standing.Step, pane int64) {
	for _, key := range o.Once {
		c.whose[key] = len(c.out.Steps)
	}
	for _, key := range o.Behind {
		c.behind = append(c.behind, once{key, len(c.out.Steps), 0})
	}
	for _, l := range c.laid {
		if o.Loads != "" && (l.pane == pane || len(o.Once) > 0) {
			st.Wait(schedule.After{Step: l.step, Wait: l.waits[cure.Key(o.Loads)]})
		}
	}
}

// pane adds the steps of a pane, one after the other; it says why one cannot be planned.
func (c *jobChain) pane(p standing.Pane, shares map[string]standing.Share, hardens beads) (why string, err error) {
	last, wait, ordered := "", 0, false
	if p.WaitsFor != "" && p.WaitsUntil == nil && !p.Finished {
		return "it waits for " + p.WaitsFor + ", and nobody said until when", nil
	}
	for _, o := range standing.InOneGo(p.Open, shares, c.rule(usual.OneGo)) {
		st, takes := c.step(p, o)
		if last != "" {
			st.After = append(st.After, schedule.After{Step: last, Wait: wait})
		}
		c.shared(&st, o, p.ID)
		if why := c.cannot(st); why != "" {
			return why, nil
		}
		if o.Comes && (o.Said || ordered) {
			chance, by, _ := c.comes.Late(comesFrom(p.WaitsFor))
			c.slips = append(c.slips, schedule.Slip{Step: st.ID, Chance: chance, Minutes: int(by.Minutes())})
		}
		if o.Station == "source" && o.Wait > 0 {
			o.Wait += c.what.days(c.job.ID) * 24 * 60
			ordered = true
		}
		c.steps[st.ID] = dayStepOf{c.job.ID, p.ID, c.job.Object, string(o.Station), o.Title, takes}
		last, wait = st.ID, o.Wait
		if o.Lays != "" {
			st.Shares = o.Lays
			waits, err := hardens(cure.Bead{Adhesive: o.Lays, Width: o.Width})
			if err != nil {
				return "", err
			}
			c.laid = append(c.laid, laid{st.ID, p.ID, waits})
		}
		for _, key := range o.Before {
			c.before = append(c.before, once{key, len(c.out.Steps), wait})
		}
		c.out.Steps = append(c.out.Steps, st)
	}
	return "", nil
}

// step is one piece of work with what it takes, and how long in words.
func (c *jobChain) step(p standing.Pane, o standing.Step) (schedule.Step, string) {
	id := fmt.Sprintf("%d/%d/%s", c.job.ID, p.ID, o.Key)
	minutes, takes := c.takes(o.Minutes, p.Family, c.job.Place)
	st := schedule.Step{ID: id, Title: o.Title, Minutes: minutes, Spread: c.pace.Spread(), People: o.People,
		Needs: o.Needs, Uses: []string{c.place}, Pin: c.pin(id)}
	if !o.There() {
		st.Uses = nil
		if o.Cuts {
			st.Uses = []string{"table"}
		}
	} else if (c.away || o.Loads == family.Full && c.loads != family.Full) && c.drive > 0 {
		// There and back, with the first thing that is done there.
		st.Minutes += c.drive
		c.drives[id] = c.drive
		takes += fmt.Sprintf(", and %d min there and back", c.drive)
	}
	c.loads = o.Loads
	c.away = !o.There() || o.Wait > 0 || o.Lays != ""
	if o.Until != nil {
		st.Not = max(0, c.minute(*o.Until))
	}
	if o.Comes {
		st.Not = c.what.later(c.job.ID, st.Not, o.Until != nil)
	}
	if o.Lays != "" {
		st.Fit = c.dry
	}
	return st, takes
}

// pin is where somebody put a step, while that is still to come and they still work here.
func (w *dayWork) pin(step string) *schedule.Pin {
	p, ok := w.pins[step]
	if !ok || p.At.Before(w.now) {
		return nil
	}
	out := &schedule.Pin{At: w.minute(p.At)}
	for _, id := range p.People {
		if !slices.ContainsFunc(w.names, func(a record.Account) bool { return a.ID == id }) {
			return nil
		}
		out.People = append(out.People, fmt.Sprint(id))
	}
	return out
}

// cannot says why nobody here could ever do a step; nothing where somebody can. What the
// search would refuse stays out of it: one job never takes the days away from all others.
func (w *dayWork) cannot(st schedule.Step) string {
	may, longest := 0, 0
	for _, p := range w.p.People {
		if st.Needs != "" && !slices.Contains(p.May, st.Needs) {
			continue
		}
		may++
		for _, h := range p.Hours {
			longest = max(longest, h.To-h.From)
		}
	}
	need := max(1, st.People)
	switch {
	case may == 0 && st.Needs != "":
		return fmt.Sprintf("nobody here may do “%s”: %s", st.Title, st.Needs)
	case may < need && st.Needs != "":
		return fmt.Sprintf("“%s” takes %d who may, and %d may: %s", st.Title, need, may, st.Needs)
	case may < need:
		return fmt.Sprintf("“%s” takes %d, and %d work here", st.Title, need, may)
	case st.Minutes > longest:
		return fmt.Sprintf("“%s” takes %d min in one go, and no shift is longer than %d", st.Title, st.Minutes, longest)
	}
	return ""
}

// net is how long a step takes without the drive.
func (w *dayWork) net(s schedule.Step) int { return s.Minutes - w.drives[s.ID] }
