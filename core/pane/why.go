package pane

import (
	"fmt"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/strength"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Why are the numbers behind one bar: what a material stands of one thing that the place
// asks, with its limit and where each value comes from. Fields: aspect, material.
func (c Choice) Why(aspect, material string) ([]working.Figure, error) {
	m, err := Book.With(c.need.Own, material)
	if err != nil {
		return nil, fault.New("material", err.Error(), "choose one that is compared")
	}
	n := c.need
	n.Load.known = newPlates()
	e, t := n.Exposure, ranking{m}.thickness(n)
	from := func(o value.From) value.Origin { return o.Of(m.Short) }
	switch aspect {
	case "steady":
		return stood("steady", "in steady use", m.Steady.V, from(m.Steady.Origin), e.Steady, e.From("steady"), "°C"), nil
	case "minutes":
		if m.Peak == nil {
			f := stood("minutes", "in steady use; for minutes is not on file", m.Steady.V, from(m.Steady.Origin), e.Short,
				e.From("short"), "°C")
			return f, nil
		}
		return stood("minutes", "for minutes", m.Peak.V, from(m.Peak.Origin), e.Short, e.From("short"), "°C"), nil
	case "sudden":
		if m.Sudden == nil {
			return []working.Figure{{Key: "stands_sudden", Text: "not on file", Verdict: working.Warn,
				Sentence: "what sudden change it stands; look it up on its sheet, and put it into the Book",
				Working:  working.Of("nothing to reckon with", 0, "")}}, nil
		}
		return stood("sudden", "of a sudden change", m.Sudden.V, from(m.Sudden.Origin), e.Sudden, e.From("sudden"), "K"), nil
	case "load":
		return append([]working.Figure{ranking{m}.timesFigure(n)}, m.LoadFigures(n.Load, t)...), nil
	case "seat":
		f, ok := bending{m}.seatFigure(n.Load, t)
		if !ok {
			return []working.Figure{{Key: "stands_seat", Text: "flat", Verdict: working.Good,
				Sentence: "the seat is, as far as anybody read", Working: working.Of("{w}", n.Load.Warp, "mm",
					working.In("w", "seat out of flat", n.Load.Warp, "mm", value.Read("")))}}, nil
		}
		may, by := m.allowable(strength.Permanent)
		return []working.Figure{times("seat", "its seat", f.Value, may, by), f}, nil
	case "safety":
		v, text := 0.0, "no"
		if m.Safety {
			v, text = 1, "yes"
		}
		f := working.Figure{Key: "stands_safety", Value: v, Text: text, Sentence: "it breaks safely or not at all",
			Limit: working.Least(1, "", value.Custom()), Working: working.Of("{s}", v, "", working.In("s",
				"glazing that breaks safely, 1 is yes", v, "", value.Custom()))}
		return []working.Figure{f.Judge(working.Stop)}, nil
	case "cost":
		s := m.Scores["cost"]
		return []working.Figure{{Key: "stands_cost", Value: s.Points, Text: working.Num(s.Points, 1) + " of 10",
			Verdict: working.Note, Sentence: s.Reason, Working: working.Of("{p}", s.Points, "of 10", working.In("p",
				"points, 10 is the cheapest", s.Points, "of 10", value.Custom()))}}, nil
	}
	return nil, fault.New("aspect", fmt.Sprintf("nothing called %q is compared", aspect),
		"one of steady, minutes, sudden, load, seat, safety, cost")
}

// stood is a heat or a change that a material may see, against what the place asks.
func stood(key, when string, may float64, from value.Origin, asks float64, by value.Origin,
	unit string) []working.Figure {
	left := may - asks
	f := working.Figure{Key: "stands_" + key, Value: may, Unit: unit, Text: working.Num(may, 0) + " " + unit,
		Sentence: fmt.Sprintf("it stands %s; that leaves %s %s", when, strings.Replace(working.Num(left, 0), "-", "−", 1),
			unit),
		Limit: working.Least(asks, unit, by),
		Working: working.Of("{m} − {a}", left, unit, working.In("m", "may see "+when, may, unit, from),
			working.In("a", "what this place asks", asks, unit, by))}
	return []working.Figure{f.Judge(working.Stop)}
}

// times is how many times over what a pane takes is carried.
func times(key, what string, takes, may float64, from value.Origin) working.Figure {
	v := may / takes
	return working.Figure{Key: "stands_" + key, Value: v, Text: "× " + working.Num(v, 1),
		Sentence: "is how many times over it carries " + what, Limit: working.Least(1, "", value.Custom()),
		Working: working.Of("{m} / {s}", v, "", working.In("m", "may be carried for good", may, "MPa", from),
			working.In("s", "is carried", takes, "MPa", value.Sum()))}.Judge(working.Stop)
}

// timesFigure is the least of what is left over all loads, of stress and of bending.
func (m ranking) timesFigure(n Need) working.Figure {
	t, _ := bending(m).carries(n.Load, m.thickness(n), n.Depth)
	if t == 0 {
		t = m.thickness(n)
	}
	v, known, matters := m.times(n)
	f := working.Figure{Key: "stands_load", Value: v, Text: "× " + working.Num(v, 1),
		Sentence: fmt.Sprintf("is how many times over %s mm carry what they have to", working.Num(t, 1)),
		Limit:    working.Least(1, "", value.Custom())}
	if !known {
		f.Text, f.Verdict, f.Sentence = "?", working.Warn, "it cannot be reckoned for this pane"
		f.Working = working.Of("no plate of this shape is on file", 0, "")
		return f
	}
	var in []working.Input
	var terms []string
	add := func(what, unit string, may, takes float64, from value.Origin) {
		k := len(terms) + 1
		a, b := fmt.Sprintf("m%d", k), fmt.Sprintf("s%d", k)
		terms = append(terms, fmt.Sprintf("{%s} / {%s}", a, b))
		in = append(in, working.In(a, "may be, "+what, may, unit, from),
			working.In(b, "is, "+what, takes, unit, value.Sum()))
	}
	for _, a := range n.Load.actions(m.Material, t) {
		b, err := bending(m).bend(n.Load, a, t)
		if err != nil {
			continue
		}
		left := bending(m).roomFor(n.Load, a, t)
		if b.Stress > 0 {
			add("stress "+a.said, "MPa", left.stress, b.Stress, left.from)
		}
		if b.Deflection > 0 {
			add("bending "+a.said, "mm", left.deflection, b.Deflection, value.Custom())
		}
	}
	formula := fmt.Sprintf("the least of %s", strings.Join(append(terms, working.Num(manyTimes, 0)), ", "))
	if !matters {
		formula = "nothing bends it"
	}
	f.Working = working.Of(formula, v, "", in...).With("The scale ends at " + working.Num(manyTimes, 0) +
		": what carries it so often carries it.")
	return f.Judge(working.Stop)
}
