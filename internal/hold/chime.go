package hold

import (
	"context"
	"slices"
	"time"

	"freshshard/core/cure"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// Chime is a clock that calls next: what may be done then, and where.
type Chime struct {
	Job    int64     `json:"job"`
	Pane   int64     `json:"pane"`
	Object string    `json:"object"`
	At     time.Time `json:"at"`
	Title  string    `json:"title"`
	May    string    `json:"may"`
	Out    bool      `json:"out" doc:"It is out: somebody can go on"`
	Kind   string    `json:"kind" enum:"hardens,runs,comes" doc:"What hardens, a clock that runs, what is delivered"`
}

// How far ahead a clock is shown, and how long after it is out.
const (
	chimeAhead = 72 * time.Hour
	chimePast  = 12 * time.Hour
)

// Chimes are the clocks of open jobs that call within three days, one each: the next one,
// or that which has just gone out.
func (s *Service) Chimes(ctx context.Context, now time.Time) ([]Chime, error) {
	running, err := s.Store.Cures.RunningCures(ctx, "")
	if err != nil {
		return nil, err
	}
	out := []Chime{}
	for _, r := range running {
		if c := ChimeOf(r.Cure, now); c != nil {
			c.Job, c.Pane, c.Object = r.Job, r.Pane, r.Object
			out = append(out, *c)
		}
	}
	timers, err := s.Store.Cures.RunningTimers(ctx, now.Add(-chimePast))
	if err != nil {
		return nil, err
	}
	for _, r := range timers {
		if r.Until.After(now.Add(chimeAhead)) {
			continue
		}
		c := Chime{Kind: "runs", Job: r.Job, Pane: r.Pane, Object: r.Object, At: r.Until, Title: r.What, May: "go on",
			Out: r.Out(now)}
		if n := r.Run.Next(); n != nil {
			c.May = "next: " + jobview.LowerFirst(n.What)
		}
		out = append(out, c)
	}
	comes, err := s.Store.Orders.ArrivingOrders(ctx, now.Add(chimeAhead))
	if err != nil {
		return nil, err
	}
	for _, r := range comes {
		out = append(out, Chime{Kind: "comes", Job: r.Job, Object: r.Object, At: r.Due, Title: "From " + r.Who,
			May: "look it over when it comes",
			Out: !r.Due.After(now)})
	}
	slices.SortStableFunc(out, func(a, b Chime) int { return a.At.Compare(b.At) })
	return out, nil
}

// ChimeOf is the next clock of something that hardens; nil where none calls soon.
func ChimeOf(c record.Cure, now time.Time) *Chime {
	words := cure.Words(c.Adhesive)
	var last *Chime
	for i, at := range []*time.Time{c.LetGo, c.Ready, c.Full} {
		if at == nil || at.After(now.Add(chimeAhead)) {
			break
		}
		last = &Chime{Kind: "hardens", At: *at, Title: words[i][0], May: words[i][1], Out: !at.After(now)}
		if !last.Out {
			return last
		}
	}
	if last != nil && last.At.Before(now.Add(-chimePast)) {
		return nil
	}
	return last
}
