package today

import (
	"context"
	"sort"
	"time"

	"freshshard/core/route"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/standing"
	"freshshard/internal/stock"
)

// Turn is an open job and what comes next at it.
type Turn struct {
	Job        int64              `json:"job"`
	Pane       int64              `json:"pane" doc:"The pane that comes next"`
	Name       string             `json:"name,omitempty" doc:"What that pane is called, when there are several"`
	Panes      int                `json:"panes"`
	Finished   int                `json:"finished" doc:"Panes of it that are done"`
	Object     string             `json:"object"`
	Customer   string             `json:"customer"`
	Place      string             `json:"place" enum:"bench,site"`
	PromisedAt *time.Time         `json:"promised_at,omitempty"`
	Late       bool               `json:"late" doc:"The promise has passed, or the work left no longer fits before it"`
	Waits      string             `json:"waits,omitempty" doc:"What it waits for; empty when somebody can go on"`
	WaitsUntil *time.Time         `json:"waits_until,omitempty"`
	Route      []route.Leg        `json:"route"`
	Station    string             `json:"station" doc:"Where the next work is"`
	Next       string             `json:"next" doc:"The next step's title, or what is missing"`
	Do         string             `json:"do"`
	Minutes    int                `json:"minutes" doc:"Hands-on minutes of the next step"`
	Left       int                `json:"left" doc:"Hands-on minutes left in all"`
	People     int                `json:"people"`
	TwoWhy     string             `json:"two_why,omitempty"`
	Two        *standing.TwoAhead `json:"two,omitempty" doc:"Next step for two people, within two hours of work"`
	Problem    string             `json:"problem,omitempty" doc:"Something that has to be put right first"`
	Later      bool               `json:"later" doc:"Promised for another day or not at all: comes after what is for now"`
	// Hands are the people who are at it, other than whoever asks.
	Hands []record.Hand `json:"hands" doc:"Who else is at it"`
}

// inHand is how long a job stays in the hands of whoever last did something there.
const inHand = 20 * time.Minute

// soon is how far ahead a promise is work for now, not for another day.
const soon = 36 * time.Hour

// Today answers what to do now. First is nil when nothing can be done.
type Today struct {
	First  *Turn        `json:"first,omitempty"`
	Turns  []Turn       `json:"turns" doc:"Jobs that somebody can go on with, those for now first"`
	Waits  []Turn       `json:"waits" doc:"The jobs that wait"`
	Clocks []hold.Chime `json:"clocks" doc:"What may be let go, used or left next, the soonest first"`
	// Due is what is to be looked at again, within a week or past its day.
	Due    []record.Reminder `json:"due" doc:"What is to be looked at again within a week, or should have been"`
	Open   int               `json:"open" doc:"Open jobs in all"`
	Signed int               `json:"signed"`
	Left   int               `json:"left" doc:"Hands-on minutes in all open jobs"`
	// Backup is the last one, when it is time to look why no newer one came.
	Backup *records.Backup `json:"backup,omitempty"`
}

// How far ahead Today tells of what is to be looked at again, and of how much.
const (
	DueSoon = 7 * 24 * time.Hour
	mostDue = 8
)

// mostTurns is how many open jobs the page shows, the soonest promised first.
const mostTurns = 40

// Today looks at the open jobs and puts them in order: what is late first, then
// by promise, then the oldest. A job that cannot be reckoned stands among them
// with why. First is the first that nobody else has in hand.
func (s *Service) Today(ctx context.Context, by record.Account) (Today, error) {
	t := Today{Turns: []Turn{}, Waits: []Turn{}}
	all, err := s.Standing.Open(ctx, stock.MostCut)
	if err != nil {
		return t, err
	}
	now := s.Now()
	hands, err := s.Store.Trail.Hands(ctx, now.Add(-inHand))
	if err != nil {
		return t, err
	}
	for i, st := range all {
		turn := turn(st, now)
		t.Left += turn.Left
		if i >= mostTurns {
			continue
		}
		for _, h := range hands[turn.Job] {
			if h.ID != by.ID {
				turn.Hands = append(turn.Hands, h)
			}
		}
		if turn.Waits != "" {
			t.Waits = append(t.Waits, turn)
		} else {
			t.Turns = append(t.Turns, turn)
		}
	}
	if t.Clocks, err = s.Hold.Chimes(ctx, now); err != nil {
		return t, err
	}
	if t.Due, err = s.Store.Passports.Reminders(ctx, now.Add(DueSoon), mostDue); err != nil {
		return t, err
	}
	sort.SliceStable(t.Turns, func(i, k int) bool { return t.Turns[i].Late && !t.Turns[k].Late })
	t.First = firstFree(t.Turns)
	if t.Open, err = s.Store.Jobs.CountOpen(ctx); err != nil {
		return t, err
	}
	if t.Signed, err = s.Standing.CountSigned(ctx); err != nil {
		return t, err
	}
	last, err := s.Records.LastBackup(ctx)
	if last.Old {
		t.Backup = &last
	}
	return t, err
}

// firstFree is the first that nobody else has in hand; where all are, the first.
func firstFree(turns []Turn) *Turn {
	for i := range turns {
		if len(turns[i].Hands) == 0 {
			return &turns[i]
		}
	}
	if len(turns) > 0 {
		return &turns[0]
	}
	return nil
}

// turn is the next work at a job: at its first pane that somebody can go on
// with, or at the one whose wait ends first.
func turn(j standing.Job, now time.Time) Turn {
	p := j.Next(now)
	t := Turn{Job: j.ID, Pane: p.ID, Panes: len(j.Panes), Object: j.Object, Customer: j.Customer, Place: j.Place,
		PromisedAt: j.Promised, Route: p.Route, Left: j.Left, People: 1, Problem: p.Problem, Hands: []record.Hand{}}
	if t.Panes > 1 {
		t.Name = p.Name
	}
	for _, o := range j.Panes {
		if o.Finished {
			t.Finished++
		}
	}
	if p.Waits(now) && !p.Finished {
		t.Waits, t.WaitsUntil = p.WaitsFor, p.WaitsUntil
	}
	t.Late = jobview.Late(j.Promised, j.Left, now) || jobview.Slips(j.Promised, j.Hard)
	t.Later = !t.Late && (j.Promised == nil || j.Promised.After(now.Add(soon)))
	if t.Waits == "" {
		t.Two = p.Two
	}
	t.Station, t.Next = p.Station, p.Wants
	if st := p.Step; st != nil && string(st.Station) == t.Station {
		t.Next, t.Do, t.Minutes, t.People, t.TwoWhy = st.Title, st.Do, st.Minutes, st.People, st.TwoWhy
	}
	return t
}

// LastChange is the number of the last change in the shop.
func (s *Service) LastChange(ctx context.Context) (int64, error) {
	return s.Store.Trail.LastChange(ctx)
}
