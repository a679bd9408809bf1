// Package supply keeps what is ordered for a job: who was asked for what, what came of
// it, and what is looked at when it comes. Common practice, no source.
package supply

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/core/money"
	"freshshard/core/source"
)

// State is how far an order is.
type State string

// The states. Back is an order of which something came that was not right, or not all
// of it came: it is still waited for.
const (
	ToSend    State = "to-send"
	Sent      State = "sent"
	Confirmed State = "confirmed"
	Back      State = "back"
	Here      State = "here"
	Dropped   State = "dropped"
)

// Found is what was found of a line when it came.
type Found string

// What can be found.
const (
	Unseen  Found = ""
	Good    Found = "good"
	Wrong   Found = "wrong"   // it goes back
	Missing Found = "missing" // it was not in the box
)

// Line is one thing that is ordered.
type Line struct {
	Key     string `json:"key" maxLength:"60"`
	Pane    int64  `json:"pane,omitempty" doc:"The pane that it is for, where it is the pane itself"`
	Text    string `json:"text" maxLength:"300" doc:"All that the source needs to know"`
	Milli   int64  `json:"milli" minimum:"1" maximum:"1000000000" doc:"Thousandths of a piece or metre"`
	Unit    string `json:"unit" enum:"pc,m"`
	Each    int64  `json:"each" minimum:"0" maximum:"100000000" doc:"Cents for one; 0 while nobody said"`
	Found   Found  `json:"found,omitempty" enum:",good,wrong,missing"`
	Finding string `json:"finding,omitempty" maxLength:"300" doc:"What is wrong with it, or why it is taken all the same"`
}

// Order is what one source is to send for one job.
type Order struct {
	ID       int64       `json:"id"`
	Kind     source.Kind `json:"kind" enum:"stock,cutter,maker,parts,post,salvage"`
	Who      string      `json:"who" maxLength:"80"`
	State    State       `json:"state" enum:"to-send,sent,confirmed,back,here,dropped"`
	Lines    []Line      `json:"lines" minItems:"1" maxItems:"60"`
	Carriage int64       `json:"carriage,omitempty" minimum:"0" maximum:"100000000" doc:"Cents"`
	Due      *time.Time  `json:"due,omitempty"`
	Note     string      `json:"note,omitempty" maxLength:"500"`
	Version  int         `json:"version"`
}

// Check refuses an order that says nothing; errors name the field.
func (o Order) Check() error {
	if len(o.Lines) == 0 {
		return fault.New("lines", "nothing is on this order", "put in what is to come")
	}
	if o.Carriage < 0 || o.Carriage > money.Most {
		return fault.New("carriage", "a price from 0 up is expected", "type it as 12.50")
	}
	seen := map[string]bool{}
	for i, l := range o.Lines {
		field := fmt.Sprintf("lines[%d].", i)
		switch {
		case strings.TrimSpace(l.Text) == "":
			return fault.New(field+"text", "this is empty", "say what is to come")
		case l.Milli < 1 || l.Milli > 1e9:
			return fault.New(field+"milli", "a quantity above 0 is expected", "type how many")
		case l.Each < 0 || l.Each > money.Most:
			return fault.New(field+"each", "a price from 0 up is expected", "type it as 12.50")
		case seen[l.Key]:
			return fault.New(field+"key", "this is on the order twice", "put the two together")
		}
		seen[l.Key] = true
	}
	return nil
}

// Cents is what the order comes to.
func (o Order) Cents() int64 {
	sum := o.Carriage
	for _, l := range o.Lines {
		sum += money.Times(l.Each, l.Milli)
	}
	return sum
}

// Counts says whether a line of an order is the job's and is paid for: what came and is good,
// whatever became of the rest of its order; and what is still to come, but for what went back or was
// missing where another order brings it.
func (o Order) Counts(l Line, all []Order) bool {
	switch {
	case l.Found == Good:
		return true
	case o.State == Dropped:
		return false
	case l.Found == Unseen || strings.HasPrefix(l.Key, "own-"):
		return true
	}
	return !slices.ContainsFunc(all, func(p Order) bool {
		return p.ID != o.ID && slices.ContainsFunc(p.Lines, func(k Line) bool {
			return k.Key == l.Key && (k.Found == Good || k.Found == Unseen && p.State != Dropped)
		})
	})
}

// next are the states that a person may take an order to; arrivals have their own way.
var next = map[State][]State{
	ToSend: {Sent, Dropped}, Sent: {Confirmed, Dropped}, Confirmed: {Confirmed, Dropped}, Back: {Confirmed, Dropped},
}

// Move takes the order on.
func (o *Order) Move(to State) error {
	if !slices.Contains(next[o.State], to) {
		return fault.New("state", fmt.Sprintf("an order that is %s is not %s next", said[o.State], said[to]),
			"look at it again: somebody else may have gone on with it")
	}
	o.State = to
	return nil
}

var said = map[State]string{ToSend: "to be sent", Sent: "sent", Confirmed: "confirmed", Back: "on its way back",
	Here: "here", Dropped: "cancelled"}

// Say is how far it is, in words.
func (o Order) Say() string {
	if o.State == Back {
		wrong, missing := o.count(Wrong), o.count(Missing)
		switch {
		case wrong > 0 && missing > 0:
			return "something goes back, and not all of it came"
		case missing > 0:
			return "not all of it came"
		}
		return "it goes back"
	}
	return said[o.State]
}

func (o Order) count(f Found) int {
	n := 0
	for _, l := range o.Lines {
		if l.Found == f {
			n++
		}
	}
	return n
}

// Out says whether something of it is still waited for.
func (o Order) Out() bool { return o.State == Sent || o.State == Confirmed || o.State == Back }

// Seen is what was found of one line.
type Seen struct {
	Key     string `json:"key" maxLength:"60"`
	Found   Found  `json:"found" enum:"good,wrong,missing"`
	Finding string `json:"finding,omitempty" maxLength:"300"`
}

// Arrive notes what came. Lines that are not named are as they were found before, or
// good where nobody looked: one answer takes in what is right. What is wrong says what
// is wrong with it. It returns a *fault.Error that names lines[n].
func (o *Order) Arrive(found []Seen) error {
	if o.State == ToSend || o.State == Dropped {
		return fault.New("state", "an order that is "+said[o.State]+" does not come", "say first that it was sent")
	}
	lines := slices.Clone(o.Lines)
	for i, f := range found {
		field := fmt.Sprintf("lines[%d].", i)
		at := slices.IndexFunc(lines, func(l Line) bool { return l.Key == f.Key })
		switch {
		case at < 0:
			return fault.New(field+"key", "this is not on the order", "look at the order again")
		case f.Found == Wrong && strings.TrimSpace(f.Finding) == "":
			return fault.New(field+"finding", "this is empty", "say what is wrong with it: it goes on the way-bill")
		case !slices.Contains([]Found{Good, Wrong, Missing}, f.Found):
			return fault.New(field+"found", "good, wrong or missing is expected", "choose one of the three")
		}
		lines[at].Found, lines[at].Finding = f.Found, f.Finding
	}
	named := func(key string) bool { return slices.ContainsFunc(found, func(f Seen) bool { return f.Key == key }) }
	o.Lines, o.State = lines, Here
	for i := range o.Lines {
		l := &o.Lines[i]
		if !named(l.Key) && l.Found != Good {
			l.Found, l.Finding = Good, ""
		}
		if l.Found != Good {
			o.State = Back
		}
	}
	return nil
}
