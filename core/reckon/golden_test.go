package reckon

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"freshshard/core/diagnose"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/setting"
	"freshshard/tools/golden"
)

// One pane of each way of holding, as a person reads it: numbers, plan, what
// touches it, what is said.
func TestPanesAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	tell := func(name string, k Known) {
		r, err := Pane(k)
		if err != nil {
			fmt.Fprintf(b, "= %s: %v\n", name, err)
			return
		}
		fmt.Fprintf(b, "= %s: %s, assumed %v, order %q, cut %+v, carries %q, packing %q, cause %q, fault %v\n", name, r.Pane,
			r.Assumed, r.Order, r.Cutting, r.Carries, r.Packing, r.Cause, r.Fault)
		for _, s := range r.Stops {
			fmt.Fprintf(b, "  STOP %s at %s, %g beyond: %s | %s\n", s.Key, s.Station, math.Round(s.Beyond*100)/100, s.Says,
				s.Limit)
		}
		for _, f := range r.Figures {
			fmt.Fprintf(b, "  %s %s %s (%s): %s\n", f.Verdict, f.Key, f.Text, f.Other, f.Sentence)
		}
		for _, m := range r.Makes {
			fmt.Fprintf(b, "  makes %s %s %s\n", m.Name, m.Shown.Main, m.Shown.Other)
		}
		for _, c := range r.Plan.Cautions {
			fmt.Fprintf(b, "  caution %s\n", c.ID)
		}
		for _, c := range r.Touch {
			fmt.Fprintf(b, "  touch %s %s\n", c.Agent.ID, c.Verdict)
		}
		if r.Pack != nil {
			fmt.Fprintf(b, "  pack %.1f °C outside\n", r.Pack.Result.Touch)
		}
	}
	for _, f := range family.Book.All() {
		e, err := exposure.Book.ByID(f.Exposure)
		if err != nil {
			t.Fatal(err)
		}
		k := Known{Object: Object{Exposure: e},
			Holding: Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None},
				Sides: setting.Sides{Top: 2, Right: 2, Bottom: 2, Left: 2}}, Seen: Seen{Readings: usually(t, f)}, Unit: length.MM}
		if f.Seal == "gasket" {
			k.Gasket = fit.Gasket{Kind: fit.Flat, Free: 3}
		}
		tell(f.ID, k)
		if f.ID != "clip-heat" && f.ID != "bonded-fixed" && f.ID != "window-pack" && f.ID != "gauge-tube" {
			continue
		}
		k.Unit, k.Old, k.Power, k.Gas, k.Strike, k.Vehicle, k.Water = length.IN, true, true, true, true, true, true
		k.Like, k.OldPane, k.Uses = "", diagnose.Evidence{"broke": "dice"}, []string{"petroleum"}
		k.Evidence, k.Cause = diagnose.Evidence{"origin": "fixing"}, "over-tight"
		k.Duty = pane.Duty{Push: 500, Food: true}
		tell(f.ID+", with everything", k)
		k.Uses, k.Material, k.Thickness = []string{"no such agent"}, "polycarbonate", 5
		tell(f.ID+", in plastic", k)
	}
	e, err := exposure.Book.ByID("oven")
	if err != nil {
		t.Fatal(err)
	}
	f, err := family.Book.ByID("window-pack")
	if err != nil {
		t.Fatal(err)
	}
	tell("a pack", Known{Object: Object{Exposure: e},
		Holding: Holding{Family: "window-pack", Gasket: fit.Gasket{Kind: fit.None},
			Stack: pane.Stack{Panes: []pane.Coated{{Material: "toughened-coated", Thickness: 4, Coat: "cold"},
				{Material: "toughened", Thickness: 4, Coat: "none"}}, Gaps: []float64{16}, Here: 2}},
		Seen: Seen{Readings: usually(t, f)}, Unit: length.MM})
	golden.Check(t, "panes", b.String())
}
