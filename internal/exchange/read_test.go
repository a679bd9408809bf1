package exchange

import (
	"bytes"
	"fmt"
	"math"
	"strings"
	"testing"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/outline"
	"freshshard/internal/outlinefile"
)

func path(t testing.TB) func(outline.Path, error) outline.Path {
	return func(p outline.Path, err error) outline.Path {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
}

func near(a, b, tol float64) bool { return math.Abs(a-b) <= tol }

// Out and in again, every corner within a thousandth of a millimetre.
func TestRoundTripsAreLossless(t *testing.T) {
	ok := path(t)
	hole, err := outline.NewPath([]outline.Vertex{{Point: outline.Point{X: 90, Y: 100}, Bulge: 1},
		{Point: outline.Point{X: 110, Y: 100}, Bulge: 1}})
	if err != nil {
		t.Fatal(err)
	}
	for name, o := range map[string]outline.Outline{
		"rectangle": {Outer: ok(outline.RoundedRect(268.4, 242.1, 0))},
		"rounded":   {Outer: ok(outline.RoundedRect(300, 200, 21.37))}, "circle": {Outer: ok(outline.Circle(1234.567))},
		"arch": {Outer: ok(outline.RoundTop(1000, 400, 50))}, "pointed": {Outer: ok(outline.PointedTop(200, 300, 173.2))},
		"triangle": {Outer: ok(outline.Triangle(400, 500, 300))},
		"ellipse":  {Outer: ok(outline.Ellipse(300, 200))}, "with a hole": {Outer: ok(outline.RoundedRect(300, 200, 10)),
			Holes: []outline.Path{hole}},
	} {
		d := drawing.OfOutline(o, nil)
		var dxf, svg bytes.Buffer
		if err := DXF(&dxf, d); err != nil {
			t.Fatal(err)
		}
		if err := SVG(&svg, d); err != nil {
			t.Fatal(err)
		}
		for format, read := range map[string]func() (outline.Outline,
			error){"DXF": func() (outline.Outline, error) { return outlinefile.ReadDXF(dxf.Bytes()) },
			"SVG": func() (outline.Outline, error) { return outlinefile.ReadSVG(svg.Bytes()) }} {
			back, err := read()
			if err != nil {
				t.Errorf("%s as %s: %v", name, format, err)
				continue
			}
			if len(back.Holes) != len(o.Holes) || !near(back.Outer.Perimeter(), o.Outer.Perimeter(), 0.002) ||
				!near(back.Area(), o.Area(), 0.001*o.Outer.Perimeter()) {
				t.Errorf("%s as %s: area %v, was %v; perimeter %v, was %v", name, format, back.Area(), o.Area(),
					back.Outer.Perimeter(), o.Outer.Perimeter())
			}
			for _, c := range o.Outer.Corners() {
				best := math.Inf(1)
				for _, q := range back.Outer.Corners() {
					best = math.Min(best, c.To(q))
				}
				if best > 0.001 {
					t.Errorf("%s as %s: corner %v came back %v away", name, format, c, best)
				}
			}
		}
	}
}

// dxfOf writes groups as a file has them.
func dxfOf(header string, entities ...string) []byte {
	b := &strings.Builder{}
	put := func(s string) {
		for _, w := range strings.Split(s, "|") {
			fmt.Fprintf(b, "%s\n", strings.TrimSpace(w))
		}
	}
	put("0|SECTION|2|HEADER" + header + "|0|ENDSEC|0|SECTION|2|ENTITIES")
	for _, e := range entities {
		put(e)
	}
	put("0|ENDSEC|0|EOF")
	return []byte(b.String())
}

// Each entity of DXF against the closed form of what it draws.
func TestReadDXFEntities(t *testing.T) {
	// A quarter circle of radius 100 as a rational spline: exact.
	w := math.Sqrt2 / 2
	quarter := fmt.Sprintf(
		"0|SPLINE|8|0|70|4|71|2|40|0|40|0|40|0|40|1|40|1|40|1|10|100|20|0|41|1|10|100|20|100|41|%v|10|0|20|100|41|1", w)
	for _, c := range []struct {
		name   string
		header string
		in     []string
		area   float64
		tol    float64
	}{
		{"lines, one of them backwards", "", []string{"0|LINE|10|0|20|0|11|300|21|0", "0|LINE|10|300|20|200|11|300|21|0",
			"0|LINE|10|300|20|200|11|0|21|200", "0|LINE|10|0|20|200|11|0|21|0"}, 60000, 1e-6},
		{"inches", "|9|$INSUNITS|70|1", []string{"0|LWPOLYLINE|90|4|70|1|10|0|20|0|10|10|20|0|10|10|20|5|10|0|20|5"},
			50 * 25.4 * 25.4, 1e-6},
		{"centimetres", "|9|$INSUNITS|70|5", []string{"0|CIRCLE|10|1|20|2|40|10"}, math.Pi * 10000, 1e-6},
		{"bulged polyline", "", []string{"0|LWPOLYLINE|90|2|70|1|10|0|20|0|42|1|10|100|20|0|42|1"}, math.Pi * 2500, 1e-6},
		{"old polyline", "", []string{"0|POLYLINE|66|1|70|1|10|0|20|0", "0|VERTEX|10|0|20|0", "0|VERTEX|10|100|20|0",
			"0|VERTEX|10|100|20|50", "0|VERTEX|10|0|20|50", "0|SEQEND"}, 5000, 1e-6},
		{"arc and chord", "", []string{"0|ARC|10|0|20|0|40|100|50|0|51|180", "0|LINE|10|-100|20|0|11|100|21|0"},
			math.Pi * 5000, 1e-6},
		{"arc across zero", "", []string{"0|ARC|10|0|20|0|40|100|50|270|51|90", "0|LINE|10|0|20|100|11|0|21|-100"},
			math.Pi * 5000, 1e-6},
		{"ellipse", "", []string{"0|ELLIPSE|10|0|20|0|11|150|21|0|40|0.5|41|0|42|6.283185307179586"}, math.Pi * 150 * 75,
			0.1},
		{"half an ellipse", "", []string{"0|ELLIPSE|10|0|20|0|11|150|21|0|40|0.5|41|0|42|3.141592653589793",
			"0|LINE|10|-150|20|0|11|150|21|0"}, math.Pi * 150 * 75 / 2, 0.1},
		{"rational spline and two lines", "", []string{quarter, "0|LINE|10|0|20|100|11|0|21|0",
			"0|LINE|10|0|20|0|11|100|21|0"}, math.Pi * 2500, 0.05},
		{"the pane's layer alone", "", []string{"0|CIRCLE|8|FRAME|10|0|20|0|40|500", "0|CIRCLE|8|Pane|10|0|20|0|40|100"},
			math.Pi * 10000, 1e-6},
		{"a hole", "", []string{"0|CIRCLE|10|0|20|0|40|100", "0|CIRCLE|10|20|20|0|40|10", "0|TEXT|10|0|20|0|1|words"},
			math.Pi * 9900, 1e-6},
	} {
		o, err := outlinefile.ReadDXF(dxfOf(c.header, c.in...))
		if err != nil || !near(o.Area(), c.area, c.tol) {
			t.Errorf("%s: area %v, want %v, %v", c.name, o.Area(), c.area, err)
		}
	}
}

func svgOf(attributes, body string) []byte {
	return []byte(`<svg xmlns="http://www.w3.org/2000/svg" ` + attributes + `>` + body + `</svg>`)
}

const inMM = `width="400mm" height="400mm" viewBox="0 0 400 400"`

// Each command, shape, transform and unit of SVG against closed forms.
func TestReadSVG(t *testing.T) {
	for _, c := range []struct {
		name, page, body string
		area, tol        float64
	}{
		{"moves and lines", inMM, `<path d="M10,10 L310,10 310,210 10,210 Z"/>`, 60000, 1e-6},
		{"relative, tight", inMM, `<path d="m10 10h300v200H10z"/>`, 60000, 1e-6},
		{"numbers run together", inMM, `<path d="M.5.5l100-.0 0 1e2-1E2,0z"/>`, 10000, 1e-6},
		{"arcs, flags run together", inMM, `<path d="M0 100a100 100 0 11200 0a100,100 0 11-200,0"/>`, math.Pi * 10000, 1e-6},
		{"arc too small grows", inMM, `<path d="M0 0A1 1 0 0 1 200 0Z"/>`, math.Pi * 5000, 1e-6},
		{"turned elliptical arc", inMM, `<path d="M0 0A100 50 30 1 1 .001 0Z"/>`, math.Pi * 5000, 1},
		// Four cubics with the usual 0.5523 stand for a circle within 0.03 %.
		{"cubics", inMM, `<path d="M200 100C200 155.23 155.23 200 100 200S0 155.23 0 100 44.77 0 100 0 200 44.77 200 100z"/>`,
			math.Pi * 10000, 15},
		// Under a parabola of base 200 and height 100: 2/3 of the rectangle.
		{"quadratic", inMM, `<path d="M0 0Q100 200 200 0Z"/>`, 200 * 100 * 2 / 3.0, 0.1},
		{"smooth quadratic", inMM, `<path d="M0 0Q50 100 100 0T200 0V-100H0Z"/>`, 20000, 0.1},
		{"rect", inMM, `<rect x="5" y="5" width="300" height="200"/>`, 60000, 1e-6},
		{"rounded rect", inMM, `<rect width="300" height="200" rx="20"/>`, 60000 - (4-math.Pi)*400, 1e-6},
		{"circle", inMM, `<circle cx="100" cy="100" r="100"/>`, math.Pi * 10000, 1e-6},
		{"ellipse", inMM, `<ellipse cx="100" cy="100" rx="100" ry="50"/>`, math.Pi * 5000, 0.05},
		{"polygon", inMM, `<polygon points="0,0 400,0 0,300"/>`, 60000, 1e-6},
		{"lines chained", inMM,
			`<line x1="0" y1="0" x2="100" y2="0"/><line x1="100" y1="100" x2="100" y2="0"/>
			<polyline points="100,100 0,100 0,0"/>`, 10000, 1e-6},
		{"scaled group", inMM, `<g transform="translate(5 5) scale(2)"><rect width="100" height="50"/></g>`, 20000, 1e-6},
		{"turned", inMM, `<g transform="rotate(30 50 50)"><circle cx="100" cy="100" r="100"/></g>`, math.Pi * 10000, 1e-6},
		{"skewed circle", inMM, `<circle transform="skewX(30)" cx="100" cy="100" r="100"/>`, math.Pi * 10000, 0.5},
		{"matrix", inMM, `<rect transform="matrix(0 1 -1 0 0 0)" width="300" height="200"/>`, 60000, 1e-6},
		{"pixels", `width="96" height="96"`, `<rect width="96" height="96"/>`, 25.4 * 25.4, 1e-6},
		{"inches", `width="10in" height="10in" viewBox="0 0 100 100"`, `<rect width="100" height="50"/>`, 254 * 127, 1e-6},
		{"the pane alone", inMM, `<rect width="400" height="400"/><g id="pane"><rect width="100" height="100"/></g>`, 10000,
			1e-6},
		{"a hole", inMM, `<path d="M0 0H300V200H0ZM100 100h50v50h-50z"/>`, 57500, 1e-6},
	} {
		o, err := outlinefile.ReadSVG(svgOf(c.page, c.body))
		if err != nil || !near(o.Area(), c.area, c.tol) {
			t.Errorf("%s: area %v, want %v, %v", c.name, o.Area(), c.area, err)
		}
	}
}

// A circle's arc stays an arc, in both formats and under a turn.
func TestImportedArcsStayArcs(t *testing.T) {
	o, err := outlinefile.ReadSVG(svgOf(inMM,
		`<g transform="rotate(20) translate(7 3)"><path d="M0 0H100A50 50 0 0 1 0 0Z"/></g>`))
	if err != nil || len(o.Outer) > 3 {
		t.Errorf("%d corners, %v", len(o.Outer), err)
	}
}

func TestReadRefuses(t *testing.T) {
	for name, read := range map[string]func() (outline.Outline, error){
		"words as DXF":   func() (outline.Outline, error) { return outlinefile.ReadDXF([]byte("banana")) },
		"nothing as DXF": func() (outline.Outline, error) { return outlinefile.ReadDXF(nil) },
		"binary DXF": func() (outline.Outline,
			error) {
			return outlinefile.ReadDXF([]byte("AutoCAD Binary DXF\r\n\x1a\x00\x00\x00"))
		},
		"open outline": func() (outline.Outline,
			error) {
			return outlinefile.ReadDXF(dxfOf("", "0|LINE|10|0|20|0|11|300|21|0"))
		},
		"two panes": func() (outline.Outline, error) {
			return outlinefile.ReadDXF(dxfOf("", "0|CIRCLE|10|0|20|0|40|100", "0|CIRCLE|10|500|20|0|40|90"))
		},
		"words as SVG": func() (outline.Outline, error) { return outlinefile.ReadSVG([]byte("banana")) },
		"another XML":  func() (outline.Outline, error) { return outlinefile.ReadSVG([]byte("<html></html>")) },
		"empty SVG":    func() (outline.Outline, error) { return outlinefile.ReadSVG(svgOf(inMM, "")) },
		"too large": func() (outline.Outline,
			error) {
			return outlinefile.ReadSVG(make([]byte, outlinefile.MostImport+1))
		},
		"too large as DXF": func() (outline.Outline,
			error) {
			return outlinefile.ReadDXF(make([]byte, outlinefile.MostImport+1))
		},
	} {
		if _, err := read(); fault.Of(err) == nil {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func FuzzReadDXF(f *testing.F) {
	f.Add(dxfOf("|9|$INSUNITS|70|1", "0|LWPOLYLINE|90|2|70|1|10|0|20|0|42|1|10|100|20|0|42|1"))
	f.Add(dxfOf("", "0|SPLINE|71|3|40|0|40|0|40|1|10|0|20|0", "0|ELLIPSE|11|1|40|1e99", "0|ARC|40|5|50|1e300|51|-1e300"))
	f.Fuzz(func(t *testing.T, b []byte) {
		if o, err := outlinefile.ReadDXF(b); err == nil && !(o.Outer.Area() > 0) {
			t.Fatalf("an outline without area: %v", o)
		} else if err != nil && fault.Of(err) == nil {
			t.Fatal(err)
		}
	})
}

func FuzzReadSVG(f *testing.F) {
	f.Add(svgOf(inMM, `<path d="M0 100a100 100 0 11200 0C1 2 3 4 5 6S1 1 2 2Q1 1 2 2T3 3z"/>`))
	f.Add(svgOf(`width="1e9mm"`, `<g transform="scale(1e300)rotate(x)"><rect width="1" height="1" rx="9"/></g>`))
	f.Fuzz(func(t *testing.T, b []byte) {
		if o, err := outlinefile.ReadSVG(b); err == nil && !(o.Outer.Area() > 0) {
			t.Fatalf("an outline without area: %v", o)
		} else if err != nil && fault.Of(err) == nil {
			t.Fatal(err)
		}
	})
}

// 10,000 lines round one outline.
func BenchmarkReadDXF(b *testing.B) {
	const n = 10_000
	at := func(i int) (float64, float64) {
		s, c := math.Sincos(2 * math.Pi * float64(i%n) / n)
		return 1000 * c, 800 * s
	}
	lines := make([]string, n)
	for i := range lines {
		x, y := at(i * 7919 % n) // in no order
		u, v := at(i*7919%n + 1)
		lines[i] = fmt.Sprintf("0|LINE|8|0|10|%.6f|20|%.6f|11|%.6f|21|%.6f", x, y, u, v)
	}
	in := dxfOf("", lines...)
	for b.Loop() {
		if _, err := outlinefile.ReadDXF(in); err != nil {
			b.Fatal(err)
		}
	}
}

// A closed outline with arcs goes out as one polyline or path and comes back as
// it was.
func TestBulgesGoRound(t *testing.T) {
	for _, make := range []func() (outline.Path, error){
		func() (outline.Path, error) { return outline.RoundTop(400, 300, 120) },
		func() (outline.Path, error) { return outline.RoundedRect(300, 200, 25) },
		func() (outline.Path, error) { return outline.Circle(250) },
		func() (outline.Path, error) { return outline.Pill(300, 90) },
	} {
		p, err := make()
		if err != nil {
			t.Fatal(err)
		}
		i := drawing.Item{ID: "pane", Kind: drawing.Polyline, Layer: drawing.LayerPane, Closed: true, Points: p.Corners(),
			Bulges: []float64{}}
		for _, v := range p {
			i.Bulges = append(i.Bulges, v.Bulge)
		}
		d := drawing.Drawing{Name: "pane", Box: p.Box(), Items: []drawing.Item{i}}
		for name, round := range map[string]func() (outline.Outline, error){
			"DXF": func() (outline.Outline, error) {
				var b bytes.Buffer
				if err := DXF(&b, d); err != nil {
					return outline.Outline{}, err
				}
				return outlinefile.ReadDXF(b.Bytes())
			},
			"SVG": func() (outline.Outline, error) {
				var b bytes.Buffer
				if err := SVG(&b, d); err != nil {
					return outline.Outline{}, err
				}
				return outlinefile.ReadSVG(b.Bytes())
			},
		} {
			o, err := round()
			if err != nil {
				t.Fatalf("%s: %v", name, err)
			}
			if a, b := o.Outer.Box(), p.Box(); math.Abs(o.Area()-p.Area()) > 0.001*p.Perimeter() ||
				math.Abs(a.Width()-b.Width()) > 0.001 || math.Abs(a.Height()-b.Height()) > 0.001 {
				t.Errorf("%s: area %v, was %v; box %v, was %v", name, o.Area(), p.Area(), a, b)
			}
		}
	}
}

// A number that cannot be read is told, and never taken for nothing.
func TestDXFNumbersThatAreNone(t *testing.T) {
	line := func(x string) string {
		return "0\nSECTION\n2\nENTITIES\n0\nLINE\n8\nPANE\n10\n" + x + "\n20\n0\n11\n100\n21\n0\n0\nENDSEC\n0\nEOF\n"
	}
	for _, bad := range []string{"1O0", "1,5", "", "NaN", "1e300", "12 mm"} {
		_, err := outlinefile.ReadDXF([]byte(line(bad)))
		if f := fault.Of(err); f == nil || f.Field != "file" || !strings.Contains(f.Why, "group 10") {
			t.Errorf("%q: %v", bad, err)
		}
	}
}
