package length

import (
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"
)

// Values by hand from 1 in = 25.4 mm exactly; the light/heavy rule and the
// doubts are common practice, no source.
func TestParse(t *testing.T) {
	for _, c := range []struct {
		in    string
		unit  Unit
		with  Instrument
		value float64
		doubt float64
	}{
		{"268", MM, Tape, 268, 1},
		{"268 mm", MM, Rule, 268, 0.5},
		{"268 mm", IN, Tape, 268, 1},
		{"26.8cm", MM, Tape, 268, 1},
		{"26,8 cm", MM, Tape, 268, 1},
		{"0.268 m", MM, Laser, 268, 1.5},
		{"11 1/2", MM, Tape, 292.1, 25.4 / 32},
		{`11-1/2"`, MM, Tape, 292.1, 25.4 / 32},
		{"11½ in", MM, Tape, 292.1, 25.4 / 32},
		{"11 ½", MM, Tape, 292.1, 25.4 / 32},
		{`4' 2 3/8"`, MM, Tape, 1279.525, 25.4 / 32},
		{"4ft 2-3/8in", MM, Tape, 1279.525, 25.4 / 32},
		{"4′2⅜″", MM, Tape, 1279.525, 25.4 / 32},
		{"4'", MM, Tape, 1219.2, 25.4 / 32},
		{"4ft-2in", MM, Tape, 1270, 25.4 / 32},
		{"4.5 ft", MM, Tape, 1371.6, 25.4 / 32},
		{"3/32", MM, Caliper, 2.38125, 0.05},
		{"13/8", MM, Tape, 41.275, 25.4 / 32},
		{`.125"`, MM, Caliper, 3.175, 0.05},
		{"11", IN, Tape, 279.4, 25.4 / 32},
		{"23 7/8-", MM, Tape, (23.875 - 1.0/32) * 25.4, 25.4 / 16},
		{"5 1/2+", MM, Tape, (5.5 + 1.0/32) * 25.4, 25.4 / 16},
		{"1 1/4 strong", MM, Tape, (1.25 + 1.0/32) * 25.4, 25.4 / 16},
		{"1 1/4 weak", MM, Tape, (1.25 - 1.0/32) * 25.4, 25.4 / 16},
		{"9 3/16 heavy", MM, Rule, (9.1875 + 1.0/64) * 25.4, 25.4 / 32},
		{"268+", MM, Rule, 268.25, 0.5},
		{"268 light", MM, Tape, 267.75, 1},
		{"268.5-", MM, Caliper, 268.475, 0.05},
		{"27 cm +", MM, Tape, 270.25, 1},
		{"268 ±0.4", MM, Tape, 268, 0.4},
		{"268 +/- 0.4 mm", MM, Tape, 268, 0.4},
		{"11 1/2 ±1/32", MM, Rule, 292.1, 25.4 / 32},
		{" 268 ", MM, Tape, 268, 1},
		{"2''", MM, Tape, 50.8, 25.4 / 32},
		{"11 1/2''", MM, Tape, 292.1, 25.4 / 32},
		{`4' - 2 3/8"`, MM, Tape, 1279.525, 25.4 / 32},
		{"4' -2''", MM, Tape, 1270, 25.4 / 32},
		{"268 bare", MM, Tape, 267.75, 1},
		{"1 1/4 shy", MM, Tape, (1.25 - 1.0/32) * 25.4, 25.4 / 16},
		{"1 1/4 full", MM, Tape, (1.25 + 1.0/32) * 25.4, 25.4 / 16},
		{"1,25", MM, Caliper, 1.25, 0.05},
		{"0,250", MM, Caliper, 0.25, 0.05},
		{"1,250 m", MM, Tape, 1250, 1},
		{"1.250 mm", MM, Caliper, 1.25, 0.05},
	} {
		r, err := Parse(c.in, c.unit, c.with)
		if err != nil {
			t.Errorf("%q: %v", c.in, err)
			continue
		}
		if math.Abs(r.Value-c.value) > 1e-9 || math.Abs(r.Doubt-c.doubt) > 1e-9 {
			t.Errorf("%q: got %v ± %v, want %v ± %v", c.in, r.Value, r.Doubt, c.value, c.doubt)
		}
	}
}

