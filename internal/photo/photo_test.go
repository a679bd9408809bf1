package photo

import (
	"bytes"
	"context"
	"encoding/binary"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"testing"

	"freshshard/core/fault"
)

// marked is a picture whose upper left quarter is red and the rest white.
func marked(w, h int) *image.RGBA {
	img := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			c := color.RGBA{255, 255, 255, 255}
			if x < w/2 && y < h/2 {
				c = color.RGBA{255, 0, 0, 255}
			}
			img.SetRGBA(x, y, c)
		}
	}
	return img
}

// withExif puts an orientation, and a made-up place, into a JPEG.
func withExif(t *testing.T, img image.Image, turn int) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := jpeg.Encode(&b, img, nil); err != nil {
		t.Fatal(err)
	}
	exif := []byte("Exif\x00\x00MM\x00\x2a\x00\x00\x00\x08\x00\x01\x01\x12" +
		"\x00\x03\x00\x00\x00\x01\x00\x00\x00\x00\x00\x00\x00\x00GPSLatitude 54.321")
	exif[25] = byte(turn)
	head := []byte{0xFF, 0xD8, 0xFF, 0xE1, 0, 0}
	binary.BigEndian.PutUint16(head[4:], uint16(len(exif)+2))
	return append(append(head, exif...), b.Bytes()[2:]...)
}

// Where the red quarter lies once the picture is upright: the stored upper left
// is the upright … for each orientation. Exif, from memory.
func TestUpright(t *testing.T) {
	for turn, corner := range map[int][2]int{1: {0, 0}, 2: {1, 0}, 3: {1, 1}, 4: {0, 1}, 5: {0, 0}, 6: {1, 0}, 7: {1, 1},
		8: {0, 1}} {
		p, err := Take(context.Background(), withExif(t, marked(80, 40), turn))
		if err != nil {
			t.Fatal(err)
		}
		if wide := p.Width > p.Height; wide != (turn < 5) {
			t.Errorf("orientation %d: %d × %d", turn, p.Width, p.Height)
		}
		img, err := jpeg.Decode(bytes.NewReader(p.Full))
		if err != nil {
			t.Fatal(err)
		}
		for cx := range 2 {
			for cy := range 2 {
				_, g, _, _ := img.At(p.Width/4+cx*p.Width/2, p.Height/4+cy*p.Height/2).RGBA()
				if red := g < 0x8000; red != (corner == [2]int{cx, cy}) {
					t.Errorf("orientation %d: corner %d %d is red: %v", turn, cx, cy, red)
				}
			}
		}
		if bytes.Contains(p.Full, []byte("GPS")) || bytes.Contains(p.Full, []byte("Exif")) ||
			bytes.Contains(p.Thumb, []byte("GPS")) {
			t.Errorf("orientation %d: the place is still in it", turn)
		}
	}
}

func TestScaled(t *testing.T) {
	var b bytes.Buffer
	if err := png.Encode(&b, marked(2600, 1300)); err != nil {
		t.Fatal(err)
	}
	p, err := Take(context.Background(), b.Bytes())
	if err != nil || p.Width != 1800 || p.Height != 900 {
		t.Fatalf("%d × %d, %v", p.Width, p.Height, err)
	}
	c, err := jpeg.DecodeConfig(bytes.NewReader(p.Thumb))
	if err != nil || c.Width != 320 || c.Height != 160 {
		t.Errorf("%+v, %v", c, err)
	}
	if q, err := Take(context.Background(), withExif(t, marked(80, 40), 1)); err != nil || q.Width != 80 {
		t.Errorf("a small one became %d wide, %v", q.Width, err)
	}
}

// bomb is a PNG header that promises far more than it holds.
func bomb(w, h uint32) []byte {
	var b bytes.Buffer
	if err := png.Encode(&b, marked(4, 4)); err != nil {
		panic(err)
	}
	out := b.Bytes()
	binary.BigEndian.PutUint32(out[16:], w)
	binary.BigEndian.PutUint32(out[20:], h)
	return out
}

func TestRefuses(t *testing.T) {
	for name, b := range map[string][]byte{
		"nothing": {}, "words": []byte("banana"), "cut off": withExif(t, marked(200, 200), 1)[:300],
		"too large": make([]byte, MostBytes+1),
		"a bomb":    bomb(60000, 60000), "a long one": bomb(1<<31-1, 1<<31-1),
	} {
		if _, err := Take(context.Background(), b); fault.Of(err) == nil {
			t.Errorf("%s was taken: %v", name, err)
		}
	}
}

func FuzzTake(f *testing.F) {
	var b bytes.Buffer
	if err := png.Encode(&b, marked(8, 6)); err != nil {
		f.Fatal(err)
	}
	f.Add(b.Bytes())
	b.Reset()
	if err := jpeg.Encode(&b, marked(8, 6), nil); err != nil {
		f.Fatal(err)
	}
	f.Add(b.Bytes())
	f.Add([]byte("\xFF\xD8\xFF\xE1\x00\x10Exif\x00\x00MM\x00\x2a\xFF\xFF\xFF\xFF"))
	f.Add([]byte("RIFF\x00\x00\x00\x00WEBPVP8 "))
	f.Fuzz(func(t *testing.T, b []byte) {
		orientation(b)
		p, err := Take(context.Background(), b)
		if err != nil {
			if fault.Of(err) == nil {
				t.Fatal(err)
			}
			return
		}
		if p.Width < 1 || p.Width > fullSide || p.Height < 1 || p.Height > fullSide {
			t.Fatalf("%d × %d", p.Width, p.Height)
		}
	})
}
