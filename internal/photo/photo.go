// Package photo takes pictures in safely: JPEG, PNG or WebP up to a size,
// turned upright, scaled down, and written anew as JPEG, which leaves the
// place where they were taken and all else that a camera adds behind.
package photo

import (
	"bytes"
	"context"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	_ "image/png" // decoders register themselves
	"io"
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

// look tells what it will take to decode a picture, in points times scans, and
// what kind it is. It returns a *fault.Error for what is no picture, or too
// large to be decoded in a moment.
func look(b []byte) (work int, kind string, err error) {
	if len(b) > MostBytes {
		return 0, "", fault.New("photo", "the picture is larger than 15 MB", "take it at a lower setting")
	}
	c, kind, err := image.DecodeConfig(bytes.NewReader(b))
	// A decoder may have been registered by a library for something else.
	if err != nil || c.Width <= 0 || c.Height <= 0 || kind != "jpeg" && kind != "png" && kind != "webp" {
		return 0, kind, fault.New("photo", "this is not a picture that can be read", "send JPEG, PNG or WebP")
	}
	most := mostPixels
	if deep(c.ColorModel) {
		most = mostDeepPixels
	}
	if c.Width > most/c.Height {
		return 0, kind, fault.New("photo", fmt.Sprintf("the picture has %d × %d points, which is too many", c.Width,
			c.Height), "take it at a lower setting")
	}
	work = c.Width * c.Height
	if kind == "jpeg" {
		n := scans(b)
		if n > 1 && work > mostProgressive {
			return 0, kind, fault.New("photo",
				fmt.Sprintf("the picture is progressive and has %d × %d points, which is too many", c.Width, c.Height),
				"take it at a lower setting")
		}
		if n > usualScans && work*n > mostScanned {
			return 0, kind, fault.New("photo", fmt.Sprintf("the picture is drawn over %d times, which no camera does", n),
				"save it again, or take it anew")
		}
		work *= max(n, 1)
	}
	return work, kind, nil
}

// Progressive pictures are drawn over and over, each time all of their points.
// A camera's or a program's have about ten scans; more are taken only of small
// pictures.
const (
	usualScans  = 12
	mostScanned = 120_000_000
	// All coefficients of a progressive picture are in memory at once, up to
	// 12 bytes a point.
	mostProgressive = 16_000_000
)

// scans counts the scans of a JPEG: the markers FF DA. Inside a scan FF stands
// with 00 or a restart marker behind it, so nothing there is counted.
// ITU-T T.81, B.1.1.3, from memory.
func scans(b []byte) int { return bytes.Count(b, []byte{0xFF, 0xDA}) }

// Take reads a picture. It returns a *fault.Error for what is no picture, too
// large, or broken, and the context's error when that ended on the way.
func Take(ctx context.Context, b []byte) (Photo, error) {
	_, kind, err := look(b)
	if err != nil {
		return Photo{}, err
	}
	img, err := decode(ctx, b)
	if ctx.Err() != nil {
		return Photo{}, ctx.Err()
	}
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

// decode guards against decoders that panic on hostile input, and lets them
// stop at their next read when the caller has gone.
func decode(ctx context.Context, b []byte) (img image.Image, err error) {
	defer func() {
		if r := recover(); r != nil {
			err = fmt.Errorf("the decoder gave up: %v", r)
		}
	}()
	img, _, err = image.Decode(&until{ctx, bytes.NewReader(b)})
	return img, err
}

// until reads as long as its context lasts.
type until struct {
	ctx context.Context
	r   io.Reader
}

func (u *until) Read(p []byte) (int, error) {
	if err := u.ctx.Err(); err != nil {
		return 0, err
	}
	return u.r.Read(p)
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
