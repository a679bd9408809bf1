package exchange

import (
	"bytes"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// As many sheets as the outline needs, each named and with its check line.
func TestTemplate(t *testing.T) {
	ok := path(t)
	for _, c := range []struct {
		p     outline.Path
		paper Paper
		pages int
	}{
		{ok(outline.Circle(150)), A4, 1}, {ok(outline.RoundedRect(268.4, 242, 0)), A4, 2},
		{ok(outline.RoundedRect(300, 500, 20)), A4, 4}, {ok(outline.RoundedRect(300, 500, 20)), Letter, 4},
		{ok(outline.RoundedRect(186, 273, 0)), A4, 1}, {ok(outline.RoundedRect(186.1, 273, 0)), A4, 2},
	} {
		var b bytes.Buffer
		if err := Template(&b, outline.Outline{Outer: c.p}, "Ellipse ½", c.paper); err != nil {
			t.Fatal(err)
		}
		s, pages := text(t, b.Bytes())
		if pages != c.pages || strings.Count(s, "100 mm: check with a rule") != c.pages ||
			!strings.Contains(s, "sheet A1 of") {
			t.Errorf("%s: %d pages, want %d: %.200q", c.paper.Name, pages, c.pages, s)
		}
	}
	if err := Template(&bytes.Buffer{}, outline.Outline{Outer: ok(outline.Circle(3000))}, "x", A4); fault.Of(err) == nil {
		t.Errorf("a template of 3 m: %v", err)
	}
}