func TestRefuse(t *testing.T) {
	why := func(text string, u Unit) string {
		var e *Error
		_, err := Parse(text, u, Tape)
		errors.As(err, &e)
		if e == nil {
			return ""
		}
		return e.Why
	}
	for text, many := range map[string]bool{"1000/64": false, "9999/64": false, "10000/64": true, "1/9999": false,
		"1/10000": true} {
		if w := why(text, IN); (w == "this fraction has too many digits") != many {
			t.Errorf("%q: %q", text, w)
		}
	}
	for text, far := range map[string]bool{"268 ±100000": false, "268 ±100000.1": true} {
		if w := why(text, MM); (w == "a doubt of more than 100 m") != far {
			t.Errorf("%q: %q", text, w)
		}
	}
	for text, want := range map[string]float64{"1234,567": 1234.567, "12345,678": 12345.678, "0,567": 0.567,
		"123,56":   123.56,
		"123,5678": 123.5678} {
		if r, err := Parse(text, MM, Caliper); err != nil || math.Abs(r.Value-want) > 1e-9 {
			t.Errorf("%q: %v, %v", text, r.Value, err)
		}
	}
	for _, text := range []string{"1,234", "12,345", "123,456"} {
		if _, err := Parse(text, MM, Caliper); err == nil {
			t.Errorf("%q is a thousand or a decimal, and it was taken", text)
		}
	}
	for text, good := range map[string]bool{"12 3/4": true, "12 4/4": false, "12 5/4": false, "5/4": true,
		"123456789012": false, "0.00000000001": true, "0.000000000001": false} {
		if _, err := Parse(text, IN, Tape); (err == nil) != good {
			t.Errorf("%q: %v", text, err)
		}
	}
	for _, c := range []struct {
		name, in string
		at       int
	}{
		{"zero under the stroke", "5 1/0", 4},
		{"two strokes", "3//4", 2},
		{"a thousand or a decimal", "1,250 mm", 0},
		{"the same, bare", "12,500", 0},
		{"the same in centimetres", "1,250 cm", 0},
		{"improper behind a whole", "12 13/8", 3},
		{"negative", "-3", 0},
		{"true minus", "−3", 0},
		{"a word", "banana", 0},
		{"nothing", "  ", 0},
		{"two units", "268 mm in", 7},
		{"metric behind feet", "4ft 20mm", 6},
		{"fraction of a millimetre", "1/2 mm", 0},
		{"two numbers", "268 270", 4},
		{"too many inches", `4' 13"`, 3},
		{"decimal and fraction", "5.5 1/2", 4},
		{"a unit alone", "mm", 0},
		{"nothing under the stroke", "3/", 2},
		{"zero", "0", 0},
		{"a kilometre", "1000 m", 0},
		{"endless digits", "1111111111111111111111", 0},
		{"minus inside", "26-8", 2},
	} {
		_, err := Parse(c.in, MM, Tape)
		var le *Error
		if !errors.As(err, &le) {
			t.Errorf("%s: %q was taken", c.name, c.in)
			continue
		}
		if le.At != c.at || le.Why == "" || le.Cure == "" {
			t.Errorf("%s: %q points at %d (%s; %s), want %d", c.name, c.in, le.At, le.Why, le.Cure, c.at)
		}
	}
}

