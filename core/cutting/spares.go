package cutting

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Tries is what is known of how often a cut comes out good: the usual chance, and how
// it went here before.
type Tries struct {
	Usual float64 `json:"usual" minimum:"0" maximum:"1" doc:"Chance that a blank becomes good, when nothing is known here"`
	Of    float64 `json:"of,omitempty" minimum:"0" doc:"Tries it stands for; 0: as many as it names"`
	Good  int     `json:"good,omitempty" minimum:"0" maximum:"100000" doc:"How many came out good here"`
	Bad   int     `json:"bad,omitempty" minimum:"0" maximum:"100000" doc:"How many broke"`
}

// weighs is how many tries of one's own the usual chance counts as: as many as it stands
// for, the fewest of which it can be said. 0.95 is 19 of 20, 0.7 is 7 of 10.
func (t Tries) weighs() float64 {
	if t.Of > 0 {
		return t.Of
	}
	for n := 1.0; n <= mostNamed; n++ {
		if good := math.Round(t.Usual * n); math.Abs(good-t.Usual*n) < 1e-9 {
			return n
		}
	}
	return mostNamed
}

// mostNamed is how many tries a chance that is no plain share stands for.
const mostNamed = 20.0

// said says whose word the chance is: the usual one's, that of the hands that cut, or both.
func (t Tries) said() string {
	switch n := t.Good + t.Bad; {
	case n == 0:
		return "by what is usual: nothing was cut in your hands yet"
	case float64(n) < t.weighs():
		return fmt.Sprintf("by what is usual, and %d of %d good in your hands", t.Good, n)
	default:
		return fmt.Sprintf("by %d of %d good in your hands", t.Good, n)
	}
}

// Chance is the chance that the next one comes out good: the usual one, bettered by
// what happened (Beta-binomial; the mean of the posterior).
func (t Tries) Chance() float64 {
	a, b := t.posterior()
	return a / (a + b)
}

// posterior is what is known of the chance, as Beta(a, b).
func (t Tries) posterior() (a, b float64) {
	w := t.weighs()
	return t.Usual*w + float64(t.Good), (1-t.Usual)*w + float64(t.Bad)
}

// Rung is how surely so many blanks give enough good panes.
type Rung struct {
	Blanks int     `json:"blanks"`
	Chance float64 `json:"chance" doc:"Of at least as many good ones as are wanted"`
}

// Spares are how many blanks to cut.
type Spares struct {
	Want   int            `json:"want"`
	Each   float64        `json:"each" doc:"Chance that one comes out good"`
	Sure   float64        `json:"sure" doc:"How surely there are enough"`
	By     string         `json:"by" doc:"Whose word the chance is: what is usual, or the hands that cut"`
	Blanks int            `json:"blanks" doc:"To cut, or to have glass for"`
	Ladder []Rung         `json:"ladder"`
	Figure working.Figure `json:"figure"`
}

// mostBlanks ends a ladder that would never be sure.
const mostBlanks = 60

// Ladder is how many blanks it takes to have at least want good ones with a chance of
// sure. What happened here is drawn over the whole of what the chance may be: n blanks
// give k good ones by the Beta-binomial distribution. It returns a *fault.Error for
// numbers that cannot be.
func Ladder(want int, sure float64, t Tries) (Spares, error) {
	switch {
	case want < 1 || want > 20:
		return Spares{}, fault.New("want", "from 1 to 20 panes are expected", "take more in parts")
	case !(sure > 0 && sure < 1):
		return Spares{}, fault.New("sure", "a chance between 0 and 1 is expected", "0.95 is usual")
	case !(t.Usual > 0 && t.Usual < 1):
		return Spares{}, fault.New("tries.usual", "a chance between 0 and 1 is expected", "0.9 for a straight cut")
	case t.Good < 0 || t.Bad < 0:
		return Spares{}, fault.New("tries.good", "counts from 0 up are expected", "leave them out when nothing is known")
	}
	out := Spares{Want: want, Each: t.Chance(), Sure: sure, By: t.said()}
	known := t.Good+t.Bad > 0
	for n := want; n <= mostBlanks; n++ {
		c := binomial(n, want, t.Usual)
		if known {
			a, b := t.posterior()
			c = betaBinomial(n, want, a, b)
		}
		out.Ladder = append(out.Ladder, Rung{n, c})
		if c >= sure {
			out.Blanks = n
			break
		}
	}
	if out.Blanks == 0 {
		return out, fault.New("tries.usual", fmt.Sprintf("not even %d blanks are enough for that", mostBlanks),
			"have it cut, or be content with less sure")
	}
	last := out.Ladder[len(out.Ladder)-1].Chance
	formula, from := "Σ over k from {k} to {n} of the binomial with {s}", value.Custom()
	if known {
		formula, from = "Σ over k from {k} to {n} of the Beta-binomial with mean {s}", value.Sum()
	}
	out.Figure = working.Figure{Key: "spares", Value: last * 100, Unit: "in 100", Verdict: working.Note,
		Text:     working.Num(last*100, 1) + " in 100",
		Sentence: fmt.Sprintf("sure of %d good with %d cut", want, out.Blanks),
		Working: working.Of(formula, last*100, "in 100", working.In("k", "wanted", float64(want), "", value.Sum()),
			working.In("n", "blanks", float64(out.Blanks), "", value.Sum()),
			working.In("s", "chance that one comes out good", out.Each, "", from))}
	return out, nil
}

// binomial is the chance of at least k good ones of n.
func binomial(n, k int, s float64) float64 {
	sum := 0.0
	for i := k; i <= n; i++ {
		sum += math.Exp(choose(n, i) + float64(i)*math.Log(s) + float64(n-i)*math.Log(1-s))
	}
	return sum
}

// betaBinomial is the same where the chance itself is spread as Beta(a, b).
func betaBinomial(n, k int, a, b float64) float64 {
	sum := 0.0
	for i := k; i <= n; i++ {
		sum += math.Exp(choose(n, i) + beta(float64(i)+a, float64(n-i)+b) - beta(a, b))
	}
	return sum
}

func choose(n, k int) float64 {
	return lgamma(float64(n+1)) - lgamma(float64(k+1)) - lgamma(float64(n-k+1))
}

func beta(a, b float64) float64 { return lgamma(a) + lgamma(b) - lgamma(a+b) }

func lgamma(v float64) float64 {
	g, _ := math.Lgamma(v)
	return g
}

// UsualChance is how often a blank becomes a good pane when nothing is known: straight
// cuts nearly always, a shape that is broken out less often. Common practice, no source.
func UsualChance(shaped bool) float64 {
	if shaped {
		return 0.7
	}
	return 0.95
}

// WorthOf is what a kept offcut is worth of its price.
func WorthOf(r Rules) float64 {
	if r.Worth > 0 {
		return r.Worth
	}
	return usualWorth
}
