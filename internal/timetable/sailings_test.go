package timetable

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
)

func timetable(events ...string) string {
	out := "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\nX-WR-CALNAME:Sandholm ferry\r\n"
	for _, e := range events {
		out += "BEGIN:VEVENT\r\nUID:" + e[:4] + "\r\nDTSTAMP:20260101T000000Z\r\n" + strings.ReplaceAll(e, "|", "\r\n") +
			"\r\nEND:VEVENT\r\n"
	}
	return out + "END:VCALENDAR\r\n"
}

// A timetable on weekdays but one, over the change of the clock: it leaves at half past
// eight on the quay's clock on every day.
func TestSailings(t *testing.T) {
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	text := timetable("SUMMARY:Hollin Ferry to "+
		"Sandholm|DTSTART;TZID=Europe/Berlin:20260323T083000|DTEND;TZID=Europe/Berlin:20260323T084500|"+
		"RRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR|EXDATE;TZID=Europe/Berlin:20260325T083000",
		"SUMMARY:Sandholm → Hollin Ferry|DTSTART:20260324T150000Z|DTEND:20260324T151500Z",
		"SUMMARY:Sandholm → Hollin Ferry|DTSTART:20260324T170000Z|DTEND:20260324T171500Z|STATUS:CANCELLED")
	from := time.Date(2026, 3, 23, 0, 0, 0, 0, zone)
	got, err := Sailings(strings.NewReader(text), from, from.AddDate(0, 0, 8), zone)
	if err != nil {
		t.Fatal(err)
	}
	var said []string
	for _, s := range got {
		said = append(said, s.From+">"+s.To+" "+s.Leaves.In(zone).Format("Mon 15:04")+"-"+s.Lands.In(zone).Format("15:04"))
		if s.Ferry != "Sandholm ferry" {
			t.Errorf("%+v", s)
		}
	}
	want := "Hollin Ferry>Sandholm Mon 08:30-08:45; Hollin Ferry>Sandholm Tue 08:30-08:45; Sandholm>Hollin Ferry Tue " +
		"16:00-16:15; " +
		"Hollin Ferry>Sandholm Thu 08:30-08:45; Hollin Ferry>Sandholm Fri 08:30-08:45; Hollin Ferry>Sandholm Mon 08:30-08:45"
	if strings.Join(said, "; ") != want {
		t.Errorf("%s\nwant %s", strings.Join(said, "; "), want)
	}
}

// Without a zone it leaves on the shop's clock.
func TestSailingsOfTheShop(t *testing.T) {
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	at := time.Date(2026, 7, 1, 0, 0, 0, 0, zone)
	got, err := Sailings(strings.NewReader(timetable("SUMMARY:Quay to "+
		"Isle|DTSTART:20260701T150000|DTEND:20260701T151500")), at, at.AddDate(0, 0, 1), zone)
	if err != nil || len(got) != 1 || !got[0].Leaves.Equal(time.Date(2026, 7, 1, 13, 0, 0, 0, time.UTC)) {
		t.Errorf("%+v, %v", got, err)
	}
}

func TestSailingsRefused(t *testing.T) {
	at := time.Date(2026, 3, 23, 0, 0, 0, 0, time.UTC)
	good := "DTSTART:20260324T150000Z|DTEND:20260324T151500Z"
	for name, c := range map[string]struct{ text, field, says string }{
		"no calendar": {"ferry at nine", "timetable", "no iCalendar"},
		"no places":   {timetable("SUMMARY:Ferry|" + good), "event[1]", "from where to where"},
		"no summary":  {timetable(good), "event[1]", "from where to where"},
		"to itself":   {timetable("SUMMARY:Quay to Quay|" + good), "event[1]", "from where to where"},
		"lands before": {timetable("SUMMARY:Quay to Isle|DTSTART:20260324T150000Z|DTEND:20260324T145900Z"), "event[1]",
			"does not land"},
		"no time":          {timetable("SUMMARY:Quay to Isle|DTEND:20260324T145900Z"), "event[1]", "when it leaves"},
		"each second":      {timetable("SUMMARY:Quay to Isle|" + good + "|RRULE:FREQ=SECONDLY"), "event[1]", "within a day"},
		"no rule":          {timetable("SUMMARY:Quay to Isle|" + good + "|RRULE:WHEN=EVER"), "event[1]", "rule"},
		"the second of it": {timetable("SUMMARY:Quay to Isle|"+good, "SUMMARY:Isle|"+good), "event[2]", "from where"},
	} {
		_, err := Sailings(strings.NewReader(c.text), at, at.AddDate(0, 0, 8), time.UTC)
		if f := fault.Of(err); f == nil || f.Field != c.field || !strings.Contains(f.Why, c.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func FuzzSailings(f *testing.F) {
	f.Add(timetable("SUMMARY:Quay to Isle|DTSTART:20260324T150000Z|DTEND:20260324T151500Z|RRULE:FREQ=DAILY;COUNT=3"))
	at := time.Date(2026, 3, 23, 0, 0, 0, 0, time.UTC)
	f.Fuzz(func(t *testing.T, text string) {
		got, err := Sailings(strings.NewReader(text), at, at.AddDate(0, 0, 30), time.UTC)
		if err != nil {
			return
		}
		for _, s := range got {
			if !s.Lands.After(s.Leaves) || s.From == s.To || s.Leaves.Before(at) {
				t.Errorf("%+v", s)
			}
		}
	})
}
