package cutting

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
)

// What lies in the damaged edge of a sheet is seen on each side, from a hair on.
func TestVerifySeesEachEdge(t *testing.T) {
	for _, kind := range []string{IsPiece, IsOffcut, IsWaste, IsCut} {
		for side, n := range []Node{{X: 10, Y: 200, W: 100, H: 100}, {X: 200, Y: 10, W: 100, H: 100},
			{X: 390, Y: 200, W: 100, H: 100}, {X: 200, Y: 290, W: 100, H: 100}} {
			for _, more := range []float64{-0.1, 0, 0.1} {
				trim := []*Trim{{Left: 10 + more}, {Bottom: 10 + more}, {Right: 10 + more}, {Top: 10 + more}}[side]
				v := &verifier{}
				n.Kind = kind
				v.trims(&n, Stock{W: 500, H: 400, Trim: *trim})
				if seen := len(v.broken) > 0; seen != (more > 0 && (kind == IsPiece || kind == IsOffcut)) {
					t.Errorf("%s, side %d, %+v: %v", kind, side, trim, v.broken)
				}
			}
		}
	}
}

// Halves of a cut against the whole, in both directions: each number by itself a hair off and a
// tenth off, and what is said of it.
func TestVerifySaysWhatIsWrongWithACut(t *testing.T) {
	turn := func(n *Node) { n.X, n.Y, n.W, n.H = n.Y, n.X, n.H, n.W }
	for _, up := range []bool{true, false} {
		for _, c := range []struct {
			change func(n *Node, by float64)
			says   string
		}{
			{func(n *Node, by float64) { n.At += by }, "leaves 200"},
			{func(n *Node, by float64) { n.A.H += by }, "does not run from edge to edge"},
			{func(n *Node, by float64) { n.B.H += by }, "does not run from edge to edge"},
			{func(n *Node, by float64) { n.A.Y += by }, "does not run from edge to edge"},
			{func(n *Node, by float64) { n.B.Y += by }, "does not run from edge to edge"},
			{func(n *Node, by float64) { n.A.X += by }, "do not lie where it is"},
			{func(n *Node, by float64) { n.B.X += by }, "do not lie where it is"},
			{func(n *Node, by float64) { n.B.X -= by; n.B.W += by }, "and 3 are its kerf"},
			{func(n *Node, by float64) { n.B.X += by; n.B.W -= by }, "and 3 are its kerf"},
		} {
			for _, by := range []float64{0, near / 2, -near / 2, 0.1, -0.1} {
				n := &Node{Kind: IsCut, X: 20, Y: 30, W: 500, H: 400, At: 200, Up: true,
					A: &Node{Kind: IsWaste, X: 20, Y: 30, W: 200, H: 400},
					B: &Node{Kind: IsWaste, X: 223, Y: 30, W: 297, H: 400}}
				c.change(n, by)
				if n.Up = up; !up {
					turn(n)
					turn(n.A)
					turn(n.B)
				}
				v := &verifier{task: Task{Rules: Rules{Saw: true, Kerf: 3}}}
				v.node(n)
				if math.Abs(by) < near && len(v.broken) != 0 ||
					math.Abs(by) > near && (len(v.broken) != 1 || !strings.Contains(v.broken[0].Why, c.says)) {
					t.Errorf("up %v, by %v, want %q: %v", up, by, c.says, v.broken)
				}
			}
		}
	}
}

// A tube's remnant is what is left, to half a tenth, and nothing where the last cut was as wide
// as what was left or wider.
func TestVerifyBarsSeesTheRemnant(t *testing.T) {
	for _, c := range []struct {
		want, remnant float64
		ok            bool
	}{
		{300, 692, true}, {300, 692.04, true}, {300, 691.96, true}, {300, 692.06, false}, {300, 691.94, false},
		{990, 2, true}, {992, 0, true}, {993.9, 0, true}, {993.9, 0.06, false}, {995, 0, true}, {995.04, 0, true},
		{995.06, 0, false},
	} {
		task := BarTask{Bars: []Bar{{ID: "bar", Length: 1000}}, Wants: []Stretch{{ID: "w", Length: c.want}}, Kerf: 3, Ends: 0,
			Dress: 5}
		p := BarPlan{Bars: []BarCut{{Bar: "bar", Copy: 1, Length: 1000, Cuts: []string{"w"}, At: []float64{c.want + 5},
			Remnant: c.remnant}}}
		if b := VerifyBars(task, p); (len(b) == 0) != c.ok {
			t.Errorf("%+v: %v", c, b)
		}
	}
}

