// Package working holds the type that every computed number carries: what went
// in, the formula with the values in it, the limit, and where each constant
// comes from. One screen part, one printed line and one command show it.
package working

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"freshshard/core/value"
)

// Input is one value that went into a sum.
type Input struct {
	Symbol string       `json:"symbol" doc:"The letter that the formula uses"`
	Name   string       `json:"name"`
	Value  float64      `json:"value"`
	Unit   string       `json:"unit"`
	Origin value.Origin `json:"origin"`
	Source string       `json:"source" doc:"The origin in words"`
}

// Limit is the value that a result is held against.
type Limit struct {
	Value  float64      `json:"value"`
	Unit   string       `json:"unit"`
	Sense  Sense        `json:"sense" enum:"at-least,at-most"`
	Origin value.Origin `json:"origin"`
	Source string       `json:"source"`
}

// Sense says on which side of a limit the good values lie.
type Sense string

// The two senses of a limit.
const (
	AtLeast Sense = "at-least"
	AtMost  Sense = "at-most"
)

// Working is one sum, opened.
type Working struct {
	Formula string  `json:"formula" doc:"With letters"`
	Values  string  `json:"values" doc:"The same with the values in it, and the result"`
	Inputs  []Input `json:"inputs"`
	Note    string  `json:"note,omitempty" doc:"Why this rule, and what it leaves out"`
}

// Verdict is how a figure stands.
type Verdict string

// The verdicts, worst first.
const (
	Stop Verdict = "stop" // do not go on with this
	Warn Verdict = "warn" // look again
	Good Verdict = "good" // inside its limit
	Note Verdict = "note" // a plain result, no limit
)

// Figure is one computed number with its sentence, its limit and its working.
// Margin is how far the value is inside its limit, in the value's unit;
// negative is outside.
type Figure struct {
	Key      string  `json:"key"`
	Sentence string  `json:"sentence"`
	Value    float64 `json:"value"`
	Unit     string  `json:"unit"`
	Text     string  `json:"text" doc:"The value as shown, in the shop's unit"`
	Other    string  `json:"other,omitempty" doc:"The value in the other unit"`
	Limit    *Limit  `json:"limit,omitempty"`
	Wish     *Limit  `json:"wish,omitempty" doc:"What the trade likes to see beyond the limit; missing it is a quiet note"`
	Margin   float64 `json:"margin"`
	Verdict  Verdict `json:"verdict" enum:"stop,warn,good,note"`
	Place    string  `json:"place,omitempty" doc:"The dimension or part that it concerns"`
	Working  Working `json:"working"`
}

// In makes an input.
func In(symbol, name string, value float64, unit string, o value.Origin) Input {
	return Input{Symbol: symbol, Name: name, Value: value, Unit: unit, Origin: o, Source: o.String()}
}

// Least is a limit that the value must reach.
func Least(v float64, unit string, o value.Origin) *Limit {
	return &Limit{Value: v, Unit: unit, Sense: AtLeast, Origin: o, Source: o.String()}
}

// Most is a limit that the value must not pass.
func Most(v float64, unit string, o value.Origin) *Limit {
	return &Limit{Value: v, Unit: unit, Sense: AtMost, Origin: o, Source: o.String()}
}

// rounding keeps a value that sits on its limit from failing by the last bit
// of its arithmetic, in the value's unit.
const rounding = 1e-9

// Judge sets the margin and the verdict from the limit: good inside it, bad
// (as given) outside it.
func (f Figure) Judge(bad Verdict) Figure {
	if f.Limit == nil {
		f.Verdict = Note
		return f
	}
	f.Margin = f.Value - f.Limit.Value
	if f.Limit.Sense == AtMost {
		f.Margin = -f.Margin
	}
	if math.Abs(f.Margin) < rounding {
		f.Margin = 0
	}
	f.Verdict = Good
	if f.Margin < 0 {
		f.Verdict = bad
	}
	return f
}

// Num writes a number with at most dec decimals, no trailing zeros, and a true
// minus sign.
func Num(v float64, dec int) string {
	s := strconv.FormatFloat(v, 'f', dec, 64)
	if strings.Contains(s, ".") {
		s = strings.TrimRight(strings.TrimRight(s, "0"), ".")
	}
	if s == "-0" {
		s = "0"
	}
	return strings.Replace(s, "-", "−", 1)
}

// Fill puts the inputs' values into a formula written with {symbol} marks and
// adds the result.
func Fill(pattern string, in []Input, result float64, unit string) string {
	out := pattern
	for _, i := range in {
		out = strings.ReplaceAll(out, "{"+i.Symbol+"}", Num(i.Value, decimals(i.Value)))
	}
	return fmt.Sprintf("%s = %s %s", out, Num(result, decimals(result)), unit)
}

// decimals keeps small coefficients readable: a growth of 12e-6 needs more
// digits than a width of 268.4.
func decimals(v float64) int {
	a := math.Abs(v)
	switch {
	case a == 0 || a >= 1:
		return 2
	case a >= 0.01:
		return 4
	default:
		return 7
	}
}

// Letters turns the pattern into the plain formula.
func Letters(pattern string) string {
	return strings.NewReplacer("{", "", "}", "").Replace(pattern)
}

// Of builds a working from a pattern such as "{W} − 2 × {c}".
func Of(pattern string, result float64, unit string, in ...Input) Working {
	return Working{Formula: Letters(pattern), Values: Fill(pattern, in, result, unit), Inputs: in}
}

// With adds a note.
func (w Working) With(note string) Working { w.Note = note; return w }
