package plan

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/state"
)

// Clock is what has to harden, to dry, to cool or to run. A Ready of nil does not come.
type Clock struct {
	What  string
	Ready *time.Time
	Says  string // why it is waited for; nothing for what hardens
	Shut  bool   // a part of it has not begun: no time opens it
}

// out says whether it is waited for no more.
func (c Clock) out(now time.Time) bool { return !c.Shut && c.Ready != nil && !c.Ready.After(now) }

// Waiting is what is waited for, in words for a list.
func (c Clock) Waiting() string {
	if c.Says != "" {
		return c.What
	}
	return c.What + " to harden"
}

// Later is the one of two that is waited for longer.
func (c Clock) Later(o Clock) Clock {
	switch {
	case c.Ready == nil || o.Ready == nil:
		if c.Ready == nil {
			return c
		}
		return o
	case c.Shut != o.Shut:
		if c.Shut {
			return c
		}
		return o
	case o.Ready.After(*c.Ready):
		return o
	}
	return c
}

// why says it at the step or check that waits.
func (c Clock) why() string {
	switch {
	case c.Says != "":
		return c.Says
	case c.Ready == nil:
		return c.What + " does not harden in such air: bring it into the warm"
	}
	return c.What + " has to harden: not before its clock is out"
}

// Standing is what a step is held against before it counts as done.
type Standing struct {
	Done   map[string]time.Time // when each step was ticked, done or left out
	Sized  bool                 // a size was worked out
	Unread []string             // names of needed readings that nobody has taken
	NoPart bool                 // what is bought is not noted yet
	Awaits string               // what the pane waits for; empty when nothing is
	Away   bool                 // it is the pane itself, that is on an order
	Laid   *time.Time           // when the last of what hardens was laid; nil while nobody said
	Clocks map[string]Clock     // by step: what has to be out before it is ticked
	Checks map[string]Clock     // by check: what has to be out before it passes
}

// CheckWait says which clock a check waits for, nil when none runs. What fails is said at
// once.
func (st Standing) CheckWait(check string, now time.Time) *Wait {
	if c, ok := st.Checks[check]; ok && !c.out(now) {
		return &Wait{Why: c.why(), Until: c.Ready}
	}
	return nil
}

// Wait says why a step cannot be ticked yet.
type Wait struct {
	Step  string     `json:"step"`
	Why   string     `json:"why"`
	Until *time.Time `json:"until,omitempty" doc:"When it is over, where the clock alone is waited for"`
	// Unsaid is that all it waits for is to be told what was laid. At is the station of the step that
	// it waits for, On the pane of that, counted from 1; 0 is its own.
	Unsaid bool           `json:"-"`
	At     family.Station `json:"-"`
	On     int            `json:"-"`
}

// Wait says why a step cannot be ticked yet, nil when it can: it waits for another step, for the
// pane, for what hardens, for a clock, or for readings.
func (p Plan) Wait(s Step, st Standing, now time.Time) *Wait {
	w := p.After(s.After, st)
	for _, next := range []func(Step, Standing, time.Time) *Wait{away, hardening, shut, unread} {
		if w != nil {
			break
		}
		w = next(s, st, now)
	}
	if w != nil {
		w.Step = s.Key
	}
	return w
}

// away is what is not here: it is not looked over, and nothing is built with it. What else a pane
// waits for, a gasket or a tube, keeps it from being set.
func away(s Step, st Standing, _ time.Time) *Wait {
	switch {
	case s.Key == "part-number" && st.NoPart:
		return &Wait{Why: "no number noted, nor where the part was seen"}
	case st.Away && slices.Contains(s.Needs, state.Here), !st.Away && st.Awaits != "" && s.Station == "set":
		return &Wait{Why: "it waits for " + st.Awaits + "; say first that it has come"}
	}
	return nil
}

// hardening is what was laid and has to harden: from when it was laid, not from when that was
// ticked.
func hardening(s Step, st Standing, now time.Time) *Wait {
	switch {
	case !s.Hardens:
		return nil
	case st.Laid == nil:
		return &Wait{Unsaid: true, Why: "nobody has said what was laid, and when: it hardens from then on"}
	}
	if over := st.Laid.Add(time.Duration(s.Least) * time.Minute); over.After(now) {
		return &Wait{Until: &over,
			Why: fmt.Sprintf("no sheet lets it go within %d min; the time on its sheet comes first", s.Least)}
	}
	return nil
}

