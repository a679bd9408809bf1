package world_test

import (
	"fmt"

	"freshshard/core/world"
)

// A live door is opened, and a pane is set that is not here.
func ExampleObject_Do() {
	o := world.Object{Live: true, Panes: []world.Pane{{New: true}}}
	fmt.Println(o.Do(world.Open, 0))
	fmt.Println(o.Do(world.SwitchOff, 0) == "", o.Do(world.Open, 0) == "")
	fmt.Println(o.Do(world.PutIn, 0))
	// Output:
	// opens it while it is live
	// true true
	// put in, and it is not here or nobody looked it over
}
