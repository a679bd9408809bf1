package cutting

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"time"

	"freshshard/core/fault"
)

// Bar is a tube, strip or profile that may be cut, mm.
type Bar struct {
	ID     string  `json:"id" maxLength:"40"`
	Length float64 `json:"length" doc:"mm"`
	Count  int     `json:"count" minimum:"0" maximum:"1000" doc:"How many there are; 0 for one"`
	Cost   float64 `json:"cost,omitempty" minimum:"0" maximum:"1000000" doc:"Of one; 0 for its length"`
}

// Stretch is a length that is wanted, mm.
type Stretch struct {
	ID     string  `json:"id" maxLength:"40"`
	Length float64 `json:"length" doc:"mm"`
	Count  int     `json:"count" minimum:"0" maximum:"1000" doc:"How many; 0 for one"`
}

// BarTask is what is cut from bars. A snapped tube has no kerf, and its ends are
// dressed; a sawn strip has one.
type BarTask struct {
	Bars  []Bar     `json:"bars" maxItems:"500"`
	Wants []Stretch `json:"wants" maxItems:"2000"`
	Kerf  float64   `json:"kerf,omitempty" minimum:"0" maximum:"20" doc:"mm"`
	Dress float64   `json:"dress,omitempty" minimum:"0" maximum:"50" doc:"What dressing both ends of a stretch takes, mm"`
	Ends  float64   `json:"ends,omitempty" minimum:"0" maximum:"200" doc:"What comes off each end of a bar, mm"`
	Keep  float64   `json:"keep,omitempty" minimum:"0" maximum:"5000" doc:"Least remnant that is worth its place, mm"`
}

// BarPlan is how the stretches come out of the bars.
type BarPlan struct {
	Bars   []BarCut `json:"bars"`
	Left   []Left   `json:"left"`
	Cost   float64  `json:"cost" doc:"Of the bars that are cut into"`
	Yield  float64  `json:"yield"`
	Bound  int      `json:"bound" doc:"No plan of all stretches cuts into fewer bars; 0 where nothing is known"`
	Proved bool     `json:"proved"`
}

// BarCut is one bar with the stretches in the order in which they come off.
type BarCut struct {
	Bar      string    `json:"bar"`
	Copy     int       `json:"copy"`
	Length   float64   `json:"length"`
	Cuts     []string  `json:"cuts" doc:"Names of the stretches, from the left end"`
	At       []float64 `json:"at" doc:"Where each cut is made, from the left end, mm"`
	Remnant  float64   `json:"remnant" doc:"mm"`
	Keep     bool      `json:"keep" doc:"The remnant goes back to the rack"`
	Finished bool      `json:"finished" doc:"Nothing is left of it"`
}

// Check refuses what cannot be cut; errors name bars[n] or wants[n] and their field.
func (t BarTask) Check() error {
	if len(t.Wants) == 0 {
		return fault.New("wants", "nothing is to be cut", "name one stretch at least")
	}
	if len(t.Bars) == 0 {
		return fault.New("bars", "there is nothing to cut from", "name one bar at least")
	}
	seen, n := map[string]bool{}, 0
	one := func(at, id string, length float64, count int) error {
		switch {
		case id == "" || seen[at[:1]+id]:
			return fault.New(at+"id", "each needs a name of its own", "give it one, and a count")
		case !(length >= 1 && length <= mostSide):
			return fault.New(at+"length", "a length from 1 mm to 10 m is expected", "give it in mm")
		case count < 0 || count > 1000:
			return fault.New(at+"count", "from 0 to 1000 are expected", "count them again")
		}
		seen[at[:1]+id] = true
		return nil
	}
	for i, b := range t.Bars {
		if err := one(fmt.Sprintf("bars[%d].", i), b.ID, b.Length, b.Count); err != nil {
			return err
		}
		if !(b.Cost >= 0 && b.Cost <= 1e6) {
			return fault.New(fmt.Sprintf("bars[%d].cost", i), "a price from 0 up is expected", "leave it out for the length")
		}
	}
	for i, w := range t.Wants {
		if err := one(fmt.Sprintf("wants[%d].", i), w.ID, w.Length, w.Count); err != nil {
			return err
		}
		if n += max(1, w.Count); n > mostPieces {
			return fault.New("wants", fmt.Sprintf("more than %d stretches", mostPieces), "plan them in parts")
		}
	}
	for _, f := range []struct {
		name string
		v, m float64
	}{{"kerf", t.Kerf, 20}, {"dress", t.Dress, 50}, {"ends", t.Ends, 200}, {"keep", t.Keep, 5000}} {
		if !(f.v >= 0 && f.v <= f.m) {
			return fault.New(f.name, fmt.Sprintf("from 0 to %g mm is expected", f.m), "give it in mm")
		}
	}
	return nil
}

// room is what of a bar can be filled: every stretch brings its kerf, and the last one
// needs none.
func (t BarTask) room(b Bar) int { return tenths(b.Length) - 2*tenths(t.Ends) + tenths(t.Kerf) }

// takes is what a stretch takes of it.
func (t BarTask) takes(w Stretch) int {
	return tenths(w.Length) + tenths(t.Dress) + tenths(t.Kerf)
}

// SolveBars plans until its time is over or nothing can be better: bars that are
// cheaper for their length are filled as full as they can be, the last kind of them is
// searched exactly.
func SolveBars(ctx context.Context, t BarTask, o Options) (BarPlan, error) {
	if err := t.Check(); err != nil {
		return BarPlan{}, err
	}
	if o.Budget == 0 {
		o.Budget = usualBudget
	}
	s := barSearch{ctx: ctx, t: t, end: time.Now().Add(o.Budget)}
	return s.solve(), nil
}

