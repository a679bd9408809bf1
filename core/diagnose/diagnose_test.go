package diagnose

import (
	"math"
	"math/rand/v2"
	"slices"
	"testing"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/pane"
)

// tables are the two that the package has, with their questions.
var tables = map[string]struct {
	qs   []Question
	rows []entry
}{"causes": {questions, causes}, "old pane": {clues, olds}}

func TestTablesHoldTogether(t *testing.T) {
	for name, tab := range tables {
		known := map[string]bool{}
		for _, q := range tab.qs {
			if q.Ask == "" || len(q.Answers) < 2 {
				t.Errorf("%s: question %s says too little", name, q.ID)
			}
			for _, a := range q.Answers {
				known[q.ID+"."+a.ID] = true
			}
		}
		for _, r := range tab.rows {
			for k, w := range r.Weights {
				if !known[k] || w.Reason == "" || w.Value == 0 {
					t.Errorf("%s: %s weighs %s without a question, a reason or a weight", name, r.ID, k)
				}
			}
			for _, c := range r.Changes {
				if !slices.Contains(family.Stations, family.Station(c.Station)) || c.Text == "" {
					t.Errorf("%s: %s changes %+v", name, r.ID, c)
				}
			}
		}
	}
	for _, c := range causes {
		if len(c.Changes) == 0 {
			t.Errorf("%s changes nothing in the plan", c.ID)
		}
	}
	for _, o := range olds {
		if _, err := pane.Book.ByID(o.ID); err != nil {
			t.Errorf("old pane: %v", err)
		}
	}
}

// best is the evidence that speaks most for an entry.
func best(qs []Question, e entry) Evidence {
	out := Evidence{}
	for _, q := range qs {
		most := 0.0
		for _, a := range q.Answers {
			if w := e.Weights[q.ID+"."+a.ID].Value; w > most {
				most, out[q.ID] = w, a.ID
			}
		}
	}
	return out
}

// Every cause can come first for some plausible evidence.
func TestEveryoneCanComeFirst(t *testing.T) {
	for name, tab := range tables {
		for _, r := range tab.rows {
			got := rank(tab.qs, tab.rows, best(tab.qs, r))
			if got[0].ID != r.ID || got[0].Score <= got[1].Score {
				t.Errorf("%s: with all that speaks for %s, %s (%v) comes before %s (%v)", name, r.ID, got[0].ID, got[0].Score,
					got[1].ID, got[1].Score)
			}
		}
	}
}

// No single tick decides against three others: where three answers each speak
// by one or more for a against b, no fourth can put b before a.
func TestNoTickOutweighsThree(t *testing.T) {
	for name, tab := range tables {
		for _, a := range tab.rows {
			for _, b := range tab.rows {
				if a.ID == b.ID {
					continue
				}
				lead, worst := []float64{}, 0.0
				for _, q := range tab.qs {
					top := 0.0
					for _, c := range q.Answers {
						k := q.ID + "." + c.ID
						d := a.Weights[k].Value - b.Weights[k].Value
						top, worst = math.Max(top, d), math.Min(worst, d)
					}
					if top >= 1 {
						lead = append(lead, top)
					}
				}
				slices.Sort(lead)
				if len(lead) >= 3 && lead[0]+lead[1]+lead[2]+worst <= 0 {
					t.Errorf("%s: one tick for %s (%v) decides against three for %s (%v)", name, b.ID, worst, a.ID, lead[:3])
				}
			}
		}
	}
}

// The order of answers does not matter, and shares are shares.
func TestSharesAndOrder(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 9))
	for range 200 {
		e := Evidence{}
		for _, q := range questions {
			if r.IntN(2) == 0 {
				e[q.ID] = q.Answers[r.IntN(len(q.Answers))].ID
			}
		}
		first, err := Why(e)
		if err != nil {
			t.Fatal(err)
		}
		again := Evidence{}
		keys := make([]string, 0, len(e))
		for k := range e {
			keys = append(keys, k)
		}
		r.Shuffle(len(keys), func(i, j int) { keys[i], keys[j] = keys[j], keys[i] })
		for _, k := range keys {
			again[k] = e[k]
		}
		second, _ := Why(again)
		sum := 0.0
		for i := range first.Ranked {
			sum += first.Ranked[i].Share
			if first.Ranked[i].ID != second.Ranked[i].ID || first.Ranked[i].Score != second.Ranked[i].Score {
				t.Fatalf("the order of answers changed the order of causes: %v", e)
			}
		}
		if math.Abs(sum-1) > 1e-9 {
			t.Fatalf("shares add up to %v", sum)
		}
	}
}

