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
	fx := effectsOf(runs)
	for _, r := range runs {
		p.seen[r.Family+"/"+r.Place]++
	}
	n := fx.count()
	a, b := mat.NewSymDense(n, nil), mat.NewVecDense(n, nil)
	for i := range n {
		sd := fx.spread(i)
		a.SetSym(i, i, 1/(sd*sd))
	}
	// The book's minutes are a mean; the logarithm's mean lies half its variance below.
	y := func(r Run) float64 { return math.Log(r.Took/r.Book) + v0/2 }
	for _, r := range runs {
		x := fx.of(r)
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
		for _, i := range fx.of(r) {
			d -= e.AtVec(i)
		}
		sum += d * d
	}
	p.variance = sum / (bookWeight + float64(len(runs)))
	p.shop = e.AtVec(0)
	for i, f := range fx.families {
		p.family[f] = e.AtVec(1 + i)
	}
	for i, f := range fx.places {
		p.place[f] = e.AtVec(1 + len(fx.families) + i)
	}
	for i, w := range fx.people {
		p.who[w] = e.AtVec(1 + len(fx.families) + len(fx.places) + i)
	}
	return p
}

// effects are what makes runs quicker or slower than the book, in the order of the unknowns: the
// shop, then each way of holding, each place of the work and each person.
type effects struct {
	families, places []string
	people           []int64
}

func effectsOf(runs []Run) effects {
	var fx effects
	for _, r := range runs {
		if !slices.Contains(fx.families, r.Family) {
			fx.families = append(fx.families, r.Family)
		}
		if !slices.Contains(fx.places, r.Place) {
			fx.places = append(fx.places, r.Place)
		}
		if !slices.Contains(fx.people, r.Who) {
			fx.people = append(fx.people, r.Who)
		}
	}
	return fx
}

// count is how many unknowns there are.
func (fx effects) count() int { return 1 + len(fx.families) + len(fx.places) + len(fx.people) }

// of are the unknowns that a run tells of.
func (fx effects) of(r Run) [4]int {
	f, k := len(fx.families), len(fx.places)
	return [4]int{0, 1 + slices.Index(fx.families, r.Family), 1 + f + slices.Index(fx.places, r.Place),
		1 + f + k + slices.Index(fx.people, r.Who)}
}

// spread is how far unknown i is expected to lie from none, before anything is seen.
func (fx effects) spread(i int) float64 {
	switch f, k := len(fx.families), len(fx.places); {
	case i == 0:
		return shopSD
	case i <= f:
		return familySD
	case i <= f+k:
		return placeSD
	}
	return whoSD
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
