package odds

import (
	"freshshard/core/outline"
	"freshshard/core/reading"
)

// The outcomes of one draw.
const (
	Fits  = "fits"
	Tight = "tight" // does not go in with its clearance
	Binds = "binds" // loses its clearance when hot or cold
	Loose = "loose" // holds too little
)

// OnScreen is how many draws a screen needs: the error of a share is then below a hundredth.
const OnScreen = 4000

const (
	helpDraws  = 1200
	batchDraws = 8192 // that fit into the processor's cache
	strokes    = 50
)

// Chance is what the doubts of the readings, the cutter's band and growth make
// of a size: of how many openings that could be behind these readings the pane
// goes in with its clearance, holds with its bite, and stays free when the heat
// comes and goes. Drawn with a fixed seed, so that it is the same every time.
type Chance struct {
	Draws    int          `json:"draws"`
	GoesIn   float64      `json:"goes_in" doc:"Share that goes in with its clearance"`
	Holds    float64      `json:"holds" doc:"Share that keeps its bite; 1 while nothing was read for it"`
	Free     float64      `json:"free" doc:"Share that keeps its clearance hot and cold"`
	All      float64      `json:"all" doc:"Share that does all three"`
	Best     outline.Size `json:"best" doc:"The size that does all three most often, mm"`
	Most     float64      `json:"most" doc:"Share that does all three at that size"`
	Strokes  []string     `json:"strokes" doc:"Fifty outcomes: fits, tight, binds or loose"`
	Sentence string       `json:"sentence"`
	Help     *Help        `json:"help,omitempty" doc:"What would help most"`
}

// Help is what to do better and what it is worth. Place is empty for the
// cutter's band.
type Help struct {
	Place    reading.Place `json:"place,omitempty"`
	Name     string        `json:"name"`
	Least    float64       `json:"least" doc:"Share that the best size then does all three in"`
	Sentence string        `json:"sentence"`
}

// Thresholds are, for one draw and one direction, the largest size that goes in, the
// largest that stays free, and the smallest that holds.
type Thresholds struct{ In, Free, Hold float64 }

// Drawn are those of both directions, a draw each; the second is nil for a round pane.
type Drawn [2][]Thresholds

// Draws draws openings that could be behind some readings: always the same ones, however
// fine the readings are said to be.
type Draws interface {
	Draw() Drawn
	// Readings are the doubtful ones.
	Readings() []reading.Place
	// Finer leaves a share of a reading's doubt, 1 for all of it.
	Finer(place reading.Place, share float64)
	// Band leaves a share of the cutter's band.
	Band(share float64)
}

// Question is the size whose odds are asked.
type Question struct {
	Order outline.Size
	Count int     // draws
	Step  float64 // of the cutter, mm
	Band  float64 // of the cutter, half, mm
	Draws func(count, batch int) Draws
	Name  func(reading.Place) string
	// Whole is the place of a window that comes as it is: no other size can be had.
	Whole reading.Place
	// Length says that only the height is cut: a tube's outside is given.
	Length bool
}
