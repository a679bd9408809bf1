package pane

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/exposure"
	"freshshard/core/working"
	"freshshard/tools/golden"
)

// What is chosen for ordinary places, and why: every material with its score
// and sentence, or with what rules it out.
func TestChoicesAreAsLookedAt(t *testing.T) {
	at := func(id string) exposure.Exposure {
		t.Helper()
		e, err := exposure.Book.ByID(id)
		if err != nil {
			t.Fatal(err)
		}
		return e
	}
	stack := Stack{Panes: []Coated{{Material: "toughened-coated", Thickness: 4, Coat: "cold"},
		{Material: "toughened", Thickness: 4, Coat: "none"}}, Gaps: []float64{16}, Here: 2, Cavity: 250}
	hot := at("oven")
	hot.Steady, hot.Short, hot.Sudden, hot.Hours, hot.Coldest, hot.Cleaning = 251.6, 301.4, 120.6, 4000.6, -10.4, 30.6
	lesser := catalogue.Values{laid("toughened", "steady", 251.2), laid("toughened", "peak", 300.7), laid("glass-ceramic",
		"sudden", 120.2),
		laid("borosilicate", "steady", 250.3), laid("borosilicate", "peak", 290.8)}
	b := &strings.Builder{}
	for i, c := range []struct {
		name string
		n    Need
	}{
		{"sauna stove", Need{Exposure: at("fire"), Area: 62000, Thickness: 4, Like: "glass-ceramic"}},
		{"sauna stove that had toughened", Need{Exposure: at("fire"), Area: 62000, Thickness: 4, Like: "toughened",
			Beware: []string{"material"}}},
		{"potter's kiln", Need{Exposure: at("kiln"), Area: 10000, Thickness: 5}},
		{"deck oven, outer of two", Need{Exposure: at("oven"), Area: 200000, Thickness: 4, Stack: stack, Room: 22,
			Like: "toughened"}},
		{"apothecary cabinet", Need{Exposure: at("room"), Area: 90000, Thickness: 3, Like: "annealed", Depth: 6}},
		{"greenhouse", Need{Exposure: at("weather"), Area: 300000, Thickness: 4, Load: Load{W: 500, H: 600, Wind: 30}}},
		{"tractor's cab", Need{Exposure: at("weather"), Area: 600000, Thickness: 5, Vehicle: true,
			Load: Load{W: 800, H: 750, Wind: 30}}},
		{"tram's windscreen", Need{Exposure: at("weather"), Area: 700000, Thickness: 6, Vehicle: true,
			Duty: Duty{Windscreen: true}}},
		{"horse trailer, where somebody may fall", Need{Exposure: at("weather"), Area: 200000, Thickness: 4, Strike: true,
			Load: Load{W: 500, H: 400, Push: 600, Warp: 3, Wind: 30}}},
		{"wheelhouse", Need{Exposure: at("weather"), Area: 400000, Thickness: 6, Load: Load{W: 800, H: 500, Even: 6, Wind: 30,
			Spare: 2}}},
		{"boiler's gauge tube", Need{Exposure: at("boiler"), Thickness: 2.5, Tube: true, Outside: 13,
			Duty: Duty{Pressure: 6}}},
		{"museum case that lies", Need{Exposure: at("room"), Area: 500000, Thickness: 6,
			Load: Load{W: 1000, H: 500, Lying: true, Push: 500}}},
		{"channel, two sides held", Need{Exposure: at("weather"), Area: 300000, Thickness: 6, Load: Load{W: 700, H: 450,
			Held: "two", Wind: 28, Push: 200}, Like: "annealed"}},
		{"droplight, three sides held", Need{Exposure: at("weather"), Area: 300000, Thickness: 5, Load: Load{W: 650, H: 480,
			Held: "three", Wind: 30, Warp: 2}, Vehicle: true, Moves: "machine"}},
		{"port, round", Need{Exposure: at("weather"), Area: 70000, Thickness: 8, Load: Load{W: 300, H: 300, Held: "round",
			Even: 20, Push: 400, Warp: 0.4, Spare: 3}, Boat: true, Duty: Duty{Water: 1}}},
		{"hot, with frost", Need{Exposure: hot, Area: 90000, Thickness: 5, Load: Load{W: 300, H: 300}, Depth: 5}},
		{"hot, by the shop's own sheets", Need{Exposure: hot, Area: 90000, Thickness: 5, Load: Load{W: 300, H: 300},
			Own:  lesser,
			Like: "toughened", Beware: []string{"sudden"}}},
		{"mirror", Need{Exposure: at("room"), Area: 90000, Thickness: 4, Like: "mirror"}},
		{"food counter, bent", Need{Exposure: at("room"), Area: 90000, Thickness: 4, Bent: true, Duty: Duty{Food: true}}},
		{"weights moved", Need{Exposure: at("room"), Area: 90000, Thickness: 4, Weights: map[string]float64{"cost": 10,
			"scratch": 0}}},
	} {
		got, err := Choose(c.n)
		if err != nil {
			t.Fatalf("%s: %v", c.name, err)
		}
		fmt.Fprintf(b, "= %s: %s\n", c.name, got.Advice)
		for _, r := range got.Open {
			fmt.Fprintf(b, "  %s %s %s mm: %s | again: %s | asks %v |", working.Num(r.Score, 2), r.Material,
				working.Num(r.Thickness, 1), r.Sentence, r.Again, r.Asks)
			for _, q := range r.Reasons {
				fmt.Fprintf(b, " %s %s×%s", q.Judgement, working.Num(q.Points, 1), working.Num(q.Weight, 1))
			}
			b.WriteString("\n")
		}
		for _, k := range got.Closed {
			fmt.Fprintf(b, "  ✕ %s, %s: %s | %s\n", k.Material, k.Gate, k.Sentence, k.Figure.Working.Values)
		}
		for _, s := range got.Schools {
			fmt.Fprintf(b, "  school %+v\n", s)
		}
		for _, a := range got.Stands {
			if i > 1 {
				break // of the first two, what they stand of each thing
			}
			fmt.Fprintf(b, "  stands %s, %s, asks %s: %s\n", a.Key, a.Unit, working.Num(a.Asks, 2), a.Says)
			for n, s := range a.Stand {
				fmt.Fprintf(b, "    %s %s, left %s, known %v, open %v, like %v", s.Material, working.Num(s.Value, 2),
					working.Num(s.Left, 3), s.Known, s.Open, s.Like)
				figures, err := got.Why(a.Key, s.Material)
				for _, f := range figures[:min(len(figures), max(0, 12-4*n))] { // of the first few in full
					fmt.Fprintf(b, " | %s %s %s %s, %s: %s", f.Key, f.Verdict, f.Text, working.Num(f.Value, 2), f.Sentence,
						f.Working.Values)
				}
				fmt.Fprintf(b, " %v\n", err)
			}
		}
		for _, k := range Carriers(nil, c.n.Load) {
			fmt.Fprintf(b, "  carries %s %s mm, %s kg, %s, %d figures\n", k.Name, working.Num(k.Thickness, 1),
				working.Num(k.Mass, 2),
				k.Says, len(k.Figures))
		}
		fmt.Fprintf(b, "  says %q, %q; stands for good %s kPa\n", c.n.Duty.Says(), c.n.Stack.Says(nil),
			working.Num(c.n.Duty.Standing(), 2))
		for _, m := range Book.Laid(nil) {
			if m.ID != "toughened" && m.ID != "acrylic" && m.ID != "laminated" {
				continue
			}
			for _, f := range m.LoadFigures(c.n.Load, m.Nearest(c.n.Thickness)) {
				fmt.Fprintf(b, "  %s %s %s %s %s: %s | %s | %s\n", m.ID, f.Verdict, f.Key, working.Num(f.Value, 2), f.Unit,
					f.Sentence, f.Working.Values, f.Working.Note)
			}
		}
	}
	golden.Check(t, "choices", b.String())
}
