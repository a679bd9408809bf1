package measure

import (
	"context"
	"sort"
	"strings"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reckon"
	"freshshard/core/value"
	"freshshard/core/working"
	"freshshard/internal/typed"
)

// OutlineIn is an outline by its measures, or one that was read from a file.
type OutlineIn struct {
	Kind       string            `json:"kind" doc:"One of the shapes, or file"`
	Count      int               `json:"count,omitempty" minimum:"0" maximum:"24" doc:"Stations or points, where counted"`
	Measures   map[string]string `json:"measures" doc:"Its measures, and those of its checks that were read"`
	Trace      *outline.Trace    `json:"trace,omitempty" doc:"How the line was traced; for a file"`
	File       *outline.Outline  `json:"file,omitempty" doc:"What was read from a file"`
	Doubt      float64           `json:"doubt,omitempty" minimum:"0" maximum:"50" doc:"How far off a side may be, mm"`
	Inset      string            `json:"inset" maxLength:"60" doc:"Move every side inwards by this; empty for none"`
	Thickness  float64           `json:"thickness" minimum:"0.5" maximum:"60" doc:"mm, for whether it can be cut by hand"`
	Instrument length.Instrument `json:"instrument" enum:"tape,rule,caliper,laser,feeler gauge,traced line"`
}

// OutlineOut is the outline with what follows from it.
type OutlineOut struct {
	Outline outline.Outline  `json:"outline" doc:"With the inset taken off when there is one"`
	Drawing drawing.Drawing  `json:"drawing"`
	Figures []working.Figure `json:"figures"`
	Cutting outline.Cutting  `json:"cutting"`
	Say     string           `json:"say,omitempty" doc:"Where to cut along a traced line"`
	Whole   outline.Outline  `json:"whole" doc:"Before the inset: what is laid on a job's table"`
	Doubt   float64          `json:"doubt" doc:"How far a side may be off, mm"`
}

// Outline makes an outline and works out what follows from it.
func (s *Service) Outline(ctx context.Context, in OutlineIn) (OutlineOut, error) {
	var out OutlineOut
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return out, err
	}
	o, doubt, misfits, err := in.outline(shop.Unit)
	if err != nil {
		return out, err
	}
	clearance := 0.0
	final := o
	var inset outline.Path
	if in.Inset != "" {
		r, err := typed.Length("inset", in.Inset, shop.Unit, in.Instrument)
		if err != nil {
			return out, err
		}
		clearance = r.Value
		if inset, err = o.Outer.Offset(r.Value); err != nil {
			f := fault.Of(err)
			return out, fault.New("inset", f.Why, f.Cure)
		}
		final.Outer = inset
	}
	out.Whole, out.Doubt = o, doubt
	out.Outline, out.Drawing, out.Cutting = final, drawing.OfOutline(o, inset), canCut(final, in.Thickness)
	if k, err := outline.KindOf(in.Kind, in.Count); err == nil {
		in.measured(&out.Drawing, k, o.Outer, shop.Unit)
	}
	out.Figures = append(reckon.Present(misfits, shop.Unit), figuresOf(final, shop.Unit)...)
	if in.Kind == "file" && in.Trace != nil {
		out.Say = in.Trace.Say(clearance)
	}
	return out, nil
}

func canCut(o outline.Outline, thickness float64) outline.Cutting {
	if len(o.Holes) > 0 {
		return outline.Cutting{Sentence: "a hole is drilled with a diamond bit, wet, before the outline is cut; never in " +
			"toughened glass"}
	}
	return o.Outer.Cuttable(thickness)
}

// outline is the outline that was asked for, and how its checks agree.
func (in OutlineIn) outline(unit length.Unit) (o outline.Outline, off float64, misfits []working.Figure, err error) {
	if in.Kind == "file" {
		o, err = in.fromFile()
		return o, in.Doubt, nil, err
	}
	k, err := outline.KindOf(in.Kind, in.Count)
	if err != nil {
		return o, 0, nil, err
	}
	m, doubt := outline.Values{}, outline.Values{}
	for _, x := range k.Measures {
		v, err := typed.Length(x.Key, in.Measures[x.Key], unit, in.Instrument)
		if err != nil {
			return o, 0, nil, err
		}
		m[x.Key], doubt[x.Key] = v.Value, v.Doubt
	}
	p, err := k.Make(m)
	if err != nil {
		return o, 0, nil, err
	}
	for _, c := range k.Checks {
		if strings.TrimSpace(in.Measures[c.Key]) == "" {
			continue
		}
		r, err := typed.Length(c.Key, in.Measures[c.Key], unit, in.Instrument)
		if err != nil {
			return o, 0, nil, err
		}
		want, off, err := k.Predict(c.Key, m, doubt)
		if err != nil {
			return o, 0, nil, err
		}
		misfits = append(misfits, fit.MisfitFigure(c, r, want, off))
	}
	return outline.Outline{Outer: p, Holes: []outline.Path{}}, k.Doubt(m, doubt), misfits, nil
}

