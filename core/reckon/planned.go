package reckon

import (
	"fmt"

	"freshshard/core/handover"
	"freshshard/core/length"
	"freshshard/core/plan"
)

// Planned is a chosen pane with its order and its work.
type Planned struct {
	Chosen
	First    string          `json:"first,omitempty" doc:"First of the choice, while nothing is settled"`
	Withheld string          `json:"withheld,omitempty" doc:"Why nothing is ordered yet although there is a size"`
	Order    string          `json:"order" doc:"The order line; empty while readings are missing"`
	OrderW   length.Shown    `json:"order_w"`
	OrderH   length.Shown    `json:"order_h"`
	GapW     length.Shown    `json:"gap_w" doc:"Edge clearance at the sides, as ordered"`
	GapH     length.Shown    `json:"gap_h" doc:"The same above and below"`
	Band     length.Shown    `json:"band" doc:"What the cutter keeps to, each side of the size"`
	Plan     plan.Plan       `json:"plan"`
	Handover []handover.Line `json:"handover" doc:"What the customer is told"`
}

// Planned says what is ordered, what is to be done and what the customer is told.
func (c Chosen) Planned() (Planned, error) {
	p, unit := Planned{Chosen: c}, c.k.Unit
	var err error
	if p.Plan, err = plan.Build(c.Family, c.facts()); err != nil {
		return p, err
	}
	for i := range p.Plan.Steps {
		st := &p.Plan.Steps[i]
		st.Do, st.Why = length.Words(st.Do, unit), length.Words(st.Why, unit)
	}
	p.Handover = c.handover(p.Plan.Customer)
	for i := range p.Handover {
		p.Handover[i].Text = length.Words(p.Handover[i].Text, unit)
	}
	if c.Fit.Ready {
		p.OrderW, p.OrderH = length.Show(c.Fit.Order.W, unit), length.Show(c.Fit.Order.H, unit)
		p.Band = length.Show(c.Fit.Band.Half, unit)
		p.GapW, p.GapH = length.Show(c.Fit.Gap.W, unit), length.Show(c.Fit.Gap.H, unit)
	}
	if !c.Road.Sized {
		p.Order = c.Road.Headline
		return p, nil
	}
	if p.Withheld = c.withheld(); c.Fit.Ready && p.Withheld == "" {
		p.First = c.first()
		p.Order = p.orderLine()
	}
	return p, nil
}

// orderLine is what is ordered, in one line.
func (p Planned) orderLine() string {
	unit, glass := p.k.Unit, p.Pane
	switch {
	case p.First != "":
		glass = "not chosen yet; best choice: " + p.First
	case p.Unsettled():
		glass = "not chosen yet"
	}
	if p.problem.Stock != nil {
		return fmt.Sprintf("stock size %s, %s, as it comes", p.sizeSaid(unit), glass)
	}
	line := fmt.Sprintf("%s, %s, ±%s %s", p.sizeSaid(unit), glass, p.Band.Main, unit)
	if p.problem.Copies() {
		line += "; its opening was not read"
	}
	return line
}

// withheld says why nothing is ordered yet although there is a size; empty where nothing is in
// the way.
func (r Sized) withheld() string {
	if r.unwalled && r.way().Tube() {
		return "the wall of the tube is not read yet"
	}
	if r.Family.Carried != "" && len(r.Fit.Holes) == 0 {
		switch o := r.Fit.Opening; {
		case o == nil:
			return "the holes that carry it are not read yet"
		case len(o.Holes) == 0:
			return "the holes that carry it are not on its outline: trace it with its holes"
		}
	}
	return r.barred
}
