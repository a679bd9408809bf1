package striplog

import (
	"fmt"

	"freshshard/core/fault"
)

// Line is one line of the rebuild.
type Line struct {
	Number  int      `json:"number"`
	ID      string   `json:"id"`
	Say     string   `json:"say" doc:"What to do"`
	With    string   `json:"with,omitempty" doc:"The fastener to use"`
	Facing  string   `json:"facing,omitempty"`
	Bag     string   `json:"bag,omitempty"`
	Slide   bool     `json:"slide,omitempty" doc:"Slid back and snugged; nothing goes in"`
	In      int      `json:"in"`
	Of      int      `json:"of"`
	Done    bool     `json:"done"`
	Ready   bool     `json:"ready" doc:"Everything that has to be there first is back"`
	Waits   string   `json:"waits,omitempty" doc:"What it waits for, in words"`
	Stands  Stands   `json:"stands,omitempty" enum:",under,round,over"`
	Suggest Stands   `json:"suggest,omitempty" enum:",under,round,over" doc:"How it usually stands, while nobody said"`
	Before  []string `json:"before" doc:"Ids of all that has to be back before it"`
	Warning []string `json:"warnings" doc:"What is easily mixed up here"`
}

// OrderBack is the order in which things go back: the reverse of how they came
// off, except that nothing goes on before what has to be there first: what it
// holds down, what somebody said, what stands under or round the pane. Where two
// are free of each other the later removal goes back first.
func (l Log) OrderBack() []Line {
	warn := l.MixUps()
	placed := map[string]bool{}
	lines := make([]Line, 0, len(l))
	for len(lines) < len(l) {
		next := -1
		for i := len(l) - 1; i >= 0 && next < 0; i-- {
			if !placed[l[i].ID] && l.free(l[i], placed) {
				next = i
			}
		}
		if next < 0 {
			break // a loop, which Check refuses
		}
		e := l[next]
		placed[e.ID] = true
		lines = append(lines, l.line(e, len(lines)+1, warn[e.ID]))
	}
	return lines
}

func (l Log) free(e Entry, placed map[string]bool) bool {
	for _, before := range l.before(e) {
		if !placed[before] {
			return false
		}
	}
	return true
}

func (l Log) line(e Entry, number int, warnings []string) Line {
	n := Line{Number: number, ID: e.ID, Facing: e.Facing, Bag: e.Bag, In: e.In, Of: e.wanted(), Done: e.IsBack(),
		Ready: true, Warning: warnings}
	if warnings == nil {
		n.Warning = []string{}
	}
	n.Stands, n.Suggest = e.Stands, e.Suggest()
	n.Before = append([]string{}, l.before(e)...)
	if w := l.waits(e); w != nil {
		n.Ready, n.Waits = false, w.Why
	}
	n.With = e.with()
	switch {
	case e.Loosen && e.Fate != Off:
		n.Slide, n.Of = true, 1
		n.Say = "Slide back and snug: " + e.What
	case e.Fate == Renew:
		n.Say = "Put in new: " + e.name()
	case e.Fate == Off:
		n.Say = "Stays off: " + e.name()
	case e.Fate == Substitute && e.By != "":
		n.Say = fmt.Sprintf("Put in for %s: %s", e.name(), e.By)
	case e.Fate == Lost, e.Fate == Substitute:
		n.Say = "Put in a substitute: " + e.name()
	default:
		n.Say = "Put back: " + e.name()
	}
	if e.Where != "" {
		n.Say += ", " + e.Where
	}
	return n
}

// with names the fastener and how tight.
func (e Entry) with() string {
	h := e.Held
	switch h.How {
	case "screw", "bolt", "nut":
		s := h.How
		for _, w := range []string{h.Drive, h.Size, string(h.Thread)} {
			if w != "" {
				s += ", " + w
			}
		}
		if h.Length > 0 {
			s += fmt.Sprintf(", %g mm", h.Length)
		}
		if h.Washers {
			s += ", with its washers"
		}
		return s + "; all started by hand, then snug"
	case "tab":
		return fmt.Sprintf("tab, bent once: bend %d", h.Bends+1)
	case "adhesive":
		return "adhesive, by its sheet"
	case "rivet":
		return "new rivet, or a bolt in a bush"
	case "clip", "brad", "friction", "gravity", "lip":
		return h.How
	}
	return ""
}

// PutBack says whether so many of an entry may be recorded as back, and gives
// the log with them. Nothing goes on before what it holds down.
func (l Log) PutBack(id string, in int) (Log, error) {
	e, ok := l.find(id)
	if !ok {
		return l, fault.New("id", "this is not in the log", "choose one that is")
	}
	if in < 0 || in > 400 {
		return l, fault.New("in", "a count from 0 up is expected", "count them again")
	}
	if in > e.In {
		if w := l.waits(e); w != nil {
			return l, w
		}
	}
	out := append(Log(nil), l...)
	for i := range out {
		if out[i].ID == id {
			out[i].In = in
		}
	}
	// Taking one off again uncovers nothing that was put on top of it.
	if in < e.In {
		for _, over := range out {
			for _, c := range over.Captures {
				if c == id && over.In > 0 && !out.back(id) {
					return l, fault.New("in", fmt.Sprintf("%s lies on it and is back", over.What), "take that off first")
				}
			}
		}
	}
	return out, nil
}

func (l Log) back(id string) bool {
	e, _ := l.find(id)
	return e.IsBack()
}

// Remove refuses a removal that is recorded after what holds it down is back.
func (l Log) Remove(e Entry) (Log, error) {
	out := append(append(Log(nil), l...), e)
	if err := out.Check(); err != nil {
		return l, err
	}
	return out, nil
}

// Covered refuses a change to an entry while something that holds it down is
// already back.
func (l Log) Covered(id string) error {
	for _, over := range l {
		for _, c := range over.Captures {
			if c == id && over.In > 0 {
				return fault.New("captures", fmt.Sprintf("%s holds it down and is back already", over.What),
					"take that off again first")
			}
		}
	}
	return nil
}
