package drawing

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"freshshard/core/cutting"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/tools/golden"
)

// variant is a scene of a family with what was read, changed before it is solved.
func variant(t *testing.T, id string, texts map[reading.Place]string, change func(*fit.Problem, *Scene)) Scene {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	s := wholeScene(t, f, false, reading.Shape{}, nil)
	if s.Problem.Readings, err = reading.FromTexts(texts, length.MM); err != nil {
		t.Fatal(err)
	}
	s.Stamp, s.Corner = "", ""
	if change != nil {
		change(&s.Problem, &s)
	}
	if s.Result, err = fit.Solve(s.Problem); err != nil {
		t.Fatalf("%s: %v", id, err)
	}
	return s
}

func stoveRead() map[reading.Place]string {
	return map[reading.Place]string{reading.WidthTop: "270", reading.WidthBottom: "268.4", reading.HeightLeft: "242",
		reading.HeightRight: "243", reading.Ledge: "14", reading.Reach: "16"}
}

func drop(texts map[reading.Place]string, places ...reading.Place) map[reading.Place]string {
	for _, p := range places {
		delete(texts, p)
	}
	return texts
}

// What a picture shows that the usual one does not: holes that carry, a stamp in each corner,
// an opening that leans, one way read alone, panes behind the one on the table, holes that
// break a rule, a wide ledge, a bed.
func TestVariantsAreAsLookedAt(t *testing.T) {
	held := map[reading.Place]string{reading.HoleAcross: "13", reading.HoleUp: "42", reading.HoleSide: "65",
		reading.HoleApart: "290", reading.BushAcross: "11"}
	with := func(texts map[reading.Place]string, more map[reading.Place]string) map[reading.Place]string {
		for k, v := range more {
			texts[k] = v
		}
		return texts
	}
	open := map[reading.Place]string{reading.WidthTop: "420", reading.HeightLeft: "310", reading.OldWidth: "415",
		reading.OldHeight: "305"}
	leans := map[reading.Place]string{reading.Rising: "370", reading.Falling: "356"}
	holed := outline.Outline{}
	path, err := outline.RoundTop(360, 240, 110)
	if err != nil {
		t.Fatal(err)
	}
	hole, err := outline.Circle(14)
	if err != nil {
		t.Fatal(err)
	}
	holed.Outer, holed.Holes = path, []outline.Path{hole.Moved(90, 60), hole.Moved(9, 180)}
	b := &strings.Builder{}
	// These are told; the others are held against what holds for every picture.
	told := []string{"two holes, read", "a mark, and half a flange", "leans, raked true", "pane 1 of a pack",
		"drawn, with holes, ±4"}
	say := func(name string, s Scene) {
		all := []Drawing{Table(s), Section(s)}
		if o := Ordered(s); o != nil {
			all = append(all, *o)
		}
		if l := Lifted(s); l != nil {
			all = append(all, *l)
		}
		for _, d := range all {
			holdsTogether(t, name, d)
		}
		if !slices.Contains(told, name) {
			return
		}
		fmt.Fprintf(b, "# %s\n%s%s", name, lines(Table(s)), lines(Section(s)))
		if o := Ordered(s); o != nil {
			b.WriteString(lines(*o))
		}
		if l := Lifted(s); l != nil {
			b.WriteString(lines(*l))
		}
	}
	say("two holes, read", variant(t, "two-holes", with(open, held), func(p *fit.Problem, _ *Scene) { p.Carried = true }))
	say("two holes, toughened and too near the edge", variant(t, "two-holes", with(with(map[reading.Place]string{}, open),
		map[reading.Place]string{reading.HoleUp: "14"}), func(p *fit.Problem, _ *Scene) {
		p.Carried, p.Cutter, p.Thickness = true, fit.Toughened, 10
	}))
	small := map[reading.Place]string{reading.WidthTop: "120", reading.HeightLeft: "90", reading.OldWidth: "116",
		reading.OldHeight: "86", reading.HoleAcross: "8", reading.HoleUp: "9", reading.HoleSide: "12",
		reading.HoleApart:  "80",
		reading.BushAcross: "6"}
	say("two holes in a small pane, too near the edge", variant(t, "two-holes", small, func(p *fit.Problem, _ *Scene) {
		p.Carried, p.Cutter, p.Thickness = true, fit.Toughened, 6
	}))
	for _, at := range [][3]string{{"upper", "12", "78"}, {"right", "26", "40"}} {
		small[reading.HoleSide], small[reading.HoleUp] = at[1], at[2]
		say("two holes in a small pane, too near the "+at[0]+" edge", variant(t, "two-holes", small,
			func(p *fit.Problem, _ *Scene) { p.Carried, p.Cutter, p.Thickness = true, fit.Toughened, 6 }))
	}
	marks := map[reading.Place]string{reading.WidthTop: "500", reading.HeightLeft: "300", reading.MarkWidth: "560",
		reading.MarkHeight: "350", reading.FlangeWidth: "570"}
	say("a mark, and half a flange", variant(t, "clamp-ring", marks, nil))
	for _, high := range []string{"340", "352", "364"} {
		say("a flange "+high+" high over a mark of 350", variant(t, "clamp-ring", with(marks,
			map[reading.Place]string{reading.FlangeHeight: high}), nil))
	}
	say("two holes, nothing read", variant(t, "two-holes", nil, func(p *fit.Problem, _ *Scene) { p.Carried = true }))
	say("two holes, their size alone", variant(t, "two-holes", drop(with(map[reading.Place]string{}, open), reading.HoleUp,
		reading.HoleSide, reading.HoleApart), func(p *fit.Problem, _ *Scene) { p.Carried = true }))
	for _, corner := range []string{"upper-left", "upper-right", "lower-left", "lower-right", "nowhere"} {
		say("stamp "+corner, variant(t, "clip-heat", stoveRead(), func(_ *fit.Problem, s *Scene) {
			s.Stamp, s.Corner = "GC 4", corner
		}))
	}
	for _, raked := range []bool{false, true} {
		say(fmt.Sprintf("leans, raked %v", raked), variant(t, "putty-points", with(stoveRead(), leans),
			func(p *fit.Problem, _ *Scene) { p.Raked = raked }))
	}
	say("a width alone", variant(t, "bead-brads", map[reading.Place]string{reading.WidthTop: "500"}, nil))
	say("a height alone", variant(t, "bead-brads", map[reading.Place]string{reading.HeightLeft: "500"}, nil))
	say("a wide ledge", variant(t, "bead-brads", with(stoveRead(), map[reading.Place]string{reading.Ledge: "119"}), nil))
	say("a small one, narrow and high", variant(t, "bead-brads", map[reading.Place]string{reading.WidthTop: "60",
		reading.WidthBottom: "61", reading.HeightLeft: "180", reading.HeightRight: "181", reading.Ledge: "6"}, nil))
	for here := range 4 {
		say(fmt.Sprintf("pane %d of a pack", here), variant(t, "window-pack", stoveRead(), func(_ *fit.Problem, s *Scene) {
			s.Stack = Stack{Panes: []float64{4, 3, 5}, Gaps: []float64{6, 9}, Here: here}
		}))
	}
	say("a flat gasket, deep", variant(t, "clip-heat", with(stoveRead(), map[reading.Place]string{reading.DepthTop: "22",
		reading.DepthRight: "20", reading.DepthBottom: "21", reading.DepthLeft: "23"}), func(p *fit.Problem, s *Scene) {
		p.Gasket = fit.Gasket{Kind: fit.Flat, Free: 3}
		s.Sides = setting.Sides{Top: 1, Right: 4, Bottom: 2, Left: 3}
	}))
	say("no sides", variant(t, "putty-points", stoveRead(), func(_ *fit.Problem, s *Scene) { s.Sides = setting.Sides{} }))
	for _, ledge := range []string{"2.6", "3.4", "4"} {
		say("a ledge of "+ledge, variant(t, "bead-brads", with(map[reading.Place]string{reading.WidthTop: "300",
			reading.HeightLeft: "200"}, map[reading.Place]string{reading.Ledge: ledge}), nil))
	}
	undrawn := variant(t, "putty-points", map[reading.Place]string{reading.Ledge: "12"}, nil)
	undrawn.Problem.Shape, undrawn.Result = reading.Shape{Kind: reading.Drawn}, fit.Result{}
	say("to be drawn", undrawn)
	for _, doubt := range []float64{0, 4} {
		say(fmt.Sprintf("drawn, with holes, ±%v", doubt), variant(t, "putty-points", map[reading.Place]string{
			reading.Ledge: "12", reading.ShapePlace("width"): "362", reading.ShapePlace("height"): "356"},
			func(p *fit.Problem, _ *Scene) {
				p.Shape = reading.Shape{Kind: reading.Drawn, Drawn: &holed, Doubt: doubt}
				p.Cutter = fit.Toughened
			}))
	}
	golden.Check(t, "variants", b.String())
}

