package fit

import (
	"math"
	"math/rand/v2"
	"slices"

	"freshshard/core/odds"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/value"
	"freshshard/core/working"
)

// seed is any number; the same one gives the same answer.
const seed = 0x6c617373

// chance works out the odds of the ordered size.
func (s doubting) chance(w, h axis, order outline.Size, draws int) *odds.Chance {
	q := odds.Question{Order: order, Count: draws, Step: bounding(s).step(), Band: s.band.Half,
		Length: s.p.Rule().Tube(),
		Draws:  func(n, batch int) odds.Draws { return s.sampler(w, h, n, batch) },
		Name: func(p reading.Place) string {
			if s.shaped != nil && p.Key() != "" {
				return "the shape's measures"
			}
			return s.p.Info(p).Name
		}}
	if ringing(s).asItComes() {
		q.Whole = reading.BodyWidth
	}
	return odds.Of(q)
}

// sampler draws the thresholds of both directions. Each uncertain thing has
// its own column of draws between −1 and 1, so that making one less uncertain
// changes nothing else.
type sampler struct {
	s     solver
	axes  []axis
	n     int
	names []reading.Place
	cols  map[reading.Place][]float64
	pane  [2][]float64 // triangular, the cutter
	seat  []float64    // 0 … 1, how far a wrapped gasket is pressed
	off   []float64
	less  map[reading.Place]float64 // doubts scaled down, 1 for none
	band  float64                   // the cutter's band, scaled
}

// half is the least share of openings that an ordered size must do for: what fails oftener
// than not is no order. Judgement, no source.
const half = 0.5

// seldomFits is the stop of a size that goes in, holds and stays free in less than half of
// the openings that could be; false for one that does better. Where each limit is kept 19
// times in 20 nothing is drawn: all of them are kept oftener than not.
func (s doubting) seldomFits(w, h axis, r Result) (working.Figure, bool) {
	risky := func(f working.Figure) bool { return f.Verdict == working.Warn || f.Verdict == working.Stop }
	if len(r.Missing) > 0 || !slices.ContainsFunc(r.Figures, risky) {
		return working.Figure{}, false
	}
	all := odds.All(s.sampler(w, h, odds.OnScreen, 0).Draw(), r.Order)
	if all >= half {
		return working.Figure{}, false
	}
	f := working.Figure{Key: "odds_order", Value: 100 * all, Unit: "in 100", Text: odds.Hundred(all) + " of 100",
		Sentence: "could be behind these readings and take this size: more fail than fit. Read them again, or finer",
		Limit:    working.Least(100*half, "in 100", value.Custom()),
		Working: working.Of("openings drawn within the doubts that it goes into, holds in and stays free in, of {n}", 100*all,
			"in 100", working.In("n", "openings drawn", odds.OnScreen, "", value.Sum()))}
	return f.Judge(working.Stop), true
}

func (s doubting) sampler(w, h axis, n, batch int) *sampler {
	m := &sampler{s: s.solver, axes: []axis{w, h}, n: n, cols: map[reading.Place][]float64{},
		less: map[reading.Place]float64{},
		band: 1}
	if s.p.Rule().Circle() {
		m.axes = m.axes[:1]
	}
	r := rand.New(rand.NewPCG(seed, uint64(batch)))
	even := func() []float64 {
		c := make([]float64, n)
		for i := range c {
			c[i] = 2*r.Float64() - 1
		}
		return c
	}
	for _, place := range s.uncertain(w, h) {
		m.names = append(m.names, place)
		m.cols[place] = even()
	}
	for k := range m.pane {
		m.pane[k] = make([]float64, n)
		for i := range n {
			// The sum of two even numbers is triangular between −1 and 1.
			m.pane[k][i] = r.Float64() + r.Float64() - 1
		}
	}
	m.seat, m.off = even(), even()
	return m
}

// uncertain lists the readings that the size hangs on.
func (s doubting) uncertain(w, h axis) []reading.Place {
	out := []reading.Place{}
	add := func(p reading.Place) {
		if _, ok := s.p.Readings[p]; ok {
			out = append(out, p)
		}
	}
	for _, a := range []axis{w, h} {
		for _, p := range a.Places {
			add(p)
		}
	}
	if s.shaped != nil {
		out = append(out, reading.ShapePlace("width"), reading.ShapePlace("height")) // the shape's doubt, each way
	}
	for _, p := range []reading.Place{reading.Ledge, reading.Reach, reading.Web, reading.UpperPocket, reading.LowerPocket,
		reading.Faces, reading.StopDepth, reading.StopUpper} {
		add(p)
	}
	seen := map[reading.Place]bool{}
	once := out[:0]
	for _, p := range out {
		if !seen[p] {
			seen[p] = true
			once = append(once, p)
		}
	}
	return once
}

// term is one uncertain number: value ± half, by its column of draws.
type term struct {
	value, half float64
	col         []float64
}

func (t term) at(i int) float64 {
	if t.col == nil {
		return t.value
	}
	return t.value + t.half*t.col[i]
}

// term is a reading with its doubt, scaled where it is taken better.
func (m *sampler) term(p reading.Place) term {
	r := m.s.p.Readings[p]
	return m.scaled(p, r.Value, r.Doubt)
}

func (m *sampler) scaled(p reading.Place, value, half float64) term {
	if k, ok := m.less[p]; ok {
		half *= k
	}
	return term{value, half, m.cols[p]}
}

