package plan

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/fault"
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
	Awaits string               // what the pane waits for; empty when it is here
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
}

// Waits are the steps that wait for something, in their order.
func (p Plan) Waits(st Standing, now time.Time) []Wait {
	out := []Wait{}
	for _, s := range p.Steps {
		if w := p.Wait(s, st, now); w != nil {
			if _, done := st.Done[s.Key]; !done {
				out = append(out, *w)
			}
		}
	}
	return out
}

// Wait says why a step cannot be ticked yet, nil when it can: it waits for
// another step, for the clock after it, or for readings.
func (p Plan) Wait(s Step, st Standing, now time.Time) *Wait {
	if w := p.After(s.After, st); w != nil {
		w.Step = s.Key
		return w
	}
	if c, ok := st.Clocks[s.Key]; ok && !c.out(now) {
		return &Wait{Step: s.Key, Until: c.Ready, Why: c.why()}
	}
	if s.Least > 0 {
		var last time.Time
		for _, k := range s.After {
			if at := st.Done[k]; at.After(last) {
				last = at
			}
		}
		if over := last.Add(time.Duration(s.Least) * time.Minute); over.After(now) {
			return &Wait{Step: s.Key, Until: &over,
				Why: fmt.Sprintf("no sheet lets it go within %d min; the time on its sheet comes first", s.Least)}
		}
	}
	// Who measures has measured.
	if s.Station == "measure" && s.Key == "measure" && s.Hold {
		switch {
		case len(st.Unread) > 0:
			return &Wait{Step: s.Key, Why: "not read yet: " + strings.Join(st.Unread, ", ")}
		case !st.Sized:
			return &Wait{Step: s.Key, Why: "there is no size yet"}
		}
	}
	// What is not here is not looked over.
	if s.Key == "check-new" && st.Awaits != "" {
		return &Wait{Step: s.Key, Why: "it waits for " + st.Awaits + "; say first that it has come"}
	}
	if s.Key == "part-number" && st.NoPart {
		return &Wait{Step: s.Key, Why: "no number noted, nor where the part was seen"}
	}
	return nil
}

// After says which of some steps is open, nil when none is. A step that the
// plan does not have is not waited for.
func (p Plan) After(keys []string, st Standing) *Wait {
	for _, k := range keys {
		i := slices.IndexFunc(p.Steps, func(s Step) bool { return s.Key == k })
		if _, done := st.Done[k]; i >= 0 && !done {
			return &Wait{Why: fmt.Sprintf("first step %d, %s", p.Steps[i].Number, strings.ToLower(p.Steps[i].Title[:1])+
				p.Steps[i].Title[1:])}
		}
	}
	return nil
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
