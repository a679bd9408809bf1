package standing

import (
	"testing"
	"time"
)

// What one goes on with is one piece of work: at ninety minutes still, a minute more not;
// not over a wait, an order, or other hands.
func TestInOneGo(t *testing.T) {
	step := func(key string, minutes int) Step {
		return Step{Key: key, Title: key, Minutes: minutes, People: 1, Station: "strip"}
	}
	until := time.Date(2026, 6, 1, 5, 0, 0, 0, time.UTC)
	for _, c := range []struct {
		name string
		a, b Step
		n    int
	}{
		{"up to ninety", step("a", 60), step("b", 30), 1},
		{"a minute more", step("a", 60), step("b", 31), 2},
		{"over a wait", Step{Key: "a", Minutes: 5, People: 1, Wait: 60}, step("b", 5), 2},
		{"over what hardens", Step{Key: "a", Minutes: 5, People: 1, Lays: "urethane"}, step("b", 5), 2},
		{"before a clock is out", step("a", 5), Step{Key: "b", Minutes: 5, People: 1, Until: &until}, 2},
		{"two pairs of hands", step("a", 5), Step{Key: "b", Minutes: 5, People: 2}, 2},
		{"before the pane is here", step("a", 5), Step{Key: "b", Minutes: 5, People: 1, Comes: true}, 2},
		{"an order", step("a", 5), Step{Key: "b", Minutes: 5, People: 1, Station: "source"}, 2},
		{"what only some may", step("a", 5), Step{Key: "b", Minutes: 5, People: 1, Needs: "gas"}, 2},
	} {
		got := InOneGo([]Step{c.a, c.b}, map[string]bool{}, 90)
		if len(got) != c.n || c.n == 1 && got[0].Minutes != c.a.Minutes+c.b.Minutes {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
	// A piece keeps its place and its name while the work goes on.
	half := InOneGo([]Step{{Key: "a", Minutes: 60, People: 1, done: true}, step("b", 30), step("c", 30)},
		map[string]bool{}, 90)
	if len(half) != 2 || half[0].Key != "b" || half[0].Minutes != 30 || half[1].Key != "c" {
		t.Errorf("half done: %+v", half)
	}
	once := map[string]bool{}
	a := step("a", 5)
	a.once = true
	if len(InOneGo([]Step{a}, once, 90)) != 1 || len(InOneGo([]Step{a}, once, 90)) != 0 {
		t.Error("what is done once is done once")
	}
}
