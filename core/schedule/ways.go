package schedule

import (
	"cmp"
	"context"
	"slices"
)

// Way is something that would have a job ready sooner than it is, and what else that
// costs.
type Way struct {
	Kind string `json:"kind" enum:"hand,longer,sooner,first" doc:"One more, all stay, what it waits for sooner, first"`
	// From and To are when the hand is wanted, or from when until when people stay on.
	From  int      `json:"from,omitempty"`
	To    int      `json:"to,omitempty"`
	Step  string   `json:"step,omitempty" doc:"What waits for it"`
	Ready int      `json:"ready"`
	Nine  int      `json:"nine" doc:"Ready by then nine times in ten"`
	Kept  float64  `json:"kept" doc:"Chance that the promise of the job is kept"`
	Costs []string `json:"costs,omitempty" doc:"Jobs whose promises were safe and are not any more"`
}

// Safe is the chance from which on a promise is one: nine in ten, less what two hundred
// throws leave in doubt (twice √(0.9 · 0.1 / 200)).
const Safe = 0.858

// wayRuns is how often each way is played out; mostWays how many of a kind are.
const (
	wayRuns  = 120
	mostWays = 8
)

// Ways looks for what would have a job ready by a minute, nine times in ten: of each kind
// the one that asks for least. Others stay where they are in the plan that stands, but for
// "first". Nothing found is an empty list.
func Ways(ctx context.Context, p Problem, before Plan, slips []Slip, job string, want int) ([]Way, error) {
	if err := p.Check(); err != nil {
		return nil, err
	}
	j := slices.IndexFunc(p.Jobs, func(k Job) bool { return k.ID == job })
	if j < 0 {
		return nil, nil
	}
	base, _, err := Replan(ctx, p, before, Options{})
	if err != nil {
		return nil, err
	}
	was, err := Play(ctx, p, base, slips, wayRuns, 1)
	if err != nil {
		return nil, err
	}
	out, played := []Way{}, map[string]int{}
	for _, c := range candidates(p, base, j, want) {
		if played[c.Kind] >= mostWays || slices.ContainsFunc(out, func(w Way) bool { return w.Kind == c.Kind }) {
			continue // a smaller one of its kind does
		}
		q, plan := c.tried(p, base, j)
		if plan.Ready[j].At < 0 || plan.Ready[j].At > want {
			continue
		}
		odds, err := Play(ctx, q, plan, slipsIn(q, slips), wayRuns, 1)
		if err != nil {
			return nil, err
		}
		played[c.Kind]++
		if odds[j].Nine > want {
			continue
		}
		c.Ready, c.Nine, c.Kept = plan.Ready[j].At, odds[j].Nine, odds[j].Kept
		for i, k := range p.Jobs {
			if i != j && k.Promise != nil && was[i].Kept >= Safe && odds[i].Kept < Safe {
				c.Costs = append(c.Costs, k.ID)
			}
		}
		out = append(out, c.Way)
	}
	slices.SortStableFunc(out, func(a, b Way) int {
		return cmp.Or(cmp.Compare(len(a.Costs), len(b.Costs)), cmp.Compare(a.effort(), b.effort()))
	})
	return out, nil
}

// effort puts ways in the order in which a shop would take them: turning the queue costs
// nobody an hour.
func (w Way) effort() int {
	switch w.Kind {
	case "first":
		return 0
	case "sooner":
		return 1
	}
	return w.To - w.From
}

type candidate struct{ Way }