// terms are the readings of a list of places.
func (m *sampler) terms(places []reading.Place) []term {
	out := []term{}
	for _, p := range places {
		if _, ok := m.s.p.Readings[p]; ok {
			out = append(out, m.term(p))
		}
	}
	return out
}

// span is the least and the greatest of some readings in draw i.
func span(terms []term, i int) (least, most float64) {
	least, most = math.Inf(1), math.Inf(-1)
	for _, t := range terms {
		v := t.at(i)
		if v < least {
			least = v
		}
		if v > most {
			most = v
		}
	}
	return least, most
}

// row draws the thresholds of direction k.
func (m *sampler) row(k int) []odds.Thresholds {
	a, p := m.axes[k], m.s.p
	out := make([]odds.Thresholds, m.n)
	cut, pane := m.band*m.s.band.Half, m.pane[k]
	if a.lifted != nil {
		return m.liftedRow(a, cut, pane)
	}
	walls := m.terms(a.Places)
	if m.s.shaped != nil {
		walls = []term{m.scaled(reading.ShapePlace([]string{"width", "height"}[k]), a.Nominal, 2*m.s.shaped.doubt)}
	}
	seat := m.seatTerm()
	cover, covered := m.cover()
	_, hot, cold := p.allowance(a.Nominal)
	gap, free := 2*p.Limits.GoesIn.V, 2*(p.Limits.Binds.V-math.Min(hot, cold))
	opens := math.Max(0, math.Max(hot, cold))
	_, rests, bears := m.s.bears()
	ledge, plate := m.term(reading.Ledge), p.Rule().Plate
	for i := range out {
		least, most := span(walls, i)
		c := cut * pane[i]
		room := least - a.skew - 2*seat.at(i) - c
		out[i] = odds.Thresholds{In: room - gap, Free: room - free, Hold: math.Inf(-1)}
		if !covered {
			continue
		}
		lost := p.OffCentre*math.Abs(m.off[i]) + opens
		if p.Limits.Slides {
			lost = 2 * opens
		}
		reach := -p.Limits.Stays.V
		for _, t := range cover {
			reach += t.at(i)
		}
		switch {
		case plate: // a plate that is glued on holds whatever the size
			if reach < 0 {
				out[i].Hold = math.Inf(1)
			}
			continue
		case bears:
			reach = math.Min(reach, ledge.at(i)-rests.V)
		}
		reach -= lost
		if !p.Limits.Slides {
			reach *= 2
		}
		out[i].Hold = most - reach - c
	}
	return out
}

// liftedRow is row for the height of a pane that is lifted.
func (m *sampler) liftedRow(a axis, cut float64, pane []float64) []odds.Thresholds {
	out, at := make([]odds.Thresholds, m.n), m.lifted(a)
	for i := range out {
		out[i] = at(i)
		c := cut * pane[i]
		out[i].In, out[i].Free, out[i].Hold = out[i].In-c, out[i].Free-c, out[i].Hold-c
	}
	return out
}

// seatTerm is what lies between pane and frame on each side.
func (m *sampler) seatTerm() term {
	switch p := m.s.p; {
	case p.Rule().Rubber:
		return m.term(reading.Web)
	case p.Gasket.Kind == Wrapped:
		lo, hi := setting.Seated(p.Gasket.Free)
		return term{(lo + hi) / 2, (hi - lo) / 2, m.seat}
	default:
		return term{value: p.seated()}
	}
}

// cover is what covers the edge, as a sum of readings.
func (m *sampler) cover() ([]term, bool) {
	_, ok := m.s.reach()
	switch {
	case !ok:
		return nil, false
	case m.s.p.Rule().Rubber:
		return []term{m.term(reading.Web), m.term(reading.Ledge)}, true
	case m.cols[reading.Reach] != nil:
		return []term{m.term(reading.Reach)}, true
	}
	return []term{m.term(reading.Ledge)}, true
}

// lifted are the thresholds of a pane that is lifted and dropped, or of a tube,
// before the cutter's band.
func (m *sampler) lifted(a axis) func(int) odds.Thresholds {
	k := a.lifted
	if m.s.p.Rule().Tube() {
		if !k.longest { // the outside of the tube is not cut
			return func(int) odds.Thresholds {
				return odds.Thresholds{In: math.Inf(1), Free: math.Inf(1), Hold: math.Inf(-1)}
			}
		}
		deep, _ := m.s.p.stops()
		faces, stop := m.term(reading.Faces), m.term(deep)
		return func(i int) odds.Thresholds {
			f := faces.at(i)
			return odds.Thresholds{In: f + stop.at(i), Free: f + stop.at(i), Hold: f + 2*k.engage}
		}
	}
	walls, u, l := m.terms(a.Places), m.term(reading.UpperPocket), m.term(reading.LowerPocket)
	return func(i int) odds.Thresholds {
		least, most := span(walls, i)
		in := least + u.at(i) - liftAir
		return odds.Thresholds{In: in, Free: in - k.highGrowth, Hold: most + l.at(i) + k.engage + k.lowGrowth}
	}
}

// Draw draws all thresholds, a row each direction.
func (m *sampler) Draw() odds.Drawn {
	var out odds.Drawn
	for k := range m.axes {
		out[k] = m.row(k)
	}
	return out
}

// Readings are the doubtful ones.
func (m *sampler) Readings() []reading.Place { return m.names }

// Finer leaves a share of a reading's doubt.
func (m *sampler) Finer(place reading.Place, share float64) { m.less[place] = share }

// Band leaves a share of the cutter's band.
func (m *sampler) Band(share float64) { m.band = share }
