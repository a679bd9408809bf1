package exchange

import (
	"fmt"
	"io"
	"math"

	"codeberg.org/go-pdf/fpdf"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"

	"freshshard/core/fault"
	"freshshard/core/outline"
)

// Paper is a size of sheet, mm.
type Paper struct {
	Name string
	W, H float64
}

// The papers of a template.
var (
	A4     = Paper{"A4", 210, 297}
	Letter = Paper{"Letter", 215.9, 279.4}
)

const (
	tileMargin = 12.0  // what printers leave white, and room for the marks, mm
	checkLine  = 100.0 // to hold a rule against, mm
	mostTiles  = 60
	// Chords of arcs stay this near to them on paper, mm.
	printTol = 0.03
)

// Template writes an outline at 1:1 over as many sheets as it takes, with marks
// to lay them edge to edge and a line of 100 mm on each to check the printer.
func Template(w io.Writer, o outline.Outline, name string, paper Paper) error {
	box := o.Outer.Box()
	tw, th := paper.W-2*tileMargin, paper.H-2*tileMargin
	cols, rows := int(math.Ceil(box.Width()/tw)), int(math.Ceil(box.Height()/th))
	if cols*rows > mostTiles || cols < 1 || rows < 1 {
		return fault.New("outline", fmt.Sprintf("a template of %.0f × %.0f mm takes more than %d sheets", box.Width(),
			box.Height(), mostTiles), "send the DXF to a plotter instead")
	}
	p := fpdf.NewCustom(&fpdf.InitType{UnitStr: "mm", Size: fpdf.SizeType{Wd: paper.W, Ht: paper.H}})
	p.AddUTF8FontFromBytes("go", "", goregular.TTF)
	p.AddUTF8FontFromBytes("go", "B", gobold.TTF)
	p.SetAutoPageBreak(false, 0)
	name = printable(name)
	p.SetTitle("1:1 template, "+name, true)
	for r := range rows {
		for c := range cols {
			p.AddPage()
			tile(p, o, box, paper, tw, th, c, r)
			p.SetFont("go", "B", 9)
			p.Text(tileMargin, 8, fmt.Sprintf("%s   sheet %s of %d × %d, seen as drawn, 1:1", name, sheetName(c, r), cols,
				rows))
		}
	}
	return p.Output(w)
}

// sheetName counts columns by letters and rows by numbers: A1, B1, …
func sheetName(c, r int) string { return fmt.Sprintf("%c%d", 'A'+c%26, r+1) }

// tile draws one sheet: its part of the outline, marks at its corners, and the
// check line.
func tile(p *fpdf.Fpdf, o outline.Outline, box outline.Box, paper Paper, tw, th float64, c, r int) {
	// The sheet's upper left corner in the drawing, y up.
	left, top := box.Min.X+float64(c)*tw, box.Max.Y-float64(r)*th
	at := func(q outline.Point) fpdf.PointType {
		return fpdf.PointType{X: tileMargin + q.X - left, Y: tileMargin + top - q.Y}
	}
	p.SetLineWidth(0.2)
	p.SetDrawColor(110, 116, 114)
	for _, x := range []float64{tileMargin, tileMargin + tw} {
		for _, y := range []float64{tileMargin, tileMargin + th} {
			p.Line(x-5, y, x+5, y)
			p.Line(x, y-5, x, y+5)
			p.Circle(x, y, 2, "D")
		}
	}
	p.ClipRect(tileMargin, tileMargin, tw, th, false)
	p.SetDrawColor(0, 0, 0)
	p.SetLineWidth(0.25)
	for _, l := range o.Loops() {
		pts := l.Flatten(printTol)
		run := make([]fpdf.PointType, len(pts))
		for i, q := range pts {
			run[i] = at(q)
		}
		p.Polygon(run, "D")
	}
	p.ClipEnd()
	y := paper.H - 6
	p.Line(tileMargin, y, tileMargin+checkLine, y)
	p.Line(tileMargin, y-2, tileMargin, y+2)
	p.Line(tileMargin+checkLine, y-2, tileMargin+checkLine, y+2)
	p.SetFont("go", "", 8)
	p.Text(tileMargin+checkLine+3, y+1, "100 mm: check with a rule before you cut")
}
