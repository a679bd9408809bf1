package main

import (
	"context"
	"strings"
	"testing"
)

// A change that is switched on in a test that was built once is noticed where the same
// change, built by itself, is noticed.
func TestSwitchesSayTheSame(t *testing.T) {
	changes, err := changesOf(context.Background(), "./testdata/small")
	if err != nil {
		t.Fatal(err)
	}
	s := switched(context.Background(), t.TempDir(), newTypes(), changes)
	if s.why != nil {
		t.Fatal(s.why)
	}
	want := map[string]string{
		"56.0 → 70": unbuilt, "> → >=": survived, "> → <": noticed, "|| → &&": noticed,
		"Stop → Warn": noticed,
		"Max → Min":   noticed, "/ → *": noticed, "* → /": noticed, "! → ": noticed,
		"== → !=": noticed, "- → +": noticed,
		"1.5 → 1.875": noticed, "2 → 3": noticed, "+ → -": noticed, "1 → 2": noticed, "< → >": noticed,
	}
	seen := map[string]int{}
	for i, o := range s.tryAll(context.Background(), changes, 2) {
		what, line, _ := strings.Cut(changes[i].what, " in ")
		if strings.HasPrefix(line, "`Stop ") || strings.HasPrefix(line, "`Warn ") {
			continue // the name of a constant
		}
		seen[what]++
		if what == "8 → 9" ||
			what == "1e-9 → 1.25e-09" || what == "77 → 78" || strings.HasPrefix(line, "`return math.Inf") {
			t.Errorf("%s cannot matter, and is tried", changes[i].what)
		}
		if switched := s.number[&changes[i]] > 0; switched == (what == "56.0 → 70") {
			t.Errorf("%s: has a switch %v", changes[i].what, switched)
		}
		if w, ok := want[what]; ok && w != o && what != "56.0 → 70" && seen[what] == 1 {
			t.Errorf("%s: %s, and not %s", changes[i].what, o, w)
		}
	}
	for what := range want {
		if seen[what] == 0 {
			t.Errorf("nobody tried %s", what)
		}
	}
}
