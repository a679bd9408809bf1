package fit

// The outcomes of one draw.
const (
	Fits  = "fits"
	Tight = "tight" // does not go in with its clearance
	Binds = "binds" // loses its clearance when hot or cold
	Loose = "loose" // holds too little
)

// Draws that a screen needs: the error of a share is then below a hundredth.
// seed is any number; the same one gives the same answer.
const (
	ScreenDraws = 4000
	helpDraws   = 1200
	batchDraws  = 8192
	strokes     = 50
	seed        = 0x6c617373
)
