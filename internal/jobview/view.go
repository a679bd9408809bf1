package jobview

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/ask"
	"freshshard/core/catalogue"
	"freshshard/core/drawing"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/guest"
	"freshshard/core/length"
	"freshshard/core/odds"
	"freshshard/core/pane"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/reckon"
	"freshshard/core/route"
	"freshshard/core/setting"
	"freshshard/core/striplog"
	"freshshard/core/timer"
	"freshshard/core/working"
	"freshshard/internal/record"
)

// View is a job with one of its panes on the table and everything that follows
// from it: what a screen shows.
type View struct {
	Job        record.Job        `json:"job"`
	Pane       record.Pane       `json:"pane" doc:"The pane on the table"`
	Panes      []PaneState       `json:"panes" doc:"All panes of the object, by number"`
	Object     drawing.Drawing   `json:"object" doc:"The object with its panes numbered"`
	Unit       length.Unit       `json:"unit" enum:"mm,in"`
	Reckoning  reckon.Reckoning  `json:"reckoning"`
	Route      []route.Leg       `json:"route"`
	Strip      Strip             `json:"strip"`
	Guests     []GuestView       `json:"guests" doc:"What was put in only for now"`
	MayPutIn   []UsualView       `json:"may_put_in" doc:"Often put in, each with the last step before which it is reached"`
	Checks     []CheckView       `json:"checks"`
	Hindrances []prove.Hindrance `json:"hindrances" doc:"What keeps the job from being signed off, all panes together"`
	Stops      []PaneStop        `json:"stops" doc:"What is beyond its limit, of all panes, with those an owner took on"`
	Waits      []plan.Wait       `json:"waits" doc:"Steps of this pane that cannot be ticked yet"`
	Timers     []TimerView       `json:"timers" doc:"Clocks that are no chemistry, the next one out first"`
	MayTime    []timer.Offer     `json:"may_time" doc:"Clocks that fit what is open here"`
	Asks       []ask.Ask         `json:"asks" doc:"The one thing that each station asks next"`
	Late       bool              `json:"late" doc:"The promise has passed, or what is left no longer fits before it"`
	MinutesTo  int               `json:"minutes_to" doc:"Hands-on minutes that are left, all panes together"`

	worked `json:"-"`
}

// worked are the panes of a view as they are worked out.
type worked struct {
	Benches []Pane      // as they are reckoned
	object  plan.Object // as the order of work sees them
	now     time.Time
}

// PaneState is how one pane of the object stands.
type PaneState struct {
	ID         int64        `json:"id"`
	Number     int          `json:"number"`
	Name       string       `json:"name" doc:"Never empty"`
	Family     string       `json:"family"`
	Spot       drawing.Spot `json:"spot"`
	State      string       `json:"state" enum:"done,now,wait"`
	Station    string       `json:"station" doc:"Where the next work is; empty when it is done"`
	Open       int          `json:"open" doc:"Things that are still open"`
	WaitsFor   string       `json:"waits_for,omitempty"`
	WaitsUntil *time.Time   `json:"waits_until,omitempty"`
	Order      string       `json:"order"`
	Version    int          `json:"version"`
	Untouched  bool         `json:"untouched" doc:"Nothing was read, seen or done: it can be taken out"`
}

// PaneStop is a stop of one of the panes.
type PaneStop struct {
	prove.Stop
	Pane int64  `json:"pane"`
	Name string `json:"name" doc:"What the pane is called; empty when there is one"`
}

// CheckView is a check with who answered it.
type CheckView struct {
	prove.Check
	Wants   string         `json:"wants,omitempty" doc:"What good is, in the unit of whoever looks: at most 2.0 mm"`
	Got     string         `json:"got,omitempty" doc:"What was read, in that unit"`
	GapsGot []string       `json:"gaps_got,omitempty" doc:"The gaps in that unit"`
	Asks    string         `json:"asks,omitempty" doc:"The unit in which the number is typed"`
	Version int            `json:"version" doc:"Of the answer; 0 while it is open"`
	By      string         `json:"by,omitempty"`
	At      *time.Time     `json:"at,omitempty"`
	Trials  []record.Trial `json:"trials" doc:"When it failed before"`
	Waits   string         `json:"waits,omitempty" doc:"What it waits for; empty when it can be answered"`
}

