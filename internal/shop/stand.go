package shop

import (
	"context"
	"sync"
	"time"

	"freshshard/core/cure"
	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/core/route"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// stand is how an open job stands, as far as a list shows it. It follows from
// what is stored alone; what the clock adds is added when it is shown.
type stand struct {
	id                      int64
	object, customer, place string
	promised                *time.Time
	left                    int
	hard                    *time.Time // when what is waited for is hard
	panes                   []paneStand
}

// paneStand is how one pane stands.
type paneStand struct {
	id             int64
	name, waitsFor string
	family         string
	waitsUntil     *time.Time
	route          []route.Leg
	finished       bool
	glass          bool // it comes on a day that somebody said
	station, wants string
	step           *plan.Step // the first that is open
	problem        string
	cut            *ToCut // what there is to cut here
	two            *TwoAhead
	open           []openStep   // what is left of it, in order
	lay            *cure.Laying // a bead that could be laid at it
}

func (p paneStand) waits(now time.Time) bool {
	return waits(record.Pane{WaitsFor: p.waitsFor, WaitsUntil: p.waitsUntil}, now)
}

// next is the pane to go on with.
func (j stand) next(now time.Time) paneStand {
	best := -1
	for i, p := range j.panes {
		switch {
		case p.finished:
		case best < 0:
			best = i
		case j.panes[best].waits(now) && p.sooner(j.panes[best], now):
			best = i
		}
	}
	return j.panes[max(best, 0)]
}

// sooner says whether a pane can be gone on with before another, which waits.
func (p paneStand) sooner(than paneStand, now time.Time) bool {
	if !p.waits(now) {
		return true
	}
	return p.waitsUntil != nil && (than.waitsUntil == nil || p.waitsUntil.Before(*than.waitsUntil))
}

// standOf takes from a job that was worked out what a list shows of it.
func standOf(v View) stand {
	j := v.Job
	s := stand{id: j.ID, object: j.Object.Name, customer: j.Customer.Name, place: j.Place, promised: j.PromisedAt,
		left: v.MinutesTo, hard: hardBy(v.benches)}
	for _, b := range v.benches {
		p := paneStand{id: b.pane.ID, family: b.pane.Family, name: paneName(b.pane), waitsFor: b.pane.WaitsFor,
			waitsUntil: b.pane.WaitsUntil,
			route:      b.route, finished: b.finished(), glass: b.pane.WaitsFor != "" && b.pane.WaitsUntil != nil,
			cut: b.toCut(v.Unit), lay: b.laying(), two: b.twoAhead(), open: b.openWork(j)}
		for _, l := range b.route {
			if l.State == route.Now {
				p.station, p.wants = string(l.Station), v.unfinished(b, l)
				break
			}
		}
		if st := b.nextStep(); st != nil {
			own := *st
			p.step = &own
			// What hardens is waited for; a list shows it until the clock is out.
			if c, ok := b.standing.Clocks[st.Key]; ok && p.waitsFor == "" {
				p.waitsFor, p.waitsUntil = c.Waiting(), c.Ready
			}
		}
		switch {
		case b.reck.Fault != nil:
			p.problem = b.reck.Fault.Why
		case len(b.reck.Fit.Odd) > 0:
			p.problem = b.reck.Fit.Odd[0].Sentence
		default:
			if k := b.stop(""); k != nil {
				p.problem = k.Says
			}
		}
		s.panes = append(s.panes, p)
	}
	return s
}

// stands keeps how jobs stood at a pulse. Everything that changes what a job's
// list shows counts its pulse up, so an entry is right or is not found; another
// process keeps its own.
type stands struct {
	mu     sync.Mutex
	kept   map[int64]keptStand
	signed struct{ last, count int64 }
}

type keptStand struct {
	pulse int64
	unit  length.Unit
	stand
}

// mostStands is where keeping starts over; each takes a few kB.
const mostStands = 4000

func newStands() *stands { return &stands{kept: map[int64]keptStand{}} }

func (k *stands) find(id, pulse int64, unit length.Unit) (stand, bool) {
	k.mu.Lock()
	defer k.mu.Unlock()
	e, ok := k.kept[id]
	return e.stand, ok && e.pulse == pulse && e.unit == unit
}

func (k *stands) keep(id, pulse int64, unit length.Unit, s stand) {
	k.mu.Lock()
	defer k.mu.Unlock()
	if len(k.kept) >= mostStands {
		clear(k.kept)
	}
	k.kept[id] = keptStand{pulse, unit, s}
}

// standing tells how jobs stand, in their order, and reckons only those that
// have changed since it was asked last.
func (s *Shop) standing(ctx context.Context, open []store.Turned, unit length.Unit) ([]stand, error) {
	found := map[int64]stand{}
	var changed []int64
	for _, o := range open {
		if st, ok := s.stands.find(o.ID, o.Pulse, unit); ok {
			found[o.ID] = st
		} else {
			changed = append(changed, o.ID)
		}
	}
	jobs, err := s.store.Jobs(ctx, changed)
	if err != nil {
		return nil, err
	}
	for _, j := range jobs {
		if err := ctx.Err(); err != nil {
			return nil, err
		}
		v, err := s.view(j, nil, 0, unit, numbers)
		if err != nil {
			return nil, err
		}
		st := standOf(v)
		s.stands.keep(j.ID, j.Pulse, unit, st)
		found[j.ID] = st
	}
	out := make([]stand, 0, len(open))
	for _, o := range open {
		if st, ok := found[o.ID]; ok {
			out = append(out, st)
		}
	}
	return out, nil
}

// openStands tells how the open jobs stand, the soonest promised first, up to so many.
func (s *Shop) openStands(ctx context.Context, most int) ([]stand, error) {
	shop, err := s.store.Shop(ctx)
	if err != nil {
		return nil, err
	}
	open, err := s.store.OpenJobs(ctx, most)
	if err != nil {
		return nil, err
	}
	return s.standing(ctx, open, shop.Unit)
}

// countSigned counts the signed jobs; it counts again when one was added.
func (s *Shop) countSigned(ctx context.Context) (int, error) {
	last, err := s.store.LastTicket(ctx)
	if err != nil {
		return 0, err
	}
	k := s.stands
	k.mu.Lock()
	defer k.mu.Unlock()
	if k.signed.last != last {
		n, err := s.store.CountTickets(ctx)
		if err != nil {
			return 0, err
		}
		k.signed.last, k.signed.count = last, n
	}
	return int(k.signed.count), nil
}
