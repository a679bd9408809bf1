// Package reckon brings the core together for one pane: from what is known of
// it to its size, its material, its plan and its drawings. It is what the job
// screen shows and what the command line prints.
package reckon

import (
	"fmt"
	"math"

	"freshshard/core/compat"
	"freshshard/core/diagnose"
	"freshshard/core/drawing"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/frame"
	"freshshard/core/length"
	"freshshard/core/origin"
	"freshshard/core/outline"
	"freshshard/core/own"
	"freshshard/core/pane"
	"freshshard/core/plan"
	"freshshard/core/setting"
	"freshshard/core/thickness"
	"freshshard/core/working"
)

// Known is all that is known of a pane. What is empty is filled from the
// family: its usual material, frame and limits.
type Known struct {
	Family    string                       `json:"family"`
	Exposure  exposure.Exposure            `json:"exposure"`
	Frame     string                       `json:"frame,omitempty"`
	Readings  map[fit.Place]length.Reading `json:"readings"`
	Material  string                       `json:"material,omitempty" doc:"Settled material; empty while open"`
	Thickness float64                      `json:"thickness,omitempty" doc:"Settled thickness, mm; 0 while open"`
	Cutter    fit.Cutter                   `json:"cutter,omitempty" doc:"Who cuts it; empty takes the material's usual"`
	Gasket    fit.Gasket                   `json:"gasket"`
	Sides     setting.Sides                `json:"sides" doc:"Brackets on each side"`
	Shape     fit.Shape                    `json:"shape"`
	Raked     bool                         `json:"raked,omitempty"`
	Power     bool                         `json:"power,omitempty"`
	Gas       bool                         `json:"gas,omitempty"`
	Vehicle   bool                         `json:"vehicle,omitempty"`
	Water     bool                         `json:"water,omitempty"`
	Old       bool                         `json:"old,omitempty"`
	Strike    bool                         `json:"strike,omitempty"`
	Like      string                       `json:"like,omitempty" doc:"Material of the old pane, as far as known"`
	Weights   map[string]float64           `json:"weights,omitempty"`
	Evidence  diagnose.Evidence            `json:"evidence,omitempty" doc:"What was seen of the break"`
	OldPane   diagnose.Evidence            `json:"old_pane,omitempty" doc:"What was seen of the old pane"`
	Cause     string                       `json:"cause,omitempty" doc:"Cause that somebody settled on"`
	Own       own.Values                   `json:"-"` // the shop's own values, laid over the book's
	Stamp     string                       `json:"stamp,omitempty"`
	Duty      pane.Duty                    `json:"duty" doc:"What it has to carry and to be used for"`
	Stack     pane.Stack                   `json:"stack" doc:"The pack that it stands in"`
	Uses      []string                     `json:"uses,omitempty" doc:"Cleaners, lubricants, adhesives that touch it"`
	Draws     int                          `json:"draws,omitempty" doc:"How many openings to draw for the odds; 0 for none"`
	Unit      length.Unit                  `json:"unit" enum:"mm,in"`
}

// Reckoning is everything that follows from it.
type Reckoning struct {
	Family    family.Family     `json:"family"`
	Material  pane.Material     `json:"material" doc:"Settled, or assumed until it is"`
	Thickness float64           `json:"thickness" doc:"mm"`
	Assumed   bool              `json:"assumed" doc:"Material or thickness is not settled yet"`
	Pane      string            `json:"pane" doc:"4 mm glass-ceramic"`
	Fit       fit.Result        `json:"fit"`
	Order     string            `json:"order" doc:"The order line; empty while readings are missing"`
	OrderW    length.Shown      `json:"order_w"`
	OrderH    length.Shown      `json:"order_h"`
	BestW     *length.Shown     `json:"best_w,omitempty" doc:"The best size by the odds, where they were asked"`
	BestH     *length.Shown     `json:"best_h,omitempty"`
	Makes     []Made            `json:"makes" doc:"The measures that make the pane as ordered"`
	Figures   []working.Figure  `json:"figures" doc:"All numbers, problems first"`
	Cutting   outline.Cutting   `json:"cutting" doc:"Whether the pane can be cut here"`
	Choice    pane.Choice       `json:"choice"`
	Touch     []compat.Finding  `json:"touch" doc:"How everything that may touch the pane and its frame gets on with them"`
	Clash     string            `json:"clash,omitempty" doc:"What is used and must never be; empty when nothing is"`
	Plan      plan.Plan         `json:"plan"`
	Walk      []fit.PlaceInfo   `json:"walk"`
	Table     drawing.Drawing   `json:"table"`
	Section   drawing.Drawing   `json:"section"`
	Lift      *drawing.Drawing  `json:"lift,omitempty" doc:"How a pane that is lifted goes in, in three positions"`
	Slide     []drawing.Drawing `json:"slide" doc:"The section from the coldest to the hottest, as fit.slide"`
	Why       diagnose.Result   `json:"why" doc:"Why it broke"`
	Cause     string            `json:"cause" doc:"The settled cause in words; empty while open"`
	Was       diagnose.Result   `json:"was" doc:"What the old pane was"`
	Pack      *Packed           `json:"pack,omitempty" doc:"The pack that the pane stands in"`
	Fault     *fault.Error      `json:"fault,omitempty" doc:"Readings that cannot belong together, with the place"`

	packFigures []working.Figure
}

