package letter

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"freshshard/core/due"
	"freshshard/core/striplog"
)

var out = time.Date(2026, 3, 20, 16, 0, 0, 0, time.UTC)

func screws(id, where string, long float64) striplog.Entry {
	return striplog.Entry{ID: id, Kind: striplog.Fasteners, What: "screws", Where: where, Count: 2, Fate: striplog.Back,
		Held: striplog.Held{How: "screw", Drive: "PH2", Size: "M4", Thread: striplog.Machine, Length: long}}
}

// A stove's door: two lengths of one screw, one seized, a rivet that became a bolt, a
// tab on its second bend, a wire that was foreign.
func stove() Facts {
	log := striplog.Log{screws("1", "top edge", 12), screws("2", "low edge", 20),
		{ID: "3", Kind: striplog.Part, What: "hinge plate", Count: 1, Fate: striplog.Substitute,
			By:   "M5 × 16 bolt in a bush",
			Held: striplog.Held{How: "rivet"}},
		{ID: "4", Kind: striplog.Shield, What: "baffle", Where: "left", Count: 1, Fate: striplog.Back,
			Held: striplog.Held{How: "tab",
				Bends: 1}},
		{ID: "5", Kind: striplog.Wire, What: "loop of wire", Count: 1, Fate: striplog.Off,
			Held: striplog.Held{How: "friction"}},
		{ID: "6", Kind: striplog.Seal, What: "rope", Count: 1, Fate: striplog.Renew, Held: striplog.Held{How: "adhesive"}},
		{ID: "7", Kind: striplog.Pane, What: "pane", Count: 1, Fate: striplog.Renew, Held: striplog.Held{How: "clip"}},
		{ID: "8", Kind: striplog.Part, What: "air slide", Count: 1, Fate: striplog.Back, Held: striplog.Held{How: "lip"}}}
	log[1].Seized, log[1].Missing = true, 1
	return Facts{Strip: log, Out: out, Stays: []string{"a rag behind the lining"},
		Due: due.For(due.Of{Family: "clip-heat", Exposure: "fire", Road: "size"}, out),
		Panes: []Pane{{Way: "clips", Was: "toughened glass", Is: "5 mm glass-ceramic", Size: "418 × 302 mm",
			Why: "a bracket stood on it", Changed: []string{"bracket bent away"}, Beyond: []string{"bite of 4 mm"}}}}
}

func TestLetter(t *testing.T) {
	l := Of(stove())
	for part, want := range map[string]struct{ got, want []string }{
		"differs": {l.Differs, []string{"5 mm glass-ceramic in place of toughened glass, 418 × 302 mm",
			"Why the last one broke: a bracket stood on it", "Changed: bracket bent away",
			"Beyond a limit, risk accepted: bite of 4 mm", "Left in for good: a rag behind the lining"}},
		"places": {l.Places, []string{"M5 × 16 bolt in a bush in place of hinge plate",
			"without loop of wire, which was foreign", "new: rope", "new: pane"}},
		"tabs": {l.Tabs, []string{"baffle, left: tab bent 2 times, it breaks at the next: have a new one"}},
		"odd": {l.Odd, []string{"screws, top edge: the short one, 12 mm, goes here; 20 mm goes to low edge",
			"screws, low edge: the long one, 20 mm, goes here; 12 mm goes to top edge",
			"screws, low edge: was seized", "screws, low edge: 1 of 2 is lost"}},
		"way in": {l.WayIn, []string{"Off: 2 × screws, top edge (screw, M4, PH2, machine, 12 mm)",
			"Off: 2 × screws, low edge (screw, M4, PH2, machine, 20 mm)", "Off: hinge plate (M5 × 16 bolt in a bush)",
			"Off: baffle, left (tab, bent 2 times)", "Off: rope (adhesive)", "Off: pane (clip)"}},
		"due": {l.Due, []string{"April 2026: Nip the fixings again, once", "March 2027: Look at the pane after the winter",
			"March 2027: Draw a slip of paper round the shut door"}},
	} {
		if !slices.Equal(want.got, want.want) {
			t.Errorf("%s:\n%s\nwant\n%s", part, strings.Join(want.got, "\n"), strings.Join(want.want, "\n"))
		}
	}
	if len(l.Palm) != palmLines || !strings.HasPrefix(l.Palm[0], "5 mm glass-ceramic") ||
		!strings.Contains(l.Palm[1], "12 mm") {
		t.Errorf("palm: %q", l.Palm)
	}
	for _, s := range l.Palm {
		if n := len([]rune(s)); n > palmWide {
			t.Errorf("%d letters on a palm: %s", n, s)
		}
	}
}

