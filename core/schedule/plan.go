package schedule

import (
	"cmp"
	"slices"
)

// Done is a step with when and by whom.
type Done struct {
	Step   string   `json:"step"`
	Job    string   `json:"job"`
	At     int      `json:"at"`
	To     int      `json:"to"`
	People []string `json:"people"`
	Why    string   `json:"why" doc:"Why not sooner"`
}

// Ready is when a job may go out, and what holds it up.
type Ready struct {
	Job  string `json:"job"`
	At   int    `json:"at"`
	Late int    `json:"late,omitempty" doc:"min after its promise"`
	Why  string `json:"why"`
}

// Plan is who does what when.
type Plan struct {
	Steps  []Done  `json:"steps" doc:"In the order of time"`
	Ready  []Ready `json:"ready" doc:"In the order of the jobs"`
	Left   []Left  `json:"left,omitempty" doc:"Steps for which there is no time in the hours that are given"`
	Cost   float64 `json:"cost" doc:"Hours late, by weight, and a hundredth of the hours until each is ready"`
	Late   float64 `json:"late" doc:"Hours late in all, by weight"`
	Bound  float64 `json:"bound" doc:"No plan can cost less"`
	Proved bool    `json:"proved" doc:"No plan costs less"`
	Tidy   Tidy    `json:"tidy"`
	Idle   float64 `json:"idle" doc:"Hours in which people stand idle until the last step ends"`
}

// Left is a step without a time.
type Left struct {
	Step string `json:"step"`
	Why  string `json:"why"`
}

// Of finds a step in a plan; nil where it has no time.
func (p Plan) Of(step string) *Done {
	i := slices.IndexFunc(p.Steps, func(d Done) bool { return d.Step == step })
	if i < 0 {
		return nil
	}
	return &p.Steps[i]
}

// Day is what one person does, in order.
func (p Plan) Day(person string) []Done {
	out := []Done{}
	for _, d := range p.Steps {
		if slices.Contains(d.People, person) {
			out = append(out, d)
		}
	}
	slices.SortFunc(out, func(a, b Done) int { return cmp.Compare(a.At, b.At) })
	return out
}
