package outline

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"freshshard/core/fault"
)

// made are values that make each kind.
var made = map[string]Values{
	"rectangle": {"width": 300, "height": 200}, "rounded": {"width": 300, "height": 200, "radius": 20},
	"cut":   {"width": 300, "height": 200, "cut": 20},
	"notch": {"width": 300, "height": 200, "notch_from": 80, "notch_width": 60, "notch_depth": 30}, Smooth: octagon(6),
	"raked":    {"bottom": 400, "right": 300, "top": 400, "left": 300, "rising": 500},
	"triangle": {"bottom": 400, "right": 500, "left": 300},
	"circle":   {"diameter": 250}, "ellipse": {"width": 300, "height": 200}, "pill": {"width": 300, "height": 100},
	"round-top": {"width": 200, "spring": 300, "rise": 100}, "pointed": {"width": 200, "spring": 300, "rise": 150},
	Ordinates: arch(6), Points: octagon(6),
}

// arch are ordinates under a circle of chord 600 and rise 90 on ends 100 high.
func arch(n int) Values {
	r, _ := ChordRadius(600, 90)
	v := Values{"base": 600}
	for i := range n + 1 {
		x := 600*float64(i)/float64(n) - 300
		v[fmt.Sprintf("o%d", i)] = 100 + math.Sqrt(r*r-x*x) - (r - 90)
	}
	return v
}

// octagon are the tapes to n points of a regular polygon above a 500 mm line.
func octagon(n int) Values {
	v := Values{"base": 500}
	for i := range n {
		a := 2*math.Pi*float64(i)/float64(n) - math.Pi*3/4
		p := Point{250 + 200*math.Cos(a), 300 + 200*math.Sin(a)}
		v[fmt.Sprintf("p%d_a", i+1)], v[fmt.Sprintf("p%d_b", i+1)] = p.To(Point{}), p.To(Point{X: 500})
	}
	return v
}

// Every measure lies on the shape with its own length, every check is
// predicted, and every name says where the tape goes.
func TestMeasuresLieOnTheShape(t *testing.T) {
	for _, k := range Kinds() {
		p, err := k.Make(made[k.ID])
		if err != nil {
			t.Fatalf("%s: %v", k.ID, err)
		}
		lines := k.Lines(made[k.ID], p)
		for _, m := range k.Measures {
			l, ok := lines[m.Key]
			if !ok || math.Abs(l.Length()-made[k.ID][m.Key]) > 1e-6 {
				t.Errorf("%s: %s lies %v long, was read %v", k.ID, m.Key, l.Length(), made[k.ID][m.Key])
			}
			if m.Name == "" || m.How == "" {
				t.Errorf("%s: %s has no name", k.ID, m.Key)
			}
		}
		if len(k.Checks) == 0 {
			t.Errorf("%s: nothing checks it", k.ID)
		}
		for _, c := range k.Checks {
			if v, _, err := k.Predict(c.Key, made[k.ID], nil); err != nil || v <= 0 || c.Name == "" {
				t.Errorf("%s: check %s is %v, %v", k.ID, c.Key, v, err)
			}
		}
	}
}

// 3-4-5 and half rounds by closed forms.
func TestChecksByHand(t *testing.T) {
	for _, c := range []struct {
		kind, check string
		want        float64
	}{
		{"rectangle", "rising", math.Hypot(300, 200)}, {"notch", "beside", 160}, {"rounded", "flat", 260},
		{"cut", "flat", 260}, {"raked", "falling", 500},
		{"triangle", "plumb", 300}, {"circle", "diameter_across", 250}, {"ellipse", "crown", math.Hypot(150, 100)},
		{"pill", "flat", 200},
		{"round-top", "overall", 400}, {"round-top", "crown", math.Hypot(100, 400)}, {"pointed", "overall", 450},
		{Points, "p1_p2", 200},
	} {
		k, err := KindOf(c.kind, 0)
		if err != nil {
			t.Fatal(err)
		}
		if v, _, err := k.Predict(c.check, made[c.kind], nil); err != nil || math.Abs(v-c.want) > 1e-6 {
			t.Errorf("%s: %s is %v, want %v, %v", c.kind, c.check, v, c.want, err)
		}
	}
}

// Ordinates taken from a true circle give the circle back: the curve between
// the stations, the area and the length of the arc.
func TestOrdinatesOfACircle(t *testing.T) {
	r, _ := ChordRadius(600, 90)
	theta := 2 * math.Asin(300/r)
	for _, n := range []int{6, 8, 12} {
		k, _ := KindOf(Ordinates, n)
		p, err := k.Make(arch(n))
		if err != nil {
			t.Fatal(err)
		}
		if want := 60000 + r*r*(theta-math.Sin(theta))/2; math.Abs(p.Area()-want) > 40 {
			t.Errorf("%d spaces: area %v, want %v", n, p.Area(), want)
		}
		if want := 800 + r*theta; math.Abs(p.Perimeter()-want) > 0.1 {
			t.Errorf("%d spaces: perimeter %v, want %v", n, p.Perimeter(), want)
		}
		for _, q := range p.Flatten(0.01) {
			if q.Y > 101 && math.Abs(math.Hypot(q.X-300, q.Y-(190-r))-r) > 0.15 {
				t.Fatalf("%d spaces: %v is %v off the circle", n, q, math.Hypot(q.X-300, q.Y-(190-r))-r)
			}
		}
	}
}

