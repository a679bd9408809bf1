package fit

import (
	"math"
)

// Chance is what the doubts of the readings, the cutter's band and growth make
// of a size: of how many openings that could be behind these readings the pane
// goes in with its clearance, holds with its bite, and stays free when the heat
// comes and goes. Drawn with a fixed seed, so that it is the same every time.
type Chance struct {
	Draws    int      `json:"draws"`
	GoesIn   float64  `json:"goes_in" doc:"Share that goes in with its clearance"`
	Holds    float64  `json:"holds" doc:"Share that keeps its bite; 1 while nothing was read for it"`
	Free     float64  `json:"free" doc:"Share that keeps its clearance hot and cold"`
	All      float64  `json:"all" doc:"Share that does all three"`
	Best     Size     `json:"best" doc:"The size that makes the least of the three as large as it can be, mm"`
	Most     float64  `json:"most" doc:"The least of the three at that size"`
	Strokes  []string `json:"strokes" doc:"Fifty outcomes: fits, tight, binds or loose"`
	Sentence string   `json:"sentence"`
	Help     *Help    `json:"help,omitempty" doc:"What would help most"`
}

// Help is what to do better and what it is worth. Place is empty for the
// cutter's band.
type Help struct {
	Place    Place   `json:"place,omitempty"`
	Name     string  `json:"name"`
	Least    float64 `json:"least" doc:"The least of the three with it"`
	Sentence string  `json:"sentence"`
}

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

// chance works out the odds of the ordered size.
func (s solver) chance(w, h axis, order Size, draws int) *Chance {
	m := s.sampler(w, h, min(draws, batchDraws), 0)
	t := m.drawn()
	c := &Chance{Draws: draws, Strokes: []string{}}
	c.GoesIn, c.Holds, c.Free, c.All = s.odds(w, h, order, draws)
	c.Best, c.Most = best(t, s.start(w, h, order), s.step())
	switch {
	case s.asItComes(): // no other size can be had
		c.Best, c.Most = order, least(t, order)
	case len(m.axes) == 1:
		c.Best.H = c.Best.W
	case s.p.rule().Tube(): // its outside is given, only the length is cut
		c.Best.W = order.W
	}
	s.tell(c, m, t, order)
	c.Help = s.help(w, h, order)
	return c
}

// start is where the search begins: the order, on the cutter's step.
func (s solver) start(_, _ axis, order Size) Size {
	step := s.step()
	return Size{math.Round(order.W/step) * step, math.Round(order.H/step) * step}
}
