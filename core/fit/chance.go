package fit

import (
	"fmt"
	"math"
	"math/rand/v2"
	"strings"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/setting"
)

// Chance is what the doubts of the readings, the cutter's band and growth make
// of a size: of how many openings that could be behind these readings the pane
// goes in with its clearance, holds with its bite, and stays free when the heat
// comes and goes. Drawn with a fixed seed, so that it is the same every time.
type Chance struct {
	Draws    int      `json:"draws"`
	GoesIn   float64  `json:"goes_in" doc:"Share that goes in with its clearance"`
	Holds    float64  `json:"holds" doc:"Share that keeps its bite; 1 while nothing was read for it"`
	Free     float64  `json:"free" doc:"Share that keeps its clearance hot and cold"`
	All      float64  `json:"all" doc:"Share that does all three"`
	Best     Size     `json:"best" doc:"The size that makes the least of the three as large as it can be, mm"`
	Most     float64  `json:"most" doc:"The least of the three at that size"`
	Strokes  []string `json:"strokes" doc:"Fifty outcomes: fits, tight, binds or loose"`
	Sentence string   `json:"sentence"`
	Help     *Help    `json:"help,omitempty" doc:"What would help most"`
}

// Help is what to do better and what it is worth. Place is empty for the
// cutter's band.
type Help struct {
	Place    Place   `json:"place,omitempty"`
	Name     string  `json:"name"`
	Least    float64 `json:"least" doc:"The least of the three with it"`
	Sentence string  `json:"sentence"`
}

// The outcomes of one draw.
const (
	Fits  = "fits"
	Tight = "tight" // does not go in with its clearance
	Binds = "binds" // loses its clearance when hot or cold
	Loose = "loose" // holds too little
)

// Draws that a screen needs: the error of a share is then below a hundredth.
// seed is any number; the same one gives the same answer.
const (
	ScreenDraws = 4000
	helpDraws   = 1200
	batchDraws  = 8192
	strokes     = 50
	seed        = 0x6c617373
)

// thresholds are, for one draw and one direction, the largest size that goes
// in, the largest that stays free, and the smallest that holds.
type thresholds struct{ in, free, hold float64 }

// sampler draws the thresholds of both directions. Each uncertain thing has
// its own column of draws between −1 and 1, so that making one less uncertain
// changes nothing else.
type sampler struct {
	s     solver
	axes  []axis
	n     int
	names []Place
	cols  map[Place][]float64
	pane  [2][]float64 // triangular, the cutter
	seat  []float64    // 0 … 1, how far a wrapped gasket is pressed
	off   []float64
	less  map[Place]float64 // doubts scaled down, 1 for none
	band  float64           // the cutter's band, scaled
}

