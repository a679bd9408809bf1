package setting

import "math"

// Outside is a screw's size by its outside, as a screw gauge gives it, mm.
type Outside struct {
	Name string
	MM   float64
}

// outsides are sizes that a screw gauge tells apart: metric threads by ISO 261,
// tapping screws by ISO 1478 (ST 3.5, 4.2, 4.8), inch threads by ASME B1.1, all from
// memory. Where two worlds share an outside, both are named.
var outsides = []Outside{{"M3", 3}, {"3.5", 3.53}, {"M4", 4}, {"4.2", 4.22}, {"4.8", 4.8}, {"M5", 5}, {"M6", 6},
	{"1/4-20", 6.35}, {"M8", 8}}

// gaugeWithin is how far a worn screw may be off its size, mm. Common practice, no
// source.
const gaugeWithin = 0.15

// Gauged names the size of a screw by its outside in mm, the nearest one; empty where
// none is near.
func Gauged(mm float64) string {
	best, off := "", gaugeWithin
	for _, o := range outsides {
		if d := math.Abs(o.MM - mm); d <= off+1e-9 {
			best, off = o.Name, d
		}
	}
	return best
}
