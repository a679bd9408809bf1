package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/round"
	"freshshard/internal/days"
	"freshshard/internal/desk"
	"freshshard/internal/record"
)

// crossing sails each hour of each day from Quay to Landing and back.
func crossing() string {
	out := "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//test//EN\r\n"
	for _, e := range []string{"Quay to Landing|T083000|T085000", "Quay to Landing|T103000|T105000",
		"Landing to Quay|T100000|T102000",
		"Landing to Quay|T150000|T152000"} {
		f := strings.Split(e, "|")
		out += "BEGIN:VEVENT\r\nUID:" + f[0] + f[1] + "\r\nDTSTAMP:20260101T000000Z\r\nSUMMARY:" + f[0] +
			"\r\nDTSTART:20260105" + f[1] +
			"\r\nDTEND:20260105" + f[2] + "\r\nRRULE:FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR\r\nEND:VEVENT\r\n"
	}
	return out + "END:VCALENDAR\r\n"
}

// onTheRoad is a shop with three jobs at customers': two across the water, one on this side.
func onTheRoad(t *testing.T) (*Shop, record.Account, record.Account, []int64) {
	t.Helper()
	s, mira, tor := open(t)
	s.Now = func() time.Time { return monday }
	m := record.RoadMap{Home: "Yard", Legs: []round.Leg{{A: "Yard", B: "Quay", Minutes: 6},
		{A: "Yard", B: "Orchard", Minutes: 30},
		{A: "Landing", B: "Saltmarsh", Minutes: 11}}, Ferries: []record.Timetable{{Name: "Sandholm ferry", Text: crossing()}}}
	if err := s.Days.Calendar.SetRoadMap(ctx, mira, m); err != nil {
		t.Fatal(err)
	}
	var ids []int64
	for i, place := range []string{"Saltmarsh", "Saltmarsh", "Orchard"} {
		id, err := s.Desk.TakeIn(ctx, tor, "",
			desk.TakeIn{Name: "Customer " + string(rune('A'+i)), Object: "Greenhouse, light " +
				string(rune('1'+i)),
				Exposure: "weather", Family: "putty-points", Place: "site"})
		if err != nil {
			t.Fatal(err)
		}
		if err := s.Days.Calendar.SetSite(ctx, tor, record.Site{Job: id, Place: place}); err != nil {
			t.Fatal(err)
		}
		ids = append(ids, id)
	}
	return s, mira, tor, ids
}

