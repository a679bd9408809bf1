package exchange

import (
	"fmt"
	"io"
	"time"
	"unicode"

	"codeberg.org/go-pdf/fpdf"
	"github.com/boombuler/barcode/qr"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"

	"freshshard/core/working"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/records"
)

// code draws a QR code (ISO/IEC 18004, by the library) as squares, wide mm.
func code(p *fpdf.Fpdf, address string, x, y, wide float64) error {
	q, err := qr.Encode(address, qr.M, qr.Auto)
	if err != nil {
		return err
	}
	n := q.Bounds().Dx()
	module := wide / float64(n)
	p.SetFillColor(0, 0, 0)
	for row := range n {
		for col := range n {
			if r, _, _, _ := q.At(col, row).RGBA(); r == 0 {
				// A hair wider, so that no printer leaves a line between two.
				p.Rect(x+float64(col)*module, y+float64(row)*module, module+0.01, module+0.01, "F")
			}
		}
	}
	return nil
}

// Passport writes what goes with an object on paper: the customer's page, then the letter
// to whoever opens it next. address is what its code opens; without one it has none.
func Passport(w io.Writer, p records.Passport, address string, zone *time.Location) error {
	t, err := customerPage(p, address, zone)
	if err != nil {
		return err
	}
	t.p.AddPage()
	t.letter(p)
	return t.p.Output(w)
}

// CustomerPage writes what the customer keeps, in plain words.
func CustomerPage(w io.Writer, p records.Passport, address string, zone *time.Location) error {
	t, err := customerPage(p, address, zone)
	if err != nil {
		return err
	}
	return t.p.Output(w)
}

// LetterPage writes the letter alone.
func LetterPage(w io.Writer, p records.Passport, _ string, zone *time.Location) error {
	t := sheetOf(record.Shop{Name: p.Shop, Town: p.Town}, p.Object, zone)
	t.letter(p)
	return t.p.Output(w)
}

// list writes a head with lines below it, nothing where there are none.
func (t sheet) list(head string, lines []string) {
	if len(lines) == 0 {
		return
	}
	t.p.Ln(3)
	t.line(12, "B", head)
	for _, l := range lines {
		t.line(10.5, "", "–  "+l)
	}
}

const pageCode = 30.0 // side of the code on a page, mm

func customerPage(p records.Passport, address string, zone *time.Location) (sheet, error) {
	t := sheetOf(record.Shop{Name: p.Shop, Town: p.Town}, p.Object, zone)
	top := t.p.GetY()
	if address != "" {
		if err := code(t.p, address, pageW-margin-pageCode, top+2, pageCode); err != nil {
			return t, err
		}
	}
	t.p.SetY(top + 2)
	wide := pageW - 2*margin - pageCode - 6
	t.say(margin, wide, 10, "", fmt.Sprintf("Ticket %d, %s, %s", p.Ticket, p.By, t.day(p.Out)))
	if p.Newer {
		t.say(margin, wide, 10, "B", "The object was here again since: ask for its newer page.")
	}
	if p.NoCode != "" {
		t.say(margin, wide, 9, "", p.NoCode)
	}
	t.p.Ln(2)
	for _, q := range p.Panes {
		s := q.What
		if q.Name != "" {
			s = q.Name + ": " + s
		}
		t.say(margin, wide, 13, "B", s)
		if q.Size != "" {
			t.say(margin, wide, 11, "", q.Size+" ("+q.Other+")")
		}
		for _, l := range append(append([]string{}, q.Laid...), q.Seal) {
			if l != "" {
				t.say(margin, wide, 10, "", l)
			}
		}
	}
	t.p.SetY(max(t.p.GetY(), top+pageCode+4))
	hard := make([]string, 0, len(p.Hard))
	for _, h := range p.Hard {
		hard = append(hard, fmt.Sprintf("%s: not before %s (%s)", h.May, t.day(h.At), h.Title))
	}
	t.list("Leave it until then", hard)
	told := make([]string, 0, len(p.Told))
	for _, l := range p.Told {
		told = append(told, l.Title+": "+l.Text)
	}
	t.list("To do and not to do", told)
	due := make([]string, 0, len(p.Due))
	for _, d := range p.Due {
		due = append(due, fmt.Sprintf("%s: %s. %s", d.On.In(zone).Format("2 January 2006"), d.What, first(d.Why)+"."))
	}
	t.list("When to look again", due)
	t.p.Ln(4)
	t.line(9, "", "Local codes, the maker's instructions and people licensed for the work come first.")
	return t, nil
}

func first(s string) string {
	if s == "" {
		return s
	}
	r := []rune(s)
	r[0] = unicode.ToUpper(r[0])
	return string(r)
}

