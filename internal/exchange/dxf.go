package exchange

import (
	"bufio"
	"fmt"
	"io"
	"math"
	"strconv"
	"strings"

	"freshshard/core/drawing"
	"freshshard/core/outline"
)

// n writes a length to a ten-thousandth of a millimetre, without an exponent.
func n(v float64) string {
	s := strconv.FormatFloat(math.Round(v*1e4)/1e4, 'f', -1, 64)
	if s == "-0" {
		return "0"
	}
	return s
}

// fine writes what an arc hangs on, where a ten-thousandth of a degree would
// move its end by more than a thousandth of a millimetre.
func fine(v float64) string { return strconv.FormatFloat(v, 'f', 9, 64) }

// onArc is the point of an arc at an angle in degrees.
func onArc(i drawing.Item, deg float64) outline.Point {
	s, c := math.Sincos(deg * math.Pi / 180)
	return outline.Point{X: i.Points[0].X + i.Radius*c, Y: i.Points[0].Y + i.Radius*s}
}

func large(i drawing.Item) int {
	if math.Mod(i.End-i.Start+720, 360) > 180 {
		return 1
	}
	return 0
}

// DXF writes a drawing as DXF R12: lines, arcs, circles, polylines and text in
// millimetres, one layer a meaning, a dimension as its line and its text.
func DXF(w io.Writer, d drawing.Drawing) error {
	x := &dxf{w: bufio.NewWriter(w)}
	x.put(0, "SECTION", 2, "HEADER", 9, "$ACADVER", 1, "AC1009", 9, "$INSUNITS", 70, 4, 9, "$MEASUREMENT", 70, 1)
	x.put(9, "$EXTMIN", 10, d.Box.Min.X, 20, d.Box.Min.Y, 9, "$EXTMAX", 10, d.Box.Max.X, 20, d.Box.Max.Y, 0, "ENDSEC")
	x.put(0, "SECTION", 2, "TABLES", 0, "TABLE", 2, "LTYPE", 70, 1, 0, "LTYPE", 2, "CONTINUOUS", 70, 0, 3, "Solid", 72, 65,
		73, 0, 40, 0.0, 0, "ENDTAB")
	x.put(0, "TABLE", 2, "LAYER", 70, len(layers))
	for _, l := range layers {
		x.put(0, "LAYER", 2, layerName(l), 70, 0, 62, pens[l].aci, 6, "CONTINUOUS")
	}
	x.put(0, "ENDTAB", 0, "ENDSEC", 0, "SECTION", 2, "ENTITIES")
	for _, i := range d.Items {
		if wanted(i) {
			x.item(i, d.Box.Width())
		}
	}
	x.put(0, "ENDSEC", 0, "EOF")
	if x.err != nil {
		return x.err
	}
	return x.w.Flush()
}

func layerName(l drawing.Layer) string { return strings.ToUpper(string(l)) }

type dxf struct {
	w   *bufio.Writer
	err error
}

// put writes pairs of a group code and a value.
func (x *dxf) put(pairs ...any) {
	for k := 0; k+1 < len(pairs) && x.err == nil; k += 2 {
		v := oneLine(fmt.Sprint(pairs[k+1]))
		if f, ok := pairs[k+1].(float64); ok {
			v = n(f)
		}
		_, x.err = fmt.Fprintf(x.w, "%3d\r\n%s\r\n", pairs[k], v)
	}
}

// oneLine keeps a value in its line: what follows a line's end would be read as
// the next entity.
func oneLine(s string) string {
	return strings.Map(func(r rune) rune {
		if r < 32 {
			return ' '
		}
		return r
	}, s)
}

func (x *dxf) line(l drawing.Layer, a, b outline.Point) {
	x.put(0, "LINE", 8, layerName(l), 10, a.X, 20, a.Y, 30, 0.0, 11, b.X, 21, b.Y, 31, 0.0)
}

// text writes one line of text; anchor 0 is left, 1 middle, 2 right.
func (x *dxf) text(l drawing.Layer, at outline.Point, size, angle float64, anchor int, s string) {
	x.put(0, "TEXT", 8, layerName(l), 10, at.X, 20, at.Y, 30, 0.0, 40, size, 1, dxfText(s), 50, angle)
	if anchor > 0 {
		x.put(72, anchor, 11, at.X, 21, at.Y, 31, 0.0)
	}
}

// dxfText keeps R12's plain text plain: no control characters, and what is not
// ASCII as \U+XXXX, which readers of the format know.
func dxfText(s string) string {
	b := &strings.Builder{}
	for _, r := range s {
		switch {
		case r < 32 || r == 127:
			b.WriteByte(' ')
		case r == '%':
			b.WriteString("%%37")
		case r > 126:
			fmt.Fprintf(b, `\U+%04X`, r)
		default:
			b.WriteRune(r)
		}
	}
	return b.String()
}

func (x *dxf) item(i drawing.Item, wide float64) {
	l := layerName(i.Layer)
	switch i.Kind {
	case drawing.Line:
		x.line(i.Layer, i.Points[0], i.Points[1])
	case drawing.Polyline:
		closed := 0
		if i.Closed {
			closed = 1
		}
		x.put(0, "POLYLINE", 8, l, 66, 1, 70, closed, 10, 0.0, 20, 0.0, 30, 0.0)
		for k, p := range i.Points {
			x.put(0, "VERTEX", 8, l, 10, p.X, 20, p.Y, 30, 0.0)
			if len(i.Bulges) == len(i.Points) && i.Bulges[k] != 0 {
				x.put(42, fine(i.Bulges[k]))
			}
		}
		x.put(0, "SEQEND", 8, l)
	case drawing.Circle:
		x.put(0, "CIRCLE", 8, l, 10, i.Points[0].X, 20, i.Points[0].Y, 30, 0.0, 40, i.Radius)
	case drawing.Arc:
		x.put(0, "ARC", 8, l, 10, fine(i.Points[0].X), 20, fine(i.Points[0].Y), 30, 0.0, 40, fine(i.Radius), 50,
			fine(i.Start), 51, fine(i.End))
	case drawing.Text:
		x.text(i.Layer, i.Points[0], i.Size, 0, map[string]int{"middle": 1, "end": 2}[i.Anchor], i.Text)
	case drawing.Dim:
		size := wide / 36
		x.line(i.Layer, i.Points[0], i.Points[1])
		for _, t := range ticks(i, size/3) {
			x.line(i.Layer, t[0], t[1])
		}
		at, angle := dimText(i, size/4)
		x.text(i.Layer, at, size, angle, 1, i.Text)
	}
}