// Sheets are of one kind when width, height and price are; then a number of them is a bound.
func TestBoundOfSheets(t *testing.T) {
	s := func(w, h, cost float64) Stock { return Stock{ID: fmt.Sprint(w, h, cost), W: w, H: h, Cost: cost} }
	for _, c := range []struct {
		name   string
		stock  []Stock
		sheets int
	}{{"alike", []Stock{s(1000, 800, 30), s(1000, 800, 30)}, 2}, {"another price", []Stock{s(1000, 800, 30),
		s(1000, 800, 31)}, 0}, {"another width", []Stock{s(1000, 800, 30), s(1010, 800, 30)}, 0},
		{"another height", []Stock{s(1000, 800, 30), s(1000, 810, 30)}, 0},
		{"two others first", []Stock{s(900, 700, 10), s(900, 700, 30), s(900, 700, 10)}, 0}} {
		for i := range c.stock {
			c.stock[i].ID = fmt.Sprint(i)
		}
		task := Task{Stock: c.stock, Pieces: []Piece{{ID: "p", W: 600, H: 500, Count: 2}}}
		if got := boundOf(task, newBuilder(task)); got.sheets != c.sheets {
			t.Errorf("%s: %+v", c.name, got)
		}
	}
}

// A plan is proved where it takes as few sheets as any could, and not where it only takes few: three
// of 700 × 400 are less than a sheet of a metre, and no sheet holds all three.
func TestProvedIsProved(t *testing.T) {
	for _, c := range []struct {
		name   string
		pieces []Piece
		sheets int
		proved bool
	}{{"three that do not go on one", []Piece{{ID: "p", W: 700, H: 400, Count: 3, Turn: true}}, 2, false},
		{"two that do", []Piece{{ID: "p", W: 700, H: 400, Count: 2, Turn: true}}, 1, true},
		{"three that fill one and more", []Piece{{ID: "p", W: 600, H: 600, Count: 3, Turn: true}}, 3, true}} {
		p := solve(t, Task{Stock: []Stock{{ID: "s", W: 1000, H: 1000, Count: 4, Cost: 30}}, Pieces: c.pieces},
			Options{Steps: 200})
		if len(p.Sheets) != c.sheets || p.Proved != c.proved || len(p.Left) != 0 {
			t.Errorf("%s: %d sheets, proved %v, %+v", c.name, len(p.Sheets), p.Proved, p.Left)
		}
	}
	if p := solve(t, Task{Stock: []Stock{{ID: "s", W: 1000, H: 1000, Cost: 30}}, Pieces: []Piece{{ID: "p", W: 600, H: 600,
		Count: 2}}}, Options{Steps: 200}); p.Proved || len(p.Left) != 1 {
		t.Errorf("a pane is left, and it is proved %v", p.Proved)
	}
}

// Pieces of which no two lie on one sheet: longer than half of it whichever way they lie.
func TestApart(t *testing.T) {
	u := unit{w: tenths(1000), h: tenths(800)}
	for _, c := range []struct {
		w, h float64
		turn bool
		want bool
	}{
		{500, 500, true, false}, {500.1, 500.1, true, true}, {500.1, 900, true, true}, {500, 900, true, false},
		{900, 500.1, true, true}, {500.1, 400.1, false, true}, {500, 400.1, false, false}, {500.1, 400, false, false},
		{500.1, 400.1, true, false}, {400.1, 500.1, false, false}, {300, 200, false, false}, {300, 200, true, false},
	} {
		p := Piece{ID: "p", W: c.w, H: c.h, Turn: c.turn, Count: 3}
		if got := apart(Task{Pieces: []Piece{p}}, u); (got == 3) != c.want || got != 0 && got != 3 {
			t.Errorf("%+v: %d", c, got)
		}
	}
}

