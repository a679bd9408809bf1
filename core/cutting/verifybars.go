package cutting

import "fmt"

// VerifyBars holds a plan against its task without looking at how it was made. Sheet
// is the place of a bar.
func VerifyBars(t BarTask, p BarPlan) []Broken {
	var out []Broken
	say := func(at int, format string, args ...any) { out = append(out, Broken{at, fmt.Sprintf(format, args...)}) }
	bars, wants, got, copies := map[string]Bar{}, map[string]Stretch{}, map[string]int{}, map[string]bool{}
	for _, b := range t.Bars {
		bars[b.ID] = b
	}
	for _, w := range t.Wants {
		wants[w.ID] = w
	}
	for i, c := range p.Bars {
		b, ok := bars[c.Bar]
		name := fmt.Sprintf("%s/%d", c.Bar, c.Copy)
		switch {
		case !ok:
			say(i, "no bar is called %q", c.Bar)
			continue
		case c.Copy < 1 || c.Copy > max(1, b.Count):
			say(i, "%q number %d: there are %d", c.Bar, c.Copy, max(1, b.Count))
		case copies[name]:
			say(i, "%q number %d is cut into twice", c.Bar, c.Copy)
		case !same(c.Length, b.Length):
			say(i, "%q is %g mm long, not %g", c.Bar, b.Length, c.Length)
		case len(c.At) != len(c.Cuts):
			say(i, "%d cuts for %d stretches", len(c.At), len(c.Cuts))
			continue
		}
		copies[name] = true
		for _, id := range c.Cuts {
			got[id]++
		}
		at := verifyCuts(t, c, wants, func(format string, args ...any) { say(i, format, args...) })
		if end := at - t.Kerf; end > b.Length-t.Ends+0.05+near {
			say(i, "the stretches of %q end at %g of %g mm", c.Bar, end, b.Length-t.Ends)
		}
		left := b.Length - t.Ends - at
		if c.Remnant > max(0, left)+0.05+near || c.Remnant < left-0.05-near {
			say(i, "a remnant of %g mm, and %g are left", c.Remnant, left)
		}
		if c.Keep && (t.Keep == 0 || c.Remnant < t.Keep) {
			say(i, "a remnant of %g mm is kept, under %g", c.Remnant, t.Keep)
		}
	}
	left := map[string]int{}
	for _, l := range p.Left {
		left[l.Piece] += l.Count
		if _, ok := wants[l.Piece]; !ok || l.Count < 1 {
			say(-1, "%q is left over %d times", l.Piece, l.Count)
		}
	}
	for _, w := range t.Wants {
		if n := max(1, w.Count); got[w.ID]+left[w.ID] != n {
			say(-1, "%q is wanted %d times, cut %d times and left over %d times", w.ID, n, got[w.ID], left[w.ID])
		}
	}
	return out
}

// verifyCuts holds each cut of a bar against what is wanted, and returns where the next one would
// begin, mm.
func verifyCuts(t BarTask, c BarCut, wants map[string]Stretch, say func(format string, args ...any)) float64 {
	at := t.Ends
	for k, id := range c.Cuts {
		w, ok := wants[id]
		if !ok {
			say("%q was never wanted", id)
			continue
		}
		if at += w.Length + t.Dress; c.At[k] < at-0.05-near || c.At[k] > at+0.05+near {
			say("%q ends at %g mm, and is cut at %g", id, at, c.At[k])
		}
		at = c.At[k] + t.Kerf
	}
	return at
}
