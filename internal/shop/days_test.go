package shop

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"freshshard/core/cure"
	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/usual"
	"freshshard/internal/bench"
	"freshshard/internal/bill"
	"freshshard/internal/days"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// monday is a Monday morning before anybody works.
var monday = time.Date(2026, 6, 1, 5, 0, 0, 0, time.UTC)

func dayOf(t *testing.T, s *Shop, by record.Account) days.Days {
	t.Helper()
	d, err := s.Days.Days(ctx, by)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// Everything that is open lies in somebody's hours, putty rests a day before the light is
// cleaned, and what was taken stays where it was when nothing has changed.
func TestDays(t *testing.T) {
	s, mira, tor := open(t)
	s.Now = func() time.Time { return monday }
	ids := []int64{toCutLight(t, s, tor, "Greenhouse, light 1", "506", "402"),
		toCutLight(t, s, tor, "Greenhouse, light 2", "506", "402")}
	d := dayOf(t, s, mira)
	if len(d.People) != 2 || len(d.Jobs) != 2 || len(d.Left) != 0 || len(d.Weather) == 0 {
		t.Fatalf("%+v", d)
	}
	steps := 0
	for _, p := range d.People {
		for i, st := range p.Steps {
			steps++
			h, m := st.From.Hour(), st.To.Hour()*60+st.To.Minute()
			if h < 8 || m > 17*60 || st.From.Hour()*60+st.From.Minute() < 12*60+30 && m > 12*60 || st.Why == "" {
				t.Errorf("%s, %v to %v: %s", st.Title, st.From, st.To, st.Why)
			}
			if i > 0 && st.From.Before(p.Steps[i-1].To) {
				t.Errorf("%s is at two things at %v", p.Name, st.From)
			}
		}
	}
	for _, j := range d.Jobs {
		if j.Ready == nil || j.Ready.Sub(monday) < 24*time.Hour || j.Nine.Before(*j.Ready) && j.Nine.Before(monday) ||
			j.Why == "" {
			t.Errorf("%+v: putty rests a day", j)
		}
	}
	taken, err := s.Days.TakeDays(ctx, mira)
	if err != nil {
		t.Fatal(err)
	}
	again := dayOf(t, s, mira)
	if again.Moved != 0 || again.Late != taken.Late {
		t.Errorf("nothing changed, and %d moved", again.Moved)
	}
	// Tor is off from Tuesday on: what lay with him lies with Mira, and that is said.
	w := days.UsualWeek
	w.Account, w.Days = tor.ID, []int{1}
	if err := s.Days.Calendar.SetWeek(ctx, tor, w); err != nil {
		t.Fatal(err)
	}
	ill := dayOf(t, s, mira)
	for _, p := range ill.People {
		for _, st := range p.Steps {
			if p.ID == tor.ID && st.From.Weekday() != time.Monday {
				t.Errorf("Tor is off, and does %s on %v", st.Title, st.From)
			}
		}
	}
	if len(ill.Left) != 0 {
		t.Errorf("%+v", ill.Left)
	}
	_ = ids
	if steps == 0 {
		t.Error("nobody does anything")
	}
}

// Days off and hours that cannot be are refused at their field.
func TestWeeks(t *testing.T) {
	s, mira, tor := open(t)
	base := days.UsualWeek
	base.Account = tor.ID
	for field, change := range map[string]func(*record.Week){
		"from": func(w *record.Week) { w.From = "early" }, "to": func(w *record.Week) { w.To = "07:00" },
		"noon_to": func(w *record.Week) { w.NoonTo = "99:00" }, "days[0]": func(w *record.Week) { w.Days = []int{0} },
		"off[0]": func(w *record.Week) { w.Off = []string{"Christmas"} },
	} {
		in := base
		change(&in)
		if f := fault.Of(s.Days.Calendar.SetWeek(ctx, tor, in)); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, f)
		}
	}
	other := base
	other.Account = mira.ID
	if err := s.Days.Calendar.SetWeek(ctx, tor, other); err == nil {
		t.Error("a technician changed somebody else's hours")
	}
	if err := s.Days.Calendar.SetWeek(ctx, mira, base); err != nil {
		t.Fatal(err)
	}
	var c *record.Conflict
	if err := s.Days.Calendar.SetWeek(ctx, mira, base); !errors.As(err, &c) {
		t.Errorf("an old version was taken: %v", err)
	}
	all, err := s.Days.Calendar.Weeks(ctx)
	if err != nil || len(all) != 2 {
		t.Errorf("%+v, %v", all, err)
	}
}

