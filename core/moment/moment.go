// Package moment reads dates and times as people in a shop say them: "Fri 4",
// "tomorrow noon", "3 Dec 16:30", "in 2 days".
package moment

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"time"

	"freshshard/core/fault"
)

// The hours that words stand for, in the shop's day. Common practice, no source.
const (
	opening = 8  // the earliest hour that a bare number means
	endOf   = 17 // when nobody says an hour: the end of the day
)

var hours = map[string]int{"morning": 9, "noon": 12, "midday": 12, "afternoon": 15, "evening": 18, "close": endOf}

var months = []string{"jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"}

var weekdays = []string{"sun", "mon", "tue", "wed", "thu", "fri", "sat"}

var dateAndTime = regexp.MustCompile(`^\s*(\d{4}-\d\d-\d\d)[Tt](\d\d:\d\d)\s*$`)

// mostAhead is how far ahead anybody promises; it catches a slipped year.
const mostAhead = 2 * 366 * 24 * time.Hour

// Years that any moment may have: between them lies whatever a shop writes down, and all
// that is reckoned from it.
const (
	firstYear = 1990
	lastYear  = 2200
)

// Check refuses a moment that no shop can mean. It is the one bound of every field that is
// a moment; a field that may be empty is not asked.
func Check(field string, t time.Time) error {
	if y := t.Year(); y < firstYear || y > lastYear {
		return fault.New(field, fmt.Sprintf("a date in the year %d cannot be meant", y), "check the year")
	}
	return nil
}

// said is what was understood so far.
type said struct {
	now          time.Time
	day          time.Time // midnight of the day, zero while none was named
	hour, minute int
	timed        bool
	byName       bool // the day is a weekday
	next         bool // "next Friday"
	after        time.Duration
	later        bool // "in 2 hours"
}

// Parse reads what was typed, in the zone of now, as a moment after now. A bare hour
// before the shop opens is the afternoon's; a weekday is the next one to come; a day
// without an hour is its end. Errors name field.
func Parse(field, text string, now time.Time) (time.Time, error) {
	text = dateAndTime.ReplaceAllString(text, "$1 $2") // 2026-12-03T16:30
	words := strings.Fields(strings.ToLower(strings.NewReplacer(",", " ", "@", " ").Replace(text)))
	words = slices.DeleteFunc(words, func(w string) bool { return w == "at" || w == "on" || w == "by" || w == "the" })
	if len(words) == 0 {
		return time.Time{}, fault.New(field, "no time was said", "type it as: Fri 4, tomorrow noon, 3 Dec 16:30")
	}
	s := said{now: now}
	for len(words) > 0 {
		n := s.take(words)
		if n == 0 {
			return time.Time{}, fault.New(field, fmt.Sprintf("%q is no day and no hour", words[0]),
				"type it as: Fri 4, tomorrow noon, 3 Dec 16:30")
		}
		words = words[n:]
	}
	at, err := s.at(field)
	if err != nil {
		return at, err
	}
	switch {
	case !at.After(now):
		return at, fault.New(field, Say(at, now)+" has passed", "say a later one")
	case at.Sub(now) > mostAhead:
		return at, fault.New(field, "that is more than two years ahead", "check the year")
	}
	return at, nil
}

// take understands the first words and tells how many; 0 for none of them.
func (s *said) take(w []string) int {
	for _, f := range []func([]string) int{s.takeIn, s.takeDay, s.takeDate, s.takeWeekday, s.takeHour} {
		if n := f(w); n > 0 {
			return n
		}
	}
	return 0
}

func (s *said) takeIn(w []string) int {
	if w[0] != "in" || len(w) < 3 || s.later || !s.day.IsZero() {
		return 0
	}
	n, err := strconv.Atoi(w[1])
	if err != nil || n < 1 || n > 1000 {
		return 0
	}
	switch strings.TrimSuffix(w[2], "s") {
	case "min", "minute":
		s.later, s.after = true, time.Duration(n)*time.Minute
	case "h", "hour":
		s.later, s.after = true, time.Duration(n)*time.Hour
	case "day":
		s.day = s.midnight(n)
	case "week":
		s.day = s.midnight(7 * n)
	default:
		return 0
	}
	return 3
}

// midnight is the start of the day so many days from now; days are counted by the
// calendar, not by hours.
func (s *said) midnight(days int) time.Time {
	y, m, d := s.now.Date()
	return time.Date(y, m, d+days, 0, 0, 0, 0, s.now.Location())
}

func (s *said) takeDay(w []string) int {
	if !s.day.IsZero() {
		return 0
	}
	switch w[0] {
	case "today", "tonight":
		s.day = s.midnight(0)
		if w[0] == "tonight" && !s.timed {
			s.hour, s.timed = hours["evening"], true
		}
	case "tomorrow", "tmrw":
		s.day = s.midnight(1)
	default:
		return 0
	}
	return 1
}

func (s *said) takeWeekday(w []string) int {
	if w[0] == "next" && len(w) > 1 && !s.next {
		s.next = true
		if n := s.takeWeekday(w[1:]); n > 0 {
			return n + 1
		}
		s.next = false
		return 0
	}
	i := named(weekdays, w[0])
	if i < 0 || !s.day.IsZero() {
		return 0
	}
	ahead := (i - int(s.now.Weekday()) + 7) % 7
	if ahead == 0 || s.next && ahead < 7 {
		ahead += 7
	}
	// A Friday that is said on a Friday is next week's, unless its hour is still to
	// come: at() takes it back.
	s.day, s.byName = s.midnight(ahead), true
	return 1
}

