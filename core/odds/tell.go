package odds

import (
	"fmt"
	"math"
	"strings"

	"freshshard/core/length"
	"freshshard/core/reading"
)

// tell fills the strokes and the sentence: what goes wrong, and where.
func (q Question) tell(c *Chance, d Drawn) {
	kinds, where := q.tally(d)
	says := []string{}
	for _, k := range []struct{ kind, says string }{{Tight, "short of clearance when set"},
		{Binds, "bind in heat or frost"}, {Loose, "hold too little"}} {
		n := kinds[k.kind] / float64(len(d[0]))
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
		if d[1] == nil || q.Length {
			across = ""
		}
		says = append(says, strings.TrimSpace(fmt.Sprintf("%s %s %s", Hundred(n), k.says, across)))
	}
	bad := c.Strokes
	if len(bad) > strokes {
		bad = bad[:strokes]
	}
	c.Strokes = append(make([]string, 0, strokes), bad...)
	for len(c.Strokes) < strokes {
		c.Strokes = append([]string{Fits}, c.Strokes...)
	}
	c.Sentence = "fits " + Hundred(c.All) + " of 100"
	if len(says) > 0 {
		c.Sentence += "; " + strings.Join(says, ", ")
	}
}

// Hundred writes a share as so many of a hundred, never rounding a risk away.
func Hundred(v float64) string {
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
func (q Question) help() *Help {
	draws := q.Draws(helpDraws, 0)
	_, before := best(draws.Draw(), q.start(), q.Step)
	var top *Help
	offer := func(place reading.Place, name, how string) {
		_, v := best(draws.Draw(), q.start(), q.Step)
		if v < before+helpWorth || top != nil && v <= top.Least {
			return
		}
		top = &Help{Place: place, Name: name, Least: v,
			Sentence: fmt.Sprintf("%s: the best size then does all of it in %s of 100, now in %s.", how, Hundred(v),
				Hundred(before))}
	}
	for _, p := range draws.Readings() {
		draws.Finer(p, finer)
		offer(p, q.Name(p), "Read "+q.Name(p)+" with a finer instrument")
		draws.Finer(p, 1)
	}
	if q.Whole != "" {
		draws.Band(finer)
		offer(q.Whole, "the new frame", "Read the new frame with a finer instrument")
		return top
	}
	draws.Band(0.5)
	offer("", "the cutting tolerance", fmt.Sprintf("Ask for ±%s mm instead of ±%s mm", length.Metric(q.Band/2),
		length.Metric(q.Band)))
	return top
}

// helpWorth is how much better the best size must do for a word, and finer
// is what is left of a doubt when something is read with a better instrument.
const (
	helpWorth = 0.01
	finer     = 0.25
)

// tally counts how often each thing goes wrong, and over which axis.
func (q Question) tally(d Drawn) (kinds map[string]float64, where map[string][2]float64) {
	kinds, where = map[string]float64{}, map[string][2]float64{}
	for i := range d[0] {
		kind, at := Fits, 0
		for k, v := range [2]float64{q.Order.W, q.Order.H} {
			if d[k] == nil {
				continue
			}
			t := d[k][i]
			now := Fits
			switch {
			case v > t.In+rounding:
				now = Tight
			case v > t.Free+rounding:
				now = Binds
			case v < t.Hold-rounding:
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
	return kinds, where
}
