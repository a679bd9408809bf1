package perspective

import (
	"math"
	"math/rand/v2"
	"testing"

	"gonum.org/v1/gonum/mat"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// marked are n marks of a plane that a camera saw, each off by up to e.
func marked(r *rand.Rand, n int, e float64) []Mark {
	c := anyCamera(r)
	out := make([]Mark, 0, n)
	for _, p := range A4.corners() {
		out = append(out, Mark{c.sees(p), p})
	}
	for len(out) < n {
		p := outline.Point{X: 400*r.Float64() - 100, Y: 500*r.Float64() - 100}
		out = append(out, Mark{c.sees(p), p})
	}
	for i := range out {
		out[i].Px.X += e * (2*r.Float64() - 1)
		out[i].Px.Y += e * (2*r.Float64() - 1)
	}
	return out
}

// off is how far marks are from where a view sees them, px², and the root of its mean.
func off(h mat.Matrix, marks []Mark) (sum, rms float64) {
	for _, m := range marks {
		w := h.At(2, 0)*m.MM.X + h.At(2, 1)*m.MM.Y + h.At(2, 2)
		x := (h.At(0, 0)*m.MM.X+h.At(0, 1)*m.MM.Y+h.At(0, 2))/w - m.Px.X
		y := (h.At(1, 0)*m.MM.X+h.At(1, 1)*m.MM.Y+h.At(1, 2))/w - m.Px.Y
		sum += x*x + y*y
	}
	return sum, math.Sqrt(sum / float64(len(marks)))
}

// More than four marks that disagree are met as nearly as can be: no view beside the one found,
// whichever of its eight numbers is moved, has less of an error. And what is said of the error
// is what it is.
func TestViewIsTheLeastSquares(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 3))
	for n := range 40 {
		marks := marked(r, 5+n%9, 4)
		v, err := Fit(marks)
		if err != nil {
			t.Fatal(err)
		}
		least, rms := off(v.toPx, marks)
		if math.Abs(rms-v.Rms) > 1e-9*(1+rms) || rms == 0 {
			t.Errorf("%d marks: off by %v px, and it says %v", len(marks), rms, v.Rms)
		}
		h := mat.DenseCopyOf(v.toPx)
		h.Scale(1/h.At(2, 2), h)
		for i := range 8 {
			was := h.At(i/3, i%3)
			// A step that moves the marks by about a tenth of a pixel.
			step := []float64{5e-4, 5e-4, 0.1, 5e-4, 5e-4, 0.1, 2e-7, 2e-7}[i]
			h.Set(i/3, i%3, was-step)
			less, _ := off(h, marks)
			h.Set(i/3, i%3, was+step)
			more, _ := off(h, marks)
			h.Set(i/3, i%3, was)
			// The bottom of the parabola through the three, in steps: a hundredth of one at most away.
			if bottom := (less - more) / (less + more - 2*least) / 2; math.Abs(bottom) > 0.01 || less < least || more < least {
				t.Errorf("%d marks: number %d is least %v steps away, %v %v %v px²", len(marks), i, bottom, less, least, more)
			}
		}
	}
}

// Marks that disagree by more than somebody said speak for a greater error: with n of them, 2n
// numbers of which eight are spent on the view, a mark is off by e² = Σ off² / n × 2n / (2n − 8), in
// both directions together, and that is taken for each of them, on the safe side.
func TestDisagreementIsTheError(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 3))
	c := anyCamera(r)
	in := photo(c, 0)
	for i, n := range []int{4, 5, 8, 12} {
		marks := marked(rand.New(rand.NewPCG(uint64(i), 3)), n, 5)
		v, err := Fit(marks)
		if err != nil {
			t.Fatal(err)
		}
		at := make([]outline.Point, len(in.Points))
		for k, p := range in.Points {
			if at[k], err = v.Place(p.Px); err != nil {
				t.Fatal(err)
			}
		}
		told := in
		sum, _ := off(v.toPx, marks)
		want := 0.0
		if n > 4 {
			want = math.Sqrt(2 * sum / float64(2*n-8))
		}
		told.Error = 0
		got, _ := told.doubt(marks, at, v.Rms)
		if (got > 0) != (n > 4) {
			t.Errorf("%d marks that nobody doubts: %v", n, got)
		}
		told.Error = want
		exact, _ := told.doubt(marks, at, 0)
		if math.Abs(got-exact) > 1e-9*(1+got) {
			t.Errorf("%d marks: %v mm, as if each were off by %v px it is %v", n, got, want, exact)
		}
		if told.Error = want + 1; n > 4 {
			if more, _ := told.doubt(marks, at, v.Rms); more <= got {
				t.Errorf("%d marks: a greater error that somebody said counts for nothing", n)
			}
		}
	}
}

