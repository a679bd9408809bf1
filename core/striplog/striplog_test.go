package striplog

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
)

func screw(id, what, where string, n int, length float64, thread Thread, captures ...string) Entry {
	return Entry{ID: id, Kind: Fasteners, What: what, Where: where, Count: n, Fate: Back, Captures: captures,
		Held: Held{How: "screw", Drive: "PH2", Size: "4.2", Length: length, Thread: thread}}
}

func part(id, what string, captures ...string) Entry {
	return Entry{ID: id, Kind: Part, What: what, Count: 1, Fate: Back, Held: Held{How: "gravity"}, Captures: captures}
}

// An oven door's pack: six long screws and one short, the shell, the pack.
func oven() Log {
	short := screw("s2", "shell screw, middle", "middle of the shell", 1, 8, SelfTapping, "shell")
	short.Held.ToGlass = 10
	inner, outer := part("p1", "inner pane"), part("p2", "middle pane", "p1")
	inner.Kind, outer.Kind = Pane, Pane
	outer.Facing = "coat towards the cavity"
	return Log{
		screw("s1", "shell screw, side", "sides of the shell", 6, 16, SelfTapping, "shell"), short,
		part("shell", "outer shell", "pack"), part("pack", "pack frame", "p2"), outer, inner,
	}
}

func ids(lines []Line) string {
	var s []string
	for _, l := range lines {
		s = append(s, l.ID)
	}
	return strings.Join(s, " ")
}

func TestOrderBack(t *testing.T) {
	if got := ids(oven().OrderBack()); got != "p1 p2 pack shell s2 s1" {
		t.Errorf("order back: %s", got)
	}
	// A part noted too early still waits for what it holds down.
	early := Log{part("lid", "lid", "seal"), part("trim", "trim"), part("seal", "seal")}
	if got := ids(early.OrderBack()); got != "seal trim lid" {
		t.Errorf("order back: %s", got)
	}
	odd := Log{part("a", "a"), part("cover", "cover"), part("under", "under", "cover")}
	if got := ids(odd.OrderBack()); got != "cover under a" {
		t.Errorf("what is held down goes first, whatever came off first: %s", got)
	}
}

// For random logs without a loop: every entry once, nothing before what it
// holds down, and free neighbours in reverse.
func TestOrderBackHolds(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 4))
	for range 300 {
		n := 1 + r.IntN(14)
		l := Log{}
		for i := range n {
			l = append(l, part(fmt.Sprint(i), fmt.Sprint("part ", i)))
		}
		for i := range l {
			for k := range l {
				// Captures only point from lower to higher rank: no loops.
				if (i*7)%n < (k*7)%n && r.IntN(4) == 0 {
					l[i].Captures = append(l[i].Captures, l[k].ID)
				}
			}
		}
		if err := l.Check(); err != nil {
			continue // 7 and n share a factor: ranks may tie into a ring
		}
		at := map[string]int{}
		lines := l.OrderBack()
		for i, line := range lines {
			at[line.ID] = i
		}
		if len(at) != n {
			t.Fatalf("%d of %d entries go back", len(at), n)
		}
		for _, e := range l {
			for _, c := range e.Captures {
				if at[c] > at[e.ID] {
					t.Fatalf("%s goes on before %s, which it holds down", e.ID, c)
				}
			}
		}
		if !slices.ContainsFunc(l, func(e Entry) bool { return len(e.Captures) > 0 }) && lines[0].ID != fmt.Sprint(n-1) {
			t.Fatal("free parts do not go back in reverse")
		}
	}
}

