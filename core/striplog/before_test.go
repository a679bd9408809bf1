package striplog

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
)

func one(id, what string, change func(*Entry)) Entry {
	e := Entry{ID: id, What: what, Kind: Part, Count: 1, Fate: Back}
	if change != nil {
		change(&e)
	}
	return e
}

func idsOf(lines []Line) string {
	out := make([]string, len(lines))
	for i, l := range lines {
		out[i] = l.ID
	}
	return strings.Join(out, " ")
}

// What stands under the pane goes before it, what is round it with it, what is
// over it after it, whatever came off first. Common practice, no source.
func TestByHowItStands(t *testing.T) {
	l := Log{
		one("blocks", "setting blocks", func(e *Entry) { e.Stands = Under }), // found early
		one("trim", "trim", func(e *Entry) { e.Stands = Over }),
		one("pane", "pane", func(e *Entry) { e.Kind = Pane }),
		one("lamp", "lamp", nil),
		one("bead", "bead", func(e *Entry) { e.Stands = Over }), // fell out late
	}
	if got := idsOf(l.OrderBack()); got != "lamp blocks pane bead trim" {
		t.Errorf("%s", got)
	}
	// Where nobody said how they stand, they stand as such things usually do.
	for i := range l {
		l[i].Stands = ""
	}
	if got := idsOf(l.OrderBack()); got != "lamp blocks pane bead trim" {
		t.Errorf("by their names: %s", got)
	}
	// One relation changes only what it is about: travel before trim.
	l[1].First = []string{"lamp"}
	if got := idsOf(l.OrderBack()); got != "lamp blocks pane bead trim" {
		t.Errorf("one that holds anyway: %s", got)
	}
	l[4].First = []string{"trim"}
	if got := idsOf(l.OrderBack()); got != "lamp blocks pane trim bead" {
		t.Errorf("one relation: %s", got)
	}
	// What somebody said goes over what a thing is called.
	l[2].First = []string{"bead"}
	if got := idsOf(l.OrderBack()); got != "lamp trim bead blocks pane" {
		t.Errorf("a bead that the pane stands on: %s", got)
	}
}

// Too early is refused in words, and what it waits for is named.
func TestTooEarly(t *testing.T) {
	l := Log{one("bed", "bed of tape", func(e *Entry) { e.Stands = Under }),
		one("pane", "pane", func(e *Entry) { e.Kind = Pane }),
		one("screw", "screw", func(e *Entry) { e.First = []string{"pane"} })}
	for id, want := range map[string]string{"pane": "bed of tape goes in before pane, by how both stand to the pane",
		"screw": "pane was said to go in before screw"} {
		_, err := l.PutBack(id, 1)
		if f := fault.Of(err); f == nil || f.Why != want {
			t.Errorf("%s: %v", id, err)
		}
	}
	for _, line := range l.OrderBack() {
		if line.Ready != (line.ID == "bed") || line.Ready == (line.Waits != "") {
			t.Errorf("%+v", line)
		}
	}
	now, err := l.PutBack("bed", 1)
	if err == nil {
		_, err = now.PutBack("pane", 1)
	}
	if err != nil {
		t.Error(err)
	}
}

