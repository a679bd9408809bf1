package standing

import (
	"slices"
	"strings"
	"time"

	"freshshard/core/cure"
	"freshshard/core/family"
	"freshshard/core/plan"
	"freshshard/core/source"
	"freshshard/core/state"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// Step is a step that is left, as the plan of days sees it.
type Step struct {
	Key, Title string
	Minutes    int
	People     int
	Station    family.Station
	once       bool
	done       bool
	Comes      bool       // the new pane is wanted here
	Cuts       bool       // the pane is cut here
	Said       bool       // and somebody said that it comes
	Until      *time.Time // what it waits for is over then
	Needs      string
	Lays       string  // the adhesive that hardens behind it
	Width      float64 // of its bead, pressed, mm
	Wait       int     // min behind it that need nobody
	stations   []family.Station
}

// openWork lists the work at a pane, with what of it is done.
func openWork(b jobview.Pane, j record.Job) []Step {
	out := []Step{}
	steps := b.Reckoning.Plan.Numbered()
	hold := slices.IndexFunc(steps, func(st plan.Step) bool { return st.Station == "hold" })
	comes := wanted(b)
	for i, st := range steps {
		o := Step{Key: st.Key, Title: st.Title, Minutes: max(1, st.Minutes), People: st.People, Station: st.Station,
			once: st.Once, done: b.Done[st.Key]}
		if c, ok := b.Standing.Clocks[st.Key]; ok {
			o.Until = c.Ready
		}
		if i == comes {
			o.Comes, o.Said, o.Until = true, b.Pane.WaitsFor != "", b.Pane.WaitsUntil
		}
		switch {
		case slices.Contains(b.Reckoning.Family.Facts, "pressure") && (st.Key == "isolate" || st.Key == "open"):
			o.Needs = "pressure"
		case j.Object.Gas && st.Key == "isolate":
			o.Needs = "gas"
		}
		// What hardens does so behind the last step before its hold.
		if i == hold-1 && len(b.Pane.Cures) == 0 && b.Reckoning.Plan.Hardens() {
			o.Lays, o.Width = cure.UsualFor(b.Pane.Family), b.Pressed()
		}
		o.Cuts = st.Station == "source" && st.Key != jobview.CheckNew && ToCutEver(b) != nil
		if st.Station == "source" && st.Key != jobview.CheckNew && b.Pane.WaitsFor == "" && ToCutEver(b) == nil {
			o.Wait = usualDays(b.Reckoning.Road.Part) * 24 * 60
		}
		out = append(out, o)
	}
	return out
}

// wanted is the first open step for which the new pane must be here: that at which it is
// looked over, or else the first behind the order.
func wanted(b jobview.Pane) int {
	for i, st := range b.Reckoning.Plan.Numbered() {
		if !b.Done[st.Key] && (slices.Contains(st.Needs, state.Here) || !slices.Contains(beforePane, st.Station)) {
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

// InOneGo puts steps together that one goes on with: nothing is waited for between them,
// they take the same hands, and it is not longer than most minutes. Where one piece ends and the next
// begins does not shift while the work goes on; a piece is known by its last step. What is
// done once for the object is left out where it stood before.
func InOneGo(work []Step, once map[string]bool, most int) []Step {
	type piece struct {
		Step
		whole int // min, with what of it is done
	}
	all := []piece{}
	for _, o := range work {
		if o.once {
			if once[o.Key] && !o.done { // with an earlier pane
				continue
			}
			once[o.Key] = true
		}
		n := len(all)
		if n == 0 || o.parts(all[n-1].Step) || all[n-1].whole+o.Minutes > most {
			all = append(all, piece{})
			n++
		}
		all[n-1].add(o)
		all[n-1].whole += o.Minutes
	}
	out := []Step{}
	for _, p := range all {
		if p.Minutes > 0 {
			out = append(out, p.Step)
		}
	}
	return out
}

// There says that a piece of work is done where the object is: ordering and settling are
// not.
func (o Step) There() bool {
	return slices.ContainsFunc(o.stations, func(st family.Station) bool { return st != "source" && st != "choose" })
}

// parts says that a step is no going on with what stands before it.
func (o Step) parts(last Step) bool {
	return last.Wait > 0 || last.Lays != "" || (o.Until != nil || o.Comes) && !o.done || last.People != o.People ||
		last.Needs != o.Needs ||
		last.Station == "source" || o.Station == "source"
}

// add puts a step behind what is in the piece.
func (o *Step) add(next Step) {
	o.Key, o.Wait, o.Lays, o.Width = next.Key, next.Wait, next.Lays, next.Width
	o.Cuts = o.Cuts || next.Cuts
	o.Comes, o.Said = o.Comes || next.Comes, o.Said || next.Said
	o.People, o.Needs = next.People, next.Needs
	if next.done {
		return
	}
	if o.Minutes == 0 { // the first of it that is left
		o.Title, o.Station, o.Until = next.Title, next.Station, next.Until
		o.stations = []family.Station{next.Station}
	} else {
		o.stations = appendStation(o.stations, next.Station)
		o.Title = stationsSaid(o.stations)
	}
	o.Minutes += next.Minutes
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
