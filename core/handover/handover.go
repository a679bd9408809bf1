// Package handover says what the customer is told when the work goes out: what
// was decided for this pane first, then what holds for every pane like it.
// Common practice, no source; the maker's sheets come first.
package handover

import (
	"fmt"
	"slices"
	"strings"

	"freshshard/core/caution"
	"freshshard/core/compat"
	"freshshard/core/diagnose"
	"freshshard/core/exposure"
	"freshshard/core/working"
)

// Line is one thing to tell.
type Line struct {
	Title string `json:"title"`
	Text  string `json:"text"`
}

// Decided is what it follows from.
type Decided struct {
	Done     string            // what was done, where no new pane was made to size
	Pane     string            // "5 mm glass-ceramic"; empty while nothing is settled
	Exposure exposure.Exposure // of the object, as the customer uses it
	Carries  string            // what it was reckoned to carry, in words
	Touch    []compat.Finding  // how cleaners get on with it
	Chain    []diagnose.Link   // why the old one broke
	Standing []caution.Caution // what holds for every pane like it
}

// warm is the heat from which a customer is told what a pane was reckoned for,
// °C: below it nobody changes the heat. Judgement, no source.
const warm = 60.0

// most is how many cleaners are named: a longer list is not read.
const most = 4

// Lines are what the customer is told, in the order of reading.
func Lines(d Decided) []Line {
	out := []Line{}
	if d.Done != "" {
		out = append(out, Line{"What was done", d.Done + "."})
	}
	if d.Pane != "" {
		out = append(out, Line{"The new pane", d.pane()})
	}
	if s := d.cleaning(); d.Pane != "" && s != "" && !d.plastic() {
		out = append(out, Line{"Cleaning it", s})
	}
	told := []string{}
	for _, l := range d.Chain {
		if s := diagnose.Tell(l.ID); s != "" {
			told = append(told, s)
		}
	}
	if len(told) > 0 {
		out = append(out, Line{"To keep it from breaking again", strings.Join(told, " ")})
	}
	for _, c := range d.Standing {
		out = append(out, Line{c.Title, c.Text})
	}
	return out
}

// plastic says whether what stands already tells how plastic is cleaned.
func (d Decided) plastic() bool {
	return slices.ContainsFunc(d.Standing, func(c caution.Caution) bool { return c.ID == "plastic-clean" })
}

// pane says what was put in and for what it was reckoned.
func (d Decided) pane() string {
	s := d.Pane
	e := d.Exposure
	if e.Steady >= warm {
		s += fmt.Sprintf(", reckoned for %s °C in use and %s °C for minutes", working.Num(e.Steady, 0),
			working.Num(e.Short, 0))
		if e.Cleaning > 0 {
			s += fmt.Sprintf(", and for %s hours of cleaning at that heat in its life", working.Num(e.Cleaning, 0))
		}
	}
	if d.Carries != "" {
		s += ", reckoned to carry " + d.Carries
	}
	if e.Steady >= warm || d.Carries != "" {
		s += ". Ask before it is used for more"
	}
	return s + "."
}

// cleaning names what cleans it and what must never touch it; empty where
// nothing in the house spoils it.
func (d Decided) cleaning() string {
	good, never := []string{}, []string{}
	for _, f := range d.Touch {
		switch {
		case f.Agent.Kind != "cleaner":
		case f.Verdict == compat.Good:
			good = append(good, f.Agent.Name)
		case f.Verdict == compat.Never:
			never = append(never, f.Agent.Name)
		}
	}
	if len(never) == 0 {
		return ""
	}
	s := "Never " + list(never) + "."
	if len(good) > 0 {
		s = "With " + list(good[:min(len(good), 2)]) + ". " + s
	}
	return s
}

func list(names []string) string {
	names = names[:min(len(names), most)]
	if len(names) == 1 {
		return names[0]
	}
	return strings.Join(names[:len(names)-1], ", ") + " or " + names[len(names)-1]
}
