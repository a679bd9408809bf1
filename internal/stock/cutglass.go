package stock

import (
	"fmt"
	"math"

	"freshshard/core/catalogue"
	"freshshard/core/pane"
	"freshshard/core/usual"
	"freshshard/internal/record"
	"freshshard/internal/standing"
)

// Glass is what is cut from the same stock: a material in a thickness, or a tube of a
// wall and an outside, mm.
type Glass struct {
	Material  string  `json:"material" maxLength:"40"`
	Thickness float64 `json:"thickness" minimum:"0" maximum:"100"`
	Outside   float64 `json:"outside,omitempty" minimum:"0" maximum:"200"`
}

func (g CutGroup) Glass() Glass { return Glass{g.Material, g.Thickness, g.Outside} }

func glassOf(c standing.ToCut) Glass { return Glass{c.Material, c.Thickness, c.Outside} }

// CutFrom says whether something in the stores is what the glass is cut from.
func (g Glass) CutFrom(own catalogue.Values, v record.StockItem) bool {
	if v.Material != g.Material || v.Thickness != g.Thickness || v.Quantity < 1 {
		return false
	}
	if g.Outside > 0 {
		return v.Kind == record.TubeStock && math.Abs(v.W-g.Outside) <= usual.Of(own, usual.TubeNear)+1e-9
	}
	return v.Kind == record.SheetStock || v.Kind == record.OffcutStock
}

// called is the glass in words.
func (g Glass) called() string {
	m, err := pane.Book.ByID(g.Material)
	switch {
	case err != nil:
		return g.Material
	case g.Outside > 0:
		return fmt.Sprintf("%s tube, %g mm outside, wall %g mm", m.Short, g.Outside, g.Thickness)
	}
	return fmt.Sprintf("%g mm %s", g.Thickness, m.Short)
}
