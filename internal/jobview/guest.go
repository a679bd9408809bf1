package jobview

import (
	"strings"

	"freshshard/core/guest"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/internal/record"
)

// GuestView is one thing that was put in only for now, with the step before
// which it goes out in words.
type GuestView struct {
	record.Guest
	Last string `json:"last" doc:"The last step before which it can be reached; empty for one that stays"`
}

// UsualView is one that is often put in, with the last step before which it can
// be reached in this job.
type UsualView struct {
	guest.Usual
	Before string `json:"before"`
	Last   string `json:"last"`
}

// inside are the guests that are in.
func inside(j *record.Job) []guest.Guest {
	var out []guest.Guest
	for _, g := range j.Guests {
		if g.Out == nil {
			out = append(out, g.Guest)
		}
	}
	return out
}

// StepsOf are the steps of all panes of a job, the one on the bench first, each
// once, with those that are done.
func StepsOf(j *record.Job, at Bench) ([]plan.Step, map[string]bool, error) {
	p, err := Find(j, at)
	if err != nil {
		return nil, nil, err
	}
	f, err := familyOf(j, p)
	if err != nil {
		return nil, nil, err
	}
	pl, err := plan.Build(f, plan.Facts{})
	if err != nil {
		return nil, nil, err
	}
	done := map[string]bool{}
	q := together(j, p)
	for _, t := range q.Ticks {
		done[t.Step] = true
	}
	return pl.Steps, done, nil
}

// guests are those of the job, and what is often put in, as it stands to the
// pane on the table.
func (v *View) guests(b Pane) {
	title := map[string]string{}
	for _, st := range b.Reckoning.Plan.Steps {
		title[st.Key] = st.Title
	}
	v.Guests, v.MayPutIn = []GuestView{}, []UsualView{}
	for _, g := range v.Job.Guests {
		v.Guests = append(v.Guests, GuestView{g, title[g.Before]})
	}
	for _, u := range guest.All() {
		if key, ok := guest.Last(u, b.Reckoning.Plan.Steps, b.Done); ok {
			v.MayPutIn = append(v.MayPutIn, UsualView{u, key, title[key]})
		}
	}
}

// guestsIn are what keeps the job from being signed: those that are in and do
// not stay.
func guestsIn(j *record.Job) []prove.Named {
	var out []prove.Named
	for _, g := range inside(j) {
		if !g.Stays {
			out = append(out, prove.Named{Key: "guest", Title: strings.TrimSuffix(g.What+", "+g.Where, ", ")})
		}
	}
	return out
}
