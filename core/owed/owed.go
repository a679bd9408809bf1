// Package owed tells how a job stands with its customer: what was billed, what was paid, and what is
// open since when. Money is whole cents. Common practice, no source.
package owed

import (
	"fmt"
	"slices"
	"time"

	"freshshard/core/fault"
	"freshshard/core/money"
	"freshshard/core/price"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Way is how somebody paid.
type Way string

// The ways.
const (
	Cash    Way = "cash"
	Card    Way = "card"
	Bank    Way = "bank"
	Insurer Way = "insurer"
)

// Entry is money that came, or with less than nothing that was given back, as somebody says it.
type Entry struct {
	Cents int64  `json:"cents" doc:"Less than nothing where it was given back"`
	Way   Way    `json:"way" enum:"cash,card,bank,insurer"`
	Day   string `json:"day" maxLength:"10" doc:"When it came: 2027-03-31"`
	Note  string `json:"note,omitempty" maxLength:"200"`
}

// Payment is an entry as it was written down.
type Payment struct {
	ID int64 `json:"id"`
	Entry
	By string    `json:"by"`
	At time.Time `json:"at" doc:"When it was written down"`
}

// Paper is an invoice or a credit.
type Paper struct {
	Kind  price.Kind
	Total int64
	Due   *time.Time // of an invoice: by when it is to be paid
}

// State is how a job stands.
type State string

// The states.
const (
	Nothing State = "nothing" // nothing was billed, nothing was paid
	Ahead   State = "ahead"   // paid before there is an invoice
	Open    State = "open"
	Overdue State = "overdue"
	Settled State = "settled"
	Back    State = "back" // more was paid than is owed
)

// Account is how a job stands with its customer.
type Account struct {
	Billed int64      `json:"billed" doc:"Invoices less credits, cents"`
	Paid   int64      `json:"paid"`
	Open   int64      `json:"open" doc:"Less than nothing is to be given back"`
	Due    *time.Time `json:"due,omitempty" doc:"By when the last invoice is to be paid"`
	Late   int        `json:"late,omitempty" doc:"Days since then"`
	State  State      `json:"state" enum:"nothing,ahead,open,overdue,settled,back"`
	Says   string     `json:"says"`

	Figure working.Figure `json:"figure" doc:"What is open, with its sum"`
}

// Stand is how a job stands at a moment, in the zone of the shop. Quotes count for nothing.
func Stand(papers []Paper, payments []Payment, now time.Time) Account {
	a := Account{State: Nothing}
	papers = slices.DeleteFunc(slices.Clone(papers), func(p Paper) bool { return p.Kind == price.Quote })
	stands := false
	for _, p := range papers {
		stands = p.Kind == price.Invoice
		a.Billed, a.Due = a.Billed+p.Total, nil
		if stands {
			a.Due = p.Due
		}
	}
	for _, p := range payments {
		a.Paid += p.Cents
	}
	a.Open = a.Billed - a.Paid
	if a.Open > 0 && a.Due != nil {
		a.Late = max(0, Days(a.Due.In(now.Location()), now))
	}
	a.State, a.Says = a.say(stands, len(papers) > 0, len(payments) > 0, now)
	a.Figure = a.figure()
	return a
}

// figure is what is open with its sum.
func (a Account) figure() working.Figure {
	in := func(symbol, name string, cents int64) working.Input {
		return working.In(symbol, name, float64(cents)/100, "", value.Sum())
	}
	open := float64(a.Open) / 100
	return working.Figure{Key: "owed_open", Value: open, Text: money.Text(a.Open), Verdict: working.Note,
		Sentence: "is open", Working: working.Of("{b} − {p}", open, "", in("b", "invoices less credits", a.Billed),
			in("p", "paid, less what was given back", a.Paid))}
}

// say is the state with its words. stands is that the last invoice does.
func (a Account) say(stands, billed, paid bool, now time.Time) (State, string) {
	switch {
	case !stands && a.Open == 0 && !paid:
		return Nothing, "Nothing is owed."
	case !billed && a.Open < 0:
		return Ahead, money.Text(a.Paid) + " was paid ahead."
	case a.Open < 0:
		return Back, money.Text(-a.Open) + " is to be given back."
	case a.Open == 0:
		return Settled, "All is paid."
	case a.Late > 0:
		return Overdue, fmt.Sprintf("%s is open, and was due %s ago.", money.Text(a.Open), days(a.Late))
	case a.Due != nil:
		return Open, fmt.Sprintf("%s is open, to be paid by %s.", money.Text(a.Open),
			a.Due.In(now.Location()).Format("2 January 2006"))
	}
	return Open, money.Text(a.Open) + " is open."
}

func days(n int) string {
	if n == 1 {
		return "1 day"
	}
	return fmt.Sprintf("%d days", n)
}

// Days is how many days of the calendar lie from one moment to another, each in its own zone.
func Days(from, to time.Time) int {
	day := func(t time.Time) time.Time { return time.Date(t.Year(), t.Month(), t.Day(), 0, 0, 0, 0, time.UTC) }
	return int(day(to).Sub(day(from)).Hours() / 24)
}

// longPast is further back than anybody writes a payment down, days. Common practice, no source.
const longPast = 3 * 366

// Check refuses an entry that cannot be: none, more than is open, of a day to come or long past, or
// more given back than came. most is what may come: what is open, or before an invoice what was quoted; less
// than nothing where nobody said how much. Errors name the field.
func (p Entry) Check(a Account, most int64, now time.Time) error {
	if err := p.checkCents(a, most); err != nil {
		return err
	}
	day, err := time.ParseInLocation(time.DateOnly, p.Day, now.Location())
	switch {
	case !slices.Contains([]Way{Cash, Card, Bank, Insurer}, p.Way):
		return fault.New("way", "cash, card, bank or insurer is expected", "choose one of them")
	case err != nil:
		return fault.New("day", fmt.Sprintf("%q is no day", p.Day), "write it as 2027-03-31")
	case Days(now, day) > 0:
		return fault.New("day", "this day is still to come", "write a payment down when it is here")
	case Days(day, now) > longPast:
		return fault.New("day", "this day is more than three years ago", "look at the year")
	case p.Cents < 0 && p.Note == "":
		return fault.New("note", "this is empty", "say why it was given back")
	}
	return nil
}

func (p Entry) checkCents(a Account, most int64) error {
	switch {
	case p.Cents == 0 || p.Cents > money.Most || p.Cents < -money.Most:
		return fault.New("cents", "an amount is expected", "type it as 88.75")
	case p.Cents < 0 && -p.Cents > a.Paid:
		return fault.New("cents", money.Text(a.Paid)+" was paid in all", "give back that at most")
	case p.Cents > 0 && most >= 0 && p.Cents > most:
		return fault.New("cents", fmt.Sprintf("that is %s more than is owed", money.Text(p.Cents-most)),
			fmt.Sprintf("type %s, or look whether a point is missing", money.Text(most)))
	}
	return nil
}
