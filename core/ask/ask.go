// Package ask says, at each station, the one thing that is asked next: what the
// line along the bottom of a job says, and what answers it. Common practice, no
// source.
package ask

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/diagnose"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/pane"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/striplog"
	"freshshard/core/working"
)

// Kind is how a thing is answered.
type Kind string

// The kinds.
const (
	Reading Kind = "reading" // by a length
	Look    Kind = "look"    // by one of some answers
	Cause   Kind = "cause"   // this is why
	Step    Kind = "step"    // done
	Screw   Kind = "screw"   // counted off
	Settle  Kind = "settle"  // a material, by taking the first
	Arrived Kind = "arrived" // what it waited for has come
	Back    Kind = "back"    // a line of the rebuild is in
	Check   Kind = "check"   // passed, or a number
	Laid    Kind = "laid"    // what was laid that hardens, by taking the usual
	Wait    Kind = "wait"    // by nothing but time, or something that stands elsewhere
	Stop    Kind = "stop"    // what is beyond its limit is put right, or an owner takes it on
	Go      Kind = "go"      // nothing is open here: on to the next station
	Sign    Kind = "sign"    // the signature
	Nothing Kind = "nothing" // it is signed or withdrawn
)

// Answer is one of some.
type Answer struct {
	ID  string `json:"id"`
	Say string `json:"say"`
}

// Ask is the one thing. Key names the place, question, step, check, line or
// material; To is the station that it leads to where it lies elsewhere.
type Ask struct {
	Station family.Station `json:"station"`
	Kind    Kind           `json:"kind" enum:"reading,look,cause,step,screw,settle,arrived,back,check,laid,wait,stop,go,sign,nothing"`
	Key     string         `json:"key,omitempty"`
	Says    string         `json:"says"`
	Why     string         `json:"why,omitempty" doc:"What is waited for, or what good looks like"`
	Answers []Answer       `json:"answers,omitempty"`
	Unit    string         `json:"unit,omitempty" doc:"Of the number that a check wants"`
	Number  float64        `json:"number,omitempty" doc:"Thickness to settle, or pressed width of a bead, mm"`
	Until   *time.Time     `json:"until,omitempty"`
	To      family.Station `json:"to,omitempty"`
	Pane    int64          `json:"pane,omitempty" doc:"Another pane of the object that it leads to"`
	Panes   int            `json:"panes,omitempty" doc:"On how many panes one answer may take it, this one among them"`
	Of      int            `json:"of,omitempty" doc:"Screws, or pieces of a line"`
	At      int            `json:"at,omitempty" doc:"Which screw is next, or how many pieces are in"`
	Pass    int            `json:"pass,omitempty" doc:"Which pass over the screws, from 1"`
	Run     []string       `json:"run,omitempty" doc:"Steps that one answer may take together, this one first"`
}

// Other is a pane of the same object, and the station at which somebody can go on with it; none
// where nobody can.
type Other struct {
	Pane    int64
	Name    string
	Station family.Station
}

// Together are the panes of the object, and the order in which their stations are worked.
type Together struct {
	Order []family.Station
	Other *Other         // another pane that can be gone on with, where this one is done
	Panes []Other        // all of them, by number
	Alike map[string]int // by step, "check " and its key, or "the choice": on how many it can be taken now
}

// Facts are what it is worked out from.
type Facts struct {
	Signed     bool
	Withdrawn  bool
	Plan       plan.Plan
	Done       map[string]bool
	Waits      []plan.Wait
	Missing    []reading.Missing
	Odd        []reading.Odd
	Fault      *fault.Error // readings or a setting that cannot belong together
	Evidence   diagnose.Evidence
	Why        diagnose.Result
	Looked     bool // a cause is settled, or nothing broke it
	Settles    bool // a material is settled on this road
	Settled    bool
	First      *pane.Ranked // the best that stands it
	WaitsFor   string
	WaitsUntil *time.Time
	Screws     int
	Counted    int
	Back       []striplog.Line
	Checks     []prove.Check
	CheckWaits map[string]string // what a check waits for
	Hindrances []prove.Hindrance
	Route      map[family.Station]int // things open
	Together
	Stops []prove.Stop // those that nobody took on, of the pane on the table
	Lays  *Lays        // what hardens here and nobody has said yet
}

