package plan

import (
	"fmt"
	"strings"
	"testing"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/work"
	"freshshard/tools/golden"
)

// The plan of each way of holding, plain and with every fact at once: steps in
// their order with all that is said at them.
func TestPlansAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	for _, f := range family.Book.All() {
		e, err := exposure.Book.ByID(f.Exposure)
		if err != nil {
			t.Fatal(err)
		}
		for _, facts := range []Facts{
			{Exposure: e},
			{Exposure: e, Power: true, Gas: true, Vehicle: true, Water: true, Old: true, Strike: true, Burst: true, Weight: 20,
				Longest: 1000},
			{Exposure: e, Weight: 20.1, Longest: 1001,
				Required: []Required{{Key: "fix-x", Station: "set", Text: "Soft washers.", Why: "Why it broke."},
					{Key: "fix-y", Station: "nowhere", Text: "?", Why: "?"}}},
		} {
			if facts.Weight > 0 && f.ID != "clip-heat" && f.ID != "bonded-fixed" && f.ID != "window-pack" &&
				f.ID != "gauge-tube" {
				continue
			}
			p, err := Build(work.ToSize(f, work.Object{Exposure: e, Power: facts.Power, Gas: facts.Gas, Vehicle: facts.Vehicle,
				Water: facts.Water}), facts)
			fmt.Fprintf(b, "= %s: %d min, %v\n", f.ID, p.Minutes, err)
			for _, s := range p.Steps {
				fmt.Fprintf(b, "  %d %s %s: %s | %s | %s | %d min %d %q hold %v may %q after %v least %d must %v %v", s.Number,
					s.Station, s.Key, s.Title, s.Do, s.Why, s.Minutes, s.People, s.TwoWhy, s.Hold, s.May, s.After, s.Least, s.Required,
					s.Figures)
				for _, c := range s.Cautions {
					fmt.Fprintf(b, " !%s", c.ID)
				}
				b.WriteString("\n")
			}
			for _, c := range p.Cautions {
				fmt.Fprintf(b, "  ! %s: %s\n", c.Title, c.Text)
			}
			for _, c := range p.Customer {
				fmt.Fprintf(b, "  customer %s: %s\n", c.Title, c.Text)
			}
		}
	}
	golden.Check(t, "plans", b.String())
}
