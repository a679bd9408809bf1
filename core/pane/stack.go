package pane

import (
	"fmt"
	"math"
	"strings"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/heat"
	"freshshard/core/working"
)

// Coated is one pane of a pack by its material. Coat says which face of a
// coated material looks where.
type Coated struct {
	Material  string  `json:"material"`
	Thickness float64 `json:"thickness" minimum:"0.5" maximum:"60" doc:"mm"`
	Coat      string  `json:"coat" enum:"none,hot,cold" doc:"The side that the coat looks to"`
}

// Stack is a pack as its panes came out, from the hot side to the room, with
// the gap between each two. Here is the number of the pane on the table, from
// 1; 0 while nobody said.
type Stack struct {
	Panes  []Coated   `json:"panes,omitempty" maxItems:"4"`
	Gaps   []float64  `json:"gaps,omitempty" maxItems:"3" doc:"mm"`
	Slope  heat.Slope `json:"slope,omitempty" enum:",upright,leaning,lying"`
	Gas    heat.Gas   `json:"gas,omitempty" enum:",air,argon" doc:"In its gaps; nothing said is air"`
	Here   int        `json:"here,omitempty" minimum:"0" maximum:"4"`
	First  int        `json:"first,omitempty" minimum:"0" maximum:"4" doc:"First pane in this frame; 0: the first of all"`
	Last   int        `json:"last,omitempty" minimum:"0" maximum:"4" doc:"Last pane in this frame; 0: the last of all"`
	Cavity float64    `json:"cavity,omitempty" doc:"Behind its hot side, °C; 0: the hot side of what the object sees"`
}

// bareFace is the emissivity of glass without a coat. EN 673, from memory.
const bareFace = 0.837

// Frame is the frame's own list: those of the panes that stand in it together,
// with the gaps between them. Heat goes through all of them; a frame that is a
// part of a larger door holds only some. At is the first of them, from 0.
func (st Stack) Frame() (panes []Coated, gaps []float64, at int) {
	n := len(st.Panes)
	if n == 0 {
		return nil, nil, 0
	}
	at = max(st.First, 1) - 1
	last := st.Last
	if last == 0 {
		last = n
	}
	return st.Panes[at:last], st.Gaps[at : last-1], at
}

// Depth is what the frame's own panes and gaps take of it, mm.
func (st Stack) Depth() float64 {
	var d float64
	panes, gaps, _ := st.Frame()
	for _, p := range panes {
		d += p.Thickness
	}
	for _, g := range gaps {
		d += g
	}
	return d
}

// In is the stack as one of its panes sees it, from 1: a pane that the frame of
// the others does not hold stands in one of its own.
func (st Stack) In(here int) Stack {
	st.Here = here
	if st.outside(here) {
		st.First, st.Last = here, here
	}
	return st
}

func (st Stack) outside(n int) bool { return n < st.First || st.Last > 0 && n > st.Last }

// Pack is the stack as heat sees it, between a cavity and a room, °C, with the
// usual heat transfer on both sides.
func (st Stack) Pack(vs catalogue.Values, cavity, room float64) (heat.Pack, error) {
	p := heat.Pack{Cavity: cavity, Room: room, Inside: heat.UsualInside, Outside: heat.UsualOutside, Slope: st.Slope,
		Gaps: st.Gaps, Gas: st.Gas}
	if p.Slope == "" {
		p.Slope = heat.Upright
	}
	for i, q := range st.Panes {
		m, err := Book.With(vs, q.Material)
		if err != nil {
			return p, fault.New(fmt.Sprintf("panes[%d].material", i), "no material is called "+q.Material,
				"choose one of the list")
		}
		h := heat.Pane{Name: m.Short, T: q.Thickness, Lambda: m.Lambda.V, Hot: m.Emissivity.V, Cold: m.Emissivity.V,
			Limit: m.Steady.V}
		if m.Emissivity.V < 0.5 { // a coat has one face
			h.Hot, h.Cold = bareFace, bareFace
			switch q.Coat {
			case "hot":
				h.Hot = m.Emissivity.V
			case "cold":
				h.Cold = m.Emissivity.V
			}
		}
		p.Panes = append(p.Panes, h)
	}
	return p, nil
}

