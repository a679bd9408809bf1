package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/buy"
	"freshshard/internal/days"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// busy is a shop with some lights to be done.
func busy(t *testing.T, n int) (*Shop, record.Account, record.Account, []int64) {
	t.Helper()
	s, mira, tor := open(t)
	s.Now = func() time.Time { return monday }
	var ids []int64
	for i := range n {
		ids = append(ids, toCutLight(t, s, tor, "Greenhouse, light "+string(rune('1'+i)), "506", "402"))
	}
	return s, mira, tor, ids
}

// readyOf finds a job in the days.
func readyOf(t *testing.T, d days.Days, job int64) days.DayReady {
	t.Helper()
	for _, j := range d.Jobs {
		if j.Job == job {
			return j
		}
	}
	t.Fatalf("job %d is not among the days", job)
	return days.DayReady{}
}

// stepsOf are the steps of a job with whose they are.
func stepsOf(d days.Days, job int64) (steps []days.DayStep, by []int64) {
	for _, p := range d.People {
		for _, st := range p.Steps {
			if st.Job == job {
				steps, by = append(steps, st), append(by, p.ID)
			}
		}
	}
	return steps, by
}

// A promise holds the plan that it was read from, though nobody ever took one: what others
// bring in afterwards goes round it.
func TestPromiseHoldsItsPlan(t *testing.T) {
	s, mira, tor, ids := busy(t, 3)
	d := dayOf(t, s, mira)
	if d.Version != 1 || dayOf(t, s, tor).Version != 1 {
		t.Fatalf("the first plan that is seen is kept once: %d", d.Version)
	}
	at := *readyOf(t, d, ids[2]).Nine
	got, err := s.Days.Promise(ctx, mira, ids[2], at, nil)
	if err != nil {
		t.Fatal(err)
	}
	if j := readyOf(t, got, ids[2]); j.Promised == nil || !j.Promised.Equal(at) || j.Kept < 0.85 {
		t.Fatalf("promised nine times in ten: %+v", j)
	}
	was, _ := stepsOf(got, ids[2])
	for i := range 3 {
		toCutLight(t, s, tor, "Greenhouse, roof light "+string(rune('1'+i)), "606", "402")
		now := dayOf(t, s, mira)
		if j := readyOf(t, now, ids[2]); j.Kept < 0.85 {
			t.Errorf("%d more jobs, and it is kept %.2f", i+1, j.Kept)
		}
		for k, st := range firstOf(stepsOf(now, ids[2])) {
			if !st.From.Equal(was[k].From) {
				t.Errorf("%s moved from %v to %v", st.Title, was[k].From, st.From)
			}
		}
	}
	if _, err := s.Days.Promise(ctx, mira, ids[2], monday, nil); fault.Of(err) == nil || fault.Of(err).Field != "at" {
		t.Errorf("promised for now: %v", err)
	}
	// Before its putty has a skin it is promised to nobody.
	soon := readyOf(t, got, ids[1]).Ready.Add(-time.Minute)
	if _, err := s.Days.Promise(ctx, mira, ids[1], soon, nil); fault.Of(err) == nil || fault.Of(err).Field != "at" ||
		!strings.Contains(fault.Of(err).Why, "at the soonest") {
		t.Errorf("promised before it can be ready: %v", err)
	}
	if _, err := s.Days.Promise(ctx, mira, ids[1], soon.Add(time.Minute), nil); err != nil {
		t.Errorf("promised for the minute at which it is ready: %v", err)
	}
	var no *record.NotFound
	if _, err := s.Days.Promise(ctx, mira, 999, at, nil); !errors.As(err, &no) {
		t.Errorf("a job that is not there: %v", err)
	}
}

func firstOf(steps []days.DayStep, _ []int64) []days.DayStep { return steps }

