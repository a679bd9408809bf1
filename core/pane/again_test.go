package pane

import (
	"strings"
	"testing"
)

// ranked finds a material that passed the gates.
func ranked(t testing.TB, c Choice, id string) Ranked {
	t.Helper()
	for _, r := range c.Open {
		if r.Material == id {
			return r
		}
	}
	t.Fatalf("%s is not open: %v", id, open(c))
	return Ranked{}
}

// What broke the old pane flags the panes that it would break again, and no
// other. Common practice, no source.
func TestAgain(t *testing.T) {
	for _, c := range []struct {
		name, place, like, by string
		warp                  float64
		flagged, free         []string
	}{
		{name: "a blow, old one annealed", place: "room", like: "annealed", by: "blow",
			flagged: []string{"annealed", "cast", "borosilicate"}, free: []string{"toughened", "laminated", "polycarbonate"}},
		{name: "a blow, old one not known", place: "room", by: "blow", flagged: []string{"annealed", "wired"},
			free: []string{"toughened", "acrylic"}},
		{name: "a blow, old one toughened", place: "room", like: "toughened", by: "blow",
			flagged: []string{"toughened", "laminated", "acrylic"}, free: []string{"polycarbonate"}},
		{name: "a sudden change", place: "room", like: "annealed", by: "sudden", flagged: []string{"annealed", "laminated",
			"wired"}, free: []string{"toughened", "borosilicate", "glass-ceramic", "polycarbonate"}},
		{name: "a seat that nobody read", place: "room", by: "seat", flagged: []string{"annealed", "toughened"},
			free: []string{"polycarbonate", "acrylic"}},
		{name: "a seat read flat enough", place: "room", by: "seat", warp: 0.05, free: []string{"annealed", "toughened"}},
		{name: "a flaw inside", place: "room", like: "toughened", by: "flaw",
			flagged: []string{"toughened", "toughened-coated"}, free: []string{"laminated", "annealed", "polycarbonate"}},
		{name: "pitting", place: "fire", like: "glass-ceramic", by: "surface", flagged: []string{"glass-ceramic"}},
		{name: "the wrong glass", place: "room", like: "wired", by: "material", flagged: []string{"wired"},
			free: []string{"laminated", "annealed"}},
		{name: "a cause that no material helps", place: "room", like: "annealed", free: []string{"annealed", "toughened"}},
	} {
		n := need(t, c.place)
		n.Like, n.Load.Warp = c.like, c.warp
		if c.by != "" {
			n.Beware = []string{c.by}
		}
		if c.warp > 0 {
			n.Load.W, n.Load.H = 400, 300
		}
		got := choose(t, n)
		for _, id := range c.flagged {
			if ranked(t, got, id).Again == "" {
				t.Errorf("%s: %s is not flagged", c.name, id)
			}
		}
		for _, id := range c.free {
			if s := ranked(t, got, id).Again; s != "" {
				t.Errorf("%s: %s is flagged: %s", c.name, id, s)
			}
		}
	}
}

// The advice says that the best may break again and names the next that would
// not; one like the old pane is always named beside it.
func TestAdviceBesides(t *testing.T) {
	n := need(t, "room")
	n.Like, n.Beware = "annealed", []string{"blow"}
	if c := choose(t, n); c.Open[0].Again != "" {
		t.Errorf("first is %s, which would break again", c.Open[0].Material)
	}
	n.Weights = map[string]float64{"like": 0}
	c := choose(t, n)
	if c.Open[0].Again == "" {
		t.Fatalf("first is %s, which is not flagged", c.Open[0].Material)
	}
	if !strings.Contains(c.Advice, "The same may happen again: a blow broke the old one") ||
		!strings.Contains(c.Advice, "Not so with") {
		t.Errorf("advice: %s", c.Advice)
	}
	n.Weights = map[string]float64{"like": 0, "impact": 10, "looks": 0, "cost": 0, "lead": 0, "scratch": 0}
	if c = choose(t, n); !strings.Contains(c.Advice, "Like the old one would be 4 mm annealed") ||
		strings.Contains(c.Advice, "may happen again") {
		t.Errorf("advice with blows alone: %s", c.Advice)
	}
}
