package fit

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
	"freshshard/tools/golden"
)

// told is a result as a person reads it, a number a line.
func told(t *testing.T, r Result, inputs bool) string {
	b := &strings.Builder{}
	n := func(v float64) string { return working.Num(v, 2) }
	fmt.Fprintf(b, "ready %v, nominal %s × %s, order %s × %s, gap %s × %s, hot %s × %s, wrap %s, bite %s, hot "+
		"%s, %s\n", r.Ready, n(r.Nominal.W), n(r.Nominal.H), n(r.Order.W), n(r.Order.H), n(r.Gap.W), n(r.Gap.H),
		n(r.HotGap.W), n(r.HotGap.H), n(r.Wrap), n(r.Bite), n(r.HotBite), r.Form)
	for _, f := range r.Figures {
		limit := ""
		if f.Limit != nil {
			limit = fmt.Sprintf(" %s %s (%s)", f.Limit.Sense, n(f.Limit.Value), f.Limit.Source)
		}
		fmt.Fprintf(b, "  %-5s %s %s %s%s: %s | %s | %s\n", f.Verdict, f.Key, n(f.Value), f.Unit, limit, f.Sentence, f.Place,
			f.Working.Values)
		if !inputs {
			continue
		}
		for _, i := range f.Working.Inputs {
			fmt.Fprintf(b, "      %s = %s %s, %s: %s\n", i.Symbol, working.Num(i.Value, 4), i.Unit, i.Name, i.Source)
		}
		if f.Working.Note+f.Text+f.Other != "" {
			fmt.Fprintf(b, "      %s | %s | %s\n", f.Working.Note, f.Text, f.Other)
		}
	}
	for _, c := range append(r.Corners, r.Pane.Corners()...) {
		fmt.Fprintf(b, "  at %s, %s\n", n(c.X), n(c.Y))
	}
	for _, h := range r.Holes {
		fmt.Fprintf(b, "  hole %s, %s, %s across\n", n(h.Box().Min.X), n(h.Box().Min.Y), n(h.Box().Width()))
	}
	for _, key := range slices.Sorted(maps.Keys(r.Lines)) {
		fmt.Fprintf(b, "  %s: %s, %s to %s, %s\n", key, n(r.Lines[key][0].X), n(r.Lines[key][0].Y), n(r.Lines[key][1].X),
			n(r.Lines[key][1].Y))
	}
	if l := r.Lift; l != nil {
		fmt.Fprintf(b, "  lift %+v\n", *l)
	}
	for _, d := range r.Makes {
		fmt.Fprintf(b, "  makes %s %s\n", d.Name, n(d.Value))
	}
	for _, m := range r.Missing {
		fmt.Fprintf(b, "  missing %s: %s\n", m.Name, m.Why)
	}
	for _, o := range r.Odd {
		fmt.Fprintf(b, "  odd %s\n", o.Sentence)
	}
	for _, o := range r.Broken {
		fmt.Fprintf(b, "  broken %+v\n", o)
	}
	if c := r.Chance; c != nil {
		fmt.Fprintf(b, "  odds %s\n", strings.ReplaceAll(golden.Lines(t, c), "\n", ""))
	}
	for _, s := range r.Slide {
		fmt.Fprintf(b, "  at pane %s frame %s shift %s low %v %v\n", n(s.Pane), n(s.Frame), n(s.Shift), s.GapLow, s.BiteLow)
	}
	return b.String()
}

// varied are ways of holding of which each change is told: a covered pane, a bedded one, a bonded
// one, a window in its frame, a tube.
var varied = []string{"clip-heat", "putty-points", "bonded-fixed", "clamp-ring", "gauge-tube"}

