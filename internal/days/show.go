package days

import (
	"slices"
	"strconv"
	"time"

	"freshshard/core/schedule"
	"freshshard/internal/standing"
)

// days shows the plan.
func (l *laidDays) days() Days {
	w, plan, odds := l.w, l.plan, l.odds
	out := &Days{From: w.now, Hours: []Hour{}, People: []DayLane{}, Jobs: []DayReady{}, Left: l.left,
		Loose: append(l.loose, w.warn...), Weather: []DryHour{},
		Late: plan.Late, Proved: plan.Proved, Version: l.version}
	w.dry(out)
	if len(w.p.Jobs)+len(w.rounds) == 0 {
		return *out
	}
	moved := map[string]bool{}
	for _, m := range l.moves {
		if m.From >= 0 {
			out.Moved++
			moved[m.Step] = true
		}
	}
	out.ByHand, out.Tidy = schedule.ByHand(w.p).Late, Tidied{plan.Tidy, w.idle(plan)}
	if plan.Cost > 0 {
		out.Gap = max(0, 1-plan.Bound/plan.Cost)
	}
	name := map[string]string{}
	for _, a := range w.names {
		name[strconv.FormatInt(a.ID, 10)] = a.Name
	}
	end := 0
	for _, d := range plan.Steps {
		end = max(end, d.To)
	}
	end = max(end, 2*24*60)
	for i, p := range w.p.People {
		lane := DayLane{ID: w.names[i].ID, Name: w.names[i].Name, Hours: w.shown(p.Hours, end), Steps: []DayStep{}}
		for _, d := range plan.Day(p.ID) {
			of := w.steps[d.Step]
			st := DayStep{Key: d.Step, Job: of.job, Pane: of.pane, Object: of.object, Title: of.title, Station: of.station,
				From: w.at(d.At),
				To:   w.at(d.To), With: []string{}, Why: d.Why, Takes: of.takes, Place: w.placeOf(d.Step),
				Pinned: w.pinOf(d.Step) != nil, Moved: moved[d.Step]}
			for _, o := range d.People {
				if o != p.ID {
					st.With = append(st.With, name[o])
				}
			}
			lane.Steps = append(lane.Steps, st)
		}
		lane.Steps = append(lane.Steps, w.van(w.names[i].ID)...)
		slices.SortFunc(lane.Steps, func(a, b DayStep) int { return a.From.Compare(b.From) })
		out.People = append(out.People, lane)
	}
	var all []schedule.Window
	for _, p := range w.p.People {
		all = append(all, p.Hours...)
	}
	slices.SortFunc(all, func(a, b schedule.Window) int { return a.From - b.From })
	var joined []schedule.Window
	for _, h := range all {
		if n := len(joined); n > 0 && h.From <= joined[n-1].To {
			joined[n-1].To = max(joined[n-1].To, h.To)
		} else {
			joined = append(joined, h)
		}
	}
	out.Hours = w.shown(joined, end)
	for i, r := range plan.Ready {
		j := w.jobs[i]
		k := DayReady{Job: j.ID, Object: j.Object, Promised: j.Promised, Late: r.Late, Why: r.Why, Kept: odds[i].Kept,
			Safe:  safe(j.Promised, odds[i]),
			Glass: slices.ContainsFunc(j.Panes, func(p standing.Pane) bool { return p.Glass })}
		if r.At >= 0 {
			k.Ready = w.time(r.At)
			k.Nine, k.Sure = w.time(odds[i].Nine), w.time(odds[i].Sure)
		}
		out.Jobs = append(out.Jobs, k)
	}
	for _, g := range w.gone {
		out.Jobs = append(out.Jobs, g.dayReady())
	}
	for _, l := range plan.Left {
		of := w.steps[l.Step]
		out.Left = append(out.Left, DayLeft{of.job, of.object, of.title + ": " + l.Why})
	}
	return *out
}

// time is a minute on the clock; nothing for one that does not come.
func (w *dayWork) time(minute int) *time.Time {
	if minute >= daysAhead*24*60 {
		return nil
	}
	t := w.at(minute)
	return &t
}

// shown are hours up to a minute.
func (w *dayWork) shown(hours []schedule.Window, end int) []Hour {
	out := []Hour{}
	for _, h := range hours {
		if h.From < end {
			out = append(out, Hour{w.at(h.From), w.at(h.To)})
		}
	}
	return out
}

// dry is what it is outdoors, three hours each, as far as anybody plans by it.
func (w *dayWork) dry(out *Days) {
	for i, a := range w.Air {
		if i%3 == 0 && i < 7*24 {
			out.Weather = append(out.Weather, DryHour{a.At, a.C, a.RH, w.Fit(a)})
		}
	}
}

// safe says that a promise is kept, or was not given.
func safe(promised *time.Time, o schedule.Odds) bool {
	return promised == nil || o.Kept >= schedule.Safe
}

// placeOf is where a step is done; nothing where that does not matter.
func (w *dayWork) placeOf(step string) string {
	for _, j := range w.p.Jobs {
		for _, s := range j.Steps {
			if s.ID == step && len(s.Uses) > 0 {
				return s.Uses[0]
			}
		}
	}
	return ""
}

// soonIdle is how far ahead it is said that people have nothing to do, min.
const soonIdle = 2 * 24 * 60

// idle is how many hours people have nothing to do soon.
func (w *dayWork) idle(plan schedule.Plan) float64 {
	left := 0
	for _, p := range w.p.People {
		for _, h := range p.Hours {
			left += max(0, min(h.To, soonIdle)-h.From)
		}
	}
	for _, d := range plan.Steps {
		left -= max(0, min(d.To, soonIdle)-d.At) * len(d.People)
	}
	return float64(left) / 60
}
