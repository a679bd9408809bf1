package exchange

import (
	"fmt"
	"io"
	"math"
	"strings"
	"time"

	"codeberg.org/go-pdf/fpdf"
	"golang.org/x/image/font/gofont/gobold"
	"golang.org/x/image/font/gofont/goregular"

	"freshshard/core/drawing"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/working"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// Page and columns of the ticket, mm on A4.
const (
	pageW  = 210.0
	pageH  = 297.0
	margin = 14.0
	gutter = 6.0
	colW   = (pageW - 2*margin - gutter) / 2
	rightX = margin + colW + gutter
	signY  = pageH - 22
)

// Ticket writes the record of a job, one page a pane: drawing, sizes in both
// units, material with its reasons, steps, checks, cautions and the signature
// line. An unsigned job says that it is a draft.
func Ticket(w io.Writer, s record.Shop, views []jobview.View, zone *time.Location) error {
	return ticketOf(s, views, zone).p.Output(w)
}

// ticketOf draws the pages of a ticket.
func ticketOf(s record.Shop, views []jobview.View, zone *time.Location) sheet {
	p := fpdf.New("P", "mm", "A4", "")
	p.AddUTF8FontFromBytes("go", "", goregular.TTF)
	p.AddUTF8FontFromBytes("go", "B", gobold.TTF)
	p.SetAutoPageBreak(false, 0)
	p.SetTitle(printable(fmt.Sprintf("Job %d, %s", views[0].Job.ID, views[0].Job.Object.Name)), true)
	p.SetCreator("Fresh Shard", true)
	for _, v := range views {
		ticket{sheet{p: p, s: s, v: v, zone: zone}}.page()
	}
	return sheet{p: p, s: s, zone: zone}
}

// page is the record of one pane.
func (t ticket) page() {
	p, v := t.p, t.v
	p.AddPage()
	t.head()
	top := p.GetY() + 3
	t.draw(v.Reckoning.Table, margin, top, colW, 78)
	t.answer(top)
	y := math.Max(top+80, p.GetY()) + 3
	t.work(y)
	t.cautions(p.GetY() + 2)
	left := p.GetY()
	t.proof(y)
	right := p.GetY()
	foot := t.footTop()
	if room := foot - right - 10; room > 30 {
		t.draw(v.Reckoning.Section, rightX, right+3, colW, math.Min(room, 62))
	}
	t.signatures()
	if below := math.Max(left, right) + 2; below <= foot {
		t.told(foot)
	} else { // a page that the customer can keep
		p.AddPage()
		t.head()
		t.told(p.GetY() + 3)
	}
	t.over()
}

// sheet is a page that is written on: with its shop, a job and the zone of its moments.
type sheet struct {
	p    *fpdf.Fpdf
	s    record.Shop
	v    jobview.View
	zone *time.Location
}

// ticket is the page of one pane of a job.
type ticket struct{ sheet }

func (t sheet) font(style string, pt float64) { t.p.SetFont("go", style, pt) }

// say writes wrapped text in a column and moves on below it.
func (t sheet) say(x, w, pt float64, style, s string) {
	t.font(style, pt)
	t.p.SetX(x)
	t.p.MultiCell(w, pt*0.44, printable(s), "", "L", false)
}

// short cuts a line that is wider than w and shows that it did.
func (t sheet) short(s string, w float64) string {
	s = printable(s)
	if t.p.GetStringWidth(s) <= w {
		return s
	}
	r := []rune(s)
	for len(r) > 1 && t.p.GetStringWidth(string(r)+"…") > w {
		r = r[:len(r)-1]
	}
	return string(r) + "…"
}

func (t sheet) day(at time.Time) string { return at.In(t.zone).Format("2 January 2006, 15:04") }

func (t ticket) head() {
	j := t.v.Job
	t.p.SetXY(margin, 12)
	t.font("B", 17)
	title := fmt.Sprintf("Job %d", j.ID)
	if j.Ticket != nil {
		title = fmt.Sprintf("Ticket %d · job %d", j.Ticket.Number, j.ID)
	}
	t.p.CellFormat(110, 8, t.short(title, 108), "", 0, "L", false, 0, "")
	t.font("", 10)
	t.p.CellFormat(pageW-2*margin-110, 8, t.short(strings.TrimSuffix(t.s.Name+", "+t.s.Town, ", "), 70), "", 1, "R", false,
		0, "")
	t.font("B", 11)
	t.p.SetX(margin)
	object := j.Object.Name
	if n := len(t.v.Panes); n > 1 {
		object += fmt.Sprintf(", pane %d of %d", t.v.Pane.Number, n)
		if t.v.Pane.Name != "" {
			object += ", " + t.v.Pane.Name
		}
	}
	t.p.CellFormat(pageW-2*margin, 6, t.short(object+" · "+j.Customer.Name, pageW-2*margin), "", 1, "L", false, 0, "")
	if j.Story != "" {
		t.font("", 9)
		t.p.SetX(margin)
		t.p.CellFormat(pageW-2*margin, 5, t.short(j.Story, pageW-2*margin), "", 1, "L", false, 0, "")
	}
	switch {
	case j.Ticket == nil:
		t.warn("DRAFT: not signed off. Do not hand over.")
	case j.Ticket.Changed:
		t.warn("CHANGED SINCE IT WAS SIGNED: this is not the record that was signed. Do not hand over.")
	}
	if n := len(t.stops()); n > 0 {
		t.warn(fmt.Sprintf("%d beyond a limit: see the next page.", n))
	}
	if c := j.Carried; c != nil {
		t.say(margin, pageW-2*margin, 8.5, "", fmt.Sprintf("Brought in from a document by %s, %s. %s", c.By, t.day(c.At),
			c.Says))
	}
	t.p.SetLineWidth(0.4)
	t.p.Line(margin, t.p.GetY()+1, pageW-margin, t.p.GetY()+1)
}

func (t sheet) warn(s string) {
	t.p.SetTextColor(150, 30, 20)
	t.say(margin, pageW-2*margin, 10, "B", s)
	t.p.SetTextColor(0, 0, 0)
}

// answer is the size, the material and the reasons, to the right of the drawing.
func (t ticket) answer(top float64) {
	r := t.v.Reckoning
	t.p.SetY(top)
	switch {
	case !r.Road.Sized:
		t.say(rightX, colW, 13, "B", r.Road.Headline)
		t.bought()
	case r.Fit.Ready:
		mm := fmt.Sprintf("%s × %s mm", length.Metric(r.Fit.Order.W), length.Metric(r.Fit.Order.H))
		t.say(rightX, colW, 17, "B", mm)
		in := length.Show(r.Fit.Order.W, length.MM).Other + " × " + length.Show(r.Fit.Order.H, length.MM).Other
		if r.Fit.Form != "rectangle" {
			in += " · " + r.Fit.Form
			for _, d := range r.Fit.Makes {
				in += fmt.Sprintf(", %s %s", d.Name, length.Metric(d.Value))
			}
		}
		t.say(rightX, colW, 9, "", in)
	default:
		t.say(rightX, colW, 12, "B", "No size yet")
	}
	t.p.Ln(1)
	if r.Road.Settled {
		t.settled()
	}
	if r.Carries != "" && r.Road.Sized {
		t.say(rightX, colW, 8.5, "", "Reckoned to carry "+r.Carries+".")
	}
	if r.Packing != "" {
		t.say(rightX, colW, 8.5, "", "In its pack, from the heat: "+r.Packing+".")
	}
	if r.Cause != "" {
		t.say(rightX, colW, 8.5, "", "Why the old one broke: "+r.Cause+".")
	}
	t.p.Ln(1)
	for _, f := range r.Figures {
		if strings.HasPrefix(f.Key, "order_") || strings.HasPrefix(f.Key, "nominal_") || strings.HasSuffix(f.Key, "_drawn") ||
			t.p.GetY() > top+76 {
			continue
		}
		mark := ""
		if f.Verdict == working.Stop || f.Verdict == working.Warn {
			mark = "! "
		}
		t.say(rightX, colW, 8, "", fmt.Sprintf("%s%s  %s", mark, f.Text, f.Sentence))
	}
}

// settled is what the pane is made of, by whom it is cut, and why.
func (t ticket) settled() {
	r := t.v.Reckoning
	material := r.Material.Name
	if t.v.Pane.Choice == nil {
		material += " (assumed, not chosen)"
	}
	t.say(rightX, colW, 10.5, "B", working.Num(r.Thickness, 1)+" mm "+material)
	t.say(rightX, colW, 8.5, "", fmt.Sprintf(map[bool]string{true: "Made to", false: "Cut to"}[r.Material.Cut == "order"]+
		" ±%s mm (%s).", working.Num(r.Fit.Band.Half, 1), r.Fit.Band.Name))
	if c := t.v.Pane.Choice; c != nil && c.Reason != "" {
		t.say(rightX, colW, 8.5, "", "Why: "+c.Reason+".")
	}
}

// bought is the part as it was noted, with what is in its box.
func (t ticket) bought() {
	p := t.v.Pane.Road.Part
	if s := p.Says(); s != "" {
		t.say(rightX, colW, 9, "", "Number: "+s+".")
	}
	if len(p.Box) > 0 {
		t.say(rightX, colW, 8.5, "", "In its box: "+strings.Join(p.Box, ", ")+".")
	}
	for _, a := range p.Asked {
		t.say(rightX, colW, 8.5, "", "Asked: "+a.Where+", "+a.Says+".")
	}
}

// work is the list of steps.
func (t ticket) work(y float64) {
	done := map[string]record.Tick{}
	for _, k := range t.v.Pane.Ticks {
		done[k.Step] = k
	}
	t.p.SetY(y)
	t.say(margin, colW, 9.5, "B", "Steps")
	for _, s := range t.v.Reckoning.Plan.Numbered() {
		mark, who := "open", ""
		if k, ok := done[s.Key]; ok {
			mark, who = "done", k.By
			if k.Outcome == "left-out" {
				mark, who = "left out", k.By+": "+k.Reason
			}
		}
		line := fmt.Sprintf("%d  %s", s.Number, s.Title)
		if s.Hold {
			line += " (hold)"
		}
		t.font("", 8)
		t.p.SetX(margin)
		t.p.CellFormat(colW*0.66, 4.1, t.short(line, colW*0.65), "", 0, "L", false, 0, "")
		t.p.CellFormat(colW*0.34, 4.1, t.short(strings.TrimSpace(mark+" "+who), colW*0.33), "", 1, "L", false, 0, "")
	}
}

// cautions are those that applied to the work, by their titles.
func (t ticket) cautions(y float64) {
	titles := make([]string, 0, len(t.v.Reckoning.Plan.Cautions))
	for _, c := range t.v.Reckoning.Plan.Cautions {
		titles = append(titles, c.Title)
	}
	t.p.SetY(y)
	t.say(margin, colW, 9.5, "B", "Cautions that applied")
	t.say(margin, colW, 8, "", strings.Join(titles, " · "))
}

// proof is the checks and the readings.
func (t ticket) proof(y float64) {
	t.p.SetY(y)
	t.say(rightX, colW, 9.5, "B", "Checks")
	for _, c := range t.v.Checks {
		said := map[prove.Outcome]string{prove.Open: "open", prove.Pass: "pass", prove.Fail: "FAIL",
			prove.Skip: "not applicable"}[c.Outcome]
		if c.Value != nil {
			said += fmt.Sprintf(" %s %s", working.Num(*c.Value, 2), c.Unit)
		}
		if c.Finding != "" {
			said += ": " + c.Finding
		}
		t.say(rightX, colW, 8, "", c.Text+" — "+said)
	}
	t.p.Ln(1)
	t.say(rightX, colW, 9.5, "B", "Readings")
	lines := make([]string, 0, len(t.v.Pane.Readings))
	for _, r := range t.v.Pane.Readings {
		lines = append(lines, fmt.Sprintf("%s %s (%s, %s)", t.placeName(r.Place), length.Metric(r.Reading.Value),
			r.Instrument, r.By))
	}
	t.say(rightX, colW, 7.5, "", strings.Join(lines, " · "))
}

// placeName is a reading's place in the words of its walk.
func (t sheet) placeName(p reading.Place) string {
	for _, i := range t.v.Reckoning.Walk {
		if i.Place == p {
			return i.Name
		}
	}
	return string(p)
}

// forCustomer is what the customer has to know.
func (t ticket) forCustomer() []string {
	told := t.v.Reckoning.Handover
	lines := make([]string, 0, len(told)+2)
	for _, l := range told {
		lines = append(lines, l.Title+": "+l.Text)
	}
	for _, c := range t.v.Reckoning.Plan.Cautions {
		if c.ID == "co" || c.ID == "safety-code" {
			lines = append(lines, c.Title+": "+c.Text)
		}
	}
	return append(lines, "Local codes, the maker's instructions and people licensed for the work come first.")
}

// footTop is where the customer's part begins so that it ends above the
// signatures.
func (t ticket) footTop() float64 {
	t.font("", 7.5)
	need := 8.0
	for _, l := range t.forCustomer() {
		need += float64(len(t.p.SplitText(printable(l), pageW-2*margin))) * 3.3
	}
	return signY - 8 - need
}

// told is the customer's part.
func (t ticket) told(y float64) {
	t.p.SetLineWidth(0.2)
	t.p.Line(margin, y, pageW-margin, y)
	t.p.SetY(y + 1)
	t.say(margin, pageW-2*margin, 9.5, "B", "For the customer")
	for _, l := range t.forCustomer() {
		t.say(margin, pageW-2*margin, 7.5, "", l)
	}
}

// signatures are the shop's and the customer's, at the foot of the page.
func (t ticket) signatures() {
	t.p.SetLineWidth(0.2)
	sign := signY
	t.p.Line(margin, sign, margin+70, sign)
	t.p.Line(rightX, sign, rightX+70, sign)
	t.p.SetY(sign + 1)
	left := "For the shop"
	if k := t.v.Job.Ticket; k != nil {
		left = fmt.Sprintf("%s, %s", k.By, t.day(k.At))
		if k.Override != "" {
			left += ". Signed over what was open: see the next page."
		}
	}
	t.say(margin, colW, 8.5, "", left)
	t.p.SetY(sign + 1)
	t.say(rightX, colW, 8.5, "", "Received by the customer, date")
}

// draw puts a drawing into a box on the page, to scale.
func (t sheet) draw(d drawing.Drawing, x, y, w, h float64) {
	k := math.Min(w/d.Box.Width(), h/d.Box.Height())
	ox, oy := x+(w-k*d.Box.Width())/2, y+(h-k*d.Box.Height())/2
	at := func(p outline.Point) (float64, float64) {
		return ox + (p.X-d.Box.Min.X)*k, oy + (d.Box.Max.Y-p.Y)*k
	}
	for _, l := range layers {
		pen := pens[l]
		t.p.SetDrawColor(pen.r, pen.g, pen.b)
		t.p.SetTextColor(pen.r, pen.g, pen.b)
		t.p.SetLineWidth(pen.width)
		t.p.SetDashPattern(pen.dash, 0)
		style := "D"
		if pen.fill != nil {
			t.p.SetFillColor(pen.fill[0], pen.fill[1], pen.fill[2])
			style = "DF"
		}
		for _, i := range d.Items {
			if i.Layer == l && wanted(i) {
				t.item(i, at, k, style)
			}
		}
	}
	t.p.SetDashPattern(nil, 0)
	t.p.SetDrawColor(0, 0, 0)
	t.p.SetTextColor(0, 0, 0)
	t.font("", 7.5)
	t.p.SetXY(x, y+h-1)
	says := []string{}
	if d.Seen != "" {
		says = append(says, d.Seen)
	}
	if t.v.Unit != "" {
		says = append(says, "dimensions in "+string(t.v.Unit))
	}
	t.p.CellFormat(w, 4, t.short(strings.Join(says, "; "), w), "", 1, "C", false, 0, "")
}

func (t sheet) item(i drawing.Item, at func(outline.Point) (float64, float64), k float64, style string) {
	switch i.Kind {
	case drawing.Polyline:
		flat := i.Flat()
		pts := make([]fpdf.PointType, len(flat))
		for n, p := range flat {
			pts[n].X, pts[n].Y = at(p)
		}
		t.p.Polygon(pts, style)
	case drawing.Circle:
		x, y := at(i.Points[0])
		t.p.Circle(x, y, i.Radius*k, style)
	case drawing.Arc:
		x, y := at(i.Points[0])
		t.p.Arc(x, y, i.Radius*k, i.Radius*k, 0, i.Start, i.End, "D")
	case drawing.Line, drawing.Dim:
		x1, y1 := at(i.Points[0])
		x2, y2 := at(i.Points[1])
		t.p.Line(x1, y1, x2, y2)
		if i.Kind == drawing.Line || i.Text == "" {
			return
		}
		for _, e := range ticks(i, 1/k) {
			a, b := at(e[0])
			c, d := at(e[1])
			t.p.Line(a, b, c, d)
		}
		p, angle := dimText(i, 0.8/k)
		x, y := at(p)
		t.font("B", 7.5)
		t.p.TransformBegin()
		t.p.TransformRotate(angle, x, y)
		said := printable(i.Text)
		t.p.Text(x-t.p.GetStringWidth(said)/2, y, said)
		t.p.TransformEnd()
	case drawing.Text:
		x, y := at(i.Points[0])
		said := printable(i.Text)
		t.font("B", 8)
		switch i.Anchor {
		case "middle":
			x -= t.p.GetStringWidth(said) / 2
		case "end":
			x -= t.p.GetStringWidth(said)
		}
		t.p.Text(x, y, said)
	}
}
