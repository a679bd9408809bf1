package days

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/schedule"
	"freshshard/internal/change"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/standing"
)

// ways are what would have a job ready by a time, nine times in ten, in words.
func (l *daysPlan) ways(ctx context.Context, i int, by time.Time) ([]DayWay, error) {
	w := l.w
	all, err := schedule.Ways(ctx, w.p, l.plan, w.slips, w.p.Jobs[i].ID, w.minute(by))
	out := []DayWay{}
	for _, k := range all {
		out = append(out, DayWay{Kind: k.Kind, Nine: w.at(k.Nine), Says: l.waySaid(k)})
	}
	return out, err
}

func (l *daysPlan) waySaid(k schedule.Way) string {
	w := l.w
	clock := func(m int, layout string) string { return w.at(m).In(w.zone).Format(layout) }
	says := ""
	switch k.Kind {
	case "hand":
		says = fmt.Sprintf("one more person, %s to %s", clock(k.From, "Mon 15:04"), clock(k.To, "15:04"))
	case "longer":
		says = fmt.Sprintf("staying until %s on %s", clock(k.To, "15:04"), clock(k.From, "Mon"))
	case "sooner":
		says = "the glass a day sooner"
	case "first":
		says = "doing it before all others"
	}
	if len(k.Costs) > 0 {
		names := []string{}
		for _, id := range k.Costs {
			names = append(names, l.nameOf(id))
		}
		says += "; not safe any more then: " + strings.Join(names[:min(3, len(names))], ", ")
		if n := len(names) - 3; n > 0 {
			says += fmt.Sprintf(" and %d more", n)
		}
	}
	return says
}

func (l *daysPlan) nameOf(job string) string {
	for _, j := range l.w.p.Jobs {
		if j.ID == job {
			return j.Name
		}
	}
	return job
}

// DayOffer is when a job that is about to be taken in could be ready.
type DayOffer struct {
	Ready   *time.Time `json:"ready,omitempty"`
	Nine    *time.Time `json:"nine,omitempty" doc:"Kept nine times in ten"`
	Sure    *time.Time `json:"sure,omitempty" doc:"Kept ninety-nine times in a hundred"`
	Why     string     `json:"why"`
	Sooner  *time.Time `json:"sooner,omitempty" doc:"The evening before, by which the ways would have it ready"`
	Ways    []DayWay   `json:"ways" doc:"What would make it sooner"`
	Minutes int        `json:"minutes" doc:"Hands-on work in it"`
}

// offerTries is how often a promise is laid again by which the days go another way.
const offerTries = 3

// laidWith lays the days with one more job in them, and gives its place among them; below
// 0 where it has none. What could be promised is laid once more as it would be promised:
// with a promise in them the days may go another way.
func (s *Service) laidWith(ctx context.Context, more standing.Job) (*daysPlan, int, error) {
	what := WhatIf{more: []standing.Job{more}}
	for n := 0; ; n++ {
		l, err := s.laid(ctx, what)
		if err != nil {
			return nil, -1, err
		}
		i := slices.IndexFunc(l.w.jobs, func(j standing.Job) bool { return j.ID == 0 })
		if i < 0 || l.plan.Ready[i].At < 0 || n == offerTries ||
			what.promise != nil && l.odds[i].Kept >= schedule.Safe {
			return l, i, nil
		}
		nine := l.w.time(l.odds[i].Nine)
		if nine == nil {
			return l, i, nil
		}
		what.promise = map[int64]time.Time{0: *nine}
	}
}