// Ordinary work has a short letter, and nothing odd in it.
func TestLetterOfOrdinaryWork(t *testing.T) {
	for _, c := range []struct {
		name string
		p    Pane
		want []string
	}{
		{"the same again", Pane{Was: "annealed glass", Is: "3 mm annealed glass", Size: "498 × 394 mm"}, []string{
			"3 mm annealed glass, new, 498 × 394 mm"}},
		{"nothing known of the old one", Pane{Is: "3 mm annealed glass"}, []string{"3 mm annealed glass, new"}},
		{"one of several", Pane{Name: "left", Is: "3 mm annealed glass", Was: "annealed glass"}, []string{
			"Left: 3 mm annealed glass, new"}},
		{"a board", Pane{Is: "6.5 mm plywood", Was: "annealed glass", Instead: true}, []string{
			"6.5 mm plywood in place of the glass"}},
		{"stuck again", Pane{Done: "stuck again", Laid: []Laid{{What: "vehicle urethane", Lot: "U 2214",
			Full: out}}}, []string{"The pane stayed: stuck again",
			"Vehicle urethane, batch U 2214, full 20 March 2026, 16:00"}},
		{"nothing was done", Pane{}, nil}, {"the old one is all that is known", Pane{Was: "annealed glass"}, nil},
		{"a size of nothing", Pane{Was: "annealed glass", Size: "498 × 394 mm"}, nil},
	} {
		t.Run(c.name, func(t *testing.T) {
			l := Of(Facts{Panes: []Pane{c.p}, Out: out})
			if !slices.Equal(l.Differs, c.want) && len(l.Differs)+len(c.want) > 0 {
				t.Errorf("%q, want %q", l.Differs, c.want)
			}
			if len(l.Odd)+len(l.Tabs)+len(l.Places)+len(l.WayIn)+len(l.Due) != 0 {
				t.Errorf("%+v", l)
			}
		})
	}
}

// However many panes, the label keeps room for what would be broken.
func TestPalmKeepsRoom(t *testing.T) {
	f := stove()
	for i := range 9 {
		f.Panes = append(f.Panes, Pane{Name: fmt.Sprintf("light %d", i+2), Is: "3 mm annealed glass"})
	}
	l := Of(f)
	if len(l.Palm) > palmLines || !slices.ContainsFunc(l.Palm, func(s string) bool {
		return strings.Contains(s,
			"12 mm")
	}) {
		t.Errorf("%q", l.Palm)
	}
}

func TestShort(t *testing.T) {
	for in, want := range map[string]string{"": "", "abc": "abc", strings.Repeat("a", 60): strings.Repeat("a", 60),
		strings.Repeat("word ", 20):     strings.TrimSpace(strings.Repeat("word ", 11)) + "…",
		strings.Repeat("a", 61):         strings.Repeat("a", 59) + "…",
		strings.Repeat("ü", 59) + "xyz": strings.Repeat("ü", 59) + "…"} {
		if got := short(in, 60); got != want {
			t.Errorf("%q: %q, want %q", in, got, want)
		}
	}
}

// A palm has six lines of sixty letters: two of what differs at most, two of what is odd, a
// tab, a place, and two of what is due.
func TestPalm(t *testing.T) {
	l := Letter{Odd: []string{"odd one", "odd two", "odd three"}, Tabs: []string{"tab one", "tab two"},
		Places: []string{"place one",
			"place two"}, Due: []string{"due one", "due two", "due three"}}
	panes := []Pane{{Name: "a", Was: "annealed", Is: "4 mm toughened"}, {Name: "b", Was: "annealed", Is: "4 mm toughened"},
		{Name: "c", Was: "annealed", Is: "4 mm toughened"}}
	for n := range 4 {
		got := l.palm(Facts{Panes: panes[:n], Due: []due.Due{{}}})
		if len(got) != palmLines || got[min(n, 2)] != "odd one" {
			t.Errorf("%d panes: %q", n, got)
		}
	}
	if got := strings.Join(l.palm(Facts{Due: []due.Due{{}}}),
		"|"); got != "odd one|odd two|tab one|place one|due one|due two" {
		t.Error(got)
	}
	if got := strings.Join(l.palm(Facts{}), "|"); got != "odd one|odd two|tab one|place one" {
		t.Error(got)
	}
	long := strings.Repeat("word ", 13)
	if got := short(long, 60); got != strings.TrimSpace(strings.Repeat("word ", 11))+"…" || short(long[:60],
		60) != long[:60] {
		t.Errorf("%q", got)
	}
	if got := short(strings.Repeat("x", 70), 60); len([]rune(got)) != 60 {
		t.Errorf("%q has %d letters", got, len([]rune(got)))
	}
}
