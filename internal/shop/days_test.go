package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/record"
)

// monday is a Monday morning before anybody works.
var monday = time.Date(2026, 6, 1, 5, 0, 0, 0, time.UTC)

func dayOf(t *testing.T, s *Shop, by record.Account) Days {
	t.Helper()
	d, err := s.Days(ctx, by)
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
	taken, err := s.TakeDays(ctx, mira)
	if err != nil {
		t.Fatal(err)
	}
	again := dayOf(t, s, mira)
	if again.Moved != 0 || again.Late != taken.Late {
		t.Errorf("nothing changed, and %d moved", again.Moved)
	}
	// Tor is off from Tuesday on: what lay with him lies with Mira, and that is said.
	w := usualWeek
	w.Account, w.Days = tor.ID, []int{1}
	if err := s.SetWeek(ctx, tor, w); err != nil {
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

// Hours are the shop's own, over the change of the clock too; days off and what cannot be
// are refused at their field.
func TestWeeks(t *testing.T) {
	s, mira, tor := open(t)
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	w := dayWork{now: time.Date(2026, 3, 27, 6, 0, 0, 0, zone).UTC(), zone: zone} // a Friday; the clocks go on on Sunday
	k := usualWeek
	k.Off = []string{"2026-03-30"}
	hours, err := w.hours(k)
	if err != nil {
		t.Fatal(err)
	}
	for i, want := range []string{"2026-03-27 08:00 CET", "2026-03-27 12:30 CET", "2026-03-31 08:00 CEST"} {
		if got := w.at(hours[i].From).In(zone).Format("2006-01-02 15:04 MST"); got != want {
			t.Errorf("%d: %s, want %s", i, got, want)
		}
	}
	base := usualWeek
	base.Account = tor.ID
	for field, change := range map[string]func(*record.Week){
		"from": func(w *record.Week) { w.From = "early" }, "to": func(w *record.Week) { w.To = "07:00" },
		"noon_to": func(w *record.Week) { w.NoonTo = "99:00" }, "days[0]": func(w *record.Week) { w.Days = []int{0} },
		"off[0]": func(w *record.Week) { w.Off = []string{"Christmas"} },
	} {
		in := base
		change(&in)
		if f := fault.Of(s.SetWeek(ctx, tor, in)); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, f)
		}
	}
	other := base
	other.Account = mira.ID
	if err := s.SetWeek(ctx, tor, other); err == nil {
		t.Error("a technician changed somebody else's hours")
	}
	if err := s.SetWeek(ctx, mira, base); err != nil {
		t.Fatal(err)
	}
	var c *record.Conflict
	if err := s.SetWeek(ctx, mira, base); !errors.As(err, &c) {
		t.Errorf("an old version was taken: %v", err)
	}
	all, err := s.Weeks(ctx)
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
	w := usualWeek
	w.Account, w.May = tor.ID, []string{"gas"}
	var denied *record.Denied
	if err := s.SetWeek(ctx, tor, w); !errors.As(err, &denied) {
		t.Errorf("%v", err)
	}
	if err := s.SetWeek(ctx, mira, w); err != nil {
		t.Fatal(err)
	}
	w.Version, w.To = 1, "16:00"
	if err := s.SetWeek(ctx, tor, w); err != nil {
		t.Errorf("own hours: %v", err)
	}
	w.Version, w.May = 2, []string{}
	if err := s.SetWeek(ctx, tor, w); !errors.As(err, &denied) {
		t.Errorf("%v", err)
	}
	if _, err := s.Ledger(ctx, tor, monday, monday); !errors.As(err, &denied) {
		t.Errorf("the ledger: %v", err)
	}
	id := takeIn(t, s, tor)
	if err := s.Write(ctx, tor, "a-credit-of-his", id, Paper{Kind: "credit", Agreed: "x"}); !errors.As(err, &denied) {
		t.Errorf("a credit: %v", err)
	}
	var said int
	if err := s.store.DB.QueryRowContext(ctx,
		"SELECT COUNT(*) FROM audit WHERE noun = 'week' AND said LIKE '%they may do: gas%'").
		Scan(&said); err != nil || said != 2 {
		t.Errorf("%d lines in the trail, %v", said, err)
	}
}

