package outline

import (
	"math"
	"math/rand/v2"
	"testing"

	"github.com/paulmach/orb"
	"github.com/paulmach/orb/planar"
)

// ring is a flattened path as the other library wants it.
func ring(p Path, tol float64) orb.Ring {
	r := orb.Ring{}
	for _, q := range append(p.Flatten(tol), p.Flatten(tol)[0]) {
		r = append(r, orb.Point{q.X, q.Y})
	}
	return r
}

// Area, perimeter, box and inside agree with a general-purpose library,
// github.com/paulmach/orb, on the shapes with their arcs cut fine.
func TestAgainstAnotherLibrary(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 7))
	for _, k := range Kinds() {
		p, err := k.Make(made[k.ID])
		if err != nil {
			t.Fatal(err)
		}
		for _, off := range []float64{0, 6, -9} {
			q, err := p.Offset(off)
			if err != nil {
				t.Fatalf("%s by %v: %v", k.ID, off, err)
			}
			o := ring(q, 1e-4)
			if a := planar.Area(o); math.Abs(a-q.Area()) > 1e-5*q.Area() {
				t.Errorf("%s by %v: area %v, there %v", k.ID, off, q.Area(), a)
			}
			if l := planar.Length(o); math.Abs(l-q.Perimeter()) > 1e-5*l {
				t.Errorf("%s by %v: perimeter %v, there %v", k.ID, off, q.Perimeter(), l)
			}
			b, ob := q.Box(), o.Bound()
			if math.Abs(b.Min.X-ob.Min[0])+math.Abs(b.Min.Y-ob.Min[1])+math.Abs(b.Max.X-ob.Max[0])+
				math.Abs(b.Max.Y-ob.Max[1]) > 1e-3 {
				t.Errorf("%s by %v: box %v, there %v", k.ID, off, b, ob)
			}
			// An inset side is as far from the outline as it was moved: the other
			// library's distance from points of one to the other.
			base := ring(p, 1e-3)
			for range 60 {
				pt := Point{b.Min.X + b.Width()*r.Float64(), b.Min.Y + b.Height()*r.Float64()}
				at := orb.Point{pt.X, pt.Y}
				if d := planar.DistanceFrom(orb.LineString(o), at); d > 0.01 && q.Inside(pt) != planar.RingContains(o, at) {
					t.Fatalf("%s by %v: %v is inside here %v, there %v", k.ID, off, pt, q.Inside(pt), planar.RingContains(o, at))
				}
			}
			if off > 0 {
				for _, c := range q.Flatten(1) {
					if d := planar.DistanceFrom(orb.LineString(base), orb.Point{c.X, c.Y}); d < off-0.01 {
						t.Fatalf("%s by %v: %v is only %v from the outline", k.ID, off, c, d)
					}
				}
			}
		}
	}
}
