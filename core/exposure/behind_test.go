package exposure

import "testing"

// Half the way from the room to the heat is half the peak and half the shock.
func TestBehind(t *testing.T) {
	e := Exposure{Steady: 240, Short: 290, Room: 20, Coldest: 10, FrameHot: 150, Sudden: 180}
	got := e.Behind(130)
	if got.Steady != 130 || got.Short != 155 || got.Sudden != 90 || got.FrameHot != 130 || got.Coldest != 10 ||
		got.Check() != nil {
		t.Errorf("%+v", got)
	}
	if got := e.Behind(260); got.Sudden != 180 || got.Short < 260 || got.FrameHot != 150 {
		t.Errorf("hotter than the heat itself: %+v", got)
	}
	if got := (Exposure{Steady: 20, Room: 20}).Behind(15); got.Steady != 20 {
		t.Errorf("nothing is hot: %+v", got)
	}
}

// The outermost pane of an oven is not as hot as its cavity; the innermost is.
func TestAtItsPlace(t *testing.T) {
	e := Exposure{Steady: 240, Short: 290, Room: 20, Coldest: 10, FrameHot: 150, Sudden: 180}
	for p, want := range map[Stands]float64{"": 240, Inner: 240, Middle: 174, Outer: 108} {
		if got := e.At(p); got.Steady != want || got.Short < got.Steady || got.Check() != nil {
			t.Errorf("%q: %+v", p, got)
		}
	}
	if got := (Exposure{Steady: 15, Room: 20}).At(Outer); got.Steady != 15 {
		t.Errorf("in the cold: %+v", got)
	}
}
