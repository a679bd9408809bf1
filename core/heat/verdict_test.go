package heat

import (
	"strings"
	"testing"

	"freshshard/core/value"
	"freshshard/core/working"
)

// Just inside, at and just outside what a hand and a pane stand.
func TestVerdictsOfAPack(t *testing.T) {
	p := Pack{Cavity: 250, Room: 22, Inside: 20, Outside: 10, Slope: Upright,
		Panes: []Pane{{Name: "toughened", T: 4, Lambda: 1, Hot: 0.837, Cold: 0.837, Limit: 250}}}
	for _, c := range []struct {
		key         string
		touch, face float64
		want        working.Verdict
		limit       float64
	}{
		{"pack_touch", 74.9, 100, working.Good, 75}, {"pack_touch", 75, 100, working.Good, 75},
		{"pack_touch", 75.1, 100, working.Warn, 75}, {"pack_touch", 175, 100, working.Warn, 75},
		{"pack_pane_1", 40, 249.9, working.Good, 250}, {"pack_pane_1", 40, 250, working.Good, 250},
		{"pack_pane_1", 40, 250.1, working.Stop, 250},
	} {
		found := false
		for _, f := range p.Figures(Result{Flow: 500, U: 2, Touch: c.touch,
			Faces: []Face{{Hot: c.face, Cold: c.face - 20}}}, value.Read(""), value.Read("")) {
			if f.Key != c.key {
				continue
			}
			found = true
			if f.Verdict != c.want || f.Limit.Value != c.limit || f.Limit.Sense != working.AtMost {
				t.Errorf("%s, touch %v, face %v: %s against %v, want %s", c.key, c.touch, c.face, f.Verdict, f.Limit.Value, c.want)
			}
		}
		if !found {
			t.Errorf("no figure %s", c.key)
		}
	}
	// The hotter face counts, whichever it is.
	for _, f := range p.Figures(Result{Flow: -500, U: 2, Faces: []Face{{Hot: 10, Cold: 260}}}, value.Read(""),
		value.Read("")) {
		if f.Key == "pack_pane_1" && (f.Value != 260 || f.Verdict != working.Stop) {
			t.Errorf("%v %s", f.Value, f.Verdict)
		}
	}
}

// A pane whose limit nobody knows is told its heat, and neither passes nor stops; one with a
// limit stops above it.
func TestUnknownLimit(t *testing.T) {
	pane := Pane{T: 4, Lambda: 1, Hot: 0.837, Cold: 0.837}
	p := Pack{Cavity: 250, Room: 22, Inside: 20, Outside: 10, Slope: Upright, Panes: []Pane{pane, pane},
		Gaps: []float64{12}}
	r, err := Solve(p)
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		name  string
		limit float64
		want  working.Verdict
		says  string
	}{{"", 0, working.Note, "on the hotter face of pane 1; what it stands is not known"},
		{"coated", 0, working.Note, "on the hotter face of pane 1, coated; what it stands is not known"},
		{"", r.Faces[0].Hot - 0.1, working.Stop, "on the hotter face of pane 1"},
		{"", r.Faces[0].Hot, working.Good, "on the hotter face of pane 1"},
		{"coated", r.Faces[0].Hot + 0.1, working.Good, "on the hotter face of pane 1, coated"}} {
		p.Panes[0].Name, p.Panes[0].Limit = c.name, c.limit
		f := p.Figures(r, value.Read(""), value.Read(""))[1]
		if f.Verdict != c.want || f.Sentence != c.says || (f.Limit == nil) != (c.limit == 0) {
			t.Errorf("%+v: %s %q %+v", c, f.Verdict, f.Sentence, f.Limit)
		}
	}
}

// What another order would do is said from half a kelvin on.
func TestSaysOfOrders(t *testing.T) {
	as := func(touch float64, built bool, words string) Arrangement {
		return Arrangement{Touch: touch, AsBuilt: built, Words: words}
	}
	for _, c := range []struct {
		name string
		all  []Arrangement
		has  []string
		not  []string
	}{
		{"built is best", []Arrangement{as(50, true, "as built"), as(50.5, false, "turned")}, []string{"No other order"},
			[]string{"Worst"}},
		{"another is much cooler", []Arrangement{as(50, false, "the coat turned"), as(60, true, "as built")},
			[]string{"With the coat turned the outside would be 10 K cooler"}, []string{"No other"}},
		{"another is a little cooler", []Arrangement{as(50, false, "the coat turned"), as(50.5, true, "as built")},
			[]string{"No other order"}, nil},
		{"the worst is much hotter", []Arrangement{as(50, true, "as built"), as(51, false, "swapped")},
			[]string{"Worst is swapped: 1 K hotter"}, nil},
	} {
		s := Says(c.all)
		for _, w := range c.has {
			if !strings.Contains(s, w) {
				t.Errorf("%s: %q does not say %q", c.name, s, w)
			}
		}
		for _, w := range c.not {
			if strings.Contains(s, w) {
				t.Errorf("%s: %q says %q", c.name, s, w)
			}
		}
	}
}
