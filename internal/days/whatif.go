package days

import (
	"context"
	"fmt"
	"slices"
	"time"

	"freshshard/core/cure"
	"freshshard/core/fault"
	"freshshard/core/schedule"
	"freshshard/internal/record"
	"freshshard/internal/standing"
)

// WhatIf is what could be otherwise: tried beside the days as they stand, and kept only
// where somebody says that it is so.
type WhatIf struct {
	Late   []LateOne   `json:"late,omitempty" maxItems:"20"`
	Off    []OffOne    `json:"off,omitempty" maxItems:"10"`
	Hand   []Hour      `json:"hand,omitempty" maxItems:"10" doc:"When one more pair of hands is here"`
	Cold   *ColdOne    `json:"cold,omitempty"`
	Urgent []UrgentOne `json:"urgent,omitempty" maxItems:"10"`
	Move   []MoveOne   `json:"move,omitempty" maxItems:"20"`

	more    []standing.Job // jobs that are not taken in yet
	promise map[int64]time.Time
	stands  *daysPlan // what is wanted is better than that
	apart   bool      // as if no round were taken, and nobody drove
}

// LateOne is glass that comes later than it was said.
type LateOne struct {
	Job  int64 `json:"job" minimum:"1"`
	Days int   `json:"days" minimum:"1" maximum:"60"`
}

// OffOne is somebody who is ill or away.
type OffOne struct {
	Account int64  `json:"account" minimum:"1"`
	From    string `json:"from" maxLength:"10" doc:"First day: 2026-12-24"`
	To      string `json:"to" maxLength:"10" doc:"Last day"`
}

// ColdOne is a front that comes in: colder outdoors by so much, and nothing is bonded or
// puttied there while it lasts.
type ColdOne struct {
	From  time.Time `json:"from"`
	Hours int       `json:"hours" minimum:"1" maximum:"336"`
	K     float64   `json:"k" minimum:"0" maximum:"40"`
}

// UrgentOne is one more job, as somebody on the telephone says it.
type UrgentOne struct {
	Minutes int        `json:"minutes" minimum:"5" maximum:"480"`
	People  int        `json:"people" minimum:"1" maximum:"4"`
	Not     *time.Time `json:"not_before,omitempty" doc:"When its glass is here"`
	Promise time.Time  `json:"promised_at"`
}

// MoveOne is a step put elsewhere.
type MoveOne struct {
	Step   string    `json:"step" minLength:"1" maxLength:"160"`
	At     time.Time `json:"at"`
	People []int64   `json:"people" minItems:"1" maxItems:"4" doc:"Who does it"`
}

// plain says that nothing is otherwise.
func (k WhatIf) plain() bool {
	return len(k.Late)+len(k.Off)+len(k.Hand)+len(k.Urgent)+len(k.Move)+len(k.more)+len(k.promise) == 0 && k.Cold == nil
}

// check refuses what cannot be tried; names and steps that are not there are found later.
func (k WhatIf) check(w *dayWork) error {
	if k.plain() {
		return fault.New("", "nothing is otherwise", "say what is")
	}
	for i, o := range k.Off {
		from, err := time.Parse(time.DateOnly, o.From)
		if err != nil {
			return fault.New(fmt.Sprintf("off[%d].from", i), fmt.Sprintf("%q is no day", o.From), "write 2026-12-24")
		}
		to, err := time.Parse(time.DateOnly, o.To)
		if err != nil || to.Before(from) || to.Sub(from) > daysAhead*24*time.Hour {
			return fault.New(fmt.Sprintf("off[%d].to", i), fmt.Sprintf("%q is no day behind the first", o.To),
				"write 2026-12-27")
		}
		if !slices.ContainsFunc(w.names, func(a record.Account) bool { return a.ID == o.Account }) {
			return fault.New(fmt.Sprintf("off[%d].account", i), "nobody here is this one", "choose one of the shop")
		}
	}
	for i, l := range k.Late {
		if !slices.ContainsFunc(w.jobs, func(j standing.Job) bool { return j.ID == l.Job }) {
			return fault.New(fmt.Sprintf("late[%d].job", i), "this job is not among the days", "choose one that is open")
		}
	}
	for i, h := range k.Hand {
		if !h.To.After(h.From) || !h.To.After(w.now) {
			return fault.New(fmt.Sprintf("hand[%d].to", i), "the hand goes before it comes",
				"give the hours in order, and to come")
		}
	}
	for i, m := range k.Move {
		if err := w.canMove(m); err != nil {
			return fault.New(fmt.Sprintf("move[%d].%s", i, err.Field), err.Why, err.Cure)
		}
	}
	return nil
}

