package fit

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/working"
	"freshshard/tools/golden"
)

// Whatever single reading is lacking, of every way of holding: what is said then and what is
// not, by how much the order is another.
func TestOneLackingIsAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, f := range family.Book.All() {
		if !slices.Contains(varied, f.ID) {
			continue
		}
		texts := map[reading.Place]string{reading.ChordAcross: "400", reading.RiseAcross: "20", reading.ChordDown: "300",
			reading.RiseDown: "6"}
		for _, w := range reading.Walk(f.Sizing, reading.Shape{Curved: true}) {
			if s, ok := golden.Readings[string(w.Place)]; ok {
				texts[w.Place] = s
			}
		}
		whole := problem(t, f.ID, texts)
		whole.Shape.Curved, whole.Draws = true, 100
		last := map[string]string{}
		for _, lacking := range append([]reading.Place{""}, slices.Sorted(maps.Keys(whole.Readings))...) {
			p := whole
			p.Readings = maps.Clone(whole.Readings)
			delete(p.Readings, lacking)
			r, err := Solve(p)
			now := map[string]string{"": fmt.Sprintf("%v %v, bite %.2f, %d missing, slide %d", err, r.Order, r.Bite,
				len(r.Missing), len(r.Slide))}
			for _, f := range r.Figures {
				now[f.Key] = fmt.Sprintf("%s %s", f.Verdict, working.Num(f.Value, 2))
			}
			if lacking == "" {
				last = now
			}
			fmt.Fprintf(b, "= %s without %q:", f.ID, lacking)
			for _, key := range slices.Sorted(maps.Keys(last)) {
				if said, ok := now[key]; !ok {
					fmt.Fprintf(b, " −%s", key)
				} else if said != last[key] || lacking == "" {
					fmt.Fprintf(b, " %s %s;", key, said)
				}
			}
			for _, key := range slices.Sorted(maps.Keys(now)) {
				if _, ok := last[key]; !ok {
					fmt.Fprintf(b, " +%s %s", key, now[key])
				}
			}
			b.WriteString("\n")
		}
	}
	golden.Check(t, "lacking", b.String())
}

// A taper is worth a word above 1 mm and a look above 4; up to that the size takes it in.
func TestTaperToItsLimits(t *testing.T) {
	for _, c := range []struct {
		by   float64
		want working.Verdict
	}{{1, ""}, {1.1, working.Note}, {4, working.Note}, {4.1, working.Warn}} {
		p := problem(t, "bead-brads", nil)
		p.Readings = map[reading.Place]length.Reading{reading.WidthTop: {Value: 600}, reading.WidthBottom: {Value: 600 +
			c.by},
			reading.HeightLeft: {Value: 400}, reading.HeightRight: {Value: 400}, reading.Ledge: {Value: 12}}
		got := working.Verdict("")
		for _, f := range solve(t, p).Figures {
			if f.Key == "taper_width" {
				got = f.Verdict
			}
		}
		if got != c.want {
			t.Errorf("%v mm: %q, want %q", c.by, got, c.want)
		}
	}
}
