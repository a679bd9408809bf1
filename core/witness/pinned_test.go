package witness

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
)

// What is taken just inside and at each bound, and refused just outside.
func TestBounds(t *testing.T) {
	heard := func(h Heard) error { _, err := Join([]Heard{h}, 0); return err }
	for _, c := range []struct {
		name  string
		err   error
		field string
	}{
		{"a hair", heard(Heard{Kind: "old", Value: 0.01}), ""},
		{"half a millimetre", heard(Heard{Kind: "old", Value: 0.5}), ""},
		{"nothing", heard(Heard{Kind: "old", Value: 0}), "heard[0].value"},
		{"a hair more than nothing", heard(Heard{Kind: "old", Value: 1e-9}), ""},
		{"20 m", heard(Heard{Kind: "old", Value: 20000}), ""},
		{"over 20 m", heard(Heard{Kind: "old", Value: 20000.1}), "heard[0].value"},
		{"no number", heard(Heard{Kind: "old", Value: math.NaN()}), "heard[0].value"},
		{"no doubt said", heard(Heard{Kind: "old", Value: 300, Doubt: 0}), ""},
		{"a doubt of 100", heard(Heard{Kind: "old", Value: 300, Doubt: 100}), ""},
		{"a doubt over 100", heard(Heard{Kind: "old", Value: 300, Doubt: 100.1}), "heard[0].doubt"},
		{"a doubt below nothing", heard(Heard{Kind: "old", Value: 300, Doubt: -0.1}), "heard[0].doubt"},
		{"40 cracks", heard(Heard{Kind: "pieces", Value: 300, Cracks: 40}), ""},
		{"41 cracks", heard(Heard{Kind: "pieces", Value: 300, Cracks: 41}), "heard[0].cracks"},
		{"less than no crack", heard(Heard{Kind: "pieces", Value: 300, Cracks: -1}), "heard[0].cracks"},
		{"a line of 20", heard(Heard{Kind: "traced", Value: 300, Pen: 20}), ""},
		{"a line over 20", heard(Heard{Kind: "traced", Value: 300, Pen: 20.1}), "heard[0].pen"},
		{"a line as wide as the pane", heard(Heard{Kind: "traced", Value: 10, Pen: 10}), "heard[0].value"},
		{"a line a little narrower", heard(Heard{Kind: "traced", Value: 10.5, Pen: 10}), ""},
	} {
		f := fault.Of(c.err)
		if (c.field == "") != (c.err == nil) || f != nil && f.Field != c.field {
			t.Errorf("%s: %v", c.name, c.err)
		}
	}
	one := Heard{Kind: "old", Value: 300}
	for n, ok := range map[int]bool{0: false, 1: true, Most: true, Most + 1: false} {
		if _, err := Join(slices.Repeat([]Heard{one}, n), 0); (err == nil) != ok {
			t.Errorf("%d heard: %v", n, err)
		}
	}
	for c, ok := range map[float64]bool{-0.1: false, 0: true, 50: true, 50.1: false} {
		if _, err := Join([]Heard{{Kind: "opening", Value: 300}}, c); (err == nil) != ok {
			t.Errorf("a clearance of %v: %v", c, err)
		}
	}
	for round, ok := range map[float64]bool{0.5: true, 40000: true, 40001: false, -1: false} {
		said := []Said{{Kind: "old", Width: mm(300), Height: mm(200)}, {Kind: Groove, Round: mm(round)}}
		if _, err := Of(said, 0, Cornered(0)); (err == nil) != ok {
			t.Errorf("%v round: %v", round, err)
		}
	}
	if p, err := Of(slices.Repeat([]Said{{Kind: "old", Width: mm(300)}}, Most), 0, nil); err != nil ||
		len(p.Width.Says) != 20 {
		t.Errorf("%d of them: %v", Most, err)
	}
}

// Nothing is no length, and neither is what is longer than twenty metres.
func TestNothingStandsForNothing(t *testing.T) {
	for v, ok := range map[float64]bool{-1: false, 0: false, 1e-6: true, 20000: true, 20000.1: false} {
		if _, err := (Heard{Kind: "old", Value: v}).stand(2); (err == nil) != ok {
			t.Errorf("%v mm: %v", v, err)
		}
	}
}

