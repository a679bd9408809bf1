package exposure

import (
	"math"
	"testing"

	"freshshard/core/fault"
)

func TestCheck(t *testing.T) {
	good, err := Book.ByID("fire")
	if err != nil || good.Check() != nil {
		t.Fatal(err, good.Check())
	}
	for _, c := range []struct {
		field  string
		change func(*Exposure)
	}{
		{"steady", func(e *Exposure) { e.Steady = math.NaN() }},
		{"steady", func(e *Exposure) { e.Steady = 1201 }},
		{"short", func(e *Exposure) { e.Short = e.Steady - 1 }},
		{"coldest", func(e *Exposure) { e.Coldest = -61 }},
		{"coldest", func(e *Exposure) { e.Coldest = e.Steady + 1 }},
		{"sudden", func(e *Exposure) { e.Sudden = -1 }},
		{"hours", func(e *Exposure) { e.Hours = 2e6 }},
		{"frame_hot", func(e *Exposure) { e.FrameHot = 5000 }},
		{"room", func(e *Exposure) { e.Room = math.Inf(1) }},
	} {
		e := good
		c.change(&e)
		if f := fault.Of(e.Check()); f == nil || f.Field != c.field || f.Cure == "" {
			t.Errorf("want a fault at %s, got %v", c.field, e.Check())
		}
	}
}

// Each starting point is one that a technician would recognise: fire hotter
// than an oven, an oven hotter than a room, frost only outdoors.
func TestStartingPoints(t *testing.T) {
	by := map[string]Exposure{}
	for _, e := range Book.All() {
		by[e.ID] = e
		if e.Name == "" || e.Hint == "" {
			t.Errorf("%s says too little", e.ID)
		}
	}
	if !(by["kiln"].Steady > by["fire"].Steady && by["fire"].Steady > by["oven"].Steady &&
		by["oven"].Steady > by["room"].Steady) {
		t.Error("heat is out of order")
	}
	if !(by["weather"].Coldest < 0 && by["weather"].Outdoors && !by["room"].Outdoors) {
		t.Error("frost is out of place")
	}
	if _, err := Book.ByID("lava"); fault.Of(err) == nil {
		t.Errorf("%v", err)
	}
}
