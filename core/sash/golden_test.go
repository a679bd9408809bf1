package sash

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/length"
	"freshshard/tools/golden"
)

// Sashes of which all was read, little, something wrong, all bars alike or not: every part
// with its doubt, which reading is odd, which one would settle most.
func TestSashesAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	at := func(v, d float64) *length.Reading { return &length.Reading{Value: v, Doubt: d} }
	l := func(v ...float64) []length.Reading {
		var out []length.Reading
		for i, x := range v {
			out = append(out, length.Reading{Value: x, Doubt: 0.5 + 0.5*float64(i%2)})
		}
		return out
	}
	for _, c := range []struct {
		name string
		d    Direction
	}{
		{"all read", Direction{Lights: [][]length.Reading{l(250), l(251, 250.4), l(249)}, Bars: []*length.Reading{at(20,
			0.5), at(20.4, 0.5)},
			First: at(50, 1), Last: at(51, 1), Whole: at(891, 1)}},
		{"one light open", Direction{Lights: [][]length.Reading{l(250), nil, l(249)}, Bars: []*length.Reading{at(20, 0.5),
			at(20.4, 0.5)},
			First: at(50, 1), Last: at(51, 1), Whole: at(891, 1)}},
		{"bars alike, one read", Direction{Lights: [][]length.Reading{l(250), nil, l(249)}, Bars: []*length.Reading{at(20,
			0.5), nil},
			First: at(50, 1), Last: at(51, 1), Whole: at(891, 1), Alike: true}},
		{"bars not alike, one read", Direction{Lights: [][]length.Reading{l(250), nil, l(249)},
			Bars:  []*length.Reading{at(20, 0.5), nil},
			First: at(50, 1), Last: at(51, 1), Whole: at(891, 1)}},
		{"two lights open", Direction{Lights: [][]length.Reading{nil, nil, l(249)}, Bars: []*length.Reading{at(20, 0.5),
			at(20, 0.5)},
			First: at(50, 1), Last: at(51, 1), Whole: at(891, 1)}},
		{"no whole", Direction{Lights: [][]length.Reading{l(250), nil}, Bars: []*length.Reading{at(20, 0.5)}, First: at(50,
			1),
			Last: at(51, 1)}},
		{"no edge", Direction{Lights: [][]length.Reading{l(250), nil}, Bars: []*length.Reading{at(20, 0.5)}, Whole: at(590,
			2)}},
		{"a light is wrong", Direction{Lights: [][]length.Reading{l(250, 250), l(270), l(250, 250.5)},
			Bars: []*length.Reading{at(20, 0.5),
				at(20, 0.5)}, First: at(50, 0.5), Last: at(50, 0.5), Whole: at(890, 0.5)}},
		{"one of two readings is wrong", Direction{Lights: [][]length.Reading{l(250, 257, 250.3), l(250)},
			Bars: []*length.Reading{at(20,
				0.5)}, First: at(50, 0.5), Last: at(50, 0.5), Whole: at(620, 0.5)}},
		{"the whole is wrong", Direction{Lights: [][]length.Reading{l(250, 250), l(250, 250), l(250, 250)},
			Bars: []*length.Reading{at(20, 0.5),
				at(20, 0.5)}, First: at(50, 0.5), Last: at(50, 0.5), Whole: at(905, 0.5), Alike: true}},
		{"one light alone", Direction{Lights: [][]length.Reading{l(250)}, First: at(50, 1), Last: at(50, 1)}},
		{"nothing", Direction{Lights: [][]length.Reading{nil, nil}, Bars: []*length.Reading{nil}}},
		{"a bar too many", Direction{Lights: [][]length.Reading{l(250)}, Bars: []*length.Reading{at(20, 1)}}},
		{"bars alike, none read", Direction{Lights: [][]length.Reading{nil, l(249), l(250)},
			Bars: []*length.Reading{nil, nil}, First: at(50, 1), Last: at(50, 1), Alike: true}},
		{"read without doubt", Direction{Lights: [][]length.Reading{{{Value: 250}}, {{Value: 251}}},
			Bars: []*length.Reading{at(20, 0)}, First: at(50, 0.01), Last: at(50, 0.02), Whole: at(621.5, 0.01)}},
		{"both stiles open", Direction{Lights: [][]length.Reading{l(250), l(249)}, Bars: []*length.Reading{at(20, 0.5)},
			Whole: at(600, 1)}},
		{"a bar and the right stile open", Direction{Lights: [][]length.Reading{l(250), l(249), l(251)},
			Bars: []*length.Reading{at(20, 0.5), nil}, First: at(50, 1), Whole: at(891, 1)}},
		{"the last two bars open", Direction{Lights: [][]length.Reading{l(250), l(249), l(251), l(250)},
			Bars: []*length.Reading{at(20, 0.5), nil, nil}, First: at(50, 1), Last: at(50, 1), Whole: at(1160, 1)}},
		{"nothing but the whole and a light", Direction{Lights: [][]length.Reading{l(250), nil}, Bars: []*length.Reading{nil},
			Whole: at(600, 1)}},
		{"the first light is wrong", Direction{Lights: [][]length.Reading{l(270), l(250, 250), l(250, 250.5)},
			Bars: []*length.Reading{at(20, 0.5), at(20, 0.5)}, First: at(50, 0.5), Last: at(50, 0.5), Whole: at(890, 0.5)}},
		{"the rest leaves less than nothing", Direction{Lights: [][]length.Reading{l(250), nil},
			Bars: []*length.Reading{at(20, 0.5)}, First: at(50, 1), Last: at(50, 1), Whole: at(365, 1)}},
		{"the rest leaves half a millimetre", Direction{Lights: [][]length.Reading{l(250), nil},
			Bars: []*length.Reading{at(20, 0.5)}, First: at(50, 1), Last: at(50, 1), Whole: at(370.5, 1)}},
		{"the rest leaves nothing", Direction{Lights: [][]length.Reading{{{Value: 250}}, nil},
			Bars: []*length.Reading{at(20, 0)}, First: at(50, 0), Last: at(50, 0), Whole: at(370, 0)}},
		{"a light of nothing", Direction{Lights: [][]length.Reading{{{Value: 0}}}}},
		{"a hair of a light", Direction{Lights: [][]length.Reading{{{Value: 0.5}}}, First: at(50, 1), Last: at(50, 1)}},
		{"the longest light", Direction{Lights: [][]length.Reading{{{Value: length.Most}}}, First: at(50, 1), Last: at(50,
			1)}},
		{"a longer light", Direction{Lights: [][]length.Reading{{{Value: length.Most + 1}}}}},
		{"a doubt below nothing", Direction{Lights: [][]length.Reading{{{Value: 250, Doubt: -0.1}}}}},
		{"no light", Direction{}},
		{"too many", Direction{Lights: make([][]length.Reading, 41), Bars: make([]*length.Reading, 40)}},
		{"as many as may be", Direction{Lights: make([][]length.Reading, 40), Bars: make([]*length.Reading, 39)}},
	} {
		r, err := Solve(c.d, "column", "bar", "left stile", "right stile", "width of the sash")
		fmt.Fprintf(b, "= %s: %v, settle %q\n", c.name, err, r.Settle)
		for _, p := range append(append([]Size{}, r.Parts...), r.Lights...) {
			fmt.Fprintf(b, "  %s %.3f ±%.3f %v %v\n", p.Name, p.Value, p.Doubt, p.Known, p.Direct)
		}
		if r.Odd != nil {
			fmt.Fprintf(b, "  odd %s\n", strings.ReplaceAll(golden.Lines(t, r.Odd), "\n", ""))
		}
	}
	golden.Check(t, "sashes", b.String())
}