// Known is a pane of a job as the core wants it.
func Known(j *record.Job, p *record.Pane, unit length.Unit) reckon.Known {
	k := reckon.Known{
		Object: objectOf(j, p),
		Holding: reckon.Holding{Family: p.Family, Frame: p.Frame, Gasket: p.Gasket, Sides: p.Sides, Shape: p.Shape,
			Raked: p.Raked, Stack: p.Stack, Turned: p.Turns},
		Seen:    reckon.Seen{Readings: map[reading.Place]length.Reading{}, Like: p.Like, Peel: p.Peel, Heard: p.Heard},
		Settled: reckon.Settled{Cutter: p.Cutter, Road: p.Road, Stock: p.Stock},
		Own:     j.Own, Unit: unit, Marks: j.Marks,
	}
	for _, r := range p.Readings {
		k.Readings[r.Place] = r.Reading
	}
	// What came off last holds the pane; the first screws are a trim's.
	for _, e := range j.Strip {
		if _, err := setting.ScrewBy(e.Entry.Held.Size); err == nil {
			k.Screw = e.Entry.Held.Size
		}
	}
	if d := p.Diagnosis; d != nil {
		k.Evidence, k.OldPane, k.Cause, k.Behind = d.Evidence, d.OldPane, d.Cause, d.Behind
	}
	if p.Choice != nil {
		k.Material, k.Thickness = p.Choice.Material, p.Choice.Thickness
	}
	return k
}

// objectOf is the object of a job as one of its panes sees it.
func objectOf(j *record.Job, p *record.Pane) reckon.Object {
	o := objectAs(j, p)
	o.Log = linesOf(j, p)
	return o
}

// objectAs is the same without what came off it.
func objectAs(j *record.Job, p *record.Pane) reckon.Object {
	o := j.Object
	return reckon.Object{Exposure: o.Exposure, Power: o.Power, Gas: o.Gas, Vehicle: o.Vehicle, Moves: o.Moves,
		Water: o.Water, Old: o.Old, Strike: o.Strike, Leaf: o.Leaf, Duty: p.Duty, Uses: p.Uses, Stamp: o.Stamp,
		BoughtFirst: p.Road.BoughtFirst(),
		Stacked: slices.ContainsFunc(j.Panes,
			func(q record.Pane) bool { return q.Family == p.Family && q.Spot.Depth > 0 })}
}

// Pane is one pane with what follows from it.
type Pane struct {
	Pane      record.Pane
	Reckoning reckon.Reckoning
	Checks    []CheckView
	Route     []route.Leg
	Done      map[string]bool
	left      int

	own       catalogue.Values
	untouched bool // nothing was noted on the pane itself
	Standing  plan.Standing
	Stops     []prove.Stop
}

// Fixed is what the ticket keeps of one pane.
type Fixed struct {
	Pane      int              `json:"pane" doc:"Number of the pane"`
	Reckoning reckon.Reckoning `json:"reckoning"`
}

// depth is how much of a pane is worked out.
type depth int

const (
	Numbers depth = iota // what lists and signatures go by
	Sheet                // with its drawings
	Drawn                // with its odds, for a screen that waits for it
)

// View works a job out with a pane on the table, that one as deep as is asked
// and the others by their numbers. was is what a signed job's ticket fixed, nil
// for an open one.
func (s *Reader) View(j record.Job, was *Signed, pane int64, unit length.Unit, deep depth) (View, error) {
	here := j.Pane(pane)
	if here == nil {
		return View{}, &record.NotFound{What: "this pane"}
	}
	benches, on := make([]Pane, 0, len(j.Panes)), 0
	for i := range j.Panes {
		p, d := &j.Panes[i], Numbers
		if p.ID == here.ID {
			on, d = i, deep
		}
		benches = append(benches, PaneOf(&j, p, unit, was, d))
	}
	return s.onTable(s.object(j, benches, unit), on), nil
}

// Views puts each pane of a job that is worked out on the table.
func (s *Reader) Views(j record.Job, benches []Pane, unit length.Unit) []View {
	o := s.object(j, benches, unit)
	all := make([]View, 0, len(benches))
	for i := range benches {
		all = append(all, s.onTable(o, i))
	}
	return all
}

