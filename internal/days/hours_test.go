package days

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/cure"
	"freshshard/core/schedule"
	"freshshard/internal/hold"
)

// Hours are the shop's own, over the change of the clock too.
func TestHoursOverTheChangeOfTheClock(t *testing.T) {
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	w := dayWork{now: time.Date(2026, 3, 27, 6, 0, 0, 0, zone).UTC(), zone: zone} // a Friday; the clocks go on on Sunday
	k := UsualWeek
	k.Off = []string{"2026-03-30"}
	hours, err := w.hours(k)
	if err != nil {
		t.Fatal(err)
	}
	for i, want := range []string{"2026-03-27 08:00 CET", "2026-03-27 12:30 CET", "2026-03-31 08:00 CEST"} {
		if got := w.at(hours[i].From).In(zone).Format("2006-01-02 15:04 MST"); got != want {
			t.Errorf("%d: %s, want %s", i, got, want)
		}
	}
}

// Who brings glass late is known for it: the odds of what waits for them are worse.
func TestComesFrom(t *testing.T) {
	for in, want := range map[string]string{"the pane from Quay glass": "Quay glass", "the customer's word": "",
		"the pane from Quay glass, which was wrong": "Quay glass"} {
		if got := comesFrom(in); got != want {
			t.Errorf("%s: %q", in, got)
		}
	}
}

// What nobody here can do is said with what is missing: hours, hands, or the right to.
func TestCannot(t *testing.T) {
	w := dayWork{}
	for i, p := range []struct {
		may []string
		to  int
	}{{[]string{"gas"}, 60}, {nil, 240}} {
		w.p.People = append(w.p.People, schedule.Person{ID: string(rune('a' + i)), May: p.may,
			Hours: []schedule.Window{{From: 0, To: p.to}}})
	}
	for _, c := range []struct {
		st   schedule.Step
		says string
	}{
		{schedule.Step{Minutes: 240, People: 1}, ""}, {schedule.Step{Minutes: 241, People: 1}, "no shift is longer than 240"},
		{schedule.Step{Minutes: 60, Needs: "gas"}, ""},
		{schedule.Step{Minutes: 61, Needs: "gas"}, "no shift is longer than 60"},
		{schedule.Step{Minutes: 5, People: 2}, ""}, {schedule.Step{Minutes: 5, People: 3}, "takes 3, and 2 work here"},
		{schedule.Step{Minutes: 5, People: 2, Needs: "gas"}, "takes 2 who may, and 1 may: gas"},
		{schedule.Step{Minutes: 5, Needs: "height"}, "nobody here may do"},
	} {
		got := w.cannot(c.st)
		if (got == "") != (c.says == "") || !strings.Contains(got, c.says) {
			t.Errorf("%+v: %q", c.st, got)
		}
	}
}

// A wet hour is none to lay a bond in; hours that nobody foretold are taken for fit.
func TestFitOutdoors(t *testing.T) {
	from := time.Date(2026, 6, 1, 5, 0, 0, 0, time.UTC)
	w := &dayWork{now: from, zone: time.UTC, Weather: hold.Weather{Air: []cure.Air{
		{At: from.Add(time.Hour), C: 12, RH: 60}, {At: from.Add(2 * time.Hour), C: 13, RH: 90}}}}
	fit := w.fitOutdoors()
	if len(fit) != 2 || fit[0].To != 120 || fit[1].From != 180 || fit[1].To != daysAhead*24*60 {
		t.Errorf("fit %+v: the wet hour alone is none", fit)
	}
}
