package schedule

import (
	"fmt"
	"math/rand/v2"
)

// hours are so many days of eight hours from minute 0 on, an hour off at noon.
func hours(days int) []Window {
	var out []Window
	for d := range days {
		out = append(out, Window{d * 1440, d*1440 + 240}, Window{d*1440 + 300, d*1440 + 540})
	}
	return out
}

// small is a made-up shop of two people and a few steps.
func small(seed uint64, steps int) Problem {
	r := rand.New(rand.NewPCG(seed, 5))
	p := Problem{People: []Person{{ID: "mira", Hours: []Window{{0, 100}, {130, 400}}, May: []string{"gas"}},
		{ID: "tor", Hours: []Window{{20, 400}}}}, Places: []Place{{ID: "bench", Count: 1 + r.IntN(2)}}}
	for k := 0; k < steps; {
		j := Job{ID: fmt.Sprintf("j%d", len(p.Jobs))}
		due := 60 + 10*r.IntN(20)
		j.Promise, j.Weight = &due, float64(1+r.IntN(3))
		for n := 1 + r.IntN(3); n > 0 && k < steps; n-- {
			s := Step{ID: fmt.Sprintf("s%d", k), Minutes: 10 * (1 + r.IntN(4))}
			if m := len(j.Steps); m > 0 && r.IntN(4) > 0 {
				s.After = []After{{j.Steps[m-1].ID, 10 * r.IntN(4)}}
			}
			switch r.IntN(6) {
			case 0:
				s.People = 2
			case 1:
				s.Needs = "gas"
			case 2:
				s.Not = 10 * r.IntN(10)
			case 3:
				s.Fit = []Window{{40, 200}}
			}
			if r.IntN(2) == 0 {
				s.Uses = []string{"bench"}
			}
			j.Steps = append(j.Steps, s)
			k++
		}
		if r.IntN(3) == 0 {
			j.Tail = 30
		}
		p.Jobs = append(p.Jobs, j)
	}
	return p
}

// shop is a made-up shop with so many open jobs: strip, measure, glass that comes, set,
// a bond that cures or not, refit, prove; some steps for two, one bench the fewer.
func shop(seed uint64, jobs int) Problem {
	r := rand.New(rand.NewPCG(seed, 9))
	days := 6 + jobs/4
	p := Problem{People: []Person{{ID: "mira", Hours: hours(days), May: []string{"pressure"}},
		{ID: "tor", Hours: hours(days)},
		{ID: "ebbe", Hours: hours(days)}}, Places: []Place{{ID: "bench", Count: 2}, {ID: "van"}, {ID: "clamps", Count: 2}}}
	var dry []Window
	for d := range days {
		if r.IntN(4) > 0 {
			dry = append(dry, Window{d*1440 + 60, d*1440 + 480})
		}
	}
	for j := range jobs {
		name := func(k string) string { return fmt.Sprintf("%d %s", j, k) }
		job := Job{ID: fmt.Sprint(j), Weight: float64(1 + r.IntN(3))}
		at := "bench"
		if r.IntN(4) == 0 {
			at = "van"
		}
		glass := 0
		if r.IntN(2) == 0 {
			glass = 1440 * r.IntN(2+jobs/12)
		}
		// Promised a day or more after the glass, and on the whole sooner than all hands get there.
		due := glass + 1440*(1+r.IntN(2+jobs/10)) + 480
		job.Promise = &due
		set := Step{ID: name("set"), Minutes: 20 + r.IntN(40), Uses: []string{at}, Not: glass,
			After: []After{{name("measure"), 0}}}
		if r.IntN(3) == 0 {
			set.People = 2
		}
		wait := 0
		if r.IntN(3) == 0 {
			wait = 60 * (4 + r.IntN(20))
			set.Uses = append(set.Uses, "clamps")
			set.Fit = dry
		}
		refit := Step{ID: name("refit"), Minutes: 15 + r.IntN(30), Uses: []string{at}, After: []After{{name("set"), wait}}}
		if r.IntN(8) == 0 {
			refit.Needs = "pressure"
		}
		job.Steps = []Step{{ID: name("strip"), Minutes: 15 + r.IntN(45), Uses: []string{at}},
			{ID: name("measure"), Minutes: 10 + r.IntN(20), After: []After{{name("strip"), 0}}}, set, refit,
			{ID: name("prove"), Minutes: 10 + r.IntN(20), After: []After{{name("refit"), 0}}}}
		p.Jobs = append(p.Jobs, job)
	}
	return p
}
