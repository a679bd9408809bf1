package witness

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/fault"
)

func TestKindsAreSound(t *testing.T) {
	seen := map[string]bool{}
	for _, k := range Book.All() {
		if seen[k.ID] || k.Doubt.V <= 0 || k.Lie == "" || k.Tell == "" || k.Doubt.Origin.Check() != nil {
			t.Errorf("%+v", k)
		}
		seen[k.ID] = true
	}
}

// By hand: opening 270 less 2 × 2 is 266 ± 1, old pane 265 ± 0.75. Weights 1 and
// 1/0.5625: (266 + 1.7778 × 265) / 2.7778 = 265.36.
func TestJoinByHand(t *testing.T) {
	j, err := Join([]Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 265}}, 2)
	if err != nil || math.Abs(j.Size-265.36) > 0.005 || !strings.HasPrefix(j.Words, "2 agree.") {
		t.Errorf("%+v, %v", j, err)
	}
	if one, err := Join([]Heard{{Kind: "opening", Value: 270}}, 0.5); err != nil || one.Says[0].Off != 0 ||
		one.Size != 269 {
		t.Errorf("one alone: %+v, %v", one, err)
	}
	// σ = 1 / √(3 + 5.333) = 0.3464; × 1.96 = 0.679.
	if math.Abs(j.Doubt-0.679) > 0.001 {
		t.Errorf("doubt %v", j.Doubt)
	}
	for _, c := range []struct {
		in   Heard
		size float64
	}{{Heard{Kind: "pieces", Value: 301.5, Cracks: 3}, 300}, {Heard{Kind: "traced", Value: 301.2, Pen: 1.2}, 300},
		{Heard{Kind: "sheet", Value: 300}, 300}, {Heard{Kind: "opening", Value: 306}, 300}} {
		j, err := Join([]Heard{c.in}, 3)
		if err != nil || math.Abs(j.Size-c.size) > 1e-9 {
			t.Errorf("%+v: %v, %v", c.in, j.Size, err)
		}
	}
}

// What a person reads, for one, two and three of them.
func TestWords(t *testing.T) {
	for _, c := range []struct {
		name string
		in   []Heard
		says []string
		tell string
		liar string
	}{
		{"the old pane alone", []Heard{{Kind: "old", Value: 265}}, []string{"The old pane by tape alone says so",
			"nothing checks it", "The opening itself was not read"}, "read the opening by tape", ""},
		{"the opening alone", []Heard{{Kind: "opening", Value: 270}}, []string{"The opening by tape alone says so",
			"putty, rust or paint"}, "read the old pane by tape", ""},
		{"two that differ", []Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 260}},
			[]string{"The two differ by 6 mm and one of them is wrong", "it may have been wrong", "putty"},
			"read a neighbour light", ""},
		{"the customer measured what shows", []Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 265.5},
			{Kind: "customer", Value: 245}}, []string{"The customer's word is off by", "who agree: left out",
			"they measured the glass that can be seen"}, "ask whether the tape went under the frame", "customer"},
		{"an old pane that was wrong", []Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 258},
			{Kind: "neighbour", Value: 266.4}}, []string{"The old pane by tape is off by -8.2 mm"},
			"hold it into the opening and look at the gaps", "old"},
		{"three that agree", []Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 265.6},
			{Kind: "neighbour", Value: 266.4}}, []string{"3 agree."}, "", ""},
		{"three, each elsewhere", []Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 258},
			{Kind: "neighbour", Value: 274}}, []string{"They do not agree, and no one of them alone is wrong"}, "*", ""},
	} {
		j, err := Join(c.in, 2)
		if err != nil {
			t.Fatalf("%s: %v", c.name, err)
		}
		for _, s := range c.says {
			if !strings.Contains(strings.ReplaceAll(j.Words, "−", "-"), s) {
				t.Errorf("%s: %q lacks %q", c.name, j.Words, s)
			}
		}
		if c.tell != "*" && j.Tell != c.tell {
			t.Errorf("%s: tells %q", c.name, j.Tell)
		}
		liar := ""
		for _, s := range j.Says {
			if s.Liar {
				liar = s.Kind
			}
		}
		if liar != c.liar {
			t.Errorf("%s: names %q", c.name, liar)
		}
	}
}

// Just inside, and just outside of what two may differ: 2.5 σ of both together,
// 2.5 × √(1 + 0.5625) / √3 = 1.804 mm for the opening and the old pane.
func TestTwoDisagree(t *testing.T) {
	for off, agree := range map[float64]bool{1.79: true, 1.82: false} {
		j, err := Join([]Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 266 - off}}, 2)
		if err != nil || strings.HasPrefix(j.Words, "2 agree") != agree {
			t.Errorf("%v off: %q, %v", off, j.Words, err)
		}
	}
}

