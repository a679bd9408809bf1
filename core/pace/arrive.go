package pace

import "time"

// Came is something that was ordered: for when it was said, and when it was here.
type Came struct {
	Who  string
	Due  time.Time
	Here time.Time
}

// What is believed of deliveries before any was seen: so many in a hundred are late, by so
// long. Judgement, no source.
const (
	lateChance = 0.15
	lateBy     = 24 * time.Hour
	lateWeight = 6.0       // deliveries that the belief counts as
	grace      = time.Hour // after the hour that was said, it is late
)

// Arrivals is how surely things come when it was said, by whom they come from.
type Arrivals struct {
	all tally
	who map[string]tally
}

type tally struct {
	n, late float64
	by      time.Duration
}

// Arrive learns from what came.
func Arrive(came []Came) Arrivals {
	a := Arrivals{who: map[string]tally{}}
	add := func(t tally, c Came) tally {
		t.n++
		if d := c.Here.Sub(c.Due); d > grace {
			t.late++
			t.by += d
		}
		return t
	}
	for _, c := range came {
		a.all = add(a.all, c)
		a.who[c.Who] = add(a.who[c.Who], c)
	}
	return a
}

// Late is the chance that something from somebody comes late, by how long then, and of how
// many of theirs that is known. Somebody new is as all others are, and nobody known as the
// book has it.
func (a Arrivals) Late(who string) (chance float64, by time.Duration, seen int) {
	share := func(t tally, before float64) float64 { return (t.late + lateWeight*before) / (t.n + lateWeight) }
	t := a.who[who]
	all := lateBy
	if a.all.late > 0 {
		all = time.Duration((float64(a.all.by) + 2*float64(lateBy)) / (a.all.late + 2))
	}
	by = all
	if t.late > 0 {
		by = time.Duration((float64(t.by) + 2*float64(all)) / (t.late + 2))
	}
	return share(t, share(a.all, lateChance)), by, int(t.n)
}
