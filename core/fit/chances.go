package fit

// chance works out the odds of the ordered size.
func (s solver) chance(w, h axis, order Size, draws int) *Chance {
	m := s.sampler(w, h, min(draws, batchDraws), 0)
	t := m.drawn()
	c := &Chance{Draws: draws, Strokes: []string{}}
	c.GoesIn, c.Holds, c.Free, c.All = s.odds(w, h, order, draws)
	c.Best, c.Most = best(t, s.start(w, h, order), s.step())
	switch {
	case s.asItComes(): // no other size can be had
		c.Best, c.Most = order, least(t, order)
	case len(m.axes) == 1:
		c.Best.H = c.Best.W
	case s.p.Rule().Tube(): // its outside is given, only the length is cut
		c.Best.W = order.W
	}
	s.tell(c, m, t, order)
	c.Help = s.help(w, h, order)
	return c
}
