package outline

import (
	"fmt"
	"math"

	"freshshard/core/fault"
)

// Skew is how far an opening leans out of square.
type Skew struct {
	Sin    float64 `json:"sin" doc:"Sine of the angle out of square; positive leans to the right"`
	Over   float64 `json:"over" doc:"Out of square over the height, mm"`
	Misfit float64 `json:"misfit" doc:"How far the diagonals' mean square is off what the sides say, as a length, mm"`
}

// misfitMost is the share of the diagonal beyond which two diagonals and two
// sides cannot all be right. Common practice, no source.
const misfitMost = 0.04

// SkewOf tells the skew of an opening with parallel sides from its two
// diagonals: rising goes from lower left to upper right. All in mm.
//
//	sin θ = (d1² − d2²) / (4·W·H), out of square over the height H·tan θ
//
// From the law of cosines on a parallelogram (Euclid II.12 and 13): W 300,
// H 400, θ 0.05 rad gives diagonals 511.87 and 487.85.
func SkewOf(w, h, rising, falling float64) (Skew, error) {
	if err := CheckDiagonal("diagonal_rising", w, h, rising); err != nil {
		return Skew{}, err
	}
	if err := CheckDiagonal("diagonal_falling", w, h, falling); err != nil {
		return Skew{}, err
	}
	sin := (rising*rising - falling*falling) / (4 * w * h)
	// A parallelogram has d1² + d2² = 2(W² + H²); what is left over says that
	// the sides are not parallel or that a reading is wrong.
	square := math.Hypot(w, h)
	misfit := math.Sqrt((rising*rising+falling*falling)/2) - square
	if math.Abs(misfit) > misfitMost*square {
		field := "diagonal_rising"
		if math.Abs(falling-square) > math.Abs(rising-square) {
			field = "diagonal_falling"
		}
		return Skew{}, fault.New(field,
			fmt.Sprintf("no opening of %.1f × %.1f has the diagonals %.1f and %.1f", w, h, rising, falling),
			fmt.Sprintf("a square one has %.1f both ways; measure corner to corner again", square))
	}
	return Skew{
		Sin:    sin,
		Over:   h * math.Tan(math.Asin(sin)),
		Misfit: misfit,
	}, nil
}

// CheckDiagonal refuses a length that no opening of w × h has corner to corner:
// by the triangle inequality it lies between |w − h| and w + h. field is the
// name that the refusal points at; all in mm.
func CheckDiagonal(field string, w, h, d float64) error {
	if d < w+h && d > math.Abs(w-h) {
		return nil
	}
	return fault.New(field, fmt.Sprintf("%.1f mm cannot be the diagonal of %.1f × %.1f", d, w, h),
		fmt.Sprintf("a square opening of that size has %.1f; measure corner to corner again", math.Hypot(w, h)))
}
