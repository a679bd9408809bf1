package bench

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/internal/change"
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
	return s.Note(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		stops := jobview.PaneOf(e.Job, p, length.MM, nil, jobview.Numbers).Stops
		i := slices.IndexFunc(stops, func(k prove.Stop) bool { return k.Key == key })
		if i < 0 {
			return store.Change{}, fault.New("stop", "this is no stop any more", "there is no risk to accept")
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
			return store.Change{}, fault.New("stop", "more risks were accepted here than anybody can answer for",
				"put the readings and the choice right")
		}
		taken := s.takenOn(k, reason)
		e.TakeOn(p, taken)
		return store.Change{Noun: "stop", Item: key, Action: "taken on", Said: "accepted the risk: " + k.Says + ": " + reason,
			After: taken}, nil
	})
}

// takeGates takes the gates on that are closed for a material which an owner
// settles on with a reason.
func (s *Service) takeGates(e *change.Edit, p *record.Pane, c record.Choice, reason string) {
	with := *p
	with.Choice = &c
	for _, k := range jobview.PaneOf(e.Job, &with, length.MM, nil, jobview.Numbers).Stops {
		if strings.HasPrefix(k.Key, "gate_") && k.Taken == nil {
			e.TakeOn(p, s.takenOn(k, reason))
		}
	}
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
	return s.Note(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		i := slices.IndexFunc(p.Taken, func(k record.Taken) bool { return k.Key == key })
		if i < 0 {
			return store.Change{}, nil
		}
		was := p.Taken[i]
		e.LetGo(p, key)
		return store.Change{Noun: "stop", Item: key, Action: "open", Said: "no longer accepts the risk: " + was.Says,
			Before: was}, nil
	})
}
