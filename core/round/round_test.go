package round

import (
	"context"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
)

var ctx = context.Background()

// town has a ferry to the island each hour, and three places on this side.
func town() Roads {
	r := Roads{Legs: []Leg{{"Yard", "Quay", 5}, {"Yard", "Orchard", 25}, {"Orchard", "Hatchery", 15},
		{"Quay", "Hatchery", 35},
		{"Landing", "Museum", 10}}}
	for h := range 9 {
		r.Sailings = append(r.Sailings, Sailing{"Hollin ferry", "Quay", "Landing", h*60 + 30, h*60 + 45},
			Sailing{"Hollin ferry", "Landing", "Quay", h * 60, h*60 + 15})
	}
	return r
}

func base() Problem {
	return Problem{Home: "Yard", Day: Window{0, 540}, Roads: town(), Visits: []Visit{
		{ID: "cab", Place: "Orchard", Minutes: 60}, {ID: "port", Place: "Hatchery", Minutes: 40},
		{ID: "case", Place: "Museum", Minutes: 30}}}
}

// Three visits, worked out by hand: the ferry of 0:30 is reached from the yard with five
// minutes' drive and ten on the quay; on the island 10 min of road each way.
func TestThreeVisits(t *testing.T) {
	p := base()
	r, err := Plan(ctx, p)
	if err != nil {
		t.Fatal(err)
	}
	if b := Verify(p, r); len(b) > 0 {
		t.Fatal(b)
	}
	if len(r.Stops) != 3 || len(r.Left) != 0 {
		t.Fatalf("%+v", r)
	}
	// Yard 25 Orchard 60 work, 15 Hatchery 40 work, 35 Quay: 175; with the ferry of 210 at
	// the landing 225, museum 235 to 265, landing 275, ferry of 300, quay 315, yard 320. The
	// other way round: ferry of 30, 45, museum 55 to 85, landing 95, ferry of 120, quay 135,
	// hatchery 170 to 210, orchard 225 to 285, yard 310.
	if got := r.Stops[0].Visit + r.Stops[1].Visit + r.Stops[2].Visit; got != "caseportcab" || r.Back != 310 {
		t.Errorf("%s, back at %d", got, r.Back)
	}
	if r.Leaves != 15 {
		t.Errorf("for the ferry of 0:30 it leaves at %d, want 15", r.Leaves)
	}
	if r.Apart <= r.Driving {
		t.Errorf("together %d min on the road, apart %d", r.Driving, r.Apart)
	}
	if r.Driving+r.Waiting+130 != r.Back-r.Leaves {
		t.Errorf("%d driven, %d waited, 130 worked, and %d gone", r.Driving, r.Waiting, r.Back-r.Leaves)
	}
}

// What cannot go into the round is left with its reason: at the minute still, a minute more
// not.
func TestLeft(t *testing.T) {
	for _, c := range []struct {
		name   string
		change func(*Problem)
		says   string
	}{
		{"the ferry has gone", func(p *Problem) { p.Roads.Sailings = p.Roads.Sailings[:0] },
			"no road is known from Yard to Museum"},
		{"no ferry any more", func(p *Problem) {
			p.Roads.Sailings = []Sailing{{"Hollin ferry", "Quay", "Landing", -30, -15}}
		}, "no ferry sails any more that goes from Yard to Museum"},
		{"no ferry back", func(p *Problem) {
			p.Roads.Sailings = []Sailing{{"Hollin ferry", "Quay", "Landing", 30, 45},
				{"Hollin ferry", "Landing", "Quay", 60, 75}}
		}, "no ferry sails any more that goes from Museum to Yard"},
		{"the ferry of another day", func(p *Problem) {
			p.Roads.Sailings = []Sailing{{"Hollin ferry", "Quay", "Landing", 540, 555}}
		}, "the Hollin ferry does not sail from Quay in time on that day"},
		{"nobody in", func(p *Problem) { p.Visits[2].In = []Window{{0, 84}} }, "nobody is in"},
		{"somebody in, just", func(p *Problem) { p.Visits[2].In = []Window{{0, 85}} }, ""},
		{"rain", func(p *Problem) { p.Visits[2].Fit = []Window{{541, 700}} }, "the weather does not let it"},
		{"its glass", func(p *Problem) { p.Visits[2].Not = 540 }, "is not here on that day"},
		{"too long", func(p *Problem) { p.Visits[2].Minutes = 540 }, "the day is too short for it"},
		{"with the others", func(p *Problem) { p.Visits[1].Minutes = 300; p.Visits[2].Minutes = 200 },
			"with the others the day is too short"},
		{"back in time, just", func(p *Problem) { p.Day.To = 310 }, ""},
		{"not back in time", func(p *Problem) { p.Day.To = 309 }, "with the others the day is too short"},
	} {
		p := base()
		c.change(&p)
		r, err := Plan(ctx, p)
		if err != nil {
			t.Fatal(err)
		}
		if b := Verify(p, r); len(b) > 0 {
			t.Errorf("%s: %v", c.name, b)
		}
		switch {
		case c.says == "" && len(r.Left) > 0:
			t.Errorf("%s: %+v", c.name, r.Left)
		case c.says != "" && (len(r.Left) != 1 || !strings.Contains(r.Left[0].Why, c.says)):
			t.Errorf("%s: %+v", c.name, r.Left)
		}
	}
}

