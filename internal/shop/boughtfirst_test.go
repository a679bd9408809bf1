package shop

import (
	"testing"

	"freshshard/core/ask"
	"freshshard/core/family"
	"freshshard/core/road"
	"freshshard/internal/bench"
	"freshshard/internal/buy"
	"freshshard/internal/jobview"
)

// A part whose number can be read, and a window that is bought whole, are bought before the object is
// opened, and the line waits until they have come; what can be read only inside is opened first.
// Nobody is kept from opening it.
func TestBoughtBeforeItIsOpened(t *testing.T) {
	s, _, tor := open(t)
	for name, c := range map[string]struct {
		road  road.Chosen
		first family.Station // after Assess
	}{
		"a part":               {road.Chosen{ID: "part", Part: road.Part{Number: "71-404", Seen: "plate"}}, "source"},
		"a window":             {road.Chosen{ID: "window", Part: road.Part{Number: "W 40"}}, "source"},
		"nobody has looked":    {road.Chosen{ID: "part"}, "source"},
		"its number is inside": {road.Chosen{ID: "part", Part: road.Part{Seen: road.Inside}}, "strip"},
		"made to size":         {road.Chosen{}, "strip"},
	} {
		in := stove()
		in.Family, in.Object, in.Exposure, in.Road = "channel-front", "Deck oven, side door", "oven", c.road
		id, err := s.Desk.TakeIn(ctx, tor, "", in)
		if err != nil {
			t.Fatal(err)
		}
		at := jobview.First(id)
		if err := s.Bench.Tick(ctx, tor, at, "cause", bench.Done{Outcome: "done"}); err != nil {
			t.Fatal(err)
		}
		if got := now(t, s, id); got != c.first {
			t.Errorf("%s: after Assess comes %s, want %s", name, got, c.first)
		}
		if err := s.Bench.Tick(ctx, tor, at, "isolate", bench.Done{Outcome: "done"}); err != nil {
			t.Errorf("%s: kept from opening it: %v", name, err)
		}
	}
	// While the part is on its way the line stays with it; then it is held against the old one, and
	// only then the door comes off.
	in := stove()
	in.Family, in.Object, in.Exposure = "channel-front", "Deck oven, upper door", "oven"
	in.Road = road.Chosen{ID: "part", Part: road.Part{Number: "71-404", Seen: "plate"}}
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	at := jobview.First(id)
	tick := func(step string) {
		t.Helper()
		if err := s.Bench.Tick(ctx, tor, at, step, bench.Done{Outcome: "done"}); err != nil {
			t.Fatal(err)
		}
	}
	tick("cause")
	tick("part-number")
	waits := func(what string) {
		t.Helper()
		v := view1(t, s, id)
		if err := s.Buy.SetWait(ctx, tor, at, buy.Wait{For: what, Version: v.Pane.Version}); err != nil {
			t.Fatal(err)
		}
	}
	waits(jobview.FromOrder + "the parts house")
	asked := func() ask.Ask { return view1(t, s, id).Asks[stationAt(now(t, s, id))] }
	if a := asked(); a.Kind != ask.Arrived || a.Station != "source" {
		t.Errorf("while it is on its way: %+v", a)
	}
	waits("")
	if a := asked(); a.Key != "part-here" {
		t.Errorf("it has come: %+v", a)
	}
	tick("part-here")
	if got := now(t, s, id); got != "strip" {
		t.Errorf("then comes %s", got)
	}
}

// now is the station at which a job stands.
func now(t *testing.T, s *Shop, id int64) family.Station {
	t.Helper()
	for _, l := range view1(t, s, id).Route {
		if l.State == "now" {
			return l.Station
		}
	}
	return ""
}
