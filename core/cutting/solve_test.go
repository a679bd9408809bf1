package cutting

import (
	"context"
	"fmt"
	"math"
	"math/rand/v2"
	"strings"
	"testing"

	"freshshard/core/fault"
)

// found ends as soon as nothing can be better; the time is only there so that a fault
// does not hang.
var found = Options{Steps: 20_000, Seed: 1}

func solve(t *testing.T, task Task, o Options) Plan {
	t.Helper()
	p, err := Solve(context.Background(), task, o)
	if err != nil {
		t.Fatal(err)
	}
	if b := Verify(task, p); len(b) > 0 {
		t.Fatalf("%v", b)
	}
	return p
}

// Pieces that were cut from one sheet find together again without waste.
func TestPerfect(t *testing.T) {
	for _, n := range []int{2, 5, 12, 25, 60, 100} {
		for seed := range uint64(4) {
			p := solve(t, perfect(seed+2, n, 2250, 1605, 60), found)
			if len(p.Left) > 0 || len(p.Sheets) != 1 || p.Yield < 0.9999 || !p.Proved {
				t.Errorf("%d pieces, seed %d: %d left, %.4f of the sheet", n, seed, len(p.Left), p.Yield)
			}
		}
	}
}

// By hand: four panes of 500 × 400 with a strip of 32 mm that snaps, from 1040 × 840
// with 20 mm off its left and lower edge: 1020 × 820 give 2 × 2 and strips of 20, too
// narrow to snap; from 1060 × 860 they do.
func TestLeastStripByHand(t *testing.T) {
	task := Task{Stock: []Stock{{ID: "s", W: 1040, H: 840, Trim: Trim{Left: 20, Bottom: 20}}},
		Pieces: []Piece{{ID: "p", W: 500, H: 400, Count: 4}}, Rules: Rules{Least: LeastStrip(4)}}
	if LeastStrip(4) != 32 || LeastStrip(1) != 10 || LeastStrip(1.25) != 10 || LeastStrip(1.3) != 10.4 {
		t.Error("least strips")
	}
	p := solve(t, task, Options{Steps: 400})
	if len(p.Left) != 1 || !strings.Contains(p.Left[0].Why, "cut into for other panes") {
		t.Errorf("%+v", p.Left)
	}
	task.Stock[0].W, task.Stock[0].H = 1060, 860
	if p = solve(t, task, Options{Steps: 400}); len(p.Left) != 0 || p.Cuts != 2+2+1+2 && p.Cuts > 9 {
		t.Errorf("%+v, %d cuts", p.Left, p.Cuts)
	}
	// A saw takes any strip, and its kerf.
	task = Task{Stock: []Stock{{ID: "s", W: 1003, H: 803}}, Pieces: []Piece{{ID: "p", W: 500, H: 400, Count: 4}},
		Rules: Rules{Saw: true, Kerf: 3}}
	if p = solve(t, task, Options{Steps: 400}); len(p.Left) != 0 {
		t.Errorf("%+v", p.Left)
	}
	task.Stock[0].W = 1002
	if p = solve(t, task, Options{Steps: 400}); len(p.Left) != 1 || p.Left[0].Count != 2 {
		t.Errorf("%+v", p.Left)
	}
}

// What cannot be cut is said in words, with the reason.
func TestWhyLeft(t *testing.T) {
	for _, c := range []struct {
		name  string
		stock Stock
		piece Piece
		least float64
		why   string
	}{
		{"too large", Stock{W: 1000, H: 800}, Piece{W: 1001, H: 700, Turn: true}, 10, "it is larger than every sheet"},
		{"by its pattern", Stock{W: 1000, H: 800}, Piece{W: 700, H: 900}, 10, "does not let it"},
		{"too wide either way", Stock{W: 1000, H: 800}, Piece{W: 1200, H: 500}, 10, "it is larger than every sheet"},
		{"too high either way", Stock{W: 1000, H: 800}, Piece{W: 500, H: 1200}, 10, "it is larger than every sheet"},
		{"just fits turned", Stock{W: 1000, H: 800}, Piece{W: 800, H: 1000}, 10, "does not let it"},
		{"by a strip", Stock{W: 1000, H: 800}, Piece{W: 991, H: 800}, 10, "narrower than 10 mm"},
		{"pinned", Stock{W: 1000, H: 800}, Piece{W: 700, H: 900, Turn: true, On: "s", Lie: AsIs}, 10, "pinned to"},
	} {
		c.stock.ID, c.piece.ID = "s", "p"
		p := solve(t, Task{Stock: []Stock{c.stock}, Pieces: []Piece{c.piece}, Rules: Rules{Least: c.least}},
			Options{Steps: 50})
		if len(p.Left) != 1 || !strings.Contains(p.Left[0].Why, c.why) || len(p.Sheets) != 0 {
			t.Errorf("%s: %+v", c.name, p.Left)
		}
	}
}

