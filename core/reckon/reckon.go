// Package reckon brings the core together for one pane: from what is known of
// it to its size, its material, its plan and its drawings. It is what the job
// screen shows and what the command line prints.
package reckon

import (
	"fmt"

	"freshshard/core/bond"
	"freshshard/core/compat"
	"freshshard/core/diagnose"
	"freshshard/core/drawing"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/handover"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/own"
	"freshshard/core/pane"
	"freshshard/core/plan"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/core/setting"
	"freshshard/core/witness"
	"freshshard/core/working"
)

// Known is all that is known of a pane. What is empty is filled from the
// family: its usual material, frame and limits.
type Known struct {
	Family    string                           `json:"family"`
	Road      road.Chosen                      `json:"road" doc:"What is to be done"`
	Exposure  exposure.Exposure                `json:"exposure"`
	Frame     string                           `json:"frame,omitempty"`
	Readings  map[reading.Place]length.Reading `json:"readings"`
	Material  string                           `json:"material,omitempty" doc:"Settled material; empty while open"`
	Thickness float64                          `json:"thickness,omitempty" doc:"Settled thickness, mm; 0 while open"`
	Cutter    fit.Cutter                       `json:"cutter,omitempty" doc:"Who cuts it; empty takes the usual"`
	Gasket    fit.Gasket                       `json:"gasket"`
	Sides     setting.Sides                    `json:"sides" doc:"Brackets on each side"`
	Shape     reading.Shape                    `json:"shape"`
	Raked     bool                             `json:"raked,omitempty"`
	Power     bool                             `json:"power,omitempty"`
	Gas       bool                             `json:"gas,omitempty"`
	Vehicle   bool                             `json:"vehicle,omitempty"`
	Moves     pane.Moves                       `json:"moves,omitempty" enum:",road,trailer,machine"`
	Water     bool                             `json:"water,omitempty"`
	Old       bool                             `json:"old,omitempty"`
	Strike    bool                             `json:"strike,omitempty"`
	Leaf      bool                             `json:"leaf,omitempty" doc:"Its door or leaf comes off its hinges"`
	Screw     string                           `json:"screw,omitempty" doc:"Thread of what holds it, by the strip log"`
	Turned    setting.Counted                  `json:"turned,omitempty" doc:"Eighths of a turn of each screw since touch"`
	Like      string                           `json:"like,omitempty" doc:"Material of the old pane, as far as known"`
	Weights   map[string]float64               `json:"weights,omitempty"`
	Evidence  diagnose.Evidence                `json:"evidence,omitempty" doc:"What was seen of the break"`
	OldPane   diagnose.Evidence                `json:"old_pane,omitempty" doc:"What was seen of the old pane"`
	Peel      bond.Peel                        `json:"peel,omitzero" doc:"What the faces of a bond that let go showed"`
	Heard     []witness.Said                   `json:"heard,omitempty" doc:"What else speaks for the size"`
	Stock     string                           `json:"stock,omitempty" doc:"A stock size that is taken, as listed"`
	Cause     string                           `json:"cause,omitempty" doc:"Cause that somebody settled on"`
	Behind    []string                         `json:"behind,omitempty" doc:"What stood behind it, nearest first"`
	Own       own.Values                       `json:"-"` // the shop's own values, laid over the book's
	Stamp     string                           `json:"stamp,omitempty"`
	Duty      pane.Duty                        `json:"duty" doc:"What it has to carry and to be used for"`
	Stack     pane.Stack                       `json:"stack" doc:"The pack that it stands in"`
	Uses      []string                         `json:"uses,omitempty" doc:"Cleaners, lubricants, adhesives that touch it"`
	Draws     int                              `json:"draws,omitempty" doc:"Openings drawn for the odds; 0 for none"`
	Stage     Stage                            `json:"-"` // how far to go; everything for nothing
	Unit      length.Unit                      `json:"unit" enum:"mm,in"`
	Marks     length.Unit                      `json:"-"` // whose marks the size is ordered to, where that is not Unit
}

