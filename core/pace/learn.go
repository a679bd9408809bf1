package pace

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/mat"
)

// What is believed before anything was seen, as standard deviations of the logarithm of
// what work takes beside the book: of the whole shop, of a way of holding, of a place, of a
// person, and of one piece of work (the spread of thirty in a hundred that the plan of days
// reckons with). Judgement, no source.
const (
	shopSD, familySD, placeSD, whoSD = 0.25, 0.3, 0.15, 0.2
	bookSpread                       = 0.3
	bookWeight                       = 6.0 // pieces of work that the book's spread counts as
)

// Pace is what was learnt.
type Pace struct {
	shop     float64
	family   map[string]float64
	place    map[string]float64
	who      map[int64]float64
	seen     map[string]int // runs by family and place
	variance float64
	n        int
}

// Learn joins the book with what was seen: the most likely effects of shop, way of holding,
// place and person together (a linear model with normal priors, solved exactly), so that
// one slow afternoon moves little and thirty move much.
func Learn(runs []Run) Pace {
	p := Pace{family: map[string]float64{}, place: map[string]float64{}, who: map[int64]float64{}, seen: map[string]int{},
		n: len(runs)}
	v0 := math.Log(1 + bookSpread*bookSpread)
	p.variance = v0
	if len(runs) == 0 {
		return p
	}
	var families, places []string
	var people []int64
	for _, r := range runs {
		if !slices.Contains(families, r.Family) {
			families = append(families, r.Family)
		}
		if !slices.Contains(places, r.Place) {
			places = append(places, r.Place)
		}
		if !slices.Contains(people, r.Who) {
			people = append(people, r.Who)
		}
		p.seen[r.Family+"/"+r.Place]++
	}
	n := 1 + len(families) + len(places) + len(people)
	at := func(r Run) [4]int {
		return [4]int{0, 1 + slices.Index(families, r.Family), 1 + len(families) + slices.Index(places, r.Place),
			1 + len(families) + len(places) + slices.Index(people, r.Who)}
	}
	a, b := mat.NewSymDense(n, nil), mat.NewVecDense(n, nil)
	for i := range n {
		sd := whoSD
		switch {
		case i == 0:
			sd = shopSD
		case i <= len(families):
			sd = familySD
		case i <= len(families)+len(places):
			sd = placeSD
		}
		a.SetSym(i, i, 1/(sd*sd))
	}
	// The book's minutes are a mean; the logarithm's mean lies half its variance below.
	y := func(r Run) float64 { return math.Log(r.Took/r.Book) + v0/2 }
	for _, r := range runs {
		x := at(r)
		for _, i := range x {
			b.SetVec(i, b.AtVec(i)+y(r)/v0)
			for _, k := range x {
				if k >= i {
					a.SetSym(i, k, a.At(i, k)+1/v0)
				}
			}
		}
	}
	var c mat.Cholesky
	var e mat.VecDense
	if !c.Factorize(a) || c.SolveVecTo(&e, b) != nil {
		return p // the prior keeps this from happening
	}
	sum := bookWeight * v0
	for _, r := range runs {
		d := y(r)
		for _, i := range at(r) {
			d -= e.AtVec(i)
		}
		sum += d * d
	}
	p.variance = sum / (bookWeight + float64(len(runs)))
	p.shop = e.AtVec(0)
	for i, f := range families {
		p.family[f] = e.AtVec(1 + i)
	}
	for i, f := range places {
		p.place[f] = e.AtVec(1 + len(families) + i)
	}
	for i, w := range people {
		p.who[w] = e.AtVec(1 + len(families) + len(places) + i)
	}
	return p
}

// Takes is how long work takes beside the book, whoever does it, and how often it was seen.
func (p Pace) Takes(family, place string) (factor float64, seen int) {
	return math.Exp(p.shop + p.family[family] + p.place[place]), p.seen[family+"/"+place]
}

// Steady is a factor in steps of a twentieth, so that a plan does not shift by a minute
// with every tick.
func Steady(factor float64) float64 { return max(0.05, math.Round(factor*20)/20) }

// By is how long it takes one person.
func (p Pace) By(who int64, family, place string) float64 {
	f, _ := p.Takes(family, place)
	return f * math.Exp(p.who[who])
}

// Spread is the standard deviation of what a piece of work takes, as a share of its mean.
func (p Pace) Spread() float64 { return math.Sqrt(math.Exp(p.variance) - 1) }

// Seen is how many pieces of work it was learnt from.
func (p Pace) Seen() int { return p.n }