// Points from two tapes: the places come back, whatever polygon.
func TestPointsComeBack(t *testing.T) {
	for _, n := range []int{3, 5, 8, 24} {
		k, _ := KindOf(Points, n)
		p, err := k.Make(octagon(n))
		if err != nil {
			t.Fatal(err)
		}
		for _, c := range p.Corners() {
			if math.Abs(c.To(Point{250, 300})-200) > 1e-6 {
				t.Errorf("%d points: %v is off the circle", n, c)
			}
		}
	}
}

// No truth that the doubts allow lies farther off a side than the doubt of the
// shape says, once it is moved to fit.
func TestDoubtHoldsTheTruth(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 9))
	for _, k := range Kinds() {
		if k.ID == "ellipse" || k.ID == Smooth { // its many small arcs turn as it grows
			continue
		}
		m, doubts := made[k.ID], Values{}
		for _, x := range k.Measures {
			doubts[x.Key] = 0.8
		}
		p, _ := k.Make(m)
		most := k.Doubt(m, doubts)
		if most < 0.39 || most > 8 {
			t.Errorf("%s: doubt %v", k.ID, most)
		}
		for range 200 {
			truth := Values{}
			for key, v := range m {
				truth[key] = v + 0.8*(2*r.Float64()-1)
			}
			q, err := k.Make(truth)
			if err != nil || len(q) != len(p) {
				continue
			}
			for i := range p {
				// A tenth over is what the straight-line reckoning leaves out.
				if d := math.Abs(p.apart(q, i, p.shift(q))); d > most*1.1+0.02 {
					t.Fatalf("%s: side %d is off by %v, said %v", k.ID, i, d, most)
				}
			}
		}
	}
}

// The measures of an inset shape make that inset again.
func TestDimensionsMakeItAgain(t *testing.T) {
	for _, id := range []string{"rectangle", "rounded", "cut", "notch", "circle", "pill", "round-top", "pointed"} {
		k, _ := KindOf(id, 0)
		p, _ := k.Make(made[id])
		in, err := p.Offset(7)
		if err != nil {
			t.Fatal(err)
		}
		m := Values{}
		for _, d := range k.Dimensions(in) {
			m[d.Key] = d.Value
		}
		again, err := k.Make(m)
		if err != nil {
			t.Fatalf("%s: %v", id, err)
		}
		if math.Abs(again.Area()-in.Area()) > 0.5 || math.Abs(again.Perimeter()-in.Perimeter()) > 0.01 {
			t.Errorf("%s: %v makes area %v, want %v", id, m, again.Area(), in.Area())
		}
	}
}

func TestShapesThatCannotBe(t *testing.T) {
	with := func(id string, change Values) Values {
		v := Values{}
		for k, x := range made[id] {
			v[k] = x
		}
		for k, x := range change {
			v[k] = x
		}
		return v
	}
	for _, c := range []struct {
		kind   string
		change Values
		field  string
	}{
		{"raked", Values{"rising": 900}, "rising"}, {"circle", Values{"diameter": -3}, "diameter"},
		{Points, Values{"p3_b": 2000}, "p3_b"},
		{Ordinates, Values{"o2": 0}, "o2"}, {"rounded", Values{"radius": 101}, "radius"},
		{"round-top", Values{"rise": math.NaN()}, "rise"},
		{"notch", Values{"notch_width": 230}, "notch_width"}, {"notch", Values{"notch_depth": 200}, "notch_depth"},
		{"notch", Values{"notch_from": 0, "notch_width": 300}, "notch_width"},
	} {
		k, _ := KindOf(c.kind, 0)
		_, err := k.Make(with(c.kind, c.change))
		if f := fault.Of(err); f == nil || f.Field != c.field {
			t.Errorf("%s %v: want a fault at %s, got %v", c.kind, c.change, c.field, err)
		}
	}
	crossed := with(Points, nil)
	crossed["p2_a"], crossed["p2_b"], crossed["p4_a"], crossed["p4_b"] = crossed["p4_a"], crossed["p4_b"], crossed["p2_a"],
		crossed["p2_b"]
	k, _ := KindOf(Points, 6)
	if _, err := k.Make(crossed); err == nil {
		t.Error("crossed sides were taken")
	}
	for _, c := range []struct {
		id    string
		count int
	}{{Points, 2}, {Ordinates, 25}, {"blob", 0}} {
		if _, err := KindOf(c.id, c.count); err == nil {
			t.Errorf("%s with %d was taken", c.id, c.count)
		}
	}
	for _, key := range []string{"p1_", "p_a", "px_a", "o", "o99", "p1_p", "q", ""} {
		if m := MeasureOf(key); m.Name != "" {
			t.Errorf("%q is called %q", key, m.Name)
		}
	}
}

