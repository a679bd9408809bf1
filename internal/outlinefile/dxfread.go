package outlinefile

import (
	"bufio"
	"bytes"
	"fmt"
	"math"
	"strconv"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// ReadDXF takes the outline out of a DXF file: lines, arcs, circles, ellipses,
// polylines with bulges and splines, in the file's unit, brought to mm. Where a
// layer is called PANE only that layer counts. Other entities are passed over.
func ReadDXF(b []byte) (outline.Outline, error) {
	if len(b) > MostImport {
		return outline.Outline{}, fault.New("file", "the file is larger than 10 MB", "send the outline alone")
	}
	r := dxfReader{scale: 1}
	if err := r.groups(b); err != nil {
		return outline.Outline{}, err
	}
	pane := false
	for _, e := range r.entities {
		pane = pane || e.layer == "PANE"
	}
	g := &gathered{}
	for _, e := range r.entities {
		if !pane || e.layer == "PANE" {
			e.gather(g, r.scale)
		}
	}
	return g.result()
}

type group struct {
	code int
	text string
}

// wantsNumber says whether the group's value is a number: coordinates, lengths,
// angles and counts. DXF reference, group codes, from memory.
func (g group) wantsNumber() bool {
	return g.code >= 10 && g.code <= 79 || g.code >= 210 && g.code <= 239
}

func (g group) isNumber() bool {
	v, err := strconv.ParseFloat(g.text, 64)
	return err == nil && !math.IsNaN(v) && math.Abs(v) <= 1e9
}

// num is the value of a group that wantsNumber; the reader has held it already.
func (g group) num() float64 {
	v, _ := strconv.ParseFloat(g.text, 64)
	return v
}

// short is the beginning of a text, for a message.
func short(s string) string {
	if r := []rune(s); len(r) > 20 {
		return string(r[:20]) + "…"
	}
	return s
}

// entity is one thing of the drawing with its groups in order.
type entity struct {
	kind, layer string
	groups      []group
}

type dxfReader struct {
	scale    float64
	entities []entity
}

// groups reads pairs of a code line and a value line.
func (r *dxfReader) groups(b []byte) error {
	s := bufio.NewScanner(bytes.NewReader(b))
	s.Buffer(make([]byte, 0, 64<<10), 1<<20)
	section, variable := "", ""
	started := false
	for s.Scan() {
		code, err := strconv.Atoi(strings.TrimSpace(s.Text()))
		if err != nil || !s.Scan() {
			return fault.New("file", "this is not a DXF file of text", "save it as DXF, not binary")
		}
		g := group{code, strings.TrimSpace(s.Text())}
		if g.wantsNumber() && !g.isNumber() {
			return fault.New("file", fmt.Sprintf("group %d has %q where a number belongs", g.code, short(g.text)),
				"save the file again, or mend that line")
		}
		switch {
		case g.code == 0 && g.text == "SECTION":
			section, started = "", true
			continue
		case g.code == 2 && section == "":
			section = strings.ToUpper(g.text)
			continue
		case g.code == 0 && g.text == "ENDSEC":
			section = "-"
			continue
		}
		switch section {
		case "HEADER":
			if g.code == 9 {
				variable = g.text
			} else if variable == "$INSUNITS" && g.code == 70 {
				r.scale = unitScale(int(g.num()))
			}
		case "ENTITIES":
			if g.code == 0 {
				if len(r.entities) > mostPieces {
					return fault.New("file", "there are more than 200000 things in it", "send the outline alone")
				}
				r.entities = append(r.entities, entity{kind: strings.ToUpper(g.text)})
			} else if len(r.entities) > 0 {
				e := &r.entities[len(r.entities)-1]
				if g.code == 8 {
					e.layer = strings.ToUpper(g.text)
				}
				e.groups = append(e.groups, g)
			}
		}
	}
	if err := s.Err(); err != nil || !started {
		return fault.New("file", "this is not a DXF file of text", "save it as DXF, not binary")
	}
	r.polylines()
	return nil
}

// unitScale is mm per unit of $INSUNITS; what is not known is taken for mm.
func unitScale(u int) float64 {
	switch u {
	case 1:
		return 25.4
	case 2:
		return 304.8
	case 5:
		return 10
	case 6:
		return 1000
	}
	return 1
}

// polylines puts the vertices of old polylines into them.
func (r *dxfReader) polylines() {
	out := make([]entity, 0, len(r.entities))
	open := -1
	for _, e := range r.entities {
		switch e.kind {
		case "POLYLINE":
			e.groups = append(e.groups[:0:0], keep(e.groups, 70)...)
			out = append(out, e)
			open = len(out) - 1
		case "VERTEX":
			if open >= 0 {
				out[open].groups = append(out[open].groups, keep(e.groups, 10, 20, 42)...)
			}
		case "SEQEND":
			open = -1
		default:
			out = append(out, e)
		}
	}
	r.entities = out
}

func keep(gs []group, codes ...int) []group {
	var out []group
	for _, g := range gs {
		for _, c := range codes {
			if g.code == c {
				out = append(out, g)
			}
		}
	}
	return out
}

// first is the first value of a code, or what it is otherwise.
func (e entity) first(code int, otherwise float64) float64 {
	for _, g := range e.groups {
		if g.code == code {
			return g.num()
		}
	}
	return otherwise
}

func (e entity) all(code int) []float64 {
	var out []float64
	for _, g := range e.groups {
		if g.code == code {
			out = append(out, g.num())
		}
	}
	return out
}

func (e entity) point(x, y int, k float64) outline.Point {
	return outline.Point{X: e.first(x, 0) * k, Y: e.first(y, 0) * k}
}

const degree = math.Pi / 180

func (e entity) gather(g *gathered, k float64) {
	switch e.kind {
	case "LINE":
		g.open([]outline.Vertex{{Point: e.point(10, 20, k)}, {Point: e.point(11, 21, k)}})
	case "CIRCLE":
		if r := e.first(40, 0) * k; r > 0 {
			g.loop(arcOf(e.point(10, 20, k), r, 0, 2*math.Pi)[:2])
		}
	case "ARC":
		if r := e.first(40, 0) * k; r > 0 {
			from := e.first(50, 0) * degree
			turn := math.Mod(e.first(51, 0)*degree-from, 2*math.Pi)
			if turn <= 0 {
				turn += 2 * math.Pi
			}
			g.open(arcOf(e.point(10, 20, k), r, from, turn))
		}
	case "ELLIPSE":
		e.ellipse(g, k)
	case "LWPOLYLINE", "POLYLINE":
		e.polyline(g, k)
	case "SPLINE":
		e.spline(g, k)
	}
}

// curveSteps is how many arcs stand for a whole ellipse or a span of a spline.
const (
	ellipseSteps = 128
	spanSteps    = 12
)

func (e entity) ellipse(g *gathered, k float64) {
	c, m := e.point(10, 20, k), e.point(11, 21, k)
	ratio, from, to := e.first(40, 1), e.first(41, 0), e.first(42, 2*math.Pi)
	if to <= from {
		to += 2 * math.Pi
	}
	at := func(t float64) outline.Point {
		sin, cos := math.Sincos(t)
		return outline.Point{X: c.X + m.X*cos - m.Y*ratio*sin, Y: c.Y + m.Y*cos + m.X*ratio*sin}
	}
	steps := max(2, int(math.Ceil(ellipseSteps*math.Min(1, (to-from)/(2*math.Pi)))))
	v := curve(at, from, math.Min(to, from+2*math.Pi), steps)
	if to-from > 2*math.Pi-1e-6 {
		g.loop(v[:len(v)-1])
		return
	}
	g.open(v)
}

func (e entity) polyline(g *gathered, k float64) {
	var v []outline.Vertex
	for _, p := range e.groups {
		switch p.code {
		case 10:
			v = append(v, outline.Vertex{Point: outline.Point{X: p.num() * k}})
		case 20:
			if len(v) > 0 {
				v[len(v)-1].Y = p.num() * k
			}
		case 42:
			if len(v) > 0 {
				v[len(v)-1].Bulge = p.num()
			}
		}
	}
	if int(e.first(70, 0))&1 == 1 {
		g.loop(v)
		return
	}
	g.open(v)
}

// spline samples a B-spline by de Boor's rule, span by span.
func (e entity) spline(g *gathered, k float64) {
	deg, knots, xs, ys, ws := int(e.first(71, 3)), e.all(40), e.all(10), e.all(20), e.all(41)
	n := min(len(xs), len(ys))
	if deg < 1 || deg > 9 || n <= deg || len(knots) != n+deg+1 || n > 20_000 {
		return
	}
	at := func(t float64) outline.Point {
		span := deg
		for span < n-1 && t >= knots[span+1] {
			span++
		}
		var d [10][3]float64
		for j := 0; j <= deg; j++ {
			i := span - deg + j
			w := 1.0
			if i < len(ws) && ws[i] > 0 {
				w = ws[i]
			}
			d[j] = [3]float64{xs[i] * w, ys[i] * w, w}
		}
		for r := 1; r <= deg; r++ {
			for j := deg; j >= r; j-- {
				i := span - deg + j
				den := knots[i+deg-r+1] - knots[i]
				a := 0.0
				if den > 0 {
					a = (t - knots[i]) / den
				}
				for q := range 3 {
					d[j][q] = (1-a)*d[j-1][q] + a*d[j][q]
				}
			}
		}
		return outline.Point{X: d[deg][0] / d[deg][2] * k, Y: d[deg][1] / d[deg][2] * k}
	}
	var v []outline.Vertex
	for i := deg; i < n; i++ {
		if knots[i+1] <= knots[i] {
			continue
		}
		run := curve(at, knots[i], knots[i+1], spanSteps)
		if len(v) > 0 {
			v = v[:len(v)-1]
		}
		v = append(v, run...)
	}
	g.open(v)
}