// A step that nobody may do leaves its job out of the days, and says who is missing.
func TestNobodyMay(t *testing.T) {
	s, mira, tor := open(t)
	s.Now = func() time.Time { return monday }
	toCutTube(t, s, tor, "Café boiler, gauge", "250 ±0.5", "12.7")
	d := dayOf(t, s, mira) // nobody may by default
	if len(d.Jobs) != 0 || len(d.Left) != 1 || !strings.Contains(d.Left[0].Why, "nobody here may do") ||
		!strings.Contains(d.Left[0].Why, "pressure") {
		t.Errorf("%+v, %+v", d.Jobs, d.Left)
	}
}

// Who may what is an owner's to say: a technician keeps their own hours, and grants
// themselves nothing. Neither do they write credits or read the ledger.
func TestNobodyGrantsThemselves(t *testing.T) {
	s, mira, tor := open(t)
	w := days.UsualWeek
	w.Account, w.May = tor.ID, []string{"gas"}
	var denied *record.Denied
	if err := s.Days.Calendar.SetWeek(ctx, tor, w); !errors.As(err, &denied) {
		t.Errorf("%v", err)
	}
	if err := s.Days.Calendar.SetWeek(ctx, mira, w); err != nil {
		t.Fatal(err)
	}
	w.Version, w.To = 1, "16:00"
	if err := s.Days.Calendar.SetWeek(ctx, tor, w); err != nil {
		t.Errorf("own hours: %v", err)
	}
	w.Version, w.May = 2, []string{}
	if err := s.Days.Calendar.SetWeek(ctx, tor, w); !errors.As(err, &denied) {
		t.Errorf("%v", err)
	}
	if _, err := s.Bill.Ledger(ctx, tor, monday, monday); !errors.As(err, &denied) {
		t.Errorf("the ledger: %v", err)
	}
	id := takeIn(t, s, tor)
	if err := s.Bill.Write(ctx, tor, "a-credit-of-his", id, bill.Paper{Kind: "credit", Agreed: "x"}); !errors.As(err,
		&denied) {
		t.Errorf("a credit: %v", err)
	}
	var said int
	if err := s.Store.DB.QueryRowContext(ctx,
		"SELECT COUNT(*) FROM audit WHERE noun = 'week' AND said LIKE '%they may do: gas%'").
		Scan(&said); err != nil || said != 2 {
		t.Errorf("%d lines in the trail, %v", said, err)
	}
}

// A thin bead is dry before a wide one; an adhesive that nobody knows is said to be one.
func TestHardens(t *testing.T) {
	s, _, _ := open(t)
	s.Now = func() time.Time { return monday }
	h, err := s.Days.Hardens(ctx, days.WhatIf{})
	if err != nil {
		t.Fatal(err)
	}
	thin, wide := usual.Of(nil, usual.ThinPressed), usual.Of(nil, usual.BeadPressed)
	took := map[float64]int{}
	for _, width := range []float64{thin, wide, thin} {
		waits, err := h(cure.Bead{Adhesive: "neutral-silicone", Width: width})
		m := waits[cure.Ready]
		if err != nil || m <= 0 || waits[cure.LetGo] > m || waits[cure.Full] < m || took[width] > 0 && took[width] != m {
			t.Fatalf("%g mm: %d min, %v", width, m, err)
		}
		took[width] = m
	}
	if took[thin] >= took[wide] {
		t.Errorf("%v: a wide bead dries sooner", took)
	}
	if _, err := h(cure.Bead{Adhesive: "jam", Width: 12}); err == nil {
		t.Error("jam was taken for an adhesive")
	}
}

