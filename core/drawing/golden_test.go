package drawing

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/frame"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/tools/golden"
)

// lines tell a drawing, an item a line.
func lines(d Drawing) string {
	b := &strings.Builder{}
	fmt.Fprintf(b, "= %s, %s; %.2f %.2f to %.2f %.2f\n", d.Name, d.Seen, d.Box.Min.X, d.Box.Min.Y, d.Box.Max.X,
		d.Box.Max.Y)
	for _, i := range d.Items {
		fmt.Fprintf(b, "%s %s %s", i.Kind, i.Layer, i.ID)
		for _, p := range i.Points {
			fmt.Fprintf(b, " %.2f,%.2f", p.X+0, p.Y+0)
		}
		for _, v := range i.Bulges {
			fmt.Fprintf(b, " )%.3f", v+0)
		}
		if i.Radius != 0 || i.Start != 0 || i.End != 0 {
			fmt.Fprintf(b, " r%.2f %.1f-%.1f", i.Radius, i.Start, i.End)
		}
		fmt.Fprintf(b, " %v %.2f %s|%s|%s|%s|%s\n", i.Closed, i.Size, i.Anchor, i.Text, i.Label, i.Place, i.State)
	}
	return strings.ReplaceAll(b.String(), "-0.00", "0.00")
}

// whole is the scene of a family with everything read, or with nothing.
func wholeScene(t *testing.T, f family.Family, read bool, shape reading.Shape,
	shapeValues map[reading.Place]string) Scene {
	t.Helper()
	e, err := exposure.Book.ByID(f.Exposure)
	if err != nil {
		t.Fatal(err)
	}
	fr, err := frame.Book.ByID(f.Frame)
	if err != nil {
		t.Fatal(err)
	}
	texts := map[reading.Place]string{}
	if read {
		for _, w := range reading.Walk(f.Sizing, shape) {
			if s, ok := shapeValues[w.Place]; ok {
				texts[w.Place] = s
			} else if s, ok := golden.Readings[string(w.Place)]; ok {
				texts[w.Place] = s
			}
		}
	}
	r, err := reading.FromTexts(texts, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	p := fit.Problem{Asked: reading.Asked{Sizing: f.Sizing, Shape: shape, Readings: r},
		Limits: fit.LimitsOf(f, e.Outdoors), Thickness: 4,
		Exposure: e, Cutter: fit.ShopCut, Unit: length.MM, OffCentre: fit.DefaultOffCentre,
		Pane: fit.Body{Name: "glass", Alpha: 9}, Frame: fit.Body{Name: fr.Name, Alpha: fr.Alpha, Origin: fr.Source()},
		Gasket: fit.Gasket{Kind: fit.None}, Draws: 200}
	sides := setting.Sides{Top: 3, Right: 2, Bottom: 3, Left: 2}
	if f.Seal == "gasket" {
		p.Gasket = fit.Gasket{Kind: fit.Wrapped, Free: 4}
	}
	if f.Tightening == "" {
		sides = setting.Sides{}
	}
	res, err := fit.Solve(p)
	if err != nil {
		t.Fatalf("%s: %v", f.ID, err)
	}
	return Scene{Family: f, Problem: p, Result: res, Sides: sides, Pane: "4 mm glass", Unit: length.MM, Stamp: "GC 4",
		Corner: "lower-left"}
}

// Every drawing of every way of holding, looked at and kept.
func TestDrawingsAreAsLookedAt(t *testing.T) {
	for _, f := range family.Book.All() {
		b := &strings.Builder{}
		for _, read := range []bool{false, true} {
			s := wholeScene(t, f, read, reading.Shape{}, nil)
			b.WriteString(lines(Table(s)))
			b.WriteString(lines(Section(s)))
			for i, st := range s.Result.Slide {
				if i == 0 || i == len(s.Result.Slide)-1 {
					b.WriteString(lines(SectionAt(s, st)))
				}
			}
			if l := Lifted(s); l != nil {
				b.WriteString(lines(*l))
			}
		}
		b.WriteString(lines(Edge(f, 5)))
		golden.Check(t, "family-"+f.ID, b.String())
	}
}

// Shapes on the table, by their usual measures.
func TestShapesAreAsLookedAt(t *testing.T) {
	f, err := family.Book.ByID("putty-points")
	if err != nil {
		t.Fatal(err)
	}
	b := &strings.Builder{}
	for _, k := range outline.Kinds() {
		values, _ := k.Assume(nil)
		texts := map[reading.Place]string{}
		for key, v := range values {
			texts[reading.Place(key)] = fmt.Sprintf("%.1f", v)
		}
		shape := reading.Shape{Kind: k.ID}
		if k.Counted != "" {
			shape.Count = 4
			counted, err := outline.KindOf(k.ID, 4)
			if err != nil {
				t.Fatal(err)
			}
			values, _ = counted.Assume(nil)
			for key, v := range values {
				texts[reading.Place(key)] = fmt.Sprintf("%.1f", v)
			}
		}
		walk := reading.Walk(f.Sizing, shape)
		mine := map[reading.Place]string{}
		for _, w := range walk {
			for key, s := range texts {
				if w.Place == key || strings.HasSuffix(string(w.Place), "."+string(key)) ||
					strings.TrimPrefix(string(w.Place), "shape_") == string(key) {
					mine[w.Place] = s
				}
			}
		}
		s := wholeScene(t, f, true, shape, mine)
		fmt.Fprintf(b, "== %s, ready %v\n%s", k.ID, s.Result.Ready, lines(Table(s)))
	}
	golden.Check(t, "shapes", b.String())
}

// The object with its panes, side by side and behind one another.
func TestObjectsAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, l := range []Layout{{Across: 1, Down: 1}, {Across: 3, Down: 2}, {Across: 3, Behind: true}} {
		var panes []ObjectPane
		for i, spot := range l.Spots() {
			panes = append(panes, ObjectPane{ID: int64(i + 1), Spot: spot, State: []string{"done", "now", "wait", "here"}[i%4],
				Label: fmt.Sprintf("pane %d", i+1)})
		}
		b.WriteString(lines(Object(panes)))
	}
	golden.Check(t, "objects", b.String())
}
