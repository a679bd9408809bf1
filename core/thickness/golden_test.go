package thickness

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/length"
	"freshshard/tools/golden"
)

// What each reading of a caliper is taken for, a twentieth apart, at the ends of each band,
// with and without doubt.
func TestThicknessesAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	say := func(v, doubt float64) {
		a := Of(length.Reading{Value: v, Doubt: doubt})
		fmt.Fprintf(b, "%.2f ±%g: %g %s, between %v, doubtful %v, %s %s | %s\n", v, doubt, a.Nominal, a.Inch, a.Between,
			a.Doubtful,
			a.Figure.Verdict, a.Sentence, a.Figure.Working.Values)
	}
	for v := 1.0; v < 21; v += 0.45 {
		say(v, 0.05)
	}
	for _, band := range Bands {
		for _, v := range []float64{band.Least - 0.01, band.Least, band.Most, band.Most + 0.01} {
			say(v, 0)
			say(v, 0.02)
		}
	}
	golden.Check(t, "thicknesses", b.String())
}
