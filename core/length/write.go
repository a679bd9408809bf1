package length

import (
	"fmt"
	"math"
	"strconv"
	"strings"
)

// Fraction is a length to the nearest division of an inch with what is left
// over, so that nothing is rounded away in silence.
type Fraction struct {
	Whole int     `json:"whole"`
	Num   int     `json:"num"`
	Den   int     `json:"den"`
	Left  float64 `json:"left" doc:"Millimetres that the fraction leaves out, signed"`
	Minus bool    `json:"minus,omitempty"`
}

// InFraction gives mm as inches at the nearest 1/den (den a power of two).
func InFraction(mm float64, den int) Fraction {
	f := Fraction{Den: den, Minus: mm < 0}
	parts := int(math.Round(math.Abs(mm) / Inch * float64(den)))
	f.Left = mm - float64(parts)*Inch/float64(den)
	if f.Minus {
		f.Left = mm + float64(parts)*Inch/float64(den)
		f.Minus = parts > 0
	}
	f.Whole, f.Num = parts/den, parts%den
	for f.Num > 0 && f.Num%2 == 0 {
		f.Num, f.Den = f.Num/2, f.Den/2
	}
	if f.Num == 0 {
		f.Den = 1
	}
	return f
}

// String is the fraction as people write it: 23 7/8 −0.3 mm.
func (f Fraction) String() string {
	s := f.Inches()
	if left := math.Round(f.Left*10) / 10; left != 0 {
		s += " " + signed(left) + " mm"
	}
	return s
}

// Inches is the fraction alone, without what is left over.
func (f Fraction) Inches() string {
	s := strconv.Itoa(f.Whole)
	switch {
	case f.Num > 0 && f.Whole > 0:
		s = fmt.Sprintf("%d %d/%d", f.Whole, f.Num, f.Den)
	case f.Num > 0:
		s = fmt.Sprintf("%d/%d", f.Num, f.Den)
	}
	if f.Minus {
		s = "−" + s
	}
	return s
}

func signed(v float64) string {
	s := strconv.FormatFloat(math.Abs(v), 'f', -1, 64)
	if v < 0 {
		return "−" + s
	}
	return "+" + s
}

// Metric is mm to one decimal, with a true minus sign.
func Metric(mm float64) string {
	v := math.Round(mm*10) / 10
	if v == 0 {
		v = 0 // drops the sign of a negative zero
	}
	return strings.Replace(strconv.FormatFloat(v, 'f', 1, 64), "-", "−", 1)
}

// Shown is a length in the shop's unit and, in grey beside it, in the other.
type Shown struct {
	Main  string `json:"main"`
	Unit  Unit   `json:"unit" enum:"mm,in"`
	Other string `json:"other"`
}

// Below this length an inch is shown to the nearest 1/64, else to 1/32, mm.
const fineBelow = 12.0

// Marked is the fraction with the trade's sign behind it where the length is a
// little under or over it: 23 7/8− is a light 23 7/8. It can be read back.
func (f Fraction) Marked(den int) string {
	if f.Whole == 0 && f.Num == 0 && f.Left != 0 {
		return "0"
	}
	switch {
	case math.Abs(f.Left) < Inch/float64(den)/8:
		return f.Inches()
	case (f.Left < 0) != f.Minus:
		return f.Inches() + "−"
	}
	return f.Inches() + "+"
}

// Show writes a length both ways, each in its own unit alone: the other unit stands
// to the nearest mark of its own scale, the exact length in the working.
func Show(mm float64, shop Unit) Shown {
	den := 32
	if math.Abs(mm) < fineBelow {
		den = 64
	}
	f := InFraction(mm, den)
	if shop == IN {
		return Shown{Main: f.Marked(den), Unit: IN, Other: Metric(mm) + " mm"}
	}
	in := f.Inches() + " in"
	if f.Whole == 0 && f.Num == 0 && Metric(mm) != "0.0" {
		in = fmt.Sprintf("under 1/%d in", den)
	}
	return Shown{Main: Metric(mm), Unit: MM, Other: in}
}

// Understood is the sentence at the tape line: "= 242.1 mm, a little heavy, ±0.8 mm".
func (r Reading) Understood() string {
	s := "= " + Metric(r.Value) + " mm"
	if !r.Imperial {
		s += " · " + InFraction(r.Value, 32).Inches() + " in"
	}
	switch r.Lean {
	case Light:
		s += ", a little light"
	case Heavy:
		s += ", a little heavy"
	}
	return s + ", ±" + strconv.FormatFloat(math.Round(r.Doubt*100)/100, 'f', -1, 64) + " mm"
}
