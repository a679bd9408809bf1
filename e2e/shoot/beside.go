package main

import (
	"bytes"
	"context"
	"image"
	"image/color"
	"image/draw"
	"image/png"
	"time"

	"github.com/chromedp/chromedp"
)

// between is what lies between two pictures of one, px.
const between = 24

// withBeside puts the further pages of a shot beside its first picture.
func (s shot) withBeside(b context.Context, url string, first []byte) ([]byte, error) {
	if len(s.beside) == 0 {
		return first, nil
	}
	all := [][]byte{first}
	for _, path := range s.beside {
		if err := chromedp.Do(b, chromedp.Navigate(url+path), chromedp.WaitVisible(chromedp.CSS("main")),
			chromedp.Sleep(1600*time.Millisecond)); err != nil {
			return nil, err
		}
		one, err := chromedp.Run(b, chromedp.CaptureScreenshot())
		if err != nil {
			return nil, err
		}
		all = append(all, one)
	}
	var out *image.RGBA
	for n, raw := range all {
		p, err := png.Decode(bytes.NewReader(raw))
		if err != nil {
			return nil, err
		}
		w, h := p.Bounds().Dx(), p.Bounds().Dy()
		if out == nil {
			out = image.NewRGBA(image.Rect(0, 0, len(all)*w+(len(all)-1)*between, h))
			draw.Draw(out, out.Bounds(), image.NewUniform(color.White), image.Point{}, draw.Src)
		}
		at := image.Rect(n*(w+between), 0, n*(w+between)+w, h)
		draw.Draw(out, at, p, p.Bounds().Min, draw.Src)
	}
	var packed bytes.Buffer
	err := (&png.Encoder{CompressionLevel: png.BestCompression}).Encode(&packed, out)
	return packed.Bytes(), err
}
