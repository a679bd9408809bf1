package thing

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"freshshard/core/striplog"
)

func says(all []Thing) string {
	var out []string
	for _, t := range all {
		s := fmt.Sprintf("%g %s %s", float64(t.Milli)/1000, t.Unit, t.What)
		if t.Why != "" {
			s += " (" + t.Why + ")"
		}
		if t.Spare {
			s += ", spare"
		}
		out = append(out, s)
	}
	return strings.Join(out, "; ")
}

// Each thing is wanted once, whoever speaks of it.
func TestWanted(t *testing.T) {
	pane := New{ID: 7, Text: "400 × 300 mm", Gasket: Called("flat", 3), Length: 1428}
	bare := New{ID: 7, Text: "400 × 300 mm"}
	line := func(kind striplog.Kind, what string, fate striplog.Fate) striplog.Entry {
		return striplog.Entry{ID: what, Kind: kind, What: what, Count: 1, Fate: fate}
	}
	glass := line(striplog.Pane, "the pane", striplog.Renew)
	rivets := line(striplog.Fasteners, "rivets", striplog.Substitute)
	rivets.By, rivets.Count, rivets.Held.How, rivets.Held.Size = "bolt M5", 6, "rivet", "4 mm"
	two := line(striplog.Seal, "gasket", striplog.Back)
	two.Count, two.Renewed = 2, 1
	for _, c := range []struct {
		name  string
		panes []New
		log   striplog.Log
		want  string
	}{
		{"no log", []New{pane}, nil, "1 pc 400 × 300 mm; 1.5 m gasket, flat 3 mm"},
		{"nothing settled", []New{{ID: 7}}, nil, ""},
		{"the broken pane is the one that is made", []New{bare}, striplog.Log{glass}, "1 pc 400 × 300 mm"},
		{"and so is a lost one", []New{bare}, striplog.Log{line(striplog.Pane, "light", striplog.Lost)},
			"1 pc 400 × 300 mm"},
		{"a second one that broke", []New{bare}, striplog.Log{glass, line(striplog.Pane, "inner pane", striplog.Renew)},
			"1 pc 400 × 300 mm; 1 pc inner pane (renewed)"},
		{"the pane stays, another is renewed", nil, striplog.Log{glass}, "1 pc the pane (renewed)"},
		{"its gasket renewed", []New{pane}, striplog.Log{line(striplog.Seal, "gasket", striplog.Renew), glass},
			"1 pc 400 × 300 mm; 1.5 m gasket, flat 3 mm"},
		{"its gasket goes back", []New{pane}, striplog.Log{glass, line(striplog.Seal, "gasket", striplog.Back)},
			"1 pc 400 × 300 mm; 1.5 m gasket, flat 3 mm, spare"},
		{"a foreign one stays off", []New{pane}, striplog.Log{glass, line(striplog.Seal, "gasket", striplog.Off)},
			"1 pc 400 × 300 mm; 1.5 m gasket, flat 3 mm"},
		{"the rope of the door is no gasket of the pane", []New{pane},
			striplog.Log{line(striplog.Seal, "door rope", striplog.Renew), glass},
			"1 pc 400 × 300 mm; 1.5 m gasket, flat 3 mm; 1 pc door rope (renewed)"},
		{"two panes, one of two gaskets renewed", []New{pane, {ID: 8, Text: "b", Gasket: "flat 3 mm", Length: 1000}},
			striplog.Log{two}, "1 pc 400 × 300 mm; 1.5 m gasket, flat 3 mm; 1 pc b; 1 m gasket, flat 3 mm"},
		{"bolts in place of rivets, and no rivets", []New{bare}, striplog.Log{rivets, glass},
			"1 pc 400 × 300 mm; 6 pc bolt M5 (in place of rivets)"},
	} {
		if got := says(Wanted(c.panes, c.log)); got != c.want {
			t.Errorf("%s: %q, want %q", c.name, got, c.want)
		}
	}
	// Ordered before its length was known, it is the same thing.
	before := Wanted([]New{bare}, striplog.Log{line(striplog.Seal, "gasket", striplog.Renew)})
	after := Wanted([]New{pane}, striplog.Log{line(striplog.Seal, "gasket", striplog.Renew)})
	if len(before) != 2 || len(after) != 2 || after[1].Was != before[1].Key || after[1].Key == before[1].Key {
		t.Errorf("before its length %+v, after %+v", before, after)
	}
	instead := line(striplog.Seal, "gasket", striplog.Substitute)
	instead.By = "U-section, 6 mm"
	if got := says(Wanted([]New{pane}, striplog.Log{glass, instead})); got !=
		"1 pc 400 × 300 mm; 1 pc U-section, 6 mm (in place of gasket)" {
		t.Errorf("another section instead: %q", got)
	}
}

