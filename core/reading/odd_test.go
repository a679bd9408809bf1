package reading

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/length"
)

// Of three readings side by side one is odd when it is off by more than 6 mm
// and more than a fiftieth, and the other two agree to half of that.
func TestOddToItsLimit(t *testing.T) {
	for _, c := range []struct {
		name        string
		top, mid, b float64
		odd         Place
	}{
		{"six off", 206, 200, 200, ""}, {"a little more", 206.1, 200, 200, WidthTop},
		{"six under", 194, 200, 200, ""}, {"a little more under", 193.9, 200, 200, WidthTop},
		{"a fiftieth of a long one", 1020, 1000, 1000, ""}, {"more than a fiftieth", 1020.5, 1000, 1000, WidthTop},
		{"the others agree to half", 220, 200, 203, WidthTop}, {"they do not", 220, 200, 203.2, ""},
		{"the middle one", 200, 220, 200, WidthMiddle}, {"the last one", 200, 200, 220, WidthBottom},
	} {
		p := Asked{Sizing: "rebate"}
		p.Readings = map[Place]length.Reading{WidthTop: {Value: c.top}, WidthMiddle: {Value: c.mid},
			WidthBottom: {Value: c.b}}
		got := Place("")
		if o := p.Odd(); len(o) > 0 {
			got = o[0].Place
		}
		if got != c.odd {
			t.Errorf("%s: %q is odd, want %q", c.name, got, c.odd)
		}
	}
}

// What a slip looks like is said, and nothing where it looks like none.
func TestSlips(t *testing.T) {
	for _, c := range []struct {
		value, predicted float64
		says             string
	}{
		{580, 508, "Two digits swapped, perhaps: 508.0?"}, {508, 580, "Two digits swapped, perhaps: 580.0?"},
		{20, 508, "Inches taken"}, {508, 20, "Inches taken"}, {50.8, 508, "Centimetres taken"},
		{5080, 508, "Centimetres taken"},
		{555, 508, ""},
		{508, 574.3, "Two digits swapped"}, {508, 574.2, ""}, {12, 24, "Two digits swapped, perhaps: 21.0?"}, {12, 24.1, ""},
		{12, 18, "Two digits swapped"}, {12, 17.9, ""}, {508.5, 580.5, "Two digits swapped, perhaps: 580.5?"},
		{85, 58, "Two digits swapped, perhaps: 58.0?"}, {88, 80, ""},
	} {
		if got := slipOf(c.value, c.predicted); !strings.HasPrefix(got, c.says) || c.says == "" && got != "" {
			t.Errorf("%v for %v: %q, want %q", c.value, c.predicted, got, c.says)
		}
	}
}

func TestOddReadingNamed(t *testing.T) {
	for _, c := range []struct {
		name  string
		place Place
		text  string
		slip  string
	}{
		{"digits swapped", WidthMiddle, "296.5", "swapped"},
		{"inches typed as mm", HeightMiddle, "24.2", "Centimetres"},
		{"plain wrong", WidthTop, "240", "Read it again"},
	} {
		texts := stoveTexts()
		texts[HeightMiddle] = "242"
		texts[c.place] = c.text
		p := stove(t, texts)
		odd := p.Odd()
		if len(odd) != 1 || odd[0].Place != c.place || !strings.Contains(odd[0].Sentence, c.slip) {
			t.Errorf("%s: %+v", c.name, odd)
		}
	}
	if p := stove(t, stoveTexts()); len(p.Odd()) != 0 {
		t.Errorf("a taper of 1.6 mm is called odd: %+v", p.Odd())
	}
}

func TestOddByDiagonals(t *testing.T) {
	p := stove(t, map[Place]string{WidthTop: "270", WidthBottom: "290", HeightLeft: "242",
		HeightRight: "242",
		Rising:      "362.6", Falling: "362.6"})
	odd := p.Odd()
	if len(odd) != 1 || odd[0].Place != WidthBottom || math.Abs(odd[0].Predicted-270) > 0.2 {
		t.Errorf("%+v", odd)
	}
}

// stoveTexts are what was read of a stove's door.
func stoveTexts() map[Place]string {
	return map[Place]string{
		WidthTop: "270 ±0.3", WidthMiddle: "269.5 ±0.3", WidthBottom: "268.4 ±0.3",
		HeightLeft: "242 ±0.3", HeightRight: "242.4 ±0.3", Ledge: "14 ±0.5", Reach: "16 ±0.5",
	}
}

// stove is a pane under clips with these readings.
func stove(t *testing.T, texts map[Place]string) Asked {
	t.Helper()
	r, err := FromTexts(texts, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	return Asked{Sizing: "clip", Readings: r}
}

// Two diagonals tell which of two heights is wrong even where the width was read once: 400 by 300
// has diagonals of 500.
func TestDiagonalsSettleAPair(t *testing.T) {
	for _, c := range []struct {
		name     string
		readings map[Place]float64
		odd      Place
	}{
		{"one width", map[Place]float64{WidthTop: 400, HeightLeft: 300, HeightRight: 330, Rising: 500, Falling: 500},
			HeightRight},
		{"one height", map[Place]float64{WidthTop: 430, WidthBottom: 400, HeightLeft: 300, Rising: 500, Falling: 500},
			WidthTop},
		{"no width", map[Place]float64{HeightLeft: 300, HeightRight: 330, Rising: 500, Falling: 500}, ""},
		{"one diagonal", map[Place]float64{WidthTop: 400, HeightLeft: 300, HeightRight: 330, Rising: 500}, ""},
		{"the other diagonal", map[Place]float64{WidthTop: 400, HeightLeft: 300, HeightRight: 330, Falling: 500}, ""},
	} {
		p := Asked{Sizing: "rebate"}
		p.Readings = map[Place]length.Reading{}
		for place, v := range c.readings {
			p.Readings[place] = length.Reading{Value: v}
		}
		got := Place("")
		if o := p.oddPair(); len(o) > 0 {
			got = o[0].Place
		}
		if got != c.odd {
			t.Errorf("%s: %q is odd, want %q", c.name, got, c.odd)
		}
	}
}