func TestShow(t *testing.T) {
	// Below 12 mm to the nearest 1/64, from there to 1/32.
	for mm, want := range map[float64]string{11.9: "15/32 in", 12.3: "15/32 in"} {
		if got := Show(mm, MM).Other; got != want {
			t.Errorf("%v mm: %q, want %q", mm, got, want)
		}
	}
	for _, c := range []struct {
		mm          float64
		unit        Unit
		main, other string
	}{
		{268.4, MM, "268.4", "10 9/16 in"},
		{292.1, MM, "292.1", "11 1/2 in"},
		{606.1, IN, "23 7/8−", "606.1 mm"},
		{292.1, IN, "11 1/2", "292.1 mm"}, {292.15, IN, "11 1/2", "292.2 mm"}, {292.22, IN, "11 1/2+", "292.2 mm"},
		{291.98, IN, "11 1/2−", "292.0 mm"}, {-292.3, IN, "−11 1/2+", "−292.3 mm"}, {0.15, IN, "0", "0.2 mm"},
		{0, IN, "0", "0.0 mm"},
		{-3, MM, "−3.0", "−1/8 in"},
		{2, MM, "2.0", "5/64 in"},
		{0.1, MM, "0.1", "under 1/64 in"},
		{-0.02, MM, "0.0", "0 in"},
	} {
		s := Show(c.mm, c.unit)
		if s.Main != c.main || s.Other != c.other {
			t.Errorf("Show(%v, %s) = %q, %q; want %q, %q", c.mm, c.unit, s.Main, s.Other, c.main, c.other)
		}
	}
}

// Every 1/32 up to 10 ft survives being written and read.
func TestFractionRoundTrip(t *testing.T) {
	for i := 1; i <= 120*32; i++ {
		mm := float64(i) * Inch / 32
		f := InFraction(mm, 32)
		r, err := Parse(f.Inches()+" in", MM, Tape)
		if err != nil {
			t.Fatalf("%s: %v", f, err)
		}
		if math.Abs(r.Value-mm) > 1e-9 || math.Abs(f.Left) > 1e-9 {
			t.Fatalf("%d/32 in: wrote %s, read %v mm, want %v", i, f, r.Value, mm)
		}
	}
}

func TestUnderstood(t *testing.T) {
	r, err := Parse("9 1/2+", MM, Tape)
	if err != nil {
		t.Fatal(err)
	}
	if got, want := r.Understood(), "= 242.1 mm, a little heavy, ±1.59 mm"; got != want {
		t.Errorf("got %q, want %q", got, want)
	}
}

func FuzzParse(f *testing.F) {
	for _, s := range []string{"268", "11 1/2", `4' 2 3/8"`, "23 7/8-", "5 1/0", "3//4", "12 13/8", "−", "±", "½",
		"1+/-", "9e9", "1/2/3", "0,5"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		for _, u := range []Unit{MM, IN} {
			r, err := Parse(s, u, Tape)
			if err != nil {
				var le *Error
				if !errors.As(err, &le) {
					t.Fatalf("%q: error of another kind: %v", s, err)
				}
				if n := len([]rune(s)); le.At < 0 || le.At > n {
					t.Fatalf("%q: points at %d of %d", s, le.At, n)
				}
				continue
			}
			if !(r.Value > 0 && r.Value <= Most) || !(r.Doubt >= 0) {
				t.Fatalf("%q: read as %v ± %v", s, r.Value, r.Doubt)
			}
		}
	})
}

func BenchmarkParse(b *testing.B) {
	for b.Loop() {
		if _, err := Parse(`4' 2 3/8" light`, MM, Tape); err != nil {
			b.Fatal(err)
		}
	}
}

