package schedule

import (
	"cmp"
	"fmt"
	"slices"
)

// step is a step as the search sees it: everything by number.
type step struct {
	Step
	job   int
	after []link
	uses  []int
	may   []int // who may do it
	need  int
	tail  int // critical path behind it until the job is ready, its own minutes in it
}

type link struct{ step, wait int }

// builder lays steps into lanes one after the other, each at the first minute at which
// everything is free.
type builder struct {
	p      Problem
	steps  []step
	order  [][]int // of each job: its steps so that none comes before what it waits for
	people []lane
	places []lane
	at, to []int
	by     [][]int
	why    []string
	fixed  []int // steps that are pinned, the earlier first
}

func newBuilder(p Problem) *builder {
	b := &builder{p: p}
	number, place := map[string]int{}, map[string]int{}
	for i, w := range p.Places {
		place[w.ID] = i
	}
	for j, job := range p.Jobs {
		for _, s := range job.Steps {
			number[s.ID] = len(b.steps)
			k := step{Step: s, job: j, need: max(1, s.People)}
			for _, u := range s.Uses {
				k.uses = append(k.uses, place[u])
			}
			for i, w := range p.People {
				if s.Needs == "" || slices.Contains(w.May, s.Needs) {
					k.may = append(k.may, i)
				}
			}
			b.steps = append(b.steps, k)
		}
	}
	for i := range b.steps {
		for _, a := range b.steps[i].After {
			b.steps[i].after = append(b.steps[i].after, link{number[a.Step], a.Wait})
		}
		if b.steps[i].Pin != nil {
			b.fixed = append(b.fixed, i)
		}
	}
	slices.SortFunc(b.fixed, func(x, y int) int { return cmp.Compare(b.steps[x].Pin.At, b.steps[y].Pin.At) })
	b.sort()
	b.clear()
	return b
}

// sort puts the steps of all jobs in an order in which none comes before what it waits
// for, and reckons what comes behind each.
func (b *builder) sort() {
	done := make([]bool, len(b.steps))
	var all []int
	var walk func(i int)
	walk = func(i int) {
		if done[i] {
			return
		}
		done[i] = true
		for _, a := range b.steps[i].after {
			walk(a.step)
		}
		all = append(all, i)
	}
	for i := range b.steps {
		walk(i)
	}
	b.order = make([][]int, len(b.p.Jobs))
	for _, i := range all {
		b.order[b.steps[i].job] = append(b.order[b.steps[i].job], i)
	}
	for _, i := range slices.Backward(all) {
		s := &b.steps[i]
		s.tail = max(s.tail, s.Minutes+b.p.Jobs[s.job].Tail)
		for _, a := range s.after {
			o := &b.steps[a.step]
			if o.job == s.job {
				o.tail = max(o.tail, o.Minutes+a.wait+s.tail)
			}
		}
	}
}

func (b *builder) clear() {
	b.people, b.places = make([]lane, len(b.p.People)), make([]lane, len(b.p.Places))
	for i, w := range b.p.People {
		h := w.Hours
		if h == nil {
			h = []Window{}
		}
		b.people[i] = lane{hours: h, count: 1}
	}
	for i, w := range b.p.Places {
		b.places[i] = lane{hours: w.Hours, count: max(1, w.Count)}
	}
	n := len(b.steps)
	b.at, b.to, b.by, b.why = make([]int, n), make([]int, n), make([][]int, n), make([]string, n)
	for i := range b.at {
		b.at[i] = -1
	}
}

// early is the first minute at which what a step waits for is over, with what that is.
func (b *builder) early(i int) (int, string) {
	s := &b.steps[i]
	t, why := 0, ""
	if s.Not > 0 {
		t, why = s.Not, "what it needs comes then"
	}
	for _, a := range s.after {
		if b.to[a.step] == never || b.at[a.step] < 0 {
			return never, "it waits for what has no time"
		}
		if at := b.to[a.step] + a.wait; at > t {
			t = at
			why = "it follows " + b.name(a.step)
			if a.wait > 0 {
				why = fmt.Sprintf("%s wants %s behind it", b.name(a.step), span(a.wait))
			}
		}
	}
	return t, why
}

func (b *builder) name(i int) string { return cmp.Or(b.steps[i].Title, b.steps[i].ID) }

// who is what people call somebody.
func (b *builder) who(id string) string {
	for _, w := range b.p.People {
		if w.ID == id {
			return cmp.Or(w.Name, id)
		}
	}
	return id
}

func span(minutes int) string {
	if minutes < 90 {
		return fmt.Sprintf("%d min", minutes)
	}
	return fmt.Sprintf("%d h %02d", minutes/60, minutes%60)
}

