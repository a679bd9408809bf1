package exchange

import (
	"bytes"
	"strings"
	"testing"
	"time"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/reckon"
	"freshshard/core/setting"
	"freshshard/internal/jobview"
	"freshshard/internal/outlinefile"
	"freshshard/internal/record"
)

// Every family, in both units, makes a ticket of one page and drawings that can
// be read again.
func TestEveryFamilyGoesOnPaper(t *testing.T) {
	for _, f := range family.Book.All() {
		for _, unit := range []length.Unit{length.MM, length.IN} {
			e, err := exposure.Book.ByID(f.Exposure)
			if err != nil {
				t.Fatal(err)
			}
			usual := map[reading.Place]string{reading.WidthTop: "20 1/8", reading.WidthBottom: "20 1/8",
				reading.HeightLeft:  "24",
				reading.HeightRight: "24 light", reading.Ledge: "15 mm", reading.Reach: "18 mm", reading.Web: "4 mm",
				reading.Across0: "12", reading.Across45: "12", reading.Across90: "12", reading.Across135: "12", reading.Faces: "10",
				reading.StopDepth: "14 mm", reading.TubeOutside: "12.7 mm", reading.TubeWall: "2.4 mm",
				reading.UpperPocket: "24 mm",
				reading.LowerPocket: "8 mm", reading.DepthTop: "20 mm", reading.OldThickness: "4.02 mm"}
			texts := map[reading.Place]string{}
			for _, i := range reading.Walk(f.Sizing, reading.Shape{}) {
				if s, ok := usual[i.Place]; ok {
					texts[i.Place] = s
				}
			}
			readings, err := reading.FromTexts(texts, length.IN)
			if err != nil {
				t.Fatal(err)
			}
			r, err := reckon.Pane(reckon.Known{Object: reckon.Object{Exposure: e},
				Holding: reckon.Holding{Family: f.ID, Gasket: fit.Gasket{Kind: fit.None},
					Sides: setting.Sides{Top: 1, Right: 1, Bottom: 1, Left: 1}}, Seen: reckon.Seen{Readings: readings}, Unit: unit})
			if err != nil {
				t.Fatal(err)
			}
			v := jobview.View{Unit: unit, Reckoning: r}
			v.Job.Object.Name = f.Objects[0]
			var b bytes.Buffer
			if err := Ticket(&b, record.Shop{Name: "Lantern Yard"}, []jobview.View{v}, time.UTC); err != nil {
				t.Fatal(err)
			}
			s, pages := text(t, b.Bytes())
			if pages != 1 || !strings.Contains(s, " mm") || !strings.Contains(s, "DRAFT") {
				t.Errorf("%s in %s: %d pages", f.ID, unit, pages)
			}
			for _, p := range r.Plan.Customer {
				if !strings.Contains(s, p.Title) {
					t.Errorf("%s: the customer is not told %q", f.ID, p.Title)
				}
			}
			b.Reset()
			if err := DXF(&b, r.Table); err != nil {
				t.Fatal(err)
			}
			o, err := outlinefile.ReadDXF(b.Bytes())
			if err != nil {
				t.Errorf("%s in %s: %v", f.ID, unit, err)
				continue
			}
			if box := o.Outer.Box(); !near(box.Width(), r.Fit.Order.W, 0.001) || !near(box.Height(), r.Fit.Order.H, 0.001) {
				t.Errorf("%s in %s: the pane came back %v × %v, ordered %v", f.ID, unit, box.Width(), box.Height(), r.Fit.Order)
			}
		}
	}
}
