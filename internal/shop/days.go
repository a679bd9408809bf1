package shop

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"time"

	"freshshard/core/cure"
	"freshshard/core/fault"
	"freshshard/core/schedule"
	"freshshard/internal/instrument"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// usualWeek is when people work while nobody said otherwise.
var usualWeek = record.Week{Days: []int{1, 2, 3, 4, 5}, From: "08:00", To: "17:00", NoonFrom: "12:00", NoonTo: "12:30",
	Off: []string{}, May: []string{"pressure", "gas", "height"}}

// Days is who does what when, of everything that is open.
type Days struct {
	From    time.Time  `json:"from"`
	Hours   []Hour     `json:"hours" doc:"When anybody works, in order"`
	People  []DayLane  `json:"people"`
	Jobs    []DayReady `json:"jobs" doc:"The soonest promised first"`
	Left    []DayLeft  `json:"left" doc:"What has no time, or cannot be planned, with why"`
	Moved   int        `json:"moved" doc:"Steps that are elsewhere than in the plan that was last taken"`
	Late    float64    `json:"late" doc:"Hours late in all"`
	ByHand  float64    `json:"by_hand" doc:"Hours late when the soonest promised is done first"`
	Proved  bool       `json:"proved" doc:"No plan is better"`
	Gap     float64    `json:"gap" doc:"How much better a plan could be at most, share"`
	Weather []DryHour  `json:"weather" doc:"Outdoors, three hours each"`
}

// Hour is a stretch of working time.
type Hour struct {
	From time.Time `json:"from"`
	To   time.Time `json:"to"`
}

// DryHour is the weather outdoors.
type DryHour struct {
	From time.Time `json:"from"`
	C    float64   `json:"c"`
	RH   float64   `json:"rh"`
	Fit  bool      `json:"fit" doc:"Fit for bonding and puttying outdoors"`
}

// DayLane is one person's days.
type DayLane struct {
	ID    int64     `json:"id"`
	Name  string    `json:"name"`
	Hours []Hour    `json:"hours"`
	Steps []DayStep `json:"steps"`
}

// DayStep is a step in somebody's day.
type DayStep struct {
	Key     string    `json:"key"`
	Job     int64     `json:"job"`
	Pane    int64     `json:"pane"`
	Object  string    `json:"object"`
	Title   string    `json:"title"`
	Station string    `json:"station"`
	From    time.Time `json:"from"`
	To      time.Time `json:"to"`
	With    []string  `json:"with" doc:"Who else is at it"`
	Why     string    `json:"why" doc:"Why not sooner"`
}

// DayReady is when a job is ready.
type DayReady struct {
	Job      int64      `json:"job"`
	Object   string     `json:"object"`
	Promised *time.Time `json:"promised_at,omitempty"`
	Ready    *time.Time `json:"ready_at,omitempty"`
	Late     int        `json:"late,omitempty" doc:"min"`
	Why      string     `json:"why"`
	Kept     float64    `json:"kept" doc:"Chance that the promise is kept"`
	Nine     *time.Time `json:"nine,omitempty" doc:"Ready by then nine times in ten"`
	Sure     *time.Time `json:"sure,omitempty" doc:"Ready by then ninety-nine times in a hundred"`
}

// DayLeft is what has no time.
type DayLeft struct {
	Job    int64  `json:"job"`
	Object string `json:"object"`
	Why    string `json:"why"`
}

// Bounds of the plan of days. The budget is what a person waits for a page.
const (
	daysAhead  = 60
	dayTries   = 150
	dayBudget  = 700 * time.Millisecond
	dayRuns    = 200
	benches    = 2 // while the shop has not said how many
	deliveries = 0.15
)

// keptPlan is a plan of days as it is kept: by the moments of the clock.
type keptPlan struct {
	From time.Time     `json:"from"`
	Plan schedule.Plan `json:"plan"`
}

// Days plans what is open, calmly beside the plan that was last taken.
func (s *Shop) Days(ctx context.Context) (Days, error) {
	out, _, err := s.days(ctx, false)
	return out, err
}

// TakeDays plans all anew and takes that.
func (s *Shop) TakeDays(ctx context.Context, by record.Account) (Days, error) {
	out, kept, err := s.days(ctx, true)
	if err != nil {
		return out, err
	}
	doc, err := json.Marshal(kept)
	if err != nil {
		return out, err
	}
	err = s.store.Write(ctx, func(t *store.Tx) error {
		if err := t.SetDayPlan(ctx, doc, by.ID, s.Now()); err != nil {
			return err
		}
		return t.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "days", Action: "planned",
			Said: fmt.Sprintf("planned the days: %.1f h late in all", out.Late)})
	})
	out.Moved = 0
	return out, err
}

