package reckon

import (
	"slices"
	"strings"
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/exposure"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/core/witness"
	"freshshard/core/working"
)

// light is a greenhouse's light in putty with points, its opening so wide and
// high, mm.
func light(t testing.TB, w, h float64) Known {
	t.Helper()
	e, err := exposure.Book.ByID("weather")
	if err != nil {
		t.Fatal(err)
	}
	k := Known{Object: Object{Exposure: e}, Holding: Holding{Family: "putty-points"},
		Seen:    Seen{Readings: map[reading.Place]length.Reading{reading.Ledge: {Value: 13, Doubt: 0.5}}},
		Settled: Settled{Material: "annealed", Thickness: 3}, Unit: length.MM}
	for _, p := range []reading.Place{reading.WidthTop, reading.WidthMiddle, reading.WidthBottom} {
		k.Readings[p] = length.Reading{Value: w, Doubt: 0.5}
	}
	for _, p := range []reading.Place{reading.HeightLeft, reading.HeightMiddle, reading.HeightRight} {
		k.Readings[p] = length.Reading{Value: h, Doubt: 0.5}
	}
	return k
}

func reckonedLight(t testing.TB, k Known) Reckoning {
	t.Helper()
	r, err := Pane(k)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

func loud(r Reckoning) bool {
	return slices.ContainsFunc(r.Figures, func(f working.Figure) bool {
		return (f.Verdict == working.Stop || f.Verdict == working.Warn) && !strings.HasPrefix(f.Key, "stress") &&
			!strings.HasPrefix(f.Key, "bend")
	})
}

// A stock size is offered exactly where it goes in and stays when it is taken,
// either way round, from too tight over every half millimetre to too loose.
func TestStockIsOfferedWhereItFits(t *testing.T) {
	offered, refused := 0, 0
	for d := -2.0; d <= 26; d += 0.5 {
		for _, turned := range []bool{false, true} {
			k := light(t, 610+d, 457+d)
			if turned {
				k = light(t, 457+d, 610+d)
			}
			r := reckonedLight(t, k)
			has := slices.ContainsFunc(r.Stock, func(o Offered) bool { return o.ID == "610x457" })
			k.Stock = "610x457"
			taken := reckonedLight(t, k)
			if has == loud(taken) {
				t.Errorf("%v mm over it, turned %v: offered %v, taken it is loud: %v", d, turned, has, loud(taken))
			}
			if w := taken.Fit.Order.W; turned && w != 457 || !turned && w != 610 {
				t.Errorf("taken it is %v wide", w)
			}
			if len(taken.Stock) != 0 || !strings.HasPrefix(taken.Order, "stock size ") ||
				taken.Cutting.Sentence != "a stock size comes as it is; nothing is cut" {
				t.Errorf("%q, %+v, %d more are offered", taken.Order, taken.Cutting, len(taken.Stock))
			}
			if has {
				offered++
				if !strings.Contains(r.Stock[0].Says, "clearance a side in the width") {
					t.Error(r.Stock[0].Says)
				}
			} else {
				refused++
			}
		}
	}
	if offered < 10 || refused < 10 {
		t.Errorf("%d offered, %d not", offered, refused)
	}
}

func TestStockIsOfTheMaterial(t *testing.T) {
	for name, c := range map[string]struct {
		change func(*Known)
		offers int
	}{
		"as it is":          {func(*Known) {}, 1},
		"another thickness": {func(k *Known) { k.Thickness = 4 }, 0},
		"another material":  {func(k *Known) { k.Material = "laminated"; k.Thickness = 6 }, 0},
		"copied":            {func(k *Known) { k.Road = road.Chosen{ID: "size", How: "pattern"} }, 0},
		"nothing read":      {func(k *Known) { k.Readings = nil }, 0},
		"sold no more": {func(k *Known) {
			k.Own = catalogue.Values{{Kind: catalogue.Stock, ID: "610x457",
				Item: "annealed"}}
		}, 0},
		"another one nearer": {
			func(k *Known) {
				k.Own = catalogue.Values{{Kind: catalogue.Stock, ID: "611x458", Item: "annealed", V: 3}}
			}, 2},
	} {
		k := light(t, 616, 463)
		c.change(&k)
		if r := reckonedLight(t, k); len(r.Stock) != c.offers {
			t.Errorf("%s: %+v", name, r.Stock)
		}
	}
	k := light(t, 616, 463)
	if k.Stock = "610"; true {
		if _, err := Pane(k); err == nil {
			t.Error("610 is no size")
		}
	}
}

func heardOf(kind string, w, h float64) witness.Said {
	return witness.Said{Kind: kind, Width: length.Reading{Value: w}, Height: length.Reading{Value: h}}
}

// The order goes by the opening; where others who agree speak against it, it is
// said before anything is ordered, and where another one lies it is a quiet note.
func TestHeardAgainstTheOpening(t *testing.T) {
	for name, c := range map[string]struct {
		heard []witness.Said
		w     working.Verdict
		says  string
	}{
		"they agree": {[]witness.Said{heardOf("neighbour", 610, 457), heardOf("pieces", 610.4, 457)}, working.Note,
			"3 together"},
		"paint in the opening": {[]witness.Said{heardOf("neighbour", 617, 457), heardOf("pieces", 616.5, 457),
			heardOf("sheet", 616.8, 457)},
			working.Warn, "The opening by tape is off by"},
		"the customer measured what shows": {[]witness.Said{heardOf("neighbour", 610, 457), heardOf("customer", 584, 431)},
			working.Note, "3 together"},
		"two that differ": {[]witness.Said{heardOf("neighbour", 617, 457)}, working.Warn, "one of them is wrong"},
	} {
		k := light(t, 616, 463)
		before := reckonedLight(t, k).Order
		k.Heard = c.heard
		r := reckonedLight(t, k)
		i := slices.IndexFunc(r.Figures, func(f working.Figure) bool { return f.Key == "witnessed_width" })
		if i < 0 || r.Figures[i].Verdict != c.w || !strings.Contains(r.Figures[i].Sentence, c.says) {
			t.Errorf("%s: %+v", name, r.Figures[max(i, 0)])
		}
		if r.Order != before || len(r.Stops) != 0 {
			t.Errorf("%s: ordered %q, not %q; %+v", name, r.Order, before, r.Stops)
		}
	}
}

// A pane whose opening is not here is copied from all that speak for it; the old
// pane's own readings are one of them and no longer needed.
func TestPatternFromWitnesses(t *testing.T) {
	k := light(t, 0, 0)
	k.Readings = map[reading.Place]length.Reading{}
	k.Road = road.Chosen{ID: "size", How: "pattern"}
	if r := reckonedLight(t, k); r.Fit.Ready || len(r.Fit.Missing) != 2 || r.Heard != nil {
		t.Errorf("nothing said: %+v", r.Fit.Missing)
	}
	k.Heard = []witness.Said{heardOf("pieces", 610, 457), heardOf("neighbour", 610.5, 456.5)}
	r := reckonedLight(t, k)
	if !r.Fit.Ready || len(r.Fit.Missing) != 0 || r.Fit.Order.W != 610 ||
		!strings.HasSuffix(r.Order, "; its opening was not read") {
		t.Errorf("ready %v, %+v, %q", r.Fit.Ready, r.Fit.Missing, r.Order)
	}
	i := slices.IndexFunc(r.Figures, func(f working.Figure) bool { return f.Key == "order_width" })
	if i < 0 || !strings.Contains(r.Figures[i].Sentence, "as pieces laid together, a neighbour light say") {
		t.Errorf("%+v", r.Figures)
	}
	// An old pane that was ground at an edge is named and left out.
	k.Readings[reading.OldWidth] = length.Reading{Value: 602, Doubt: 0.5}
	r = reckonedLight(t, k)
	if _, liar, ok := r.Heard.Width.OffOf("old"); !ok || !liar || r.Fit.Order.W != 610 {
		t.Errorf("%+v, ordered %v", r.Heard.Width, r.Fit.Order.W)
	}
	// The height alone is not enough.
	k.Readings = map[reading.Place]length.Reading{}
	k.Heard = []witness.Said{{Kind: "customer", Height: length.Reading{Value: 457}}}
	if r = reckonedLight(t, k); r.Fit.Ready || len(r.Fit.Missing) != 1 || r.Fit.Missing[0].Place != reading.OldWidth {
		t.Errorf("ready %v, %+v", r.Fit.Ready, r.Fit.Missing)
	}
}

// A copy takes an opening that somebody says for what it is; how many speak is said.
func TestCopiedFromWhatIsSaid(t *testing.T) {
	k := light(t, 0, 0)
	k.Readings, k.Road = map[reading.Place]length.Reading{}, road.Chosen{ID: "size", How: "pattern"}
	k.Heard = []witness.Said{heardOf("opening", 610, 457)}
	if r := reckonedLight(t, k); !r.Fit.Ready || r.Fit.Order.W != 610 || r.Fit.Order.H != 457 {
		t.Errorf("%+v, %v", r.Fit.Order, r.Fit.Missing)
	}
	for n, want := range map[int]string{1: "one alone", 2: "2 together", 5: "5 together"} {
		if got := count(n); got != want {
			t.Errorf("%q", got)
		}
	}
}
