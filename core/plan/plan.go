// Package plan turns a family and the facts of a job into its steps: what to
// do in which order, where to stop until it is right, what takes two people,
// and which cautions apply.
package plan

import (
	"fmt"
	"slices"
	"sort"

	"freshshard/core/caution"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/pane"
)

// Facts are what the plan depends on beside the family.
type Facts struct {
	Exposure exposure.Exposure `json:"exposure"`
	Power    bool              `json:"power" doc:"The object has mains power"`
	Gas      bool              `json:"gas"`
	Vehicle  bool              `json:"vehicle" doc:"Part of something that drives or is towed"`
	Moves    pane.Moves        `json:"moves,omitempty" enum:",road,trailer,machine" doc:"Nothing said is a road vehicle"`
	Plastic  bool              `json:"plastic,omitempty" doc:"The new pane is of plastic"`
	Water    bool              `json:"water" doc:"Part of a boat"`
	Old      bool              `json:"old" doc:"From before the 1980s, as far as anybody knows"`
	Strike   bool              `json:"strike" doc:"People can fall or strike against the pane"`
	Leaf     bool              `json:"leaf,omitempty" doc:"Its door or leaf comes off its hinges"`
	Burst    bool              `json:"burst" doc:"Old or new pane is toughened"`
	Weight   float64           `json:"weight" doc:"Of the new pane, kg; 0 while unknown"`
	Longest  float64           `json:"longest" doc:"Longest side of the pane, mm; 0 while unknown"`
	Required []Required        `json:"required,omitempty" doc:"What the cause of the break asks for"`
}

// Required is a step that the plan must contain so that the new pane does not
// break as the old one did. It cannot be left out.
type Required struct {
	Key     string         `json:"key"`
	Station family.Station `json:"station"`
	Text    string         `json:"text"`
	Why     string         `json:"why"`
}

// requiredMinutes is what a required step is reckoned at. Common practice, no
// source.
const requiredMinutes = 5

// Two people or cups from here up. Common practice, no source.
const (
	heavyKg = 20.0
	heavyMM = 1000.0
)

// Words are the facts as the catalogues name them.
func (f Facts) Words(fam family.Family) caution.Facts {
	w := caution.Facts{
		"power": f.Power, "gas": f.Gas, "vehicle": f.Vehicle, "driven": f.Vehicle && f.Moves != pane.Trailer,
		"plastic": f.Plastic, "water": f.Water, "old": f.Old, "strike": f.Strike, "leaf": f.Leaf, "toughened": f.Burst,
		"outdoors": f.Exposure.Outdoors, "cleaning": f.Exposure.Cleaning > 0,
		"heavy": f.Weight > heavyKg || f.Longest > heavyMM,
		// An exposure is also a fact: fire, kiln, oven.
		f.Exposure.ID: true,
	}
	for _, k := range fam.Facts {
		w[k] = true
	}
	return w
}

// Step is one piece of work, with what applies to it here.
type Step struct {
	family.Net `json:"-"`

	Key      string            `json:"key"`
	Number   int               `json:"number"`
	Station  family.Station    `json:"station"`
	Title    string            `json:"title"`
	Do       string            `json:"do"`
	Why      string            `json:"why"`
	Minutes  int               `json:"minutes"`
	Once     bool              `json:"once" doc:"Done once for the object"`
	Screws   bool              `json:"screws" doc:"The fixings are tightened here, one by one in their order"`
	Hold     bool              `json:"hold" doc:"Stop here until it is right"`
	Itself   bool              `json:"itself" doc:"Nothing is done here: it is done as soon as all before it are"`
	May      []string          `json:"may" doc:"When a hold may be left out; else only an owner leaves it out"`
	After    []string          `json:"after" doc:"Keys of the steps that it waits for"`
	Least    int               `json:"least,omitempty" doc:"Least time after those, min"`
	Required bool              `json:"required" doc:"Asked for by why it broke; cannot be left out"`
	People   int               `json:"people"`
	TwoWhy   string            `json:"two_why,omitempty" doc:"Why it takes two"`
	Cautions []caution.Caution `json:"cautions"`
	Figures  []string          `json:"figures" doc:"Keys of the numbers that belong here"`
}

