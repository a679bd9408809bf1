package perspective

import (
	"math"
	"math/rand/v2"
	"testing"

	"gonum.org/v1/gonum/mat"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// camera is a pinhole: it stands at a distance and looks at the plane from a
// side, from above and turned. f is its focal length in pixels.
type camera struct {
	f, far, yaw, pitch, roll float64
}

// sees is where a point of the plane is in the photo.
func (c camera) sees(p outline.Point) outline.Point {
	x, y, z := p.X-100, p.Y-150, 0.0
	sin, cos := math.Sincos(c.yaw)
	x, z = x*cos+z*sin, -x*sin+z*cos
	sin, cos = math.Sincos(c.pitch)
	y, z = y*cos-z*sin, y*sin+z*cos
	sin, cos = math.Sincos(c.roll)
	x, y = x*cos-y*sin, x*sin+y*cos
	z += c.far
	return outline.Point{X: 2000 + c.f*x/z, Y: 1500 - c.f*y/z}
}

func anyCamera(r *rand.Rand) camera {
	return camera{f: 2500 + 1500*r.Float64(), far: 900 + 1200*r.Float64(), yaw: 0.9 * (r.Float64() - 0.5),
		pitch: 0.9 * (r.Float64() - 0.5), roll: 0.6 * (r.Float64() - 0.5)}
}

// window is an arched opening round the sheet, with a point on its arc.
var window = []struct {
	at    outline.Point
	curve bool
}{{outline.Point{X: -120, Y: -90}, false}, {outline.Point{X: 330, Y: -90}, false},
	{outline.Point{X: 330, Y: 400}, false}, {outline.Point{X: 105, Y: 520}, true}, {outline.Point{X: -120, Y: 400}, false}}

func photo(c camera, e float64) In {
	in := In{Sheet: A4, Error: e}
	for _, p := range A4.corners() {
		in.Corners = append(in.Corners, c.sees(p))
	}
	for _, w := range window {
		in.Points = append(in.Points, Point{c.sees(w.at), w.curve})
	}
	return in
}

// truth is the window itself: 450 wide, upright 490, rise 120.
func truth() float64 {
	r, _ := outline.ChordRadius(450, 120)
	t := 2 * math.Asin(225/r)
	return 450*490 + r*r*(t-math.Sin(t))/2
}

// Whatever camera, exact marks give the window back.
func TestAnyCameraGivesTheWindowBack(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 2))
	for range 200 {
		out, err := Template(photo(anyCamera(r), 0))
		if err != nil {
			t.Fatal(err)
		}
		if b := out.Outline.Outer.Box(); math.Abs(b.Width()-450) > 1e-6 || math.Abs(b.Height()-610) > 1e-6 ||
			math.Abs(out.Outline.Area()-truth()) > 1e-3 {
			t.Fatalf("box %v × %v, area %v, want 450 × 610, %v", b.Width(), b.Height(), out.Outline.Area(), truth())
		}
	}
}

// Seen squarely the map is a scale: 1500 px at 1000 mm are 1.5 px a mm.
func TestSquareView(t *testing.T) {
	c := camera{f: 1500, far: 1000}
	in := photo(c, 3)
	out, err := Template(in)
	if err != nil {
		t.Fatal(err)
	}
	// A point beside the sheet hangs on its corners and on its own mark: more
	// than the 3 px of one mark, 2 mm, both ways, and less than four times it.
	if least := 2 * math.Sqrt2; out.Doubt < least || out.Doubt > 4*least {
		t.Errorf("doubt %v", out.Doubt)
	}
	v, err := Fit([]Mark{{in.Corners[0], A4.corners()[0]}, {in.Corners[1], A4.corners()[1]},
		{in.Corners[2], A4.corners()[2]}, {in.Corners[3], A4.corners()[3]}})
	if err != nil {
		t.Fatal(err)
	}
	a, _ := v.Place(outline.Point{X: 2000, Y: 1500})
	b, _ := v.Place(outline.Point{X: 2150, Y: 1500})
	if math.Abs(a.To(b)-100) > 1e-9 {
		t.Errorf("150 px are %v mm", a.To(b))
	}
}

