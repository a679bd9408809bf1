package schedule

import (
	"fmt"
	"slices"
)

// Broken is what is wrong with a plan.
type Broken struct {
	Step string `json:"step,omitempty"`
	Job  string `json:"job,omitempty" doc:"Whose it is; nothing where it is nobody's"`
	Why  string `json:"why"`
}

// Verify holds a plan against its problem without looking at how it was made: every step
// once or left with why, nobody at two things or out of hours, nobody doing what they may
// not, places not fuller than they are, no step before its wait, its delivery, its weather,
// pins where they are, and every job ready when it is said to be. Nothing means that the
// plan can be worked.
func Verify(p Problem, plan Plan) []Broken {
	var out []Broken
	steps, owner := map[string]Step{}, map[string]string{}
	say := func(step, format string, args ...any) {
		out = append(out, Broken{step, owner[step], fmt.Sprintf(format, args...)})
	}
	for _, j := range p.Jobs {
		for _, s := range j.Steps {
			steps[s.ID], owner[s.ID] = s, j.ID
		}
	}
	at, left := map[string]Done{}, map[string]bool{}
	for _, l := range plan.Left {
		if _, ok := steps[l.Step]; !ok || left[l.Step] || l.Why == "" {
			say(l.Step, "is left without a reason, twice, or was never wanted")
		}
		left[l.Step] = true
	}
	for _, d := range plan.Steps {
		s, ok := steps[d.Step]
		if _, twice := at[d.Step]; !ok || twice || left[d.Step] {
			say(d.Step, "is done twice, or was never wanted")
			continue
		}
		at[d.Step] = d
		if d.To-d.At != s.Minutes || d.At < 0 || d.Job != owner[d.Step] {
			say(d.Step, "runs from %d to %d, and takes %d min", d.At, d.To, s.Minutes)
		}
		if n := max(1, s.People); len(d.People) != n || len(slices.Compact(slices.Sorted(slices.Values(d.People)))) != n {
			say(d.Step, "takes %d, and %v are at it", n, d.People)
		}
		if s.Not > d.At {
			say(d.Step, "begins at %d, and what it needs comes at %d", d.At, s.Not)
		}
		if s.Fit != nil && !inside(s.Fit, d.At, d.To) {
			say(d.Step, "the weather does not let it from %d to %d", d.At, d.To)
		}
		if s.Pin != nil && (d.At != s.Pin.At || len(s.Pin.People) > 0 &&
			!slices.Equal(slices.Sorted(slices.Values(s.Pin.People)), slices.Sorted(slices.Values(d.People)))) {
			say(d.Step, "is pinned elsewhere")
		}
		whoIsAtIt(p, d, s, say)
	}
	for id, s := range steps {
		d, ok := at[id]
		if !ok && !left[id] {
			say(id, "is not planned")
		}
		for _, a := range s.After {
			if o, done := at[a.Step]; ok && (!done || o.To+a.Wait > d.At) {
				say(id, "begins at %d, before %s and its wait of %d min are over", d.At, a.Step, a.Wait)
			}
		}
	}
	crowds(p, plan, steps, say)
	return append(out, readies(p, plan, at)...)
}

// whoIsAtIt holds those who do a step against what they may do and when they work.
func whoIsAtIt(p Problem, d Done, s Step, say func(step, format string, args ...any)) {
	for _, w := range d.People {
		i := slices.IndexFunc(p.People, func(o Person) bool { return o.ID == w })
		switch {
		case i < 0:
			say(d.Step, "nobody is called %q", w)
		case s.Needs != "" && !slices.Contains(p.People[i].May, s.Needs):
			say(d.Step, "%s may not: %s", w, s.Needs)
		case !inside(p.People[i].Hours, d.At, d.To):
			say(d.Step, "%s does not work from %d to %d", w, d.At, d.To)
		}
	}
}

// inside says whether a stretch lies in one window.
func inside(w []Window, from, to int) bool {
	for _, v := range w {
		if v.From <= from && to <= v.To {
			return true
		}
	}
	return false
}

// crowds counts who is at what, and what is in which place, at the beginning of each step:
// nothing becomes fuller in between.
func crowds(p Problem, plan Plan, steps map[string]Step, say func(string, string, ...any)) {
	for _, d := range plan.Steps {
		for _, w := range d.People {
			n := 0
			for _, o := range plan.Steps {
				if o.At <= d.At && d.At < o.To && slices.Contains(o.People, w) {
					n++
				}
			}
			if n > 1 {
				say(d.Step, "%s is at %d things at %d", w, n, d.At)
			}
		}
		for _, u := range steps[d.Step].Uses {
			i := slices.IndexFunc(p.Places, func(o Place) bool { return o.ID == u })
			if i < 0 {
				continue
			}
			n := 0
			for _, o := range plan.Steps {
				if o.At <= d.At && d.At < o.To && slices.Contains(steps[o.Step].Uses, u) {
					n++
				}
			}
			if n > max(1, p.Places[i].Count) {
				say(d.Step, "%s is used %d times at %d", u, n, d.At)
			}
			if h := p.Places[i].Hours; h != nil && !inside(h, d.At, d.To) {
				say(d.Step, "%s is shut from %d to %d", u, d.At, d.To)
			}
		}
	}
}

// readies holds when each job is said to be ready against its steps.
func readies(p Problem, plan Plan, at map[string]Done) []Broken {
	var out []Broken
	say := func(job, format string, args ...any) {
		out = append(out, Broken{Job: job, Why: fmt.Sprintf(format, args...)})
	}
	for i, j := range p.Jobs {
		end := 0
		for _, s := range j.Steps {
			d, ok := at[s.ID]
			if !ok {
				end = -1
				break
			}
			end = max(end, d.To)
		}
		if end >= 0 {
			end += j.Tail
		}
		if i >= len(plan.Ready) || plan.Ready[i].Job != j.ID || plan.Ready[i].At != end {
			say(j.ID, "job %s is ready at %d", j.ID, end)
			continue
		}
		late := 0
		if j.Promise != nil && end > *j.Promise {
			late = end - *j.Promise
		}
		if plan.Ready[i].Late != late {
			say(j.ID, "job %s is %d min late", j.ID, late)
		}
	}
	return out
}