// Lays is what is usually laid in a way of holding.
type Lays struct {
	Adhesive, Name string
	Width          float64 // of its bead, pressed, mm; 0 where that plays no part
	Fast           *Answer // what is laid instead where it has to drive the same day
}

// opening are what a person is asked first about a break, before anything can be
// told from the answers.
var opening = []string{"look", "doing"}

// All are the asks of the ten stations, in their order.
func All(f Facts) []Ask {
	out := make([]Ask, 0, len(family.Stations))
	for _, s := range family.Stations {
		out = append(out, At(s, f))
	}
	return out
}

// At is the one thing that is asked at a station.
func At(s family.Station, f Facts) Ask {
	a, ok := Ask{Kind: Nothing, Says: "Signed: it stays as it is"}, true
	if f.Withdrawn {
		a.Says = "Withdrawn: nothing is done at it"
	}
	if !f.Signed && !f.Withdrawn {
		for _, next := range asked[s] {
			if a, ok = next(s, f); ok {
				break
			}
		}
		if !ok {
			a, ok = stopped(s, f)
		}
		if !ok {
			a = onward(s, f)
		}
	}
	a.Station = s
	a.Panes = f.onHowMany(a)
	if a.Kind == Step && a.Panes == 0 {
		a.Run = f.run(s, a.Key)
	}
	return a
}

// onHowMany is on how many panes one answer may take what is asked; 0 where it is asked of this one
// alone.
func (f Facts) onHowMany(a Ask) int {
	n := 0
	switch {
	case a.Kind == Check && a.Unit == "":
		n = f.Alike["check "+a.Key]
	case a.Kind == Settle:
		n = f.Alike["the choice"]
	case a.Kind == Step:
		n = f.Alike[a.Key]
	}
	if n < 2 {
		return 0
	}
	return n
}

// asked are what each station asks for, in turn.
var asked = map[family.Station][]func(family.Station, Facts) (Ask, bool){
	"assess": {safe, look, step}, "strip": {step}, "measure": {measure, step}, "choose": {settle, step},
	"source": {ordered, arrived, step}, "prepare": {back, step, later}, "set": {back, screw, step, later},
	"hold": {laid, step}, "refit": {back, screw, step, later},
	"prove": {unproved, check, step, sign},
}

// open are the steps of a station that are not done, the first that can be done in
// front.
func (f Facts) open(s family.Station) (next *plan.Step, wait *plan.Wait) {
	for i := range f.Plan.Steps {
		st := &f.Plan.Steps[i]
		if !f.asks(s, st) {
			continue
		}
		w := slices.IndexFunc(f.Waits, func(w plan.Wait) bool { return w.Step == st.Key })
		if w < 0 {
			return st, nil
		}
		if next == nil {
			next, wait = st, &f.Waits[w]
		}
	}
	return next, wait
}

// ofStep asks for a step, says what it waits for, or leads to the pane that holds it up.
func (f Facts) ofStep(st *plan.Step, w *plan.Wait) Ask {
	if w != nil && w.On > 0 && w.On <= len(f.Panes) {
		// That pane may wait for a third one.
		for _, o := range append([]Other{f.Panes[w.On-1]}, f.Panes...) {
			if o.Station != "" {
				return Ask{Kind: Go, Key: st.Key, Says: upper(o.Name) + " first", Why: w.Why, To: o.Station, Pane: o.Pane}
			}
		}
	}
	if w != nil {
		return Ask{Kind: Wait, Key: st.Key, Says: st.Title, Why: w.Why, Until: w.Until}
	}
	a := Ask{Kind: Step, Key: st.Key, Says: st.Title}
	if st.Dries != "" {
		a.Answers = []Answer{{st.Dries, "Just painted"}}
	}
	return a
}

func step(s family.Station, f Facts) (Ask, bool) {
	st, w := f.open(s)
	if st == nil {
		return Ask{}, false
	}
	return f.ofStep(st, w), true
}

// laid asks what hardens before its step is waited for, as soon as what it holds is in
// place: without it nobody knows how long.
func laid(s family.Station, f Facts) (Ask, bool) {
	st, w := f.open(s)
	if f.Lays == nil || st == nil || w != nil && w.Until == nil && !w.Unsaid {
		return Ask{}, false
	}
	a := Ask{Kind: Laid, Key: st.Key, Says: "What was laid?", Why: "its clock says when it holds",
		Answers: []Answer{{f.Lays.Adhesive, f.Lays.Name}}, Number: f.Lays.Width}
	if f.Lays.Fast != nil {
		a.Answers = append(a.Answers, *f.Lays.Fast)
	}
	return a, true
}

