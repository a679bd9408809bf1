package fit

import (
	"math"

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
	Ready   bool             `json:"ready"`
	Nominal Size             `json:"nominal" doc:"By the family's rule, mm"`
	Order   Size             `json:"order" doc:"To order or cut, mm"`
	Band    Band             `json:"band" doc:"The tolerance that the cutter keeps"`
	Gap     Size             `json:"gap" doc:"Edge clearance each side as ordered, at the least readings, outside a wrapped gasket, mm"`
	Wrap    float64          `json:"wrap" doc:"A wrapped gasket's thickness when seated, each side, mm"`
	HotGap  Size             `json:"hot_gap" doc:"The same with everything hot, mm"`
	Bite    float64          `json:"bite" doc:"Bite as ordered, mm; 0 while unknown"`
	HotBite float64          `json:"hot_bite" doc:"Bite with everything hot, mm"`
	Corners []outline.Point  `json:"corners" doc:"The opening as read, from the lower left, anticlockwise, mm"`
	Figures []working.Figure `json:"figures"`
	Missing []Missing        `json:"missing"`
	Odd     []Odd            `json:"odd"`
	Read    int              `json:"read" doc:"Readings taken"`
	Asked   int              `json:"asked" doc:"Places of the walk"`
}

// Solve works out the size. It returns a *fault.Error for input that cannot
// be; too few readings are not an error but a Result that says what is missing.
func Solve(p Problem) (Result, error) {
	if err := p.Check(); err != nil {
		return Result{}, err
	}
	band, _ := p.Cutter.Band(p.Thickness)
	places := Walk(p.Sizing)
	r := Result{Corners: []outline.Point{}, Figures: []working.Figure{}, Band: band, Asked: len(places), Missing: p.missing(places), Odd: p.odd()}
	for _, i := range places {
		if _, ok := p.Readings[i.Place]; ok {
			r.Read++
		}
	}
	// A reading that the others speak against is left out until it is read
	// again: it would move the size by more than all other doubts together.
	p.Readings = without(p.Readings, r.Odd)
	w, h := widthAxis(), heightAxis()
	w.take(p.Readings)
	h.take(p.Readings)
	if w.read == 0 || h.read == 0 {
		return r, nil
	}
	skew, leaning, err := p.skew(w, h)
	if err != nil {
		return r, err
	}
	s := solver{p: p, band: band, skew: skew, leaning: leaning}
	if leaning && !p.Raked {
		w.skew = math.Abs(skew.Over) * s.nominal(h) / h.mean()
	}
	r.Nominal = Size{s.nominal(w), s.nominal(h)}
	if r.Nominal.W <= 0 || r.Nominal.H <= 0 {
		return r, tooSmall(p, w, h)
	}
	r.Ready = true
	var wn, hn note
	r.Order.W, wn = s.order(w)
	r.Order.H, hn = s.order(h)
	r.Wrap = p.seated()
	r.Gap = Size{s.gap(w, r.Order.W), s.gap(h, r.Order.H)}
	_, wHot, _ := p.allowance(w.nominal)
	_, hHot, _ := p.allowance(h.nominal)
	r.HotGap = Size{r.Gap.W + wHot, r.Gap.H + hHot}
	if reach, ok := s.reach(); ok {
		over := reach.Value - p.seated()
		r.Bite = over - math.Max(r.Gap.W, r.Gap.H)
		r.HotBite = over - math.Max(r.HotGap.W, r.HotGap.H)
	}
	r.Corners = s.corners(w, h)
	r.Figures = s.figures(w, h, r, wn, hn)
	sortFigures(r.Figures)
	return r, nil
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
}

// skew tells the lean of the opening when both diagonals were read.
func (p Problem) skew(w, h axis) (outline.Skew, bool, error) {
	up, ok1 := p.Readings[Rising]
	down, ok2 := p.Readings[Falling]
	for place, has := range map[Place]bool{Rising: ok1 && !ok2, Falling: ok2 && !ok1} {
		if has {
			return outline.Skew{}, false, outline.CheckDiagonal(string(place), w.mean(), h.mean(), p.Readings[place].Value)
		}
	}
	if !ok1 || !ok2 {
		return outline.Skew{}, false, nil
	}
	s, err := outline.SkewOf(w.mean(), h.mean(), up.Value, down.Value)
	return s, err == nil, err
}

// nominal is the family's rule: least tight size − 2 × (clearance + wrapped
// gasket) − skew, in mm.
func (s solver) nominal(a axis) float64 {
	c, _, _ := s.p.allowance(a.nominal)
	return a.nominal - 2*(c+s.p.seated()) - a.skew
}

// gap is the clearance on one side of a pane of the given size, at the least
// reading, with the pane in the middle, in mm.
func (s solver) gap(a axis, pane float64) float64 {
	return (a.nominal-a.skew-pane)/2 - s.p.seated()
}

// reach is what covers the pane's edge: the bracket under clips, else the ledge.
func (s solver) reach() (length.Reading, bool) {
	if r, ok := s.p.Readings[Reach]; ok {
		return r, true
	}
	r, ok := s.p.Readings[Ledge]
	return r, ok
}

// missing lists the needed places that have no reading yet.
func (p Problem) missing(places []PlaceInfo) []Missing {
	why := map[Place]string{
		Ledge: "without it nobody knows how much holds the pane",
		Reach: "without it nobody knows how much the brackets hold",
	}
	out := []Missing{}
	for _, i := range places {
		if _, ok := p.Readings[i.Place]; ok || !i.Needed {
			continue
		}
		m := Missing{Place: i.Place, Name: i.Name, Why: why[i.Place]}
		if m.Why == "" {
			m.Why = "one reading does not show a taper"
		}
		out = append(out, m)
	}
	return out
}