// Marks that are off by up to the marking error leave each corner within the
// stated doubt, as often as a sum of squares of even doubts promises: nearly
// always.
func TestTruthLiesInsideTheDoubt(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 8))
	const e = 3.0
	inside, all := 0, 0
	for range 300 {
		in := photo(anyCamera(r), e)
		shake := func(p outline.Point) outline.Point {
			return outline.Point{X: p.X + e*(2*r.Float64()-1), Y: p.Y + e*(2*r.Float64()-1)}
		}
		for i := range in.Corners {
			in.Corners[i] = shake(in.Corners[i])
		}
		for i := range in.Points {
			in.Points[i].Px = shake(in.Points[i].Px)
		}
		out, err := Template(in)
		if err != nil {
			t.Fatal(err)
		}
		v, err := Fit(mustMarks(t, in))
		if err != nil {
			t.Fatal(err)
		}
		for i, w := range window {
			q, err := v.Place(in.Points[i].Px)
			if err != nil {
				t.Fatal(err)
			}
			all++
			if q.To(w.at) <= out.Doubt {
				inside++
			}
		}
	}
	if share := float64(inside) / float64(all); share < 0.95 {
		t.Errorf("%.3f of the corners lie inside the doubt", share)
	}
}

func mustMarks(t *testing.T, in In) []Mark {
	t.Helper()
	m, err := in.marks()
	if err != nil {
		t.Fatal(err)
	}
	return m
}

// More marks than four are met by least squares, and the doubt falls.
func TestMoreMarksHelp(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 6))
	four, many := 0.0, 0.0
	for range 60 {
		c := anyCamera(r)
		in := photo(c, 2)
		shake := func(p outline.Point) outline.Point {
			return outline.Point{X: p.X + 2*(2*r.Float64()-1), Y: p.Y + 2*(2*r.Float64()-1)}
		}
		for i := range in.Corners {
			in.Corners[i] = shake(in.Corners[i])
		}
		a, err := Template(in)
		if err != nil {
			t.Fatal(err)
		}
		// A second sheet, laid against the first, to the right and above.
		for _, mm := range []outline.Point{{X: 420, Y: 297}, {X: 420, Y: 0}, {X: 0, Y: 594}, {X: 210, Y: 594},
			{X: 105, Y: 297}, {X: 210, Y: 148.5}} {
			in.More = append(in.More, Mark{shake(c.sees(mm)), mm})
		}
		b, err := Template(in)
		if err != nil {
			t.Fatal(err)
		}
		if a.Rms != 0 || b.Rms == 0 || b.Rms > 4 {
			t.Fatalf("rms %v and %v", a.Rms, b.Rms)
		}
		width := func(o Out) float64 { return math.Abs(o.Outline.Outer.Box().Width() - 450) }
		four, many = four+width(a), many+width(b)
	}
	if many > 0.6*four {
		t.Errorf("ten marks miss by %.1f mm in all, four by %.1f", many, four)
	}
}

// A greater marking error never makes the doubt less.
func TestMoreErrorMoreDoubt(t *testing.T) {
	last := -1.0
	for e := 0.0; e <= 12; e++ {
		out, err := Template(photo(camera{f: 3000, far: 1200, yaw: 0.3, pitch: 0.2}, e))
		if err != nil || out.Doubt <= last {
			t.Fatalf("%v px give %v mm, less gave %v, %v", e, out.Doubt, last, err)
		}
		last = out.Doubt
	}
}

func TestRefuses(t *testing.T) {
	good := func() In { return photo(camera{f: 3000, far: 1200, yaw: 0.3}, 2) }
	for _, c := range []struct {
		name, field string
		change      func(*In)
	}{
		{"three corners", "corners", func(in *In) { in.Corners = in.Corners[:3] }},
		{"mirrored", "marks", func(in *In) { in.Corners[1], in.Corners[3] = in.Corners[3], in.Corners[1] }},
		{"crossed", "marks", func(in *In) { in.Corners[1], in.Corners[2] = in.Corners[2], in.Corners[1] }},
		{"on a line", "marks", func(in *In) {
			in.Corners[1] = outline.Point{X: (in.Corners[0].X + in.Corners[2].X) / 2, Y: (in.Corners[0].Y + in.Corners[2].Y) / 2}
		}},
		{"no sheet", "sheet", func(in *In) { in.Sheet.W = 0 }},
		{"two points", "points", func(in *In) { in.Points = in.Points[:2] }},
		{"all curve", "points", func(in *In) { in.Points[2].Curve = true }},
		{"one place", "points", func(in *In) {
			in.Points[1], in.Points[2], in.Points[3], in.Points[4] = in.Points[0], in.Points[0], in.Points[0], in.Points[0]
		}},
		{"beyond the horizon", "points", func(in *In) { in.Points[1].Px = outline.Point{X: 2000 - 9e5, Y: 1500} }},
		{"no number", "marks", func(in *In) { in.Corners[0].X = math.NaN() }},
		{"wild error", "error", func(in *In) { in.Error = -1 }},
	} {
		in := good()
		c.change(&in)
		_, err := Template(in)
		if f := fault.Of(err); f == nil || f.Field != c.field {
			t.Errorf("%s: want a fault at %s, got %v", c.name, c.field, err)
		}
	}
}