// object is what the view of each pane of a job that is worked out has in common.
func (s *Reader) object(j record.Job, benches []Pane, unit length.Unit) View {
	v := View{Job: j, Panes: []PaneState{}, Unit: unit, Strip: stripOf(j).inUnit(unit), worked: worked{Benches: benches}}
	counted := map[string]bool{} // steps that are done once for the object
	for i := range benches {
		benches[i].left = 0
		for _, st := range benches[i].Reckoning.Plan.Steps {
			if !benches[i].Done[st.Key] && !counted[st.Key] {
				benches[i].left += st.Minutes
				counted[st.Key] = st.Once
			}
		}
		benches[i].Route = route.Legs(benches[i].progress(benches[i].out(v.Strip.Open), j.Signed))
		v.MinutesTo += benches[i].left
		v.Panes = append(v.Panes, s.stateOf(benches[i]))
	}
	v.Late = !j.Signed && (Late(j.PromisedAt, v.MinutesTo, s.Now()) || Slips(j.PromisedAt, HardBy(benches)))
	v.Hindrances, v.Stops = v.hindrances(), v.stops()
	v.now, v.object = s.Now(), make(plan.Object, len(benches))
	for i := range benches {
		v.object[i] = benches[i].bench()
	}
	return v
}

// onTable puts one pane of an object on the table.
func (s *Reader) onTable(v View, on int) View {
	benches, j := v.Benches, v.Job
	b := benches[on]
	v.Pane, v.Reckoning, v.Checks, v.Route = b.Pane, lean(b.Reckoning), b.Checks, b.Route
	v.guests(b)
	for i := range v.Checks {
		if w := benches[on].Standing.CheckWait(v.Checks[i].Key, s.Now()); w != nil && v.Checks[i].Waits == "" {
			v.Checks[i].Waits = w.Why
		}
		for k := range benches {
			if w := benches[k].after(v.Checks[i].Check); k != on && v.Checks[i].Once && v.Checks[i].Waits == "" && w != nil {
				v.Checks[i].Waits = Name(benches[k].Pane) + ", " + w.Why
			}
		}
	}
	s.timersOf(&benches[on], &v)
	if v.Waits = []plan.Wait{}; !j.Signed {
		v.Waits = s.waits(&j, v.object, benches, on)
	}
	v.Strip.wait(v.Waits)
	for i, c := range v.Checks {
		at := slices.IndexFunc(v.Waits, func(w plan.Wait) bool { return w.Step == c.Does })
		if c.Does != "" && c.Waits == "" && at >= 0 {
			v.Checks[i].Waits = v.Waits[at].Why
		}
	}
	v.Asks = ask.All(v.asking(benches[on]))
	v.Object = drawing.Object(v.onObject())
	v.Job.Panes = nil
	return v
}

// lean leaves out what a view says elsewhere: the steps and checks, which are in its plan and its
// checks, and the figures of the fit, which are among all figures.
func lean(r reckon.Reckoning) reckon.Reckoning {
	r.Family.Steps, r.Family.Checks, r.Fit.Figures = []family.Step{}, []family.Check{}, []working.Figure{}
	return r
}

// waits are the steps of the pane on the table that cannot be ticked yet.
func (s *Reader) waits(j *record.Job, o plan.Object, benches []Pane, on int) []plan.Wait {
	b := benches[on]
	out := o.Waits(on, s.Now())
	for _, st := range b.Reckoning.Plan.Steps {
		why := guest.In(st.Key, inside(j))
		if why != "" && !b.Done[st.Key] && !slices.ContainsFunc(out, func(k plan.Wait) bool { return k.Step == st.Key }) {
			out = append(out, plan.Wait{Step: st.Key, Why: why})
		}
	}
	return out
}

// bench is the pane as the order of work sees it.
func (b Pane) bench() plan.Bench {
	return plan.Bench{Name: Name(b.Pane), Depth: b.Pane.Spot.Depth, Plan: b.Reckoning.Plan, Standing: b.Standing}
}

