package striplog

import (
	"fmt"
	"maps"
	"slices"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

func tellLog(t *testing.T, name string, l Log, b *strings.Builder) {
	t.Helper()
	fmt.Fprintf(b, "= %s: %v\n", name, l.Check())
	if l.Check() != nil {
		return
	}
	mix := l.MixUps()
	for _, k := range slices.Sorted(maps.Keys(mix)) {
		fmt.Fprintf(b, "  mix %s %v\n", k, mix[k])
	}
	if name != "everything" && name != "half back" {
		for _, back := range l.OrderBack() {
			fmt.Fprintf(b, "  %s\n", back.Say)
		}
		return
	}
	fmt.Fprintf(b, "%s\n%s\n%s\n%s\n%s\n", golden.Lines(t, l.OrderBack()), golden.Lines(t, l.Open()),
		golden.Lines(t, l.Needs()), golden.Lines(t, l.Stack()), golden.Lines(t, l.Copy()))
	for i, words := range [][]string{l.WayIn(), l.Odd(), l.Replaced(), l.Bent()} {
		fmt.Fprintf(b, "  %s: %q\n", []string{"way in", "odd", "replaced", "bent"}[i], words)
	}
}

// A log with one of everything, and each state that is refused.
func TestLogsAreAsLookedAt(t *testing.T) {
	screw := func(id string, count int, length, toGlass float64, thread Thread, captures ...string) Entry {
		return Entry{ID: id, Kind: Fasteners, What: "screw " + id, Count: count, Fate: Back, Bag: id,
			Held:     Held{How: "screw", Drive: "PH2", Size: "M4", Thread: thread, Length: length, ToGlass: toGlass},
			Captures: captures}
	}
	shell := Entry{ID: "shell", Kind: Part, What: "outer shell", Count: 1, Fate: Back, Held: Held{How: "lip"}}
	full := Log{
		screw("a", 4, 12, 0, "machine", "shell"), screw("b", 1, 8, 10, "self-tapping", "shell"),
		screw("c", 2, 12, 12, "machine"), screw("d", 1, 14, 13.9, "machine"),
		{ID: "clip", Kind: Part, What: "corner clip", Count: 4, Missing: 1, Renewed: 1, Fate: Renew, Held: Held{How: "clip"}},
		{ID: "seal", Kind: Seal, What: "door seal", Count: 1, Fate: Renew, Held: Held{How: "friction"}},
		{ID: "slid", Kind: Fasteners, What: "slid bracket", Count: 2, Loosen: true, Fate: Back,
			Held: Held{How: "screw", Drive: "PH2", Size: "M4", Length: 12}},
		shell,
		{ID: "p1", Kind: Pane, What: "inner pane", Count: 1, Fate: Back, Facing: "coat to the fire", Held: Held{How: "lip"}},
		{ID: "p2", Kind: Pane, What: "outer pane", Count: 1, Fate: Renew, Facing: "print out", Held: Held{How: "lip"}},
	}
	b := &strings.Builder{}
	tellLog(t, "everything", full, b)
	half := append(Log(nil), full...)
	half[0].In, half[7].In, half[6].In = 4, 1, 1
	tellLog(t, "half back", half, b)
	tab := func(id string, bends int, fate Fate) Entry {
		return Entry{ID: id, Kind: Part, What: "tab " + id, Where: "left", Count: 1, Fate: fate,
			Held: Held{How: "tab", Bends: bends}}
	}
	for n := range 4 {
		l := Log{tab("t0", 0, Back), tab("t1", 1, Back), tab("t2", 2, Back), tab("renewed", 1, Renew),
			tab("gone", 1, Lost), tab("by", 1, Substitute), tab("off", 1, Off), {ID: "r", Kind: Fasteners, What: "rivet",
				Where: "hinge", Count: 3, Fate: Substitute, By: "M5 bolt", Held: Held{How: "rivet"}},
			{ID: "s", Kind: Seal, What: "rope", Count: 2, Fate: Back, Missing: n, Renewed: 1, Seized: n == 1,
				Held: Held{How: "adhesive"}}}
		if n == 3 {
			l[8].Count, l[8].Renewed = 3, 0
			l[7].By = ""
		}
		tellLog(t, fmt.Sprintf("tabs, rivets, %d lost", n), l, b)
	}
	with := func(change func(*Entry)) Log {
		l := append(Log(nil), full...)
		change(&l[0])
		return l
	}
	for _, c := range []struct {
		name   string
		change func(*Entry)
	}{
		{"none", func(e *Entry) { e.Count = 0 }}, {"one", func(e *Entry) { e.Count = 1 }},
		{"two hundred", func(e *Entry) { e.Count = 200 }}, {"more", func(e *Entry) { e.Count = 201 }},
		{"more lost than there were", func(e *Entry) { e.Missing = 5 }}, {"all lost", func(e *Entry) { e.Missing = 4 }},
		{"lost and renewed", func(e *Entry) { e.Missing, e.Renewed = 2, 2 }},
		{"too many of both", func(e *Entry) { e.Missing, e.Renewed = 2, 3 }},
		{"less than nothing", func(e *Entry) { e.Missing = -1 }},
		{"renewed less than nothing", func(e *Entry) { e.Renewed = -1 }},
		{"holds itself", func(e *Entry) { e.Captures = []string{"a"} }},
		{"holds nothing that is there", func(e *Entry) { e.Captures = []string{"zz"} }},
		{"no name", func(e *Entry) { e.What = "" }}, {"no kind", func(e *Entry) { e.Kind = "thing" }},
		{"no fate", func(e *Entry) { e.Fate = "sold" }}, {"not held", func(e *Entry) { e.Held.How = "magic" }},
		{"a length below nothing", func(e *Entry) { e.Held.Length = -1 }}, {"an id twice", func(e *Entry) { e.ID = "b" }},
	} {
		fmt.Fprintf(b, "%s: %v\n", c.name, with(c.change).Check())
	}
	for _, c := range []struct {
		id string
		in int
	}{{"a", 4}, {"shell", 1}, {"a", 5}, {"a", -1}, {"zz", 1}, {"clip", 4}, {"slid", 1}} {
		l, err := full.PutBack(c.id, c.in)
		fmt.Fprintf(b, "put back %s %d: %d %v\n", c.id, c.in, len(l), err)
	}
	_, err := half.Remove(Entry{ID: "late", Kind: Part, What: "late one", Count: 1, Fate: Back, Held: Held{How: "lip"},
		Captures: []string{"shell"}})
	fmt.Fprintf(b, "removed after it: %v; covered: %v\n", err, half.Covered("shell"))
	golden.Check(t, "logs", b.String())
}
