package fit_test

import (
	"fmt"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fit"
	"freshshard/core/frame"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/value"
	"freshshard/core/working"
)

// A sauna stove's window behind clips: seven readings give the size to order
// and, when a bracket overhanges too little, the sentence that stops it.
func ExampleSolve() {
	f, err := family.Book.ByID("clip-heat")
	if err != nil {
		fmt.Println(err)
		return
	}
	at, err := exposure.Book.ByID(f.Exposure)
	if err != nil {
		fmt.Println(err)
		return
	}
	of, err := frame.Book.ByID(f.Frame)
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, reach := range []string{"16 ±0.5", "6 ±0.5"} {
		readings, err := reading.FromTexts(map[reading.Place]string{
			reading.WidthTop: "270 ±0.3", reading.WidthMiddle: "269.5 ±0.3", reading.WidthBottom: "269.8 ±0.3",
			reading.HeightLeft: "242 ±0.3", reading.HeightRight: "242.2 ±0.3", reading.Ledge: "14 ±0.5", reading.Reach: reach,
		}, length.MM)
		if err != nil {
			fmt.Println(err)
			return
		}
		r, err := fit.Solve(fit.Problem{
			Asked: reading.Asked{Sizing: f.Sizing, Readings: readings}, Limits: fit.LimitsOf(f, at.Outdoors), Thickness: 4,
			Exposure: at,
			Cutter:   fit.ShopCut, Unit: length.MM, OffCentre: fit.DefaultOffCentre,
			Pane:   fit.Body{Name: "glass-ceramic", Origin: value.Sheet("glass-ceramic")},
			Frame:  fit.Body{Name: of.Name, Alpha: of.Alpha, Origin: of.Source()},
			Gasket: fit.Gasket{Kind: fit.None},
		})
		if err != nil {
			fmt.Println(err)
			return
		}
		told := "nothing to say"
		for _, f := range r.Figures {
			if f.Verdict == working.Stop {
				told = f.Sentence
				break
			}
		}
		fmt.Printf("order %.1f × %.1f mm; %s\n", r.Order.W, r.Order.H, told)
	}
	// Output:
	// order 263.5 × 236.0 mm; nothing to say
	// order 267.0 × 239.5 mm; no width is sure to go in and to stay: over 266.3 it may not go in, under 269.8 it may fall out
}
