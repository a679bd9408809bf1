package plan

import (
	"slices"
	"time"

	"freshshard/core/state"
)

// Bench is one pane of an object with its work and how that stands. Depth counts from the front.
type Bench struct {
	Name     string
	Depth    int
	Plan     Plan
	Standing Standing
}

// Object are the panes of one object.
type Object []Bench

// Wait says why a step of one of the panes cannot be ticked yet, nil when it can. What is done once
// for the object waits for all its panes: no door is shut over one that is not in. What lies in
// front waits for what lies behind.
func (o Object) Wait(on int, s Step, now time.Time) *Wait {
	w := o[on].Plan.Wait(s, o[on].Standing, now)
	for i := 0; i < len(o) && w == nil; i++ {
		if i == on {
			continue
		}
		if w = o[on].waitsFor(o[i], s, now); w != nil {
			w.Step, w.Why, w.On = s.Key, o[i].Name+", "+w.Why, i+1
		}
	}
	return w
}

// waitsFor is what a step of one pane waits for on another one.
func (b Bench) waitsFor(other Bench, s Step, now time.Time) *Wait {
	switch {
	case s.Once:
		return other.holdsUp(s, now)
	case other.Depth > b.Depth && slices.Contains(s.Makes, state.In):
		return other.Plan.After(makers(other.Plan.Steps, []state.State{state.In}), other.Standing)
	}
	return nil
}

// holdsUp is why a step that is done once for the object cannot be done for this pane.
func (b Bench) holdsUp(s Step, now time.Time) *Wait {
	i := slices.IndexFunc(b.Plan.Steps, func(o Step) bool { return o.Key == s.Key })
	if i >= 0 && b.Plan.Steps[i].Once {
		return b.Plan.Wait(b.Plan.Steps[i], b.Standing, now)
	}
	return b.Plan.After(makers(b.Plan.Steps, s.Needs), b.Standing)
}

func makers(steps []Step, needs []state.State) []string {
	out := []string{}
	for _, s := range steps {
		if slices.ContainsFunc(s.Makes, func(k state.State) bool { return slices.Contains(needs, k) }) {
			out = append(out, s.Key)
		}
	}
	return out
}

// Waits are the open steps of one of the panes that wait for something, in their order.
func (o Object) Waits(on int, now time.Time) []Wait {
	out := []Wait{}
	for _, s := range o[on].Plan.Steps {
		if _, done := o[on].Standing.Done[s.Key]; done {
			continue
		}
		if w := o.Wait(on, s, now); w != nil {
			out = append(out, *w)
		}
	}
	return out
}

// Lasts says whether anything that a step makes has to stay so for what is built on it.
func (s Step) Lasts() bool {
	return slices.ContainsFunc(s.Makes, func(k state.State) bool { return state.Of(k).Lasts })
}

// Hardens says whether something hardens in this work before it goes on.
func (p Plan) Hardens() bool {
	return slices.ContainsFunc(p.Steps, func(s Step) bool { return s.Hardens })
}

// Sets says whether a step puts the pane in its seat.
func (s Step) Sets() bool { return slices.Contains(s.Makes, state.In) }

// Fall is a step that is done and stands on what is not so.
type Fall struct {
	Step Step
	Why  string
}

// Fallen are the steps that are done, but stand on what is not so, or no longer: a pane that went
// back is not in its seat. That the power was off only had to be so at the time; but where a first
// heat falls, it was on since, and is switched off again before anything is touched.
func (p Plan) Fallen(st Standing) []Fall {
	out, open := []Fall{}, map[string]bool{}
	var ended []state.State
	for i, s := range p.Steps {
		if _, done := st.Done[s.Key]; !done {
			open[s.Key] = true
			continue
		}
		if why := p.fell(i, st, open); why != "" {
			out, open[s.Key] = append(out, Fall{s, why}), true
			ended = append(ended, s.Ends...)
		}
	}
	for _, k := range makers(p.Steps, ended) {
		i := slices.IndexFunc(p.Steps, func(s Step) bool { return s.Key == k })
		if !open[k] {
			out = append(out, Fall{p.Steps[i], "it was on again since"})
		}
	}
	return out
}

// fell says why the i-th step no longer stands, where those that are open are known.
func (p Plan) fell(i int, st Standing, open map[string]bool) string {
	s := p.Steps[i]
	if st.Away && slices.Contains(s.Needs, state.Here) {
		return "it waits for " + st.Awaits
	}
	for _, o := range p.Steps[:i] {
		for _, k := range o.Makes {
			if open[o.Key] && state.Of(k).Lasts && slices.Contains(s.Needs, k) {
				return state.Of(k).Missed
			}
		}
	}
	return ""
}
