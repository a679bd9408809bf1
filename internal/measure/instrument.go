package measure

import (
	"context"
	"math/rand/v2"

	"freshshard/internal/change"
	"freshshard/internal/instrument"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Press is a push on a simulated instrument: the true length that it is held
// to, and what kind of day it has.
type Press struct {
	Truth float64 `json:"truth" doc:"mm; no part for the climate"`
	Low   bool    `json:"low,omitempty" doc:"The battery is low"`
	Drop  bool    `json:"drop,omitempty" doc:"The connection drops on this reading and resumes"`
}

// Press lets a stand-in measure and sends what it says to the person's tray.
func (s *Service) Press(ctx context.Context, by record.Account, name instrument.Name, in Press) (instrument.Event,
	error) {
	var e instrument.Event
	if !s.MadeUp {
		return e, &record.Denied{Why: "Simulated instruments measure in the made-up shop alone."}
	}
	err := s.Store.Write(ctx, func(t *store.Tx) error {
		last, err := t.Signals.LastSignal(ctx, by.ID)
		if err != nil {
			return err
		}
		r := rand.New(rand.NewPCG(uint64(s.Now().UnixNano()), uint64(last)))
		if e, err = instrument.Simulate(name, int(last+1), in.Truth, in.Low, r); err != nil {
			return err
		}
		if err := t.Signals.DropSignals(ctx, by.ID, s.Now().Add(-change.SignalsKept)); err != nil {
			return err
		}
		_, err = t.Signals.AddSignal(ctx, by.ID, e.Line(), in.Drop, s.Now())
		return err
	})
	return e, err
}

// Signal is one line that an instrument sent to a person. Breaks marks one on
// which the simulated connection drops.
type Signal struct {
	ID     int64
	Line   string
	Breaks bool
}

// Signals lists what came for a person after an id.
func (s *Service) Signals(ctx context.Context, by record.Account, after int64) ([]Signal, error) {
	found, err := s.Store.Signals.Signals(ctx, by.ID, after)
	out := make([]Signal, 0, len(found))
	for _, f := range found {
		out = append(out, Signal(f))
	}
	return out, err
}

// LastSignal is where a person's stream begins.
func (s *Service) LastSignal(ctx context.Context, by record.Account) (int64, error) {
	return s.Store.Signals.LastSignal(ctx, by.ID)
}
