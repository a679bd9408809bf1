package work

import (
	"slices"

	"freshshard/core/family"
	"freshshard/core/state"
)

// usually is what every step of a station needs, beside what it says of itself.
var usually = map[family.Station][]state.State{
	"strip":   {"isolated", "cold"},
	"prepare": {"isolated", "cold", "out"},
	"set": {"isolated", "cold", "out", "cleared", "seat", "primed", "ordered", state.Here, "looked-over", "faces-clean",
		"fits"},
	"hold":  {"laid", state.In, state.Fixed},
	"refit": {state.In, state.Fixed, "let-go"},
	"prove": {state.In, state.Fixed, "let-go", "returned"},
}

// proved is what a check needs that says nothing of itself.
var proved = []state.State{state.In, state.Fixed}

// needs is all that a step needs. Whoever asks for the new pane asks that it is here.
func needs(s family.Step) []state.State {
	out := slices.Clone(usually[s.Station])
	for _, k := range s.Needs {
		if !slices.Contains(out, k) {
			out = append(out, k)
		}
	}
	if slices.Contains(s.Makes, "out") && !slices.Contains(out, "open") {
		out = append(out, "open") // nothing comes out of what is shut
	}
	wants := slices.Contains(s.Makes, "looked-over") ||
		s.Station != "source" && (slices.Contains(out, "looked-over") || slices.Contains(out, "ordered"))
	if wants && !slices.Contains(out, state.Here) {
		out = append(out, state.Here)
	}
	return out
}

// ordered works out what each step and each check waits for: the steps before it that make what it
// needs, in their order.
func ordered(f family.Family) family.Family {
	for i, s := range f.Steps {
		n := needs(s)
		f.Steps[i].Needs, f.Steps[i].After = n, makers(f.Steps[:i], n)
	}
	for i, c := range f.Checks {
		n := c.Needs
		if n == nil {
			n = proved
		}
		f.Checks[i].Needs, f.Checks[i].After = n, makers(f.Steps, n)
	}
	return f
}

// makers are the keys of the steps that make any of some states.
func makers(steps []family.Step, needs []state.State) []string {
	out := []string{}
	for _, s := range steps {
		if slices.ContainsFunc(s.Makes, func(k state.State) bool { return slices.Contains(needs, k) }) {
			out = append(out, s.Key)
		}
	}
	return out
}
