package pane

import (
	"fmt"
	"slices"
	"sort"
	"strings"

	"freshshard/core/strength"
	"freshshard/core/value"
	"freshshard/core/working"
)

// judgement is one thing that the ranking looks at.
type judgement struct {
	name   string
	weight float64 // default
}

// judgements with their default weights. Common practice, no source.
var judgements = map[string]judgement{
	"heat":    {"margin to its heat limit", 6},
	"impact":  {"blows", 3},
	"scratch": {"scratches", 2},
	"uv":      {"sun", 1},
	"looks":   {"looks", 4},
	"weight":  {"weight", 1},
	"cost":    {"cost", 4},
	"lead":    {"how soon it is here", 3},
	"warp":    {"the warped seat", 0},         // counts when the seat was read
	"touch":   {"how cool the outside is", 0}, // counts in a pack
	"like":    {"what was there", 0},          // counts when it is known
	"usual":   {"what such a pane usually is", 0},
}

// Judgements lists the names that weights may use, in order.
func Judgements() []string {
	out := make([]string, 0, len(judgements))
	for k := range judgements {
		out = append(out, k)
	}
	sort.Strings(out)
	return out
}

// Reason is one part of a ranking: points from 0 to 10, how much it counts.
type Reason struct {
	Judgement string  `json:"judgement"`
	Name      string  `json:"name"`
	Points    float64 `json:"points"`
	Weight    float64 `json:"weight"`
	Why       string  `json:"why"`
}

// Ranked is a material that passed the gates.
type Ranked struct {
	Material  string         `json:"material"`
	Name      string         `json:"name"`
	Edge      string         `json:"edge"`
	Thickness float64        `json:"thickness" doc:"Nominal, mm"`
	Sold      []float64      `json:"sold" doc:"Thicknesses, of a tube walls, in which it may be ordered, mm"`
	Cut       string         `json:"cut"`
	Like      bool           `json:"like,omitempty" doc:"Like the old pane"`
	Again     string         `json:"again,omitempty" doc:"Why it would meet the old cause again"`
	Asks      []string       `json:"asks" doc:"What has to be looked up before it is ordered"`
	Score     float64        `json:"score" doc:"0 to 10"`
	Reasons   []Reason       `json:"reasons"`
	Sentence  string         `json:"sentence"`
	Figure    working.Figure `json:"figure"`
}

// Choice is the answer of the Choose station: what is left, best first, and
// what was ruled out.
type Choice struct {
	Open    []Ranked `json:"open"`
	Closed  []Closed `json:"closed"`
	Advice  string   `json:"advice"`
	Schools []School `json:"schools" doc:"Where people disagree, both ways"`
	Stands  []Aspect `json:"stands" doc:"What the place asks, and what each of them stands, thing by thing"`

	need Need
}

// offers says whether a material is among those that are asked for.
func (n Need) offers(m Material) bool { return m.Other == n.Other && (!m.Only || n.Like == m.ID) }

// Choose ranks the materials. It returns a *fault.Error for a need that cannot
// be; when every gate is closed the advice names the one that is nearest.
func Choose(n Need) (Choice, error) {
	c := Choice{need: n, Open: []Ranked{}, Closed: []Closed{}, Schools: []School{}, Stands: []Aspect{}}
	if err := n.Check(); err != nil {
		return c, err
	}
	n.Load.known = newPlates()
	for _, m := range Book.Laid(n.Own) {
		if !n.offers(m) {
			continue
		}
		if shut := (gating{m}).gate(n); shut != nil {
			c.Closed = append(c.Closed, *shut)
			continue
		}
		c.Open = append(c.Open, ranking{m}.rank(n))
	}
	sort.SliceStable(c.Open, func(i, j int) bool { return c.Open[i].Score > c.Open[j].Score })
	c.Advice, c.Schools, c.Stands = c.advice(n), c.schools(n), c.stands(n)
	return c, nil
}

