package experience_test

import (
	"fmt"
	"time"

	"freshshard/core/experience"
)

// What came back of what was fitted, by how it was held.
func ExampleOf() {
	out := time.Date(2026, 1, 26, 12, 0, 0, 0, time.UTC)
	back := out.AddDate(0, 2, 0)
	fitted := []experience.Fitted{{Material: "toughened", Out: out, Back: &back}}
	for range 5 {
		fitted = append(fitted, experience.Fitted{Material: "toughened", Out: out})
	}
	for _, l := range experience.Of(fitted, out.AddDate(2, 0, 0)) {
		fmt.Println(l.Says)
	}
	// Output:
	// 1 of 6 came back within a year
}
