package photo

import (
	"bytes"
	"image"
	"image/color"
	"image/draw"
	"image/jpeg"
	"math"
	"math/rand/v2"

	"golang.org/x/image/vector"

	"freshshard/core/outline"
)

// Example is a made-up photo of an arched museum case with a sheet of A4 taped
// into its opening, seen askew, with the places that a person would mark. It is
// for trying the template from a photo, and for its tests.
type Example struct {
	JPEG    []byte
	W, H    int
	Corners [4]outline.Point // of the sheet: upper left, upper right, lower right, lower left, px
	Points  []outline.Point  // of the opening: lower left, lower right, springing, crown, springing, px
}

// The opening of the example, mm: ExampleWidth wide, straight to ExampleSpring,
// its arc rises by ExampleRise.
const (
	ExampleWidth  = 420.0
	ExampleSpring = 380.0
	ExampleRise   = 110.0
)

// Where the sheet's lower left corner lies in the opening, mm, and its turn.
const (
	sheetX, sheetY = 92.0, 58.0
	sheetTurn      = 0.06
)

// eye is a pinhole camera that stands to the left of the case and a little
// above it.
func eye(p outline.Point) outline.Point {
	x, y, z := p.X-ExampleWidth/2, p.Y-240, 0.0
	sin, cos := math.Sincos(-0.42)
	x, z = x*cos+z*sin, -x*sin+z*cos
	sin, cos = math.Sincos(-0.2)
	y, z = y*cos-z*sin, y*sin+z*cos
	sin, cos = math.Sincos(0.03)
	x, y = x*cos-y*sin, x*sin+y*cos
	z += 1150
	const f = 1650
	return outline.Point{X: 640 + f*x/z, Y: 485 - f*y/z}
}

// onSheet is a place of the sheet in the plane of the opening, mm.
func onSheet(x, y float64) outline.Point {
	sin, cos := math.Sincos(sheetTurn)
	return outline.Point{X: sheetX + x*cos - y*sin, Y: sheetY + x*sin + y*cos}
}

// MakeExample draws the photo.
func MakeExample() (Example, error) {
	e := Example{W: 1280, H: 960}
	img := image.NewRGBA(image.Rect(0, 0, e.W, e.H))
	draw.Draw(img, img.Bounds(), image.NewUniform(color.RGBA{112, 120, 118, 255}), image.Point{}, draw.Src)
	fill := func(c color.RGBA, mm ...outline.Point) {
		r := vector.NewRasterizer(e.W, e.H)
		for i, p := range mm {
			q := eye(p)
			if i == 0 {
				r.MoveTo(float32(q.X), float32(q.Y))
			} else {
				r.LineTo(float32(q.X), float32(q.Y))
			}
		}
		r.ClosePath()
		r.Draw(img, img.Bounds(), image.NewUniform(c), image.Point{})
	}
	at := func(x, y float64) outline.Point { return outline.Point{X: x, Y: y} }
	arch, err := outline.RoundTop(ExampleWidth, ExampleSpring, ExampleRise)
	if err != nil {
		return e, err
	}
	rim, err := arch.Offset(-46)
	if err != nil {
		return e, err
	}
	fill(color.RGBA{96, 70, 48, 255}, rim.Flatten(0.5)...)
	fill(color.RGBA{58, 41, 28, 255}, widened(arch, -5)...)
	fill(color.RGBA{34, 40, 42, 255}, arch.Flatten(0.5)...)
	for i := range 7 { // shelves behind it, so that it looks like a case
		y := 60.0 + 62*float64(i)
		fill(color.RGBA{52, 58, 58, 255}, at(14, y), at(ExampleWidth-14, y), at(ExampleWidth-14, y+5), at(14, y+5))
	}
	fill(color.RGBA{241, 240, 233, 255}, onSheet(0, 0), onSheet(210, 0), onSheet(210, 297), onSheet(0, 297))
	for i := range 9 {
		y := 255.0 - 24*float64(i)
		fill(color.RGBA{176, 180, 178, 255}, onSheet(24, y), onSheet(186, y), onSheet(186, y+3), onSheet(24, y+3))
	}
	grain(img)
	for i, p := range []outline.Point{onSheet(0, 297), onSheet(210, 297), onSheet(210, 0), onSheet(0, 0)} {
		e.Corners[i] = eye(p)
	}
	for _, p := range []outline.Point{at(0, 0), at(ExampleWidth, 0), at(ExampleWidth, ExampleSpring),
		at(ExampleWidth/2, ExampleSpring+ExampleRise), at(0, ExampleSpring)} {
		e.Points = append(e.Points, eye(p))
	}
	b := &bytes.Buffer{}
	err = jpeg.Encode(b, img, &jpeg.Options{Quality: 88})
	e.JPEG = b.Bytes()
	return e, err
}

// widened is a path offset for a drawing; the path itself where it cannot be.
func widened(p outline.Path, by float64) []outline.Point {
	if q, err := p.Offset(by); err == nil {
		p = q
	}
	return p.Flatten(0.5)
}

// grain makes the picture less smooth than a drawing, the same every time.
func grain(img *image.RGBA) {
	r := rand.New(rand.NewPCG(3, 1))
	for i := 0; i < len(img.Pix); i += 4 {
		d := r.IntN(9) - 4
		for k := range 3 {
			img.Pix[i+k] = uint8(max(0, min(255, int(img.Pix[i+k])+d)))
		}
	}
}
