package bond

import (
	"fmt"
	"slices"
	"testing"

	"freshshard/core/fault"
)

// A spot that nobody looked at keeps its place and counts for nothing.
func TestUnseenSpots(t *testing.T) {
	out, err := Peel{Length: 400, Width: 30, Spots: []Spot{Unseen, Metal, Unseen, Torn}}.Read()
	if err != nil || out.Carried != 0.5 || out.Shares[Unseen] != 0 {
		t.Errorf("%+v, %v", out, err)
	}
	if _, err := (Peel{Length: 400, Width: 30, Spots: []Spot{Unseen, Unseen}}).Read(); err == nil {
		t.Error("nothing was looked at, and it says something")
	}
}

// Faces may be looked at before anybody measures them: both measures or none. A map of
// nothing says nothing.
func TestFacesWithoutASize(t *testing.T) {
	for _, c := range []struct {
		length, width float64
		spots         []Spot
		field         string
	}{{0, 0, []Spot{Glass}, ""}, {0, 0, nil, "length"}, {0, 1, []Spot{Glass}, "length"}, {1, 0, []Spot{Glass}, "width"},
		{1, 1, []Spot{Glass}, ""}, {1, 1, nil, "spots"}, {20000, 1000, []Spot{Glass}, ""},
		{20000.1, 1000, []Spot{Glass}, "length"}, {20000, 1000.1, []Spot{Glass}, "width"}} {
		_, err := Peel{Length: c.length, Width: c.width, Spots: c.spots}.Read()
		if f := fault.Of(err); (f == nil) != (c.field == "") || f != nil && f.Field != c.field {
			t.Errorf("%+v: %v", c, err)
		}
	}
}

// Which spot speaks, and which besides, for every map of seven spots: the one most seen, of those
// alike the first on the list; a second only where the first is under half.
func TestWhoSpeaks(t *testing.T) {
	var maps [][]Spot
	var fill func(at int, have []Spot)
	fill = func(at int, have []Spot) {
		if at == len(Spots)-1 {
			all := slices.Clone(have)
			for len(all) < 7 {
				all = append(all, Spots[at])
			}
			maps = append(maps, all)
			return
		}
		for n := range 8 - len(have) {
			fill(at+1, append(slices.Clone(have), slices.Repeat([]Spot{Spots[at]}, n)...))
		}
	}
	fill(0, nil)
	for _, m := range maps {
		counts := map[Spot]int{}
		for _, s := range m {
			counts[s]++
		}
		ranked := slices.DeleteFunc(slices.Clone(Spots), func(s Spot) bool { return counts[s] == 0 })
		slices.SortStableFunc(ranked, func(a, b Spot) int { return counts[b] - counts[a] })
		want, do := told[ranked[0]][0], told[ranked[0]][1]
		if len(ranked) > 1 && 2*counts[ranked[0]] < len(m) {
			want, do = want+" And besides: "+told[ranked[1]][0], do+" "+told[ranked[1]][1]
		}
		p, err := Peel{Length: 200, Width: 30, Spots: m}.Read()
		if err != nil || p.Says != want || p.Do != do {
			t.Fatalf("%v: %q, want %q, %v", counts, p.Says, want, err)
		}
		f := p.Figures[0]
		if says := fmt.Sprintf("really carried, %.0f in 100 of the whole", float64(counts[Torn])*100/7); f.Sentence != says {
			t.Fatalf("%v: %q, want %q", counts, f.Sentence, says)
		}
	}
}