func PaneOf(j *record.Job, p *record.Pane, unit length.Unit, was *Signed, deep depth) Pane {
	b := Pane{Pane: together(j, p), Done: map[string]bool{}, own: j.Own, untouched: untouched(p)}
	if was != nil {
		b.Reckoning = was.Of(p.Number)
	} else {
		k := Known(j, p, unit)
		if deep == Drawn {
			k.Draws = odds.OnScreen
		}
		b.Reckoning = reckonedOrWhy(k, deep)
	}
	for _, t := range b.Pane.Ticks {
		b.Done[t.Step] = true
	}
	b.Standing = standingOf(&b.Pane, b.Reckoning)
	b.Stops = prove.With(append(slices.Clone(b.Reckoning.Stops), b.contradictions()...), p.Taken)
	b.Checks = checks(b.Reckoning, &b.Pane, b.Standing, unit)
	return b
}

// reckonedOrWhy reckons a pane. One that cannot be reckoned is shown with what
// can still be said without its pack and its loads, and with why: a job that
// cannot be opened could not be mended.
func reckonedOrWhy(k reckon.Known, deep depth) reckon.Reckoning {
	r, err := reckoned(k, deep)
	if err == nil {
		err = CanBeSent(sent(r, deep))
	}
	if err == nil {
		return r
	}
	why := fault.Of(err)
	if why == nil {
		why = fault.New("pane", err.Error(), "look at what was changed last")
	}
	why = fault.New(why.Field, "cannot be reckoned: "+why.Why, why.Cure)
	k.Stack, k.Duty, k.Draws = pane.Stack{}, pane.Duty{}, 0
	if r, err = reckoned(k, deep); err != nil || CanBeSent(r) != nil {
		r = reckon.Bare(k.Family)
	}
	r.Fault, r.Fit.Ready = why, false
	return r
}

// reckoned goes as deep as is asked.
func reckoned(k reckon.Known, deep depth) (reckon.Reckoning, error) {
	if deep != Numbers {
		return reckon.Pane(k)
	}
	p, err := reckon.Work(k)
	return p.Light(), err
}

// sent is what of a reckoning is sent: of a pane that is not on the table its
// size and its stops.
func sent(r reckon.Reckoning, deep depth) any {
	if deep == Numbers {
		return []any{r.Fit.Order, r.Fit.Gap, r.Stops}
	}
	return r
}

// untouched says whether nothing was read, seen or done on a pane itself; what was
// done once for the object on another one is not its own.
func untouched(p *record.Pane) bool {
	return len(p.Readings)+len(p.Ticks)+len(p.Answers)+len(p.Trials)+len(p.Taken) == 0 && p.Choice == nil &&
		p.Diagnosis == nil
}

// Name is what a pane is called, by its number when nobody named it.
func Name(p record.Pane) string {
	if p.Name != "" {
		return p.Name
	}
	return fmt.Sprintf("pane %d", p.Number)
}

// Waits says whether the pane waits for something that has not come.
func Waits(p record.Pane, now time.Time) bool {
	return p.WaitsFor != "" && (p.WaitsUntil == nil || p.WaitsUntil.After(now))
}

func (s *Reader) stateOf(b Pane) PaneState {
	p := b.Pane
	st := PaneState{ID: p.ID, Number: p.Number, Name: Name(p), Family: b.Reckoning.Family.Name, Spot: p.Spot,
		State: "done",
		Order: b.Reckoning.Order, Version: p.Version,
		Untouched: b.untouched}
	for _, l := range b.Route {
		st.Open += l.Open
		if l.State == route.Now && !b.Finished() {
			st.State, st.Station = "now", string(l.Station)
		}
	}
	if st.State == "now" && Waits(p, s.Now()) {
		st.State, st.WaitsFor, st.WaitsUntil = "wait", p.WaitsFor, p.WaitsUntil
	}
	return st
}

// onObject are the panes for the drawing of the object.
func (v View) onObject() []drawing.ObjectPane {
	out := make([]drawing.ObjectPane, 0, len(v.Panes))
	for _, p := range v.Panes {
		o := drawing.ObjectPane{ID: p.ID, Spot: p.Spot, State: p.State, Label: fmt.Sprintf("pane %d, %s: %s", p.Number,
			p.Name, p.say())}
		if p.ID == v.Pane.ID {
			o.State, o.Label = "here", o.Label+", on the table"
		}
		out = append(out, o)
	}
	return out
}

