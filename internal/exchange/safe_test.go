package exchange

import (
	"bytes"
	"encoding/xml"
	"errors"
	"io"
	"strings"
	"testing"

	"freshshard/core/drawing"
	"freshshard/core/outline"
)

// What stands in a drawing is text, wherever it came from: no script in an SVG,
// no further entity in a DXF.
func TestDrawingsHoldTheirText(t *testing.T) {
	for _, evil := range []string{`"><script>alert(1)</script>`, "x\r\n  0\r\nCIRCLE\r\n  8\r\nPANE\r\n 10\r\n0\r\n",
		`' onload='x`, "]]>", "a\x00b", "🔥"} {
		p := func(x, y float64) outline.Point { return outline.Point{X: x, Y: y} }
		d := drawing.Drawing{Name: evil, Seen: evil, Box: outline.Box{Min: p(0, 0), Max: p(100, 100)}}
		for _, k := range []drawing.Kind{drawing.Line, drawing.Polyline, drawing.Circle, drawing.Arc, drawing.Text,
			drawing.Dim} {
			d.Items = append(d.Items, drawing.Item{ID: evil, Kind: k, Layer: drawing.LayerPane, Text: evil, Label: evil,
				Anchor: evil, State: "read", Points: []outline.Point{p(1, 1), p(9, 9), p(1, 9)}, Radius: 3, End: 90, Size: 4,
				Closed: true})
		}
		var b bytes.Buffer
		if err := SVG(&b, d); err != nil {
			t.Fatal(err)
		}
		dec := xml.NewDecoder(&b)
		for {
			tok, err := dec.Token()
			if errors.Is(err, io.EOF) {
				break
			}
			if err != nil {
				t.Fatalf("%q: the SVG cannot be read: %v", evil, err)
			}
			if s, ok := tok.(xml.StartElement); ok {
				if s.Name.Local == "script" {
					t.Errorf("%q became a script", evil)
				}
				for _, a := range s.Attr {
					if strings.HasPrefix(a.Name.Local, "on") {
						t.Errorf("%q became the attribute %s", evil, a.Name.Local)
					}
				}
			}
		}
		b.Reset()
		if err := DXF(&b, d); err != nil {
			t.Fatal(err)
		}
		lines := strings.Split(b.String(), "\r\n")
		circles := 0
		for i := 0; i+1 < len(lines); i += 2 {
			if strings.TrimSpace(lines[i]) == "0" && lines[i+1] == "CIRCLE" {
				circles++
			}
		}
		if circles != 1 {
			t.Errorf("%q: %d circles, one was drawn", evil, circles)
		}
	}
}

// Every character comes out on paper, as itself or as a box.
func TestPrintable(t *testing.T) {
	for in, want := range map[string]string{
		"Oda Marl": "Oda Marl", "Größe 9½″ ≤ Ω Жук": "Größe 9½″ ≤ Ω Жук", "🔥": "□",
		"a🔥b": "a□b", "👩🏽‍🔧 Mira": "□□ Mira", "☎️": "□",
		"日本": "□□", "a\x00\x07b": "ab", "two\nlines": "two\nlines", "\U0010FFFF": "□",
	} {
		if got := printable(in); got != want {
			t.Errorf("%q prints as %q, want %q", in, got, want)
		}
	}
}