func (n Need) weight(k string) float64 {
	if w, ok := n.Weights[k]; ok {
		return w
	}
	w := judgements[k].weight
	if k == "warp" && n.Load.Warp > 0 {
		w += warpWeight
	}
	if k == "touch" && n.Stack.Here > 0 {
		w += touchWeight
	}
	switch {
	case k == "like" && n.Like != "" && !slices.Contains(n.Beware, "material"):
		w += likeWeight
	case k == "usual" && n.Usual != "" && n.Like == "":
		w += usualWeight
	case k == "usual" && n.onlyLike():
		w += likeWeight
	}
	if k == "uv" && n.Exposure.Outdoors {
		w += 2
	}
	return w
}

// onlyLike says whether the old pane was one that is offered in its own place
// alone, such as a sealed unit.
func (n Need) onlyLike() bool {
	m, err := Book.ByID(n.Like)
	return err == nil && m.Only
}

// warpSoft is the stress at which a pane on a warped seat has lost half its
// points, MPa: the seat works, and what is stiff works loose. Judgement, no source.
const warpSoft = 8.0

// Scores that are worked out rather than looked up: a full mark for heat from
// this margin up, and a full mark for weight down to this mass.
const (
	heatMarginFull = 0.5 // share of the limit that is left
	weightFull     = 2.0 // kg
	weightNone     = 40.0
	warpWeight     = 8.0
	touchWeight    = 5.0
	likeWeight     = 10.0
	usualWeight    = 8.0
)

func (m ranking) rank(n Need) Ranked {
	r := Ranked{Asks: gating(m).asks(n), Material: m.ID, Name: m.Short, Edge: m.Edge, Cut: m.Cut,
		Thickness: m.thickness(n),
		Sold:      m.Sold(n.Tube, n.Read), Like: m.ID == n.Like}
	for _, k := range Judgements() {
		s := m.judge(k, n, r.Thickness)
		r.Reasons = append(r.Reasons, Reason{Judgement: k, Name: judgements[k].name, Points: s.Points, Weight: n.weight(k),
			Why: s.Reason})
	}
	var sum, weights float64
	in := make([]working.Input, 0, 2*len(r.Reasons))
	terms := make([]string, 0, len(r.Reasons))
	for i, q := range r.Reasons {
		sum += q.Points * q.Weight
		weights += q.Weight
		p, w := fmt.Sprintf("p%d", i+1), fmt.Sprintf("w%d", i+1)
		in = append(in, working.In(p, q.Name+": "+q.Why, q.Points, "of 10", value.Custom()),
			working.In(w, "how much "+q.Name+" counts", q.Weight, "", value.Custom()))
		terms = append(terms, "{"+w+"}·{"+p+"}")
	}
	if weights > 0 {
		r.Score = sum / weights
	}
	in = append(in, working.In("Σw", "sum of the weights", weights, "", value.Sum()))
	r.Figure = working.Figure{Key: "score_" + m.ID, Sentence: m.Short, Value: r.Score, Unit: "of 10",
		Verdict: working.Note,
		Working: working.Of("("+strings.Join(terms, " + ")+") / {Σw}", r.Score, "of 10",
			in...).With("Judgement, not physics: move the weights and see what changes.")}
	r.Sentence, r.Again = r.sentence(n.Exposure.Steady >= hotFrom), repeating(m).again(n, r.Thickness)
	return r
}

// thickness is the nominal one nearest to what is wanted that carries the load
// and that the depth takes.
func (m ranking) thickness(n Need) float64 {
	if n.Tube { // as the old one was
		return n.Thickness
	}
	t := m.Nearest(n.Thickness)
	if c, ok := bending(m).carries(n.Load, t, n.Depth); ok {
		t = c
	}
	if n.Depth > 0 && t > n.Depth {
		for _, c := range m.Thicknesses {
			if c <= n.Depth {
				t = c
			}
		}
	}
	return t
}

