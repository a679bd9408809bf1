package exchange

import (
	"bytes"
	"strings"
	"testing"
	"time"

	"github.com/ledongthuc/pdf"

	"freshshard/core/drawing"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/owed"
	"freshshard/core/price"
	"freshshard/core/supply"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

func textOf(t *testing.T, b []byte) string {
	t.Helper()
	r, err := pdf.NewReader(bytes.NewReader(b), int64(len(b)))
	if err != nil {
		t.Fatal(err)
	}
	out := ""
	for i := range r.NumPage() {
		text, err := r.Page(i + 1).GetPlainText(nil)
		if err != nil {
			t.Fatal(err)
		}
		out += text
	}
	return out
}

var bill = record.Bill{Job: 12, Number: 7, OfNumber: 3, Customer: "=Oda Marl ☂", Object: "Sauna stove",
	Agreed: "she rang",
	At:     time.Date(2027, 3, 31, 22, 30, 0, 0, time.UTC), Bill: price.Bill{Kind: price.Credit, Net: -11500, Basis: 1250,
		Tax: -1438, Total: -12938,
		Lines: []price.Billed{{Text: strings.Repeat("a long line of words ", 9), Quantity: "1 h 25 min",
			Each: 4600, Cents: -6517}}, Covers: []string{"The way to you."}, Not: []string{"Flue work."}, Note: "Thank you."}}

func TestBill(t *testing.T) {
	b := &bytes.Buffer{}
	if err := Bill(b, record.Shop{Name: "Lantern Yard", Town: "Hollin Ferry"}, bill, "", time.UTC); err != nil {
		t.Fatal(err)
	}
	text := textOf(t, b.Bytes())
	for _, want := range []string{"Credit 7", "Takes back invoice 3", "Agreed: she rang", "1 h 25 min", "65.17", "12.5 %",
		"129.38", "The way to you.", "Flue work.", "Thank you."} {
		if !strings.Contains(text, want) {
			t.Errorf("%q is not on it: %q", want, text)
		}
	}
}

// An invoice says to whom, by when and where to it is paid, what was paid before, and what nobody
// said it leaves out.
func TestInvoiceOnPaper(t *testing.T) {
	s := record.Shop{Name: "Lantern Yard", Town: "Hollin Ferry"}
	b := owedBill()
	b.Payer = &record.Payer{Name: "The Mutual", Reference: "claim 9", Postal: record.Postal{Street: "Long Row 1"}}
	w := &bytes.Buffer{}
	if err := Bill(w, s, b, "", time.UTC); err != nil {
		t.Fatal(err)
	}
	text := textOf(t, w.Bytes())
	for _, want := range []string{"Invoice 7", "The Mutual", "Long Row 1", "For Oda Marl & sons", "Your number claim 9",
		"sum, EUR", "175.18", "Paid before", "30.00", "145.18", "To be paid by 14 April 2027",
		"To Lantern Yard, IBAN NO93 8601 1117 947",
		"Please write: Invoice 7", "Quay 4 · 1002 Hollin Ferry · NO", "Tax number NO 123 456 789", "Your bank's program"} {
		if !strings.Contains(text, want) {
			t.Errorf("%q is not on it: %q", want, text)
		}
	}
	bare := owedBill()
	bare.From, bare.Had, bare.Basis, bare.Tax, bare.Total = nil, 0, 0, 0, bare.Net
	w.Reset()
	if err := Bill(w, s, bare, "", time.UTC); err != nil {
		t.Fatal(err)
	}
	if text = textOf(t, w.Bytes()); !strings.Contains(text, "To be paid by 14 April 2027") {
		t.Errorf("by when it is to be paid is not on it: %q", text)
	}
	for _, not := range []string{"IBAN", "Tax", "tax", "Paid before", "bank's", "EUR"} {
		if strings.Contains(text, not) {
			t.Errorf("%q is on a paper of a shop that said nothing: %q", not, text)
		}
	}
}

// A quote has a place to sign, and a code where there is a page behind it; an invoice has neither.
func TestQuoteToSign(t *testing.T) {
	s, b := record.Shop{Name: "Lantern Yard"}, owedBill()
	for page, kinds := range map[string]map[price.Kind][2]bool{
		"":                            {price.Quote: {true, false}, price.Invoice: {false, false}},
		"https://yard.example/q/abcd": {price.Quote: {true, true}, price.Invoice: {false, false}},
	} {
		for kind, want := range kinds {
			b.Kind = kind
			w := &bytes.Buffer{}
			if err := Bill(w, s, b, page, time.UTC); err != nil {
				t.Fatal(err)
			}
			text := textOf(t, w.Bytes())
			got := [2]bool{strings.Contains(text, "name and signature"), strings.Contains(text, "Or say yes here")}
			if got != want {
				t.Errorf("%s, page %q: %v", kind, page, got)
			}
		}
	}
}

// What is open stands at its invoice, and a payment is a line of its own.
func TestOpenInTheLedger(t *testing.T) {
	b := owedBill()
	b.ID = 4
	w := &bytes.Buffer{}
	owing := []record.Owing{{Bill: 4, Account: owed.Account{Open: 14518}}}
	if err := Ledger(w, []record.Bill{b}, owing, time.UTC); err != nil {
		t.Fatal(err)
	}
	if rows := strings.Split(w.String(), "\n"); !strings.HasSuffix(rows[1], ",175.18,,2027-04-14,145.18") {
		t.Errorf("%s", w)
	}
	w.Reset()
	if err := Payments(w, []record.Received{{Payment: owed.Payment{Entry: owed.Entry{Cents: -3000, Way: owed.Bank,
		Day: "2027-03-31", Note: "=twice"}, By: "Mira"}, Job: 12, Customer: "Oda Marl"}}); err != nil {
		t.Fatal(err)
	}
	if w.String() != "day,amount,way,job,customer,note,by\n2027-03-31,-30.00,bank,12,Oda Marl,'=twice,Mira\n" {
		t.Errorf("%s", w)
	}
}

// The day is the shop's own: half past ten at night in Greenwich is the next day east of
// it. A name that a spreadsheet would take for a formula is none.
func TestLedger(t *testing.T) {
	b := &bytes.Buffer{}
	if err := Ledger(b, []record.Bill{bill}, nil, time.FixedZone("east", 2*3600)); err != nil {
		t.Fatal(err)
	}
	want := "kind,number,day,job,customer,net,tax_percent,tax,total,takes_back,due,open\n" +
		"credit,7,2027-04-01,12,'=Oda Marl ☂,-115.00,12.5,-14.38,-129.38,3,,\n"
	if b.String() != want {
		t.Errorf("%s", b)
	}
}

// A pane to size stands with its view and its unit once; a part by its number with no glass that
// nobody settled and no tolerance of nothing; a seal with its length.
func TestOrderOnPaper(t *testing.T) {
	sized := jobview.View{Unit: length.MM, Pane: record.Pane{ID: 4}, Job: record.Job{ID: 12}}
	sized.Reckoning.Pane, sized.Reckoning.Road.Sized = "4 mm toughened", true
	sized.Reckoning.Band = length.Shown{Main: "2.5", Unit: "mm"}
	sized.Reckoning.Ordered = &drawing.Drawing{Seen: "seen from the fire side", Box: outline.Box{Max: outline.Point{X: 300,
		Y: 200}}}
	part := jobview.View{Pane: record.Pane{ID: 5}, Job: sized.Job}
	part.Reckoning.Pane = "6 mm laminated"
	due := time.Date(2027, 4, 2, 12, 0, 0, 0, time.UTC)
	o := supply.Order{ID: 9, Who: "the lock", Due: &due, Note: "by the back door", Lines: []supply.Line{
		{Key: "pane-4", Pane: 4, Text: "300 × 200 mm, 4 mm toughened, mark: a mark", Milli: 1000, Unit: "pc",
			Found: supply.Wrong, Finding: "too wide"},
		{Key: "gasket-4", Pane: 4, Text: "gasket, flat 3 mm", Milli: 2500, Unit: "m", Found: supply.Missing},
		{Key: "pane-5", Pane: 5, Text: "Part 71-404, as it comes", Milli: 1000, Unit: "pc"}}}
	paper := func(o supply.Order) string {
		b := &bytes.Buffer{}
		head := &record.Letterhead{Phone: "0100 100"}
		to := record.Supplier{Number: "HF-71"}
		s, views := record.Shop{Name: "Lantern Yard"}, []jobview.View{sized, part}
		if err := Order(b, s, head, to, o, views, time.UTC); err != nil {
			t.Fatal(err)
		}
		return textOf(t, b.Bytes())
	}
	text := paper(o)
	for want, times := range map[string]int{"Order 9": 1, "To the lock": 1, "with you: HF-71": 1, "2 April 2027": 1,
		"by the back door":    1,
		"Goes back: too wide": 1, "mark: a mark": 1, "2.5 m": 2, "Was not in the box": 1, "seen": 1, "4 mm toughened": 1,
		"Each side ±2.5 mm": 1, "dimensions in mm": 1, "laminated": 0, "±": 1, "ask before you cut": 1, "0100 100": 1} {
		if n := strings.Count(text, want); n != times {
			t.Errorf("%q is on it %d times: %q", want, n, text)
		}
	}
	o.Lines = o.Lines[2:]
	if text = paper(o); strings.Contains(text, "cut") || strings.Contains(text, "±") {
		t.Errorf("a part is to be cut: %q", text)
	}
}

func TestCutPlanOnPaper(t *testing.T) {
	b := &bytes.Buffer{}
	d := drawing.Drawing{Box: outline.Box{Max: outline.Point{X: 2250, Y: 1605}}}
	if err := CutPlan(b, "Cut plan 4", d, [][]string{{"1", "rack 2", "1", "left edge", "614.0", ""},
		{"1", "rack 2", "2", "lower edge",
			"398.5", "Greenhouse, light 7"}}); err != nil {
		t.Fatal(err)
	}
	text := textOf(t, b.Bytes())
	for _, want := range []string{"Cut plan 4", "Sheet 1, cut 1: 614.0 mm from the left edge",
		"398.5 mm from the lower edge, gives Greenhouse"} {
		if !strings.Contains(text, want) {
			t.Errorf("%q is not on it: %q", want, text)
		}
	}
}
