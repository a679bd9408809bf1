package standing

import (
	"fmt"
	"maps"
	"slices"
	"testing"
	"time"

	"freshshard/core/family"
	"freshshard/core/plan"
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
		got := InOneGo([]Step{c.a, c.b}, nil, 90)
		if len(got) != c.n || c.n == 1 && got[0].Minutes != c.a.Minutes+c.b.Minutes {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
	// A piece keeps its place and its name while the work goes on.
	half := InOneGo([]Step{{Key: "a", Minutes: 60, People: 1, done: true}, step("b", 30), step("c", 30)},
		nil, 90)
	if len(half) != 2 || half[0].Key != "b" || half[0].Minutes != 30 || half[1].Key != "c" {
		t.Errorf("half done: %+v", half)
	}
}

// What is done once for an object goes with one of its panes: before anything is set with the first
// that has it, later with the last; the others' pieces end before it and begin behind it.
func TestOnceOfSeveralPanes(t *testing.T) {
	step := func(key string, station family.Station, once bool) Step {
		return Step{Key: key, Title: key, Minutes: 5, People: 1, Station: station, once: once}
	}
	open := func() []Step {
		return []Step{step("off", "strip", true), step("out", "strip", false), step("in", "set", false),
			step("hang", "refit", true), step("look", "prove", false)}
	}
	panes := []Pane{{Open: open()}, {Open: append(open(), step("told", "prove", true))}}
	shares := Shares(panes)
	for i, want := range []map[string]Share{{"off": Ours, "hang": Theirs}, {"off": Theirs, "hang": Ours}} {
		if !maps.Equal(shares[i], want) {
			t.Errorf("pane %d shares %v, want %v", i+1, shares[i], want)
		}
	}
	pieces := func(i int) (out []string) {
		for _, p := range InOneGo(panes[i].Open, shares[i], 90) {
			out = append(out, fmt.Sprint(p.Key, " does ", p.Once, " before ", p.Before, " behind ", p.Behind))
		}
		return out
	}
	for i, want := range [][]string{
		{"in does [off] before [hang] behind []", "look does [] before [] behind [hang]"},
		{"in does [] before [] behind [off]", "told does [hang] before [] behind []"},
	} {
		if got := pieces(i); !slices.Equal(got, want) {
			t.Errorf("pane %d: %q, want %q", i+1, got, want)
		}
	}
	// Hung already: nobody waits for it, and the pieces end where they did.
	panes[0].Open[3].done, panes[1].Open[3].done = true, true
	want := []string{"in does [off] before [] behind []", "look does [] before [] behind []"}
	if got := pieces(0); !slices.Equal(got, want) {
		t.Errorf("hung: %q", got)
	}
}

// What follows a bond is parted by how hard it loads it.
func TestPartedByLoad(t *testing.T) {
	step := func(key string, l family.Load) Step {
		return Step{Key: key, Title: key, Minutes: 5, People: 1, Station: "refit", Loads: l}
	}
	got := InOneGo([]Step{step("let go", family.LetGo), step("tape", ""), step("trim", family.LetGo),
		step("hang", family.Ready), step("wash", family.Full)}, nil, 90)
	if len(got) != 3 || got[0].Key != "trim" || got[1].Key != "hang" || got[2].Loads != family.Full {
		t.Errorf("%+v", got)
	}
	for _, c := range []struct {
		st    plan.Step
		place string
		want  family.Load
	}{
		{plan.Step{Net: family.Net{Hardens: true}}, "bench", family.LetGo},
		{plan.Step{Net: family.Net{Hardens: true}}, "site", family.Ready},
		{plan.Step{Net: family.Net{Loads: family.LetGo}}, "site", family.Ready},
		{plan.Step{Net: family.Net{Loads: family.Full}}, "site", family.Full},
		{plan.Step{}, "site", ""},
	} {
		if got := loadOf(c.st, c.place); got != c.want {
			t.Errorf("%+v at %s loads %q, want %q", c.st.Net, c.place, got, c.want)
		}
	}
}
