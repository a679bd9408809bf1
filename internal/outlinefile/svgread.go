package outlinefile

import (
	"bytes"
	"encoding/xml"
	"io"
	"math"
	"strconv"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// affine is a transform of the plane: x' = a·x + c·y + e, y' = b·x + d·y + f.
type affine struct{ a, b, c, d, e, f float64 }

var identity = affine{a: 1, d: 1}

// then applies n before m.
func (m affine) then(n affine) affine {
	return affine{m.a*n.a + m.c*n.b, m.b*n.a + m.d*n.b, m.a*n.c + m.c*n.d, m.b*n.c + m.d*n.d, m.a*n.e + m.c*n.f + m.e,
		m.b*n.e + m.d*n.f + m.f}
}

func (m affine) at(x, y float64) outline.Point {
	return outline.Point{X: m.a*x + m.c*y + m.e, Y: m.b*x + m.d*y + m.f}
}

// even says whether the transform keeps circles round, and by which factor.
func (m affine) even() (float64, bool) {
	u, v := math.Hypot(m.a, m.b), math.Hypot(m.c, m.d)
	return u, math.Abs(u-v) <= 1e-9*math.Max(u, v) && math.Abs(m.a*m.c+m.b*m.d) <= 1e-9*u*v
}

// ReadSVG takes the outline out of an SVG file: paths with all commands, and
// the basic shapes, under their transforms, in the unit of the page brought to
// mm. Where a group is called pane only that group counts.
func ReadSVG(b []byte) (outline.Outline, error) {
	if len(b) > MostImport {
		return outline.Outline{}, fault.New("file", "the file is larger than 10 MB", "send the outline alone")
	}
	all, pane := &gathered{}, &gathered{}
	d := xml.NewDecoder(bytes.NewReader(b))
	d.Strict = false
	stack, begun := []level{}, false
	for {
		tok, err := d.Token()
		if err == io.EOF {
			break
		}
		if err != nil {
			return outline.Outline{}, fault.New("file", "this is not an SVG file", "save it as plain SVG")
		}
		switch t := tok.(type) {
		case xml.StartElement:
			begun = true
			at := attributes(t)
			now, err := within(stack, t.Name.Local, at)
			if err != nil {
				return outline.Outline{}, err
			}
			stack = append(stack, now)
			g := all
			if now.pane {
				g = pane
			}
			shape(g, t.Name.Local, at, now.m)
		case xml.EndElement:
			if len(stack) > 0 {
				stack = stack[:len(stack)-1]
			}
		}
		if len(all.pieces)+len(pane.pieces) > mostPieces || len(all.loops)+len(pane.loops) > mostLoops {
			return outline.Outline{}, fault.New("file", "there is far more in it than a pane", "send the outline alone")
		}
	}
	if !begun {
		return outline.Outline{}, fault.New("file", "this is not an SVG file", "save it as plain SVG")
	}
	if len(pane.loops)+len(pane.pieces) > 0 {
		return pane.result()
	}
	return all.result()
}

// level is an element that is open: its transform, and whether it is the pane or lies in it.
type level struct {
	m    affine
	pane bool
}

// within opens an element inside those that are open.
func within(open []level, name string, at map[string]string) (level, error) {
	now := level{m: affine{a: 1, d: -1}}
	switch n := len(open); {
	case n == 0 && name != "svg":
		return now, fault.New("file", "this is not an SVG file", "save it as plain SVG")
	case n == 0:
		now.m = page(at)
	case n > 200:
		return now, fault.New("file", "groups lie too deep in it", "save it as plain SVG")
	default:
		now = open[n-1]
	}
	if s, ok := at["transform"]; ok {
		now.m = now.m.then(transform(s))
	}
	now.pane = now.pane || at["id"] == "pane"
	return now, nil
}

func attributes(e xml.StartElement) map[string]string {
	m := map[string]string{}
	for _, a := range e.Attr {
		m[a.Name.Local] = a.Value
	}
	return m
}

// mmPer is mm per unit of a length; a bare number is a CSS pixel, 1/96 in.
func mmPer(s string) (value, mm float64) {
	s = strings.TrimSpace(s)
	unit := strings.TrimLeft(s, "+-.0123456789eE")
	v, err := strconv.ParseFloat(strings.TrimSuffix(s, unit), 64)
	if err != nil {
		return 0, 25.4 / 96
	}
	switch unit {
	case "mm":
		return v, 1
	case "cm":
		return v, 10
	case "in":
		return v, 25.4
	case "pt":
		return v, 25.4 / 72
	case "pc":
		return v, 25.4 / 6
	}
	return v, 25.4 / 96
}

// page is the transform from user units to mm, y up.
func page(at map[string]string) affine {
	w, mm := mmPer(at["width"])
	k := 25.4 / 96
	if box := numbers(at["viewBox"]); len(box) == 4 && box[2] > 0 && w > 0 {
		k = w * mm / box[2]
	}
	return affine{a: k, d: -k}
}

// transform reads a list such as translate(3) rotate(10 4 5).
func transform(s string) affine {
	m := identity
	for {
		open, shut := strings.IndexByte(s, '('), strings.IndexByte(s, ')')
		if open < 0 || shut < open {
			return m
		}
		name, v := strings.Trim(s[:open], " ,\t\n\r"), numbers(s[open+1:shut])
		s = s[shut+1:]
		arg := func(i int, otherwise float64) float64 {
			if i < len(v) {
				return v[i]
			}
			return otherwise
		}
		switch name {
		case "matrix":
			if len(v) == 6 {
				m = m.then(affine{v[0], v[1], v[2], v[3], v[4], v[5]})
			}
		case "translate":
			m = m.then(affine{1, 0, 0, 1, arg(0, 0), arg(1, 0)})
		case "scale":
			m = m.then(affine{arg(0, 1), 0, 0, arg(1, arg(0, 1)), 0, 0})
		case "rotate":
			sin, cos := math.Sincos(arg(0, 0) * degree)
			x, y := arg(1, 0), arg(2, 0)
			m = m.then(affine{cos, sin, -sin, cos, x - cos*x + sin*y, y - sin*x - cos*y})
		case "skewX":
			m = m.then(affine{1, 0, math.Tan(arg(0, 0) * degree), 1, 0, 0})
		case "skewY":
			m = m.then(affine{1, math.Tan(arg(0, 0) * degree), 0, 1, 0, 0})
		}
	}
}

// numbers reads numbers however they are kept apart.
func numbers(s string) []float64 {
	p := pathText{s: s}
	var out []float64
	for len(out) < 4_000_000 {
		v, ok := p.number()
		if !ok {
			return out
		}
		out = append(out, v)
	}
	return out
}

func shape(g *gathered, kind string, at map[string]string, m affine) {
	num := func(k string) float64 {
		v := numbers(at[k])
		if len(v) == 0 {
			return 0
		}
		return v[0]
	}
	switch kind {
	case "path":
		readPath(g, at["d"], m)
	case "line":
		g.open([]outline.Vertex{{Point: m.at(num("x1"), num("y1"))}, {Point: m.at(num("x2"), num("y2"))}})
	case "polyline", "polygon":
		v := numbers(at["points"])
		var run []outline.Vertex
		for i := 0; i+1 < len(v); i += 2 {
			run = append(run, outline.Vertex{Point: m.at(v[i], v[i+1])})
		}
		if kind == "polygon" {
			g.loop(run)
		} else {
			g.open(run)
		}
	case "rect":
		x, y, w, h := num("x"), num("y"), num("width"), num("height")
		if w > 0 && h > 0 && num("rx") == 0 && num("ry") == 0 {
			g.loop([]outline.Vertex{{Point: m.at(x, y)}, {Point: m.at(x+w, y)}, {Point: m.at(x+w, y+h)}, {Point: m.at(x, y+h)}})
		} else if w > 0 && h > 0 {
			readPath(g, roundedRect(x, y, w, h, num("rx"), num("ry")), m)
		}
	case "circle", "ellipse":
		rx, ry := num("rx"), num("ry")
		if kind == "circle" {
			rx, ry = num("r"), num("r")
		}
		if rx > 0 && ry > 0 {
			c := [2]float64{num("cx"), num("cy")}
			if k, even := m.even(); even && rx == ry {
				g.loop(arcOf(m.at(c[0], c[1]), rx*k, 0, 2*math.Pi)[:2])
				return
			}
			v := curve(func(t float64) outline.Point {
				sin, cos := math.Sincos(t)
				return m.at(c[0]+rx*cos, c[1]+ry*sin)
			}, 0, 2*math.Pi, ellipseSteps)
			g.loop(v[:len(v)-1])
		}
	}
}

func roundedRect(x, y, w, h, rx, ry float64) string {
	if rx == 0 {
		rx = ry
	}
	if ry == 0 {
		ry = rx
	}
	rx, ry = math.Min(rx, w/2), math.Min(ry, h/2)
	f := func(v ...float64) string {
		s := ""
		for _, q := range v {
			s += " " + strconv.FormatFloat(q, 'g', -1, 64)
		}
		return s
	}
	arc := "A" + f(rx, ry) + " 0 0 1"
	return "M" + f(x+rx, y) + "H" + f(x+w-rx) + arc + f(x+w, y+ry) + "V" + f(y+h-ry) + arc + f(x+w-rx, y+h) +
		"H" + f(x+rx) + arc + f(x, y+h-ry) + "V" + f(y+ry) + arc + f(x+rx, y) + "Z"
}
