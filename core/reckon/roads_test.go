package reckon

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/bond"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/core/setting"
	"freshshard/core/witness"
	"freshshard/tools/golden"
)

// toldGoing writes how a pane goes on its road: what is bought or ordered, what is settled, its
// work, what the customer is told, what the faces of its bond said.
func toldGoing(b *strings.Builder, name string, k Known) {
	r, err := Pane(k)
	if err != nil {
		fmt.Fprintf(b, "= %s: %v\n", name, err)
		return
	}
	fmt.Fprintf(b, "= %s: %+v; %q, %q, %s, assumed %v, %d missing, %d odd, withheld %q, fault %v\n", name, r.Road, r.Order,
		r.Pane, r.Material.ID, r.Assumed, len(r.Fit.Missing), len(r.Fit.Odd), r.Withheld, r.Fault)
	for _, s := range r.Stops {
		fmt.Fprintf(b, "  STOP %s: %s\n", s.Key, s.Says)
	}
	for _, s := range r.Plan.Steps {
		fmt.Fprintf(b, " %s", s.Key)
		if s.Station == "assess" {
			fmt.Fprintf(b, " (%s)", s.Title)
		}
	}
	for _, c := range r.Family.Checks {
		fmt.Fprintf(b, " ?%s", c.Key)
	}
	for _, l := range r.Handover {
		fmt.Fprintf(b, "\n  told %s: %s", l.Title, l.Text)
	}
	for _, f := range r.Figures {
		fmt.Fprintf(b, "\n  %s %s %s", f.Verdict, f.Key, f.Text)
	}
	if r.Peeled != nil {
		fmt.Fprintf(b, "\n  peeled %.3f of %.0f: %s", r.Peeled.Carried, r.Peeled.Area, r.Peeled.Says)
	}
	b.WriteString("\n")
}

// heldBy is a pane held in a way, where such panes usually stand, read as usual.
func heldBy(t *testing.T, id string) Known {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	e, err := exposure.Book.ByID(f.Exposure)
	if err != nil {
		t.Fatal(err)
	}
	return Known{Object: Object{Exposure: e},
		Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None},
			Sides: setting.Sides{Top: 2, Right: 2, Bottom: 2, Left: 2}}, Seen: Seen{Readings: usually(t, f)}, Unit: length.MM}
}

// Each road of a pane held by clips, of one that is glued, of a ring's window and of a tube,
// however it came.
func TestRoadsAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	ways := map[string]int{} // what was told of a road already
	for _, id := range []string{"clip-heat", "bonded-fixed", "ring-port", "gauge-tube"} {
		k := heldBy(t, id)
		k.Peel = bond.Peel{Length: 400, Width: 12, Spots: []bond.Spot{bond.Glass, bond.Glass, bond.Torn}}
		came := []road.Came{road.Whole}
		if id == "bonded-fixed" {
			came = append(came, road.Broken, road.Unbroken)
		}
		for _, rd := range road.All() {
			for _, h := range rd.Hows {
				for _, came := range came {
					for _, p := range []road.Part{{}, {Number: "71-404"}, {Seen: "old"}} {
						if rd.Part != p.Noted() {
							continue
						}
						k.Road = road.Chosen{ID: rd.ID, How: h.ID, Came: came, Part: p}
						toldGoing(b, fmt.Sprintf("%s, %s %s, %s, %q", id, rd.ID, h.ID, came, p.Says()), k)
						ways[rd.ID]++
					}
				}
			}
		}
		if k.Road = (road.Chosen{}); id != "clip-heat" {
			continue
		}
		for _, material := range []string{"annealed", "toughened", "polycarbonate", "board", "mesh"} {
			m, err := pane.Book.ByID(material)
			if err != nil {
				t.Fatal(err)
			}
			k.Material, k.Thickness = m.ID, m.Thicknesses[0]
			for _, other := range []road.Chosen{{ID: "other", How: "board"}, {ID: "size", How: "opening"}} {
				k.Road = other
				toldGoing(b, fmt.Sprintf("%s, %s, of %s", id, other.ID, m.ID), k)
			}
		}
	}
	if len(ways) != len(road.All()) {
		t.Errorf("%v", ways)
	}
	golden.Check(t, "roads", b.String())
}

// Bad maps of a bond are refused at their field, and only where somebody sticks it again.
func TestPeelOfAPane(t *testing.T) {
	k := heldBy(t, "bonded-fixed")
	bad := bond.Peel{Length: -1, Width: 12, Spots: []bond.Spot{bond.Glass}}
	for _, c := range []struct {
		how  string
		peel bond.Peel
		says string // what Pane answers
		read bool
	}{{"stick", bond.Peel{Spots: []bond.Spot{bond.Glass}}, "", true}, {"stick", bond.Peel{}, "", false},
		{"stick", bad, "peel.length", false}, {"seal", bad, "", false},
		{"seal", bond.Peel{Spots: []bond.Spot{bond.Glass}}, "", false}, {"seal", bond.Peel{}, "", false}} {
		k.Peel, k.Road = c.peel, road.Chosen{ID: "stays", How: c.how, Came: road.Whole}
		r, err := Pane(k)
		if (err == nil) != (c.says == "") || err != nil && !strings.HasPrefix(err.Error(), c.says) {
			t.Errorf("%+v: %v", c, err)
		}
		if err == nil && (r.Peeled != nil) != c.read {
			t.Errorf("%+v: peeled %+v", c, r.Peeled)
		}
	}
}