// Offcuts go first where that costs less; a rest that is worth its place is kept whole.
func TestOffcutsFirst(t *testing.T) {
	task := Task{Stock: []Stock{{ID: "sheet", W: 2250, H: 1605, Count: 3, Cost: 60},
		{ID: "rack", W: 600, H: 500, Cost: 2, Offcut: true}},
		Pieces: []Piece{{ID: "p", W: 560, H: 460, Turn: true}}, Rules: Rules{Least: 32, Keep: 200}}
	if p := solve(t, task, Options{Steps: 400}); len(p.Sheets) != 1 || p.Sheets[0].Stock != "rack" || p.Cost != 2 {
		t.Errorf("%+v", p.Sheets)
	}
	task.Stock[1].W = 590 // 30 mm beside it do not snap
	p := solve(t, task, Options{Steps: 400})
	if len(p.Sheets) != 1 || p.Sheets[0].Stock != "sheet" {
		t.Errorf("%+v", p.Sheets)
	}
	largest := 0.0
	for _, l := range p.Sheets[0].Root.Leaves() {
		if l.Kind == IsOffcut {
			largest = math.Max(largest, l.W*l.H)
		}
	}
	if largest < 0.6*2250*1605 {
		t.Errorf("the largest offcut has %.0f mm²", largest)
	}
}

// Whatever the shop's day is: every plan passes the verifier, nothing is lost or
// doubled, the bound is below it, longer is never worse.
func TestAnyDay(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	for seed := range uint64(40) {
		task := shopLike(seed, 1+r.IntN(40))
		switch seed % 4 {
		case 1:
			task.Rules = Rules{Saw: true, Kerf: 3.2}
		case 2:
			task.Rules = Rules{Least: 32, Keep: 250}
		case 3:
			task.Stock = task.Stock[:3] // not enough
			for i := range task.Pieces {
				task.Pieces[i].Rank = i % 3
			}
		}
		if seed%5 == 0 {
			for i := range task.Stock {
				task.Stock[i].Trim = Trim{Left: 15, Bottom: 18, Right: float64(5 * (i % 2))}
			}
		}
		short := solve(t, task, Options{Steps: 30})
		long := solve(t, task, Options{Steps: 600})
		if len(long.Left) == 0 && long.Cost < long.Bound-1e-6 {
			t.Errorf("seed %d: costs %v, bound %v", seed, long.Cost, long.Bound)
		}
		if count(long.Left) > count(short.Left) || len(short.Left) == 0 && len(long.Left) == 0 &&
			long.Cost > short.Cost*1.001+1e-9 {
			t.Errorf("seed %d: longer is worse: %v after %v", seed, long.Cost, short.Cost)
		}
	}
}

func count(left []Left) int {
	n := 0
	for _, l := range left {
		n += l.Count
	}
	return n
}

// Pins hold: a sheet, a lie; the verifier sees the rest.
func TestPins(t *testing.T) {
	task := shopLike(3, 20)
	sheet := task.Stock[len(task.Stock)-1].ID
	for i := range task.Pieces {
		task.Pieces[i].On = sheet
		if i%2 == 0 && task.Pieces[i].Turn {
			task.Pieces[i].Lie = Turned
		} else {
			task.Pieces[i].Lie = AsIs
		}
	}
	p := solve(t, task, Options{Steps: 300})
	for _, s := range p.Sheets {
		if s.Stock != sheet {
			t.Errorf("cut from %s", s.Stock)
		}
	}
	if len(p.Left) > 0 {
		t.Errorf("%+v", p.Left)
	}
}

// It tells of each better plan while it searches, each valid, each better, and stops
// when it is told.
func TestAnytime(t *testing.T) {
	task := shopLike(9, 60)
	ctx, stop := context.WithCancel(context.Background())
	defer stop()
	last, told := math.Inf(1), 0
	p, err := Solve(ctx, task, Options{Seed: 2, Best: func(p Plan) {
		if b := Verify(task, p); len(b) > 0 {
			t.Errorf("%v", b)
		}
		if v := p.Cost + 100*float64(count(p.Left)); v > last+0.05 {
			t.Errorf("told of %v after %v", v, last)
		} else {
			last = min(last, v)
		}
		if told++; told == 3 {
			stop()
		}
	}})
	if err != nil || told < 3 || len(p.Left) > 0 {
		t.Errorf("told %d times, %v", told, err)
	}
}

