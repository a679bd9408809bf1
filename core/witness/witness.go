// Package witness joins what speaks for the size of a pane: the opening, the old
// pane, a tracing, pieces, a neighbour, a sheet, a word. Each has its own doubt
// and its usual lie. Common practice, no source.
package witness

import (
	_ "embed"
	"fmt"
	"math"
	"slices"
	"strings"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/value"
	"freshshard/core/working"
)

//go:embed kinds.json
var file []byte

// Kind is one sort of witness. Doubt is how far it may usually be off either
// way, mm; Lie is how it usually errs, Tell what would show it.
type Kind struct {
	ID    string      `json:"id"`
	Name  string      `json:"name"`
	Doubt value.Value `json:"doubt"`
	Share bool        `json:"share,omitempty" doc:"The doubt is in % of the length"`
	Lie   string      `json:"lie"`
	Tell  string      `json:"tell"`
}

// Groove is a joined gasket's groove, read by its length all round.
const Groove = "groove"

// Book lists what speaks for a size.
var Book = catalogue.New(file, "kinds.json", "kind", "witness of a size", func(k Kind) string { return k.ID })

// Heard is one witness along one direction, as it was read, mm. Doubt is that of
// the reading, 0 for the kind's usual. Cracks are those that the tape crossed
// over pieces laid together. Pen is the width of the line round a traced pane.
type Heard struct {
	Kind   string  `json:"kind"`
	Value  float64 `json:"value"`
	Doubt  float64 `json:"doubt,omitempty" minimum:"0"`
	Cracks int     `json:"cracks,omitempty"`
	Pen    float64 `json:"pen,omitempty"`
}

// perCrack is what a crack that is closed by hand adds, mm, and what a traced
// line adds for each pen's width outside the pane. Common practice, no source.
const perCrack = 0.5

// Says is a witness as it stands for the pane's own size.
type Says struct {
	Kind    string  `json:"kind"`
	Name    string  `json:"name"`
	Size    float64 `json:"size" doc:"Of the pane, mm"`
	Doubt   float64 `json:"doubt" doc:"Either way, mm"`
	Off     float64 `json:"off" doc:"From what the others say, mm"`
	Liar    bool    `json:"liar"`
	Formula string  `json:"formula" doc:"How it stands for the pane"`
}

// Joined is what they all stand for.
type Joined struct {
	Size    float64          `json:"size" doc:"Of the pane, mm"`
	Doubt   float64          `json:"doubt" doc:"Either way, 19 times in 20, mm"`
	Says    []Says           `json:"says"`
	Words   string           `json:"words" doc:"What they agree on, who lies, what was not checked"`
	Tell    string           `json:"tell" doc:"What reading would tell most; empty where they agree"`
	Figures []working.Figure `json:"figures"`
}

// far is how many standard deviations a witness is off the others before it is
// named, and apart how many two of them differ before they disagree. A doubt is
// taken as even over its width: σ = doubt / √3.
const (
	far   = 3.0
	apart = 2.5
)

// sure is 19 times in 20 of a sum of many doubts, in standard deviations.
const sure = 1.96

