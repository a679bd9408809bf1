package cutting

import (
	"math"
	"testing"

	"freshshard/core/fault"
)

// A circle that somebody new saws and sands comes out at 0.7: three blanks for one pane
// give 1 − 0.3³ = 0.973 (binomial, exact).
func TestLadder(t *testing.T) {
	s, err := Ladder(1, 0.95, Tries{Usual: 0.7})
	if err != nil || s.Blanks != 3 || len(s.Ladder) != 3 || math.Abs(s.Ladder[2].Chance-0.973) > 1e-9 ||
		math.Abs(s.Ladder[1].Chance-0.91) > 1e-9 {
		t.Errorf("%+v, %v", s, err)
	}
	// Two wanted of three: 3·0.9²·0.1 + 0.9³ = 0.972.
	if s, err = Ladder(2, 0.972, Tries{Usual: 0.9}); err != nil || s.Blanks != 3 ||
		math.Abs(s.Ladder[1].Chance-0.972) > 1e-9 {
		t.Errorf("%+v, %v", s, err)
	}
	// Just above what three give asks for a fourth.
	if s, err = Ladder(1, 0.9731, Tries{Usual: 0.7}); err != nil || s.Blanks != 4 {
		t.Errorf("%+v, %v", s, err)
	}
}

// What happened here counts: the usual 0.7 stands for ten tries, so the mean of
// Beta(10·0.7 + good, 10·0.3 + bad), and one blank alone is as sure as that mean. A straight
// cut's 0.95 stands for twenty: one that broke makes 19 of 21 of it, and two blanks.
func TestTriesLearn(t *testing.T) {
	for _, c := range []struct {
		tries Tries
		want  float64
	}{{Tries{Usual: 0.7}, 0.7}, {Tries{Usual: 0.7, Good: 8}, 15.0 / 18}, {Tries{Usual: 0.7, Bad: 4}, 7.0 / 14},
		{Tries{Usual: 0.7, Good: 70, Bad: 30}, 77.0 / 110}, {Tries{Usual: 0.95, Bad: 1}, 19.0 / 21},
		{Tries{Usual: 0.7, Of: 8, Bad: 4},
			5.6 / 12}} {
		if got := c.tries.Chance(); math.Abs(got-c.want) > 1e-12 {
			t.Errorf("%+v: %v, want %v", c.tries, got, c.want)
		}
		s, err := Ladder(1, 0.9, c.tries)
		if err != nil || math.Abs(s.Ladder[0].Chance-c.want) > 1e-9 {
			t.Errorf("%+v: %+v, %v", c.tries, s, err)
		}
	}
	if s, err := Ladder(1, 0.95, Tries{Usual: 0.95, Bad: 1}); err != nil || s.Blanks != 2 {
		t.Errorf("one that broke asks for %d blanks, %v", s.Blanks, err)
	}
	for says, of := range map[string]Tries{"by what is usual: nothing was cut in your hands yet": {Usual: 0.95},
		"by what is usual, and 18 of 19 good in your hands": {Usual: 0.95, Good: 18, Bad: 1},
		"by 19 of 20 good in your hands":                    {Usual: 0.95, Good: 19, Bad: 1}} {
		if s, _ := Ladder(1, 0.5, of); s.By != says {
			t.Errorf("%q, want %q", s.By, says)
		}
	}
	better, _ := Ladder(1, 0.95, Tries{Usual: 0.7, Good: 40, Bad: 2})
	worse, _ := Ladder(1, 0.95, Tries{Usual: 0.7, Good: 5, Bad: 15})
	if better.Blanks >= worse.Blanks {
		t.Errorf("%d blanks with good luck, %d with bad", better.Blanks, worse.Blanks)
	}
}

func TestLadderRefuses(t *testing.T) {
	for _, c := range []struct {
		field string
		want  int
		sure  float64
		tries Tries
	}{{"want", 0, 0.9, Tries{Usual: 0.7}}, {"want", 21, 0.9, Tries{Usual: 0.7}}, {"sure", 1, 1, Tries{Usual: 0.7}},
		{"sure", 1, 0, Tries{Usual: 0.7}}, {"tries.usual", 1, 0.9, Tries{}}, {"tries.usual", 1, 0.9, Tries{Usual: 1}},
		{"tries.good", 1, 0.9, Tries{Usual: 0.5, Bad: -1}}, {"tries.usual", 5, 0.999, Tries{Usual: 0.01}}} {
		if _, err := Ladder(c.want, c.sure, c.tries); fault.Of(err) == nil || fault.Of(err).Field != c.field {
			t.Errorf("%+v: %v", c, err)
		}
	}
}

// One pane that was cut is something known already, and what is usual is 95 in 100 for a
// straight cut, 70 for a shape; a kept offcut is worth half where nobody says otherwise.
func TestWhatIsUsual(t *testing.T) {
	if UsualChance(true) != 0.7 || UsualChance(false) != 0.95 || WorthOf(Rules{}) != 0.5 ||
		WorthOf(Rules{Worth: 0.2}) != 0.2 {
		t.Errorf("%v %v %v", UsualChance(true), UsualChance(false), WorthOf(Rules{}))
	}
	none, err := Ladder(2, 0.95, Tries{Usual: 0.7})
	if err != nil {
		t.Fatal(err)
	}
	for _, one := range []Tries{{Usual: 0.7, Good: 1}, {Usual: 0.7, Bad: 1}} {
		got, err := Ladder(2, 0.95, one)
		if err != nil || got.Ladder[0].Chance == none.Ladder[0].Chance {
			t.Errorf("%+v says nothing: %v, %v", one, got.Ladder[0], err)
		}
	}
}
