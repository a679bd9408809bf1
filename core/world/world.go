// Package world is an object as it is: live or dead, hot or cold, open or shut, its panes here or
// not, what was laid wet or hard. It knows what harms, and nothing of any order of work: what a plan
// allows is tried in it. Common practice, no source.
package world

import (
	"fmt"
	"slices"
	"time"
)

// Act is something that a person does to an object or to one of its panes.
type Act string

// The acts. Those on the object take no pane.
const (
	SwitchOff  Act = "switches it off and lets it cool"
	Open       Act = "opens it"
	Loosen     Act = "loosens what holds"
	TakeOut    Act = "takes the old pane out"
	Clear      Act = "clears the pieces away"
	LookOver   Act = "looks the new pane over"
	Ready      Act = "makes its seat ready"
	CleanFaces Act = "cleans its faces"
	TryIn      Act = "tries it in dry"
	PutIn      Act = "puts it in"
	Fix        Act = "fixes it"
	LetGo      Act = "lets it go"
	LoadLight  Act = "lays something on it lightly"
	LoadGently Act = "moves it gently"
	Shut       Act = "shuts it"
	Heat       Act = "heats it"
	Wet        Act = "puts water on it"
	Run        Act = "runs it"
	Pressurise Act = "lets the pressure on"
	Sign       Act = "signs for it"
)

// Pane is one pane of the object as it is.
type Pane struct {
	Depth  int       // from the front
	New    bool      // something new goes in
	OldIn  bool      // the old one is in
	Pieces bool      // of the old one, in its seat
	Here   bool      // the new one is here
	Seen   bool      // and was looked over
	Bare   bool      // its seat wants work before anything is set in it
	Dirty  bool      // on a face that will be shut in
	In     bool      // in its seat
	Fixed  bool      // and held there
	Laid   time.Time // when what it lies on was laid; zero where nothing hardens
	Green  time.Time // until then nothing may touch it
	Young  time.Time // until then it may not be moved
}

// Lies is how a thing that came off lies to the panes.
type Lies string

// The ways.
const (
	Under Lies = "under them"
	Over  Lies = "on what holds them"
	Cover Lies = "before them"
)

// Thing is something that came off and goes back.
type Thing struct {
	Name string
	Lies Lies
	In   bool
}

// Object is an object with its panes. Live, Hot and Pressed are what it is now.
type Object struct {
	Now                time.Time
	Live, Hot, Pressed bool
	Closes, Shut       bool // whether it has a door or a cover, and that is shut
	Shared             bool // its panes lie behind one another under one cap
	Panes              []Pane
	Things             []Thing // that came off
}

// Do does something to the object, to a pane of it where the act is of one, and says what it
// harms; nothing where all is well.
func (o *Object) Do(a Act, pane int) string {
	p := &o.Panes[pane]
	switch a {
	case SwitchOff:
		o.Live, o.Hot, o.Pressed = false, false, false
	case Open, Loosen, TakeOut, Clear, Ready, TryIn:
		return o.opened(a, p)
	case LookOver:
		return o.lookedOver(p)
	case CleanFaces:
		p.Dirty = false
	case PutIn:
		return o.putIn(p)
	case Fix:
		p.Fixed = true
		return when(!p.In, "fixed with no pane in it")
	case LetGo:
		return when(o.Now.Before(p.Green), "let go while it is green")
	case LoadLight:
		return when(o.Now.Before(p.Green), "loaded while it is green")
	case LoadGently, Wet, Run:
		return o.moved(a, p)
	default:
		return o.closed(a)
	}
	return ""
}

func when(harm bool, says string) string {
	if harm {
		return says
	}
	return ""
}

// opened is work at an object that somebody opens or touches.
func (o *Object) opened(a Act, p *Pane) string {
	switch {
	case o.Live:
		return string(a) + " while it is live"
	case o.Hot:
		return string(a) + " while it is hot"
	case o.Pressed:
		return string(a) + " under pressure"
	}
	o.Shut = false
	switch a {
	case TakeOut:
		p.OldIn = false
	case Clear:
		p.Pieces = false
		return when(p.OldIn, "cleared with the old pane in it")
	case Ready:
		p.Bare = false
		return when(p.OldIn, "its seat made ready under the old pane")
	case TryIn:
		return when(p.New && !p.Here, "tried in, and it is not here")
	}
	return ""
}