// say is how a pane stands, in words.
func (p PaneState) say() string {
	switch p.State {
	case "done":
		return "done"
	case "wait":
		return "waits for " + p.WaitsFor
	}
	return fmt.Sprintf("at %s, %d open", p.Station, p.Open)
}

// standingOf is what a pane's steps are held against.
func standingOf(p *record.Pane, r reckon.Reckoning) plan.Standing {
	st := plan.Standing{Done: map[string]time.Time{}, Sized: r.Fit.Ready, NoPart: !r.Road.Noted}
	// What else is waited for keeps nobody from looking the pane over.
	st.Awaits, st.Away = p.WaitsFor, strings.HasPrefix(p.WaitsFor, FromOrder)
	for _, t := range p.Ticks {
		st.Done[t.Step] = t.At
	}
	st.Lay(r.Plan, loads(r.Family), bonds(p.Cures))
	timed(&st, p.Timers)
	for _, m := range r.Fit.Missing {
		st.Unread = append(st.Unread, m.Name)
	}
	return st
}

func checks(r reckon.Reckoning, p *record.Pane, st plan.Standing, unit length.Unit) []CheckView {
	out := []CheckView{}
	for _, c := range prove.Checks(r.Family) {
		k := CheckView{Check: c, Trials: []record.Trial{}}
		for _, t := range p.Trials {
			if t.Check == c.Key {
				k.Trials = append(k.Trials, t)
			}
		}
		if w := r.Plan.After(c.After, st); w != nil {
			k.Waits = w.Why
		}
		for _, a := range p.Answers {
			if a.Check == c.Key {
				k.Outcome, k.Value, k.Gaps = a.Answer.Outcome, a.Answer.Value, a.Answer.Gaps
				k.Finding = length.Words(a.Answer.Finding, unit)
				k.Version, k.By, k.At = a.Version, a.By, &a.At
			}
		}
		k.inUnit(unit)
		out = append(out, k)
	}
	return out
}

// inUnit says what is wanted and what was read in the unit of whoever looks.
func (k *CheckView) inUnit(unit length.Unit) {
	if k.Limit == nil {
		return
	}
	show := func(v float64) string {
		if k.Unit != "mm" {
			return working.Num(v, 2) + " " + k.Unit
		}
		return length.Show(v, unit).Main + " " + string(unit)
	}
	if k.Asks = k.Unit; k.Unit == "mm" {
		k.Asks = string(unit)
	}
	k.Wants = strings.ReplaceAll(string(k.Limit.Sense), "-", " ") + " " + show(k.Limit.Value)
	if k.Value != nil {
		k.Got = show(*k.Value)
	}
	for _, g := range k.Gaps {
		k.GapsGot = append(k.GapsGot, length.Show(g, unit).Main)
	}
	for i, t := range k.Trials {
		if t.Finding = length.Words(t.Finding, unit); t.Value != nil {
			t.Got = show(*t.Value)
		}
		k.Trials[i] = t
	}
}

// stops are those of all panes.
func (v View) stops() []PaneStop {
	out := []PaneStop{}
	for _, b := range v.Benches {
		for _, k := range b.Stops {
			p := PaneStop{Stop: k, Pane: b.Pane.ID}
			if len(v.Benches) > 1 {
				p.Name = Name(b.Pane)
			}
			out = append(out, p)
		}
	}
	return out
}

// hindrances are those of all panes, stops first, and of the strip log once.
func (v View) hindrances() []prove.Hindrance {
	strip := prove.State{Sized: true, Chosen: true, Guests: guestsIn(&v.Job)}
	for _, c := range v.Strip.Open {
		strip.Strip = append(strip.Strip, prove.Named{Key: c.ID, Title: c.What + ", " + c.Say})
	}
	out := prove.Hindrances(strip)
	said := map[string]bool{} // what belongs to the object stands there once
	for _, b := range v.Benches {
		once := b.once()
		for _, h := range prove.Hindrances(b.state()) {
			h.Pane = b.Pane.ID
			key := h.Kind + " " + h.Key
			if once[key] && said[key] {
				continue
			}
			if said[key] = true; len(v.Benches) > 1 && !once[key] {
				h.Text = Name(b.Pane) + ": " + h.Text
			}
			out = append(out, h)
		}
	}
	slices.SortStableFunc(out, func(a, b prove.Hindrance) int { return rankOf(a) - rankOf(b) })
	return out
}