// A ferry is boarded ten minutes before it leaves; nine are too few.
func TestReach(t *testing.T) {
	r := town()
	for at, want := range map[int]int{20: 45, 21: 105} {
		way, err := r.Reach("Quay", "Landing", at)
		if err != nil || lands(way, at) != want {
			t.Errorf("on the quay at %d: lands at %d, want %d; %v", at, lands(way, at), want, err)
		}
	}
	if way, err := r.Reach("Yard", "Yard", 7); err != nil || len(way) != 0 {
		t.Error("home is where one is")
	}
	if m, ok := r.Usual("Yard", "Museum"); !ok || m != 5+15+30+10 {
		t.Errorf("about %d min", m)
	}
	if _, ok := r.Usual("Yard", "Moon"); ok {
		t.Error("the moon has a road")
	}
	if !slices.Equal(r.Places(), []string{"Hatchery", "Landing", "Museum", "Orchard", "Quay", "Yard"}) {
		t.Error(r.Places())
	}
}

// Made-up road maps: the way that is found lands as soon as the soonest of all, by joining ways
// until nothing is sooner (Floyd and Warshall), and takes roads that there are.
func TestShortestWay(t *testing.T) {
	for seed := range uint64(80) {
		r := rand.New(rand.NewPCG(seed, 77))
		n := 3 + r.IntN(7)
		name := func(i int) string { return fmt.Sprintf("p%d", i) }
		apart := make([][]int, n)
		for i := range apart {
			apart[i] = make([]int, n)
			for k := range apart[i] {
				if apart[i][k] = 1 << 20; i == k {
					apart[i][k] = 0
				}
			}
		}
		var roads Roads
		for i := range n {
			for k := range i {
				if r.IntN(3) > 0 {
					continue
				}
				roads.Legs = append(roads.Legs, Leg{name(i), name(k), 1 + r.IntN(90)})
				apart[i][k], apart[k][i] = roads.Legs[len(roads.Legs)-1].Minutes, roads.Legs[len(roads.Legs)-1].Minutes
			}
		}
		for via := range n {
			for i := range n {
				for k := range n {
					apart[i][k] = min(apart[i][k], apart[i][via]+apart[via][k])
				}
			}
		}
		for i := range n {
			for k := range n {
				way, err := roads.Reach(name(i), name(k), 100)
				if none := apart[i][k] >= 1<<20; none != (err != nil) {
					t.Fatalf("%d: from %d to %d: %v, %v", seed, i, k, way, err)
				}
				m, ok := roads.Usual(name(i), name(k))
				if err != nil {
					if m != 0 || ok {
						t.Fatalf("%d: about %d min to where no road goes, %v", seed, m, ok)
					}
					continue
				}
				if got := lands(way, 100) - 100; got != apart[i][k] || m != got || !ok {
					t.Fatalf("%d: from %d to %d in %d min, about %d, want %d", seed, i, k, got, m, apart[i][k])
				}
				for h, hop := range way {
					if h > 0 && way[h-1].To != hop.From {
						t.Fatalf("%d: %+v is no way", seed, way)
					}
				}
			}
		}
	}
}

