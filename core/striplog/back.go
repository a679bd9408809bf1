package striplog

import (
	"fmt"
	"slices"

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
	Stands  Stands   `json:"stands,omitempty" enum:",under,round,over" doc:"As somebody said, else by its name"`
	Step    string   `json:"step,omitempty" doc:"The step that puts it back; nothing more is asked of it"`
	Before  []string `json:"before" doc:"Ids of all that has to be back before it"`
	Warning []string `json:"warnings" doc:"What is easily mixed up here"`
}

// OrderBack is the order in which things go back: first what lies under the pane,
// then the pane with what is round it, then the rest, each in reverse of how they
// came off; except that nothing goes on before what has to be there first: what it
// holds down, and what somebody said.
func (l Log) OrderBack() []Line {
	warn := l.MixUps()
	placed, ranks, before := map[string]bool{}, make([]int, len(l)), make([][]string, len(l))
	places := l.Places()
	for i, e := range l {
		ranks[i], before[i] = slices.Index([]Place{Before, With, After}, places[e.ID]), l.before(e)
	}
	free := func(i int) bool {
		return !slices.ContainsFunc(before[i], func(id string) bool { return !placed[id] })
	}
	lines := make([]Line, 0, len(l))
	for len(lines) < len(l) {
		next := -1
		for i := len(l) - 1; i >= 0; i-- {
			if (next < 0 || ranks[i] < ranks[next]) && !placed[l[i].ID] && free(i) {
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

func (l Log) line(e Entry, number int, warnings []string) Line {
	n := Line{Number: number, ID: e.ID, Facing: e.Facing, Bag: e.Bag, In: e.In, Of: e.Wanted(), Done: e.IsBack(),
		Ready: true, Warning: warnings}
	if warnings == nil {
		n.Warning = []string{}
	}
	if e.Kind != Pane {
		n.Stands = l.Lies(e)
	}
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
