package fit

import (
	"strings"
	"testing"

	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// What the depth of a frame says of the pane's thickness is the family's own:
// room in a rebate or a channel, nothing at a flange or a wall. Common practice,
// no source.
func TestDepthIsTheFamilys(t *testing.T) {
	base := map[reading.Place]string{reading.WidthTop: "400 ±0.3", reading.WidthBottom: "400 ±0.3",
		reading.HeightLeft:  "300 ±0.3",
		reading.HeightRight: "300 ±0.3", reading.Ledge: "24", reading.Reach: "24", reading.Web: "5",
		reading.UpperPocket: "26", reading.LowerPocket: "9",
		reading.Across0: "300", reading.Across45: "300", reading.Across90: "300", reading.Across135: "300",
		reading.DepthTop: "9 ±0.1", reading.DepthLeft: "8 ±0.1"}
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
		{"locking-gasket", "", 0, "", 0}, {"clamp-ring", "", 0, "", 0}, {"edge-bonded", "", 0, "", 0},
		{"window-pack", "", 0, "", 0},
	} {
		mine := map[reading.Place]string{}
		for _, i := range reading.Walk(problem(t, c.id, nil).Sizing, reading.Shape{}) {
			if s, ok := base[i.Place]; ok {
				mine[i.Place] = s
			}
		}
		p := problem(t, c.id, mine)
		_, f := solved(t, p)
		g, ok := f["depth"]
		if ok != (c.says != "") || ok && (!strings.Contains(g.Sentence, c.says) || !near(g.Value, c.value, 1e-9) ||
			g.Verdict != c.verdict) {
			t.Errorf("%s: %+v", c.id, g)
		}
		if p.Room() != c.room {
			t.Errorf("%s: room for %v, want %v", c.id, p.Room(), c.room)
		}
	}
	p := problem(t, "lift-drop", map[reading.Place]string{reading.WidthTop: "400", reading.HeightLeft: "300",
		reading.UpperPocket: "26", reading.LowerPocket: "9",
		reading.DepthTop: "4.2"})
	if _, f := solved(t, p); f["depth"].Verdict != working.Stop {
		t.Errorf("0.2 mm beside a pane that slides: %+v", f["depth"])
	}
}

// A folded frame against its pack: too little room stops, none to spare is
// good, more than two millimetres rattle. Common practice, no source.
func TestPackInItsFoldedFrame(t *testing.T) {
	for _, c := range []struct {
		stack float64
		want  working.Verdict
		says  string
	}{
		{20.1, working.Stop, "left in the folded frame over panes and spacers, at the narrowest place"},
		{20, working.Good, "at the narrowest place"},
		{19, working.Good, "at the narrowest place"},
		{18, working.Good, "at the narrowest place"},
		{17.9, working.Stop, "they rattle, look for a missing pad"},
	} {
		p := problem(t, "window-pack", map[reading.Place]string{reading.WidthTop: "400", reading.WidthBottom: "400",
			reading.HeightLeft:  "300",
			reading.HeightRight: "300", reading.Ledge: "12", reading.DepthTop: "20.2 ±0.2"})
		p.Stack = c.stack
		_, f := solved(t, p)
		g, ok := f["stack"]
		if !ok || g.Verdict != c.want || !strings.Contains(g.Sentence, c.says) || !near(g.Value, 20-c.stack, 1e-9) {
			t.Errorf("a pack of %v in 20: %+v", c.stack, g)
		}
	}
	p := problem(t, "window-pack", map[reading.Place]string{reading.WidthTop: "400", reading.WidthBottom: "400",
		reading.HeightLeft:  "300",
		reading.HeightRight: "300", reading.Ledge: "12", reading.DepthTop: "20.2 ±0.2"})
	if _, f := solved(t, p); f["stack"].Key != "" {
		t.Errorf("a pack that nobody knows: %+v", f["stack"])
	}
}

// A pane lies on its ledge whatever its brackets reach: half the bite of 6 mm
// that is asked here. By hand for 270 ± 0.3, a band of 1.6, 2 mm of clearance:
// at the worst the largest pane that goes in is 264.1, the
// smallest that a ledge L ± 0.5 bears 279.9 − 2L, so from 7.9 on there is one. 19
// times in 20 they are 264.79 and 278.55 − 2L: from 6.9 on. As read, 266 in 270
// leaves 2 mm of clearance and, half a millimetre off the middle, L − 2.5 of rest:
// under 5.5 it is a stop.
func TestPaneUnderBracketsRestsOnItsLedge(t *testing.T) {
	for _, c := range []struct {
		ledge float64
		want  working.Verdict // empty: not told
		width float64
	}{
		{14, "", 264}, {8, "", 264}, {7.9, "", 264.1}, {7.89, "", 264}, {6.9, "", 264.789}, {6.87, working.Warn, 264.5},
		{5.5, working.Warn, 266}, {5.49, working.Stop, 266}, {3, working.Stop, 266},
	} {
		p := problem(t, "clip-heat", map[reading.Place]string{reading.WidthTop: "270 ±0.3", reading.WidthBottom: "270 ±0.3",
			reading.HeightLeft: "242 ±0.3", reading.HeightRight: "242 ±0.3", reading.Ledge: "14 ±0.5",
			reading.Reach: "16 ±0.5"})
		p.Exposure.Steady, p.Exposure.FrameHot, p.Exposure.Coldest = 20, 20, 20
		p.Limits.Bite = Value{6, value.Own("sheet 7")} // 3 is not what that sheet says
		p = strict(p)
		p.Readings[reading.Ledge] = length.Reading{Value: c.ledge, Doubt: 0.5}
		p.Draws = 2000
		r, f := solved(t, p)
		g := f["rest_cold"]
		if g.Verdict != c.want || !near(r.Order.W, c.width, 1e-3) {
			t.Errorf("a ledge of %v: order %v, %s", c.ledge, r.Order.W, g.Verdict)
		}
		// No size does both: a look again while both are there as read, else a stop.
		order := working.Note
		if c.want != "" {
			order = c.want
		}
		if f["order_width"].Verdict != order {
			t.Errorf("a ledge of %v: the order is %s", c.ledge, f["order_width"].Verdict)
		}
		if c.want != "" && (!near(g.Limit.Value, 3, 1e-9) || g.Limit.Origin == p.Limits.Bite.Origin ||
			!strings.Contains(g.Working.Note, "half the bite that is asked of the brackets, 6 mm")) {
			t.Errorf("a ledge of %v: where its limit comes from: %+v, %s", c.ledge, g.Limit, g.Working.Note)
		}
		// What the ledge covers 19 times in 20, half a millimetre off the middle.
		if v := overLess(spread{c.ledge, 0.5}, []spread{{270, 0.3}, {270, 0.3}}, 1.6, 0.5) + c.width/2 - 0.5; c.want != "" &&
			(!strings.HasPrefix(g.Sentence, "of rest on the ledge below the brackets when set, at worst; ") ||
				g.Place != string(reading.Ledge) || !near(g.Value, v, 1e-4)) {
			t.Errorf("a ledge of %v: %v by hand, %+v", c.ledge, v, g)
		}
		if f["bite_cold"].Verdict != working.Good || f["bite_cold"].Place != string(reading.Reach) {
			t.Errorf("the brackets hold: %+v", f["bite_cold"])
		}
		if holds := r.Chance.Holds; (holds > 0.95) != (c.ledge >= 6.9) || c.ledge <= 3 && holds > 0.01 {
			t.Errorf("a ledge of %v: holds in %v", c.ledge, holds)
		}
	}
}