// Offer tells when a job could be promised that is not taken in yet.
func (s *Service) Offer(ctx context.Context, in desk.TakeIn) (DayOffer, error) {
	out := DayOffer{Ways: []DayWay{}}
	v, err := s.asTakenIn(ctx, in)
	if err != nil {
		return out, err
	}
	l, i, err := s.laidWith(ctx, standing.Of(v))
	if err != nil {
		return out, err
	}
	if i < 0 {
		out.Why = "nothing is left to do at it"
		for _, k := range l.left {
			if k.Job == 0 {
				out.Why = k.Why
			}
		}
		return out, nil
	}
	for _, st := range l.w.p.Jobs[i].Steps {
		out.Minutes += st.Minutes * max(1, st.People)
	}
	out.Why = l.plan.Ready[i].Why
	if out.Ready = l.w.ready(l.plan, i); out.Ready == nil {
		return out, nil
	}
	out.Nine, out.Sure = l.w.time(l.odds[i].Nine), l.w.time(l.odds[i].Sure)
	if out.Nine == nil {
		return out, nil
	}
	if before := l.w.eveningBefore(l.odds[i].Nine); before > 0 {
		out.Sooner = l.w.time(before)
		out.Ways, err = l.ways(ctx, i, *out.Sooner)
	}
	return out, err
}

// asTakenIn is a job as it would stand if it were taken in now.
func (s *Service) asTakenIn(ctx context.Context, in desk.TakeIn) (jobview.View, error) {
	vs, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return jobview.View{}, err
	}
	if strings.TrimSpace(in.Name) == "" {
		in.Name = "somebody"
	}
	_, o, p, err := in.Records(vs)
	if err != nil {
		return jobview.View{}, err
	}
	j := record.Job{Place: in.Place, CreatedAt: s.Now(), Object: o, Own: vs, Panes: []record.Pane{p}}
	if in.Layout != nil {
		if j.Panes, err = measure.LaidOut(*in.Layout, j.Panes); err != nil {
			return jobview.View{}, err
		}
	}
	for i := range j.Panes {
		j.Panes[i].ID = int64(i + 1)
	}
	if err := change.Reckonable(&j, 0, nil); err != nil {
		return jobview.View{}, err
	}
	shop, err := s.Store.Shops.Shop(ctx)
	if err != nil {
		return jobview.View{}, err
	}
	return s.View(j, nil, 0, shop.Unit, jobview.Numbers)
}

// eveningBefore is the end of the last working day before the day of a minute; 0 for none.
func (w *dayWork) eveningBefore(minute int) int {
	day := w.at(minute).In(w.zone).Format(time.DateOnly)
	last := 0
	for _, p := range w.p.People {
		for _, h := range p.Hours {
			if w.at(h.To).In(w.zone).Format(time.DateOnly) < day {
				last = max(last, h.To)
			}
		}
	}
	return last
}

// Slip is a promise that is not safe any more.
type Slip struct {
	Job      int64      `json:"job"`
	Object   string     `json:"object"`
	Promised time.Time  `json:"promised_at"`
	Nine     *time.Time `json:"nine,omitempty" doc:"Ready by then nine times in ten"`
	Kept     float64    `json:"kept"`
	Why      string     `json:"why"`
}

// Slipping are the promises that are not safe, the soonest first; of those that have
// passed nobody needs to be told, and nobody at all who never looked at the days.
func (s *Service) Slipping(ctx context.Context) ([]Slip, error) {
	if _, version, err := s.Store.Days.DayPlan(ctx); err != nil || version == 0 {
		return []Slip{}, err
	}
	l, err := s.laid(ctx, WhatIf{})
	if err != nil {
		return nil, err
	}
	out := []Slip{}
	for i, j := range l.w.jobs {
		if safe(j.Promised, l.odds[i]) || j.Promised.Before(l.w.now) {
			continue
		}
		k := Slip{Job: j.ID, Object: j.Object, Promised: *j.Promised, Kept: l.odds[i].Kept, Why: l.plan.Ready[i].Why}
		if l.plan.Ready[i].At >= 0 {
			k.Nine = l.w.time(l.odds[i].Nine)
		}
		out = append(out, k)
	}
	slices.SortStableFunc(out, func(a, b Slip) int { return a.Promised.Compare(b.Promised) })
	return out, nil
}
