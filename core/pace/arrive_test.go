package pace

import (
	"math"
	"testing"
	"time"
)

// Deliveries: the book before anything was seen; a source that is late half the time is
// known for it, one that never is for that; somebody new is as all are.
func TestArrive(t *testing.T) {
	due := nine
	came := func(who string, hours ...float64) []Came {
		var out []Came
		for _, h := range hours {
			out = append(out, Came{who, due, due.Add(time.Duration(h * float64(time.Hour)))})
		}
		return out
	}
	c, by, n := Arrive(nil).Late("anybody")
	if math.Abs(c-lateChance) > 1e-12 || by != lateBy || n != 0 {
		t.Errorf("%g, %v after %d", c, by, n)
	}
	// At the hour of grace it is not late yet, a minute more it is.
	for h, late := range map[float64]float64{1: 0, 1.02: 1, -20: 0} {
		if a := Arrive(came("x", h)); a.all.late != late {
			t.Errorf("%g h: late %g", h, a.all.late)
		}
	}
	slow, quick := came("slow", 48, 0, 48, 0, 48, 0, 48, 0), came("quick", 0, 0, 0, 0, 0, 0, 0, 0)
	a := Arrive(append(slow, quick...))
	s, sBy, sn := a.Late("slow")
	q, _, qn := a.Late("quick")
	o, _, on := a.Late("somebody new")
	// All: 4 of 16 late, (4 + 6 · 0.15) / 22; slow: (4 + 6 · that) / 14; by (4 · 48 + 2 · all) / 6.
	all := (4 + 6*0.15) / 22
	if math.Abs(o-all) > 1e-12 || math.Abs(s-(4+6*all)/14) > 1e-12 || math.Abs(q-6*all/14) > 1e-12 {
		t.Errorf("slow %g, quick %g, new %g", s, q, o)
	}
	allBy := (4*48.0 + 2*24) / 6
	if want := (4*48 + 2*allBy) / 6; math.Abs(sBy.Hours()-want) > 1e-6 || sn != 8 || qn != 8 || on != 0 {
		t.Errorf("late by %v, want %g h", sBy, want)
	}
	// One that was two days late: (48 + 2 · 24) / 3 of all, and of theirs (48 + 2 · that) / 3.
	_, one, _ := Arrive(came("x", 48)).Late("x")
	if want := (48 + 2*(48+2*24.0)/3) / 3; math.Abs(one.Hours()-want) > 1e-6 {
		t.Errorf("once late by two days: %v, want %g h", one, want)
	}
}
