package fit

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/outline"
	"freshshard/core/reading"
)

// Copied from the old pane it is as large as that, to what a cutter sets; nothing
// comes off, nothing is said of a clearance that nobody read, and it says so.
func TestCopiedFromTheOldPane(t *testing.T) {
	p := problem(t, "bead-brads", map[reading.Place]string{reading.OldWidth: "374.3", reading.OldHeight: "563.8"})
	p.Pattern = true
	r := solve(t, p)
	if !r.Ready || r.Order.W != 374.5 || r.Order.H != 564 || r.Form != "rectangle" || len(r.Missing) != 0 {
		t.Fatalf("%+v, missing %v", r.Order, r.Missing)
	}
	for _, f := range r.Figures {
		if strings.HasPrefix(f.Key, "clearance") || strings.HasPrefix(f.Key, "bite") {
			t.Errorf("%s was never read", f.Key)
		}
		if strings.HasPrefix(f.Key, "order_") && !strings.Contains(f.Sentence, "its opening was not: hold the two together") {
			t.Errorf("%s: %s", f.Key, f.Sentence)
		}
	}
	delete(p.Readings, reading.OldHeight)
	r = solve(t, p)
	if r.Ready || len(r.Missing) != 1 || r.Missing[0].Place != reading.OldHeight {
		t.Errorf("half of it: ready %v, missing %v", r.Ready, r.Missing)
	}
	for _, i := range p.Walk() {
		if i.Needed != (i.Place == reading.OldWidth || i.Place == reading.OldHeight) {
			t.Errorf("%s needed: %v", i.Place, i.Needed)
		}
	}
	p.Pattern = false
	if r = solve(t, p); r.Ready {
		t.Error("sized by the old pane without a word")
	}
}

// A line traced round the old pane is the pane, never the opening: 302 mm over a
// line of 1 mm that leans by half a one is a pane of 300.
func TestTracedPaneIsThePane(t *testing.T) {
	line, _ := outline.RoundedRect(302, 202, 10)
	p := problem(t, "bead-brads", nil)
	p.Shape = reading.Shape{Kind: reading.Drawn, Drawn: &outline.Outline{Outer: line, Holes: []outline.Path{}},
		Trace: &outline.Trace{Along: outline.RoundPane, Pen: 1, Lean: 0.5}}
	r := solve(t, p)
	if !r.Ready || math.Abs(r.Order.W-300) > 1e-9 || math.Abs(r.Order.H-200) > 1e-9 || r.Form != "as drawn" ||
		r.Pane == nil {
		t.Errorf("%+v, %s", r.Order, r.Form)
	}
	p.Shape.Trace.Along = outline.InsideOpening
	if r = solve(t, p); r.Ready && r.Order.W > 304 {
		t.Errorf("the opening is the pane: %+v", r.Order)
	}
}

// A shape whose measures were read of the old pane is that shape.
func TestCopiedShape(t *testing.T) {
	p := shaped(t, "circle", 0, outline.Values{"diameter": 300})
	p.Pattern = true
	r := solve(t, p)
	if !r.Ready || math.Abs(r.Order.W-300) > 1e-6 || r.Form != "circle" {
		t.Errorf("%+v, %s", r.Order, r.Form)
	}
}
