package reckon

import (
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/setting"
)

// usually are readings that make sense in every family, at its own places.
func usually(t testing.TB, f family.Family) map[reading.Place]length.Reading {
	t.Helper()
	texts := map[reading.Place]string{reading.WidthTop: "420 ±0.3", reading.WidthBottom: "420 ±0.3",
		reading.HeightLeft:  "310 ±0.3",
		reading.HeightRight: "310 ±0.3", reading.Ledge: "24", reading.Reach: "24", reading.Web: "5",
		reading.Across0: "300", reading.Across45: "302", reading.Across90: "300", reading.Across135: "300",
		reading.Faces:     "250 ±0.5",
		reading.StopDepth: "18", reading.TubeOutside: "12.7", reading.TubeWall: "2.4", reading.UpperPocket: "26",
		reading.LowerPocket: "9",
		reading.HoleAcross:  "14", reading.HoleUp: "45", reading.HoleSide: "60", reading.HoleApart: "293",
		reading.BushAcross: "12"}
	mine := map[reading.Place]string{}
	p := reading.Asked{Sizing: f.Sizing, Carried: f.Carried != ""}
	for _, i := range p.Walk() {
		if s, ok := texts[i.Place]; ok {
			mine[i.Place] = s
		}
	}
	r, err := reading.FromTexts(mine, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

// optional are numbers that hang on something that need not be read or noted.
var optional = map[string]bool{"stack": true, "turns": true, "gasket_length": true, "pack_here": true,
	"pack_touch":   true,
	"covers_width": true, "covers_height": true,
	"wall_thin": true, "wall_thick": true, "corner_gap": true, "screw_need": true, "screw_loose": true,
	"screw_crush": true}

// Every family is reckoned whole: a size, an order line, odds, a drawing, a
// plan whose steps show only numbers that were reckoned, and nothing that is
// missing a working.
func TestEveryFamilyIsReckoned(t *testing.T) {
	for _, f := range family.Book.All() {
		e, err := exposure.Book.ByID(f.Exposure)
		if err != nil {
			t.Fatal(err)
		}
		k := Known{Object: Object{Exposure: e},
			Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None},
				Sides: setting.Sides{Top: 2, Right: 2, Bottom: 2, Left: 2}}, Seen: Seen{Readings: usually(t, f)}, Unit: length.MM,
			Draws: 500}
		r, err := Pane(k)
		if err != nil || r.Fault != nil {
			t.Fatalf("%s: %v %v", f.ID, err, r.Fault)
		}
		if !r.Fit.Ready || r.Order == "" || r.Fit.Chance == nil || len(r.Fit.Missing) != 0 || len(r.Makes) == 0 {
			t.Errorf("%s: order %q, missing %v", f.ID, r.Order, r.Fit.Missing)
		}
		keys := map[string]bool{"order": true}
		for _, g := range r.Figures {
			if keys[g.Key] || g.Text == "" || g.Working.Formula == "" || g.Sentence == "" {
				t.Errorf("%s: figure %s is twice or says too little", f.ID, g.Key)
			}
			keys[g.Key] = true
		}
		for _, s := range r.Plan.Steps {
			for _, k := range s.Figures {
				if !keys[k] && !optional[k] {
					t.Errorf("%s: step %s shows %s, which nobody reckoned", f.ID, s.Key, k)
				}
			}
		}
		if len(r.Table.Items) < 5 || len(r.Section.Items) < 4 || len(r.Touch) == 0 || r.Cutting.Sentence == "" {
			t.Errorf("%s: %d parts on the table, %d in the section", f.ID, len(r.Table.Items), len(r.Section.Items))
		}
		if p, ok := r.Outline(); ok != (f.Sizing != family.Tube) || ok && p.Area() <= 0 {
			t.Errorf("%s: outline %v, %v", f.ID, p, ok)
		}
	}
}

// The order line says what the pane is.
func TestOrderLines(t *testing.T) {
	for id, want := range map[string]string{
		"gauge-tube": "mm long, not chosen yet; best choice: borosilicate, wall 2.4 mm, ±",
		"ring-port":  "round, ", "putty-points": " × "} {
		f, err := family.Book.ByID(id)
		if err != nil {
			t.Fatal(err)
		}
		e, _ := exposure.Book.ByID(f.Exposure)
		r, err := Pane(Known{Object: Object{Exposure: e}, Holding: Holding{Family: id, Gasket: fit.Gasket{Kind: fit.None}},
			Seen: Seen{Readings: usually(t, f)}, Unit: length.MM})
		if err != nil || !strings.Contains(r.Order, want) {
			t.Errorf("%s: %q, %v", id, r.Order, err)
		}
	}
}

// What is used and must never be is said, and stops the signature's way.
func TestClash(t *testing.T) {
	k := stove(t)
	k.Uses = []string{"abrasive"}
	r, err := Pane(k)
	if err != nil || len(r.Stops) != 1 || r.Stops[0].Key != "clash_abrasive" ||
		!strings.Contains(r.Stops[0].Says, "a scratch is where it breaks") {
		t.Errorf("%+v, %v", r.Stops, err)
	}
	k.Uses = []string{"mild-soap"}
	if r, err = Pane(k); err != nil || len(r.Stops) != 0 {
		t.Errorf("%+v, %v", r.Stops, err)
	}
}

// What a family's steps may show is something that the program can reckon: with
// everything read and noted no number is missing.
func TestOptionalNumbersAreReckoned(t *testing.T) {
	f, err := family.Book.ByID("clamp-ring")
	if err != nil {
		t.Fatal(err)
	}
	e, _ := exposure.Book.ByID(f.Exposure)
	k := Known{Object: Object{Exposure: e}, Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None}},
		Seen: Seen{Readings: usually(t, f)}, Unit: length.MM}
	for place, v := range map[reading.Place]float64{reading.DepthTop: 26, reading.BodyWidth: 414, reading.BodyHeight: 304,
		reading.BodyCorner: 40, reading.CutCorner: 40, reading.FlangeWidth: 450, reading.FlangeHeight: 340,
		reading.MarkWidth: 440, reading.MarkHeight: 330, reading.WallLeast: 20, reading.WallMost: 32, reading.RingThick: 3,
		reading.ScrewStop:   8,
		reading.ScrewLength: 21} {
		k.Readings[place] = length.Reading{Value: v, Doubt: 0.1}
	}
	keys := map[string]bool{"order": true}
	add := func(k Known) Reckoning {
		r, got := reckoned(t, k)
		for key := range got {
			keys[key] = true
		}
		return r
	}
	ring := add(k)
	pack := deck(t, 2)
	packed := add(pack)
	for _, r := range []Reckoning{ring, packed} {
		for _, s := range r.Plan.Steps {
			for _, want := range s.Figures {
				if !keys[want] {
					t.Errorf("%s: step %s shows %s, which nobody reckoned", r.Family.ID, s.Key, want)
				}
			}
		}
	}
}
