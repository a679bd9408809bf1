package schedule

import (
	"context"
	"slices"
)

// Moved is a step that is elsewhere than before.
type Moved struct {
	Step string `json:"step"`
	From int    `json:"from" doc:"-1 where it was not planned"`
	To   int    `json:"to" doc:"-1 where it has no time any more"`
	By   bool   `json:"by,omitempty" doc:"Somebody else does it"`
}

// worthIt is how much a plan must be better before what need not move is moved for it, as
// a share of its cost. Judgement, no source.
const worthIt = 0.05

// Replan plans anew after a change and keeps calm: every step stays where it was and with
// whom it was, if it can; what cannot goes to the first minute that is free, and what
// waits for it after it; or it stays in its hands and pushes what stands behind it, where
// that upsets less and breaks no promise of another. Only where all of it planned anew is better by a twentieth, or
// saves a promise that is a whole hour late, is that taken. What moved is said.
func Replan(ctx context.Context, p Problem, before Plan, o Options) (Plan, []Moved, error) {
	if err := p.Check(); err != nil {
		return Plan{}, nil, err
	}
	b := newBuilder(p)
	if err := (bounds{b}).pinned(); err != nil {
		return Plan{}, nil, err
	}
	bound := bounds{b}.bound()
	b.clear()
	calm{b}.keep(before)
	calm := b.plan()
	shifting{b}.shift(before)
	if s := b.plan(); !breaks(calm, s) && (mending{b}).upset(before, s, s) < (mending{b}).upset(before, calm, calm)-1e-9 {
		calm = s
	}
	calm = mending{b}.mend(ctx, before, calm)
	calm.Bound = min(bound, calm.Cost)
	calm.Proved = calm.Cost <= bound+1e-9
	if !calm.Proved && o.Tries > 0 {
		fresh, err := Solve(ctx, p, o)
		if err != nil {
			return Plan{}, nil, err
		}
		if fresh.Cost < calm.Cost*(1-worthIt)-1 || fresh.Cost < calm.Cost && len(fresh.Left) < len(calm.Left) {
			calm = fresh
		}
	}
	return calm, moved(before, calm), nil
}

// keep lays the steps in the order in which they were to be done, each where it was.
func (b calm) keep(before Plan) {
	order, _ := shifting(b).inOrder(before)
	b.pins()
	b.where(before)
	for _, i := range order {
		b.one(i)
	}
}

// where lays each step of a plan where it was and with whom, if it can be there: where all
// that it waits for stays too. One that takes longer or shorter now begins when it did.
func (b calm) where(before Plan) {
	number := map[string]int{}
	for i, s := range b.steps {
		number[s.ID] = i
	}
	for _, d := range before.Steps {
		i, ok := number[d.Step]
		if !ok || b.at[i] >= 0 || b.steps[i].Pin != nil {
			continue
		}
		by := b.numbers(d.People)
		if slices.Contains(by, -1) {
			continue
		}
		if e, _ := b.early(i); e > d.At || b.against(&b.steps[i], by, d.At) != "" {
			continue
		}
		b.put(i, d.At, by)
		b.why[i] = d.Why
	}
}

// moved are the steps of a plan that are elsewhere than before: in other hands, or at
// another time by more than people would say.
func moved(before, now Plan) []Moved {
	out := []Moved{}
	for _, d := range now.Steps {
		o := before.Of(d.Step)
		switch {
		case o == nil:
			out = append(out, Moved{Step: d.Step, From: -1, To: d.At})
		case abs(o.At-d.At) > slight || !slices.Equal(o.People, d.People):
			out = append(out, Moved{Step: d.Step, From: o.At, To: d.At, By: !slices.Equal(o.People, d.People)})
		}
	}
	for _, l := range now.Left {
		if o := before.Of(l.Step); o != nil {
			out = append(out, Moved{Step: l.Step, From: o.At, To: -1})
		}
	}
	return out
}

// breaks says that a promise is broken in one plan that another keeps, and not so that a
// step has a time at all.
func breaks(kept, p Plan) bool {
	if len(p.Left) < len(kept.Left) {
		return false
	}
	for j, r := range p.Ready {
		if k := kept.Ready[j]; k.At >= 0 && k.Late == 0 && (r.At < 0 || r.Late > 0) {
			return true
		}
	}
	return false
}

func abs(v int) int { return max(v, -v) }
