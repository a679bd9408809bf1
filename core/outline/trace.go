package outline

import (
	"fmt"
	"math"

	"freshshard/core/fault"
)

// Traced says what the pen ran along when a line was traced.
type Traced string

// A pen runs round the old pane, or along the inside of the opening.
const (
	RoundPane     Traced = "pane"
	InsideOpening Traced = "opening"
)

// Trace is a traced line: the pen's width, and how far it leans away from its
// guide at the paper, mm.
type Trace struct {
	Along Traced  `json:"along" enum:"pane,opening"`
	Pen   float64 `json:"pen" minimum:"0" maximum:"20" doc:"Width of the line, mm"`
	Lean  float64 `json:"lean" minimum:"0" maximum:"20" doc:"How far the pen's tip stands off its guide, mm"`
}

// Off is how far the middle of the line lies from the guide: half the pen's
// width and its lean. Common practice, no source.
func (t Trace) Off() float64 { return t.Pen/2 + t.Lean }

// Check wants a pen that can be held.
func (t Trace) Check() error {
	switch {
	case t.Along != RoundPane && t.Along != InsideOpening:
		return fault.New("along", "the pen runs round the pane or inside the opening", "say which")
	case !(t.Pen >= 0 && t.Pen <= 20):
		return fault.New("pen", "a line from 0 to 20 mm is expected", "measure the line's width")
	case !(t.Lean >= 0 && t.Lean <= 20):
		return fault.New("lean", "a lean from 0 to 20 mm is expected", "0 when the pen stood upright")
	}
	return nil
}

// True is the guide itself, from the middle of the line: inside it when the pen
// ran round a pane, outside it when it ran inside an opening.
func (t Trace) True(p Path) (Path, error) {
	if err := t.Check(); err != nil {
		return nil, err
	}
	if t.Along == RoundPane {
		return p.Offset(t.Off())
	}
	return p.Offset(-t.Off())
}

// onLine is how near to the line a cut is still on it, mm: what a hand follows.
// Common practice, no source.
const onLine = 0.3

// Say tells where to cut so that the pane is smaller than the guide by the
// clearance on each side, mm.
func (t Trace) Say(clearance float64) string {
	in := clearance + t.Off() // from the middle of the line inwards
	if t.Along == InsideOpening {
		in = clearance - t.Off()
	}
	switch {
	case math.Abs(in) <= onLine:
		return "cut on the line"
	case math.Abs(in-t.Pen/2) <= onLine:
		return "cut along the inner edge of the line: leave the line on the waste"
	case math.Abs(in+t.Pen/2) <= onLine:
		return "cut along the outer edge of the line: leave the line on the pane"
	case in > 0:
		return fmt.Sprintf("cut %.1f mm inside the middle of the line", in)
	default:
		return fmt.Sprintf("cut %.1f mm outside the middle of the line", -in)
	}
}
