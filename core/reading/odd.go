package reading

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"freshshard/core/length"
)

// A real opening tapers; a reading is odd when it is off by more than a
// fiftieth of the length and by more than 6 mm. Common practice, no source.
const (
	oddShare = 0.02
	oddLeast = 6.0
)

// Odd is a reading that does not fit the rest, with the value that the others
// predict, in mm.
type Odd struct {
	Place     Place   `json:"place"`
	Name      string  `json:"name"`
	Value     float64 `json:"value"`
	Predicted float64 `json:"predicted"`
	Sentence  string  `json:"sentence"`
}

// Odd names the readings that the others speak against.
func (p Asked) Odd() []Odd {
	out := []Odd{}
	for _, a := range []Across{Widths(), Heights()} {
		out = append(out, p.oddOfThree(a)...)
	}
	if len(out) == 0 {
		out = append(out, p.oddPair()...)
	}
	return out
}

// oddOfThree finds the one of three parallel readings that two others outvote.
func (p Asked) oddOfThree(a Across) []Odd {
	for i, place := range a.Places {
		r, ok := p.Readings[place]
		b, ok1 := p.Readings[a.Places[(i+1)%3]]
		c, ok2 := p.Readings[a.Places[(i+2)%3]]
		if !ok || !ok1 || !ok2 {
			return nil
		}
		mean := (b.Value + c.Value) / 2
		allowed := math.Max(oddLeast, oddShare*mean)
		if math.Abs(r.Value-mean) > allowed && math.Abs(b.Value-c.Value) <= allowed/2 {
			return []Odd{p.oddAt(place, r.Value, mean, "the other two")}
		}
	}
	return nil
}

// oddPair lets two diagonals settle which of two parallel readings is wrong:
// with both diagonals the mean square of the sides is known.
func (p Asked) oddPair() []Odd {
	up, ok1 := p.Readings[Rising]
	down, ok2 := p.Readings[Falling]
	w, h := Widths(), Heights()
	w.Take(p.Readings)
	h.Take(p.Readings)
	if !ok1 || !ok2 || w.Read == 0 || h.Read == 0 {
		return nil
	}
	square := (up.Value*up.Value + down.Value*down.Value) / 2
	for _, pair := range [][2]Across{{w, h}, {h, w}} {
		a, other := pair[0], pair[1]
		if a.Spread <= math.Max(oddLeast, oddShare*a.Widest) || other.Spread > oddLeast ||
			square <= other.Mean()*other.Mean() {
			continue
		}
		predicted := math.Sqrt(square - other.Mean()*other.Mean())
		worst, place := 0.0, Place("")
		for _, q := range a.Places {
			if r, ok := p.Readings[q]; ok && math.Abs(r.Value-predicted) > worst {
				worst, place = math.Abs(r.Value-predicted), q
			}
		}
		return []Odd{p.oddAt(place, p.Readings[place].Value, predicted, "the diagonals")}
	}
	return nil
}

func (p Asked) oddAt(place Place, value, predicted float64, by string) Odd {
	i := p.Info(place)
	s := fmt.Sprintf("%s reads %s; %s say about %s.", i.Name, length.Metric(value), by, length.Metric(predicted))
	if slip := slipOf(value, predicted); slip != "" {
		s += " " + slip
	} else {
		s += " Read it again."
	}
	s += " It is left out until then."
	return Odd{Place: place, Name: i.Name, Value: value, Predicted: predicted, Sentence: strings.ToUpper(s[:1]) + s[1:]}
}

// slipOf guesses how a wrong reading came about: two digits swapped, or the
// wrong unit.
func slipOf(value, predicted float64) string {
	near := func(v float64) bool { return math.Abs(v-predicted) <= math.Max(3, 0.01*predicted) }
	whole, part := math.Modf(value)
	digits := []byte(strconv.FormatFloat(whole, 'f', 0, 64))
	for i := 1; i < len(digits); i++ {
		swapped := append([]byte(nil), digits...)
		swapped[i-1], swapped[i] = swapped[i], swapped[i-1]
		if v, err := strconv.ParseFloat(string(swapped), 64); err == nil && digits[i] != digits[i-1] && near(v+part) {
			return "Two digits swapped, perhaps: " + length.Metric(v+part) + "?"
		}
	}
	switch {
	case near(value * length.Inch), near(value / length.Inch):
		return "Inches taken for millimetres, perhaps?"
	case near(value * 10), near(value / 10):
		return "Centimetres taken for millimetres, perhaps?"
	}
	return ""
}
