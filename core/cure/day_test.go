package cure

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"freshshard/core/family"
	"freshshard/core/fault"
)

var morning = time.Date(2026, 3, 2, 8, 0, 0, 0, time.UTC)

func allDay(c, rh float64) []Air {
	return []Air{{At: morning.Add(-time.Hour), C: c, RH: rh}, {At: morning.Add(2000 * time.Hour), C: c, RH: rh}}
}

func cab(name string, ml, minutes float64) Laying {
	return Laying{Name: name, Adhesive: "two-part-urethane", Ml: ml, Minutes: minutes, Width: 12, Edges: 2}
}

func said(lines []Line) string {
	var out []string
	for _, l := range lines {
		out = append(out, fmt.Sprintf("%s %s %s: %s", l.At.Format("15:04"), l.Kind, l.Name, l.Says))
	}
	return strings.Join(out, "\n")
}

// Two panes share one tube where alone each would open its own; the second is begun when
// the first is set, its own last minute counts from there.
func TestDayShares(t *testing.T) {
	got, err := Day([]Laying{cab("cab", 140, 4), cab("wheelhouse", 160, 4)}, allDay(23, 50), morning)
	if err != nil {
		t.Fatal(err)
	}
	// Two-part urethane: 1 h to let go and 4 h to ready at the slowest; full is beyond two days.
	want := `08:00 open cab, wheelhouse: Open 1 tube of two-part urethane: 300 ml shared; one by one it would be 2
08:05 set-by cab: in place, pressed, tapes peeled: it skins after that
08:14 set-by wheelhouse: in place, pressed, tapes peeled: it skins after that
09:04 let-go cab: tapes and clamps may come off
09:13 let-go wheelhouse: tapes and clamps may come off
12:04 ready cab: refit it, move it, use it gently
12:13 ready wheelhouse: refit it, move it, use it gently`
	if s := said(got); s != want {
		t.Errorf("%s\nwant\n%s", s, want)
	}
}

// Just one tube, just more than one; laying that just fits before it skins, and that does not.
func TestDayLimits(t *testing.T) {
	for _, c := range []struct {
		ml, minutes float64
		tubes, says string
	}{{310, 5, "1 tube of", "in place, pressed"}, {310.1, 5.1, "2 tubes of", "do not fit into 5: in two parts"}} {
		got, err := Day([]Laying{cab("cab", c.ml, c.minutes)}, allDay(23, 50), morning)
		if err != nil || !strings.Contains(got[0].Says, c.tubes) || !strings.Contains(got[1].Says, c.says) {
			t.Errorf("%v ml, %v min: %s, %v", c.ml, c.minutes, said(got), err)
		}
	}
}

// A cold morning: it waits for the first half hour that is warm enough, and says why; in a
// week of frost it says that no hour comes.
func TestDayWaitsForTheWarm(t *testing.T) {
	warms := []Air{{At: morning.Add(-time.Hour), C: 2, RH: 60}, {At: morning, C: 2, RH: 60},
		{At: morning.Add(3 * time.Hour), C: 8,
			RH: 60}, {At: morning.Add(900 * time.Hour), C: 8, RH: 60}}
	got, err := Day([]Laying{cab("cab", 140, 4)}, warms, morning)
	if err != nil {
		t.Fatal(err)
	}
	if got[0].Kind != "not" || !strings.Contains(got[0].Says, "is the coldest of air and surface") ||
		!strings.Contains(got[0].Says, "from Mon ") || got[1].Kind != "open" || !got[1].At.After(morning) {
		t.Errorf("%s", said(got))
	}
	got, err = Day([]Laying{cab("cab", 140, 4)}, allDay(-4, 60), morning)
	if err != nil || len(got) != 1 || got[0].Kind != "not" || !strings.Contains(got[0].Says, "not within two days") {
		t.Errorf("%s, %v", said(got), err)
	}
}

// More bead is never fewer tubes; a colder day is never sooner; each pane has its last
// minute after the tube is opened.
func TestDayNeverSooner(t *testing.T) {
	last := 0
	for ml := 10.0; ml < 3000; ml += 37 {
		if n := tubes(ml); n < last || float64(n)*tubeMl < ml-1e-6 {
			t.Errorf("%v ml: %d tubes after %d", ml, n, last)
		}
		last = tubes(ml)
	}
	ready := func(c float64) time.Time {
		got, err := Day([]Laying{cab("cab", 140, 4)}, allDay(c, 50), morning)
		if err != nil {
			t.Fatal(err)
		}
		for _, l := range got {
			if l.Kind == "ready" {
				return l.At
			}
		}
		return morning.Add(dayAhead)
	}
	before := ready(30)
	for c := 29.0; c >= 6; c-- {
		if at := ready(c); at.Before(before) {
			t.Errorf("at %g °C it is ready %v, sooner than warmer", c, at)
		} else {
			before = at
		}
	}
}

func TestDayRefuses(t *testing.T) {
	if _, err := Day([]Laying{{Adhesive: "spit"}}, allDay(20, 50), morning); fault.Of(err) == nil {
		t.Error("an adhesive that there is not")
	}
	if got, err := Day(nil, nil, morning); err != nil || len(got) != 0 {
		t.Errorf("an empty day: %v, %v", got, err)
	}
	for f, a := range usualFor {
		if _, err := family.Book.ByID(f); err != nil {
			t.Error(err)
		}
		if _, err := Book.ByID(a); err != nil {
			t.Error(err)
		}
	}
}