func (o *Object) lookedOver(p *Pane) string {
	p.Seen = true
	return when(!p.Here, "looked over, and it is not here")
}

// putIn puts a pane in its seat.
func (o *Object) putIn(p *Pane) string {
	p.In = true
	behind := slices.ContainsFunc(o.Panes, func(q Pane) bool { return q.Depth > p.Depth && !q.In })
	switch {
	case o.Shared && behind:
		return "put in before the one behind it"
	case p.New && (!p.Here || !p.Seen):
		return "put in, and it is not here or nobody looked it over"
	case o.Live || o.Hot || o.Pressed:
		return "put in while it is live, hot or under pressure"
	case o.off(Under) != "":
		return "put in without the " + o.off(Under)
	}
	return p.seat()
}

// seat is what is wrong with the seat of a pane that is put in.
func (p *Pane) seat() string {
	switch {
	case p.OldIn:
		return "put in over the old one"
	case p.Pieces:
		return "put in among the pieces"
	case p.Bare:
		return "put in on a seat that is not ready"
	case p.Dirty:
		return "shut in dirty"
	}
	return ""
}

// off is the first thing that lies so, or in any way for none, and is not back.
func (o *Object) off(lies Lies) string {
	for _, t := range o.Things {
		if !t.In && (lies == "" || t.Lies == lies) {
			return t.Name
		}
	}
	return ""
}

// moved is what loads a pane and what it lies on.
func (o *Object) moved(a Act, p *Pane) string {
	switch {
	case !p.In || !p.Fixed:
		return string(a) + " with nothing in it that holds"
	case o.Now.Before(p.Young):
		return string(a) + " on a young bond"
	}
	return ""
}

// closed is what is done to the whole object.
func (o *Object) closed(a Act) string {
	for i, p := range o.Panes {
		switch {
		case p.OldIn && a == Sign: // a pane that stayed was never taken out
		case !p.In || !p.Fixed:
			return fmt.Sprintf("%s with pane %d not in it and fixed", a, i+1)
		case o.Now.Before(p.Green):
			return fmt.Sprintf("%s over pane %d while it is green", a, i+1)
		case a != Shut && a != Sign && o.Now.Before(p.Young): // whoever signs says when it may be used
			return fmt.Sprintf("%s over pane %d on a young bond", a, i+1)
		}
	}
	return o.used(a)
}

// used is what is done to an object whose panes are in and hold.
func (o *Object) used(a Act) string {
	switch {
	case a == Shut:
		o.Shut = true
		return ""
	case o.off("") != "":
		return string(a) + " with the " + o.off("") + " off"
	}
	switch a {
	case Heat, Pressurise:
		o.Live, o.Hot, o.Pressed = true, a == Heat, a == Pressurise
		return when(o.Closes && !o.Shut, string(a)+" while it is open")
	}
	return ""
}

// PutBack puts a thing back that came off.
func (o *Object) PutBack(thing int) string {
	t := &o.Things[thing]
	t.In = true
	for _, p := range o.Panes {
		switch {
		case t.Lies == Under && p.In && !p.OldIn:
			return t.Name + " laid under a pane that is in"
		case t.Lies == Under && p.OldIn:
			return t.Name + " laid under the old pane"
		case t.Lies != Under && (!p.In || !p.Fixed):
			return t.Name + " put before a seat with nothing in it that holds"
		case t.Lies == Over && o.Now.Before(p.Green):
			return t.Name + " put on it while it is green"
		}
	}
	return when(t.Lies == Under && (o.Live || o.Hot || o.Pressed), t.Name+" laid while it is live or hot")
}

// GoesBack takes a new pane away that was the wrong one.
func (o *Object) GoesBack(pane int) {
	p := &o.Panes[pane]
	p.Here, p.In, p.Fixed = false, false, false
}
