package cure_test

import (
	"fmt"
	"time"

	"freshshard/core/cure"
)

// A bond hardens by its adhesive, its width and the air that it had.
func ExampleCure() {
	since := time.Date(2027, 3, 26, 12, 0, 0, 0, time.UTC)
	c, err := cure.Cure(cure.Bond{Adhesive: "urethane", Since: since, Width: 12, Edges: 2},
		[]cure.Air{{At: since, C: 19, RH: 50}}, since.Add(2*time.Hour))
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, k := range c.Clocks {
		fmt.Println(k.Title, k.Safe.Format("2 Jan 15:04"))
	}
	// Output:
	// Let go 27 Mar 10:46
	// Ready 1 Apr 10:23
	// Full 5 Apr 21:11
}
