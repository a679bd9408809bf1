package bench

import (
	"context"
	"errors"
	"fmt"
	"slices"

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
// nothing. Panes that are not ready stay as they are.
func (s *Service) TickAll(ctx context.Context, by record.Account, job int64, step string) error {
	return s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		n, title, why := 0, "", ""
		for i := range j.Panes {
			p := &j.Panes[i]
			b := jobview.PaneOf(&j, p, length.MM, nil, jobview.Numbers)
			st, err := b.Step(step)
			if err != nil || b.Done[step] {
				continue
			}
			title = st.Title
			if w := s.WaitOf(&j, b, st); w != nil {
				why = jobview.Name(*p) + ", " + w.Why
				continue
			}
			if err := t.Panes.SetTick(ctx, p.ID, record.Tick{Step: step, Outcome: "done", Version: 1, At: s.Now()},
				by.ID); err != nil {
				return store.Change{}, err
			}
			if leads(b, step) {
				if err := s.followed(ctx, t, by, &j, p,
					func(f *follower) error { return f.afterStep(ctx, step, true) }); err != nil {
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
	return s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		n, text, why := 0, "", ""
		for i := range j.Panes {
			p := &j.Panes[i]
			b := jobview.PaneOf(&j, p, length.MM, nil, jobview.Numbers)
			at := slices.IndexFunc(b.Checks, func(c jobview.CheckView) bool { return c.Key == check && c.Outcome == prove.Open })
			if at < 0 {
				continue
			}
			c := b.Checks[at]
			if w := b.Standing.CheckWait(c.Key, s.Now()); w != nil && c.Waits == "" {
				c.Waits = w.Why
			}
			if w := s.doesWait(&j, b, c.Check); w != nil && c.Waits == "" {
				c.Waits = w.Why
			}
			if c.Waits != "" {
				why = jobview.Name(*p) + ", " + c.Waits
				continue
			}
			said, err := in.typed(c.Check, unit)
			if err != nil {
				return store.Change{}, err
			}
			taken, err := c.Check.Take(said)
			if err != nil {
				return store.Change{}, err
			}
			if taken.Outcome != prove.Pass {
				return store.Change{}, fault.New("value", taken.Finding, "say it on the pane where it is, and mend that")
			}
			text = c.Text
			a := record.Answer{Check: check, Answer: prove.Answer{Outcome: taken.Outcome, Value: taken.Value, Gaps: taken.Gaps},
				Version: 1,
				At:      s.Now()}
			if err := t.Panes.SetAnswer(ctx, p.ID, a, by.ID); err != nil {
				return store.Change{}, err
			}
			if c.Does != "" {
				if err := s.followed(ctx, t, by, &j, p, func(f *follower) error {
					return f.afterCheck(ctx, check, taken.Outcome)
				}); err != nil {
					return store.Change{}, err
				}
			}
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
	return s.ChangeReckoned(ctx, by, at.Job, 0, func(t *store.Tx, j *record.Job) (store.Change, error) {
		p, err := jobview.Find(j, at)
		if err != nil {
			return store.Change{}, err
		}
		n := 0
		if in.Road {
			if n, err = sameRoad(ctx, t, by, j, p); err != nil {
				return store.Change{}, err
			}
		}
		for _, q := range jobview.Alike(j, p)[1:] {
			did, err := s.makeAlike(ctx, t, by, j, p, q, in)
			if err != nil {
				return store.Change{}, err
			}
			if did {
				n++
				if err := s.followed(ctx, t, by, j, q, func(f *follower) error {
					return errors.Join(f.AfterReading(ctx), f.afterChoice(ctx))
				}); err != nil {
					return store.Change{}, err
				}
			}
		}
		if n == 0 {
			return store.Change{}, nil
		}
		return store.Change{Noun: "panes", Item: fmt.Sprint(n), Action: "made alike",
			Said: fmt.Sprintf("%d panes as %s", n, jobview.Name(*p)), After: in}, nil
	})
}

// sameRoad takes the panes that are held as this one and of which nobody said what
// is to be done along its road. Who may not change one of them changes none.
func sameRoad(ctx context.Context, t *store.Tx, by record.Account, j *record.Job, p *record.Pane) (n int, err error) {
	for i := range j.Panes {
		q := &j.Panes[i]
		unsaid := (q.Road.ID == "" || q.Road.ID == road.Size) && q.Road.How == "" && q.Choice == nil && len(q.Ticks) == 0
		if q.ID == p.ID || q.Family != p.Family || !unsaid || p.Road.ID == q.Road.ID && p.Road.How == q.Road.How {
			continue
		}
		was := *q
		q.Road = p.Road
		if err := AroundStop(by, j, &was, q); err != nil {
			return n, onPane(*q, err)
		}
		if err := change.Worse(j, &was, q); err != nil {
			return n, onPane(*q, err)
		}
		if _, err := t.Panes.SetPane(ctx, *q); err != nil {
			return n, err
		}
		q.Version++
		n++
	}
	return n, nil
}

func (s *Service) makeAlike(ctx context.Context, t *store.Tx, by record.Account, j *record.Job, p, q *record.Pane,
	in LikeThis) (did bool, err error) {
	for _, r := range p.Readings {
		has := func(o record.Reading) bool { return o.Place == r.Place }
		if !slices.Contains(in.Places, r.Place) || slices.ContainsFunc(q.Readings, has) {
			continue
		}
		if err := Possible(j, q, r.Place, r.Reading); err != nil {
			return did, err
		}
		last, err := t.Panes.LastReadingVersion(ctx, q.ID, r.Place)
		if err != nil {
			return did, err
		}
		r.ByID, r.At, r.Version, r.Author = by.ID, s.Now(), last+1, ""
		if err := t.Panes.AddReading(ctx, q.ID, r); err != nil {
			return did, err
		}
		did = true
	}
	if in.Choice && p.Choice != nil && q.Choice == nil {
		reason, err := whyChosen(j, q, Settle{Material: p.Choice.Material, Thickness: p.Choice.Thickness})
		if err != nil {
			return did, onPane(*q, err)
		}
		c := record.Choice{Material: p.Choice.Material, Thickness: p.Choice.Thickness, Reason: reason, At: s.Now()}
		if err := t.Panes.AddChoice(ctx, q.ID, c, by.ID); err != nil {
			return did, err
		}
		did = true
	}
	if in.Fixing && (q.Sides != p.Sides || q.Gasket != p.Gasket || q.Frame != p.Frame || q.Cutter != p.Cutter) {
		q.Sides, q.Gasket, q.Frame, q.Cutter = p.Sides, p.Gasket, p.Frame, p.Cutter
		if _, err := t.Panes.SetPane(ctx, *q); err != nil {
			return did, err
		}
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
