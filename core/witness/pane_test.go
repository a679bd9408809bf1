package witness

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
)

func mm(v float64) length.Reading { return length.Reading{Value: v} }

// By hand: opening 400 × 300 less 2 × 2, old pane alike, so 396 × 296 and 1384 mm
// round. A groove of 1384 agrees; one of 1350, 2.5 % short, is a gasket that has
// shrunk: 396 × 1350 / 1384 = 386.3, 9.7 off by a doubt of 1.9.
func TestGroove(t *testing.T) {
	base := []Said{{Kind: "opening", Width: mm(400), Height: mm(300)}, {Kind: "old", Width: mm(396), Height: mm(296)}}
	for _, c := range []struct {
		round float64
		liar  bool
		off   float64
	}{{1384, false, 0}, {1380, false, -1.1}, {1350, true, -9.7}} {
		p, err := Of(append([]Said{{Kind: Groove, Round: mm(c.round)}}, base...), 2, Cornered(0))
		if err != nil {
			t.Fatal(err)
		}
		off, liar, ok := p.Width.OffOf(Groove)
		if !ok || liar != c.liar || p.Width.Named() != c.liar || math.Abs(off-c.off) > 0.06 {
			t.Errorf("%v round: off %v, liar %v, %v", c.round, off, liar, ok)
		}
		if _, up, ok := p.Height.OffOf(Groove); !ok || up != c.liar {
			t.Errorf("%v round: it speaks for the height: %v, liar %v", c.round, ok, up)
		}
		if c.liar && !strings.Contains(p.Width.Words, "shrunk by 1 to 3 %") {
			t.Error(p.Width.Words)
		}
		if !c.liar && !p.Height.Agree() {
			t.Errorf("%v round: %s", c.round, p.Height.Words)
		}
	}
	// Corners of 80 mm take 137.3 off the outline: 1246.7 agrees, 1384 does not, and
	// without a shape it says nothing.
	for round, liar := range map[float64]bool{1246.7: false, 1384: true} {
		p, err := Of(append([]Said{{Kind: Groove, Round: mm(round)}}, base...), 2, Cornered(80))
		if _, l, ok := p.Width.OffOf(Groove); err != nil || !ok || l != liar {
			t.Errorf("%v round with corners: liar %v, %v, %v", round, l, ok, err)
		}
	}
	if p, err := Of(append([]Said{{Kind: Groove, Round: mm(1384)}}, base...), 2, nil); err != nil ||
		len(p.Width.Says) != 2 {
		t.Errorf("no shape: %+v, %v", p.Width, err)
	}
	if got := Cornered(400)(300, 200); math.Abs(got-(1000-171.68)) > 0.01 {
		t.Errorf("a radius larger than the pane: %v", got)
	}
	// Alone, or beside a width alone, it has no shape and says nothing.
	p, err := Of([]Said{{Kind: Groove, Round: mm(1384)}, {Kind: "old", Width: mm(396)}}, 2, Cornered(0))
	if err != nil || p.Height != nil || len(p.Width.Says) != 1 {
		t.Errorf("%+v, %v", p, err)
	}
	if p, err := Of([]Said{{Kind: Groove, Round: mm(1384)}}, 2, Cornered(0)); err != nil || p.Width != nil ||
		p.Height != nil {
		t.Errorf("%+v, %v", p, err)
	}
	if _, _, ok := p.Width.OffOf("old"); ok {
		t.Error("one alone is off nobody")
	}
	var none *Joined
	if _, _, ok := none.OffOf("old"); ok {
		t.Error("nobody is off nobody")
	}
}

func TestOfRefuses(t *testing.T) {
	for field, said := range map[string][]Said{
		"heard":           make([]Said, Most+1),
		"heard[1].width":  {{Kind: "old", Height: mm(20)}, {Kind: "old", Width: mm(20001)}},
		"heard[0].height": {{Kind: "customer", Height: length.Reading{Value: 30, Doubt: 101}}},
		"heard[0].pen":    {{Kind: "traced", Width: mm(30), Pen: 21}},
		"heard[0].cracks": {{Kind: "pieces", Width: mm(30), Cracks: 41}},
		"heard[0].kind":   {{Kind: "oracle", Width: mm(30)}},
		"heard[2].round": {{Kind: "old", Width: mm(20)}, {Kind: "old", Height: mm(20)},
			{Kind: Groove, Round: mm(40001)}},
	} {
		if _, err := Of(said, 2, Cornered(0)); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	if p, err := Of(make([]Said, Most), 2, Cornered(0)); err != nil || p.Width != nil {
		t.Errorf("nothing typed: %+v, %v", p, err)
	}
}
