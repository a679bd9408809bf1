package pane

import (
	_ "embed"
	"fmt"

	"freshshard/core/catalogue"
	"freshshard/core/working"
)

//go:embed schools.json
var schoolFile []byte

// School is a question on which good people disagree, with both answers.
// Common practice, no source.
type School struct {
	ID       string `json:"id" enum:"like,boat,maker,impact"`
	Question string `json:"question"`
	Sides    []Side `json:"sides"`
}

// Side is one answer and what speaks for it; Here says what it comes to for
// this pane.
type Side struct {
	Name string   `json:"name"`
	For  []string `json:"for"`
	Here string   `json:"here,omitempty"`
}

var schools = catalogue.Must[[]School](schoolFile, "schools.json")

// schools are the questions that this pane raises.
func (c Choice) schools(n Need) []School {
	out := []School{}
	for _, s := range schools {
		var first, second func(Ranked, Material) bool
		switch s.ID {
		case "like":
			if n.Like == "" || len(c.Open) == 0 || c.Open[0].Like {
				continue
			}
			first, second = func(r Ranked, _ Material) bool { return r.Like }, func(r Ranked, _ Material) bool { return !r.Like }
		case "boat":
			if !n.Boat {
				continue
			}
			first, second = func(_ Ranked, m Material) bool { return !m.Plastic },
				func(_ Ranked, m Material) bool { return m.Plastic }
		case "impact":
			if !n.Strike {
				continue
			}
			first, second = func(_ Ranked, m Material) bool { return repeating{m}.toughened() },
				func(_ Ranked, m Material) bool { return m.laminated() }
		case "maker":
			if !n.Maker {
				continue
			}
		}
		s.Sides = []Side{c.here(s.Sides[0], first), c.here(s.Sides[1], second)}
		out = append(out, s)
	}
	return out
}

// here adds to a side the best of the list that stands for it.
func (c Choice) here(s Side, stands func(Ranked, Material) bool) Side {
	if stands == nil {
		return s
	}
	s.Here = "Nothing on the list stands for it here: see what is ruled out."
	for n, r := range c.Open {
		if m, err := Book.ByID(r.Material); err == nil && stands(r, m) {
			s.Here = fmt.Sprintf("Here: %s mm %s, number %d with %s of 10.", working.Num(r.Thickness, 1), r.Name, n+1,
				working.Num(r.Score, 1))
			break
		}
	}
	return s
}