// unproved is the next step that no check does: the others are asked for by their proof.
func unproved(s family.Station, f Facts) (Ask, bool) {
	rest := f
	rest.Plan.Steps = slices.DeleteFunc(slices.Clone(f.Plan.Steps), func(st plan.Step) bool {
		return slices.ContainsFunc(f.Checks, func(c prove.Check) bool {
			return c.Does == st.Key && (c.Outcome == prove.Open || c.Outcome == prove.Fail)
		})
	})
	return step(s, rest)
}

// safe are the steps that come before anything is looked at: isolated, cold.
func safe(s family.Station, f Facts) (Ask, bool) {
	st, w := f.open(s)
	if st == nil || st.Key == "cause" {
		return Ask{}, false
	}
	return f.ofStep(st, w), true
}

// look is the question that would tell most about the break, or the cause itself as
// soon as one is likely; nothing more once somebody has looked.
func look(s family.Station, f Facts) (Ask, bool) {
	if st, _ := f.open(s); f.Looked || st == nil || st.Key != "cause" {
		return Ask{}, false
	}
	id := ""
	for _, q := range opening {
		if id == "" && f.Evidence[q] == "" {
			id = q
		}
	}
	if r := f.Why.Ranked; id == "" && len(r) > 0 && r[0].Share >= diagnose.Likely {
		return Ask{Kind: Cause, Key: r[0].ID, Says: r[0].Name, Why: f.Why.Sentence}, true
	}
	if id == "" && f.Why.Next != nil {
		id = f.Why.Next.Question
	}
	for _, q := range diagnose.Questions() {
		if q.ID != id {
			continue
		}
		a := Ask{Kind: Look, Key: q.ID, Says: q.Ask}
		for _, c := range q.Answers {
			a.Answers = append(a.Answers, Answer{c.ID, c.Say})
		}
		return a, true
	}
	return Ask{}, false
}

func measure(_ family.Station, f Facts) (Ask, bool) {
	if f.Fault != nil {
		a := Ask{Kind: Stop, Key: f.Fault.Field, Says: f.Fault.Why, Why: f.Fault.Cure}
		if _, err := reading.Place(f.Fault.Field).Info(); err == nil {
			a.Kind, a.Says, a.Why = Reading, "Read it again", f.Fault.Why
		}
		return a, true
	}
	if len(f.Odd) > 0 {
		return Ask{Kind: Reading, Key: string(f.Odd[0].Place), Says: "Read it again", Why: f.Odd[0].Sentence}, true
	}
	if len(f.Missing) > 0 {
		m := f.Missing[0]
		return Ask{Kind: Reading, Key: string(m.Place), Says: m.Name, Why: m.Why}, true
	}
	return Ask{}, false
}

func settle(_ family.Station, f Facts) (Ask, bool) {
	if f.Settled || !f.Settles {
		return Ask{}, false
	}
	if f.First == nil {
		return Ask{Kind: Wait, Key: "choice", Says: "Nothing on the list stands this place",
			Why: "look at what is ruled out, and by how much"}, true
	}
	return Ask{Kind: Settle, Key: f.First.Material, Number: f.First.Thickness,
		Says: fmt.Sprintf("Take %s mm %s", working.Num(f.First.Thickness, 1), strings.ToLower(f.First.Name))}, true
}

// ordered are the steps up to the order: nothing arrives that nobody ordered.
func ordered(s family.Station, f Facts) (Ask, bool) {
	st, w := f.open(s)
	if st == nil || f.WaitsFor != "" && anyDone(s, f) {
		return Ask{}, false
	}
	return f.ofStep(st, w), true
}

func anyDone(s family.Station, f Facts) bool {
	return slices.ContainsFunc(f.Plan.Steps, func(st plan.Step) bool { return st.Station == s && f.Done[st.Key] })
}

