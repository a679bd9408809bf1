package shop

import (
	"testing"
	"time"

	"freshshard/core/ask"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// Where it has to drive the same day the line offers the fast bond beside the usual one, in one tap;
// what stands still is offered the usual one alone. The fast one lets it go sooner.
func TestFastBondIsOneTap(t *testing.T) {
	s, _, tor := open(t)
	until := map[string]time.Time{}
	for _, c := range []struct {
		name    string
		vehicle bool
		offers  int
		takes   int
	}{{"usual", true, 2, 0}, {"fast", true, 2, 1}, {"still", false, 1, 0}} {
		in := stove()
		in.Object, in.Family, in.Exposure, in.Vehicle = "Orchard tractor's cab, rear light", "bonded-fixed", "weather",
			c.vehicle
		id, err := s.Desk.TakeIn(ctx, tor, "", in)
		if err != nil {
			t.Fatal(err)
		}
		at := jobview.First(id)
		upTo(t, s, tor, at, "cure", "measure", "choose")
		a := view1(t, s, id).Asks[stationAt("hold")]
		if a.Kind != ask.Laid || len(a.Answers) != c.offers {
			t.Fatalf("%s: %+v", c.name, a)
		}
		warm := 24.0
		if err := s.Hold.StartCure(ctx, tor, "", at, hold.Laid{Step: a.Key, Adhesive: a.Answers[c.takes].ID, Width: a.Number,
			Edges: 2, Place: record.AtBench, All: true, Surface: &warm}, time.UTC); err != nil {
			t.Fatalf("%s: %v", c.name, err)
		}
		until[c.name] = *view1(t, s, id).Pane.Cures[0].Ready
	}
	if !until["fast"].Before(until["usual"]) {
		t.Errorf("ready: the fast one %v, the usual one %v", until["fast"], until["usual"])
	}
}
