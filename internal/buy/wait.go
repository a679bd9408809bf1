package buy

import (
	"context"
	"time"

	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Wait is what a pane waits for; an empty text ends the wait.
type Wait struct {
	For     string     `json:"waits_for" maxLength:"200"`
	Until   *time.Time `json:"waits_until,omitempty"`
	Version int        `json:"version"`
}

// SetWait keeps what a pane waits for.
func (s *Service) SetWait(ctx context.Context, by record.Account, at jobview.Bench, in Wait) error {
	var err error
	if in.For, err = typed.Text("waits_for", in.For, 200, false); err != nil {
		return err
	}
	return s.NotePane(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		before := p.WaitsFor
		p.WaitsFor, p.WaitsUntil, p.Version = in.For, in.Until, in.Version
		if in.For == "" {
			p.WaitsUntil = nil
		}
		found, err := t.Panes.SetPane(ctx, *p)
		if err == nil && !found {
			err = change.Stale("what the pane waits for")
		}
		if err == nil {
			err = s.cameWith(ctx, t, j, p, before)
		}
		said := "waits for " + in.For
		if in.For == "" {
			said = "waits no longer"
		}
		return store.Change{Noun: "wait", Item: in.For, Action: "changed", Said: said, Before: before, After: in.For}, err
	})
}
