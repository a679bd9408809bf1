package exchange

import (
	"fmt"
	"io"
	"strings"
	"time"
	"unicode"

	ics "github.com/arran4/golang-ical"

	"freshshard/internal/record"
)

// Calendar writes reminders as an iCalendar (RFC 5545, by the library): an hour each, with
// an address of the job. A reminder keeps its identity, so that a calendar that reads it
// again moves it rather than doubling it.
func Calendar(w io.Writer, all []record.Reminder, address string, now time.Time) error {
	c := ics.NewCalendarFor("Fresh Shard")
	c.SetMethod(ics.MethodPublish)
	c.SetName("To be looked at again")
	for _, r := range all {
		e := c.AddEvent(fmt.Sprintf("reminder-%d@fresh-shard", r.ID))
		e.SetDtStampTime(now)
		e.SetStartAt(r.Due)
		e.SetEndAt(r.Due.Add(time.Hour))
		e.SetSummary(oneSaid(r.What + ": " + r.Object))
		e.SetSequence(r.Version)
		said := r.Customer
		if r.Phone != "" {
			said += ", " + r.Phone
		}
		if r.Why != "" {
			said += "\n" + r.Why
		}
		e.SetDescription(strings.ReplaceAll(said, "\r", ""))
		if address != "" {
			e.SetURL(fmt.Sprintf("%s/jobs/%d", address, r.Job))
		}
	}
	return c.SerializeTo(w, ics.WithNewLineWindows)
}

// oneSaid is a text on one line: a calendar's lines end where it says (RFC 5545, 3.1).
func oneSaid(s string) string { return strings.Join(strings.FieldsFunc(s, unicode.IsControl), " ") }
