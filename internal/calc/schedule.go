package calc

import (
	"context"
	"time"

	"freshshard/core/fault"
	"freshshard/core/schedule"
)

// PlanDaysIn is a shop with what is open, and how long it is searched.
type PlanDaysIn struct {
	schedule.Problem
	Millis int `json:"millis,omitempty" minimum:"0" maximum:"60000" doc:"How long it is searched; a second for nothing"`
}

// PromiseIn is a shop and one job of it, for which a promise is wanted.
type PromiseIn struct {
	schedule.Problem
	Job   string          `json:"job" maxLength:"40"`
	Slips []schedule.Slip `json:"slips,omitempty" maxItems:"600"`
}

// promiseRuns is how often a promise is played out; the dice are the same each time.
const promiseRuns = 1000

// daysTopics are the sums of days.
func daysTopics() []Topic {
	shift := []schedule.Window{{From: 0, To: 240}, {From: 300, To: 540}}
	due := 480
	example := schedule.Problem{People: []schedule.Person{{ID: "mira", Hours: shift}, {ID: "tor", Hours: shift}},
		Places: []schedule.Place{{ID: "bench"}}, Jobs: []schedule.Job{{ID: "cab", Promise: &due, Steps: []schedule.Step{
			{ID: "bead", Minutes: 20, People: 2, Uses: []string{"bench"}}, {ID: "trim", Minutes: 15, After: []schedule.After{{Step: "bead",
				Wait: 240}}}}}, {ID: "light", Steps: []schedule.Step{{ID: "putty", Minutes: 60, Uses: []string{"bench"}}}}}}
	return []Topic{
		{"schedule", "who does what when, how late each job is, beside what no plan can do better than", PlanDaysIn{Problem: example},
			with(func(in PlanDaysIn) (schedule.Plan, error) {
				return schedule.Solve(context.Background(), in.Problem, schedule.Options{Budget: time.Duration(in.Millis) * time.Millisecond})
			})},
		{"promise", "when a job is ready, as likely as not, nine times in ten, ninety-nine in a hundred", PromiseIn{Problem: example,
			Job: "cab"}, with(promise)},
	}
}

func promise(in PromiseIn) (schedule.Odds, error) {
	plan, err := schedule.Solve(context.Background(), in.Problem, schedule.Options{})
	if err != nil {
		return schedule.Odds{}, err
	}
	all, err := schedule.Play(context.Background(), in.Problem, plan, in.Slips, promiseRuns, 1)
	if err != nil {
		return schedule.Odds{}, err
	}
	for _, o := range all {
		if o.Job == in.Job {
			return o, nil
		}
	}
	return schedule.Odds{}, fault.New("job", "no job is called so", "choose one of the jobs")
}
