package jobview

import (
	"time"

	"freshshard/core/cure"
	"freshshard/core/family"
	"freshshard/core/plan"
	"freshshard/internal/record"
)

func AdhesiveName(id string) string {
	if a, err := cure.Book.ByID(id); err == nil {
		return a.Name
	}
	return id
}

// bonds are what was laid at a pane, as the order of work waits for it.
func bonds(cures []record.Cure) []plan.Bond {
	out := make([]plan.Bond, 0, len(cures))
	for _, c := range cures {
		b := plan.Bond{What: AdhesiveName(c.Adhesive), Step: c.Step, Since: c.Since}
		opens, at := cure.Ready, map[cure.Key]*time.Time{cure.LetGo: c.LetGo, cure.Ready: c.Ready, cure.Full: c.Full}
		if a, err := cure.Book.ByID(c.Adhesive); err == nil {
			opens = a.Opens()
		}
		b.Loads = map[family.Load]*time.Time{}
		for load := range at {
			b.Loads[family.Load(load)] = at[cure.Behind(load, opens)]
		}
		out = append(out, b)
	}
	return out
}

// loads are the checks that load what was laid.
func loads(f family.Family) map[string]family.Load {
	out := map[string]family.Load{}
	for _, c := range f.Checks {
		if c.Loads != "" {
			out[c.Key] = c.Loads
		}
	}
	return out
}
