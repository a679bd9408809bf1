// Package caution holds what can hurt someone, when it applies, and where the
// program steps back for local codes and people licensed for the work. A
// caution is never switched off.
package caution

import (
	_ "embed"
	"slices"

	"freshshard/core/catalogue"
)

//go:embed cautions.json
var file []byte

// Caution is one warning. When lists the facts that must all hold, Any those of
// which one must, Unless those of which none may; none of them means always.
type Caution struct {
	ID       string   `json:"id"`
	When     []string `json:"when"`
	Any      []string `json:"any,omitempty"`
	Unless   []string `json:"unless,omitempty"`
	Title    string   `json:"title"`
	Text     string   `json:"text"`
	Reason   string   `json:"reason"`
	Customer bool     `json:"customer,omitempty" doc:"For the customer, on the ticket"`
}

var all = catalogue.Must[[]Caution](file, "cautions.json")

// All lists every caution.
func All() []Caution { return all }

// Facts are the words that hold for a job: fire, oven, power, old, outdoors …
type Facts map[string]bool

// All says whether every word holds.
func (f Facts) All(words []string) bool {
	for _, w := range words {
		if !f[w] {
			return false
		}
	}
	return true
}

// Some says whether one of the words holds.
func (f Facts) Some(words []string) bool {
	return slices.ContainsFunc(words, func(w string) bool { return f[w] })
}

// applies says whether a caution does.
func (c Caution) applies(f Facts) bool {
	return f.All(c.When) && (len(c.Any) == 0 || f.Some(c.Any)) && !f.Some(c.Unless)
}

// For lists the cautions that apply, in the catalogue's order: to the people
// who do the work, and to the customer afterwards.
func For(f Facts) (work, customer []Caution) {
	work, customer = []Caution{}, []Caution{}
	for _, c := range all {
		switch {
		case !c.applies(f):
		case c.Customer:
			customer = append(customer, c)
		default:
			work = append(work, c)
		}
	}
	return work, customer
}
