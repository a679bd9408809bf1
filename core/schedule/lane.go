package schedule

import "slices"

// lane is somebody or something that is taken for stretches of time: open hours, and what
// is taken of them, up to count at once.
type lane struct {
	hours []Window // nil for always
	count int
	taken []Window // sorted by From
	long  int      // the longest that was ever taken
}

// near are those of what is taken that may reach into a stretch.
func (l *lane) near(t, minutes int) []Window {
	first, _ := slices.BinarySearchFunc(l.taken, t-l.long, func(w Window, t int) int { return w.From - t })
	last, _ := slices.BinarySearchFunc(l.taken, t+minutes, func(w Window, t int) int { return w.From - t })
	return l.taken[first:max(first, last)]
}

// free is the first minute from t on in which the lane is free for a while on end; never
// where there is none. One that is never closed and free everywhere is free at t.
func (l *lane) free(t, minutes int) int {
	if l.count == 1 {
		return l.alone(t, minutes)
	}
	for range 4 * (len(l.hours) + len(l.taken) + 2) {
		at := t
		if l.hours != nil {
			if at = within(l.hours, at, minutes); at == never {
				return never
			}
		}
		if next := l.busy(at, minutes); next > at {
			t = next
			continue
		}
		return at
	}
	return never
}

// alone is free for a lane for one: hours and what is taken of them are walked along side
// by side.
func (l *lane) alone(t, minutes int) int {
	i, h := l.from(t), 0
	if l.hours != nil {
		h = opens(l.hours, t)
	}
	for {
		if l.hours != nil {
			for h < len(l.hours) && max(t, l.hours[h].From)+minutes > l.hours[h].To {
				h++
			}
			if h == len(l.hours) {
				return never
			}
			t = max(t, l.hours[h].From)
		}
		for i < len(l.taken) && l.taken[i].To <= t {
			i++
		}
		if i == len(l.taken) || l.taken[i].From >= t+minutes {
			return t
		}
		t = l.taken[i].To
	}
}

// opens is the first window that does not end before a minute.
func opens(w []Window, t int) int {
	i, _ := slices.BinarySearchFunc(w, t, func(w Window, t int) int {
		if w.To <= t {
			return -1
		}
		return 1
	})
	return i
}

// within is the first minute from t on with so many in one window.
func within(w []Window, t, minutes int) int {
	for i := opens(w, t); i < len(w); i++ {
		if at := max(t, w[i].From); at+minutes <= w[i].To {
			return at
		}
	}
	return never
}

// busy is the first minute from t on at which it might be free again, where it is not
// free from t on; t where it is.
func (l *lane) busy(t, minutes int) int {
	// The first end of one of those that fill it up.
	first, n := never, 0
	near := l.near(t, minutes)
	for _, w := range near {
		if w.To > t {
			first, n = min(first, w.To), n+1
		}
	}
	if n < l.count || peak(near, t) < l.count {
		return t
	}
	return first
}

// peak is how many of some are taken at once from a minute on, at most.
func peak(near []Window, t int) int {
	most := 0
	for _, w := range near {
		if w.To <= t {
			continue
		}
		at, n := max(w.From, t), 0
		for _, o := range near {
			if o.From <= at && o.To > at {
				n++
			}
		}
		most = max(most, n)
	}
	return most
}

// from is the first of what is taken that may reach beyond t. What is taken of a lane for
// one does not overlap.
func (l *lane) from(t int) int {
	i, _ := slices.BinarySearchFunc(l.taken, t, func(w Window, t int) int {
		if w.To <= t {
			return -1
		}
		return 1
	})
	return i
}

func (l *lane) take(w Window) {
	i, _ := slices.BinarySearchFunc(l.taken, w, func(a, b Window) int { return a.From - b.From })
	l.taken = slices.Insert(l.taken, i, w)
	l.long = max(l.long, w.To-w.From)
}

func (l *lane) give(w Window) {
	i, _ := slices.BinarySearchFunc(l.taken, w, func(a, b Window) int { return a.From - b.From })
	for ; i < len(l.taken) && l.taken[i].From == w.From; i++ {
		if l.taken[i] == w {
			l.taken = slices.Delete(l.taken, i, i+1)
			return
		}
	}
}
