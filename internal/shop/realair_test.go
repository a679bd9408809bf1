package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/record"
)

// A real shop is told no air that nobody read: no clock begins and no time is given before
// somebody says what the bench is like, the wall names no bead, no simulated instrument
// measures, and the days say no weather that nobody took in.
func TestARealShopHearsNoStation(t *testing.T) {
	s, tor, at, _ := bonded(t)
	s.MadeUp = false
	s.Now = func() time.Time { return monday }
	people, err := s.People(ctx)
	if err != nil {
		t.Fatal(err)
	}
	mira := people[0]
	in := Laid{Step: "cure", Adhesive: "urethane", Width: 12, Edges: 2, Place: record.AtBench}
	if f := fault.Of(s.StartCure(ctx, tor, "", at, in, s.zone())); f == nil || f.Field != "air" ||
		!strings.Contains(f.Cure, "no time is given before") {
		t.Fatalf("%v", f)
	}
	h, err := s.Hold(ctx, at, s.zone())
	if err != nil || h.Air != nil || h.Read || len(h.Cures) != 0 {
		t.Errorf("%+v, %v", h, err)
	}
	if d, err := s.AdhesiveDay(ctx); err != nil || d.Air != nil || len(d.Lines) != 0 {
		t.Errorf("%+v, %v", d, err)
	}
	var denied *record.Denied
	if _, err := s.Press(ctx, tor, "laser", Press{Truth: 300}); !errors.As(err, &denied) {
		t.Errorf("%v", err)
	}
	d := dayOf(t, s, mira)
	if len(d.Weather) != 0 {
		t.Errorf("weather that nobody took in: %+v", d.Weather[0])
	}
	if err := s.NoteAir(ctx, tor, record.AirReading{Place: record.AtBench, C: 19, RH: 48}, s.zone()); err != nil {
		t.Fatal(err)
	}
	if err := s.StartCure(ctx, tor, "", at, in, s.zone()); err != nil {
		t.Fatal(err)
	}
	h, err = s.Hold(ctx, at, s.zone())
	if err != nil || h.Air == nil || h.Air.C != 19 || len(h.Cures) != 1 || h.Cures[0].Curing == nil ||
		h.Cures[0].Curing.Opened().Safe == nil {
		t.Fatalf("%+v, %v", h, err)
	}
	// Where nobody read the air nothing is said of it.
	for _, w := range h.Cures[0].Would {
		if w.Place != record.AtBench {
			t.Errorf("the air of another place, which nobody read: %+v", w)
		}
	}
	forecast := "time,c,rh,wet\n2026-06-01T06:00:00Z,12,60,false\n2026-06-01T07:00:00Z,13,90,true\n"
	if err := s.SetForecast(ctx, mira, strings.NewReader(forecast)); err != nil {
		t.Fatal(err)
	}
	w := &dayWork{now: monday, zone: s.zone()}
	if w.weather, err = s.outdoors(ctx, s.store, monday, daysAhead*24); err != nil || len(w.air) != 2 {
		t.Fatalf("%+v, %v", w.weather, err)
	}
	fit := w.fitOutdoors()
	if len(fit) != 2 || fit[0].To != 120 || fit[1].From != 180 || fit[1].To != daysAhead*24*60 {
		t.Errorf("fit %+v: the wet hour alone is none", fit)
	}
}
