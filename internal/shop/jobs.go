package shop

import (
	"context"
	"time"

	"freshshard/core/fault"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/route"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Listed is a job as the list of jobs shows it; how an open one stands is told with
// it.
type Listed struct {
	record.Row
	Station string      `json:"station" doc:"Where the next work is; empty for a closed job"`
	Next    string      `json:"next" doc:"The next step's title, or what is missing"`
	Late    bool        `json:"late" doc:"The promise has passed, or the work left no longer fits before it"`
	Left    int         `json:"left" doc:"Hands-on minutes left"`
	Waiting bool        `json:"waiting" doc:"Nobody can go on before something has come"`
	Problem string      `json:"problem,omitempty" doc:"Something that has to be put right first"`
	Panes   int         `json:"panes"`
	Route   []route.Leg `json:"route"`
}

// Find lists jobs whose object, customer, story or number are like the words,
// newest first, with how the open ones stand.
func (s *Shop) Find(ctx context.Context, words, state string, before int64, most int) ([]Listed, error) {
	rows, err := s.store.JobsLike(ctx, store.Filter{Words: words, State: state, Before: before, Most: most})
	if err != nil {
		return nil, err
	}
	shop, err := s.store.Shop(ctx)
	if err != nil {
		return nil, err
	}
	var open []store.Turned
	for _, r := range rows {
		if !r.Signed && !r.Withdrawn {
			open = append(open, store.Turned{ID: r.ID, Pulse: r.Pulse})
		}
	}
	all, err := s.standing(ctx, open, shop.Unit)
	if err != nil {
		return nil, err
	}
	stands := map[int64]Turn{}
	now := s.Now()
	for _, st := range all {
		stands[st.id] = st.turn(now)
	}
	out := make([]Listed, 0, len(rows))
	for _, r := range rows {
		l := Listed{Row: r, Route: []route.Leg{}}
		if t, ok := stands[r.ID]; ok {
			l.Station, l.Next, l.Late, l.Left, l.Panes, l.Route = t.Station, t.Next, t.Late, t.Left, t.Panes, t.Route
			l.Waiting, l.Problem = t.Waits != "", t.Problem
		}
		out = append(out, l)
	}
	return out, nil
}

// Withdraw closes an open job that came to nothing, with why. It can be taken up
// again, and stays on the record.
func (s *Shop) Withdraw(ctx context.Context, by record.Account, job int64, why string) error {
	why, err := clean("why", why, 200, true)
	if err != nil {
		return err
	}
	return s.change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		w := record.Withdrawal{By: by.Name, At: s.Now(), Why: why}
		if err := t.NotBack(ctx, job, by.ID, w.At); err != nil {
			return store.Change{}, err
		}
		return store.Change{Noun: "job", Action: "withdrawn", Said: "withdrawn: " + why, After: w},
			t.Withdraw(ctx, job, by.ID, w)
	})
}

// TakeUp opens a job again that was withdrawn. One that is open stays so.
func (s *Shop) TakeUp(ctx context.Context, by record.Account, job int64) error {
	return s.store.Write(ctx, func(t *store.Tx) error {
		state, err := t.JobState(ctx, job)
		switch {
		case err != nil || state == "open":
			return err
		case state == "signed":
			return &record.Conflict{Says: "This job is signed off; its ticket stays as it was handed over."}
		}
		if err := t.TakeUp(ctx, job); err != nil {
			return err
		}
		j, err := t.Job(ctx, job)
		if err != nil {
			return err
		}
		first, err := t.SameObject(ctx, j.Object.ID)
		if err != nil {
			return err
		}
		if first != j.Object.ID { // it was here before
			if err := s.hereAgain(ctx, t, by, first, job); err != nil {
				return err
			}
		}
		c := store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "job", Action: "taken up", Said: "taken up again"}
		if err := t.Audit(ctx, c); err != nil {
			return err
		}
		return t.TouchJob(ctx, job)
	})
}

// Copy takes a job in again with the same customer, object and panes: how each is
// held, and nothing that was read, seen or done. A retry with the same key gives
// the same job.
func (s *Shop) Copy(ctx context.Context, by record.Account, key string, job int64, promised *time.Time) (int64, error) {
	return s.copied(ctx, by, key, job, promised, false)
}

// copied takes a job in again, the same object or another like it.
func (s *Shop) copied(ctx context.Context, by record.Account, key string, job int64, promised *time.Time,
	same bool) (int64, error) {
	was, err := s.store.Job(ctx, job)
	if err != nil {
		return 0, err
	}
	vs, err := s.store.Own(ctx)
	if err != nil {
		return 0, err
	}
	j := record.Job{Place: was.Place, PromisedAt: promised, CreatedAt: s.Now(), Object: was.Object, Own: vs}
	j.Object.Stamp = "" // it was read off the old pane
	for _, p := range was.Panes {
		held := p.Held
		held.Uses, held.Turns, held.Stock = nil, nil, ""
		held.Peel.Spots = nil
		if held.Shape.Kind == reading.Drawn { // it was drawn for that pane
			held.Shape = reading.Shape{}
		}
		held.Stack = pane.Stack{Cavity: held.Stack.Cavity}
		j.Panes = append(j.Panes, record.Pane{Number: p.Number, Held: held, Spot: p.Spot})
	}
	if len(j.Panes) == 0 {
		return 0, fault.New("id", "this job has no pane", "take it in anew")
	}
	request := struct {
		Job      int64
		Promised *time.Time
	}{job, promised}
	call := map[bool]string{true: "again", false: "copy"}[same]
	return s.create(ctx, by, key, call, request, func(t *store.Tx) (int64, error) {
		if err := tried(&j, 0, nil); err != nil {
			return 0, err
		}
		id, err := s.addJob(ctx, t, by, was.Customer.ID, j)
		if err == nil && same {
			err = s.sameObject(ctx, t, by, job, id)
		}
		return id, err
	})
}