func arrived(_ family.Station, f Facts) (Ask, bool) {
	if f.WaitsFor == "" {
		return Ask{}, false
	}
	return Ask{Kind: Arrived, Key: "waits", Says: f.WaitsFor + ": has it come?", Until: f.WaitsUntil}, true
}

// screw counts the screws off, pass by pass, as soon as their step is the next.
func screw(s family.Station, f Facts) (Ask, bool) {
	st, w := f.open(s)
	if st == nil || w != nil || !st.Screws {
		return Ask{}, false
	}
	pass, n, done := setting.Pass(f.Counted, f.Screws)
	if done {
		return Ask{}, false
	}
	return Ask{Kind: Screw, Key: st.Key, Says: fmt.Sprintf("Screw %d %s", n, setting.Passes[pass-1]), At: n, Of: f.Screws,
		Pass: pass,
		Why:  st.Title}, true
}

// back is the next thing of the strip log that goes back at a station and can.
func back(s family.Station, f Facts) (Ask, bool) {
	for _, l := range f.Back {
		if f.goesBack(l) == s && l.Ready {
			return Ask{Kind: Back, Key: l.ID, Says: l.Say, Why: l.With, At: l.In, Of: l.Of}, true
		}
	}
	return Ask{}, false
}

// later is what goes back at a station, but not yet.
func later(s family.Station, f Facts) (Ask, bool) {
	for _, l := range f.Back {
		if f.goesBack(l) == s {
			return Ask{Kind: Wait, Key: l.ID, Says: l.Say, Why: l.Waits}, true
		}
	}
	return Ask{}, false
}

// goesBack is the station at which a line of the strip log goes back; none for one that is back, or
// that a step puts back.
func (f Facts) goesBack(l striplog.Line) family.Station {
	if l.Done || l.Step != "" {
		return ""
	}
	for i := range f.Plan.Steps {
		if f.Plan.Steps[i].Key == family.LineKey(l.ID) {
			return f.Plan.Steps[i].Station
		}
	}
	return "refit"
}

// check is the next proof that can be made; a failed one comes again after the
// others.
func check(_ family.Station, f Facts) (Ask, bool) {
	for _, outcome := range []prove.Outcome{prove.Open, prove.Fail} {
		for _, c := range f.Checks {
			if c.Outcome == outcome && f.CheckWaits[c.Key] == "" {
				return Ask{Kind: Check, Key: c.Key, Says: c.Text, Why: c.Pass, Unit: c.Unit}, true
			}
		}
	}
	return Ask{}, false
}

func sign(_ family.Station, f Facts) (Ask, bool) {
	if len(f.Hindrances) > 0 {
		return Ask{}, false
	}
	return Ask{Kind: Sign, Says: "Everything is proved: sign it"}, true
}

// stopped is what is beyond its limit and is put right here; at Prove, whatever is.
func stopped(s family.Station, f Facts) (Ask, bool) {
	for _, k := range f.Stops {
		if k.Station == s || s == "prove" {
			return Ask{Kind: Stop, Key: k.Key, Says: k.Says, Why: "put it right, or an owner accepts the risk"}, true
		}
	}
	return Ask{}, false
}

func upper(s string) string {
	r := []rune(s)
	return strings.ToUpper(string(r[:1])) + string(r[1:])
}

// onward leads to the first station that has something open, else to another pane,
// else to the last.
func onward(s family.Station, f Facts) Ask {
	order := f.Order
	if order == nil {
		order = family.Stations
	}
	for _, o := range order {
		// The object is worked at together: what another pane lacks at a station before comes first.
		for _, p := range f.Panes {
			if p.Station == o && f.Other == nil && f.Route[o] == 0 {
				return Ask{Kind: Go, Says: upper(p.Name) + " is next", To: o, Pane: p.Pane}
			}
		}
		if o != s && f.Route[o] > 0 {
			return Ask{Kind: Go, Says: "Nothing is open here", To: o}
		}
	}
	if o := f.Other; o != nil {
		return Ask{Kind: Go, Says: "This pane is done. " + upper(o.Name) + " is next", To: o.Station, Pane: o.Pane}
	}
	if s == "prove" {
		for _, h := range f.Hindrances { // of another pane, or what a station does not count
			return Ask{Kind: Wait, Key: h.Key, Says: h.Text}
		}
	}
	return Ask{Kind: Go, Says: "Nothing is open here", To: "prove"}
}
