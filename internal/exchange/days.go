package exchange

import (
	"encoding/csv"
	"fmt"
	"io"
	"strings"
	"time"

	ics "github.com/arran4/golang-ical"

	"freshshard/internal/days"
	"freshshard/internal/record"
)

// DaysTable writes who does what when as CSV: UTF-8, commas, a header row, a row for each
// person at each step, times as RFC 3339 in the shop's own zone.
func DaysTable(w io.Writer, d days.Days, zone *time.Location) error {
	c := csv.NewWriter(w)
	if err := c.Write([]string{"person", "from", "to", "minutes", "job", "object", "step", "with"}); err != nil {
		return err
	}
	for _, p := range d.People {
		for _, s := range p.Steps {
			with := make([]string, len(s.With))
			for i, o := range s.With {
				with[i] = guarded(o)
			}
			if err := c.Write([]string{guarded(p.Name), s.From.In(zone).Format(time.RFC3339), s.To.In(zone).Format(time.RFC3339),
				fmt.Sprint(int(s.To.Sub(s.From).Minutes())), fmt.Sprint(s.Job), guarded(s.Object), guarded(s.Title),
				strings.Join(with, " and ")}); err != nil {
				return err
			}
		}
	}
	c.Flush()
	return c.Error()
}

// DaysCalendar writes one person's days as an iCalendar (RFC 5545, by the library). A step
// keeps its identity, so that a calendar that reads it again moves it rather than doubling
// it. It names no customer: whoever has the address reads it.
func DaysCalendar(w io.Writer, d days.Days, account int64, address string, now time.Time) error {
	c := ics.NewCalendarFor("Fresh Shard")
	c.SetMethod(ics.MethodPublish)
	c.SetName("My days")
	for _, p := range d.People {
		if p.ID != account {
			continue
		}
		for _, s := range p.Steps {
			e := c.AddEvent(fmt.Sprintf("step-%s-%d@fresh-shard", strings.ReplaceAll(s.Key, "/", "-"), p.ID))
			e.SetDtStampTime(now)
			e.SetStartAt(s.From)
			e.SetEndAt(s.To)
			e.SetSummary(oneSaid(s.Title + ": " + s.Object))
			said := s.Why
			if len(s.With) > 0 {
				said = "With " + strings.Join(s.With, " and ") + ". " + said
			}
			e.SetDescription(said)
			if address != "" {
				e.SetURL(fmt.Sprintf("%s/jobs/%d", address, s.Job))
			}
		}
	}
	return c.SerializeTo(w, ics.WithNewLineWindows)
}

// sheetDays are as many days as a sheet holds: what is further off moves anyway.
const sheetDays = 2

// DaySheets writes a page for each person who has something to do: the next two days on
// which they work, a box to tick for each step.
func DaySheets(w io.Writer, d days.Days, of record.Shop, zone *time.Location) error {
	var t sheet
	for _, p := range d.People {
		if len(p.Steps) == 0 {
			continue
		}
		if t.p == nil {
			t = sheetOf(of, "Days", zone)
		} else {
			t.p.AddPage()
		}
		t.line(15, "B", p.Name)
		t.line(10, "", "As the days stood on "+t.day(d.From)+".")
		t.daysOf(p)
	}
	if t.p == nil {
		t = sheetOf(of, "Days", zone)
		t.line(12, "", "Nobody has anything to do.")
	}
	return t.p.Output(w)
}

// Columns of a day's lines, mm.
const (
	tickBox  = 5.0
	timeWide = 28.0
)

func (t sheet) daysOf(p days.DayLane) {
	days, last := 0, ""
	for _, s := range p.Steps {
		if day := s.From.In(t.zone).Format("Monday, 2 January"); day != last {
			if days++; days > sheetDays {
				return
			}
			last = day
			t.p.Ln(4)
			t.line(12, "B", day)
		}
		t.p.Ln(2)
		if t.p.GetY() > pageH-3*margin {
			t.p.AddPage() // a box and its lines stay together
		}
		y := t.p.GetY()
		t.p.Rect(margin, y, tickBox, tickBox, "D")
		t.say(margin+tickBox+3, timeWide, 10.5, "", s.From.In(t.zone).Format("15:04")+" to "+s.To.In(t.zone).Format("15:04"))
		x := margin + tickBox + 3 + timeWide
		t.p.SetY(y)
		t.say(x, pageW-margin-x, 10.5, "B", s.Title)
		said := fmt.Sprintf("%s, job %d", s.Object, s.Job)
		if len(s.With) > 0 {
			said += ", with " + strings.Join(s.With, " and ")
		}
		t.say(x, pageW-margin-x, 10, "", said)
	}
}
