// Package diagnose ranks why a pane broke and what the old pane was, from what
// a technician can see. It is judgement kept as data: each observation speaks
// for or against a cause with a weight and a reason. Common practice, no source.
package diagnose

import (
	_ "embed"
	"encoding/json"
	"fmt"
	"math"
	"sort"

	"freshshard/core/catalogue"
	"freshshard/core/family"
	"freshshard/core/fault"
)

// Question is one thing to look at or to ask, with its possible answers.
type Question struct {
	ID      string   `json:"id"`
	Ask     string   `json:"ask"`
	On      string   `json:"on,omitempty" doc:"pane: answered by tapping the drawing of the pane"`
	Answers []Choice `json:"answers"`
}

// Choice is one answer.
type Choice struct {
	ID  string `json:"id"`
	Say string `json:"say"`
}

// Evidence is the answers so far: question to answer.
type Evidence map[string]string

// Weight is how much an observation speaks for something, in natural
// logarithms of odds, with its reason. It lies between −0.9 and 2, so that no
// single observation outweighs three others that each speak by one.
type Weight struct {
	Value  float64
	Reason string
}

// Bounds of a weight: their distance stays below three.
const (
	weightLeast = -0.9
	weightMost  = 2.0
)

// UnmarshalJSON reads [value, "reason"].
func (w *Weight) UnmarshalJSON(b []byte) error {
	var pair []any
	if err := json.Unmarshal(b, &pair); err != nil {
		return err
	}
	if len(pair) == 2 {
		v, ok1 := pair[0].(float64)
		r, ok2 := pair[1].(string)
		if ok1 && ok2 && v >= weightLeast && v <= weightMost {
			w.Value, w.Reason = v, r
			return nil
		}
	}
	return fmt.Errorf("a weight is [value between %v and %v, reason], not %s", weightLeast, weightMost, b)
}

// Change is what a plan must contain when a cause is accepted.
type Change struct {
	Key     string `json:"key"`
	Station string `json:"station"`
	Text    string `json:"text"`
}

// entry is one cause, or one material, with the observations that speak.
type entry struct {
	ID      string            `json:"id"`
	Name    string            `json:"name"`
	Weights map[string]Weight `json:"weights"` // "question.answer"
	Changes []Change          `json:"changes,omitempty"`
	From    map[string]string `json:"from,omitempty"`    // causes that can stand behind it, each with how
	Tell    string            `json:"tell,omitempty"`    // what the customer is told
	Beware  string            `json:"beware,omitempty"`  // what a new pane has to be better at
	Sizings []family.Sizing   `json:"sizings,omitempty"` // ways of holding in which it can be; none means all
}

//go:embed evidence.json
var evidenceFile []byte

//go:embed causes.json
var causesFile []byte

var (
	questions = catalogue.Must[[]Question](evidenceFile, "evidence.json")
	causes    = catalogue.Must[[]entry](causesFile, "causes.json")
)

// Questions lists what may be asked about a break, in the order of asking.
func Questions() []Question { return questions }

// check refuses answers that are not among the questions'.
func check(qs []Question, e Evidence) error {
	for q, a := range e {
		found := false
		for _, k := range qs {
			if k.ID != q {
				continue
			}
			for _, c := range k.Answers {
				found = found || c.ID == a
			}
		}
		if !found {
			return fault.New("evidence."+q, fmt.Sprintf("%q is not an answer here", a), "choose one of the list")
		}
	}
	return nil
}

// Point is one observation that speaks for or against.
type Point struct {
	Question string  `json:"question"`
	Say      string  `json:"say"`
	Weight   float64 `json:"weight"`
	Reason   string  `json:"reason"`
}

// Ranked is a cause or a material with its share of belief and what speaks for
// and against it.
type Ranked struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Score   float64  `json:"score" doc:"Sum of the weights"`
	Share   float64  `json:"share" doc:"0 to 1, all together 1"`
	For     []Point  `json:"for"`
	Against []Point  `json:"against"`
	Changes []Change `json:"changes,omitempty"`
}

// rank sums the weights and turns them into shares. The order of answering
// plays no part: sums do not care.
func rank(qs []Question, table []entry, e Evidence) []Ranked {
	out := make([]Ranked, 0, len(table))
	total := 0.0
	for _, t := range table {
		r := Ranked{ID: t.ID, Name: t.Name, For: []Point{}, Against: []Point{}, Changes: t.Changes}
		for _, q := range qs {
			a, ok := e[q.ID]
			if !ok {
				continue
			}
			w, ok := t.Weights[q.ID+"."+a]
			if !ok {
				continue
			}
			p := Point{Question: q.ID, Say: say(q, a), Weight: w.Value, Reason: w.Reason}
			r.Score += w.Value
			if w.Value > 0 {
				r.For = append(r.For, p)
			} else {
				r.Against = append(r.Against, p)
			}
		}
		total += math.Exp(r.Score)
		out = append(out, r)
	}
	for i := range out {
		out[i].Share = math.Exp(out[i].Score) / total
	}
	sort.SliceStable(out, func(i, j int) bool { return out[i].Score > out[j].Score })
	return out
}

func say(q Question, answer string) string {
	for _, c := range q.Answers {
		if c.ID == answer {
			return c.Say
		}
	}
	return answer
}

// Next is the one observation that would best tell the first two apart.
type Next struct {
	Question string `json:"question"`
	Ask      string `json:"ask"`
	First    string `json:"first" doc:"The answers that would speak for the first"`
	Second   string `json:"second" doc:"The answers that would speak for the second"`
}

// next looks for the open question whose answers pull the first two farthest
// apart, both ways if it can.
func next(qs []Question, table []entry, e Evidence, ranked []Ranked) *Next {
	if len(ranked) < 2 || len(e) == 0 {
		return nil
	}
	one, two := find(table, ranked[0].ID), find(table, ranked[1].ID)
	var best *Next
	most := 0.0
	for _, q := range qs {
		if _, answered := e[q.ID]; answered {
			continue
		}
		low, high := 0.0, 0.0
		n := Next{Question: q.ID, Ask: q.Ask}
		for _, c := range q.Answers {
			d := one.Weights[q.ID+"."+c.ID].Value - two.Weights[q.ID+"."+c.ID].Value
			if d > high {
				high, n.First = d, c.Say
			}
			if d < low {
				low, n.Second = d, c.Say
			}
		}
		if high-low > most {
			most = high - low
			best = &n
		}
	}
	return best
}

func find(table []entry, id string) entry {
	for _, t := range table {
		if t.ID == id {
			return t
		}
	}
	return entry{}
}
