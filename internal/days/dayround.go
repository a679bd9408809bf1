package days

import (
	"context"
	"fmt"
	"slices"
	"time"

	"freshshard/core/schedule"
	"freshshard/internal/record"
	"freshshard/internal/standing"
)

// dayRounds puts the rounds that were taken into the days: who is in the van is not at the
// bench.
func (s *Service) dayRounds(ctx context.Context, w *dayWork) error {
	m, err := s.Store.Rounds.RoadMap(ctx)
	if err != nil {
		return err
	}
	_ = w.roadsOf(m) // said beside the days
	if w.sites, err = s.Store.Rounds.Sites(ctx); err != nil {
		return err
	}
	if w.rounds, err = s.Store.Rounds.Rounds(ctx, w.now); err != nil {
		return err
	}
	if w.what.apart {
		return nil
	}
	for _, r := range w.rounds {
		from, to := w.minute(r.Leaves), w.minute(r.Back)
		for i := range w.p.People {
			if p := &w.p.People[i]; slices.Contains(r.People, w.names[i].ID) {
				if !slices.ContainsFunc(p.Hours, func(h schedule.Window) bool { return h.From < to && from < h.To }) {
					w.warn = append(w.warn, DayLeft{0, "Round on " + r.Leaves.In(w.zone).Format("Mon 2 Jan"), p.Name +
						" does not work then"})
				}
				p.Hours = without(p.Hours, from, to)
			}
		}
		for i := range w.p.Places {
			if w.p.Places[i].ID == "van" {
				w.p.Places[i].Hours = without(w.p.Places[i].Hours, from, to)
			}
		}
	}
	return nil
}

// without are hours with a stretch cut out of them.
func without(hours []schedule.Window, from, to int) []schedule.Window {
	out := []schedule.Window{}
	for _, h := range hours {
		if h.To <= from || to <= h.From {
			out = append(out, h)
			continue
		}
		if h.From < from {
			out = append(out, schedule.Window{From: h.From, To: from})
		}
		if to < h.To {
			out = append(out, schedule.Window{From: to, To: h.To})
		}
	}
	return out
}

// inRound takes out of a job what is done in a round; what comes after it waits for that.
func (w *dayWork) inRound(job *schedule.Job, j standing.Job) {
	for _, r := range w.rounds {
		for _, st := range r.Stops {
			if st.Job != j.ID {
				continue
			}
			done, left := w.minute(st.Done), []schedule.Step{}
			for _, s := range job.Steps {
				if !slices.Contains(st.Steps, s.ID) {
					left = append(left, s)
				} else if s.Not > w.minute(st.Begins) {
					w.warn = append(w.warn, DayLeft{j.ID, j.Object,
						fmt.Sprintf("what “%s” needs is not here when the round is there", s.Title)})
				}
			}
			for i := range left {
				after := []schedule.After{}
				for _, a := range left[i].After {
					if slices.Contains(st.Steps, a.Step) {
						left[i].Not = max(left[i].Not, done+a.Wait)
					} else {
						after = append(after, a)
					}
				}
				left[i].After = after
			}
			if job.Steps = left; len(left) == 0 {
				w.gone = append(w.gone, goneJob{j, st.Done})
			}
		}
	}
}

// van are the stretches of somebody's rounds: roads, ferries, and the work at the stops.
func (w *dayWork) van(account int64) []DayStep {
	out := []DayStep{}
	for _, r := range w.rounds {
		if !slices.Contains(r.People, account) {
			continue
		}
		sheet := w.sheet(r)
		with := []string{}
		for i, id := range r.People {
			if id != account {
				with = append(with, sheet.Names[i])
			}
		}
		n := 0
		add := func(k DayStep) {
			n++
			k.Key = fmt.Sprintf("round/%d/%d", r.ID, n)
			k.With, k.Pinned, k.Round, k.Place = with, true, r.ID, "van"
			out = append(out, k)
		}
		hops := func(way []record.RoundHop) {
			for _, h := range way {
				title := "Drive to " + h.To
				if h.Ferry != "" {
					title = h.Ferry + " to " + h.To
				}
				add(DayStep{Title: title, From: h.Leaves, To: h.Lands, Why: "the round goes that way"})
			}
		}
		for i, st := range r.Stops {
			hops(st.Way)
			add(DayStep{Job: st.Job, Object: sheet.Visits[i].Object, Title: "At " + st.Place + ": " + sheet.Visits[i].What,
				Station: "strip",
				From:    st.Begins, To: st.Done, Why: "the round is there then"})
		}
		hops(r.Home)
	}
	return out
}

// goneReady is a job whose last work is done in a round.
func (g goneJob) dayReady() DayReady {
	out := DayReady{Job: g.ID, Object: g.Object, Promised: g.Promised, Ready: &g.ready, Nine: &g.ready, Sure: &g.ready,
		Kept: 1, Safe: true,
		Why: "done in a round"}
	if g.Promised != nil && g.ready.After(*g.Promised) {
		out.Late, out.Kept, out.Safe = int(g.ready.Sub(*g.Promised)/time.Minute), 0, false
	}
	return out
}
