package fit

import (
	"math"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// Solve works out the size. It returns a *fault.Error for input that cannot
// be; too few readings are not an error but a Result that says what is missing.
func Solve(p Problem) (Result, error) {
	if err := p.Check(); err != nil {
		return Result{}, err
	}
	p.Limits = p.Limits.whole()
	cutter, _ := Cutters.With(p.Own, string(p.Cutter))
	band := cutter.Band(p.Thickness)
	r := p.begun(band)
	// A reading that the others speak against is left out until it is read
	// again: it would move the size by more than all other doubts together.
	p.Readings = without(p.Readings, r.Odd)
	s := solver{p: p, band: band, kept: kept{}}
	if b, ok := (ringing{s}).bodyBand(); ok {
		s.band, r.Band = b, b
	}
	if p.Copies() {
		return copying{s}.copied(r)
	}
	w, h, known, err := s.axes(&r)
	if err != nil || !known {
		return r, err
	}
	if r := p.Rule(); r.Rigid && !r.Lifts() {
		p.Limits = p.Limits.of(w.Nominal * h.Nominal)
		s.p.Limits = p.Limits
	}
	r.Nominal = outline.Size{W: s.nominal(w), H: s.nominal(h)}
	if r.Nominal.W <= 0 || r.Nominal.H <= 0 {
		return r, tooSmall(p, w, h)
	}
	r.Ready = true
	var wn, hn note
	r.Order.W, wn = bounding{s}.order(w)
	r.Order.H, hn = bounding{s}.order(h)
	if st, ok := s.stock(); ok {
		r.Order = st
	}
	if s.shaped != nil {
		if err := s.cutShape(&r, w, h); err != nil {
			return r, err
		}
	}
	s.room(&r, w, h)
	if p.Draws > 0 {
		r.Chance = doubting{s}.chance(w, h, r.Order, p.Draws)
		if w.lifted == nil {
			r.Slide = doubting{s}.slide(w, h, r)
		}
	}
	s.form(&r, w, h)
	if err := (carrying{s}).carried(&r); err != nil {
		return r, err
	}
	r.Figures = telling{s}.figures(w, h, r, wn, hn)
	if f, seldom := (doubting{s}).seldomFits(w, h, r); seldom {
		r.Figures = append(r.Figures, f)
	}
	sortFigures(r.Figures)
	return r, nil
}

// begun is the result before anything is worked out: what is read and what is missing.
func (p Problem) begun(band Band) Result {
	walk := p.Walk()
	r := Result{Corners: []outline.Point{}, Figures: []working.Figure{}, Band: band, Asked: len(walk),
		Missing: p.Missing(walk), Odd: p.Odd(),
		Broken: []outline.Broken{}, Makes: []outline.Dimension{}, Lines: map[string]outline.Line{}}
	for _, i := range walk {
		if _, ok := p.Readings[i.Place]; ok {
			r.Read++
		}
	}
	return r
}

// room says how much clearance and bite the ordered size has, as set and hot.
func (s solver) room(r *Result, w, h axis) {
	p := s.p
	r.Wrap = p.seated()
	r.Gap = outline.Size{W: s.gap(w, r.Order.W), H: s.gap(h, r.Order.H)}
	_, wHot, _ := p.allowance(w.Nominal)
	_, hHot, _ := p.allowance(h.Nominal)
	r.HotGap = outline.Size{W: r.Gap.W + wHot, H: r.Gap.H + hHot}
	if h.lifted != nil {
		r.Gap.H, r.HotGap.H = r.Gap.W, r.HotGap.W
		r.Lift = h.lifted.positions(r.Order.H)
	}
	if reach, ok := s.reach(); ok {
		over := reach.Value - p.seated()
		r.Bite = over - math.Max(r.Gap.W, r.Gap.H)
		r.HotBite = over - math.Max(r.HotGap.W, r.HotGap.H)
	}
}

// axes reads the two directions across the opening; known is false while one
// of them has no reading. Faults of the readings are errors.
func (s *solver) axes(r *Result) (w, h axis, known bool, err error) {
	p := s.p
	switch {
	case p.Rule().Tube():
		return s.tubeAxes()
	case p.Rule().Circle():
		w = axis{Across: reading.Across{Places: []reading.Place{reading.Across0, reading.Across45, reading.Across90,
			reading.Across135}}, name: "diameter", letter: "D"}
		w.Take(p.Readings)
		return w, w, w.Read > 0, nil
	case !p.Shape.Square():
		o, ok, err := p.opening()
		if err != nil || !ok {
			return w, h, false, err
		}
		s.shaped, r.Opening, r.Lines = &o, &o.outline, o.lines
		w, h = o.axes()
		return w, h, true, nil
	}
	w, h = widthAxis(), heightAxis()
	w.Take(p.Readings)
	h.Take(p.Readings)
	if w.Read == 0 || h.Read == 0 {
		return w, h, false, nil
	}
	if s.skew, s.leaning, err = p.skew(w, h); err != nil {
		return w, h, false, err
	}
	if p.Rule().Lifts() {
		known, err = s.liftAxis(&h)
		return w, h, known, err
	}
	if s.leaning && !p.Raked {
		w.skew = math.Abs(s.skew.Over) * s.nominal(h) / h.Mean()
	}
	return w, h, true, nil
}

// cutShape offsets the opening to the pane, with the same clearance all round.
func (s solver) cutShape(r *Result, w, h axis) error {
	off := math.Max(w.Nominal-r.Order.W, h.Nominal-r.Order.H) / 2
	var err error
	if r.Pane, err = s.shaped.outline.Outer.Offset(off); err != nil {
		f := fault.Of(err)
		return fault.New(string(w.Least), f.Why, "check the reading; the clearance leaves no pane")
	}
	b := r.Pane.Box()
	r.Order = outline.Size{W: b.Width(), H: b.Height()}
	if s.p.Cutter == Toughened {
		r.Broken = append(r.Broken, outline.Outline{Outer: r.Pane, Holes: s.shaped.outline.Holes}.HoleRules(s.p.Thickness)...)
	}
	return nil
}

// form says what the pane is and which measures make it.
func (s solver) form(r *Result, w, h axis) {
	switch {
	case s.p.Rule().Tube():
		r.Form, r.Makes = s.p.Rule().Form, []outline.Dimension{{Key: "length", Name: "length", Value: r.Order.H},
			{Key: "outside", Name: "outside", Value: r.Order.W}}
	case s.p.Rule().Circle():
		r.Form, r.Makes = s.p.Rule().Form, []outline.Dimension{{Key: "diameter", Name: "diameter", Value: r.Order.W}}
	case ringing{s}.asItComes():
		r.Form, r.Makes = "window as it comes", []outline.Dimension{{Key: "width", Name: "width", Value: r.Order.W},
			{Key: "height", Name: "height", Value: r.Order.H}}
		if c, ok := s.p.Readings[reading.BodyCorner]; ok {
			r.Makes = append(r.Makes, outline.Dimension{Key: "radius", Name: "corner radius", Value: c.Value})
		}
		if s.shaped == nil {
			r.Corners = shaping{s}.corners(w, h)
		}
	case s.shaped != nil:
		r.Form, r.Makes = s.shaped.kind.Name, s.shaped.kind.Dimensions(r.Pane)
		if r.Form == "" {
			r.Form = "as drawn"
		}
	default:
		r.Form, r.Makes = "rectangle", []outline.Dimension{{Key: "width", Name: "width", Value: r.Order.W},
			{Key: "height", Name: "height", Value: r.Order.H}}
		r.Corners = shaping{s}.corners(w, h)
	}
}

// without is the readings less the odd ones.
func without(readings map[reading.Place]length.Reading, odd []reading.Odd) map[reading.Place]length.Reading {
	if len(odd) == 0 {
		return readings
	}
	out := make(map[reading.Place]length.Reading, len(readings))
	for p, r := range readings {
		out[p] = r
	}
	for _, o := range odd {
		delete(out, o.Place)
	}
	return out
}

// skew tells the lean of the opening when both diagonals were read.
func (p Problem) skew(w, h axis) (outline.Skew, bool, error) {
	up, ok1 := p.Readings[reading.Rising]
	down, ok2 := p.Readings[reading.Falling]
	switch {
	case ok1 && !ok2:
		return outline.Skew{}, false, outline.CheckDiagonal(string(reading.Rising), w.Mean(), h.Mean(), up.Value)
	case ok2 && !ok1:
		return outline.Skew{}, false, outline.CheckDiagonal(string(reading.Falling), w.Mean(), h.Mean(), down.Value)
	case !ok1:
		return outline.Skew{}, false, nil
	}
	s, err := outline.SkewOf(w.Mean(), h.Mean(), up.Value, down.Value)
	return s, err == nil, err
}
