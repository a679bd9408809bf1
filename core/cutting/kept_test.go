package cutting

import (
	"context"
	"fmt"
	"math"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

// nodes writes the rectangles of a sheet, each cut with its halves.
func nodes(b *strings.Builder, n *Node, deep int) {
	if n == nil {
		return
	}
	fmt.Fprintf(b, "   %s%s %.1f,%.1f %.1f × %.1f", strings.Repeat(" ", deep), n.Kind, n.X, n.Y, n.W, n.H)
	if n.Kind == IsCut {
		fmt.Fprintf(b, " up %v at %.1f trim %v", n.Up, n.At, n.Trim)
	}
	fmt.Fprintf(b, " %s %v\n", n.Piece, n.Turned)
	nodes(b, n.A, deep+1)
	nodes(b, n.B, deep+1)
}

// keptTasks are days of a shop with every rule of cutting.
func keptTasks() map[string]Task {
	out := map[string]Task{}
	for seed := range uint64(5) {
		out[fmt.Sprintf("perfect %d", seed)] = perfect(seed, 5+2*int(seed), 1200, 800, 60)
		snapped := shopLike(seed, 6+3*int(seed))
		snapped.Rules.Least = 24
		for i := range snapped.Stock {
			snapped.Stock[i].Trim = Trim{Left: 10, Bottom: 12, Right: float64(5 * (i % 2)), Top: float64(4 * (i % 3))}
		}
		out[fmt.Sprintf("snapped %d", seed)] = snapped
		sawn := shopLike(seed+20, 5+3*int(seed))
		sawn.Rules = Rules{Saw: true, Kerf: 3.2, Keep: 150, Worth: 0.3}
		for i := range sawn.Pieces {
			sawn.Pieces[i].Rank = i % 3
		}
		out[fmt.Sprintf("sawn %d", seed)] = sawn
		tight := shopLike(seed+40, 14)
		tight.Stock = tight.Stock[:4] // not all fit
		tight.Pieces[0].On, tight.Pieces[1].Lie = tight.Stock[1].ID, AsIs
		for i := range tight.Pieces {
			tight.Pieces[i].Rank = i % 4
		}
		out[fmt.Sprintf("tight %d", seed)] = tight
	}
	return out
}

// Plans that are searched by a count of steps and not by the clock, so that they are the
// same each time, what is said of them, and what is left when work stops half way.
func TestSearchedPlansAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	all := keptTasks()
	for _, name := range []string{"perfect 0", "sawn 0", "snapped 0", "tight 0"} {
		task := all[name]
		p, err := Solve(context.Background(), task, Options{Steps: 250, Seed: 11})
		if err != nil {
			fmt.Fprintf(b, "= %s: %v\n", name, err)
			continue
		}
		fmt.Fprintf(b, "= %s: cost %.4f of %.4f, yield %.4f, useful %.4f, %d cuts, proved %v\n", name, p.Cost, p.Bound,
			p.Yield,
			p.Useful, p.Cuts, p.Proved)
		for _, l := range p.Left {
			fmt.Fprintf(b, "  left %+v\n", l)
		}
		for _, f := range p.Figures(task) {
			fmt.Fprintf(b, "  %s %.3f %s %s\n", f.Key, f.Value, f.Verdict, f.Sentence)
		}
		for _, s := range p.Sheets {
			fmt.Fprintf(b, "  %s/%d %.0f × %.0f, %d cuts\n", s.Stock, s.Copy, s.W, s.H, len(s.Order()))
			nodes(b, &s.Root, 0)
		}
		var made []Mark
		for range 3 {
			sheet, c := p.Next(made)
			if c == nil {
				break
			}
			made = append(made, Mark{Sheet: sheet, Path: c.Path})
		}
		rest := p.Rest(task, made)
		fmt.Fprintf(b, "  after three cuts good %v, in hand %d, rest %+v of %+v\n", p.Good(made), len(p.InHand(made)),
			rest.Pieces, rest.Stock)
	}
	for seed := range uint64(4) {
		task := barTask(seed, 6+3*int(seed), 900+100*float64(seed%4), 3*float64(seed%2))
		task.Ends, task.Dress = 5*float64(seed%3), 4*float64(seed%2)
		task.Bars = append(task.Bars, Bar{ID: "rest", Length: 640, Count: 2, Cost: 300})
		if seed%3 == 0 {
			task.Bars[0].Count = 2 // not all fit
		}
		p, err := SolveBars(context.Background(), task)
		if err != nil {
			fmt.Fprintf(b, "= bars %d: %v\n", seed, err)
			continue
		}
		fmt.Fprintf(b, "= bars %d: cost %.3f, yield %.4f, at least %.3f, proved %v\n", seed, p.Cost, p.Yield, p.Bound,
			p.Proved)
		for _, l := range p.Left {
			fmt.Fprintf(b, "  left %+v\n", l)
		}
		for _, c := range p.Bars {
			fmt.Fprintf(b, "  %s/%d %v at %.1f, %.1f over, kept %v, finished %v\n", c.Bar, c.Copy, c.Cuts, c.At, c.Remnant,
				c.Keep,
				c.Finished)
		}
	}
	golden.Check(t, "searched", b.String())
}

