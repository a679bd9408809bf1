// Package timetable reads the timetables of ferries.
package timetable

import (
	"fmt"
	"io"
	"slices"
	"strings"
	"time"

	ics "github.com/arran4/golang-ical"

	"freshshard/core/fault"
	"freshshard/core/moment"
)

// Sailing is a ferry on a day.
type Sailing struct {
	Ferry  string    `json:"ferry"`
	From   string    `json:"from"`
	To     string    `json:"to"`
	Leaves time.Time `json:"leaves"`
	Lands  time.Time `json:"lands"`
}

// Bounds of a timetable.
const (
	mostSailings = 5000
	mostEvents   = 1000
	longestCross = 24 * time.Hour
)

// Sailings reads a timetable, an iCalendar file (RFC 5545): each event is a sailing, its
// summary says from where to where ("Hollin Ferry to Sandholm", or with →), DTSTART and
// DTEND when it leaves and lands, RRULE and EXDATE on which days; one that is cancelled
// does not sail. Times without a zone are those of the shop. Those between two moments are
// returned in order. Errors name the event.
func Sailings(r io.Reader, from, to time.Time, zone *time.Location) ([]Sailing, error) {
	wrong := func(n int, f *fault.Error) error { return fault.New(fmt.Sprintf("event[%d]", n), f.Why, f.Cure) }
	c, err := ics.ParseCalendar(r)
	if err != nil {
		return nil, fault.New("timetable", "this is no iCalendar file: "+err.Error(),
			"export the timetable as iCalendar (.ics)")
	}
	name := "ferry"
	for _, p := range c.CalendarProperties {
		if p.IANAToken == "X-WR-CALNAME" && p.Value != "" {
			name = p.Value
		}
	}
	if n := len(c.Events()); n > mostEvents {
		return nil, fault.New("timetable", fmt.Sprintf("it has %d events, and %d are taken", n, mostEvents),
			"leave out ferries that nobody takes, and write what repeats as a rule")
	}
	out := []Sailing{}
	for i, e := range c.Events() {
		n := i + 1
		if s := e.GetProperty(ics.ComponentPropertyStatus); s != nil && s.Value == "CANCELLED" {
			continue
		}
		first, err := sailing(e, zone)
		if err != nil {
			return nil, wrong(n, err)
		}
		first.Ferry = name
		days := []time.Time{first.Leaves}
		if k := e.GetProperty(ics.ComponentPropertyRrule); k != nil {
			r, err := ruleOf(k.Value, first.Leaves)
			if err == nil {
				days, err = r.between(from, to)
			}
			if err != nil {
				return nil, wrong(n, fault.New("", fmt.Sprintf("its rule %q cannot be taken: %v", k.Value, err),
					"write RRULE:FREQ=DAILY or WEEKLY with its weekdays, months and last day"))
			}
		}
		not := exceptions(e, zone)
		for _, d := range days {
			if d.Before(from) || d.After(to) || slices.ContainsFunc(not, d.Equal) {
				continue
			}
			out = append(out, first.on(d))
			if len(out) > mostSailings {
				return nil, fault.New("timetable", fmt.Sprintf("it has more than %d sailings in that time", mostSailings),
					"leave out ferries that nobody takes")
			}
		}
	}
	slices.SortStableFunc(out, func(a, b Sailing) int { return a.Leaves.Compare(b.Leaves) })
	return out, nil
}

// on is the same sailing at another moment.
func (s Sailing) on(leaves time.Time) Sailing {
	s.Leaves, s.Lands = leaves, leaves.Add(s.Lands.Sub(s.Leaves))
	return s
}

// sailing is the first sailing of an event.
func sailing(e *ics.VEvent, zone *time.Location) (Sailing, *fault.Error) {
	sum := e.GetProperty(ics.ComponentPropertySummary)
	if sum == nil {
		return Sailing{}, fault.New("", "it does not say from where to where", "write SUMMARY:Hollin Ferry to Sandholm")
	}
	a, b, ok := fromTo(sum.Value)
	if !ok {
		return Sailing{}, fault.New("", fmt.Sprintf("%q does not say from where to where", sum.Value),
			"write SUMMARY:Hollin Ferry to Sandholm")
	}
	leaves, err := stamp(e, ics.ComponentPropertyDtStart, zone)
	if err == nil {
		err = moment.Check("DTSTART", leaves)
	}
	if err != nil {
		return Sailing{}, fault.New("", "it does not say when it leaves", "write DTSTART with a time")
	}
	lands, err := stamp(e, ics.ComponentPropertyDtEnd, zone)
	if err != nil || !lands.After(leaves) || lands.Sub(leaves) > longestCross {
		return Sailing{}, fault.New("", "it does not land after it leaves, within a day", "write DTEND, later than DTSTART")
	}
	return Sailing{From: a, To: b, Leaves: leaves, Lands: lands}, nil
}

// fromTo parts "Hollin Ferry to Sandholm" into its two places.
func fromTo(text string) (a, b string, ok bool) {
	for _, sep := range []string{" → ", " -> ", " to ", " – ", " - "} {
		if a, b, ok := strings.Cut(text, sep); ok {
			a, b = strings.TrimSpace(a), strings.TrimSpace(b)
			return a, b, a != "" && b != "" && a != b && len(a) <= 80 && len(b) <= 80
		}
	}
	return "", "", false
}

// stamp is the first time of a property of an event.
func stamp(e *ics.VEvent, name ics.ComponentProperty, zone *time.Location) (time.Time, error) {
	p := e.GetProperty(name)
	if p == nil {
		return time.Time{}, fmt.Errorf("no %s", name)
	}
	all, err := times(p.BaseProperty, zone)
	if err != nil || len(all) == 0 {
		return time.Time{}, fmt.Errorf("%s: %w", name, err)
	}
	return all[0], nil
}

// times are those of a property: in UTC, in the zone that it names, or on the shop's clock.
func times(p ics.BaseProperty, zone *time.Location) ([]time.Time, error) {
	if id := p.ICalParameters["TZID"]; len(id) == 1 {
		z, err := time.LoadLocation(id[0])
		if err != nil {
			return nil, err
		}
		zone = z
	}
	var out []time.Time
	for v := range strings.SplitSeq(p.Value, ",") {
		layout, in := "20060102T150405", zone
		if strings.HasSuffix(v, "Z") {
			layout, in = "20060102T150405Z", time.UTC
		}
		t, err := time.ParseInLocation(layout, v, in)
		if err != nil {
			return nil, err
		}
		out = append(out, t)
	}
	return out, nil
}

// exceptions are the times at which a repeated sailing does not sail.
func exceptions(e *ics.VEvent, zone *time.Location) []time.Time {
	var out []time.Time
	for _, p := range e.Properties {
		if p.IANAToken == string(ics.ComponentPropertyExdate) {
			all, _ := times(p.BaseProperty, zone)
			out = append(out, all...)
		}
	}
	return out
}