// Three visits go into one round that is shorter than three trips; taken, whoever drives is
// not at the bench, and what comes after the visits waits for them.
func TestRound(t *testing.T) {
	s, mira, tor, ids := onTheRoad(t)
	r, err := s.Rounds.Rounds(ctx)
	if err != nil || len(r.Open) != 3 || len(r.Days) == 0 || r.Home != "Yard" {
		t.Fatalf("%+v, %v", r, err)
	}
	want := days.RoundWanted{Day: "2026-06-01", People: []int64{tor.ID}, Jobs: ids}
	tried, err := s.Rounds.PlanRound(ctx, want)
	if err != nil || len(tried.Left) != 0 || len(tried.Sheet.Stops) != 3 {
		t.Fatalf("%+v, %v", tried, err)
	}
	if tried.Apart <= tried.Driving || tried.Sheet.Names[0] != tor.Name || tried.Sheet.Visits[0].What == "" {
		t.Errorf("%+v", tried)
	}
	// The ferry of half past eight, ten minutes before it on the quay, six to drive.
	first := tried.Sheet.Stops[0]
	if first.Place == "Saltmarsh" && (tried.Sheet.Leaves.Format("15:04") != "08:10" ||
		first.Way[1].Ferry != "Sandholm ferry") {
		t.Errorf("it leaves at %v, %+v", tried.Sheet.Leaves, first.Way)
	}
	id, err := s.Rounds.TakeRound(ctx, mira, "a-round-once", want)
	if err != nil {
		t.Fatal(err)
	}
	if again, err := s.Rounds.TakeRound(ctx, mira, "a-round-once", want); err != nil || again != id {
		t.Errorf("a retry took round %d, %v", again, err)
	}
	d := dayOf(t, s, mira)
	sheet := tried.Sheet
	van := 0
	for _, p := range d.People {
		for _, st := range p.Steps {
			if st.Round == id {
				van++
				if p.ID != tor.ID {
					t.Errorf("%s is in the van", p.Name)
				}
				continue
			}
			if p.ID == tor.ID && st.From.Before(sheet.Back) && st.To.After(sheet.Leaves) {
				t.Errorf("Tor is in the van, and does %s at %v", st.Title, st.From)
			}
			for _, stop := range sheet.Stops {
				if st.Job == stop.Job && st.From.Before(stop.Done) {
					t.Errorf("%s is done at %v, before the visit is over at %v", st.Title, st.From, stop.Done)
				}
			}
		}
	}
	if van < 3+4 {
		t.Errorf("%d stretches of the round", van)
	}
	l, err := s.Rounds.RoundLoad(ctx, id)
	if err != nil || len(l.Load.Tools) == 0 || len(l.Each) != 3 {
		t.Errorf("%+v, %v", l, err)
	}
	for i, a := range l.Load.Tools {
		for _, b := range l.Load.Tools[:i] {
			if a.What == b.What {
				t.Errorf("%s goes in twice", a.What)
			}
		}
	}
	// A job that is in a round goes into no other.
	if _, err := s.Rounds.PlanRound(ctx, days.RoundWanted{Day: "2026-06-02", People: []int64{tor.ID},
		Jobs: ids[:1]}); fault.Of(err) == nil ||
		!strings.Contains(fault.Of(err).Why, "in a round already") {
		t.Errorf("%v", err)
	}
	// Tor is off that day after all: the round says so.
	w := days.UsualWeek
	w.Account, w.Off = tor.ID, []string{"2026-06-01"}
	if err := s.Days.Calendar.SetWeek(ctx, tor, w); err != nil {
		t.Fatal(err)
	}
	if d = dayOf(t, s, mira); len(d.Loose) != 1 || !strings.Contains(d.Loose[0].Why, "does not work then") {
		t.Errorf("%+v", d.Loose)
	}
	if err := s.Rounds.DropRound(ctx, mira, id); err != nil {
		t.Fatal(err)
	}
	if r, err = s.Rounds.Rounds(ctx); err != nil || len(r.Taken) != 0 {
		t.Errorf("%+v, %v", r.Taken, err)
	}
	var no *record.NotFound
	if _, err := s.Rounds.RoundLoad(ctx, id); !errors.As(err, &no) {
		t.Errorf("given up, and it has a load: %v", err)
	}
}