// stand turns what was read into the pane's own size.
func (h Heard) stand(clearance float64) (Says, error) {
	k, err := Book.ByID(h.Kind)
	if err != nil {
		return Says{}, err
	}
	switch {
	case !(h.Value > 0 && h.Value <= 20000):
		return Says{}, fault.New("value", "a length above 0 and up to 20 m is expected", "give it in mm")
	case !(h.Doubt >= 0 && h.Doubt <= 100):
		return Says{}, fault.New("doubt", "a doubt from 0 to 100 mm is expected", "leave it out for the usual one")
	case h.Cracks < 0 || h.Cracks > 40:
		return Says{}, fault.New("cracks", "from 0 to 40 cracks are expected", "count those that the tape crosses")
	case !(h.Pen >= 0 && h.Pen <= 20):
		return Says{}, fault.New("pen", "a line from 0 to 20 mm is expected", "measure how wide it is")
	}
	s := Says{Kind: k.ID, Name: k.Name, Size: h.Value, Doubt: h.Doubt, Formula: "as read"}
	if s.Doubt == 0 {
		s.Doubt = k.Doubt.V
		if k.Share {
			s.Doubt = k.Doubt.V / 100 * h.Value
		}
	}
	switch k.ID {
	case Groove:
		s.Formula = "the groove's length, shaped as the others say"
	case "opening":
		s.Size, s.Formula = h.Value-2*clearance, fmt.Sprintf("%s − 2 × %s", length.Metric(h.Value),
			working.Num(clearance, 1))
	case "pieces":
		s.Size, s.Formula = h.Value-perCrack*float64(h.Cracks),
			fmt.Sprintf("%s − %d × %s", length.Metric(h.Value), h.Cracks, working.Num(perCrack, 1))
		s.Doubt += perCrack / 2 * float64(h.Cracks)
	case "traced":
		s.Size, s.Formula = h.Value-h.Pen, fmt.Sprintf("%s − %s of line", length.Metric(h.Value), working.Num(h.Pen, 1))
	}
	return s, nil
}

func (s Says) sigma() float64 { return s.Doubt / math.Sqrt(3) }

// join is the mean by weights 1/σ², with its σ.
func join(says []Says) (mean, sigma float64) {
	var sum, weight float64
	for _, s := range says {
		w := 1 / (s.sigma() * s.sigma())
		sum, weight = sum+w*s.Size, weight+w
	}
	return sum / weight, 1 / math.Sqrt(weight)
}

// offOf is how far each lies from the others together, in standard deviations,
// and in mm.
func offOf(says []Says, i int) (sigmas, mm float64) {
	rest := slices.Delete(slices.Clone(says), i, i+1)
	mean, sigma := join(rest)
	d := says[i].Size - mean
	return math.Abs(d) / math.Hypot(says[i].sigma(), sigma), d
}

// agree says whether no one of them is far from the others.
func agree(says []Says) bool {
	if len(says) < 2 {
		return true
	}
	for i := range says {
		limit := far
		if len(says) == 2 {
			limit = apart
		}
		if z, _ := offOf(says, i); z > limit {
			return false
		}
	}
	return true
}

// liar is the one without whom the others agree, −1 where there is none or
// where it cannot be told: of two that disagree either may be wrong. Where
// leaving out either of two makes the rest agree, it is the one that is farther
// off the others, in its own doubts.
func liar(says []Says) int {
	if len(says) < 3 || agree(says) {
		return -1
	}
	worst, most := -1, 0.0
	for i := range says {
		rest := slices.Delete(slices.Clone(says), i, i+1)
		if z, _ := offOf(says, i); agree(rest) && z > most {
			worst, most = i, z
		}
	}
	return worst
}

// Join gives the size that the witnesses stand for along one direction. clearance
// is the way of holding's, each side, mm: the opening speaks by it. It returns a
// *fault.Error that names the witness.
func Join(heard []Heard, clearance float64) (Joined, error) {
	out := Joined{Says: []Says{}, Figures: []working.Figure{}}
	if len(heard) == 0 || len(heard) > 20 {
		return out, fault.New("heard", "nobody was heard yet",
			"read one thing at least: the opening, the old pane, a neighbour")
	}
	if !(clearance >= 0 && clearance <= 50) {
		return out, fault.New("clearance", "a clearance from 0 to 50 mm is expected", "give it for one side")
	}
	for i, h := range heard {
		s, err := h.stand(clearance)
		if f := fault.Of(err); f != nil {
			return out, fault.New(fmt.Sprintf("heard[%d].%s", i, f.Field), f.Why, f.Cure)
		}
		if s.Size <= 0 {
			return out, fault.New(fmt.Sprintf("heard[%d].value", i), "it leaves no pane",
				"look at the reading and the clearance")
		}
		out.Says = append(out.Says, s)
	}
	l := liar(out.Says)
	counted := out.Says
	if l >= 0 {
		out.Says[l].Liar = true
		counted = slices.Delete(slices.Clone(out.Says), l, l+1)
	}
	mean, sigma := join(counted)
	out.Size, out.Doubt = mean, sure*sigma
	if len(counted) == 1 { // one doubt alone is even, not a sum of many
		out.Doubt = counted[0].Doubt
	}
	for i := range out.Says {
		if out.Says[i].Off = out.Says[i].Size - mean; len(out.Says) > 1 {
			_, out.Says[i].Off = offOf(out.Says, i)
		}
	}
	out.words(l, counted)
	out.Figures = append(out.Figures, out.figure(counted))
	return out, nil
}

