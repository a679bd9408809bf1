package source

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/fault"
)

// What is usual of a kind stands as the book has it. Common practice, no source.
func TestUsuals(t *testing.T) {
	got := ""
	for _, u := range Usuals {
		got += fmt.Sprintf("%s %d days %d in 100 %v; ", u.Kind, u.Days, u.Misfit, u.Back)
	}
	if got != "stock 0 days 3 in 100 true; cutter 3 days 3 in 100 false; maker 7 days 2 in 100 true; "+
		"parts 4 days 8 in 100 true; post 5 days 10 in 100 false; salvage 2 days 25 in 100 false; " {
		t.Error(got)
	}
}

// Just inside, at and outside what an offer can be.
func TestBounds(t *testing.T) {
	for _, c := range []struct {
		o     Offer
		field string
	}{
		{Offer{Price: 0}, ""}, {Offer{Price: -1}, "price"}, {Offer{Price: 1e8}, ""}, {Offer{Price: 1e8 + 1}, "price"},
		{Offer{Carriage: 1e8}, ""}, {Offer{Carriage: 1e8 + 1}, "carriage"}, {Offer{Missing: 1e8}, ""},
		{Offer{Missing: 1e8 + 1}, "missing"}, {Offer{Days: 0}, ""}, {Offer{Days: -1}, "days"}, {Offer{Days: 365}, ""},
		{Offer{Days: 366}, "days"}, {Offer{Misfit: 0}, ""}, {Offer{Misfit: -1}, "misfit"}, {Offer{Misfit: 100}, ""},
		{Offer{Misfit: 101}, "misfit"},
	} {
		c.o.Kind = Cutter
		f := fault.Of(c.o.Check())
		if (f == nil) != (c.field == "") || f != nil && f.Field != c.field {
			t.Errorf("%+v: %v", c.o, f)
		}
	}
}

// By hand: a cutter at 60.00, three days, 4 in 100, against a maker's part at 66.00 that
// is here in one day, 1 in 100, and goes back. First: 6000 + 1500 + 4 in 100 of 12000 =
// 7980, from 7500 to 7500 + 12000 + 1500. Second: 6600 + 500 + 1 in 100 of 6000 = 7160.
func TestWords(t *testing.T) {
	cutter := Offer{Kind: Cutter, Who: "the lock", Price: 6000, Days: 3, Misfit: 4}
	maker := Offer{Kind: Maker, Price: 6600, Days: 1, Misfit: 1, Back: true}
	r, err := Rank([]Offer{cutter, maker}, terms)
	if err != nil {
		t.Fatal(err)
	}
	a, b := r.Offers[0], r.Offers[1]
	if a.Kind != Maker || a.Expected != 7160 || a.Low != 7100 || a.High != 7100+6000+500 || b.Expected != 7980 ||
		b.Low != 7500 ||
		b.High != 7500+12000+1500 {
		t.Errorf("%+v", r.Offers)
	}
	if r.Says != "maker's part is the cheapest in the end: 71.60 expected. The same pane can cost twice as much "+
		"elsewhere: ask three."+
		" the lock would cost 8.20 more." {
		t.Errorf("%q", r.Says)
	}
	// 8.20 less and a cent; two days fewer for 8.20: a day worth 4.10 less; 14 more in 100
	// of 60.00 make 8.40.
	if want := "the lock asks 8.21 less; a day of waiting costs 0.89 or less; maker's part does not fit 15 times " +
		"in 100"; strings.Join(
		r.Changes, "; ") != want {
		t.Errorf("%q", r.Changes)
	}
	if f := a.Figure; f.Text != "71.60" || f.Value != 71.6 || len(f.Working.Inputs) != 7 ||
		f.Working.Inputs[4].Value != 60 {
		t.Errorf("%+v", f)
	}
	// Three offers: nobody is told to ask more. The slower first: a dearer day turns it.
	slow := Offer{Kind: Post, Who: "by post", Price: 1000, Days: 6, Misfit: 0}
	if r, _ = Rank([]Offer{cutter, maker, slow}, terms); strings.Contains(r.Says, "ask three") ||
		r.Offers[0].Who != "by post" ||
		!strings.Contains(strings.Join(r.Changes, "; "), "a day of waiting costs 11.33 or more") {
		t.Errorf("%q, %q", r.Says, r.Changes)
	}
	// Alike in cost: the sooner one first. One alone has nothing that could change it.
	late, soon := Offer{Kind: Own, Who: "late", Price: 1000, Days: 2}, Offer{Kind: Own, Who: "soon", Price: 2000, Days: 0}
	if r, _ = Rank([]Offer{late, soon}, terms); r.Offers[0].Who != "soon" {
		t.Errorf("%+v", r.Offers)
	}
	if r, _ = Rank([]Offer{late}, terms); len(r.Changes) != 0 || strings.Contains(r.Says, "more.") {
		t.Errorf("%q, %q", r.Says, r.Changes)
	}
	// What would have to be cheaper than nothing is not offered as a change, nor what
	// could not fit more often than always.
	dear, free := Offer{Kind: Own, Who: "dear", Price: 10, Days: 9}, Offer{Kind: Own, Who: "free", Back: true}
	if r, _ = Rank([]Offer{dear, free}, terms); strings.Contains(strings.Join(r.Changes, ";"), "asks") {
		t.Errorf("%q", r.Changes)
	}
	if r, _ = Rank([]Offer{free, {Kind: Own, Who: "other", Price: 7000}}, terms); strings.Contains(strings.Join(r.Changes,
		";"),
		"not fit") {
		t.Errorf("%q", r.Changes)
	}
}
