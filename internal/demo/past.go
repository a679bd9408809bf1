package demo

import (
	"context"
	"fmt"
	"time"

	"golang.org/x/sync/errgroup"

	"freshshard/core/diagnose"
	"freshshard/core/plan"
	"freshshard/core/reading"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/shop"
)

// gone is a job of the year that is behind the shop: signed so many days ago. One that is
// back was fitted in an earlier one and came back.
type gone struct {
	days int
	job
	back int // days after which it was here again; 0 for never
}

// stoveOf is a sauna stove's pane of a size that was renewed.
func stoveOf(customer, object, story, w, h, cause string) job {
	return job{by: "tor", in: desk.TakeIn{Name: customer, Object: object, Exposure: "fire", Family: "clip-heat",
		Story: story,
		Like:  "glass-ceramic"}, pane: clip, settle: "glass-ceramic", thick: 4, steps: all, checks: all,
		seen: bench.Seen{Evidence: diagnose.Evidence{"origin": "fixing"}, Cause: cause},
		readings: rect(w, w, h, h, said{reading.Ledge, "14", rule}, said{reading.Reach, "16.5", rule}, said{reading.DepthTop,
			"9", cal})}
}

// lightOf is a greenhouse light that was puttied in.
func lightOf(object, story, w, h string) job {
	return job{by: "ebbe", in: desk.TakeIn{Name: "Saltmarsh nursery", Object: object, Exposure: "weather",
		Family: "putty-points", Story: story}, settle: "annealed", thick: 3, steps: all, checks: all,
		readings: rect(w, w, h, h, said{reading.Ledge, "13", rule})}
}

// year is what is behind the shop.
func year() []gone {
	return []gone{
		{days: 340, back: 95, job: stoveOf("Tolliver bath house", "Sauna stove, family cabin", "cracked from a bracket",
			"272",
			"244", "over-tight")},
		{days: 290, job: stoveOf("Reed hall", "Sauna stove by the pond", "a log fell against it", "268", "240",
			"over-tight")},
		{days: 260, job: lightOf("Greenhouse, light 1 of the south side", "hail", "504", "402")},
		{days: 205, job: lightOf("Greenhouse, light 4 of the south side", "a ladder", "504", "402")},
		{days: 188, job: stoveOf("Pell's smokehouse", "Smokehouse stove, inspection pane", "cracked while it was cleaned hot",
			"262", "236", "over-tight")},
		{days: 171, job: lightOf("Greenhouse, light 2 of the south side", "a starling", "504", "402")},
		{days: 152, job: lightOf("Greenhouse, light 9 of the south side", "slipped out of its sash", "504", "402")},
		{days: 133, job: stoveOf("Quay stables", "Tack room stove", "somebody leaned a shovel on it", "276", "248",
			"over-tight")},
		{days: 96, job: stoveOf("Reed hall", "Sauna stove by the pond", "the second one in a year", "268", "240",
			"over-tight")},
		{days: 61, job: lightOf("Greenhouse, light 6 of the north side", "hail", "506", "404")},
		{days: 33, job: stoveOf("Kiln Lane pottery", "Workshop stove", "old pane, pitted", "258", "232", "over-tight")},
		{days: 120, job: lightOf("Cold frame, long light", "frost got behind the putty", "604", "396")},
	}
}

// fillYear takes them in, does and signs them, each on its own day.
func fillYear(ctx context.Context, s *shop.Shop, people map[string]record.Account, now time.Time,
	in func()) error {
	outer := ctx
	work, ctx := errgroup.WithContext(ctx)
	work.SetLimit(hands)
	all := past()
	ids := make([]int64, len(all))
	for i, g := range all {
		work.Go(func() (err error) {
			if ids[i], err = g.fill(ctx, s, people, now); err != nil {
				return fmt.Errorf("demo, %d days ago, %s: %w", g.days, g.in.Object, err)
			}
			in()
			return nil
		})
	}
	if err := work.Wait(); err != nil {
		return err
	}
	if err := billedLately(outer, s, people["mira"], all, ids, now); err != nil {
		return err
	}
	return remembered(outer, s, people["mira"], now)
}

// remembered notes what was looked at again in the year, all but the last days.
func remembered(ctx context.Context, s *shop.Shop, by record.Account, now time.Time) error {
	due, err := s.Records.Reminders(ctx)
	if err != nil {
		return err
	}
	for _, r := range due {
		if r.Due.Before(now.AddDate(0, 0, -10)) {
			if err := s.Records.Reminded(ctx, by, r.ID, records.Reminded{State: "done", Note: "looked at",
				Version: r.Version}); err != nil {
				return err
			}
		}
	}
	return nil
}

// fill does one, and does it again where it came back. It gives the job of the first time.
func (g gone) fill(ctx context.Context, s *shop.Shop, people map[string]record.Account, now time.Time) (int64, error) {
	day := inHours(morning(now, -g.days).Add(-time.Minute))
	then := s.At(func() time.Time { return day })
	// What was ticked then was ticked as it was done, a little slower than the book says.
	n := g.days
	g.took = func(st plan.Step) {
		n++
		day = day.Add(time.Duration(float64(st.Minutes)*(1.05+0.1*float64(n%5))) * time.Minute)
		if st.Least > 0 {
			day = day.Add(time.Duration(st.Least) * time.Minute * 3 / 2)
		}
		if h := day.Local().Hour(); h < opens || h >= shuts {
			day = inHours(day)
		}
	}
	g.later = func(to time.Time) {
		if to.After(day) {
			day = inHours(to)
		}
	}
	by := people[g.by]
	id, err := takeIn(ctx, then, by, g.job, day)
	if err != nil {
		return 0, err
	}
	if err := g.signed(ctx, then, by, id, day); err != nil || g.back == 0 {
		return id, err
	}
	day = inHours(morning(day, g.back).Add(-time.Minute))
	again, err := then.Records.Again(ctx, by, "", id, nil)
	if err != nil {
		return id, err
	}
	g.pane = nil // it is held as it was
	return id, g.signed(ctx, then, by, again, day)
}

func (g gone) signed(ctx context.Context, s *shop.Shop, by record.Account, id int64, day time.Time) error {
	if err := fill(ctx, s, by, id, g.job, day); err != nil {
		return err
	}
	return sign(ctx, s, by, id)
}
