package cutting

import (
	"math/rand/v2"
	"testing"

	"freshshard/core/fault"
)

// cutTo makes the first n cuts of a plan.
func cutTo(t *testing.T, p *Plan, n int) []Mark {
	t.Helper()
	var made []Mark
	for range n {
		sheet, c := p.Next(made)
		if c == nil {
			break
		}
		var done bool
		var err error
		if made, done, err = p.Do(made, Mark{Sheet: sheet, Path: c.Path}); err != nil || !done {
			t.Fatalf("cut at %q: %v, %v", c.Path, done, err)
		}
	}
	return made
}

// All cuts made one after another give every piece; a tap that comes twice counts once,
// and none is made before its turn.
func TestStepThrough(t *testing.T) {
	task := shopLike(5, 18)
	p := solve(t, task, Options{Steps: 300})
	made := cutTo(t, &p, 3)
	again, done, err := p.Do(made, made[2])
	if err != nil || done || len(again) != 3 {
		t.Errorf("a second tap: %v, %v", done, err)
	}
	if _, _, err := p.Do(made, Mark{Sheet: len(p.Sheets), Path: "ab"}); fault.Of(err) == nil {
		t.Errorf("a cut before its turn: %v", err)
	}
	made = cutTo(t, &p, p.Cuts+5)
	if sheet, c := p.Next(made); c != nil || sheet != -1 || len(made) != p.Cuts {
		t.Errorf("%d of %d cuts made, then %v on %d", len(made), p.Cuts, c, sheet)
	}
	good := p.Good(made)
	for _, q := range task.Pieces {
		if good[q.ID] != 1 {
			t.Errorf("%s came out %d times", q.ID, good[q.ID])
		}
	}
	if rest := p.Rest(task, made); len(rest.Pieces) != 0 {
		t.Errorf("left to plan: %+v", rest.Pieces)
	}
}

// Whatever breaks at whatever step: what is left is planned anew, the verifier passes
// it, nothing that was cut is wanted again, and what broke is.
func TestBreakAnywhere(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 6))
	for seed := range uint64(12) {
		task := shopLike(seed, 12)
		if seed%2 == 0 {
			task.Rules.Least = 32
			for i := range task.Stock {
				task.Stock[i].Trim = Trim{Left: 15, Bottom: 15}
			}
		}
		p := solve(t, task, Options{Steps: 150})
		for range 6 {
			made := cutTo(t, &p, r.IntN(p.Cuts))
			sheet, c := p.Next(made)
			gone := c.Node.Holds()
			before := p.Good(made)
			made = append(made, Mark{Sheet: sheet, Path: c.Path, Broke: true})
			after := p.Good(made)
			rest := p.Rest(task, made)
			wanted := map[string]int{}
			for _, q := range rest.Pieces {
				wanted[q.ID] = q.Count
			}
			for _, q := range task.Pieces {
				if after[q.ID] != before[q.ID] || after[q.ID]+wanted[q.ID] != 1 || gone[q.ID] == 1 && wanted[q.ID] != 1 {
					t.Fatalf("seed %d, %s: cut %d, wanted %d, broken %d", seed, q.ID, after[q.ID], wanted[q.ID], gone[q.ID])
				}
			}
			next := solve(t, rest, Options{Steps: 60})
			for _, l := range next.Left {
				if l.Why == "" {
					t.Errorf("%+v", l)
				}
			}
		}
	}
}

// A blank in hand keeps the damaged edges that are still on it.
func TestTrimLeft(t *testing.T) {
	s, trim := Sheet{W: 1000, H: 800}, Trim{Left: 20, Right: 10, Bottom: 15, Top: 5}
	for _, c := range []struct {
		n    Node
		want Trim
	}{
		{Node{X: 0, Y: 0, W: 1000, H: 800}, trim}, {Node{X: 20, Y: 0, W: 980, H: 800}, Trim{Right: 10, Bottom: 15, Top: 5}},
		{Node{X: 20, Y: 15, W: 970, H: 780}, Trim{}}, {Node{X: 20, Y: 15, W: 970, H: 785}, Trim{Top: 5}},
	} {
		if got := trimLeft(trim, s, &c.n); got != c.want {
			t.Errorf("%+v: %+v, want %+v", c.n, got, c.want)
		}
	}
}

// The cut that is shown is the one that is made: another of its sheet, the same place of
// another sheet, and one when all are made, are refused; one that is made already counts
// once.
func TestAnotherCutComesFirst(t *testing.T) {
	node := func(k string) *Node { return &Node{Kind: k, W: 10, H: 10} }
	sheet := Sheet{Root: Node{Kind: IsCut, A: &Node{Kind: IsCut, A: node(IsPiece), B: node(IsWaste)}, B: node(IsWaste)}}
	p := &Plan{Sheets: []Sheet{sheet, sheet}}
	made := []Mark{}
	for _, bad := range []Mark{{0, "a", false}, {1, "", false}, {1, "a", false}, {2, "", false}, {0, "b", false}} {
		if _, ok, err := p.Do(made, bad); ok || err == nil {
			t.Errorf("%+v was made before its time", bad)
		}
	}
	for _, next := range []Mark{{0, "", false}, {0, "a", false}, {1, "", false}, {1, "a", false}} {
		again, ok, err := p.Do(made, next)
		if !ok || err != nil {
			t.Fatalf("%+v: %v, %v", next, ok, err)
		}
		if twice, ok, err := p.Do(again, next); ok || err != nil || len(twice) != len(again) {
			t.Errorf("%+v counts twice", next)
		}
		made = again
	}
	if _, ok, err := p.Do(made, Mark{0, "b", false}); ok || err == nil {
		t.Error("all is cut, and one more was made")
	}
}

// An offcut as large as is worth its place goes back to the rack, a smaller one does not.
func TestKeptToItsLimit(t *testing.T) {
	for _, c := range []struct {
		keep float64
		kept bool
	}{{200, true}, {200.1, false}, {0, false}} {
		p := solve(t, Task{Stock: []Stock{{ID: "s", W: 1000, H: 200}}, Pieces: []Piece{{ID: "p", W: 800, H: 200}},
			Rules: Rules{Keep: c.keep}}, Options{Steps: 20})
		got := false
		for _, l := range p.Sheets[0].Root.Leaves() {
			got = got || l.Kind == IsOffcut
		}
		if got != c.kept {
			t.Errorf("keep %v: kept %v", c.keep, got)
		}
	}
	for _, c := range []struct {
		r  Rules
		ok bool
	}{{Rules{Kerf: 0.5}, false}, {Rules{Kerf: 0.5, Saw: true}, true}, {Rules{}, true}, {Rules{Saw: true}, true}} {
		task := Task{Stock: []Stock{{ID: "s", W: 1000, H: 200}}, Pieces: []Piece{{ID: "p", W: 800, H: 200}}, Rules: c.r}
		if err := task.Check(); (err == nil) != c.ok {
			t.Errorf("%+v: %v", c.r, err)
		}
	}
}