// Made-up towns: no other order of the visits serves more or is back sooner, and every
// round passes the verifier.
func TestEveryOrder(t *testing.T) {
	for seed := range uint64(60) {
		rng := rand.New(rand.NewPCG(seed, 3))
		p := Problem{Home: "p0", Day: Window{0, 300 + rng.IntN(300)}}
		for i := range 6 {
			for k := range i {
				if rng.IntN(3) > 0 || k == i-1 {
					p.Roads.Legs = append(p.Roads.Legs, Leg{fmt.Sprintf("p%d", i), fmt.Sprintf("p%d", k), 5 + rng.IntN(60)})
				}
			}
		}
		for n := range 1 + rng.IntN(5) {
			v := Visit{ID: fmt.Sprint(n), Place: fmt.Sprintf("p%d", rng.IntN(6)), Minutes: 10 + rng.IntN(80)}
			if rng.IntN(3) == 0 {
				from := rng.IntN(300)
				v.In = []Window{{from, from + 60 + rng.IntN(200)}}
			}
			p.Visits = append(p.Visits, v)
		}
		r, err := Plan(ctx, p)
		if err != nil {
			t.Fatal(err)
		}
		if b := Verify(p, r); len(b) > 0 {
			t.Fatalf("seed %d: %v", seed, b)
		}
		most, back := 0, 0
		orders(len(p.Visits), func(order []int) {
			here, at := p.Home, 0
			for n, i := range order {
				stop, ok := p.stop(p.Visits[i], here, at)
				if !ok {
					return
				}
				here, at = p.Visits[i].Place, stop.Done
				home, err := p.Roads.Reach(here, p.Home, at)
				if err != nil || lands(home, at) > p.Day.To {
					continue
				}
				if n+1 > most || n+1 == most && lands(home, at) < back {
					most, back = n+1, lands(home, at)
				}
			}
		})
		if len(r.Stops) != most || most > 0 && r.Back != back {
			t.Errorf("seed %d: %d visits, back at %d; some order serves %d, back at %d", seed, len(r.Stops), r.Back, most, back)
		}
	}
}

// orders are all orders of n things.
func orders(n int, do func([]int)) {
	var walk func([]int)
	walk = func(got []int) {
		if len(got) == n {
			do(got)
			return
		}
		for i := range n {
			if !slices.Contains(got, i) {
				walk(append(slices.Clone(got), i))
			}
		}
	}
	walk(nil)
}

