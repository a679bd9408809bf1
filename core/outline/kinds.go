package outline

import (
	"math"
	"strconv"
	"strings"

	"freshshard/core/fault"
)

// names are what the measures of all shapes are called, and where the tape
// goes.
var names = map[string][2]string{
	"width":           {"width", "from side to side, the widest"},
	"height":          {"height", "from bottom to top, the highest"},
	"radius":          {"corner radius", "with a radius gauge, or from the corner along the side to where it turns"},
	"cut":             {"cut along each side", "from where the sides would meet to where the cut begins"},
	"bottom":          {"bottom", "corner to corner"},
	"right":           {"right side", "corner to corner"},
	"top":             {"top", "corner to corner"},
	"left":            {"left side", "corner to corner"},
	"rising":          {"diagonal, rising", "lower left corner to upper right"},
	"falling":         {"diagonal, falling", "upper left corner to lower right"},
	"diameter":        {"diameter", "across the middle"},
	"diameter_across": {"diameter the other way", "at a right angle to the first"},
	"spring":          {"height to the springing", "from the bottom to where the curve begins"},
	"rise":            {"rise of the curve", "from the springing up to the highest"},
	"overall":         {"overall height", "from the bottom to the crown"},
	"crown":           {"lower left corner to the crown", "slantwise"},
	"plumb":           {"height of the top corner", "plumb down to the bottom side"},
	"flat":            {"straight part", "from curve to curve"},
	"notch_from":      {"notch, from the left", "along the top, from the left side to where the notch begins"},
	"notch_width":     {"notch, width", "along the top"},
	"notch_depth":     {"notch, depth", "from the top down to its bottom"},
	"beside":          {"top, right of the notch", "from the notch to the right side"},
	"base":            {"base line", "along the straight edge, end to end"},
	"between":         {"offset between two stations", "half way between the two stations in the middle"},
}

func measures(keys ...string) []Measure {
	out := make([]Measure, 0, len(keys))
	for _, k := range keys {
		out = append(out, MeasureOf(k))
	}
	return out
}

// MeasureOf is a measure by its key: one with a fixed name, an ordinate such
// as o3, a tape to a point such as p4_a, or the side between two points such
// as p4_p5.
func MeasureOf(key string) Measure {
	if n, ok := names[key]; ok {
		return Measure{key, n[0], n[1]}
	}
	if n, ok := strings.CutPrefix(key, "o"); ok && number(n) {
		return Measure{key, "ordinate " + n, "square off the straight edge at station " + n}
	}
	from, to, ok := strings.Cut(key, "_")
	n, point := strings.CutPrefix(from, "p")
	switch {
	case !ok || !point || !number(n):
		return Measure{Key: key}
	case to == "a":
		return Measure{key, "point " + n + " from A", "from the left fixed point"}
	case to == "b":
		return Measure{key, "point " + n + " from B", "from the right fixed point"}
	}
	m, point := strings.CutPrefix(to, "p")
	if !point || !number(m) {
		return Measure{Key: key}
	}
	return Measure{key, "point " + n + " to point " + m, "straight from one to the other"}
}

// MayBeNothing says that the measure may be 0: a curve may start on the straight
// edge itself, a notch at the corner.
func (m Measure) MayBeNothing() bool {
	n, ok := strings.CutPrefix(m.Key, "o")
	return m.Key == "notch_from" || ok && number(n)
}

func number(s string) bool {
	n, err := strconv.Atoi(s)
	return err == nil && n >= 0 && n <= countMost && s == strconv.Itoa(n)
}

// across and upward are the lines of a width and a height over a box.
func across(b Box) Line {
	y := b.Min.Y + 0.5*b.Height()
	return Line{{b.Min.X, y}, {b.Max.X, y}}
}

func upward(b Box, share float64) Line {
	x := b.Min.X + share*b.Width()
	return Line{{x, b.Min.Y}, {x, b.Max.Y}}
}

