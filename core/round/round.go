package round

import (
	"context"
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
)

// Window is a stretch of time, from a minute on and up to one, that one left out.
type Window struct {
	From int `json:"from"`
	To   int `json:"to"`
}

// Visit is work at a customer's in one go.
type Visit struct {
	ID      string   `json:"id" minLength:"1" maxLength:"60"`
	Name    string   `json:"name,omitempty" maxLength:"200"`
	Place   string   `json:"place" minLength:"1" maxLength:"80"`
	Minutes int      `json:"minutes" minimum:"1" maximum:"1440"`
	In      []Window `json:"in,omitempty" maxItems:"60" doc:"When somebody is there to let one in; nothing for any time"`
	Fit     []Window `json:"fit,omitempty" maxItems:"400" doc:"Hours whose weather lets it; nothing for any"`
	Not     int      `json:"not_before,omitempty" doc:"What it needs is here then"`
}

// Problem is a round that is wanted.
type Problem struct {
	Home   string  `json:"home" minLength:"1" maxLength:"80"`
	Day    Window  `json:"day" doc:"From when the van may leave until when it must be back"`
	Roads  Roads   `json:"roads"`
	Visits []Visit `json:"visits" maxItems:"12"`
}

// Stop is a visit in a round.
type Stop struct {
	Visit   string `json:"visit"`
	Way     []Hop  `json:"way"`
	Arrives int    `json:"arrives"`
	Begins  int    `json:"begins"`
	Done    int    `json:"done"`
}

// Left is a visit that does not go into the round, with why.
type Left struct {
	Visit string `json:"visit"`
	Why   string `json:"why"`
}

// Round is a day of the van.
type Round struct {
	Leaves  int    `json:"leaves"`
	Back    int    `json:"back"`
	Stops   []Stop `json:"stops"`
	Home    []Hop  `json:"home"`
	Driving int    `json:"driving" doc:"min on the road and on the water"`
	Waiting int    `json:"waiting" doc:"min for a ferry, or for somebody to be in"`
	Left    []Left `json:"left,omitempty"`
	Apart   int    `json:"apart" doc:"min on the road if each were a trip of its own"`
}

// mostVisits is how many a round has at most: so many orders can all be looked through.
const mostVisits = 8

// Check refuses a round that cannot be planned; errors name the field.
func (p Problem) Check() error {
	if p.Home == "" {
		return fault.New("home", "the round has no home", "say where the van stands at night")
	}
	if p.Day.To <= p.Day.From {
		return fault.New("day", "the day ends before it begins", "give its hours in order")
	}
	if len(p.Visits) == 0 {
		return fault.New("visits", "nobody is visited", "choose one job at least")
	}
	if len(p.Visits) > mostVisits {
		return fault.New("visits", fmt.Sprintf("%d visits are more than one day takes", len(p.Visits)),
			fmt.Sprintf("%d at most", mostVisits))
	}
	for i, v := range p.Visits {
		at := fmt.Sprintf("visits[%d]", i)
		if v.ID == "" || slices.ContainsFunc(p.Visits[:i], func(o Visit) bool { return o.ID == v.ID }) {
			return fault.New(at+".id", "each visit needs a name of its own", "give it one")
		}
		if v.Minutes < 1 || v.Minutes > 1440 {
			return fault.New(at+".minutes", "from a minute to a day is expected", "part a longer one")
		}
		for k, w := range slices.Concat(v.In, v.Fit) {
			if w.To <= w.From {
				return fault.New(fmt.Sprintf("%s.in[%d]", at, k), "hours run backwards", "put them in order")
			}
		}
	}
	return p.Roads.Check()
}

// Plan makes the round that serves most visits, is back soonest, and leaves as late as that
// lets it: every order is looked through. Visits that cannot be are left with why.
func Plan(ctx context.Context, p Problem) (Round, error) {
	if err := p.Check(); err != nil {
		return Round{}, err
	}
	s := search{p: p, ctx: ctx, best: Round{Stops: []Stop{}, Back: math.MaxInt}, used: make([]bool, len(p.Visits))}
	s.walk(p.Home, p.Day.From, nil)
	if err := ctx.Err(); err != nil {
		return Round{}, err
	}
	best := s.best
	if len(best.Stops) == 0 {
		best = Round{Leaves: p.Day.From, Back: p.Day.From, Stops: []Stop{}, Home: []Hop{}}
	} else {
		best = p.leaveLate(best)
	}
	for _, v := range p.Visits {
		if !slices.ContainsFunc(best.Stops, func(o Stop) bool { return o.Visit == v.ID }) {
			best.Left = append(best.Left, Left{v.ID, p.whyNot(v, best)})
			continue
		}
		if m, ok := p.Roads.Usual(p.Home, v.Place); ok {
			best.Apart += 2 * m
		}
	}
	best.count()
	return best, nil
}

type search struct {
	p    Problem
	ctx  context.Context
	best Round
	used []bool
}

