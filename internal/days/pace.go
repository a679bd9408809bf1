package days

import (
	"context"
	"fmt"
	"math"
	"strings"
	"time"

	"freshshard/core/family"
	"freshshard/core/pace"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// How far back work is looked at, and how much of it at most.
const (
	paceBack  = 2 * 365 * 24 * time.Hour
	mostTicks = 4000
)

// Learnt is how long work takes here, from what was ticked.
func (s *Service) Learnt(ctx context.Context) (pace.Pace, error) {
	seen, err := s.Store.Days.Ticks(ctx, s.Now().Add(-paceBack), mostTicks)
	if err != nil {
		return pace.Pace{}, err
	}
	return pace.Learn(pace.Runs(bookOf(seen))), nil
}

// bookOf puts the book's minutes to each tick.
func bookOf(seen []record.TickSeen) []pace.Tick {
	book := map[string]map[string]int{}
	out := make([]pace.Tick, 0, len(seen))
	for _, v := range seen {
		if book[v.Family] == nil {
			book[v.Family] = map[string]int{}
			if f, err := family.Book.ByID(v.Family); err == nil {
				for _, st := range f.Steps {
					book[v.Family][st.Key] = st.Minutes
				}
			}
		}
		out = append(out, pace.Tick{Who: v.Who, Job: v.Job, Family: v.Family, Place: v.Place, Book: book[v.Family][v.Step],
			At: v.At})
	}
	return out
}

// takes is how long a piece of work takes here, min, and how that is known.
func (w *dayWork) takes(book int, family, place string) (int, string) {
	factor, seen := w.pace.Takes(family, place)
	factor = pace.Steady(factor)
	took := max(1, int(math.Round(float64(book)*factor)))
	switch {
	case w.pace.Seen() == 0:
		return took, fmt.Sprintf("%d min by the book; nothing was timed here yet", book)
	case seen == 0:
		return took, fmt.Sprintf("%d min by the book, × %.2f as the shop works; this way of holding was not timed here yet",
			book, factor)
	}
	return took, fmt.Sprintf("%d min by the book, × %.2f as this way of holding took here; jobs timed: %d", book, factor,
		seen)
}

// mostCame is how many deliveries are looked at.
const mostCame = 1000

// Arrivals is how surely things come when it was said.
func (s *Service) Arrivals(ctx context.Context) (pace.Arrivals, error) {
	came, err := s.Store.Orders.Came(ctx, s.Now().Add(-paceBack), mostCame)
	return pace.Arrive(came), err
}

// comesFrom is whom a pane waits for, as the order names it; nothing where it is no order.
func comesFrom(waits string) string {
	who, ok := strings.CutPrefix(waits, jobview.FromOrder)
	if !ok {
		return ""
	}
	who, _, _ = strings.Cut(who, ", which was wrong")
	return who
}
