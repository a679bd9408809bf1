// Package photo takes pictures in safely: JPEG, PNG or WebP up to a size,
// turned upright, scaled down, and written anew as JPEG, which leaves the
// place where they were taken and all else that a camera adds behind.
package photo

import (
	"bytes"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	_ "image/png" // decoders register themselves
	"math"

	"golang.org/x/image/draw"
	_ "golang.org/x/image/webp"

	"freshshard/core/fault"
)

// Limits of what is taken in, and sizes of what is kept.
const (
	MostBytes = 15 << 20
	// A decoded picture takes up to 4 bytes a pixel, up to 8 with 16-bit
	// colours; these keep it below 160 MB.
	mostPixels     = 40_000_000
	mostDeepPixels = 16_000_000
	fullSide       = 1800
	thumbSide      = 320
	fullQuality    = 82
	thumbQuality   = 75
)

// Photo is a picture as it is kept.
type Photo struct {
	Full, Thumb   []byte // JPEG
	Width, Height int    // of Full
}

// Take reads a picture. It returns a *fault.Error for what is no picture, too
// large, or broken.
func Take(b []byte) (Photo, error) {
	if len(b) > MostBytes {
		return Photo{}, fault.New("photo", "the picture is larger than 15 MB", "take it at a lower setting")
	}
	c, kind, err := image.DecodeConfig(bytes.NewReader(b))
	if err != nil || c.Width <= 0 || c.Height <= 0 {
		return Photo{}, fault.New("photo", "this is not a picture that can be read", "send JPEG, PNG or WebP")
	}
	most := mostPixels
	if deep(c.ColorModel) {
		most = mostDeepPixels
	}
	if c.Width > most/c.Height {
		return Photo{}, fault.New("photo", fmt.Sprintf("the picture has %d × %d points, which is too many", c.Width, c.Height), "take it at a lower setting")
	}
	img, err := decode(b)
	if err != nil {
		return Photo{}, fault.New("photo", "the picture is broken", "take it again")
	}
	turn := 1
	if kind == "jpeg" {
		turn = orientation(b)
	}
	full := upright(scale(img, fullSide), turn)
	p := Photo{Width: full.Bounds().Dx(), Height: full.Bounds().Dy()}
	if p.Full, err = write(full, fullQuality); err != nil {
		return p, err
	}
	p.Thumb, err = write(scale(full, thumbSide), thumbQuality)
	return p, err
}

// decode guards against decoders that panic on hostile input.
func decode(b []byte) (img image.Image, err error) {
	defer func() {
		if r := recover(); r != nil {
			err = fmt.Errorf("the decoder gave up: %v", r)
		}
	}()
	img, _, err = image.Decode(bytes.NewReader(b))
	return img, err
}

func deep(m color.Model) bool {
	switch m {
	case color.RGBA64Model, color.NRGBA64Model, color.Gray16Model:
		return true
	}
	return false
}

func write(img image.Image, quality int) ([]byte, error) {
	var b bytes.Buffer
	err := jpeg.Encode(&b, img, &jpeg.Options{Quality: quality})
	return b.Bytes(), err
}

// scale brings the longer side down to most, on white, and never up.
func scale(img image.Image, most int) *image.RGBA {
	w, h := img.Bounds().Dx(), img.Bounds().Dy()
	k := math.Min(1, float64(most)/float64(max(w, h)))
	out := image.NewRGBA(image.Rect(0, 0, max(1, int(float64(w)*k+0.5)), max(1, int(float64(h)*k+0.5))))
	draw.Draw(out, out.Bounds(), image.White, image.Point{}, draw.Src)
	draw.ApproxBiLinear.Scale(out, out.Bounds(), img, img.Bounds(), draw.Over, nil)
	return out
}
