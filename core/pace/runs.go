// Package pace learns from the shop's own record how long work takes: by way of holding,
// by place, by person, with the book's minutes as what is believed before anything was
// seen. Nobody is asked for a time: steps that are ticked one after another say it.
package pace

import (
	"cmp"
	"slices"
	"time"
)

// Tick is a step that somebody said is done.
type Tick struct {
	Who    int64
	Job    int64
	Family string
	Place  string // bench or site
	Book   int    // min that the book gives it; 0 for a step that is not in it
	At     time.Time
}

// Run is work that somebody did in one go: what it took, and what the book gives it.
type Run struct {
	Who    int64
	Family string
	Place  string
	Book   float64 // min
	Took   float64 // min
}

// What a run is believed to be. Steps that are ticked all at once at the end, and those
// with a pause in between, say nothing. Judgement, no source.
const (
	longestPause = 90 * time.Minute
	least        = 0.25 // of the book's minutes
	most         = 4.0
	shortest     = 10.0 // min by the book that a run must have
)

// Runs finds what was done in one go: ticks of one person at one job, one after another,
// with nothing else in between. The first tick of a run says when it began; what was done
// for it before is not known.
func Runs(ticks []Tick) []Run {
	all := slices.Clone(ticks)
	slices.SortStableFunc(all, func(a, b Tick) int { return cmp.Or(cmp.Compare(a.Who, b.Who), a.At.Compare(b.At)) })
	var out []Run
	for i := 0; i < len(all); {
		first, k := all[i], i+1
		book := 0.0
		for k < len(all) && all[k].Who == first.Who && all[k].Job == first.Job &&
			all[k].At.Sub(all[k-1].At) <= pause(all[k].Book) {
			book += float64(all[k].Book)
			k++
		}
		took := all[k-1].At.Sub(first.At).Minutes()
		if book >= shortest && took >= least*book && took <= most*book {
			out = append(out, Run{first.Who, first.Family, first.Place, book, took})
		}
		i = k
	}
	return out
}

// pause is the longest that a step can have taken without something else in between.
func pause(book int) time.Duration {
	return max(longestPause, time.Duration(float64(book)*most)*time.Minute)
}
