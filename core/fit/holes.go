package fit

import (
	"fmt"
	"math"

	"freshshard/core/length"
	"freshshard/core/value"
	"freshshard/core/working"
)

// holeOver is the least by which a screw hole in plastic is drilled over the
// screw, mm. Common practice, no source.
const holeOver = 1.5

// holes is by how much the screw holes of a plastic panel are drilled over the
// screw: the screw starts in the middle of its hole, and the sheet may move
// either way by its growth from the fixed point, which is its middle. The
// farthest hole is taken to lie in a corner.
func (s carrying) holes(r Result) working.Figure {
	p, e := s.p, s.p.Exposure
	far := math.Hypot(r.Order.W, r.Order.H) / 2
	pane, frame, when := e.Steady, e.FrameHot, "hot"
	paneBy, frameBy := e.From("steady"), e.From("frame_hot")
	move := math.Abs(p.growth(2*far, pane, frame))
	if cold := math.Abs(p.growth(2*far, e.Coldest, e.Coldest)); cold > move {
		pane, frame, when, move = e.Coldest, e.Coldest, "in the coldest", cold
		paneBy, frameBy = e.From("coldest"), e.From("coldest")
	}
	over := math.Max(holeOver, 2*move)
	return working.Figure{Key: "hole_over", Value: over, Unit: "mm", Verdict: working.Note,
		Sentence: fmt.Sprintf("drill its screw holes this much over the screw: the farthest moves %s mm %s",
			length.Metric(move), when),
		Working: working.Of("max({m}, 2 × |{f} × ({F} − {R}) − {α} × ({T} − {R})| / 1000000 × {d})", over, "mm",
			working.In("m", "least over the screw", holeOver, "mm", value.Custom()),
			working.In("α", "growth of "+p.Pane.Name, p.Pane.Alpha, "10⁻⁶/K", p.Pane.Origin),
			working.In("f", "growth of "+p.Frame.Name, p.Frame.Alpha, "10⁻⁶/K", p.Frame.Origin),
			working.In("T", "pane "+when, pane, "°C", paneBy), working.In("F", "frame "+when, frame, "°C", frameBy),
			working.In("R", "where it is cut", e.Room, "°C", e.From("room")),
			working.In("d", "from the middle to a corner", far, "mm", value.Sum())).
			With("The middle is the fixed point. Drill smooth and clear of the edge; screws snug, washers wide.")}
}
