package calc

import (
	"fmt"
	"maps"
	"math"
	"slices"
	"strings"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/outline"
	"freshshard/core/perspective"
	"freshshard/core/striplog"
)

// OutlineIn is a shape by its measures in mm, its checks, and how far every
// side is moved in.
type OutlineIn struct {
	Kind     string             `json:"kind"`
	Count    int                `json:"count,omitempty"`
	Measures map[string]float64 `json:"measures"`
	Doubts   map[string]float64 `json:"doubts,omitempty"`
	Checks   map[string]float64 `json:"checks,omitempty"`
	Inset    float64            `json:"inset,omitempty"`
}

// OutlineOut is the shape with what follows from it; Inset is what is left of
// it, with the measures that make it.
type OutlineOut struct {
	Outline   outline.Path        `json:"outline"`
	Area      float64             `json:"area" doc:"mm²"`
	Perimeter float64             `json:"perimeter" doc:"mm"`
	Box       outline.Box         `json:"box"`
	Doubt     float64             `json:"doubt" doc:"How far a side may be off, mm"`
	Misfits   map[string]Misfit   `json:"misfits"`
	Inset     outline.Path        `json:"inset,omitempty"`
	Makes     []outline.Dimension `json:"makes"`
}

// Misfit holds a check against what the measures predict.
type Misfit struct {
	Predicted float64 `json:"predicted"`
	Doubt     float64 `json:"doubt"`
	Misfit    float64 `json:"misfit"`
}

// TraceIn is a traced line and the clearance that the pane needs.
type TraceIn struct {
	outline.Trace
	Clearance float64 `json:"clearance"`
}

// TraceOut is where to cut.
type TraceOut struct {
	Off float64 `json:"off" doc:"Middle of the line to its guide, mm"`
	Say string  `json:"say"`
}

// TapesIn is a point by two tapes from two fixed points, base apart.
type TapesIn struct {
	Base float64 `json:"base"`
	A    float64 `json:"a"`
	B    float64 `json:"b"`
}

// TapesOut is the point, and how well two tapes that cross so find it.
type TapesOut struct {
	Point    outline.Point `json:"point"`
	Crossing float64       `json:"crossing" doc:"Angle at which the tapes cross, degrees"`
	Spoils   float64       `json:"spoils" doc:"A millimetre on a tape moves the point by so many"`
}

// BendIn is one curve of a bent pane, mm.
type BendIn struct {
	Chord float64 `json:"chord"`
	Rise  float64 `json:"rise"`
}

// StripOut is what follows from a strip log.
type StripOut struct {
	Back  []striplog.Line  `json:"back"`
	Open  []striplog.Count `json:"open"`
	Needs []striplog.Need  `json:"needs"`
	Stack []striplog.Layer `json:"stack"`
}

func shapeTopics() []Topic {
	return []Topic{
		{"outline", "an opening of any shape: area, doubt, misfits, true inset",
			OutlineIn{Kind: "round-top", Measures: map[string]float64{"width": 400, "spring": 300, "rise": 120},
				Doubts: map[string]float64{"width": 1, "spring": 1, "rise": 1}, Checks: map[string]float64{"overall": 421},
				Inset: 3}, with(runOutline)},
		{"trace", "where to cut along a traced line", TraceIn{outline.Trace{Along: outline.InsideOpening, Pen: 1, Lean: 0.5},
			2}, with(runTrace)},
		{"tapes", "a point from two tapes to two fixed points", TapesIn{500, 400, 300}, with(runTapes)},
		{"bend", "radius and girth of a curve from chord and rise", BendIn{1000, 50},
			with(func(in BendIn) (outline.Bend, error) { return outline.BendOf(in.Chord, in.Rise) })},
		{"photo", "the outline of a marked photo, its perspective taken out", photoExample(), with(perspective.Template)},
		{"layout", "where the panes of an object stand", drawing.Layout{Across: 3, Down: 3}, with(runLayout)},
		{"strip", "order back, counts, needs and stack of a strip log", stripExample(), with(runStrip)},
	}
}

