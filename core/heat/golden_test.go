package heat

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/value"
	"freshshard/core/working"
	"freshshard/tools/golden"
)

// Packs of one to four panes, upright, leaning, lying and the other way round:
// temperatures, orders, words.
func TestPacksAreAsLookedAt(t *testing.T) {
	coat := Pane{Name: "coated", T: 4, Lambda: 1, Hot: 0.837, Cold: 0.15, Limit: 300}
	plain := Pane{Name: "toughened", T: 4, Lambda: 1, Hot: 0.837, Cold: 0.837, Limit: 250}
	thick := Pane{Name: "thick", T: 8, Lambda: 1.2, Hot: 0.85, Cold: 0.85, Limit: 450}
	b := &strings.Builder{}
	for _, p := range []Pack{
		{Cavity: 250, Room: 22, Inside: 20, Outside: 10, Slope: Upright, Panes: []Pane{plain}},
		{Cavity: 250, Room: 22, Inside: 20, Outside: 10, Slope: Upright, Panes: []Pane{coat, plain, plain},
			Gaps: []float64{16, 20}},
		{Cavity: 300, Room: 25, Inside: 15, Outside: 8, Slope: Lying, Panes: []Pane{thick, coat.Turned()},
			Gaps: []float64{12}},
		{Cavity: 200, Room: 20, Inside: 20, Outside: 10, Slope: Leaning, Panes: []Pane{coat, thick, plain, plain},
			Gaps: []float64{6, 40, 150}},
		{Cavity: -20, Room: 22, Inside: 10, Outside: 8, Slope: Upright, Panes: []Pane{plain, plain}, Gaps: []float64{12}},
		{Cavity: 180, Room: 22, Inside: 20, Outside: 10, Slope: Upright, Panes: []Pane{{T: 4, Lambda: 1, Hot: 0.837,
			Cold: 0.15, Limit: 300}, {T: 6, Lambda: 1, Hot: 0.837, Cold: 0.837}, {T: 3, Lambda: 1, Hot: 0.7, Cold: 0.837}},
			Gaps: []float64{12, 8}},
		{Cavity: 22, Room: 22, Inside: 10, Outside: 8, Slope: Upright, Panes: []Pane{plain, plain}, Gaps: []float64{12}},
	} {
		r, err := Solve(p)
		fmt.Fprintf(b, "= %v: %s %v\n", p.Slope, golden.Lines(t, r), err)
		for _, f := range p.Figures(r, value.Read(""), value.Read("")) {
			fmt.Fprintf(b, "  %s %s %s %s: %s | %s | %s\n", f.Verdict, f.Key, working.Num(f.Value, 2), f.Unit, f.Sentence,
				f.Working.Values, f.Working.Note)
		}
		all, err := Orders(p)
		fmt.Fprintf(b, "  %d orders, %v: %s\n", len(all), err, Says(all))
		for _, a := range Few(all) {
			fmt.Fprintf(b, "  %v %v touch %s hotter %s least %s built %v: %s\n", a.Order, a.Turned, working.Num(a.Touch, 1),
				working.Num(a.Hotter, 1), working.Num(a.Least, 1), a.AsBuilt, a.Words)
		}
	}
	// Just inside and just outside what a pack may be.
	ok := Pack{Cavity: 250, Room: 22, Inside: 20, Outside: 10, Slope: Upright, Panes: []Pane{plain, plain},
		Gaps: []float64{12}}
	for _, change := range []func(*Pack){
		func(p *Pack) { p.Cavity = 1200 }, func(p *Pack) { p.Cavity = 1201 }, func(p *Pack) { p.Cavity = -60 },
		func(p *Pack) { p.Cavity = -61 },
		func(p *Pack) { p.Room = 60 }, func(p *Pack) { p.Room = 61 }, func(p *Pack) { p.Room = -60 },
		func(p *Pack) { p.Room = -61 },
		func(p *Pack) { p.Inside = 500 }, func(p *Pack) { p.Inside = 501 }, func(p *Pack) { p.Inside = 0 },
		func(p *Pack) { p.Outside = 500 }, func(p *Pack) { p.Outside = 501 }, func(p *Pack) { p.Outside = 0 },
		func(p *Pack) { p.Gaps = []float64{200} }, func(p *Pack) { p.Gaps = []float64{201} },
		func(p *Pack) { p.Gaps = []float64{0} }, func(p *Pack) { p.Gaps = nil },
		func(p *Pack) { p.Panes[0].T = 60 }, func(p *Pack) { p.Panes[0].T = 61 }, func(p *Pack) { p.Panes[0].T = 0 },
		func(p *Pack) { p.Panes[0].Lambda = 5 }, func(p *Pack) { p.Panes[0].Lambda = 5.1 },
		func(p *Pack) { p.Panes[0].Lambda = 0 },
		func(p *Pack) { p.Panes[0].Hot = 1 }, func(p *Pack) { p.Panes[0].Hot = 1.1 }, func(p *Pack) { p.Panes[0].Hot = 0 },
		func(p *Pack) { p.Panes[1].Cold = 1 }, func(p *Pack) { p.Panes[1].Cold = 1.1 }, func(p *Pack) { p.Panes[1].Cold = 0 },
		func(p *Pack) { p.Panes = nil }, func(p *Pack) { p.Panes = []Pane{plain, plain, plain, plain, plain} },
		func(p *Pack) { p.Slope = "hanging" },
	} {
		p := ok
		p.Panes = append([]Pane(nil), ok.Panes...)
		change(&p)
		fmt.Fprintf(b, "  %v\n", p.Check())
	}
	golden.Check(t, "packs", b.String())
}
