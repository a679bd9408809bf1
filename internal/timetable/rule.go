package timetable

import (
	"fmt"
	"slices"
	"time"

	"github.com/teambition/rrule-go"
)

// Bounds of a rule: no ferry's timetable is older, or counts further. A rule is asked about
// one day after the other, so that one that never comes costs no more than one that does.
const (
	oldestRule  = 20 // years before the first day that is asked for
	mostCounted = 20_000
)

// rule says on which days a sailing is repeated (RFC 5545, 3.3.10): by day, week, month or
// year, with months, days of the month and weekdays.
type rule struct {
	rrule.ROption
	first time.Time // its first sailing, on its own clock
}

// ruleOf reads a rule and refuses what no timetable needs.
func ruleOf(text string, first time.Time) (rule, error) {
	o, err := rrule.StrToROption(text)
	if err != nil {
		return rule{}, err
	}
	r := rule{*o, first}
	switch {
	case o.Freq > rrule.DAILY || len(o.Byhour)+len(o.Byminute)+len(o.Bysecond) > 0:
		return r, fmt.Errorf("it repeats within a day")
	case len(o.Bysetpos)+len(o.Byyearday)+len(o.Byweekno)+len(o.Byeaster) > 0:
		return r, fmt.Errorf("it counts by year's days, weeks, positions or Easter")
	case o.Interval < 0 || o.Interval > 1000 || o.Count < 0 || o.Count > mostCounted:
		return r, fmt.Errorf("it counts further than a timetable does")
	}
	for _, d := range o.Bymonthday {
		if d < 1 || d > 31 {
			return r, fmt.Errorf("a month has no day %d; write 1 to 31", d)
		}
	}
	for _, m := range o.Bymonth {
		if m < 1 || m > 12 {
			return r, fmt.Errorf("a year has no month %d", m)
		}
	}
	for _, d := range o.Byweekday {
		if d.N() != 0 {
			return r, fmt.Errorf("it counts the weekdays of a month")
		}
	}
	return r, nil
}

// between are its sailings from one moment to another, in order, those in the list left out.
func (r rule) between(from, to time.Time) ([]time.Time, error) {
	if r.first.Before(from.AddDate(-oldestRule, 0, 0)) {
		return nil, fmt.Errorf("it began more than %d years ago", oldestRule)
	}
	every := max(1, r.Interval)
	y, m, d := r.first.Date()
	begins := 0
	if r.Count == 0 { // what is past need not be counted
		begins = max(0, int(from.Sub(r.first).Hours()/24)-1)
	}
	var out []time.Time
	for n, counted := begins, 0; ; n++ {
		at := time.Date(y, m, d+n, r.first.Hour(), r.first.Minute(), r.first.Second(), 0, r.first.Location())
		if at.After(to) || !r.Until.IsZero() && at.After(r.Until) {
			return out, nil
		}
		if !r.on(at, n, every) {
			continue
		}
		if counted++; r.Count > 0 && counted > r.Count {
			return out, nil
		}
		if !at.Before(from) {
			out = append(out, at)
		}
	}
}

// on says whether it sails on a day, so many days behind the first.
func (r rule) on(at time.Time, days, every int) bool {
	weekdays := r.weekdays()
	y, m, d := at.Date()
	fy, fm, fd := r.first.Date()
	if len(r.Bymonth) > 0 && !slices.Contains(r.Bymonth, int(m)) ||
		len(r.Bymonthday) > 0 && !slices.Contains(r.Bymonthday, d) ||
		len(weekdays) > 0 && !slices.Contains(weekdays, at.Weekday()) {
		return false
	}
	named := len(r.Bymonthday)+len(weekdays) > 0
	switch r.Freq {
	case rrule.DAILY:
		return days%every == 0
	case rrule.WEEKLY:
		week := (days + r.intoWeek(r.first)) / 7
		return week%every == 0 && (named || at.Weekday() == r.first.Weekday())
	case rrule.MONTHLY:
		return ((y-fy)*12+int(m-fm))%every == 0 && (named || d == fd)
	}
	if !named && d != fd || len(r.Bymonth) == 0 && !named && m != fm {
		return false
	}
	return (y-fy)%every == 0
}

// intoWeek is how many days of its week lie before a day; weeks begin on Monday where
// nothing else is said.
func (r rule) intoWeek(t time.Time) int {
	begins := (r.Wkst.Day() + 1) % 7 // the library counts from Monday
	return (int(t.Weekday()) - begins + 7) % 7
}

func (r rule) weekdays() []time.Weekday {
	var out []time.Weekday
	for _, d := range r.Byweekday {
		out = append(out, time.Weekday((d.Day()+1)%7))
	}
	return out
}
