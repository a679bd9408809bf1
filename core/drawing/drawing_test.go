package drawing

import (
	"math"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/core/setting"
)

func scene(t testing.TB, id string, texts map[reading.Place]string) Scene {
	t.Helper()
	f, err := family.Book.ByID(id)
	if err != nil {
		t.Fatal(err)
	}
	e, _ := exposure.Book.ByID(f.Exposure)
	r, err := reading.FromTexts(texts, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	p := fit.Problem{Asked: reading.Asked{Sizing: f.Sizing, Readings: r}, Limits: fit.LimitsOf(f, e.Outdoors),
		Thickness: 4, Exposure: e,
		Cutter: fit.ShopCut, Unit: length.MM,
		Frame: fit.Body{Name: "steel", Alpha: 12}, Gasket: fit.Gasket{Kind: fit.Flat, Free: 3}}
	res, err := fit.Solve(p)
	if err != nil {
		t.Fatal(err)
	}
	return Scene{Family: f, Problem: p, Result: res, Sides: setting.Sides{Top: 2, Bottom: 2}, Pane: "4 mm glass-ceramic",
		Unit: length.MM}
}

func item(t *testing.T, d Drawing, id string) Item {
	t.Helper()
	for _, i := range d.Items {
		if i.ID == id {
			return i
		}
	}
	t.Fatalf("%s: no item %q", d.Name, id)
	return Item{}
}

var full = map[reading.Place]string{
	reading.WidthTop: "270", reading.WidthBottom: "268.4", reading.HeightLeft: "242", reading.HeightRight: "242.4",
	reading.Ledge: "14",
	reading.Reach: "16",
}

// The drawn pane is the ordered pane, to scale, inside its opening.
func TestTableIsTrue(t *testing.T) {
	s := scene(t, "clip-heat", full)
	d := Table(s)
	p := item(t, d, "pane").Points
	if w := p[1].X - p[0].X; math.Abs(w-s.Result.Order.W) > 1e-9 {
		t.Errorf("pane drawn %v wide, ordered %v", w, s.Result.Order.W)
	}
	o := item(t, d, "opening").Points
	for i := range p {
		if p[i].X <= o[0].X-1e-9 || p[i].X >= o[1].X+1e-9 || p[i].Y <= o[0].Y || p[i].Y >= math.Max(o[2].Y, o[3].Y) {
			t.Errorf("corner %d of the pane, %v, is outside the opening", i, p[i])
		}
	}
	if got := o[2].To(o[3]); math.Abs(got-270) > 0.01 {
		t.Errorf("top of the opening drawn %v, read 270", got)
	}
}

func TestReadingsStandOnTheirDimensions(t *testing.T) {
	d := Table(scene(t, "clip-heat", full))
	if i := item(t, d, "reading-width_top"); i.State != "read" || i.Text != "270.0" || i.Place != "width_top" {
		t.Errorf("%+v", i)
	}
	if i := item(t, d, "reading-width_middle"); i.State != "empty" || !strings.Contains(i.Label, "not read yet") {
		t.Errorf("%+v", i)
	}
	texts := map[reading.Place]string{reading.WidthTop: "270", reading.WidthMiddle: "296", reading.WidthBottom: "269",
		reading.HeightLeft: "242"}
	if i := item(t, Table(scene(t, "clip-heat", texts)), "reading-width_middle"); i.State != "odd" {
		t.Errorf("%+v", i)
	}
}

func TestNothingReadYet(t *testing.T) {
	d := Table(scene(t, "clip-heat", nil))
	if item(t, d, "opening").State != "assumed" {
		t.Error("an opening that nobody read is drawn as if it were known")
	}
	for _, i := range d.Items {
		if i.Layer == LayerPane || i.Layer == LayerFixing {
			t.Errorf("%s is drawn without a reading", i.ID)
		}
	}
}

func TestBracketsAreNumbered(t *testing.T) {
	s := scene(t, "clip-heat", full)
	s.Sides = setting.Sides{Top: 3, Right: 1, Bottom: 3, Left: 1}
	d := Table(s)
	seen := map[string]bool{}
	for _, i := range d.Items {
		if i.Layer == LayerOrder {
			seen[i.Text] = true
		}
	}
	if len(seen) != 8 || !seen["1"] || !seen["8"] {
		t.Errorf("numbers %v", seen)
	}
}

// Gap and bite of the section are the computed ones, as real distances.
func TestSectionGaps(t *testing.T) {
	for _, id := range []string{"clip-heat", "putty-points", "bead-brads"} {
		texts := map[reading.Place]string{}
		for k, v := range full {
			if k != reading.Reach || id == "clip-heat" {
				texts[k] = v
			}
		}
		s := scene(t, id, texts)
		d := Section(s)
		gap := math.Min(s.Result.Gap.W, s.Result.Gap.H)
		if p := item(t, d, "pane-cut").Points; math.Abs(p[0].X-gap) > 1e-9 || math.Abs(p[2].Y-p[1].Y-4) > 1e-9 {
			t.Errorf("%s: pane cut at %v", id, p)
		}
		if c := item(t, d, "clearance").Points; math.Abs(c[0].To(c[1])-gap) > 1e-9 {
			t.Errorf("%s: clearance drawn %v, is %v", id, c[0].To(c[1]), gap)
		}
	}
}

// A wrapped gasket stands between the wall's clearance and the pane's edge.
func TestSectionOfWrappedGasket(t *testing.T) {
	s := scene(t, "clip-heat", full)
	s.Problem.Gasket = fit.Gasket{Kind: fit.Wrapped, Free: 4}
	var err error
	if s.Result, err = fit.Solve(s.Problem); err != nil {
		t.Fatal(err)
	}
	d := Section(s)
	wrap, pane, bite := item(t, d, "gasket-edge").Points, item(t, d, "pane-cut").Points, item(t, d, "bite").Points
	if math.Abs(wrap[1].X-wrap[0].X-3) > 1e-9 || wrap[1].X != pane[0].X || bite[0].X != pane[0].X {
		t.Errorf("wrap %v, pane %v, bite %v", wrap, pane, bite)
	}
	if got := bite[0].To(bite[1]); math.Abs(got-(16-math.Min(s.Result.Gap.W, s.Result.Gap.H)-3)) > 1e-9 {
		t.Errorf("bite %v", got)
	}
}

func TestBoxHoldsEverything(t *testing.T) {
	for _, d := range []Drawing{Table(scene(t, "clip-heat", full)),
		Section(scene(t, "putty-points", map[reading.Place]string{reading.WidthTop: "400", reading.HeightLeft: "300"}))} {
		for _, i := range d.Items {
			for _, p := range i.Points {
				if p.X-i.Radius < d.Box.Min.X || p.X+i.Radius > d.Box.Max.X || p.Y-i.Radius < d.Box.Min.Y ||
					p.Y+i.Radius > d.Box.Max.Y {
					t.Errorf("%s: %s is outside the box", d.Name, i.ID)
				}
			}
		}
	}
}

func TestInset(t *testing.T) {
	in := inset(rect(0, 0, 100, 80), 10)
	if in[0] != (outline.Point{X: 10, Y: 10}) || in[2] != (outline.Point{X: 90, Y: 70}) {
		t.Errorf("%v", in)
	}
}

// A pack is drawn with all its panes and gaps, to scale, the pane on the table
// in its place and the hot side up.
func TestPackSection(t *testing.T) {
	s := scene(t, "window-pack", map[reading.Place]string{reading.WidthTop: "400", reading.HeightLeft: "300",
		reading.Ledge: "12"})
	s.Stack = Stack{Panes: []float64{4, 4, 5}, Gaps: []float64{9, 12}, Here: 2}
	d := Section(s)
	top := func(id string) (low, high float64) {
		b := boxOf(item(t, d, id).Points)
		return b.Min.Y, b.Max.Y
	}
	lastLow, lastHigh := top("pane-3-cut")
	hereLow, hereHigh := top("pane-cut")
	firstLow, firstHigh := top("pane-1-cut")
	for _, c := range []struct{ got, want float64 }{
		{lastHigh - lastLow, 5}, {hereLow - lastHigh, 12}, {hereHigh - hereLow, 4}, {firstLow - hereHigh, 9},
		{firstHigh - firstLow, 4},
	} {
		if math.Abs(c.got-c.want) > 1e-9 {
			t.Errorf("drawn %v, is %v", c.got, c.want)
		}
	}
	if low, high := top("body"); low > lastLow || high < firstHigh {
		t.Errorf("the frame from %v to %v does not hold %v to %v", low, high, lastLow, firstHigh)
	}
	for _, id := range []string{"pad-1-cut", "pad-2-cut"} {
		item(t, d, id)
	}
	// Nothing noted: two panes stand for the pack.
	s.Stack = Stack{}
	item(t, Section(s), "pane-second")
}

// The new flange is drawn over the mark of the old one, to scale, and marked
// where it does not hide it.
func TestCoversAreDrawn(t *testing.T) {
	texts := map[reading.Place]string{reading.WidthTop: "600 ±0", reading.WidthBottom: "600 ±0",
		reading.HeightLeft:  "400 ±0",
		reading.HeightRight: "400 ±0", reading.Ledge: "18", reading.FlangeWidth: "630 ±0", reading.FlangeHeight: "430 ±0",
		reading.MarkWidth: "620 ±0", reading.MarkHeight: "424 ±0"}
	d := Table(scene(t, "clamp-ring", texts))
	o, m, f := boxOf(item(t, d, "opening").Points), boxOf(item(t, d, "old-mark").Points),
		boxOf(item(t, d, "new-flange").Points)
	if math.Abs(m.Width()-620) > 1e-9 || math.Abs(f.Height()-430) > 1e-9 || math.Abs(f.Min.X-(o.Min.X-15)) > 1e-9 ||
		math.Abs(m.Max.Y-(o.Max.Y+12)) > 1e-9 {
		t.Errorf("opening %v, mark %v, flange %v", o, m, f)
	}
	if item(t, d, "new-flange").State != "" {
		t.Error("marked, and it hides the mark")
	}
	texts[reading.MarkHeight] = "430 ±0"
	if i := item(t, Table(scene(t, "clamp-ring", texts)), "new-flange"); i.State != "odd" ||
		!strings.Contains(i.Label, "may show") {
		t.Errorf("%+v", i)
	}
	delete(texts, reading.MarkWidth)
	delete(texts, reading.FlangeWidth)
	for _, i := range Table(scene(t, "clamp-ring", texts)).Items {
		if i.ID == "old-mark" || i.ID == "new-flange" {
			t.Errorf("%s, which nobody read", i.ID)
		}
	}
}
