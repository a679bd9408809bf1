package fit

import (
	"fmt"
	"math"
	"strings"

	"freshshard/core/length"
	"freshshard/core/reading"
)

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
	for _, k := range []struct{ kind, says string }{{Tight, "short of clearance when set"},
		{Binds, "bind in heat or frost"}, {Loose, "hold too little"}} {
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
		if len(m.axes) == 1 || s.p.Rule().Tube() {
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

// help finds the reading that would help most if it were taken better, or the
// cutter's band.
func (s solver) help(w, h axis, order Size) *Help {
	m := s.sampler(w, h, helpDraws, 0)
	_, before := best(m.drawn(), s.start(w, h, order), s.step())
	var top *Help
	offer := func(place reading.Place, name, how string) {
		_, v := best(m.drawn(), s.start(w, h, order), s.step())
		if v < before+helpWorth || top != nil && v <= top.Least {
			return
		}
		top = &Help{Place: place, Name: name, Least: v,
			Sentence: fmt.Sprintf("%s: the best size then does all of it in %s of 100, now in %s.", how, hundred(v),
				hundred(before))}
	}
	for _, p := range m.names {
		m.less[p] = finer
		i := s.p.Info(p)
		if s.shaped != nil && p.Key() != "" {
			i.Name = "the shape's measures"
		}
		offer(p, i.Name, "Read "+i.Name+" with a finer instrument")
		delete(m.less, p)
	}
	if s.asItComes() {
		m.band = finer
		offer(reading.BodyWidth, "the new frame", "Read the new frame with a finer instrument")
		return top
	}
	m.band = 0.5
	offer("", "the cutting tolerance", fmt.Sprintf("Ask for ±%s mm instead of ±%s mm", length.Metric(s.band.Half/2),
		length.Metric(s.band.Half)))
	return top
}

// helpWorth is how much better the least share must get for a word, and finer
// is what is left of a doubt when something is read with a better instrument.
const (
	helpWorth = 0.01
	finer     = 0.25
)
