package shop

import (
	"errors"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/stock"
)

// A 2700 beside three 242s is asked about before it is kept; entered once more it is kept. In
// inches it is asked in inches.
func TestAReadingThatCannotBeMeant(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	for _, p := range []reading.Place{reading.HeightLeft, reading.HeightMiddle, reading.HeightRight} {
		read(t, s, tor, id, p, "242")
	}
	said := measure.Said{Text: "2700", Instrument: length.Rule}
	f := fault.Of(s.Measure.Read(ctx, tor, jobview.First(id), reading.WidthTop, said))
	if f == nil || f.Field != "width_top" || !strings.Contains(f.Why, "2700.0 mm here, 242.0 mm at height") ||
		!strings.Contains(f.Why, "is it so?") {
		t.Fatalf("%v", f)
	}
	if v := view1(t, s, id); len(v.Pane.Readings) != 3 {
		t.Errorf("it was kept: %+v", v.Pane.Readings)
	}
	said.Sure = true
	if err := s.Measure.Read(ctx, tor, jobview.First(id), reading.WidthTop, said); err != nil {
		t.Errorf("entered once more: %v", err)
	}
	if err := s.Desk.SetUnit(ctx, mira, id, length.IN); err != nil {
		t.Fatal(err)
	}
	inch := measure.Said{Text: "90 in", Instrument: length.Rule}
	if f := fault.Of(s.Measure.Read(ctx, mira, jobview.First(id), reading.WidthBottom, inch)); f == nil ||
		!strings.Contains(f.Why, " in here") {
		t.Errorf("%v", f)
	}
}

// A light too narrow to snap is left over with its reason, and the others of its glass are
// planned.
func TestANarrowLightStopsNoOther(t *testing.T) {
	s, mira, tor := open(t)
	if _, err := s.Stock.AddStock(ctx, mira, "", sheetOf(2)); err != nil {
		t.Fatal(err)
	}
	toCutLight(t, s, tor, "Greenhouse, light 1", "506", "402")
	narrow := toCutLight(t, s, tor, "Greenhouse, strip", "25", "190")
	room, err := s.Stock.CutRoom(ctx)
	if err != nil || len(room.Groups) == 0 {
		t.Fatalf("%+v, %v", room, err)
	}
	g := room.Groups[0]
	if err := s.Stock.PlanCuts(ctx, tor, stock.Glass{Material: g.Material, Thickness: g.Thickness}, nil); err != nil {
		var broken *record.Broken
		t.Fatalf("broken %v: %v", errors.As(err, &broken), err)
	}
	room, err = s.Stock.CutRoom(ctx)
	if err != nil || room.Groups[0].Plan == nil {
		t.Fatalf("%+v, %v", room, err)
	}
	p := room.Groups[0].Plan.Plan
	if len(p.Sheets) != 1 || len(p.Left) != 1 || p.Left[0].Why != "too narrow to snap: have it cut" {
		t.Errorf("job %d: %d sheets, left %+v", narrow, len(p.Sheets), p.Left)
	}
}
