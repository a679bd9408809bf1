package compat

import (
	"slices"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

// said are the verdicts as numbers, the way a shop's own word on a pair is kept.
var said = []Verdict{Good, Care, Never}

// Fields are what a shop may say of a pair: its product's sheet says good, with
// care or never.
var Fields = []catalogue.Field{{Item: "*", Name: "how they get on, 1 good, 2 with care, 3 never", Least: 1, Most: 3}}

// find is the book's rule of an agent on a subject.
func find(agent, subject string) *Rule {
	for i, r := range table.Rules {
		if r.Agent == agent && r.Subject == subject {
			return &table.Rules[i]
		}
	}
	return nil
}

// Own is what the book says of a pair, as a number; nil where it says nothing.
func Own(v catalogue.Value) *float64 {
	r := find(v.ID, v.Item)
	if r == nil {
		return nil
	}
	n := float64(slices.Index(said, r.Verdict) + 1)
	return &n
}

// Laid is the matrix with the shop's own words over the book's. The shop's
// reason is the sheet that it names.
func Laid(vs catalogue.Values) Table {
	t := table
	t.Rules = slices.Clone(table.Rules)
	for _, v := range vs {
		n := int(v.V) - 1
		if v.Kind != catalogue.Touch || n < 0 || n >= len(said) {
			continue
		}
		says, _ := vs.Laid(catalogue.Touch, v.ID, v.Item)
		r := Rule{Subject: v.Item, Agent: v.ID, Verdict: said[n], Reason: says.Origin.String(),
			Own: true}
		at := slices.IndexFunc(t.Rules, func(o Rule) bool { return o.Agent == v.ID && o.Subject == v.Item })
		if at < 0 {
			t.Rules = append(t.Rules, r)
			continue
		}
		if r.Verdict != Good {
			r.Instead = t.Rules[at].Instead
		}
		t.Rules[at] = r
	}
	return t
}

// CheckOwn refuses a word that cannot be.
func CheckOwn(v catalogue.Value) error {
	if _, err := AgentByID(v.ID); err != nil {
		return fault.New("id", "nothing that touches a pane is called "+v.ID, "choose one of the list")
	}
	if !slices.ContainsFunc(table.Subjects, func(s Subject) bool { return s.ID == v.Item }) {
		return fault.New("item", "nothing that is touched is called "+v.Item, "choose one of the list")
	}
	if v.V != 1 && v.V != 2 && v.V != 3 {
		return fault.New("v", "good, with care or never is expected", "choose one of the three")
	}
	return nil
}
