// Package odds says of how many openings that could be behind some readings a size of pane
// goes in, holds and stays free, which size does best, and what better reading would help
// most. It knows no way of holding: whoever asks draws the openings. Lengths are mm.
package odds

// Of works out the odds of a size.
func Of(q Question) *Chance {
	d := q.Draws(min(q.Count, batchDraws), 0).Draw()
	c := &Chance{Draws: q.Count, Strokes: []string{}}
	c.GoesIn, c.Holds, c.Free, c.All = q.shares()
	c.Best, c.Most = best(d, q.start(), q.Step)
	switch {
	case q.Whole != "":
		c.Best, c.Most = q.Order, All(d, q.Order)
	case d[1] == nil:
		c.Best.H = c.Best.W
	case q.Length:
		c.Best.W = q.Order.W
	}
	q.tell(c, d)
	c.Help = q.help()
	return c
}

// shares are those of many draws, a batch at a time: a batch fits into the
// processor's cache, a million draws at once do not.
func (q Question) shares() (in, hold, free, all float64) {
	for batch, done := 0, 0; done < q.Count; batch++ {
		n := min(batchDraws, q.Count-done)
		a, b, c, d := Shares(q.Draws(n, batch).Draw(), q.Order)
		k := float64(n) / float64(q.Count)
		in, hold, free, all = in+k*a, hold+k*b, free+k*c, all+k*d
		done += n
	}
	return in, hold, free, all
}