// holdsTogether holds a picture against what is so of every one: its points are numbers, lie in its
// box, and no two things that can be pointed at have one name.
func holdsTogether(t *testing.T, name string, d Drawing) {
	t.Helper()
	seen := map[string]bool{}
	for _, i := range d.Items {
		for _, p := range i.Points {
			if math.IsNaN(p.X+p.Y) || math.IsInf(p.X+p.Y, 0) {
				t.Errorf("%s, %s: %s has no place: %v", name, d.Name, i.ID, p)
			}
			if i.Radius == 0 && (p.X < d.Box.Min.X-1e-6 || p.X > d.Box.Max.X+1e-6 || p.Y < d.Box.Min.Y-1e-6 ||
				p.Y > d.Box.Max.Y+1e-6) { // the middle of an arc may
				t.Errorf("%s, %s: %s lies outside at %v", name, d.Name, i.ID, p)
			}
		}
		if i.ID != "" && i.Label != "" && seen[i.ID] {
			t.Errorf("%s, %s: %s stands twice", name, d.Name, i.ID)
		}
		seen[i.ID] = seen[i.ID] || i.Label != ""
	}
}

// Sheets with their cuts and names, an outline with its inset and holes, an object with its
// panes.
func TestPlansAndOutlinesAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	p, err := cutting.Solve(context.Background(), cutting.Task{
		Stock: []cutting.Stock{{ID: "s", W: 1605, H: 1125, Count: 2, Trim: cutting.Trim{Left: 12, Bottom: 15}},
			{ID: "rest", W: 640, H: 300, Offcut: true}},
		Pieces: []cutting.Piece{{ID: "a", W: 412, H: 333, Count: 7, Turn: true}, {ID: "b", W: 620, H: 190, Count: 3},
			{ID: "c", W: 75, H: 60, Count: 4, Turn: true}}, Rules: cutting.Rules{Least: 32, Keep: 180}},
		cutting.Options{Steps: 60, Seed: 2})
	if err != nil {
		t.Fatal(err)
	}
	b.WriteString(lines(CutPlan(&p, map[string]string{"a": "Greenhouse", "b": "Cabinet"})))
	p, err = cutting.Solve(context.Background(), cutting.Task{Stock: []cutting.Stock{{ID: "small", W: 420, H: 300},
		{ID: "high", W: 400, H: 560}}, Pieces: []cutting.Piece{{ID: "a", W: 300, H: 200}, {ID: "b", W: 90, H: 555}},
		Rules: cutting.Rules{Keep: 80}}, cutting.Options{Steps: 40, Seed: 3})
	if err != nil {
		t.Fatal(err)
	}
	b.WriteString(lines(CutPlan(&p, map[string]string{"a": "Wheelhouse"})))
	for _, f := range family.Book.All() {
		b.WriteString(lines(Edge(f, 4)))
		for _, thick := range []float64{3, 10, 25} {
			holdsTogether(t, f.ID, Edge(f, thick))
		}
	}
	hole, err := outline.Circle(30)
	if err != nil {
		t.Fatal(err)
	}
	for _, k := range outline.Kinds() {
		usual, made := k.Assume(nil)
		var d Drawing
		all := append(append([]outline.Measure{}, k.Measures...), k.Checks...)
		d.Measured(k.Lines(usual, made), all, map[string]string{all[0].Key: "300"})
		b.WriteString(lines(d))
		if k.Counted != "" {
			continue
		}
		_, path := k.Assume(nil)
		inset, err := path.Offset(9)
		if err != nil {
			inset = nil
		}
		at := path.Box()
		o := outline.Outline{Outer: path,
			Holes: []outline.Path{hole.Moved((at.Min.X+at.Max.X)/2, (at.Min.Y+2*at.Max.Y)/3)}}
		for _, d := range []Drawing{OfOutline(o, inset), OfOutline(o, nil)} {
			holdsTogether(t, k.ID, d)
		}
	}
	for _, l := range []Layout{{Across: 1, Down: 1}, {Across: 3, Down: 2}, {Across: 4, Behind: true}, {Across: 1,
		Behind: true}} {
		var panes []ObjectPane
		for i, s := range l.Spots() {
			panes = append(panes, ObjectPane{ID: int64(i + 7), Spot: s, Label: fmt.Sprintf("pane %d", i+1),
				State: []string{"here", "wait", "done"}[i%3]})
		}
		b.WriteString(lines(Object(panes)))
	}
	golden.Check(t, "plans", b.String())
}

