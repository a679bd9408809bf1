package shop

import (
	"context"
	"sort"
	"time"

	"freshshard/core/plan"
	"freshshard/core/route"
	"freshshard/internal/record"
)

// Turn is an open job and what comes next at it.
type Turn struct {
	Job        int64       `json:"job"`
	Pane       int64       `json:"pane" doc:"The pane that comes next"`
	Name       string      `json:"name,omitempty" doc:"What that pane is called, when there are several"`
	Panes      int         `json:"panes"`
	Finished   int         `json:"finished" doc:"Panes of it that are done"`
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
		v, err := s.view(j, 0, shop.Unit, false)
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

// turnOf finds the next work at a job: at its first pane that somebody can go
// on with, or at the one whose wait ends first.
func turnOf(v View, now time.Time) Turn {
	j, b := v.Job, v.next(now)
	t := Turn{Job: j.ID, Pane: b.pane.ID, Panes: len(v.Panes), Object: j.Object.Name, Customer: j.Customer.Name, Place: j.Place, PromisedAt: j.PromisedAt, Route: b.route, Left: v.MinutesTo, People: 1}
	if t.Panes > 1 {
		t.Name = paneName(b.pane)
	}
	for _, p := range v.Panes {
		if p.State == "done" {
			t.Finished++
		}
	}
	if waits(b.pane, now) && !b.finished() {
		t.Waits, t.WaitsUntil = b.pane.WaitsFor, b.pane.WaitsUntil
	}
	if j.PromisedAt != nil {
		t.Late = now.Add(time.Duration(v.MinutesTo) * time.Minute).After(*j.PromisedAt)
	}
	for _, l := range b.route {
		if l.State == route.Now {
			t.Station = string(l.Station)
			t.Next = v.unfinished(b, l)
			break
		}
	}
	if st := b.nextStep(); st != nil && string(st.Station) == t.Station {
		t.Next, t.Do, t.Minutes, t.People, t.TwoWhy = st.Title, st.Do, st.Minutes, st.People, st.TwoWhy
	}
	switch {
	case b.reck.Fault != nil:
		t.Problem = b.reck.Fault.Why
	case len(b.reck.Fit.Odd) > 0:
		t.Problem = b.reck.Fit.Odd[0].Sentence
	}
	return t
}

// finished says that nothing but the signature is open.
func (b benchView) finished() bool {
	for _, l := range b.route {
		if l.State == route.Now && (l.Station != "prove" || l.Say != "to sign") {
			return false
		}
	}
	return true
}

// next is the pane to go on with.
func (v View) next(now time.Time) benchView {
	best := -1
	for i, b := range v.benches {
		switch {
		case b.finished():
		case best < 0:
			best = i
		case waits(v.benches[best].pane, now) && sooner(b.pane, v.benches[best].pane, now):
			best = i
		}
	}
	if best < 0 {
		best = 0
	}
	return v.benches[best]
}

// sooner says whether pane a can be gone on with before pane b, which waits.
func sooner(a, b record.Pane, now time.Time) bool {
	if !waits(a, now) {
		return true
	}
	return a.WaitsUntil != nil && (b.WaitsUntil == nil || a.WaitsUntil.Before(*b.WaitsUntil))
}

// unfinished says what a station still wants when its steps are ticked.
func (v View) unfinished(b benchView, l route.Leg) string {
	switch l.Station {
	case "measure":
		if len(b.reck.Fit.Odd) > 0 || b.reck.Fault != nil {
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
func (b benchView) nextStep() *plan.Step {
	for i := range b.reck.Plan.Steps {
		if st := &b.reck.Plan.Steps[i]; !b.done[st.Key] {
			return st
		}
	}
	return nil
}
