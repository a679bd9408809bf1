// Package compat tells what may touch what: panes, seals and frames against
// cleaners, lubricants, adhesives and neighbours. Common practice, no source;
// the sheet of the product in hand comes first.
package compat

import (
	_ "embed"
	"fmt"
	"slices"
	"strings"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

//go:embed compat.json
var file []byte

// Verdict is how a pair gets on.
type Verdict string

// The verdicts, best first. A pair that no rule names is Unknown: look at the
// sheet.
const (
	Good    Verdict = "good"
	Unknown Verdict = "unknown"
	Care    Verdict = "care"
	Never   Verdict = "never"
)

var order = []Verdict{Good, Unknown, Care, Never}

// Worse says whether a verdict is worse than another.
func (v Verdict) Worse(w Verdict) bool { return slices.Index(order, v) > slices.Index(order, w) }

// Subject is something that is touched. Materials are the panes and frames that
// it stands for.
type Subject struct {
	ID        string   `json:"id"`
	Name      string   `json:"name"`
	Kind      string   `json:"kind" enum:"pane,seal,frame"`
	Materials []string `json:"materials"`
}

// Agent is something that touches it.
type Agent struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Kind string `json:"kind" enum:"lubricant,cleaner,adhesive,neighbour"`
}

// Rule is one pair. Instead are agents that do the same work without harm.
type Rule struct {
	Subject string   `json:"subject"`
	Agent   string   `json:"agent"`
	Verdict Verdict  `json:"verdict" enum:"good,care,never"`
	Reason  string   `json:"reason"`
	Instead []string `json:"instead,omitempty"`
	Own     bool     `json:"own,omitempty" doc:"The shop's own word, laid over the book's"`
}

// Table is the whole matrix.
type Table struct {
	Subjects []Subject `json:"subjects"`
	Agents   []Agent   `json:"agents"`
	Rules    []Rule    `json:"rules"`
}

var table = catalogue.Must[Table](file, "compat.json")

// All is the matrix.
func All() Table { return table }

// AgentByID finds an agent.
func AgentByID(id string) (Agent, error) {
	for _, a := range table.Agents {
		if a.ID == id {
			return a, nil
		}
	}
	return Agent{}, fault.New("uses", "nothing is called "+id, "choose one of the list")
}

// Finding is how an agent gets on with everything that it would touch.
type Finding struct {
	Agent    Agent   `json:"agent"`
	Verdict  Verdict `json:"verdict" enum:"good,unknown,care,never"`
	Sentence string  `json:"sentence" doc:"What it would touch worst, and why; empty for unknown"`
	Instead  []Agent `json:"instead" doc:"What is good for the same work here"`
}

// touched are the subjects that a job has: its pane's and its frame's
// materials and the kinds of its seals.
func (t Table) touched(materials, seals []string) []Subject {
	out := []Subject{}
	for _, s := range t.Subjects {
		if slices.ContainsFunc(s.Materials, func(m string) bool { return slices.Contains(materials, m) }) ||
			slices.Contains(seals, s.ID) {
			out = append(out, s)
		}
	}
	return out
}

// Knows says whether the matrix has a subject of that id or of that material.
func (t Table) Knows(name string) bool {
	return slices.ContainsFunc(t.Subjects, func(s Subject) bool {
		return s.ID == name ||
			slices.Contains(s.Materials, name)
	})
}

// Ask looks every agent up against what a job has: materials are those of pane
// and frame, seals the ids of seal subjects.
func (t Table) Ask(materials, seals []string) []Finding {
	subjects := t.touched(materials, seals)
	out := make([]Finding, 0, len(t.Agents))
	for _, a := range t.Agents {
		f := Finding{Agent: a, Verdict: Unknown, Instead: []Agent{}}
		instead := []string{}
		for _, s := range subjects {
			for _, r := range t.Rules {
				if r.Agent != a.ID || r.Subject != s.ID {
					continue
				}
				// Good for one of them is not good for all: it stays unknown for the
				// rest, but a bad word for any counts.
				if r.Verdict.Worse(f.Verdict) || f.Sentence == "" {
					f.Verdict, f.Sentence = r.Verdict, fmt.Sprintf("%s on %s: %s", a.Name, s.Name, r.Reason)
					instead = r.Instead
				}
			}
		}
		f.Instead = t.safe(instead, subjects)
		out = append(out, f)
	}
	return out
}

// safe are the agents of a list that harm nothing here.
func (t Table) safe(ids []string, subjects []Subject) []Agent {
	out := []Agent{}
	for _, id := range ids {
		a, err := AgentByID(id)
		harms := slices.ContainsFunc(t.Rules, func(r Rule) bool {
			return r.Agent == id && (r.Verdict == Never || r.Verdict == Care) &&
				slices.ContainsFunc(subjects, func(s Subject) bool { return s.ID == r.Subject })
		})
		if err == nil && !harms {
			out = append(out, a)
		}
	}
	return out
}

// Clash is an agent that is used and must never touch what a job has.
type Clash struct {
	Agent string // its id
	Why   string
	Cure  string
}

// Clashes are the agents of a list that must never touch what a job has; an
// agent that nobody knows is an error.
func Clashes(uses []string, findings []Finding) ([]Clash, error) {
	var out []Clash
	for _, id := range uses {
		if _, err := AgentByID(id); err != nil {
			return nil, err
		}
		for _, f := range findings {
			if f.Agent.ID != id || f.Verdict != Never {
				continue
			}
			names := []string{}
			for _, a := range f.Instead {
				names = append(names, a.Name)
			}
			c := Clash{Agent: id, Why: "never " + f.Sentence, Cure: "leave it out"}
			if len(names) > 0 {
				c.Cure = "take " + strings.Join(names, " or ")
			}
			out = append(out, c)
		}
	}
	return out, nil
}

// Check refuses agents that must never touch what a job has.
func Check(uses []string, findings []Finding) error {
	all, err := Clashes(uses, findings)
	if err != nil || len(all) == 0 {
		return err
	}
	return fault.New("uses", all[0].Why, all[0].Cure)
}
