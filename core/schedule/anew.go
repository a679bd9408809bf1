package schedule

import (
	"cmp"
	"context"
	"math/rand/v2"
	"slices"
)

const (
	// anewRounds is how many plans are held against what stands.
	anewRounds = 4
	// lessSure is by how much the chance of a promise that is not safe may fall. Judgement,
	// no source.
	lessSure = 0.1
)

// Standing is a plan as it stands, with how surely its promises are kept.
type Standing struct {
	Plan Plan
	Odds []Odds
}

// kept is the chance that a job's promise is kept; 0 for a job that is not in the plan.
func (s Standing) kept(job string) float64 {
	i := slices.IndexFunc(s.Odds, func(o Odds) bool { return o.Job == job })
	if i < 0 {
		return 0
	}
	return s.Odds[i].Kept
}

// takenBack says that a promise was a good deal surer before.
func takenBack(before, now float64) bool { return now < Safe && now < before-lessSure }

// Anew searches for a better plan than one that stands: with fewer promises that are not
// safe, or as many and at less cost, played out runs times each. None is taken back for
// it, and no step loses its time. It gives back what stands, and false, where it finds
// none.
func Anew(ctx context.Context, p Problem, stands Standing, slips []Slip, runs int, o Options) (Standing, bool, error) {
	plan, err := Solve(ctx, p, o)
	if err != nil {
		return stands, false, err
	}
	limits := stands.limits(p)
	for range anewRounds {
		odds, err := Play(ctx, p, plan, slips, runs, 1)
		if err != nil {
			return stands, false, err
		}
		got, broke := Standing{plan, odds}, false
		for j, k := range p.Jobs {
			if k.Promise != nil && takenBack(stands.kept(k.ID), odds[j].Kept) {
				broke = true
				limits[j] = stands.ready(k.ID)
			}
		}
		if !broke {
			if got.better(p, stands) {
				return got, true, nil
			}
			break
		}
		plan = (anew{newBuilder(p)}).improve(ctx, stands.Plan, limits, o)
	}
	return stands, false, nil
}

// ready is when a job is ready; never for one that is not in the plan.
func (s Standing) ready(job string) int {
	i := slices.IndexFunc(s.Plan.Ready, func(r Ready) bool { return r.Job == job })
	if i < 0 || s.Plan.Ready[i].At < 0 {
		return never
	}
	return s.Plan.Ready[i].At
}

// limits are when each job must be ready so that its promise stays what it is: as long
// before it as it may slip, or when it is ready as it stands. There is none for a job whose
// promise is lost already.
func (s Standing) limits(p Problem) []int {
	out := make([]int, len(p.Jobs))
	for j, k := range p.Jobs {
		out[j] = never
		i := slices.IndexFunc(s.Odds, func(o Odds) bool { return o.Job == k.ID })
		if ready := s.ready(k.ID); k.Promise != nil && takenBack(s.kept(k.ID), 0) && ready < never {
			out[j] = max(ready, *k.Promise-max(0, s.Odds[i].Nine-ready))
		}
	}
	return out
}

// improve betters a plan, step by step: some jobs are taken out and laid again, and what
// comes of it is kept where it costs less and nobody is ready behind their limit.
func (b anew) improve(ctx context.Context, stands Plan, limits []int, o Options) Plan {
	b.clear()
	calm(b).keep(stands)
	best := b.plan()
	rng := rand.New(rand.NewPCG(o.Seed, 17))
	for n := 0; n < o.tries(len(b.steps)) && ctx.Err() == nil; n++ {
		p := mending(b).relaid(best, mending(b).some(rng, b.want(best, n)), n%2 == 0)
		if p.Cost < best.Cost-1e-9 && len(p.Left) <= len(best.Left) && inLimits(p, limits) {
			best = p
		}
	}
	return best
}

// want is the job whose turn it is to go first: of two tries one is for a job that is late.
func (b anew) want(p Plan, n int) int {
	var late []int
	for j, r := range p.Ready {
		if r.Late > 0 || r.At < 0 {
			late = append(late, j)
		}
	}
	if n%4 < 2 && len(late) > 0 {
		return late[n/4%len(late)]
	}
	return n % len(b.p.Jobs)
}

func inLimits(p Plan, limits []int) bool {
	for j, r := range p.Ready {
		if limits[j] < never && (r.At < 0 || r.At > limits[j]) {
			return false
		}
	}
	return true
}

// better says that a plan is worth taking for another.
func (s Standing) better(p Problem, than Standing) bool {
	unsafe := func(s Standing) int {
		n := 0
		for _, j := range p.Jobs {
			if j.Promise != nil && s.kept(j.ID) < Safe {
				n++
			}
		}
		return n
	}
	return len(s.Plan.Left) <= len(than.Plan.Left) &&
		cmp.Or(cmp.Compare(unsafe(s), unsafe(than)), cmp.Compare(s.Plan.Cost, than.Plan.Cost)) < 0
}
