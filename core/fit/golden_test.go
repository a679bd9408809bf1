package fit

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/core/golden"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/working"
)

// told is a result as a person reads it, a number a line.
func told(t *testing.T, r Result) string {
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

// Each way of holding by what is different about it: all that a person reads.
func TestSizesAreAsLookedAt(t *testing.T) {
	for _, f := range family.All() {
		b := &strings.Builder{}
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
			{"little read", func(p *Problem) {
				for k := range p.Readings {
					if k != reading.WidthTop && k != reading.Faces && k != reading.Across0 {
						delete(p.Readings, k)
					}
				}
			}},
		} {
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
			fmt.Fprintf(b, "= %s\n%s", c.name, told(t, r))
		}
		golden.Check(t, "family-"+f.ID, b.String())
	}
}