// canMove refuses a move of what is not there, to before now, or to nobody.
func (w *dayWork) canMove(m MoveOne) *fault.Error {
	if _, ok := w.steps[m.Step]; !ok {
		return fault.New("step", "this step is not open any more", "look at the days again")
	}
	if m.At.Before(w.now) {
		return fault.New("at", "that has passed", "choose a time to come")
	}
	for i, id := range m.People {
		if !slices.ContainsFunc(w.names, func(a record.Account) bool { return a.ID == id }) {
			return fault.New(fmt.Sprintf("people[%d]", i), "nobody here is this one", "choose one of the shop")
		}
	}
	return nil
}

// off are the days on which somebody is away.
func (k WhatIf) off(account int64) []string {
	var out []string
	for _, o := range k.Off {
		from, err := time.Parse(time.DateOnly, o.From)
		to, err2 := time.Parse(time.DateOnly, o.To)
		for d := from; err == nil && err2 == nil && o.Account == account && !d.After(to) &&
			len(out) < daysAhead; d = d.AddDate(0, 0, 1) {
			out = append(out, d.Format(time.DateOnly))
		}
	}
	return out
}

// days is how many days later the glass of a job comes.
func (k WhatIf) days(job int64) int {
	n := 0
	for _, l := range k.Late {
		if l.Job == job {
			n += l.Days
		}
	}
	return n
}

// later is from which minute on a pane is here.
func (k WhatIf) later(job int64, at int, said bool) int {
	if n := k.days(job); n > 0 && said {
		return at + n*24*60
	}
	return at
}

// colder is the air with a front in it, a share of it felt. Outdoors, where all of it is, it is as
// damp as the front, %.
func (k WhatIf) colder(air []cure.Air, share, damp float64) []cure.Air {
	if k.Cold == nil {
		return air
	}
	out, to := slices.Clone(air), k.Cold.From.Add(time.Duration(k.Cold.Hours)*time.Hour)
	for i := range out {
		if !out[i].At.Before(k.Cold.From) && out[i].At.Before(to) {
			out[i].C -= share * k.Cold.K
			if share == 1 {
				out[i].RH = max(out[i].RH, damp)
			}
		}
	}
	return out
}

// moved are the pins with what is tried laid over them.
func (k WhatIf) moved(pins []record.DayPin) map[string]setPin {
	out := map[string]setPin{}
	for i, p := range pins {
		out[p.Step] = setPin{p, i}
	}
	for i, m := range k.Move {
		out[m.Step] = setPin{record.DayPin{Step: m.Step, At: m.At, People: m.People}, len(pins) + i}
	}
	return out
}

// oneMore is who comes for a while.
const oneMore = "one more"

// moreHands puts another pair of hands among the people: it may do what anybody may.
func (w *dayWork) moreHands() {
	if len(w.what.Hand) == 0 {
		return
	}
	p := schedule.Person{ID: oneMore, Name: "one more", Hours: []schedule.Window{}}
	for _, q := range w.p.People {
		for _, m := range q.May {
			if !slices.Contains(p.May, m) {
				p.May = append(p.May, m)
			}
		}
	}
	for _, h := range w.what.Hand {
		p.Hours = append(p.Hours, schedule.Window{From: max(0, w.minute(h.From)), To: w.minute(h.To)})
	}
	w.names = append(w.names, record.Account{Name: "One more"})
	w.p.People = append(w.p.People, p)
}

// urgent puts what came by telephone among the jobs.
func (w *dayWork) urgent() {
	for i, u := range w.what.Urgent {
		id, at := fmt.Sprintf("urgent/%d", i), w.minute(u.Promise)
		st := schedule.Step{ID: id, Title: "all of it", Minutes: u.Minutes, People: u.People, Uses: []string{"bench"}}
		if u.Not != nil {
			st.Not = max(0, w.minute(*u.Not))
		}
		name := "One more urgent job"
		w.steps[id] = dayStepOf{object: name, title: "All of it"}
		w.p.Jobs = append(w.p.Jobs, schedule.Job{ID: id, Name: name, Steps: []schedule.Step{st}, Promise: &at})
		w.jobs = append(w.jobs, standing.Job{Object: name, Promised: &u.Promise})
	}
}

