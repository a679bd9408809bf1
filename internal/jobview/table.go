package jobview

import (
	"freshshard/internal/record"
)

// Bench is what lies on the light table: a job and one of its panes, the first
// one for 0.
type Bench struct {
	Job, Pane int64
	// By is who looks, so that lengths are in the unit they work in here; 0 for
	// the shop's.
	By int64
}

// First is the first pane of a job.
func First(job int64) Bench { return Bench{Job: job} }

// Find finds the pane of a bench in its job.
func Find(j *record.Job, at Bench) (*record.Pane, error) {
	if p := j.Pane(at.Pane); p != nil {
		return p, nil
	}
	return nil, &record.NotFound{What: "this pane"}
}
