package shop

import (
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/heat"
	"freshshard/core/pane"
)

func ovenPack() PackIn {
	return PackIn{Cavity: 250, Room: 22, Inside: 20, Outside: 10, Slope: heat.Upright, Gaps: []float64{16, 20},
		Panes: []pane.Coated{{Material: "toughened-coated", Thickness: 4, Coat: "cold"}, {Material: "toughened", Thickness: 4, Coat: "none"}, {Material: "toughened", Thickness: 4, Coat: "none"}}}
}

// The pack as built and as nobody should build it: a coat turned round is
// hotter outside, and it says by how much.
func TestPack(t *testing.T) {
	s, _, _ := open(t)
	built, err := s.Pack(ctx, ovenPack())
	if err != nil {
		t.Fatal(err)
	}
	if len(built.Figures) != 5 || built.Figures[0].Text == "" || len(built.Orders) == 0 || !strings.Contains(built.Says, "hotter outside") {
		t.Errorf("%+v", built.Says)
	}
	none := ovenPack()
	none.Panes[0].Coat = "none"
	bare, err := s.Pack(ctx, none)
	if err != nil || bare.Result.Touch < built.Result.Touch+1 {
		t.Errorf("without its coat %v, with it %v, %v", bare.Result.Touch, built.Result.Touch, err)
	}
	last := built.Orders[len(built.Orders)-1]
	if last.Hotter <= 0 {
		t.Errorf("%+v", last)
	}
	bad := ovenPack()
	bad.Panes[1].Material = "ice"
	if f := fault.Of(func() error { _, err := s.Pack(ctx, bad); return err }()); f == nil || f.Field != "panes[1].material" {
		t.Errorf("%v", f)
	}
}
