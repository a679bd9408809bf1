package days

import (
	"slices"
	"strconv"
	"time"

	"freshshard/core/schedule"
	"freshshard/internal/standing"
)

// days shows the plan.
func (l *daysPlan) days() Days {
	w, plan := l.w, l.plan
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
	out.ByHand, out.Tidy = schedule.ByHand(w.p).Late, Tidied{plan.Tidy, l.idle(plan)}
	if plan.Cost > 0 {
		out.Gap = max(0, 1-plan.Bound/plan.Cost)
	}
	end := 2 * 24 * 60
	for _, d := range plan.Steps {
		end = max(end, d.To)
	}
	for i := range w.p.People {
		out.People = append(out.People, l.lane(i, end, moved))
	}
	out.Hours = l.shown(l.open(), end)
	for i := range plan.Ready {
		out.Jobs = append(out.Jobs, l.ready(i))
	}
	for _, g := range w.gone {
		out.Jobs = append(out.Jobs, g.dayReady())
	}
	for _, left := range plan.Left {
		of := w.steps[left.Step]
		out.Left = append(out.Left, DayLeft{of.job, of.object, of.title + ": " + left.Why})
	}
	return *out
}

// lane is what one person does, up to the last minute that is shown.
func (l *daysPlan) lane(i, end int, moved map[string]bool) DayLane {
	w, p := l.w, l.w.p.People[i]
	name := map[string]string{}
	for _, a := range w.names {
		name[strconv.FormatInt(a.ID, 10)] = a.Name
	}
	lane := DayLane{ID: w.names[i].ID, Name: w.names[i].Name, Hours: l.shown(p.Hours, end), Steps: []DayStep{}}
	for _, d := range l.plan.Day(p.ID) {
		of := w.steps[d.Step]
		st := DayStep{Key: d.Step, Job: of.job, Pane: of.pane, Object: of.object, Title: of.title, Station: of.station,
			From: w.at(d.At),
			To:   w.at(d.To), With: []string{}, Why: d.Why, Takes: of.takes, Place: l.placeOf(d.Step),
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
	return lane
}

// open are the hours in which anybody works.
func (l *daysPlan) open() []schedule.Window {
	var all, joined []schedule.Window
	for _, p := range l.w.p.People {
		all = append(all, p.Hours...)
	}
	slices.SortFunc(all, func(a, b schedule.Window) int { return a.From - b.From })
	for _, h := range all {
		if n := len(joined); n > 0 && h.From <= joined[n-1].To {
			joined[n-1].To = max(joined[n-1].To, h.To)
		} else {
			joined = append(joined, h)
		}
	}
	return joined
}

// ready is when a job is done, with how sure that is.
func (l *daysPlan) ready(i int) DayReady {
	w, r, j, odds := l.w, l.plan.Ready[i], l.w.jobs[i], l.odds[i]
	k := DayReady{Job: j.ID, Object: j.Object, Promised: j.Promised, Late: r.Late, Why: r.Why, Kept: odds.Kept,
		Safe:  safe(j.Promised, odds),
		Glass: slices.ContainsFunc(j.Panes, func(p standing.Pane) bool { return p.Glass })}
	if r.At >= 0 {
		k.Ready = w.time(r.At)
		k.Nine, k.Sure = w.time(odds.Nine), w.time(odds.Sure)
	}
	return k
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
func (l *daysPlan) shown(hours []schedule.Window, end int) []Hour {
	out := []Hour{}
	for _, h := range hours {
		if h.From < end {
			out = append(out, Hour{l.w.at(h.From), l.w.at(h.To)})
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
func (l *daysPlan) placeOf(step string) string {
	for _, j := range l.w.p.Jobs {
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
func (l *daysPlan) idle(plan schedule.Plan) float64 {
	left := 0
	for _, p := range l.w.p.People {
		for _, h := range p.Hours {
			left += max(0, min(h.To, soonIdle)-h.From)
		}
	}
	for _, d := range plan.Steps {
		left -= max(0, min(d.To, soonIdle)-d.At) * len(d.People)
	}
	return float64(left) / 60
}
