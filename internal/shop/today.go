package shop

import (
	"context"
	"sort"
	"time"

	"freshshard/core/family"
	"freshshard/core/plan"
	"freshshard/core/prove"
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
	Two        *TwoAhead   `json:"two,omitempty" doc:"The next step that takes two people, within two hours of work"`
	Problem    string      `json:"problem,omitempty" doc:"Something that has to be put right first"`
	Later      bool        `json:"later" doc:"Promised for another day, or not at all: it comes after what is for now"`
	// Hands are the people who are at it, other than whoever asks.
	Hands []record.Hand `json:"hands" doc:"Who else is at it"`
}

// TwoAhead is a step that takes two people, and how much work comes before it.
type TwoAhead struct {
	In    int    `json:"in" doc:"Hands-on minutes before it; 0 when it is the next"`
	Title string `json:"title"`
	Why   string `json:"why"`
}

// twoSoon is how far ahead a second pair of hands is asked for, min of work.
const twoSoon = 120

// twoAhead is the next step that takes two people; nil where none comes soon, or a wait
// lies before it.
func (b benchView) twoAhead() *TwoAhead {
	in := 0
	for _, st := range b.reck.Plan.Steps {
		if b.done[st.Key] {
			continue
		}
		if _, waits := b.standing.Clocks[st.Key]; waits || in > twoSoon || st.Station == "source" && in > 0 {
			return nil
		}
		if st.People > 1 {
			return &TwoAhead{In: in, Title: st.Title, Why: st.TwoWhy}
		}
		in += st.Minutes
	}
	return nil
}

// inHand is how long a job stays in the hands of whoever last did something there.
const inHand = 20 * time.Minute

// soon is how far ahead a promise is work for now, not for another day.
const soon = 36 * time.Hour

// Today answers what to do now. First is nil when nothing can be done.
type Today struct {
	First  *Turn   `json:"first,omitempty"`
	Turns  []Turn  `json:"turns" doc:"The jobs that somebody can go on with, in order: those for now, then the later ones"`
	Waits  []Turn  `json:"waits" doc:"The jobs that wait"`
	Clocks []Chime `json:"clocks" doc:"What may be let go, used or left next, the soonest first"`
	// Due is what is to be looked at again, within a week or past its day.
	Due    []record.Reminder `json:"due" doc:"What is to be looked at again within a week, or should have been"`
	Open   int               `json:"open" doc:"Open jobs in all"`
	Signed int               `json:"signed"`
	Left   int               `json:"left" doc:"Hands-on minutes in all open jobs"`
	// Backup is the last one, when it is time to look why no newer one came.
	Backup *Backup `json:"backup,omitempty"`
}

// How far ahead Today tells of what is to be looked at again, and of how much.
const (
	dueSoon = 7 * 24 * time.Hour
	mostDue = 8
)

// mostTurns is how many open jobs the page shows, the soonest promised first.
const mostTurns = 40

// Today looks at the open jobs and puts them in order: what is late first, then
// by promise, then the oldest. A job that cannot be reckoned stands among them
// with why. First is the first that nobody else has in hand.
func (s *Shop) Today(ctx context.Context, by record.Account) (Today, error) {
	t := Today{Turns: []Turn{}, Waits: []Turn{}}
	all, err := s.openStands(ctx, mostCut)
	if err != nil {
		return t, err
	}
	now := s.Now()
	hands, err := s.store.Hands(ctx, now.Add(-inHand))
	if err != nil {
		return t, err
	}
	for i, st := range all {
		turn := st.turn(now)
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
	if t.Clocks, err = s.chimes(ctx, now); err != nil {
		return t, err
	}
	if t.Due, err = s.store.Reminders(ctx, now.Add(dueSoon), mostDue); err != nil {
		return t, err
	}
	sort.SliceStable(t.Turns, func(i, k int) bool { return t.Turns[i].Late && !t.Turns[k].Late })
	t.First = firstFree(t.Turns)
	if t.Open, err = s.store.CountOpen(ctx); err != nil {
		return t, err
	}
	if t.Signed, err = s.countSigned(ctx); err != nil {
		return t, err
	}
	last, err := s.LastBackup(ctx)
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
func (j stand) turn(now time.Time) Turn {
	p := j.next(now)
	t := Turn{Job: j.id, Pane: p.id, Panes: len(j.panes), Object: j.object, Customer: j.customer, Place: j.place,
		PromisedAt: j.promised, Route: p.route, Left: j.left, People: 1, Problem: p.problem, Hands: []record.Hand{}}
	if t.Panes > 1 {
		t.Name = p.name
	}
	for _, o := range j.panes {
		if o.finished {
			t.Finished++
		}
	}
	if p.waits(now) && !p.finished {
		t.Waits, t.WaitsUntil = p.waitsFor, p.waitsUntil
	}
	t.Late = late(j.promised, j.left, now) || slips(j.promised, j.hard)
	t.Later = !t.Late && (j.promised == nil || j.promised.After(now.Add(soon)))
	if t.Waits == "" {
		t.Two = p.two
	}
	t.Station, t.Next = p.station, p.wants
	if st := p.step; st != nil && string(st.Station) == t.Station {
		t.Next, t.Do, t.Minutes, t.People, t.TwoWhy = st.Title, st.Do, st.Minutes, st.People, st.TwoWhy
	}
	return t
}

// late says whether a promise has passed, or the hands-on minutes that are left
// no longer fit before it. There is one meaning of the word.
func late(promised *time.Time, left int, now time.Time) bool {
	return promised != nil && now.Add(time.Duration(left)*time.Minute).After(*promised)
}

// slips says whether what hardens is ready only after the promise.
func slips(promised, hard *time.Time) bool {
	return promised != nil && hard != nil && hard.After(*promised)
}

// never is later than any promise.
var never = time.Date(9999, 1, 1, 0, 0, 0, 0, time.UTC)

// hardBy is when the last thing is hard that a step of the job still waits for; nil where
// nothing is waited for.
func hardBy(benches []benchView) *time.Time {
	var last *time.Time
	for _, b := range benches {
		for step, c := range b.standing.Clocks {
			if b.done[step] {
				continue
			}
			at := &never
			if c.Ready != nil {
				at = c.Ready
			}
			if last == nil || at.After(*last) {
				last = at
			}
		}
	}
	return last
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

// unfinished says what a station still wants when its steps are ticked.
func (v View) unfinished(b benchView, l route.Leg) string {
	odd := len(b.reck.Fit.Odd) > 0 || b.reck.Fault != nil
	if k := b.stop(l.Station); k != nil && !odd {
		return "Look at what stops it"
	}
	switch l.Station {
	case "measure":
		if odd {
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

// stop is the first thing beyond its limit that is put right at a station, at
// any for none, and that nobody took on.
func (b benchView) stop(at family.Station) *prove.Stop {
	for i := range b.stops {
		if k := &b.stops[i]; k.Taken == nil && (at == "" || k.Station == at) {
			return k
		}
	}
	return nil
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

// LastChange is the number of the last change in the shop.
func (s *Shop) LastChange(ctx context.Context) (int64, error) { return s.store.LastChange(ctx) }