// walk goes on from a place at a minute with each visit that is left, and home.
func (s *search) walk(here string, t int, stops []Stop) {
	if s.ctx.Err() != nil {
		return
	}
	if len(stops) > 0 {
		if home, err := s.p.Roads.Reach(here, s.p.Home, t); err == nil {
			back := lands(home, t)
			more := len(stops) - len(s.best.Stops)
			if back <= s.p.Day.To && (more > 0 || more == 0 && back < s.best.Back) {
				s.best = Round{Leaves: s.p.Day.From, Back: back, Stops: slices.Clone(stops), Home: home}
			}
		}
	}
	left := 0
	for _, u := range s.used {
		if !u {
			left++
		}
	}
	if len(stops)+left < len(s.best.Stops) || len(stops)+left == len(s.best.Stops) && t >= s.best.Back {
		return
	}
	for i, v := range s.p.Visits {
		if s.used[i] {
			continue
		}
		stop, ok := s.p.stop(v, here, t)
		if !ok {
			continue
		}
		s.used[i] = true
		s.walk(v.Place, stop.Done, append(stops, stop))
		s.used[i] = false
	}
}

// stop is the soonest that a visit is done from a place at a minute; false where the day is
// over before.
func (p Problem) stop(v Visit, here string, t int) (Stop, bool) {
	way, err := p.Roads.Reach(here, v.Place, t)
	if err != nil {
		return Stop{}, false
	}
	at := lands(way, t)
	begins := p.begins(v, at)
	return Stop{Visit: v.ID, Way: way, Arrives: at, Begins: begins, Done: begins + v.Minutes}, begins+v.Minutes <= p.Day.To
}

// begins is the first minute at which a visit fits into the hours of its people and its
// weather.
func (p Problem) begins(v Visit, t int) int {
	t = max(t, v.Not)
	for t+v.Minutes <= p.Day.To {
		a := within(v.In, t, v.Minutes)
		b := within(v.Fit, a, v.Minutes)
		if b == t {
			return t
		}
		t = b
	}
	return p.Day.To
}

// within is the first minute from t on with so many in one window; t where there are none,
// beyond every day where none is long enough.
func within(w []Window, t, minutes int) int {
	if w == nil || t >= math.MaxInt/2 {
		return t
	}
	best := math.MaxInt / 2
	for _, v := range w {
		if at := max(t, v.From); at+minutes <= v.To {
			best = min(best, at)
		}
	}
	return best
}

func lands(way []Hop, t int) int {
	if len(way) == 0 {
		return t
	}
	return way[len(way)-1].Lands
}

// leaveLate lets the van leave as late as the same round is back as soon.
func (p Problem) leaveLate(r Round) Round {
	for t := p.Day.From + 5; t < r.Back; t += 5 {
		next, ok := p.follow(r, t)
		if !ok || next.Back > r.Back {
			break
		}
		r = next
	}
	return r
}

// follow drives the stops of a round in their order from a minute on.
func (p Problem) follow(r Round, t int) (Round, bool) {
	out, here := Round{Leaves: t, Stops: []Stop{}}, p.Home
	for _, s := range r.Stops {
		i := slices.IndexFunc(p.Visits, func(v Visit) bool { return v.ID == s.Visit })
		stop, ok := p.stop(p.Visits[i], here, t)
		if !ok {
			return out, false
		}
		out.Stops = append(out.Stops, stop)
		here, t = p.Visits[i].Place, stop.Done
	}
	home, err := p.Roads.Reach(here, p.Home, t)
	if err != nil {
		return out, false
	}
	out.Home, out.Back = home, lands(home, t)
	return out, out.Back <= p.Day.To
}

// whyNot says why a visit did not go into a round.
func (p Problem) whyNot(v Visit, r Round) string {
	way, err := p.Roads.Reach(p.Home, v.Place, p.Day.From)
	if err != nil {
		return fault.Of(err).Why
	}
	if f := p.missed(way); f != "" {
		return f
	}
	there := max(v.Not, lands(way, p.Day.From))
	at := p.begins(v, there)
	switch {
	case v.Not >= p.Day.To:
		return "what it needs is not here on that day"
	case within(v.Fit, there, v.Minutes) > p.Day.To:
		return "the weather does not let it on that day"
	case at+v.Minutes > p.Day.To && v.In != nil:
		return "nobody is in while the van could be there"
	case at+v.Minutes > p.Day.To:
		return "the day is too short for it"
	}
	home, err := p.Roads.Reach(v.Place, p.Home, at+v.Minutes)
	if err != nil {
		return fault.Of(err).Why
	}
	if f := p.missed(home); f != "" {
		return f
	}
	if lands(home, at+v.Minutes) > p.Day.To {
		return "the van would not be back in time"
	}
	return "with the others the day is too short for it"
}

// missed says which ferry of a way sails only when the day is over; nothing where none.
func (p Problem) missed(way []Hop) string {
	for _, h := range way {
		if h.Ferry != "" && h.Leaves >= p.Day.To {
			return fmt.Sprintf("the %s does not sail from %s in time on that day", h.Ferry, h.From)
		}
	}
	return ""
}

// count adds up what a round takes on the road.
func (r *Round) count() {
	r.Driving, r.Waiting = 0, 0
	t := r.Leaves
	hops := func(way []Hop) {
		for _, h := range way {
			r.Waiting += h.Leaves - t
			r.Driving += h.Lands - h.Leaves
			t = h.Lands
		}
	}
	for _, s := range r.Stops {
		hops(s.Way)
		r.Waiting += s.Begins - s.Arrives
		t = s.Done
	}
	hops(r.Home)
}
