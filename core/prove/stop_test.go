package prove

import (
	"testing"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// A figure is a stop when it is beyond its limit, and says by how much.
func TestStopOfAFigure(t *testing.T) {
	for _, c := range []struct {
		name  string
		value float64
		bad   working.Verdict
		stop  bool
		beyon float64
	}{
		{"inside", 5.1, working.Stop, false, 0}, {"at", 5, working.Stop, false, 0}, {"outside", 4.5, working.Stop, true, 0.5},
		{"look again", 4.5, working.Warn, false, 0},
	} {
		f := working.Figure{Key: "bite_cold", Sentence: "least bite", Text: "4.5 mm", Value: c.value,
			Limit: working.Least(5, "mm", value.Custom()), Place: "ledge"}.Judge(c.bad)
		s, ok := Of(f, "measure")
		if ok != c.stop || ok && (s.Beyond != c.beyon || s.Says != "4.5 mm least bite" ||
			s.Limit != "at least 5 mm; common practice, no source" || s.Place != "ledge") {
			t.Errorf("%s: %v, %+v", c.name, ok, s)
		}
	}
}

// An owner's word stands for what it was given for, and for nothing worse.
func TestWhatAWordCovers(t *testing.T) {
	bite := Stop{Key: "bite_cold", Says: "2.9 mm", Beyond: 2.1}
	clash := Stop{Key: "clash_petroleum", Says: "never petroleum on rubber"}
	for _, c := range []struct {
		name string
		word Taken
		stop Stop
		want bool
	}{
		{"as it stood", Taken{Key: "bite_cold", Beyond: 2.1}, bite, true},
		{"better since", Taken{Key: "bite_cold", Beyond: 2.2}, bite, true},
		{"worse since", Taken{Key: "bite_cold", Beyond: 2.0}, bite, false},
		{"by the last bit", Taken{Key: "bite_cold", Beyond: 2.1 - 1e-9}, bite, true},
		{"worse by more than the last bit", Taken{Key: "bite_cold", Beyond: 2.1 - 1.1e-6}, bite, false},
		{"another", Taken{Key: "rest_cold", Beyond: 9}, bite, false},
		{"the same clash", Taken{Key: "clash_petroleum", Says: "never petroleum on rubber"}, clash, true},
		{"a clash with something else", Taken{Key: "clash_petroleum", Says: "never petroleum on acrylic"}, clash, false},
		{"a number is no clash", Taken{Key: "clash_petroleum", Beyond: 9, Says: "never petroleum on rubber"}, clash, false},
	} {
		if got := c.word.Covers(c.stop); got != c.want {
			t.Errorf("%s: %v", c.name, got)
		}
		h := Hindrances(State{Sized: true, Chosen: true, Stops: With([]Stop{c.stop}, []Taken{c.word})})
		if (len(h) == 0) != c.want {
			t.Errorf("%s: %+v", c.name, h)
		}
	}
}

// A reason says something.
func TestWords(t *testing.T) {
	for _, c := range []struct {
		say string
		ok  bool
	}{{"", false}, {"x", false}, {"n/a", false}, {"ok", false}, {"x y", false}, {"okay", false}, {"- -- ...", false},
		{"no stamp", true}, {"ledge is 3 mm", true}, {"été chaud", true}} {
		err := Words("reason", c.say)
		if f := fault.Of(err); (err == nil) != c.ok || err != nil && f.Field != "reason" {
			t.Errorf("%q: %v", c.say, err)
		}
	}
}