// What is tried changes nothing; what is said to be so does, once, and not over the head of
// somebody who changed the days in between.
func TestTryAndMakeSo(t *testing.T) {
	s, mira, tor, ids := busy(t, 3)
	d := dayOf(t, s, mira)
	steps, _ := stepsOf(d, ids[1])
	tuesday := time.Date(2026, 6, 2, 10, 0, 0, 0, time.UTC)
	move := days.WhatIf{Move: []days.MoveOne{{Step: steps[0].Key, At: tuesday, People: []int64{tor.ID}}}}
	got, err := s.Days.Try(ctx, move)
	if err != nil || !got.So {
		t.Fatal(err)
	}
	if len(got.Changes) == 0 || got.Changes[0].Now == nil || !got.Changes[0].Then.After(*got.Changes[0].Now) {
		t.Errorf("a day later, and no job is: %+v", got.Changes)
	}
	if now, _ := stepsOf(dayOf(t, s, mira), ids[1]); !now[0].From.Equal(steps[0].From) || now[0].Pinned {
		t.Error("trying moved a step")
	}
	so, err := s.ByHand.MakeSo(ctx, mira, move, d.Version)
	if err != nil {
		t.Fatal(err)
	}
	pinned, by := stepsOf(so, ids[1])
	if !pinned[0].From.Equal(tuesday) || by[0] != tor.ID || !pinned[0].Pinned {
		t.Errorf("pinned to Tuesday at ten: %+v by %d", pinned[0], by[0])
	}
	// Tor moves something too, and has not seen that.
	var c *record.Conflict
	if _, err := s.ByHand.MakeSo(ctx, tor, move, d.Version); !errors.As(err, &c) {
		t.Errorf("over somebody's head: %v", err)
	}
	// The same hands at the same time: the two that quarrel are named.
	other, _ := stepsOf(so, ids[0])
	move.Move[0].Step = other[0].Key
	_, err = s.ByHand.MakeSo(ctx, mira, move, so.Version)
	if f := fault.Of(err); f == nil || f.Field != "move[0].at" || !strings.Contains(f.Why, "two pins quarrel") ||
		!strings.Contains(f.Why, tor.Name+" cannot be at both") {
		t.Errorf("two pins on one pair of hands: %v", err)
	}
	// Planned anew, a pin stays; taken out, the step goes where it fits.
	anew, err := s.Days.TakeDays(ctx, mira)
	if err != nil {
		t.Fatal(err)
	}
	if p, _ := stepsOf(anew, ids[1]); !p[0].From.Equal(tuesday) {
		t.Errorf("planned anew, and the pin is lost: %v", p[0].From)
	}
	if free, err := s.ByHand.Unpin(ctx, mira, steps[0].Key); err != nil {
		t.Error(err)
	} else if p, _ := stepsOf(free, ids[1]); p[0].Pinned {
		t.Error("it is pinned still")
	}
}