// Reckoning is everything that follows from it.
type Reckoning struct {
	Family    family.Family       `json:"family" doc:"With the steps and checks of the road"`
	Road      Going               `json:"road" doc:"What is to be done"`
	Material  pane.Material       `json:"material" doc:"Settled, or assumed until it is"`
	Thickness float64             `json:"thickness" doc:"mm"`
	Assumed   bool                `json:"assumed" doc:"Material or thickness is not settled yet"`
	Pane      string              `json:"pane" doc:"4 mm glass-ceramic"`
	Read      float64             `json:"read,omitempty" doc:"Nominal thickness of the old pane, or wall of its tube, mm"`
	Fit       fit.Result          `json:"fit"`
	Instead   string              `json:"instead,omitempty" doc:"Why not the usual material, while none is settled"`
	First     string              `json:"first,omitempty" doc:"First of the choice, while nothing is settled"`
	Withheld  string              `json:"withheld,omitempty" doc:"Why nothing is ordered yet although there is a size"`
	Order     string              `json:"order" doc:"The order line; empty while readings are missing"`
	OrderW    length.Shown        `json:"order_w"`
	OrderH    length.Shown        `json:"order_h"`
	GapW      length.Shown        `json:"gap_w" doc:"Edge clearance at the sides, as ordered"`
	GapH      length.Shown        `json:"gap_h" doc:"The same above and below"`
	Band      length.Shown        `json:"band" doc:"What the cutter keeps to, each side of the size"`
	BestW     *length.Shown       `json:"best_w,omitempty" doc:"The best size by the odds, where they were asked"`
	BestH     *length.Shown       `json:"best_h,omitempty"`
	Makes     []Made              `json:"makes" doc:"The measures that make the pane as ordered"`
	Figures   []working.Figure    `json:"figures" doc:"All numbers, problems first"`
	Cutting   outline.Cutting     `json:"cutting" doc:"Whether the pane can be cut here"`
	Choice    pane.Choice         `json:"choice"`
	Touch     []compat.Finding    `json:"touch" doc:"How all that may touch the pane and its frame gets on with them"`
	Stops     []prove.Stop        `json:"stops" doc:"What keeps the job from being signed unless an owner takes it on"`
	Plan      plan.Plan           `json:"plan"`
	Handover  []handover.Line     `json:"handover" doc:"What the customer is told"`
	Walk      []reading.PlaceInfo `json:"walk"`
	Table     drawing.Drawing     `json:"table"`
	Section   drawing.Drawing     `json:"section"`
	Ordered   *drawing.Drawing    `json:"ordered,omitempty" doc:"The pane alone, as a cutter wants it"`
	Lift      *drawing.Drawing    `json:"lift,omitempty" doc:"How a pane that is lifted goes in, in three positions"`
	Slide     []drawing.Drawing   `json:"slide" doc:"The section from the coldest to the hottest, as fit.slide"`
	Why       diagnose.Result     `json:"why" doc:"Why it broke"`
	Cause     string              `json:"cause" doc:"The settled cause in words, and what stood behind; empty while open"`
	Chain     []diagnose.Link     `json:"chain" doc:"The settled cause and what stood behind it"`
	Peeled    *bond.Peeled        `json:"peeled,omitempty" doc:"What the faces of the bond that let go say"`
	Heard     *witness.Pane       `json:"heard,omitempty" doc:"What all that speak for the size stand for"`
	Stock     []Offered           `json:"stock" doc:"Stock sizes that fall inside the fit"`
	Was       diagnose.Result     `json:"was" doc:"What the old pane was"`
	Carries   string              `json:"carries" doc:"What it carries, in words; empty: nothing but wind and seat"`
	Packing   string              `json:"packing" doc:"The pack that it stands in, in words; empty when it stands alone"`
	Pack      *Packed             `json:"pack,omitempty" doc:"The pack that the pane stands in"`
	Fault     *fault.Error        `json:"fault,omitempty" doc:"Readings that cannot belong together, with the place"`

	packFigures []working.Figure
	stockTaken  bool
	unwalled    bool // a tube whose wall nobody has read
}