func TestRelationsRefuse(t *testing.T) {
	for field, l := range map[string]Log{
		"entries[0].first":  {one("a", "a", func(e *Entry) { e.First = []string{"a"} })},
		"entries[1].first":  {one("a", "a", nil), one("b", "b", func(e *Entry) { e.First = []string{"c"} })},
		"entries[0].stands": {one("a", "a", func(e *Entry) { e.Stands = "beside" })},
		"captures": {one("a", "bead", func(e *Entry) { e.Stands = Over }), one("p", "pane", func(e *Entry) {
			e.Kind, e.First = Pane, []string{"a"}
		})},
	} {
		err := l.Check()
		if f := fault.Of(err); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	l := Log{one("a", "bead", func(e *Entry) { e.First = []string{"b"} }),
		one("b", "clip", func(e *Entry) { e.First = []string{"c"} }),
		one("c", "felt", func(e *Entry) { e.First = []string{"a"} })}
	if err := l.Check(); err == nil || !strings.Contains(err.Error(), "in a ring: bead, clip, felt, bead") {
		t.Errorf("the ring is not named: %v", err)
	}
}

// Against full search on small logs: where any order is legal one is found and
// it is legal, where none is a ring is named; the order found is the first that
// goes back as it came off, read from the end.
func TestOrderAgainstFullSearch(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 1))
	legal := func(l Log, order []int) bool {
		at := map[string]int{}
		for n, i := range order {
			at[l[i].ID] = n
		}
		for _, e := range l {
			for _, b := range l.before(e) {
				if at[b] > at[e.ID] {
					return false
				}
			}
		}
		return true
	}
	rings := 0
	for range 400 {
		n := 3 + r.IntN(4)
		l := Log{}
		for i := range n {
			e := one(fmt.Sprint("e", i), fmt.Sprint("thing ", i), nil)
			e.Stands = []Stands{"", "", Under, Round, Over}[r.IntN(5)]
			if i == 1 {
				e.Kind, e.Stands = Pane, ""
			}
			for range r.IntN(2) {
				if o := r.IntN(n); o != i {
					e.First = append(e.First, fmt.Sprint("e", o))
				}
			}
			if o := r.IntN(n); o != i && r.IntN(3) == 0 {
				e.Captures = append(e.Captures, fmt.Sprint("e", o))
			}
			l = append(l, e)
		}
		any := false
		var walk func(order []int)
		walk = func(order []int) {
			if any || len(order) == n {
				any = any || legal(l, order)
				return
			}
			for i := range n {
				if !slices.Contains(order, i) {
					walk(append(slices.Clone(order), i))
				}
			}
		}
		walk(nil)
		err := l.Check()
		if any != (err == nil) {
			t.Fatalf("a legal order: %v, but %v of %+v", any, err, l)
		}
		if !any {
			rings++
			continue
		}
		var order []int
		for _, line := range l.OrderBack() {
			order = append(order, slices.IndexFunc(l, func(e Entry) bool { return e.ID == line.ID }))
		}
		if len(order) != n || !legal(l, order) {
			t.Fatalf("%v is no legal order of %+v", order, l)
		}
	}
	if rings < 20 || rings > 380 {
		t.Errorf("%d rings of 400 try too little", rings)
	}
}

// What a thing is called and when it came off say how it lies. Common practice, no source.
func TestLies(t *testing.T) {
	pane := one("p", "pane", func(e *Entry) { e.Kind = Pane })
	for _, c := range []struct {
		what               string
		alone, early, late Stands // without a pane in the log, off before it, off after it
	}{
		{"setting blocks", Under, Under, Under}, {"lower channel", Under, Under, Under}, {"felt, front", Under, Under, Under},
		{"inner trim", Over, Over, Over}, {"glazing beads", Over, Over, Over}, {"cover on the left", Over, Over, Over},
		{"upper channel", Over, Over, Over}, {"cover gasket", Over, Over, Over}, {"rope of the door", Over, Over, Over},
		{"rubber", Round, Round, Round}, {"edge tape", Round, Round, Round}, {"locking gasket", Round, Round, Round},
		{"gasket", Round, Over, Round}, {"seal", Round, Over, Round}, {"tape", Under, Over, Under},
		{"body gasket", Under, Over, Under}, {"glass rope", Round, Round, Round},
		{"lamp", "", "", Under}, {"trim clip", "", "", Under}, {"gasket tray", "", "", Under},
	} {
		e := one("x", c.what, nil)
		if got := (Log{e}).Lies(e); got != c.alone {
			t.Errorf("%s alone: %q, want %q", c.what, got, c.alone)
		}
		if got := (Log{e, pane}).Lies(e); got != c.early {
			t.Errorf("%s before the pane: %q, want %q", c.what, got, c.early)
		}
		if got := (Log{pane, e}).Lies(e); got != c.late {
			t.Errorf("%s after the pane: %q, want %q", c.what, got, c.late)
		}
		e.Stands = Over
		if got := (Log{pane, e}).Lies(e); got != Over {
			t.Errorf("%s, over what somebody said: %q", c.what, got)
		}
	}
	shell := one("shell", "outer shell", nil)
	late := one("late", "hinge screw", func(e *Entry) { e.Captures = []string{"shell"} })
	if got := (Log{shell, pane, late}).Lies(late); got != "" {
		t.Errorf("noted late, and holds what lay before the pane: %q", got)
	}
	spacer := one("s", "distance piece", nil)
	if got := (Log{pane, spacer, one("q", "inner pane", func(e *Entry) { e.Kind = Pane })}).Lies(spacer); got != Round {
		t.Errorf("between two panes: %q", got)
	}
}