func BenchmarkTemplate(b *testing.B) {
	in := photo(camera{f: 3000, far: 1200, yaw: 0.3, pitch: 0.2}, 2)
	for b.Loop() {
		if _, err := Template(in); err != nil {
			b.Fatal(err)
		}
	}
}

// The least squares of more marks than four: the error told is that of the
// marks, by hand, and no view nearby has a smaller one.
func TestMoreMarksAreMetAsWellAsCanBe(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 9))
	mm := []outline.Point{{X: 0, Y: 0}, {X: 210, Y: 0}, {X: 210, Y: 297}, {X: 0, Y: 297}, {X: 100, Y: 150},
		{X: 400, Y: 60}, {X: -90, Y: 310}}
	h := mat.NewDense(3, 3, []float64{2, 0.1, 400, 0.05, -1.9, 900, 0.0002, 0.0001, 1})
	var marks []Mark
	for _, p := range mm {
		px, _ := through(h, p)
		marks = append(marks, Mark{MM: p, Px: outline.Point{X: px.X + 3*r.NormFloat64(), Y: px.Y + 3*r.NormFloat64()}})
	}
	v, err := Fit(marks)
	if err != nil {
		t.Fatal(err)
	}
	of := func(h *mat.Dense) float64 {
		var sum float64
		for _, m := range marks {
			p, _ := through(h, m.MM)
			sum += math.Pow(math.Hypot(p.X-m.Px.X, p.Y-m.Px.Y), 2)
		}
		return math.Sqrt(sum / float64(len(marks)))
	}
	if math.Abs(v.Rms-of(v.toPx)) > 1e-9 || v.Rms < 0.5 || v.Rms > 6 {
		t.Errorf("rms %v, by hand %v", v.Rms, of(v.toPx))
	}
	for i := range 8 {
		for _, by := range []float64{-1e-3, 1e-3} {
			near := mat.DenseCopyOf(v.toPx)
			near.Set(i/3, i%3, near.At(i/3, i%3)+by*math.Max(1e-4, math.Abs(near.At(i/3, i%3))))
			if of(near) < v.Rms-1e-9 {
				t.Errorf("number %d moved by %v: rms %v, below %v", i, by, of(near), v.Rms)
			}
		}
	}
}

// A sheet that was said to stand and lies in the photo is noticed, and the other
// way round; one that is nearly square, or seen askance, is taken as it was said.
func TestASheetThatLiesTheOtherWay(t *testing.T) {
	for _, c := range []struct {
		name       string
		sheet      Sheet
		wide, high float64 // in the photo, px
		turned     bool
	}{
		{"standing, as said", Sheet{210, 297}, 210, 297, false}, {"lying, as said", Sheet{297, 210}, 297, 210, false},
		{"said to stand, it lies", Sheet{210, 297}, 297, 210, true}, {"said to lie, it stands", Sheet{297, 210}, 210, 297,
			true},
		{"seen askance", Sheet{210, 297}, 210, 200, false}, {"just plainly", Sheet{210, 297}, 231, 200, true},
		{"not quite", Sheet{210, 297}, 229, 200, false},
		{"nearly square", Sheet{210, 220}, 220, 160, false},
	} {
		in := In{Sheet: c.sheet, Corners: []outline.Point{{X: 100, Y: 100}, {X: 100 + c.wide, Y: 100},
			{X: 100 + c.wide, Y: 100 + c.high}, {X: 100, Y: 100 + c.high}},
			Points: []Point{{Px: outline.Point{X: 120, Y: 120}}, {Px: outline.Point{X: 180, Y: 120}},
				{Px: outline.Point{X: 180, Y: 180}}}, Error: 2}
		_, err := Template(in)
		if f := fault.Of(err); (f != nil && f.Field == "sheet") != c.turned || f != nil && !c.turned {
			t.Errorf("%s: %v", c.name, err)
		}
	}
}
