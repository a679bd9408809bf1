package exchange

import (
	"encoding/xml"
	"fmt"
	"io"
	"math"
	"strings"

	"freshshard/core/drawing"
	"freshshard/core/outline"
)

// SVG writes a drawing at true size: one user unit is a millimetre. Each layer
// is a group with its meaning as the id.
func SVG(w io.Writer, d drawing.Drawing) error {
	b := &strings.Builder{}
	wd, ht := d.Box.Width(), d.Box.Height()
	fmt.Fprintf(b, `<?xml version="1.0" encoding="UTF-8"?>`+"\n"+
		`<svg xmlns="http://www.w3.org/2000/svg" width="%smm" height="%smm" viewBox="%s %s %s %s" font-family="sans-serif">`+
		"\n",
		n(wd), n(ht), n(d.Box.Min.X), n(-d.Box.Max.Y), n(wd), n(ht))
	fmt.Fprintf(b, "<title>%s</title>\n<desc>%s</desc>\n", escape(d.Name), escape(d.Seen))
	for _, l := range layers {
		s := svgLayer(d, l, wd)
		if s != "" {
			fmt.Fprintf(b, `<g id="%s" %s>`+"\n%s</g>\n", l, svgPen(l, wd), s)
		}
	}
	b.WriteString("</svg>\n")
	_, err := io.WriteString(w, b.String())
	return err
}

// svgPen scales the pens so that a large drawing keeps visible lines.
func svgPen(l drawing.Layer, wide float64) string {
	p := pens[l]
	k := wide / 180
	s := fmt.Sprintf(`fill="none" stroke="#%02x%02x%02x" stroke-width="%s"`, p.r, p.g, p.b, n(p.width*k))
	if p.fill != nil {
		s = fmt.Sprintf(`fill="#%02x%02x%02x" stroke="#%02x%02x%02x" stroke-width="%s"`, p.fill[0], p.fill[1], p.fill[2], p.r,
			p.g, p.b, n(p.width*k))
	}
	if p.dash != nil {
		s += fmt.Sprintf(` stroke-dasharray="%s %s"`, n(p.dash[0]*k), n(p.dash[1]*k))
	}
	return s
}

func svgLayer(d drawing.Drawing, l drawing.Layer, wide float64) string {
	b := &strings.Builder{}
	p := pens[l]
	ink := fmt.Sprintf(`fill="#%02x%02x%02x" stroke="none"`, p.r, p.g, p.b)
	for _, i := range d.Items {
		if i.Layer != l || !wanted(i) {
			continue
		}
		switch i.Kind {
		case drawing.Line:
			fmt.Fprintf(b, `<line id="%s" %s/>`+"\n", escape(i.ID), svgEnds(i.Points[0], i.Points[1]))
		case drawing.Polyline:
			if len(i.Bulges) == len(i.Points) {
				fmt.Fprintf(b, `<path id="%s" d="%s"><title>%s</title></path>`+"\n", escape(i.ID), svgBulges(i), escape(i.Label))
				continue
			}
			tag := "polyline"
			if i.Closed {
				tag = "polygon"
			}
			pts := make([]string, len(i.Points))
			for k, q := range i.Points {
				pts[k] = n(q.X) + "," + n(-q.Y)
			}
			fmt.Fprintf(b, `<%s id="%s" points="%s"><title>%s</title></%s>`+"\n", tag, escape(i.ID), strings.Join(pts, " "),
				escape(i.Label), tag)
		case drawing.Circle:
			fmt.Fprintf(b, `<circle id="%s" cx="%s" cy="%s" r="%s"/>`+"\n", escape(i.ID), n(i.Points[0].X), n(-i.Points[0].Y),
				n(i.Radius))
		case drawing.Arc:
			a, z := onArc(i, i.Start), onArc(i, i.End)
			fmt.Fprintf(b, `<path id="%s" d="M%s %s A%s %s 0 %d 0 %s %s"/>`+"\n", escape(i.ID), fine(a.X), fine(-a.Y),
				fine(i.Radius), fine(i.Radius), large(i), fine(z.X), fine(-z.Y))
		case drawing.Text:
			fmt.Fprintf(b, `<text id="%s" x="%s" y="%s" font-size="%s" text-anchor="%s" %s>%s</text>`+"\n", escape(i.ID),
				n(i.Points[0].X), n(-i.Points[0].Y), n(i.Size), escape(i.Anchor), ink, escape(i.Text))
		case drawing.Dim:
			size := wide / 36
			fmt.Fprintf(b, `<line id="%s" %s><title>%s</title></line>`+"\n", escape(i.ID), svgEnds(i.Points[0], i.Points[1]),
				escape(i.Label))
			for _, t := range ticks(i, size/3) {
				fmt.Fprintf(b, "<line %s/>\n", svgEnds(t[0], t[1]))
			}
			at, angle := dimText(i, size/4)
			fmt.Fprintf(b, `<text x="%[1]s" y="%[2]s" font-size="%[3]s" text-anchor="middle" `+
				`transform="rotate(%[4]s %[1]s %[2]s)" %[5]s>%[6]s</text>`+"\n",
				n(at.X), n(-at.Y), n(size), n(-angle), ink, escape(i.Text))
		}
	}
	return b.String()
}

// svgBulges is a closed outline of lines and arcs.
func svgBulges(i drawing.Item) string {
	d := fmt.Sprintf("M%s %s", fine(i.Points[0].X), fine(-i.Points[0].Y))
	for k, a := range i.Points {
		z, bulge := i.Points[(k+1)%len(i.Points)], i.Bulges[k]
		if bulge == 0 {
			d += fmt.Sprintf("L%s %s", fine(z.X), fine(-z.Y))
			continue
		}
		r := a.To(z) * (1 + bulge*bulge) / (4 * math.Abs(bulge))
		// y runs down in SVG, so an arc to the left is one against its sweep.
		large, sweep := 0, 1
		if math.Abs(bulge) > 1 {
			large = 1
		}
		if bulge > 0 {
			sweep = 0
		}
		d += fmt.Sprintf("A%s %s 0 %d %d %s %s", fine(r), fine(r), large, sweep, fine(z.X), fine(-z.Y))
	}
	return d + "Z"
}

func svgEnds(a, b outline.Point) string {
	return fmt.Sprintf(`x1="%s" y1="%s" x2="%s" y2="%s"`, n(a.X), n(-a.Y), n(b.X), n(-b.Y))
}

func escape(s string) string {
	b := &strings.Builder{}
	_ = xml.EscapeText(b, []byte(s)) // a Builder does not fail
	return b.String()
}
