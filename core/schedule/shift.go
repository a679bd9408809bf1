package schedule

import (
	"cmp"
	"container/heap"
	"slices"
)

const (
	// slight is by how many minutes a step may begin otherwise, in the same hands, before
	// anybody calls it moved. Judgement, no source.
	slight = 15
	// outOfTurn is by how many minutes what a step waits for may be late, or others may be
	// sooner than its own hands, before it loses its turn. Judgement, no source.
	outOfTurn = 120
)

// shift lays the steps of a plan in their order and in their hands, each no sooner than it
// was: one that takes longer, or has not been begun, pushes what stands behind it, until a
// gap takes that up. What has lost its turn pushes nobody: it comes behind, into the gaps.
func (b shifting) shift(before Plan) {
	order, was := b.inOrder(before)
	b.clear()
	b.pins()
	q := newQueue(b.builder, order, was)
	for q.Len() > 0 {
		if i := q.next(); b.at[i] >= 0 || b.push(i, was[i]) {
			q.laid(i)
		}
	}
	for _, i := range order {
		b.one(i)
	}
}

// push lays a step in its own hands, no sooner than it was; false where it has lost its
// turn, or what is pinned cannot be there.
func (b shifting) push(i int, was *Done) bool {
	s := &b.steps[i]
	if s.Pin != nil {
		return b.assign(i, s.may)
	}
	by := b.numbers(was.People)
	if s.Not > was.At+outOfTurn || len(by) != s.need || slices.ContainsFunc(by, func(w int) bool {
		return !slices.Contains(s.may, w)
	}) {
		return false
	}
	not := s.Not
	s.Not = max(not, was.At)
	defer func() { s.Not = not }()
	if !b.assign(i, by) {
		b.to[i] = 0
		return false
	}
	if at := b.at[i]; at > was.At+outOfTurn {
		b.lift(i)
		others := b.assign(i, s.may) && b.at[i] <= at-outOfTurn
		b.lift(i)
		if b.to[i] = 0; others {
			return false
		}
		b.assign(i, by)
	}
	if b.at[i] == was.At {
		b.why[i] = was.Why
	}
	return true
}

// queue holds the steps of a plan of which all is laid that they wait for, by when they can
// begin.
type queue struct {
	b     *builder
	was   []*Done
	turn  []int // of each step in the order of the plan
	waits []int // how many that it waits for are not laid
	then  [][]int
	ready []int
	can   []int
}

func newQueue(b *builder, order []int, was []*Done) *queue {
	n := len(b.steps)
	q := &queue{b: b, was: was, turn: make([]int, n), waits: make([]int, n), then: make([][]int, n), can: make([]int, n)}
	for k, i := range order {
		q.turn[i] = k
		q.waits[i] = len(b.steps[i].after)
		for _, a := range b.steps[i].after {
			q.then[a.step] = append(q.then[a.step], i)
		}
	}
	for _, i := range order {
		q.join(i)
	}
	return q
}

// join lets a step in that was in the plan and waits for nothing any more.
func (q *queue) join(i int) {
	if q.waits[i] > 0 || q.was[i] == nil {
		return
	}
	e, _ := q.b.early(i)
	q.can[i] = max(e, q.was[i].At)
	heap.Push(q, i)
}

func (q *queue) next() int { return heap.Pop(q).(int) }

func (q *queue) laid(i int) {
	for _, k := range q.then[i] {
		q.waits[k]--
		q.join(k)
	}
}

func (q *queue) Len() int { return len(q.ready) }
func (q *queue) Less(x, y int) bool {
	i, k := q.ready[x], q.ready[y]
	return cmp.Or(cmp.Compare(q.can[i], q.can[k]), cmp.Compare(q.turn[i], q.turn[k])) < 0
}
func (q *queue) Swap(x, y int) { q.ready[x], q.ready[y] = q.ready[y], q.ready[x] }
func (q *queue) Push(x any)    { q.ready = append(q.ready, x.(int)) }
func (q *queue) Pop() any {
	n := len(q.ready) - 1
	i := q.ready[n]
	q.ready = q.ready[:n]
	return i
}

// inOrder are all steps in the order in which they were to be done, with where they were;
// what is new comes behind, the soonest promised first.
func (b shifting) inOrder(before Plan) (order []int, was []*Done) {
	was = make([]*Done, len(b.steps))
	number := map[string]int{}
	for i, s := range b.steps {
		number[s.ID] = i
	}
	for k := range before.Steps {
		if i, ok := number[before.Steps[k].Step]; ok && was[i] == nil {
			was[i] = &before.Steps[k]
			order = append(order, i)
		}
	}
	for _, j := range searching(b).starts()[0] {
		for _, i := range b.order[j] {
			if was[i] == nil {
				order = append(order, i)
			}
		}
	}
	return order, was
}
