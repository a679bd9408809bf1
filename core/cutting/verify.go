package cutting

import (
	"fmt"
	"math"
)

// Broken is what is wrong with a plan. Sheet is its place in the plan, -1 for none.
type Broken struct {
	Sheet int    `json:"sheet"`
	Why   string `json:"why"`
}

// near is how far a sum of tenths may be off when it is written in binary, mm.
const near = 1e-6

// Verify holds a plan against its task without looking at how it was made: every cut
// runs from edge to edge of what is in hand, nothing overlaps or is lost, every piece
// has its size, lies as it may and is there as often as it was wanted, strips snap off,
// a saw has its kerf, and no more stock is cut into than there is. Nothing means that
// the plan can be cut.
func Verify(t Task, p Plan) []Broken {
	v := verifier{task: t, stock: map[string]Stock{}, pieces: map[string]Piece{}, got: map[string]int{},
		copies: map[string]bool{}}
	for _, s := range t.Stock {
		v.stock[s.ID] = s
	}
	for _, q := range t.Pieces {
		v.pieces[q.ID] = q
	}
	for i, s := range p.Sheets {
		v.at = i
		v.sheet(s)
	}
	v.at = -1
	left := map[string]int{}
	for _, l := range p.Left {
		left[l.Piece] += l.Count
		if l.Count < 1 {
			v.say("%q is left over %d times", l.Piece, l.Count)
		}
		if _, ok := v.pieces[l.Piece]; !ok {
			v.say("%q is left over and was never wanted", l.Piece)
		}
	}
	for _, q := range t.Pieces {
		if want := max(1, q.Count); v.got[q.ID]+left[q.ID] != want {
			v.say("%q is wanted %d times, cut %d times and left over %d times", q.ID, want, v.got[q.ID], left[q.ID])
		}
	}
	return v.broken
}

type verifier struct {
	task   Task
	stock  map[string]Stock
	pieces map[string]Piece
	got    map[string]int
	copies map[string]bool
	at     int
	on     string
	broken []Broken
}

func (v *verifier) say(format string, args ...any) {
	v.broken = append(v.broken, Broken{v.at, fmt.Sprintf(format, args...)})
}

func same(a, b float64) bool { return math.Abs(a-b) <= near }

func (v *verifier) sheet(s Sheet) {
	st, ok := v.stock[s.Stock]
	if !ok {
		v.say("no stock is called %q", s.Stock)
		return
	}
	name := fmt.Sprintf("%s/%d", s.Stock, s.Copy)
	switch {
	case s.Copy < 1 || s.Copy > max(1, st.Count):
		v.say("%q number %d: there are %d", s.Stock, s.Copy, max(1, st.Count))
	case v.copies[name]:
		v.say("%q number %d is cut into twice", s.Stock, s.Copy)
	}
	v.copies[name], v.on = true, s.Stock
	r := s.Root
	if !same(r.X, 0) || !same(r.Y, 0) || !same(r.W, st.W) || !same(r.H, st.H) || !same(s.W, st.W) || !same(s.H, st.H) {
		v.say("the plan's sheet is not the size of %q", s.Stock)
	}
	v.node(&r)
	v.trims(&r, st)
}

// trims holds what lies in the sheet against its damaged edges.
func (v *verifier) trims(r *Node, s Stock) {
	t := s.Trim
	for _, l := range r.Leaves() {
		if l.Kind != IsPiece && l.Kind != IsOffcut {
			continue
		}
		if l.X < t.Left-near || l.Y < t.Bottom-near || l.X+l.W > s.W-t.Right+near || l.Y+l.H > s.H-t.Top+near {
			v.say("%s at %g, %g lies in the damaged edge", l.Kind, l.X, l.Y)
		}
	}
}

