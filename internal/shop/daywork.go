package shop

import (
	"slices"
	"strings"
	"time"

	"freshshard/core/cure"
	"freshshard/core/family"
	"freshshard/core/plan"
	"freshshard/core/source"
	"freshshard/internal/record"
)

// openStep is a step that is left, as the plan of days sees it.
type openStep struct {
	key, title string
	minutes    int
	people     int
	station    family.Station
	once       bool
	after      []string
	until      *time.Time // what it waits for is over then
	needs      string
	lays       string  // the adhesive that hardens behind it
	width      float64 // of its bead, pressed, mm
	wait       int     // min behind it that need nobody
	stations   []family.Station
}

// hardening are the ways of holding in which something hardens before the work goes on.
var hardening = []string{"bonded-fixed", "edge-bonded", "ring-port", "putty-points", "glued-beads"}

// openWork lists what is left of a pane.
func (b benchView) openWork(j record.Job) []openStep {
	out := []openStep{}
	steps := b.reck.Plan.Steps
	hold := slices.IndexFunc(steps, func(st plan.Step) bool { return st.Station == "hold" })
	for i, st := range steps {
		if b.done[st.Key] {
			continue
		}
		o := openStep{key: st.Key, title: st.Title, minutes: max(1, st.Minutes), people: st.People, station: st.Station, once: st.Once,
			after: st.After}
		if c, ok := b.standing.Clocks[st.Key]; ok {
			o.until = c.Ready
		}
		if st.Key == "check-new" {
			o.until = b.pane.WaitsUntil
		}
		switch {
		case slices.Contains(b.reck.Family.Facts, "pressure") && (st.Key == "isolate" || st.Key == "open"):
			o.needs = "pressure"
		case j.Object.Gas && st.Key == "isolate":
			o.needs = "gas"
		}
		// What hardens does so behind the last step before its hold.
		if i == hold-1 && len(b.pane.Cures) == 0 && slices.Contains(hardening, b.pane.Family) {
			o.lays, o.width = cure.UsualFor(b.pane.Family), b.pressed()
		}
		if st.Station == "source" && st.Key != "check-new" && b.pane.WaitsFor == "" && b.toCutEver() == nil {
			o.wait = usualDays(b.reck.Road.Part) * 24 * 60
		}
		out = append(out, o)
	}
	return out
}

// usualDays is how long an order usually takes.
func usualDays(part bool) int {
	kind := source.Cutter
	if part {
		kind = source.Parts
	}
	i := slices.IndexFunc(source.Usuals, func(u source.Usual) bool { return u.Kind == kind })
	return source.Usuals[i].Days
}

// goes is how long somebody stays at one thing in the plan of days, min. Judgement, no
// source.
const goes = 90

// inOneGo puts steps together that one goes on with: nothing is waited for between them,
// they take the same hands, and it is not too long. What is done once for the object is
// left out where it stood before.
func inOneGo(open []openStep, once map[string]bool) []openStep {
	out := []openStep{}
	for _, o := range open {
		if o.once {
			if once[o.key] { // done with an earlier pane
				continue
			}
			once[o.key] = true
		}
		if n := len(out); n > 0 {
			last := &out[n-1]
			apart := last.wait > 0 || last.lays != "" || o.until != nil || last.people != o.people || last.needs != o.needs ||
				last.station == "source" || o.station == "source" || last.minutes+o.minutes > goes
			if !apart {
				last.minutes += o.minutes
				last.wait, last.lays, last.width = o.wait, o.lays, o.width
				last.stations = appendStation(last.stations, o.station)
				last.title = stationsSaid(last.stations)
				continue
			}
		}
		o.stations = []family.Station{o.station}
		out = append(out, o)
	}
	return out
}

func appendStation(to []family.Station, st family.Station) []family.Station {
	if slices.Contains(to, st) {
		return to
	}
	return append(to, st)
}

// stationsSaid are stations in words: Strip, measure, choose.
func stationsSaid(all []family.Station) string {
	words := make([]string, 0, len(all))
	for i, st := range all {
		w := string(st)
		if i == 0 {
			w = strings.ToUpper(w[:1]) + w[1:]
		}
		words = append(words, w)
	}
	return strings.Join(words, ", ")
}
