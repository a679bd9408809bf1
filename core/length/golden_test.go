package length

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

// Lengths as people say them, and as they should not: how each is taken, with
// its doubt, written either way, or where and why it is refused.
func TestLengthsAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, text := range []string{
		"268", "268 mm", "26.8cm", "0.268 m", "11 1/2", `11-1/2"`, "11½ in", `4' 2 3/8"`, "4ft 2-3/8in", "23 7/8-", "5 1/2+",
		"3/32", `.125"`, "1 1/4 strong", "1 1/4 weak", "268,4", "270 light", "270 heavy", "270 ±0.5", "270±1/32\"",
		"9 17/32", "⅛", "2 ⅞ in", "5'", `5' 6"`, "0", "12 feet", "100 inches",
		"", "  ", "5 1/0", "3//4", "12 13/8", "-5", "5 mm in", "5 ft mm", "banana", "1.2.3", "1e3", "5 1/2 1/4", "1/2/3",
		"5 ±", "5 ± ±1", "9999999999", "½½", "4' 13\"", "5'' 3'", "270 light heavy", "٣", "5\x00",
	} {
		for _, u := range []Unit{MM, IN} {
			r, err := Parse(text, u, Tape)
			if err != nil {
				fmt.Fprintf(b, "%q in %s: %v\n", text, u, err)
				continue
			}
			s := Show(r.Value, u)
			fmt.Fprintf(b, "%q in %s: %.5f ±%.5f %q %v | %s | %s | %s %s %s\n", text, u, r.Value, r.Doubt, r.Lean, r.Imperial,
				r.Understood(), Metric(r.Value), s.Main, s.Unit, s.Other)
		}
	}
	for _, i := range append(Instruments(), "thumb") {
		fmt.Fprintf(b, "%s: %v %.4f %.4f\n", i, i.Known(), i.Doubt(false), i.Doubt(true))
	}
	for _, mm := range []float64{0, 0.4, 25.4, 605.63, 3.175, 1, 12.7, 1000, 304.8, 6.35, 15.87} {
		for _, den := range []int{16, 32} {
			f := InFraction(mm, den)
			fmt.Fprintf(b, "%v in %d: %s | %s\n", mm, den, f.String(), f.Inches())
		}
	}
	golden.Check(t, "lengths", b.String())
}
