package source

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
)

var terms = Terms{Visit: 6000, Day: 500}

// By hand, in cents: 10000 + 800 + 1500 + 8 in 100 of (800 + 6000) + 4 × 500 = 14844
// for one that goes back; 10 in 100 of (7000 + 1200 + 6000) where it does not.
func TestExpected(t *testing.T) {
	parts := Offer{Kind: Parts, Price: 10000, Carriage: 800, Missing: 1500, Days: 4, Misfit: 8, Back: true}
	if e := parts.Expected(terms); e != 14844 {
		t.Errorf("%d", e)
	}
	post := Offer{Kind: Post, Price: 7000, Carriage: 1200, Days: 5, Misfit: 10}
	if e := post.Expected(terms); e != 7000+1200+2500+1420 {
		t.Errorf("%d", e)
	}
	// Halves of a cent go up: 1 in 100 of 50, and of 49.
	if e := (Offer{Kind: Own, Misfit: 1, Back: true, Carriage: 50}).Expected(Terms{}); e != 51 {
		t.Errorf("%d", e)
	}
	if e := (Offer{Kind: Own, Misfit: 1, Back: true, Carriage: 49}).Expected(Terms{}); e != 49 {
		t.Errorf("%d", e)
	}
}

// The cheap one is not what it seems: what is not in its box, and how often it does not
// fit, put it behind; a wrong mark rules out whatever the price is.
func TestRank(t *testing.T) {
	offers := []Offer{
		{ID: 1, Kind: Post, Who: "by post", Price: 6000, Carriage: 1500, Lacks: "seal", Missing: 2800, Days: 6, Misfit: 15},
		{ID: 2, Kind: Maker, Who: "the maker", Price: 11500, Carriage: 600, Days: 3, Misfit: 2, Back: true, Mark: true},
		{ID: 3, Kind: Salvage, Who: "the yard", Price: 3000, Days: 1, Misfit: 25},
	}
	r, err := Rank(offers, terms)
	if err != nil {
		t.Fatal(err)
	}
	ids := []int64{}
	for _, o := range r.Offers {
		ids = append(ids, o.ID)
		if o.Low > o.Expected || o.Expected > o.High {
			t.Errorf("%+v", o)
		}
	}
	if ids[0] != 3 || ids[1] != 2 || ids[2] != 1 {
		t.Errorf("%v", ids)
	}
	with := terms
	with.Mark = true
	if r, _ = Rank(offers, with); r.Offers[0].ID != 2 || r.Offers[1].Out == "" ||
		!strings.Contains(r.Says, "the maker is the cheapest") {
		t.Errorf("%+v", r)
	}
	if r, _ = Rank(offers[:1], with); !strings.Contains(r.Says, "None of them can be taken: it does not have the mark") {
		t.Errorf("%q", r.Says)
	}
	if r, _ = Rank(nil, terms); !strings.Contains(r.Says, "ask three") || len(r.Offers) != 0 {
		t.Errorf("%q", r.Says)
	}
}

// Each change that is named does put the second first, and a little less does not.
func TestChanges(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 2))
	for range 3000 {
		one := func() Offer {
			return Offer{Kind: Usuals[r.IntN(6)].Kind, Who: "w", Price: int64(r.IntN(20000)), Carriage: int64(r.IntN(2000)),
				Days: r.IntN(9), Misfit: r.IntN(40), Back: r.IntN(2) == 0}
		}
		a, b := one(), one()
		a.Who, b.Who = "first", "second"
		ranked, err := Rank([]Offer{a, b}, terms)
		if err != nil {
			t.Fatal(err)
		}
		first, second := ranked.Offers[0].Offer, ranked.Offers[1].Offer
		gap := ranked.Offers[1].Expected - ranked.Offers[0].Expected
		if cheaper := second; gap < second.Price {
			cheaper.Price -= gap + 1
			if !cheaper.Back && cheaper.Expected(terms) >= first.Expected(terms) || cheaper.Back &&
				cheaper.Expected(terms) >= first.Expected(terms) {
				t.Fatalf("%+v, %+v: asking %d less does not put it first", first, second, gap+1)
			}
		}
		if d := int64(first.Days - second.Days); d > 0 {
			dear := terms
			dear.Day += gap/d + 1
			if second.Expected(dear) >= first.Expected(dear) {
				t.Fatalf("%+v, %+v: a dearer day does not put it first", first, second)
			}
		}
		if l := first.lost(terms); l > 0 {
			if q := first.Misfit + int(gap*100/l) + 1; q <= 100 {
				often := first
				if often.Misfit = q - 1; often.Expected(terms) > second.Expected(terms) {
					t.Fatalf("%+v, %+v: not fitting %d in 100 puts it behind already", first, second, q-1)
				}
				often.Misfit = q
				if often.Expected(terms) < second.Expected(terms) {
					t.Fatalf("%+v, %+v: not fitting %d in 100 does not put it behind", first, second, q)
				}
			}
		}
	}
}

