package bench

import (
	"context"
	"fmt"
	"reflect"
	"slices"

	"freshshard/core/diagnose"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Seen is what somebody saw of the break and of the old pane. Version is that
// of the diagnosis on the screen, 0 for none.
type Seen struct {
	Evidence diagnose.Evidence `json:"evidence"`
	OldPane  diagnose.Evidence `json:"old_pane"`
	Cause    string            `json:"cause" doc:"The cause that is settled on; empty while open"`
	Behind   []string          `json:"behind,omitempty" maxItems:"3" doc:"What stood behind it, nearest first"`
	Version  int               `json:"version"`
}

// Diagnose keeps what was seen. A settled cause puts its changes into the plan,
// where they must be ticked before the job can be signed off.
func (s *Service) Diagnose(ctx context.Context, by record.Account, at jobview.Bench, in Seen) error {
	if _, err := diagnose.Why(in.Evidence); err != nil {
		return err
	}
	if _, err := diagnose.OldPane(in.OldPane); err != nil {
		return err
	}
	chain, err := diagnose.Chain(in.Cause, in.Behind, in.Evidence, "")
	if err != nil {
		return err
	}
	return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		version := 0
		if p.Diagnosis != nil {
			version = p.Diagnosis.Version
		}
		if d := p.Diagnosis; d != nil && d.Cause == in.Cause && slices.Equal(d.Behind, in.Behind) &&
			reflect.DeepEqual(d.Evidence, OrEmpty(in.Evidence)) &&
			reflect.DeepEqual(d.OldPane, OrEmpty(in.OldPane)) {
			return store.Change{}, nil // a retry
		}
		if p.Diagnosis == nil && in.Version != 0 {
			return store.Change{}, change.Stale("what was seen of the break")
		}
		if version != in.Version {
			return store.Change{},
				&record.Conflict{Says: fmt.Sprintf("%s noted something about the break %s. It is shown now; tick yours again.",
					p.Diagnosis.By, s.Ago(p.Diagnosis.At))}
		}
		d := record.Diagnosis{Evidence: OrEmpty(in.Evidence), OldPane: OrEmpty(in.OldPane), Cause: in.Cause,
			Behind: in.Behind,
			At:     s.Now(), Version: version + 1}
		said := "what was seen of the break was noted"
		if in.Cause != "" && (p.Diagnosis == nil || p.Diagnosis.Cause != in.Cause ||
			!slices.Equal(p.Diagnosis.Behind, in.Behind)) {
			said = "said why it broke: " + diagnose.Told(chain)
		}
		was := p.Diagnosis
		e.Diagnose(p, d)
		return store.Change{Noun: "diagnosis", Item: in.Cause, Action: "noted", Said: said, Before: was, After: d}, nil
	})
}

func OrEmpty(e diagnose.Evidence) diagnose.Evidence {
	if e == nil {
		return diagnose.Evidence{}
	}
	return e
}
