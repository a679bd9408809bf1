package reckon

import (
	"fmt"

	"freshshard/core/compat"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/pane"
	"freshshard/core/prove"
	"freshshard/core/working"
)

// Chosen is a sized pane with what speaks for and against what it is made of, and its numbers.
type Chosen struct {
	Sized
	Told
	Choice  pane.Choice      `json:"choice"`
	Touch   []compat.Finding `json:"touch" doc:"How all that may touch the pane and its frame gets on with them"`
	Stops   []prove.Stop     `json:"stops" doc:"What keeps the job from being signed unless an owner takes it on"`
	Figures []working.Figure `json:"figures" doc:"All numbers, problems first"`
	Cutting outline.Cutting  `json:"cutting" doc:"Whether the pane can be cut here"`
	Makes   []Made           `json:"makes" doc:"The measures that make the pane as ordered"`
	Stock   []Offered        `json:"stock" doc:"Stock sizes that fall inside the fit"`
	BestW   *length.Shown    `json:"best_w,omitempty" doc:"The best size by the odds, where they were asked"`
	BestH   *length.Shown    `json:"best_h,omitempty"`
	Carries string           `json:"carries" doc:"What it carries, in words; empty: nothing but wind and seat"`
	Packing string           `json:"packing" doc:"The pack that it stands in, in words; empty when it stands alone"`
}

// Made is one measure of the pane as ordered, as it is shown.
type Made struct {
	Key   string       `json:"key"`
	Name  string       `json:"name"`
	Shown length.Shown `json:"shown"`
}

// sealsOf are the seals of a family as the matrix of what may touch what knows
// them.
var sealsOf = map[string][]string{"rubber": {"rubber"}, "run": {"rubber"}, "holes": {"rubber"}, "plate": {"rubber"},
	"butyl": {"butyl"},
	"lugs":  {"rubber"}}

// Settled holds a sized pane against its limits and against what touches it, and ranks nothing:
// what a list of sixty panes goes by.
func (r Sized) Settled() (Chosen, error) {
	c, _, err := r.settled()
	return c, err
}

func (r Sized) settled() (Chosen, []working.Figure, error) {
	k := r.k
	c := Chosen{Sized: r, Makes: []Made{}, Figures: []working.Figure{}, Stock: []Offered{}, Carries: k.Duty.Says(),
		Touch: compat.Laid(k.Own).Ask([]string{r.Material.ID, frameOf(k, r.Family)}, sealsOf[r.Family.Seal])}
	var err error
	if c.Told, err = r.told(); err != nil {
		return c, nil, err
	}
	all := r.all()
	c.Stops, err = c.stops(all)
	for i := range c.Stops {
		c.Stops[i].Says = length.Words(c.Stops[i].Says, k.Unit)
	}
	return c, all, err
}

// Chosen is Settled with all that could be chosen, ranked, and with all numbers.
func (r Sized) Chosen() (Chosen, error) {
	c, all, err := r.settled()
	if err != nil {
		return c, err
	}
	if c.Choice, err = pane.Choose(r.need(c.Told)); err != nil {
		return c, err
	}
	unit := r.k.Unit
	c.Figures = Present(all, unit)
	if o := r.Fit.Chance; o != nil {
		bw, bh := length.Show(o.Best.W, unit), length.Show(o.Best.H, unit)
		c.BestW, c.BestH = &bw, &bh
	}
	c.Cutting = r.cutting()
	c.Cutting.Sentence = length.Words(c.Cutting.Sentence, unit)
	c.Packing = r.k.Stack.Says(r.k.Own)
	for _, d := range r.Fit.Makes {
		c.Makes = append(c.Makes, Made{d.Key, d.Name, length.Show(d.Value, unit)})
	}
	c.Stock = r.offered()
	c.Choice.Advice = length.Words(c.Choice.Advice, unit)
	for i := range c.Choice.Closed {
		o := &c.Choice.Closed[i]
		o.Sentence, o.Figure.Sentence = length.Words(o.Sentence, unit), length.Words(o.Figure.Sentence, unit)
	}
	return c, nil
}

// all are the numbers of every part, as they are reckoned.
func (r Sized) all() []working.Figure {
	if !r.Road.Sized { // numbers of a pane that nobody orders
		return append([]working.Figure{}, r.packFigures...)
	}
	return append(append([]working.Figure{}, r.Fit.Figures...),
		append(r.packFigures, append(r.more(), r.heardFigures()...)...)...)
}

// first is the first of the choice in words; empty while something is settled or where nothing
// is open.
func (c Chosen) first() string {
	if !c.Unsettled() || len(c.Choice.Open) == 0 {
		return ""
	}
	o := c.Choice.Open[0]
	if c.way().Tube() {
		return fmt.Sprintf("%s, wall %s mm", o.Name, working.Num(o.Thickness, 1))
	}
	return fmt.Sprintf("%s mm %s", working.Num(o.Thickness, 1), o.Name)
}