// assign puts a step at the first minute from what it waits for on at which enough of some
// people, its places and its weather are free.
func (b *builder) assign(i int, who []int) bool {
	s := &b.steps[i]
	t, why := b.early(i)
	if s.Pin != nil {
		return b.pin(i, who)
	}
	for t < never {
		at, holds := b.common(s, who, t)
		if at == never {
			why = holds
			t = never
			break
		}
		if at == t {
			b.put(i, t, b.choose(s, who, t))
			b.why[i] = cmp.Or(why, "as soon as it can be")
			return true
		}
		t, why = at, holds
	}
	b.at[i], b.to[i], b.why[i] = -1, never, cmp.Or(why, "no time is left for it")
	return false
}

// common is the first minute from t on that could do, and what holds it up.
func (b *builder) common(s *step, who []int, t int) (int, string) {
	at, holds := t, ""
	later := func(v int, why string) {
		if v > at {
			at, holds = v, why
		}
	}
	if s.Fit != nil {
		later(within(s.Fit, t, s.Minutes), "the weather lets it then")
	}
	for _, u := range s.uses {
		later(b.places[u].free(t, s.Minutes), b.p.Places[u].ID+" is free then")
	}
	free := make([]int, 0, len(who))
	for _, w := range who {
		free = append(free, b.people[w].free(t, s.Minutes))
	}
	slices.Sort(free)
	if len(free) < s.need {
		return never, "too few may do it"
	}
	why := "somebody is free then"
	if s.need > 1 {
		why = fmt.Sprintf("%d people are free then", s.need)
	}
	later(free[s.need-1], why)
	return at, holds
}

// choose takes those who are free: first who is at the job already, then who has least to
// do and may do least else.
func (b *builder) choose(s *step, who []int, t int) []int {
	var free []int
	for _, w := range who {
		if b.people[w].free(t, s.Minutes) == t {
			free = append(free, w)
		}
	}
	at := func(w int) int {
		for _, a := range s.after {
			if slices.Contains(b.by[a.step], w) {
				return 0
			}
		}
		return 1
	}
	slices.SortStableFunc(free, func(x, y int) int {
		return cmp.Or(cmp.Compare(at(x), at(y)), cmp.Compare(len(b.p.People[x].May), len(b.p.People[y].May)),
			cmp.Compare(len(b.people[x].taken), len(b.people[y].taken)))
	})
	return slices.Clone(free[:s.need])
}

// put takes the time.
func (b *builder) put(i, t int, by []int) {
	s := &b.steps[i]
	w := Window{t, t + s.Minutes}
	for _, p := range by {
		b.people[p].take(w)
	}
	for _, u := range s.uses {
		b.places[u].take(w)
	}
	b.at[i], b.to[i], b.by[i] = t, w.To, by
}

// lift gives the time back.
func (b *builder) lift(i int) {
	if b.at[i] < 0 {
		return
	}
	w := Window{b.at[i], b.to[i]}
	for _, p := range b.by[i] {
		b.people[p].give(w)
	}
	for _, u := range b.steps[i].uses {
		b.places[u].give(w)
	}
	b.at[i], b.by[i] = -1, nil
}

// pin puts a step where a person wants it, and says what stands against it.
func (b *builder) pin(i int, who []int) bool {
	s := &b.steps[i]
	t := s.Pin.At
	by := []int{}
	for _, id := range s.Pin.People {
		by = append(by, slices.IndexFunc(b.p.People, func(w Person) bool { return w.ID == id }))
	}
	if e, why := b.early(i); e > t {
		b.at[i], b.to[i], b.why[i] = -1, never, "pinned too soon: "+why
		return false
	}
	if len(by) == 0 {
		at, holds := b.common(s, who, t)
		if at != t {
			b.at[i], b.to[i], b.why[i] = -1, never, "pinned where it cannot be: "+holds
			return false
		}
		by = b.choose(s, who, t)
	} else if why := b.against(s, by, t); why != "" {
		b.at[i], b.to[i], b.why[i] = -1, never, "pinned where it cannot be: "+why
		return false
	}
	b.put(i, t, by)
	b.why[i] = "pinned"
	return true
}

// against says why some people cannot do a step at a minute; empty where they can.
func (b *builder) against(s *step, by []int, t int) string {
	if len(by) != s.need {
		return fmt.Sprintf("it takes %d", s.need)
	}
	for _, w := range by {
		if !slices.Contains(s.may, w) {
			return b.who(b.p.People[w].ID) + " may not: " + s.Needs
		}
		if b.people[w].free(t, s.Minutes) != t {
			return b.who(b.p.People[w].ID) + " is not free"
		}
	}
	for _, u := range s.uses {
		if b.places[u].free(t, s.Minutes) != t {
			return b.p.Places[u].ID + " is not free"
		}
	}
	if s.Fit != nil && within(s.Fit, t, s.Minutes) != t {
		return "the weather does not let it"
	}
	return ""
}

