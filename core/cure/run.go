package cure

import "time"

// way is how a bond went through its air.
type way struct {
	fast, slow []*time.Time
	unsure     []bool
	curve      []Point
}

// mostPoints keeps a curve small enough to be drawn.
const mostPoints = 200

// run adds up what each stretch of the air is worth, by the middle of it, until the last
// clock is out. Within a stretch a clock goes out where a straight line does.
func run(a Adhesive, since time.Time, air []Air, targets []target) way {
	n := len(targets)
	w := way{fast: make([]*time.Time, n), slow: make([]*time.Time, n), unsure: make([]bool, n)}
	ready, after := targets[1], rest(air)
	var fast, slow, fastTable, slowTable float64
	note := func(t time.Time) {
		here, _ := at(air, after, t)
		p := Point{At: t, C: here.C, RH: here.RH, Safe: slow, Fast: fast}
		if ready.byTable {
			p.Safe, p.Fast = slowTable, fastTable
		} else if ready.slow > 0 {
			p.Safe, p.Fast = slow/ready.slow, fast/ready.fast
		}
		w.curve = append(w.curve, p)
	}
	note(since)
	for t := since; t.Sub(since) < horizon; t = t.Add(step) {
		here, sure := at(air, after, t.Add(step/2))
		hours := step.Hours()
		f, s := fast+hours*a.rate(here, false), slow+hours*a.rate(here, true)
		ft, st := fastTable, slowTable
		if len(a.Minutes) > 0 {
			ft, st = ft+hours*a.tableRate(here, false), st+hours*a.tableRate(here, true)
		}
		done := true
		for i, g := range targets {
			b, c, bs, cs := fast, f, slow, s
			if g.byTable {
				b, c, bs, cs = fastTable, ft, slowTable, st
			}
			cross(w.fast, i, b, c, g.fast, t)
			if cross(w.slow, i, bs, cs, g.slow, t) {
				w.unsure[i] = !sure
			}
			done = done && w.slow[i] != nil && w.fast[i] != nil
		}
		fast, slow, fastTable, slowTable = f, s, ft, st
		note(t.Add(step))
		if done {
			break
		}
	}
	// Nothing is full that is not ready.
	for _, to := range [][]*time.Time{w.fast, w.slow} {
		for i := 1; i < n; i++ {
			if to[i-1] == nil || to[i] != nil && to[i].Before(*to[i-1]) {
				to[i] = to[i-1]
			}
		}
	}
	w.curve = thinned(w.curve, w.slow[1])
	return w
}

// cross notes the moment at which target i is reached, once: within the step that begins at t,
// in which the progress goes from before to now. It says whether it was reached in this step.
func cross(reached []*time.Time, i int, before, now, want float64, t time.Time) bool {
	if reached[i] != nil || now < want {
		return false
	}
	at := t
	if now > before {
		at = t.Add(time.Duration((want - before) / (now - before) * float64(step)))
	}
	at = at.Round(time.Second)
	reached[i] = &at
	return true
}

// thinned leaves what lies up to a third behind Ready, and of that not too many points.
func thinned(all []Point, ready *time.Time) []Point {
	if ready != nil && len(all) > 0 {
		end := ready.Add(max(2*time.Hour, ready.Sub(all[0].At)/3))
		for i, p := range all {
			if p.At.After(end) {
				all = all[:i]
				break
			}
		}
	}
	every := len(all)/mostPoints + 1
	out := all[:0:0]
	for i := 0; i < len(all); i += every {
		out = append(out, all[i])
	}
	if len(all) > 0 && (len(all)-1)%every != 0 {
		out = append(out, all[len(all)-1])
	}
	return out
}