func (s solver) sampler(w, h axis, n, batch int) *sampler {
	m := &sampler{s: s, axes: []axis{w, h}, n: n, cols: map[Place][]float64{}, less: map[Place]float64{}, band: 1}
	if s.p.Sizing == family.Port {
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
func (s solver) uncertain(w, h axis) []Place {
	out := []Place{}
	add := func(p Place) {
		if _, ok := s.p.Readings[p]; ok {
			out = append(out, p)
		}
	}
	for _, a := range []axis{w, h} {
		for _, p := range a.places {
			add(p)
		}
	}
	if s.shaped != nil {
		out = append(out, ShapePlace("width"), ShapePlace("height")) // the shape's doubt, each way
	}
	for _, p := range []Place{Ledge, Reach, Web, UpperPocket, LowerPocket, Faces, StopDepth} {
		add(p)
	}
	seen := map[Place]bool{}
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
func (m *sampler) term(p Place) term {
	r := m.s.p.Readings[p]
	return m.scaled(p, r.Value, r.Doubt)
}

func (m *sampler) scaled(p Place, value, half float64) term {
	if k, ok := m.less[p]; ok {
		half *= k
	}
	return term{value, half, m.cols[p]}
}

// terms are the readings of a list of places.
func (m *sampler) terms(places []Place) []term {
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
		least, most = math.Min(least, v), math.Max(most, v)
	}
	return least, most
}

// row draws the thresholds of direction k.
func (m *sampler) row(k int) []thresholds {
	a, p := m.axes[k], m.s.p
	out := make([]thresholds, m.n)
	cut, pane := m.band*m.s.band.Half, m.pane[k]
	if a.lifted != nil {
		at := m.lifted(a)
		for i := range out {
			out[i] = at(i)
			c := cut * pane[i]
			out[i].in, out[i].free, out[i].hold = out[i].in-c, out[i].free-c, out[i].hold-c
		}
		return out
	}
	walls := m.terms(a.places)
	if m.s.shaped != nil {
		walls = []term{m.scaled(ShapePlace([]string{"width", "height"}[k]), a.nominal, 2*m.s.shaped.doubt)}
	}
	seat := term{value: p.seated()}
	switch {
	case p.Sizing == family.Groove:
		seat = m.term(Web)
	case p.Gasket.Kind == Wrapped:
		lo, hi := setting.Seated(p.Gasket.Free)
		seat = term{(lo + hi) / 2, (hi - lo) / 2, m.seat}
	}
	cover, covered := m.cover()
	_, hot, cold := p.allowance(a.nominal)
	gap, free := 2*p.Limits.Clearance.V, 2*(p.Limits.HotClearance.V-math.Min(hot, cold))
	opens := p.Limits.Bite.V + math.Max(0, math.Max(hot, cold))
	for i := range out {
		least, most := span(walls, i)
		c := cut * pane[i]
		room := least - a.skew - 2*seat.at(i) - c
		out[i] = thresholds{in: room - gap, free: room - free, hold: math.Inf(-1)}
		if !covered {
			continue
		}
		reach := -p.OffCentre*math.Abs(m.off[i]) - opens
		for _, t := range cover {
			reach += t.at(i)
		}
		out[i].hold = most - 2*reach - c
	}
	return out
}

// cover is what covers the edge, as a sum of readings.
func (m *sampler) cover() ([]term, bool) {
	_, ok := m.s.reach()
	switch {
	case !ok:
		return nil, false
	case m.s.p.Sizing == family.Groove:
		return []term{m.term(Web), m.term(Ledge)}, true
	case m.cols[Reach] != nil:
		return []term{m.term(Reach)}, true
	}
	return []term{m.term(Ledge)}, true
}

// lifted are the thresholds of a pane that is lifted and dropped, or of a tube,
// before the cutter's band.
func (m *sampler) lifted(a axis) func(int) thresholds {
	k := a.lifted
	if m.s.p.Sizing == family.Tube {
		if !k.longest { // the outside of the tube is not cut
			return func(int) thresholds { return thresholds{math.Inf(1), math.Inf(1), math.Inf(-1)} }
		}
		faces, stop := m.term(Faces), m.term(StopDepth)
		return func(i int) thresholds {
			f := faces.at(i)
			return thresholds{f + stop.at(i), f + stop.at(i), f + 2*k.engage}
		}
	}
	walls, u, l := m.terms(a.places), m.term(UpperPocket), m.term(LowerPocket)
	return func(i int) thresholds {
		least, most := span(walls, i)
		in := least + u.at(i) - liftAir
		return thresholds{in, in - k.highGrowth, most + l.at(i) + k.engage + k.lowGrowth}
	}
}

// drawn are all thresholds, one row a direction.
func (m *sampler) drawn() [2][]thresholds {
	var out [2][]thresholds
	for k := range m.axes {
		out[k] = m.row(k)
	}
	return out
}

// shares counts the draws that a size serves.
func shares(t [2][]thresholds, size Size) (in, hold, free, all float64) {
	var ins, holds, frees, alls int
	other := t[1]
	for i, q := range t[0] {
		a, b, c := size.W <= q.in+1e-9, size.W >= q.hold-1e-9, size.W <= q.free+1e-9
		if other != nil {
			o := other[i]
			a, b, c = a && size.H <= o.in+1e-9, b && size.H >= o.hold-1e-9, c && size.H <= o.free+1e-9
		}
		if a {
			ins++
		}
		if b {
			holds++
		}
		if c {
			frees++
		}
		if a && b && c {
			alls++
		}
	}
	d := float64(len(t[0]))
	return float64(ins) / d, float64(holds) / d, float64(frees) / d, float64(alls) / d
}

// odds are the shares of many draws, a batch at a time: a batch fits into the
// processor's cache, a million draws at once do not.
func (s solver) odds(w, h axis, size Size, draws int) (in, hold, free, all float64) {
	for batch, done := 0, 0; done < draws; batch++ {
		n := min(batchDraws, draws-done)
		a, b, c, d := shares(s.sampler(w, h, n, batch).drawn(), size)
		k := float64(n) / float64(draws)
		in, hold, free, all = in+k*a, hold+k*b, free+k*c, all+k*d
		done += n
	}
	return in, hold, free, all
}

func least(t [2][]thresholds, size Size) float64 {
	in, hold, free, _ := shares(t, size)
	return math.Min(in, math.Min(hold, free))
}

// reachSteps is how far the search for the best size goes from its start, in
// steps of the cutter, and farther as long as it finds better.
const reachSteps = 3

// best climbs from a size to the one that makes the least share as large as it
// can be, on the cutter's steps: larger holds better, smaller goes in better,
// so that there is one hill.
func best(t [2][]thresholds, from Size, step float64) (Size, float64) {
	at, top := from, least(t, from)
	for moved := true; moved; {
		moved = false
		start := at
		for dw := -reachSteps; dw <= reachSteps; dw++ {
			for dh := -reachSteps; dh <= reachSteps; dh++ {
				try := Size{start.W + float64(dw)*step, start.H + float64(dh)*step}
				if v := least(t, try); v > top+1e-12 {
					at, top, moved = try, v, true
				}
			}
		}
	}
	return at, top
}

// chance works out the odds of the ordered size.
func (s solver) chance(w, h axis, order Size, draws int) *Chance {
	m := s.sampler(w, h, min(draws, batchDraws), 0)
	t := m.drawn()
	c := &Chance{Draws: draws, Strokes: []string{}}
	c.GoesIn, c.Holds, c.Free, c.All = s.odds(w, h, order, draws)
	c.Best, c.Most = best(t, s.start(w, h, order), s.step())
	switch {
	case len(m.axes) == 1:
		c.Best.H = c.Best.W
	case s.p.Sizing == family.Tube: // its outside is given, only the length is cut
		c.Best.W = order.W
	}
	s.tell(c, m, t, order)
	c.Help = s.help(w, h, order)
	return c
}

// start is where the search begins: the order, on the cutter's step.
func (s solver) start(_, _ axis, order Size) Size {
	step := s.step()
	return Size{math.Round(order.W/step) * step, math.Round(order.H/step) * step}
}

// tell fills the strokes and the sentence: what goes wrong, and where.
func (s solver) tell(c *Chance, m *sampler, t [2][]thresholds, order Size) {
	kinds := map[string]float64{}
	where := map[string][2]float64{}
	for i := range m.n {
		kind, at := Fits, 0
		for k, v := range [2]float64{order.W, order.H} {
			if t[k] == nil {
				continue
			}
			q := t[k][i]
			now := Fits
			switch {
			case v > q.in+1e-9:
				now = Tight
			case v > q.free+1e-9:
				now = Binds
			case v < q.hold-1e-9:
				now = Loose
			}
			if now != Fits && kind == Fits {
				kind, at = now, k
			}
		}
		kinds[kind]++
		if kind != Fits {
			x := where[kind]
			x[at]++
			where[kind] = x
		}
	}
	says := []string{}
	for _, k := range []struct{ kind, says string }{{Tight, "short of clearance when set"}, {Binds, "bind in heat or frost"}, {Loose, "hold too little"}} {
		n := kinds[k.kind] / float64(m.n)
		if n == 0 {
			continue
		}
		for range max(1, int(math.Round(n*strokes))) {
			c.Strokes = append(c.Strokes, k.kind)
		}
		across := "over the width"
		if x := where[k.kind]; x[1] > x[0] {
			across = "over the height"
		}
		if len(m.axes) == 1 || s.p.Sizing == family.Tube {
			across = ""
		}
		says = append(says, strings.TrimSpace(fmt.Sprintf("%s %s %s", hundred(n), k.says, across)))
	}
	bad := c.Strokes
	if len(bad) > strokes {
		bad = bad[:strokes]
	}
	c.Strokes = append(make([]string, 0, strokes), bad...)
	for len(c.Strokes) < strokes {
		c.Strokes = append([]string{Fits}, c.Strokes...)
	}
	c.Sentence = "fits " + hundred(c.All) + " of 100"
	if len(says) > 0 {
		c.Sentence += "; " + strings.Join(says, ", ")
	}
}

// hundred writes a share as so many of a hundred, never rounding a risk away.
func hundred(v float64) string {
	n := math.Round(v * 100)
	switch {
	case v < 1 && n == 100:
		return "more than 99"
	case v > 0 && n == 0:
		return "fewer than 1"
	}
	return fmt.Sprintf("%.0f", n)
}

// helpWorth is how much better the least share must get for a word, and finer
// is what is left of a doubt when something is read with a better instrument.
const (
	helpWorth = 0.01
	finer     = 0.25
)

// help finds the reading that would help most if it were taken better, or the
// cutter's band.
func (s solver) help(w, h axis, order Size) *Help {
	m := s.sampler(w, h, helpDraws, 0)
	_, before := best(m.drawn(), s.start(w, h, order), s.step())
	var top *Help
	offer := func(place Place, name, how string) {
		_, v := best(m.drawn(), s.start(w, h, order), s.step())
		if v < before+helpWorth || top != nil && v <= top.Least {
			return
		}
		top = &Help{Place: place, Name: name, Least: v, Sentence: fmt.Sprintf("%s: the best size then does all of it in %s of 100, now in %s.", how, hundred(v), hundred(before))}
	}
	for _, p := range m.names {
		m.less[p] = finer
		i := s.p.info(p)
		if s.shaped != nil && p.Key() != "" {
			i.Name = "the shape's measures"
		}
		offer(p, i.Name, "Read "+i.Name+" with a finer instrument")
		delete(m.less, p)
	}
	m.band = 0.5
	offer("", "the cutter's band", fmt.Sprintf("Ask for ±%s mm instead of ±%s", length.Metric(s.band.Half/2), length.Metric(s.band.Half)))
	return top
}
