package reckon

import (
	"fmt"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/heat"
	"freshshard/core/pane"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Packed is the pack that the pane stands in, solved.
type Packed struct {
	Panes  []heat.Pane        `json:"panes"`
	Gaps   []float64          `json:"gaps"`
	Result heat.Result        `json:"result"`
	Orders []heat.Arrangement `json:"orders" doc:"The coolest outside first; at most twelve, the built one among them"`
	Says   string             `json:"says"`
	Here   int                `json:"here" doc:"Which of them is on the table, from 1; 0 while nobody said"`
}

// packed solves the pack that the pane stands in. Where somebody said which of
// them it is, everything else is then reckoned with the heat at that place.
func (h Held) packed() (Held, error) {
	st, k := h.built, &h.k
	if err := st.Check(); err != nil || len(st.Panes) == 0 {
		return h, err
	}
	k.Exposure = h.object
	cavity, from := st.Cavity, value.Read("")
	if cavity == 0 {
		cavity, from = k.Exposure.Steady, k.Exposure.From("steady")
	}
	st.Panes = append([]pane.Coated(nil), st.Panes...)
	if st.Here > 0 {
		st.Panes[st.Here-1].Material, st.Panes[st.Here-1].Thickness = h.Material.ID, h.Thickness
	}
	st.Cavity = cavity
	k.Stack = st
	p, err := st.Pack(k.Own, cavity, k.Exposure.Room)
	if err != nil {
		return h, err
	}
	out := Packed{Panes: p.Panes, Gaps: p.Gaps, Here: st.Here}
	if out.Result, err = heat.Solve(p); err != nil {
		return h, inStack(err)
	}
	all, err := heat.Orders(p)
	if err != nil {
		return h, inStack(err)
	}
	out.Orders, out.Says = heat.Few(all), heat.Says(all)
	h.Pack, h.packFigures = &out, p.Figures(out.Result, from, k.Exposure.From("room"))
	if st.Here > 0 {
		hot := max(out.Result.Faces[st.Here-1].Hot, out.Result.Faces[st.Here-1].Cold)
		h.packFigures = append(h.packFigures, here(st.Here, hot, cavity, from))
		k.Exposure = k.Exposure.Behind(hot)
	}
	return h, nil
}

// here says what heat the pane on the table is chosen for.
func here(n int, hot, cavity float64, from value.Origin) working.Figure {
	return working.Figure{Key: "pack_here", Value: hot, Unit: "°C", Verdict: working.Note,
		Sentence: fmt.Sprintf("is what pane %d of the pack gets: it is chosen and sized for that", n),
		Working: working.Of("{T}", hot, "°C",
			working.In("T", fmt.Sprintf("hotter face of pane %d, by the pack's own sum", n), hot, "°C", value.Sum()),
			working.In("c", "behind the pack", cavity, "°C", from)).
			With("Peak and sudden change come through in the same share as the steady heat.")}
}

func inStack(err error) error {
	if f := fault.Of(err); f != nil {
		return fault.New("stack."+f.Field, f.Why, f.Cure)
	}
	return err
}

// stack is the frame's own part of the pack, as the section draws it.
func (h Held) stack() drawing.Stack {
	if h.Pack == nil {
		return drawing.Stack{}
	}
	panes, gaps, at := h.k.Stack.Frame()
	k := drawing.Stack{Gaps: gaps, Here: max(0, h.Pack.Here-at)}
	for i := range panes {
		k.Panes = append(k.Panes, h.Pack.Panes[at+i].T)
	}
	return k
}
