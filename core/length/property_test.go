package length

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"
)

// However a length is written, it is the same length.
func TestWaysOfSayingAgree(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 9))
	for range 500 {
		mm := math.Round(r.Float64()*50000) / 10
		if mm < 1 {
			continue
		}
		texts := []string{
			fmt.Sprintf("%.1f", mm), fmt.Sprintf("%.1fmm", mm), fmt.Sprintf("%.1f mm", mm), fmt.Sprintf("%.2f cm", mm/10),
			fmt.Sprintf("%.4fm", mm/1000),
			strings.Replace(fmt.Sprintf("%.1f mm", mm), ".", ",", 1), fmt.Sprintf("%.6f in", mm/25.4),
			fmt.Sprintf("%.6f\"", mm/25.4), fmt.Sprintf("%.7f ft", mm/304.8),
		}
		for _, s := range texts {
			got, err := Parse(s, MM, Tape)
			if err != nil || math.Abs(got.Value-mm) > 1e-4 {
				t.Fatalf("%q is %v mm, %v", s, got.Value, err)
			}
		}
	}
}

// Feet and inches say the same as inches alone.
func TestFeetAndInches(t *testing.T) {
	for total := 12; total < 12*30; total += 5 {
		for _, frac := range []string{"", " 3/8", "½"} {
			a, err1 := Parse(fmt.Sprintf("%d' %d%s\"", total/12, total%12, frac), MM, Tape)
			b, err2 := Parse(fmt.Sprintf("%d%s in", total, frac), MM, Tape)
			if err1 != nil || err2 != nil || math.Abs(a.Value-b.Value) > 1e-9 {
				t.Fatalf("%d%s: %v and %v, %v, %v", total, frac, a.Value, b.Value, err1, err2)
			}
		}
	}
}

// A light reading is less, a heavy one more, both by the same, and neither is
// surer than an even one.
func TestLeanIsEven(t *testing.T) {
	for _, s := range []string{"268", "268.5", "26.8 cm", "11 1/2", "23 7/8", "9 3/16", "3/32", "4' 2 3/8\""} {
		even, err := Parse(s, MM, Rule)
		if err != nil {
			t.Fatal(err)
		}
		light, err1 := Parse(s+" light", MM, Rule)
		heavy, err2 := Parse(s+" heavy", MM, Rule)
		if err1 != nil || err2 != nil {
			t.Fatal(err1, err2)
		}
		down, up := even.Value-light.Value, heavy.Value-even.Value
		if down <= 0 || math.Abs(down-up) > 1e-9 || light.Doubt < even.Doubt || heavy.Doubt != light.Doubt {
			t.Errorf("%s: down %v, up %v, doubt %v and %v", s, down, up, even.Doubt, light.Doubt)
		}
		// Never more than a quarter of 1/8 in or of a millimetre.
		if most := Inch / 32; down > most+1e-9 {
			t.Errorf("%s leans by %v", s, down)
		}
	}
}

// What is shown adds up: the fraction and what it leaves out are the length.
func TestShownAddsUp(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 9))
	for range 2000 {
		mm := (r.Float64() - 0.3) * 3000
		for _, den := range []int{16, 32, 64} {
			f := InFraction(mm, den)
			v := (float64(f.Whole) + float64(f.Num)/float64(f.Den)) * Inch
			if f.Minus {
				v = -v
			}
			if math.Abs(v+f.Left-mm) > 1e-9 || math.Abs(f.Left) > Inch/float64(den)/2+1e-9 {
				t.Fatalf("%v mm at 1/%d: %+v", mm, den, f)
			}
			if f.Num > 0 && f.Num%2 == 0 {
				t.Fatalf("%v mm: %d/%d is not reduced", mm, f.Num, f.Den)
			}
		}
	}
}