// What a round cannot be is said at its field.
func TestRoundRefused(t *testing.T) {
	s, mira, tor, ids := onTheRoad(t)
	bench := toCutLight(t, s, tor, "Greenhouse, at the bench", "506", "402")
	for name, c := range map[string]struct {
		in          days.RoundWanted
		field, says string
	}{
		"no day": {days.RoundWanted{Day: "soon", People: []int64{tor.ID}, Jobs: ids}, "day", "no day"},
		"a Sunday": {days.RoundWanted{Day: "2026-06-07", People: []int64{tor.ID}, Jobs: ids}, "people[0]",
			"does not work on that day"},
		"nobody that is": {days.RoundWanted{Day: "2026-06-01", People: []int64{99}, Jobs: ids}, "people[0]", "nobody here"},
		"one at the shop": {days.RoundWanted{Day: "2026-06-01", People: []int64{tor.ID}, Jobs: []int64{ids[0], bench}},
			"jobs[1]",
			"not one at a customer's"},
	} {
		_, err := s.Rounds.PlanRound(ctx, c.in)
		if f := fault.Of(err); f == nil || f.Field != c.field || !strings.Contains(f.Why, c.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
	// The ferry does not sail on a Saturday; somebody works then.
	w := days.UsualWeek
	w.Account, w.Days = tor.ID, []int{6}
	if err := s.Days.Calendar.SetWeek(ctx, tor, w); err != nil {
		t.Fatal(err)
	}
	tried, err := s.Rounds.PlanRound(ctx, days.RoundWanted{Day: "2026-06-06", People: []int64{tor.ID}, Jobs: ids})
	if err != nil || len(tried.Left) != 2 || !strings.Contains(tried.Left[0].Why, "ferry") {
		t.Errorf("%+v, %v", tried.Left, err)
	}
	if _, err := s.Rounds.TakeRound(ctx, mira, "",
		days.RoundWanted{Day: "2026-06-06", People: []int64{tor.ID}, Jobs: ids}); fault.Of(err) == nil ||
		fault.Of(err).Field != "jobs" {
		t.Errorf("a round was taken that leaves somebody out: %v", err)
	}
	for field, in := range map[string]record.Site{
		"place": {Job: ids[0], Place: "Moon", Version: 1}, "in_from": {Job: ids[0], Place: "Orchard", InFrom: "nine",
			Version: 1},
		"in_to": {Job: ids[0], Place: "Orchard", InFrom: "10:00", InTo: "09:00", Version: 1},
	} {
		if err := s.Days.Calendar.SetSite(ctx, tor, in); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	var c *record.Conflict
	if err := s.Days.Calendar.SetSite(ctx, tor, record.Site{Job: ids[0], Place: "Orchard"}); !errors.As(err, &c) {
		t.Errorf("an old version was taken: %v", err)
	}
	if err := s.Days.Calendar.SetRoadMap(ctx, tor, record.RoadMap{}); err == nil {
		t.Error("a technician changed the roads")
	}
	bad := record.RoadMap{Home: "Yard", Version: 1, Legs: []round.Leg{{A: "Yard", B: "Quay", Minutes: 6}},
		Ferries: []record.Timetable{{Name: "f", Text: "no"}}}
	if err := s.Days.Calendar.SetRoadMap(ctx, mira, bad); fault.Of(err) == nil || fault.Of(err).Field != "ferries[0]" {
		t.Errorf("%v", err)
	}
	bad.Ferries, bad.Home = nil, "Moon"
	if err := s.Days.Calendar.SetRoadMap(ctx, mira, bad); fault.Of(err) == nil || fault.Of(err).Field != "home" {
		t.Errorf("%v", err)
	}
}

// A forecast that is wet moves what is puttied outdoors; one with a gap is refused, and the
// one before it stays.
func TestForecast(t *testing.T) {
	s, mira, _, ids := onTheRoad(t)
	dry, wet := "time,c,rh,wet\n", "time,c,rh,wet\n"
	for h := range 72 {
		at := monday.Add(time.Duration(h) * time.Hour).Format(time.RFC3339)
		dry += at + ",15,60,\n"
		wet += at + ",15,60,yes\n"
	}
	laid := func() time.Time {
		d := dayOf(t, s, mira)
		steps, _ := stepsOf(d, ids[2])
		for _, st := range steps {
			if strings.HasPrefix(st.Title, "Prepare") || strings.HasPrefix(st.Title, "Set") {
				return st.From
			}
		}
		t.Fatalf("nothing is set: %+v", steps)
		return time.Time{}
	}
	if err := s.Hold.SetForecast(ctx, mira, strings.NewReader(wet)); err != nil {
		t.Fatal(err)
	}
	if at := laid(); at.Before(monday.Add(72 * time.Hour)) {
		t.Errorf("puttied in the wet, at %v", at)
	}
	if k, err := s.Hold.Forecast(ctx); err != nil || k.Hours != 72 || !k.Until.Equal(monday.Add(71*time.Hour)) {
		t.Errorf("%+v, %v", k, err)
	}
	gap := strings.Replace(wet, monday.Add(5*time.Hour).Format(time.RFC3339)+",15,60,yes\n", "", 1)
	if err := s.Hold.SetForecast(ctx, mira, strings.NewReader(gap)); fault.Of(err) == nil ||
		fault.Of(err).Field != "row[6]" {
		t.Errorf("a forecast with a gap: %v", err)
	}
	if err := s.Hold.SetForecast(ctx, mira, strings.NewReader(dry)); err != nil {
		t.Fatal(err)
	}
	d := dayOf(t, s, mira)
	for _, w := range d.Weather[:20] {
		if !w.Fit || w.C != 15 {
			t.Errorf("%+v", w)
		}
	}
	if err := s.Hold.DropForecast(ctx, mira); err != nil {
		t.Fatal(err)
	}
	if k, err := s.Hold.Forecast(ctx); err != nil || k.Hours != 0 {
		t.Errorf("%+v, %v", k, err)
	}
}