// measured puts what was typed on the drawing.
func (in OutlineIn) measured(d *drawing.Drawing, k outline.Kind, p outline.Path, unit length.Unit) {
	m, say := outline.Values{}, map[string]string{}
	all := append(append([]outline.Measure{}, k.Measures...), k.Checks...)
	for _, x := range all {
		if r, err := typed.Length(x.Key, in.Measures[x.Key], unit, in.Instrument); err == nil {
			m[x.Key], say[x.Key] = r.Value, length.Show(r.Value, unit).Main
		}
	}
	d.Measured(k.Lines(m, p), all, say)
}

// fromFile is the outline that was read, a traced line taken off.
func (in OutlineIn) fromFile() (outline.Outline, error) {
	if in.File == nil {
		return outline.Outline{}, fault.New("file", "no file was read yet", "choose a DXF or SVG file")
	}
	o, err := Checked(*in.File)
	if err == nil && in.Trace != nil {
		o.Outer, err = in.Trace.True(o.Outer)
	}
	return o, err
}

// figuresOf are the numbers of an outline with their working.
func figuresOf(o outline.Outline, unit length.Unit) []working.Figure {
	b := o.Outer.Box()
	sides := float64(len(o.Outer))
	in := working.In("n", "sides, arcs as arcs", sides, "", value.Sum())
	figures := []working.Figure{
		{Key: "box_width", Sentence: "wide, the smallest upright box", Value: b.Width(), Unit: "mm", Verdict: working.Note,
			Working: working.Of("{r} − {l}", b.Width(), "mm", working.In("r", "rightmost place", b.Max.X, "mm", value.Sum()),
				working.In("l", "leftmost place", b.Min.X, "mm", value.Sum()))},
		{Key: "box_height", Sentence: "high, the smallest upright box", Value: b.Height(), Unit: "mm", Verdict: working.Note,
			Working: working.Of("{t} − {b}", b.Height(), "mm", working.In("t", "topmost place", b.Max.Y, "mm", value.Sum()),
				working.In("b", "lowest place", b.Min.Y, "mm", value.Sum()))},
		{Key: "perimeter", Sentence: "round the outside", Value: o.Outer.Perimeter(), Unit: "mm", Verdict: working.Note,
			Working: working.Of("Σ side lengths, R·θ for an arc, over {n} sides", o.Outer.Perimeter(), "mm", in)},
		{Key: "area", Sentence: "of glass, holes left out", Value: o.Area() / 1e6, Unit: "m²", Verdict: working.Note,
			Working: working.Of("Σ (x·y′ − x′·y)/2 + Σ R²(θ − sin θ)/2 over {n} sides, less {k} holes",
				o.Area()/1e6, "m²", in, working.In("k", "holes", float64(len(o.Holes)), "",
					value.Sum())).With("The shoelace sum over the corners and the segments between chords and arcs.")},
	}
	arcs := map[string]bool{}
	for i := range o.Outer {
		if _, _, a := o.Outer.Side(i); a != nil {
			arcs[length.Metric(a.Radius)] = true
		}
	}
	figures = reckon.Present(figures, unit)
	if n := len(arcs); n > 0 && n <= 6 {
		list := make([]string, 0, n)
		for r := range arcs {
			list = append(list, r)
		}
		sort.Strings(list)
		for i := range figures {
			if figures[i].Key == "perimeter" {
				figures[i].Sentence += "; arcs of radius " + strings.Join(list, ", ") + " mm"
			}
		}
	}
	for i := range figures {
		if figures[i].Key == "area" {
			figures[i].Text = working.Num(figures[i].Value, 4) + " m²"
		}
	}
	return figures
}
