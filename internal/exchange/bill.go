package exchange

import (
	"encoding/csv"
	"fmt"
	"io"
	"strings"
	"time"

	"freshshard/core/bank"
	"freshshard/core/money"
	"freshshard/core/price"
	"freshshard/internal/record"
)

var billTitles = map[price.Kind]string{price.Quote: "Quote", price.Invoice: "Invoice", price.Credit: "Credit"}

// Bill writes a quote, an invoice or a credit as it was written. page is where a customer says yes to
// a quote; without one there is no code, but a place to sign.
func Bill(w io.Writer, s record.Shop, b record.Bill, page string, zone *time.Location) error {
	t := sheetOf(s, fmt.Sprintf("%s %d", billTitles[b.Kind], b.Number), zone)
	t.addressed(b)
	t.line(10, "", fmt.Sprintf("%s. Job %d. %s", b.Object, b.Job, t.day(b.At)))
	if b.OfNumber > 0 {
		t.line(10, "", fmt.Sprintf("Takes back invoice %d.", b.OfNumber))
	}
	if b.Agreed != "" {
		t.line(10, "", "Agreed: "+b.Agreed)
	}
	t.p.Ln(4)
	t.billed(b)
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
	if err := t.toPay(b); err != nil {
		return err
	}
	if b.Kind == price.Quote {
		if err := t.toSign(page); err != nil {
			return err
		}
	}
	t.foot(b.From)
	return t.p.Output(w)
}

// addressed writes to whom it goes.
func (t sheet) addressed(b record.Bill) {
	name, phone := b.Customer, b.Phone
	if b.Payer != nil && b.Payer.Name != "" {
		name, phone = b.Payer.Name, ""
	}
	t.line(12, "B", name)
	if b.Payer == nil {
		t.line(10, "", phone)
		return
	}
	for _, l := range postalLines(b.Payer.Postal) {
		t.line(10, "", l)
	}
	t.line(10, "", phone)
	if b.Payer.TaxNumber != "" {
		t.line(10, "", "Tax number "+b.Payer.TaxNumber)
	}
	if b.Payer.Name != "" {
		t.line(10, "", "For "+b.Customer)
	}
	if b.Payer.Reference != "" {
		t.line(10, "", "Your number "+b.Payer.Reference)
	}
	t.p.Ln(2)
}

// postalLines are an address, line by line.
func postalLines(p record.Postal) []string {
	var out []string
	for _, l := range []string{p.Street, strings.TrimSpace(p.Postcode + " " + p.City), p.Country} {
		if l != "" {
			out = append(out, l)
		}
	}
	return out
}

// billed is the table of lines with its sums.
func (t sheet) billed(b record.Bill) {
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
	in := ""
	if b.From != nil && b.From.Currency != "" {
		in = ", " + b.From.Currency
	}
	row("B", "", "quantity", "each", "sum"+in)
	for _, l := range b.Lines {
		row("", l.Text, l.Quantity, money.Text(l.Each), money.Text(l.Cents))
	}
	t.p.Line(margin, t.p.GetY(), pageW-margin, t.p.GetY())
	t.p.Ln(1)
	// A shop that has said no tax is not said to ask for none of it.
	switch {
	case b.Basis > 0:
		row("", "Without tax", "", "", money.Text(b.Net))
		row("", "Tax, "+price.Percent(b.Basis), "", "", money.Text(b.Tax))
	case b.Payer != nil && b.Payer.TaxFree != "":
		row("", "No tax: "+b.Payer.TaxFree, "", "", money.Text(b.Tax))
	}
	if b.Had > 0 {
		row("", "In all", "", "", money.Text(b.Total))
		row("", "Paid before", "", "", money.Text(-b.Had))
	}
	last := map[price.Kind]string{price.Quote: "In all", price.Invoice: "To pay", price.Credit: "Credited"}
	row("B", last[b.Kind], "", "", money.Text(b.Total-b.Had))
	if b.Ahead > 0 {
		row("", "Of that, before the work begins", "", "", money.Text(b.Ahead))
	}
}

