package measure

import (
	"fmt"
	"regexp"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/internal/record"
)

// bare is a length without a unit.
var bare = regexp.MustCompile(`^[0-9]+([.,][0-9]+)?$`)

// pattern is how many readings make one: a single one in the other unit does not.
const pattern = 2

// OwnUnit asks about a bare number where everything else of the pane was said in the
// other unit: 5 after 62 1/2 may be either. A fraction says by itself that it is
// inches.
func OwnUnit(p *record.Pane, r length.Reading, by length.Instrument, shop length.Unit) error {
	text := strings.TrimSpace(r.Text)
	if !bare.MatchString(text) {
		return nil
	}
	others := 0
	for _, o := range p.Readings {
		if o.Instrument != by {
			continue // a tape in inches and a caliper in mm lie on many benches
		}
		if others++; o.Reading.Imperial == (shop == length.IN) {
			return nil
		}
	}
	if others < pattern {
		return nil
	}
	there, here := "inches", "mm"
	if shop == length.IN {
		there, here = "mm", "inches"
	}
	return fault.New("text", fmt.Sprintf("what else the %s read of this pane is in %s, and a bare %s would be taken as %s",
		by, there, text,
		here), fmt.Sprintf("say which: %s mm or %s in", text, text))
}
