package pane

import (
	"strconv"
	"strings"
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

func laid(id, item string, v float64) catalogue.Value {
	return catalogue.Value{Kind: catalogue.Material, ID: id, Item: item, V: v, Sheet: "sheet 7", By: "Mira Quill"}
}

// Every value that may be laid over is laid where it belongs, and the book
// itself stays as it is.
func TestOwnIsLaidOver(t *testing.T) {
	for _, m := range Book.Laid(nil) {
		for _, f := range Fields {
			if strings.HasSuffix(f.Item, "*") {
				continue // rows, looked at by themselves
			}
			was := m.Own(f.Item)
			v := (f.Least + f.Most) / 2
			w, err := Book.With(catalogue.Values{laid(m.ID, f.Item, v)}, m.ID)
			if err != nil {
				t.Fatal(err)
			}
			if got := w.Own(f.Item); got == nil || *got != v {
				t.Errorf("%s of %s: %v, want %v", f.Item, m.ID, got, v)
			}
			for _, g := range Fields {
				before, after := m.Own(g.Item), w.Own(g.Item)
				if g.Item != f.Item && (before == nil) != (after == nil) || g.Item != f.Item && before != nil && *before != *after {
					t.Errorf("%s of %s moved with %s", g.Item, m.ID, f.Item)
				}
			}
			b, _ := Book.ByID(m.ID)
			if now := b.Own(f.Item); (now == nil) != (was == nil) || now != nil && *now != *was {
				t.Errorf("the book's %s of %s has changed", f.Item, m.ID)
			}
			if was != nil && f.Check(*was) != nil {
				t.Errorf("the book's own %s of %s lies outside its bounds: %v", f.Item, m.ID, *was)
			}
		}
	}
	if m := (Material{}); m.Own("colour") != nil {
		t.Error("an unknown item has a value")
	}
}

// A row of the life table that the shop knows better closes its gate, and says
// whose it is; the rows fall as the heat rises.
func TestOwnLife(t *testing.T) {
	n := need(t, "fire")
	n.Exposure.Steady, n.Exposure.Short, n.Exposure.Hours = 600, 650, 900
	if g := gateOf(t, choose(t, n), "glass-ceramic"); g != nil {
		t.Fatalf("900 h at 600 °C: %s", g.Sentence)
	}
	n.Own = catalogue.Values{laid("glass-ceramic", "life_610", 500)}
	if g := gateOf(t, choose(t, n), "glass-ceramic"); g == nil || g.Gate != "life" || g.Figure.Limit.Value != 500 ||
		!strings.Contains(g.Figure.Limit.Origin.Name, "sheet 7") {
		t.Errorf("%+v", g)
	}
	for item, field := range map[string]string{"life_610": "", "life_611": "item", "life_x": "item"} {
		got := ""
		if f := fault.Of(CheckOwn(nil, laid("glass-ceramic", item, 500))); f != nil {
			got = f.Field
		}
		if got != field {
			t.Errorf("%s: %q, want %q", item, got, field)
		}
	}
	for _, h := range []float64{6000, 50} { // above the row before it, below the row after it
		if f := fault.Of(CheckOwn(nil, laid("glass-ceramic", "life_610", h))); f == nil || f.Field != "v" {
			t.Errorf("%v h: %v", h, f)
		}
	}
	if m, _ := Book.ByID("glass-ceramic"); *m.Own("life_610") != 1000 {
		t.Error("the book itself was changed")
	}
}

// A lower limit on the shop's sheet closes the gate, and says whose it is.
func TestOwnClosesAGate(t *testing.T) {
	n := need(t, "fire")
	if ranked(t, choose(t, n), "glass-ceramic").Score == 0 {
		t.Fatal("glass-ceramic has no score")
	}
	n.Own = catalogue.Values{laid("glass-ceramic", "steady", n.Exposure.Steady-1)}
	for _, c := range choose(t, n).Closed {
		if c.Material == "glass-ceramic" {
			if c.Gate != "steady" || c.Figure.Limit.Origin.Name != "sheet 7" ||
				c.Figure.Limit.Origin.By != "Mira Quill" {
				t.Errorf("%s: %+v", c.Gate, c.Figure.Limit)
			}
			return
		}
	}
	t.Error("the shop's limit closes nothing")
}

func TestCheckOwn(t *testing.T) {
	for _, c := range []struct {
		v     catalogue.Value
		field string
	}{
		{laid("cast", "density", 2480), ""},
		{laid("cast", "density", 24), "v"},
		{laid("glass-ceramic", "peak", 300), "v"}, {laid("glass-ceramic", "peak", 710), ""},
		{laid("glass-ceramic", "peak", 709), "v"}, {laid("glass-ceramic", "steady", 760), ""},
		{laid("glass-ceramic", "steady", 1400), "v"},
		{laid("cast", "colour", 1), "item"},
		{laid("cast", "design", 20), "item"},
		{laid("acrylic", "design", 6), ""},
		{laid("moonstone", "density", 2480), "material"},
	} {
		f := fault.Of(CheckOwn(nil, c.v))
		if c.field == "" && f != nil || c.field != "" && (f == nil || f.Field != c.field) {
			t.Errorf("%+v: %v", c.v, f)
		}
	}
	// Two that only fit together: the other one first.
	if err := CheckOwn(catalogue.Values{laid("glass-ceramic", "peak", 1500)},
		laid("glass-ceramic", "steady", 1400)); err != nil {
		t.Error(err)
	}
}

// Hours must fall as the heat rises, beside the row above and the row below:
// just inside, at, just outside, at the ends and between.
func TestLifeLiesBetweenItsNeighbours(t *testing.T) {
	rows := []Life{{C: 500, Hours: 1000}, {C: 550, Hours: 100}, {C: 600, Hours: 10}, {C: 650, Hours: 1}}
	for _, c := range []struct {
		row   int
		hours float64
		taken bool
	}{
		{0, 101, true}, {0, 100, true}, {0, 99, false}, {0, 5000, true},
		{1, 1000, true}, {1, 1001, false}, {1, 10, true}, {1, 9, false},
		{2, 100, true}, {2, 101, false}, {2, 1, true}, {2, 0.5, false},
		{3, 10, true}, {3, 11, false}, {3, 0.1, true},
	} {
		m := must(t, "glass-ceramic")
		m.Life = append([]Life(nil), rows...)
		item := lifeItem + strconv.Itoa(int(rows[c.row].C))
		m.Life[c.row].Hours = c.hours
		if err := m.checkLife(item); (err == nil) != c.taken {
			t.Errorf("%v h in row %d: %v", c.hours, c.row, err)
		}
	}
	if err := must(t, "glass-ceramic").checkLife(lifeItem + "501"); err == nil {
		t.Error("a row that is not there was taken")
	}
}

// A frame that is as deep as a pane is thick takes it; one that is not, takes
// the next thinner.
func TestThicknessTakesTheDepth(t *testing.T) {
	m := must(t, "annealed") // 2, 3, 4, 5, 6, 8, 10, 12
	for _, c := range []struct{ asked, depth, want float64 }{{6, 6, 6}, {6, 5.9, 5}, {6, 5, 5}, {6, 0, 6}, {6, 20, 6},
		{6, 2, 2}} {
		if got := (ranking{m}).thickness(Need{Thickness: c.asked, Depth: c.depth}); got != c.want {
			t.Errorf("%v mm in %v: %v, want %v", c.asked, c.depth, got, c.want)
		}
	}
}
