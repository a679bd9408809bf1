package pane

import (
	"testing"

	"freshshard/core/fault"
)

// Bounds at, and just beyond, what a pane can be asked.
func TestNeedBounds(t *testing.T) {
	for _, c := range []struct {
		field  string
		change func(*Need)
	}{
		{"", func(n *Need) { n.Thickness = 60 }}, {"thickness", func(n *Need) { n.Thickness = 60.5 }},
		{"", func(n *Need) { n.Area = 1e9 }}, {"area", func(n *Need) { n.Area = 1.1e9 }},
		{"", func(n *Need) { n.Thickness = 0.5 }}, {"thickness", func(n *Need) { n.Thickness = 0 }},
		{"", func(n *Need) { n.Weights = map[string]float64{"heat": 10} }},
		{"", func(n *Need) { n.Weights = map[string]float64{"heat": 0} }},
		{"weights.heat", func(n *Need) { n.Weights = map[string]float64{"heat": 10.5} }},
		{"weights.heat", func(n *Need) { n.Weights = map[string]float64{"heat": -0.5} }},
		{"weights.luck", func(n *Need) { n.Weights = map[string]float64{"luck": 1} }},
		{"", func(n *Need) { n.Depth = 200 }}, {"depth", func(n *Need) { n.Depth = 200.5 }},
	} {
		n := need(t, "room")
		n.Thickness = 4
		c.change(&n)
		err := n.Check()
		if c.field == "" && err != nil || c.field != "" && (fault.Of(err) == nil || fault.Of(err).Field != c.field) {
			t.Errorf("%q: %v", c.field, err)
		}
	}
}

func TestDutyBounds(t *testing.T) {
	for _, c := range []struct {
		field string
		at    Duty
	}{
		{"", Duty{Pressure: 400, Push: 10000, Water: 20, Even: 1000}}, {"duty.pressure", Duty{Pressure: 400.1}},
		{"duty.push", Duty{Push: 10001}}, {"duty.water", Duty{Water: 20.1}}, {"duty.even", Duty{Even: 1001}},
		{"duty.even", Duty{Even: -0.1}},
	} {
		err := c.at.Check()
		if c.field == "" && err != nil || c.field != "" && (fault.Of(err) == nil || fault.Of(err).Field != c.field) {
			t.Errorf("%+v: %v", c.at, err)
		}
	}
}

// A cavity may be as cold as freezing, and no colder; a frame holds a run of its
// panes.
func TestStackBounds(t *testing.T) {
	st := func() Stack {
		return Stack{Panes: []Coated{{Material: "toughened", Thickness: 4, Coat: "none"},
			{Material: "toughened", Thickness: 4, Coat: "none"}}, Gaps: []float64{12}, Here: 1}
	}
	for _, c := range []struct {
		field  string
		change func(*Stack)
	}{
		{"", func(s *Stack) { s.Cavity = 0.5 }}, {"stack.cavity", func(s *Stack) { s.Cavity = -0.5 }},
		{"", func(s *Stack) { s.First, s.Last = 1, 1 }}, {"stack.first", func(s *Stack) { s.First = 3 }},
		{"stack.first", func(s *Stack) { s.Last = 3 }}, {"stack.first", func(s *Stack) { s.First, s.Last = 2, 1 }},
		{"", func(s *Stack) { s.First, s.Last = 1, 2 }}, {"", func(s *Stack) { s.Here, s.First = 0, 2 }},
		{"", func(s *Stack) { s.Here, s.First = 2, 2 }}, {"", func(s *Stack) { s.Here, s.Last = 1, 2 }},
		{"stack.first", func(s *Stack) { s.Here, s.Last = 0, -1 }}, {"", func(s *Stack) { s.Here, s.Last = 0, 1 }},
		{"stack.here", func(s *Stack) { s.Here = -1 }}, {"stack.here", func(s *Stack) { s.Here = 3 }},
		{"", func(s *Stack) { s.Here = 2 }}, {"", func(s *Stack) { s.Here = 0 }},
		{"stack.first", func(s *Stack) { s.First = -1 }}, {"stack.first", func(s *Stack) { s.First, s.Last = 2, 2 }},
	} {
		s := st()
		c.change(&s)
		err := s.Check()
		if c.field == "" && err != nil || c.field != "" && (fault.Of(err) == nil || fault.Of(err).Field != c.field) {
			t.Errorf("%+v: %v", s, err)
		}
	}
}

// What broke the old pane by its kind is worth nothing as like for like.
func TestLikeTheBrokenIsWorthNothing(t *testing.T) {
	n := need(t, "room")
	n.Like, n.Beware = "annealed", []string{"blow"}
	c := choose(t, n)
	r := ranked(t, c, "annealed")
	for _, s := range r.Reasons {
		if s.Judgement == "like" && s.Points != 0 {
			t.Errorf("like the old one, which broke: %v points", s.Points)
		}
	}
	if r.Again == "" || ranked(t, c, "laminated").Again != "" {
		t.Errorf("annealed: %q, laminated: %q", r.Again, ranked(t, c, "laminated").Again)
	}
}

// Wind blows through a mesh and against a board; a board carries by its own
// design value, for good and in a gust.
func TestOtherThanGlass(t *testing.T) {
	l := Load{W: 500, H: 600, Wind: 30}
	for id, blown := range map[string]bool{"mesh": false, "board": true, "plate": true} {
		m, err := Book.ByID(id)
		if err != nil {
			t.Fatal(err)
		}
		if got := len(l.actions(m, 4)) > 0; got != blown || !m.Other {
			t.Errorf("%s in the wind: %v, other %v", id, got, m.Other)
		}
		gust, _ := m.allowable("gust")
		lasts, _ := m.allowable("permanent")
		if lasts != m.Design.V || gust != m.Strength.V*plasticGust {
			t.Errorf("%s: %v and %v MPa", id, gust, lasts)
		}
	}
	n := need(t, "room")
	if n.offers(Material{Other: true}) || !n.offers(Material{}) {
		t.Error("a board among the panes")
	}
	if n.Other = true; !n.offers(Material{Other: true}) || n.offers(Material{}) {
		t.Error("glass among the boards")
	}
}

// A limit that is not on file is said to be unknown, one that is is not.
func TestUnknownIsSaid(t *testing.T) {
	n := need(t, "fire")
	for _, c := range choose(t, n).Closed {
		m, err := Book.ByID(c.Material)
		if err != nil {
			t.Fatal(err)
		}
		if c.Gate == "peak" && c.Unknown != (m.Peak == nil) {
			t.Errorf("%s: unknown %v, on file %v", m.ID, c.Unknown, m.Peak)
		}
	}
	for _, m := range Book.Laid(nil) {
		if m.Peak != nil {
			continue
		}
		n.Exposure.Steady, n.Exposure.Short = m.Steady.V-5, m.Steady.V+5
		if c := (gating{m}).peak(n); c == nil || !c.Unknown {
			t.Errorf("%s: %+v", m.ID, c)
		}
		return
	}
}