var coatSaid = map[string]string{"hot": ", coat to the heat", "cold": ", coat to the room"}

// Says is the stack in words, from the hot side; empty when nobody noted one.
func (st Stack) Says(vs catalogue.Values) string {
	var words []string
	for i, p := range st.Panes {
		m, err := Book.With(vs, p.Material)
		if err != nil {
			continue
		}
		w := fmt.Sprintf("%s mm %s%s", working.Num(p.Thickness, 1), m.Short, coatSaid[p.Coat])
		if i+1 == st.Here {
			w += " (this one)"
		}
		if i < len(st.Gaps) {
			w += fmt.Sprintf(", gap %s", working.Num(st.Gaps[i], 1))
			if st.Gas == heat.Argon {
				w += " of argon"
			}
		}
		words = append(words, w)
	}
	s := strings.Join(words, "; ")
	if panes, _, at := st.Frame(); len(panes) < len(st.Panes) {
		s += fmt.Sprintf("; in this frame number %d", at+1)
		if len(panes) > 1 {
			s += fmt.Sprintf(" to %d", at+len(panes))
		}
	}
	return s
}

// with is the stack with another material in the place of the pane on the
// table, its coat as it was noted, or to the room where none was.
func (st Stack) with(m Material, thickness float64) Stack {
	st.Panes = append([]Coated(nil), st.Panes...)
	p := &st.Panes[st.Here-1]
	p.Material, p.Thickness = m.ID, thickness
	if p.Coat == "none" {
		p.Coat = "cold"
	}
	return st
}

// touchNone is how far above a long touch's burn the outside is worth no point,
// K. Judgement, no source.
const touchNone = 60.0

// touch judges how cool the outside of the pack is with this material in it.
func (m ranking) touch(n Need, thickness float64) Score {
	if n.Stack.Here == 0 {
		return Score{10, "it stands in no pack, as far as anybody said"}
	}
	p, err := n.Stack.with(m.Material, thickness).Pack(n.Own, n.Stack.Cavity, n.Room)
	if err != nil {
		return Score{5, "the pack is not known"}
	}
	r, err := heat.Solve(p)
	if err != nil {
		return Score{5, "the pack is not known"}
	}
	return Score{math.Max(0, math.Min(10, 10*(1-(r.Touch-heat.LongTouch)/touchNone))),
		fmt.Sprintf("with it the outside gets %.0f °C warm", r.Touch)}
}

// Check refuses a stack that cannot be; an empty one is nobody's word yet.
func (st Stack) Check() error {
	if len(st.Panes) == 0 {
		return nil
	}
	if st.Here < 0 || st.Here > len(st.Panes) {
		return fault.New("stack.here", fmt.Sprintf("the pack has %d panes", len(st.Panes)),
			"say which of them is on the table")
	}
	if n := len(st.Panes); st.First < 0 || st.Last < 0 || st.First > n || st.Last > n || st.Last > 0 &&
		st.First > st.Last {
		return fault.New("stack.first", fmt.Sprintf("the pack has %d panes, from the heat outwards", n),
			"say from which to which of them stand in this frame")
	}
	if st.Here > 0 && st.outside(st.Here) {
		return fault.New("stack.first", fmt.Sprintf("pane %d is on the table, and is not among those of this frame", st.Here),
			"take it in, or say that another pane is on the table")
	}
	if math.IsNaN(st.Cavity) || st.Cavity < 0 {
		return fault.New("stack.cavity", "a temperature from 0 °C up is expected",
			"leave it at 0 to take what the object sees")
	}
	p, err := st.Pack(nil, max(st.Cavity, 100), 20)
	if err == nil {
		err = p.Check()
	}
	if f := fault.Of(err); f != nil {
		return fault.New("stack."+f.Field, f.Why, f.Cure)
	}
	return err
}
