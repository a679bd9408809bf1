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
	"freshshard/core/reckon"
	"freshshard/core/setting"
	"freshshard/internal/record"
	"freshshard/internal/shop"
)

// Every family, in both units, makes a ticket of one page and drawings that can
// be read again.
func TestEveryFamilyGoesOnPaper(t *testing.T) {
	for _, f := range family.All() {
		for _, unit := range []length.Unit{length.MM, length.IN} {
			e, err := exposure.ByID(f.Exposure)
			if err != nil {
				t.Fatal(err)
			}
			usual := map[fit.Place]string{fit.WidthTop: "20 1/8", fit.WidthBottom: "20 1/8", fit.HeightLeft: "24",
				fit.HeightRight: "24 light", fit.Ledge: "15 mm", fit.Reach: "18 mm", fit.Web: "4 mm",
				fit.Across0: "12", fit.Across45: "12", fit.Across90: "12", fit.Across135: "12", fit.Faces: "10",
				fit.StopDepth: "14 mm", fit.TubeOutside: "12.7 mm", fit.TubeWall: "2.4 mm", fit.UpperPocket: "24 mm",
				fit.LowerPocket: "8 mm", fit.DepthTop: "20 mm", fit.OldThickness: "4.02 mm"}
			texts := map[fit.Place]string{}
			for _, i := range fit.Walk(f.Sizing, fit.Shape{}) {
				if s, ok := usual[i.Place]; ok {
					texts[i.Place] = s
				}
			}
			readings, err := fit.ReadingsOf(texts, length.IN)
			if err != nil {
				t.Fatal(err)
			}
			r, err := reckon.Pane(reckon.Known{Family: f.ID, Exposure: e, Readings: readings, Unit: unit,
				Gasket: fit.Gasket{Kind: fit.None}, Sides: setting.Sides{Top: 1, Right: 1, Bottom: 1, Left: 1}})
			if err != nil {
				t.Fatal(err)
			}
			v := shop.View{Unit: unit, Reckoning: r}
			v.Job.Object.Name = f.Objects[0]
			var b bytes.Buffer
			if err := Ticket(&b, record.Shop{Name: "Lantern Yard"}, []shop.View{v}, time.UTC); err != nil {
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
			o, err := ReadDXF(b.Bytes())
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