// Stage is how far a pane is reckoned. Who asks for less waits less: the list
// of sixty panes wants the work of each, a sign-off its numbers, the screen
// everything.
type Stage int

// The stages. Each has what the ones below it have.
const (
	Whole   Stage = iota // with the drawings
	Numbers              // with the choice and all figures, no drawings
	Work                 // size, order, plan and what stands in the way
)

// Made is one measure of the pane as ordered, as it is shown.
type Made struct {
	Key   string       `json:"key"`
	Name  string       `json:"name"`
	Shown length.Shown `json:"shown"`
}

// Pane reckons one pane. Readings that cannot belong together are not an
// error of the call: the answer then carries the Fault and what can still be
// said without them.
func Pane(k Known) (Reckoning, error) {
	r := Reckoning{Makes: []Made{}, Slide: []drawing.Drawing{}, Figures: []working.Figure{}, Stops: []prove.Stop{},
		Stock: []Offered{}}
	var err error
	if r.Family, err = family.With(k.Own, k.Family); err != nil {
		return r, err
	}
	if err = r.take(&k); err != nil {
		return r, err
	}
	if err = k.Exposure.Check(); err != nil {
		return r, err
	}
	k.Exposure = k.Exposure.Sourced(k.Own)
	if err = r.material(k); err != nil {
		return r, err
	}
	object := k.Exposure
	if err = (packing{&r}).pack(&k); err != nil {
		return r, err
	}
	changed, err := allowing{&r}.allowed(k)
	if err != nil {
		return r, err
	}
	if changed && k.Stack.Here > 0 {
		k.Exposure = object
		if err = (packing{&r}).pack(&k); err != nil {
			return r, err
		}
	}
	p, err := r.problem(k)
	if err != nil {
		return r, err
	}
	if err = (hearing{&r}).copied(k, &p); err != nil {
		return r, err
	}
	if err = r.stocked(k, &p); err != nil {
		return r, err
	}
	r.Walk = p.Walk()
	if err = r.size(k, &p); err != nil {
		return r, err
	}
	if err = (hearing{&r}).heard(k, p); err != nil {
		return r, err
	}
	r.unsized()
	// A thickness that followed the loads stands in the pack, too.
	if n := k.Stack.Here; n > 0 && k.Stack.Panes[n-1].Thickness != r.Thickness {
		k.Exposure = object
		if err = (packing{&r}).pack(&k); err != nil {
			return r, err
		}
	}
	if err = (telling{&r}).diagnose(&k); err != nil {
		return r, err
	}
	if err = (telling{&r}).peel(k); err != nil {
		return r, err
	}
	if k.Stage != Work {
		if r.Choice, err = pane.Choose((carrying{&r}).need(k, p.Room())); err != nil {
			return r, err
		}
	}
	r.Touch = compat.Laid(k.Own).Ask([]string{r.Material.ID, frameOf(k, r.Family)}, sealsOf[r.Family.Seal])
	all := r.all(k)
	if r.Stops, err = (stopping{&r}).stops(k, p.Room(), all); err != nil {
		return r, err
	}
	if r.Plan, err = plan.Build(r.Family, (telling{&r}).facts(k, object)); err != nil {
		return r, err
	}
	if k.Stage != Work {
		r.figures(k, all)
		if err = r.offered(k, p); err != nil {
			return r, err
		}
	}
	r.Handover = telling{&r}.handover(k, object)
	if (allowing{&r}).withheld(); r.Fit.Ready {
		r.OrderW, r.OrderH = length.Show(r.Fit.Order.W, k.Unit), length.Show(r.Fit.Order.H, k.Unit)
		r.Band = length.Show(r.Fit.Band.Half, k.Unit)
		r.GapW, r.GapH = length.Show(r.Fit.Gap.W, k.Unit), length.Show(r.Fit.Gap.H, k.Unit)
	}
	switch {
	case !r.Road.Sized:
		r.Order, r.Withheld, r.Instead = r.Road.Headline, "", ""
	case r.Fit.Ready && r.Withheld == "":
		r.Order = fmt.Sprintf("%s, %s, ±%s %s", r.sized(k.Unit), r.paneSaid(), r.Band.Main, k.Unit)
		switch {
		case p.Stock != nil:
			r.Order = fmt.Sprintf("stock size %s, %s, as it comes", r.sized(k.Unit), r.paneSaid())
		case p.Copies():
			r.Order += "; its opening was not read"
		}
	}
	r.inWords(k.Unit)
	if k.Stage == Whole {
		r.pictures(k, p)
	}
	return r, nil
}