// made is a made-up pane of a known size with three to six witnesses, one of
// which lies by so many of its own doubts and those of the others, 0 for none.
func made(r *rand.Rand, lie float64) (heard []Heard, truth float64, liar int) {
	kinds := []string{"opening", "old", "traced", "pieces", "neighbour", "sheet"}
	r.Shuffle(len(kinds), func(i, j int) { kinds[i], kinds[j] = kinds[j], kinds[i] })
	truth = 150 + 900*r.Float64()
	n := 3 + r.IntN(4)
	liar = r.IntN(n)
	worst := 0.0
	for i := range n {
		k, _ := Book.ByID(kinds[i])
		worst = math.Max(worst, k.Doubt.V)
	}
	for i := range n {
		k, _ := Book.ByID(kinds[i])
		v := truth + k.Doubt.V*(2*r.Float64()-1)
		if i == liar && lie > 0 {
			v += math.Copysign(worst*lie*(1+r.Float64()), r.Float64()-0.5)
		}
		if k.ID == "opening" {
			v += 2 * 2
		}
		heard = append(heard, Heard{Kind: k.ID, Value: v})
	}
	return heard, truth, liar
}

// A thousand made-up panes of known size with one liar, by more than three
// doubts: named nine times in ten, the truth inside the stated doubt at least
// nine times in ten. With no liar none is named 95 times in 100, and the truth is
// inside at the stated rate.
func TestTruthAndLiars(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 14))
	named, wrong, inside := 0, 0, 0
	for range 1000 {
		heard, truth, liar := made(r, 3)
		j, err := Join(heard, 2)
		if err != nil {
			t.Fatal(err)
		}
		for i, s := range j.Says {
			if s.Liar && i == liar {
				named++
			} else if s.Liar {
				wrong++
			}
		}
		if math.Abs(j.Size-truth) <= j.Doubt {
			inside++
		}
	}
	if named < 900 || wrong > 20 || inside < 900 {
		t.Errorf("of 1000 with a liar: %d named, %d others named, truth inside in %d", named, wrong, inside)
	}
	quiet, inside := 0, 0
	for range 1000 {
		heard, truth, _ := made(r, 0)
		j, err := Join(heard, 2)
		if err != nil {
			t.Fatal(err)
		}
		lied := false
		for _, s := range j.Says {
			lied = lied || s.Liar
		}
		if !lied {
			quiet++
		}
		if math.Abs(j.Size-truth) <= j.Doubt {
			inside++
		}
	}
	if quiet < 950 || inside < 930 || inside > 990 {
		t.Errorf("of 1000 with none: none named in %d, truth inside in %d", quiet, inside)
	}
}

// The order of hearing plays no part.
func TestOrderPlaysNoPart(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 7))
	for range 100 {
		heard, _, _ := made(r, 4)
		a, _ := Join(heard, 2)
		r.Shuffle(len(heard), func(i, j int) { heard[i], heard[j] = heard[j], heard[i] })
		b, _ := Join(heard, 2)
		if math.Abs(a.Size-b.Size) > 1e-9 || math.Abs(a.Doubt-b.Doubt) > 1e-9 {
			t.Fatalf("%v and %v of %v", a.Size, b.Size, heard)
		}
	}
}

func TestRefuses(t *testing.T) {
	for field, c := range map[string]struct {
		in        []Heard
		clearance float64
	}{
		"heard":           {nil, 2},
		"clearance":       {[]Heard{{Kind: "old", Value: 1}}, -1},
		"heard[1].kind":   {[]Heard{{Kind: "old", Value: 200}, {Kind: "ghost", Value: 200}}, 2},
		"heard[0].value":  {[]Heard{{Kind: "opening", Value: 3}}, 2},
		"heard[0].doubt":  {[]Heard{{Kind: "old", Value: 200, Doubt: math.NaN()}}, 2},
		"heard[0].cracks": {[]Heard{{Kind: "pieces", Value: 200, Cracks: -1}}, 2},
		"heard[0].pen":    {[]Heard{{Kind: "traced", Value: 200, Pen: 21}}, 2},
	} {
		_, err := Join(c.in, c.clearance)
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}

func ExampleJoin() {
	j, _ := Join([]Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 258}, {Kind: "neighbour", Value: 266.4}}, 2)
	fmt.Printf("%.1f ±%.1f: %s\n", j.Size, j.Doubt, j.Words)
	// Output: 266.2 ±0.8: The old pane by tape is off by −8.2 mm from the others, who agree: left out. Usually: it may have been wrong, chipped or ground at an edge; a plastic one has shrunk.
}
