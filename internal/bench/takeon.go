package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/internal/jobview"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// TakeOn is an owner's reason for letting a stop stay as it is. Beyond is how
// far it was beyond its limit when the owner saw it.
type TakeOn struct {
	Reason string  `json:"reason" maxLength:"500"`
	Beyond float64 `json:"beyond" minimum:"0" maximum:"1e9" doc:"As the stop was seen"`
}

// TakeOn puts an owner's name under a stop of a pane. It stands until the stop
// becomes worse. A stop that has become worse since the owner saw it is a
// conflict; doing it twice is as good as once.
func (s *Service) TakeOn(ctx context.Context, by record.Account, at jobview.Bench, key string, in TakeOn) error {
	if err := people.OwnerOnly(by); err != nil {
		return err
	}
	reason, err := typed.Text("reason", in.Reason, 500, true)
	if err != nil {
		return err
	}
	if err := prove.Words("reason", reason); err != nil {
		return err
	}
	return s.NotePane(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		stops := jobview.PaneOf(j, p, length.MM, nil, jobview.Numbers).Stops
		i := slices.IndexFunc(stops, func(k prove.Stop) bool { return k.Key == key })
		if i < 0 {
			return store.Change{}, fault.New("stop", "this is no stop any more", "nothing has to be taken on")
		}
		k := stops[i]
		seen := prove.Taken{Key: key, Says: k.Says, Beyond: in.Beyond}
		if !seen.Covers(k) {
			return store.Change{},
				&record.Conflict{Field: "stop", Says: fmt.Sprintf("This has become worse since: %s. Yours is not kept yet.",
					k.Says)}
		}
		if k.Taken != nil && k.Taken.By == by.Name && k.Taken.Reason == reason {
			return store.Change{}, nil // a retry
		}
		if len(p.Taken) >= mostTaken {
			return store.Change{}, fault.New("stop", "more was taken on here than anybody can answer for",
				"put the readings and the choice right")
		}
		taken := s.takenOn(k, reason)
		return store.Change{Noun: "stop", Item: key, Action: "taken on", Said: "took on: " + k.Says + ": " + reason,
			After: taken}, t.Panes.SetTaken(ctx, p.ID, taken, by.ID)
	})
}

// takeGates takes the gates on that are closed for a material which an owner
// settles on with a reason.
func (s *Service) takeGates(ctx context.Context, t *store.Tx, by record.Account, j *record.Job, p *record.Pane,
	c record.Choice, reason string) error {
	with := *p
	with.Choice = &c
	for _, k := range jobview.PaneOf(j, &with, length.MM, nil, jobview.Numbers).Stops {
		if !strings.HasPrefix(k.Key, "gate_") || k.Taken != nil {
			continue
		}
		if err := t.Panes.SetTaken(ctx, p.ID, s.takenOn(k, reason), by.ID); err != nil {
			return err
		}
	}
	return nil
}

// takenOn is an owner's word for a stop, as it is kept.
func (s *Service) takenOn(k prove.Stop, reason string) record.Taken {
	return record.Taken{Key: k.Key, Says: typed.Plain(k.Says, 600), Beyond: k.Beyond, Reason: reason, At: s.Now()}
}

// mostTaken is more than a pane has stops.
const mostTaken = 60

// LetGo takes an owner's word for a stop back. One that is not there is as
// wanted.
func (s *Service) LetGo(ctx context.Context, by record.Account, at jobview.Bench, key string) error {
	if err := people.OwnerOnly(by); err != nil {
		return err
	}
	return s.NotePane(ctx, by, at, func(t *store.Tx, _ *record.Job, p *record.Pane) (store.Change, error) {
		i := slices.IndexFunc(p.Taken, func(k record.Taken) bool { return k.Key == key })
		if i < 0 {
			return store.Change{}, nil
		}
		return store.Change{Noun: "stop", Item: key, Action: "open", Said: "no longer takes on: " + p.Taken[i].Says,
			Before: p.Taken[i]}, t.Panes.ClearTaken(ctx, p.ID, key)
	})
}
