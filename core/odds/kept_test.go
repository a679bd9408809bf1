package odds

import (
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/tools/golden"
)

// made are openings of w × h with two doubtful readings each way; a round one has no second
// direction.
type made struct {
	w, h     float64
	doubt    map[reading.Place]float64
	band     float64
	count    int
	batch    int
	round    bool
	tightens float64 // in the heat
	cover    float64
}

func (m *made) Draw() Drawn {
	r := rand.New(rand.NewPCG(9, uint64(m.batch)))
	var out Drawn
	for k, side := range []float64{m.w, m.h} {
		if k == 1 && m.round {
			break
		}
		for range m.count {
			at := func(p reading.Place) float64 { return side + m.doubt[p]*(2*r.Float64()-1) }
			a, b := at([]reading.Place{reading.WidthTop, reading.HeightLeft}[k]),
				at([]reading.Place{reading.WidthBottom, reading.HeightRight}[k])
			c := m.band * (r.Float64() + r.Float64() - 1)
			out[k] = append(out[k], Thresholds{In: min(a, b) - 2 - c, Free: min(a, b) - m.tightens - c,
				Hold: max(a, b) - m.cover - c})
		}
	}
	return out
}

func (m *made) Readings() []reading.Place {
	return []reading.Place{reading.WidthTop, reading.WidthBottom, reading.HeightLeft, reading.HeightRight}
}
func (m *made) Finer(p reading.Place, share float64) {
	m.doubt[p] = map[reading.Place]float64{reading.WidthTop: 3, reading.WidthBottom: 0.4, reading.HeightLeft: 1,
		reading.HeightRight: 0.8}[p] * share
}
func (m *made) Band(share float64) { m.band = 1.6 * share }

func asked(change func(*made, *Question)) Question {
	base := made{w: 300, h: 200, round: false, tightens: 1, cover: 10}
	q := Question{Order: outline.Size{W: 296.2, H: 196.7}, Count: 3000, Step: 0.5, Band: 1.6,
		Name: func(p reading.Place) string { return strings.ReplaceAll(string(p), "_", ", ") }}
	change(&base, &q)
	q.Draws = func(count, batch int) Draws {
		m := base
		m.count, m.batch, m.doubt = count, batch, map[reading.Place]float64{}
		for _, p := range m.Readings() {
			m.Finer(p, 1)
		}
		m.Band(1)
		return &m
	}
	return q
}

// Odds of a size that is right, too large, too small, binds in the heat, round, as it comes,
// a length alone, of a great many draws: what is counted, what is best, what would help and
// what is said.
func TestOddsAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, c := range []struct {
		name   string
		change func(*made, *Question)
	}{
		{"right", func(*made, *Question) {}},
		{"too large", func(_ *made, q *Question) { q.Order = outline.Size{W: 298.3, H: 199} }},
		{"too small", func(_ *made, q *Question) { q.Order = outline.Size{W: 290, H: 190.4} }},
		{"far too small", func(_ *made, q *Question) { q.Order = outline.Size{W: 270, H: 150} }},
		{"high alone is too large", func(_ *made, q *Question) { q.Order.H = 198.4 }},
		{"binds", func(m *made, _ *Question) { m.tightens = 5.5 }},
		{"little to hold it", func(m *made, _ *Question) { m.cover = 4.4 }},
		{"sure", func(m *made, q *Question) { m.cover, q.Order = 60, outline.Size{W: 270, H: 170} }},
		{"round", func(m *made, q *Question) { m.round, q.Order = true, outline.Size{W: 296, H: 296} }},
		{"as it comes", func(m *made, q *Question) { m.cover, q.Whole = 5, reading.BodyWidth }},
		{"a length", func(m *made, q *Question) { m.cover, q.Length = 5, true }},
		{"more than a batch", func(_ *made, q *Question) { q.Count = 2*batchDraws + 500 }},
		{"coarse steps", func(_ *made, q *Question) { q.Step = 5 }},
	} {
		fmt.Fprintf(b, "= %s\n%s\n", c.name, golden.Lines(t, Of(asked(c.change))))
	}
	golden.Check(t, "odds", b.String())
}

// What the screen draws, and how many a helper does, are as many as their docs say.
func TestCounts(t *testing.T) {
	if OnScreen != 4000 || helpDraws != 1200 || batchDraws != 8192 || strokes != 50 {
		t.Error("the numbers of draws were changed: look at the odds again")
	}
}

// A best size is found wherever it lies on its hill, and no better one lies beside it.
func TestBestIsTheTop(t *testing.T) {
	q := asked(func(m *made, _ *Question) { m.cover = 5 })
	d := q.Draws(2000, 0).Draw()
	for _, from := range []outline.Size{{W: 280, H: 210}, {W: 310, H: 190}, {W: 296, H: 197}} {
		size, top := best(d, from, 0.5)
		for dw := -20.0; dw <= 20; dw++ {
			for dh := -20.0; dh <= 20; dh++ {
				if v := All(d, outline.Size{W: size.W + dw*0.5, H: size.H + dh*0.5}); v > top+1e-12 {
					t.Fatalf("from %v: %v does %.4f, and %.4f lies %v, %v steps beside", from, size, top, v, dw, dh)
				}
			}
		}
		if in, hold, free, _ := Shares(d, size); top > min(in, hold, free)+1e-12 || top != All(d, size) {
			t.Errorf("from %v: %v is said to do %v", from, size, top)
		}
	}
}

// told writes down what it is told.
type told struct {
	Draws
	finer map[reading.Place]float64
	band  float64
	wrong bool // a reading was made finer while another one was
}

func (d *told) Finer(p reading.Place, share float64) {
	if share < 1 {
		for q, s := range d.finer {
			d.wrong = d.wrong || q != p && s != 1
		}
	}
	d.finer[p] = share
	d.Draws.Finer(p, share)
}

func (d *told) Band(share float64) {
	for _, s := range d.finer {
		d.wrong = d.wrong || s != 1
	}
	d.band = share
	d.Draws.Band(share)
}

// What would help is asked of one thing at a time: each reading has all of its doubt again before
// the next one is tried, and the cutter is asked for half of the band.
func TestOneAtATime(t *testing.T) {
	q := asked(func(*made, *Question) {})
	d := &told{Draws: q.Draws(400, 0), finer: map[reading.Place]float64{}}
	q.Draws = func(int, int) Draws { return d }
	q.help()
	if len(d.finer) != len(d.Readings()) || d.wrong || d.band != 0.5 {
		t.Errorf("%+v", d)
	}
	for p, s := range d.finer {
		if s != 1 {
			t.Errorf("%s has %v of its doubt left", p, s)
		}
	}
}