// Each way of holding as it is read, and some by what is different about them: all that a person
// reads.
func TestSizesAreAsLookedAt(t *testing.T) {
	for _, f := range family.Book.All() {
		b, base := &strings.Builder{}, map[string]bool{}
		for _, c := range []struct {
			name   string
			change func(*Problem)
		}{
			{"as read", func(*Problem) {}},
			{"in inches", func(p *Problem) { p.Unit = length.IN }},
			{"plastic", func(p *Problem) {
				p.Plastic, p.Pane.Alpha, p.Cutter, p.Exposure.Steady, p.Exposure.Short, p.Exposure.Coldest = true, 68, Saw, 60, 60,
					-15
			}},
			{"wrapped, raked", func(p *Problem) { p.Gasket, p.Raked = Gasket{Kind: Wrapped, Free: 4}, true }},
			{"toughened, thick", func(p *Problem) { p.Cutter, p.Thickness = Toughened, 8 }},
			{"a narrow ledge", func(p *Problem) {
				for _, l := range []reading.Place{reading.Ledge, reading.Reach} {
					if _, ok := p.Readings[l]; ok {
						p.Readings[l] = length.Reading{Value: 7, Doubt: 0.5}
					}
				}
			}},
			{"an odd reading", func(p *Problem) {
				if r, ok := p.Readings[reading.WidthMiddle]; ok {
					r.Value = 480
					p.Readings[reading.WidthMiddle] = r
				}
			}},
			{"leans", func(p *Problem) {
				p.Readings[reading.Rising], p.Readings[reading.Falling] = length.Reading{Value: 530, Doubt: 0.5},
					length.Reading{Value: 516, Doubt: 0.5}
			}},
			{"off the middle, cold", func(p *Problem) { p.OffCentre, p.Exposure.Coldest, p.Exposure.FrameHot = 3, -30, 90 }},
			{"of a stock size", func(p *Problem) { p.Stock = &outline.Size{W: 400, H: 300} }},
			{"copied", func(p *Problem) { p.Pattern = true }},
			{"copied, with witnesses", func(p *Problem) {
				p.Pattern, p.Said.Width = true, &reading.Spoken{Size: 411.2, Doubt: 0.6, Words: "two of three"}
			}},
			{"carried by holes", func(p *Problem) {
				p.Carried = true
				for place, v := range map[reading.Place]float64{reading.HoleAcross: 13, reading.HoleUp: 40, reading.HoleSide: 60,
					reading.HoleApart: 280, reading.BushAcross: 12.4} {
					p.Readings[place] = length.Reading{Value: v, Doubt: 0.2}
				}
			}},
			{"bent", func(p *Problem) {
				p.Shape.Curved, p.ColdBend = true, &Value{120, value.Sheet("acrylic")}
				for place, v := range map[reading.Place]float64{reading.ChordAcross: 400, reading.RiseAcross: 30,
					reading.ChordDown: 300, reading.RiseDown: 2} {
					p.Readings[place] = length.Reading{Value: v, Doubt: 0.5}
				}
			}},
			{"an arch", func(p *Problem) {
				p.Shape = reading.Shape{Kind: "round-top"}
				for key, v := range map[string]float64{"width": 420, "spring": 200, "rise": 110, "height": 312} {
					p.Readings[reading.ShapePlace(key)] = length.Reading{Value: v, Doubt: 0.6}
				}
			}},
			{"drawn", func(p *Problem) {
				o, err := outline.NotchedRect(420, 310, 150, 90, 40)
				if err != nil {
					t.Fatal(err)
				}
				p.Shape = reading.Shape{Kind: reading.Drawn, Drawn: &outline.Outline{Outer: o}, Doubt: 0.8}
				p.Readings[reading.ShapePlace("width")] = length.Reading{Value: 424, Doubt: 0.5}
			}},
			{"little read", func(p *Problem) {
				for k := range p.Readings {
					if k != reading.WidthTop && k != reading.Faces && k != reading.Across0 {
						delete(p.Readings, k)
					}
				}
			}},
		} {
			if c.name != "as read" && !slices.Contains(varied, f.ID) {
				continue
			}
			texts := map[reading.Place]string{}
			for _, w := range reading.Walk(f.Sizing, reading.Shape{}) {
				if s, ok := golden.Readings[string(w.Place)]; ok {
					texts[w.Place] = s
				}
			}
			p := problem(t, f.ID, texts)
			p.Draws, p.Pane.Alpha = 400, 9
			c.change(&p)
			r, err := Solve(p)
			if err != nil {
				fmt.Fprintf(b, "= %s: %v\n", c.name, err)
				continue
			}
			text := told(t, r, c.name == "as read")
			fmt.Fprintf(b, "= %s\n", c.name)
			for line := range strings.Lines(text) {
				if !base[line] { // what is as it was read stands above
					b.WriteString(line)
				}
				base[line] = base[line] || c.name == "as read"
			}
		}
		golden.Check(t, "family-"+f.ID, b.String())
	}
}
