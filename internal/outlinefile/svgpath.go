package outlinefile

import (
	"math"
	"slices"
	"strconv"

	"freshshard/core/outline"
)

// pathText walks through the text of a path.
type pathText struct {
	s  string
	at int
}

func (p *pathText) skip() {
	for p.at < len(p.s) {
		switch p.s[p.at] {
		case ' ', ',', '\t', '\n', '\r', '\f':
			p.at++
		default:
			return
		}
	}
}

// number reads the next number; two may stand without anything between, such
// as 1.5.5 or 3-2.
func (p *pathText) number() (float64, bool) {
	p.skip()
	i, dot, digits := p.at, false, false
	if i < len(p.s) && (p.s[i] == '-' || p.s[i] == '+') {
		i++
	}
	for ; i < len(p.s); i++ {
		c := p.s[i]
		if c >= '0' && c <= '9' {
			digits = true
		} else if c == '.' && !dot {
			dot = true
		} else {
			break
		}
	}
	if digits && i < len(p.s) && (p.s[i] == 'e' || p.s[i] == 'E') {
		k := i + 1
		if k < len(p.s) && (p.s[k] == '-' || p.s[k] == '+') {
			k++
		}
		for e := k; k < len(p.s) && p.s[k] >= '0' && p.s[k] <= '9'; k++ {
			if k >= e {
				i = k + 1
			}
		}
	}
	if !digits {
		return 0, false
	}
	v, err := strconv.ParseFloat(p.s[p.at:i], 64)
	if err != nil || math.Abs(v) > 1e9 {
		return 0, false
	}
	p.at = i
	return v, true
}

// flag reads a 0 or 1 of an arc, which may stand right before the next number.
func (p *pathText) flag() (bool, bool) {
	p.skip()
	if p.at < len(p.s) && (p.s[p.at] == '0' || p.s[p.at] == '1') {
		p.at++
		return p.s[p.at-1] == '1', true
	}
	return false, false
}

func (p *pathText) command() (byte, bool) {
	p.skip()
	if p.at < len(p.s) {
		if c := p.s[p.at]; c >= 'A' && c <= 'Z' || c >= 'a' && c <= 'z' {
			p.at++
			return c, true
		}
	}
	return 0, false
}

// pathPen draws a path in user units and hands over runs in mm.
type pathPen struct {
	g          *gathered
	m          affine
	x, y       float64 // where it is
	sx, sy     float64 // where the run began
	cx, cy     float64 // last control point
	last       byte
	run        []outline.Vertex
	everything int
}

func (k *pathPen) to(x, y float64) {
	k.x, k.y = x, y
	k.run = append(k.run, outline.Vertex{Point: k.m.at(x, y)})
	k.everything++
}

// arcs puts a run of arcs behind the present place.
func (k *pathPen) arcs(v []outline.Vertex, x, y float64) {
	if len(k.run) > 0 {
		k.run[len(k.run)-1].Bulge = v[0].Bulge
		k.run = append(k.run, v[1:]...)
	}
	k.x, k.y = x, y
	k.everything += len(v)
}

func (k *pathPen) end(closed bool) {
	if closed {
		k.g.loop(k.run)
		k.x, k.y = k.sx, k.sy
	} else {
		k.g.open(k.run)
	}
	k.run = nil
}

func (k *pathPen) move(x, y float64) {
	k.end(false)
	k.sx, k.sy = x, y
	k.to(x, y)
}

// bezierSteps is how many arcs stand for one curve of a path.
const bezierSteps = 16

func (k *pathPen) cubic(x1, y1, x2, y2, x, y float64) {
	x0, y0 := k.x, k.y
	v := curve(func(t float64) outline.Point {
		u := 1 - t
		a, b, c, d := u*u*u, 3*u*u*t, 3*u*t*t, t*t*t
		return k.m.at(a*x0+b*x1+c*x2+d*x, a*y0+b*y1+c*y2+d*y)
	}, 0, 1, bezierSteps)
	k.arcs(v, x, y)
	k.cx, k.cy = x2, y2
}

func (k *pathPen) quad(x1, y1, x, y float64) {
	x0, y0 := k.x, k.y
	k.cubic(x0+2*(x1-x0)/3, y0+2*(y1-y0)/3, x+2*(x1-x)/3, y+2*(y1-y)/3, x, y)
	k.cx, k.cy = x1, y1
}

