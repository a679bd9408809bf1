package moment_test

import (
	"fmt"
	"time"

	"freshshard/core/moment"
)

// People type moments as they say them; what was understood is said back.
func ExampleParse() {
	now := time.Date(2026, 11, 26, 10, 20, 0, 0, time.UTC)
	for _, text := range []string{"fri 16", "tomorrow noon", "in 2 weeks morning", "25:00"} {
		at, err := moment.Parse("promised", text, now)
		if err != nil {
			fmt.Println(err)
			continue
		}
		fmt.Println(at.Format("2 Jan 15:04"), "·", moment.Say(at, now))
	}
	// Output:
	// 27 Nov 16:00 · tomorrow 16:00
	// 27 Nov 12:00 · tomorrow 12:00
	// 10 Dec 09:00 · Thu 10 Dec 09:00
	// promised: "25:00" is no day and no hour; type it as: Fri 4, tomorrow noon, 3 Dec 16:30
}
