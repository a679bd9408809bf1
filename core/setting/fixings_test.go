package setting

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/working"
	"freshshard/tools/golden"
)

// Every sum of what holds and seals, as a person reads it, with all that went into it.
func TestFixingsAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	say := func(of interface {
		Figures() ([]working.Figure, error)
	}) {
		figures, err := of.Figures()
		fmt.Fprintf(b, "= %+v: %v\n", of, err)
		for _, f := range figures {
			b.WriteString(golden.Figure(f))
		}
	}
	for _, d := range []float64{1.2, 2} {
		for _, to := range []float64{1.1, 1.2, 4} {
			say(Brad{Diameter: d, ToGlass: to})
		}
	}
	for _, d := range []float64{0.77, 1.33} {
		say(Brad{Diameter: d, ToGlass: 3.33})
	}
	for _, b := range []Bead{{Length: 1333, Section: Triangle, Width: 8.3, Height: 9.7, Tube: 310, Skin: 12.5},
		{Length: 2777, Section: Round, Width: 7.7, Height: 5, Tube: 292.5, Skin: 0.95}, {Length: 90, Section: Fillet,
			Width: 3, Height: 2.5, Tube: 600}, {Length: 4000, Section: Joint, Width: 12, Height: 5, Tube: 310}} {
		say(b)
	}
	say(Rivet{Size: "3/16", Hole: 12.33, Bolt: 5.5, Bush: 1.25, Stack: 9.75, Nut: 0})
	for _, size := range RivetSizes {
		say(Rivet{Size: size, Hole: 9, Bolt: 5, Bush: 1, Stack: 9.5, Nut: 4})
	}
	for _, hole := range []float64{7.9, 8, 8.1} {
		say(Rivet{Size: "3/16", Hole: hole, Bolt: 5, Bush: 1, Stack: 9})
	}
	for _, g := range []Reuse{{Kind: "rope", Free: 10, Sprung: 6.9, Path: 1240, Length: 1240}, {Kind: "rope", Free: 10,
		Sprung: 7, Path: 1240,
		Length: 1240}, {Kind: "rope", Free: 10, Sprung: 9, Path: 1240, Length: 1239}, {Kind: "rope", Free: 10, Sprung: 9,
		Path:   1240,
		Length: 1260, Seen: []string{"fray", "hard-band"}}, {Kind: "rubber", Path: 1000, Length: 980.1}, {Kind: "rubber",
		Path:   1000,
		Length: 980}, {Kind: "rubber", Path: 1000, Length: 1004, Seen: []string{"leak-mark", "no-nail-mark"}}, {Kind: "felt",
		Path:   1000,
		Length: 980}, {Kind: "rubber", Path: 1000, Length: 990, Seen: []string{"luck"}}} {
		say(g)
	}
	for _, p := range []Puttied{{Length: 1800, Face: 10, Rebate: 10}, {Length: 2400, Face: 12, Rebate: 8, Back: 3}} {
		say(p)
	}
	for _, section := range []Section{"triangle", "round", "fillet", "joint", "none"} {
		for _, h := range []float64{0, 12} {
			say(Bead{Length: 2400, Section: section, Width: 8, Height: h, Skin: 10})
		}
		say(Bead{Length: 9000, Section: section, Width: 10, Height: 12, Tube: 600, Skin: 8, Place: 5, People: 2})
	}
	for _, s := range Screws {
		say(Turns{Free: 3, Screw: s.Name, Seated: 0.7})
	}
	say(Turns{Screw: "M5"})
	say(Turns{Free: 5, Screw: "M6", Torque: 4})
	golden.Check(t, "fixings", b.String())
}
