package calc

import (
	"context"

	"freshshard/core/fault"
	"freshshard/core/round"
	"freshshard/core/schedule"
)

// PlanDaysIn is a shop with what is open, and how long it is searched.
type PlanDaysIn struct {
	schedule.Problem
	Tries int `json:"tries,omitempty" minimum:"0" maximum:"20000" doc:"How many orders are tried; 0 for the usual"`
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
			{ID: "bead", Minutes: 20, People: 2, Uses: []string{"bench"}}, {ID: "trim", Minutes: 15,
				After: []schedule.After{{Step: "bead",
					Wait: 240}}}}}, {ID: "light", Steps: []schedule.Step{{ID: "putty", Minutes: 60, Uses: []string{"bench"}}}}}}
	return []Topic{
		{"schedule", "who does what when, how late each job is, beside what no plan can do better than",
			PlanDaysIn{Problem: example},
			with(func(in PlanDaysIn) (schedule.Plan, error) {
				return schedule.Solve(context.Background(), in.Problem,
					schedule.Options{Tries: in.Tries})
			})},
		{"promise", "when a job is ready, as likely as not, nine times in ten, ninety-nine in a hundred",
			PromiseIn{Problem: example,
				Job: "cab"}, with(promise)},
		{"round", "a round of the van: in which order, when it leaves and is back, what does not go in", roundExample(),
			with(func(in round.Problem) (round.Round, error) { return round.Plan(context.Background(), in) })},
	}
}

func roundExample() round.Problem {
	return round.Problem{Home: "yard", Day: round.Window{From: 0, To: 540}, Roads: round.Roads{Legs: []round.Leg{
		{A: "yard", B: "quay", Minutes: 6}, {A: "yard", B: "orchard", Minutes: 25}, {A: "landing", B: "museum", Minutes: 10}},
		Sailings: []round.Sailing{{Ferry: "ferry", From: "quay", To: "landing", Leaves: 30, Lands: 45},
			{Ferry: "ferry", From: "landing", To: "quay", Leaves: 180, Lands: 195}}},
		Visits: []round.Visit{{ID: "case", Place: "museum", Minutes: 60}, {ID: "cab", Place: "orchard", Minutes: 40}}}
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
			o = o.Shown()
			return o, nil
		}
	}
	return schedule.Odds{}, fault.New("job", "no job is called so", "choose one of the jobs")
}
