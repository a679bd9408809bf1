package compat

import (
	"strings"
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

// The sheet of a product in hand comes before the book: a cleaner that the book
// forbids may be good, one that nobody named may be forbidden.
func TestOwnWord(t *testing.T) {
	vs := catalogue.Values{
		{Kind: catalogue.Touch, ID: "ammonia", Item: "polycarbonate", V: 1, Sheet: "sheet of the foam, 2026", By: "Mira"},
		{Kind: catalogue.Touch, ID: "mild-soap", Item: "butyl", V: 3, Sheet: "it swelled", By: "Mira"},
	}
	before := table.Ask([]string{"polycarbonate"}, []string{"butyl"})
	after := Laid(vs).Ask([]string{"polycarbonate"}, []string{"butyl"})
	if finding(t, before, "ammonia").Verdict != Never || finding(t, after, "ammonia").Verdict == Never {
		t.Errorf("ammonia: %+v", finding(t, after, "ammonia"))
	}
	if f := finding(t, after, "mild-soap"); f.Verdict != Never ||
		!strings.Contains(f.Sentence, "set by the shop: it swelled; Mira") {
		t.Errorf("soap: %+v", f)
	}
	for _, r := range Laid(vs).Rules {
		if r.Own && r.Verdict == Good && len(r.Instead) > 0 {
			t.Errorf("good, and still something instead: %+v", r)
		}
	}
	// What is never good now is no way out of another trouble.
	for _, f := range after {
		for _, a := range f.Instead {
			if a.ID == "mild-soap" {
				t.Errorf("%s: take soap instead", f.Agent.ID)
			}
		}
	}
	if r := find("ammonia", "polycarbonate"); r == nil || r.Verdict != Never || r.Own {
		t.Errorf("the book itself was changed: %+v", r)
	}
	if n := Own(catalogue.Value{ID: "ammonia", Item: "polycarbonate"}); n == nil || *n != 3 {
		t.Errorf("the book says %v", n)
	}
	for field, v := range map[string]catalogue.Value{"id": {ID: "moonshine", Item: "butyl", V: 1},
		"item": {ID: "ammonia", Item: "cheese", V: 1}, "v": {ID: "ammonia", Item: "butyl", V: 1.5}} {
		if f := fault.Of(CheckOwn(v)); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, f)
		}
	}
}

// A shop says good, with care or never: the first, the second and the third, and nothing else.
func TestWordsOfAShop(t *testing.T) {
	for v, ok := range map[float64]bool{0: false, 1: true, 2: true, 3: true, 4: false, 1.5: false} {
		value := catalogue.Value{Kind: catalogue.Touch, ID: table.Agents[0].ID, Item: table.Subjects[0].ID, V: v}
		if err := CheckOwn(value); (err == nil) != ok {
			t.Errorf("%v: %v", v, err)
		}
	}
}

// A word that is none of the three, or of something else, is not laid over the book.
func TestNoWords(t *testing.T) {
	agent, subject := table.Agents[0].ID, table.Subjects[0].ID
	words := func(kind string, v float64) int {
		n := 0
		for _, r := range Laid(catalogue.Values{{Kind: kind, ID: agent, Item: subject, V: v}}).Rules {
			if r.Own {
				n++
			}
		}
		return n
	}
	for v, want := range map[float64]int{-1: 0, 0: 0, 1: 1, 2: 1, 3: 1, 4: 0, 5: 0} {
		if got := words(catalogue.Touch, v); got != want {
			t.Errorf("%v: %d words of the shop", v, got)
		}
	}
	if got := words(catalogue.Material, 2); got != 0 {
		t.Errorf("a material's value is %d words", got)
	}
}
