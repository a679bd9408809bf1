package plan_test

import (
	"fmt"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/plan"
)

// The plan of a way of holding, with the steps that the facts add.
func ExampleBuild() {
	f, err := family.Book.ByID("clip-heat")
	if err != nil {
		fmt.Println(err)
		return
	}
	e, err := exposure.Book.ByID(f.Exposure)
	if err != nil {
		fmt.Println(err)
		return
	}
	p, err := plan.Build(f, plan.Facts{Exposure: e})
	fmt.Println(p.Minutes, "min", err)
	for _, s := range p.Steps[:3] {
		fmt.Println(s.Station, "·", s.Title)
	}
	// Output:
	// 155 min <nil>
	// assess · Cold, and why it broke
	// strip · Door off, face down
	// strip · Ease the screws
}