// Made is one measure of the pane as ordered, as it is shown.
type Made struct {
	Key   string       `json:"key"`
	Name  string       `json:"name"`
	Shown length.Shown `json:"shown"`
}

// defaultThickness is what is assumed before anybody has read the old pane, mm.
const defaultThickness = 4.0

// Pane reckons one pane. Readings that cannot belong together are not an
// error of the call: the answer then carries the Fault and what can still be
// said without them.
func Pane(k Known) (Reckoning, error) {
	var r Reckoning
	var err error
	if r.Family, err = family.With(k.Own, k.Family); err != nil {
		return r, err
	}
	if err = k.Exposure.Check(); err != nil {
		return r, err
	}
	if err = r.material(k); err != nil {
		return r, err
	}
	object := k.Exposure
	if err = r.pack(&k); err != nil {
		return r, err
	}
	p, err := r.problem(k)
	if err != nil {
		return r, err
	}
	r.Walk = fit.Walk(r.Family.Sizing, k.Shape)
	if err = r.size(k, &p); err != nil {
		return r, err
	}
	if err = r.diagnose(&k); err != nil {
		return r, err
	}
	if r.Choice, err = pane.Choose(r.need(k, p.Room())); err != nil {
		return r, err
	}
	r.Touch = compat.Laid(k.Own).Ask([]string{r.Material.ID, frameOf(k, r.Family)}, sealsOf[r.Family.Seal])
	if f := fault.Of(compat.Check(k.Uses, r.Touch)); f != nil {
		r.Clash = f.Why + "; " + f.Cure
	}
	facts, err := r.facts(k, object)
	if err != nil {
		return r, err
	}
	if r.Plan, err = plan.Build(r.Family, facts); err != nil {
		return r, err
	}
	r.Figures = Present(append(append([]working.Figure{}, r.Fit.Figures...), append(r.packFigures, r.more(k)...)...), k.Unit)
	if c := r.Fit.Chance; c != nil {
		bw, bh := length.Show(c.Best.W, k.Unit), length.Show(c.Best.H, k.Unit)
		r.BestW, r.BestH = &bw, &bh
	}
	r.Cutting = r.cutting()
	r.Makes = []Made{}
	for _, d := range r.Fit.Makes {
		r.Makes = append(r.Makes, Made{d.Key, d.Name, length.Show(d.Value, k.Unit)})
	}
	if r.Fit.Ready {
		r.OrderW, r.OrderH = length.Show(r.Fit.Order.W, k.Unit), length.Show(r.Fit.Order.H, k.Unit)
		r.Order = fmt.Sprintf("%s in %s, ±%s mm", r.sized(k.Unit), r.Pane, working.Num(r.Fit.Band.Half, 1))
	}
	sc := drawing.Scene{Family: r.Family, Problem: p, Result: r.Fit, Sides: k.Sides, Pane: r.Pane, Unit: k.Unit, Stamp: k.Stamp, Corner: k.OldPane["corner"]}
	r.Table, r.Section, r.Slide = drawing.Table(sc), drawing.Section(sc), []drawing.Drawing{}
	r.Lift = drawing.Lifted(sc)
	for _, st := range r.Fit.Slide {
		r.Slide = append(r.Slide, drawing.SectionAt(sc, st))
	}
	return r, nil
}

