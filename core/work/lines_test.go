package work

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/road"
	"freshshard/core/striplog"
)

func thing(id, what string, kind striplog.Kind, holds ...string) striplog.Entry {
	return striplog.Entry{ID: id, What: what, Kind: kind, Count: 1, Fate: striplog.Back, Captures: holds}
}

// withLog is the work at a pane whose object came apart so, where such a pane usually is.
func withLog(t *testing.T, id string, leaf bool, l striplog.Log) family.Family {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	return in(t, f, f.Exposure, Object{Leaf: leaf, Log: l})
}

// in is the work at a pane of an object in some heat or weather.
func in(t *testing.T, f family.Family, heat string, o Object) family.Family {
	t.Helper()
	var err error
	if o.Exposure, err = exposure.Book.ByID(heat); err != nil {
		t.Fatal(err)
	}
	return ToSize(f, o)
}

// tell is where each line of a log goes: with which step, or as which step of its own behind which.
func tell(f family.Family, l striplog.Log) string {
	var out []string
	for _, e := range l {
		for i, s := range f.Steps {
			switch {
			case s.Key == family.LineKey(e.ID):
				out = append(out, fmt.Sprintf("%s: own, %s, behind %s", e.What, s.Station, f.Steps[i-1].Key))
			case slices.Contains(s.Puts, e.ID):
				out = append(out, fmt.Sprintf("%s: %s", e.What, s.Key))
			}
		}
	}
	return strings.Join(out, "\n")
}

// Each line of the strip log goes back once, where it is done. Common practice, no source.
func TestLinesGoWhereTheyAreDone(t *testing.T) {
	for name, c := range map[string]struct {
		way  string
		leaf bool
		log  striplog.Log
		want string
	}{
		"a sauna stove": {"clip-heat", false, striplog.Log{thing("1", "door handle", striplog.Part),
			thing("2", "bracket screws", striplog.Fasteners, "3"), thing("3", "brackets", striplog.Part),
			thing("4", "pane", striplog.Pane), thing("5", "gasket", striplog.Seal), thing("6", "shim", striplog.Part),
			thing("7", "rope of the door", striplog.Seal)}, `door handle: own, refit, behind door-on
bracket screws: brackets
brackets: brackets
pane: pane-in
gasket: gasket-on
shim: own, prepare, behind rebate
rope of the door: own, refit, behind settle`},
		"a tractor's cab": {"bonded-fixed", true, striplog.Log{thing("1", "closer", striplog.Part),
			thing("2", "moulding, left", striplog.Trim), thing("3", "cover gasket", striplog.Seal),
			thing("4", "pane", striplog.Pane), thing("5", "setting blocks", striplog.Part),
			thing("6", "body gasket", striplog.Seal)}, `closer: own, refit, behind leaf-seals
moulding, left: own, refit, behind line:3
cover gasket: own, refit, behind trim-back
pane: pane-in
setting blocks: own, prepare, behind line:6
body gasket: own, prepare, behind flange`},
		"a cabinet": {"bead-brads", false, striplog.Log{thing("1", "beads", striplog.Trim),
			thing("2", "pane", striplog.Pane), thing("3", "felt", striplog.Seal)},
			"beads: beads-on\npane: beads-on\nfelt: bed"},
		"what a bracket holds down": {"clip-heat", false, striplog.Log{thing("1", "bracket", striplog.Part, "2"),
			thing("2", "shield", striplog.Shield), thing("3", "pane", striplog.Pane)},
			"bracket: brackets\nshield: own, set, behind pane-in\npane: pane-in"},
		"what stays off": {"clip-heat", false, striplog.Log{{ID: "1", What: "bead of silicone", Kind: striplog.Seal, Count: 1,
			Fate: striplog.Off}, thing("3", "pane", striplog.Pane)}, "pane: pane-in"},
		"only slid aside": {"clip-heat", false, striplog.Log{{ID: "1", What: "bracket", Kind: striplog.Part, Count: 2,
			Fate: striplog.Back, Loosen: true}, thing("3", "pane", striplog.Pane)},
			"bracket: own, refit, behind settle\npane: pane-in"},
	} {
		f := withLog(t, c.way, c.leaf, c.log)
		if got := tell(f, c.log); got != c.want {
			t.Errorf("%s:\n%s\nwant\n%s", name, got, c.want)
		}
	}
}

