package photo

import (
	"bytes"
	"image/jpeg"
	"math"
	"testing"

	"freshshard/core/perspective"
)

// The places of the made-up photo lead back to the case that it shows.
func TestExampleLeadsBack(t *testing.T) {
	e, err := MakeExample()
	if err != nil {
		t.Fatal(err)
	}
	in := perspective.In{Sheet: perspective.A4, Corners: e.Corners[:]}
	for i, p := range e.Points {
		if p.X < 0 || p.Y < 0 || p.X > float64(e.W) || p.Y > float64(e.H) {
			t.Errorf("point %d lies outside the picture: %v", i, p)
		}
		in.Points = append(in.Points, perspective.Point{Px: p, Curve: i == 3})
	}
	out, err := perspective.Template(in)
	if err != nil {
		t.Fatal(err)
	}
	// The sheet is turned against the opening; the outline stands level.
	p := out.Outline.Outer
	if b := p.Box(); math.Abs(b.Width()-ExampleWidth) > 0.01 || math.Abs(b.Height()-ExampleSpring-ExampleRise) > 0.01 {
		t.Errorf("box %v × %v", b.Width(), b.Height())
	}
	for i, want := range []float64{ExampleWidth, ExampleSpring} {
		a, b, _ := p.Side(i)
		if math.Abs(a.To(b)-want) > 0.01 {
			t.Errorf("side %d is %v, want %v", i, a.To(b), want)
		}
	}
	img, err := jpeg.Decode(bytes.NewReader(e.JPEG))
	if err != nil || img.Bounds().Dx() != e.W {
		t.Fatalf("%v, %v", img.Bounds(), err)
	}
	// Inside the sheet it is paper, just outside it is dark.
	bright := func(x, y float64) uint32 {
		r, g, b, _ := img.At(int(x), int(y)).RGBA()
		return (r + g + b) / 3 >> 8
	}
	ul, lr := e.Corners[0], e.Corners[2]
	if in, out := bright(ul.X+8, ul.Y+8), bright(ul.X-8, ul.Y-8); in < 200 || out > 90 {
		t.Errorf("at the upper left corner it is %d inside, %d outside", in, out)
	}
	if in := bright(lr.X-8, lr.Y-8); in < 200 {
		t.Errorf("at the lower right corner it is %d inside", in)
	}
}
