package shop

import (
	"context"
	"fmt"
	"sort"
	"strings"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/outline"
	"freshshard/core/reckon"
	"freshshard/core/working"
)

// ShapeKind is a shape that is made from a few measures.
type ShapeKind struct {
	Kind     string         `json:"kind"`
	Name     string         `json:"name"`
	Measures []ShapeMeasure `json:"measures" doc:"In the order that a person walks round it"`
}

// ShapeMeasure is one measure of a shape.
type ShapeMeasure struct {
	Key  string `json:"key"`
	Name string `json:"name"`
}

// shapeRule is a kind with the rule that makes it; the measures come in mm.
type shapeRule struct {
	ShapeKind
	make func(m map[string]float64) (outline.Path, error)
}

func measures(pairs ...string) []ShapeMeasure {
	out := []ShapeMeasure{}
	for i := 0; i+1 < len(pairs); i += 2 {
		out = append(out, ShapeMeasure{pairs[i], pairs[i+1]})
	}
	return out
}

var shapeRules = []shapeRule{
	{ShapeKind{"rectangle", "rectangle", measures("width", "width", "height", "height")}, func(m map[string]float64) (outline.Path, error) {
		return outline.RoundedRect(m["width"], m["height"], 0)
	}},
	{ShapeKind{"rounded", "rounded corners", measures("width", "width", "height", "height", "radius", "corner radius")}, func(m map[string]float64) (outline.Path, error) {
		return outline.RoundedRect(m["width"], m["height"], m["radius"])
	}},
	{ShapeKind{"cut", "cut corners", measures("width", "width", "height", "height", "cut", "cut along each side")}, func(m map[string]float64) (outline.Path, error) {
		return outline.CutRect(m["width"], m["height"], m["cut"])
	}},
	{ShapeKind{"raked", "raked, four sides", measures("bottom", "bottom", "right", "right side", "top", "top", "left", "left side", "diagonal_rising", "diagonal, lower left to upper right")}, func(m map[string]float64) (outline.Path, error) {
		q, err := outline.QuadrilateralOf(m["bottom"], m["right"], m["top"], m["left"], m["diagonal_rising"])
		if err != nil {
			return nil, err
		}
		v := []outline.Vertex{}
		for _, c := range q.Corners() {
			v = append(v, outline.Vertex{Point: c})
		}
		return outline.NewPath(v)
	}},
	{ShapeKind{"triangle", "triangle", measures("bottom", "bottom", "right", "right side", "left", "left side")}, func(m map[string]float64) (outline.Path, error) {
		return outline.Triangle(m["bottom"], m["right"], m["left"])
	}},
	{ShapeKind{"circle", "circle", measures("diameter", "diameter")}, func(m map[string]float64) (outline.Path, error) { return outline.Circle(m["diameter"]) }},
	{ShapeKind{"ellipse", "ellipse", measures("width", "width", "height", "height")}, func(m map[string]float64) (outline.Path, error) {
		return outline.Ellipse(m["width"], m["height"])
	}},
	{ShapeKind{"pill", "pill", measures("width", "width", "height", "height")}, func(m map[string]float64) (outline.Path, error) { return outline.Pill(m["width"], m["height"]) }},
	{ShapeKind{"round-top", "round top", measures("width", "width", "spring", "height to the springing", "rise", "rise of the arc")}, func(m map[string]float64) (outline.Path, error) {
		return outline.RoundTop(m["width"], m["spring"], m["rise"])
	}},
	{ShapeKind{"pointed", "pointed arch", measures("width", "width", "spring", "height to the springing", "rise", "rise to the point")}, func(m map[string]float64) (outline.Path, error) {
		return outline.PointedTop(m["width"], m["spring"], m["rise"])
	}},
}

// Shapes lists the kinds.
func Shapes() []ShapeKind {
	out := make([]ShapeKind, 0, len(shapeRules))
	for _, r := range shapeRules {
		out = append(out, r.ShapeKind)
	}
	return out
}

// OutlineIn is an outline by its measures, or one that was read from a file.
type OutlineIn struct {
	Kind       string            `json:"kind" doc:"One of the shapes, or file"`
	Measures   map[string]string `json:"measures"`
	File       *outline.Outline  `json:"file,omitempty" doc:"What was read from a file"`
	Inset      string            `json:"inset" maxLength:"60" doc:"Move every side inwards by this; empty for none"`
	Thickness  float64           `json:"thickness" minimum:"0.5" maximum:"60" doc:"mm, to say whether it can be cut by hand"`
	Instrument length.Instrument `json:"instrument" enum:"tape,rule,caliper,laser,traced line"`
}