// A line 1 mm wide by a pen that leans 0.5 mm lies 1 mm off its guide. Common
// practice, no source.
func TestTrace(t *testing.T) {
	p, _ := RoundedRect(302, 202, 10)
	round := Trace{Along: RoundPane, Pen: 1, Lean: 0.5}
	q, err := round.True(p)
	if err != nil || math.Abs(q.Box().Width()-300) > 1e-9 || math.Abs(q.arcRadius()-9) > 1e-9 {
		t.Errorf("%v, %v", q, err)
	}
	in := Trace{Along: InsideOpening, Pen: 1, Lean: 0.5}
	if q, err = in.True(p); err != nil || math.Abs(q.Box().Width()-304) > 1e-9 {
		t.Errorf("%v, %v", q, err)
	}
	for _, c := range []struct {
		t         Trace
		clearance float64
		want      string
	}{
		{in, 1, "cut on the line"}, {in, 3, "cut 2.0 mm inside the middle of the line"},
		{in, 1.5, "cut along the inner edge of the line: leave the line on the waste"},
		{in, 0.5, "cut along the outer edge of the line: leave the line on the pane"},
		{in, 0, "cut 1.0 mm outside the middle of the line"},
		{in, 1.29, "cut on the line"}, {in, 0.71, "cut on the line"},
		{in, 1.31, "cut along the inner edge of the line: leave the line on the waste"},
		{in, 0.69, "cut along the outer edge of the line: leave the line on the pane"},
		{in, 1.79, "cut along the inner edge of the line: leave the line on the waste"},
		{in, 1.81, "cut 0.8 mm inside the middle of the line"},
		{Trace{Along: RoundPane, Pen: 0.5}, 0, "cut on the line"}, {round, 2, "cut 3.0 mm inside the middle of the line"},
	} {
		if got := c.t.Say(c.clearance); got != c.want {
			t.Errorf("%+v at %v: %q, want %q", c.t, c.clearance, got, c.want)
		}
	}
	for _, good := range []Trace{{Along: RoundPane, Pen: 0}, {Along: RoundPane, Pen: 20},
		{Along: InsideOpening, Lean: 20}} {
		if err := good.Check(); err != nil {
			t.Errorf("%+v: %v", good, err)
		}
	}
	for _, bad := range []Trace{{Along: "air"}, {Along: RoundPane, Pen: 20.1}, {Along: RoundPane, Lean: 20.1},
		{Along: RoundPane, Pen: -1}, {Along: RoundPane, Lean: 30}} {
		if _, err := bad.True(p); err == nil {
			t.Errorf("%+v was taken", bad)
		}
	}
}

// c = 1000, h = 50 gives R = 2525; the arc is R·2·asin(c/2R) long.
func TestBend(t *testing.T) {
	b, err := BendOf(1000, 50)
	if err != nil || math.Abs(b.Radius-2525) > 1e-9 || math.Abs(b.Girth-2525*2*math.Asin(500/2525.0)) > 1e-6 {
		t.Errorf("%+v, %v", b, err)
	}
	// Polycarbonate from 150 × its thickness. Data sheets, from memory.
	if !b.Flexes(150, 16.8) || b.Flexes(150, 16.9) {
		t.Error("2525 mm is 150 × 16.83")
	}
	if _, err := BendOf(100, 60); fault.Of(err) == nil {
		t.Error("more than a half round was taken")
	}
}

func BenchmarkKindDoubt(b *testing.B) {
	k, _ := KindOf(Points, 24)
	m := octagon(24)
	for b.Loop() {
		k.Doubt(m, m)
	}
}

// Points of a circle give the circle back: area and perimeter within a
// thousandth, and no kink at the seam.
func TestSmoothThroughACircle(t *testing.T) {
	for _, n := range []int{8, 12, 24} {
		k, _ := KindOf(Smooth, n)
		p, err := k.Make(octagon(n))
		if err != nil {
			t.Fatal(err)
		}
		if a, l := p.Area()/(math.Pi*200*200), p.Perimeter()/(2*math.Pi*200); math.Abs(a-1) > 2e-3 || math.Abs(l-1) > 1e-3 {
			t.Errorf("%d points: %v of the area, %v of the perimeter", n, a, l)
		}
		for i := range p {
			if b := bend(p.side(i), p.side((i+1)%len(p))); math.Abs(b) > 0.02 {
				t.Errorf("%d points: a kink of %v after side %d", n, b, i)
			}
		}
	}
}

// A notch takes its area off, at a corner as well.
func TestNotch(t *testing.T) {
	for _, from := range []float64{0, 80, 240} {
		p, err := NotchedRect(300, 200, from, 60, 30)
		if err != nil || math.Abs(p.Area()-(60000-1800)) > 1e-9 {
			t.Errorf("from %v: %v, %v", from, p, err)
		}
		if p.Cuttable(4).Hand {
			t.Errorf("from %v: its inside corner is cut by hand", from)
		}
	}
}
