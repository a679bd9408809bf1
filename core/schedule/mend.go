package schedule

import (
	"context"
	"math"
	"math/rand/v2"
	"slices"
)

// What a small search for a calm plan may take, and what each step counts that moves for
// it, and each promise that is broken or comes within so many minutes of it, in hours late:
// one promise a day late is better than four an hour. Judgement, no source.
const (
	mendTries   = 60
	moveCosts   = 0.05
	brokenCosts = 12.0
	closeTo     = 60
)

// upset is what a plan costs with what it does to people: moves and promises. Nobody's
// promise is broken for somebody else's glass, however much that would save.
func (b mending) upset(before, calm, p Plan) float64 {
	if breaks(calm, p) {
		return math.Inf(1)
	}
	sum := p.Cost + moveCosts*float64(len(moved(before, p)))
	for j := range p.Ready {
		if !b.near(j, p) {
			continue
		}
		if !b.near(j, calm) {
			return math.Inf(1)
		}
		sum += brokenCosts
	}
	return sum
}

// near says that a promise is broken, or nearly.
func (b mending) near(j int, p Plan) bool {
	k := b.p.Jobs[j].Promise
	return k != nil && (p.Ready[j].At < 0 || p.Ready[j].At > *k-closeTo)
}

// mend lets jobs that a change has made late have their turn before some that can wait:
// one late job and a few others are taken out and laid again in another order, all others
// stay where they are. It is better by more than what its moves count, or it is left.
func (b mending) mend(ctx context.Context, before, calm Plan) Plan {
	late := b.lateIn(calm, before)
	if len(late) == 0 {
		return calm
	}
	rng := rand.New(rand.NewPCG(1, 13))
	best, score := calm, b.upset(before, calm, calm)
	for n := 0; n < mendTries && ctx.Err() == nil; n++ {
		p := b.relaid(best, b.some(rng, late[n%len(late)]), n%2 == 0)
		if p.Cost < best.Cost {
			if s := b.upset(before, calm, p); s < score-1e-9 {
				best, score = p, s
			}
		}
	}
	return best
}

// some are a job and up to three others.
func (b mending) some(rng *rand.Rand, first int) []int {
	out := []int{first}
	for range rng.IntN(4) {
		if j := rng.IntN(len(b.p.Jobs)); !slices.Contains(out, j) {
			out = append(out, j)
		}
	}
	return out
}

// relaid is a plan with some jobs taken out and laid again, in this order; the first even
// before those that stay, where it goes ahead.
func (b mending) relaid(plan Plan, out []int, ahead bool) Plan {
	kept := Plan{}
	for _, d := range plan.Steps {
		if !slices.ContainsFunc(out, func(j int) bool { return b.p.Jobs[j].ID == d.Job }) {
			kept.Steps = append(kept.Steps, d)
		}
	}
	b.clear()
	b.pins()
	if ahead {
		b.stay(kept, out[0])
	}
	for _, j := range out {
		for _, i := range b.order[j] {
			b.one(i)
		}
	}
	calm(b).keep(kept)
	return b.plan()
}

// stay lays what begins before a job could.
func (b mending) stay(kept Plan, job int) {
	early := never
	for _, i := range b.order[job] {
		if e, _ := b.early(i); e < early {
			early = e
		}
	}
	soon := Plan{}
	for _, d := range kept.Steps {
		if d.At <= early {
			soon.Steps = append(soon.Steps, d)
		}
	}
	calm(b).where(soon)
}

// lateIn are the jobs that are later beyond their promise than before, the worst first.
func (b mending) lateIn(now, before Plan) []int {
	was := map[string]int{}
	for _, d := range before.Steps {
		was[d.Job] = max(was[d.Job], d.To)
	}
	var out []int
	for j, r := range now.Ready {
		if r.Late > 0 && r.At > was[r.Job] {
			out = append(out, j)
		}
	}
	slices.SortStableFunc(out, func(x, y int) int { return now.Ready[y].Late - now.Ready[x].Late })
	return out
}
