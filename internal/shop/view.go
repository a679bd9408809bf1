package shop

import (
	"context"
	"encoding/json"
	"time"

	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/core/reckon"
	"freshshard/core/route"
	"freshshard/internal/record"
)

// View is a job with everything that follows from it: what a screen shows.
type View struct {
	Job        record.Job        `json:"job"`
	Unit       length.Unit       `json:"unit" enum:"mm,in"`
	Reckoning  reckon.Reckoning  `json:"reckoning"`
	Route      []route.Leg       `json:"route"`
	Strip      Strip             `json:"strip"`
	Checks     []CheckView       `json:"checks"`
	Hindrances []prove.Hindrance `json:"hindrances" doc:"What keeps it from being signed off"`
	MinutesTo  int               `json:"minutes_to" doc:"Hands-on minutes that are left"`
}

// CheckView is a check with who answered it.
type CheckView struct {
	prove.Check
	By string     `json:"by,omitempty"`
	At *time.Time `json:"at,omitempty"`
}

// Job reads a job and works everything out.
func (s *Shop) Job(ctx context.Context, id int64) (View, error) {
	j, err := s.Store.Job(ctx, id)
	if err != nil {
		return View{}, err
	}
	shop, err := s.Store.Shop(ctx)
	if err != nil {
		return View{}, err
	}
	return view(j, shop.Unit)
}

// known is a record as the core wants it.
func known(j record.Job, unit length.Unit) reckon.Known {
	k := reckon.Known{
		Family: j.Pane.Family, Exposure: j.Object.Exposure, Frame: j.Pane.Frame, Readings: map[fit.Place]length.Reading{}, Cutter: j.Pane.Cutter,
		Gasket: j.Pane.Gasket, Sides: j.Pane.Sides, Raked: j.Pane.Raked, Power: j.Object.Power, Gas: j.Object.Gas, Old: j.Object.Old, Strike: j.Object.Strike,
		Like: j.Pane.Like, Unit: unit,
	}
	for _, r := range j.Readings {
		k.Readings[r.Place] = r.Reading
	}
	k.Stamp = j.Object.Stamp
	if d := j.Diagnosis; d != nil {
		k.Evidence, k.OldPane, k.Cause = d.Evidence, d.OldPane, d.Cause
	}
	if j.Choice != nil {
		k.Material, k.Thickness = j.Choice.Material, j.Choice.Thickness
	}
	return k
}

func view(j record.Job, unit length.Unit) (View, error) {
	v := View{Job: j, Unit: unit}
	var err error
	if j.Ticket != nil && j.Ticket.Document != "" {
		err = json.Unmarshal([]byte(j.Ticket.Document), &v.Reckoning)
		v.Job.Ticket.Document = ""
	} else {
		v.Reckoning, err = reckon.Pane(known(j, unit))
	}
	if err != nil {
		return v, err
	}
	v.Strip = stripOf(j)
	v.Checks = checks(v.Reckoning.Family, j)
	state := v.state()
	v.Hindrances = prove.Hindrances(state)
	v.Route = route.Legs(v.progress())
	ticked := ticked(j)
	for _, st := range v.Reckoning.Plan.Steps {
		if !ticked[st.Key] {
			v.MinutesTo += st.Minutes
		}
	}
	return v, nil
}

func ticked(j record.Job) map[string]bool {
	m := map[string]bool{}
	for _, t := range j.Ticks {
		m[t.Step] = true
	}
	return m
}

func checks(f family.Family, j record.Job) []CheckView {
	out := []CheckView{}
	for _, c := range prove.Checks(f) {
		k := CheckView{Check: c}
		for _, a := range j.Answers {
			if a.Check == c.Key {
				k.Outcome, k.Value, k.Finding = a.Answer.Outcome, a.Answer.Value, a.Answer.Finding
				k.By, k.At = a.By, &a.At
			}
		}
		out = append(out, k)
	}
	return out
}

func (v View) state() prove.State {
	s := prove.State{Sized: v.Reckoning.Fit.Ready, Chosen: v.Job.Choice != nil}
	for _, c := range v.Checks {
		s.Checks = append(s.Checks, c.Check)
	}
	for _, c := range v.Strip.Open {
		s.Strip = append(s.Strip, prove.Named{Key: c.ID, Title: c.What + ", " + c.Say})
	}
	for _, o := range v.Reckoning.Fit.Odd {
		s.Odd = append(s.Odd, prove.Named{Key: string(o.Place), Title: o.Name})
	}
	done := ticked(v.Job)
	for _, st := range v.Reckoning.Plan.Steps {
		if !done[st.Key] {
			s.OpenSteps = append(s.OpenSteps, prove.Named{Key: st.Key, Title: st.Title})
		}
	}
	return s
}

func (v View) progress() route.Progress {
	p := route.Progress{Steps: map[family.Station][2]int{}, Missing: len(v.Reckoning.Fit.Missing), Odd: len(v.Reckoning.Fit.Odd), Chosen: v.Job.Choice != nil, Out: len(v.Strip.Open), Signed: v.Job.Signed}
	if v.Reckoning.Fault != nil {
		p.Odd++
	}
	done := ticked(v.Job)
	for _, st := range v.Reckoning.Plan.Steps {
		c := p.Steps[st.Station]
		c[1]++
		if done[st.Key] {
			c[0]++
		}
		p.Steps[st.Station] = c
	}
	for _, c := range v.Checks {
		p.Checks[1]++
		if c.Outcome == prove.Pass || c.Outcome == prove.Skip {
			p.Checks[0]++
		}
	}
	return p
}

// Pulse tells cheaply whether a job has changed since it was read.
func (s *Shop) Pulse(ctx context.Context, id int64) (int64, error) { return s.Store.Pulse(ctx, id) }

// mostEvents is how much of a job's history a screen gets.
const mostEvents = 200

// History lists what happened to a job, newest first.
func (s *Shop) History(ctx context.Context, id int64) ([]record.Event, error) {
	if _, err := s.Store.Pulse(ctx, id); err != nil {
		return nil, err
	}
	return s.Store.History(ctx, id, mostEvents)
}

// Find lists jobs; state is open, signed or empty for all.
func (s *Shop) Find(ctx context.Context, words, state string, before int64, most int) ([]record.Row, error) {
	return s.Store.JobsLike(ctx, words, state, before, most)
}

// Customers lists customers like the words.
func (s *Shop) Customers(ctx context.Context, words string) ([]record.Customer, error) {
	return s.Store.CustomersLike(ctx, words, 8)
}
