package exchange

import (
	"io"

	"codeberg.org/go-pdf/fpdf"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"
)

// A label as the usual rolls have it, mm, and its code.
const (
	labelW, labelH = 70.0, 36.0
	labelCode      = 28.0
	labelMargin    = 4.0
)

// Label writes a label of one page with a QR code that leads to an address, what it is in large letters, and lines
// below. Without an address it has no code.
func Label(w io.Writer, address, what string, lines []string) error {
	p := fpdf.NewCustom(&fpdf.InitType{UnitStr: "mm", Size: fpdf.SizeType{Wd: labelW, Ht: labelH}})
	p.AddUTF8FontFromBytes("go", "", goregular.TTF)
	p.AddUTF8FontFromBytes("go", "B", gobold.TTF)
	p.SetAutoPageBreak(false, 0)
	p.SetMargins(0, 0, 0)
	p.SetTitle(printable(what), true)
	p.AddPage()
	left := labelMargin
	if address != "" {
		if err := code(p, address, labelMargin, labelMargin, labelCode); err != nil {
			return err
		}
		left += labelMargin + labelCode
	}
	p.SetFont("go", "B", 9)
	p.SetXY(left, labelMargin)
	p.MultiCell(labelW-left-2, 3.8, printable(what), "", "L", false)
	p.SetFont("go", "", 8)
	for _, l := range lines {
		if l != "" && p.GetY() < labelH-labelMargin-3 {
			p.SetX(left)
			p.MultiCell(labelW-left-2, 3.6, printable(l), "", "L", false)
		}
	}
	return p.Output(w)
}
