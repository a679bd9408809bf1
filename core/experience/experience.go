// Package experience says how often what a shop fitted came back within a year: by
// material, seal, adhesive, source, and by why the one before broke. It counts, and
// judges nothing.
package experience

import (
	"cmp"
	"fmt"
	"slices"
	"time"
)

// Fitted is one pane that went out, in words; empty words are not counted.
type Fitted struct {
	Material string
	Seal     string
	Adhesive string
	Source   string
	Cause    string // why the one before it broke
	Out      time.Time
	Back     *time.Time // when it came back; nil while it has not
}

// Kind is what a line counts by.
type Kind string

// The kinds, in the order of the stations at which the choice is made.
const (
	ByCause    Kind = "cause"
	ByMaterial Kind = "material"
	BySeal     Kind = "seal"
	BySource   Kind = "source"
	ByAdhesive Kind = "adhesive"
)

// Line is how one choice went.
type Line struct {
	Kind   Kind   `json:"kind" enum:"cause,material,seal,source,adhesive"`
	What   string `json:"what"`
	Fitted int    `json:"fitted"`
	Back   int    `json:"back" doc:"Came back within a year"`
	Young  int    `json:"young" doc:"Out for less than a year, and not back so far"`
	Says   string `json:"says"`
}

// within is how soon something comes back that was not right.
const within = 365 * 24 * time.Hour

// Of counts what was fitted. Lines are in the order of their kinds, in each the ones that
// came back most often first, then the most often fitted.
func Of(all []Fitted, now time.Time) []Line {
	out := []Line{}
	for _, k := range []struct {
		kind Kind
		of   func(Fitted) string
	}{{ByCause, func(f Fitted) string { return f.Cause }}, {ByMaterial, func(f Fitted) string { return f.Material }},
		{BySeal, func(f Fitted) string { return f.Seal }}, {BySource, func(f Fitted) string { return f.Source }},
		{ByAdhesive, func(f Fitted) string { return f.Adhesive }}} {
		out = append(out, count(all, k.kind, k.of, now)...)
	}
	return out
}

func count(all []Fitted, kind Kind, of func(Fitted) string, now time.Time) []Line {
	lines := map[string]*Line{}
	for _, f := range all {
		what := of(f)
		if what == "" {
			continue
		}
		l := lines[what]
		if l == nil {
			l = &Line{Kind: kind, What: what}
			lines[what] = l
		}
		l.Fitted++
		switch {
		case f.Back != nil && f.Back.Sub(f.Out) <= within:
			l.Back++
		case now.Sub(f.Out) < within:
			l.Young++
		}
	}
	out := make([]Line, 0, len(lines))
	for _, l := range lines {
		l.Says = l.says()
		out = append(out, *l)
	}
	slices.SortFunc(out, func(a, b Line) int {
		return cmp.Or(cmp.Compare(b.Back*a.Fitted, a.Back*b.Fitted), cmp.Compare(b.Fitted, a.Fitted),
			cmp.Compare(a.What, b.What))
	})
	return out
}

func (l Line) says() string {
	s := fmt.Sprintf("%d of %d came back within a year", l.Back, l.Fitted)
	switch {
	case l.Back == 0 && l.Fitted == 1:
		s = "one was fitted, and did not come back"
	case l.Back == 0:
		s = fmt.Sprintf("%d were fitted, none came back within a year", l.Fitted)
	}
	if l.Young > 0 {
		s += fmt.Sprintf("; %d are out for less than that", l.Young)
		if l.Young == 1 {
			s = s[:len(s)-len("1 are out for less than that")] + "one is out for less than that"
		}
	}
	return s
}