// named finds a name by its first letters, three at least: tue, tues, tuesday.
func named(names []string, w string) int {
	full := map[string]string{"sun": "sunday", "mon": "monday", "tue": "tuesday", "wed": "wednesday", "thu": "thursday",
		"fri": "friday", "sat": "saturday", "jan": "january", "feb": "february", "mar": "march", "apr": "april",
		"may": "may", "jun": "june", "jul": "july", "aug": "august", "sep": "september", "oct": "october",
		"nov": "november", "dec": "december"}
	w = strings.TrimSuffix(w, ".")
	if len(w) < 3 {
		return -1
	}
	return slices.IndexFunc(names, func(n string) bool { return strings.HasPrefix(full[n], w) })
}

// takeDate reads 3 Dec, Dec 3, 3 Dec 2026 and 2026-12-03. 3/12 is two days to two
// people and is not taken.
func (s *said) takeDate(w []string) int {
	if !s.day.IsZero() {
		return 0
	}
	if t, err := time.ParseInLocation("2006-01-02", w[0], s.now.Location()); err == nil {
		s.day = t
		return 1
	}
	if len(w) < 2 {
		return 0
	}
	day, month := w[0], named(months, w[1])
	if month < 0 {
		day, month = w[1], named(months, w[0])
	}
	d, err := strconv.Atoi(strings.TrimRight(day, ".stndrh"))
	if month < 0 || err != nil {
		return 0
	}
	n, y := 2, s.now.Year()
	if len(w) > 2 {
		if v, err := strconv.Atoi(w[2]); err == nil && v >= 2000 && v < 2200 && len(w[2]) == 4 {
			y, n = v, 3
		}
	}
	at := time.Date(y, time.Month(month+1), d, 0, 0, 0, 0, s.now.Location())
	if at.Day() != d || d < 1 {
		return 0 // 31 Nov
	}
	if n == 2 && at.Before(s.midnight(0)) {
		at = time.Date(y+1, time.Month(month+1), d, 0, 0, 0, 0, s.now.Location())
	}
	s.day = at
	return n
}

// takeHour reads noon, 4, 4pm, 4 pm, 16:30, 16.30 and 1630.
func (s *said) takeHour(w []string) int {
	if s.timed {
		return 0
	}
	if h, ok := hours[w[0]]; ok {
		s.hour, s.timed = h, true
		return 1
	}
	text, n := w[0], 1
	half := ""
	for _, h := range []string{"am", "pm"} {
		if t, cut := strings.CutSuffix(text, h); cut && t != "" {
			text, half = t, h
		}
	}
	if half == "" && len(w) > 1 && (w[1] == "am" || w[1] == "pm") {
		half, n = w[1], 2
	}
	text = strings.TrimSuffix(text, "h")
	h, m, split := strings.Cut(strings.Replace(text, ".", ":", 1), ":")
	if !split && len(h) == 4 {
		h, m, split = h[:2], h[2:], true
	}
	hour, err := strconv.Atoi(h)
	minute, wrong := 0, error(nil)
	if split {
		minute, wrong = strconv.Atoi(m)
	}
	if err != nil || wrong != nil || hour < 0 || hour > 24 || hour == 24 && minute > 0 ||
		minute < 0 || minute > 59 || split && len(m) != 2 ||
		half != "" && (hour < 1 || hour > 12) {
		return 0
	}
	switch {
	case half == "pm" && hour < 12, half == "" && !split && hour > 0 && hour < opening:
		hour += 12
	case half == "am" && hour == 12:
		hour = 0
	}
	s.hour, s.minute, s.timed = hour, minute, true
	return n
}

// at brings day and hour together.
func (s *said) at(field string) (time.Time, error) {
	if s.later {
		if s.timed || !s.day.IsZero() {
			return time.Time{}, fault.New(field, "that is two times", "say either how long, or when")
		}
		return s.now.Add(s.after).Truncate(time.Minute), nil
	}
	day, hour, minute := s.day, s.hour, s.minute
	if !s.timed {
		hour = endOf
	}
	on := func(d time.Time) time.Time {
		return time.Date(d.Year(), d.Month(), d.Day(), hour, minute, 0, 0, s.now.Location())
	}
	today := s.midnight(0)
	switch {
	case day.IsZero():
		// An hour alone is the next such hour.
		if at := on(today); at.After(s.now) {
			return at, nil
		}
		return on(s.midnight(1)), nil
	case s.byName && !s.next && s.timed && day.Equal(s.midnight(7)) && on(today).After(s.now):
		return on(today), nil
	}
	return on(day), nil
}

// Say writes a moment as the screens do: today 16:00, tomorrow 09:30, Fri 16:00,
// 3 Dec 16:00.
func Say(at, now time.Time) string {
	at = at.In(now.Location())
	clock := at.Format("15:04")
	y, m, d := now.Date()
	today := time.Date(y, m, d, 0, 0, 0, 0, now.Location())
	y, m, d = at.Date()
	days := int(time.Date(y, m, d, 12, 0, 0, 0, now.Location()).Sub(today).Hours()) / 24
	switch {
	case at.Before(today):
		return at.Format("2 Jan ") + clock
	case days == 0:
		return "today " + clock
	case days == 1:
		return "tomorrow " + clock
	case days < 7:
		return at.Format("Mon ") + clock
	case at.Year() != now.Year():
		return at.Format("2 Jan 2006 ") + clock
	}
	return at.Format("Mon 2 Jan ") + clock
}