func TestLookAlikes(t *testing.T) {
	screw := func(id, what, drive, size string, long float64) Entry {
		return Entry{ID: id, Kind: Fasteners, What: what, Where: id, Count: 1, Fate: Back,
			Held: Held{How: "screw", Drive: drive, Size: size, Length: long}}
	}
	for _, c := range []struct {
		name string
		a, b Entry
		want bool
	}{
		{"the same", screw("a", "x", "PH2", "M4", 12), screw("b", "y", "PH2", "M4", 16), true},
		{"spelt otherwise", screw("a", "x", "ph 2", "m 4", 12), screw("b", "y", "PH-2", "M4", 16), true},
		{"a comma in the size", screw("a", "x", "T15", "4,2", 12), screw("b", "y", "t15", "4.2", 16), true},
		{"one drive not noted", screw("a", "x", "", "M4", 12), screw("b", "y", "PH2", "M4", 16), true},
		{"no drive noted", screw("a", "x", "", "M4", 12), screw("b", "y", "", "M4", 16), true},
		{"nothing noted, called the same", screw("a", "Trim screw", "", "", 12), screw("b", "trim  screw", "", "", 16), true},
		{"nothing noted, called otherwise", screw("a", "trim screw", "", "", 12), screw("b", "hinge screw", "", "", 16),
			false},
		{"another size", screw("a", "x", "PH2", "M4", 12), screw("b", "x", "PH2", "M5", 16), false},
		{"another drive", screw("a", "x", "PH2", "", 12), screw("b", "x", "T15", "", 16), false},
	} {
		if got := len((Log{c.a, c.b}).MixUps()) == 2; got != c.want {
			t.Errorf("%s: mixed up %v", c.name, got)
		}
	}
	// One warning a line, the thread first; a screw as long as what is before the
	// glass reaches it.
	a, b := screw("a", "x", "PH2", "M4", 12), screw("b", "x", "PH2", "M4", 16)
	a.Held.Thread, b.Held.Thread, a.Held.ToGlass = "machine", "self-tapping", 16
	if got := (Log{a, b}).MixUps()["a"]; len(got) != 1 || !strings.HasPrefix(got[0], "machine thread here;") ||
		!strings.Contains(got[0], "the short one, 12 mm, goes here; 16 mm goes to b") ||
		!strings.Contains(got[0], "the 16 mm one from b would reach the pane here") {
		t.Errorf("%v", got)
	}
	c := screw("c", "x", "PH2", "M4", 20)
	if got := (Log{a, b, c}).MixUps()["b"]; len(got) != 1 ||
		!strings.Contains(got[0], "the middle one, 16 mm, goes here; 12 mm goes to a; 20 mm goes to c") {
		t.Errorf("%v", got)
	}
	for long, want := range map[float64]bool{15.9: false, 16: true, 16.1: true} {
		a.Held.Length = long
		if got := len((Log{a}).MixUps()["a"]) == 1; got != want {
			t.Errorf("a screw of %v with 16 before the glass: %v", long, got)
		}
	}
}

func TestMixUps(t *testing.T) {
	m := oven().MixUps()
	if got := strings.Join(m["s2"], "; "); !strings.Contains(got,
		"the short one, 8 mm, goes here; 16 mm goes to sides of the shell") ||
		!strings.Contains(got, "would reach the pane here") {
		t.Errorf("short screw: %s", got)
	}
	if got := strings.Join(m["s1"], "; "); !strings.Contains(got, "the long one, 16 mm") {
		t.Errorf("long screw: %s", got)
	}
	threads := Log{screw("a", "low screw", "low", 2, 16, Machine), screw("b", "high screw", "high", 2, 16, SelfTapping)}
	if got := threads.MixUps()["a"]; len(got) != 1 ||
		!strings.Contains(got[0], "machine thread here; it looks like the self-tapping one at high") {
		t.Errorf("threads: %v", got)
	}
	same := Log{screw("a", "one", "left", 2, 16, Machine), screw("b", "two", "right", 2, 16, Machine)}
	if len(same.MixUps()) != 0 {
		t.Errorf("equal screws are said to be mixed up: %v", same.MixUps())
	}
	reach := screw("a", "screw", "edge", 1, 25, Machine)
	reach.Held.ToGlass = 20
	if got := (Log{reach}).MixUps()["a"]; len(got) != 1 || !strings.Contains(got[0], "reaches the pane") {
		t.Errorf("%v", got)
	}
}

