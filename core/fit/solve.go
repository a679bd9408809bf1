package fit

import (
	"math"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/working"
)

// Size is width × height in mm.
type Size struct {
	W float64 `json:"w"`
	H float64 `json:"h"`
}

// Missing is a reading that the answer still wants.
type Missing struct {
	Place Place  `json:"place"`
	Name  string `json:"name"`
	Why   string `json:"why"`
}

// Result is the answer. Ready is false while a width or a height is missing;
// then Nominal and Order are nothing. Figures hold the numbers with limits and
// workings, problems first.
type Result struct {
	Ready   bool                    `json:"ready"`
	Nominal Size                    `json:"nominal" doc:"By the family's rule, mm"`
	Order   Size                    `json:"order" doc:"To order or cut, mm"`
	Band    Band                    `json:"band" doc:"The tolerance that the cutter keeps"`
	Gap     Size                    `json:"gap" doc:"Edge clearance each side as ordered, at the least readings, outside a wrapped gasket, mm"`
	Wrap    float64                 `json:"wrap" doc:"A wrapped gasket's thickness when seated, each side, mm"`
	HotGap  Size                    `json:"hot_gap" doc:"The same with everything hot, mm"`
	Bite    float64                 `json:"bite" doc:"Bite as ordered, mm; 0 while unknown"`
	HotBite float64                 `json:"hot_bite" doc:"Bite with everything hot, mm"`
	Corners []outline.Point         `json:"corners" doc:"The opening as read, from the lower left, anticlockwise, mm; empty for a shape"`
	Opening *outline.Outline        `json:"opening,omitempty" doc:"The opening of a shape as read"`
	Holes   []outline.Path          `json:"holes,omitempty" doc:"Holes that carry the pane, from its lower left corner, mm"`
	Pane    outline.Path            `json:"pane,omitempty" doc:"The pane of a shape as ordered, in the opening's place"`
	Form    string                  `json:"form" doc:"What the pane is in words: rectangle, round, tube"`
	Makes   []outline.Dimension     `json:"makes" doc:"The measures that make the pane as ordered"`
	Lines   map[string]outline.Line `json:"lines" doc:"Where each measure of a shape lies on it"`
	Chance  *Chance                 `json:"chance,omitempty" doc:"The odds of the ordered size, where they were asked"`
	Slide   []Stop                  `json:"slide,omitempty" doc:"From the coldest to the hottest, where the odds were asked"`
	Lift    *Lift                   `json:"lift,omitempty" doc:"Of a pane that is put up and let down"`
	Broken  []outline.Broken        `json:"broken" doc:"Rules for holes that the pane would break when it is toughened, where they are broken"`
	Figures []working.Figure        `json:"figures"`
	Missing []Missing               `json:"missing"`
	Odd     []Odd                   `json:"odd"`
	Read    int                     `json:"read" doc:"Readings taken"`
	Asked   int                     `json:"asked" doc:"Places of the walk"`
}

