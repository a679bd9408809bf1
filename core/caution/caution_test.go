package caution

import (
	"slices"
	"strings"
	"testing"
)

// Each caution says what and why; those that reach past the technician step
// back for licensed people or local rules.
func TestCautionsSayWhy(t *testing.T) {
	seen := map[string]bool{}
	for _, c := range All() {
		if seen[c.ID] || c.Title == "" || len(c.Text) < 20 || len(c.Reason) < 10 {
			t.Errorf("%s is twice or says too little", c.ID)
		}
		seen[c.ID] = true
	}
	for id, word := range map[string]string{"asbestos-rope": "licensed", "co": "licensed", "power": "licensed",
		"gas": "licensed", "lead": "local rules", "safety-code": "local code"} {
		found := false
		for _, c := range All() {
			found = found || c.ID == id && strings.Contains(c.Text, word)
		}
		if !found {
			t.Errorf("%s does not step back with %q", id, word)
		}
	}
}

// More facts never take a caution away.
func TestMoreFactsNeverFewerCautions(t *testing.T) {
	words := []string{"fire", "old", "power", "gas", "oven", "kiln", "outdoors", "strike", "heavy", "toughened", "putty",
		"vehicle", "driven", "panel", "boiler", "water", "adhesive", "pressure", "plastic", "rubber", "pack"}
	f := Facts{}
	work, customer := For(f)
	if len(work) < 2 {
		t.Fatalf("with no facts only %d cautions", len(work))
	}
	last := len(work) + len(customer)
	for _, w := range words {
		f[w] = true
		work, customer = For(f)
		if now := len(work) + len(customer); now < last {
			t.Errorf("%s took cautions away: %d, then %d", w, last, now)
		} else {
			last = now
		}
	}
	// One is for young bonds on what does not drive, and makes room for another.
	if last != len(All())-1 {
		t.Errorf("with every fact %d of %d apply", last, len(All()))
	}
}

// Several facts each of which is enough, and one that takes another's place.
func TestAnyAndUnless(t *testing.T) {
	has := func(id string, words ...string) bool {
		f := Facts{}
		for _, w := range words {
			f[w] = true
		}
		work, customer := For(f)
		return slices.ContainsFunc(append(work, customer...), func(c Caution) bool { return c.ID == id })
	}
	for _, c := range []struct {
		id    string
		words []string
		want  bool
	}{
		{"asbestos-rope", []string{"old"}, false}, {"asbestos-rope", []string{"old", "fire"}, true},
		{"asbestos-rope", []string{"old", "kiln"}, true}, {"asbestos-rope", []string{"old", "pressure"}, true},
		{"asbestos-rope", []string{"oven"}, false},
		{"bond-young", []string{"adhesive"}, false}, {"bond-young", []string{"adhesive", "driven"}, true},
		{"bond-rest", []string{"adhesive"}, true}, {"bond-rest", []string{"adhesive", "driven"}, false},
		{"bond-rest", []string{"adhesive", "water"}, true},
		{"vehicle", []string{"vehicle"}, false}, {"vehicle", []string{"vehicle", "driven"}, true},
		{"vehicle-mark", []string{"vehicle"}, true},
	} {
		if got := has(c.id, c.words...); got != c.want {
			t.Errorf("%s with %v: %v", c.id, c.words, got)
		}
	}
}
