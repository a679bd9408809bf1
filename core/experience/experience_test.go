package experience

import (
	"testing"
	"time"
)

var now = time.Date(2026, 6, 1, 12, 0, 0, 0, time.UTC)

func fitted(what string, daysAgo, backAfter int) Fitted {
	f := Fitted{Material: what, Out: now.AddDate(0, 0, -daysAgo)}
	if backAfter > 0 {
		at := f.Out.AddDate(0, 0, backAfter)
		f.Back = &at
	}
	return f
}

func TestOf(t *testing.T) {
	for _, c := range []struct {
		name string
		all  []Fitted
		want []Line
	}{
		{"nothing yet", nil, []Line{}},
		{"one, long ago", []Fitted{fitted("toughened", 800, 0)}, []Line{{ByMaterial, "toughened", 1, 0, 0,
			"one was fitted, and did not come back"}}},
		{"back on the last day of the year", []Fitted{fitted("toughened", 800, 365)},
			[]Line{{ByMaterial, "toughened", 1, 1, 0,
				"1 of 1 came back within a year"}}},
		{"back a day later", []Fitted{fitted("toughened", 800, 366)}, []Line{{ByMaterial, "toughened", 1, 0, 0,
			"one was fitted, and did not come back"}}},
		{"out for a year today, and a day less", []Fitted{fitted("x", 365, 0), fitted("x", 364, 0)},
			[]Line{{ByMaterial, "x", 2,
				0, 1, "2 were fitted, none came back within a year; one is out for less than that"}}},
		{"the worse share first, not the larger number", []Fitted{fitted("a", 900, 9), fitted("a", 900, 0),
			fitted("a", 900, 0),
			fitted("a", 900, 30), fitted("b", 900, 20), fitted("c", 10, 0), fitted("c", 20, 0)}, []Line{
			{ByMaterial, "b", 1, 1, 0, "1 of 1 came back within a year"},
			{ByMaterial, "a", 4, 2, 0, "2 of 4 came back within a year"},
			{ByMaterial, "c", 2, 0, 2, "2 were fitted, none came back within a year; 2 are out for less than that"}}},
	} {
		t.Run(c.name, func(t *testing.T) {
			got := Of(c.all, now)
			if len(got) != len(c.want) {
				t.Fatalf("%+v, want %+v", got, c.want)
			}
			for i := range got {
				if got[i] != c.want[i] {
					t.Errorf("%+v, want %+v", got[i], c.want[i])
				}
			}
		})
	}
}

// Each choice is counted by itself, in the order of the stations; what nobody noted is
// not.
func TestOfKinds(t *testing.T) {
	got := Of([]Fitted{{Cause: "over-tight", Material: "toughened", Seal: "rope", Source: "a cutter", Adhesive: "urethane",
		Out: now}, {Cause: "over-tight", Out: now}}, now)
	kinds := ""
	for _, l := range got {
		kinds += string(l.Kind) + " "
		if want := map[bool]int{true: 2, false: 1}[l.Kind == ByCause]; l.Fitted != want {
			t.Errorf("%+v", l)
		}
	}
	if kinds != "cause material seal source adhesive " {
		t.Error(kinds)
	}
}
