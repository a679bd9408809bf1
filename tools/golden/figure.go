package golden

import (
	"fmt"
	"strings"

	"freshshard/core/working"
)

// Figure is a figure as a person reads it, its sum and all that went into it, a line each.
func Figure(f working.Figure) string {
	b := &strings.Builder{}
	limit := ""
	if f.Limit != nil {
		limit = fmt.Sprintf(", %s %.4g (%s)", f.Limit.Sense, f.Limit.Value, f.Limit.Source)
	}
	fmt.Fprintf(b, "    %s %s %.4f %s %q, %s%s: %s | %s\n", f.Verdict, f.Key, f.Value, f.Unit, f.Text, f.Sentence, limit,
		f.Working.Values, f.Working.Note)
	for _, i := range f.Working.Inputs {
		fmt.Fprintf(b, "      %s = %.4g %s, %s: %s\n", i.Symbol, i.Value, i.Unit, i.Name, i.Source)
	}
	return b.String()
}
