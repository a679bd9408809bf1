package reading

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/tools/golden"
)

// asks writes what a person is asked to read, and why what is missing is wanted.
func asks(b *strings.Builder, name string, a Asked, whole bool) {
	fmt.Fprintf(b, "= %s\n", name)
	walk := a.Walk()
	for _, i := range walk {
		if !whole {
			fmt.Fprintf(b, " %s %v", i.Place, i.Needed)
			continue
		}
		fmt.Fprintf(b, "  %s, %s: %s, needed %v, %s, %g to %g\n", i.Place, i.Name, i.How, i.Needed, i.Instrument, i.Least,
			i.Most)
	}
	for _, m := range a.Missing(walk) {
		if !whole {
			continue
		}
		fmt.Fprintf(b, "  missing %s, %s: %s\n", m.Place, m.Name, m.Why)
	}
}

// Every way of holding: what is read of it as a rectangle, bent, copied from the old pane,
// copied with a witness, carried by holes, as a shape, drawn, traced round the pane.
func TestWalksAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	drawn, err := outline.RoundedRect(400, 300, 20)
	if err != nil {
		t.Fatal(err)
	}
	trace := &outline.Trace{Along: outline.RoundPane}
	for _, s := range family.Sizings {
		for _, c := range []struct {
			name string
			a    Asked
		}{
			{"as it is", Asked{}},
			{"bent", Asked{Shape: Shape{Curved: true}}},
			{"copied", Asked{Pattern: true}},
			{"copied, a witness for its width", Asked{Pattern: true, Said: Witnessed{Width: &Spoken{Size: 300}}}},
			{"copied, a witness for its height", Asked{Pattern: true, Said: Witnessed{Height: &Spoken{Size: 300}}}},
			{"carried", Asked{Carried: true}}, {"copied and carried", Asked{Pattern: true, Carried: true}},
			{"round top", Asked{Shape: Shape{Kind: "round-top"}}},
			{"round top, copied and carried", Asked{Shape: Shape{Kind: "round-top"}, Pattern: true, Carried: true}},
			{"ordinates", Asked{Shape: Shape{Kind: "ordinates", Count: 4}}},
			{"no shape that there is", Asked{Shape: Shape{Kind: "cloud"}}},
			{"drawn", Asked{Shape: Shape{Kind: Drawn, Drawn: &outline.Outline{Outer: drawn}}}},
			{"traced round the pane", Asked{Shape: Shape{Kind: Drawn, Drawn: &outline.Outline{Outer: drawn}, Trace: trace}}},
		} {
			if c.a.Sizing = s; c.name != "as it is" && s != "rebate" && s != "tube" && s != "clamp" {
				continue
			}
			asks(b, string(s)+", "+c.name, c.a, c.name == "as it is" || c.name == "carried" && s == "rebate")
			field := ""
			if f := fault.Of(c.a.Shape.Check(s)); f != nil {
				field = f.Field + ": " + f.Why + "; " + f.Cure
			}
			fmt.Fprintf(b, "  copies %v, square %v, refused %q\n", c.a.Copies(), c.a.Shape.Square(), field)
		}
	}
	golden.Check(t, "walks", b.String())
}

// A drawn shape needs its outline and a doubt from 0 to 50 mm.
func TestDrawnShapes(t *testing.T) {
	p, err := outline.RoundedRect(400, 300, 20)
	if err != nil {
		t.Fatal(err)
	}
	o := &outline.Outline{Outer: p}
	for _, c := range []struct {
		s     Shape
		field string
	}{
		{Shape{Kind: Drawn}, "shape.drawn"}, {Shape{Kind: Drawn, Drawn: &outline.Outline{}}, "shape.drawn"},
		{Shape{Kind: Drawn, Drawn: o}, ""}, {Shape{Kind: Drawn, Drawn: o, Doubt: 50}, ""},
		{Shape{Kind: Drawn, Drawn: o, Doubt: 50.1}, "shape.doubt"}, {Shape{Kind: Drawn, Drawn: o, Doubt: -0.1},
			"shape.doubt"},
		{Shape{Kind: "ordinates", Count: 40}, "shape.count"}, {Shape{Kind: "cloud"}, "shape.kind"},
	} {
		field := ""
		if f := fault.Of(c.s.Check("rebate")); f != nil {
			field = f.Field
		}
		if field != c.field {
			t.Errorf("%+v: %q, want %q", c.s, field, c.field)
		}
	}
}

