package caution

import (
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
	for id, word := range map[string]string{"asbestos-rope": "licensed", "co": "licensed", "power": "licensed", "gas": "licensed", "lead": "local rules", "safety-code": "local code"} {
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
	words := []string{"fire", "old", "power", "gas", "oven", "kiln", "outdoors", "strike", "heavy", "toughened", "putty", "vehicle", "water", "adhesive", "pressure", "plastic", "rubber"}
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
	if last != len(All()) {
		t.Errorf("with every fact %d of %d apply", last, len(All()))
	}
}