type barSearch struct {
	ctx   context.Context
	t     BarTask
	end   time.Time
	nodes int
}

func (s *barSearch) over() bool {
	s.nodes++
	return s.nodes%256 == 0 && (s.ctx.Err() != nil || time.Now().After(s.end))
}

// filled is a bar with the wants that it gives.
type filled struct {
	bar, copy int
	wants     []int
}

func (s *barSearch) solve() BarPlan {
	var left []int // a want for each stretch
	for i, w := range s.t.Wants {
		for range max(1, w.Count) {
			left = append(left, i)
		}
	}
	slices.SortStableFunc(left, func(a, b int) int { return s.size(b) - s.size(a) })
	kinds := numbers(len(s.t.Bars))
	per := func(i int) float64 { return s.t.Bars[i].price() / s.t.Bars[i].Length }
	slices.SortStableFunc(kinds, func(a, b int) int { return cmp.Compare(per(a), per(b)) })
	var out []filled
	bound := 0
	for n, k := range kinds {
		have := max(1, s.t.Bars[k].Count)
		if n == len(kinds)-1 || s.enough(k, left) {
			bins, low := s.alike(left, s.t.room(s.t.Bars[k]))
			if n == 0 {
				bound = low
			}
			left = left[:0]
			for c, bin := range bins {
				if c < have && fits(bin, s.t.room(s.t.Bars[k]), s.size) {
					out = append(out, filled{k, c + 1, bin})
				} else {
					left = append(left, bin...)
				}
			}
			break
		}
		for c := range have {
			pick := s.fullest(left, s.t.room(s.t.Bars[k]))
			if len(pick) == 0 {
				break
			}
			out = append(out, filled{k, c + 1, s.take(&left, pick)})
		}
	}
	return s.write(out, left, bound)
}

func (s *barSearch) size(want int) int { return s.t.takes(s.t.Wants[want]) }

func fits(bin []int, room int, size func(int) int) bool {
	sum := 0
	for _, w := range bin {
		sum += size(w)
	}
	return sum <= room
}

// enough says that there are more bars of a kind than could be needed.
func (s *barSearch) enough(k int, left []int) bool { return max(1, s.t.Bars[k].Count) >= len(left) }

// take takes places out of a list and returns what stood there.
func (s *barSearch) take(left *[]int, places []int) []int {
	var got []int
	slices.Sort(places)
	for i := len(places) - 1; i >= 0; i-- {
		got = append(got, (*left)[places[i]])
		*left = slices.Delete(*left, places[i], places[i]+1)
	}
	slices.SortFunc(got, func(a, b int) int { return s.size(b) - s.size(a) })
	return got
}

// fullest picks the places in a list whose stretches fill a room most, by the sums that
// can be made.
func (s *barSearch) fullest(left []int, room int) []int {
	if room <= 0 {
		return nil
	}
	by := make([]int32, room+1) // the place that first made a sum, from 1
	reached := make([]int, 0, 1024)
	top := 0
	for p, w := range left {
		v := s.size(w)
		if v > room {
			continue
		}
		n := len(reached)
		add := func(sum int) {
			if sum <= room && by[sum] == 0 {
				by[sum] = int32(p + 1)
				reached = append(reached, sum)
				top = max(top, sum)
			}
		}
		for _, sum := range reached[:n] {
			add(sum + v)
		}
		add(v)
		if top == room {
			break
		}
	}
	var pick []int
	for sum := top; sum > 0; {
		p := int(by[sum]) - 1
		pick = append(pick, p)
		sum -= s.size(left[p])
	}
	return pick
}

// price is what a bar costs: its price, or its length in metres.
func (b Bar) price() float64 {
	if b.Cost > 0 {
		return b.Cost
	}
	return b.Length / 1000
}

// write turns filled bars into a plan.
func (s *barSearch) write(bars []filled, left []int, bound int) BarPlan {
	p := BarPlan{Bars: []BarCut{}, Left: []Left{}, Bound: bound}
	used, whole := 0.0, 0.0
	for _, f := range bars {
		b := s.t.Bars[f.bar]
		c := BarCut{Bar: b.ID, Copy: f.copy, Length: b.Length}
		at := s.t.Ends
		for _, w := range f.wants {
			want := s.t.Wants[w]
			at += want.Length + s.t.Dress
			c.Cuts, c.At = append(c.Cuts, want.ID), append(c.At, math.Round(at*perMM)/perMM)
			at += s.t.Kerf
			used += want.Length
		}
		c.Remnant = math.Round(math.Max(0, b.Length-s.t.Ends-at)*perMM) / perMM
		c.Keep = s.t.Keep > 0 && c.Remnant >= s.t.Keep
		c.Finished = c.Remnant == 0
		whole += b.Length
		p.Cost += b.price()
		p.Bars = append(p.Bars, c)
	}
	if whole > 0 {
		p.Yield = used / whole
	}
	count := map[int]int{}
	for _, w := range left {
		count[w]++
	}
	longest := 0
	for _, b := range s.t.Bars {
		longest = max(longest, s.t.room(b))
	}
	for i, w := range s.t.Wants {
		if n := count[i]; n > 0 {
			why := "all bars are cut into for others"
			if s.size(i) > longest {
				why = "it is longer than every bar"
			}
			p.Left = append(p.Left, Left{w.ID, n, why})
		}
	}
	p.Cost = round(p.Cost)
	p.Proved = len(p.Left) == 0 && bound > 0 && len(p.Bars) == bound
	return p
}