func (m ranking) judge(k string, n Need, thickness float64) Score {
	clamp := func(v float64) float64 { return max(0, min(10, v)) }
	switch k {
	case "heat":
		left := (m.Steady.V - n.Exposure.Steady) / m.Steady.V
		return Score{clamp(10 * left / heatMarginFull), fmt.Sprintf("%s °C left to its steady limit of %s °C",
			working.Num(m.Steady.V-n.Exposure.Steady, 0), working.Num(m.Steady.V, 0))}
	case "warp":
		v := m.SeatStress(n.Load, thickness)
		if v == 0 {
			return Score{10, "the seat is flat, as far as anybody read"}
		}
		may, _ := m.allowable(strength.Permanent)
		// A stiff pane also springs back: what it takes counts, not only its share.
		return Score{clamp(10 * (1 - v/may) * (1 - v/(v+warpSoft))),
			fmt.Sprintf("pressed onto the seat it takes %s MPa and holds %s", working.Num(v, 1), working.Num(may, 1))}
	case "touch":
		return m.touch(n, thickness)
	case "like":
		old, err := Book.With(n.Own, n.Like)
		again := err == nil && repeating{old}.again(n, thickness) != ""
		switch {
		case m.ID == n.Like && again:
			return Score{0, "like the old one, which broke of this"}
		case m.ID == n.Like:
			return Score{10, "like the old one"}
		case again:
			return Score{7, "not what was there, which broke of this"}
		}
		return Score{0, "not what was there"}
	case "usual":
		if n.onlyLike() {
			if m.ID == n.Like {
				return Score{10, "built as the old one was"}
			}
			return Score{0, "not built as the old one was"}
		}
		if m.ID == n.Usual {
			return Score{10, "what such a pane usually is"}
		}
		return Score{0, "not what such a pane usually is"}
	case "weight":
		if n.Area <= 0 {
			return Score{5, "not weighed yet: no size"}
		}
		kg := m.Weight(n.Area, thickness)
		return Score{clamp(10 * (weightNone - kg) / (weightNone - weightFull)), fmt.Sprintf("%s kg", working.Num(kg, 1))}
	}
	return m.Scores[k]
}

// speaksFor is how many points of 10 a second reason has to have for a word.
const speaksFor = 8

// hotFrom is where heat is what matters first, °C. Judgement, no source.
const hotFrom = 100.0

// sentence names the two things that speak most for the material and the one
// that speaks most against it; in a hot place the heat first.
func (r Ranked) sentence(hot bool) string {
	best := append([]Reason(nil), r.Reasons...)
	sort.SliceStable(best, func(i, j int) bool {
		return (best[i].Points-5)*best[i].Weight > (best[j].Points-5)*best[j].Weight
	})
	if i := slices.IndexFunc(best, func(q Reason) bool { return q.Judgement == "heat" }); hot && i > 0 {
		best = slices.Insert(slices.Delete(best, i, i+1), 0,
			r.Reasons[slices.IndexFunc(r.Reasons, func(q Reason) bool { return q.Judgement == "heat" })])
	}
	s := best[0].Why
	if best[1].Points >= speaksFor {
		s += "; " + best[1].Why
	}
	if last := best[len(best)-1]; last.Points < 5 && last.Weight > 0 {
		s += "; against it: " + last.Why
	}
	return s
}

func (c Choice) advice(n Need) string {
	if len(c.Open) == 0 {
		return "Nothing on the list stands this. " + n.nearest()
	}
	best := c.Open[0]
	s := fmt.Sprintf("%s mm %s: %s.", working.Num(best.Thickness, 1), best.Name, best.Sentence) + c.besides()
	if len(c.Open) == 1 {
		s += " Nothing else on the list stands this."
	}
	for _, k := range c.Closed {
		if k.Material == n.Like {
			s += fmt.Sprintf(" Not like the old one: %s is ruled out, %s.", k.Name, k.Sentence)
		}
	}
	return s
}
