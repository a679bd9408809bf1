package days

import (
	"context"
	"slices"
	"strings"

	"freshshard/core/kit"
	"freshshard/core/supply"
	"freshshard/internal/buy"
	"freshshard/internal/jobview"
)

// VanLoad is what goes into the van for a job.
type VanLoad struct {
	Tools []kit.Item    `json:"tools"`
	Parts []supply.Line `json:"parts" doc:"Panes, seals and what the strip log renews"`
	Two   []string      `json:"two" doc:"What takes two people there, and why"`
	Mind  []string      `json:"mind" doc:"Cautions that apply there"`
}

// VanLoad tells what to take along for what is left of a job, all its panes together.
func (s *RoundPlanner) VanLoad(ctx context.Context, job int64) (VanLoad, error) {
	out := VanLoad{Tools: []kit.Item{}, Parts: []supply.Line{}, Two: []string{}, Mind: []string{}}
	v, err := s.Work(ctx, jobview.First(job))
	if err != nil {
		return out, err
	}
	w := kit.Work{Strip: jobview.LogOf(v.Job)}
	add := func(list *[]string, s string) {
		if !slices.Contains(*list, s) {
			*list = append(*list, s)
		}
	}
	for _, b := range v.Benches {
		for _, st := range b.Reckoning.Plan.Steps {
			if b.Done[st.Key] {
				continue
			}
			add(&w.Steps, st.Key)
			if !slices.Contains(w.Stations, st.Station) {
				w.Stations = append(w.Stations, st.Station)
			}
			if st.People > 1 {
				add(&out.Two, strings.TrimSuffix(st.Title+": "+st.TwoWhy, ": "))
			}
		}
		for _, c := range b.Checks {
			if c.Outcome == "" {
				add(&w.Checks, c.Key)
			}
		}
		for _, c := range b.Reckoning.Plan.Cautions {
			add(&out.Mind, c.Title)
		}
	}
	out.Tools = kit.Tools(w)
	out.Parts, _ = buy.Lacks(v, nil)
	return out, nil
}