// size solves the fit. Readings that cannot belong together are kept as the
// Fault. A thickness that nobody settled follows the loads once the size is
// known, and the fit is then solved again.
func (r *Reckoning) size(k Known, p *fit.Problem) error {
	var err error
	if r.Fit, err = fit.Solve(*p); err != nil {
		if r.Fault = fault.Of(err); r.Fault == nil || k.Readings[fit.Place(r.Fault.Field)].Value == 0 {
			return err
		}
		r.Fit.Figures, r.Fit.Ready = []working.Figure{}, false
		return nil
	}
	if k.Thickness != 0 || !r.Fit.Ready {
		return nil
	}
	t := r.Material.Carrying(r.load(k), r.Thickness, p.Room())
	if t == r.Thickness {
		return nil
	}
	r.thick(t)
	p.Thickness = t
	r.Fit, err = fit.Solve(*p)
	return err
}

// thick sets how thick the pane is, mm, and what it is called.
func (r *Reckoning) thick(t float64) {
	r.Thickness = t
	r.Pane = working.Num(t, 1) + " mm " + r.Material.Short
}

// material settles what the pane is made of and how thick, or assumes it.
func (r *Reckoning) material(k Known) error {
	id := k.Material
	if id == "" {
		id, r.Assumed = r.Family.Material, true
	}
	var err error
	if r.Material, err = pane.With(k.Own, id); err != nil {
		return err
	}
	if k.Thickness == 0 {
		want := defaultThickness
		if old, ok := k.Readings[fit.OldThickness]; ok {
			want = old.Value
		}
		k.Thickness, r.Assumed = r.Material.Nearest(want), true
	}
	r.thick(k.Thickness)
	return nil
}

// sealsOf are the seals of a family as the matrix of what may touch what knows
// them.
var sealsOf = map[string][]string{"rubber": {"rubber"}, "run": {"rubber"}, "plate": {"rubber"}, "butyl": {"butyl"}}

func frameOf(k Known, f family.Family) string {
	if k.Frame != "" {
		return k.Frame
	}
	return f.Frame
}

func (r *Reckoning) problem(k Known) (fit.Problem, error) {
	fr, err := frame.With(k.Own, frameOf(k, r.Family))
	if err != nil {
		return fit.Problem{}, err
	}
	cutter := k.Cutter
	if cutter == "" {
		cutter = r.Material.Cutter
	}
	var coldBend *fit.Value
	if b := r.Material.ColdBend; b != nil {
		coldBend = &fit.Value{V: b.V, Origin: b.Origin.Of(r.Material.Short)}
	}
	return fit.Problem{
		Sizing: r.Family.Sizing, Shape: k.Shape, ColdBend: coldBend, Readings: k.Readings, Limits: fit.LimitsOf(r.Family), Pane: r.Material.Body(), Thickness: r.Thickness, Plastic: r.Material.Plastic, Stack: k.Stack.Depth(), Own: k.Own,
		Frame:    fit.Body{Name: fr.Name, Alpha: fr.Alpha, Origin: fr.Source()},
		Exposure: k.Exposure, Cutter: cutter, Gasket: k.Gasket, Raked: k.Raked, OffCentre: fit.DefaultOffCentre, Draws: k.Draws, Unit: k.Unit,
	}, nil
}

// area is that of the glass, mm²: of a tube its wall, unrolled.
func (r *Reckoning) area() float64 {
	switch {
	case r.Family.Sizing == family.Tube:
		return math.Pi * math.Max(0, r.Fit.Order.W-r.Thickness) * r.Fit.Order.H
	case r.Family.Sizing == family.Port:
		return math.Pi / 4 * r.Fit.Order.W * r.Fit.Order.H
	case len(r.Fit.Pane) > 0:
		return r.Fit.Pane.Area()
	}
	return r.Fit.Order.W * r.Fit.Order.H
}

