package schedule_test

import (
	"context"
	"fmt"

	"freshshard/core/schedule"
)

// Two steps of one person: the second waits for the first and for what hardens.
func ExampleSolve() {
	p := schedule.Problem{People: []schedule.Person{{ID: "mira", Hours: []schedule.Window{{From: 0, To: 480}}}},
		Jobs: []schedule.Job{{ID: "stove", Steps: []schedule.Step{{ID: "set", Minutes: 30},
			{ID: "refit", Minutes: 20, After: []schedule.After{{Step: "set", Wait: 60}}}}}}}
	plan, err := schedule.Solve(context.Background(), p, schedule.Options{Tries: 10})
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, d := range plan.Steps {
		fmt.Println(d.Step, d.At, d.To)
	}
	fmt.Println(schedule.Verify(p, plan))
	// Output:
	// set 0 30
	// refit 90 110
	// []
}
