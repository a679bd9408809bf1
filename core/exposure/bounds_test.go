package exposure

import (
	"testing"

	"freshshard/core/fault"
)

// Temperatures at both ends of what is taken, and just outside.
func TestEndsOfWhatIsTaken(t *testing.T) {
	plain := Exposure{Steady: 20, Short: 20, Room: 20, Coldest: 20, FrameHot: 20}
	for _, c := range []struct {
		name   string
		change func(*Exposure)
		field  string
	}{
		{"coldest of all", func(e *Exposure) { e.Coldest = -60 }, ""},
		{"colder", func(e *Exposure) { e.Coldest = -60.01 }, "coldest"},
		{"hottest of all", func(e *Exposure) { e.Short = 1200 }, ""},
		{"hotter", func(e *Exposure) { e.Short = 1200.01 }, "short"},
		{"a frame as hot", func(e *Exposure) { e.FrameHot = 1200 }, ""},
		{"a frame that is hotter", func(e *Exposure) { e.FrameHot = 1200.01 }, "frame_hot"},
		{"the peak as the steady heat", func(e *Exposure) { e.Steady, e.Short = 100, 100 }, ""},
		{"below it", func(e *Exposure) { e.Steady, e.Short = 100, 99.99 }, "short"},
		{"the coldest as the steady heat", func(e *Exposure) { e.Coldest = 20 }, ""},
		{"above it", func(e *Exposure) { e.Coldest = 20.01 }, "coldest"},
		{"the greatest change", func(e *Exposure) { e.Sudden = 1200 }, ""},
		{"a greater one", func(e *Exposure) { e.Sudden = 1200.01 }, "sudden"},
		{"hours of a century", func(e *Exposure) { e.Hours, e.Cleaning = 1e6, 1e6 }, ""},
		{"more", func(e *Exposure) { e.Hours = 1e6 + 1 }, "hours"},
		{"more at the peak", func(e *Exposure) { e.Cleaning = 1e6 + 1 }, "cleaning"},
	} {
		e := plain
		c.change(&e)
		got := ""
		if f := fault.Of(e.Check()); f != nil {
			got = f.Field
		}
		if got != c.field {
			t.Errorf("%s: refused at %q, want %q", c.name, got, c.field)
		}
	}
}
