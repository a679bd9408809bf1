package round

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/tools/golden"
)

// anyRound is a made-up day on both sides of the ferry, with people who are in at times, dry
// hours, and glass that comes later.
func anyRound(seed uint64) Problem {
	r := rand.New(rand.NewPCG(seed, 41))
	p := Problem{Home: "Yard", Day: Window{10 * r.IntN(4), 400 + 20*r.IntN(8)}, Roads: town()}
	places := p.Roads.Places()
	for n := range 1 + r.IntN(5) {
		v := Visit{ID: fmt.Sprint(n), Place: places[r.IntN(len(places))], Minutes: 10 + r.IntN(70)}
		if r.IntN(3) == 0 {
			from := r.IntN(260)
			v.In = []Window{{from, from + 40 + r.IntN(120)}, {from + 180, from + 300}}
		}
		if r.IntN(4) == 0 {
			from := r.IntN(200)
			v.Fit = []Window{{from, from + 100 + r.IntN(150)}}
		}
		if r.IntN(4) == 0 {
			v.Not = r.IntN(420)
		}
		p.Visits = append(p.Visits, v)
	}
	return p
}

// Rounds as they are planned: when the van leaves, where it is when, what it waits, who is left
// and why.
func TestRoundsAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for seed := range uint64(60) {
		p := anyRound(seed)
		r, err := Plan(ctx, p)
		if bad := Verify(p, r); len(bad) > 0 {
			t.Errorf("%d: %v", seed, bad)
		}
		if seed >= 12 { // the first dozen are told
			continue
		}
		fmt.Fprintf(b, "= %d, %d visits in %v: %v; leaves %d, back %d, drives %d, waits %d, apart %d\n", seed, len(p.Visits),
			p.Day, err, r.Leaves, r.Back, r.Driving, r.Waiting, r.Apart)
		for _, s := range r.Stops {
			fmt.Fprintf(b, "  %s %d-%d-%d %v\n", s.Visit, s.Arrives, s.Begins, s.Done, s.Way)
		}
		fmt.Fprintf(b, "  home %v\n", r.Home)
		for _, l := range r.Left {
			fmt.Fprintf(b, "  left %s: %s\n", l.Visit, l.Why)
		}
	}
	golden.Check(t, "rounds", b.String())
}

// Rounds of which one thing is otherwise, by a minute or by half an hour: what the verifier says.
func TestNudgedRoundsAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, seed := range []uint64{3, 8, 21} {
		p := anyRound(seed)
		r, err := Plan(ctx, p)
		if err != nil {
			t.Fatal(err)
		}
		golden.Nudge(t, r, []float64{-1, 1, -31, 31}, func(path string, way int, changed Round) {
			if bad := Verify(p, changed); len(bad) > 0 {
				fmt.Fprintf(b, "%d %s %d: %s\n", seed, path, way, strings.Join(bad, "; "))
			}
		})
	}
	none := Round{Leaves: 5, Back: 5}
	p := anyRound(3)
	p.Day = Window{10, 400}
	for _, v := range p.Visits {
		none.Left = append(none.Left, Left{v.ID, "ill"})
	}
	fmt.Fprintf(b, "nobody visited, and it leaves before the day: %v\n", Verify(p, none))
	none.Left[0].Why = ""
	fmt.Fprintf(b, "left without a reason: %v\n", Verify(p, none))
	none.Left = none.Left[1:]
	fmt.Fprintf(b, "one not named: %v\n", Verify(p, none))
	golden.Check(t, "nudged", b.String())
}

// A round takes eight visits and not nine; two roads between the same places say which row.
func TestMostVisits(t *testing.T) {
	p := Problem{Home: "Yard", Day: Window{0, 540}}
	for n := range mostVisits + 1 {
		p.Visits = append(p.Visits, Visit{ID: fmt.Sprint(n), Place: "Yard", Minutes: 1})
		if f := fault.Of(p.Check()); (f != nil) != (n >= 8) || f != nil && f.Field != "visits" {
			t.Errorf("%d visits: %v", n+1, f)
		}
	}
	r := Roads{Legs: []Leg{{"a", "b", 5}, {"b", "c", 5}, {"c", "b", 6}}}
	if f := fault.Of(r.Check()); f == nil || f.Field != "legs[2].b" || f.Why != "c and b are joined in row 2 already" {
		t.Errorf("%v", f)
	}
	for _, l := range []Leg{{"", "b", 5}, {"a", "", 5}, {"", "", 5}} {
		if f := fault.Of((Roads{Legs: []Leg{l}}).Check()); f == nil || f.Field != "legs[0].a" {
			t.Errorf("%+v: %v", l, f)
		}
	}
}