func (v *verifier) node(n *Node) {
	if !(n.W >= -near && n.H >= -near) {
		v.say("a piece of %g × %g mm cannot be", n.W, n.H)
		return
	}
	switch n.Kind {
	case IsCut:
		v.cut(n)
		return
	case IsPiece:
		v.piece(n)
	case IsOffcut:
		if k := v.task.Rules.Keep; math.Min(n.W, n.H) < k-near {
			v.say("an offcut of %g × %g mm is kept, under %g mm", n.W, n.H, k)
		}
	case IsWaste:
	default:
		v.say("%q is nothing that a sheet is cut into", n.Kind)
	}
	if n.A != nil || n.B != nil {
		v.say("a %s of %g × %g mm is cut on", n.Kind, n.W, n.H)
	}
	if n.Kind != IsPiece && n.Piece != "" {
		v.say("%q is named where none is cut", n.Piece)
	}
}

// cut holds both halves of a cut against the whole.
func (v *verifier) cut(n *Node) {
	if n.A == nil || n.B == nil {
		v.say("a cut at %g mm has not both its halves", n.At)
		return
	}
	a, b := n.A, n.B
	// Along is the side that is divided, across the one that the cut runs over.
	along, first, second := n.H, a.H, b.H
	start, edge, behind := n.Y, a.Y, b.Y
	across := [3]float64{n.W, a.W, b.W}
	level := [3]float64{n.X, a.X, b.X}
	if n.Up {
		along, first, second = n.W, a.W, b.W
		start, edge, behind = n.X, a.X, b.X
		across, level = [3]float64{n.H, a.H, b.H}, [3]float64{n.Y, a.Y, b.Y}
	}
	kerf := v.task.Rules.Kerf
	if n.Trim {
		kerf = 0 // it lies in what comes off
	}
	lost := along - first - second
	switch {
	case !(n.At > near && n.At < along+near) || same(n.At, along) && !v.task.Rules.Saw:
		v.say("a cut at %g of %g mm cuts nothing off", n.At, along)
	case !same(first, n.At):
		v.say("a cut at %g mm leaves %g", n.At, first)
	case !same(across[0], across[1]) || !same(across[0], across[2]) || !same(level[0], level[1]) ||
		!same(level[0], level[2]):
		v.say("a cut at %g mm does not run from edge to edge", n.At)
	case !same(edge, start) || !same(behind+second, start+along):
		v.say("the halves of a cut at %g mm do not lie where it is", n.At)
	case second > near && !same(lost, kerf) || second <= near && !(lost >= -near && lost <= kerf+near):
		v.say("a cut at %g of %g mm loses %g mm, and %g are its kerf", n.At, along, lost, kerf)
	}
	if least := v.task.Rules.Least; !v.task.Rules.Saw && !n.Trim && math.Min(first, second) < least-near {
		v.say("a strip of %g mm does not snap off; %g mm do", math.Min(first, second), least)
	}
	v.node(a)
	v.node(b)
}

// piece holds a piece against what was wanted.
func (v *verifier) piece(n *Node) {
	q, ok := v.pieces[n.Piece]
	if !ok {
		v.say("%q was never wanted", n.Piece)
		return
	}
	v.got[q.ID]++
	w, h := q.W, q.H
	if n.Turned {
		w, h = h, w
	}
	// Sizes are cut to the tenth of a millimetre.
	const half = 0.05 + near
	switch {
	case math.Abs(n.W-w) > half || math.Abs(n.H-h) > half:
		v.say("%q comes out %g × %g mm, and %g × %g is wanted", q.ID, n.W, n.H, w, h)
	case n.Turned && !q.Turn && q.Lie != Turned:
		v.say("%q lies turned, and its pattern or streak does not let it", q.ID)
	case q.Lie == AsIs && n.Turned || q.Lie == Turned && !n.Turned:
		v.say("%q does not lie as it is pinned", q.ID)
	case q.On != "" && q.On != v.on:
		v.say("%q is pinned to %q and lies on %q", q.ID, q.On, v.on)
	}
}
