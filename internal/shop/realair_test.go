package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/hold"
	"freshshard/internal/measure"
	"freshshard/internal/record"
)

// A real shop is told no air that nobody read: no clock begins and no time is given before
// somebody says what the bench is like, the wall names no bead, no simulated instrument
// measures, and the days say no weather that nobody took in.
func TestARealShopHearsNoStation(t *testing.T) {
	s, tor, at, _ := bonded(t)
	s.MadeUp = false
	s.Now = func() time.Time { return monday }
	if _, err := s.Store.DB.Exec("UPDATE job SET created_at = ?", monday); err != nil {
		t.Fatal(err)
	}
	people, err := s.People.List(ctx)
	if err != nil {
		t.Fatal(err)
	}
	mira := people[0]
	in := hold.Laid{Step: "cure", Adhesive: "urethane", Width: 12, Edges: 2, Place: record.AtBench}
	if f := fault.Of(s.Hold.StartCure(ctx, tor, "", at, in, s.TimeZone())); f == nil || f.Field != "air" ||
		!strings.Contains(f.Cure, "no time is given before") {
		t.Fatalf("%v", f)
	}
	h, err := s.Hold.Hold(ctx, at, s.TimeZone())
	if err != nil || h.Air != nil || h.Read || len(h.Cures) != 0 {
		t.Errorf("%+v, %v", h, err)
	}
	if d, err := s.Days.AdhesiveDay(ctx); err != nil || d.Air != nil || len(d.Lines) != 0 {
		t.Errorf("%+v, %v", d, err)
	}
	var denied *record.Denied
	if _, err := s.Measure.Press(ctx, tor, "laser", measure.Press{Truth: 300}); !errors.As(err, &denied) {
		t.Errorf("%v", err)
	}
	d := dayOf(t, s, mira)
	if len(d.Weather) != 0 {
		t.Errorf("weather that nobody took in: %+v", d.Weather[0])
	}
	if err := s.Hold.NoteAir(ctx, tor, record.AirReading{Place: record.AtBench, C: 19, RH: 48}, s.TimeZone()); err != nil {
		t.Fatal(err)
	}
	if err := s.Hold.StartCure(ctx, tor, "", at, in, s.TimeZone()); err != nil {
		t.Fatal(err)
	}
	h, err = s.Hold.Hold(ctx, at, s.TimeZone())
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
}
