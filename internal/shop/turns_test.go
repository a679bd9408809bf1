package shop

import (
	"testing"

	"freshshard/core/fault"
	"freshshard/core/setting"
	"freshshard/core/working"
	"freshshard/internal/jobview"
)

// Each screw is counted from its first touch; the one that differs by more than
// an eighth is named, and asks to be looked at.
func TestScrewsAreCounted(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	turned := func(c setting.Counted) error {
		t.Helper()
		v := view1(t, s, id)
		held := v.Pane.Held
		held.Turns = c
		return s.Desk.SetPane(ctx, tor, jobview.First(id), held, v.Pane.Version)
	}
	for _, c := range []struct {
		in   setting.Counted
		want working.Verdict
	}{{setting.Counted{9, 9, 10, 9}, working.Good}, {setting.Counted{9, 9, 11, 9}, working.Warn}} {
		if err := turned(c.in); err != nil {
			t.Fatal(err)
		}
		v := view1(t, s, id)
		got := working.Figure{}
		for _, f := range v.Reckoning.Figures {
			if f.Key == "turns_even" {
				got = f
			}
		}
		if got.Verdict != c.want || len(v.Pane.Turns) != 4 || len(v.Stops) > 0 {
			t.Errorf("%v: %+v", c.in, got)
		}
	}
	if err := turned(setting.Counted{81}); fault.Of(err) == nil || fault.Of(err).Field != "turns[0]" {
		t.Errorf("ten turns and more: %v", err)
	}
}
