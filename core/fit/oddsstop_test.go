package fit

import (
	"testing"

	"freshshard/core/odds"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// A size that goes in, holds and stays free in less than half of what could be is a stop, in
// the words that a person reads; just above it is not. Whatever has the stop is what the odds
// on the screen say.
func TestMoreFailThanFit(t *testing.T) {
	stops, amber := 0, 0
	for _, ledge := range []string{"3.4 ±0.5", "3.8 ±0.5", "4 ±0.5", "4.2 ±0.5", "4.6 ±0.5", "5 ±0.5", "6 ±0.5",
		"9 ±0.5"} {
		p := problem(t, "putty-points", map[reading.Place]string{reading.WidthTop: "500", reading.WidthBottom: "500",
			reading.HeightLeft: "400", reading.HeightRight: "400", reading.Ledge: ledge})
		p.Draws = odds.OnScreen
		r := solve(t, p)
		var stop *working.Figure
		for i, f := range r.Figures {
			if f.Key == "odds_order" {
				stop = &r.Figures[i]
			}
		}
		if (stop != nil) != (r.Chance.All < half) {
			t.Errorf("ledge %s: fits %v of 1, stop %+v", ledge, r.Chance.All, stop)
		}
		switch {
		case stop != nil:
			stops++
			if stop.Verdict != working.Stop || stop.Limit == nil || stop.Limit.Value != 50 {
				t.Errorf("ledge %s: %+v", ledge, stop)
			}
		case r.Chance.All < 0.95:
			amber++
		}
		if r.Chance.Most < r.Chance.All-1e-9 {
			t.Errorf("ledge %s: the best size does %v, the order %v", ledge, r.Chance.Most, r.Chance.All)
		}
	}
	if stops == 0 || amber == 0 {
		t.Errorf("%d stops, %d between: the ledges tell nothing", stops, amber)
	}
}
