package shop

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/ask"
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

	benches []benchView
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

// Bench reads a job with one of its panes and works everything out.
func (s *Shop) Bench(ctx context.Context, at Bench) (View, error) {
	j, was, shop, err := s.whole(ctx, at)
	if err != nil {
		return View{}, err
	}
	return s.view(j, was, at.Pane, shop.Unit, drawn)
}

// Work is Bench without its drawings, odds and choice: what was done and what is
// to be done.
func (s *Shop) Work(ctx context.Context, at Bench) (View, error) {
	j, was, shop, err := s.whole(ctx, at)
	if err != nil {
		return View{}, err
	}
	return s.view(j, was, at.Pane, shop.Unit, numbers)
}

// whole reads a job, one that is signed as it was signed, with the shop that
// goes with it.
func (s *Shop) whole(ctx context.Context, at Bench) (record.Job, *Signed, record.Shop, error) {
	j, err := s.store.Job(ctx, at.Job)
	if err != nil {
		return j, nil, record.Shop{}, err
	}
	shop, err := s.store.Shop(ctx)
	if err != nil {
		return j, nil, shop, err
	}
	marks := shop.Unit
	if at.By != 0 {
		if shop.Unit, err = s.store.UnitFor(ctx, at.Job, at.By); err != nil {
			return j, nil, shop, err
		}
	}
	j, was, err := s.sealed(ctx, j)
	j.Marks = marks
	if was != nil {
		shop = was.Shop // its numbers are written in the unit of that day
	}
	return j, was, shop, err
}

// Benches reads a job with each of its panes for its papers, by number, with the
// shop as they name it. Each pane is reckoned once.
func (s *Shop) Benches(ctx context.Context, job int64) ([]View, record.Shop, error) {
	j, was, shop, err := s.whole(ctx, First(job))
	if err != nil {
		return nil, shop, err
	}
	benches := make([]benchView, 0, len(j.Panes))
	for i := range j.Panes {
		benches = append(benches, benchOf(&j, &j.Panes[i], shop.Unit, was, sheet))
	}
	return s.layAll(j, benches, shop.Unit), shop, nil
}

// Sheet reads one pane of a job for a drawing, and nothing of the others.
func (s *Shop) Sheet(ctx context.Context, at Bench) (reckon.Reckoning, record.Job, error) {
	j, was, shop, err := s.whole(ctx, at)
	if err != nil {
		return reckon.Reckoning{}, j, err
	}
	p, err := paneOf(&j, at)
	if err != nil {
		return reckon.Reckoning{}, j, err
	}
	return benchOf(&j, p, shop.Unit, was, sheet).reck, j, nil
}

// Object draws the object of a job with how its panes stand.
func (s *Shop) Object(ctx context.Context, at Bench) (drawing.Drawing, error) {
	j, was, shop, err := s.whole(ctx, at)
	if err != nil {
		return drawing.Drawing{}, err
	}
	v, err := s.view(j, was, at.Pane, shop.Unit, numbers)
	return v.Object, err
}

