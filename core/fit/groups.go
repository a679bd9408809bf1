package fit

// Parts of the sums of one pane, each over what they share.
type (
	bounding struct{ solver } // how large the pane may be and how small, and what is ordered between
	doubting struct{ solver } // what the doubts of the readings do
	covering struct{ solver } // bite, rest and clearance
	shaping  struct{ solver } // the opening's shape: skew, bends, corners
	seating  struct{ solver } // depth of the rebate, rubber, dressing
	ringing  struct{ solver } // a window in a clamp ring
	copying  struct{ solver } // a pane copied from the old one
	carrying struct{ solver } // holes that carry the pane
	telling  struct{ solver } // the figures that are shown
)