// What was ticked one after another says how long it takes: the days go by it, and say so.
func TestDaysLearn(t *testing.T) {
	s, mira, tor, ids := busy(t, 4)
	at := monday.AddDate(0, 0, -30)
	s.Now = func() time.Time { return at }
	before := 0
	for _, id := range ids[:3] {
		v, err := s.Work(ctx, jobview.First(id))
		if err != nil {
			t.Fatal(err)
		}
		for _, st := range v.Reckoning.Plan.Steps[:8] {
			at = at.Add(2 * time.Duration(st.Minutes) * time.Minute) // twice as long as the book says
			if err := s.Bench.Tick(ctx, tor, jobview.First(id), st.Key, bench.Done{Outcome: "done"}); err != nil {
				t.Fatal(err)
			}
		}
		at = at.AddDate(0, 0, 1)
	}
	s.Now = func() time.Time { return monday }
	p, err := s.Days.Learnt(ctx)
	if err != nil || p.Seen() != 3 {
		t.Fatalf("%d pieces of work were timed, %v", p.Seen(), err)
	}
	if f, n := p.Takes("putty-points", "bench"); n != 3 || f < 1.3 || f > 2 {
		t.Errorf("twice as long, three times: × %.2f after %d", f, n)
	}
	d := dayOf(t, s, mira)
	steps, _ := stepsOf(d, ids[3])
	for _, st := range steps {
		took := int(st.To.Sub(st.From).Minutes())
		if !strings.Contains(st.Takes, "timed: 3") || !strings.Contains(st.Takes, "by the book") {
			t.Errorf("%s: %q", st.Title, st.Takes)
		}
		before += took
	}
	if before == 0 {
		t.Error("nothing is left to do")
	}
}

