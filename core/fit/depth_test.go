package fit

import (
	"strings"
	"testing"

	"freshshard/core/working"
)

// What the depth of a frame says of the pane's thickness is the family's own:
// room in a rebate or a channel, nothing at a flange or a wall. Common practice,
// no source.
func TestDepthIsTheFamilys(t *testing.T) {
	base := map[Place]string{WidthTop: "400 ±0.3", WidthBottom: "400 ±0.3", HeightLeft: "300 ±0.3", HeightRight: "300 ±0.3", Ledge: "24", Reach: "24", Web: "5", UpperPocket: "26", LowerPocket: "9",
		Across0: "300", Across45: "300", Across90: "300", Across135: "300", DepthTop: "9 ±0.1", DepthLeft: "8 ±0.1"}
	for _, c := range []struct {
		id, says string
		value    float64
		verdict  working.Verdict
		room     float64
	}{
		{"clip-heat", "face of the frame", 4, working.Good, 8},
		{"putty-points", "bead or putty", 2.5, working.Warn, 6.5},
		{"channel-front", "across its channel", 4, working.Good, 8},
		{"drop-glass", "across its channel", 4, working.Good, 8},
		{"lift-drop", "across its track", 4, working.Good, 8},
		{"ring-port", "the ring", 2.5, working.Good, 6.5},
		{"bonded-fixed", "proud of the face", 1, working.Note, 0},
		{"flat-panel", "below the face", 4, working.Note, 0},
		{"locking-gasket", "", 0, "", 0}, {"clamp-ring", "", 0, "", 0}, {"edge-bonded", "", 0, "", 0}, {"window-pack", "", 0, "", 0},
	} {
		mine := map[Place]string{}
		for _, i := range Walk(problem(t, c.id, nil).Sizing, Shape{}) {
			if s, ok := base[i.Place]; ok {
				mine[i.Place] = s
			}
		}
		p := problem(t, c.id, mine)
		_, f := solved(t, p)
		g, ok := f["depth"]
		if ok != (c.says != "") || ok && (!strings.Contains(g.Sentence, c.says) || !near(g.Value, c.value, 1e-9) || g.Verdict != c.verdict) {
			t.Errorf("%s: %+v", c.id, g)
		}
		if p.Room() != c.room {
			t.Errorf("%s: room for %v, want %v", c.id, p.Room(), c.room)
		}
	}
	p := problem(t, "lift-drop", map[Place]string{WidthTop: "400", HeightLeft: "300", UpperPocket: "26", LowerPocket: "9", DepthTop: "4.2"})
	if _, f := solved(t, p); f["depth"].Verdict != working.Stop {
		t.Errorf("0.2 mm beside a pane that slides: %+v", f["depth"])
	}
}
