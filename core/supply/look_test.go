package supply

import (
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/working"
)

// What is looked at by road; common practice, no source.
func TestLooks(t *testing.T) {
	for _, c := range []struct {
		name string
		f    Facts
		want string
	}{
		{"made to size", Facts{Glass: true}, "size edges"},
		{"with holes, a mark, a coated face", Facts{Holes: true, Mark: true, Faced: true}, "size holes mark face edges"},
		{"curved", Facts{Curved: true}, "size curve edges"},
		{"a part", Facts{Part: true, Holes: true}, "old-on-new curve edges box"},
		{"a framed window", Facts{Wall: true}, "window edges box"},
	} {
		got := []string{}
		for _, l := range Looks(c.f) {
			got = append(got, l.Key)
			if l.Says == "" || len(l.Wrongs) == 0 {
				t.Errorf("%s: %+v", c.name, l)
			}
		}
		if strings.Join(got, " ") != c.want {
			t.Errorf("%s: %v", c.name, got)
		}
	}
	for glass, word := range map[bool]string{true: "chipped edge", false: "film gone"} {
		looks := Looks(Facts{Glass: glass})
		if !strings.Contains(strings.Join(looks[len(looks)-1].Wrongs, ","), word) {
			t.Errorf("%v: %v", glass, looks)
		}
	}
}

// A pane of 300 × 200 from a cutter with ±1: just inside, at, just outside, on both
// sides, and the words.
func TestJudge(t *testing.T) {
	for _, c := range []struct {
		w, h  float64
		unit  length.Unit
		stops int
		says  string
	}{
		{300, 200, length.MM, 0, ""}, {300.9, 0, length.MM, 0, ""}, {301, 199, length.MM, 0, ""},
		{301.1, 200, length.MM, 1, "1.1 mm wider than ordered, of ±1.0 mm"},
		{298.9, 200, length.MM, 1, "1.1 mm narrower than ordered, of ±1.0 mm"},
		{0, 201.1, length.MM, 1, "1.1 mm higher than ordered, of ±1.0 mm"},
		{303, 198, length.MM, 2, "3.0 mm wider than ordered, of ±1.0 mm; 2.0 mm lower than ordered, of ±1.0 mm"},
		{303.2, 0, length.IN, 1, "1/8 in wider than ordered, of ±3/64− in"},
	} {
		f, err := Measured{W: 300, H: 200, Band: 1, ReadW: c.w, ReadH: c.h}.Judge(c.unit)
		if err != nil {
			t.Fatal(err)
		}
		n := 0
		for _, g := range f {
			if g.Verdict == working.Stop {
				n++
			} else if !strings.Contains(g.Sentence, "ordered, of ±") {
				t.Errorf("%q", g.Sentence)
			}
		}
		if n != c.stops || Finding(f) != c.says {
			t.Errorf("%v × %v: %d, %q", c.w, c.h, n, Finding(f))
		}
	}
	// A twentieth of a millimetre is nothing that a rule reads; the edges of what is taken.
	for _, c := range []struct {
		m    Measured
		says string
	}{
		{Measured{W: 300, ReadW: 300.04, Band: 1}, "width as ordered, of ±1.0 mm"},
		{Measured{W: 300, ReadW: 300.0501, Band: 1}, "wider than ordered, of ±1.0 mm"},
		{Measured{W: 300, ReadW: 299.94, Band: 1}, "narrower than ordered, of ±1.0 mm"},
		{Measured{W: 0.4, ReadW: 0.4}, "width as ordered, of ±0.0 mm"},
		{Measured{W: 9999, ReadW: 10_000, Band: 1}, "wider than ordered, of ±1.0 mm"},
	} {
		f, err := c.m.Judge(length.MM)
		if err != nil || len(f) != 1 || f[0].Sentence != c.says {
			t.Errorf("%+v: %v, %+v", c.m, err, f)
		}
	}
	for _, m := range []Measured{{ReadW: 5}, {W: 1, ReadW: -1}, {W: 1, ReadW: 1, Band: -0.1}} {
		if _, err := m.Judge(length.MM); fault.Of(err) == nil {
			t.Errorf("%+v was taken", m)
		}
	}
	for field, m := range map[string]Measured{"read_w": {W: 300, ReadW: 10_001}, "read_h": {W: 1, ReadH: 5}} {
		if _, err := m.Judge(length.MM); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}
