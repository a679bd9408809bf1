package shop

import (
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/pane"
	"freshshard/internal/hold"
)

func guarded() hold.LoadIn {
	return hold.LoadIn{W: "900 mm", H: "600 mm", Material: "annealed", Thickness: 4, Wind: 30, Push: 600}
}

// A pane under a gust and a push: four numbers, each against its limit, and
// what every material would need; a shop's own strength counts.
func TestLoad(t *testing.T) {
	s, mira, _ := open(t)
	out, err := s.Hold.Load(ctx, guarded())
	if err != nil {
		t.Fatal(err)
	}
	if len(out.Figures) != 4 || out.Figures[0].Text == "" || len(out.Carriers) != len(pane.Book.Laid(nil)) {
		t.Fatalf("%d figures, %d materials", len(out.Figures), len(out.Carriers))
	}
	need := func(in hold.LoadIn, id string) float64 {
		t.Helper()
		got, err := s.Hold.Load(ctx, in)
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range got.Carriers {
			if c.Material == id {
				if (c.Says == "") != (c.Thickness > 0) || len(c.Figures) < 2 || c.Figures[0].Text == "" {
					t.Errorf("%s: %+v", id, c)
				}
				return c.Thickness
			}
		}
		t.Fatalf("%s is missing", id)
		return 0
	}
	four, free := need(guarded(), "annealed"), guarded()
	free.Held = pane.Two
	if two := need(free, "annealed"); two < four || four == 0 {
		t.Errorf("held above and below %v mm, all round %v", two, four)
	}
	if err := s.Records.Book.SetOwn(ctx, mira,
		catalogue.Value{Kind: catalogue.Material, ID: "annealed", Item: "strength", V: 20,
			Sheet: "old greenhouse panes"}); err != nil {
		t.Fatal(err)
	}
	if weak := need(guarded(), "annealed"); weak <= four {
		t.Errorf("at 20 MPa %v mm, at 45 %v", weak, four)
	}
	round := guarded()
	round.Held, round.H, round.Warp = pane.Round, "", 3
	if got, err := s.Hold.Load(ctx, round); err != nil || len(got.Figures) != 5 {
		t.Errorf("a disc on a warped seat: %+v, %v", got.Figures, err)
	}
}

func TestLoadRefuses(t *testing.T) {
	s, _, _ := open(t)
	for field, change := range map[string]func(*hold.LoadIn){
		"w": func(i *hold.LoadIn) { i.W = "banana" }, "h": func(i *hold.LoadIn) { i.H = "3 mm" },
		"material": func(i *hold.LoadIn) { i.Material = "ice" },
	} {
		in := guarded()
		change(&in)
		_, err := s.Hold.Load(ctx, in)
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}