// Plans of which one thing is otherwise: how many faults the verifier finds for each, to a
// hair beside what it lets through.
func TestNudgedPlansAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	by := []float64{-0.051, -0.049, 0.049, 0.051, 1, -1, 30}
	all := keptTasks()
	for _, name := range []string{"snapped 0", "sawn 0", "tight 1"} {
		task := all[name]
		if name == "tight 1" {
			task.Pieces = task.Pieces[:6]
			task.Pieces[2].Turn = false
		}
		p, err := Solve(context.Background(), task, Options{Steps: 60, Seed: 11})
		if err != nil {
			t.Fatal(err)
		}
		nudged(t, b, name, p, by, func(p Plan) []Broken { return Verify(task, p) })
	}
	for seed := range uint64(2) {
		task := barTask(seed, 5, 900, 3*float64(seed%2))
		task.Ends, task.Dress = 5*float64(seed), 4
		p, err := SolveBars(context.Background(), task)
		if err != nil {
			t.Fatal(err)
		}
		nudged(t, b, fmt.Sprintf("bars %d", seed), p, by, func(p BarPlan) []Broken { return VerifyBars(task, p) })
	}
	golden.Check(t, "nudged", b.String())
}

// nudged writes how many faults there are, a digit for each way in which a place is moved,
// and each kind of fault once.
func nudged[T any](t *testing.T, b *strings.Builder, name string, p T, by []float64, faults func(T) []Broken) {
	t.Helper()
	fmt.Fprintf(b, "= %s, %d as it is\n", name, len(faults(p)))
	last, seen := "", map[string]bool{}
	golden.Nudge(t, p, by, func(path string, way int, changed T) {
		if path != last {
			fmt.Fprintf(b, "\n%s ", path)
			last = path
		}
		found := faults(changed)
		fmt.Fprintf(b, "%d", len(found))
		for _, f := range found {
			if kind := strings.Fields(f.Why); !seen[kind[0]+kind[len(kind)-1]] {
				seen[kind[0]+kind[len(kind)-1]] = true
				fmt.Fprintf(b, " (%d: %s)", f.Sheet, f.Why)
			}
		}
	})
	b.WriteString("\n")
}

// A great many plans of sheets and bars: each is sound, none costs less than what cannot be beaten,
// and the same task is cut the same.
func TestManyPlansAreSound(t *testing.T) {
	for seed := range uint64(48) {
		task := shopLike(seed+100, 3+int(seed)%17)
		if seed%6 == 0 {
			task = perfect(seed, 4+int(seed)%9, 1200, 800, 60)
		}
		switch seed % 4 {
		case 0:
			task.Rules = Rules{Least: 24, Keep: 150 + 10*float64(seed%7)}
		case 1:
			task.Rules = Rules{Saw: true, Kerf: 3.2, Keep: 120, Worth: 0.1 * float64(seed%9)}
		case 2:
			task.Rules = Rules{}
		}
		for i := range task.Stock {
			if (i+int(seed))%3 == 0 {
				task.Stock[i].Trim = Trim{Left: float64(seed % 13), Right: float64(i % 9), Top: 8}
			}
			task.Stock[i].Count += int(seed % 2)
		}
		for i := range task.Pieces {
			q := &task.Pieces[i]
			q.Rank, q.Count = i%3, 1+i%4/3*int(seed%4)
			if i%7 == 3 {
				q.On = task.Stock[len(task.Stock)-1].ID
			}
			if i%9 == 5 {
				q.Lie = AsIs
			}
		}
		if seed%5 == 4 {
			task.Stock = task.Stock[:min(2, len(task.Stock))]
			for i := range task.Pieces {
				task.Pieces[i].On = ""
			}
		}
		p, err := Solve(context.Background(), task, Options{Steps: 90, Seed: seed})
		if err != nil {
			continue
		}
		if b := Verify(task, p); len(b) > 0 {
			t.Errorf("%d: %v", seed, b)
		}
		if p.Cost < p.Bound-1e-9 && len(p.Left) == 0 {
			t.Errorf("%d: it costs %v, and nothing can cost less than %v", seed, p.Cost, p.Bound)
		}
		if again, err := Solve(context.Background(), task, Options{Steps: 90, Seed: seed}); err != nil ||
			golden.Lines(t, again) != golden.Lines(t, p) {
			t.Errorf("%d: the same task is cut otherwise, %v", seed, err)
		}
	}
	for seed := range uint64(60) {
		task := barTask(seed+50, 3+int(seed)%11, 700+60*float64(seed%8), 3*float64(seed%2))
		task.Ends, task.Dress, task.Keep = float64(seed%4), 2*float64(seed%3), 90*float64(seed%4)
		for i := range task.Wants {
			task.Wants[i].Count = 1 + i%5/4*2
		}
		task.Bars = append(task.Bars, Bar{ID: "rest", Length: 420 + 10*float64(seed%9), Count: int(seed % 4),
			Cost: 100 * float64(seed%3)})
		task.Bars[0].Count = 1 + int(seed)%9
		p, err := SolveBars(context.Background(), task)
		if err != nil {
			continue
		}
		if b := VerifyBars(task, p); len(b) > 0 {
			t.Errorf("bars %d: %v", seed, b)
			continue
		}
		if p.Cost < p.Bound-1e-9 && len(p.Left) == 0 {
			t.Errorf("bars %d: they cost %v, and nothing can cost less than %v", seed, p.Cost, p.Bound)
		}
		// As sheets the bars are the same cuts, of the same yield.
		sheets, plan := task.AsSheets(p, 12.7)
		if b := Verify(sheets, plan); len(b) > 0 || math.Abs(plan.Yield-p.Yield) > 1e-9 {
			t.Errorf("bars %d as sheets: %v, yield %v of %v", seed, b, plan.Yield, p.Yield)
		}
	}
}
