package timetable

import (
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/teambition/rrule-go"

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

// What a rule says is what a calendar library reads from it, over the change of the clock.
func TestRulesAreAsALibraryReadsThem(t *testing.T) {
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	r := rand.New(rand.NewPCG(1, 5))
	pick := func(all ...string) string { return all[r.IntN(len(all))] }
	some := 0
	for n := range 600 {
		text := "FREQ=" + pick("DAILY", "WEEKLY", "MONTHLY", "YEARLY") + pick("", "", ";INTERVAL=2", ";INTERVAL=3") +
			pick("", "", ";BYDAY=MO,WE,FR", ";BYDAY=SA,SU") + pick("", "", ";BYMONTH=5,6,7", ";BYMONTH=3,11") +
			pick("", "", ";BYMONTHDAY=1,15", ";BYMONTHDAY=31") + pick("", ";COUNT=40", ";UNTIL=20270320T120000Z") +
			pick("", ";WKST=SU")
		first := time.Date(2026, 1+time.Month(r.IntN(6)), 1+r.IntN(28), 8, 30, 0, 0, zone)
		from := first.AddDate(0, r.IntN(14), -3)
		to := from.AddDate(0, 2, 0)
		got, err := ruleOf(text, first)
		if err != nil {
			t.Fatalf("%s: %v", text, err)
		}
		days, err := got.between(from, to)
		if err != nil {
			t.Fatal(err)
		}
		o, _ := rrule.StrToROption(text)
		o.Dtstart = first
		if o.Count == 0 && o.Until.IsZero() {
			o.Until = to
		}
		lib, err := rrule.NewRRule(*o)
		if err != nil {
			t.Fatal(err)
		}
		want := lib.Between(from, to, true)
		if !slices.EqualFunc(days, want, time.Time.Equal) {
			t.Errorf("%d, %s from %v: %v\nthe library: %v", n, text, first, days, want)
		}
		some += len(want)
	}
	if some < 1000 {
		t.Errorf("%d sailings are too few to tell", some)
	}
}

// What never comes, or far too often, costs nobody a page: it is refused with its line, or
// asked about day by day.
func TestRulesHaveAnEnd(t *testing.T) {
	at := time.Date(2026, 3, 23, 0, 0, 0, 0, time.UTC)
	never := "SUMMARY:Quay to Isle|DTSTART:20260324T150000Z|DTEND:20260324T151500Z|RRULE:"
	for rule, says := range map[string]string{"FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30": "",
		"FREQ=YEARLY;BYEASTER=500": "Easter",
		"FREQ=DAILY;BYSETPOS=9":    "positions", "FREQ=DAILY;COUNT=20001": "further",
		"FREQ=MONTHLY;BYDAY=2SA":     "weekdays of a month",
		"FREQ=MONTHLY;BYMONTHDAY=-1": "no day -1", "FREQ=DAILY;COUNT=20000": "", "FREQ=DAILY;INTERVAL=1001": "further"} {
		got, err := Sailings(strings.NewReader(timetable(never+rule)), at, at.AddDate(0, 0, 30), time.UTC)
		f := fault.Of(err)
		if says == "" && err != nil || says != "" && (f == nil || f.Field != "event[1]" || !strings.Contains(f.Why, says) ||
			!strings.Contains(f.Why, rule)) {
			t.Errorf("%s: %d, %v", rule, len(got), err)
		}
	}
	old := strings.Replace(never, "20260324T150000Z|DTEND:20260324", "20060322T150000Z|DTEND:20060322", 1)
	if _, err := Sailings(strings.NewReader(timetable(old+"FREQ=DAILY")), at, at, time.UTC); err == nil {
		t.Error("a rule of more than twenty years ago")
	}
	many := make([]string, mostEvents)
	for i := range many {
		many[i] = never + "FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30"
	}
	if _, err := Sailings(strings.NewReader(timetable(many...)), at, at.AddDate(0, 0, 22), time.UTC); err != nil {
		t.Error(err)
	}
	if _, err := Sailings(strings.NewReader(timetable(append(many, many[0])...)), at, at, time.UTC); err == nil {
		t.Error("more events than are taken")
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
