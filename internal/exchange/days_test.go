package exchange

import (
	"bytes"
	"encoding/csv"
	"fmt"
	"strings"
	"testing"
	"time"

	ics "github.com/arran4/golang-ical"

	"freshshard/internal/days"
	"freshshard/internal/record"
)

var east = time.FixedZone("east", 2*3600)

// twoPeople are the days of two: one works over three days, one helps once.
func twoPeople() days.Days {
	from := time.Date(2026, 3, 4, 7, 0, 0, 0, time.UTC)
	step := func(key, title string, inDays, minutes int, with ...string) days.DayStep {
		at := from.AddDate(0, 0, inDays)
		return days.DayStep{Key: key, Job: 3, Object: "Horse trailer, =window", Title: title, From: at,
			To: at.Add(time.Duration(minutes) * time.Minute), With: with, Why: "The bead is open then."}
	}
	return days.Days{From: from, People: []days.DayLane{
		{ID: 1, Name: "Mira", Steps: []days.DayStep{step("3/5/bed", "Bed the pane", 0, 25, "Tor"),
			step("3/5/clean", "Clean the frame", 1, 10),
			step("3/5/refit", "Refit the trim", 2, 15)}},
		{ID: 2, Name: "Tor", Steps: []days.DayStep{step("3/5/bed", "Bed the pane", 0, 25, "Mira")}},
		{ID: 9, Name: "Ebbe", Steps: []days.DayStep{}}}}
}

// The table has a row for each person at each step, in the shop's own time.
func TestDaysTable(t *testing.T) {
	b := &bytes.Buffer{}
	if err := DaysTable(b, twoPeople(), east); err != nil {
		t.Fatal(err)
	}
	rows, err := csv.NewReader(b).ReadAll()
	if err != nil {
		t.Fatal(err)
	}
	if len(rows) != 5 {
		t.Fatalf("%d rows: %v", len(rows), rows)
	}
	for i, want := range map[int]string{
		0: "person|from|to|minutes|job|object|step|with",
		1: "Mira|2026-03-04T09:00:00+02:00|2026-03-04T09:25:00+02:00|25|3|Horse trailer, =window|Bed the pane|Tor",
		4: "Tor|2026-03-04T09:00:00+02:00|2026-03-04T09:25:00+02:00|25|3|Horse trailer, =window|Bed the pane|Mira",
	} {
		if got := strings.Join(rows[i], "|"); got != want {
			t.Errorf("row %d: %q, want %q", i, got, want)
		}
	}
}

// A calendar holds one person's days, at their moments, each with its own identity.
func TestDaysCalendar(t *testing.T) {
	for account, want := range map[int64][]string{1: {"Bed the pane", "Clean the frame", "Refit the trim"},
		2: {"Bed the pane"},
		9: nil, 77: nil} {
		b := &bytes.Buffer{}
		if err := DaysCalendar(b, twoPeople(), account, "http://127.0.0.1:8080", time.Now()); err != nil {
			t.Fatal(err)
		}
		c, err := ics.ParseCalendar(b)
		if err != nil {
			t.Fatal(err)
		}
		if len(c.Events()) != len(want) {
			t.Fatalf("account %d: %d events, want %d", account, len(c.Events()), len(want))
		}
		seen := map[string]bool{}
		for i, e := range c.Events() {
			at, err := e.GetStartAt()
			if err != nil || !at.Equal(twoPeople().From.AddDate(0, 0, i)) {
				t.Errorf("account %d, event %d begins %v, %v", account, i, at, err)
			}
			if s := e.GetProperty(ics.ComponentPropertySummary).Value; !strings.HasPrefix(s, want[i]+": ") {
				t.Errorf("account %d, event %d is %q", account, i, s)
			}
			if seen[e.Id()] {
				t.Errorf("two events are called %q", e.Id())
			}
			seen[e.Id()] = true
		}
	}
}

// A sheet shows two days of everybody who has something to do.
func TestDaySheets(t *testing.T) {
	idle := days.Days{From: twoPeople().From, People: []days.DayLane{{ID: 9, Name: "Ebbe"}}}
	long := twoPeople()
	for i := range 60 {
		s := long.People[1].Steps[0]
		s.Title = fmt.Sprintf("Step %d of many", i)
		long.People[1].Steps = append(long.People[1].Steps, s)
	}
	for name, c := range map[string]struct {
		days         days.Days
		has, hasNone []string
	}{
		"two": {twoPeople(), []string{"Mira", "Tor", "Wednesday, 4 March", "09:00 to 09:25",
			"Horse trailer, =window, job 3, with Tor", "Clean the frame"}, []string{"Refit the trim", "Ebbe"}},
		"idle": {idle, []string{"Nobody has anything to do."}, []string{"Ebbe"}},
		"long": {long, []string{"Step 0 of many", "Step 59 of many"}, nil},
	} {
		b := &bytes.Buffer{}
		if err := DaySheets(b, c.days, record.Shop{Name: "Lantern Yard", Town: "Hollin Ferry"}, east); err != nil {
			t.Fatal(err)
		}
		text := textOf(t, b.Bytes())
		for _, want := range c.has {
			if !strings.Contains(text, want) {
				t.Errorf("%s: %q is not on it: %q", name, want, text)
			}
		}
		for _, not := range c.hasNone {
			if strings.Contains(text, not) {
				t.Errorf("%s: %q is on it", name, not)
			}
		}
	}
}