// Solve works out the size. It returns a *fault.Error for input that cannot
// be; too few readings are not an error but a Result that says what is missing.
func Solve(p Problem) (Result, error) {
	if err := p.Check(); err != nil {
		return Result{}, err
	}
	p.Limits = p.Limits.whole()
	cutter, _ := p.Cutter.With(p.Own)
	band := cutter.Band(p.Thickness)
	walk := p.Walk()
	r := Result{Corners: []outline.Point{}, Figures: []working.Figure{}, Band: band, Asked: len(walk),
		Missing: p.missing(walk), Odd: p.odd(),
		Broken: []outline.Broken{}, Makes: []outline.Dimension{}, Lines: map[string]outline.Line{}}
	for _, i := range walk {
		if _, ok := p.Readings[i.Place]; ok {
			r.Read++
		}
	}
	// A reading that the others speak against is left out until it is read
	// again: it would move the size by more than all other doubts together.
	p.Readings = without(p.Readings, r.Odd)
	s := solver{p: p, band: band, kept: kept{}}
	if b, ok := s.bodyBand(); ok {
		s.band, r.Band = b, b
	}
	if p.Copies() {
		return s.copied(r)
	}
	w, h, known, err := s.axes(&r)
	if err != nil || !known {
		return r, err
	}
	if r := p.rule(); r.Rigid && !r.Lifts() {
		p.Limits = p.Limits.of(w.nominal * h.nominal)
		s.p.Limits = p.Limits
	}
	r.Nominal = Size{s.nominal(w), s.nominal(h)}
	if r.Nominal.W <= 0 || r.Nominal.H <= 0 {
		return r, tooSmall(p, w, h)
	}
	r.Ready = true
	var wn, hn note
	r.Order.W, wn = s.order(w)
	r.Order.H, hn = s.order(h)
	if st, ok := s.stock(); ok {
		r.Order = st
	}
	if s.shaped != nil {
		if err := s.cutShape(&r, w, h); err != nil {
			return r, err
		}
	}
	r.Wrap = p.seated()
	r.Gap = Size{s.gap(w, r.Order.W), s.gap(h, r.Order.H)}
	_, wHot, _ := p.allowance(w.nominal)
	_, hHot, _ := p.allowance(h.nominal)
	r.HotGap = Size{r.Gap.W + wHot, r.Gap.H + hHot}
	if h.lifted != nil {
		r.Gap.H, r.HotGap.H = r.Gap.W, r.HotGap.W
		r.Lift = h.lifted.positions(r.Order.H)
	}
	if reach, ok := s.reach(); ok {
		over := reach.Value - p.seated()
		r.Bite = over - math.Max(r.Gap.W, r.Gap.H)
		r.HotBite = over - math.Max(r.HotGap.W, r.HotGap.H)
	}
	if p.Draws > 0 {
		r.Chance = s.chance(w, h, r.Order, p.Draws)
		if w.lifted == nil {
			r.Slide = s.slide(w, h, r)
		}
	}
	s.form(&r, w, h)
	if err := s.carried(&r); err != nil {
		return r, err
	}
	r.Figures = s.figures(w, h, r, wn, hn)
	sortFigures(r.Figures)
	return r, nil
}

// axes reads the two directions across the opening; known is false while one
// of them has no reading. Faults of the readings are errors.
func (s *solver) axes(r *Result) (w, h axis, known bool, err error) {
	p := s.p
	switch {
	case p.rule().Tube():
		return s.tubeAxes()
	case p.rule().Circle():
		w = axis{name: "diameter", letter: "D", places: []Place{Across0, Across45, Across90, Across135}}
		w.take(p.Readings)
		return w, w, w.read > 0, nil
	case !p.Shape.square():
		o, ok, err := p.opening()
		if err != nil || !ok {
			return w, h, false, err
		}
		s.shaped, r.Opening, r.Lines = &o, &o.outline, o.lines
		w, h = o.axes()
		return w, h, true, nil
	}
	w, h = widthAxis(), heightAxis()
	w.take(p.Readings)
	h.take(p.Readings)
	if w.read == 0 || h.read == 0 {
		return w, h, false, nil
	}
	if s.skew, s.leaning, err = p.skew(w, h); err != nil {
		return w, h, false, err
	}
	if p.rule().Lifts() {
		known, err = s.liftAxis(&h)
		return w, h, known, err
	}
	if s.leaning && !p.Raked {
		w.skew = math.Abs(s.skew.Over) * s.nominal(h) / h.mean()
	}
	return w, h, true, nil
}

// cutShape offsets the opening to the pane, with the same clearance all round.
func (s solver) cutShape(r *Result, w, h axis) error {
	off := math.Max(w.nominal-r.Order.W, h.nominal-r.Order.H) / 2
	var err error
	if r.Pane, err = s.shaped.outline.Outer.Offset(off); err != nil {
		f := fault.Of(err)
		return fault.New(string(w.least), f.Why, "check the reading; the clearance leaves no pane")
	}
	b := r.Pane.Box()
	r.Order = Size{b.Width(), b.Height()}
	if s.p.Cutter == Toughened {
		r.Broken = append(r.Broken, outline.Outline{Outer: r.Pane, Holes: s.shaped.outline.Holes}.HoleRules(s.p.Thickness)...)
	}
	return nil
}

