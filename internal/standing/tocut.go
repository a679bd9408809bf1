package standing

import (
	"fmt"
	"math"
	"slices"
	"time"

	"freshshard/core/cutting"
	"freshshard/core/fit"
	"freshshard/core/holding"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/plan"
	"freshshard/internal/jobview"
)

// ToCut is a pane that waits to be cut here. Its blank is its box, with what a shape
// needs beside it to break out.
type ToCut struct {
	Piece     string     `json:"piece" doc:"Its name in a plan"`
	Job       int64      `json:"job"`
	Pane      int64      `json:"pane"`
	Object    string     `json:"object"`
	Name      string     `json:"name,omitempty" doc:"What the pane is called, when there are several"`
	Material  string     `json:"material"`
	Thickness float64    `json:"thickness"`
	Outside   float64    `json:"outside,omitempty" doc:"Of a tube, mm"`
	W         float64    `json:"w" doc:"Of the blank, mm; of a tube its length"`
	H         float64    `json:"h"`
	Size      string     `json:"size" doc:"Of the pane as ordered"`
	Shaped    bool       `json:"shaped,omitempty" doc:"Cut out of its blank with relief scores"`
	Shape     *Blank     `json:"shape,omitempty" doc:"The pane within its blank"`
	Turn      bool       `json:"turn" doc:"It may lie either way on the sheet"`
	Keeps     string     `json:"keeps" doc:"The band that its size was made for: hand cut, ± 1 mm"`
	Unsaid    bool       `json:"unsaid,omitempty" doc:"Nobody said that it is cut here: its size is one for a glass shop"`
	Promised  *time.Time `json:"promised_at,omitempty"`
}

// Blank is a pane of a shape within its blank, from the blank's lower left corner, mm.
type Blank struct {
	Outline []outline.Point `json:"outline"`
	Scores  []outline.Score `json:"scores" doc:"What is scored beside the outline"`
}

// elsewhere are cutters outside the house.
var elsewhere = []fit.Cutter{fit.ShopCut, fit.Toughened}

// toCut says what of a pane there is to cut here; nil where somebody else cuts it, it is
// not settled or not sized yet, or it is ordered already.
func toCut(b jobview.Pane, unit length.Unit) *ToCut {
	r := &b.Reckoning
	if !r.Fit.Ready || r.Assumed || r.Withheld != "" || !r.Road.Sized || r.Material.Cut == "order" || b.Pane.Stock != "" ||
		slices.Contains(elsewhere, b.Pane.Cutter) {
		return nil
	}
	// The first step of the source is the order: behind it the pane is on its way.
	i := slices.IndexFunc(r.Plan.Steps, func(st plan.Step) bool { return st.Station == "source" })
	if i < 0 || b.Done[r.Plan.Steps[i].Key] {
		return nil
	}
	c := &ToCut{Pane: b.Pane.ID, Material: r.Material.ID, Thickness: r.Thickness, Unsaid: b.Pane.Cutter == "" &&
		slices.Contains(elsewhere, r.Material.Cutter)}
	if band := r.Fit.Band; band.Half > 0 {
		c.Keeps = fmt.Sprintf("%s, ± %g mm", band.Name, band.Half)
	}
	show := func(v float64) string { return length.Show(v, unit).Main }
	if holding.Of(r.Family.Sizing).Tube() {
		c.Outside, c.W = ToTenth(r.Fit.Order.W), upToTenth(r.Fit.Order.H)
		c.Size = fmt.Sprintf("%s %s long", show(r.Fit.Order.H), unit)
		return c
	}
	p, ok := r.Outline()
	if !ok {
		return nil
	}
	box := p.Box()
	c.W, c.H = upToTenth(box.Width()), upToTenth(box.Height())
	c.Shaped, c.Turn = r.Fit.Form != "rectangle", !r.Material.Streaked()
	c.Size = fmt.Sprintf("%s × %s %s", show(box.Width()), show(box.Height()), unit)
	if c.Shaped && r.Material.Cut == "hand" {
		margin := cutting.LeastStrip(r.Thickness)
		c.W, c.H = c.W+2*margin, c.H+2*margin
		in := p.Moved(margin-box.Min.X, margin-box.Min.Y)
		c.Shape = &Blank{in.Flatten(blankTol), in.Scores(margin)}
	}
	return c
}

// blankTol is how finely a curve is drawn in its blank, mm.
const blankTol = 0.5

// upToTenth goes to the tenth of a millimetre above.
func upToTenth(v float64) float64 { return math.Ceil(v*10-1e-6) / 10 }

// ToTenth goes to the nearest tenth of a millimetre.
func ToTenth(v float64) float64 { return math.Round(v*10) / 10 }

// ToCutEver is toCut for a pane whose order is ticked already.
func ToCutEver(b jobview.Pane) *ToCut {
	b.Done = map[string]bool{}
	return toCut(b, "mm")
}