// The box of a drawing holds circles whole, wherever they lie, and the margin.
func TestBoxHoldsCircles(t *testing.T) {
	ring := func(x, y, r float64) Item {
		return Item{Kind: Circle, Points: []outline.Point{{X: x, Y: y}}, Radius: r}
	}
	for _, c := range []struct {
		items          []Item
		x0, y0, x1, y1 float64
	}{
		{[]Item{ring(10, 20, 5)}, 3, 13, 17, 27},
		{[]Item{ring(10, 20, 5), ring(-40, 20, 6)}, -48, 12, 17, 28},
		{[]Item{ring(10, 20, 5), ring(10, 90, 7)}, 1, 13, 19, 99},
		{[]Item{ring(10, 20, 5), ring(60, -30, 1)}, 3, -33, 63, 27},
		{[]Item{{Kind: Polyline, Points: rect(0, 0, 100, 50)}, ring(100, 50, 4)}, -2, -2, 106, 56},
		{[]Item{{Kind: Polyline, Points: rect(0, 0, 100, 50)}, ring(0, 0, 4)}, -6, -6, 102, 52},
	} {
		d := Drawing{Items: c.items}
		d.fit(2)
		if got := d.Box; got.Min != (outline.Point{X: c.x0, Y: c.y0}) || got.Max != (outline.Point{X: c.x1, Y: c.y1}) {
			t.Errorf("%+v: %+v", c, got)
		}
	}
}

// On the way from cold to hot what breaks its limit is marked, clearance and bite each by itself.
func TestBrokenLimitsAreMarked(t *testing.T) {
	s := variant(t, "clip-heat", stoveRead(), nil)
	for _, low := range []fit.Stop{{}, {GapLow: true}, {BiteLow: true}, {GapLow: true, BiteLow: true}} {
		for _, i := range SectionAt(s, low).Items {
			want := ""
			if i.ID == "clearance" && low.GapLow || i.ID == "bite" && low.BiteLow {
				want = "odd"
			}
			if i.State != want {
				t.Errorf("%+v: %s is %q", low, i.ID, i.State)
			}
		}
	}
}
