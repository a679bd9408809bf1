package strength

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

// Plates of every way of being held, of several forms, under each load; and
// what is refused, just inside and just outside.
func TestPlatesAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	glass := Sheet{E: 70, Nu: 0.22, T: 5}
	for _, h := range []Held{Four, Three, Two, Round, Clamped, "by faith"} {
		for _, form := range [][2]float64{{600, 600}, {900, 500}, {400, 1100}, {1500, 150}} {
			e, err1 := h.Even(glass, form[0], form[1], 1.3)
			p, err2 := h.Push(glass, form[0], form[1], 600, 100)
			s, err3 := h.Seat(glass, form[0], form[1], 2)
			fmt.Fprintf(b, "%q %v: even %.4f %.4f %v, push %.4f %.4f %v, seat %.4f, span %.0f; %v %v %v\n", h, form, e.Stress,
				e.Deflection, e.Large, p.Stress, p.Deflection, p.Large, s, h.Span(form[0], form[1]), err1, err2, err3)
		}
	}
	for _, ratio := range []float64{1, 1.5, 2, 5} {
		a, be := Coefficients(ratio, 0.3)
		fmt.Fprintf(b, "ratio %v: %.5f %.5f\n", ratio, a, be)
	}
	for _, l := range []Lasting{Permanent, Gust, "ever", ""} {
		k, err := Kmod(l)
		fmt.Fprintf(b, "%q: %.3f %v", l, k, err)
		for _, s := range []float64{25, 45, 70, 120, 0, 1001} {
			a, err := Allowable(s, l)
			fmt.Fprintf(b, " %.3f %v", a, err)
		}
		b.WriteString("\n")
	}
	for _, x := range [][3]float64{{12.7, 2.4, 800}, {20, 9.9, 100}, {20, 10, 100}, {20, 0, 100}, {0, 1, 100}, {20, 2, -1},
		{500, 10, 1}, {501, 10, 1}} {
		v, err := Tube(x[0], x[1], x[2])
		fmt.Fprintf(b, "tube %v: %.4f %v\n", x, v, err)
	}
	for _, change := range []func(*Sheet){func(s *Sheet) { s.E = 0 }, func(s *Sheet) { s.E = 500 },
		func(s *Sheet) { s.E = 501 }, func(s *Sheet) { s.Nu = -0.1 }, func(s *Sheet) { s.Nu = 0 },
		func(s *Sheet) { s.Nu = 0.5 }, func(s *Sheet) { s.Nu = 0.51 }, func(s *Sheet) { s.T = 0 },
		func(s *Sheet) { s.T = 100 }, func(s *Sheet) { s.T = 100.5 }} {
		s := glass
		change(&s)
		_, err := s.FourSides(500, 500, 1)
		fmt.Fprintf(b, "%+v: %v\n", s, err)
	}
	for _, x := range [][3]float64{{0, 500, 1}, {10000, 500, 1}, {10001, 500, 1}, {500, 0, 1}, {500, 10001, 1},
		{500, 500, -1}, {500, 500, 0}, {500, 500, 1e4}, {500, 500, 1.1e4}} {
		_, e4 := glass.FourSides(x[0], x[1], x[2])
		_, e3 := glass.ThreeSides(x[0], x[1], x[2])
		_, e2 := glass.TwoSides(x[0], x[1], x[2])
		fmt.Fprintf(b, "%v: %v | %v | %v\n", x, e4, e3, e2)
	}
	for _, x := range [][2]float64{{-1, 100}, {0, 100}, {1e5, 100}, {1.1e5, 100}, {500, 0}, {500, 400}, {500, 401},
		{500, 600}} {
		_, e1 := glass.Push(500, 400, x[0], x[1])
		_, e2 := glass.PushRound(500, x[0], x[1])
		_, e3 := glass.PushEdge(500, 400, x[0], x[1], true)
		fmt.Fprintf(b, "push %v: %v | %v | %v\n", x, e1, e2, e3)
	}
	fmt.Fprintf(b, "wind %.5f, water %.3f, limit %.3f, rigidity %.1f\n", Wind(30, 1.2), Water(2), DeflectionLimit(600),
		glass.Rigidity())
	golden.Check(t, "plates", b.String())
}
