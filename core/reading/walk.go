package reading

import (
	"strings"

	"freshshard/core/family"
	"freshshard/core/holding"
)

// Walk lists the places that a sizing rule and a shape want, in the order in
// which a person walks round.
func Walk(s family.Sizing, shape Shape) []PlaceInfo {
	r := holding.Of(s)
	w := walker{rule: r}
	switch {
	case len(r.Instead) > 0:
		w.keys(r.Instead)
		if r.Tube() {
			w.named(OldHeight, r.Old[0], r.Old[1])
			return w.out
		}
	case shape.Square():
		for _, p := range []Place{WidthTop, WidthMiddle, WidthBottom, HeightLeft, HeightMiddle, HeightRight} {
			i, _ := p.Info()
			i.How = r.Between + ", " + i.How
			w.out = append(w.out, i)
		}
		w.add(Rising, Falling)
	default:
		w.shape(shape)
	}
	w.keys(r.Beside)
	if r.Cover.Name != "" {
		w.named(Ledge, r.Cover.Name, r.Cover.How)
	}
	w.keys(r.Covers)
	for _, p := range []Place{DepthTop, DepthRight, DepthBottom, DepthLeft} {
		i, _ := p.Info()
		if r.Depth.Name != "" {
			i.Name = strings.Replace(i.Name, "depth", r.Depth.Name, 1)
		}
		w.named(p, i.Name, r.Depth.How)
	}
	w.keys(r.Window.Read)
	if r.Warps {
		w.add(SeatWarp)
	}
	if shape.Curved {
		w.add(ChordAcross, RiseAcross, ChordDown, RiseDown)
	}
	w.add(OldWidth, OldHeight, OldThickness)
	return w.out
}

type walker struct {
	rule *holding.Rule
	out  []PlaceInfo
}

func (w *walker) keys(list []string) {
	for _, k := range list {
		w.add(Place(k))
	}
}

func (w *walker) add(list ...Place) {
	for _, p := range list {
		i, _ := p.Info()
		w.out = append(w.out, i)
	}
}

func (w *walker) named(p Place, name, how string) {
	i, _ := p.Info()
	i.Name, i.How = name, how
	w.out = append(w.out, i)
}

// shape adds the measures of a shape, then its checks.
func (w *walker) shape(s Shape) {
	if s.Kind == Drawn {
		for _, k := range []string{"width", "height"} {
			i, _ := ShapePlace(k).Info()
			i.How = w.rule.Between + ", as a check"
			w.out = append(w.out, i)
		}
		return
	}
	k, err := s.Form()
	if err != nil {
		return
	}
	for _, m := range k.Measures {
		i, _ := ShapePlace(m.Key).Info()
		i.Needed = true
		w.out = append(w.out, i)
	}
	for _, m := range k.Checks {
		i, _ := ShapePlace(m.Key).Info()
		i.How += ", as a check"
		w.out = append(w.out, i)
	}
}

// in finds a place of a walk.
func in(walk []PlaceInfo, p Place) (PlaceInfo, bool) {
	for _, i := range walk {
		if i.Place == p {
			return i, true
		}
	}
	return PlaceInfo{}, false
}
