// Package perspective takes the perspective out of a photo: from marks of known
// place in the plane of the glass, such as the corners of a sheet of paper, to
// the true shape of what else lies in that plane. Pixels have y down, the plane
// is in mm with y up.
//
// The map between two pictures of one plane is a homography: eight numbers,
// found from four marks or, by least squares, from more. Hartley and Zisserman,
// Multiple View Geometry, chapters 2 and 4, from memory. A lens that bends
// straight lines is not reckoned with: take the photo from some steps away.
package perspective

import (
	"math"

	"gonum.org/v1/gonum/mat"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// Mark is a point of the photo whose place in the plane is known.
type Mark struct {
	Px outline.Point `json:"px" doc:"In the photo, pixels from its upper left corner"`
	MM outline.Point `json:"mm" doc:"In the plane of the glass"`
}

// View is a photo of a plane, understood.
type View struct {
	toPx  *mat.Dense // 3 × 3, plane to photo
	toMM  *mat.Dense
	Rms   float64 // how far the marks lie from where the view puts them, px
	marks []Mark
}

// Bounds of what is taken.
const (
	leastMarks = 4
	mostMarks  = 60
	refine     = 12 // steps of the least squares; it settles in three or four
)

// Fit finds the view from four marks or more.
func Fit(marks []Mark) (View, error) {
	if len(marks) < leastMarks {
		return View{}, fault.New("marks", "four marks are needed at least", "mark all four corners of the sheet")
	}
	if len(marks) > mostMarks {
		return View{}, fault.New("marks", "that is more than sixty marks", "mark fewer")
	}
	for _, m := range marks {
		if v := m.Px.X + m.Px.Y + m.MM.X + m.MM.Y; math.IsNaN(v) || math.IsInf(v, 0) || math.Abs(m.Px.X) > 1e6 ||
			math.Abs(m.Px.Y) > 1e6 {
			return View{}, fault.New("marks", "a mark is no place in a photo", "mark it again")
		}
	}
	if err := spread(marks); err != nil {
		return View{}, err
	}
	h, ok := direct(marks)
	if !ok {
		return View{}, crooked()
	}
	v := View{toPx: refined(h, marks), marks: marks}
	v.toMM = mat.NewDense(3, 3, nil)
	if err := v.toMM.Inverse(v.toPx); err != nil {
		return View{}, crooked()
	}
	var sum float64
	for _, m := range marks {
		p, front := through(v.toPx, m.MM)
		if !front {
			return View{}, crooked()
		}
		sum += (p.X-m.Px.X)*(p.X-m.Px.X) + (p.Y-m.Px.Y)*(p.Y-m.Px.Y)
	}
	v.Rms = math.Sqrt(sum / float64(len(marks)))
	return v, nil
}

func crooked() error {
	return fault.New("marks", "no camera sees the sheet like that",
		"mark the corners in the order asked, each on its own corner")
}

// spread refuses marks of which three of the first four lie on a line, or that
// turn the other way in the photo: it would be seen from behind.
func spread(marks []Mark) error {
	turn := func(a, b, c outline.Point) float64 { return (b.X-a.X)*(c.Y-a.Y) - (b.Y-a.Y)*(c.X-a.X) }
	for i := range leastMarks {
		a, b, c := marks[i], marks[(i+1)%leastMarks], marks[(i+2)%leastMarks]
		px, mm := turn(a.Px, b.Px, c.Px), turn(a.MM, b.MM, c.MM)
		if math.Abs(px) < 1 || math.Abs(mm) < 1e-3 {
			return fault.New("marks", "three corners lie on one line", "mark each corner on its own, and the photo from nearer")
		}
		// y runs down in the photo, so the turn of what is seen from the front
		// has the other sign.
		if px*mm > 0 {
			return fault.New("marks", "the corners run the wrong way round",
				"mark them in the order asked, or turn the sheet over")
		}
	}
	return nil
}

// direct is the homography from plane to photo by the direct linear transform,
// with both sides moved to the middle and scaled to √2 as Hartley says.
func direct(marks []Mark) (*mat.Dense, bool) {
	px, mm := make([]outline.Point, len(marks)), make([]outline.Point, len(marks))
	for i, m := range marks {
		px[i], mm[i] = m.Px, m.MM
	}
	tp, tm := middled(px), middled(mm)
	a := mat.NewDense(2*len(marks), 9, nil)
	for i := range marks {
		x, y := tm.on(mm[i])
		u, w := tp.on(px[i])
		a.SetRow(2*i, []float64{-x, -y, -1, 0, 0, 0, u * x, u * y, u})
		a.SetRow(2*i+1, []float64{0, 0, 0, -x, -y, -1, w * x, w * y, w})
	}
	var svd mat.SVD
	if !svd.Factorize(a, mat.SVDFullV) {
		return nil, false
	}
	var vt mat.Dense
	svd.VTo(&vt)
	h := mat.NewDense(3, 3, nil)
	for i := range 9 {
		h.Set(i/3, i%3, vt.At(i, 8))
	}
	// Back from the scaled sides: T_px⁻¹ · H · T_mm.
	var out mat.Dense
	out.Mul(h, tm.matrix())
	out.Mul(tp.inverse(), &out)
	if math.Abs(mat.Det(&out)) < 1e-18 {
		return nil, false
	}
	return &out, true
}

// scaling moves points to their middle and scales them to a mean distance of √2.
type scaling struct{ x, y, k float64 }

func middled(p []outline.Point) scaling {
	var s scaling
	for _, q := range p {
		s.x, s.y = s.x+q.X/float64(len(p)), s.y+q.Y/float64(len(p))
	}
	var d float64
	for _, q := range p {
		d += math.Hypot(q.X-s.x, q.Y-s.y) / float64(len(p))
	}
	s.k = math.Sqrt2 / d
	return s
}

func (s scaling) on(p outline.Point) (x, y float64) { return (p.X - s.x) * s.k, (p.Y - s.y) * s.k }

func (s scaling) matrix() *mat.Dense {
	return mat.NewDense(3, 3, []float64{s.k, 0, -s.k * s.x, 0, s.k, -s.k * s.y, 0, 0, 1})
}

func (s scaling) inverse() *mat.Dense {
	return mat.NewDense(3, 3, []float64{1 / s.k, 0, s.x, 0, 1 / s.k, s.y, 0, 0, 1})
}

// refined moves the homography to the least squares of the marks in the photo,
// by Gauss and Newton on its eight numbers. Four marks are met exactly already.
func refined(h *mat.Dense, marks []Mark) *mat.Dense {
	h.Scale(1/h.At(2, 2), h)
	if len(marks) == leastMarks {
		return h
	}
	jac, off := mat.NewDense(2*len(marks), 8, nil), mat.NewVecDense(2*len(marks), nil)
	for range refine {
		for i, m := range marks {
			x, y := m.MM.X, m.MM.Y
			w := h.At(2, 0)*x + h.At(2, 1)*y + h.At(2, 2)
			u, v := (h.At(0, 0)*x+h.At(0, 1)*y+h.At(0, 2))/w, (h.At(1, 0)*x+h.At(1, 1)*y+h.At(1, 2))/w
			jac.SetRow(2*i, []float64{x / w, y / w, 1 / w, 0, 0, 0, -u * x / w, -u * y / w})
			jac.SetRow(2*i+1, []float64{0, 0, 0, x / w, y / w, 1 / w, -v * x / w, -v * y / w})
			off.SetVec(2*i, m.Px.X-u)
			off.SetVec(2*i+1, m.Px.Y-v)
		}
		var step mat.VecDense
		if err := step.SolveVec(jac, off); err != nil {
			return h
		}
		next := mat.DenseCopyOf(h)
		for i := range 8 {
			next.Set(i/3, i%3, h.At(i/3, i%3)+step.AtVec(i))
		}
		h = next
	}
	return h
}

// through maps a point; front is false when it lies behind the camera.
func through(h *mat.Dense, p outline.Point) (q outline.Point, front bool) {
	w := h.At(2, 0)*p.X + h.At(2, 1)*p.Y + h.At(2, 2)
	// The sign that the origin of the photo has does not matter: what counts is
	// that no mapped point is at or beyond the horizon.
	if math.Abs(w) < 1e-12 {
		return q, false
	}
	return outline.Point{X: (h.At(0, 0)*p.X + h.At(0, 1)*p.Y + h.At(0, 2)) / w,
		Y: (h.At(1, 0)*p.X + h.At(1, 1)*p.Y + h.At(1, 2)) / w}, true
}

// Place is where a point of the photo lies in the plane, mm. A point at or
// beyond the horizon of the plane is a fault.
func (v View) Place(px outline.Point) (outline.Point, error) {
	q, ok := through(v.toMM, px)
	if ok {
		side := func(p outline.Point) float64 {
			return v.toMM.At(2, 0)*p.X + v.toMM.At(2, 1)*p.Y + v.toMM.At(2, 2)
		}
		ok = side(px)*side(v.marks[0].Px) > 0
	}
	if !ok || math.Abs(q.X) > 1e5 || math.Abs(q.Y) > 1e5 {
		return q, fault.New("points", "a point lies at the horizon of the sheet's plane",
			"mark points that lie in the plane of the sheet")
	}
	return q, nil
}