// all lays every job in an order, pins first.
func (b *builder) all(order []int) float64 {
	b.clear()
	b.pins()
	for _, j := range order {
		for _, i := range b.order[j] {
			b.one(i)
		}
	}
	return b.cost()
}

// pins lays what is pinned to somebody: it has its hands and places before anybody.
func (b *builder) pins() {
	for _, i := range b.fixed {
		s := &b.steps[i]
		if len(s.Pin.People) == 0 || b.at[i] >= 0 {
			continue
		}
		if by := b.numbers(s.Pin.People); b.against(s, by, s.Pin.At) == "" {
			b.put(i, s.Pin.At, by)
			b.why[i] = "pinned"
		}
	}
}

// one lays a step in its turn; what is pinned already is held against what it waits for.
func (b *builder) one(i int) {
	if b.at[i] >= 0 {
		if e, why := b.early(i); e > b.at[i] {
			b.lift(i)
			b.to[i], b.why[i] = never, "pinned too soon: "+why
		}
		return
	}
	for _, a := range b.steps[i].after { // of another job that has no time yet
		if b.at[a.step] < 0 && b.to[a.step] != never {
			b.one(a.step)
		}
	}
	b.assign(i, b.steps[i].may)
}

func (b *builder) numbers(ids []string) []int {
	out := make([]int, 0, len(ids))
	for _, id := range ids {
		out = append(out, slices.IndexFunc(b.p.People, func(w Person) bool { return w.ID == id }))
	}
	return out
}

// lost is what a step without a time costs, hours: more than any lateness.
const lost = 10_000.0

// ready is when a job may go out; never where a step of it has no time.
func (b *builder) ready(j int) int {
	end := 0
	for _, i := range b.order[j] {
		if b.at[i] < 0 {
			return never
		}
		end = max(end, b.to[i])
	}
	return end + b.p.Jobs[j].Tail
}

func (b *builder) cost() float64 {
	sum := 0.0
	for j := range b.p.Jobs {
		sum += b.p.Jobs[j].cost(b.ready(j))
	}
	return sum
}

// cost is what it costs that a job is ready at a minute.
func (j Job) cost(ready int) float64 {
	if ready >= never {
		return lost
	}
	c := finishes * float64(ready) / 60
	if j.Promise != nil && ready > *j.Promise {
		c += cmp.Or(j.Weight, 1) * float64(ready-*j.Promise) / 60
	}
	return c
}

// plan is what stands in the lanes.
func (b *builder) plan() Plan {
	p := Plan{Steps: []Done{}, Ready: []Ready{}}
	end := 0
	for i, s := range b.steps {
		if b.at[i] < 0 {
			p.Left = append(p.Left, Left{s.ID, b.why[i]})
			continue
		}
		d := Done{Step: s.ID, Job: b.p.Jobs[s.job].ID, At: b.at[i], To: b.to[i], Why: b.why[i]}
		for _, w := range b.by[i] {
			d.People = append(d.People, b.p.People[w].ID)
		}
		slices.Sort(d.People)
		end = max(end, d.To)
		p.Steps = append(p.Steps, d)
	}
	slices.SortStableFunc(p.Steps, func(a, c Done) int { return cmp.Compare(a.At, c.At) })
	for j, job := range b.p.Jobs {
		r := Ready{Job: job.ID, At: b.ready(j)}
		last := -1
		for _, i := range b.order[j] {
			if last < 0 || b.to[i] >= b.to[last] {
				last = i
			}
		}
		switch {
		case r.At >= never:
			r.At, r.Why = -1, "no time for "+b.name(last)+": "+b.why[last]
		default:
			r.Why = b.name(last) + ": " + b.why[last]
			if job.Tail > 0 {
				r.Why = fmt.Sprintf("%s behind %s", span(job.Tail), b.name(last))
			}
			if job.Promise != nil && r.At > *job.Promise {
				r.Late = r.At - *job.Promise
				p.Late += cmp.Or(job.Weight, 1) * float64(r.Late) / 60
			}
		}
		p.Ready = append(p.Ready, r)
	}
	p.Cost, p.Tidy = b.cost(), tidying{b}.tidy()
	for i, w := range b.p.People {
		open, busy := 0, 0
		for _, h := range w.Hours {
			open += max(0, min(h.To, end)-max(h.From, 0))
		}
		for _, t := range b.people[i].taken {
			busy += t.To - t.From
		}
		p.Idle += float64(open-busy) / 60
	}
	return p
}

// Parts of the work on a plan, each with the builder that it works on.
type (
	bounds    struct{ *builder } // what no plan can be better than
	searching struct{ *builder } // orders in which jobs are laid
	mending   struct{ *builder } // what was laid is taken up and laid elsewhere
	tidying   struct{ *builder } // fewer changes of place, less idle
	shifting  struct{ *builder } // what runs over pushes what follows
	anew      struct{ *builder } // planned anew, no promise taken back
	calm      struct{ *builder } // what can stay does
)
