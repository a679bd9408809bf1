// Package route tells how far a job has come along its ten stations. Nothing
// here locks a door: a person may go to any station at any time.
package route

import (
	"fmt"
	"slices"

	"freshshard/core/family"
)

// State is how a station stands.
type State string

// The states: everything done, the first that is not, or still ahead.
const (
	Done  State = "done"
	Now   State = "now"
	Ahead State = "ahead"
)

// Leg is one station of the route. Say is what stands beside its name; empty
// when nothing is open.
type Leg struct {
	Station family.Station `json:"station"`
	Name    string         `json:"name"`
	State   State          `json:"state" enum:"done,now,ahead"`
	Open    int            `json:"open"`
	Say     string         `json:"say"`
}

var names = map[family.Station]string{
	"assess": "Assess", "strip": "Strip", "measure": "Measure", "choose": "Choose", "source": "Source",
	"prepare": "Prepare", "set": "Set", "hold": "Hold", "refit": "Refit", "prove": "Prove",
}

// Progress is what the route is worked out from.
type Progress struct {
	Steps   map[family.Station][2]int // steps done, steps in all
	Missing int                       // needed readings that nobody has taken
	Odd     int                       // readings that do not fit the rest
	Chosen  bool                      // material settled
	Checks  [2]int                    // checks passed or left out, checks in all
	Out     int                       // entries of the strip log that are not back
	Stops   map[family.Station]int    // what is beyond its limit, by where it is put right
	Signed  bool
	// BoughtFirst is that what goes in is bought before the object is opened; Comes that it is on its
	// way.
	BoughtFirst, Comes bool
}

// Legs are the ten stations.
func Legs(p Progress) []Leg {
	out := make([]Leg, 0, len(family.Stations))
	for _, s := range family.Stations {
		l := p.leg(s)
		if n := p.Stops[s]; n > 0 {
			l.Open += n
			l.Say = "stop"
		}
		if p.Signed || l.Open == 0 {
			l.State, l.Open, l.Say = Done, 0, ""
		}
		out = append(out, l)
	}
	for _, s := range family.Order(p.BoughtFirst) {
		if l := &out[slices.Index(family.Stations, s)]; l.State == Ahead {
			l.State = Now
			break
		}
	}
	return out
}

// leg is one of them with what is open there, but for what stops it.
func (p Progress) leg(s family.Station) Leg {
	l := Leg{Station: s, Name: names[s], State: Ahead}
	done, all := p.Steps[s][0], p.Steps[s][1]
	l.Open = all - done
	if done > 0 && done < all {
		l.Say = fmt.Sprintf("%d of %d", done, all)
	}
	switch s {
	case "measure":
		p.reads(&l)
	case "choose":
		if !p.Chosen {
			l.Open++
			l.Say = "open"
		}
	case "source":
		if p.BoughtFirst && p.Comes && l.Open == 0 {
			l.Open, l.Say = 1, "on its way"
		}
	case "refit":
		l.Open += p.Out
		if p.Out > 0 && (done > 0 || p.Steps["set"][0] > 0) {
			l.Say = fmt.Sprintf("%d still out", p.Out)
		}
	case "prove":
		p.proofs(&l)
	}
	return l
}

// reads are what is read, or read again.
func (p Progress) reads(l *Leg) {
	l.Open += p.Missing + p.Odd
	switch {
	case p.Odd > 0:
		l.Say = "odd reading"
	case p.Missing > 0:
		l.Say = fmt.Sprintf("%d to read", p.Missing)
	}
}

// proofs are what is open at the last station.
func (p Progress) proofs(l *Leg) {
	l.Open += p.Checks[1] - p.Checks[0]
	if p.Checks[0] > 0 && p.Checks[0] < p.Checks[1] {
		l.Say = fmt.Sprintf("%d of %d", p.Checks[0], p.Checks[1])
	}
	if l.Open == 0 && !p.Signed {
		l.Open, l.Say = 1, "to sign"
	}
}