// A kept reckoning that says nothing of roads is that of a pane made to size, and has a list
// where a list belongs; one that says it is kept as it is.
func TestKeptBeforeRoads(t *testing.T) {
	r := Reckoning{}.Whole()
	if r.Road != (Going{ID: "size", Name: "A new pane made to size", Sized: true, Settled: true, Noted: true}) ||
		r.Chain == nil || r.Handover == nil || r.Why.Behind == nil || r.Was.Behind == nil {
		t.Errorf("%+v", r.Road)
	}
	part := Reckoning{}
	part.Road = Going{ID: "part"}
	if r = part.Whole(); r.Road != (Going{ID: "part"}) {
		t.Errorf("%+v", r.Road)
	}
}

// How long round a pane is follows its size; of a shape that is known it keeps the shape, of one
// that is not nothing is said, and with nothing read it has four corners.
func TestRoundOfAPane(t *testing.T) {
	near := func(got, want float64) bool { return got > want-1e-9 && got < want+1e-9 }
	circle, err := outline.Circle(300)
	if err != nil {
		t.Fatal(err)
	}
	r := Sized{Fit: fit.Result{Pane: circle}}
	if f := r.round(); f == nil || !near(f(300, 300), circle.Perimeter()) || !near(f(600, 600),
		2*circle.Perimeter()) {
		t.Error("a circle is not as long round as it is")
	}
	r.Fit.Pane, r.k.Shape.Kind = nil, "circle"
	if r.round() != nil {
		t.Error("a shape that nobody read is as long round as something")
	}
	r.k.Shape.Kind = ""
	if f := r.round(); f == nil || !near(f(300, 200), witness.Cornered(0)(300, 200)) ||
		!near(f(300, 200), 1000) {
		t.Error("four corners are not as long round as their sides")
	}
}

// What can be said where nothing is known but how a pane is held: it stands where such panes
// usually do.
func TestBareIsAsUsual(t *testing.T) {
	b := &strings.Builder{}
	for _, f := range family.Book.All() {
		r := Bare(f.ID)
		fmt.Fprintf(b, "%s: %s, %d steps, %d cautions, %d to read; %s\n", f.ID, r.Pane, len(r.Plan.Steps),
			len(r.Plan.Cautions), len(r.Fit.Missing), r.Choice.Advice)
	}
	golden.Check(t, "bare", b.String())
}

// Turns are told of a flat gasket under a screw that is known, and of nothing else.
func TestTurnsOfAGasket(t *testing.T) {
	for _, c := range []struct {
		gasket fit.Gasket
		screw  string
		told   bool
	}{{fit.Gasket{Kind: fit.Flat, Free: 3}, "M4", true}, {fit.Gasket{Kind: fit.Flat, Free: 3}, "", false},
		{fit.Gasket{Kind: fit.None, Free: 3}, "M4", false}, {fit.Gasket{Kind: fit.Wrapped, Free: 3}, "M4", false},
		{fit.Gasket{Kind: fit.Flat, Free: 3}, "M99", false}} {
		k := stove(t)
		k.Gasket, k.Screw = c.gasket, c.screw
		r, err := Pane(k)
		if err != nil {
			t.Fatal(err)
		}
		told := false
		for _, f := range r.Figures {
			told = told || f.Key == "turns"
		}
		if told != c.told {
			t.Errorf("%+v: told %v", c, told)
		}
	}
}

// The longer side of a pane says whether two carry it, whichever side it is.
func TestLongPanesTakeTwo(t *testing.T) {
	for _, c := range []struct {
		w, h string
		two  bool
	}{{"1300", "300", true}, {"300", "1300", true}, {"900", "300", false}, {"300", "900", false}} {
		r, err := reading.FromTexts(map[reading.Place]string{reading.WidthTop: c.w, reading.WidthBottom: c.w,
			reading.HeightLeft: c.h, reading.HeightRight: c.h, reading.Ledge: "12"}, length.MM)
		if err != nil {
			t.Fatal(err)
		}
		k := heldBy(t, "bead-brads")
		k.Readings = r
		got, err := Pane(k)
		if err != nil {
			t.Fatal(err)
		}
		two := false
		for _, s := range got.Plan.Steps {
			two = two || s.People > 1
		}
		if two != c.two {
			t.Errorf("%s × %s: for two %v", c.w, c.h, two)
		}
	}
}
