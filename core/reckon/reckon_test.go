package reckon

import (
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/setting"
)

func stove(t testing.TB) Known {
	t.Helper()
	e, err := exposure.Book.ByID("fire")
	if err != nil {
		t.Fatal(err)
	}
	r, err := reading.FromTexts(map[reading.Place]string{
		reading.WidthTop: "270", reading.WidthBottom: "268.4", reading.HeightLeft: "242", reading.HeightRight: "242.4",
		reading.Ledge: "14",
		reading.Reach: "16",
	}, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	return Known{Object: Object{Exposure: e},
		Holding: Holding{Family: "clip-heat", Gasket: fit.Gasket{Kind: fit.Flat, Free: 3},
			Sides: setting.Sides{Top: 2, Bottom: 2}, Screw: "M4"}, Seen: Seen{Readings: r}, Unit: length.MM}
}

func TestStove(t *testing.T) {
	r, err := Pane(stove(t))
	if err != nil {
		t.Fatal(err)
	}
	if r.Pane != "4 mm glass-ceramic" || !r.Assumed || !r.Fit.Ready {
		t.Errorf("%s, assumed %v", r.Pane, r.Assumed)
	}
	if !strings.Contains(r.Order, ", not chosen yet; best choice: 4 mm glass-ceramic, ±1.6 mm") {
		t.Errorf("order line %q", r.Order)
	}
	for _, f := range r.Figures {
		if f.Text == "" || f.Working.Formula == "" {
			t.Errorf("%s has no text or no working", f.Key)
		}
	}
	// Every number that a step shows is one that was reckoned.
	keys := map[string]bool{"order": true}
	for _, f := range r.Figures {
		keys[f.Key] = true
	}
	for _, s := range r.Plan.Steps {
		for _, k := range s.Figures {
			if !keys[k] {
				t.Errorf("step %s shows %s, which nobody reckoned", s.Key, k)
			}
		}
	}
}

func TestOldThicknessIsFollowed(t *testing.T) {
	k := stove(t)
	k.Readings[reading.OldThickness] = length.Reading{Value: 5.1, Doubt: 0.05}
	r, err := Pane(k)
	if err != nil {
		t.Fatal(err)
	}
	if r.Thickness != 5 {
		t.Errorf("an old pane of 5.1 leads to %v", r.Thickness)
	}
}

func TestFaultKeepsTheRest(t *testing.T) {
	k := stove(t)
	k.Readings[reading.Rising] = length.Reading{Value: 700, Doubt: 1}
	k.Readings[reading.Falling] = length.Reading{Value: 360, Doubt: 1}
	r, err := Pane(k)
	if err != nil {
		t.Fatal(err)
	}
	if r.Fault == nil || r.Fault.Field != "diagonal_rising" || r.Order != "" {
		t.Errorf("fault %v, order %q", r.Fault, r.Order)
	}
	if len(r.Plan.Steps) == 0 || len(r.Choice.Closed) == 0 || len(r.Table.Items) == 0 {
		t.Error("one wrong diagonal took the plan, the choice or the drawing away")
	}
}

func TestInches(t *testing.T) {
	k := stove(t)
	k.Unit = length.IN
	r, err := Pane(k)
	if err != nil {
		t.Fatal(err)
	}
	if strings.Contains(r.OrderW.Main, ".") || r.OrderW.Unit != length.IN {
		t.Errorf("order in inches: %+v", r.OrderW)
	}
	if f := length.InFraction(r.Fit.Order.W, 32); f.Left > 1e-6 || f.Left < -1e-6 {
		t.Errorf("order %v mm is off the 1/32 in by %v", r.Fit.Order.W, f.Left)
	}
}

func TestRefuses(t *testing.T) {
	for _, c := range []struct {
		field  string
		change func(*Known)
	}{
		{"family", func(k *Known) { k.Family = "magnets" }},
		{"material", func(k *Known) { k.Material = "ice" }},
		{"frame", func(k *Known) { k.Frame = "cheese" }},
		{"cutter", func(k *Known) { k.Cutter = "uncle" }},
		{"weights.colour", func(k *Known) { k.Weights = map[string]float64{"colour": 1} }},
	} {
		k := stove(t)
		c.change(&k)
		_, err := Pane(k)
		if f := fault.Of(err); f == nil || f.Field != c.field {
			t.Errorf("want a fault at %s, got %v", c.field, err)
		}
	}
}

// A settled cause flags what would meet it again; an open one flags nothing.
func TestCauseReachesTheChoice(t *testing.T) {
	k := stove(t)
	k.Like = "glass-ceramic"
	flagged := func() (n int) {
		t.Helper()
		r, err := Pane(k)
		if err != nil {
			t.Fatal(err)
		}
		for _, o := range r.Choice.Open {
			if o.Again != "" {
				n++
			}
		}
		return n
	}
	if n := flagged(); n != 0 {
		t.Errorf("%d flagged with the cause open", n)
	}
	for cause, want := range map[string]bool{"blow": true, "slam": true, "warped-seat": true, "pitting": true,
		"wrong-material": true, "debris": false, "over-tight": false} {
		if k.Cause = cause; (flagged() > 0) != want {
			t.Errorf("%s: flagged %d", cause, flagged())
		}
	}
}

// Of every family, and of one that nobody knows, the bare answer can be shown.
func TestBare(t *testing.T) {
	ids := []string{"no such family"}
	for _, f := range family.Book.All() {
		ids = append(ids, f.ID)
	}
	for _, id := range ids {
		r := Bare(id)
		if len(r.Plan.Steps) == 0 || len(r.Table.Items) == 0 || r.Fit.Ready {
			t.Errorf("%s: %d steps, ready %v", id, len(r.Plan.Steps), r.Fit.Ready)
		}
	}
}

// The whole answer, not only fit and plan.
func BenchmarkPane(b *testing.B) {
	k := stove(b)
	for b.Loop() {
		if _, err := Pane(k); err != nil {
			b.Fatal(err)
		}
	}
}
