package outline

import (
	"errors"
	"fmt"
	"math"

	"gonum.org/v1/gonum/interp"

	"freshshard/core/fault"
)

// Shapes that are walked point by point.
const (
	Ordinates = "ordinates"
	Points    = "points"
	Smooth    = "smooth"
)

// arcsBetween is how many arcs stand for the curve between two stations.
const arcsBetween = 6

// ordinates is a shape with a straight bottom, upright ends and a smooth top
// through offsets at equal stations: n spaces, n+1 ordinates.
func ordinates(n int) Kind {
	k := Kind{ID: Ordinates, Name: "by ordinates", Measures: measures("base"), Checks: measures("between"),
		Counted: "spaces between stations"}
	for i := 0; i <= n; i++ {
		k.Measures = append(k.Measures, MeasureOf(fmt.Sprintf("o%d", i)))
	}
	k.typical = Values{"base": 480}
	for i := 0; i <= n; i++ { // a flat arch on upright ends
		x := 2*float64(i)/float64(n) - 1
		k.typical[fmt.Sprintf("o%d", i)] = 160 + 110*(1-x*x)
	}
	k.build = func(m Values) (Path, error) {
		if err := positive("base", m["base"]); err != nil {
			return nil, err
		}
		return through(m, n)
	}
	k.lines = func(m Values, _ Path) map[string]Line {
		out := map[string]Line{"base": {{0, 0}, {m["base"], 0}}}
		xs, ys := stations(m, n)
		for i := range xs {
			out[fmt.Sprintf("o%d", i)] = Line{{xs[i], 0}, {xs[i], ys[i]}}
		}
		i := (n - 1) / 2
		x := (xs[i] + xs[i+1]) / 2
		if c, err := smooth(xs, ys); err == nil {
			out["between"] = Line{{x, 0}, {x, c.Predict(x)}}
		}
		return out
	}
	return k
}

func stations(m Values, n int) (xs, ys []float64) {
	for i := 0; i <= n; i++ {
		xs, ys = append(xs, m["base"]*float64(i)/float64(n)), append(ys, m[fmt.Sprintf("o%d", i)])
	}
	return xs, ys
}

// smooth is the cubic spline through the ordinates whose third derivative does
// not jump at the second and the last but one: it takes no stand on how the
// curve leaves its ends. gonum's interp.
func smooth(xs, ys []float64) (*interp.NotAKnotCubic, error) {
	c := &interp.NotAKnotCubic{}
	err := c.Fit(xs, ys)
	return c, err
}

// through is the outline under the smooth curve.
func through(m Values, n int) (Path, error) {
	xs, ys := stations(m, n)
	c, err := smooth(xs, ys)
	if err != nil {
		return nil, fault.New("base", "no smooth curve goes through these ordinates", "read them again")
	}
	at := func(x float64) Point { return Point{x, c.Predict(x)} }
	v := []Vertex{{Point: Point{0, 0}}, {Point: Point{m["base"], 0}}}
	steps := n * arcsBetween
	for i := range steps {
		x0, x1 := m["base"]*(1-float64(i)/float64(steps)), m["base"]*(1-float64(i+1)/float64(steps))
		a, mid, b := at(x0), at((x0+x1)/2), at(x1)
		if i > 0 && a.Y <= same {
			return nil, fault.New(fmt.Sprintf("o%d", int(math.Round(x0/m["base"]*float64(n)))),
				"the curve dips to the straight edge here", "read this ordinate again")
		}
		v = append(v, Vertex{a, BulgeThrough(a, mid, b)})
	}
	if end := at(0); end.Y > same {
		v = append(v, Vertex{Point: end})
	}
	return NewPath(v)
}