// What cannot be planned names its field, and a round that cannot be driven is seen.
func TestRefuses(t *testing.T) {
	for field, change := range map[string]func(*Problem){
		"home": func(p *Problem) { p.Home = "" }, "day": func(p *Problem) { p.Day.To = 0 },
		"visits":            func(p *Problem) { p.Visits = nil },
		"visits[1].id":      func(p *Problem) { p.Visits[1].ID = "cab" },
		"visits[0].minutes": func(p *Problem) { p.Visits[0].Minutes = 0 },
		"visits[0].in[0]":   func(p *Problem) { p.Visits[0].In = []Window{{9, 9}} },
		"legs[0].b":         func(p *Problem) { p.Roads.Legs[0].B = "Yard" },
		"legs[1].minutes":   func(p *Problem) { p.Roads.Legs[1].Minutes = 601 },
		"legs[5].b":         func(p *Problem) { p.Roads.Legs = append(p.Roads.Legs, Leg{"Quay", "Yard", 6}) },
		"sailings[0]":       func(p *Problem) { p.Roads.Sailings[0].Lands = 0 },
	} {
		p := base()
		change(&p)
		if _, err := Plan(ctx, p); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	many := base()
	for i := range mostVisits - 2 {
		many.Visits = append(many.Visits, Visit{ID: fmt.Sprint(i), Place: "Orchard", Minutes: 5})
	}
	if _, err := Plan(ctx, many); fault.Of(err) == nil {
		t.Errorf("%d visits were planned", len(many.Visits))
	}
	p := base()
	good, err := Plan(ctx, p)
	if err != nil {
		t.Fatal(err)
	}
	for name, change := range map[string]func(*Round){
		"back too soon":       func(r *Round) { r.Back-- },
		"a visit less":        func(r *Round) { r.Stops = r.Stops[:2] },
		"too short":           func(r *Round) { r.Stops[0].Done-- },
		"before it is there":  func(r *Round) { r.Stops[0].Begins -= 20; r.Stops[0].Done -= 20 },
		"a ferry of its own":  func(r *Round) { r.Stops[0].Way[1].Leaves++ },
		"leaves in the night": func(r *Round) { r.Leaves = -5 },
		"left and made":       func(r *Round) { r.Left = []Left{{"cab", "why not"}} },
	} {
		r := good
		r.Stops = slices.Clone(good.Stops)
		for i := range r.Stops {
			r.Stops[i].Way = slices.Clone(r.Stops[i].Way)
		}
		change(&r)
		if len(Verify(p, r)) == 0 {
			t.Errorf("%s is not seen", name)
		}
	}
}

func BenchmarkRound(b *testing.B) {
	for _, n := range []int{3, 5, mostVisits} {
		p := base()
		for i := len(p.Visits); i < n; i++ {
			p.Visits = append(p.Visits, Visit{ID: fmt.Sprint(i), Place: []string{"Orchard", "Hatchery", "Quay"}[i%3],
				Minutes: 10})
		}
		b.Run(fmt.Sprintf("%d visits", n), func(b *testing.B) {
			for b.Loop() {
				if _, err := Plan(ctx, p); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

// At each limit still, beyond it not.
func TestEdges(t *testing.T) {
	one := func(place string, minutes, to int) Problem {
		return Problem{Home: "Yard", Day: Window{0, to}, Roads: town(),
			Visits: []Visit{{ID: "v", Place: place, Minutes: minutes}}}
	}
	for _, c := range []struct {
		name   string
		p      Problem
		change func(*Problem)
		left   string // empty where it goes in
	}{
		{"at home until the day ends", one("Yard", 60, 60), nil, ""},
		{"at home a minute longer", one("Yard", 61, 60), nil, "the day is too short for it"},
		{"there and back until the day ends", one("Orchard", 60, 110), nil, ""},
		{"there and back a minute longer", one("Orchard", 61, 110), nil, "the van would not be back in time"},
		{"the work itself until the day ends", one("Orchard", 85, 110), nil, "the van would not be back in time"},
		{"the work itself a minute longer", one("Orchard", 86, 110), nil, "the day is too short for it"},
		{"in until the work ends", one("Orchard", 60, 540), func(p *Problem) { p.Visits[0].In = []Window{{0, 85}} }, ""},
		{"in a minute less", one("Orchard", 60, 540), func(p *Problem) { p.Visits[0].In = []Window{{0, 84}} },
			"nobody is in"},
		{"dry until the work ends", one("Orchard", 60, 540), func(p *Problem) { p.Visits[0].Fit = []Window{{0, 85}} }, ""},
		{"dry a minute less", one("Orchard", 60, 540), func(p *Problem) { p.Visits[0].Fit = []Window{{0, 84}} },
			"the weather does not let it"},
		{"dry when somebody is in", one("Orchard", 60, 540), func(p *Problem) {
			p.Visits[0].In, p.Visits[0].Fit = []Window{{0, 200}, {300, 400}}, []Window{{150, 205}, {310, 370}}
		}, ""},
		{"its glass comes in time", one("Orchard", 60, 540), func(p *Problem) { p.Visits[0].Not = 455 }, ""},
		{"its glass comes a minute later", one("Orchard", 60, 540), func(p *Problem) { p.Visits[0].Not = 456 },
			"the van would not be back in time"},
	} {
		if c.change != nil {
			c.change(&c.p)
		}
		r, err := Plan(ctx, c.p)
		if err != nil {
			t.Fatal(err)
		}
		if b := Verify(c.p, r); len(b) > 0 {
			t.Errorf("%s: %v", c.name, b)
		}
		switch {
		case c.left == "" && len(r.Left) != 0:
			t.Errorf("%s: %+v", c.name, r.Left)
		case c.left != "" && (len(r.Left) != 1 || !strings.Contains(r.Left[0].Why, c.left)):
			t.Errorf("%s: %+v", c.name, r.Left)
		}
	}
	for minutes, good := range map[int]bool{0: false, 1: true, 1440: true, 1441: false} {
		if _, err := Plan(ctx, one("Yard", minutes, 2000)); (err == nil) != good {
			t.Errorf("a visit of %d min: %v", minutes, err)
		}
	}
	for minutes, good := range map[int]bool{0: false, 1: true, 600: true, 601: false} {
		if err := (Roads{Legs: []Leg{{"a", "b", minutes}}}).Check(); (err == nil) != good {
			t.Errorf("a road of %d min: %v", minutes, err)
		}
	}
	dry, err := Plan(ctx, Problem{Home: "Yard", Day: Window{0, 540}, Roads: town(),
		Visits: []Visit{{ID: "v", Place: "Orchard", Minutes: 60,
			In: []Window{{0, 200}, {300, 400}}, Fit: []Window{{150, 205}, {310, 370}}}}})
	if err != nil || dry.Stops[0].Begins != 310 {
		t.Errorf("dry and in at 310: %+v, %v", dry.Stops, err)
	}
	// It waits at the customer's no longer than it must: it leaves at 285 to be there at 310.
	if dry.Leaves != 285 || dry.Waiting != 0 {
		t.Errorf("it leaves at %d and waits %d min", dry.Leaves, dry.Waiting)
	}
}

// A way that no van could drive is seen: by whose road, from where, how fast, onto which
// ferry.
func TestVerifySeesWays(t *testing.T) {
	p := Problem{Home: "Yard", Day: Window{0, 540}, Roads: town(),
		Visits: []Visit{{ID: "case", Place: "Museum", Minutes: 30}}}
	good, err := Plan(ctx, p)
	if err != nil || len(Verify(p, good)) > 0 {
		t.Fatal(err, Verify(p, good))
	}
	for name, change := range map[string]func([]Hop){
		"another road":       func(w []Hop) { w[0].From = "Orchard" },
		"faster than it is":  func(w []Hop) { w[0].Lands-- },
		"a road of nobody's": func(w []Hop) { w[2].To = "Orchard" },
		"a minute too soon":  func(w []Hop) { w[2].Leaves--; w[2].Lands-- },
		"onto a ferry late":  func(w []Hop) { w[0].Leaves++; w[0].Lands++ },
		"a ferry by night":   func(w []Hop) { w[1].Ferry = "night ferry" },
	} {
		r := good
		r.Stops = slices.Clone(good.Stops)
		r.Stops[0].Way = slices.Clone(good.Stops[0].Way)
		change(r.Stops[0].Way)
		if len(Verify(p, r)) == 0 {
			t.Errorf("%s is not seen", name)
		}
	}
	early := good
	early.Leaves = 0
	if b := Verify(p, early); len(b) > 0 {
		t.Errorf("at the beginning of the day it may leave: %v", b)
	}
}

// A stop that nobody asked for, and one made twice, are seen and said.
func TestVerifySeesStops(t *testing.T) {
	p := base()
	good, err := Plan(ctx, p)
	if err != nil || len(Verify(p, good)) > 0 {
		t.Fatal(err)
	}
	for name, change := range map[string]func(*Round){
		"nobody's": func(r *Round) { r.Stops[1].Visit = "moon" },
		"twice":    func(r *Round) { r.Stops[1].Visit = r.Stops[0].Visit },
	} {
		r := good
		r.Stops = slices.Clone(good.Stops)
		change(&r)
		said := false
		for _, b := range Verify(p, r) {
			said = said || strings.HasSuffix(b, "is visited twice, or was never wanted")
		}
		if !said {
			t.Errorf("%s: %v", name, Verify(p, r))
		}
	}
}