// known is a pane of a job as the core wants it.
func known(j *record.Job, p *record.Pane, unit length.Unit) reckon.Known {
	o := j.Object
	k := reckon.Known{
		Family: p.Family, Exposure: o.Exposure, Frame: p.Frame, Readings: map[reading.Place]length.Reading{},
		Cutter: p.Cutter,
		Gasket: p.Gasket, Sides: p.Sides, Shape: p.Shape, Raked: p.Raked, Power: o.Power, Gas: o.Gas, Vehicle: o.Vehicle,
		Moves: o.Moves, Water: o.Water, Old: o.Old, Strike: o.Strike, Leaf: o.Leaf,
		Like: p.Like, Duty: p.Duty, Stack: p.Stack, Uses: p.Uses, Own: j.Own, Stamp: o.Stamp, Unit: unit, Marks: j.Marks,
		Road: p.Road, Peel: p.Peel, Turned: p.Turns, Heard: p.Heard, Stock: p.Stock,
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

// benchView is one pane with what follows from it.
type benchView struct {
	pane   record.Pane
	reck   reckon.Reckoning
	checks []CheckView
	route  []route.Leg
	done   map[string]bool
	left   int

	untouched bool // nothing was noted on the pane itself
	standing  plan.Standing
	stops     []prove.Stop
}

// Fixed is what the ticket keeps of one pane.
type Fixed struct {
	Pane      int              `json:"pane" doc:"Number of the pane"`
	Reckoning reckon.Reckoning `json:"reckoning"`
}

// depth is how much of a pane is worked out.
type depth int

const (
	numbers depth = iota // what lists and signatures go by
	sheet                // with its drawings
	drawn                // with its odds, for a screen that waits for it
)

// view works a job out with a pane on the table, that one as deep as is asked
// and the others by their numbers. was is what a signed job's ticket fixed, nil
// for an open one.
func (s *Shop) view(j record.Job, was *Signed, pane int64, unit length.Unit, deep depth) (View, error) {
	here := j.Pane(pane)
	if here == nil {
		return View{}, &record.NotFound{What: "this pane"}
	}
	benches, on := make([]benchView, 0, len(j.Panes)), 0
	for i := range j.Panes {
		p, d := &j.Panes[i], numbers
		if p.ID == here.ID {
			on, d = i, deep
		}
		benches = append(benches, benchOf(&j, p, unit, was, d))
	}
	return s.lay(s.object(j, benches, unit), on), nil
}

// layAll puts each pane of a job that is worked out on the table.
func (s *Shop) layAll(j record.Job, benches []benchView, unit length.Unit) []View {
	o := s.object(j, benches, unit)
	all := make([]View, 0, len(benches))
	for i := range benches {
		all = append(all, s.lay(o, i))
	}
	return all
}

// object is what the view of each pane of a job that is worked out has in common.
func (s *Shop) object(j record.Job, benches []benchView, unit length.Unit) View {
	v := View{Job: j, Panes: []PaneState{}, Unit: unit, Strip: stripOf(j).inUnit(unit), benches: benches}
	counted := map[string]bool{} // steps that are done once for the object
	for i := range benches {
		benches[i].left = 0
		for _, st := range benches[i].reck.Plan.Steps {
			if !benches[i].done[st.Key] && !counted[st.Key] {
				benches[i].left += st.Minutes
				counted[st.Key] = st.Once
			}
		}
		benches[i].route = route.Legs(benches[i].progress(len(v.Strip.Open), j.Signed))
		v.MinutesTo += benches[i].left
		v.Panes = append(v.Panes, s.stateOf(benches[i]))
	}
	v.Late = !j.Signed && (late(j.PromisedAt, v.MinutesTo, s.Now()) || slips(j.PromisedAt, hardBy(benches)))
	v.Hindrances, v.Stops = v.hindrances(), v.stops()
	return v
}

// lay puts one pane of an object on the table.
func (s *Shop) lay(v View, on int) View {
	benches, j := v.benches, v.Job
	b := benches[on]
	v.Pane, v.Reckoning, v.Checks, v.Route = b.pane, b.reck, b.checks, b.route
	v.guests(b)
	for i := range v.Checks {
		if w := benches[on].standing.CheckWait(v.Checks[i].Key, s.Now()); w != nil && v.Checks[i].Waits == "" {
			v.Checks[i].Waits = w.Why
		}
	}
	s.timersOf(&benches[on], &v)
	if v.Waits = []plan.Wait{}; !j.Signed {
		v.Waits = s.waits(&j, benches, on)
	}
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

// waits are the steps of the pane on the table that cannot be ticked yet; those
// that are done once for the object wait for all of its panes.
func (s *Shop) waits(j *record.Job, benches []benchView, on int) []plan.Wait {
	b := benches[on]
	out := b.reck.Plan.Waits(b.standing, s.Now())
	for i, o := range benches {
		if i == on {
			continue
		}
		for _, w := range o.reck.Plan.Waits(o.standing, s.Now()) {
			here, err := b.step(w.Step)
			if err != nil || !here.Once || slices.ContainsFunc(out, func(k plan.Wait) bool { return k.Step == w.Step }) {
				continue
			}
			w.Why = paneName(o.pane) + ", " + w.Why
			out = append(out, w)
		}
	}
	for _, st := range b.reck.Plan.Steps {
		why := guest.In(st.Key, inside(j))
		if why != "" && !b.done[st.Key] && !slices.ContainsFunc(out, func(k plan.Wait) bool { return k.Step == st.Key }) {
			out = append(out, plan.Wait{Step: st.Key, Why: why})
		}
	}
	return out
}

func benchOf(j *record.Job, p *record.Pane, unit length.Unit, was *Signed, deep depth) benchView {
	b := benchView{pane: together(j, p), done: map[string]bool{}, untouched: untouched(p)}
	if was != nil {
		b.reck = was.of(p.Number)
	} else {
		k := known(j, p, unit)
		if deep == numbers {
			k.Stage = reckon.Work
		}
		if deep == drawn {
			k.Draws = odds.OnScreen
		}
		b.reck = reckonedOrWhy(k)
	}
	for _, t := range b.pane.Ticks {
		b.done[t.Step] = true
	}
	b.standing = standingOf(&b.pane, b.reck)
	b.stops = prove.With(b.reck.Stops, p.Taken)
	b.checks = checks(b.reck, &b.pane, b.standing, unit)
	return b
}

// reckonedOrWhy reckons a pane. One that cannot be reckoned is shown with what
// can still be said without its pack and its loads, and with why: a job that
// cannot be opened could not be mended.
func reckonedOrWhy(k reckon.Known) reckon.Reckoning {
	r, err := reckon.Pane(k)
	if err == nil {
		err = written(sent(r, k.Stage))
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
	if r, err = reckon.Pane(k); err != nil || written(r) != nil {
		r = reckon.Bare(k.Family)
	}
	r.Fault, r.Fit.Ready = why, false
	return r
}

// sent is what of a reckoning is sent: of a pane that is not on the table its
// size and its stops.
func sent(r reckon.Reckoning, stage reckon.Stage) any {
	if stage == reckon.Work {
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

// paneName is what a pane is called, by its number when nobody named it.
func paneName(p record.Pane) string {
	if p.Name != "" {
		return p.Name
	}
	return fmt.Sprintf("pane %d", p.Number)
}

// waits says whether the pane waits for something that has not come.
func waits(p record.Pane, now time.Time) bool {
	return p.WaitsFor != "" && (p.WaitsUntil == nil || p.WaitsUntil.After(now))
}

func (s *Shop) stateOf(b benchView) PaneState {
	p := b.pane
	st := PaneState{ID: p.ID, Number: p.Number, Name: paneName(p), Family: b.reck.Family.Name, Spot: p.Spot, State: "done",
		Order: b.reck.Order, Version: p.Version,
		Untouched: b.untouched}
	for _, l := range b.route {
		st.Open += l.Open
		if l.State == route.Now && !b.finished() {
			st.State, st.Station = "now", string(l.Station)
		}
	}
	if st.State == "now" && waits(p, s.Now()) {
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
	if strings.HasPrefix(p.WaitsFor, fromOrder) { // what else is waited for keeps nobody from looking the pane over
		st.Awaits = p.WaitsFor
	}
	for _, t := range p.Ticks {
		st.Done[t.Step] = t.At
	}
	for _, c := range p.Cures {
		st.Clocks = addClock(st.Clocks, c.Step, plan.Clock{What: adhesiveName(c.Adhesive), Ready: opens(c)})
	}
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
	for _, b := range v.benches {
		for _, k := range b.stops {
			p := PaneStop{Stop: k, Pane: b.pane.ID}
			if len(v.benches) > 1 {
				p.Name = paneName(b.pane)
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
	for _, b := range v.benches {
		once := b.once()
		for _, h := range prove.Hindrances(b.state()) {
			h.Pane = b.pane.ID
			key := h.Kind + " " + h.Key
			if once[key] && said[key] {
				continue
			}
			if said[key] = true; len(v.benches) > 1 && !once[key] {
				h.Text = paneName(b.pane) + ": " + h.Text
			}
			out = append(out, h)
		}
	}
	slices.SortStableFunc(out, func(a, b prove.Hindrance) int { return rankOf(a) - rankOf(b) })
	return out
}

// once are the kinds and keys of what is open and belongs to the object.
func (b benchView) once() map[string]bool {
	out := map[string]bool{}
	for _, st := range b.reck.Plan.Steps {
		out["step "+st.Key] = st.Once
	}
	for _, c := range b.checks {
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
func (b benchView) chosen() bool {
	return !b.reck.Road.Settled || b.pane.Choice != nil && b.reck.Material.ID == b.pane.Choice.Material
}

func (b benchView) state() prove.State {
	s := prove.State{Sized: b.reck.Fit.Ready || !b.reck.Road.Sized, Chosen: b.chosen()}
	for _, c := range b.checks {
		s.Checks = append(s.Checks, c.Check)
	}
	s.Stops = b.stops
	if f := b.reck.Fault; f != nil {
		s.Odd = append(s.Odd, prove.Named{Key: f.Field, Title: f.Why})
	}
	for _, o := range b.reck.Fit.Odd {
		s.Odd = append(s.Odd, prove.Named{Key: string(o.Place), Title: o.Name})
	}
	for _, st := range b.reck.Plan.Steps {
		if !b.done[st.Key] {
			s.OpenSteps = append(s.OpenSteps, prove.Named{Key: st.Key, Title: st.Title})
		}
	}
	return s
}

func (b benchView) progress(out int, signed bool) route.Progress {
	p := route.Progress{Steps: map[family.Station][2]int{}, Missing: len(b.reck.Fit.Missing), Odd: len(b.reck.Fit.Odd),
		Chosen: b.chosen(), Out: out, Signed: signed}
	if b.reck.Fault != nil {
		p.Odd++
	}
	p.Stops = map[family.Station]int{}
	for _, k := range b.stops {
		if k.Taken == nil {
			p.Stops[k.Station]++
		}
	}
	for _, st := range b.reck.Plan.Steps {
		c := p.Steps[st.Station]
		c[1]++
		if b.done[st.Key] {
			c[0]++
		}
		p.Steps[st.Station] = c
	}
	for _, c := range b.checks {
		p.Checks[1]++
		if c.Outcome == prove.Pass || c.Outcome == prove.Skip {
			p.Checks[0]++
		}
	}
	return p
}

// Pulse tells cheaply whether a job has changed since it was read.
func (s *Shop) Pulse(ctx context.Context, id int64) (int64, error) { return s.store.Pulse(ctx, id) }

// mostEvents is how much of a job's history a screen gets.
const mostEvents = 200

// History lists what happened to a job, newest first.
func (s *Shop) History(ctx context.Context, id int64) ([]record.Event, error) {
	if _, err := s.store.Pulse(ctx, id); err != nil {
		return nil, err
	}
	return s.store.History(ctx, id, mostEvents)
}

// Customers lists customers like the words.
func (s *Shop) Customers(ctx context.Context, words string) ([]record.Customer, error) {
	return s.store.CustomersLike(ctx, words, 8)
}
