package shop

import (
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/cure"
	"freshshard/core/usual"
	"freshshard/internal/hold"
)

// A rule of thumb that the shop has set itself is what the work goes by, from then on: from what
// air on is bonded outdoors.
func TestRuleOfThumbReachesTheWork(t *testing.T) {
	s, mira, _ := open(t)
	fit := func(c, rh float64) bool {
		t.Helper()
		w, err := s.Hold.Outdoors(ctx, hold.AirOf(s.Store), s.Now(), 24)
		if err != nil {
			t.Fatal(err)
		}
		return w.Fit(cure.Air{At: s.Now(), C: c, RH: rh})
	}
	from, damp := usual.Of(nil, usual.OutdoorsFrom), usual.Of(nil, usual.OutdoorsDamp)
	for _, c := range []struct {
		c, rh float64
		want  bool
	}{{from + 0.1, 50, true}, {from, 50, true}, {from - 0.1, 50, false}, {15, damp, true}, {15, damp + 0.1, false}} {
		if got := fit(c.c, c.rh); got != c.want {
			t.Errorf("%v °C, %v %%: %v", c.c, c.rh, got)
		}
	}
	if err := s.Records.Book.SetOwn(ctx, mira, catalogue.Value{Kind: catalogue.Usual, ID: "bond", Item: "outdoors_from",
		V: 12, Sheet: "two bonds that let go in spring"}); err != nil {
		t.Fatal(err)
	}
	for c, want := range map[float64]bool{11.9: false, 12: true} {
		if got := fit(c, 50); got != want {
			t.Errorf("by the shop's own rule, %v °C: %v", c, got)
		}
	}
}
