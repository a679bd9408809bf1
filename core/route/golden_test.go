package route

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/tools/golden"
)

// The way of a job as it goes on: nothing done, one thing of each kind open, all done, signed.
func TestRoutesAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	steps := func(done, all int) map[family.Station][2]int {
		out := map[family.Station][2]int{}
		for _, s := range family.Stations {
			out[s] = [2]int{done, all}
		}
		return out
	}
	for _, c := range []struct {
		name string
		p    Progress
	}{
		{"nothing", Progress{Steps: steps(0, 2), Missing: 5, Checks: [2]int{0, 3}}},
		{"begun", Progress{Steps: steps(1, 3), Missing: 1, Checks: [2]int{1, 3}, Out: 4, Chosen: true}},
		{"out, and nothing set or refitted", Progress{Out: 2, Chosen: true}},
		{"out, refit begun", Progress{Steps: map[family.Station][2]int{"refit": {1, 2}}, Out: 2, Chosen: true}},
		{"out, set", Progress{Steps: map[family.Station][2]int{"set": {1, 1}}, Out: 2, Chosen: true}},
		{"odd", Progress{Steps: steps(2, 2), Odd: 1, Missing: 2, Chosen: true, Checks: [2]int{3, 3}}},
		{"a stop", Progress{Steps: steps(2, 2), Chosen: true, Checks: [2]int{3, 3},
			Stops: map[family.Station]int{"measure": 1, "choose": 2}}},
		{"to sign", Progress{Steps: steps(2, 2), Chosen: true, Checks: [2]int{3, 3}}},
		{"no checks", Progress{Steps: steps(2, 2), Chosen: true}},
		{"signed", Progress{Steps: steps(2, 2), Chosen: true, Checks: [2]int{3, 3}, Signed: true}},
		{"signed with something open", Progress{Steps: steps(1, 2), Missing: 1, Signed: true}},
	} {
		fmt.Fprintf(b, "= %s\n", c.name)
		for _, l := range Legs(c.p) {
			fmt.Fprintf(b, "  %s %s %s, %d open, %q\n", l.Station, l.Name, l.State, l.Open, l.Say)
		}
	}
	golden.Check(t, "routes", b.String())
}