// Doubts by hand. One alone keeps its own. Pieces over three cracks: 0.75 + 3 × 0.25.
// A groove: half a per cent. Two that differ by 10: at least half of that. Three,
// each elsewhere: as far as the farthest.
func TestDoubts(t *testing.T) {
	for _, c := range []struct {
		name  string
		heard []Heard
		doubt float64
	}{
		{"one alone", []Heard{{Kind: "old", Value: 300}}, 0.75},
		{"its own doubt", []Heard{{Kind: "old", Value: 300, Doubt: 0.2}}, 0.2},
		{"pieces", []Heard{{Kind: "pieces", Value: 301.5, Cracks: 3}}, 1.5},
		{"a groove", []Heard{{Kind: Groove, Value: 300}}, 1.5},
		{"two that differ", []Heard{{Kind: "sheet", Value: 300}, {Kind: "sheet", Value: 310}}, 5},
		{"three, each elsewhere", []Heard{{Kind: "sheet", Value: 300}, {Kind: "sheet", Value: 320},
			{Kind: "sheet", Value: 340}}, 20},
		// σ = 0.5 / √3 / √2 = 0.204; × 1.96 = 0.4.
		{"two that agree", []Heard{{Kind: "sheet", Value: 300}, {Kind: "sheet", Value: 300}}, 0.4},
	} {
		if j, err := Join(c.heard, 0); err != nil || math.Abs(j.Doubt-c.doubt) > 0.001 {
			t.Errorf("%s: ±%v, %v", c.name, j.Doubt, err)
		}
	}
}

// Named is who lies by a little more than three of his doubts and those of the
// others together, and not by a little less. By hand, three sheets of ±0.5, σ 0.2887:
// the two others together 0.2041; 3 × √(0.2887² + 0.2041²) = 1.061.
func TestNamed(t *testing.T) {
	for off, named := range map[float64]bool{1.05: false, 1.07: true, -1.05: false, -1.07: true} {
		j, err := Join([]Heard{{Kind: "sheet", Value: 300}, {Kind: "sheet", Value: 300}, {Kind: "sheet", Value: 300 + off}},
			0)
		if err != nil || j.Named() != named || j.Says[0].Liar || j.Says[1].Liar {
			t.Errorf("%v off: %+v, %v", off, j.Says, err)
		}
		if math.Abs(j.Says[2].Off-off) > 1e-9 {
			t.Errorf("%v off: it says %v", off, j.Says[2].Off)
		}
	}
	if !(&Joined{Says: []Says{{Size: 1, Doubt: 1}}}).Agree() {
		t.Error("one alone agrees with itself")
	}
}

// The words whole, with their decimals.
func TestWordsWhole(t *testing.T) {
	for _, c := range []struct {
		heard []Heard
		words string
		tell  string
	}{
		{[]Heard{{Kind: "sheet", Value: 300}, {Kind: "sheet", Value: 300.02}, {Kind: "stock", Value: 312.34}},
			"A stock size is off by 12.3 mm from the others, who agree: left out. Usually: the next size may have been meant. " +
				"The opening itself was not read: the pane may not go in.", "ask which sizes it comes in"},
		{[]Heard{{Kind: "old", Value: 300}, {Kind: "neighbour", Value: 312.34}},
			"The two differ by 12.3 mm and one of them is wrong. Of the old pane by tape: it may have been wrong, chipped or " +
				"ground " +
				"at an edge; a plastic one has shrunk. Of a neighbour light: the sash is sprung, or an earlier hand cut it anew.",
			"read the opening by tape"},
		{[]Heard{{Kind: "opening", Value: 300}, {Kind: "old", Value: 320}, {Kind: "neighbour", Value: 345}},
			"They do not agree, and no one of them alone is wrong; farthest off is a neighbour light: the sash is sprung, " +
				"or an " +
				"earlier hand cut it anew.", "read another neighbour"},
	} {
		j, err := Join(c.heard, 0)
		if err != nil || j.Words != c.words || j.Tell != c.tell {
			t.Errorf("%q, %q, %v", j.Words, j.Tell, err)
		}
	}
	// Who was heard already is not asked for again; where all three were, the first.
	all := []Heard{{Kind: "opening", Value: 300}, {Kind: "old", Value: 300}, {Kind: "neighbour", Value: 300}}
	for n, want := range []string{"read the opening by tape", "read the old pane by tape", "read a neighbour light",
		"clean one corner and read it again"} {
		says := []Says{{Kind: "sheet"}}
		for _, h := range all[:n] {
			says = append(says, Says{Kind: h.Kind})
		}
		if n == 3 {
			says = says[1:]
		}
		if got := other(says); got != want {
			t.Errorf("after %d: %q", n, got)
		}
	}
}