func TestCountsAndPuttingBack(t *testing.T) {
	l := oven()
	if len(l.Open()) != 6 {
		t.Fatalf("%v", l.Open())
	}
	if _, err := l.PutBack("shell", 1); fault.Of(err) == nil ||
		!strings.Contains(err.Error(), "pack frame goes in before outer shell") {
		t.Errorf("the shell went on without its pack: %v", err)
	}
	var err error
	for _, line := range l.OrderBack() {
		if l, err = l.PutBack(line.ID, line.Of); err != nil {
			t.Fatal(err)
		}
	}
	if len(l.Open()) != 0 {
		t.Errorf("still open: %v", l.Open())
	}
	if _, err := l.PutBack("pack", 0); fault.Of(err) == nil {
		t.Error("the pack came off from under the shell")
	}
	if same, err := l.PutBack("pack", 1); err != nil || len(same.Open()) != 0 {
		t.Errorf("as many as are in, put back again: %v", err)
	}
	five, err := l.PutBack("s1", 5)
	if err != nil || len(five.Open()) != 1 || !strings.Contains(five.Open()[0].Say, "1 of 6 still out") {
		t.Errorf("%v, %v", five.Open(), err)
	}
	five[0].Missing = 1
	if len(five.Open()) != 0 {
		t.Errorf("a screw recorded as lost is still open: %v", five.Open())
	}
	over, err := l.PutBack("s1", 7)
	if err != nil || !strings.Contains(over.Open()[0].Say, "1 more went in") {
		t.Errorf("%v, %v", over.Open(), err)
	}
	if err := l.Covered("shell"); fault.Of(err) == nil {
		t.Error("the shell can be changed under its screws")
	}
}

// What was only loosened never becomes a removal in the rebuild.
func TestLoosened(t *testing.T) {
	b := screw("b", "bracket", "upper left", 1, 0, Machine)
	b.Loosen = true
	l := Log{b}
	line := l.OrderBack()[0]
	if !line.Slide || strings.Contains(line.Say, "Put") || len(l.Needs()) != 0 {
		t.Errorf("%+v, needs %v", line, l.Needs())
	}
	l, err := l.PutBack("b", 1)
	if err != nil || len(l.Open()) != 0 {
		t.Errorf("%v, %v", l.Open(), err)
	}
}

func TestNeeds(t *testing.T) {
	seal := Entry{ID: "1", Kind: Seal, What: "door gasket", Count: 1, Fate: Renew, Held: Held{How: "lip"}}
	rivet := Entry{ID: "2", Kind: Fasteners, What: "carrier rivet", Count: 2, Fate: Back,
		Held: Held{How: "rivet", Size: "3/16"}}
	tab := Entry{ID: "3", Kind: Part, What: "pack corner", Count: 1, Fate: Back, Held: Held{How: "tab", Bends: 2}}
	lost := screw("4", "shell screw", "", 6, 16, SelfTapping)
	lost.Missing = 1
	got := Log{seal, rivet, tab, lost}.Needs()
	want := []Need{{"door gasket", 1, "renewed"}, {"pack corner", 1, "its tab is on its last bend"},
		{"rivet, 3/16", 2, "drilled out"}, {"shell screw, 4.2, PH2, self-tapping, 16 mm", 1, "lost"}}
	if !slices.Equal(got, want) {
		t.Errorf("%+v", got)
	}
}

func TestStackAndCopy(t *testing.T) {
	l := oven()
	s := l.Stack()
	if len(s) != 2 || s[0].Facing != "coat towards the cavity" || s[1].What != "inner pane" {
		t.Errorf("%+v", s)
	}
	l[0].In, l[0].Missing, l[0].Fate = 5, 1, Lost
	c := l.Copy()
	if c[0].In != 0 || c[0].Missing != 0 || c[0].Fate != Back || l[0].In != 5 {
		t.Errorf("%+v", c[0])
	}
}

func TestBadStates(t *testing.T) {
	two := part("b", "b", "a")
	for name, l := range map[string]Log{
		"holds itself":     {part("a", "a", "a")},
		"holds a ghost":    {part("a", "a", "x")},
		"a ring":           {part("a", "a", "b"), two},
		"no name":          {part("a", " ")},
		"one id twice":     {part("a", "a"), part("a", "b")},
		"none came off":    {{ID: "a", What: "a", Count: 0}},
		"more lost":        {{ID: "a", What: "a", Count: 1, Missing: 2}},
		"less than none":   {{ID: "a", What: "a", Count: 1, In: -1}},
		"renewed too many": {{ID: "a", What: "a", Count: 1, Renewed: 2}},
	} {
		if f := fault.Of(l.Check()); f == nil || f.Cure == "" {
			t.Errorf("%s was taken", name)
		}
	}
	if _, err := oven().PutBack("x", 1); fault.Of(err) == nil {
		t.Error("something that is not there was put back")
	}
	if _, err := oven().Remove(part("p1", "again")); fault.Of(err) == nil {
		t.Error("the same thing came off twice")
	}
}

