// Package thickness tells the nominal size of a pane from a caliper reading.
package thickness

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Band is a nominal thickness with the readings that belong to it, mm.
type Band struct {
	Nominal float64 `json:"nominal"`
	Inch    string  `json:"inch"`
	Least   float64 `json:"least"`
	Most    float64 `json:"most"`
}

// Bands of flat glass. ASTM C1036, from memory.
var Bands = []Band{
	{2.5, "3/32", 2.16, 2.57}, {2.7, "lami", 2.59, 2.90}, {3, "1/8", 2.92, 3.40}, {4, "5/32", 3.78, 4.19},
	{5, "3/16", 4.57, 5.05}, {5.5, "7/32", 5.08, 5.54},
	{6, "1/4", 5.56, 6.20}, {8, "5/16", 7.42, 8.43}, {10, "3/8", 9.02, 10.31}, {12, "1/2", 11.91, 13.49},
	{16, "5/8", 15.09, 16.66}, {19, "3/4", 18.26, 19.84},
}

// Answer is what a reading means. Between is true when it fits no band: then
// the pane is laminated, plastic or worn, and Nominal is the nearest band.
type Answer struct {
	Nominal  float64        `json:"nominal" doc:"mm"`
	Inch     string         `json:"inch"`
	Between  bool           `json:"between"`
	Doubtful bool           `json:"doubtful" doc:"The doubt of the reading reaches into another band or between bands"`
	Sentence string         `json:"sentence"`
	Figure   working.Figure `json:"figure"`
}

// Of maps a reading to its band.
func Of(r length.Reading) Answer {
	best, off := Bands[0], math.Inf(1)
	for _, b := range Bands {
		d := math.Max(0, math.Max(b.Least-r.Value, r.Value-b.Most))
		if d < off {
			best, off = b, d
		}
	}
	a := Answer{Nominal: best.Nominal, Inch: best.Inch, Between: off > 0}
	a.Doubtful = r.Value-r.Doubt < best.Least || r.Value+r.Doubt > best.Most
	size := fmt.Sprintf("%s mm (%s in)", working.Num(best.Nominal, 1), best.Inch)
	if best.Inch == "lami" {
		size = working.Num(best.Nominal, 1) + " mm, the ply of laminated glass"
	}
	switch {
	case a.Between:
		a.Sentence = fmt.Sprintf("%s mm lies between the bands; nearest is %s. Laminated, plastic, or worn.",
			working.Num(r.Value, 2), size)
	case a.Doubtful:
		a.Sentence = fmt.Sprintf("nominal %s, but the doubt of the reading reaches past its band; read it again on a clean "+
			"edge.", size)
	default:
		a.Sentence = fmt.Sprintf("nominal %s.", size)
	}
	a.Figure = working.Figure{Key: "old_nominal", Sentence: a.Sentence, Value: best.Nominal, Unit: "mm",
		Verdict: working.Note, Place: "old_thickness",
		Working: working.Of("{a} ≤ {t} ≤ {b}", best.Nominal, "mm nominal",
			working.In("t", fmt.Sprintf("caliper reading, ±%s", working.Num(r.Doubt, 2)), r.Value, "mm",
				value.Read("caliper")),
			working.In("a", "least of the band", best.Least, "mm", value.Std("ASTM C1036")),
			working.In("b", "most of the band", best.Most, "mm", value.Std("ASTM C1036")))}
	if a.Between {
		a.Figure.Verdict = working.Warn
	}
	return a
}
