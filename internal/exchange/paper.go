package exchange

import (
	"fmt"
	"io"
	"slices"
	"strings"
	"time"

	"codeberg.org/go-pdf/fpdf"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"

	"freshshard/core/drawing"
	"freshshard/core/length"
	"freshshard/core/supply"
	"freshshard/core/thing"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// sheetOf is a page of A4 with the shop's name at its head.
func sheetOf(s record.Shop, title string, zone *time.Location) sheet {
	p := fpdf.New("P", "mm", "A4", "")
	p.AddUTF8FontFromBytes("go", "", goregular.TTF)
	p.AddUTF8FontFromBytes("go", "B", gobold.TTF)
	p.SetAutoPageBreak(true, margin)
	p.SetMargins(margin, margin, margin)
	p.SetTitle(printable(title), true)
	p.SetCreator("Fresh Shard", true)
	p.AddPage()
	t := sheet{p: p, s: s, zone: zone}
	t.font("B", 17)
	p.CellFormat(110, 8, t.short(title, 108), "", 0, "L", false, 0, "")
	t.font("", 10)
	p.CellFormat(pageW-2*margin-110, 8, t.short(strings.TrimSuffix(s.Name+", "+s.Town, ", "), 70), "", 1, "R", false, 0,
		"")
	return t
}

// line writes wrapped text over the whole width.
func (t sheet) line(pt float64, style, s string) { t.say(margin, pageW-2*margin, pt, style, s) }

// Order writes the order for a source: each line in full, and each pane that is made to size drawn as
// a cutter wants it. What comes by its number is named and not drawn. head is where the shop is, to who
// it goes to, as far as the shop knows them.
func Order(w io.Writer, s record.Shop, head *record.Letterhead, to record.Supplier, o supply.Order,
	views []jobview.View, zone *time.Location) error {
	t := sheetOf(s, fmt.Sprintf("Order %d", o.ID), zone)
	t.line(12, "B", "To "+o.Who)
	if to.Number != "" {
		t.line(10, "", "Our number with you: "+to.Number)
	}
	t.line(10, "", fmt.Sprintf("Job %d. Please write the order's number on what you send.", views[0].Job.ID))
	if o.Due != nil {
		t.line(10, "", "Wanted by "+t.day(*o.Due))
	}
	if o.Note != "" {
		t.line(10, "", o.Note)
	}
	t.p.Ln(3)
	drawn := false
	for i, l := range o.Lines {
		t.line(11, "B", fmt.Sprintf("%d.  %s  %s", i+1, amountOf(l), l.Text))
		if l.Found == supply.Wrong {
			t.line(10, "", "Goes back: "+l.Finding)
		}
		if l.Found == supply.Missing {
			t.line(10, "", "Was not in the box. "+l.Finding)
		}
		k := slices.IndexFunc(views, func(v jobview.View) bool { return l.Key == thing.PaneKey(v.Pane.ID) })
		if k >= 0 && views[k].Reckoning.Road.Sized {
			t.v = views[k]
			t.forCutter()
			drawn = true
		}
		t.p.Ln(2)
	}
	if drawn {
		t.p.Ln(2)
		t.line(9, "", "All sizes are final sizes, each in the unit that stands with it. Do not scale a drawing. Something "+
			"unclear: ask before you cut.")
	}
	t.foot(head)
	return t.p.Output(w)
}

// forCutter draws the pane with what a cutter needs beside its outline: what it may be off by, and
// from which side it is seen, at the foot of the drawing.
func (t sheet) forCutter() {
	r := &t.v.Reckoning
	if r.Band.Main != "" {
		t.line(10, "", fmt.Sprintf("Each side ±%s %s", r.Band.Main, r.Band.Unit))
	}
	if d := r.Ordered; d != nil {
		const tall = 80.0
		if t.p.GetY()+tall > pageH-margin {
			t.p.AddPage()
		}
		y := t.p.GetY() + 2
		t.draw(*d, margin, y, pageW-2*margin, tall)
		t.p.SetY(y + tall + 3)
	}
	for _, m := range r.Makes {
		t.line(10, "", m.Name+": "+m.Shown.Main+" "+string(m.Shown.Unit))
	}
}

// CutPlan writes a plan of the cut room: the sheets as they lie, and the cuts in the order
// in which they are made, each a row of sheet, stock, number, edge, measure and what it
// gives.
func CutPlan(w io.Writer, title string, d drawing.Drawing, rows [][]string) error {
	t := sheetOf(record.Shop{}, title, time.UTC)
	t.v.Unit = length.MM
	const tall = 110.0
	y := t.p.GetY() + 2
	t.draw(d, margin, y, pageW-2*margin, tall)
	t.p.SetY(y + tall + 4)
	for _, r := range rows {
		line := fmt.Sprintf("Sheet %s, cut %s: %s mm from the %s", r[0], r[2], r[4], r[3])
		if r[5] != "" {
			line += ", gives " + r[5]
		}
		t.line(10, "", line)
	}
	return t.p.Output(w)
}
