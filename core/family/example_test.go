package family_test

import (
	"fmt"

	"freshshard/core/family"
)

// Questions pick how a pane is held; the first is asked first.
func ExampleQuestions() {
	q := family.Questions()[0]
	fmt.Println(q.Ask)
	for _, f := range family.Book.All()[:3] {
		fmt.Println(f.ID, "·", f.Name)
	}
	// Output:
	// What do you see at the edge of the pane?
	// clip-heat · Clip-held heat pane
	// channel-front · Channel-captured front pane
	// window-pack · Window pack in a door
}