// Outline is the pane as ordered in its true shape; ok is false while it has no
// size, and for a tube.
func (r *Reckoning) Outline() (p outline.Path, ok bool) {
	var err error
	switch {
	case !r.Fit.Ready || r.Family.Sizing == family.Tube:
		return nil, false
	case len(r.Fit.Pane) > 0:
		return r.Fit.Pane, true
	case r.Family.Sizing == family.Port:
		p, err = outline.Circle(r.Fit.Order.W)
	default:
		p, err = outline.RoundedRect(r.Fit.Order.W, r.Fit.Order.H, 0)
	}
	return p, err == nil
}

// cutting says whether the pane can be cut here and how.
func (r *Reckoning) cutting() outline.Cutting {
	p, ok := r.Outline()
	switch {
	case r.Material.Cut == "order":
		return outline.Cutting{Sentence: r.Material.Short + " is ordered to its final size: it is never cut, drilled or ground"}
	case r.Family.Sizing == family.Tube:
		return outline.Cutting{Hand: true, Sentence: "cut square, ends ground and fire-polished or smoothed"}
	case !ok:
		return outline.Cutting{Sentence: "no size yet"}
	case r.Material.Cut == "saw":
		return outline.Cutting{Hand: true, Sentence: "sawn here with its film on"}
	}
	return p.Cuttable(r.Thickness)
}

// sized says how large the pane is, in the words of its form.
func (r *Reckoning) sized(unit length.Unit) string {
	show := func(v float64) string { return length.Show(v, unit).Main }
	switch r.Fit.Form {
	case "rectangle":
		return fmt.Sprintf("%s × %s %s", r.OrderW.Main, r.OrderH.Main, unit)
	case "round", "circle":
		return fmt.Sprintf("round, %s %s across", r.OrderW.Main, unit)
	case "tube":
		return fmt.Sprintf("tube, %s %s outside, %s %s long", r.OrderW.Main, unit, r.OrderH.Main, unit)
	}
	out := fmt.Sprintf("%s, %s × %s %s", r.Fit.Form, r.OrderW.Main, r.OrderH.Main, unit)
	for _, d := range r.Fit.Makes[2:] {
		out += fmt.Sprintf(", %s %s", d.Name, show(d.Value))
	}
	return out
}

func (r *Reckoning) need(k Known, room float64) pane.Need {
	n := pane.Need{Exposure: k.Exposure, Strike: k.Strike, Area: r.area(), Thickness: r.Thickness, Depth: room, Like: k.Like, Own: k.Own, Beware: diagnose.Beware(k.Cause), Load: r.load(k), Weights: k.Weights,
		Duty: k.Duty, Stack: k.Stack, Room: k.Exposure.Room, Vehicle: k.Vehicle, Boat: k.Water, Maker: r.Family.Maker, Tube: r.Family.Sizing == family.Tube, Bent: k.Shape.Curved}
	if n.Tube {
		n.Outside = k.Readings[fit.TubeOutside].Value
	}
	if o := r.Fit.Opening; o != nil && len(r.Fit.Pane) > 0 {
		n.Outline = &outline.Outline{Outer: r.Fit.Pane, Holes: o.Holes}
	}
	return n
}

// gustSpeed is the gust that a pane outdoors is held against, m/s. Common
// practice, no source; local wind rules come first.
const gustSpeed = 30.0

// heldOf says which sides of a pane are held, where it is not all of them. A
// pane that slides down has nothing over it once it is on its way.
var heldOf = map[family.Sizing]pane.Held{family.Channel: pane.Two, family.Track: pane.Two, family.Run: pane.Three, family.Port: pane.Round}

// load is what bends the pane.
func (r *Reckoning) load(k Known) pane.Load {
	if r.Family.Sizing == family.Tube || !r.Fit.Ready {
		return pane.Load{}
	}
	l := pane.Load{W: r.Fit.Order.W, H: r.Fit.Order.H, Warp: k.Readings[fit.SeatWarp].Value, Held: heldOf[r.Family.Sizing],
		Push: k.Duty.Push, Even: k.Duty.Standing(), Lying: k.Duty.Lying}
	if r.Fit.Form == "circle" {
		l.Held = pane.Round
	}
	if r.Fit.Bite > 0 {
		l.Spare = math.Max(0, r.Fit.Bite-r.Family.Limits.Bite.V)
	}
	if k.Exposure.Outdoors {
		l.Wind = gustSpeed
	}
	return l
}

