package cure

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"freshshard/core/working"
)

// Laying is a bead that somebody could lay today.
type Laying struct {
	Job      int64   `json:"job"`
	Pane     int64   `json:"pane"`
	Name     string  `json:"name" maxLength:"200"`
	Adhesive string  `json:"adhesive" maxLength:"40"`
	Ml       float64 `json:"ml" minimum:"0" maximum:"100000" doc:"What the bead takes, with what is wasted"`
	Minutes  float64 `json:"minutes" minimum:"0" maximum:"600" doc:"For laying it and setting the pane"`
	Width    float64 `json:"width" doc:"Pressed, mm"`
	Edges    int     `json:"edges" minimum:"0" maximum:"2" doc:"Long edges that the air reaches"`
}

// Line is one thing of the day.
type Line struct {
	At   time.Time `json:"at"`
	Kind string    `json:"kind" enum:"not,open,set-by,let-go,ready,full,runs,comes"`
	Job  int64     `json:"job,omitempty"`
	Pane int64     `json:"pane,omitempty"`
	Name string    `json:"name,omitempty"`
	Says string    `json:"says"`
}

// Common practice, no source.
const (
	tubeMl   = 310.0
	between  = 5 * time.Minute // from one pane set to the next bead begun
	dayAhead = 48 * time.Hour
)

// usualFor is what a way of holding is usually glued or bedded with. Common practice, no
// source.
var usualFor = map[string]string{"bonded-fixed": "urethane", "edge-bonded": "two-part-urethane",
	"ring-port": "neutral-silicone", "putty-points": "linseed-putty", "glued-beads": "neutral-silicone",
	"clamp-ring": "butyl-tape", "clip-heat": "cement"}

// UsualFor is the adhesive that a way of holding usually takes; empty where it takes none.
func UsualFor(family string) string { return usualFor[family] }

// FastFor is what is laid instead where it has to drive the same day: its sheet has a table of
// drive-away times. Empty where a way of holding has none. Common practice, no source.
func FastFor(family string, drives bool) string {
	if family == "bonded-fixed" && drives {
		return "urethane-fast"
	}
	return ""
}

// Day tells what the layings of a day come to from a moment on: which tubes are opened and
// shared, by when each pane is in place and its tapes are peeled, and when each clock is
// out, a line each, in the order of time. What cannot be opened in the air of the moment
// waits for the first half hour in which it can, and says so; what cannot within two days
// says that.
func Day(lay []Laying, air []Air, from time.Time) ([]Line, error) {
	out := []Line{}
	groups := map[string][]Laying{}
	var order []string
	for _, l := range lay {
		if _, err := Book.ByID(l.Adhesive); err != nil {
			return nil, err
		}
		if groups[l.Adhesive] == nil {
			order = append(order, l.Adhesive)
		}
		groups[l.Adhesive] = append(groups[l.Adhesive], l)
	}
	at := from
	for _, id := range order {
		a, _ := Book.ByID(id)
		start, why := a.firstFit(air, at)
		if why != "" {
			out = append(out, Line{At: at, Kind: "not", Name: names(groups[id]), Says: "Not " + a.Name + " now: " + why})
		}
		if start.IsZero() {
			continue
		}
		out = append(out, Line{At: start, Kind: "open", Name: names(groups[id]), Says: a.open(groups[id])})
		for _, l := range groups[id] {
			lines, end, err := a.laid(l, air, start)
			if err != nil {
				return nil, err
			}
			out = append(out, lines...)
			start = end.Add(between)
		}
		at = start
	}
	slices.SortStableFunc(out, func(a, b Line) int { return a.At.Compare(b.At) })
	return out, nil
}

// firstFit is the first half hour in which the air lets a tube be opened, with why it is
// not now; zero where there is none within two days.
func (a Adhesive) firstFit(air []Air, from time.Time) (start time.Time, why string) {
	after := rest(air)
	for t := from; t.Sub(from) <= dayAhead; t = t.Add(30 * time.Minute) {
		here, _ := at(air, after, t)
		figures, err := Gates(Opening{Adhesive: a.ID, C: here.C, RH: here.RH, Surface: here.C, Now: t})
		stop := ""
		if err != nil {
			stop = "the air is not known"
		}
		for _, f := range figures {
			if f.Verdict == working.Stop {
				stop = f.Text + " " + f.Sentence
			}
		}
		if stop == "" {
			if why != "" {
				why += "; from " + t.Format("Mon 15:04")
			}
			return t, why
		}
		why = cmp.Or(why, stop)
	}
	return time.Time{}, why + "; not within two days either: bring it into the warm"
}

// open says which tubes are opened for whom, and what sharing saves.
func (a Adhesive) open(all []Laying) string {
	ml, alone := 0.0, 0
	for _, l := range all {
		ml += l.Ml
		alone += tubes(l.Ml)
	}
	n := tubes(ml)
	s := fmt.Sprintf("Open %s of %s: %.0f ml", count(n, "tube"), a.Name, ml)
	if a.Kind == Butyl || a.Kind == Putty || ml == 0 {
		s = "Have " + a.Name + " at hand"
	}
	if alone > n && n > 0 {
		s += fmt.Sprintf(" shared; one by one it would be %d", alone)
	}
	return s
}

func tubes(ml float64) int { return int(math.Ceil(ml/tubeMl - 1e-9)) }

func count(n int, what string) string {
	if n == 1 {
		return "1 " + what
	}
	return fmt.Sprintf("%d %ss", n, what)
}

func names(all []Laying) string {
	out := make([]string, 0, len(all))
	for _, l := range all {
		out = append(out, l.Name)
	}
	return strings.Join(out, ", ")
}

// laid are the lines of one pane that is laid from a moment on, and when hands are free.
func (a Adhesive) laid(l Laying, air []Air, start time.Time) (out []Line, end time.Time, err error) {
	line := func(at time.Time, kind, says string) {
		out = append(out, Line{At: at, Kind: kind, Job: l.Job, Pane: l.Pane, Name: l.Name, Says: says})
	}
	end = start.Add(time.Duration(l.Minutes * float64(time.Minute)))
	if skin := a.Skin[0]; skin > 0 && a.Kind != Putty {
		by := start.Add(time.Duration(skin * float64(time.Minute)))
		says := "in place, pressed, tapes peeled: it skins after that"
		if l.Minutes > skin {
			says = fmt.Sprintf("in place: %.0f min of laying and setting do not fit into %.0f: in two parts, or with a "+
				"second pair of hands",
				l.Minutes, skin)
		}
		line(by, "set-by", says)
	}
	b := Bond{Adhesive: a.ID, Since: end, Width: l.Width, Edges: l.Edges}
	got, err := Cure(b, air, end)
	if err != nil {
		return nil, end, err
	}
	for i, c := range got.Clocks {
		if c.Safe != nil && c.Safe.Sub(start) <= dayAhead && c.Safe.After(end) {
			line(*c.Safe, [3]string{"let-go", "ready", "full"}[i], c.May)
		}
	}
	return out, end, nil
}