// toPay says how an invoice is paid, with a code that a bank's program reads where it is in euro.
func (t sheet) toPay(b record.Bill) error {
	cents := b.Total - b.Had
	if b.Kind != price.Invoice || cents <= 0 {
		return nil
	}
	t.p.Ln(2)
	if b.Due != nil {
		t.line(10, "B", "To be paid by "+b.Due.In(t.zone).Format("2 January 2006")+".")
	}
	if b.From == nil {
		return nil
	}
	to := b.From.Bank
	if to.IBAN == "" {
		return nil
	}
	said := "To " + to.Holder + ", IBAN " + bank.Grouped(to.IBAN)
	if to.Holder == "" {
		said = "IBAN " + bank.Grouped(to.IBAN)
	}
	if to.BIC != "" {
		said += ", BIC " + to.BIC
	}
	reference := fmt.Sprintf("Invoice %d", b.Number)
	t.line(10, "", said+". Please write: "+reference+".")
	pay := bank.Transfer(to, cents, reference)
	if b.From.Currency != "EUR" || pay == "" {
		return nil
	}
	return t.coded(pay, "Your bank's program reads what is to be paid.")
}

// toSign is where a customer says yes: behind a code, or by hand.
func (t sheet) toSign(page string) error {
	t.p.Ln(8)
	if t.p.GetY()+14 > pageH-margin {
		t.p.AddPage()
	}
	y := t.p.GetY() + 6
	t.p.Line(margin, y, margin+80, y)
	t.p.SetY(y)
	t.line(9, "", "Yes: day, name and signature")
	if page == "" {
		return nil
	}
	return t.coded(page, "Or say yes here, or ask for a call.")
}

// coded draws a code with what it is for beside it.
func (t sheet) coded(what, says string) error {
	const wide = 32.0
	if t.p.GetY()+wide+8 > pageH-margin {
		t.p.AddPage()
	}
	y := t.p.GetY() + 2
	if err := code(t.p, what, margin, y, wide); err != nil {
		return err
	}
	t.p.SetXY(margin+wide+5, y+wide/2-3)
	t.font("", 10)
	t.p.CellFormat(80, 6, says, "", 1, "L", false, 0, "")
	t.p.SetY(y + wide + 2)
	return nil
}

// foot says where the shop is and how it is reached.
func (t sheet) foot(l *record.Letterhead) {
	if l == nil {
		return
	}
	var all []string
	all = append(all, postalLines(l.Postal)...)
	for _, k := range []struct{ before, text string }{{"", l.Phone}, {"", l.Mail}, {"Tax number ", l.TaxNumber}} {
		if k.text != "" {
			all = append(all, k.before+k.text)
		}
	}
	if len(all) > 0 {
		t.p.Ln(4)
		t.line(9, "", t.s.Name+" · "+strings.Join(all, " · "))
	}
}

// plainMoney is an amount as other programs read it: -12.50.
func plainMoney(cents int64) string { return strings.Replace(money.Text(cents), "−", "-", 1) }

// Ledger writes invoices and credits for the bookkeeper as CSV: UTF-8, commas, a header
// row, money with a point, days as 2027-03-31 in the shop's own zone. What is open of a job stands
// at its last invoice.
func Ledger(w io.Writer, bills []record.Bill, owing []record.Owing, zone *time.Location) error {
	c := csv.NewWriter(w)
	if err := c.Write([]string{"kind", "number", "day", "job", "customer", "net", "tax_percent", "tax", "total",
		"takes_back", "due", "open"}); err != nil {
		return err
	}
	open := map[int64]int64{} // by invoice
	for _, o := range owing {
		open[o.Bill] = o.Open
	}
	for _, b := range bills {
		back, due, left := "", "", ""
		if b.OfNumber > 0 {
			back = fmt.Sprint(b.OfNumber)
		}
		if b.Due != nil {
			due = b.Due.In(zone).Format(time.DateOnly)
		}
		if b.Kind == price.Invoice {
			left = plainMoney(open[b.ID])
		}
		if err := c.Write([]string{string(b.Kind), fmt.Sprint(b.Number), b.At.In(zone).Format(time.DateOnly),
			fmt.Sprint(b.Job), guarded(b.Customer), plainMoney(b.Net), strings.TrimSuffix(price.Percent(b.Basis), " %"),
			plainMoney(b.Tax), plainMoney(b.Total), back, due, left}); err != nil {
			return err
		}
	}
	c.Flush()
	return c.Error()
}

// Payments writes what was paid and given back as CSV, as the ledger does.
func Payments(w io.Writer, all []record.Received) error {
	c := csv.NewWriter(w)
	if err := c.Write([]string{"day", "amount", "way", "job", "customer", "note", "by"}); err != nil {
		return err
	}
	for _, p := range all {
		if err := c.Write([]string{p.Day, plainMoney(p.Cents), string(p.Way), fmt.Sprint(p.Job), guarded(p.Customer),
			guarded(p.Note), guarded(p.By)}); err != nil {
			return err
		}
	}
	c.Flush()
	return c.Error()
}
