package standing

import (
	"context"
	"sync"
	"time"

	"freshshard/core/cure"
	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/core/route"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Job is how an open job stands, as far as a list shows it. It follows from
// what is stored alone; what the clock adds is added when it is shown.
type Job struct {
	ID                      int64
	Object, Customer, Place string
	Promised                *time.Time
	Left                    int
	Hard                    *time.Time // when what is waited for is hard
	Panes                   []Pane
}

// Pane is how one pane stands.
type Pane struct {
	ID             int64
	Name, WaitsFor string
	Family         string
	WaitsUntil     *time.Time
	Route          []route.Leg
	Finished       bool
	Glass          bool // it comes on a day that somebody said
	Station, Wants string
	Step           *plan.Step // the first that is open
	Problem        string
	Cut            *ToCut // what there is to cut here
	Two            *TwoAhead
	Open           []Step       // what is left of it, in order
	Lay            *cure.Laying // a bead that could be laid at it
}

func (p Pane) Waits(now time.Time) bool {
	return jobview.Waits(record.Pane{WaitsFor: p.WaitsFor, WaitsUntil: p.WaitsUntil}, now)
}

// Next is the pane to go on with.
func (j Job) Next(now time.Time) Pane {
	best := -1
	for i, p := range j.Panes {
		switch {
		case p.Finished:
		case best < 0:
			best = i
		case j.Panes[best].Waits(now) && p.sooner(j.Panes[best], now):
			best = i
		}
	}
	return j.Panes[max(best, 0)]
}

// sooner says whether a pane can be gone on with before another, which waits.
func (p Pane) sooner(than Pane, now time.Time) bool {
	if !p.Waits(now) {
		return true
	}
	return p.WaitsUntil != nil && (than.WaitsUntil == nil || p.WaitsUntil.Before(*than.WaitsUntil))
}

// standOf takes from a job that was worked out what a list shows of it.
func Of(v jobview.View) Job {
	j := v.Job
	s := Job{ID: j.ID, Object: j.Object.Name, Customer: j.Customer.Name, Place: j.Place, Promised: j.PromisedAt,
		Left: v.MinutesTo, Hard: jobview.HardBy(v.Benches)}
	for _, b := range v.Benches {
		p := Pane{ID: b.Pane.ID, Family: b.Pane.Family, Name: jobview.Name(b.Pane), WaitsFor: b.Pane.WaitsFor,
			WaitsUntil: b.Pane.WaitsUntil,
			Route:      b.Route, Finished: b.Finished(), Glass: b.Pane.WaitsFor != "" && b.Pane.WaitsUntil != nil,
			Cut: toCut(b, v.Unit), Lay: laying(b), Two: NextForTwo(b), Open: openWork(b, j)}
		for _, l := range b.Route {
			if l.State == route.Now {
				p.Station, p.Wants = string(l.Station), v.Unfinished(b, l)
				break
			}
		}
		if st := b.NextStep(); st != nil {
			own := *st
			p.Step = &own
			// What hardens is waited for; a list shows it until the clock is out.
			if c, ok := b.Standing.Clocks[st.Key]; ok && p.WaitsFor == "" {
				p.WaitsFor, p.WaitsUntil = c.Waiting(), c.Ready
			}
		}
		switch {
		case b.Reckoning.Fault != nil:
			p.Problem = b.Reckoning.Fault.Why
		case len(b.Reckoning.Fit.Odd) > 0:
			p.Problem = b.Reckoning.Fit.Odd[0].Sentence
		default:
			if k := b.Stop(""); k != nil {
				p.Problem = k.Says
			}
		}
		s.Panes = append(s.Panes, p)
	}
	return s
}

// kept keeps how jobs stood at a pulse. Everything that changes what a job's
// list shows counts its pulse up, so an entry is right or is not found; another
// process keeps its own.
type kept struct {
	mu     sync.Mutex
	Kept   map[int64]keptStand
	signed struct{ last, count int64 }
}

type keptStand struct {
	pulse int64
	unit  length.Unit
	Job
}

// mostStands is where keeping starts over; each takes a few kB.
const mostStands = 4000

func NewKept() *kept { return &kept{Kept: map[int64]keptStand{}} }

func (k *kept) find(id, pulse int64, unit length.Unit) (Job, bool) {
	k.mu.Lock()
	defer k.mu.Unlock()
	e, ok := k.Kept[id]
	return e.Job, ok && e.pulse == pulse && e.unit == unit
}

func (k *kept) keep(id, pulse int64, unit length.Unit, s Job) {
	k.mu.Lock()
	defer k.mu.Unlock()
	if len(k.Kept) >= mostStands {
		clear(k.Kept)
	}
	k.Kept[id] = keptStand{pulse, unit, s}
}

// Of tells how jobs stand, in their order, and reckons only those that
// have changed since it was asked last.
func (s *Service) Of(ctx context.Context, open []store.Turned, unit length.Unit) ([]Job, error) {
	found := map[int64]Job{}
	var changed []int64
	for _, o := range open {
		if st, ok := s.Stands.find(o.ID, o.Pulse, unit); ok {
			found[o.ID] = st
		} else {
			changed = append(changed, o.ID)
		}
	}
	jobs, err := s.Store.Jobs.Several(ctx, changed)
	if err != nil {
		return nil, err
	}
	for _, j := range jobs {
		if err := ctx.Err(); err != nil {
			return nil, err
		}
		v, err := s.View(j, nil, 0, unit, jobview.Numbers)
		if err != nil {
			return nil, err
		}
		st := Of(v)
		s.Stands.keep(j.ID, j.Pulse, unit, st)
		found[j.ID] = st
	}
	out := make([]Job, 0, len(open))
	for _, o := range open {
		if st, ok := found[o.ID]; ok {
			out = append(out, st)
		}
	}
	return out, nil
}

// Open tells how the open jobs stand, the soonest promised first, up to so many.
func (s *Service) Open(ctx context.Context, most int) ([]Job, error) {
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return nil, err
	}
	open, err := s.Store.Jobs.OpenJobs(ctx, most)
	if err != nil {
		return nil, err
	}
	return s.Of(ctx, open, shop.Unit)
}

// CountSigned counts the signed jobs; it counts again when one was added.
func (s *Service) CountSigned(ctx context.Context) (int, error) {
	last, err := s.Store.Jobs.LastTicket(ctx)
	if err != nil {
		return 0, err
	}
	k := s.Stands
	k.mu.Lock()
	defer k.mu.Unlock()
	if k.signed.last != last {
		n, err := s.Store.Jobs.CountTickets(ctx)
		if err != nil {
			return 0, err
		}
		k.signed.last, k.signed.count = last, n
	}
	return int(k.signed.count), nil
}
