package sash_test

import (
	"fmt"

	"freshshard/core/length"
	"freshshard/core/sash"
)

// The middle light of three is broken out with its bead and cannot be read:
// what stands beside it and the whole width give it away.
func ExampleSolve() {
	read := func(v float64) length.Reading { return length.Reading{Value: v, Doubt: 0.5} }
	bar, stile, whole := read(20), read(50), read(900)
	r, err := sash.Solve(sash.Direction{
		Lights: [][]length.Reading{{read(250)}, {}, {read(260)}},
		Bars:   []*length.Reading{&bar, &bar},
		First:  &stile, Last: &stile, Whole: &whole,
	}, "column", "bar", "left stile", "right stile", "the sash's width")
	if err != nil {
		fmt.Println(err)
		return
	}
	l := r.Lights[1]
	fmt.Printf("%.1f ± %.1f mm\n", l.Value, l.Doubt)
	// Output:
	// 250.0 ± 1.5 mm
}