func (s *Shop) days(ctx context.Context, anew bool) (Days, keptPlan, error) {
	now := s.Now().Truncate(time.Minute)
	w := dayWork{now: now, zone: s.zone(), steps: map[string]dayStepOf{}}
	out := Days{From: now, Hours: []Hour{}, People: []DayLane{}, Jobs: []DayReady{}, Left: []DayLeft{}, Weather: []DryHour{}}
	if err := s.dayPeople(ctx, &w); err != nil {
		return out, keptPlan{}, err
	}
	if err := s.dayJobs(ctx, &w, &out); err != nil {
		return out, keptPlan{}, err
	}
	kept := keptPlan{From: now, Plan: schedule.Plan{Steps: []schedule.Done{}}}
	if len(w.p.Jobs) > 0 {
		before, err := s.lastPlan(ctx, w)
		if err != nil {
			return out, kept, err
		}
		var moves []schedule.Moved
		if anew || len(before.Steps) == 0 {
			kept.Plan, err = schedule.Solve(ctx, w.p, schedule.Options{Budget: dayBudget, Tries: dayTries})
		} else {
			kept.Plan, moves, err = schedule.Replan(ctx, w.p, before, schedule.Options{Budget: dayBudget, Tries: dayTries})
			for _, m := range moves {
				if m.From >= 0 {
					out.Moved++
				}
			}
		}
		if err != nil {
			return out, kept, err
		}
		if b := schedule.Verify(w.p, kept.Plan); len(b) > 0 {
			return out, kept, fmt.Errorf("the days made a plan that cannot be worked: %v", b)
		}
		odds, err := schedule.Play(ctx, w.p, kept.Plan, w.slips, dayRuns, 1)
		if err != nil {
			return out, kept, err
		}
		w.show(kept.Plan, odds, &out)
		out.ByHand = schedule.ByHand(w.p).Late
	}
	w.weather(&out)
	return out, kept, nil
}

// dayWork gathers the problem with what its names mean.
type dayWork struct {
	now   time.Time
	zone  *time.Location
	p     schedule.Problem
	names []record.Account
	jobs  []stand
	steps map[string]dayStepOf
	slips []schedule.Slip
}

type dayStepOf struct {
	job, pane       int64
	object, station string
	title           string
}

func (w *dayWork) minute(t time.Time) int  { return int(t.Sub(w.now).Round(time.Minute).Minutes()) }
func (w *dayWork) at(minute int) time.Time { return w.now.Add(time.Duration(minute) * time.Minute) }

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
func (s *Shop) dayPeople(ctx context.Context, w *dayWork) error {
	people, err := s.store.Accounts(ctx)
	if err != nil {
		return err
	}
	weeks, err := s.store.Weeks(ctx)
	if err != nil {
		return err
	}
	for _, a := range people {
		if !a.Active {
			continue
		}
		k, ok := weeks[a.ID]
		if !ok {
			k = usualWeek
		}
		h, err := w.hours(k)
		if err != nil {
			return err
		}
		w.names = append(w.names, a)
		w.p.People = append(w.p.People, schedule.Person{ID: fmt.Sprint(a.ID), Hours: h, May: k.May})
	}
	w.p.Places = []schedule.Place{{ID: "bench", Count: benches}, {ID: "van", Count: 1}}
	return nil
}

// fitOutdoors are the hours whose weather lets a bond or putty be laid outdoors.
func (w *dayWork) fitOutdoors() []schedule.Window {
	out := []schedule.Window{}
	for _, a := range instrument.Forecast(w.now, daysAhead*24) {
		at := schedule.Window{From: max(0, w.minute(a.At)), To: w.minute(a.At) + 60}
		if at.To <= at.From || !fitAir(a) {
			continue
		}
		if n := len(out); n > 0 && out[n-1].To >= at.From {
			out[n-1].To = at.To
		} else {
			out = append(out, at)
		}
	}
	return out
}

// fitAir says whether the air lets a bond be laid: not under 5 °C, not nearly wet.
// Common practice, no source.
func fitAir(a cure.Air) bool { return a.C >= 5 && a.RH <= 85 }

