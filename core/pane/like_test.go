package pane

import (
	"strings"
	"testing"

	"freshshard/core/exposure"
)

// exposed is an exposure of the book.
func exposed(t *testing.T, id string) exposure.Exposure {
	t.Helper()
	e, err := exposure.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	return e
}

// Like for like is first unless something speaks against it; without an old pane
// it is what such a pane usually is.
func TestRankedAsTheTradeWould(t *testing.T) {
	for _, c := range []struct {
		name string
		n    Need
		want string
	}{
		{"a cabinet", Need{Exposure: exposed(t, "room"), Thickness: 3, Like: "annealed", Usual: "annealed"}, "annealed"},
		{"patterned back by patterned", Need{Exposure: exposed(t, "room"), Thickness: 4, Like: "cast", Usual: "annealed"},
			"cast"},
		{"a sealed unit back by one", Need{Exposure: exposed(t, "weather"), Thickness: 20, Like: "sealed-unit",
			Usual: "annealed"}, "sealed-unit"},
		{"a mirror by a mirror", Need{Exposure: exposed(t, "room"), Thickness: 4, Like: "mirror", Usual: "annealed"},
			"mirror"},
		{"wired by wired", Need{Exposure: exposed(t, "weather"), Thickness: 6, Like: "wired", Usual: "annealed"}, "wired"},
		{"a laminated one by one", Need{Exposure: exposed(t, "weather"), Thickness: 6, Like: "laminated", Usual: "toughened",
			Vehicle: true, Moves: Machine}, "laminated"},
		{"a machine's guard", Need{Exposure: exposed(t, "room"), Thickness: 6, Usual: "polycarbonate", Strike: true},
			"polycarbonate"},
		{"an acrylic trailer window", Need{Exposure: exposed(t, "weather"), Thickness: 4, Like: "acrylic", Usual: "acrylic",
			Vehicle: true, Moves: Trailer}, "acrylic"},
		{"acrylic in a road vehicle's door", Need{Exposure: exposed(t, "weather"), Thickness: 4, Like: "acrylic",
			Usual: "toughened", Vehicle: true, Moves: Road}, "toughened"},
		{"an oven's outer pane", Need{Exposure: exposed(t, "oven"), Thickness: 4, Like: "toughened", Usual: "toughened"},
			"toughened"},
		{"a stove", Need{Exposure: exposed(t, "fire"), Thickness: 4, Usual: "glass-ceramic"}, "glass-ceramic"},
		{"annealed on a boat", Need{Exposure: exposed(t, "weather"), Thickness: 6, Like: "annealed", Usual: "toughened",
			Boat: true}, "toughened"},
		{"the old one was the wrong glass", Need{Exposure: exposed(t, "room"), Thickness: 4, Like: "cast", Usual: "annealed",
			Beware: []string{"material"}}, "annealed"},
	} {
		got := choose(t, c.n)
		if len(got.Open) == 0 || got.Open[0].Material != c.want {
			var list []string
			for _, r := range got.Open {
				list = append(list, r.Material)
			}
			t.Errorf("%s: first of %v, want %s", c.name, list, c.want)
		}
	}
	// In a hot place the reason begins with the heat.
	if s := choose(t, Need{Exposure: exposed(t, "kiln"), Thickness: 5,
		Usual: "glass-ceramic"}).Open[0].Sentence; !strings.Contains(strings.SplitN(s, ";", 2)[0],
		"left to its steady limit") {
		t.Errorf("at a kiln it begins with %q", s)
	}
}
