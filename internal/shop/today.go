package shop

import (
	"context"
	"sort"
	"time"

	"freshshard/core/plan"
	"freshshard/core/route"
)

// Turn is an open job and what comes next at it.
type Turn struct {
	Job        int64       `json:"job"`
	Object     string      `json:"object"`
	Customer   string      `json:"customer"`
	Place      string      `json:"place" enum:"bench,site"`
	PromisedAt *time.Time  `json:"promised_at,omitempty"`
	Late       bool        `json:"late" doc:"The promise has passed, or the work left no longer fits before it"`
	Waits      string      `json:"waits,omitempty" doc:"What it waits for; empty when somebody can go on"`
	WaitsUntil *time.Time  `json:"waits_until,omitempty"`
	Route      []route.Leg `json:"route"`
	Station    string      `json:"station" doc:"Where the next work is"`
	Next       string      `json:"next" doc:"The next step's title, or what is missing"`
	Do         string      `json:"do"`
	Minutes    int         `json:"minutes" doc:"Hands-on minutes of the next step"`
	Left       int         `json:"left" doc:"Hands-on minutes left in all"`
	People     int         `json:"people"`
	TwoWhy     string      `json:"two_why,omitempty"`
	Problem    string      `json:"problem,omitempty" doc:"Something that has to be put right first"`
}

// Today answers what to do now. First is nil when nothing can be done.
type Today struct {
	First  *Turn  `json:"first,omitempty"`
	Turns  []Turn `json:"turns" doc:"The jobs that somebody can go on with, in order"`
	Waits  []Turn `json:"waits" doc:"The jobs that wait"`
	Open   int    `json:"open" doc:"Open jobs in all"`
	Signed int    `json:"signed"`
	Left   int    `json:"left" doc:"Hands-on minutes in the jobs shown"`
}

// mostTurns is how many open jobs the page looks at, the soonest promised
// first.
const mostTurns = 40

// Today looks at the open jobs and puts them in order: what is late first, then
// by promise, then the oldest.
func (s *Shop) Today(ctx context.Context) (Today, error) {
	t := Today{Turns: []Turn{}, Waits: []Turn{}}
	shop, err := s.Store.Shop(ctx)
	if err != nil {
		return t, err
	}
	ids, err := s.Store.OpenJobs(ctx, mostTurns)
	if err != nil {
		return t, err
	}
	jobs, err := s.Store.Jobs(ctx, ids)
	if err != nil {
		return t, err
	}
	now := s.Now()
	for _, j := range jobs {
		v, err := view(j, shop.Unit)
		if err != nil {
			return t, err
		}
		turn := turnOf(v, now)
		t.Left += turn.Left
		if turn.Waits != "" {
			t.Waits = append(t.Waits, turn)
		} else {
			t.Turns = append(t.Turns, turn)
		}
	}
	sort.SliceStable(t.Turns, func(i, k int) bool { return t.Turns[i].Late && !t.Turns[k].Late })
	if len(t.Turns) > 0 {
		t.First = &t.Turns[0]
	}
	if t.Open, err = s.Store.CountJobs(ctx, "open"); err != nil {
		return t, err
	}
	t.Signed, err = s.Store.CountJobs(ctx, "signed")
	return t, err
}

// turnOf finds the next work at a job.
func turnOf(v View, now time.Time) Turn {
	j := v.Job
	t := Turn{Job: j.ID, Object: j.Object.Name, Customer: j.Customer.Name, Place: j.Place, PromisedAt: j.PromisedAt, Route: v.Route, Left: v.MinutesTo, People: 1}
	if j.WaitsFor != "" && (j.WaitsUntil == nil || j.WaitsUntil.After(now)) {
		t.Waits, t.WaitsUntil = j.WaitsFor, j.WaitsUntil
	}
	if j.PromisedAt != nil {
		t.Late = now.Add(time.Duration(v.MinutesTo) * time.Minute).After(*j.PromisedAt)
	}
	for _, l := range v.Route {
		if l.State == route.Now {
			t.Station = string(l.Station)
			t.Next = v.unfinished(l)
			break
		}
	}
	if st := nextStep(v); st != nil && string(st.Station) == t.Station {
		t.Next, t.Do, t.Minutes, t.People, t.TwoWhy = st.Title, st.Do, st.Minutes, st.People, st.TwoWhy
	}
	switch {
	case v.Reckoning.Fault != nil:
		t.Problem = v.Reckoning.Fault.Why
	case len(v.Reckoning.Fit.Odd) > 0:
		t.Problem = v.Reckoning.Fit.Odd[0].Sentence
	}
	return t
}

// unfinished says what a station still wants when its steps are ticked.
func (v View) unfinished(l route.Leg) string {
	switch l.Station {
	case "measure":
		if len(v.Reckoning.Fit.Odd) > 0 || v.Reckoning.Fault != nil {
			return "Look again at a reading"
		}
		return "Read the rest of the opening"
	case "choose":
		return "Settle the material"
	case "prove":
		if len(v.Hindrances) == 0 {
			return "Sign off"
		}
		return "Finish the checks"
	}
	return "Go on with " + l.Name
}

// nextStep is the first step that is neither done nor left out.
func nextStep(v View) *plan.Step {
	done := ticked(v.Job)
	for i := range v.Reckoning.Plan.Steps {
		if st := &v.Reckoning.Plan.Steps[i]; !done[st.Key] {
			return st
		}
	}
	return nil
}
