// Package striplog keeps what came off an object, in which order it goes back,
// which fasteners are easily mixed up, what does not count out, and what has to
// be bought. The rules are common practice, no source.
package striplog

import (
	"fmt"
	"strings"
	"unicode/utf8"

	"freshshard/core/fault"
)

// Kind is what sort of thing came off.
type Kind string

// The kinds.
const (
	Part      Kind = "part"
	Trim      Kind = "trim"
	Seal      Kind = "seal"
	Fasteners Kind = "fasteners"
	Wire      Kind = "wire"
	Shield    Kind = "shield"
	Pane      Kind = "pane"
)

// Fate is what becomes of it.
type Fate string

// The fates.
const (
	Back       Fate = "back"
	Renew      Fate = "renew"
	Repair     Fate = "repair"
	Lost       Fate = "lost"
	Substitute Fate = "substitute"
	Off        Fate = "off" // foreign: it stays off, and nothing waits for it
)

// Thread is the kind of thread of a fastener.
type Thread string

// The threads; none for what has no thread.
const (
	NoThread    Thread = ""
	Machine     Thread = "machine"
	SelfTapping Thread = "self-tapping"
	Wood        Thread = "wood"
)

// Held is how it was held.
type Held struct {
	How     string  `json:"how" enum:"screw,bolt,nut,tab,clip,rivet,brad,adhesive,friction,gravity,lip"`
	Drive   string  `json:"drive,omitempty" maxLength:"20" doc:"PH2, T20, slot, hex 5"`
	Size    string  `json:"size,omitempty" maxLength:"20" doc:"M4, 4.2, No. 8"`
	Thread  Thread  `json:"thread,omitempty" enum:",machine,self-tapping,wood"`
	Length  float64 `json:"length,omitempty" minimum:"0" maximum:"500" doc:"Under the head, mm; 0 unknown"`
	Head    string  `json:"head,omitempty" maxLength:"40"`
	Washers bool    `json:"washers,omitempty"`
	ToGlass float64 `json:"to_glass,omitempty" minimum:"0" maximum:"500" doc:"Depth to the glass, mm; 0 where none is"`
	Bends   int     `json:"bends,omitempty" minimum:"0" maximum:"20" doc:"How often a tab was bent, this time included"`
}

// Spot is a place on the object's sketch, 0 to 1 from the left and from the top.
type Spot struct {
	X float64 `json:"x" minimum:"0" maximum:"1"`
	Y float64 `json:"y" minimum:"0" maximum:"1"`
}

// Entry is one thing that came off, or was loosened, in the order of removal.
type Entry struct {
	ID       string   `json:"id" maxLength:"40"`
	Kind     Kind     `json:"kind" enum:"part,trim,seal,fasteners,wire,shield,pane"`
	What     string   `json:"what" maxLength:"120"`
	Where    string   `json:"where,omitempty" maxLength:"120"`
	Spot     *Spot    `json:"spot,omitempty"`
	Held     Held     `json:"held"`
	Count    int      `json:"count" minimum:"1" maximum:"200" doc:"How many came off"`
	Loosen   bool     `json:"loosen,omitempty" doc:"Only loosened and slid aside, never taken out"`
	Captures []string `json:"captures,omitempty" maxItems:"40" doc:"Ids of what it holds down or hides"`
	Stands   Stands   `json:"stands,omitempty" enum:",under,round,over" doc:"As to the pane; else by how it came off"`
	First    []string `json:"first,omitempty" maxItems:"40" doc:"Ids of what is back before it, beside what it holds down"`
	Facing   string   `json:"facing,omitempty" maxLength:"200" doc:"Up, in, print reads from, open side, gap at"`
	Fate     Fate     `json:"fate" enum:"back,renew,repair,lost,substitute,off" doc:"off: it is foreign and stays off"`
	By       string   `json:"by,omitempty" maxLength:"120" doc:"What a substitute is: a bolt, its size, bush, washers"`
	Renewed  int      `json:"renewed,omitempty" minimum:"0" maximum:"200" doc:"Of the count, replaced by new ones"`
	Missing  int      `json:"missing,omitempty" minimum:"0" maximum:"200" doc:"Of the count, recorded as lost"`
	Seized   bool     `json:"seized,omitempty" doc:"It was seized: it came with force, oil or a drill"`
	Bag      string   `json:"bag,omitempty" maxLength:"20"`
	In       int      `json:"in" minimum:"0" maximum:"400" doc:"How many are back in"`
}

