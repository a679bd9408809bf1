package reckon

import (
	"freshshard/core/diagnose"
	"freshshard/core/handover"
	"freshshard/core/pane"
	"freshshard/core/road"
)

// Going is the road that a pane takes, as it bears on its numbers and its work.
type Going struct {
	ID       string `json:"id" enum:"size,part,window,stays,kept,other"`
	How      string `json:"how" doc:"Which way of it; empty where there is one"`
	Name     string `json:"name" doc:"What is to be done, in words"`
	Headline string `json:"headline" doc:"What stands largest on the screen; empty where that is the order"`
	Sized    bool   `json:"sized" doc:"A size is worked out from the opening"`
	Settled  bool   `json:"settled" doc:"A material is settled"`
	Part     bool   `json:"part" doc:"Something is bought as it comes"`
	Noted    bool   `json:"noted" doc:"What is bought is noted; true where nothing is"`
}

// take lays the road over the way of holding. A material that belongs to
// another road counts as not settled: somebody changed the road since.
func (r *Reckoning) take(k *Known) error {
	if err := k.Road.Check(r.Family); err != nil {
		return err
	}
	rd, how, err := road.Of(k.Road.ID, k.Road.How)
	if err != nil {
		return err
	}
	r.Road = Going{ID: rd.ID, How: how.ID, Name: rd.Name, Headline: how.Headline, Sized: rd.Measured(r.Family),
		Settled: rd.Settled(r.Family)}
	r.Road.Part = rd.Part && !r.Road.Sized
	r.Road.Noted = !r.Road.Part || k.Road.Part.Noted()
	switch {
	case r.Road.Sized:
		r.Road.Headline = ""
	case k.Road.Part.Number != "":
		r.Road.Headline = "Part " + k.Road.Part.Number + ", as it comes"
	}
	if how.Name != "" && (rd.ID != road.Size || how.ID == road.Pattern) {
		r.Road.Name = how.Name
	}
	r.Family = road.Work(r.Family, rd, how, k.Road.Came, k.Leaf)
	if rd.ID == "other" {
		r.Family.Material = how.ID
	}
	if m, err := pane.ByID(k.Material); err == nil && (m.Other != (rd.ID == "other") || m.Other && m.ID != how.ID) {
		k.Material, k.Thickness = "", 0
	}
	return nil
}

// unsized leaves out what only a size asks for.
func (r *Reckoning) unsized() {
	if r.Road.Sized {
		return
	}
	r.Fit.Missing, r.Fit.Odd, r.Fault = r.Fit.Missing[:0], r.Fit.Odd[:0], nil
	for i := range r.Walk {
		r.Walk[i].Needed = false
	}
}

// Whole is a reckoning as a ticket kept it, with what a ticket from before
// there were roads does not say: its pane was made to size.
func (r Reckoning) Whole() Reckoning {
	if r.Road.ID == "" {
		r.Road = Going{ID: road.Size, Name: road.All()[0].Name, Sized: true, Settled: true, Noted: true}
	}
	if r.Chain == nil {
		r.Chain = []diagnose.Link{}
	}
	if r.Handover == nil {
		r.Handover = []handover.Line{}
	}
	if r.Why.Behind == nil {
		r.Why.Behind, r.Was.Behind = []diagnose.Root{}, []diagnose.Root{}
	}
	return r
}
