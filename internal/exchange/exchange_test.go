package exchange

import (
	"bufio"
	"bytes"
	"encoding/xml"
	"fmt"
	"io"
	"math"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/ledongthuc/pdf"

	"freshshard/core/drawing"
	"freshshard/core/exposure"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/reckon"
	"freshshard/core/setting"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

func stove(t *testing.T) jobview.View {
	t.Helper()
	e, err := exposure.Book.ByID("fire")
	if err != nil {
		t.Fatal(err)
	}
	texts := map[reading.Place]string{reading.WidthTop: "270", reading.WidthBottom: "268.4", reading.HeightLeft: "242",
		reading.HeightRight: "242.4", reading.Ledge: "14", reading.Reach: "16"}
	readings, err := reading.FromTexts(texts, length.MM)
	if err != nil {
		t.Fatal(err)
	}
	r, err := reckon.Pane(reckon.Known{Object: reckon.Object{Exposure: e},
		Holding: reckon.Holding{Family: "clip-heat", Gasket: fit.Gasket{Kind: fit.Flat, Free: 3},
			Sides: setting.Sides{Top: 2, Bottom: 2}}, Seen: reckon.Seen{Readings: readings},
		Settled: reckon.Settled{Material: "glass-ceramic", Thickness: 4}, Unit: length.MM})
	if err != nil {
		t.Fatal(err)
	}
	v := jobview.View{Unit: length.MM, Reckoning: r}
	v.Pane.Choice = &record.Choice{Reason: "it stands the fire"}
	v.Job = record.Job{ID: 7, Story: "cracked", Customer: record.Customer{Name: "Lucía Ødegård"},
		Object: record.Object{Name: "Sauna stove"},
		Ticket: &record.Ticket{Number: 3, By: "Mira", At: time.Date(2026, 3, 4, 15, 0, 0, 0, time.UTC)}}
	for _, c := range prove.Checks(r.Family) {
		c.Outcome = prove.Pass
		v.Checks = append(v.Checks, jobview.CheckView{Check: c})
	}
	return v
}

// pair is one group of a DXF file.
type pair struct {
	code  int
	value string
}

// readDXF takes a file apart into its entities, independently of the writer.
func readDXF(t *testing.T, r io.Reader) (layers map[string]bool, entities [][]pair) {
	t.Helper()
	s := bufio.NewScanner(r)
	var all []pair
	for s.Scan() {
		code, err := strconv.Atoi(strings.TrimSpace(s.Text()))
		if err != nil || !s.Scan() {
			t.Fatalf("group %d: %q is no code", len(all), s.Text())
		}
		all = append(all, pair{code, s.Text()})
	}
	layers = map[string]bool{}
	section, inLayer := "", false
	for i, p := range all {
		switch {
		case p.code == 2 && i > 0 && all[i-1].value == "SECTION":
			section = p.value
		case p.code == 0:
			inLayer = section == "TABLES" && p.value == "LAYER"
			if section == "ENTITIES" {
				entities = append(entities, nil)
			}
		case p.code == 2 && inLayer:
			layers[p.value] = true
		}
		if section == "ENTITIES" && len(entities) > 0 {
			entities[len(entities)-1] = append(entities[len(entities)-1], p)
		}
	}
	if all[len(all)-1] != (pair{0, "EOF"}) {
		t.Error("the file does not end with EOF")
	}
	return layers, entities
}

func value(t *testing.T, e []pair, code int) float64 {
	t.Helper()
	for _, p := range e {
		if p.code == code {
			v, err := strconv.ParseFloat(p.value, 64)
			if err != nil {
				t.Fatal(err)
			}
			return v
		}
	}
	t.Fatalf("no group %d in %v", code, e)
	return 0
}

// What is read back is the pane as ordered, in millimetres, on its own layer.
func TestDXFReadsBack(t *testing.T) {
	v := stove(t)
	b := &bytes.Buffer{}
	if err := DXF(b, v.Reckoning.Table); err != nil {
		t.Fatal(err)
	}
	layers, entities := readDXF(t, b)
	kinds := map[string]int{}
	var xs, ys []float64
	for i, e := range entities {
		kinds[e[0].value]++
		for _, p := range e {
			if p.code == 8 && !layers[p.value] {
				t.Errorf("entity %d lies on layer %s, which the table does not name", i, p.value)
			}
		}
		if e[0].value == "VERTEX" && e[1].value == "PANE" {
			xs, ys = append(xs, value(t, e, 10)), append(ys, value(t, e, 20))
		}
	}
	if len(xs) != 4 {
		t.Fatalf("the pane has %d corners", len(xs))
	}
	w, h := xs[1]-xs[0], ys[2]-ys[1]
	if math.Abs(w-v.Reckoning.Fit.Order.W) > 0.001 || math.Abs(h-v.Reckoning.Fit.Order.H) > 0.001 {
		t.Errorf("the pane is %v × %v, ordered %v", w, h, v.Reckoning.Fit.Order)
	}
	if kinds["CIRCLE"] != 4 || kinds["TEXT"] < 8 || kinds["LINE"] < 12 {
		t.Errorf("%v", kinds)
	}
}

func TestDXFTextStaysPlain(t *testing.T) {
	d := drawing.Drawing{Items: []drawing.Item{{Kind: drawing.Text, Layer: drawing.LayerNote, Points: []outline.Point{{}},
		Size: 3, Text: "a\n0\nEOF ½ 100%"}}}
	b := &bytes.Buffer{}
	if err := DXF(b, d); err != nil {
		t.Fatal(err)
	}
	_, entities := readDXF(t, b)
	for _, p := range entities[0] {
		if p.code == 1 && p.value != `a 0 EOF \U+00BD 100%%37` {
			t.Errorf("text came out as %q", p.value)
		}
	}
}

func TestArcsStayArcs(t *testing.T) {
	d := drawing.Drawing{Items: []drawing.Item{{ID: "a", Kind: drawing.Arc, Layer: drawing.LayerPane,
		Points: []outline.Point{{X: 5, Y: 5}}, Radius: 10, Start: 350, End: 20}}}
	b := &bytes.Buffer{}
	if err := DXF(b, d); err != nil {
		t.Fatal(err)
	}
	_, e := readDXF(t, b)
	if e[0][0].value != "ARC" || value(t, e[0], 40) != 10 || value(t, e[0], 50) != 350 || value(t, e[0], 51) != 20 {
		t.Errorf("%v", e[0])
	}
	b.Reset()
	if err := SVG(b, d); err != nil {
		t.Fatal(err)
	}
	end := fmt.Sprintf("A%s %s 0 0 0 %s %s", fine(10), fine(10), fine(5+10*math.Cos(20*math.Pi/180)),
		fine(-5-10*math.Sin(20*math.Pi/180)))
	if !strings.Contains(b.String(), end) {
		t.Errorf("no %q in %s", end, b)
	}
}

// The SVG is well formed, has a group a meaning, and true size.
func TestSVG(t *testing.T) {
	v := stove(t)
	for _, d := range []drawing.Drawing{v.Reckoning.Table, v.Reckoning.Section} {
		b := &bytes.Buffer{}
		if err := SVG(b, d); err != nil {
			t.Fatal(err)
		}
		groups, width := map[string]bool{}, ""
		dec := xml.NewDecoder(b)
		for {
			tok, err := dec.Token()
			if err == io.EOF {
				break
			}
			if err != nil {
				t.Fatal(err)
			}
			el, ok := tok.(xml.StartElement)
			if !ok {
				continue
			}
			for _, a := range el.Attr {
				if el.Name.Local == "g" && a.Name.Local == "id" {
					groups[a.Value] = true
				}
				if el.Name.Local == "svg" && a.Name.Local == "width" {
					width = a.Value
				}
			}
		}
		if !groups["pane"] || width != n(d.Box.Width())+"mm" {
			t.Errorf("%s: groups %v, width %s", d.Name, groups, width)
		}
	}
	hostile := drawing.Drawing{Name: `<script>&"`,
		Items: []drawing.Item{{Kind: drawing.Text, Layer: drawing.LayerNote, Points: []outline.Point{{}},
			Text: "</text><script>"}}}
	b := &bytes.Buffer{}
	if err := SVG(b, hostile); err != nil || strings.Contains(b.String(), "<script>") {
		t.Errorf("a name became markup: %s", b)
	}
}

func text(t *testing.T, b []byte) (string, int) {
	t.Helper()
	r, err := pdf.NewReader(bytes.NewReader(b), int64(len(b)))
	if err != nil {
		t.Fatal(err)
	}
	plain, err := r.GetPlainText()
	if err != nil {
		t.Fatal(err)
	}
	s, err := io.ReadAll(plain)
	if err != nil {
		t.Fatal(err)
	}
	return string(s), r.NumPage()
}

func TestTicket(t *testing.T) {
	v := stove(t)
	v.Reckoning.Carries, v.Reckoning.Packing = "a push of 400 N", "4 mm coated toughened (this one), gap 9"
	b := &bytes.Buffer{}
	if err := Ticket(b, record.Shop{Name: "Lantern Yard", Town: "Hollin Ferry"}, []jobview.View{v}, time.UTC); err != nil {
		t.Fatal(err)
	}
	s, pages := text(t, b.Bytes())
	if pages != 1 {
		t.Errorf("%d pages", pages)
	}
	for _, want := range []string{"Ticket 3", "Lucía Ødegård", length.Metric(v.Reckoning.Fit.Order.W) + " × " +
		length.Metric(v.Reckoning.Fit.Order.H) + " mm", " in ", "glass-ceramic", "it stands the fire",
		"carry a push of 400 N", "from the heat: 4 mm coated",
		"Brackets by hand", "Paper slip", "First fire", "4 March 2026, 15:00", "Received by the customer"} {
		if !strings.Contains(s, want) {
			t.Errorf("the ticket does not say %q: %.120q", want, s)
		}
	}
	if strings.Contains(s, "DRAFT") {
		t.Error("a signed ticket says that it is a draft")
	}
}

// What is beyond its limit, left out or failed stands on a page of its own, in
// full, with who answers for it; a page that overflows goes on on another.
func TestTicketSaysWhatWasSignedOver(t *testing.T) {
	v := stove(t)
	at := time.Date(2026, 3, 4, 9, 0, 0, 0, time.UTC)
	long := strings.TrimSpace(strings.Repeat("wider brackets come on Friday ", 16))
	v.Stops = []jobview.PaneStop{
		{Stop: prove.Stop{Key: "bite_cold", Says: "2.9 mm least bite under a bracket",
			Limit: "at least 6 mm; common practice, no source", Taken: &prove.Taken{By: "Mira Vale", Reason: long, At: at}}},
		{Stop: prove.Stop{Key: "clash_petroleum", Says: "never petroleum on rubber"}},
		{Stop: prove.Stop{Key: "x", Says: "of another pane"}, Pane: 99},
	}
	step := v.Reckoning.Plan.Steps[0]
	v.Pane.Ticks = append(v.Pane.Ticks, record.Tick{Step: step.Key, Outcome: "left-out", Reason: "the door came by itself",
		By: "Tor"})
	v.Checks[0].Trials = []record.Trial{{Check: v.Checks[0].Key, Finding: "open at the lower corner", By: "Tor", At: at}}
	v.Job.Ticket.Override = strings.TrimSpace(strings.Repeat("the customer waits for the ferry ", 15))
	b := &bytes.Buffer{}
	if err := Ticket(b, record.Shop{Name: "Lantern Yard"}, []jobview.View{v}, time.UTC); err != nil {
		t.Fatal(err)
	}
	s, pages := text(t, b.Bytes())
	plain := strings.Join(strings.Fields(s), " ")
	for _, want := range []string{"2 beyond a limit: see the next page", "2.9 mm least bite under a bracket",
		"at least 6 mm", "Risk accepted by Mira Vale, 4 March 2026, 09:00", "Nobody has accepted the risk",
		"the door came by itself",
		"open at the lower corner"} {
		if !strings.Contains(plain, want) {
			t.Errorf("the ticket does not say %q", want)
		}
	}
	if n := strings.Count(strings.ReplaceAll(plain, " ", ""), "comeonFriday"); n != 16 {
		t.Errorf("the reason is there %d times of 16", n)
	}
	if n := strings.Count(strings.ReplaceAll(plain, " ", ""), "waitsfortheferry"); n != 15 {
		t.Errorf("the owner's reason is there %d times of 15", n)
	}
	if pages != 2 || strings.Contains(s, "of another pane") {
		t.Errorf("%d pages", pages)
	}
	for range 40 {
		v.Checks[0].Trials = append(v.Checks[0].Trials, v.Checks[0].Trials[0])
	}
	b.Reset()
	if err := Ticket(b, record.Shop{Name: "Lantern Yard"}, []jobview.View{v}, time.UTC); err != nil {
		t.Fatal(err)
	}
	if _, pages = text(t, b.Bytes()); pages < 3 {
		t.Errorf("%d pages", pages)
	}
}

// Long names and findings neither break the page nor run over a second one.
func TestTicketHoldsLongWords(t *testing.T) {
	v := stove(t)
	v.Job.Ticket = nil
	v.Job.Object.Name = strings.Repeat("very long name ", 8)
	v.Job.Story = strings.Repeat("it broke and ", 70)
	for i := range v.Checks {
		v.Checks[i].Outcome, v.Checks[i].Finding = prove.Fail, strings.Repeat("loose ", 12)
	}
	b := &bytes.Buffer{}
	if err := Ticket(b, record.Shop{Name: strings.Repeat("Shop ", 16)}, []jobview.View{v}, time.UTC); err != nil {
		t.Fatal(err)
	}
	// The checks that failed have a page of their own.
	if s, pages := text(t, b.Bytes()); pages != 2 || !strings.Contains(s, "DRAFT") {
		t.Errorf("%d pages, draft said: %v", pages, strings.Contains(s, "DRAFT"))
	}
}

// Words of a dimension are read from below, and upwards on an upright, also
// when it leans a little.
func TestDimensionWordsStayReadable(t *testing.T) {
	for _, c := range []struct {
		to    outline.Point
		angle float64
	}{{outline.Point{X: 10}, 0}, {outline.Point{X: -10}, 0}, {outline.Point{Y: 10}, 90}, {outline.Point{Y: -10}, 90},
		{outline.Point{X: 0.1, Y: 10}, 89.43}, {outline.Point{X: -0.1, Y: 10}, 90.57}, {outline.Point{X: 10, Y: 10}, 45},
		{outline.Point{X: 10, Y: -10}, 315}} {
		_, angle := dimText(drawing.Item{Points: []outline.Point{{}, c.to}}, 1)
		if math.Abs(angle-c.angle) > 0.01 {
			t.Errorf("to %v: %v°, want %v°", c.to, angle, c.angle)
		}
	}
}
