package demo

import "time"

// The hours of Lantern Yard, on the clock of the machine: open from eight to five,
// shut on Sundays.
const (
	opens = 8
	shuts = 17
)

// inHours is the full half hour at or after a time at which the shop is open; what
// falls into an evening is the next morning's.
func inHours(at time.Time) time.Time {
	at = roundUp(at).Local()
	if at.Hour() < opens {
		at = morning(at, 0)
	}
	if at.Hour() >= shuts {
		at = morning(at, 1)
	}
	if at.Weekday() == time.Sunday {
		at = morning(at, 1)
	}
	return at.UTC()
}

// morning is half an hour after the shop opens, so many days from a time.
func morning(at time.Time, days int) time.Time {
	at = at.Local()
	return time.Date(at.Year(), at.Month(), at.Day()+days, opens, 30, 0, 0, at.Location())
}

// promised is a promise so many hours from now, in the shop's hours; one that has
// passed stays so.
func promised(now time.Time, due float64) time.Time {
	at := inHours(now.Add(time.Duration(due * float64(time.Hour))))
	for due < 0 && (!at.Before(now) || at.Local().Weekday() == time.Sunday) {
		at = at.Local().AddDate(0, 0, -1).UTC()
	}
	return at
}
