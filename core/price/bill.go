package price

import (
	"fmt"
	"strings"
	"unicode"
	"unicode/utf8"

	"freshshard/core/fault"
	"freshshard/core/money"
	"freshshard/core/working"
)

// Kind is what a paper with a price is.
type Kind string

// The kinds: an offer that holds, what is owed, and what takes an invoice back.
const (
	Quote   Kind = "quote"
	Invoice Kind = "invoice"
	Credit  Kind = "credit"
)

// Billed is one line of a paper, as it is printed.
type Billed struct {
	Kind     string `json:"kind"`
	Text     string `json:"text"`
	Quantity string `json:"quantity"`
	Milli    int64  `json:"milli,omitempty" doc:"Thousandths of the unit; 0 on papers of before it was kept"`
	Unit     string `json:"unit,omitempty" enum:"min,pc,m," doc:"Of minutes, each is for an hour"`
	Each     int64  `json:"each" doc:"Cents"`
	Cents    int64  `json:"cents"`
}

// Bill is what a paper with a price says; once written it stays.
type Bill struct {
	Kind   Kind     `json:"kind" enum:"quote,invoice,credit"`
	Lines  []Billed `json:"lines"`
	Net    int64    `json:"net"`
	Basis  int      `json:"basis" doc:"The tax, hundredths of a percent"`
	Tax    int64    `json:"tax"`
	Total  int64    `json:"total"`
	Covers []string `json:"covers"`
	Not    []string `json:"not" doc:"What it does not cover"`
	Note   string   `json:"note,omitempty"`
}

// Facts are what a quote's limits depend on.
type Facts struct {
	Made    []string `json:"made" doc:"What is made or put in, in words"`
	Plant   bool     `json:"plant" doc:"Gas, mains power or pressure"`
	Driven  bool     `json:"driven" doc:"A vehicle that drives"`
	Stopped []string `json:"stopped" doc:"What stands against it as it is"`
}

// Quote is the price as it is offered. It refuses what has no price yet.
func (s Sheet) Quote(j Job, f Facts) (Bill, error) {
	b, err := s.bill(Quote, j)
	if err != nil {
		return b, err
	}
	b.Covers, b.Not = covers(s, f), append(s.left(), not(j, f)...)
	return b, nil
}

// Bill is what is owed for work that is done. It refuses what has no price yet.
func (s Sheet) Bill(j Job) (Bill, error) { return s.bill(Invoice, j) }

func (s Sheet) bill(kind Kind, j Job) (Bill, error) {
	b := Bill{Kind: kind, Lines: []Billed{}, Net: s.Net.Cents, Basis: s.Basis, Tax: s.Tax.Cents, Total: s.Total.Cents,
		Covers: []string{}, Not: []string{}, Note: j.Adjust.Note}
	if len(s.Open) > 0 {
		return b, fault.New("open", "no price yet: "+strings.Join(s.Open, ", "),
			"put a price in, or take the line out: a quote then says that it is not in it")
	}
	for _, l := range s.Lines {
		if !l.Off {
			b.Lines = append(b.Lines, Billed{l.Kind, l.text(), l.quantity(), l.Milli, l.Unit, l.Each, l.Cents})
		}
	}
	if len(b.Lines) == 0 {
		return b, fault.New("lines", "there is nothing to ask for", "put a line in")
	}
	if b.Total < 0 {
		return b, fault.New("lines", "it comes to less than nothing", "take back an invoice by a credit")
	}
	return b, nil
}

// Back is the paper that takes an invoice back, line by line.
func (b Bill) Back() Bill {
	out := b
	out.Kind, out.Net, out.Tax, out.Total = Credit, -b.Net, -b.Tax, -b.Total
	out.Lines = make([]Billed, len(b.Lines))
	for i, l := range b.Lines {
		l.Cents = -l.Cents
		out.Lines[i] = l
	}
	return out
}

func (l Line) text() string {
	if l.Kind == Labour {
		return "Work: " + l.Text
	}
	return l.Text
}

// quantity is how much of it, in words.
func (l Line) quantity() string {
	n := working.Num(float64(l.Milli)/1000, 3)
	switch {
	case l.Unit == "min" && l.Milli >= 60_000:
		return fmt.Sprintf("%d h %02d min", l.Milli/60_000, l.Milli/1000%60)
	case l.Unit == "min":
		return n + " min"
	case l.Unit == "m":
		return n + " m"
	}
	return n
}

// covers is what a quote covers, in the customer's words.
func covers(s Sheet, f Facts) []string {
	out := []string{}
	if len(f.Made) > 0 {
		out = append(out, "Taking out, measuring, setting and proving: "+strings.Join(f.Made, "; ")+".")
	}
	for _, l := range s.Lines {
		switch {
		case l.Off:
		case l.Kind == Visit:
			out = append(out, "The way to you and back.")
		case l.Kind == Disposal:
			out = append(out, "The broken glass is taken away.")
		}
	}
	return out
}

// left is what was taken out while it had no price: the customer is told, not surprised.
func (s Sheet) left() []string {
	out := []string{}
	for _, l := range s.Lines {
		if l.Off && l.Open {
			out = append(out, upper(l.Text)+": it has no price yet.")
		}
	}
	return out
}

// upper begins a sentence.
func upper(s string) string {
	r, n := utf8.DecodeRuneInString(s)
	return string(unicode.ToUpper(r)) + s[n:]
}

// not is what it does not cover. Common practice, no source.
func not(j Job, f Facts) []string {
	out := []string{}
	if !j.Stripped {
		out = append(out, "What shows only when it is apart: rust, a warped frame, seized or missing screws, old repairs. "+
			"We ask before we go on.")
	}
	if f.Plant {
		out = append(out, "Gas, flue, wiring and pressure parts: work for people licensed for it.")
	}
	if f.Driven {
		out = append(out, "Calibration of cameras and sensors behind the glass.")
	}
	for _, s := range f.Stopped {
		out = append(out, "As it stands, "+s+".")
	}
	return append(out, "Another break for a cause that stays as it is.")
}

// Above is how much a bill is above what was quoted, 0 where it is not.
func (b Bill) Above(quoted int64) int64 { return max(0, b.Total-quoted) }

// Says is a paper in a line.
func (b Bill) Says(number int64) string {
	return fmt.Sprintf("%s %d over %s", b.Kind, number, money.Text(b.Total))
}