// Whatever the log says: a pane and a seal are wanted once for each pane that wants them, nothing has
// a key twice, the log itself stays as it is, and a pane in the log makes nothing be wanted that no
// pane of the log was renewed for.
func TestWantedOnce(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 2))
	kinds := []striplog.Kind{striplog.Part, striplog.Seal, striplog.Fasteners, striplog.Pane}
	fates := []striplog.Fate{striplog.Back, striplog.Renew, striplog.Repair, striplog.Lost, striplog.Substitute,
		striplog.Off}
	words := []string{"gasket", "door rope", "pane", "cover", "screws", "setting block"}
	for range 3000 {
		panes, log := []New{}, striplog.Log{}
		for i := range r.IntN(4) {
			p := New{ID: int64(i + 1)}
			if r.IntN(3) > 0 {
				p.Text = "as ordered"
			}
			if r.IntN(2) > 0 {
				p.Length = 500 + 1000*r.Float64()
			}
			panes = append(panes, p)
		}
		renewed := 0
		for i := range r.IntN(6) {
			e := striplog.Entry{ID: fmt.Sprint(i), Kind: kinds[r.IntN(4)], What: words[r.IntN(6)], Count: 1 + r.IntN(3),
				Fate: fates[r.IntN(6)]}
			if e.Fate == striplog.Back && r.IntN(2) > 0 {
				e.Renewed = r.IntN(e.Count + 1)
			}
			if e.Kind == striplog.Pane {
				e.What = fmt.Sprint("glass ", i)
				switch e.Fate {
				case striplog.Renew, striplog.Substitute:
					renewed += e.Count
				case striplog.Lost:
					renewed++
				default:
					renewed += e.Renewed
				}
			}
			log = append(log, e)
		}
		before := slices.Clone(log)
		got, seen, glass := Wanted(panes, log), map[string]bool{}, int64(0)
		for _, w := range got {
			if seen[w.Key] || w.Milli <= 0 {
				t.Fatalf("%+v twice or nothing of it: %+v", w, got)
			}
			seen[w.Key] = true
			if strings.HasPrefix(w.What, "glass ") {
				glass += w.Milli / 1000
			}
		}
		for _, p := range panes {
			if seen[PaneKey(p.ID)] != (p.Text != "") || p.Length == 0 && seen[SealKey(p.ID)] {
				t.Fatalf("pane %+v: %+v", p, got)
			}
		}
		if want := int64(max(0, renewed-len(panes))); glass > want+int64(len(panes)) || glass < want {
			t.Fatalf("%d panes beside the %d of the object, %d renewed in the log: %+v", glass, len(panes), renewed, log)
		}
		if fmt.Sprint(before) != fmt.Sprint(log) {
			t.Fatal("the log was changed")
		}
	}
}

func ExampleWanted() {
	pane := New{ID: 1, Text: "toughened glass, 512 × 400 × 4 mm", Gasket: Called("flat", 3), Length: 1790}
	broken := striplog.Entry{ID: "a", Kind: striplog.Pane, What: "the pane", Count: 1, Fate: striplog.Renew}
	for _, w := range Wanted([]New{pane}, striplog.Log{broken}) {
		fmt.Println(w.What)
	}
	// Output:
	// toughened glass, 512 × 400 × 4 mm
	// gasket, flat 3 mm
}