// once are the kinds and keys of what is open and belongs to the object.
func (b Pane) once() map[string]bool {
	out := map[string]bool{}
	for _, st := range b.Reckoning.Plan.Steps {
		out["step "+st.Key] = st.Once
	}
	for _, c := range b.Checks {
		out["check "+c.Key], out["failed "+c.Key] = c.Once, c.Once
	}
	return out
}

func rankOf(h prove.Hindrance) int {
	if h.Kind == prove.KindStop {
		return 0
	}
	return 1
}

// chosen says whether a material is settled, or none is on this road. One that
// was settled for another road is not.
func (b Pane) chosen() bool {
	return !b.Reckoning.Road.Settled || b.Pane.Choice != nil && b.Reckoning.Material.ID == b.Pane.Choice.Material
}

func (b Pane) state() prove.State {
	s := prove.State{Sized: b.Reckoning.Fit.Ready || !b.Reckoning.Road.Sized, Chosen: b.chosen()}
	for _, c := range b.Checks {
		s.Checks = append(s.Checks, c.Check)
	}
	s.Stops = b.Stops
	if f := b.Reckoning.Fault; f != nil {
		s.Odd = append(s.Odd, prove.Named{Key: f.Field, Title: f.Why})
	}
	for _, o := range b.Reckoning.Fit.Odd {
		s.Odd = append(s.Odd, prove.Named{Key: string(o.Place), Title: o.Name})
	}
	for _, st := range b.Reckoning.Plan.Steps {
		if !b.Done[st.Key] && family.LineOf(st.Key) == "" { // those are counted by the strip log
			s.OpenSteps = append(s.OpenSteps, prove.Named{Key: st.Key, Title: st.Title})
		}
	}
	return s
}

// out is how many things go back at Refit and are not back.
func (b Pane) out(open []striplog.Count) int {
	n := len(open)
	for _, c := range open {
		if st, err := b.Step(family.LineKey(c.ID)); err == nil && st.Station != "refit" {
			n--
		}
	}
	return n
}

func (b Pane) progress(out int, signed bool) route.Progress {
	p := route.Progress{Steps: map[family.Station][2]int{}, Missing: len(b.Reckoning.Fit.Missing),
		Odd:    len(b.Reckoning.Fit.Odd),
		Chosen: b.chosen(), Out: out, Signed: signed, BoughtFirst: b.Pane.Road.BoughtFirst(), Comes: b.Standing.Away}
	if b.Reckoning.Fault != nil {
		p.Odd++
	}
	p.Stops = map[family.Station]int{}
	for _, k := range b.Stops {
		if k.Taken == nil {
			p.Stops[k.Station]++
		}
	}
	for _, st := range b.Reckoning.Plan.Steps {
		if st.Station == "refit" && family.LineOf(st.Key) != "" {
			continue // those are counted out
		}
		c := p.Steps[st.Station]
		c[1]++
		if b.Done[st.Key] {
			c[0]++
		}
		p.Steps[st.Station] = c
	}
	for _, c := range b.Checks {
		p.Checks[1]++
		if c.Outcome == prove.Pass || c.Outcome == prove.Skip {
			p.Checks[0]++
		}
	}
	return p
}

// FromOrder begins what a pane waits for that is on an order.
const FromOrder = "the pane from "

// CheckNew is the step at which the new pane is looked over.
const CheckNew = "check-new"

// Ago says how long back a time is, roughly.
func (s *Reader) Ago(at time.Time) string {
	switch d := s.Now().Sub(at); {
	case d < time.Minute:
		return "a moment ago"
	case d < time.Hour:
		return fmt.Sprintf("%d min ago", int(d.Minutes()))
	case d < 24*time.Hour:
		return fmt.Sprintf("%d h ago", int(d.Hours()))
	default:
		return fmt.Sprintf("%d days ago", int(d.Hours()/24))
	}
}