// A fraction of one sign is what it is in figures, alone and behind a whole number, and its lean
// is by its own division: ¾ names quarters, ⅜ eighths.
func TestSignsOfFractions(t *testing.T) {
	for sign, figures := range map[string]string{"⅛": "1/8", "¼": "1/4", "⅜": "3/8", "½": "1/2", "⅝": "5/8",
		"¾": "3/4", "⅞": "7/8"} {
		for _, at := range []string{"%s", "%s+", "%s-", "2%s", "2%s+", "2%s light", "4' 2%s\"", "4' - %s\"", "%s in heavy"} {
			spaced := strings.NewReplacer("2%s", "2 %s").Replace(at)
			for _, with := range []Instrument{Tape, Caliper} {
				a, err := Parse(fmt.Sprintf(at, sign), IN, with)
				b, err2 := Parse(fmt.Sprintf(spaced, figures), IN, with)
				if err != nil || err2 != nil || math.Abs(a.Value-b.Value) > 1e-9 || math.Abs(a.Doubt-b.Doubt) > 1e-9 ||
					a.Lean != b.Lean {
					t.Errorf(at+": %+v and %+v, %v, %v", sign, a, b, err, err2)
				}
			}
		}
	}
}

// What is wrong is said where it is, and in these words.
func TestWhere(t *testing.T) {
	for text, want := range map[string]string{
		"268,": "3 this is not part of a length", "268.": "3 this is not part of a length",
		`4' 12"`: "3 12 inches or more after feet", `4' 11.99"`: "",
		`11 1/2" "`: "8 a second unit that disagrees with the first",
		"268 +/":    "4 this is not part of a length", "268 +/-": "7 a number was expected here", "268- ±0.4": "",
		"268- ":  "",
		"268- 4": "3 a minus sign inside a length", "26 8": "3 a second number", "1/2/3": "3 a second stroke",
		"268 MM": "", "26.8 CM": "", "11 INCH": "", "1.2 M": "", "4 FEET": "", "11 zz": "3 this is not part of a length",
		"1/": "2 a number was expected under the stroke", "1/0": "2 a fraction cannot have 0 under the stroke",
		"1 1/2 mm": "2 a fraction is always inches", "1 1/2 ft": "2 a fraction of a foot",
		"4 ft 3 mm": "7 two units that disagree",
		"1.5 1/2":   "4 a fraction behind a decimal number", "-5": "0 a length cannot be negative",
		" ": "0 nothing was typed",
		"0": "0 a length is more than nothing", "100000": "", "100000.1": "0 that is more than 100 m", "⅛-": "",
		"999999999/9": "0 this fraction has too many digits",
	} {
		unit := MM
		var e *Error
		_, err := Parse(text, unit, Tape)
		errors.As(err, &e)
		got := ""
		if e != nil {
			got = fmt.Sprintf("%d %s", e.At, e.Why)
		}
		if got != want {
			t.Errorf("%q: %q, want %q", text, got, want)
		}
	}
}

// From 12 mm on an inch is shown to its thirty-second, below to its sixty-fourth; nothing is
// neither above nor below it.
func TestFineMarks(t *testing.T) {
	for mm, want := range map[float64]string{11.9: "15/32 in", 11.99: "15/32 in", 11.51: "29/64 in", 12: "15/32 in",
		12.3: "15/32 in", -11.51: "−29/64 in", 0: "0 in", 0.05: "under 1/64 in", 0.02: "0 in", 25.4: "1 in", 50.8: "2 in"} {
		if got := Show(mm, MM).Other; got != want {
			t.Errorf("%v mm: %q, want %q", mm, got, want)
		}
	}
	for mm, want := range map[float64]string{0: "0", 25.4: "1", 25.6: "1+", 25.2: "1−", -25.4: "−1", -25.6: "−1+",
		-25.2: "−1−",
		12.7:  "1/2", 0.05: "0"} {
		if got := Show(mm, IN).Main; got != want {
			t.Errorf("%v mm: %q, want %q", mm, got, want)
		}
	}
	if f := InFraction(0, 32); f.Minus || f.Den != 1 || f.String() != "0" {
		t.Errorf("%+v", f)
	}
	if f := InFraction(50.8, 32); f.Den != 1 || f.Whole != 2 {
		t.Errorf("%+v", f)
	}
}
