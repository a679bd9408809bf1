// Package schedule plans who does what, when and where: steps take hands, waits take
// none, cures run at night, glass comes when it comes. Wanted in this order: safe (no
// step before its wait, nobody doing what they may not, no bond in the wet), promises
// kept, work done soon; and of plans alike in that, the one with few two-person stretches,
// few changes of place, few tubes opened, and long waits over the night. A plan is searched for as long as it is
// let, best so far at any
// time, beside a bound below which no plan can come; an independent verifier checks it.
//
// Times are whole minutes from the moment of planning. Hours, holidays and the change of
// the clock are windows of such minutes, so that nothing here depends on a calendar.
package schedule

import (
	"fmt"
	"slices"
	"strings"

	"freshshard/core/fault"
)

// Window is a stretch of time, from a minute on and up to one, that one left out.
type Window struct {
	From int `json:"from"`
	To   int `json:"to"`
}

// Person is somebody who works.
type Person struct {
	ID    string   `json:"id" maxLength:"40"`
	Name  string   `json:"name,omitempty" maxLength:"120"`
	Hours []Window `json:"hours" maxItems:"400" doc:"When they work, in order"`
	May   []string `json:"may,omitempty" maxItems:"20" doc:"What only those do who may: pressure, gas, height"`
}

// Place is where work is done, or a thing that is shared: benches, the van, clamp sets,
// the big table. Hours of nothing are always.
type Place struct {
	ID    string   `json:"id" maxLength:"40"`
	Count int      `json:"count" minimum:"0" maximum:"100" doc:"How many at once; 0 for one"`
	Hours []Window `json:"hours,omitempty" maxItems:"400" doc:"When it can be used; nothing for always"`
}

// After is a step that another waits for, and how long after its end.
type After struct {
	Step string `json:"step" maxLength:"60"`
	Wait int    `json:"wait,omitempty" minimum:"0" doc:"min that need nobody: paint, a clock, a cooling"`
}

// Pin holds a step where a person put it.
type Pin struct {
	At     int      `json:"at"`
	People []string `json:"people,omitempty" maxItems:"4" doc:"Nothing for whoever is free"`
}

// Step is work of one piece.
type Step struct {
	ID      string   `json:"id" maxLength:"60"`
	Title   string   `json:"title,omitempty" maxLength:"120"`
	Minutes int      `json:"minutes" minimum:"1" maximum:"1440"`
	Spread  float64  `json:"spread,omitempty" minimum:"0" maximum:"2" doc:"Standard deviation, share of the minutes"`
	People  int      `json:"people,omitempty" minimum:"0" maximum:"4" doc:"0 for one"`
	Needs   string   `json:"needs,omitempty" maxLength:"40" doc:"What each of them must be allowed"`
	Uses    []string `json:"uses,omitempty" maxItems:"8" doc:"Places and shared things"`
	Shares  string   `json:"shares,omitempty" maxLength:"60" doc:"Opened for it and shared for a while: an adhesive"`
	Fit     []Window `json:"fit,omitempty" maxItems:"400" doc:"Hours whose weather lets it; nothing for any"`
	After   []After  `json:"after,omitempty" maxItems:"40"`
	Not     int      `json:"not_before,omitempty" doc:"What it waits for comes then: a delivery"`
	Pin     *Pin     `json:"pin,omitempty"`
}

// Job is what belongs together.
type Job struct {
	ID      string  `json:"id" maxLength:"40"`
	Name    string  `json:"name,omitempty" maxLength:"200"`
	Steps   []Step  `json:"steps" maxItems:"200"`
	Tail    int     `json:"tail,omitempty" minimum:"0" doc:"min after its last step until it may go out"`
	Promise *int    `json:"promise,omitempty" doc:"When it is promised"`
	Weight  float64 `json:"weight,omitempty" minimum:"0" maximum:"100" doc:"What being an hour late costs; 0 for 1"`
}

// Wait adds what a step waits for, each step once and for its longest wait.
func (s *Step) Wait(a After) {
	if i := slices.IndexFunc(s.After, func(b After) bool { return b.Step == a.Step }); i >= 0 {
		s.After[i].Wait = max(s.After[i].Wait, a.Wait)
		return
	}
	s.After = append(s.After, a)
}

// Link lets a step wait for another one, both by their places, so many minutes; not where that one
// waits for it already, and both would wait in a circle.
func (j Job) Link(step, behind, wait int) {
	s, b := &j.Steps[step], j.Steps[behind].ID
	if !j.waits(b, s.ID) {
		s.Wait(After{Step: b, Wait: wait})
	}
}

// waits says whether a step of the job is another one, or waits for it in the end.
func (j Job) waits(id, other string) bool {
	open := []string{id}
	for k := 0; k < len(open); k++ {
		for _, s := range j.Steps {
			for _, a := range s.After {
				if s.ID == open[k] && !slices.Contains(open, a.Step) {
					open = append(open, a.Step)
				}
			}
		}
	}
	return slices.Contains(open, other)
}

// Problem is a shop with what is open.
type Problem struct {
	People []Person `json:"people" maxItems:"20"`
	Places []Place  `json:"places,omitempty" maxItems:"60"`
	Jobs   []Job    `json:"jobs" maxItems:"600"`
}

