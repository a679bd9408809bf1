package photo

import (
	"bytes"
	"context"
	"encoding/binary"
	"errors"
	"image"
	"image/color/palette"
	"image/gif"
	"image/jpeg"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
)

// header is a JPEG as far as its size: baseline (0xC0) or progressive (0xC2),
// and then a number of scans without anything in them.
func header(sof byte, w, h, scans int) []byte {
	b := []byte{0xFF, 0xD8, 0xFF, sof, 0, 17, 8}
	b = binary.BigEndian.AppendUint16(b, uint16(h))
	b = binary.BigEndian.AppendUint16(b, uint16(w))
	b = append(b, 3, 1, 0x11, 0, 2, 0x11, 0, 3, 0x11, 0)
	for range scans {
		b = append(b, 0xFF, 0xDA, 0, 8, 1, 1, 0, 0, 0, 0)
	}
	return b
}

// A small file can ask for minutes of work and gigabytes of memory; it is
// refused by what it says of itself, before any of it is decoded.
func TestPicturesThatAskForTooMuch(t *testing.T) {
	for _, c := range []struct {
		name string
		b    []byte
		why  string // empty: it is looked at
	}{
		{"a camera's", header(0xC0, 6000, 4000, 1), ""},
		{"a program's, progressive", header(0xC2, 4000, 3000, 10), ""},
		{"at most scans of any size", header(0xC2, 4000, 4000, 12), ""},
		{"one scan more", header(0xC2, 4000, 4000, 13), "drawn over 13 times"},
		{"many scans of a small one", header(0xC2, 300, 400, 1000), ""},
		{"too many even of a small one", header(0xC2, 300, 400, 1001), "drawn over 1001 times"},
		{"progressive and large", header(0xC2, 4001, 4000, 2), "progressive and has 4001 × 4000"},
		{"as large as may be", header(0xC0, 8000, 5000, 1), ""},
		{"larger", header(0xC0, 8001, 5000, 1), "too many"},
		{"35 seconds in 126 kB", header(0xC2, 6300, 6300, 12600), "progressive"},
	} {
		_, _, err := look(c.b)
		f := fault.Of(err)
		if (c.why == "") != (err == nil) || f != nil && !strings.Contains(f.Why, c.why) {
			t.Errorf("%s: %v, want %q", c.name, err, c.why)
		}
	}
}

func small(t *testing.T) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := jpeg.Encode(&b, image.NewGray(image.Rect(0, 0, 200, 200)), nil); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func TestGIFIsNone(t *testing.T) {
	var b bytes.Buffer
	if err := gif.Encode(&b, image.NewPaletted(image.Rect(0, 0, 20, 20), palette.WebSafe), nil); err != nil {
		t.Fatal(err)
	}
	if _, err := Take(context.Background(), b.Bytes()); fault.Of(err) == nil ||
		!strings.Contains(fault.Of(err).Cure, "JPEG, PNG or WebP") {
		t.Errorf("%v", err)
	}
}

// Whoever has gone gets no work done, waiting or decoding.
func TestTakingStopsWithItsCaller(t *testing.T) {
	ctx, cancel := context.WithCancel(context.Background())
	taker := NewTaker()
	for range atOnce {
		taker.turn <- struct{}{}
	}
	done := make(chan error, 1)
	go func() { _, err := taker.Take(ctx, small(t)); done <- err }()
	select {
	case err := <-done:
		t.Fatalf("it did not wait its turn: %v", err)
	case <-time.After(20 * time.Millisecond):
	}
	cancel()
	if err := <-done; !errors.Is(err, context.Canceled) {
		t.Errorf("%v", err)
	}
	if _, err := Take(ctx, small(t)); !errors.Is(err, context.Canceled) {
		t.Errorf("%v", err)
	}
}

// The pictures of one document are added up before the first is decoded.
func TestOneDocumentsPictures(t *testing.T) {
	taker := NewTaker()
	out, _, err := taker.TakeAll(context.Background(), [][]byte{small(t), small(t)})
	if err != nil || len(out) != 2 {
		t.Fatalf("%d, %v", len(out), err)
	}
	large := header(0xC0, 8000, 5000, 1)
	all := [][]byte{}
	for range mostWork/(8000*5000) + 1 {
		all = append(all, large)
	}
	if _, at, err := taker.TakeAll(context.Background(), all); fault.Of(err) == nil || at != len(all)-1 ||
		!strings.Contains(err.Error(), "more points than one document") {
		t.Errorf("%d, %v", at, err)
	}
	if _, at, err := taker.TakeAll(context.Background(), [][]byte{small(t), []byte("no picture")}); fault.Of(err) == nil ||
		at != 1 {
		t.Errorf("%d, %v", at, err)
	}
}
