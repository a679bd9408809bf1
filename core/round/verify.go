package round

import (
	"fmt"
	"slices"
)

// Verify holds a round against its problem without looking at how it was made: the van is
// where it says, on roads and ferries that there are, at customers' while they are in, home
// in time, and every visit is made once or left with why. Nothing means that it can be
// driven.
func Verify(p Problem, r Round) []string {
	var out []string
	say := func(format string, args ...any) { out = append(out, fmt.Sprintf(format, args...)) }
	here, t := p.Home, r.Leaves
	if len(r.Stops) > 0 && r.Leaves < p.Day.From {
		say("it leaves at %d, before the day begins", r.Leaves)
	}
	drive := func(way []Hop, to string) {
		for _, h := range way {
			if h.From != here || h.Leaves < t || !p.Roads.has(h) || h.Ferry != "" && h.Leaves < t+onBoard {
				say("no van at %s at %d goes to %s by %d", here, t, h.To, h.Lands)
			}
			here, t = h.To, h.Lands
		}
		if here != to {
			say("it is at %s, not at %s", here, to)
		}
	}
	seen := map[string]bool{}
	for _, s := range r.Stops {
		i := slices.IndexFunc(p.Visits, func(v Visit) bool { return v.ID == s.Visit })
		if i < 0 || seen[s.Visit] {
			say("%s is visited twice, or was never wanted", s.Visit)
			continue
		}
		seen[s.Visit] = true
		v := p.Visits[i]
		drive(s.Way, v.Place)
		if s.Arrives != t || s.Begins < t || s.Begins < v.Not || s.Done != s.Begins+v.Minutes {
			say("%s is begun at %d and done at %d", s.Visit, s.Begins, s.Done)
		}
		if v.In != nil && !inside(v.In, s.Begins, s.Done) || v.Fit != nil && !inside(v.Fit, s.Begins, s.Done) {
			say("nobody is in at %s, or the weather does not let it, from %d to %d", s.Visit, s.Begins, s.Done)
		}
		t = s.Done
	}
	if len(r.Stops) > 0 {
		drive(r.Home, p.Home)
		if t != r.Back || t > p.Day.To {
			say("it is back at %d, and says %d", t, r.Back)
		}
	}
	for _, l := range r.Left {
		if seen[l.Visit] || l.Why == "" {
			say("%s is left without a reason, or twice", l.Visit)
		}
		seen[l.Visit] = true
	}
	for _, v := range p.Visits {
		if !seen[v.ID] {
			say("%s is neither visited nor left", v.ID)
		}
	}
	return out
}

func inside(w []Window, from, to int) bool {
	return slices.ContainsFunc(w, func(v Window) bool { return v.From <= from && to <= v.To })
}

// has says whether a road or a sailing is there for a stretch.
func (r Roads) has(h Hop) bool {
	if h.Ferry == "" {
		return slices.ContainsFunc(r.Legs, func(l Leg) bool {
			return l.Minutes == h.Lands-h.Leaves && (l.A == h.From && l.B == h.To || l.A == h.To && l.B == h.From)
		})
	}
	return slices.ContainsFunc(r.Sailings, func(s Sailing) bool {
		return s == Sailing{h.Ferry, h.From, h.To, h.Leaves, h.Lands}
	})
}
