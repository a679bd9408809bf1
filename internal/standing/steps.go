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
	Once       []string    // what of it is done once for the object
	Before     []string    // what of that, done with another pane, comes right after it
	Behind     []string    // and what of it stands right before it
	Loads      family.Load // of what lies behind what hardens
	Comes      bool        // the new pane is wanted here
	Cuts       bool        // the pane is cut here
	Said       bool        // and somebody said that it comes
	Until      *time.Time  // what it waits for is over then
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
		if len(b.Pane.Cures) == 0 && b.Reckoning.Plan.Hardens() {
			o.bond(i-hold, st, b, j.Place)
		}
		o.Cuts = st.Station == "source" && st.Key != jobview.CheckNew && ToCutEver(b) != nil
		if st.Station == "source" && st.Key != jobview.CheckNew && b.Pane.WaitsFor == "" && ToCutEver(b) == nil {
			o.Wait = usualDays(b.Reckoning.Road.Part) * 24 * 60
		}
		out = append(out, o)
	}
	return out
}

// bond says what is laid at a step, so many places behind the hold, or how hard it loads that: what
// hardens does so behind the last step before its hold.
func (o *Step) bond(behind int, st plan.Step, b jobview.Pane, place string) {
	switch {
	case behind == -1:
		o.Lays, o.Width = cure.UsualFor(b.Pane.Family), b.Pressed()
	case behind >= 0:
		o.Loads = loadOf(st, place)
	}
}

// loadOf is how hard a step loads what hardens. Whoever has to drive comes once for what may be
// done as soon as it is let go and for what moves it gently.
func loadOf(st plan.Step, place string) family.Load {
	load := st.Loads
	if st.Hardens {
		load = family.LetGo
	}
	if load == family.LetGo && place == "site" {
		return family.Ready
	}
	return load
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

// Share says with which pane of several something is planned that is done once for the object.
type Share int

// The shares; none is a step that no other pane has.
const (
	Ours Share = iota + 1
	Theirs
)

// Shares parts what is done once for an object among its panes, a map of keys for each pane: what
// comes before anything is set goes with the first pane that has it, what comes later with the last.
func Shares(panes []Pane) []map[string]Share {
	out, has := make([]map[string]Share, len(panes)), map[string][]int{}
	late := map[string]bool{}
	for i, p := range panes {
		out[i] = map[string]Share{}
		for _, o := range p.Open {
			if o.once {
				has[o.Key] = append(has[o.Key], i)
				late[o.Key] = o.Station != "prepare" && !slices.Contains(beforePane, o.Station)
			}
		}
	}
	for key, in := range has {
		if len(in) == 1 {
			continue
		}
		for _, i := range in {
			out[i][key] = Theirs
		}
		if late[key] {
			out[in[len(in)-1]][key] = Ours
		} else {
			out[in[0]][key] = Ours
		}
	}
	return out
}

// InOneGo puts steps together that one goes on with: nothing is waited for between them,
// they take the same hands, and it is not longer than most minutes. Where one piece ends and the next
// begins does not shift while the work goes on; a piece is known by its last step. What is done
// once for the object and is another pane's is left out; a piece says before and behind what of
// it it stands.
func InOneGo(work []Step, shares map[string]Share, most int) []Step {
	type piece struct {
		Step
		whole int // min, with what of it is done
	}
	all, behind, apart, alone := []piece{}, []string{}, false, true
	for _, o := range work {
		n, share := len(all), shares[o.Key]
		if share == Theirs {
			apart = true
			if !o.done {
				behind = append(behind, o.Key)
				if n > 0 {
					all[n-1].Before = append(all[n-1].Before, o.Key)
				}
			}
			continue
		}
		if share == Ours {
			o.Once = []string{o.Key}
			apart = apart || !alone
		}
		alone = share == Ours
		if n == 0 || apart || o.parts(all[n-1].Step) || all[n-1].whole+o.Minutes > most {
			all = append(all, piece{})
			n, apart = n+1, false
		}
		if !o.done {
			o.Behind, behind = behind, nil
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
	return last.Wait > 0 || last.Lays != "" || o.Loads != "" && o.Loads != last.Loads ||
		(o.Until != nil || o.Comes) && !o.done || last.People != o.People ||
		last.Needs != o.Needs ||
		last.Station == "source" || o.Station == "source"
}

// add puts a step behind what is in the piece.
func (o *Step) add(next Step) {
	o.Key, o.Wait, o.Lays, o.Width = next.Key, next.Wait, next.Lays, next.Width
	o.Cuts = o.Cuts || next.Cuts
	o.Comes, o.Said = o.Comes || next.Comes, o.Said || next.Said
	o.People, o.Needs = next.People, next.Needs
	if next.Loads != "" {
		o.Loads = next.Loads
	}
	o.Once, o.Behind = append(o.Once, next.Once...), append(o.Behind, next.Behind...)
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