// shut is the clock that keeps a step shut.
func shut(s Step, st Standing, now time.Time) *Wait {
	if c, ok := st.Clocks[s.Key]; ok && !c.out(now) {
		return &Wait{Until: c.Ready, Why: c.why()}
	}
	return nil
}

// unread is what is not read: who measures has measured.
func unread(s Step, st Standing, _ time.Time) *Wait {
	switch {
	case s.Station != "measure" || s.Key != "measure" || !s.Hold:
		return nil
	case len(st.Unread) > 0:
		return &Wait{Why: "not read yet: " + strings.Join(st.Unread, ", ")}
	case !st.Sized:
		return &Wait{Why: "there is no size yet"}
	}
	return nil
}

// After says which of some steps is open, and what is therefore not so; nil when none is. A step
// that the plan does not have is not waited for.
func (p Plan) After(keys []string, st Standing) *Wait {
	for _, s := range p.Steps {
		if _, done := st.Done[s.Key]; done || !slices.Contains(keys, s.Key) {
			continue
		}
		why := "first " + lower(s.Title)
		if s.Number > 0 {
			why = fmt.Sprintf("first step %d, %s", s.Number, lower(s.Title))
		}
		if len(s.Makes) > 0 {
			why = state.Of(s.Makes[0]).Missed + ": " + why
		}
		return &Wait{Why: why, At: s.Station}
	}
	return nil
}

func lower(s string) string { return strings.ToLower(s[:1]) + s[1:] }

// Bond is something that was laid, and when it may be loaded how; a load that is not there does not
// come in its air. Step is the one at which it hardens.
type Bond struct {
	What  string
	Step  string
	Since time.Time
	Loads map[family.Load]*time.Time
}

// Lay lays what hardens over the steps and checks that load it: each waits for the clock of its
// own load, and the step at which it hardens for letting go.
func (st *Standing) Lay(p Plan, checks map[string]family.Load, bonds []Bond) {
	for _, b := range bonds {
		if since := b.Since; st.Laid == nil || since.After(*st.Laid) {
			st.Laid = &since
		}
		// What is laid at a step keeps nothing shut that comes before it.
		at := max(0, slices.IndexFunc(p.Steps, func(s Step) bool { return s.Key == b.Step }))
		for _, s := range p.Steps[at:] {
			load := s.Loads
			if load == "" && s.Key == b.Step {
				load = family.LetGo
			}
			st.Clocks = keeps(st.Clocks, s.Key, load, b)
		}
		for key, load := range checks {
			st.Checks = keeps(st.Checks, key, load, b)
		}
	}
}

func keeps(all map[string]Clock, key string, load family.Load, b Bond) map[string]Clock {
	if load == "" {
		return all
	}
	return AddClock(all, key, Clock{What: b.What, Ready: b.Loads[load]})
}

// AddClock lays a clock over what is waited for already: the later one counts.
func AddClock(all map[string]Clock, key string, c Clock) map[string]Clock {
	if all == nil {
		all = map[string]Clock{}
	}
	if had, ok := all[key]; ok {
		c = had.Later(c)
	}
	all[key] = c
	return all
}

// Leave says whether a person may leave a step out for a reason. Holds are left out in the book's cases alone, or by an
// owner; what broke the last pane is never left out.
func (s Step) Leave(reason string, owner bool) error {
	switch {
	case s.Required:
		return fault.New("outcome", "this is what broke the last pane; it cannot be skipped",
			"do it, or choose another cause at Assess")
	case !s.Hold || owner || slices.Contains(s.May, reason):
		return nil
	case len(s.May) > 0:
		return fault.New("reason", "this hold is skipped only where "+strings.Join(s.May, ", or where "),
			"choose one of these, do it, or ask an owner")
	}
	return fault.New("outcome", "this is a hold: it is not skipped",
		"do it, or ask an owner, who can skip it with a reason")
}
