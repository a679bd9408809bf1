package exchange

import (
	"bytes"
	"fmt"
	"image"
	"image/color"
	"io"
	"math"
	"strings"
	"testing"
	"time"

	"github.com/boombuler/barcode/qr"
	"github.com/emersion/go-ical"
	"github.com/makiuchi-d/gozxing"
	zxing "github.com/makiuchi-d/gozxing/qrcode"
	"github.com/srwiley/oksvg"
	"github.com/srwiley/rasterx"

	"freshshard/core/drawing"
	"freshshard/core/outline"
	"freshshard/internal/record"
)

// A calendar of reminders is read by a reader that did not write it, github.com/emersion/go-ical.
func TestCalendarReadByAnother(t *testing.T) {
	due := time.Date(2027, 3, 26, 9, 30, 0, 0, time.UTC)
	all := []record.Reminder{{ID: 3, Job: 8, Object: "Sauna stove; door, pane", What: "Nip the fixings",
		Customer: "Oda Marl",
		Phone:    "0550 781", Why: "after the first fires", Due: due, Version: 2},
		{ID: 4, Job: 9, Object: "Wheelhouse", What: strings.Repeat("a long word ", 20), Due: due.AddDate(0, 6, 0)}}
	b := &bytes.Buffer{}
	if err := Calendar(b, all, "http://127.0.0.1:8080", due); err != nil {
		t.Fatal(err)
	}
	c, err := ical.NewDecoder(b).Decode()
	if err != nil {
		t.Fatal(err)
	}
	events := c.Events()
	if len(events) != len(all) {
		t.Fatalf("%d events of %d reminders", len(events), len(all))
	}
	for i, e := range events {
		at, err := e.DateTimeStart(time.UTC)
		summary, err2 := e.Props.Text(ical.PropSummary)
		uid, err3 := e.Props.Text(ical.PropUID)
		want := strings.Join(strings.Fields(all[i].What+": "+all[i].Object), " ")
		if err != nil || err2 != nil || err3 != nil || !at.Equal(all[i].Due) ||
			strings.Join(strings.Fields(summary), " ") != want || uid != fmt.Sprintf("reminder-%d@fresh-shard", all[i].ID) {
			t.Errorf("%s at %v as %s: %v %v %v", summary, at, uid, err, err2, err3)
		}
	}
}

// A code as it is printed is read by a reader that did not write it, github.com/makiuchi-d/gozxing:
// eight dots a module, with the white margin of four modules that ISO/IEC 18004 wants.
func TestCodeReadByAnother(t *testing.T) {
	for _, address := range []string{"http://127.0.0.1:8080/p/abcdefghijklmnop", "https://lantern-yard.example/p/" +
		strings.Repeat("x7", 30)} {
		q, err := qr.Encode(address, qr.M, qr.Auto)
		if err != nil {
			t.Fatal(err)
		}
		const dots, margin = 8, 4
		n := q.Bounds().Dx()
		page := image.NewGray(image.Rect(0, 0, (n+2*margin)*dots, (n+2*margin)*dots))
		for y := range page.Bounds().Dy() {
			for x := range page.Bounds().Dx() {
				page.Set(x, y, color.White)
				if at := image.Pt(x/dots-margin, y/dots-margin); at.In(q.Bounds()) {
					page.Set(x, y, q.At(at.X, at.Y))
				}
			}
		}
		bits, err := gozxing.NewBinaryBitmapFromImage(page)
		if err != nil {
			t.Fatal(err)
		}
		got, err := zxing.NewQRCodeReader().Decode(bits, nil)
		if err != nil || got.GetText() != address {
			t.Errorf("%q is read as %v, %v", address, got, err)
		}
	}
}

// A drawing as SVG is painted by a program that did not write it, github.com/srwiley/oksvg: the pane
// has the width and height of its geometry, and lies where it lies.
func TestDrawingPaintedByAnother(t *testing.T) {
	for _, size := range [][2]float64{{263.6, 236}, {90, 410}} {
		p, err := outline.RoundedRect(size[0], size[1], 20)
		if err != nil {
			t.Fatal(err)
		}
		d := drawing.OfOutline(outline.Outline{Outer: p}, nil)
		b := &bytes.Buffer{}
		if err := SVG(b, d); err != nil {
			t.Fatal(err)
		}
		icon, err := oksvg.ReadIconStream(io.Reader(b), oksvg.WarnErrorMode)
		if err != nil {
			t.Fatal(err)
		}
		w, h := icon.ViewBox.W, icon.ViewBox.H
		if math.Abs(w-d.Box.Width()) > 0.01 || math.Abs(h-d.Box.Height()) > 0.01 {
			t.Errorf("a drawing of %v × %v mm is %v × %v there", d.Box.Width(), d.Box.Height(), w, h)
		}
		const perMM = 1 // that program moves by the page before it scales it
		page := image.NewRGBA(image.Rect(0, 0, int(w*perMM), int(h*perMM)))
		icon.SetTarget(0, 0, w*perMM, h*perMM)
		icon.Draw(rasterx.NewDasher(page.Bounds().Dx(), page.Bounds().Dy(),
			rasterx.NewScannerGV(page.Bounds().Dx(), page.Bounds().Dy(), page, page.Bounds())), 1)
		painted := image.Rectangle{}
		for y := range page.Bounds().Dy() {
			for x := range page.Bounds().Dx() {
				if _, _, _, a := page.At(x, y).RGBA(); a > 0x4000 {
					painted = painted.Union(image.Rect(x, y, x+1, y+1))
				}
			}
		}
		gotW, gotH := float64(painted.Dx())/perMM, float64(painted.Dy())/perMM
		// A line lies half its width on each side of the edge.
		if gotW < size[0]-1 || gotW > size[0]+3 || gotH < size[1]-1 || gotH > size[1]+3 {
			t.Errorf("a pane of %v × %v mm is painted %v × %v mm large", size[0], size[1], gotW, gotH)
		}
	}
}
