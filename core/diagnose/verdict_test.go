package diagnose

import (
	"encoding/json"
	"math"
	"strings"
	"testing"
)

// table of two causes that one answer speaks for by a weight.
func twoCauses(w float64) []entry {
	return []entry{{ID: "a", Name: "A", Weights: map[string]Weight{"q.yes": {Value: w, Reason: "r"}}},
		{ID: "b", Name: "B", Weights: map[string]Weight{}}}
}

var asked = []Question{{ID: "q", Ask: "?", Answers: []Choice{{"yes", "Yes"}, {"no", "No"}}},
	{ID: "p", Ask: "??", Answers: []Choice{{"one", "One"}, {"two", "Two"}}}}

// Shares are those of the sums' exponentials; what speaks against a cause is
// told as such.
func TestShares(t *testing.T) {
	for _, w := range []float64{1, 0, -0.5} {
		r := rank(asked, twoCauses(w), Evidence{"q": "yes"})
		share := map[string]float64{r[0].ID: r[0].Share, r[1].ID: r[1].Share}
		if want := math.Exp(w) / (math.Exp(w) + 1); math.Abs(share["a"]-want) > 1e-12 ||
			math.Abs(share["a"]+share["b"]-1) > 1e-12 {
			t.Errorf("a weight of %v: %v", w, share)
		}
		for _, x := range r {
			if x.ID == "a" && (len(x.For) == 1) != (w > 0) {
				t.Errorf("a weight of %v: for %v, against %v", w, x.For, x.Against)
			}
		}
	}
}

// The next question is the open one whose answers pull the first two farthest
// apart, and says which answer speaks for which.
func TestNextQuestion(t *testing.T) {
	table := []entry{
		{ID: "a", Name: "A", Weights: map[string]Weight{"q.yes": {Value: 1}, "p.one": {Value: 1.5}, "p.two": {Value: -0.5}}},
		{ID: "b", Name: "B", Weights: map[string]Weight{"p.two": {Value: 1}}},
	}
	e := Evidence{"q": "yes"}
	n := next(asked, table, e, rank(asked, table, e))
	if n == nil || n.Question != "p" || n.First != "One" || n.Second != "Two" {
		t.Errorf("%+v", n)
	}
	if n := next(asked, table, Evidence{}, rank(asked, table, Evidence{})); n != nil {
		t.Errorf("before anything was seen: %+v", n)
	}
	all := Evidence{"q": "yes", "p": "one"}
	if n := next(asked, table, all, rank(asked, table, all)); n != nil {
		t.Errorf("with everything answered: %+v", n)
	}
}

// Likely is said from a half on.
func TestLikelyToItsLimit(t *testing.T) {
	seenLikely, seenPerhaps := false, false
	for _, q := range Questions() {
		for _, a := range q.Answers {
			r, err := Why(Evidence{q.ID: a.ID})
			if err != nil {
				t.Fatal(err)
			}
			likely := strings.Contains(r.Sentence, "most likely")
			if likely != (r.Ranked[0].Share >= 0.5) {
				t.Errorf("%s.%s: a share of %v is told as %q", q.ID, a.ID, r.Ranked[0].Share, r.Sentence)
			}
			seenLikely, seenPerhaps = seenLikely || likely, seenPerhaps || strings.Contains(r.Sentence, "perhaps")
		}
	}
	if r, _ := Why(nil); r.Sentence != "Nothing observed yet." {
		t.Errorf("%q", r.Sentence)
	}
	if !seenPerhaps {
		t.Error("no single answer leaves a doubt")
	}
	strong := Evidence{"origin": "fixing", "fixings": "tight"}
	if r, err := Why(strong); err != nil || r.Ranked[0].ID != "over-tight" || !strings.Contains(r.Sentence, "in 100)") {
		t.Errorf("%+v, %v", r.Sentence, err)
	}
	_ = seenLikely
}

// A weight that one tick could outvote three others with is refused.
func TestWeightsAreGuarded(t *testing.T) {
	for text, ok := range map[string]bool{
		`[2, "r"]`: true, `[2.01, "r"]`: false, `[-0.9, "r"]`: true, `[-0.91, "r"]`: false, `[0, "r"]`: true,
		`[1]`: false, `["r", 1]`: false, `[1, "r", 2]`: false, `1`: false,
	} {
		var w Weight
		if err := json.Unmarshal([]byte(text), &w); (err == nil) != ok {
			t.Errorf("%s: %v", text, err)
		}
	}
}
