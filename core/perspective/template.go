package perspective

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// Sheet is a rectangle of known size that lies in the plane of the glass, mm.
type Sheet struct {
	W float64 `json:"w" minimum:"0" maximum:"5000"`
	H float64 `json:"h" minimum:"0" maximum:"5000"`
}

// Sheets that lie about in every shop. ISO 216 and ANSI/ASME Y14.1, from memory.
var (
	A4     = Sheet{210, 297}
	Letter = Sheet{215.9, 279.4}
)

// corners in the order in which they are marked: upper left, upper right, lower
// right, lower left, as the sheet lies in the photo.
func (s Sheet) corners() [4]outline.Point {
	return [4]outline.Point{{X: 0, Y: s.H}, {X: s.W, Y: s.H}, {X: s.W, Y: 0}, {X: 0, Y: 0}}
}

// Point is a marked point of the outline. A point on a curve lies between two
// corners: the three make an arc.
type Point struct {
	Px    outline.Point `json:"px"`
	Curve bool          `json:"curve,omitempty" doc:"On a curve between its neighbours"`
}

// In is a photo with its marks.
type In struct {
	Sheet   Sheet           `json:"sheet"`
	Corners []outline.Point `json:"corners" maxItems:"4" doc:"Of the sheet in the photo: from upper left, clockwise"`
	More    []Mark          `json:"more,omitempty" maxItems:"40" doc:"Other marks, from the sheet's lower left corner, mm"`
	Points  []Point         `json:"points" maxItems:"200" doc:"The outline in the photo, in walking order"`
	Error   float64         `json:"error" minimum:"0" maximum:"200" doc:"How far a mark may be off, px"`
}

// Out is the outline in true size.
type Out struct {
	Outline outline.Outline `json:"outline"`
	Doubt   float64         `json:"doubt" doc:"How far a corner of it may be off by the marking error, mm"`
	Rms     float64         `json:"rms" doc:"How far more than four marks disagree, px; 0 with four"`
	Worst   int             `json:"worst" doc:"The point with the greatest doubt, from 1"`
}

// Template takes the perspective out of a marked photo.
func Template(in In) (Out, error) {
	marks, err := in.marks()
	if err != nil {
		return Out{}, err
	}
	v, err := Fit(marks)
	if err != nil {
		return Out{}, err
	}
	if in.turned() {
		return Out{}, fault.New("sheet", "the sheet lies the other way in the photo than was said",
			"turn it: its width is the side from the upper left to the upper right corner")
	}
	if len(in.Points) < 3 {
		return Out{}, fault.New("points", "an outline has three points at least", "mark it round, one point after the other")
	}
	at := make([]outline.Point, len(in.Points))
	for i, p := range in.Points {
		if at[i], err = v.Place(p.Px); err != nil {
			return Out{}, fault.New("points", fmt.Sprintf("point %d lies at the horizon of the sheet's plane", i+1),
				"mark points that lie in the plane of the sheet")
		}
	}
	path, err := joined(level(at), in.Points)
	if err != nil {
		return Out{}, err
	}
	out := Out{Outline: outline.Outline{Outer: path, Holes: []outline.Path{}}}
	if len(marks) > leastMarks {
		out.Rms = v.Rms
	}
	out.Doubt, out.Worst = in.doubt(marks, at, out.Rms)
	return out, nil
}

// level turns the points so that the first side lies along the bottom, its
// start at the origin: the sheet may have been taped in askew.
func level(at []outline.Point) []outline.Point {
	l := at[0].To(at[1])
	if l == 0 {
		return at
	}
	cos, sin := (at[1].X-at[0].X)/l, (at[1].Y-at[0].Y)/l
	out := make([]outline.Point, len(at))
	for i, p := range at {
		x, y := p.X-at[0].X, p.Y-at[0].Y
		out[i] = outline.Point{X: x*cos + y*sin, Y: -x*sin + y*cos}
	}
	return out
}

// plainly is from which share of its sides on a sheet plainly lies or stands.
// Foreshortening makes a sheet that lies look as if it stood only where the
// camera looks along it; four corners alone cannot tell such a photo from one
// whose sheet was said the wrong way round. Judgement, no source.
const plainly = 1.15