// One bench fewer, and what stood on it waits; who is no owner does not say how many.
func TestDayPlaces(t *testing.T) {
	s, mira, tor, _ := busy(t, 4)
	two, err := s.Days.Try(ctx, days.WhatIf{Hand: []days.Hour{{From: monday.Add(3 * time.Hour),
		To: monday.Add(4 * time.Hour)}}})
	if err != nil {
		t.Fatal(err)
	}
	if err := s.Days.Calendar.SetDayPlace(ctx, mira,
		days.NewDayPlace{DayPlace: record.DayPlace{Name: "bench", Count: 1}, Seen: 2}); err != nil {
		t.Fatal(err)
	}
	d := dayOf(t, s, mira)
	at := map[time.Time]int{}
	for _, p := range d.People {
		for _, st := range p.Steps {
			if st.Station != "source" && st.Station != "choose" {
				for m := st.From; m.Before(st.To); m = m.Add(time.Minute) {
					at[m]++
				}
			}
		}
	}
	for m, n := range at {
		if n > 1 {
			t.Fatalf("%d at one bench at %v", n, m)
		}
	}
	if len(two.Days.Jobs) != len(d.Jobs) {
		t.Errorf("%d jobs, then %d", len(two.Days.Jobs), len(d.Jobs))
	}
	for field, in := range map[string]record.DayPlace{"name": {Name: "moon", Count: 1},
		"count": {Name: "bench", Count: 21}} {
		if err := s.Days.Calendar.SetDayPlace(ctx, mira, days.NewDayPlace{DayPlace: in, Seen: 1}); fault.Of(err) == nil ||
			fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	if err := s.Days.Calendar.SetDayPlace(ctx, tor,
		days.NewDayPlace{DayPlace: record.DayPlace{Name: "bench", Count: 3}, Seen: 1}); err == nil {
		t.Error("a technician bought a bench")
	}
}

// Over the night, a holiday and the change of the clock everything lies in the hours of the
// shop's own clock, and putty that was laid on Friday has had its day on Monday.
func TestDaysOverTheChangeOfTheClock(t *testing.T) {
	s, mira, tor := open(t)
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	s.Zone = zone
	s.Now = func() time.Time { return time.Date(2026, 3, 27, 14, 0, 0, 0, zone).UTC() } // the clocks go on on Sunday
	for i := range 4 {
		toCutLight(t, s, tor, "Greenhouse, light "+string(rune('1'+i)), "506", "402")
	}
	w := days.UsualWeek
	w.Account, w.Off = tor.ID, []string{"2026-03-30"}
	if err := s.Days.Calendar.SetWeek(ctx, tor, w); err != nil {
		t.Fatal(err)
	}
	worked := map[string]int{}
	for _, p := range dayOf(t, s, mira).People {
		for _, st := range p.Steps {
			a, b := st.From.In(zone), st.To.In(zone)
			from, to := a.Hour()*60+a.Minute(), b.Hour()*60+b.Minute()
			if a.YearDay() != b.YearDay() || from < 8*60 || to > 17*60 || from < 12*60+30 && to > 12*60 {
				t.Errorf("%s, %v to %v", st.Title, a, b)
			}
			if a.Weekday() == time.Saturday || a.Weekday() == time.Sunday || p.ID == tor.ID && a.Day() == 30 {
				t.Errorf("%s works on %v", p.Name, a)
			}
			worked[a.Format("Mon 2 MST")]++
		}
	}
	if worked["Fri 27 CET"] == 0 || worked["Mon 30 CEST"] == 0 {
		t.Errorf("%v", worked)
	}
}

// What is done once for an object of several panes is planned once, behind what each of them has to
// have come to and before what comes after it; what is hung on a bond waits for the bond of each.
func TestDaysOfSeveralPanes(t *testing.T) {
	for _, c := range []struct {
		in     desk.TakeIn
		layout drawing.Layout
		bond   map[string]time.Duration // by step, how long behind the last pane that is laid
	}{
		{desk.TakeIn{Object: "Deck oven, pack of three", Family: "window-pack", Exposure: "oven", Power: true},
			drawing.Layout{Across: 3, Behind: true}, nil},
		{desk.TakeIn{Object: "Horse trailer, door of two lights", Family: "bonded-fixed", Exposure: "weather", Leaf: true},
			drawing.Layout{Across: 2, Down: 1},
			map[string]time.Duration{"trim-back": 2 * time.Hour, "leaf-on": 24 * time.Hour}},
		{desk.TakeIn{Object: "Greenhouse, sash of four", Family: "putty-points", Exposure: "weather"},
			drawing.Layout{Across: 2, Down: 2}, map[string]time.Duration{"clean": 20 * time.Hour}},
	} {
		s, mira, tor := open(t)
		s.Now = func() time.Time { return monday }
		c.in.Name, c.in.Place, c.in.Layout = "Oda Marl", "bench", &c.layout
		id, err := s.Desk.TakeIn(ctx, tor, "", c.in)
		if err != nil {
			t.Fatal(err)
		}
		d := dayOf(t, s, mira)
		if len(d.Left) > 0 {
			t.Fatalf("%+v", d.Left)
		}
		steps, _ := stepsOf(d, id)
		at := worked(t, s, id, steps)
		compared := 0
		for _, pane := range at {
			for i, a := range pane {
				for _, b := range pane[i+1:] {
					if a.from == b.from || a.to.IsZero() || b.to.IsZero() {
						continue
					}
					if compared++; b.from.Before(a.to) {
						t.Errorf("%s: %s at %v, and %s ends %v", c.in.Object, b.key, b.from, a.key, a.to)
					}
				}
			}
		}
		if compared < 20 {
			t.Errorf("%s: %d pairs were compared", c.in.Object, compared)
		}
		for _, pane := range at {
			var laid time.Time
			for _, a := range pane {
				if a.lays {
					laid = a.to
				}
				if least := c.bond[a.key]; least > 0 && a.from.Sub(laid) < least {
					t.Errorf("%s: %s at %v, and it was laid at %v", c.in.Object, a.key, a.from, laid)
				}
			}
		}
	}
}

// work is a step of a pane as the days have it.
type work struct {
	key      string
	lays     bool // it is the last one before something hardens
	from, to time.Time
}

// worked lists the steps of each pane with the piece of the days that each belongs to: a piece goes
// up to the step that it is called by. What is done once belongs to the first of the pieces that
// reach over it: with any other pane it is passed before.
func worked(t *testing.T, s *Shop, id int64, steps []days.DayStep) (out [][]work) {
	t.Helper()
	first := map[string]*work{}
	j, err := s.Store.Jobs.Job(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range j.Panes {
		b, err := s.Work(ctx, jobview.Bench{Job: id, Pane: p.ID})
		if err != nil {
			t.Fatal(err)
		}
		plan := b.Reckoning.Plan.Numbered()
		pane, open := make([]work, len(plan)), 0
		for i, st := range plan {
			pane[i] = work{key: st.Key, lays: i+1 < len(plan) && plan[i+1].Hardens}
			k := slices.IndexFunc(steps, func(d days.DayStep) bool {
				return d.Key == fmt.Sprintf("%d/%d/%s", id, p.ID, st.Key)
			})
			if k < 0 {
				continue
			}
			for ; open <= i; open++ {
				pane[open].from, pane[open].to = steps[k].From, steps[k].To
			}
		}
		for i, st := range plan {
			if had := first[st.Key]; st.Once && !pane[i].to.IsZero() && (had == nil || pane[i].from.Before(had.from)) {
				first[st.Key] = &pane[i]
			}
		}
		out = append(out, pane)
	}
	for _, pane := range out {
		for i := range pane {
			if w := first[pane[i].key]; w != nil {
				pane[i].from, pane[i].to = w.from, w.to
			}
		}
	}
	return out
}