// Tried are the days as they would be, beside the days as they stand.
type Tried struct {
	Days    Days        `json:"days" doc:"As they would be"`
	Now     DaysSum     `json:"now"`
	Then    DaysSum     `json:"then"`
	Changes []DayChange `json:"changes" doc:"Jobs that are ready at another time, or whose promise is kept otherwise"`
	So      bool        `json:"so" doc:"It can be said that it is so"`
}

// DaysSum are the days in a few numbers.
type DaysSum struct {
	Late   float64 `json:"late" doc:"Hours late in all"`
	Unsafe int     `json:"unsafe" doc:"Promises that are kept less than nine times in ten"`
	Left   int     `json:"left" doc:"Steps without a time"`
}

// DayChange is how a job comes off.
type DayChange struct {
	Job      int64      `json:"job"`
	Object   string     `json:"object"`
	Promised *time.Time `json:"promised_at,omitempty"`
	Now      *time.Time `json:"now,omitempty"`
	Then     *time.Time `json:"then,omitempty"`
	Kept     float64    `json:"kept"`
	KeptThen float64    `json:"kept_then"`
	Safe     bool       `json:"safe"`
	SafeThen bool       `json:"safe_then"`
}

func (l *daysPlan) sum() DaysSum {
	out := DaysSum{Late: l.plan.Late, Left: len(l.plan.Left) + len(l.left)}
	for i, j := range l.w.p.Jobs {
		if j.Promise != nil && !safe(&l.w.now, l.odds[i]) {
			out.Unsafe++
		}
	}
	return out
}

// Try lays the days out as they would be; nobody's days change.
func (s *Service) Try(ctx context.Context, what WhatIf) (Tried, error) {
	now, then, err := s.tryDays(ctx, what)
	if err != nil {
		return Tried{}, err
	}
	out := Tried{Days: then.days(), Now: now.sum(), Then: then.sum(), Changes: []DayChange{},
		So: len(what.Late)+len(what.Off)+len(what.Move) > 0 && len(what.Hand)+len(what.Urgent) == 0 && what.Cold == nil}
	was := map[string]int{}
	for i, j := range now.w.p.Jobs {
		was[j.ID] = i
	}
	for i, j := range then.w.p.Jobs {
		k, ok := was[j.ID]
		c := DayChange{Job: then.w.jobs[i].ID, Object: j.Name, Promised: then.w.jobs[i].Promised, KeptThen: then.odds[i].Kept,
			SafeThen: safe(then.w.jobs[i].Promised, then.odds[i]), Then: then.w.ready(then.plan, i)}
		if ok {
			c.Now, c.Kept, c.Safe = now.w.ready(now.plan, k), now.odds[k].Kept, safe(now.w.jobs[k].Promised, now.odds[k])
			if now.plan.Ready[k].At == then.plan.Ready[i].At && abs(c.Kept-c.KeptThen) < 0.05 {
				continue
			}
		}
		out.Changes = append(out.Changes, c)
	}
	return out, nil
}

func abs(v float64) float64 { return max(v, -v) }

// ready is when a job of a plan is ready; nil for never.
func (w *dayWork) ready(p schedule.Plan, i int) *time.Time {
	if p.Ready[i].At < 0 {
		return nil
	}
	return w.time(p.Ready[i].At)
}

// tryDays lays out the days as they stand and as they would be, the same dice for both.
func (s *Service) tryDays(ctx context.Context, what WhatIf) (now, then *daysPlan, err error) {
	if now, err = s.laid(ctx, WhatIf{}); err != nil {
		return nil, nil, err
	}
	if err := what.check(now.w); err != nil {
		return nil, nil, err
	}
	w, left, err := s.gathered(ctx, what, now.w.now)
	if err != nil {
		return nil, nil, err
	}
	then = &daysPlan{w: w, left: left, loose: []DayLeft{}, version: now.version, verify: s.Verify}
	if err := then.solve(ctx, now.plan); err != nil {
		return nil, nil, err
	}
	if len(what.Move) > 0 && len(then.loose) > len(now.loose) {
		return nil, nil, fault.New("move[0].at", then.loose[len(now.loose)].Why, "choose another time or somebody else")
	}
	return now, then, nil
}