// A mark is a place in a photo: from where to where, and a number.
func TestWhatAMarkMayBe(t *testing.T) {
	for _, c := range []struct {
		change func(*Mark)
		ok     bool
	}{
		{func(*Mark) {}, true},
		{func(m *Mark) { m.Px.X = -1e6 }, true}, {func(m *Mark) { m.Px.X = -1e6 - 1 }, false},
		{func(m *Mark) { m.Px.Y = 1e6 }, true}, {func(m *Mark) { m.Px.Y = 1e6 + 1 }, false},
		{func(m *Mark) { m.Px.X = math.NaN() }, false}, {func(m *Mark) { m.Px.Y = math.NaN() }, false},
		{func(m *Mark) { m.MM.X = math.NaN() }, false}, {func(m *Mark) { m.MM.Y = math.NaN() }, false},
		{func(m *Mark) { m.MM.X = math.Inf(-1) }, false}, {func(m *Mark) { m.MM.Y = math.Inf(1) }, false},
	} {
		marks := []Mark{{outline.Point{X: 0, Y: 900}, outline.Point{}}, {outline.Point{X: 900, Y: 900},
			outline.Point{X: 100}},
			{outline.Point{X: 900}, outline.Point{X: 100, Y: 100}}, {outline.Point{}, outline.Point{Y: 100}}}
		c.change(&marks[3])
		_, err := Fit(marks)
		f := fault.Of(err)
		if no := f != nil && f.Why == "a mark is no place in a photo"; no == c.ok {
			t.Errorf("%+v: %v", marks[3], err)
		}
	}
}

// As many marks as there may be, and one more; the sheets that there are; and where a point at the
// horizon, or two curves beside one another, stand in the list.
func TestWhereInTheList(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 9))
	if _, err := Fit(marked(r, 60, 0)); err != nil {
		t.Error(err)
	}
	if _, err := Fit(marked(r, 61, 0)); fault.Of(err) == nil || fault.Of(err).Why != "that is more than sixty marks" {
		t.Error(err)
	}
	if A4 != (Sheet{210, 297}) || Letter != (Sheet{215.9, 279.4}) { // ISO 216; ANSI A, 8½ × 11 in
		t.Errorf("%v %v", A4, Letter)
	}
	in := photo(camera{f: 1500, far: 1000, pitch: 0.6}, 1)
	far := in
	far.Points = append([]Point{}, in.Points...)
	far.Points[1].Px = outline.Point{X: 2000, Y: 1500 - 1500/math.Tan(0.6)}
	_, err := Template(far)
	if f := fault.Of(err); f == nil || f.Why != "point 2 lies at the horizon of the sheet's plane" {
		t.Errorf("%v", err)
	}
	two := in
	two.Points = append([]Point{}, in.Points...)
	two.Points[2].Curve = true
	if f := fault.Of(func() error { _, err := Template(two); return err }()); f == nil ||
		f.Why != "point 3 and its neighbour both lie on a curve" {
		t.Errorf("%v", f)
	}
	last := in
	last.Points = append([]Point{}, in.Points...)
	last.Points[3].Curve, last.Points[4].Curve, last.Points[0].Curve = false, true, true
	if f := fault.Of(func() error { _, err := Template(last); return err }()); f == nil ||
		f.Why != "point 1 and its neighbour both lie on a curve" {
		t.Errorf("%v", f)
	}
}

// A sheet that was said to lie and plainly stands is turned, and the other way round; one that looks
// neither way is not.
func TestTurnedSheet(t *testing.T) {
	for _, c := range []struct {
		w, h, across, up float64
		turned           bool
	}{{297, 210, 100, 100, false}, {297, 210, 100, 114, false}, {297, 210, 100, 116, true}, {297, 210, 140, 100, false},
		{210, 297, 100, 100, false}, {210, 297, 114, 100, false}, {210, 297, 116, 100, true}, {210, 297, 100, 140, false},
		{200, 200, 100, 200, false}, {200, 200, 200, 100, false}, {114, 100, 50, 100, false}, {116, 100, 50, 100, true}} {
		at := func(x, y float64) outline.Point { return outline.Point{X: x, Y: y} }
		in := In{Sheet: Sheet{W: c.w, H: c.h}, Corners: []outline.Point{at(0, 0), at(c.across, 0), at(c.across, c.up),
			at(0, c.up)}}
		if in.turned() != c.turned {
			t.Errorf("%+v: turned %v", c, in.turned())
		}
	}
}
