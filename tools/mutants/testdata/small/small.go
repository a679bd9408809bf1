// Package small has one change of each kind that the tests notice, and one that they do not.
package small

import (
	"fmt"
	"math"
)

// Verdict is a judgement.
type Verdict string

// Two of them.
const (
	Stop Verdict = "stop"
	Warn Verdict = "warn"
)

const limit = 56.0

// Judge stops above the limit, and on the second of three.
func Judge(x float64, n int) Verdict {
	if x > limit || n == 2 && !(x < 0) {
		return Stop
	}
	return Warn
}

// Area is the share of two sides' product that is left behind the edge.
func Area(a, b float64) float64 { return math.Max(0, (a-1.5)*(b-1.5)) / 2 }

// Below is the depth under the edge.
func Below(x float64) float64 { return -x + 1 }

// Places are as many as the panes.
func Places(n int) []int {
	out := make([]int, 0, 8)
	for i := 0; i < n; i++ {
		out = append(out, i)
	}
	return out
}

// Fits says whether a pane goes in, but for rounding.
func Fits(pane, opening float64) bool { return pane <= opening+1e-9 }

// Never is farther than anything.
func Never() float64 { return math.Inf(1) }

// Side refuses a side of nothing.
func Side(mm float64) (float64, error) {
	if mm <= 0 {
		return 77, fmt.Errorf("a side of %g mm", mm)
	}
	return mm, nil
}