// A block goes on the sheet it is pinned to and on no other, turned where it may be.
func TestFitsAny(t *testing.T) {
	units := []unit{{stock: 0, w: 500, h: 400}, {stock: 1, w: 1000, h: 300}}
	for _, c := range []struct {
		w, h, on int
		turn     bool
		want     bool
	}{
		{500, 400, -1, false, true}, {500, 400, 0, false, true}, {500, 400, 1, false, false}, {501, 400, -1, false, false},
		{1000, 300, -1, false, true}, {1000, 300, 0, false, false}, {1000, 300, 1, false, true},
		{300, 1000, -1, false, false}, {300, 1000, -1, true, true}, {300, 1000, 0, true, false}, {300, 1001, -1, true, false},
		{301, 1000, -1, true, false}, {400, 500, 0, true, true},
	} {
		if got := fitsAny(&block{w: c.w, h: c.h, on: c.on, turn: c.turn}, units); got != c.want {
			t.Errorf("%+v: %v", c, got)
		}
	}
}

// The least number of bars, by length and by what cannot lie together, against every way of
// laying them.
func TestLeastBars(t *testing.T) {
	for _, c := range []struct {
		lengths []float64
		want    int
	}{
		{[]float64{600, 400}, 1}, {[]float64{600, 401}, 2}, {[]float64{600, 600, 400, 400}, 2},
		{[]float64{600, 600, 401, 400}, 3}, {[]float64{500, 500}, 1}, {[]float64{500, 500, 500}, 2},
		{[]float64{501, 501, 501}, 3}, {[]float64{1000, 1000}, 2}, {[]float64{700, 700, 300, 300}, 2},
		{[]float64{700, 300, 300, 300, 300}, 2}, {[]float64{700, 700, 300.1, 300.1}, 3}, {[]float64{334, 334, 334}, 2},
		{[]float64{700, 600, 400, 300}, 2}, {[]float64{700, 600, 401, 300}, 3},
	} {
		task := BarTask{Bars: []Bar{{ID: "bar", Length: 1000, Count: 9}}}
		for i, l := range c.lengths {
			task.Wants = append(task.Wants, Stretch{ID: fmt.Sprint(i), Length: l})
		}
		p, err := SolveBars(t.Context(), task)
		if err != nil || len(p.Bars) != c.want || p.Bound > p.Cost || !p.Proved {
			t.Errorf("%v: %d bars, at least %v, proved %v, %v", c.lengths, len(p.Bars), p.Bound, p.Proved, err)
		}
		if slices.Contains(c.lengths, 501) && p.Bound < 3-1e-9 {
			t.Errorf("three of more than half a bar want three: %v", p.Bound)
		}
	}
}

// What is still known of a plan is said beside its price: that it is best, or how much less one
// could cost, and nothing of that where a pane found no place.
func TestWhatIsSaidOfAPrice(t *testing.T) {
	task := Task{Stock: []Stock{{ID: "s", W: 1000, H: 1000, Cost: 30}}}
	root := Node{Kind: IsPiece, Piece: "a", W: 1000, H: 1000}
	left := []Left{{Piece: "b", Count: 1}}
	for _, c := range []struct {
		proved bool
		bound  float64
		left   []Left
		says   string
	}{{true, 30, nil, "Proved: no plan needs less stock."}, {true, 30, left, "Proved: no plan needs less stock."},
		{false, 24.5, nil, "No plan of all panes can cost less than 24.50"}, {false, 24.5, left, ""}, {false, 0, nil, ""}} {
		p := Plan{Sheets: []Sheet{{Stock: "s", Copy: 1, W: 1000, H: 1000, Root: root}}, Proved: c.proved, Bound: c.bound,
			Left: c.left}
		note := p.Figures(task)[1].Working.Note
		if !strings.Contains(note, c.says) || (c.says == "") != (note == "") {
			t.Errorf("%+v: %q", c, note)
		}
	}
}

// An offcut that is kept is as wide and as high as is kept, to a hair, and not just one of them.
func TestVerifySeesNarrowOffcuts(t *testing.T) {
	for _, c := range []struct {
		w, h float64
		ok   bool
	}{{200, 200, true}, {200, 500, true}, {199.9, 500, false}, {500, 199.9, false}, {199.9, 199.9, false}} {
		v := &verifier{task: Task{Rules: Rules{Keep: 200}}}
		if v.node(&Node{Kind: IsOffcut, W: c.w, H: c.h}); (len(v.broken) == 0) != c.ok {
			t.Errorf("%+v: %v", c, v.broken)
		}
	}
}