// The pane waits for what lies under it, the door for the mouldings, the first heat for all that
// came off.
func TestWhatWaitsForALine(t *testing.T) {
	l := striplog.Log{thing("1", "knob", striplog.Part), thing("2", "trim", striplog.Trim),
		thing("3", "pane", striplog.Pane), thing("4", "shim", striplog.Part)}
	for _, c := range []struct {
		way, step, line string
		waits           bool
	}{
		{"clip-heat", "dry-fit", "4", true}, {"clip-heat", "pane-in", "4", true}, {"clip-heat", "rebate", "4", false},
		{"clip-heat", "door-on", "2", false}, {"clip-heat", "first-fire", "1", true}, {"clip-heat", "first-fire", "2", true},
		{"clip-heat", "pane-in", "2", false}, {"bonded-fixed", "leaf-on", "2", true}, {"bonded-fixed", "leaf-on", "1", false},
		{"bonded-fixed", "bead", "1", false}, {"bonded-fixed", "water", "1", true},
	} {
		f := withLog(t, c.way, true, l)
		i := slices.IndexFunc(f.Steps, func(s family.Step) bool { return s.Key == c.step })
		if got := slices.Contains(f.Steps[i].After, family.LineKey(c.line)); got != c.waits {
			t.Errorf("%s: %s waits for line %s: %v, want %v", c.way, c.step, c.line, got, c.waits)
		}
	}
}

// Where nothing is opened, nothing goes back.
func TestNoLinesWhereNothingIsOpened(t *testing.T) {
	l := striplog.Log{thing("1", "knob", striplog.Part)}
	for _, how := range []struct{ road, how string }{{"size", "pattern"}, {"stays", "nip"}, {"kept", "watch"}} {
		r, h, err := road.Of(how.road, how.how)
		if err != nil {
			t.Fatal(err)
		}
		f, err := family.Book.ByID("clip-heat")
		if err != nil {
			t.Fatal(err)
		}
		if got := tell(Of(f, r, h, road.Whole, Object{Log: l}), l); got != "" {
			t.Errorf("%s: %s", how, got)
		}
	}
	if family.LineOf("line:e3") != "e3" || family.LineOf("dry-fit") != "" {
		t.Error("the line of a step")
	}
}

// A picture that points alone hold sees no water, and whoever leaves its putty out says why with one
// tap.
func TestPointsAlone(t *testing.T) {
	f, err := family.Book.ByID("putty-points")
	if err != nil {
		t.Fatal(err)
	}
	for _, s := range in(t, f, "room", Object{}).Steps {
		if strings.Contains(strings.ToLower(s.Do), "water") {
			t.Errorf("indoors: %s: %s", s.Key, s.Do)
		}
		putty := slices.Contains([]string{"putty-out", "back-putty", "front-putty", "skin"}, s.Key)
		if got := slices.Contains(s.May, "points alone, no putty"); got != putty {
			t.Errorf("%s left out where there is no putty: %v, want %v", s.Key, got, putty)
		}
	}
}

// The strip log of an object that comes apart into two hundred things is laid over the work.
func BenchmarkLongLog(b *testing.B) {
	f, err := family.Book.ByID("bonded-fixed")
	if err != nil {
		b.Fatal(err)
	}
	for _, n := range []int{25, 50, 100, 200} {
		l := striplog.Log{}
		for i := range n {
			e := thing(fmt.Sprint("e", i), []string{"cover", "trim clip", "lamp", "block"}[i%4], striplog.Part)
			if i > 0 {
				e.First = []string{fmt.Sprint("e", i-1)}
			}
			if i == n/2 {
				e.Kind, e.First = striplog.Pane, nil
			}
			l = append(l, e)
		}
		b.Run(fmt.Sprint(n), func(b *testing.B) {
			for b.Loop() {
				ToSize(f, Object{Log: l})
			}
		})
	}
}