// What one goes on with is one piece of work: at ninety minutes still, a minute more not;
// not over a wait, an order, or other hands.
func TestInOneGo(t *testing.T) {
	step := func(key string, minutes int) openStep {
		return openStep{key: key, title: key, minutes: minutes, people: 1, station: "strip"}
	}
	until := monday
	for _, c := range []struct {
		name string
		a, b openStep
		n    int
	}{
		{"up to ninety", step("a", 60), step("b", 30), 1},
		{"a minute more", step("a", 60), step("b", 31), 2},
		{"over a wait", openStep{key: "a", minutes: 5, people: 1, wait: 60}, step("b", 5), 2},
		{"over what hardens", openStep{key: "a", minutes: 5, people: 1, lays: "urethane"}, step("b", 5), 2},
		{"before a clock is out", step("a", 5), openStep{key: "b", minutes: 5, people: 1, until: &until}, 2},
		{"two pairs of hands", step("a", 5), openStep{key: "b", minutes: 5, people: 2}, 2},
		{"before the pane is here", step("a", 5), openStep{key: "b", minutes: 5, people: 1, comes: true}, 2},
		{"an order", step("a", 5), openStep{key: "b", minutes: 5, people: 1, station: "source"}, 2},
		{"what only some may", step("a", 5), openStep{key: "b", minutes: 5, people: 1, needs: "gas"}, 2},
	} {
		got := inOneGo([]openStep{c.a, c.b}, map[string]bool{})
		if len(got) != c.n || c.n == 1 && got[0].minutes != c.a.minutes+c.b.minutes {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
	// A piece keeps its place and its name while the work goes on.
	half := inOneGo([]openStep{{key: "a", minutes: 60, people: 1, done: true}, step("b", 30), step("c", 30)},
		map[string]bool{})
	if len(half) != 2 || half[0].key != "b" || half[0].minutes != 30 || half[1].key != "c" {
		t.Errorf("half done: %+v", half)
	}
	once := map[string]bool{}
	a := step("a", 5)
	a.once = true
	if len(inOneGo([]openStep{a}, once)) != 1 || len(inOneGo([]openStep{a}, once)) != 0 {
		t.Error("what is done once is done once")
	}
}

// A thin bead is dry before a wide one; an adhesive that nobody knows is said to be one.
func TestHardens(t *testing.T) {
	s, _, _ := open(t)
	s.Now = func() time.Time { return monday }
	h, err := s.hardens(ctx, WhatIf{})
	if err != nil {
		t.Fatal(err)
	}
	took := map[float64]int{}
	for _, width := range []float64{thinWidth, layWidth, thinWidth} {
		m, err := h("neutral-silicone", width)
		if err != nil || m <= 0 || took[width] > 0 && took[width] != m {
			t.Fatalf("%g mm: %d min, %v", width, m, err)
		}
		took[width] = m
	}
	if took[thinWidth] >= took[layWidth] {
		t.Errorf("%v: a wide bead dries sooner", took)
	}
	if _, err := h("jam", layWidth); err == nil {
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
		v, err := s.Work(ctx, First(id))
		if err != nil {
			t.Fatal(err)
		}
		for _, st := range v.Reckoning.Plan.Steps[:8] {
			at = at.Add(2 * time.Duration(st.Minutes) * time.Minute) // twice as long as the book says
			if err := s.Tick(ctx, tor, First(id), st.Key, Done{Outcome: "done"}); err != nil {
				t.Fatal(err)
			}
		}
		at = at.AddDate(0, 0, 1)
	}
	s.Now = func() time.Time { return monday }
	p, err := s.learnt(ctx)
	if err != nil || p.Seen() != 3 {
		t.Fatalf("%d pieces of work were timed, %v", p.Seen(), err)
	}
	if f, n := p.Takes("putty-points", "bench"); n != 3 || f < 1.3 || f > 2 {
		t.Errorf("twice as long, three times: × %.2f after %d", f, n)
	}
	d := dayOf(t, s, mira)
	steps, _ := d.stepsOf(ids[3])
	for _, st := range steps {
		took := int(st.To.Sub(st.From).Minutes())
		if !strings.Contains(st.Takes, "3 times timed") || !strings.Contains(st.Takes, "by the book") {
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
	two, err := s.Try(ctx, WhatIf{Hand: []Hour{{monday.Add(3 * time.Hour), monday.Add(4 * time.Hour)}}})
	if err != nil {
		t.Fatal(err)
	}
	if err := s.SetDayPlace(ctx, mira, NewDayPlace{record.DayPlace{Name: "bench", Count: 1}, 2}); err != nil {
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
		if err := s.SetDayPlace(ctx, mira, NewDayPlace{in, 1}); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	if err := s.SetDayPlace(ctx, tor, NewDayPlace{record.DayPlace{Name: "bench", Count: 3}, 1}); err == nil {
		t.Error("a technician bought a bench")
	}
}

// Who brings glass late is known for it: the odds of what waits for them are worse.
func TestComesFrom(t *testing.T) {
	for in, want := range map[string]string{"the pane from Quay glass": "Quay glass", "the customer's word": "",
		"the pane from Quay glass, which was wrong": "Quay glass"} {
		if got := comesFrom(in); got != want {
			t.Errorf("%s: %q", in, got)
		}
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
	w := usualWeek
	w.Account, w.Off = tor.ID, []string{"2026-03-30"}
	if err := s.SetWeek(ctx, tor, w); err != nil {
		t.Fatal(err)
	}
	days := map[string]int{}
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
			days[a.Format("Mon 2 MST")]++
		}
	}
	if days["Fri 27 CET"] == 0 || days["Mon 30 CEST"] == 0 {
		t.Errorf("%v", days)
	}
}
