package drawing

import (
	"math"
	"testing"

	"freshshard/core/outline"
)

// An outline is drawn with room all round, as wide on each side, whichever of the two lies
// farther out: the outline itself or what is drawn beside it.
func TestOutlineHasRoomRound(t *testing.T) {
	box := func(w, h float64) outline.Path {
		p, err := outline.RoundedRect(w, h, 0)
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
	for _, c := range []struct {
		name       string
		outer, in  outline.Path
		w, h, room float64
	}{
		{"alone", box(400, 200), nil, 400, 200, 12}, // 4 in 100 of half of width and height
		{"with one inside", box(400, 200), box(300, 100).Moved(50, 50), 400, 200, 12},
		{"with one that is larger", box(300, 100), box(400, 200).Moved(-50, -50), 400, 200, 12},
		{"with one that stands out to one side", box(300, 200), box(100, 100).Moved(300, 50), 400, 200, 12},
	} {
		d := OfOutline(outline.Outline{Outer: c.outer}, c.in)
		in := c.outer.Box()
		if len(c.in) > 0 {
			b := c.in.Box()
			in.Min = outline.Point{X: math.Min(in.Min.X, b.Min.X), Y: math.Min(in.Min.Y, b.Min.Y)}
		}
		got := [4]float64{in.Min.X - d.Box.Min.X, in.Min.Y - d.Box.Min.Y,
			d.Box.Max.X - d.Box.Min.X, d.Box.Max.Y - d.Box.Min.Y}
		want := [4]float64{c.room, c.room, c.w + 2*c.room, c.h + 2*c.room}
		for i := range got {
			if math.Abs(got[i]-want[i]) > 1e-9 {
				t.Errorf("%s: room and size %v, want %v", c.name, got, want)
				break
			}
		}
	}
}

// A pane's spot may reach to the very edge of its object, and no farther; its number is that
// of the pane it stands for.
func TestSpotAtTheEdge(t *testing.T) {
	for _, c := range []struct {
		s    Spot
		good bool
	}{
		{Spot{X: 0.5, Y: 0.5, W: 0.5, H: 0.5}, true}, {Spot{X: 0.5, Y: 0.5, W: 0.501, H: 0.5}, false},
		{Spot{X: 0.5, Y: 0.5, W: 0.5, H: 0.501}, false}, {Spot{X: 0, Y: 0, W: spotLeast, H: spotLeast}, true},
		{Spot{X: 0, Y: 0, W: spotLeast - 0.001, H: spotLeast}, false},
		{Spot{X: 1 - spotLeast, Y: 0, W: spotLeast, H: 1}, true},
		{Spot{X: 1 - spotLeast + 0.001, Y: 0, W: spotLeast, H: 1}, false},
	} {
		if err := c.s.Check(); (err == nil) != c.good {
			t.Errorf("%+v: %v", c.s, err)
		}
	}
	d := Object([]ObjectPane{{ID: 17, Spot: Spot{W: 1, H: 1}, Label: "the only one"}})
	for _, i := range d.Items {
		if i.ID == "pane-1" && i.Place != "17" {
			t.Errorf("its place is %q", i.Place)
		}
	}
}