func (j *Joined) words(l int, counted []Says) {
	first, _ := Book.ByID(counted[0].Kind)
	switch {
	case len(j.Says) == 1:
		j.Words = fmt.Sprintf("%s alone says so; nothing checks it. Usually: %s.", upper(first.Name), first.Lie)
		j.Tell = other(j.Says)
	case l >= 0:
		k, _ := Book.ByID(j.Says[l].Kind)
		j.Words = fmt.Sprintf("%s is off by %s mm from the others, who agree: left out. Usually: %s.", upper(k.Name),
			working.Num(j.Says[l].Off, 1), k.Lie)
		j.Tell = k.Tell
	case !agree(j.Says):
		worst, z := 0, 0.0
		for i := range j.Says {
			if v, _ := offOf(j.Says, i); v > z {
				worst, z = i, v
			}
		}
		k, _ := Book.ByID(j.Says[worst].Kind)
		if len(j.Says) == 2 {
			o, _ := Book.ByID(j.Says[1-worst].Kind)
			j.Words = fmt.Sprintf("The two differ by %s mm and one of them is wrong. Of %s: %s. Of %s: %s.",
				working.Num(math.Abs(j.Says[0].Size-j.Says[1].Size), 1), k.Name, k.Lie, o.Name, o.Lie)
			j.Tell = other(j.Says)
			j.Doubt = math.Max(j.Doubt, math.Abs(j.Says[0].Size-j.Says[1].Size)/2)
			return
		}
		j.Words = fmt.Sprintf("They do not agree, and no one of them alone is wrong; farthest off is %s: %s.", k.Name, k.Lie)
		j.Tell = k.Tell
		for _, s := range j.Says {
			j.Doubt = math.Max(j.Doubt, math.Abs(s.Size-j.Size))
		}
	default:
		j.Words = fmt.Sprintf("%d agree.", len(j.Says))
	}
	if !slices.ContainsFunc(j.Says, func(s Says) bool { return s.Kind == "opening" }) {
		j.Words += " The opening itself was not read: the pane may not go in."
	}
}

// other is what would tell most beside what was heard: the opening first, then
// the old pane, then a neighbour.
func other(says []Says) string {
	for _, id := range []string{"opening", "old", "neighbour"} {
		if !slices.ContainsFunc(says, func(s Says) bool { return s.Kind == id }) {
			k, _ := Book.ByID(id)
			return "read " + k.Name
		}
	}
	k, _ := Book.ByID(says[0].Kind)
	return k.Tell
}

func (j Joined) figure(counted []Says) working.Figure {
	in := make([]working.Input, 0, 2*len(counted))
	formula := make([]string, 0, len(counted))
	for i, s := range counted {
		v, d := fmt.Sprintf("v%d", i+1), fmt.Sprintf("d%d", i+1)
		in = append(in, working.In(v, s.Name+", "+s.Formula, s.Size, "mm", value.Read("")),
			working.In(d, "its doubt", s.Doubt, "mm", value.Custom()))
		formula = append(formula, fmt.Sprintf("{%s} / {%s}²", v, d))
	}
	return working.Figure{Key: "witnessed", Value: j.Size, Unit: "mm", Verdict: working.Note,
		Sentence: fmt.Sprintf("is what they stand for, ±%s mm", working.Num(j.Doubt, 1)),
		Working: working.Of("("+strings.Join(formula, " + ")+") ÷ the sum of the weights", j.Size, "mm", in...).
			With("Each counts by one over its doubt squared; a doubt is taken as even over its width.")}
}

func upper(s string) string { return strings.ToUpper(s[:1]) + s[1:] }
