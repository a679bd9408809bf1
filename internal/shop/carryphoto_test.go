package shop

import (
	"bytes"
	"image"
	"image/color"
	"image/jpeg"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/striplog"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/strip"
)

// snap is a picture of two halves, so that a mixed-up one shows.
func snap(t *testing.T, left, right uint8) []byte {
	t.Helper()
	m := image.NewGray(image.Rect(0, 0, 64, 48))
	for y := range 48 {
		for x := range 64 {
			v := left
			if x >= 32 {
				v = right
			}
			m.SetGray(x, y, color.Gray{Y: v})
		}
	}
	var b bytes.Buffer
	if err := jpeg.Encode(&b, m, nil); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// Pictures go along with a carried job, each at its entry, by whom and when;
// they still show the same.
func TestPicturesAreCarried(t *testing.T) {
	a, mira, tor := open(t)
	id := takeIn(t, a, tor)
	bracket := striplog.Entry{Kind: striplog.Fasteners, What: "bracket screw", Count: 4, Fate: striplog.Back,
		Held: striplog.Held{How: "screw", Drive: "PH2", Size: "M4", Length: 12}}
	if err := a.Strip.AddStrip(ctx, tor, "", id, strip.Noted(bracket)); err != nil {
		t.Fatal(err)
	}
	v, err := a.Table(ctx, jobview.First(id))
	if err != nil {
		t.Fatal(err)
	}
	entry := v.Job.Strip[0].Entry.ID
	for _, p := range []struct {
		entry string
		b     []byte
	}{{entry, snap(t, 20, 230)}, {"", snap(t, 230, 20)}} {
		if err := a.Desk.Photos.AddPhoto(ctx, mira, "", id, p.entry, p.b); err != nil {
			t.Fatal(err)
		}
	}
	first, err := a.Desk.Carry(ctx, id)
	if err != nil || len(first.Photos) != 2 || first.Photos[0].Entry != entry || first.Photos[1].By != "Mira" {
		t.Fatalf("%d pictures, %v", len(first.Photos), err)
	}
	read := onPaper(t, first)
	b, other, _ := open(t)
	made, err := b.Desk.Bring(ctx, other, "k", read)
	if err != nil {
		t.Fatal(err)
	}
	got, err := b.Table(ctx, jobview.First(made))
	if err != nil || len(got.Job.Photos) != 2 || got.Job.Photos[0].Entry != entry ||
		!got.Job.Photos[0].At.Equal(first.Photos[0].At) {
		t.Fatalf("%+v, %v", got.Job.Photos, err)
	}
	for i, dark := range []bool{true, false} {
		raw, err := b.Store.Photos.Picture(ctx, made, got.Job.Photos[i].ID, false)
		if err != nil {
			t.Fatal(err)
		}
		img, err := jpeg.Decode(bytes.NewReader(raw))
		if err != nil {
			t.Fatal(err)
		}
		if left, _, _, _ := img.At(5, 20).RGBA(); (left < 0x8000) != dark {
			t.Errorf("picture %d shows something else", i+1)
		}
	}
	// A retry brings none twice.
	if again, err := b.Desk.Bring(ctx, other, "k", read); err != nil || again != made {
		t.Errorf("%d, %v", again, err)
	}
	for field, change := range map[string]func(*desk.Carried){
		"photos[0].jpeg":  func(c *desk.Carried) { c.Photos[0].JPEG = []byte("no picture") },
		"photos[1].entry": func(c *desk.Carried) { c.Photos[1].Entry = "gone" },
		"photos[0].by":    func(c *desk.Carried) { c.Photos[0].By = " " },
		"photos":          func(c *desk.Carried) { c.Photos = make([]desk.CarriedPhoto, desk.MostPhotos+1) },
	} {
		bad := onPaper(t, first)
		change(&bad)
		_, err := b.Desk.Bring(ctx, other, "", bad)
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}
