package bench

import (
	"context"
	"fmt"
	"slices"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// noneReady is what somebody gets who ticks all where none can be.
func noneReady(why string) error {
	if why == "" {
		return nil // done already on each: a retry
	}
	return fault.New("outcome", "on none of them yet: "+why, "do that first")
}

// TickAll ticks a step on every pane that has it, is open and waits for
// nothing. Panes that are not ready stay as they are. Where it was painted, each dries.
func (s *Service) TickAll(ctx context.Context, by record.Account, job int64, step string, painted bool) error {
	return s.NoteAll(ctx, by, job, func(e *change.Edit) (store.Change, error) {
		n, title, why := 0, "", ""
		for i := range e.Job.Panes {
			p := &e.Job.Panes[i]
			b := jobview.PaneOf(e.Job, p, length.MM, nil, jobview.Numbers)
			st, err := b.Step(step)
			if err != nil || b.Done[step] || family.LineOf(step) != "" {
				continue
			}
			title = st.Title
			if w := s.WaitOf(e.Job, b, st); w != nil {
				why = jobview.Name(*p) + ", " + w.Why
				continue
			}
			if e.Tick(p, record.Tick{Step: step, Outcome: "done", Version: 1, At: e.Now}); leads(b, step) {
				s.Follower(e, p).afterStep(step, true)
			}
			if painted {
				if err := dries(e, p, b, st); err != nil {
					return store.Change{}, err
				}
			}
			if n++; st.Once { // it stands on all
				break
			}
		}
		if n == 0 {
			return store.Change{}, noneReady(why)
		}
		return store.Change{Noun: "step", Item: step, Action: "done", Said: fmt.Sprintf("%s: done on %d panes", title, n),
			After: n}, nil
	})
}

// AnswerAll passes a check on every pane where it is open and waits for
// nothing. A number is the worst of them.
func (s *Service) AnswerAll(ctx context.Context, by record.Account, job int64, check string, in Checked) error {
	if in.Outcome != prove.Pass {
		return fault.New("outcome", "only what is good on each is said for all", "say a failure on the pane where it is")
	}
	unit, err := s.Store.Shops.UnitFor(ctx, job, by.ID)
	if err != nil {
		return err
	}
	return s.NoteAll(ctx, by, job, func(e *change.Edit) (store.Change, error) {
		n, text, why := 0, "", ""
		for i := range e.Job.Panes {
			p := &e.Job.Panes[i]
			c, waits := s.openCheck(e, p, check)
			if c == nil {
				continue
			}
			if waits != "" {
				why = jobview.Name(*p) + ", " + waits
				continue
			}
			if err := s.passes(e, p, *c, in, unit); err != nil {
				return store.Change{}, err
			}
			text = c.Text
			if n++; c.Once {
				break
			}
		}
		if n == 0 {
			return store.Change{}, noneReady(why)
		}
		return store.Change{Noun: "check", Item: check, Action: "pass", Said: fmt.Sprintf("%s: pass on %d panes", text, n),
			After: in}, nil
	})
}

// openCheck is a check that nobody answered on a pane, nil where there is none, with what it
// waits for.
func (s *Service) openCheck(e *change.Edit, p *record.Pane, check string) (*prove.Check, string) {
	b := jobview.PaneOf(e.Job, p, length.MM, nil, jobview.Numbers)
	at := slices.IndexFunc(b.Checks, func(c jobview.CheckView) bool {
		return c.Key == check && c.Outcome == prove.Open
	})
	if at < 0 {
		return nil, ""
	}
	c := b.Checks[at]
	if w := b.Standing.CheckWait(c.Key, e.Now); w != nil && c.Waits == "" {
		c.Waits = w.Why
	}
	if w := s.CheckWaits(e.Job, b, c.Check); w != nil && c.Waits == "" {
		c.Waits = w.Why
	}
	if w := s.doesWait(e.Job, b, c.Check); w != nil && c.Waits == "" {
		c.Waits = w.Why
	}
	return &c.Check, c.Waits
}

// passes passes a check on one pane, with what follows from it.
func (s *Service) passes(e *change.Edit, p *record.Pane, c prove.Check, in Checked, unit length.Unit) error {
	said, err := in.typed(c, unit)
	if err != nil {
		return err
	}
	taken, err := c.Take(said)
	if err != nil {
		return err
	}
	if taken.Outcome != prove.Pass {
		return fault.New("value", taken.Finding, "say it on the pane where it is, and mend that")
	}
	e.Answer(p, record.Answer{Check: c.Key, Version: 1, At: e.Now,
		Answer: prove.Answer{Outcome: taken.Outcome, Value: taken.Value, Gaps: taken.Gaps}})
	if c.Does != "" {
		s.Follower(e, p).afterCheck(c.Key, taken.Outcome)
	}
	return nil
}

// LikeThis gives all panes that are held and done as this one what it has and
// they lack: a reading at a place, the settled material, the fixings. It says
// nothing over what somebody said of another pane.
type LikeThis struct {
	Places []reading.Place `json:"places,omitempty" maxItems:"20" doc:"Readings to give them"`
	Road   bool            `json:"road,omitempty" doc:"What is to be done; only where nobody said it of them"`
	Choice bool            `json:"choice,omitempty" doc:"The settled material and thickness"`
	Fixing bool            `json:"fixing,omitempty" doc:"Frame, gasket, who cuts it and the fixings on each side"`
}

// Like does it. Each pane is reckoned before it is kept, and a gate that is
// closed on one of them stops it for all.
func (s *Service) Like(ctx context.Context, by record.Account, at jobview.Bench, in LikeThis) error {
	return s.All(ctx, by, at.Job, func(e *change.Edit) (store.Change, error) {
		p, err := jobview.Find(e.Job, at)
		if err != nil {
			return store.Change{}, err
		}
		n := 0
		if in.Road {
			if n, err = sameRoad(e, p); err != nil {
				return store.Change{}, err
			}
		}
		more, err := alike(ctx, s, e, p, in)
		if n += more; err != nil || n == 0 {
			return store.Change{}, err
		}
		return store.Change{Noun: "panes", Item: fmt.Sprint(n), Action: "made alike",
			Said: fmt.Sprintf("%d panes as %s", n, jobview.Name(*p)), After: in}, nil
	})
}

// alike gives the panes that are held and done as one of them what that has, and says to how many.
func alike(ctx context.Context, s *Service, e *change.Edit, p *record.Pane, in LikeThis) (n int, err error) {
	for _, q := range jobview.Alike(e.Job, p)[1:] {
		did, err := s.makeAlike(ctx, e, p, q, in)
		if err != nil {
			return n, err
		}
		if did {
			n++
			f := s.Follower(e, q)
			f.AfterReading()
			f.afterChoice()
		}
	}
	return n, nil
}

// sameRoad takes the panes that are held as this one and of which nobody said what
// is to be done along its road. Who may not change one of them changes none.
func sameRoad(e *change.Edit, p *record.Pane) (n int, err error) {
	j := e.Job
	for i := range j.Panes {
		q := &j.Panes[i]
		unsaid := (q.Road.ID == "" || q.Road.ID == road.Size) && q.Road.How == "" && q.Choice == nil && len(q.Ticks) == 0
		if q.ID == p.ID || q.Family != p.Family || !unsaid || p.Road.ID == q.Road.ID && p.Road.How == q.Road.How {
			continue
		}
		was := *q
		q.Road = p.Road
		if err := AroundStop(e.By, j, &was, q); err != nil {
			return n, onPane(*q, err)
		}
		if err := change.Worse(j, &was, q); err != nil {
			return n, onPane(*q, err)
		}
		e.Hold(q)
		n++
	}
	return n, nil
}

// makeAlike gives a pane what another one has and it lacks.
func (s *Service) makeAlike(ctx context.Context, e *change.Edit, p, q *record.Pane, in LikeThis) (did bool, err error) {
	if did, err = s.readAlike(ctx, e, p, q, in.Places); err != nil {
		return did, err
	}
	if in.Choice && p.Choice != nil && q.Choice == nil {
		reason, err := whyChosen(e.Job, q, Settle{Material: p.Choice.Material, Thickness: p.Choice.Thickness})
		if err != nil {
			return did, onPane(*q, err)
		}
		e.Choose(q, record.Choice{Material: p.Choice.Material, Thickness: p.Choice.Thickness, Reason: reason, At: e.Now})
		did = true
	}
	if in.Fixing && (q.Sides != p.Sides || q.Gasket != p.Gasket || q.Frame != p.Frame || q.Cutter != p.Cutter) {
		q.Sides, q.Gasket, q.Frame, q.Cutter = p.Sides, p.Gasket, p.Frame, p.Cutter
		e.Hold(q)
		did = true
	}
	return did, nil
}

// readAlike gives a pane the readings of another one at places where it has none.
func (s *Service) readAlike(ctx context.Context, e *change.Edit, p, q *record.Pane, places []reading.Place) (did bool,
	err error) {
	for _, r := range p.Readings {
		has := func(o record.Reading) bool { return o.Place == r.Place }
		if !slices.Contains(places, r.Place) || slices.ContainsFunc(q.Readings, has) {
			continue
		}
		if err := Possible(e.Job, q, r.Place, r.Reading); err != nil {
			return did, err
		}
		last, err := s.Store.Panes.LastReadingVersion(ctx, q.ID, r.Place)
		if err != nil {
			return did, err
		}
		r.At, r.Version, r.Author = e.Now, last+1, ""
		e.Read(q, r)
		did = true
	}
	return did, nil
}

// onPane says on which pane something stood in the way.
func onPane(p record.Pane, err error) error {
	if f := fault.Of(err); f != nil {
		return fault.New(f.Field, jobview.Name(p)+": "+f.Why, f.Cure)
	}
	return err
}