// Plan is the whole order of work.
type Plan struct {
	Steps    []Step            `json:"steps"`
	Cautions []caution.Caution `json:"cautions" doc:"All that apply to the job"`
	Customer []caution.Caution `json:"customer" doc:"For the customer afterwards"`
	Minutes  int               `json:"minutes" doc:"Hands-on, all steps"`
	Regrets  []string          `json:"regrets" doc:"Mistakes that people regret"`
}

// Numbered are the steps without those that put back a line of the strip log: what came off has its
// own order.
func (p Plan) Numbered() []Step {
	return slices.DeleteFunc(slices.Clone(p.Steps), func(s Step) bool { return family.LineOf(s.Key) != "" })
}

// Build makes the plan. A caution that applies is always shown: at its step
// when a step names it, and in the list of the job in any case.
func Build(fam family.Family, f Facts) (Plan, error) {
	if !(f.Weight >= 0 && f.Longest >= 0) {
		return Plan{}, fault.New("weight", "weight and length cannot be negative", "give kg and mm")
	}
	words := f.Words(fam)
	p := Plan{Steps: []Step{}, Regrets: fam.Regrets}
	p.Cautions, p.Customer = caution.For(words)
	applies := map[string]caution.Caution{}
	for _, c := range append(append([]caution.Caution(nil), p.Cautions...), p.Customer...) {
		applies[c.ID] = c
	}
	for i, s := range fam.Steps {
		step := Step{Key: s.Key, Number: i + 1, Station: s.Station, Title: s.Title, Do: s.Do, Why: s.Why, Minutes: s.Minutes,
			Once: s.Once, Screws: s.Screws, Hold: s.Hold, Itself: s.Itself, May: append([]string{}, s.May...),
			After: append([]string{}, s.After...), People: max(1, s.People),
			Net:      s.Net,
			Cautions: []caution.Caution{}, Figures: append([]string{}, s.Figures...)}
		if s.Least != nil {
			step.Least = int(s.Least.V)
		}
		for _, id := range s.Cautions {
			if c, ok := applies[id]; ok {
				step.Cautions = append(step.Cautions, c)
			}
		}
		facts := make([]string, 0, len(s.PeopleWhen))
		for k := range s.PeopleWhen {
			facts = append(facts, k)
		}
		sort.Strings(facts)
		for _, k := range facts {
			if words[k] {
				step.People, step.TwoWhy = 2, s.PeopleWhen[k]
			}
		}
		p.Minutes += step.Minutes
		p.Steps = append(p.Steps, step)
	}
	return p.with(f.Required)
}

// with puts each required step behind the others of its station and numbers
// the plan afresh.
func (p Plan) with(required []Required) (Plan, error) {
	for _, r := range required {
		at := slices.Index(family.Stations, r.Station)
		if at < 0 {
			return p, fault.New("required", fmt.Sprintf("no station is called %q", r.Station), "use one of the ten")
		}
		i := slices.IndexFunc(p.Steps, func(s Step) bool { return slices.Index(family.Stations, s.Station) > at })
		if i < 0 {
			i = len(p.Steps)
		}
		p.Steps = slices.Insert(p.Steps, i, Step{Key: r.Key, Station: r.Station, Title: "To keep it from breaking again",
			Do: r.Text, Why: r.Why,
			Minutes: requiredMinutes, Hold: true, Required: true, May: []string{}, After: []string{}, People: 1,
			Cautions: []caution.Caution{}, Figures: []string{}})
		p.Minutes += requiredMinutes
	}
	n := 0
	for i := range p.Steps {
		// What came off has its own order, and no number.
		if p.Steps[i].Number = 0; family.LineOf(p.Steps[i].Key) == "" {
			n++
			p.Steps[i].Number = n
		}
	}
	return p, nil
}