func TestTaskRefuses(t *testing.T) {
	for field, spoil := range map[string]func(*Task){
		"pieces":          func(t *Task) { t.Pieces = nil },
		"stock":           func(t *Task) { t.Stock = nil },
		"stock[0].w":      func(t *Task) { t.Stock[0].W = 0.5 },
		"stock[0].h":      func(t *Task) { t.Stock[0].H = math.NaN() },
		"stock[0].count":  func(t *Task) { t.Stock[0].Count = 1001 },
		"stock[0].cost":   func(t *Task) { t.Stock[0].Cost = -1 },
		"stock[0].trim":   func(t *Task) { t.Stock[0].Trim = Trim{Left: 150, Right: 150}; t.Stock[0].W = 300 },
		"stock[1].id":     func(t *Task) { t.Stock = append(t.Stock, t.Stock[0]) },
		"pieces[0].w":     func(t *Task) { t.Pieces[0].W = 10_001 },
		"pieces[0].count": func(t *Task) { t.Pieces[0].Count = -1 },
		"pieces[0].on":    func(t *Task) { t.Pieces[0].On = "nothing" },
		"pieces[0].lie":   func(t *Task) { t.Pieces[0].Lie = Turned },
		"pieces[1].id":    func(t *Task) { t.Pieces = append(t.Pieces, Piece{W: 10, H: 10}) },
		"rules.kerf":      func(t *Task) { t.Rules.Kerf = 3 },
		"rules.least":     func(t *Task) { t.Rules.Least = -1 },
		"rules.keep":      func(t *Task) { t.Rules.Keep = 5001 },
		"rules.worth":     func(t *Task) { t.Rules.Worth = 2 },
		"pieces[2].id":    func(t *Task) { t.Pieces = append(t.Pieces, Piece{ID: "q", W: 10, H: 10}, t.Pieces[0]) },
	} {
		task := Task{Stock: []Stock{{ID: "s", W: 1000, H: 800}}, Pieces: []Piece{{ID: "p", W: 500, H: 400}}}
		spoil(&task)
		_, err := Solve(context.Background(), task, Options{Steps: 1})
		if f := fault.Of(err); f == nil || f.Field != field || f.Cure == "" {
			t.Errorf("want a fault at %s, got %v", field, err)
		}
	}
}

// So many pieces are planned at once and not one more, however they are counted.
func TestMostPieces(t *testing.T) {
	for n, ok := range map[int]bool{mostPieces - 1: true, mostPieces: true, mostPieces + 1: false} {
		task := Task{Stock: []Stock{{ID: "s", W: 1000, H: 800}}}
		for i := range n {
			task.Pieces = append(task.Pieces, Piece{ID: fmt.Sprint(i), W: 10, H: 10, Count: i % 2})
		}
		if f := fault.Of(task.Check()); (f == nil) != ok || f != nil && f.Field != "pieces" {
			t.Errorf("%d pieces: %v", n, f)
		}
	}
}

// Cuts are made in an order in which each cuts something that is in hand.
func TestOrder(t *testing.T) {
	p := solve(t, perfect(3, 12, 2250, 1605, 60), found)
	s := &p.Sheets[0]
	inHand := map[string]bool{"": true}
	for i, c := range s.Order() {
		if !inHand[c.Path] || c.Number != i+1 || s.Root.Find(c.Path) != c.Node {
			t.Fatalf("cut %d at %q", c.Number, c.Path)
		}
		delete(inHand, c.Path)
		inHand[c.Path+"a"], inHand[c.Path+"b"] = true, true
	}
	if len(inHand) != len(s.Root.Leaves()) || len(inHand) != 12 {
		t.Errorf("%d in hand at the end, %d leaves", len(inHand), len(s.Root.Leaves()))
	}
	if s.Root.Find("abx") == s.Root.Find("ab") && s.Root.Find("ab") != nil {
		t.Error("a way that leads nowhere was found")
	}
}

func ExampleSolve() {
	task := Task{Stock: []Stock{{ID: "sheet", W: 1000, H: 600}},
		Pieces: []Piece{{ID: "pane", W: 500, H: 600, Count: 2}}, Rules: Rules{Least: LeastStrip(4)}}
	p, _ := Solve(context.Background(), task, Options{})
	for _, c := range p.Sheets[0].Order() {
		fmt.Printf("cut %d at %.1f mm from the left\n", c.Number, c.Node.At)
	}
	fmt.Printf("%.0f %% used, proved %v\n", p.Yield*100, p.Proved)
	// Output:
	// cut 1 at 500.0 mm from the left
	// 100 % used, proved true
}