// arc draws an elliptical arc by its ends. SVG 1.1, appendix F.6, from memory.
func (k *pathPen) arc(rx, ry, turn float64, large, sweep bool, x, y float64) {
	rx, ry = math.Abs(rx), math.Abs(ry)
	if rx == 0 || ry == 0 {
		k.to(x, y)
		return
	}
	if x == k.x && y == k.y {
		return
	}
	sin, cos := math.Sincos(turn * degree)
	dx, dy := (k.x-x)/2, (k.y-y)/2
	px, py := cos*dx+sin*dy, -sin*dx+cos*dy
	if grow := px*px/(rx*rx) + py*py/(ry*ry); grow > 1 {
		rx, ry = rx*math.Sqrt(grow), ry*math.Sqrt(grow)
	}
	q := math.Sqrt(math.Max(0, (rx*rx*ry*ry-rx*rx*py*py-ry*ry*px*px)/(rx*rx*py*py+ry*ry*px*px)))
	if large == sweep {
		q = -q
	}
	cx, cy := q*rx*py/ry, -q*ry*px/rx
	from := math.Atan2((py-cy)/ry, (px-cx)/rx)
	d := math.Atan2((-py-cy)/ry, (-px-cx)/rx) - from
	if sweep && d < 0 {
		d += 2 * math.Pi
	} else if !sweep && d > 0 {
		d -= 2 * math.Pi
	}
	mx, my := cos*cx-sin*cy+(k.x+x)/2, sin*cx+cos*cy+(k.y+y)/2
	at := func(t float64) outline.Point {
		s, c := math.Sincos(t)
		return k.m.at(mx+rx*c*cos-ry*s*sin, my+rx*c*sin+ry*s*cos)
	}
	steps := max(2, int(math.Ceil(ellipseSteps*math.Abs(d)/(2*math.Pi))))
	if _, even := k.m.even(); even && math.Abs(rx-ry) <= 1e-9*rx {
		steps = 2 // a circle's arc stays an arc
	}
	k.arcs(curve(at, from, from+d, steps), x, y)
}

// mostPathSides keeps one path from filling the memory.
const mostPathSides = 400_000

// readPath draws the text of a path; what cannot be read ends it.
func readPath(g *gathered, d string, m affine) {
	p, k := &pathText{s: d}, &pathPen{g: g, m: m}
	defer k.end(false)
	var c byte
	for k.everything < mostPathSides {
		if next, ok := p.command(); ok {
			c = next
			if c == 'Z' || c == 'z' {
				k.end(true)
				k.to(k.sx, k.sy)
				k.last = 'Z'
				continue
			}
		} else if c == 0 || c == 'Z' || c == 'z' {
			return
		}
		if !k.step(p, c) {
			return
		}
		k.last = c &^ 0x20
		switch c { // further pairs of a move are lines
		case 'M':
			c = 'L'
		case 'm':
			c = 'l'
		}
	}
}

// step draws one command with its numbers.
func (k *pathPen) step(p *pathText, c byte) bool {
	ox, oy := 0.0, 0.0
	if c >= 'a' {
		ox, oy = k.x, k.y
	}
	ok := true
	num := func(o float64) float64 {
		v, has := p.number()
		ok = ok && has
		return v + o
	}
	switch c &^ 0x20 {
	case 'M':
		if x, y := num(ox), num(oy); ok {
			k.move(x, y)
		}
	case 'L':
		if x, y := num(ox), num(oy); ok {
			k.to(x, y)
		}
	case 'H':
		if x := num(ox); ok {
			k.to(x, k.y)
		}
	case 'V':
		if y := num(oy); ok {
			k.to(k.x, y)
		}
	case 'C':
		if a, b, e, f, x, y := num(ox), num(oy), num(ox), num(oy), num(ox), num(oy); ok {
			k.cubic(a, b, e, f, x, y)
		}
	case 'S':
		a, b := k.mirror('C', 'S')
		if e, f, x, y := num(ox), num(oy), num(ox), num(oy); ok {
			k.cubic(a, b, e, f, x, y)
		}
	case 'Q':
		if a, b, x, y := num(ox), num(oy), num(ox), num(oy); ok {
			k.quad(a, b, x, y)
		}
	case 'T':
		a, b := k.mirror('Q', 'T')
		if x, y := num(ox), num(oy); ok {
			k.quad(a, b, x, y)
		}
	case 'A':
		rx, ry, turn := num(0), num(0), num(0)
		large, has1 := p.flag()
		sweep, has2 := p.flag()
		if x, y := num(ox), num(oy); ok && has1 && has2 {
			k.arc(rx, ry, turn, large, sweep, x, y)
		} else {
			ok = false
		}
	default:
		return false
	}
	return ok
}

// mirror is where the mirrored control point of a smooth curve lies, after a curve of one of the
// kinds; where the pen is after anything else.
func (k *pathPen) mirror(kinds ...byte) (x, y float64) {
	if slices.Contains(kinds, k.last) {
		return 2*k.x - k.cx, 2*k.y - k.cy
	}
	return k.x, k.y
}
