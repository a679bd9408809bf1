package owed

import (
	"math"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/price"
)

var zone = time.FixedZone("Hollin Ferry", 3600)

func day(d, hour int) time.Time { return time.Date(2027, 3, d, hour, 30, 0, 0, zone) }

// Just before, on and just after the day on which it is due, by the shop's own calendar; and every
// other way to stand, with its words.
func TestStand(t *testing.T) {
	due := day(14, 12)
	invoice := Paper{Kind: price.Invoice, Total: 10000, Due: &due}
	credit := Paper{Kind: price.Credit, Total: -10000}
	paid := func(cents ...int64) (out []Payment) {
		for _, c := range cents {
			out = append(out, Payment{Entry: Entry{Cents: c}})
		}
		return out
	}
	for _, c := range []struct {
		papers   []Paper
		payments []Payment
		now      time.Time
		state    State
		open     int64
		says     string
	}{
		{nil, nil, day(1, 8), Nothing, 0, "Nothing is owed."},
		{[]Paper{{Kind: price.Quote, Total: 10000}}, nil, day(1, 8), Nothing, 0, "Nothing is owed."},
		{nil, paid(3000), day(1, 8), Ahead, -3000, "30.00 was paid ahead."},
		{[]Paper{invoice}, nil, day(13, 23), Open, 10000, "100.00 is open, to be paid by 14 March 2027."},
		{[]Paper{invoice}, nil, day(14, 23), Open, 10000, "100.00 is open, to be paid by 14 March 2027."},
		{[]Paper{invoice}, nil, day(15, 0), Overdue, 10000, "100.00 is open, and was due 1 day ago."},
		{[]Paper{invoice}, paid(3000), day(16, 0), Overdue, 7000, "70.00 is open, and was due 2 days ago."},
		{[]Paper{invoice}, paid(3000, 6999), day(10, 0), Open, 1, "0.01 is open, to be paid by 14 March 2027."},
		{[]Paper{invoice}, paid(3000, 7000), day(20, 0), Settled, 0, "All is paid."},
		{[]Paper{invoice}, paid(3000, 7001), day(20, 0), Back, -1, "0.01 is to be given back."},
		{[]Paper{invoice, credit}, paid(3000), day(20, 0), Back, -3000, "30.00 is to be given back."},
		{[]Paper{invoice, credit}, paid(3000, -3000), day(20, 0), Settled, 0, "All is paid."},
		{[]Paper{invoice, credit}, nil, day(20, 0), Nothing, 0, "Nothing is owed."},
		{[]Paper{invoice, credit, {Kind: price.Invoice, Total: 9000, Due: &due}}, paid(3000), day(14, 0), Open, 6000,
			"60.00 is open, to be paid by 14 March 2027."},
		{[]Paper{{Kind: price.Invoice, Total: 9000}}, nil, day(14, 0), Open, 9000, "90.00 is open."},
	} {
		a := Stand(c.papers, c.payments, c.now)
		if a.State != c.state || a.Open != c.open || a.Says != c.says {
			t.Errorf("%+v, %+v at %v: %+v", c.papers, c.payments, c.now, a)
		}
	}
}

// The day of a shop is its own: late in the evening in one zone is the next day in another.
func TestStandInTheShopsZone(t *testing.T) {
	due := time.Date(2027, 3, 14, 23, 30, 0, 0, time.UTC) // the 15th in the shop
	papers := []Paper{{Kind: price.Invoice, Total: 100, Due: &due}}
	if a := Stand(papers, nil, day(15, 22)); a.State != Open {
		t.Errorf("%+v", a)
	}
	if a := Stand(papers, nil, day(16, 0)); a.State != Overdue || a.Late != 1 {
		t.Errorf("%+v", a)
	}
}

func TestCheck(t *testing.T) {
	now := day(14, 9)
	a := Account{Billed: 10000, Paid: 3000, Open: 7000}
	for _, c := range []struct {
		cents       int64
		way         Way
		day, note   string
		most        int64
		field, says string
	}{
		{7000, Bank, "2027-03-14", "", 7000, "", ""}, {6999, Cash, "2027-03-01", "", 7000, "", ""},
		{7001, Card, "2027-03-14", "", 7000, "cents", "that is 0.01 more than is owed"},
		{700000, Card, "2027-03-14", "", 7000, "cents", "look whether a point is missing"},
		{7001, Card, "2027-03-14", "", -1, "", ""},
		{0, Bank, "2027-03-14", "", 7000, "cents", "an amount is expected"},
		{100_000_001, Bank, "2027-03-14", "", -1, "cents", "an amount is expected"},
		{-3000, Bank, "2027-03-14", "came twice", 7000, "", ""},
		{-3001, Bank, "2027-03-14", "came twice", 7000, "cents", "30.00 was paid in all"},
		{-3000, Bank, "2027-03-14", "", 7000, "note", "say why"},
		{7000, "shells", "2027-03-14", "", 7000, "way", "cash, card, bank or insurer"},
		{7000, Insurer, "2027-03-15", "", 7000, "day", "still to come"},
		{7000, Insurer, "2024-03-11", "", 7000, "", ""},
		{7000, Insurer, "2024-03-10", "", 7000, "day", "look at the year"},
		{7000, Insurer, "14.3.", "", 7000, "day", "is no day"}, {7000, Insurer, "", "", 7000, "day", "is no day"},
	} {
		p := Entry{Cents: c.cents, Way: c.way, Day: c.day, Note: c.note}
		f := fault.Of(p.Check(a, c.most, now))
		switch {
		case c.field == "" && f != nil, c.field != "" && (f == nil || f.Field != c.field),
			f != nil && !strings.Contains(f.Error(), c.says):
			t.Errorf("%+v: %v", p, f)
		}
	}
}

// Whatever is billed, taken back and paid in any order, within what is taken: open is billed less
// paid, and what is settled, open or to be given back says so by its sign.
func TestAnyLife(t *testing.T) {
	r := rand.New(rand.NewPCG(32, 4))
	for range 3000 {
		var papers []Paper
		var payments []Payment
		billed, paid, stood := int64(0), int64(0), false
		for range r.IntN(12) {
			a := Stand(papers, payments, day(20, 9))
			switch k := r.IntN(3); {
			case k == 0 && !stood:
				p := Paper{Kind: price.Invoice, Total: 1 + r.Int64N(9000)}
				papers, billed, stood = append(papers, p), billed+p.Total, true
			case k == 0:
				last := papers[len(papers)-1]
				papers, billed, stood = append(papers, Paper{Kind: price.Credit, Total: -last.Total}), billed-last.Total, false
			default:
				p := Entry{Cents: r.Int64N(12000) - 4000, Way: Cash, Day: "2027-03-10", Note: "as it is"}
				if p.Check(a, a.Open, day(20, 9)) == nil {
					payments, paid = append(payments, Payment{Entry: p}), paid+p.Cents
				}
			}
		}
		a := Stand(papers, payments, day(20, 9))
		if a.Open != billed-paid || paid < 0 || a.Billed != billed || a.Paid != paid {
			t.Fatalf("%+v %+v: %+v", papers, payments, a)
		}
		if math.Round(a.Figure.Value*100) != float64(a.Open) {
			t.Fatalf("%+v", a.Figure)
		}
		if owes := a.State == Open || a.State == Overdue; owes != (a.Open > 0) ||
			(a.State == Back || a.State == Ahead) != (a.Open < 0) {
			t.Fatalf("%+v", a)
		}
	}
}