// points is a shape with straight sides, or a smooth closed curve, through n points, each found by two
// tapes from two fixed points A and B below it. The points are numbered
// anticlockwise from the lower left.
func points(n int, id string) Kind {
	k := Kind{ID: id, Name: "by two tapes", Measures: measures("base"), Counted: "points"}
	for i := 1; i <= n; i++ {
		k.Measures = append(k.Measures, MeasureOf(fmt.Sprintf("p%d_a", i)), MeasureOf(fmt.Sprintf("p%d_b", i)))
		k.Checks = append(k.Checks, MeasureOf(fmt.Sprintf("p%d_p%d", i, i%n+1)))
	}
	through := Polygon
	if id == Smooth {
		k.Name, through = "smooth, by two tapes", closedCurve
	}
	k.typical = Values{"base": 400}
	for i := range n { // a regular one, its lowest side level
		a := 2*math.Pi*float64(i)/float64(n) - math.Pi/2 - math.Pi/float64(n)
		p := Point{200 + 180*math.Cos(a), 240 + 180*math.Sin(a)}
		k.typical[fmt.Sprintf("p%d_a", i+1)], k.typical[fmt.Sprintf("p%d_b", i+1)] = p.To(Point{}), p.To(Point{X: 400})
	}
	k.build = func(m Values) (Path, error) {
		at, err := located(m, n)
		if err != nil {
			return nil, err
		}
		p, err := through(at)
		if err != nil {
			return nil, err
		}
		if p.crosses() {
			return nil, fault.New("p1_a", "the sides cross: the points are not in walking order, or one was read wrong",
				"number them anticlockwise from the lower left")
		}
		return p, nil
	}
	k.lines = func(m Values, _ Path) map[string]Line {
		out := map[string]Line{}
		a, b := Point{}, Point{X: m["base"]}
		out["base"] = Line{a, b}
		at, err := located(m, n)
		if err != nil {
			return out
		}
		for i, p := range at {
			out[fmt.Sprintf("p%d_a", i+1)], out[fmt.Sprintf("p%d_b", i+1)] = Line{a, p}, Line{b, p}
			out[fmt.Sprintf("p%d_p%d", i+1, (i+1)%n+1)] = Line{p, at[(i+1)%n]}
		}
		return out
	}
	return k
}

// closedCurve is a smooth closed outline through the points: each way across a
// cubic over the run of the chords, laid once round and half round again at
// both ends, so that its seam is as smooth as the rest.
func closedCurve(at []Point) (Path, error) {
	n := len(at)
	ts, xs, ys := []float64{}, []float64{}, []float64{}
	t := 0.0
	for i := range 3*n + 1 {
		p := at[i%n]
		ts, xs, ys = append(ts, t), append(xs, p.X), append(ys, p.Y)
		d := p.To(at[(i+1)%n])
		if d <= same {
			return nil, fault.New("p1_a", "two neighbouring points are one", "read both again")
		}
		t += d
	}
	x, y := &interp.NotAKnotCubic{}, &interp.NotAKnotCubic{}
	if err := errors.Join(x.Fit(ts, xs), y.Fit(ts, ys)); err != nil {
		return nil, fault.New("p1_a", "no smooth curve goes through these points", "read them again")
	}
	on := func(t float64) Point { return Point{x.Predict(t), y.Predict(t)} }
	v := make([]Vertex, 0, n*arcsBetween)
	for i := n; i < 2*n; i++ {
		for k := range arcsBetween {
			t0 := ts[i] + (ts[i+1]-ts[i])*float64(k)/arcsBetween
			t1 := ts[i] + (ts[i+1]-ts[i])*float64(k+1)/arcsBetween
			a, b := on(t0), on(t1)
			v = append(v, Vertex{a, BulgeThrough(a, on((t0+t1)/2), b)})
		}
	}
	return NewPath(v)
}

// located finds the points from their two tapes. A fault names the tape.
func located(m Values, n int) ([]Point, error) {
	if err := positive("base", m["base"]); err != nil {
		return nil, err
	}
	a, b := Point{}, Point{X: m["base"]}
	out := make([]Point, 0, n)
	for i := 1; i <= n; i++ {
		p, err := Trilaterate(a, b, m[fmt.Sprintf("p%d_a", i)], m[fmt.Sprintf("p%d_b", i)])
		var f *fault.Error
		if errors.As(err, &f) {
			return nil, fault.New(fmt.Sprintf("p%d_%s", i, map[string]string{"first": "a", "second": "b"}[f.Field]), f.Why,
				f.Cure)
		}
		out = append(out, p)
	}
	return out, nil
}
