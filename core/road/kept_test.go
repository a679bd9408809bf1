package road

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/tools/golden"
)

// Every road of every way of holding: whether it is measured and settled, its steps and checks.
func TestEveryRoadIsAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, f := range family.Book.All() {
		for _, r := range All() {
			for _, h := range r.Hows {
				fmt.Fprintf(b, "= %s, %s %s: measured %v, settled %v\n", f.ID, r.ID, h.ID, r.Measured(f), r.Settled())
				w := Apply(f, r, h, Whole)
				for _, x := range w.Steps {
					fmt.Fprintf(b, " %s", x.Key)
				}
				for _, c := range w.Checks {
					fmt.Fprintf(b, " ?%s", c.Key)
				}
				b.WriteString("\n")
			}
		}
		steps, checks := Every(f)
		fmt.Fprintf(b, "  every: %v, %d checks\n", steps, len(checks))
	}
	for _, asked := range [][]Asked{nil, {{Where: "yard", Says: "12.00"}}, {{Where: " "}}, {{Where: "yard"}, {}}} {
		f := family.Book.All()[0]
		fmt.Fprintf(b, "%v: %v\n", asked, Chosen{ID: "part", Part: Part{Asked: asked}}.Check(f))
	}
	golden.Check(t, "roads", b.String())
}

// A step is put behind the others of its station, where there are none before the next, and at the
// end where nothing comes after.
func TestPutAtItsStation(t *testing.T) {
	at := func(keys ...string) (out []family.Step) {
		for _, k := range keys {
			station, _, _ := strings.Cut(k, "-")
			out = append(out, family.Step{Key: k, Station: family.Station(station)})
		}
		return out
	}
	for _, c := range []struct{ have, put, want string }{
		{"assess-1 strip-1 set-1", "strip-2", "assess-1 strip-1 strip-2 set-1"},
		{"strip-1 set-1", "assess-1", "assess-1 strip-1 set-1"}, {"assess-1 strip-1", "prove-1", "assess-1 strip-1 prove-1"},
		{"assess-1 set-1", "measure-1", "assess-1 measure-1 set-1"}, {"prove-1", "prove-2", "prove-1 prove-2"},
	} {
		got := []string{}
		for _, s := range put(at(strings.Fields(c.have)...), at(c.put)[0]) {
			got = append(got, s.Key)
		}
		if strings.Join(got, " ") != c.want {
			t.Errorf("%s into %s: %v", c.put, c.have, got)
		}
	}
}