func TestOfferRefuses(t *testing.T) {
	for field, o := range map[string]Offer{"kind": {Kind: "friend"}, "price": {Kind: Own, Price: -1},
		"carriage": {Kind: Own, Carriage: 1e9},
		"missing":  {Kind: Own, Missing: -5}, "days": {Kind: Own, Days: 366}, "misfit": {Kind: Own, Misfit: 101}} {
		_, err := Rank([]Offer{{Kind: Own}, o}, terms)
		if f := fault.Of(err); f == nil || f.Field != "offers[1]."+field {
			t.Errorf("want %s, got %v", field, err)
		}
	}
}

// A part that costs nothing, comes back and needs no second visit loses nothing where it does not
// fit: then nothing is said of fitting, and nothing is divided by it.
func TestNothingIsLost(t *testing.T) {
	for _, visit := range []int64{0, 1} {
		r, err := Rank([]Offer{{Kind: Usuals[0].Kind, Who: "first", Back: true}, {Kind: Usuals[0].Kind, Who: "second",
			Price: 500, Back: true}}, Terms{Visit: visit})
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range r.Changes {
			if strings.Contains(c, "does not fit") {
				t.Errorf("a visit of %d: %q", visit, c)
			}
		}
	}
}

// What a day of waiting may cost at most for the second to come first: worked out by hand. First is
// here in 1 day for 10.00, second in 5 for 6.00; at 0.50 a day that is 10.50 and 8.50, so the one
// that comes later is first, and four days' difference makes 2.00 up for 0.50 a day more.
func TestADayOfWaiting(t *testing.T) {
	soon := Offer{Kind: Usuals[0].Kind, Who: "soon", Price: 1000, Days: 1, Back: true}
	late := Offer{Kind: Usuals[0].Kind, Who: "late", Price: 600, Days: 5, Back: true}
	r, err := Rank([]Offer{soon, late}, Terms{Day: 50})
	if err != nil || r.Offers[0].Who != "late" {
		t.Fatalf("%+v, %v", r, err)
	}
	if !slices.Contains(r.Changes, "a day of waiting costs 1.01 or more") {
		t.Errorf("%q", r.Changes)
	}
	// At 2.00 a day soon is 12.00 and late 16.00: a day may cost 0.99 at most to turn that.
	if r, err = Rank([]Offer{soon, late}, Terms{Day: 200}); err != nil || r.Offers[0].Who != "soon" ||
		!slices.Contains(r.Changes, "a day of waiting costs 0.99 or less") {
		t.Errorf("%q, %v", r.Changes, err)
	}
	// Where even a day that costs nothing does not turn it, nothing is said of days.
	late.Price = 1100
	if r, err = Rank([]Offer{soon, late}, Terms{Day: 200}); err != nil || r.Offers[0].Who != "soon" {
		t.Fatalf("%+v, %v", r, err)
	}
	for _, c := range r.Changes {
		if strings.Contains(c, "a day of waiting") {
			t.Errorf("%q", r.Changes)
		}
	}
	for _, i := range r.Offers[0].Figure.Working.Inputs {
		if want, ok := map[string]float64{"p": 10, "c": 0, "m": 0, "q": 0, "d": 1, "t": 2}[i.Symbol]; ok && i.Value != want {
			t.Errorf("%s is %v", i.Symbol, i.Value)
		}
	}
	if v := r.Offers[0].Figure.Value; v != 12 || !strings.HasSuffix(r.Offers[0].Figure.Working.Values, "= 12 ") {
		t.Errorf("%v, %q", v, r.Offers[0].Figure.Working.Values)
	}
}