// How each stands for the pane, as it is shown.
func TestFormulas(t *testing.T) {
	for _, c := range []struct {
		h    Heard
		want string
	}{{Heard{Kind: "opening", Value: 300}, "300.0 − 2 × 2.2"}, {Heard{Kind: "pieces", Value: 300, Cracks: 2},
		"300.0 − 2 × 0.5"},
		{Heard{Kind: "traced", Value: 300, Pen: 1.25}, "300.0 − 1.2 of line"},
		{Heard{Kind: "sheet", Value: 300}, "as read"}} {
		j, err := Join([]Heard{c.h}, 2.25)
		if err != nil || j.Says[0].Formula != c.want {
			t.Errorf("%s: %q, %v", c.h.Kind, j.Says[0].Formula, err)
		}
	}
	j, err := Join([]Heard{{Kind: "sheet", Value: 300}, {Kind: "old", Value: 300.22}}, 0)
	if err != nil {
		t.Fatal(err)
	}
	f := j.Figures[0]
	if !strings.HasPrefix(f.Working.Formula, "(v1 / d1² + v2 / d2²)") || len(f.Working.Inputs) != 4 ||
		f.Sentence != fmt.Sprintf("is what they stand for, ±%.1f mm", j.Doubt) {
		t.Errorf("%q, %q, %d inputs", f.Working.Formula, f.Sentence, len(f.Working.Inputs))
	}
}

// Off whom: nothing for nobody, for one alone, and for one that was not heard.
func TestOffOf(t *testing.T) {
	alone := &Joined{Says: []Says{{Kind: "old", Off: 3, Liar: true}}}
	two := &Joined{Says: []Says{{Kind: "old", Off: 3, Liar: true}, {Kind: "sheet", Off: -3}}}
	for _, c := range []struct {
		j    *Joined
		kind string
		off  float64
		liar bool
		ok   bool
	}{{nil, "old", 0, false, false}, {alone, "old", 0, false, false}, {two, "old", 3, true, true},
		{two, "sheet", -3, false, true},
		{two, "stock", 0, false, false}} {
		if off, liar, ok := c.j.OffOf(c.kind); off != c.off || liar != c.liar || ok != c.ok {
			t.Errorf("%s: %v, %v, %v", c.kind, off, liar, ok)
		}
	}
}

// Width and height are heard apart: a height alone says no width, and a fault of the
// second row keeps its row where the first said nothing that way.
func TestWaysApart(t *testing.T) {
	p, err := Of([]Said{{Kind: "old", Height: mm(200)}}, 0, Cornered(0))
	if err != nil || p.Width != nil || p.Height == nil || math.Abs(p.Height.Size-200) > 1e-9 {
		t.Errorf("%+v, %v", p, err)
	}
	_, err = Of([]Said{{Kind: "old", Height: mm(200)}, {Kind: "sheet", Width: length.Reading{Value: 300, Doubt: 200}}}, 0,
		nil)
	if f := fault.Of(err); f == nil || f.Field != "heard[1].width" {
		t.Errorf("%v", err)
	}
	_, err = Of([]Said{{Kind: "old", Width: mm(200)}, {Kind: "pieces", Height: mm(300), Cracks: 50}}, 0, nil)
	if f := fault.Of(err); f == nil || f.Field != "heard[1].cracks" {
		t.Errorf("%v", err)
	}
	if _, err := Of([]Said{{Kind: "old", Width: mm(200), Height: mm(100)}}, 60, nil); fault.Of(err) == nil ||
		fault.Of(err).Field != "clearance" {
		t.Errorf("a clearance of 60: %v", err)
	}
}