// Unsettled says that nobody has settled what the pane is made of, where that is settled at
// all: it is not ordered.
func (r *Reckoning) Unsettled() bool { return r.Assumed && r.Road.Settled }

// paneSaid is the pane as it was settled; where nobody did, the first of the choice, said as
// such.
func (r *Reckoning) paneSaid() string {
	if !r.Unsettled() {
		return r.Pane
	}
	if len(r.Choice.Open) == 0 {
		return "not settled yet"
	}
	first := r.Choice.Open[0]
	r.First = fmt.Sprintf("%s mm %s", working.Num(first.Thickness, 1), first.Name)
	if (carrying{r}).way().Tube() {
		r.First = fmt.Sprintf("%s, wall %s mm", first.Name, working.Num(first.Thickness, 1))
	}
	return "not settled yet; first of the choice: " + r.First
}

// all are the numbers of every part, as they are reckoned.
func (r *Reckoning) all(k Known) []working.Figure {
	if !r.Road.Sized { // numbers of a pane that nobody orders
		return append([]working.Figure{}, r.packFigures...)
	}
	return append(append([]working.Figure{}, r.Fit.Figures...),
		append(r.packFigures, append(r.more(k), hearing{r}.heardFigures()...)...)...)
}

// figures are all numbers as they are shown, problems first, and the pane's
// measures.
func (r *Reckoning) figures(k Known, all []working.Figure) {
	r.Figures = Present(all, k.Unit)
	if c := r.Fit.Chance; c != nil {
		bw, bh := length.Show(c.Best.W, k.Unit), length.Show(c.Best.H, k.Unit)
		r.BestW, r.BestH = &bw, &bh
	}
	r.Cutting = r.cutting()
	r.Carries, r.Packing = k.Duty.Says(), k.Stack.Says(k.Own)
	for _, d := range r.Fit.Makes {
		r.Makes = append(r.Makes, Made{d.Key, d.Name, length.Show(d.Value, k.Unit)})
	}
}

// pictures are the drawings of it.
func (r *Reckoning) pictures(k Known, p fit.Problem) {
	sc := drawing.Scene{Family: r.Family, Problem: p, Result: r.Fit, Sides: k.Sides, Pane: r.Pane, Unit: k.Unit,
		Stamp: k.Stamp, Corner: k.OldPane["corner"], Stack: packing{r}.stack(k.Stack)}
	r.Table, r.Section = drawing.Table(sc), drawing.Section(sc)
	r.Lift = drawing.Lifted(sc)
	if r.Road.Sized {
		r.Ordered = drawing.Ordered(sc)
	}
	for _, st := range r.Fit.Slide {
		r.Slide = append(r.Slide, drawing.SectionAt(sc, st))
	}
}

// sealsOf are the seals of a family as the matrix of what may touch what knows
// them.
var sealsOf = map[string][]string{"rubber": {"rubber"}, "run": {"rubber"}, "holes": {"rubber"}, "plate": {"rubber"},
	"butyl": {"butyl"},
	"lugs":  {"rubber"}}

// Parts of the work on a pane, each with the reckoning that it adds to.
type (
	hearing  struct{ *Reckoning } // what else speaks for the size
	carrying struct{ *Reckoning } // the loads, and how they are carried
	packing  struct{ *Reckoning } // the pack that the pane stands in
	allowing struct{ *Reckoning } // what may be ordered, and what is withheld
	stopping struct{ *Reckoning } // what is beyond a limit
	telling  struct{ *Reckoning } // causes, facts and what is handed over
)
