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
	done       bool
	comes      bool // the new pane is wanted here
	cuts       bool // the pane is cut here
	said       bool // and somebody said that it comes
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

// openWork lists the work at a pane, with what of it is done.
func (b benchView) openWork(j record.Job) []openStep {
	out := []openStep{}
	steps := b.reck.Plan.Steps
	hold := slices.IndexFunc(steps, func(st plan.Step) bool { return st.Station == "hold" })
	comes := b.wanted()
	for i, st := range steps {
		o := openStep{key: st.Key, title: st.Title, minutes: max(1, st.Minutes), people: st.People, station: st.Station,
			once:  st.Once,
			after: st.After, done: b.done[st.Key]}
		if c, ok := b.standing.Clocks[st.Key]; ok {
			o.until = c.Ready
		}
		if i == comes {
			o.comes, o.said, o.until = true, b.pane.WaitsFor != "", b.pane.WaitsUntil
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
		o.cuts = st.Station == "source" && st.Key != checkNew && b.toCutEver() != nil
		if st.Station == "source" && st.Key != checkNew && b.pane.WaitsFor == "" && b.toCutEver() == nil {
			o.wait = usualDays(b.reck.Road.Part) * 24 * 60
		}
		out = append(out, o)
	}
	return out
}

// wanted is the first open step for which the new pane must be here: that at which it is
// looked over, or else the first behind the order.
func (b benchView) wanted() int {
	for i, st := range b.reck.Plan.Steps {
		if !b.done[st.Key] && (st.Key == checkNew || !slices.Contains(beforePane, st.Station)) {
			return i
		}
	}
	return -1
}

// beforePane are the stations at which nobody needs the new pane.
var beforePane = []family.Station{"assess", "strip", "measure", "choose", "source"}

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
// they take the same hands, and it is not too long. Where one piece ends and the next
// begins does not shift while the work goes on; a piece is known by its last step. What is
// done once for the object is left out where it stood before.
func inOneGo(work []openStep, once map[string]bool) []openStep {
	type piece struct {
		openStep
		whole int // min, with what of it is done
	}
	all := []piece{}
	for _, o := range work {
		if o.once {
			if once[o.key] && !o.done { // with an earlier pane
				continue
			}
			once[o.key] = true
		}
		n := len(all)
		if n == 0 || o.parts(all[n-1].openStep) || all[n-1].whole+o.minutes > goes {
			all = append(all, piece{})
			n++
		}
		all[n-1].add(o)
		all[n-1].whole += o.minutes
	}
	out := []openStep{}
	for _, p := range all {
		if p.minutes > 0 {
			out = append(out, p.openStep)
		}
	}
	return out
}

// there says that a piece of work is done where the object is: ordering and settling are
// not.
func (o openStep) there() bool {
	return slices.ContainsFunc(o.stations, func(st family.Station) bool { return st != "source" && st != "choose" })
}

// parts says that a step is no going on with what stands before it.
func (o openStep) parts(last openStep) bool {
	return last.wait > 0 || last.lays != "" || (o.until != nil || o.comes) && !o.done || last.people != o.people ||
		last.needs != o.needs ||
		last.station == "source" || o.station == "source"
}

// add puts a step behind what is in the piece.
func (o *openStep) add(next openStep) {
	o.key, o.wait, o.lays, o.width = next.key, next.wait, next.lays, next.width
	o.cuts = o.cuts || next.cuts
	o.comes, o.said = o.comes || next.comes, o.said || next.said
	o.people, o.needs = next.people, next.needs
	if next.done {
		return
	}
	if o.minutes == 0 { // the first of it that is left
		o.title, o.station, o.until = next.title, next.station, next.until
		o.stations = []family.Station{next.station}
	} else {
		o.stations = appendStation(o.stations, next.station)
		o.title = stationsSaid(o.stations)
	}
	o.minutes += next.minutes
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