const (
	mostSteps = 8000
	never     = 1 << 40
	// finishes is what an hour until a job is ready counts beside an hour of lateness.
	// Judgement, no source.
	finishes = 0.01
)

// Check refuses what cannot be planned; errors name jobs[n].steps[m] and the field.
func (p Problem) Check() error {
	if len(p.People) == 0 {
		return fault.New("people", "nobody works", "name one person at least")
	}
	people, places := map[string]bool{}, map[string]bool{}
	for i, w := range p.People {
		at := fmt.Sprintf("people[%d]", i)
		if w.ID == "" || people[w.ID] {
			return fault.New(at+".id", "each needs a name of their own", "give it one")
		}
		people[w.ID] = true
		if err := inOrder(at+".hours", w.Hours); err != nil {
			return err
		}
	}
	for i, w := range p.Places {
		at := fmt.Sprintf("places[%d]", i)
		if w.ID == "" || places[w.ID] {
			return fault.New(at+".id", "each needs a name of its own", "give it one")
		}
		places[w.ID] = true
		if err := inOrder(at+".hours", w.Hours); err != nil {
			return err
		}
	}
	steps, n := map[string]string{}, 0
	for i, j := range p.Jobs {
		if len(j.Steps) == 0 {
			return fault.New(fmt.Sprintf("jobs[%d].steps", i), "a job without work is done", "leave it out")
		}
		for k, s := range j.Steps {
			at := fmt.Sprintf("jobs[%d].steps[%d]", i, k)
			if s.ID == "" || steps[s.ID] != "" {
				return fault.New(at+".id", "each step needs a name of its own", "job and step together")
			}
			steps[s.ID] = at
			if n++; n > mostSteps {
				return fault.New("jobs", fmt.Sprintf("more than %d steps", mostSteps), "plan fewer days")
			}
			if err := p.checkStep(at, s, places, people); err != nil {
				return err
			}
		}
	}
	for i, j := range p.Jobs {
		for k, s := range j.Steps {
			for m, a := range s.After {
				if steps[a.Step] == "" {
					return fault.New(fmt.Sprintf("jobs[%d].steps[%d].after[%d].step", i, k, m),
						fmt.Sprintf("no step is called %q", a.Step), "leave out what is done already")
				}
			}
		}
	}
	return p.circle()
}

func inOrder(field string, w []Window) error {
	for i, v := range w {
		if v.To <= v.From || i > 0 && v.From < w[i-1].To {
			return fault.New(fmt.Sprintf("%s[%d]", field, i), "hours run backwards, or into one another", "put them in order")
		}
	}
	return nil
}

// checkStep refuses a step that nobody could ever do.
func (p Problem) checkStep(at string, s Step, places, people map[string]bool) error {
	if s.Minutes < 1 || s.Minutes > 1440 {
		return fault.New(at+".minutes", "from a minute to a day is expected", "part a longer one")
	}
	for i, u := range s.Uses {
		if !places[u] {
			return fault.New(fmt.Sprintf("%s.uses[%d]", at, i), fmt.Sprintf("no place is called %q", u),
				"choose one of the shop")
		}
	}
	if err := inOrder(at+".fit", s.Fit); err != nil {
		return err
	}
	may, longest := 0, 0
	for _, w := range p.People {
		if s.Needs != "" && !slices.Contains(w.May, s.Needs) {
			continue
		}
		may++
		for _, h := range w.Hours {
			longest = max(longest, h.To-h.From)
		}
	}
	switch {
	case may < max(1, s.People) && s.Needs != "":
		return fault.New(at+".needs", fmt.Sprintf("%d may do it, and %d are needed: %s", may, max(1, s.People), s.Needs),
			"somebody who may, or a shop that does")
	case may < max(1, s.People):
		return fault.New(at+".people", fmt.Sprintf("it takes %d, and %d work here", max(1, s.People), may), "ask for a hand")
	case longest < s.Minutes:
		return fault.New(at+".minutes", fmt.Sprintf("it takes %d min in one go, and no shift is longer than %d", s.Minutes,
			longest),
			"part it")
	}
	if s.Pin != nil {
		for i, id := range s.Pin.People {
			if !people[id] {
				return fault.New(fmt.Sprintf("%s.pin.people[%d]", at, i), fmt.Sprintf("nobody is called %q", id),
					"choose one of the shop")
			}
		}
	}
	return nil
}

// circle finds steps that wait for each other in a ring, and says it.
func (p Problem) circle() error {
	after := map[string][]After{}
	for _, j := range p.Jobs {
		for _, s := range j.Steps {
			after[s.ID] = s.After
		}
	}
	state := map[string]int{}
	var walk func(id string, path []string) error
	walk = func(id string, path []string) error {
		path = append(path, id)
		if state[id] == 1 {
			return fault.New("jobs", "these wait for each other in a ring: "+strings.Join(path[slices.Index(path, id):], ", "),
				"one of them does not wait for the next")
		}
		if state[id] == 2 {
			return nil
		}
		state[id] = 1
		for _, a := range after[id] {
			if err := walk(a.Step, path); err != nil {
				return err
			}
		}
		state[id] = 2
		return nil
	}
	for _, j := range p.Jobs {
		for _, s := range j.Steps {
			if err := walk(s.ID, nil); err != nil {
				return err
			}
		}
	}
	return nil
}
