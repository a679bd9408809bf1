package work

import (
	"slices"

	"freshshard/core/family"
	"freshshard/core/state"
	"freshshard/core/striplog"
)

// rebuilt lays the strip log over the work of a pane. What a step of the way of holding puts back is
// that step's; every other line is a step of its own: what lies under the pane before it is tried in,
// the rest behind the pane, at Refit.
func rebuilt(f family.Family, l striplog.Log) family.Family {
	if len(l) == 0 || !slices.ContainsFunc(f.Steps, func(s family.Step) bool { return s.Station == "refit" }) {
		return f
	}
	taken, places := takers(f.Steps, l), l.Places()
	for i := range f.Steps {
		f.Steps[i].Puts = nil
		for _, e := range l {
			if taken[e.ID] == f.Steps[i].Key {
				f.Steps[i].Puts = append(f.Steps[i].Puts, e.ID)
			}
		}
	}
	due := dues(f.Steps, l)
	for _, back := range l.OrderBack() {
		i := slices.IndexFunc(l, func(e striplog.Entry) bool { return e.ID == back.ID })
		if e := l[i]; taken[e.ID] == "" && e.Fate != striplog.Off {
			f.Steps = withLine(f.Steps, e, back, places[e.ID], due[e.ID])
		}
	}
	return f
}

// withLine adds the step of one line; by is the step that cannot do without it, none where none is.
func withLine(steps []family.Step, e striplog.Entry, back striplog.Line, at striplog.Place, by string) []family.Step {
	s := family.Step{Key: family.LineKey(e.ID), Once: true, Title: back.Say, Do: "As it was noted when it came off.",
		Why: "It came off, and goes back.", Net: family.Net{Puts: []string{e.ID}, Loads: family.LetGo}}
	due := slices.IndexFunc(steps, func(o family.Step) bool { return o.Key == by })
	if at == striplog.Before {
		due = first(steps, due, "fits", "laid", "sealed", state.In)
	}
	switch {
	case due < 0 && back.Stands == striplog.Over:
		s.Station, s.Makes = "refit", []state.State{"refitted", "returned"}
		// The moulding goes on before the door is hung.
		shut := slices.IndexFunc(steps, func(o family.Step) bool {
			return o.Station == "refit" && (makes(o, "hung") || makes(o, "closed") || slices.Contains(o.Needs, "refitted"))
		})
		if shut < 0 {
			shut = behind(steps, s)
		}
		return slices.Insert(steps, shut, s)
	case due < 0:
		s.Station, s.Makes = "refit", []state.State{"returned"}
		return slices.Insert(steps, behind(steps, s), s)
	}
	s.Makes, s.Loads = []state.State{"bedded"}, ""
	for i := due; i < len(steps); i++ {
		if i == due || makes(steps[i], state.In) {
			steps[i].Needs = append(slices.Clip(steps[i].Needs), "bedded")
		}
	}
	if s.Station = steps[due].Station; at == striplog.Before {
		// What lies under the pane does not wait until that is here.
		s.Station, s.Needs = "prepare", []state.State{"cleared", "seat"}
		due = min(due, behind(steps, s))
	} else {
		s.Needs = []state.State{state.In}
	}
	return slices.Insert(steps, due, s)
}

// dues are the first steps that put back what cannot do without a line, by line.
func dues(steps []family.Step, l striplog.Log) map[string]string {
	out := map[string]string{}
	for _, s := range steps {
		if len(s.Puts) == 0 {
			continue
		}
		for id := range l.Wants(s.Puts...) {
			if out[id] == "" {
				out[id] = s.Key
			}
		}
	}
	return out
}

// first is the place of the first step that makes one of some states, or a place where that is before
// it.
func first(steps []family.Step, at int, makes ...state.State) int {
	for i, s := range steps {
		if (at < 0 || i < at) && slices.ContainsFunc(makes, func(k state.State) bool { return slices.Contains(s.Makes, k) }) {
			return i
		}
	}
	return at
}

func makes(s family.Step, k state.State) bool { return slices.Contains(s.Makes, k) }

// takers are the steps that put lines of the strip log back, by line: the pane is the step's that
// puts the pane in, a gasket round it the step's that puts the gasket on, beads and brackets the
// step's that fixes it, and screws go with what they hold.
func takers(steps []family.Step, l striplog.Log) map[string]string {
	out, places := map[string]string{}, l.Places()
	in := slices.IndexFunc(steps, func(s family.Step) bool { return makes(s, state.In) })
	if in < 0 {
		return out
	}
	for _, e := range l {
		if at := takes(steps, in, e, places[e.ID]); at >= 0 && goesIn(e) {
			out[e.ID] = steps[at].Key
		}
	}
	holds := slices.IndexFunc(steps, func(s family.Step) bool { return s.Screws })
	if holds < 0 {
		holds = slices.IndexFunc(steps, func(s family.Step) bool { return makes(s, state.Fixed) })
	}
	loose := func(id string) bool { return out[id] == "" }
	for _, e := range l {
		if e.Kind == striplog.Fasteners && loose(e.ID) && goesIn(e) && holds >= 0 && len(e.Captures) > 0 &&
			!slices.ContainsFunc(e.Captures, loose) {
			out[e.ID] = steps[holds].Key
		}
	}
	return out
}

// goesIn says whether a thing was out and is put in again.
func goesIn(e striplog.Entry) bool { return e.Fate != striplog.Off && !e.Loosen }

// takes is the place of the step that puts a thing back, -1 where none does: by what the thing is
// called, else by how it lies. in is the place of the step that puts the pane in.
func takes(steps []family.Step, in int, e striplog.Entry, at striplog.Place) int {
	if e.Kind == striplog.Pane {
		return in
	}
	called := func(s family.Step) bool { return len(s.Takes) > 0 && e.Called(s.Takes...) }
	if i := slices.IndexFunc(steps, called); i >= 0 || at != striplog.With {
		return i
	}
	on := slices.IndexFunc(steps[:in], func(s family.Step) bool { return makes(s, "sealed") })
	if on >= 0 && e.Kind == striplog.Seal {
		return on
	}
	return in
}
