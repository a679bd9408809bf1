package compat

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"freshshard/tools/golden"
)

// Every agent against every subject, and against two at once; what is refused
// when it is used all the same.
func TestMatrixIsAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	tell := func(materials, seals []string) {
		found := All().Ask(materials, seals)
		fmt.Fprintf(b, "= %v %v\n", materials, seals)
		for _, f := range found {
			fmt.Fprintf(b, "  %s %s %s\n", f.Agent.ID, f.Verdict, golden.Lines(t, f))
			if err := Check([]string{f.Agent.ID}, found); err != nil {
				fmt.Fprintf(b, "  refused: %v\n", err)
			}
		}
		fmt.Fprintf(b, "  %v\n", Check([]string{"no such agent"}, found))
	}
	var materials []string
	for _, s := range All().Subjects {
		materials = append(materials, s.Materials...)
		tell(nil, []string{s.ID})
	}
	slices.Sort(materials)
	for _, m := range slices.Compact(materials) {
		tell([]string{m}, []string{"rubber"})
	}
	for _, v := range []Verdict{Good, Care, Never, Unknown} {
		for _, w := range []Verdict{Good, Care, Never, Unknown} {
			fmt.Fprintf(b, "%s worse than %s: %v\n", v, w, v.Worse(w))
		}
	}
	text := strings.Join(strings.Fields(b.String()), " ")
	golden.Check(t, "matrix", strings.ReplaceAll(text, " = ", "\n= "))
}