// What is read in one direction: the least and the greatest with their doubts, whichever
// was read first, and where the least was.
func TestAcross(t *testing.T) {
	at := func(top, middle, bottom length.Reading) Across {
		a := Widths()
		a.Take(map[Place]length.Reading{WidthTop: top, WidthMiddle: middle, WidthBottom: bottom})
		return a
	}
	r := func(v, d float64) length.Reading { return length.Reading{Value: v, Doubt: d} }
	for name, a := range map[string]Across{"down": at(r(402, 1), r(401, 0.5), r(400, 2)), "up": at(r(400, 2), r(401, 0.5),
		r(402, 1))} {
		if a.Nominal != 400 || a.Widest != 402 || a.Spread != 2 || a.Doubt != 2 || a.Low != 398 || a.High != 403 ||
			a.Read != 3 ||
			a.Mean() != 401 {
			t.Errorf("%s: %+v", name, a)
		}
	}
	if a := at(r(402, 1), r(401, 0.5), r(400, 2)); a.Least != WidthBottom {
		t.Errorf("the least is at %s", a.Least)
	}
	none := Heights()
	if none.Take(nil); none.Read != 0 {
		t.Errorf("nothing read: %+v", none)
	}
	s := Single(Faces, r(250, 0.5))
	if s.Least != Faces || s.Nominal != 250 || s.Widest != 250 || s.Low != 249.5 || s.High != 250.5 || s.Doubt != 0.5 ||
		s.Read != 1 {
		t.Errorf("one alone: %+v", s)
	}
}

// Two widths and two diagonals against one another, to the limits: 6 mm or a fiftieth apart,
// the heights within 6 mm.
func TestOddPairToItsLimit(t *testing.T) {
	for _, c := range []struct {
		name           string
		top, bottom    float64
		left, right, d float64
		odd            Place
	}{
		{"apart by the limit", 400, 408, 300, 300, 500, ""},
		{"a little more", 400, 408.3, 300, 300, 500, WidthBottom},
		{"the other one", 391, 400, 300, 300, 500, WidthTop},
		{"short, apart by 6", 200, 206, 150, 150, 250, ""},
		{"short, by more", 200, 206.1, 150, 150, 250, WidthBottom},
		{"heights that are not sure", 400, 420, 300, 306.1, 500, ""},
		{"heights just sure", 400, 420, 297, 303, 500, WidthBottom},
		{"diagonals that are too short", 400, 420, 300, 300, 299, ""},
		{"a height", 300, 300, 400, 420, 500, HeightRight},
	} {
		a := Asked{Sizing: "rebate", Readings: map[Place]length.Reading{WidthTop: {Value: c.top},
			WidthBottom: {Value: c.bottom},
			HeightLeft:  {Value: c.left}, HeightRight: {Value: c.right}, Rising: {Value: c.d}, Falling: {Value: c.d}}}
		got := Place("")
		if o := a.Odd(); len(o) > 0 {
			got = o[0].Place
		}
		if got != c.odd {
			t.Errorf("%s: %q, want %q", c.name, got, c.odd)
		}
	}
	half := Asked{Sizing: "rebate", Readings: map[Place]length.Reading{WidthTop: {Value: 400}, WidthBottom: {Value: 430},
		HeightLeft: {Value: 300}, Rising: {Value: 500}}}
	if o := half.Odd(); len(o) != 0 {
		t.Errorf("one diagonal settles nothing: %+v", o)
	}
	if o := (Asked{Sizing: "rebate", Readings: map[Place]length.Reading{WidthTop: {Value: 206.5},
		WidthMiddle: {Value: 200},
		WidthBottom: {Value: 200}}}).Odd(); len(o) != 1 ||
		o[0].Sentence != "Width, top reads 206.5; the other two say about 200.0. Read it again. It is left out until then." {
		t.Errorf("%+v", o)
	}
}