// turned says whether the sheet lies in the photo where it was said to stand, or
// the other way round.
func (in In) turned() bool {
	side := func(a, b int) float64 {
		p, q := in.Corners[a], in.Corners[b]
		return math.Hypot(p.X-q.X, p.Y-q.Y)
	}
	seen := (side(0, 1) + side(3, 2)) / (side(0, 3) + side(1, 2))
	said := in.Sheet.W / in.Sheet.H
	return said > plainly && seen < 1/plainly || said < 1/plainly && seen > plainly
}

func (in In) marks() ([]Mark, error) {
	if !(in.Sheet.W >= 20 && in.Sheet.H >= 20 && in.Sheet.W <= 5000 && in.Sheet.H <= 5000) {
		return nil, fault.New("sheet", "the sheet has a width and a height from 20 mm to 5 m",
			"measure it, or take A4 or Letter")
	}
	if len(in.Corners) != 4 {
		return nil, fault.New("corners", fmt.Sprintf("%d of 4 corners of the sheet are marked", len(in.Corners)),
			"mark upper left, upper right, lower right, lower left")
	}
	if !(in.Error >= 0 && in.Error <= 200) {
		return nil, fault.New("error", "a marking error from 0 to 200 px is expected", "two or three, as a rule")
	}
	marks := make([]Mark, 0, 4+len(in.More))
	for i, mm := range in.Sheet.corners() {
		marks = append(marks, Mark{in.Corners[i], mm})
	}
	return append(marks, in.More...), nil
}

// joined makes the outline of the points: a point on a curve bends the side
// between its neighbours.
func joined(at []outline.Point, points []Point) (outline.Path, error) {
	n := len(points)
	var v []outline.Vertex
	for i, p := range points {
		if p.Curve {
			if points[(i+1)%n].Curve || points[(i-1+n)%n].Curve {
				return nil, fault.New("points", fmt.Sprintf("point %d and its neighbour both lie on a curve", i+1),
					"put a corner between two curves")
			}
			continue
		}
		c := outline.Vertex{Point: at[i]}
		if points[(i+1)%n].Curve {
			c.Bulge = outline.BulgeThrough(at[i], at[(i+1)%n], at[(i+2)%n])
		}
		v = append(v, c)
	}
	p, err := outline.NewPath(v)
	if err != nil {
		return nil, fault.New("points", "the points make no outline", "mark it round, one point after the other")
	}
	return p, nil
}

// doubt is the greatest that a point may be off when every mark and the point
// itself is off by the marking error, each way by itself: root of the sum of
// squares. Marks that disagree by more than the error speak for a greater one.
func (in In) doubt(marks []Mark, at []outline.Point, rms float64) (float64, int) {
	e := in.Error
	if n := float64(len(marks)); n > leastMarks {
		// Of 2n numbers eight are spent on the view.
		e = math.Max(e, rms*math.Sqrt(2*n/(2*n-8)))
	}
	if e == 0 {
		return 0, 1
	}
	square := make([]float64, len(at))
	add := func(moved []Mark, points []Point) {
		v, err := Fit(moved)
		if err != nil {
			return
		}
		for i, p := range points {
			if q, err := v.Place(p.Px); err == nil {
				square[i] += q.To(at[i]) * q.To(at[i])
			}
		}
	}
	for _, d := range []outline.Point{{X: e}, {Y: e}} {
		for k := range marks {
			moved := append([]Mark(nil), marks...)
			moved[k].Px = outline.Point{X: moved[k].Px.X + d.X, Y: moved[k].Px.Y + d.Y}
			add(moved, in.Points)
		}
		points := append([]Point(nil), in.Points...)
		for i := range points {
			points[i].Px = outline.Point{X: points[i].Px.X + d.X, Y: points[i].Px.Y + d.Y}
		}
		add(marks, points)
	}
	worst := 0
	for i := range square {
		if square[i] > square[worst] {
			worst = i
		}
	}
	return math.Sqrt(square[worst]), worst + 1
}