// Plain cases. Common practice, no source.
func TestWhy(t *testing.T) {
	for _, c := range []struct {
		name string
		in   Evidence
		want string
	}{
		{"bracket, tight", Evidence{"origin": "fixing", "fixings": "tight"}, "over-tight"},
		{"wet cloth on a hot pane", Evidence{"doing": "wet", "look": "lone", "origin": "edge"}, "thermal-shock"},
		{"dice from nothing", Evidence{"look": "dice", "doing": "nothing", "mark": "bull"}, "inner-flaw"},
		{"a star", Evidence{"look": "star", "origin": "middle"}, "blow"},
		{"rust", Evidence{"rust": "rusty", "age": "decades", "doing": "nothing"}, "rust-jacking"},
		{"fell out whole", Evidence{"look": "whole", "seal": "let-go"}, "bond-failed"},
	} {
		r, err := Why(c.in)
		if err != nil || r.Ranked[0].ID != c.want || len(r.Ranked[0].For) == 0 {
			t.Errorf("%s: %s, %v", c.name, r.Sentence, err)
		}
		if ch, err := Changes(r.Ranked[0].ID); err != nil || len(ch) == 0 {
			t.Errorf("%s: no changes, %v", c.name, err)
		}
	}
}

// The next question is one that is open, and answering it can part the two.
func TestNextPartsTheFirstTwo(t *testing.T) {
	e := Evidence{"doing": "first-fire"}
	r, err := Why(e)
	if err != nil || r.Next == nil {
		t.Fatalf("%+v, %v", r, err)
	}
	for _, q := range questions {
		if q.ID != r.Next.Question {
			continue
		}
		for _, a := range q.Answers {
			if a.Say == r.Next.First || a.Say == r.Next.Second {
				with := Evidence{"doing": "first-fire", q.ID: a.ID}
				after := rank(questions, causes, with)
				one, two := 0.0, 0.0
				for _, k := range after {
					if k.ID == r.Ranked[0].ID {
						one = k.Score
					}
					if k.ID == r.Ranked[1].ID {
						two = k.Score
					}
				}
				if one == two {
					t.Errorf("%s = %s leaves them level", q.ID, a.ID)
				}
			}
		}
	}
}

func TestOldPane(t *testing.T) {
	for _, c := range []struct {
		in   Evidence
		want string
	}{
		{Evidence{"broke": "dice", "edge": "seamed"}, "toughened"}, {Evidence{"edge": "layers"}, "laminated"},
		{Evidence{"colour": "amber", "stamp": "heat"}, "glass-ceramic"},
		{Evidence{"tap": "warm", "pin": "dent", "broke": "bent"}, "polycarbonate"},
		{Evidence{"broke": "daggers", "edge": "cut", "colour": "green"}, "annealed"},
	} {
		r, err := OldPane(c.in)
		if err != nil || r.Ranked[0].ID != c.want {
			t.Errorf("%v: %s, %v", c.in, r.Sentence, err)
		}
	}
	r, err := OldPane(Evidence{"corner": "lower-left", "reads": "outside"})
	if err != nil || r.Ranked[0].Score != 0 {
		t.Errorf("the stamp's place told the material: %s, %v", r.Sentence, err)
	}
}

func TestRefuses(t *testing.T) {
	if _, err := Why(Evidence{"origin": "moon"}); fault.Of(err) == nil {
		t.Errorf("%v", err)
	}
	if _, err := Why(Evidence{"weather": "wet"}); fault.Of(err) == nil {
		t.Errorf("%v", err)
	}
	if _, err := Changes("curse"); fault.Of(err) == nil {
		t.Errorf("%v", err)
	}
	var w Weight
	for _, bad := range []string{`[3, "too much"]`, `["1", "x"]`, `[1]`, `1`} {
		if w.UnmarshalJSON([]byte(bad)) == nil {
			t.Errorf("%s was taken for a weight", bad)
		}
	}
}
