package bench

import (
	"context"
	"fmt"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// PutBack says how many of a line of the strip log are back in. A line that a step of the work puts
// back is that step's; any other is a step of its own, and waits like one.
func (s *Service) PutBack(ctx context.Context, by record.Account, job int64, id string, in, version int) error {
	return s.NoteAll(ctx, by, job, func(e *change.Edit) (store.Change, error) {
		was, err := s.SeenLine(e.Job, id, version)
		if err != nil {
			return store.Change{}, err
		}
		if by := jobview.PutBy(e.Job, id); by != "" {
			return store.Change{}, fault.New("in", was.Entry.What+" goes in with “"+by+"”", "say that step")
		}
		return rebuild{s, e}.putBack(was, in)
	})
}

// rebuild puts back what came off, in a change of the job.
type rebuild struct {
	s *Service
	e *change.Edit
}

// putBack does it, and opens again what stood on a thing that is out again.
func (r rebuild) putBack(was record.StripEntry, in int) (store.Change, error) {
	s, e := r.s, r.e
	id := was.Entry.ID
	on, befores := linesOn(e.Job, id)
	if in > was.Entry.In && on != nil {
		b := befores[0]
		st, err := b.Step(family.LineKey(id))
		if err != nil {
			return store.Change{}, err
		}
		if w := s.WaitOf(e.Job, b, st); w != nil {
			return store.Change{}, fault.New("in", "not yet: "+w.Why, jobview.UntilSaid(w))
		}
	}
	if _, err := jobview.LogOf(*e.Job).PutBack(id, in); err != nil {
		return store.Change{}, err
	}
	c := store.Change{Noun: "strip", Item: id, Action: "put back", Said: fmt.Sprintf("back in: %d of %s", in,
		was.Entry.What), Before: was.Entry.In, After: in}
	e.PutBack(id, in)
	for i, p := range on {
		f := s.Follower(e, p)
		if in < was.Entry.In {
			f.falls(befores[i])
			f.notYet()
		} else {
			f.tickIdle()
		}
		c = f.With(c)
	}
	return c, nil
}

// linesOn are the panes in whose work a line of the strip log is a step of its own, as they stand.
func linesOn(j *record.Job, id string) (on []*record.Pane, stand []jobview.Pane) {
	for i := range j.Panes {
		b := jobview.PaneOf(j, &j.Panes[i], length.MM, nil, jobview.Numbers)
		if _, err := b.Step(family.LineKey(id)); err == nil {
			on, stand = append(on, &j.Panes[i]), append(stand, b)
		}
	}
	return on, stand
}

// tick is a tick of a step that puts a line of the strip log back: all of it, or nothing.
func (r rebuild) tick(st plan.Step, in Done) (store.Change, error) {
	id := family.LineOf(st.Key)
	for _, was := range r.e.Job.Strip {
		if was.Entry.ID != id {
			continue
		}
		back := was.Entry.IsBack()
		switch {
		case in.Outcome == "left-out":
			return store.Change{}, fault.New("outcome", was.Entry.What+" came off and goes back",
				"say in the strip log that it is lost, replaced, or stays off")
		case back == (in.Outcome == "done"):
			return store.Change{}, nil // a retry, or two who did the same
		case back && was.Version != in.Seen:
			return store.Change{}, tickConflict(record.Tick{Outcome: "done", By: was.By}, st.Key, r.s.Ago(was.At))
		case in.Outcome == "done":
			return r.putBack(was, max(1, was.Entry.Wanted()))
		}
		return r.putBack(was, 0)
	}
	return store.Change{}, &record.NotFound{What: "this step"}
}
