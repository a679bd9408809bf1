package moment

import (
	"strings"
	"testing"
	"time"
	_ "time/tzdata" // the zone of the test is the same everywhere

	"freshshard/core/fault"
)

func zone(t testing.TB) *time.Location {
	t.Helper()
	l, err := time.LoadLocation("Europe/Copenhagen")
	if err != nil {
		t.Fatal(err)
	}
	return l
}

// What people type on Thursday, 26 November 2026 at 10:20. That day is a Thursday:
// Gregorian calendar.
func TestParse(t *testing.T) {
	now := time.Date(2026, 11, 26, 10, 20, 30, 0, zone(t))
	for text, want := range map[string]string{
		"Fri 4":            "2026-11-27 16:00",
		"fri 16:30":        "2026-11-27 16:30",
		"Friday at 8":      "2026-11-27 08:00",
		"friday 7":         "2026-11-27 19:00",
		"friday 1":         "2026-11-27 13:00",
		"friday 0:30":      "2026-11-27 00:30",
		"friday 1:00":      "2026-11-27 01:00",
		"friday 12":        "2026-11-27 12:00",
		"tomorrow noon":    "2026-11-27 12:00",
		"tomorrow":         "2026-11-27 17:00",
		"today 4pm":        "2026-11-26 16:00",
		"4 pm today":       "2026-11-26 16:00",
		"16":               "2026-11-26 16:00",
		"9":                "2026-11-27 09:00",
		"10:20":            "2026-11-27 10:20",
		"10:21":            "2026-11-26 10:21",
		"1630":             "2026-11-26 16:30",
		"16.30":            "2026-11-26 16:30",
		"12 am":            "2026-11-27 00:00",
		"tonight":          "2026-11-26 18:00",
		"evening":          "2026-11-26 18:00",
		"thu":              "2026-12-03 17:00",
		"thu 4":            "2026-11-26 16:00",
		"thursday morning": "2026-12-03 09:00",
		"next thu 4":       "2026-12-03 16:00",
		"next fri":         "2026-12-04 17:00",
		"wed":              "2026-12-02 17:00",
		"3 Dec":            "2026-12-03 17:00",
		"Dec 3rd, 9:15":    "2026-12-03 09:15",
		"3. dec. 14":       "2026-12-03 14:00",
		"2 Jan noon":       "2027-01-02 12:00",
		"2 jan 2028 8":     "2028-01-02 08:00",
		"2026-12-03 10":    "2026-12-03 10:00",
		"2026-12-03T16:30": "2026-12-03 16:30",
		"in 2 hours":       "2026-11-26 12:20",
		"in 90 min":        "2026-11-26 11:50",
		"in 3 days":        "2026-11-29 17:00",
		"in 1 week noon":   "2026-12-03 12:00",
		"29 feb 2028":      "2028-02-29 17:00",
	} {
		at, err := Parse("promised", text, now)
		if err != nil || at.Format("2006-01-02 15:04") != want {
			t.Errorf("%q: %s, %v; want %s", text, at.Format("2006-01-02 15:04"), err, want)
		}
	}
	for _, text := range []string{"", "  ", "soon", "today 9", "3/12", "31 nov", "29 feb", "25:00", "4:7", "13 pm",
		"fri sat",
		"fri 4 5", "in 2 hours 4", "2026-11-25", "26 nov 2029", "in 0 days", "next", "in two days", "-4", "today today"} {
		at, err := Parse("promised", text, now)
		if f := fault.Of(err); f == nil || f.Field != "promised" || f.Cure == "" {
			t.Errorf("%q was taken for %v, %v", text, at, err)
		}
	}
}

// Across the change of clocks: 28 March 2027 has 23 hours there, 25 October 2026 has
// 25 (EU directive 2000/84/EC: the last Sundays of March and October).
func TestSummerTime(t *testing.T) {
	for _, c := range []struct {
		now   time.Time
		hours float64
	}{
		{time.Date(2027, 3, 27, 17, 0, 0, 0, zone(t)), 23},
		{time.Date(2026, 10, 24, 17, 0, 0, 0, zone(t)), 25},
		{time.Date(2026, 11, 24, 17, 0, 0, 0, zone(t)), 24},
	} {
		at, err := Parse("x", "tomorrow", c.now)
		if err != nil || at.Hour() != 17 || at.Sub(c.now).Hours() != c.hours {
			t.Errorf("%v: %v, %v", c.now, at, err)
		}
	}
}

func TestSay(t *testing.T) {
	now := time.Date(2026, 11, 26, 23, 30, 0, 0, zone(t))
	for want, at := range map[string]time.Time{
		"today 23:59":      now.Add(29 * time.Minute),
		"tomorrow 00:00":   now.Add(30 * time.Minute),
		"Wed 23:29":        now.Add(6*24*time.Hour - time.Minute),
		"Thu 3 Dec 09:00":  time.Date(2026, 12, 3, 9, 0, 0, 0, zone(t)),
		"3 Jan 2027 09:00": time.Date(2027, 1, 3, 9, 0, 0, 0, zone(t)),
		"25 Nov 12:00":     time.Date(2026, 11, 25, 12, 0, 0, 0, zone(t)),
	} {
		if got := Say(at, now); got != want {
			t.Errorf("%v: %q, want %q", at, got, want)
		}
	}
}

// Whatever is typed: a moment to come, or a fault with its field.
func FuzzParse(f *testing.F) {
	for _, s := range []string{"Fri 4", "in 2 days", "3 dec 2026 16:30", "next next", "12 12", "99999999999"} {
		f.Add(s)
	}
	now := time.Date(2026, 11, 26, 10, 20, 30, 0, time.UTC)
	f.Fuzz(func(t *testing.T, s string) {
		at, err := Parse("x", s, now)
		if err == nil && !at.After(now) {
			t.Errorf("%q is %v", s, at)
		}
		if err != nil && fault.Of(err) == nil {
			t.Errorf("%q: %v", s, err)
		}
	})
}

// A year has four digits, of this century or the next: 2200 is an hour. Two years of 366 days ahead
// is the farthest.
func TestYears(t *testing.T) {
	now := time.Date(2026, 11, 26, 10, 20, 0, 0, zone(t))
	for text, ok := range map[string]bool{"3 dec 2026": true, "3 dec 1999": false, "3 dec 2000": false,
		"3 dec 2199": false,
		"3 dec 2200": true, "27 nov 2028 10:20": true, "27 nov 2028 10:21": false, "26 nov 2028": true, "28 nov 2028": false,
		"3 dec 02026": false, "3 dec 26": false} {
		_, err := Parse("promised", text, now)
		if (err == nil) != ok {
			t.Errorf("%q: %v", text, err)
		}
	}
	for text, why := range map[string]string{"3 dec 2000": "has passed", "3 dec 2199": "more than two years",
		"3 dec 1999": "",
		"3 dec 2200": ""} {
		_, err := Parse("promised", text, now)
		f := fault.Of(err)
		said := f != nil && (strings.Contains(f.Why, "has passed") || strings.Contains(f.Why, "two years"))
		if said != (why != "") || why != "" && !strings.Contains(f.Why, why) {
			t.Errorf("%q: %v", text, err)
		}
	}
}
