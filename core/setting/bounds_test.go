package setting

import (
	"testing"

	"freshshard/core/working"
	"freshshard/tools/golden"
)

// From where to where each number of what is typed may be.
func TestBoundsAreAsLookedAt(t *testing.T) {
	golden.Check(t, "bounds", "= brad\n"+golden.Bounds(Brad{Diameter: 1.2, ToGlass: 4}, figured[Brad])+
		"= rivet\n"+golden.Bounds(Rivet{Size: "3/16", Hole: 9, Bolt: 5, Bush: 1, Stack: 9, Nut: 4}, figured[Rivet])+
		"= rope\n"+golden.Bounds(Reuse{Kind: "rope", Free: 10, Sprung: 8, Path: 1240, Length: 1250}, figured[Reuse])+
		"= rubber\n"+golden.Bounds(Reuse{Kind: "rubber", Path: 1240, Length: 1250}, figured[Reuse])+
		"= putty\n"+golden.Bounds(Puttied{Length: 1800, Face: 10, Rebate: 10, Back: 2}, figured[Puttied])+
		"= bead\n"+golden.Bounds(Bead{Length: 2400, Section: "triangle", Width: 8, Height: 12, Skin: 10}, figured[Bead])+
		"= turns\n"+golden.Bounds(Turns{Free: 3, Screw: "M5", Seated: 0.7}, figured[Turns])+
		"= counted\n"+golden.Bounds(Counted{4, 4, 5}, Counted.Check))
}

func figured[T interface {
	Figures() ([]working.Figure, error)
}](v T) error {
	_, err := v.Figures()
	return err
}

// The screws that turns are reckoned of.
func TestScrewsAreAsLookedAt(t *testing.T) { golden.Check(t, "screws", golden.Each(Screws)) }
