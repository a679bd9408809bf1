package stock

import (
	"context"
	"fmt"
	"strconv"

	"freshshard/core/catalogue"
	"freshshard/core/cutting"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/usual"
	"freshshard/internal/record"
	"freshshard/internal/standing"
)

// planTubes fills the plan of tubes: the fewest bars, each cut across from its left end.
func (d *CutDoc) planTubes(ctx context.Context, own catalogue.Values, m pane.Material, glass Glass,
	waiting []standing.ToCut,
	stock []record.StockItem, pins []Pin) error {
	if len(pins) > 0 {
		return fault.New("pins", "tubes are not pinned: any of a length is as good as another", "plan without")
	}
	task := cutting.BarTask{Keep: usual.Of(own, usual.TubeKept), Dress: usual.Of(own, usual.TubeDress)}
	if m.Cut == "saw" {
		task.Kerf, task.Dress = usual.Of(own, usual.SawKerf), 0
	}
	for _, v := range stock {
		task.Bars = append(task.Bars, cutting.Bar{ID: strconv.FormatInt(v.ID, 10), Length: v.H, Count: int(v.Quantity),
			Cost: float64(v.Cents) / 100})
	}
	for _, c := range waiting {
		task.Wants = append(task.Wants, cutting.Stretch{ID: c.Piece, Length: c.W})
	}
	p, err := cutting.SolveBars(ctx, task)
	if err != nil {
		return err
	}
	if b := cutting.VerifyBars(task, p); len(b) > 0 {
		return &record.Broken{What: "The cut room made a plan of tubes that cannot be cut", Why: fmt.Sprint(b)}
	}
	d.Task, d.Plan = task.AsSheets(p, glass.Outside)
	return nil
}

// nextTube writes a cut across a tube in words.
func (d *CutDoc) nextTube(sheet int, c *cutting.Cut, unit length.Unit) *NextCut {
	n := c.Node
	out := &NextCut{Sheet: sheet, Path: c.Path, Number: c.Number, Of: len(d.Plan.Sheets[sheet].Order()),
		At: length.Show(n.At, unit), Trim: n.Trim, Gives: d.gives(n.A), Rest: Held(n.B), From: "from the left end",
		Do: "nick it once with a wet file, thumbs behind the nick, bend away; 2 mm of it are for dressing both ends"}
	if d.Task.Rules.Kerf > 0 {
		out.Do = "turn it against a fine saw, deburr both ends"
	}
	return out
}

// brokeTube loses the stretch that was cut; what is left of the tube is cut on.
func brokeTube(made []cutting.Mark, sheet int, path string) []cutting.Mark {
	return append(made, cutting.Mark{Sheet: sheet, Path: path}, cutting.Mark{Sheet: sheet, Path: path + "a", Broke: true})
}