// What holds a part down, and how much of it is back, decides whether the part
// may be touched: none of it, one of it, all of it.
func TestWhatIsCovered(t *testing.T) {
	for _, c := range []struct {
		in   int
		free bool
	}{{0, true}, {1, false}, {4, false}} {
		over, under := screw("s", "screw", "lid", 4, 0, Machine), screw("lid", "lid", "top", 1, 0, Machine)
		over.Captures, over.In, under.In = []string{"lid"}, c.in, 1
		l := Log{over, under}
		if err := l.Covered("lid"); (err == nil) != c.free {
			t.Errorf("%d of 4 back: %v", c.in, err)
		}
		if err := l.Covered("s"); err != nil {
			t.Errorf("nothing lies on the screws: %v", err)
		}
		_, err := l.PutBack("lid", 0)
		if (err == nil) != c.free {
			t.Errorf("the lid off with %d of 4 screws back: %v", c.in, err)
		}
	}
}

// A length that nobody read is told nowhere and mixes nothing up.
func TestNoLengthIsNoLength(t *testing.T) {
	a, b := screw("a", "screw", "left", 1, 0, Machine), screw("b", "screw", "right", 1, 12, Machine)
	l := Log{a, b}
	if m := l.MixUps(); len(m) != 0 {
		t.Errorf("%v", m)
	}
	for _, line := range l.OrderBack() {
		if strings.Contains(line.Say, "0 mm") {
			t.Errorf("%q", line.Say)
		}
	}
	if s := a.spec(); strings.Contains(s, "mm") {
		t.Errorf("%q", s)
	}
	if s := b.spec(); !strings.Contains(s, "12 mm") {
		t.Errorf("%q", s)
	}
	one := screw("c", "screw", "left", 1, 1, Machine)
	if s := one.spec() + one.with(); strings.Count(s, "1 mm") != 2 {
		t.Errorf("%q", s)
	}
}

// So many go back in at most, and so long may a thing be called: at the limit, and one more.
func TestMostOfAnEntry(t *testing.T) {
	l := Log{screw("s", "screws", "", 6, 12, Machine)}
	for in, ok := range map[int]bool{-1: false, 0: true, 6: true, 400: true, 401: false} {
		if _, err := l.PutBack("s", in); (err == nil) != ok {
			t.Errorf("%d put back: %v", in, err)
		}
	}
	for n, ok := range map[int]bool{1: true, 120: true, 121: false} {
		e := screw("s", strings.Repeat("å", n), "", 6, 12, Machine)
		if err := (Log{e}).Check(); (err == nil) != ok {
			t.Errorf("a name of %d letters: %v", n, err)
		}
	}
}

// Words are the same however they are spelt: case, spaces and marks say nothing, a comma is a point.
func TestSameWords(t *testing.T) {
	for _, c := range []struct {
		a, b       string
		same, both bool
	}{{"PH 2", "ph2", true, true}, {"4,2", "4.2", true, true}, {"4.2", "42", false, true}, {"4,2", "42", false, true},
		{"No. 6", "no 6", true, true}, {"No.6", "no 6", true, true}, {"4.", "4", true, true}, {".5", "5", false, true},
		{"0.5", ",5", false, true}, {".5", ",5", true, true}, {"", "M4", false, false}, {"-", "M4", false, false}, {"M4",
			"M5", false, true},
		{"", "", true, false}, {"Ä/x", "äX", true, true}} {
		if same, both := sameAs(c.a, c.b); same != c.same || both != c.both {
			t.Errorf("%q and %q: same %v, both there %v", c.a, c.b, same, both)
		}
	}
}
