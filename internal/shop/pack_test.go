package shop

import (
	"errors"
	"strings"
	"testing"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/heat"
	"freshshard/core/pane"
	"freshshard/internal/measure"
	"freshshard/internal/record"
)

func ovenPack() measure.PackIn {
	return measure.PackIn{Cavity: 250, Room: 22, Inside: 20, Outside: 10, Slope: heat.Upright, Gaps: []float64{16, 20},
		Panes: []pane.Coated{{Material: "toughened-coated", Thickness: 4, Coat: "cold"},
			{Material: "toughened", Thickness: 4, Coat: "none"}, {Material: "toughened", Thickness: 4, Coat: "none"}}}
}

// The pack as built and as nobody should build it: a coat turned round is
// hotter outside, and it says by how much.
func TestPack(t *testing.T) {
	s, _, _ := open(t)
	built, err := s.Measure.Pack(ctx, ovenPack())
	if err != nil {
		t.Fatal(err)
	}
	if len(built.Figures) != 5 || built.Figures[0].Text == "" || len(built.Orders) == 0 ||
		!strings.Contains(built.Says, "hotter outside") {
		t.Errorf("%+v", built.Says)
	}
	none := ovenPack()
	none.Panes[0].Coat = "none"
	bare, err := s.Measure.Pack(ctx, none)
	if err != nil || bare.Result.Touch < built.Result.Touch+1 {
		t.Errorf("without its coat %v, with it %v, %v", bare.Result.Touch, built.Result.Touch, err)
	}
	last := built.Orders[len(built.Orders)-1]
	if last.Hotter <= 0 {
		t.Errorf("%+v", last)
	}
	bad := ovenPack()
	bad.Panes[1].Material = "ice"
	if f := fault.Of(func() error { _, err := s.Measure.Pack(ctx, bad); return err }()); f == nil ||
		f.Field != "panes[1].material" {
		t.Errorf("%v", f)
	}
}

// One pack is noted for all panes of an object at once, each in its place.
func TestSetPack(t *testing.T) {
	s, mira, tor := open(t)
	job := takeIn(t, s, tor)
	if err := s.Measure.SetLayout(ctx, tor, job,
		measure.NewLayout{Layout: drawing.Layout{Across: 3, Behind: true}, Had: 1}); err != nil {
		t.Fatal(err)
	}
	in := ovenPack()
	all := measure.PackAll{Stack: pane.Stack{Panes: in.Panes, Gaps: in.Gaps, Here: 2}, Had: 3, Seen: versions(t, s, job)}
	if err := s.Measure.SetPack(ctx, tor, job, all); err != nil {
		t.Fatal(err)
	}
	benches, _, err := s.Benches(ctx, job)
	if err != nil || len(benches) != 3 {
		t.Fatal(err)
	}
	last := 1e9
	for i, b := range benches {
		hot := b.Reckoning.Pack.Result.Faces[i].Hot
		if b.Pane.Stack.Here != i+1 || hot >= last {
			t.Errorf("pane %d: number %d of the pack, %v °C", i+1, b.Pane.Stack.Here, hot)
		}
		last = hot
	}
	for name, c := range map[string]struct {
		change func(*measure.PackAll)
		field  string
	}{
		"two panes": {func(p *measure.PackAll) { p.Stack.Panes, p.Stack.Gaps = p.Stack.Panes[:2], p.Stack.Gaps[:1] },
			"stack.panes"},
		"a gap too few": {func(p *measure.PackAll) { p.Stack.Gaps = p.Stack.Gaps[:1] }, "stack.gaps"},
	} {
		bad := all
		bad.Seen = versions(t, s, job)
		c.change(&bad)
		if f := fault.Of(s.Measure.SetPack(ctx, tor, job, bad)); f == nil || f.Field != c.field {
			t.Errorf("%s: %v", name, f)
		}
	}
	var k *record.Conflict
	if err := s.Measure.SetPack(ctx, mira, job, all); !errors.As(err, &k) {
		t.Errorf("a person who saw the panes before: %v", err)
	}
	old := all
	old.Had = 2
	if err := s.Measure.SetPack(ctx, mira, job, old); !errors.As(err, &k) {
		t.Errorf("a person who saw two panes: %v", err)
	}
}

// versions are those of a job's panes, by number.
func versions(t *testing.T, s *Shop, job int64) (out []int) {
	t.Helper()
	j, err := s.Store.Jobs.Job(ctx, job)
	if err != nil {
		t.Fatal(err)
	}
	for _, p := range j.Panes {
		out = append(out, p.Version)
	}
	return out
}