// candidates are what could be tried, of each kind the smallest first.
func candidates(p Problem, base Plan, j, want int) []candidate {
	out := []candidate{{Way{Kind: "first"}}}
	for _, s := range p.Jobs[j].Steps {
		if s.Not > 0 {
			out = append(out, candidate{Way{Kind: "sooner", Step: s.ID}})
		}
	}
	var hands []candidate
	for _, s := range p.Jobs[j].Steps {
		d, early := base.Of(s.ID), base.waited(s)
		if d == nil || d.At <= early || early >= want {
			continue
		}
		for _, h := range open(p) {
			from := max(h.From, early)
			for _, long := range []int{s.Minutes, 60, 120, 240} {
				if long < s.Minutes || from+long > h.To || from >= want {
					continue
				}
				hands = append(hands, candidate{Way{Kind: "hand", From: from, To: from + long, Step: s.ID}})
			}
		}
	}
	slices.SortStableFunc(hands, func(a, b candidate) int { return cmp.Compare(a.effort(), b.effort()) })
	var longer []candidate
	for _, h := range evenings(p) {
		for _, long := range []int{60, 120} {
			if h < want {
				longer = append(longer, candidate{Way{Kind: "longer", From: h, To: h + long}})
			}
		}
	}
	slices.SortStableFunc(longer, func(a, b candidate) int { return cmp.Compare(a.effort(), b.effort()) })
	return slices.Concat(out, hands, longer)
}

// waited is when what a step waits for is over, in a plan.
func (p Plan) waited(s Step) int {
	t := s.Not
	for _, a := range s.After {
		if d := p.Of(a.Step); d != nil {
			t = max(t, d.To+a.Wait)
		}
	}
	return t
}

// open are the hours in which anybody works, joined.
func open(p Problem) []Window {
	var all, out []Window
	for _, w := range p.People {
		all = append(all, w.Hours...)
	}
	slices.SortFunc(all, func(a, b Window) int { return cmp.Compare(a.From, b.From) })
	for _, h := range all {
		if n := len(out); n > 0 && h.From <= out[n-1].To {
			out[n-1].To = max(out[n-1].To, h.To)
		} else {
			out = append(out, h)
		}
	}
	return out
}

// overnight is a pause that is a night, min.
const overnight = 5 * 60

// evenings are the minutes at which the day ends for everybody.
func evenings(p Problem) []int {
	var out []int
	all := open(p)
	for i, h := range all {
		if i+1 < len(all) && all[i+1].From-h.To >= overnight {
			out = append(out, h.To)
		}
	}
	return out
}

// tried is the shop with the way gone, and the plan that follows: everybody else stays
// where they are.
func (c candidate) tried(p Problem, base Plan, j int) (Problem, Plan) {
	q := p
	q.People, q.Jobs = slices.Clone(p.People), slices.Clone(p.Jobs)
	before := Plan{}
	for _, d := range base.Steps {
		if d.Job != p.Jobs[j].ID {
			before.Steps = append(before.Steps, d)
		}
	}
	switch c.Kind {
	case "hand":
		may := []string{}
		for _, w := range p.People {
			may = append(may, w.May...)
		}
		q.People = append(q.People, Person{ID: "one more", Hours: []Window{{c.From, c.To}}, May: may})
	case "longer":
		for i := range q.People {
			q.People[i].Hours = stretched(q.People[i].Hours, c.From, c.To)
		}
	case "sooner":
		k := q.Jobs[j]
		k.Steps = slices.Clone(k.Steps)
		for i := range k.Steps {
			if k.Steps[i].ID == c.Step {
				k.Steps[i].Not = max(0, k.Steps[i].Not-1440)
			}
		}
		q.Jobs[j] = k
	}
	b := newBuilder(q)
	if c.Kind == "first" {
		b.pins()
		for _, i := range b.order[j] {
			b.one(i)
		}
	}
	calm{b}.keep(before)
	return q, b.plan()
}

// stretched are hours that end later where they end at a minute.
func stretched(hours []Window, from, to int) []Window {
	out := slices.Clone(hours)
	for i := range out {
		if out[i].To == from {
			out[i].To = to
		}
	}
	return out
}

// slipsIn are those whose step is there.
func slipsIn(p Problem, slips []Slip) []Slip {
	var out []Slip
	for _, s := range slips {
		for _, j := range p.Jobs {
			if slices.ContainsFunc(j.Steps, func(k Step) bool { return k.ID == s.Step }) {
				out = append(out, s)
			}
		}
	}
	return out
}
