package setting

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/working"
)

// A 310 ml tube makes about 8.6 m of 6 × 6 mm joint and 6.5 m of 8 × 12 mm triangle
// (adhesive makers' tables, from memory).
func TestYield(t *testing.T) {
	for _, c := range []struct {
		b    Bead
		want float64
	}{{Bead{Section: Joint, Width: 6, Height: 6}, 8.6}, {Bead{Section: Triangle, Width: 8, Height: 12}, 6.5},
		{Bead{Section: Fillet, Width: 10, Height: 10}, 6.2}, {Bead{Section: Round, Width: 10}, 3.95}} {
		c.b.Length = 1000
		if f, err := c.b.Figures(); err != nil || math.Abs(f[2].Value-c.want) > 0.05 {
			t.Errorf("%+v: %+v, %v", c.b, f, err)
		}
	}
}

// By hand: 2.4 m of 8 × 12 make 115.2 ml, 132.48 with the waste: one tube; laid at
// 25 mm/s in 1.6 min, 3.6 with the setting, by two in 2.8.
func TestBead(t *testing.T) {
	b := Bead{Length: 2400, Section: Triangle, Width: 8, Height: 12, Skin: 3.6}
	for _, c := range []struct {
		name    string
		change  func(*Bead)
		ml, n   float64
		verdict working.Verdict
		says    string
	}{
		{"fits to the second", func(*Bead) {}, 132.48, 1, working.Good, "before it skins"},
		{"skins before", func(b *Bead) { b.Skin = 3.59 }, 132.48, 1, working.Stop, "second pair of hands"},
		{"by two", func(b *Bead) { b.Skin, b.People = 2.8, 2 }, 132.48, 1, working.Good, "before it skins"},
		{"a tube to the drop", func(b *Bead) { b.Tube = 132.48 }, 132.48, 1, working.Good, ""},
		{"one drop more", func(b *Bead) { b.Tube = 132.4 }, 132.48, 2, working.Good, ""},
		{"small ones", func(b *Bead) { b.Tube, b.Place = 80, 1 }, 132.48, 2, working.Good, ""},
	} {
		k := b
		c.change(&k)
		f, err := k.Figures()
		if err != nil || math.Abs(f[0].Value-c.ml) > 0.01 || f[1].Value != c.n || f[3].Verdict != c.verdict ||
			!strings.Contains(f[3].Sentence, c.says) {
			t.Errorf("%s: %v, %+v", c.name, err, f)
		}
	}
	b.Skin = 0
	if f, err := b.Figures(); err != nil || len(f) != 3 {
		t.Errorf("%v, %+v", err, f)
	}
}

// More bead is never fewer tubes.
func TestMoreBeadNeverFewerTubes(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	for range 2000 {
		b := Bead{Length: 1 + 9000*r.Float64(), Section: []Section{Triangle, Round, Fillet, Joint}[r.IntN(4)],
			Width: 1 + 20*r.Float64(), Height: 1 + 20*r.Float64(), Tube: 80 + 500*r.Float64()}
		more := b
		more.Length *= 1 + r.Float64()
		more.Width = min(100, more.Width*(1+r.Float64()))
		one, err := b.Figures()
		two, err2 := more.Figures()
		if err != nil || err2 != nil || two[1].Value < one[1].Value {
			t.Fatalf("%+v: %v, %+v: %v", b, one[1].Value, more, two[1].Value)
		}
	}
}

func TestBeadRefuses(t *testing.T) {
	good := Bead{Length: 1000, Section: Joint, Width: 6, Height: 6}
	for _, c := range []struct {
		field  string
		change func(*Bead)
	}{
		{"length", func(b *Bead) { b.Length = 0.9 }}, {"", func(b *Bead) { b.Length = 1 }},
		{"", func(b *Bead) { b.Length = 1e6 }},
		{"length", func(b *Bead) { b.Length = 1e6 + 1 }}, {"width", func(b *Bead) { b.Width = 0.9 }},
		{"width", func(b *Bead) { b.Width = 100.1 }}, {"", func(b *Bead) { b.Width, b.Height = 100, 100 }},
		{"height", func(b *Bead) { b.Height = 0 }}, {"height", func(b *Bead) { b.Height = 100.1 }},
		{"", func(b *Bead) { b.Section, b.Height = Round, 0 }}, {"section", func(b *Bead) { b.Section = "star" }},
		{"tube", func(b *Bead) { b.Tube = 2001 }}, {"", func(b *Bead) { b.Tube = 2000 }},
		{"tube", func(b *Bead) { b.Tube = -1 }},
		{"tube", func(b *Bead) { b.People = 5 }}, {"", func(b *Bead) { b.People = 4 }},
		{"tube", func(b *Bead) { b.Skin = -1 }},
		{"tube", func(b *Bead) { b.Place = -1 }},
	} {
		b := good
		c.change(&b)
		_, err := b.Figures()
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil && f.Field != c.field {
			t.Errorf("%q: %v", c.field, err)
		}
	}
}
