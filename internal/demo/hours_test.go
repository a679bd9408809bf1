package demo

import (
	"testing"
	"time"
)

// Nobody promises half past midnight, nor a Sunday.
func TestInHours(t *testing.T) {
	at := func(day, hour, minute int) time.Time { return time.Date(2026, 11, day, hour, minute, 0, 0, time.Local) }
	for _, c := range []struct{ in, want time.Time }{
		{at(26, 9, 0), at(26, 9, 30)}, {at(26, 9, 10), at(26, 9, 30)}, {at(26, 16, 0), at(26, 16, 30)},
		{at(26, 16, 30), at(27, 8, 30)},
		{at(26, 16, 40), at(27, 8, 30)}, {at(26, 0, 30), at(26, 8, 30)}, {at(26, 7, 59), at(26, 8, 0)},
		{at(28, 17, 0), at(30, 8, 30)}, {at(29, 10, 0), at(30, 8, 30)}, {at(30, 23, 59), at(31, 8, 30)},
	} {
		if got := inHours(c.in); !got.Equal(c.want) {
			t.Errorf("%s: %s, not %s", c.in, got.Local(), c.want)
		}
	}
	// What is late stays late, however early it is.
	for _, c := range []struct {
		now  time.Time
		due  float64
		want time.Time
	}{{at(26, 6, 0), -3, at(25, 8, 30)}, {at(30, 6, 0), -1, at(28, 8, 30)}, {at(26, 14, 0), -3, at(26, 11, 30)},
		{at(26, 14, 0), 1, at(26, 15, 30)}} {
		if got := promised(c.now, c.due); !got.Equal(c.want) {
			t.Errorf("%v h from %s: %s, not %s", c.due, c.now, got.Local(), c.want)
		}
	}
}
