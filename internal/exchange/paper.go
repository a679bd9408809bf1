package exchange

import (
	"encoding/csv"
	"fmt"
	"io"
	"slices"
	"strings"
	"time"

	"codeberg.org/go-pdf/fpdf"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"

	"freshshard/core/drawing"
	"freshshard/core/money"
	"freshshard/core/price"
	"freshshard/core/supply"
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

// Order writes the order for a source: each line in full, and each pane that is on it
// drawn as a cutter wants it.
func Order(w io.Writer, s record.Shop, o supply.Order, views []jobview.View, zone *time.Location) error {
	t := sheetOf(s, fmt.Sprintf("Order %d", o.ID), zone)
	t.line(12, "B", "To "+o.Who)
	t.line(10, "", fmt.Sprintf("Job %d. Please write the order's number on what you send.", views[0].Job.ID))
	if o.Due != nil {
		t.line(10, "", "Wanted by "+t.day(*o.Due))
	}
	if o.Note != "" {
		t.line(10, "", o.Note)
	}
	t.p.Ln(3)
	for i, l := range o.Lines {
		t.line(11, "B", fmt.Sprintf("%d.  %s  %s", i+1, amountOf(l), l.Text))
		if l.Found == supply.Wrong {
			t.line(10, "", "Goes back: "+l.Finding)
		}
		if l.Found == supply.Missing {
			t.line(10, "", "Was not in the box. "+l.Finding)
		}
		if k := slices.IndexFunc(views, func(v jobview.View) bool { return v.Pane.ID == l.Pane }); k >= 0 {
			t.forCutter(views[k])
		}
		t.p.Ln(2)
	}
	t.p.Ln(2)
	t.line(9, "", "All sizes are final sizes in the unit that stands beside them, seen from the side that is written on "+
		"the "+
		"drawing. Do not scale the drawing. Something unclear: ask before you cut.")
	return t.p.Output(w)
}

// forCutter draws a pane with what a cutter needs beside its outline.
func (t sheet) forCutter(v jobview.View) {
	r := &v.Reckoning
	t.line(10, "", fmt.Sprintf("%s, each side ±%s %s, seen %s", r.Pane, r.Band.Main, r.Band.Unit, r.Table.Seen))
	if v.Job.Object.Stamp != "" {
		t.line(10, "", "Mark: "+v.Job.Object.Stamp)
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

var billTitles = map[price.Kind]string{price.Quote: "Quote", price.Invoice: "Invoice", price.Credit: "Credit"}

// Bill writes a quote, an invoice or a credit as it was written.
func Bill(w io.Writer, s record.Shop, b record.Bill, zone *time.Location) error {
	t := sheetOf(s, fmt.Sprintf("%s %d", billTitles[b.Kind], b.Number), zone)
	t.line(12, "B", b.Customer)
	t.line(10, "", b.Phone)
	t.line(10, "", fmt.Sprintf("%s. Job %d. %s", b.Object, b.Job, t.day(b.At)))
	if b.OfNumber > 0 {
		t.line(10, "", fmt.Sprintf("Takes back invoice %d.", b.OfNumber))
	}
	if b.Agreed != "" {
		t.line(10, "", "Agreed: "+b.Agreed)
	}
	t.p.Ln(4)
	const number, each, sum = 28.0, 24.0, 28.0
	text := pageW - 2*margin - number - each - sum
	row := func(style, what, quantity, one, cents string) {
		t.font(style, 10)
		lines := t.p.SplitText(printable(what), text-2)
		t.p.SetX(margin)
		y := t.p.GetY()
		if y+5*float64(len(lines)) > pageH-margin {
			t.p.AddPage()
			y = t.p.GetY()
		}
		t.p.MultiCell(text, 5, strings.Join(lines, "\n"), "", "L", false)
		end := t.p.GetY()
		t.p.SetXY(margin+text, y)
		t.p.CellFormat(number, 5, quantity, "", 0, "R", false, 0, "")
		t.p.CellFormat(each, 5, one, "", 0, "R", false, 0, "")
		t.p.CellFormat(sum, 5, cents, "", 1, "R", false, 0, "")
		t.p.SetY(end + 1)
	}
	row("B", "", "quantity", "each", "sum")
	for _, l := range b.Lines {
		row("", l.Text, l.Quantity, money.Text(l.Each), money.Text(l.Cents))
	}
	t.p.Line(margin, t.p.GetY(), pageW-margin, t.p.GetY())
	t.p.Ln(1)
	row("", "Without tax", "", "", money.Text(b.Net))
	row("", "Tax, "+price.Percent(b.Basis), "", "", money.Text(b.Tax))
	row("B", "To pay", "", "", money.Text(b.Total))
	t.p.Ln(4)
	list := func(head string, lines []string) {
		if len(lines) == 0 {
			return
		}
		t.line(11, "B", head)
		for _, l := range lines {
			t.line(10, "", "· "+l)
		}
		t.p.Ln(2)
	}
	list("It covers", b.Covers)
	list("It does not cover", b.Not)
	if b.Until != nil {
		t.line(10, "B", "Holds until "+b.Until.In(zone).Format("2 January 2006")+".")
	}
	t.line(10, "", b.Note)
	return t.p.Output(w)
}

// Ledger writes invoices and credits for the bookkeeper as CSV: UTF-8, commas, a header
// row, money with a point, days as 2027-03-31 in the shop's own zone.
func Ledger(w io.Writer, bills []record.Bill, zone *time.Location) error {
	c := csv.NewWriter(w)
	if err := c.Write([]string{"kind", "number", "day", "job", "customer", "net", "tax_percent", "tax", "total",
		"takes_back"}); err != nil {
		return err
	}
	plain := func(cents int64) string { return strings.Replace(money.Text(cents), "−", "-", 1) }
	for _, b := range bills {
		back := ""
		if b.OfNumber > 0 {
			back = fmt.Sprint(b.OfNumber)
		}
		if err := c.Write([]string{string(b.Kind), fmt.Sprint(b.Number), b.At.In(zone).Format(time.DateOnly),
			fmt.Sprint(b.Job),
			guarded(b.Customer), plain(b.Net), strings.TrimSuffix(price.Percent(b.Basis), " %"), plain(b.Tax), plain(b.Total),
			back}); err != nil {
			return err
		}
	}
	c.Flush()
	return c.Error()
}
