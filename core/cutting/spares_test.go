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

// What happened here counts: the mean of Beta(8·0.7 + good, 8·0.3 + bad), and one blank
// alone is as sure as that mean.
func TestTriesLearn(t *testing.T) {
	for _, c := range []struct {
		tries Tries
		want  float64
	}{{Tries{Usual: 0.7}, 0.7}, {Tries{Usual: 0.7, Good: 8}, 13.6 / 16}, {Tries{Usual: 0.7, Bad: 4}, 5.6 / 12},
		{Tries{Usual: 0.7, Good: 70, Bad: 30}, 75.6 / 108}} {
		if got := c.tries.Chance(); math.Abs(got-c.want) > 1e-12 {
			t.Errorf("%+v: %v, want %v", c.tries, got, c.want)
		}
		s, err := Ladder(1, 0.9, c.tries)
		if err != nil || math.Abs(s.Ladder[0].Chance-c.want) > 1e-9 {
			t.Errorf("%+v: %+v, %v", c.tries, s, err)
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