// form says what the pane is and which measures make it.
func (s solver) form(r *Result, w, h axis) {
	switch {
	case s.p.rule().Tube():
		r.Form, r.Makes = s.p.rule().Form, []outline.Dimension{{Key: "length", Name: "length", Value: r.Order.H},
			{Key: "outside", Name: "outside", Value: r.Order.W}}
	case s.p.rule().Circle():
		r.Form, r.Makes = s.p.rule().Form, []outline.Dimension{{Key: "diameter", Name: "diameter", Value: r.Order.W}}
	case s.asItComes():
		r.Form, r.Makes = "window as it comes", []outline.Dimension{{Key: "width", Name: "width", Value: r.Order.W},
			{Key: "height", Name: "height", Value: r.Order.H}}
		if c, ok := s.p.Readings[BodyCorner]; ok {
			r.Makes = append(r.Makes, outline.Dimension{Key: "radius", Name: "corner radius", Value: c.Value})
		}
		if s.shaped == nil {
			r.Corners = s.corners(w, h)
		}
	case s.shaped != nil:
		r.Form, r.Makes = s.shaped.kind.Name, s.shaped.kind.Dimensions(r.Pane)
		if r.Form == "" {
			r.Form = "as drawn"
		}
	default:
		r.Form, r.Makes = "rectangle", []outline.Dimension{{Key: "width", Name: "width", Value: r.Order.W},
			{Key: "height", Name: "height", Value: r.Order.H}}
		r.Corners = s.corners(w, h)
	}
}

// without is the readings less the odd ones.
func without(readings map[Place]length.Reading, odd []Odd) map[Place]length.Reading {
	if len(odd) == 0 {
		return readings
	}
	out := make(map[Place]length.Reading, len(readings))
	for p, r := range readings {
		out[p] = r
	}
	for _, o := range odd {
		delete(out, o.Place)
	}
	return out
}

// solver carries what the sums share.
type solver struct {
	p       Problem
	band    Band
	skew    outline.Skew
	leaning bool
	shaped  *opening
	kept    kept
}

// skew tells the lean of the opening when both diagonals were read.
func (p Problem) skew(w, h axis) (outline.Skew, bool, error) {
	up, ok1 := p.Readings[Rising]
	down, ok2 := p.Readings[Falling]
	switch {
	case ok1 && !ok2:
		return outline.Skew{}, false, outline.CheckDiagonal(string(Rising), w.mean(), h.mean(), up.Value)
	case ok2 && !ok1:
		return outline.Skew{}, false, outline.CheckDiagonal(string(Falling), w.mean(), h.mean(), down.Value)
	case !ok1:
		return outline.Skew{}, false, nil
	}
	s, err := outline.SkewOf(w.mean(), h.mean(), up.Value, down.Value)
	return s, err == nil, err
}

// nominal is the family's rule: least tight size − 2 × (clearance + wrapped
// gasket) − skew, in mm.
func (s solver) nominal(a axis) float64 {
	if a.lifted != nil {
		return a.lifted.nominal
	}
	c, _, _ := s.p.allowance(a.nominal)
	return a.nominal - 2*(c+s.p.seated()) - a.skew
}

// gap is the clearance on one side of a pane of the given size, at the least
// reading, with the pane in the middle, in mm.
func (s solver) gap(a axis, pane float64) float64 {
	return (a.nominal-a.skew-pane)/2 - s.p.seated()
}

// reach is what covers the pane's edge, from the wall of the opening: the
// bracket under clips, web and groove of a locking gasket, else the ledge.
func (s solver) reach() (length.Reading, bool) {
	if s.p.rule().Rubber {
		web, ok := s.p.Readings[Web]
		groove, has := s.p.Readings[Ledge]
		return length.Reading{Value: web.Value + groove.Value, Doubt: web.Doubt + groove.Doubt}, ok && has
	}
	if r, ok := s.p.Readings[Reach]; ok {
		return r, true
	}
	r, ok := s.p.Readings[Ledge]
	return r, ok
}

// missing lists the needed places that have no reading yet.
func (p Problem) missing(places []PlaceInfo) []Missing {
	why := map[Place]string{
		Ledge:      "without it nobody knows how much holds the pane",
		Reach:      "without it nobody knows how much the brackets hold",
		TubeWall:   "a tube is ordered by its outside and its wall",
		HoleAcross: "holes are made before toughening", HoleUp: "a hole that is off is scrap",
		HoleSide: "a hole that is off is scrap", HoleApart: "a hole that is off is scrap",
		BushAcross: "a bush that is pressed in splits the pane",
		Web:        "without it nobody knows how far the pane stands from the flange",
	}
	out := []Missing{}
	for _, i := range places {
		if _, ok := p.Readings[i.Place]; ok || !i.Needed {
			continue
		}
		m := Missing{Place: i.Place, Name: i.Name, Why: why[i.Place]}
		if m.Why == "" && i.Place.Key() != "" {
			m.Why = "the shape is not known without it"
		}
		if m.Why == "" {
			m.Why = "one reading does not show a taper"
		}
		out = append(out, m)
	}
	return out
}
