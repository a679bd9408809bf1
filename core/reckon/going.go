package reckon

import (
	"freshshard/core/diagnose"
	"freshshard/core/handover"
	"freshshard/core/pane"
	"freshshard/core/road"
	"freshshard/core/work"
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
	Copies   bool   `json:"copies,omitempty" doc:"The old pane is the size, whatever its opening"`
	Noted    bool   `json:"noted" doc:"What is bought is noted; true where nothing is"`
}

// onRoad lays the road over the way of holding. A material that belongs to
// another road counts as not settled: somebody changed the road since.
func (h Held) onRoad() (Held, error) {
	k := &h.k
	if err := k.Road.Check(h.Family); err != nil {
		return h, err
	}
	rd, how, err := road.Of(k.Road.ID, k.Road.How)
	if err != nil {
		return h, err
	}
	h.Road = Going{ID: rd.ID, How: how.ID, Name: rd.Name, Headline: how.Headline, Sized: rd.Measured(h.Family),
		Settled: rd.Settled()}
	h.Road.Part, h.Road.Copies = rd.Part && !h.Road.Sized, how.Copies
	h.Road.Noted = !h.Road.Part || k.Road.Part.Noted()
	switch {
	case h.Road.Sized:
		h.Road.Headline = ""
	case k.Road.Part.Number != "":
		h.Road.Headline = "Part " + k.Road.Part.Number + ", as it comes"
	}
	if how.Name != "" && (rd.ID != road.Size || how.Copies) {
		h.Road.Name = how.Name
	}
	h.Family = work.Of(h.Family, rd, how, k.Road.Came, k.Work())
	if rd.ID == "other" {
		h.Family.Material = how.ID
	}
	if m, err := pane.Book.ByID(k.Material); err == nil && (m.Other != (rd.ID == "other") || m.Other && m.ID != how.ID) {
		k.Material, k.Thickness = "", 0
	}
	return h, nil
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
