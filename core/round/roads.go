// Package round plans a round of the van: from the shop to one customer after another and
// home again, by a table of minutes between places and the sailings of ferries, inside the
// hours of the day and of each customer. Times are whole minutes from a moment that the
// caller chose, so that nothing here depends on a calendar.
package round

import (
	"fmt"
	"slices"

	"freshshard/core/fault"
)

// Leg is a road between two places, as long one way as the other.
type Leg struct {
	A       string `json:"a" minLength:"1" maxLength:"80"`
	B       string `json:"b" minLength:"1" maxLength:"80"`
	Minutes int    `json:"minutes" minimum:"1" maximum:"600"`
}

// Sailing is a ferry that leaves one place at a minute and lands at another.
type Sailing struct {
	Ferry  string `json:"ferry" maxLength:"80"`
	From   string `json:"from" maxLength:"80"`
	To     string `json:"to" maxLength:"80"`
	Leaves int    `json:"leaves"`
	Lands  int    `json:"lands"`
}

// Roads are what the van can go by.
type Roads struct {
	Legs     []Leg     `json:"legs" maxItems:"400"`
	Sailings []Sailing `json:"sailings,omitempty" maxItems:"20000"`
}

// Hop is one stretch of a way: a road, or a ferry that has a name.
type Hop struct {
	From   string `json:"from"`
	To     string `json:"to"`
	Leaves int    `json:"leaves"`
	Lands  int    `json:"lands"`
	Ferry  string `json:"ferry,omitempty"`
}

// onBoard is how long before it leaves the van must stand at a ferry, min. Common
// practice, no source.
const onBoard = 10

// Check refuses roads that cannot be; errors name legs[n] and the field.
func (r Roads) Check() error {
	for i, l := range r.Legs {
		at := fmt.Sprintf("legs[%d]", i)
		switch {
		case l.A == "" || l.B == "":
			return fault.New(at+".a", "a road goes from a place to another", "name both")
		case l.A == l.B:
			return fault.New(at+".b", "a road from "+l.A+" to itself", "name another place")
		case l.Minutes < 1 || l.Minutes > 600:
			return fault.New(at+".minutes", "from a minute to ten hours is expected", "count the drive again")
		}
		for k, o := range r.Legs[:i] {
			if o.A == l.A && o.B == l.B || o.A == l.B && o.B == l.A {
				return fault.New(at+".b", fmt.Sprintf("%s and %s are joined in row %d already", l.A, l.B, k+1), "leave one out")
			}
		}
	}
	for i, s := range r.Sailings {
		if s.Lands <= s.Leaves || s.From == s.To || s.From == "" || s.To == "" {
			return fault.New(fmt.Sprintf("sailings[%d]", i), "a sailing leaves one place and lands at another, later",
				"look at the timetable")
		}
	}
	return nil
}

// Places are all places that a road or a ferry goes to, each once, in order.
func (r Roads) Places() []string {
	var out []string
	for _, l := range r.Legs {
		out = append(out, l.A, l.B)
	}
	for _, s := range r.Sailings {
		out = append(out, s.From, s.To)
	}
	slices.Sort(out)
	return slices.Compact(out)
}

// Reach is the way by which the van is soonest at a place that it leaves for at a minute.
// It returns a *fault.Error where no road goes there, or no ferry sails any more.
func (r Roads) Reach(from, to string, at int) ([]Hop, error) {
	if from == to {
		return []Hop{}, nil
	}
	best := map[string]int{from: at}
	by := map[string]Hop{}
	done := map[string]bool{}
	for {
		here, t := "", 0
		for p, m := range best {
			if !done[p] && (here == "" || m < t || m == t && p < here) {
				here, t = p, m
			}
		}
		if here == "" {
			return nil, r.noWay(from, to)
		}
		if here == to {
			break
		}
		done[here] = true
		for _, h := range r.onward(here, t) {
			if m, ok := best[h.To]; !ok || h.Lands < m {
				best[h.To], by[h.To] = h.Lands, h
			}
		}
	}
	var out []Hop
	for p := to; p != from; p = by[p].From {
		out = append(out, by[p])
	}
	slices.Reverse(out)
	return out, nil
}

// onward is each place that can be reached from one in a stretch, the soonest ferry of
// each.
func (r Roads) onward(here string, t int) []Hop {
	var out []Hop
	for _, l := range r.Legs {
		switch here {
		case l.A:
			out = append(out, Hop{From: here, To: l.B, Leaves: t, Lands: t + l.Minutes})
		case l.B:
			out = append(out, Hop{From: here, To: l.A, Leaves: t, Lands: t + l.Minutes})
		}
	}
	for _, s := range r.Sailings {
		if s.From == here && s.Leaves >= t+onBoard {
			out = append(out, Hop{From: here, To: s.To, Leaves: s.Leaves, Lands: s.Lands, Ferry: s.Ferry})
		}
	}
	return out
}

// noWay says why a place is not reached: no road at all, or the ferry has gone.
func (r Roads) noWay(from, to string) error {
	seen := map[string]bool{from: true}
	for todo := []string{from}; len(todo) > 0; todo = todo[1:] {
		for _, h := range r.onward(todo[0], -1<<40) {
			if !seen[h.To] {
				seen[h.To] = true
				todo = append(todo, h.To)
			}
		}
	}
	if seen[to] {
		return fault.New("place", fmt.Sprintf("no ferry sails any more that goes from %s to %s", from, to),
			"go sooner, or on another day")
	}
	return fault.New("place", fmt.Sprintf("no road is known from %s to %s", from, to),
		"say how many minutes it is from a place that is known")
}

// Usual is how long a way takes about, min: roads, and a ferry with half an hour of waiting
// for it. False where no way is known.
func (r Roads) Usual(from, to string) (int, bool) {
	legs := slices.Clone(r.Legs)
	for _, s := range r.Sailings {
		legs = append(legs, Leg{s.From, s.To, s.Lands - s.Leaves + halfHour})
	}
	way, err := Roads{Legs: legs}.Reach(from, to, 0)
	if err != nil {
		return 0, false
	}
	if len(way) == 0 {
		return 0, true
	}
	return way[len(way)-1].Lands, true
}

const halfHour = 30