// Somebody ill, glass late, a front, a hand more, a call: each with what it does to the jobs.
func TestWhatIf(t *testing.T) {
	s, mira, tor, ids := busy(t, 3)
	d := dayOf(t, s, mira)
	ill := days.WhatIf{Off: []days.OffOne{{Account: tor.ID, From: "2026-06-01", To: "2026-06-03"}}}
	got, err := s.Days.Try(ctx, ill)
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range got.Days.People {
		for _, st := range p.Steps {
			if p.ID == tor.ID && st.From.Before(time.Date(2026, 6, 4, 0, 0, 0, 0, time.UTC)) {
				t.Errorf("Tor is ill, and does %s on %v", st.Title, st.From)
			}
		}
	}
	// An owner says that it is so; a technician says it of nobody else.
	if _, err := s.ByHand.MakeSo(ctx, tor,
		days.WhatIf{Off: []days.OffOne{{Account: mira.ID, From: "2026-06-01", To: "2026-06-03"}}}, d.Version); err == nil {
		t.Error("a technician sent the owner home")
	}
	if d, err = s.ByHand.MakeSo(ctx, mira, ill, d.Version); err != nil {
		t.Fatal(err)
	}
	weeks, err := s.Days.Calendar.Weeks(ctx)
	if err != nil {
		t.Fatal(err)
	}
	for _, w := range weeks {
		if w.Account == tor.ID && len(w.Off) != 3 {
			t.Errorf("three days: %v", w.Off)
		}
	}
	if got, err = s.Days.Try(ctx, days.WhatIf{Hand: []days.Hour{{From: monday.Add(3 * time.Hour),
		To: monday.Add(11 * time.Hour)}}}); err != nil ||
		got.So {
		t.Fatalf("a hand for a day: %v", err)
	}
	if n := len(got.Days.People); n != 3 || got.Days.People[2].Name != "One more" {
		t.Errorf("%d lanes", n)
	}
	urgent := days.WhatIf{Urgent: []days.UrgentOne{{Minutes: 200, People: 1, Promise: monday.Add(8 * time.Hour)}}}
	if got, err = s.Days.Try(ctx, urgent); err != nil || len(got.Days.Jobs) != 4 {
		t.Errorf("%d jobs, %v", len(got.Days.Jobs), err)
	}
	if _, err := s.ByHand.MakeSo(ctx, mira, urgent, d.Version); fault.Of(err) == nil {
		t.Errorf("a call was made a job: %v", err)
	}
	until := monday.AddDate(0, 0, 2)
	v, err := s.Work(ctx, jobview.First(ids[0]))
	if err != nil {
		t.Fatal(err)
	}
	if err := s.Buy.SetWait(ctx, mira, jobview.First(ids[0]), buy.Wait{For: "the pane", Until: &until,
		Version: v.Pane.Version}); err != nil {
		t.Fatal(err)
	}
	d = dayOf(t, s, mira)
	late := days.WhatIf{Late: []days.LateOne{{Job: ids[0], Days: 3}}}
	if got, err = s.Days.Try(ctx, late); err != nil {
		t.Fatal(err)
	}
	if was, now := readyOf(t, d, ids[0]).Ready, readyOf(t, got.Days, ids[0]).Ready; now.Sub(*was) < 48*time.Hour {
		t.Errorf("three days late, and ready %v, not %v", now, was)
	}
	if d, err = s.ByHand.MakeSo(ctx, mira, late, d.Version); err != nil {
		t.Fatal(err)
	}
	if v, err = s.Work(ctx, jobview.First(ids[0])); err != nil || !v.Pane.WaitsUntil.Equal(until.AddDate(0, 0, 3)) {
		t.Errorf("it comes %v, %v", v.Pane.WaitsUntil, err)
	}
	for field, bad := range map[string]days.WhatIf{
		"": {}, "off[0].from": {Off: []days.OffOne{{Account: tor.ID, From: "soon", To: "2026-06-03"}}},
		"off[0].to": {Off: []days.OffOne{{Account: tor.ID,
			From: "2026-06-03", To: "2026-06-02"}}},
		"off[0].account": {Off: []days.OffOne{{Account: 99, From: "2026-06-01", To: "2026-06-02"}}},
		"late[0].job":    {Late: []days.LateOne{{Job: 999, Days: 1}}},
		"hand[0].to":     {Hand: []days.Hour{{From: monday.Add(time.Hour), To: monday.Add(time.Hour)}}},
		"move[0].step":   {Move: []days.MoveOne{{Step: "1/2/3", At: monday.Add(time.Hour), People: []int64{tor.ID}}}},
	} {
		if _, err := s.Days.Try(ctx, bad); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// A job at the door has a time that it could be promised for, and what would make it
// sooner; one whose promise slips says what would save it, and whom to call.
func TestOfferAndWays(t *testing.T) {
	s, mira, tor, ids := busy(t, 6)
	past := monday.Add(time.Hour)
	w0, err := s.Work(ctx, jobview.First(ids[0]))
	if err != nil {
		t.Fatal(err)
	}
	if err := s.Desk.SetJob(ctx, mira, ids[0],
		record.Job{Place: "bench", PromisedAt: &past, Version: w0.Job.Version}); err != nil {
		t.Fatal(err)
	}
	if n, err := s.Days.Slipping(ctx); err != nil || len(n) != 0 {
		t.Errorf("nobody looked at the days, and is told of %d: %v", len(n), err)
	}
	dayOf(t, s, mira)
	if n, err := s.Days.Slipping(ctx); err != nil || len(n) != 1 || n[0].Job != ids[0] {
		t.Errorf("promised in an hour, and nobody is told: %+v, %v", n, err)
	}
	w0, err = s.Work(ctx, jobview.First(ids[0]))
	if err != nil {
		t.Fatal(err)
	}
	if err := s.Desk.SetJob(ctx, mira, ids[0], record.Job{Place: "bench", Version: w0.Job.Version}); err != nil {
		t.Fatal(err)
	}
	in := desk.TakeIn{Name: "Oda Marl", Object: "Greenhouse, vent", Exposure: "weather", Family: "putty-points",
		Place: "bench"}
	o, err := s.Days.Offer(ctx, in)
	if err != nil {
		t.Fatal(err)
	}
	if o.Ready == nil || o.Nine == nil || o.Sure == nil || o.Nine.After(*o.Sure) || o.Why == "" || o.Minutes == 0 {
		t.Fatalf("%+v", o)
	}
	for _, w := range o.Ways {
		if w.Nine.After(*o.Sooner) || w.Says == "" {
			t.Errorf("%+v is not by %v", w, o.Sooner)
		}
	}
	in.Promised = o.Nine
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	if j := readyOf(t, dayOf(t, s, mira), id); j.Kept < 0.85 {
		t.Errorf("promised as it was offered, and kept %.2f", j.Kept)
	}
	if n, err := s.Days.Slipping(ctx); err != nil || len(n) != 0 {
		t.Errorf("nothing slips: %+v, %v", n, err)
	}
	// Promised for tomorrow noon, which its putty does not let.
	v, err := s.Work(ctx, jobview.First(ids[5]))
	if err != nil {
		t.Fatal(err)
	}
	soon := monday.Add(30 * time.Hour)
	if err := s.Desk.SetJob(ctx, mira, ids[5], record.Job{Place: "bench", PromisedAt: &soon,
		Version: v.Job.Version}); err != nil {
		t.Fatal(err)
	}
	slips, err := s.Days.Slipping(ctx)
	if err != nil || len(slips) != 1 || slips[0].Job != ids[5] || slips[0].Kept >= 0.9 {
		t.Fatalf("%+v, %v", slips, err)
	}
	w, err := s.ByHand.Ways(ctx, ids[5])
	if err != nil || w.Customer == "" || w.By == nil {
		t.Errorf("%+v, %v", w, err)
	}
	for _, k := range w.Ways {
		if k.Nine.After(soon) {
			t.Errorf("%s would not save it", k.Says)
		}
	}
	var no *record.NotFound
	if _, err := s.ByHand.Ways(ctx, 999); !errors.As(err, &no) {
		t.Error(err)
	}
}

// Whoever had a pin and works here no more, and a step for two of whom one may, take the
// days away from nobody: at each limit the words that a person reads.
func TestOneJobNeverHidesOthers(t *testing.T) {
	s, mira, tor, ids := busy(t, 2)
	d := dayOf(t, s, mira)
	steps, _ := stepsOf(d, ids[0])
	move := days.WhatIf{Move: []days.MoveOne{{Step: steps[0].Key, At: time.Date(2026, 6, 2, 10, 0, 0, 0, time.UTC),
		People: []int64{tor.ID}}}}
	if _, err := s.ByHand.MakeSo(ctx, mira, move, d.Version); err != nil {
		t.Fatal(err)
	}
	if _, err := s.People.SetPerson(ctx, mira, tor.ID, record.Technician, false, tor.Version); err != nil {
		t.Fatal(err)
	}
	if d = dayOf(t, s, mira); len(d.Jobs) != 2 || len(d.People) != 1 {
		t.Errorf("Tor is gone, and %d jobs are left with %d people", len(d.Jobs), len(d.People))
	}
}