var fixedKinds = []Kind{
	{ID: "rectangle", typical: Values{"width": 360, "height": 260}, Name: "rectangle",
		Measures: measures("width", "height"), Checks: measures("rising"),
		build: func(m Values) (Path, error) { return RoundedRect(m["width"], m["height"], 0) },
		lines: func(_ Values, p Path) map[string]Line {
			b := p.Box()
			return map[string]Line{"width": across(b), "height": upward(b, 0.3), "rising": {b.Min, b.Max}}
		}},
	{ID: "rounded", typical: Values{"width": 360, "height": 260, "radius": 40}, Name: "rounded corners",
		Measures: measures("width", "height", "radius"), Checks: measures("flat"),
		build: func(m Values) (Path, error) { return RoundedRect(m["width"], m["height"], m["radius"]) },
		lines: func(m Values, p Path) map[string]Line {
			b, r := p.Box(), m["radius"]
			return map[string]Line{"width": across(b), "height": upward(b, 0.3),
				"radius": {{b.Max.X - r, b.Max.Y - r}, {b.Max.X - r*(1-math.Sqrt2/2), b.Max.Y - r*(1-math.Sqrt2/2)}},
				"flat":   {{r, b.Min.Y}, {b.Max.X - r, b.Min.Y}}}
		}},
	{ID: "cut", typical: Values{"width": 360, "height": 260, "cut": 40}, Name: "cut corners",
		Measures: measures("width", "height", "cut"), Checks: measures("flat"),
		build: func(m Values) (Path, error) { return CutRect(m["width"], m["height"], m["cut"]) },
		lines: func(m Values, p Path) map[string]Line {
			b, c := p.Box(), m["cut"]
			return map[string]Line{"width": across(b), "height": upward(b, 0.3), "cut": {{b.Max.X - c, b.Max.Y}, b.Max},
				"flat": {{c, b.Min.Y}, {b.Max.X - c, b.Min.Y}}}
		}},
	{ID: "notch", typical: Values{"width": 360, "height": 260, "notch_from": 120, "notch_width": 90, "notch_depth": 50},
		Name: "notch in the top", Measures: measures("width", "height", "notch_from", "notch_width", "notch_depth"),
		Checks: measures("beside", "rising"),
		build: func(m Values) (Path, error) {
			return NotchedRect(m["width"], m["height"], m["notch_from"], m["notch_width"], m["notch_depth"])
		},
		lines: func(m Values, p Path) map[string]Line {
			b, x, w, d := p.Box(), m["notch_from"], m["notch_width"], m["notch_depth"]
			y := b.Max.Y
			return map[string]Line{"width": {{0, 0.4 * y}, {b.Max.X, 0.4 * y}},
				"height": {{0.85 * b.Max.X, 0}, {0.85 * b.Max.X, y}}, "notch_from": {{0, y}, {x, y}},
				"notch_width": {{x, y - d}, {x + w, y - d}},
				"notch_depth": {{x, y - d}, {x, y}}, "beside": {{x + w, y}, {b.Max.X, y}}, "rising": {b.Min, b.Max}}
		}},
	{ID: "raked", typical: Values{"bottom": 400, "right": 260, "top": 390, "left": 300, "rising": 460},
		Name: "raked, four sides", Measures: measures("bottom", "right", "top", "left", "rising"),
		Checks: measures("falling"),
		build: func(m Values) (Path, error) {
			q, err := QuadrilateralOf(m["bottom"], m["right"], m["top"], m["left"], m["rising"])
			if f := fault.Of(err); f != nil && f.Field == "diagonal_rising" {
				return nil, fault.New("rising", f.Why, f.Cure)
			} else if err != nil {
				return nil, err
			}
			return Polygon(q.Corners())
		},
		lines: func(_ Values, p Path) map[string]Line {
			return map[string]Line{"bottom": {p[0].Point, p[1].Point}, "right": {p[1].Point, p[2].Point},
				"top": {p[3].Point, p[2].Point}, "left": {p[0].Point, p[3].Point},
				"rising": {p[0].Point, p[2].Point}, "falling": {p[3].Point, p[1].Point}}
		}},
	{ID: "triangle", typical: Values{"bottom": 400, "right": 360, "left": 300}, Name: "triangle",
		Measures: measures("bottom", "right", "left"), Checks: measures("plumb"),
		build: func(m Values) (Path, error) { return Triangle(m["bottom"], m["right"], m["left"]) },
		lines: func(_ Values, p Path) map[string]Line {
			top := p[2].Point
			return map[string]Line{"bottom": {p[0].Point, p[1].Point}, "right": {p[1].Point, top}, "left": {p[0].Point, top},
				"plumb": {{top.X, 0}, top}}
		}},
	{ID: "circle", typical: Values{"diameter": 300}, Name: "circle", Measures: measures("diameter"),
		Checks: measures("diameter_across"),
		build:  func(m Values) (Path, error) { return Circle(m["diameter"]) },
		lines: func(_ Values, p Path) map[string]Line {
			b := p.Box()
			return map[string]Line{"diameter": across(b), "diameter_across": upward(b, 0.5)}
		}},
	{ID: "ellipse", typical: Values{"width": 360, "height": 240}, Name: "ellipse", Measures: measures("width", "height"),
		Checks: measures("crown"),
		build:  func(m Values) (Path, error) { return Ellipse(m["width"], m["height"]) },
		lines: func(_ Values, p Path) map[string]Line {
			b := p.Box()
			return map[string]Line{"width": across(b), "height": upward(b, 0.5),
				"crown": {{b.Min.X, b.Max.Y / 2}, {b.Max.X / 2, b.Max.Y}}}
		}},
	{ID: "pill", typical: Values{"width": 400, "height": 160}, Name: "pill", Measures: measures("width", "height"),
		Checks: measures("flat"),
		build:  func(m Values) (Path, error) { return Pill(m["width"], m["height"]) },
		lines: func(_ Values, p Path) map[string]Line {
			b := p.Box()
			r := math.Min(b.Width(), b.Height()) / 2
			flat := Line{{r, 0}, {b.Max.X - r, 0}}
			if b.Height() > b.Width() {
				flat = Line{{0, r}, {0, b.Max.Y - r}}
			}
			return map[string]Line{"width": across(b), "height": upward(b, 0.3), "flat": flat}
		}},
	{ID: "round-top", typical: Values{"width": 300, "spring": 260, "rise": 100}, Name: "round top",
		Measures: measures("width", "spring", "rise"), Checks: measures("overall", "crown"),
		build: func(m Values) (Path, error) { return RoundTop(m["width"], m["spring"], m["rise"]) }, lines: topLines},
	{ID: "pointed", typical: Values{"width": 280, "spring": 220, "rise": 200}, Name: "pointed arch",
		Measures: measures("width", "spring", "rise"), Checks: measures("overall", "crown"),
		build: func(m Values) (Path, error) { return PointedTop(m["width"], m["spring"], m["rise"]) }, lines: topLines},
}

func topLines(m Values, _ Path) map[string]Line {
	w, s, r := m["width"], m["spring"], m["rise"]
	return map[string]Line{"width": {{0, s / 2}, {w, s / 2}}, "spring": {{0, 0}, {0, s}},
		"rise":    {{w / 2, s}, {w / 2, s + r}},
		"overall": {{0.62 * w, 0}, {0.62 * w, s + r}}, "crown": {{0, 0}, {w / 2, s + r}}}
}

// Polygon is an outline of straight sides through the corners.
func Polygon(corners []Point) (Path, error) {
	v := make([]Vertex, len(corners))
	for i, c := range corners {
		v[i] = Vertex{Point: c}
	}
	return NewPath(v)
}