// dayJobs puts what is left of each open job into the problem.
func (s *Shop) dayJobs(ctx context.Context, w *dayWork, out *Days) error {
	shop, err := s.store.Shop(ctx)
	if err != nil {
		return err
	}
	open, err := s.store.OpenJobs(ctx, mostCut)
	if err != nil {
		return err
	}
	all, err := s.standing(ctx, open, shop.Unit)
	if err != nil {
		return err
	}
	hardens, err := s.hardens(ctx)
	if err != nil {
		return err
	}
	dry := w.fitOutdoors()
	for _, j := range all {
		job, why, err := w.job(j, hardens, dry)
		if err != nil {
			return err
		}
		if why != "" {
			out.Left = append(out.Left, DayLeft{j.id, j.object, why})
		}
		if len(job.Steps) > 0 && why == "" {
			w.p.Jobs, w.jobs = append(w.p.Jobs, job), append(w.jobs, j)
		}
	}
	return nil
}

// hardens is how long a bead of an adhesive takes at the bench from now on, min; its width
// in mm. What never hardens in such air takes longer than anybody plans.
type hardens func(adhesive string, width float64) (int, error)

func (s *Shop) hardens(ctx context.Context) (hardens, error) {
	now := s.Now()
	air, err := s.airs(ctx, s.store, now, s.zone())(record.AtBench)
	if err != nil {
		return nil, err
	}
	type bead struct {
		adhesive string
		width    float64
	}
	known := map[bead]int{}
	return func(adhesive string, width float64) (int, error) {
		k := bead{adhesive, width}
		if m, ok := known[k]; ok {
			return m, nil
		}
		got, err := cure.Cure(cure.Bond{Adhesive: adhesive, Since: now, Width: width, Edges: 2}, air, now)
		if err != nil {
			return 0, err
		}
		known[k] = daysAhead * 24 * 60
		if r := got.Opened().Safe; r != nil {
			known[k] = int(r.Sub(now).Minutes()) + 1
		}
		return known[k], nil
	}, nil
}

// job is what is left of one, with why it cannot be planned.
func (w *dayWork) job(j stand, hardens hardens, dry []schedule.Window) (schedule.Job, string, error) {
	job := schedule.Job{ID: fmt.Sprint(j.id), Name: j.object}
	if j.promised != nil {
		at := w.minute(*j.promised)
		job.Promise = &at
	}
	place := "bench"
	if j.place == "site" {
		place = "van"
	}
	once := map[string]bool{}
	for _, p := range j.panes {
		last, wait := "", 0
		for _, o := range inOneGo(p.open, once) {
			id := fmt.Sprintf("%d/%d/%s", j.id, p.id, o.key)
			st := schedule.Step{ID: id, Title: o.title, Minutes: o.minutes, People: o.people, Needs: o.needs, Uses: []string{place}}
			if o.station == "source" {
				st.Uses = nil
			}
			if o.until != nil {
				st.Not = max(0, w.minute(*o.until))
			}
			if last != "" {
				st.After = append(st.After, schedule.After{Step: last, Wait: wait})
			}
			if place == "van" && o.lays != "" {
				st.Fit = dry
			}
			if o.needs != "" && !slices.ContainsFunc(w.p.People, func(q schedule.Person) bool { return slices.Contains(q.May, o.needs) }) {
				return job, fmt.Sprintf("nobody here may do “%s”: %s", o.title, o.needs), nil
			}
			if o.people > len(w.p.People) {
				return job, fmt.Sprintf("“%s” takes %d, and %d work here", o.title, o.people, len(w.p.People)), nil
			}
			if o.key == "check-new" {
				w.slips = append(w.slips, schedule.Slip{Step: id, Chance: deliveries, Minutes: 24 * 60})
			}
			w.steps[id] = dayStepOf{j.id, p.id, j.object, string(o.station), o.title}
			last, wait = id, o.wait
			if o.lays != "" {
				m, err := hardens(o.lays, o.width)
				if err != nil {
					return job, "", err
				}
				wait = m
			}
			job.Steps = append(job.Steps, st)
		}
	}
	return job, "", nil
}

// lastPlan is the plan that was last taken, in the minutes of this one.
func (s *Shop) lastPlan(ctx context.Context, w dayWork) (schedule.Plan, error) {
	doc, err := s.store.DayPlan(ctx)
	if err != nil || doc == nil {
		return schedule.Plan{}, err
	}
	var k keptPlan
	if err := json.Unmarshal(doc, &k); err != nil {
		return schedule.Plan{}, err
	}
	shift := w.minute(k.From)
	out := schedule.Plan{}
	for _, d := range k.Plan.Steps {
		d.At, d.To = d.At+shift, d.To+shift
		if _, open := w.steps[d.Step]; open && d.At >= 0 {
			out.Steps = append(out.Steps, d)
		}
	}
	return out, nil
}
