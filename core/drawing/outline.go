package drawing

import (
	"fmt"

	"freshshard/core/outline"
)

// OfOutline draws a pane of any shape with its holes: straight sides as lines,
// arcs as arcs. inset is a second outline inside or outside it, empty for none.
func OfOutline(o outline.Outline, inset outline.Path) Drawing {
	d := Drawing{Name: "outline", Seen: "the outline, true size"}
	for k, l := range o.Loops() {
		d.sides(fmt.Sprintf("loop-%d", k), LayerPane, l)
	}
	if len(inset) > 0 {
		d.sides("inset", LayerSight, inset)
	}
	b := o.Outer.Box()
	if len(inset) > 0 {
		i := inset.Box()
		b.Min = outline.Point{X: min(b.Min.X, i.Min.X), Y: min(b.Min.Y, i.Min.Y)}
		b.Max = outline.Point{X: max(b.Max.X, i.Max.X), Y: max(b.Max.Y, i.Max.Y)}
	}
	margin := 0.04 * (b.Width() + b.Height()) / 2
	d.Box = outline.Box{Min: outline.Point{X: b.Min.X - margin, Y: b.Min.Y - margin},
		Max: outline.Point{X: b.Max.X + margin, Y: b.Max.Y + margin}}
	return d
}

func (d *Drawing) sides(id string, l Layer, p outline.Path) {
	for i := range p {
		a, b, arc := p.Side(i)
		item := Item{ID: fmt.Sprintf("%s-%d", id, i+1), Kind: Line, Layer: l, Points: []outline.Point{a, b}}
		if arc != nil {
			item.Kind, item.Points = Arc, []outline.Point{arc.Centre}
			item.Radius, item.Start, item.End = arc.Radius, arc.Start, arc.End
		}
		d.add(item)
	}
}

// Measured puts the measures of a shape on its drawing, each where it lies; say
// is what stands at it, empty for one that nobody read.
func (d *Drawing) Measured(lines map[string]outline.Line, all []outline.Measure, say map[string]string) {
	for _, m := range all {
		l, ok := lines[m.Key]
		if !ok {
			continue
		}
		i := Item{ID: "measure-" + m.Key, Kind: Dim, Layer: LayerReading, Points: l[:], Text: say[m.Key], State: "read",
			Label: m.Name + ", " + say[m.Key]}
		if i.Text == "" {
			i.State, i.Label = "empty", m.Name+", not read"
		}
		d.add(i)
	}
}

// flatTo is how far a chord may lie off its arc where a drawing needs points, mm.
const flatTo = 0.05

// Flat are the points of an item with its arcs cut into chords.
func (i Item) Flat() []outline.Point {
	if len(i.Bulges) != len(i.Points) {
		return i.Points
	}
	p := make(outline.Path, len(i.Points))
	for k, q := range i.Points {
		p[k] = outline.Vertex{Point: q, Bulge: i.Bulges[k]}
	}
	return p.Flatten(flatTo)
}