// name is the entry as a sentence names it.
func (e Entry) name() string {
	if e.Count > 1 {
		return fmt.Sprintf("%d × %s", e.Count, e.What)
	}
	return e.What
}

// fastener says whether it is held by something that is driven.
func (e Entry) fastener() bool {
	switch e.Held.How {
	case "screw", "bolt", "nut":
		return true
	}
	return false
}

// Wanted is how many have to be back in: those recorded as lost are not, nor what
// is foreign and stays off; the renewed ones are.
func (e Entry) Wanted() int {
	if e.Fate == Off {
		return 0
	}
	return e.Count - e.Missing
}

// IsBack says whether an entry is fully back, was never out, or stays off.
func (e Entry) IsBack() bool {
	return e.Fate == Off && e.In == 0 || e.Loosen && e.In > 0 || !e.Loosen && e.In >= e.Wanted()
}

// Log is the entries in the order in which they came off.
type Log []Entry

func (l Log) find(id string) (Entry, bool) {
	for _, e := range l {
		if e.ID == id {
			return e, true
		}
	}
	return Entry{}, false
}

// Check refuses a log that cannot be: an entry without a name, one that
// captures itself, what is not there, or what came off after it, and a loop.
func (l Log) Check() error {
	seen := map[string]bool{}
	for i, e := range l {
		at := func(field string) string { return fmt.Sprintf("entries[%d].%s", i, field) }
		switch {
		case e.ID == "" || seen[e.ID]:
			return fault.New(at("id"), "an entry needs an id of its own", "give each its own")
		case strings.TrimSpace(e.What) == "" || utf8.RuneCountInString(e.What) > 120:
			return fault.New(at("what"), "say what came off, shortly", "a word or two are enough")
		case e.Count < 1 || e.Count > 200:
			return fault.New(at("count"), "between 1 and 200 came off", "count them again")
		case e.Renewed < 0 || e.Missing < 0 || e.Renewed+e.Missing > e.Count:
			return fault.New(at("renewed"), "renewed and lost together are more than came off", "count them again")
		case e.In < 0 || e.In > 400:
			return fault.New(at("in"), "a count from 0 up is expected", "count them again")
		}
		seen[e.ID] = true
		for _, c := range e.Captures {
			if c == e.ID {
				return fault.New(at("captures"), e.What+" cannot hold itself down", "choose what lies under it")
			}
			if _, ok := l.find(c); !ok {
				return fault.New(at("captures"), "what it holds down is not in the log", "choose one that is")
			}
		}
		for _, f := range e.First {
			if f == e.ID {
				return fault.New(at("first"), e.What+" cannot go back before itself", "choose what goes before it")
			}
			if _, ok := l.find(f); !ok {
				return fault.New(at("first"), "what goes before it is not in the log", "choose one that is")
			}
		}
		switch e.Stands {
		case "", Under, Round, Over:
		default:
			return fault.New(at("stands"), fmt.Sprintf("%q is no way to stand to a pane", e.Stands), "under, round or over it")
		}
	}
	return l.loop()
}

// loop finds parts that wait for each other in a ring.
func (l Log) loop() error {
	state := map[string]int{} // 1 on the way, 2 done
	var walk func(e Entry, path []string) error
	walk = func(e Entry, path []string) error {
		path = append(path, e.What)
		if state[e.ID] == 1 {
			return fault.New("captures", "these wait for each other in a ring: "+strings.Join(path, ", "),
				"one of them does not hold the next down, or goes back before it")
		}
		if state[e.ID] == 2 {
			return nil
		}
		state[e.ID] = 1
		for _, before := range l.before(e) {
			under, _ := l.find(before)
			if err := walk(under, path); err != nil {
				return err
			}
		}
		state[e.ID] = 2
		return nil
	}
	for _, e := range l {
		if err := walk(e, nil); err != nil {
			return err
		}
	}
	return nil
}