// letter is what whoever opens the object next has to know.
func (t sheet) letter(p records.Passport) {
	t.line(15, "B", "To the next technician")
	t.line(10, "", fmt.Sprintf("%s. Written by %s on %s, ticket %d.", p.Object, p.By, t.day(p.Out), p.Ticket))
	l := p.Letter
	t.list("What is not as it was", l.Differs)
	t.list("What stands in place of what", l.Places)
	t.list("Mind", append(append([]string{}, l.Odd...), l.Tabs...))
	way := make([]string, 0, len(l.WayIn))
	for i, s := range l.WayIn {
		way = append(way, fmt.Sprintf("%d. %s", i+1, s))
	}
	t.list("How to get in, in this order", way)
	t.list("When it is due", l.Due)
}

// A label the size of a palm for the inside of a door, mm.
const (
	palmW, palmH = 90.0, 54.0
	palmCode     = 26.0
	palmMargin   = 4.0
)

// PalmLabel writes the letter on a label for the inside of the door: what must not be
// missed, and the code of the page behind it.
func PalmLabel(w io.Writer, p records.Passport, address string, zone *time.Location) error {
	f := fpdf.NewCustom(&fpdf.InitType{UnitStr: "mm", Size: fpdf.SizeType{Wd: palmW, Ht: palmH}})
	f.AddUTF8FontFromBytes("go", "", goregular.TTF)
	f.AddUTF8FontFromBytes("go", "B", gobold.TTF)
	f.SetAutoPageBreak(false, 0)
	f.SetMargins(0, 0, 0)
	f.SetTitle(printable(p.Object), true)
	f.AddPage()
	left, wide := palmMargin, palmW-2*palmMargin
	if address != "" {
		if err := code(f, address, palmW-palmMargin-palmCode, palmMargin, palmCode); err != nil {
			return err
		}
	}
	t := sheet{p: f, zone: zone}
	t.font("B", 10)
	f.SetXY(left, palmMargin)
	beside := wide - palmCode - 3
	f.MultiCell(beside, 4, printable(p.Object), "", "L", false)
	t.font("", 7.5)
	f.SetX(left)
	f.MultiCell(beside, 3.3, printable(fmt.Sprintf("%s, ticket %d, %s", p.Shop, p.Ticket,
		p.Out.In(zone).Format("2 Jan 2006"))), "", "L", false)
	if p.NoCode != "" {
		f.SetX(left)
		f.MultiCell(beside, 3.3, printable(p.NoCode), "", "L", false)
	}
	f.SetX(left)
	t.font("B", 7.5)
	f.MultiCell(beside, 3.6, "Before you open it:", "", "L", false)
	for _, s := range p.Letter.Palm {
		t.font("", 7.5)
		if f.GetY() > palmMargin+palmCode {
			beside = wide
		}
		lines := f.SplitText(printable("– "+s), beside)
		if f.GetY()+3.3*float64(len(lines)) > palmH-2 {
			break
		}
		for _, l := range lines {
			f.SetX(left)
			f.CellFormat(beside, 3.3, l, "", 1, "L", false, 0, "")
		}
	}
	return f.Output(w)
}

// Record writes the workshop's record: the ticket, and behind it every number of every
// pane with the sum that it came from.
func Record(w io.Writer, s record.Shop, views []jobview.View, zone *time.Location) error {
	t := ticketOf(s, views, zone)
	t.p.SetAutoPageBreak(true, margin)
	t.p.SetMargins(margin, margin, margin)
	for _, v := range views {
		t.v = v
		t.p.AddPage()
		t.line(15, "B", "How the numbers came about")
		t.line(10, "", fmt.Sprintf("Job %d, %s, pane %d", v.Job.ID, v.Job.Object.Name, v.Pane.Number))
		for _, f := range v.Reckoning.Figures {
			t.working(f)
		}
	}
	return t.p.Output(w)
}

// working writes a number with its sum, its limit and where each constant is from.
func (t sheet) working(f working.Figure) {
	t.p.Ln(2)
	mark := map[working.Verdict]string{working.Stop: "! ", working.Warn: "! "}[f.Verdict]
	t.line(9.5, "B", mark+f.Text+"  "+f.Sentence)
	if l := f.Limit; l != nil {
		t.line(8.5, "", fmt.Sprintf("Limit: %s %s %s (%s)", l.Sense, working.Num(l.Value, 2), l.Unit, l.Source))
	}
	if f.Working.Formula != "" {
		t.line(8.5, "", f.Working.Formula)
		t.line(8.5, "", f.Working.Values)
	}
	for _, in := range f.Working.Inputs {
		t.line(8.5, "", fmt.Sprintf("%s: %s, %s %s (%s)", in.Symbol, in.Name, working.Num(in.Value, 3), in.Unit, in.Source))
	}
}
