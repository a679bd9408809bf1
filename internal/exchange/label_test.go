package exchange

import (
	"bytes"
	"strings"
	"testing"

	"github.com/ledongthuc/pdf"
)

// A label has its words and a code of black squares; any characters can be on it.
func TestLabel(t *testing.T) {
	b := &bytes.Buffer{}
	if err := Label(b, "http://127.0.0.1:8080/stores?item=17", "3 mm annealed glass, 640 × 480 mm ☂",
		[]string{"offcuts, left", "",
			"lot A 4"}); err != nil {
		t.Fatal(err)
	}
	r, err := pdf.NewReader(bytes.NewReader(b.Bytes()), int64(b.Len()))
	if err != nil || r.NumPage() != 1 {
		t.Fatalf("%v, %v", r, err)
	}
	page := r.Page(1)
	text, err := page.GetPlainText(nil)
	if err != nil || !strings.Contains(text, "annealed") || !strings.Contains(text, "lot A 4") {
		t.Errorf("%q, %v", text, err)
	}
	if n := len(page.Content().Rect); n < 150 {
		t.Errorf("%d squares", n)
	}
	if err := Label(&bytes.Buffer{}, strings.Repeat("x", 5000), "x", nil); err == nil {
		t.Error("an address that no code holds")
	}
}
