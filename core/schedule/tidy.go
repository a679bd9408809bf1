package schedule

import (
	"cmp"
	"fmt"
	"slices"
)

// Tidy is how a plan lies beside what is promised: what people notice of it.
type Tidy struct {
	Pairs   int `json:"pairs" doc:"Stretches in which two or more are wanted at one thing"`
	Changes int `json:"changes" doc:"Times that somebody goes to another place"`
	Opened  int `json:"opened" doc:"Tubes and the like that are opened"`
	ByDay   int `json:"by_day" doc:"Long waits that lie in the day, not over a night"`
}

// What each of them counts beside an hour of lateness, and what belongs together. So
// little that none ever outweighs four minutes of a promise. Judgement, no source.
const (
	untidy   = 0.001
	gathered = 15      // min between two stretches that are one
	stays    = 8 * 60  // min that something opened can be shared
	longWait = 4 * 60  // min
	aNight   = 10 * 60 // min of a wait that covers a night
)

func (t Tidy) count() int { return t.Pairs + t.Changes + t.Opened + t.ByDay }

// tidy counts what lies in the lanes.
func (b tidying) tidy() Tidy {
	var t Tidy
	at := make([]int, 0, len(b.steps))
	for i := range b.steps {
		if b.at[i] >= 0 {
			at = append(at, i)
		}
	}
	slices.SortFunc(at, func(x, y int) int { return cmp.Or(cmp.Compare(b.at[x], b.at[y]), cmp.Compare(x, y)) })
	pair := map[string]int{}
	opened := map[string]int{}
	where := make([]string, len(b.p.People))
	until := make([]int, len(b.p.People))
	for _, i := range at {
		s := &b.steps[i]
		if s.need > 1 {
			who := fmt.Sprint(b.by[i])
			if end, ok := pair[who]; !ok || b.at[i] > end+gathered {
				t.Pairs++
			}
			pair[who] = b.to[i]
		}
		if s.Shares != "" {
			if first, ok := opened[s.Shares]; !ok || b.at[i] >= first+stays {
				t.Opened++
				opened[s.Shares] = b.at[i]
			}
		}
		place := ""
		if len(s.Uses) > 0 {
			place = s.Uses[0]
		}
		for _, w := range b.by[i] {
			if place != "" && where[w] != "" && where[w] != place && b.at[i]-until[w] < overnight {
				t.Changes++
			}
			if place != "" {
				where[w] = place
			}
			until[w] = b.to[i]
		}
		for _, a := range s.after {
			if a.wait >= longWait && a.wait < 24*60 && b.at[i]-b.to[a.step] < aNight {
				t.ByDay++
			}
		}
	}
	return t
}

// score is what the search goes by: what a plan costs, and a very little for how it lies.
func (b tidying) score(cost float64) float64 { return cost + untidy*float64(b.tidy().count()) }
