// Package letter writes what whoever opens an object next has to know: what is not as
// its maker left it, what stands in place of what, which tabs are near their end, which
// screws are odd or seized, how to get in, and when it is due. Long as a page, short as
// a palm-sized label for the inside of the door. Common practice, no source.
package letter

import (
	"fmt"
	"strings"
	"time"

	"freshshard/core/due"
	"freshshard/core/striplog"
)

// Pane is what was done with one pane.
type Pane struct {
	Name    string   // empty where there is one
	Way     string   // how it is held
	Was     string   // material of the old one, as far as known
	Is      string   // what is in now: "5 mm glass-ceramic"; empty where the old one stays
	Size    string   // "418.0 × 302.0 mm"; empty where none was made
	Instead bool     // something other than glass is in
	Done    string   // what was done where no new pane was made: "stuck again"
	Why     string   // why the old one broke
	Changed []string // what was changed so that it does not break again
	Beyond  []string // limits that are passed and were taken on
	Laid    []Laid   // what was glued and sealed
}

// Laid is an adhesive or a sealant in its joint.
type Laid struct {
	What string
	Lot  string
	Full time.Time // zero while nobody knows
}

// Facts are what a letter is made from.
type Facts struct {
	Panes []Pane
	Strip striplog.Log
	Stays []string // put in and left in for good
	Out   time.Time
	Due   []due.Due
}

// Letter is what it says. Empty parts are left out.
type Letter struct {
	Differs []string `json:"differs" doc:"What is not as it was"`
	Places  []string `json:"places" doc:"What stands in place of what"`
	Tabs    []string `json:"tabs" doc:"Tabs with how often they were bent"`
	Odd     []string `json:"odd" doc:"What looks alike and is not, what was seized, what is lost"`
	WayIn   []string `json:"way_in" doc:"How to get in, in order"`
	Due     []string `json:"due" doc:"When it is due, and for what"`
	Palm    []string `json:"palm" doc:"The same on a label the size of a palm: what must not be missed"`
}

// Of writes a letter.
func Of(f Facts) Letter {
	l := Letter{Differs: []string{}, Places: f.Strip.Replaced(), Tabs: f.Strip.Bent(), Odd: f.Strip.Odd(),
		WayIn: f.Strip.WayIn(), Due: []string{}}
	for _, p := range f.Panes {
		l.Differs = append(l.Differs, p.differs()...)
	}
	for _, s := range f.Stays {
		l.Differs = append(l.Differs, "Left in for good: "+s)
	}
	for _, d := range f.Due {
		l.Due = append(l.Due, fmt.Sprintf("%s: %s", d.On.Format("January 2006"), d.What))
	}
	l.Palm = l.palm(f)
	return l
}

// differs are what is not as it was at one pane.
func (p Pane) differs() []string {
	at := ""
	if p.Name != "" {
		at = p.Name + ": "
	}
	var out []string
	say := func(s string) { out = append(out, first(at+s)) }
	switch {
	case p.Is == "" && p.Done != "":
		say("the pane stayed: " + p.Done)
	case p.Instead:
		say(p.Is + " in place of the glass")
	case p.Is != "" && p.Was != "" && !strings.HasSuffix(p.Is, p.Was):
		say(fmt.Sprintf("%s in place of %s", p.Is, p.Was))
	case p.Is != "":
		say(p.Is + ", new")
	}
	if p.Size != "" && len(out) > 0 {
		out[len(out)-1] += ", " + p.Size
	}
	for _, a := range p.Laid {
		s := a.What
		if a.Lot != "" {
			s += ", batch " + a.Lot
		}
		if !a.Full.IsZero() {
			s += ", full " + a.Full.Format("2 January 2006, 15:04")
		}
		say(s)
	}
	if p.Why != "" {
		say("why the last one broke: " + p.Why)
	}
	for _, c := range p.Changed {
		say("changed: " + c)
	}
	for _, b := range p.Beyond {
		say("beyond a limit, risk accepted: " + b)
	}
	return out
}

// Lines of a palm-sized label.
const (
	palmLines = 6
	palmWide  = 60 // letters
)

// palm picks what a label has room for, in the order of what it costs to miss: what would
// be broken, what would go wrong, what is in, when it is due.
func (l Letter) palm(f Facts) []string {
	out := []string{}
	add := func(list []string, most int) {
		for _, s := range list[:min(len(list), most)] {
			if len(out) < palmLines {
				out = append(out, short(s, palmWide))
			}
		}
	}
	for _, p := range f.Panes {
		if d := p.differs(); len(d) > 0 {
			add(d[:1], 1)
		}
	}
	out = out[:min(len(out), 2)]
	add(l.Odd, 2)
	add(l.Tabs, 1)
	add(l.Places, 1)
	if len(f.Due) > 0 {
		add(l.Due, 2)
	}
	return out
}

func first(s string) string { return strings.ToUpper(s[:1]) + s[1:] }

// short cuts a line at a word.
func short(s string, most int) string {
	r := []rune(s)
	if len(r) <= most {
		return s
	}
	cut := string(r[:most-1])
	if i := strings.LastIndex(cut, " "); i > most/2 {
		cut = cut[:i]
	}
	return strings.TrimRight(cut, " ,;:") + "…"
}
