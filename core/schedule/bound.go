package schedule

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
)

// bound is what every plan costs at least. Each job alone in an empty shop is ready no
// sooner than its steps and waits let it; and of all jobs the k-th is ready no sooner than
// all hands together have done the work of the k smallest.
func (b bounds) bound() float64 {
	b.clear()
	n := len(b.p.Jobs)
	alone := make([]int, n)
	each := 0.0
	end := make([]int, len(b.steps))
	for j, job := range b.p.Jobs {
		for _, i := range b.order[j] {
			s := &b.steps[i]
			t := s.Not
			for _, a := range s.after {
				if b.steps[a.step].job == j {
					t = max(t, end[a.step]+a.wait)
				}
			}
			if s.Pin != nil {
				t = max(t, s.Pin.At)
			}
			end[i] = b.soonest(s, t) + s.Minutes
			alone[j] = max(alone[j], end[i])
		}
		alone[j] += job.Tail
		each += job.cost(alone[j])
	}
	return math.Max(each, b.together(alone))
}

// soonest is the first minute at which an empty shop lets a step begin.
func (b bounds) soonest(s *step, t int) int {
	for t < never {
		at, _ := b.common(s, s.may, t)
		if at == t {
			break
		}
		t = at
	}
	return min(t, never-s.Minutes)
}

// together holds the work against the hands.
func (b bounds) together(alone []int) float64 {
	n := len(b.p.Jobs)
	work, due := make([]int, n), make([]int, n)
	least := math.Inf(1)
	for j, job := range b.p.Jobs {
		for _, i := range b.order[j] {
			work[j] += b.steps[i].Minutes * b.steps[i].need
		}
		due[j] = never
		if job.Promise != nil {
			due[j] = *job.Promise
		}
		least = math.Min(least, cmp.Or(job.Weight, 1))
	}
	slices.Sort(work)
	slices.Sort(due)
	sorted := slices.Clone(alone)
	slices.Sort(sorted)
	sum, done := 0.0, 0
	for k := range work {
		done += work[k]
		t := max(b.handsBy(done), sorted[k])
		if t >= never {
			sum += lost
			continue
		}
		sum += finishes * float64(t) / 60
		if t > due[k] {
			sum += least * float64(t-due[k]) / 60
		}
	}
	return sum
}

// handsBy is the first minute by which all hands together can have worked so much.
func (b bounds) handsBy(work int) int {
	var edges []int
	for _, p := range b.p.People {
		for _, h := range p.Hours {
			edges = append(edges, max(0, h.From), max(0, h.To))
		}
	}
	slices.Sort(edges)
	edges = slices.Compact(edges)
	for i := 0; i+1 < len(edges); i++ {
		from, to, hands := edges[i], edges[i+1], 0
		for _, p := range b.p.People {
			for _, h := range p.Hours {
				if h.From <= from && h.To >= to {
					hands++
				}
			}
		}
		if hands > 0 && work <= hands*(to-from) {
			return from + (work+hands-1)/hands
		}
		work -= hands * (to - from)
	}
	return never
}

// Quarrel names two pinned steps that cannot both be where they are, and why; an error that
// cannot be planned for another reason, and nothing where all pins can be.
func Quarrel(p Problem) (first, second string, err error) {
	if err := p.Check(); err != nil {
		return "", "", err
	}
	b := newBuilder(p)
	i, k, why := bounds{b}.quarrel()
	if why == "" {
		return "", "", nil
	}
	return b.steps[k].ID, b.steps[i].ID, bounds{b}.quarrels(i, k, why)
}

// quarrel finds two pins that cannot both be: the same hands, or the last of a place, at
// one time; or one before what it waits for. No reason is none.
func (b bounds) quarrel() (later, sooner int, why string) {
	for x, i := range b.fixed {
		for _, k := range b.fixed[:x] {
			if why := b.apart(i, k); why != "" {
				return i, k, why
			}
		}
	}
	return 0, 0, ""
}

// apart says why two pinned steps cannot both be, the sooner one second.
func (b bounds) apart(i, k int) string {
	s, o := &b.steps[i], &b.steps[k]
	if o.Pin.At+o.Minutes <= s.Pin.At {
		for _, a := range o.after { // the earlier one waits for the later
			if a.step == i {
				return fmt.Sprintf("%s waits for %s", b.name(k), b.name(i))
			}
		}
		for _, a := range s.after {
			if a.step == k && o.Pin.At+o.Minutes+a.wait > s.Pin.At {
				return fmt.Sprintf("%s wants %s behind it", b.name(k), span(a.wait))
			}
		}
		return ""
	}
	for _, w := range s.Pin.People {
		if slices.Contains(o.Pin.People, w) {
			return b.who(w) + " cannot be at both"
		}
	}
	for _, u := range s.uses {
		if slices.Contains(o.uses, u) && b.places[u].count == 1 {
			return b.p.Places[u].ID + " is there once"
		}
	}
	for _, a := range append(slices.Clone(s.after), o.after...) {
		if a.step == i || a.step == k {
			return "one waits for the other"
		}
	}
	return ""
}

func (b bounds) quarrels(i, k int, why string) error {
	return fault.New("pin", fmt.Sprintf("two pins quarrel, %s and %s: %s", b.name(k), b.name(i), why), "move one of them")
}

// pinned says where pins quarrel; nil where they do not.
func (b bounds) pinned() error {
	if i, k, why := b.quarrel(); why != "" {
		return b.quarrels(i, k, why)
	}
	return nil
}