// Blocks are laid side by side along their alike sides, the one turned that may be; what is pinned
// to lie, to a sheet or to a day stays with its own.
func TestJoin(t *testing.T) {
	lying := func(w, h int, turn bool, must Lie) *block {
		return &block{w: w, h: h, piece: 0, on: -1, turn: turn, must: must, count: 1}
	}
	for _, c := range []struct {
		name         string
		a, b         *block
		aHigh, bHigh bool
		w, h         int // 0 where they do not join
	}{
		{"both high", lying(300, 200, false, Either), lying(100, 200, false, Either), true, true, 403, 200},
		{"both wide", lying(300, 200, false, Either), lying(300, 50, false, Either), false, false, 300, 253},
		{"the second turned", lying(300, 200, false, Either), lying(200, 100, true, Either), true, false, 403, 200},
		{"the first turned", lying(200, 300, true, Either), lying(100, 200, false, Either), false, true, 403, 200},
		{"neither may", lying(300, 200, false, Either), lying(200, 100, false, Either), true, false, 0, 0},
		{"the second is pinned as it is", lying(300, 200, false, AsIs), lying(200, 100, true, AsIs), true, false, 0, 0},
		{"the first is pinned as it is", lying(200, 300, true, AsIs), lying(100, 200, false, AsIs), false, true, 0, 0},
		{"pinned as they are, no turn", lying(300, 200, true, AsIs), lying(100, 200, true, AsIs), true, true, 403, 200},
		{"pinned turned", lying(300, 200, true, Turned), lying(100, 200, true, Turned), true, true, 0, 0},
		{"pinned otherwise", lying(300, 200, true, AsIs), lying(100, 200, true, Either), true, true, 0, 0},
	} {
		j := join(c.a, c.b, c.aHigh, c.bHigh, 3)
		if (j == nil) != (c.w == 0) || j != nil && (j.w != c.w || j.h != c.h || j.count != 2 ||
			j.up != (c.name != "both wide")) {
			t.Errorf("%s: %+v", c.name, j)
		}
		if j != nil && j.turn != (c.a.turn && c.b.turn && c.a.must == Either) {
			t.Errorf("%s: may be turned %v", c.name, j.turn)
		}
	}
	one, two := lying(300, 200, false, Either), lying(100, 200, false, Either)
	two.on = 1
	if join(one, two, true, true, 3) != nil {
		t.Error("two of different sheets are joined")
	}
	two.on, two.rank = -1, 2
	if join(one, two, true, true, 3) != nil {
		t.Error("two of different days are joined")
	}
}

// The least number of bars, by hand: 900, 900 and 200 of 1000 want three although they are two
// bars long, because none of them goes with another.
func TestLowestBars(t *testing.T) {
	for _, c := range []struct {
		sizes []float64
		want  int
	}{{[]float64{90, 90, 20}, 3}, {[]float64{90, 90, 10}, 2}, {[]float64{90, 90, 10.1}, 3}, {[]float64{60, 60, 40, 40}, 2},
		{[]float64{70, 60, 35, 35}, 3}, {[]float64{50, 50}, 1}, {[]float64{50.1, 50}, 2}, {[]float64{100}, 1}, {nil, 0},
		{[]float64{34, 34, 34}, 2}, {[]float64{33, 33, 33}, 1}, {[]float64{55, 55, 55, 45, 45, 45}, 3},
		{[]float64{55, 55, 55, 45, 45, 45.1}, 4}} {
		task := BarTask{}
		for i, v := range c.sizes {
			task.Wants = append(task.Wants, Stretch{ID: fmt.Sprint(i), Length: v})
		}
		if got := newBarProblem(task).fewest(tenths(100)); got != c.want {
			t.Errorf("%v: at least %d, want %d", c.sizes, got, c.want)
		}
	}
}

// A node holds the pieces in it, each as often as it is there, and no waste.
func TestHolds(t *testing.T) {
	leaf := func(kind, piece string) *Node { return &Node{Kind: kind, Piece: piece} }
	n := &Node{Kind: IsCut, A: &Node{Kind: IsCut, A: leaf(IsPiece, "a"), B: leaf(IsWaste, "")},
		B: &Node{Kind: IsCut, A: leaf(IsPiece, "a"), B: &Node{Kind: IsCut, A: leaf(IsPiece, "b"), B: leaf(IsOffcut, "")}}}
	if got := n.Holds(); len(got) != 2 || got["a"] != 2 || got["b"] != 1 {
		t.Errorf("%v", got)
	}
	if got := leaf(IsWaste, "").Holds(); len(got) != 0 {
		t.Errorf("%v", got)
	}
}