// OutlineOut is the outline with what follows from it.
type OutlineOut struct {
	Outline outline.Outline  `json:"outline" doc:"With the inset taken off when there is one"`
	Drawing drawing.Drawing  `json:"drawing"`
	Figures []working.Figure `json:"figures"`
	Cutting outline.Cutting  `json:"cutting"`
}

// Outline makes an outline and works out what follows from it.
func (s *Shop) Outline(ctx context.Context, in OutlineIn) (OutlineOut, error) {
	var out OutlineOut
	shop, err := s.Store.Shop(ctx)
	if err != nil {
		return out, err
	}
	o, err := in.outline(shop.Unit)
	if err != nil {
		return out, err
	}
	final := o
	var inset outline.Path
	if in.Inset != "" {
		r, err := readText("inset", in.Inset, shop.Unit, in.Instrument)
		if err != nil {
			return out, err
		}
		if inset, err = o.Outer.Offset(r.Value); err != nil {
			f := fault.Of(err)
			return out, fault.New("inset", f.Why, f.Cure)
		}
		final.Outer = inset
	}
	out.Outline, out.Drawing, out.Cutting = final, drawing.OfOutline(o, inset), cutting(final, in.Thickness)
	out.Figures = figuresOf(final, shop.Unit)
	return out, nil
}

func cutting(o outline.Outline, thickness float64) outline.Cutting {
	if len(o.Holes) > 0 {
		return outline.Cutting{Sentence: "a hole is drilled with a diamond bit, wet, before the outline is cut; never in toughened glass"}
	}
	return o.Outer.Cuttable(thickness)
}

func (in OutlineIn) outline(unit length.Unit) (outline.Outline, error) {
	if in.Kind == "file" {
		if in.File == nil {
			return outline.Outline{}, fault.New("file", "no file was read yet", "choose a DXF or SVG file")
		}
		loops := []outline.Path{}
		for _, l := range in.File.Loops() {
			p, err := outline.NewPath(l)
			if err != nil {
				return outline.Outline{}, err
			}
			loops = append(loops, p)
		}
		return outline.Sort(loops)
	}
	for _, r := range shapeRules {
		if r.Kind != in.Kind {
			continue
		}
		mm := map[string]float64{}
		for _, m := range r.Measures {
			v, err := readText(m.Key, in.Measures[m.Key], unit, in.Instrument)
			if err != nil {
				return outline.Outline{}, err
			}
			mm[m.Key] = v.Value
		}
		p, err := r.make(mm)
		return outline.Outline{Outer: p, Holes: []outline.Path{}}, err
	}
	return outline.Outline{}, fault.New("kind", fmt.Sprintf("no shape is called %q", in.Kind), "choose one of the list")
}

// figuresOf are the numbers of an outline with their working.
func figuresOf(o outline.Outline, unit length.Unit) []working.Figure {
	b := o.Outer.Box()
	sides := float64(len(o.Outer))
	in := working.In("n", "sides, arcs as arcs", sides, "", origin.Sum())
	figures := []working.Figure{
		{Key: "box_width", Sentence: "wide, the smallest upright box", Value: b.Width(), Unit: "mm", Verdict: working.Note, Working: working.Of("{r} − {l}", b.Width(), "mm", working.In("r", "rightmost place", b.Max.X, "mm", origin.Sum()), working.In("l", "leftmost place", b.Min.X, "mm", origin.Sum()))},
		{Key: "box_height", Sentence: "high, the smallest upright box", Value: b.Height(), Unit: "mm", Verdict: working.Note, Working: working.Of("{t} − {b}", b.Height(), "mm", working.In("t", "topmost place", b.Max.Y, "mm", origin.Sum()), working.In("b", "lowest place", b.Min.Y, "mm", origin.Sum()))},
		{Key: "perimeter", Sentence: "round the outside", Value: o.Outer.Perimeter(), Unit: "mm", Verdict: working.Note, Working: working.Of("Σ side lengths, R·θ for an arc, over {n} sides", o.Outer.Perimeter(), "mm", in)},
		{Key: "area", Sentence: "of glass, holes left out", Value: o.Area() / 1e6, Unit: "m²", Verdict: working.Note,
			Working: working.Of("Σ (x·y′ − x′·y)/2 + Σ R²(θ − sin θ)/2 over {n} sides, less {k} holes", o.Area()/1e6, "m²", in, working.In("k", "holes", float64(len(o.Holes)), "", origin.Sum())).With("The shoelace sum over the corners and the segments between chords and arcs.")},
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
