// Package work puts the work at a pane together: that of its way of holding and of its road, and
// what the object brings, whatever holds the pane: what drives it, how one gets in, what proves it.
// The order is not written down: each step says what it needs and what it makes, and waits for
// those before it that make what it needs. Common practice, no source.
package work

import (
	_ "embed"
	"slices"

	"freshshard/core/catalogue"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/pane"
	"freshshard/core/road"
	"freshshard/core/state"
	"freshshard/core/striplog"
)

// Object is what is true of an object before anything is done at it.
type Object struct {
	Exposure exposure.Exposure
	Power    bool
	Gas      bool
	Vehicle  bool
	Water    bool // part of a boat
	Leaf     bool // its door or leaf comes off
	Moves    pane.Moves
	Stacked  bool // panes of this way of holding lie behind one another, under one cap
	Log      striplog.Log
	// BoughtFirst is that what goes in is bought before anything is opened.
	BoughtFirst bool
}

// Module is work that follows from what the object is. It is taken where all of When and none of
// Unless is true.
type Module struct {
	ID        string                `json:"id"`
	When      []string              `json:"when,omitempty"`
	Unless    []string              `json:"unless,omitempty"`
	Drop      []string              `json:"drop,omitempty" doc:"Steps that fall away with it"`
	DropCheck []string              `json:"drop_checks,omitempty"`
	Words     map[string]road.Words `json:"words,omitempty" doc:"What a step of the way of holding says here"`
	Steps     []family.Step         `json:"steps,omitempty"`
	Checks    []family.Check        `json:"checks,omitempty"`
}

var (
	//go:embed energy.json
	energyFile []byte
	//go:embed access.json
	accessFile []byte
	//go:embed proof.json
	proofFile []byte

	energy = catalogue.Must[[]Module](energyFile, "energy.json")
	access = catalogue.Must[[]Module](accessFile, "access.json")
	proof  = catalogue.Must[[]Module](proofFile, "proof.json")
)

// Hot says whether an exposure is the heat of use: a fire, a kiln, an oven.
func Hot(exposure string) bool { return exposure == "fire" || exposure == "kiln" || exposure == "oven" }

// facts are what modules ask for.
func (o Object) facts(f family.Family) map[string]bool {
	hot := Hot(o.Exposure.ID)
	// An electric oven has a lamp and a fan: it always counts.
	mains := o.Power || o.Gas || hot && o.Exposure.ID != "fire"
	w := map[string]bool{o.Exposure.ID: true, "hot": hot, "mains": mains, "leaf": o.Leaf, "stacked": o.Stacked,
		"wet":  !hot && (o.Exposure.Outdoors || o.Water || o.Vehicle),
		"door": has(f, "door-off"), "heats": has(f, "first-heat") || has(f, "first-fire"),
		"machine": o.Moves == pane.Machine}
	for _, k := range f.Facts {
		w[k] = true
	}
	return w
}

func has(f family.Family, step string) bool {
	return slices.ContainsFunc(f.Steps, func(s family.Step) bool { return s.Key == step })
}

// Of is a way of holding with the work of a road and of the object. Where nothing is opened, the
// object brings nothing.
func Of(f family.Family, r road.Road, h road.How, came road.Came, o Object) family.Family {
	facts := o.facts(f)
	f = road.Apply(f, r, h, came)
	f.Steps, f.Checks = slices.Clone(f.Steps), slices.Clone(f.Checks)
	if !h.Shut {
		f = lay(f, facts, energy, front)
		if !slices.Contains(h.Drop, family.Station("strip")) {
			f = lay(f, facts, access, around)
		}
		if !h.OwnOnly || !slices.Contains(h.Drop, family.Station("prove")) {
			f = lay(f, facts, proof, behind)
		}
	}
	for i, s := range f.Steps {
		f.Steps[i].Once = s.Once || s.OnceWhen != "" && facts[s.OnceWhen]
	}
	for i, c := range f.Checks {
		f.Checks[i].Once = c.Once || c.OnceWhen != "" && facts[c.OnceWhen]
	}
	f = rebuilt(f, o.Log)
	order := family.Order(o.BoughtFirst)
	slices.SortStableFunc(f.Steps, func(a, b family.Step) int {
		return slices.Index(order, a.Station) - slices.Index(order, b.Station)
	})
	return ordered(f)
}

