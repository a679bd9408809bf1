package setting

import (
	"math"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/working"
)

func figure(t *testing.T, all []working.Figure, key string) working.Figure {
	t.Helper()
	for _, f := range all {
		if f.Key == key {
			return f
		}
	}
	t.Fatalf("no figure %s in %+v", key, all)
	return working.Figure{}
}

// 80 to 90 in 100 of 1.2 mm; 2 mm to the glass. Common practice, no source.
func TestBrad(t *testing.T) {
	for to, verdict := range map[float64]working.Verdict{1.9: working.Stop, 2: working.Good, 2.1: working.Good} {
		all, err := Brad{1.2, to}.Figures()
		if err != nil {
			t.Fatal(err)
		}
		if f := figure(t, all, "brad_glass"); f.Verdict != verdict {
			t.Errorf("%g mm: %s", to, f.Verdict)
		}
		if f := figure(t, all, "pilot"); f.Text != "0.96 to 1.08 mm" {
			t.Errorf("%s", f.Text)
		}
	}
}

// Drills by their sizes in inches, from memory; 0.5 mm round bolt and bush: inside, at,
// outside.
func TestRivet(t *testing.T) {
	at := func(hole float64) []working.Figure {
		all, err := Rivet{"3/16", hole, 5, 1, 9, 4}.Figures()
		if err != nil {
			t.Fatal(err)
		}
		return all
	}
	for hole, verdict := range map[float64]working.Verdict{7.9: working.Stop, 8: working.Good, 8.1: working.Good} {
		if f := figure(t, at(hole), "bolt_clear"); f.Verdict != verdict {
			t.Errorf("%g mm: %s, %s", hole, f.Text, f.Verdict)
		}
	}
	if f := figure(t, at(8), "bolt_grip"); f.Value != 13 {
		t.Errorf("%g", f.Value)
	}
	for size, mm := range map[string]float64{"1/8": 3.26, "5/32": 4.09, "3/16": 4.85, "1/4": 6.53} {
		all, err := Rivet{size, 20, 5, 1, 9, 4}.Figures()
		if err != nil || math.Abs(figure(t, all, "rivet_drill").Value-mm) > 0.005 {
			t.Errorf("%s: %v", size, err)
		}
		// A drill is a little larger than its rivet, never smaller.
		if in := map[string]float64{"1/8": 0.125, "5/32": 0.15625, "3/16": 0.1875, "1/4": 0.25}[size]; mm < in*25.4 {
			t.Errorf("%s is drilled with %g mm", size, mm)
		}
	}
}

// What springs back, what shrank, what was seen: inside, at, outside. Common practice, no
// source.
func TestReuse(t *testing.T) {
	for _, c := range []struct {
		name string
		g    Reuse
		want working.Verdict
	}{
		{"a rope that springs back", Reuse{Kind: "rope", Free: 10, Sprung: 7.1, Path: 1000, Length: 1000}, working.Good},
		{"at 70 in 100", Reuse{Kind: "rope", Free: 10, Sprung: 7, Path: 1000, Length: 1000}, working.Good},
		{"flat", Reuse{Kind: "rope", Free: 10, Sprung: 6.9, Path: 1000, Length: 1000}, working.Stop},
		{"a hair short", Reuse{Kind: "rope", Free: 10, Sprung: 8, Path: 1000, Length: 999}, working.Stop},
		{"with a shiny band", Reuse{Kind: "rope", Free: 10, Sprung: 8, Path: 1000, Length: 1001, Seen: []string{"hard-band"}},
			working.Stop},
		{"rubber, shrunk a little", Reuse{Kind: "rubber", Path: 1000, Length: 980.1}, working.Good},
		{"rubber, at 2 in 100", Reuse{Kind: "rubber", Path: 1000, Length: 980}, working.Stop},
		{"rubber, shrunk", Reuse{Kind: "rubber", Path: 1000, Length: 979}, working.Stop},
		{"rubber, longer than its path", Reuse{Kind: "rubber", Path: 1000, Length: 1010}, working.Good},
		{"rubber that a nail does not mark", Reuse{Kind: "rubber", Path: 1000, Length: 1000, Seen: []string{"no-nail-mark"}},
			working.Stop},
	} {
		all, err := c.g.Figures()
		if err != nil {
			t.Fatal(err)
		}
		if f := figure(t, all, "reuse"); f.Verdict != c.want || (f.Text == "renew it") != (c.want == working.Stop) {
			t.Errorf("%s: %+v", c.name, f)
		}
	}
}

// 10 × 10 mm before the glass and 2 mm behind it: 70 mm², a tenth more, 1.9 kg a litre:
// 146 g a metre.
func TestPuttied(t *testing.T) {
	all, err := Puttied{Length: 1800, Face: 10, Rebate: 10}.Figures()
	if err != nil || math.Abs(figure(t, all, "putty_metre").Value-0.1463) > 1e-9 ||
		math.Abs(figure(t, all, "putty").Value-0.1463*1.8) > 1e-9 {
		t.Errorf("%+v, %v", all, err)
	}
	last := 0.0
	for rebate := 4.0; rebate < 30; rebate++ {
		all, _ := Puttied{Length: 1800, Face: 10, Rebate: rebate}.Figures()
		if v := figure(t, all, "putty").Value; v <= last {
			t.Errorf("a rebate of %g mm takes no more", rebate)
		} else {
			last = v
		}
	}
}

// What cannot be names its field.
func TestFixingsRefuse(t *testing.T) {
	type figures interface {
		Figures() ([]working.Figure, error)
	}
	for field, c := range map[string]figures{
		"diameter": Brad{0.4, 3}, "to_glass": Brad{1, -1}, "size": Rivet{"7/8", 10, 5, 1, 9, 4},
		"hole": Rivet{"1/8", 1, 5, 1, 9, 4},
		"bolt": Rivet{"1/8", 10, 1, 1, 9, 4}, "bush": Rivet{"1/8", 10, 5, 0, 9, 4}, "stack": Rivet{"1/8", 10, 5, 1, 0, 4},
		"nut": Rivet{"1/8", 10, 5, 1, 9, -1}, "kind": Reuse{Kind: "string", Path: 100, Length: 100},
		"path": Reuse{Kind: "rubber", Length: 100}, "length": Reuse{Kind: "rubber", Path: 100},
		"free": Reuse{Kind: "rope", Path: 100, Length: 100}, "sprung": Reuse{Kind: "rope", Path: 100, Length: 100, Free: 10,
			Sprung: 16},
		"seen[0]": Reuse{Kind: "rubber", Path: 100, Length: 100, Seen: []string{"ghost"}},
		"face":    Puttied{Length: 10, Rebate: 5},
		"rebate":  Puttied{Length: 10, Face: 5}, "back": Puttied{Length: 10, Face: 5, Rebate: 5, Back: 11},
	} {
		if _, err := c.Figures(); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%+v: %v, want %s", c, err, field)
		}
	}
}

// A new rope is from 1 to 60 mm thick; of rubber nobody asks.
func TestBoundsOfARope(t *testing.T) {
	for _, c := range []struct {
		kind  string
		free  float64
		field string
	}{{"rope", 1, ""}, {"rope", 0.9, "free"}, {"rope", 60, ""}, {"rope", 60.1, "free"}, {"rubber", 0, ""}} {
		_, err := Reuse{Kind: c.kind, Free: c.free, Sprung: c.free, Path: 1000, Length: 1000}.Figures()
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil && f.Field != c.field {
			t.Errorf("%+v: %v", c, err)
		}
	}
}
