// Package setting holds the rules for putting a pane in and holding it there:
// gasket length, setting blocks, points, and the order of tightening.
package setting

import (
	"freshshard/core/value"
	"freshshard/core/working"
)

// Seated thickness of rope, tape and U-section, as a share of the free one.
// Common practice, no source.
const (
	SeatedLeast = 0.60
	SeatedMost  = 0.75
)

// A gasket is cut to its path or up to a fiftieth longer, never stretched.
// Common practice, no source.
const gasketSpare = 0.02

// GasketLength is what to cut for a closed path, both ends butted, in mm: path
// × 1.00 to 1.02.
func GasketLength(path float64) (least, most float64) { return path, path * (1 + gasketSpare) }

// GasketFigure is the gasket length with its working; path is the pane's edge
// or the middle of the ledge, whichever the gasket follows.
func GasketFigure(path float64, follows string) working.Figure {
	_, most := GasketLength(path)
	w := working.Of("{P} × {k}", most, "mm",
		working.In("P", "path of the gasket, "+follows, path, "mm", value.Sum()),
		working.In("k", "spare, ends butted without stretching", 1+gasketSpare, "", value.Custom()))
	return working.Figure{
		Key: "gasket_length", Sentence: "gasket to cut, laid without stretching, ends butted at the lower hinge corner",
		Value: most, Unit: "mm", Verdict: working.Note,
		Working: w.With("Cut long and trim to a firm butt. Between the path itself and 2 % more is right; a stretched " +
			"gasket creeps back and opens at the joint."),
	}
}

// Seated is the range of a gasket's thickness once it is pressed, in mm.
func Seated(free float64) (least, most float64) { return free * SeatedLeast, free * SeatedMost }