// diagnose works out cause and old pane. A likely old material stands in where
// nobody said what it was.
func (r *Reckoning) diagnose(k *Known) error {
	var err error
	if r.Why, err = diagnose.Why(k.Evidence); err != nil {
		return err
	}
	if r.Was, err = diagnose.OldPane(k.OldPane); err != nil {
		return err
	}
	if first := r.Was.Ranked[0]; k.Like == "" && first.Score > 0 && first.Share >= diagnose.Likely {
		k.Like = first.ID
	}
	r.Cause = diagnose.NameOf(k.Cause)
	return nil
}

// facts are what the plan goes by; the object is as hot as it is, wherever the
// pane stands in a pack.
func (r *Reckoning) facts(k Known, object exposure.Exposure) (plan.Facts, error) {
	changes, err := diagnose.Changes(k.Cause)
	if err != nil {
		return plan.Facts{}, err
	}
	need := make([]plan.Required, 0, len(changes))
	for _, c := range changes {
		need = append(need, plan.Required{Key: "fix-" + k.Cause + "-" + c.Key, Station: family.Station(c.Station), Text: c.Text,
			Why: "Why it broke: " + r.Cause + "."})
	}
	return plan.Facts{Required: need,
		Exposure: object, Power: k.Power, Gas: k.Gas, Vehicle: k.Vehicle, Water: k.Water, Old: k.Old, Strike: k.Strike,
		Burst:  r.Material.Cut == "order" || k.Like == "toughened" || k.Like == "toughened-coated",
		Weight: r.Material.Weight(r.area(), r.Thickness), Longest: math.Max(r.Fit.Order.W, r.Fit.Order.H),
	}, nil
}

// more are the numbers that belong to setting and carrying the pane.
func (r *Reckoning) more(k Known) []working.Figure {
	var out []working.Figure
	if old, ok := k.Readings[fit.OldThickness]; ok {
		out = append(out, thickness.Of(old).Figure)
	}
	if !r.Fit.Ready {
		return out
	}
	w, h := r.Fit.Order.W, r.Fit.Order.H
	kg := r.Material.Weight(r.area(), r.Thickness)
	out = append(out, working.Figure{
		Key: "mass", Sentence: "the pane weighs", Value: kg, Unit: "kg", Verdict: working.Note,
		Working: working.Of("{ρ} × {A} × {t} × 10⁻³", kg, "kg",
			working.In("ρ", "density of "+r.Material.Short, r.Material.Density.V, "kg/m³", r.Material.Density.Origin.Of(r.Material.Short)),
			working.In("A", "area of the pane", r.area()/1e6, "m²", origin.Sum()),
			working.In("t", "thickness", r.Thickness, "mm", origin.Sum())),
	})
	out = append(out, r.Material.LoadFigures(r.load(k), r.Thickness)...)
	if f, ok := r.Material.HoopFigure(k.Duty, k.Readings[fit.TubeOutside].Value, r.Thickness); ok && r.Family.Sizing == family.Tube {
		out = append(out, f)
	}
	if f, ok := r.Material.EdgeFigure(k.Exposure); ok {
		out = append(out, f)
	}
	if r.Family.Sizing != family.Rebate && r.Family.Sizing != family.Bonded || r.Fit.Form != "rectangle" {
		return out
	}
	if r.Family.Sizing == family.Bonded {
		return append(out, setting.BlockFigure(w, h, r.Thickness, math.Max(r.Fit.Gap.W, r.Fit.Gap.H)))
	}
	return append(out, setting.BlockFigure(w, h, r.Thickness, math.Max(r.Fit.Gap.W, r.Fit.Gap.H)), setting.PointFigure(w, h, r.Family.Fixing))
}

// Present writes each figure in the shop's unit, with the other one beside it.
func Present(figures []working.Figure, unit length.Unit) []working.Figure {
	for i := range figures {
		f := &figures[i]
		if f.Unit == "mm" {
			s := length.Show(f.Value, unit)
			f.Text, f.Other = s.Main, s.Other
			if unit == length.IN {
				f.Text += " in"
			} else {
				f.Text += " mm"
			}
			continue
		}
		f.Text = working.Num(f.Value, 1)
		if f.Unit != "" {
			f.Text += " " + f.Unit
		}
	}
	return figures
}
