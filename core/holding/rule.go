// Package holding says, for each way in which a pane is held, what follows for its size,
// its section and its loads: one file a way, all of them plain facts. Size, odds, drawing
// and choice ask these facts and know no way by its name. Common practice, no source, where
// nothing else is said. Lengths are mm.
package holding

import (
	"freshshard/core/family"
	"freshshard/core/strength"
)

// Across is what is read across an opening, and what of the pane is made to it.
type Across string

// The ways across.
const (
	Sides    Across = ""         // width and height
	Lifted   Across = "lifted"   // width, and a height between two pockets
	Diameter Across = "diameter" // a circle at four angles
	Length   Across = "length"   // of a tube; the rest is the old one's
)

// Behind is what lies behind a pane when it is set.
type Behind string

// What lies behind.
const (
	Nothing Behind = ""
	Gasket  Behind = "gasket" // as it seats
	Bed     Behind = "bed"    // of putty or tape
	Bead    Behind = "bead"   // of adhesive, pressed
)

// Front is how the depth of a frame is held against what lies in it.
type Front string

// How the depth is held.
const (
	Unheld  Front = ""      // the depth that is read says nothing of the pane
	Left    Front = "left"  // so much is left in front of the pane, or beside it
	Flush   Front = "flush" // how it stands to the face, for information
	Stacked Front = "stack" // panes and spacers against the room for them
)

// Depth is what is read of the depth of a frame, and what must be left in it.
type Depth struct {
	How   string // from where to where it is read; empty for not at all
	Name  string // what a depth is called here; empty for depth
	Front Front
	Need  float64 // what must be left, mm
	Says  string  // what that is
	Warns bool    // less is looked at again; without it less stops
	Room  bool    // it bounds how thick the pane may be
}

// Cover is what covers the pane's edge.
type Cover struct {
	Name string // empty when nothing is read for it
	How  string // where it is read
	Bite string // what its bite is called; empty for the name
}

// Rule is one way of holding.
type Rule struct {
	Sizing family.Sizing
	Across Across
	// Between is how a width or a height is read.
	Between string
	Cover   Cover
	Depth   Depth
	Behind  Behind
	// Instead are the places that are read in place of width and height.
	Instead []string
	// Beside are the places that are read beside them, before the cover.
	Beside []string
	// Covers are the places that are read with the cover.
	Covers []string
	Window Window // where it comes with its frame
	// Warps says that a seat which is out of flat bends the pane.
	Warps bool
	// Old is what the length of the old one is called and how it is read, where it has
	// no width.
	Old [2]string
	// Form is what the pane is called on its order; empty for its shape.
	Form string

	// Rigid: the pane stands in something that does not give, so that what its material
	// asks for counts. In rubber, in a bed, on a bead and in a frame that comes as it is
	// it does not.
	Rigid bool
	// Rubber: the edge stands in the groove of a gasket, which stands on the frame by its
	// web.
	Rubber bool
	// Brackets hold the pane from above on a ledge that bears it.
	Brackets bool
	// Plate: what holds is glued to the pane, and covers what it covers.
	Plate bool
	// Comes: pane and frame come as they are, through a wall.
	Comes bool
	// Drilled: screws go through the pane.
	Drilled bool
	// Blocks: the pane stands on setting blocks. Points hold it in its rebate.
	Blocks, Points bool
	// Stock: a stock size may be taken for it.
	Stock bool
	// Copied: an old pane that is brought alone tells the size of its seat.
	Copied bool
	// NoShape is why it has no other shape; empty where it may have one.
	NoShape [2]string
	// Held are the sides that are held against loads.
	Held strength.Held
}

// Tube says that it is a tube that is held, not a pane.
func (r *Rule) Tube() bool { return r.Across == Length }

// Circle says that the pane is round and read at four angles.
func (r *Rule) Circle() bool { return r.Across == Diameter }

// Lifts says that the pane is lifted into one pocket and dropped into another; its feet
// have their own rule.
func (r *Rule) Lifts() bool { return r.Across == Lifted }

// Window are the places of a frame that comes with its pane; without First it is not ordered.
type Window struct {
	Read, First []string
}
