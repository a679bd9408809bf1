package road

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/family"
	"freshshard/tools/golden"
)

// Every road of every way of holding, however the pane came, closed and with its leaf off: whether
// it may be gone and why not, whether it is measured and settled, its steps and checks.
func TestEveryRoadIsAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, f := range family.Book.All() {
		for _, r := range All() {
			for _, h := range r.Hows {
				fmt.Fprintf(b, "= %s, %s %s: measured %v, settled %v\n", f.ID, r.ID, h.ID, r.Measured(f), r.Settled(f))
				last := ""
				for _, came := range []Came{"", Broken, Whole, Unbroken} {
					for _, off := range []bool{false, true} {
						w := Work(f, r, h, came, off)
						s := &strings.Builder{}
						err := Chosen{ID: r.ID, How: h.ID, Came: came}.Check(f)
						for _, x := range w.Steps {
							fmt.Fprintf(s, " %s", x.Key)
							if x.Station == "assess" {
								fmt.Fprintf(s, " (%s)", x.Title)
							}
						}
						for _, c := range w.Checks {
							fmt.Fprintf(s, " ?%s", c.Key)
						}
						said := golden.Digest(s.String())
						if came == Whole && !off { // the others in short
							said = s.String()
						}
						if now := fmt.Sprint(err, said); now != last { // most are alike
							fmt.Fprintf(b, "  %s, off %v: %v; %s\n", came, off, err, said)
							last = now
						}
					}
				}
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
