package shop

import (
	"errors"
	"testing"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
)

// What else speaks for a size is kept as it was typed, stands against the opening
// and travels with the job; what cannot be is refused at its field.
func TestHeardOnTheJob(t *testing.T) {
	s, mira, tor := open(t)
	id, err := s.Desk.TakeIn(ctx, tor, "",
		desk.TakeIn{Name: "Oda Marl", Object: "Greenhouse, north light", Exposure: "weather",
			Family: "putty-points", Place: "bench"})
	if err != nil {
		t.Fatal(err)
	}
	for place, text := range square("616", "463", "13") {
		read(t, s, tor, id, place, text)
	}
	version := func() int { return view1(t, s, id).Pane.Version }
	rows := []measure.Heard{{Kind: "neighbour", Width: "617 ±0.5", Height: "457"},
		{Kind: "pieces", Width: "618", Cracks: 3},
		{Kind: "sheet", Width: "616.8"}}
	if err := s.Measure.SetHeard(ctx, tor, jobview.First(id), rows, version()); err != nil {
		t.Fatal(err)
	}
	v := view1(t, s, id)
	if h := v.Pane.Heard; len(h) != 3 || h[0].Width.Text != "617 ±0.5" || h[0].Width.Doubt != 0.5 ||
		h[0].Height.Doubt != 0 ||
		h[1].Cracks != 3 {
		t.Errorf("%+v", h)
	}
	if _, liar, ok := v.Reckoning.Heard.Width.OffOf("opening"); !ok || !liar {
		t.Errorf("%+v", v.Reckoning.Heard.Width)
	}
	for field, rows := range map[string][]measure.Heard{
		"heard[0].kind":   {{Kind: "old", Width: "300"}},
		"heard[1].kind":   {{Kind: "sheet", Width: "300"}, {Kind: "opening", Width: "300"}},
		"heard[0].height": {{Kind: "sheet", Height: "3//4"}},
		"heard[1].round":  {{Kind: "sheet", Width: "300"}, {Kind: "groove", Round: "twelve"}},
	} {
		if err := s.Measure.SetHeard(ctx, tor, jobview.First(id), rows, version()); fault.Of(err) == nil ||
			fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	var c *record.Conflict
	if err := s.Measure.SetHeard(ctx, tor, jobview.First(id), nil, version()-1); !errors.As(err, &c) {
		t.Errorf("an old copy: %v", err)
	}
	held := v.Pane.Held
	held.Stock = "610 by 457"
	if err := s.Desk.SetPane(ctx, tor, jobview.First(id), held, version()); fault.Of(err) == nil ||
		fault.Of(err).Field != "stock" {
		t.Errorf("no size: %v", err)
	}
	held.Stock = "610x457"
	if err := s.Desk.SetPane(ctx, tor, jobview.First(id), held, version()); err != nil {
		t.Fatal(err)
	}
	carried, err := s.Desk.Carry(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	taken, err := s.Desk.Bring(ctx, mira, "", carried)
	if err != nil {
		t.Fatal(err)
	}
	if w := view1(t, s, taken); len(w.Pane.Heard) != 3 || w.Pane.Stock != "610x457" ||
		w.Reckoning.Order != view1(t, s, id).Reckoning.Order {
		t.Errorf("carried: %+v, %q", w.Pane.Heard, w.Reckoning.Order)
	}
	if err := s.Measure.SetHeard(ctx, tor, jobview.First(id), nil, version()); err != nil ||
		view1(t, s, id).Reckoning.Heard != nil {
		t.Errorf("taken back: %v", err)
	}
}

// A road is given to all that are held alike and of which nobody said anything; a
// pane that somebody settled or ticked keeps its own.
func TestRoadForAllAlike(t *testing.T) {
	s, _, tor := open(t)
	id, err := s.Desk.TakeIn(ctx, tor, "",
		desk.TakeIn{Name: "Brindle & Daughters", Object: "Deck oven, door", Exposure: "oven",
			Family: "window-pack", Place: "bench", Layout: &drawing.Layout{Across: 4, Behind: true}})
	if err != nil {
		t.Fatal(err)
	}
	panes := view1(t, s, id).Panes
	second, fourth := jobview.Bench{Job: id, Pane: panes[1].ID}, jobview.Bench{Job: id, Pane: panes[3].ID}
	for place, text := range square("400", "300", "14") {
		if err := s.Measure.Read(ctx, tor, fourth, place, measure.Said{Text: text, Instrument: "rule"}); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.Bench.Choose(ctx, tor, fourth, bench.Settle{Material: "toughened-coated", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	v, err := s.Table(ctx, second)
	if err != nil {
		t.Fatal(err)
	}
	held := v.Pane.Held
	held.Road = road.Chosen{ID: "kept", How: "clean", Came: road.Unbroken}
	if err := s.Desk.SetPane(ctx, tor, second, held, v.Pane.Version); err != nil {
		t.Fatal(err)
	}
	// With fixings in the same call: both are kept.
	if err := s.Bench.Like(ctx, tor, second, bench.LikeThis{Road: true, Fixing: true,
		Places: []reading.Place{reading.Ledge}}); err != nil {
		t.Fatal(err)
	}
	for i, want := range []string{"kept", "kept", "kept", "size"} {
		w, err := s.Table(ctx, jobview.Bench{Job: id, Pane: panes[i].ID})
		if err != nil || w.Reckoning.Road.ID != want {
			t.Errorf("pane %d goes %q, %v", i+1, w.Reckoning.Road.ID, err)
		}
	}
}
