package days

import (
	"testing"
	"time"

	"github.com/rickar/cal/v2"

	"freshshard/internal/record"
)

// The working time of the days ahead, held against a calendar library, github.com/rickar/cal: from
// Monday to Friday, 8:00 to 17:00, over the change of the clocks in spring and in autumn.
func TestHoursAgainstACalendar(t *testing.T) {
	zone, err := time.LoadLocation("Europe/Copenhagen")
	if err != nil {
		t.Skip(err)
	}
	for _, now := range []time.Time{time.Date(2027, 3, 26, 6, 0, 0, 0, zone), time.Date(2027, 10, 28, 14, 20, 0, 0, zone),
		time.Date(2027, 6, 5, 12, 0, 0, 0, zone)} {
		w := &dayWork{now: now, zone: zone}
		got, err := w.hours(record.Week{Days: []int{1, 2, 3, 4, 5}, From: "08:00", To: "17:00"})
		if err != nil {
			t.Fatal(err)
		}
		minutes := 0
		for _, k := range got {
			minutes += k.To - k.From
		}
		c := cal.NewBusinessCalendar()
		c.SetWorkHours(8*time.Hour, 17*time.Hour)
		first := now.In(zone)
		end := time.Date(first.Year(), first.Month(), first.Day()+daysAhead, 0, 0, 0, 0, zone)
		if want := int(c.WorkHoursInRange(now, end).Minutes()); minutes != want {
			t.Errorf("from %s: %d minutes of work, the calendar says %d", now.Format("2 Jan 15:04"), minutes, want)
		}
	}
}