func runOutline(in OutlineIn) (OutlineOut, error) {
	k, err := outline.KindOf(in.Kind, in.Count)
	if err != nil {
		return OutlineOut{}, err
	}
	if err := in.known(k); err != nil {
		return OutlineOut{}, err
	}
	p, err := k.Make(in.Measures)
	if err != nil {
		return OutlineOut{}, err
	}
	out := OutlineOut{Outline: p, Area: p.Area(), Perimeter: p.Perimeter(), Box: p.Box(),
		Doubt: k.Doubt(in.Measures, in.Doubts), Misfits: map[string]Misfit{}, Makes: k.Dimensions(p)}
	for key, read := range in.Checks {
		want, off, err := k.Predict(key, in.Measures, in.Doubts)
		if err != nil {
			return out, err
		}
		out.Misfits[key] = Misfit{want, off, read - want}
	}
	if in.Inset != 0 {
		if out.Inset, err = p.Offset(in.Inset); err != nil {
			return out, err
		}
		out.Makes = k.Dimensions(out.Inset)
	}
	return out, nil
}

// known refuses measures that the kind does not have: a misspelt doubt would
// count as none.
func (in OutlineIn) known(k outline.Kind) error {
	has := map[string]bool{}
	for _, m := range append(append([]outline.Measure{}, k.Measures...), k.Checks...) {
		has[m.Key] = true
	}
	for _, list := range []struct {
		field  string
		values map[string]float64
	}{{"measures", in.Measures}, {"doubts", in.Doubts}, {"checks", in.Checks}} {
		for _, key := range slices.Sorted(maps.Keys(list.values)) {
			if !has[key] {
				return fault.New(list.field+"."+key, fmt.Sprintf("a %s has no measure called %s", k.Name, key),
					"use "+strings.Join(slices.Sorted(maps.Keys(has)), ", "))
			}
			if list.field == "doubts" && !(list.values[key] >= 0) {
				return fault.New("doubts."+key, "a doubt is never less than nothing", "give half of the width, in mm")
			}
		}
	}
	return nil
}

func runTapes(in TapesIn) (TapesOut, error) {
	p, err := outline.Trilaterate(outline.Point{}, outline.Point{X: in.Base}, in.A, in.B)
	if err != nil {
		return TapesOut{}, err
	}
	// Law of cosines at the point; tapes that lie along each other find nothing.
	angle := math.Acos(max(-1, min(1, (in.A*in.A+in.B*in.B-in.Base*in.Base)/(2*in.A*in.B))))
	return TapesOut{p, angle * 180 / math.Pi, 1 / math.Max(math.Sin(angle), 1e-3)}, nil
}

func runTrace(in TraceIn) (TraceOut, error) {
	if err := in.Check(); err != nil {
		return TraceOut{}, err
	}
	if !(in.Clearance >= 0 && in.Clearance <= 100) {
		return TraceOut{}, fault.New("clearance", "a clearance from 0 to 100 mm is expected", "give it for one side")
	}
	return TraceOut{in.Off(), in.Say(in.Clearance)}, nil
}

func runLayout(in drawing.Layout) ([]drawing.Spot, error) {
	if in.Across < 1 || !in.Behind && in.Down < 1 || in.Count() > drawing.MostPanes {
		return nil, fault.New("across", "from 1 to 60 panes are taken", "give columns and rows")
	}
	return in.Spots(), nil
}

func runStrip(in striplog.Log) (StripOut, error) {
	if err := in.Check(); err != nil {
		return StripOut{}, err
	}
	return StripOut{in.OrderBack(), in.Open(), in.Needs(), in.Stack()}, nil
}

// photoExample is a sheet of A4 seen squarely at two pixels a millimetre.
func photoExample() perspective.In {
	at := func(x, y float64) outline.Point { return outline.Point{X: x, Y: y} }
	return perspective.In{Sheet: perspective.A4, Error: 2, Corners: []outline.Point{at(400, 300), at(820, 300),
		at(820, 894), at(400, 894)},
		Points: []perspective.Point{{Px: at(200, 1000)}, {Px: at(1000, 1000)}, {Px: at(1000, 200)}, {Px: at(200, 200)}}}
}

func stripExample() striplog.Log {
	return striplog.Log{
		{ID: "e1", Kind: striplog.Fasteners, What: "side screws", Count: 4, Fate: striplog.Back, Bag: "1",
			Held: striplog.Held{How: "screw", Drive: "PH2", Size: "4.2", Length: 16}, Captures: []string{"e3"}},
		{ID: "e2", Kind: striplog.Fasteners, What: "middle screw", Count: 1, Fate: striplog.Back, Bag: "2",
			Held: striplog.Held{How: "screw", Drive: "PH2", Size: "4.2", Length: 8}, Captures: []string{"e3"}},
		{ID: "e3", Kind: striplog.Part, What: "outer shell", Count: 1, Fate: striplog.Back, Held: striplog.Held{How: "lip"}},
	}
}
