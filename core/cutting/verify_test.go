package cutting

import (
	"encoding/json"
	"math"
	"testing"
)

// Each way in which a plan can be broken is seen by the verifier, which knows nothing
// of how plans are made.
func TestVerifySees(t *testing.T) {
	task := Task{Stock: []Stock{{ID: "sheet", W: 1100, H: 800, Count: 2, Trim: Trim{Left: 20}}},
		Pieces: []Piece{{ID: "a", W: 500, H: 300, Count: 3}, {ID: "b", W: 200, H: 350}},
		Rules:  Rules{Least: 32, Keep: 150}}
	whole, err := json.Marshal(solve(t, task, Options{Steps: 200}))
	if err != nil {
		t.Fatal(err)
	}
	// The first cut that is no trim, and the first piece, in any plan of it.
	firstCut := func(p *Plan) *Node {
		for _, c := range p.Sheets[0].Order() {
			if !c.Node.Trim {
				return c.Node
			}
		}
		return nil
	}
	piece := func(p *Plan, id string) *Node {
		for _, l := range p.Sheets[0].Root.Leaves() {
			if l.Kind == IsPiece && l.Piece == id {
				return l
			}
		}
		return nil
	}
	for name, spoil := range map[string]func(*Plan, *Task){
		"":                         func(*Plan, *Task) {},
		"a cut short of the edge":  func(p *Plan, _ *Task) { firstCut(p).A.W -= 5; firstCut(p).A.H -= 5 },
		"a cut elsewhere":          func(p *Plan, _ *Task) { firstCut(p).At += 2 },
		"one half gone":            func(p *Plan, _ *Task) { firstCut(p).B = nil },
		"halves over one another":  func(p *Plan, _ *Task) { firstCut(p).B.X -= 3; firstCut(p).B.Y -= 3 },
		"glass lost at a cut":      func(p *Plan, _ *Task) { firstCut(p).B.W -= 4; firstCut(p).B.H -= 4 },
		"a cut that cuts nothing":  func(p *Plan, _ *Task) { firstCut(p).At = 0 },
		"a piece too small":        func(p *Plan, t *Task) { t.Pieces[0].W = 501 },
		"a piece off by its tenth": func(p *Plan, t *Task) { t.Pieces[0].W = 500.06 },
		"a piece turned":           func(p *Plan, _ *Task) { n := piece(p, "b"); n.Turned = true },
		"one wanted more":          func(_ *Plan, t *Task) { t.Pieces[0].Count = 4 },
		"one wanted less":          func(_ *Plan, t *Task) { t.Pieces[0].Count = 2 },
		"one that nobody wants":    func(p *Plan, _ *Task) { piece(p, "b").Piece = "c" },
		"a piece called waste":     func(p *Plan, _ *Task) { piece(p, "b").Kind = IsWaste },
		"a piece that is cut on":   func(p *Plan, _ *Task) { n := piece(p, "b"); n.A, n.B = &Node{}, &Node{} },
		"an unknown kind":          func(p *Plan, _ *Task) { n := piece(p, "b"); n.Kind = "glass"; n.Piece = "" },
		"an unknown sheet":         func(p *Plan, _ *Task) { p.Sheets[0].Stock = "other" },
		"a sheet of another size":  func(p *Plan, _ *Task) { p.Sheets[0].W = 1200 },
		"a sheet too many":         func(p *Plan, _ *Task) { p.Sheets[0].Copy = 3 },
		"one sheet twice": func(p *Plan, t *Task) {
			p.Sheets = append(p.Sheets, p.Sheets[0])
			t.Pieces[0].Count, t.Pieces[1].Count = 6, 2
		},
		"a strip that does not snap":  func(_ *Plan, t *Task) { t.Rules.Least = 220 },
		"an offcut kept too small":    func(_ *Plan, t *Task) { t.Rules.Keep = 700 },
		"a kerf that was not cut":     func(_ *Plan, t *Task) { t.Rules.Saw, t.Rules.Kerf = true, 3 },
		"a piece in the damaged edge": func(_ *Plan, t *Task) { t.Stock[0].Trim.Bottom = 40 },
		"pinned elsewhere":            func(_ *Plan, t *Task) { t.Pieces[1].On = "x" },
		"pinned to lie otherwise":     func(p *Plan, t *Task) { t.Pieces[1].Turn, t.Pieces[1].Lie = true, Turned },
		"left over and cut":           func(p *Plan, _ *Task) { p.Left = append(p.Left, Left{"a", 1, ""}) },
		"left over, never wanted":     func(p *Plan, _ *Task) { p.Left = append(p.Left, Left{"z", 1, ""}) },
		"left over no times":          func(p *Plan, _ *Task) { p.Left = append(p.Left, Left{"a", 0, ""}) },
		"less than nothing":           func(p *Plan, _ *Task) { firstCut(p).A.W, firstCut(p).A.H = -5, -5 },
	} {
		var p Plan
		if err := json.Unmarshal(whole, &p); err != nil {
			t.Fatal(err)
		}
		own := task
		own.Stock = append([]Stock{}, task.Stock...)
		own.Pieces = append([]Piece{}, task.Pieces...)
		spoil(&p, &own)
		if b := Verify(own, p); (len(b) == 0) != (name == "") {
			t.Errorf("%q: %v", name, b)
		}
	}
}

// A rectangle is nothing when one of its sides is; what lies in it is not looked at then.
func TestVerifySaysWhatCannotBe(t *testing.T) {
	for _, c := range []struct {
		w, h float64
		says string
	}{{-1, 400, "a piece of -1 × 400 mm cannot be"}, {400, -1, "a piece of 400 × -1 mm cannot be"},
		{-1, -1, "a piece of -1 × -1 mm cannot be"}, {math.NaN(), 400, "a piece of NaN × 400 mm cannot be"}} {
		v := &verifier{task: Task{Rules: Rules{Keep: 500}}}
		if v.node(&Node{Kind: IsOffcut, W: c.w, H: c.h}); len(v.broken) != 1 || v.broken[0].Why != c.says {
			t.Errorf("%+v: %v", c, v.broken)
		}
	}
}