// ToSize is the work of a broken pane that is made to size, as most are.
func ToSize(f family.Family, o Object) family.Family {
	r, h, err := road.Of("", "")
	if err != nil { // there is always such a road
		panic(err)
	}
	return Of(f, r, h, road.Broken, o)
}

// Every are the steps and checks that a way of holding has on any road and in any object: what was
// done before the road was changed stays on the record.
func Every(f family.Family) (steps []string, checks []family.Check) {
	steps, checks = road.Every(f)
	for _, all := range [][]Module{energy, access, proof} {
		for _, m := range all {
			for _, s := range m.Steps {
				if !slices.Contains(steps, s.Key) {
					steps = append(steps, s.Key)
				}
			}
			for _, c := range m.Checks {
				if !slices.ContainsFunc(checks, func(o family.Check) bool { return o.Key == c.Key }) {
					checks = append(checks, c)
				}
			}
		}
	}
	return steps, checks
}

// Once are the keys of the steps and checks that are done or proved once for the object, on any
// road and in any object.
func Once(f family.Family) (steps, checks []string) {
	add := func(all []family.Step, proofs []family.Check) {
		for _, s := range all {
			if s.Once || s.OnceWhen != "" {
				steps = append(steps, s.Key)
			}
		}
		for _, c := range proofs {
			if c.Once || c.OnceWhen != "" {
				checks = append(checks, c.Key)
			}
		}
	}
	add(f.Steps, f.Checks)
	for _, all := range [][]Module{energy, access, proof} {
		for _, m := range all {
			add(m.Steps, m.Checks)
		}
	}
	return steps, checks
}

func (m Module) applies(facts map[string]bool) bool {
	for _, k := range m.When {
		if !facts[k] {
			return false
		}
	}
	return !slices.ContainsFunc(m.Unless, func(k string) bool { return facts[k] })
}

// lay lays the modules that apply over the work of a pane, each step where at puts it. A step or
// check that the way of holding has of its own stays as it is there.
func lay(f family.Family, facts map[string]bool, all []Module,
	at func([]family.Step, family.Step) int) family.Family {
	own := slices.Clone(f.Steps)
	for _, m := range all {
		if !m.applies(facts) {
			continue
		}
		f.Steps = slices.DeleteFunc(f.Steps, func(s family.Step) bool { return slices.Contains(m.Drop, s.Key) })
		f.Checks = slices.DeleteFunc(f.Checks, func(c family.Check) bool { return slices.Contains(m.DropCheck, c.Key) })
		for i, s := range f.Steps {
			if w, ok := m.Words[s.Key]; ok {
				f.Steps[i].Title, f.Steps[i].Do = w.Title, w.Do
			}
		}
		for _, s := range m.Steps {
			if !has(f, s.Key) && !done(own, s) {
				f.Steps = slices.Insert(f.Steps, at(f.Steps, s), s)
			}
		}
		for _, c := range m.Checks {
			if !slices.ContainsFunc(f.Checks, func(o family.Check) bool { return o.Key == c.Key }) {
				f.Checks = append(f.Checks, c)
			}
		}
	}
	return f
}

// done says whether the way of holding makes all of what a step of energy makes by a step of its
// own: who says that it is off and cold while looking for the cause says it once.
func done(own []family.Step, s family.Step) bool {
	return slices.ContainsFunc(own, func(o family.Step) bool {
		return o.Key == "cold" && len(s.Makes) > 0 && !slices.ContainsFunc(s.Makes,
			func(k state.State) bool { return !slices.Contains(o.Makes, k) })
	})
}

func stationOf(s family.Station) int { return slices.Index(family.Stations, s) }

// front is the place before all others of its station.
func front(steps []family.Step, s family.Step) int {
	return placed(steps, func(o family.Step) bool { return stationOf(o.Station) >= stationOf(s.Station) })
}

// behind is the place behind all others of its station.
func behind(steps []family.Step, s family.Step) int {
	return placed(steps, func(o family.Step) bool { return stationOf(o.Station) > stationOf(s.Station) })
}

// around is behind the energy and before the rest when it comes off, and behind all else when it
// is put back.
func around(steps []family.Step, s family.Step) int {
	if s.Station != "strip" {
		return behind(steps, s)
	}
	return placed(steps, func(o family.Step) bool {
		return stationOf(o.Station) > stationOf(s.Station) || o.Station == s.Station && o.Key != "isolate"
	})
}

func placed(steps []family.Step, at func(family.Step) bool) int {
	if i := slices.IndexFunc(steps, at); i >= 0 {
		return i
	}
	return len(steps)
}
