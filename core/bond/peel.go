// Package bond tells from the faces of a bond that let go what failed, and
// what a plate that a pane hangs on has to carry.
package bond

import (
	"fmt"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Spot is what one place of the two faces shows.
type Spot string

// What a spot can show.
const (
	Glass   Spot = "glass"   // clean glass: the glue left the glass
	Metal   Spot = "metal"   // clean metal: the glue left the metal
	Torn    Spot = "torn"    // torn in the glue: it carried
	Foreign Spot = "foreign" // glue of an earlier repair
	Never   Spot = "never"   // never touched: no glue, or not pressed
	Unseen  Spot = ""        // nobody looked at it; it keeps its place and counts for nothing
)

// Spots lists them in the order in which they are offered.
var Spots = []Spot{Glass, Metal, Torn, Foreign, Never}

// Peel is a map of the faces of a bond, spots of equal size over its length and
// width, mm.
type Peel struct {
	Length float64 `json:"length,omitempty" doc:"mm"`
	Width  float64 `json:"width,omitempty" doc:"mm"`
	Spots  []Spot  `json:"spots,omitempty" maxItems:"400" enum:",glass,metal,torn,foreign,never"`
}

// Peeled is what the map says.
type Peeled struct {
	Area    float64          `json:"area" doc:"Of the whole bond, mm²"`
	Carried float64          `json:"carried" doc:"Share of it that carried"`
	Shares  map[Spot]float64 `json:"shares"`
	Says    string           `json:"says" doc:"What failed"`
	Do      string           `json:"do" doc:"What is done otherwise this time"`
	Figures []working.Figure `json:"figures"`
}

// told is what most of a bond's faces say, and what follows. Common practice,
// no source.
var told = map[Spot][2]string{
	Glass: {"The glue left the glass: it was not clean, or had no primer, or silicone dust lay on it.",
		"Degrease the glass twice with fresh cloths, prime it as the sheet says, and do not touch it again."},
	Metal: {"The glue left the metal: rust, loose paint or oil held it, not the metal.",
		"Down to sound metal, degreased, primed and dry, before anything is glued."},
	Torn: {"It carried all over and tore: the area was too small, or the glue too stiff for the movement.",
		"A longer or wider plate, a second stay, or a latch that shares the gust."},
	Foreign: {"It was glued onto the glue of an earlier repair, and that let go.",
		"Every trace of the old glue off both faces; two kinds on one another hold nothing."},
	Never: {"It never touched: the bead was too low, or nobody pressed it home.",
		"More glue than the gap, pressed until it shows all round, and held until it has set."},
}

// much is the share from which a spot is what failed, rather than one of two.
const much = 0.5

// seen counts the spots that somebody looked at.
func (p Peel) seen() int {
	n := 0
	for _, s := range p.Spots {
		if s != Unseen {
			n++
		}
	}
	return n
}

// Read reads the map. Without a size it says what failed, and no area. It returns a *fault.Error for a map that
// cannot be.
func (p Peel) Read() (Peeled, error) {
	out := Peeled{Shares: map[Spot]float64{}}
	unsized := p.Length == 0 && p.Width == 0
	switch {
	case unsized && p.seen() > 0:
	case !(p.Length > 0 && p.Length <= 20000):
		return out, fault.New("length", "a length above 0 and up to 20 m is expected",
			"measure the bond along the edge, in mm")
	case !(p.Width > 0 && p.Width <= 1000):
		return out, fault.New("width", "a width above 0 and up to 1000 mm is expected", "measure the bond across, in mm")
	case p.seen() == 0:
		return out, fault.New("spots", "nothing was looked at yet", "tap what each spot of the two faces shows")
	}
	for i, s := range p.Spots {
		if s == Unseen {
			continue
		}
		if _, ok := told[s]; !ok {
			return out, fault.New(fmt.Sprintf("spots[%d]", i), fmt.Sprintf("%q is not what a spot shows", s),
				"glass, metal, torn, foreign or never")
		}
		out.Shares[s] += 1 / float64(p.seen())
	}
	out.Area, out.Carried = p.Length*p.Width, out.Shares[Torn]
	first, second := Spot(""), Spot("")
	for _, s := range Spots {
		switch v := out.Shares[s]; {
		case v == 0:
		case first == "" || v > out.Shares[first]+1e-9:
			first, second = s, first
		case second == "" || v > out.Shares[second]+1e-9:
			second = s
		}
	}
	out.Says, out.Do = told[first][0], told[first][1]
	if out.Shares[first] < much && second != "" {
		out.Says += " And besides: " + told[second][0]
		out.Do += " " + told[second][1]
	}
	if out.Figures = []working.Figure{}; unsized {
		return out, nil
	}
	held := out.Area * out.Carried
	out.Figures = []working.Figure{{Key: "carried", Value: held / 100, Unit: "cm²", Verdict: working.Note,
		Sentence: fmt.Sprintf("really carried, %.0f in 100 of the whole", out.Carried*100),
		Working: working.Of("{L} × {b} × {c} / 100", held/100, "cm²",
			working.In("L", "length of the bond", p.Length, "mm", value.Read("")),
			working.In("b", "its width", p.Width, "mm", value.Read("")),
			working.In("c", "spots that tore in the glue, of all", out.Carried, "", value.Read("")))}}
	return out, nil
}
