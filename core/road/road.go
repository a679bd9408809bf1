// Package road says what is to be done with a pane: made new to size, bought
// as a part, kept and stuck again, only cleaned, or something other than glass
// put in its place. Each road takes the work of a way of holding and leaves
// out, adds and says otherwise what it needs. Common practice, no source.
package road

import (
	_ "embed"
	"fmt"
	"slices"

	"freshshard/core/catalogue"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/holding"
)

//go:embed roads.json
var file []byte

// Size is the road that every pane takes while nobody said otherwise.
const Size = "size"

// Road is one of the six.
type Road struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Hint  string `json:"hint"`
	Sized bool   `json:"sized,omitempty" doc:"A size is worked out from the opening"`
	Glass bool   `json:"glass,omitempty" doc:"A material of the list is settled"`
	Part  bool   `json:"part,omitempty" doc:"It is bought by a number or seen on its sheet"`
	New   bool   `json:"new,omitempty" doc:"Something new goes in"`
	Wall  bool   `json:"wall,omitempty" doc:"A frame with its window, that goes through a wall"`
	Hows  []How  `json:"hows"`
}

// How is one way of going it; a road with one has an empty ID there.
type How struct {
	ID       string           `json:"id"`
	Name     string           `json:"name,omitempty"`
	Headline string           `json:"headline" doc:"What stands largest on the screen; empty for the order"`
	Needs    string           `json:"needs,omitempty" enum:",adhesive,tightened" doc:"What the way of holding must have"`
	Drop     []family.Station `json:"drop,omitempty" doc:"Stations whose work of the way of holding falls away"`
	DropStep []string         `json:"drop_steps,omitempty"`
	First    []string         `json:"first,omitempty" doc:"Its steps that come before others of their station"`
	Copies   bool             `json:"copies,omitempty" doc:"The old pane, its pieces or its traced line is the size"`
	Shut     bool             `json:"shut,omitempty" doc:"Nothing is opened or touched"`
	OwnOnly  bool             `json:"own_checks,omitempty" doc:"Only its own checks, none of the way of holding"`
	Words    map[string]Words `json:"words,omitempty" doc:"What a step says here, by its key"`
	Steps    []family.Step    `json:"steps,omitempty"`
	Checks   []family.Check   `json:"checks,omitempty"`
}

// Words are a step's title and what to do.
type Words struct {
	Title string `json:"title"`
	Do    string `json:"do"`
}

var all = catalogue.Must[[]Road](file, "roads.json")

// All lists the roads in the order in which take-in offers them.
func All() []Road { return all }

// Of finds a road and the way of going it; an empty id is the pane made to
// size, an empty how the first of the road's. It returns a *fault.Error for one
// that there is not.
func Of(id, how string) (Road, How, error) {
	if id == "" {
		id = Size
	}
	for _, r := range all {
		if r.ID != id {
			continue
		}
		for _, h := range r.Hows {
			if h.ID == how || how == "" {
				return r, h, nil
			}
		}
		return r, How{}, fault.New("road.how", fmt.Sprintf("%q is no way of doing that", how), "choose one of the list")
	}
	return Road{}, How{}, fault.New("road.id", fmt.Sprintf("%q is none of the roads", id), "choose one of the six")
}

// Measured says whether the road sizes a pane by the opening with this way of
// holding: a framed window has its own sums where a ring holds it.
func (r Road) Measured(f family.Family) bool { return r.Sized || r.Wall && holding.Of(f.Sizing).Comes }

// Settled says whether a material is settled on this road: what comes as it is has its own.
func (r Road) Settled() bool { return r.Glass || r.ID == "other" }

// kept are the steps that no road leaves out that opens anything: what makes the
// object safe to work on, and safe to go back to.
var kept = []string{"cold", "guard"}

// Came is how a pane arrived.
type Came string

// The ways of arriving; nothing said is broken.
const (
	Broken   Came = "broken"
	Whole    Came = "whole"    // came off or fell out whole
	Unbroken Came = "unbroken" // nothing happened to it: a worn seal, an upgrade
)

// lookedOver is what stands for "why it broke" where nothing broke.
var lookedOver = Words{Title: "Look it over, and what is asked",
	Do: "How it is held, what is worn, what may break while it is worked on. Edges and faces in raking light."}

// Apply is a way of holding with the work of a road.
func Apply(f family.Family, r Road, h How, came Came) family.Family {
	if r.Measured(f) && !r.Sized { // a ring's window has its own measuring, ordering and proof
		f.Steps = slices.DeleteFunc(slices.Clone(f.Steps), func(s family.Step) bool { return s.Station == "choose" })
		return f
	}
	steps := make([]family.Step, 0, len(f.Steps)+len(h.Steps))
	for _, s := range f.Steps {
		if (h.Shut || !slices.Contains(kept, s.Key)) &&
			(slices.Contains(h.Drop, s.Station) || slices.Contains(h.DropStep, s.Key)) {
			continue
		}
		if w, ok := h.Words[s.Key]; ok {
			s.Title, s.Do = w.Title, w.Do
		} else if came == Unbroken && s.Station == "assess" && s.Key != "cold" {
			s.Title, s.Do = lookedOver.Title, lookedOver.Do
		}
		steps = append(steps, s)
	}
	for _, s := range h.Steps {
		if steps = put(steps, s); slices.Contains(h.First, s.Key) {
			steps = first(steps, s)
		}
	}
	f.Steps = steps
	if h.OwnOnly {
		f.Checks = nil
	}
	f.Checks = append(slices.Clone(f.Checks), h.Checks...)
	return f
}

// Every are the steps and checks that a way of holding has on any road: what was
// done before the road was changed stays on the record.
func Every(f family.Family) (steps []string, checks []family.Check) {
	for _, s := range f.Steps {
		steps = append(steps, s.Key)
	}
	checks = slices.Clone(f.Checks)
	for _, r := range all {
		for _, h := range r.Hows {
			for _, s := range h.Steps {
				steps = append(steps, s.Key)
			}
			checks = append(checks, h.Checks...)
		}
	}
	return steps, checks
}

// put adds a step behind the others of its station.
func put(steps []family.Step, s family.Step) []family.Step {
	at := slices.Index(family.Stations, s.Station)
	i := slices.IndexFunc(steps, func(o family.Step) bool { return slices.Index(family.Stations, o.Station) > at })
	if i < 0 {
		i = len(steps)
	}
	return slices.Insert(steps, i, s)
}

// first moves a step before the others of its station.
func first(steps []family.Step, s family.Step) []family.Step {
	steps = slices.DeleteFunc(steps, func(o family.Step) bool { return o.Key == s.Key })
	at := slices.Index(family.Stations, s.Station)
	i := slices.IndexFunc(steps, func(o family.Step) bool { return slices.Index(family.Stations, o.Station) >= at })
	return slices.Insert(steps, max(0, i), s)
}
