package outlinefile

import (
	"math"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// Limits of what is read in, so that hostile files cost little.
const (
	MostImport = 10 << 20 // bytes
	mostPieces = 200_000
	mostLoops  = 20_000
	mostLooks  = 30_000_000 // comparisons of ends
)

// piece is an open run of sides that still wants its neighbours.
type piece struct {
	v    []outline.Vertex // the last one's bulge is not used
	used bool
}

func (p piece) start() outline.Point { return p.v[0].Point }

func (p piece) end() outline.Point { return p.v[len(p.v)-1].Point }

// touch is how near two ends must lie to be one, mm.
const touch = 0.01

// gathered is what a file gave: closed loops, and pieces to chain.
type gathered struct {
	loops  []outline.Path
	pieces []piece
}

func (g *gathered) loop(v []outline.Vertex) {
	// What holds no glass, such as a mark of no size, is passed over.
	if p, err := outline.NewPath(v); err == nil && len(g.loops) <= mostLoops {
		g.loops = append(g.loops, p)
	}
}

func (g *gathered) open(v []outline.Vertex) {
	if len(v) < 2 {
		return
	}
	if v[0].To(v[len(v)-1].Point) <= touch && len(v) > 2 {
		g.loop(v[:len(v)-1])
		return
	}
	g.pieces = append(g.pieces, piece{v: v})
}

// chain joins pieces end to end into loops. A piece may be taken backwards.
func (g *gathered) chain() error {
	if len(g.pieces) > mostPieces {
		return fault.New("file", "there are more than 200000 sides in it", "send the outline alone")
	}
	k := g.knots()
	for i := range g.pieces {
		if g.pieces[i].used {
			continue
		}
		g.pieces[i].used = true
		run := append([]outline.Vertex(nil), g.pieces[i].v...)
		for run[0].To(run[len(run)-1].Point) > touch {
			n, back := k.next(run[len(run)-1].Point)
			if n < 0 {
				break
			}
			g.pieces[n].used = true
			add := g.pieces[n].v
			if back {
				add = backwards(add)
			}
			run[len(run)-1].Bulge = add[0].Bulge
			run = append(run, add[1:]...)
		}
		if run[0].To(run[len(run)-1].Point) <= touch {
			g.loop(run[:len(run)-1])
		}
	}
	if k.looked > mostLooks {
		return fault.New("file", "too many sides lie on top of each other in it", "send the outline alone")
	}
	return nil
}

// knots are the ends of all pieces, by the small square that they lie in.
type knots struct {
	pieces []piece
	ends   map[square][]int
	looked int
}

type square struct{ x, y int64 }

func squareOf(p outline.Point) square {
	return square{int64(math.Floor(p.X / touch)), int64(math.Floor(p.Y / touch))}
}

func (g *gathered) knots() *knots {
	k := &knots{pieces: g.pieces, ends: map[square][]int{}}
	for i, p := range g.pieces {
		k.ends[squareOf(p.start())] = append(k.ends[squareOf(p.start())], i)
		k.ends[squareOf(p.end())] = append(k.ends[squareOf(p.end())], i)
	}
	return k
}

// next is a piece that goes on at a point, −1 for none, and whether it is taken backwards.
func (k *knots) next(at outline.Point) (n int, back bool) {
	c := squareOf(at)
	for dx := int64(-1); dx <= 1; dx++ {
		for dy := int64(-1); dy <= 1; dy++ {
			near := square{c.x + dx, c.y + dy}
			list := k.ends[near]
			for len(list) > 0 && k.pieces[list[len(list)-1]].used {
				list = list[:len(list)-1]
			}
			k.ends[near] = list
			for n := len(list) - 1; n >= 0; n-- {
				i := list[n]
				p := k.pieces[i]
				if k.looked++; p.used || k.looked > mostLooks {
					continue
				}
				if p.start().To(at) <= touch {
					return i, false
				}
				if p.end().To(at) <= touch {
					return i, true
				}
			}
		}
	}
	return -1, false
}

func backwards(v []outline.Vertex) []outline.Vertex {
	n := len(v)
	out := make([]outline.Vertex, n)
	for i := range v {
		out[n-1-i].Point = v[i].Point
		if i > 0 {
			out[n-1-i].Bulge = -v[i-1].Bulge
		}
	}
	return out
}

// result sorts the loops into a pane with its holes.
func (g *gathered) result() (outline.Outline, error) {
	if err := g.chain(); err != nil {
		return outline.Outline{}, err
	}
	return outline.Sort(g.loops)
}

// curve samples a curve into arcs: each step runs through its own middle.
func curve(at func(t float64) outline.Point, from, to float64, steps int) []outline.Vertex {
	v := make([]outline.Vertex, steps+1)
	for i := range v {
		t0 := from + (to-from)*float64(i)/float64(steps)
		v[i].Point = at(t0)
		if i < steps {
			t1 := from + (to-from)*float64(i+1)/float64(steps)
			v[i].Bulge = outline.BulgeThrough(at(t0), at((t0+t1)/2), at(t1))
		}
	}
	return v
}

// arcOf is an arc about a centre as one or two sides, angles in radians.
func arcOf(c outline.Point, r, from, turn float64) []outline.Vertex {
	at := func(a float64) outline.Point {
		sin, cos := math.Sincos(a)
		return outline.Point{X: c.X + r*cos, Y: c.Y + r*sin}
	}
	steps := 1
	if math.Abs(turn) > math.Pi {
		steps = 2
	}
	v := make([]outline.Vertex, steps+1)
	for i := range v {
		v[i].Point = at(from + turn*float64(i)/float64(steps))
		if i < steps {
			v[i].Bulge = math.Tan(turn / float64(steps) / 4)
		}
	}
	return v
}
