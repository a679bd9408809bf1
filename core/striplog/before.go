package striplog

import (
	"fmt"
	"slices"

	"freshshard/core/fault"
)

// rank is where it stands in the rebuild: before the pane, the pane with what
// is round it, after the pane. ok is false for what stands to no pane.
func (e Entry) rank() (n int, ok bool) {
	switch {
	case e.Kind == Pane || e.Stands == Round:
		return 1, true
	case e.Stands == Under:
		return 0, true
	case e.Stands == Over:
		return 2, true
	}
	return 0, false
}

// before are the ids of all that has to be back before an entry: what it holds
// down, what was said to go first, and by how both stand to the pane.
func (l Log) before(e Entry) []string {
	out := slices.Clone(e.Captures)
	for _, f := range e.First {
		if !slices.Contains(out, f) {
			out = append(out, f)
		}
	}
	mine, ok := e.rank()
	if !ok {
		return out
	}
	for _, o := range l {
		if theirs, has := o.rank(); has && theirs < mine && o.ID != e.ID && !slices.Contains(out, o.ID) {
			out = append(out, o.ID)
		}
	}
	return out
}

// waits says why an entry cannot go back yet; nil when it can.
func (l Log) waits(e Entry) *fault.Error {
	for _, id := range l.before(e) {
		o, ok := l.find(id)
		if !ok || o.IsBack() {
			continue
		}
		switch {
		case slices.Contains(e.Captures, id):
			return fault.New("in", fmt.Sprintf("%s goes in before %s, which holds it down", o.What, e.What),
				"put that back first")
		case slices.Contains(e.First, id):
			return fault.New("in", fmt.Sprintf("%s was said to go in before %s", o.What, e.What), "put that back first")
		}
		return fault.New("in", fmt.Sprintf("%s goes in before %s, by how both stand to the pane", o.What, e.What),
			"put that back first, or say otherwise how they stand")
	}
	return nil
}
