package demo

import (
	"slices"

	"freshshard/core/drawing"
	"freshshard/core/exposure"
	"freshshard/core/outline"
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/core/source"
	"freshshard/core/striplog"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/hold"
	"freshshard/internal/record"
)

// shaped gives a pane the form of its opening.
func shaped(kind string, count int) func(*record.Pane) {
	return func(p *record.Pane) { p.Shape = reading.Shape{Kind: kind, Count: count} }
}

// at are readings of a shape's measures, in pairs of key and text.
func at(pairs ...string) []said {
	out := []said{}
	for i := 0; i+1 < len(pairs); i += 2 {
		out = append(out, said{reading.ShapePlace(pairs[i]), pairs[i+1], tape})
	}
	return out
}

// traced is a window that was traced on card and read in.
func traced(p *record.Pane) {
	line, err := outline.NewPath([]outline.Vertex{{Point: outline.Point{X: 0, Y: 0}}, {Point: outline.Point{X: 520, Y: 0}},
		{Point: outline.Point{X: 470, Y: 310}, Bulge: 0.12}, {Point: outline.Point{X: 90, Y: 330}}})
	if err != nil {
		panic(err) // a picture that ships with the program
	}
	p.Shape = reading.Shape{Kind: reading.Drawn, Drawn: &outline.Outline{Outer: line, Holes: []outline.Path{}},
		Trace: &outline.Trace{Along: outline.InsideOpening, Pen: 1, Lean: 0.5}}
}

// deck is the window pack of an oven as its panes came out, with one of them on
// the table.
func deck(here int) func(*record.Pane) {
	return func(p *record.Pane) {
		p.Stack = pane.Stack{Here: here, Gaps: []float64{9, 9}, Panes: []pane.Coated{
			{Material: "toughened-coated", Thickness: 4, Coat: "cold"}, {Material: "toughened", Thickness: 4, Coat: "none"},
			{Material: "toughened", Thickness: 4, Coat: "none"}}}
	}
}

// carries gives a pane what it has to carry.
func carries(d pane.Duty) func(*record.Pane) { return func(p *record.Pane) { p.Duty = d } }

// both does two things to a pane.
func both(a, b func(*record.Pane)) func(*record.Pane) {
	return func(p *record.Pane) { a(p); b(p) }
}

// objects are one of each way of holding that the first jobs do not show, an
// object with nine panes, and a pack.
func objects() []job {
	return slices.Concat(packsAndWindows(), portsAndTubes(), partsAndBoards(), rowsAndPairs())
}

// packsAndWindows are an oven's pack, a cab and a wheelhouse.
func packsAndWindows() []job {
	light := rect("508", "509", "402", "402.5", said{reading.Ledge, "12", rule})
	return []job{
		{by: "tor", due: 52, passing: passing{came: 4}, in: desk.TakeIn{Name: "Saltmarsh nursery", Phone: "0550 519",
			Object: "Greenhouse, north sash of nine lights", Exposure: "weather", Family: "putty-points", Old: true,
			Place: "site", Like: "annealed",
			Story: "the hail again: four of nine", Layout: &drawing.Layout{Across: 3, Down: 3}},
			settle: "annealed", thick: 3, to: "refit", checks: 3, readings: light,
			others: []job{
				{settle: "annealed", thick: 3, steps: 7, readings: light, waits: "3 mm glass from the cutter", until: 26},
				{}, {steps: 4, readings: rect("507", "507", "401", "402", said{reading.Ledge, "12", rule})}, {}, {},
				{settle: "annealed", thick: 3, steps: 7, readings: light, waits: "3 mm glass from the cutter", until: 26},
			}},
		{by: "tor", due: 33, in: desk.TakeIn{Name: "Brindle & Daughters, bakery", Phone: "0550 204",
			Object: "Deck oven, upper door, outer pane", Exposure: "oven", Family: "channel-front", Power: true,
			Story: "shattered when the door was let fall", Like: "toughened"},
			pane: deck(3), steps: 7, settle: "toughened", thick: 4, order: &order{who: "Panes by post", kind: "post", each: 5200,
				days:  3,
				wrong: "3 mm too wide"},
			readings: rect("598", "598.5", "412", "412", said{reading.Ledge, "11", rule}, said{reading.OldThickness, "4.0",
				cal})},
		{by: "mira", due: 34, in: desk.TakeIn{Name: "Brindle & Daughters, bakery", Phone: "0550 204",
			Object: "Deck oven, upper door, window pack", Exposure: "oven", Family: "window-pack", Power: true,
			Story: "fog between the panes, and a scratch on the inner one", Like: "toughened-coated",
			Layout: &drawing.Layout{Across: 3, Behind: true}},
			pane: deck(1), steps: 9, readings: rect("560 ±0.3", "560 ±0.3", "372 ±0.3", "372 ±0.3",
				said{reading.Ledge, "12", rule}, said{reading.DepthTop, "31", cal}),
			others: []job{{pane: deck(2), steps: 9, readings: rect("560 ±0.3", "560 ±0.3", "372 ±0.3", "372 ±0.3",
				said{reading.Ledge, "12", rule})}, {pane: deck(3), steps: 4}}},
		{by: "ebbe", due: 75, in: desk.TakeIn{Name: "Highmere orchards", Phone: "0550 571",
			Object: "Orchard tractor's cab, rear window", Exposure: "weather", Family: "locking-gasket", Vehicle: true,
			Moves: pane.Machine, Story: "a branch through it while pruning", Like: "toughened"},
			pane: func(p *record.Pane) { p.Shape = reading.Shape{Kind: "rounded"} }, to: "set", settle: "toughened", thick: 5,
			readings: append(at("width", "822", "height", "514", "radius", "80"), said{reading.Ledge, "9", cal},
				said{reading.Web, "5.2", cal}, said{reading.DepthTop, "1.6", cal})},
		{by: "mira", due: 98, in: desk.TakeIn{Name: "Ferry company", Phone: "0550 100",
			Object: "Ferry wheelhouse, front window, port side", Exposure: "weather", Family: "bonded-fixed", Water: true,
			Story: "delaminated from the lower edge, looks like a bruise", Place: "site", Like: "laminated"},
			pane: both(traced, carries(pane.Duty{Windscreen: true, Push: 500})), steps: 4,
			readings: append(at("width", "520.5"), said{reading.Ledge, "24", rule})},
		{by: "mira", due: 49, in: desk.TakeIn{Name: "Tram museum, shed two", Phone: "0550 633",
			Object: "Carriage droplight, end platform", Exposure: "weather", Family: "drop-glass", Old: true, Strike: true,
			Story: "fell into the door when the strap tore", Like: "annealed"},
			pane: func(p *record.Pane) { p.Frame = "timber" }, steps: 5,
			readings: rect("466", "465.5", "602", "602", said{reading.WidthMiddle, "465", tape}, said{reading.Ledge, "13", rule},
				said{reading.DepthLeft, "12", cal})},
	}
}

// portsAndTubes are a round port, a gauge tube and panels.
func portsAndTubes() []job {
	return []job{
		{by: "ebbe", due: 146, in: desk.TakeIn{Name: "Arne Holt", Phone: "0550 933", Object: "Horse trailer, side window",
			Exposure: "weather", Family: "clamp-ring", Vehicle: true, Moves: pane.Trailer, Story: "kicked out from inside",
			Like: "acrylic"},
			pane: shaped("rounded", 0), steps: 4,
			readings: append(at("width", "702", "height", "352", "radius", "60", "flat", "582"), said{reading.Ledge, "18", rule},
				said{reading.DepthTop, "28", cal}, said{reading.DepthBottom, "28.6", cal},
				said{reading.BodyWidth, "695 ±0.5", tape}, said{reading.BodyHeight, "345 ±0.5", tape}, said{reading.CutCorner,
					"60", rule},
				said{reading.BodyCorner, "62", rule},
				said{reading.FlangeWidth, "731 ±0.5", tape}, said{reading.FlangeHeight, "381 ±0.5", tape},
				said{reading.MarkWidth, "722", tape}, said{reading.MarkHeight, "374", tape}, said{reading.MarkShift, "2", rule},
				said{reading.WallLeast, "26", rule}, said{reading.WallMost, "34", rule}, said{reading.RingThick, "3.0", cal},
				said{reading.ScrewStop, "9.0", cal}, said{reading.ScrewLength, "25", cal})},
		{by: "tor", due: 76, in: desk.TakeIn{Name: "Highmere orchards", Phone: "0550 571",
			Object: "Orchard tractor's cab, flip window", Exposure: "weather", Family: "edge-bonded", Vehicle: true,
			Moves: pane.Machine, Story: "came off its hinges whole, on the road", Like: "toughened"},
			pane: shaped("raked", 0), steps: 2, readings: append(at("bottom", "488", "right", "402", "top", "431", "left", "396",
				"rising", "612"), said{reading.Ledge, "34", rule})},
		{by: "mira", due: 123, in: desk.TakeIn{Name: "Fenland hatchery", Phone: "0550 705",
			Object: "Incubator three, round inspection port", Exposure: "room", Family: "ring-port", Power: true,
			Story: "cracks like a star from one dog", Like: "annealed"},
			seen:  bench.Seen{Evidence: map[string]string{"origin": "fixing"}},
			steps: 6, readings: []said{{reading.Across0, "251.2 ±0.1", cal}, {reading.Across45, "250.6 ±0.1", cal},
				{reading.Across90, "249.4 ±0.1", cal}, {reading.Across135, "250.8 ±0.1", cal}, {reading.Ledge, "10", cal},
				{reading.SeatWarp, "1.2", cal}}},
		{by: "tor", due: 28, in: desk.TakeIn{Name: "Quay café", Phone: "0550 266", Object: "Café boiler, gauge tube",
			Exposure: "boiler", Family: "gauge-tube", Power: true, Story: "clouded, and thin at the water line",
			Like: "borosilicate"},
			pane: carries(pane.Duty{Pressure: 1.2}), steps: 5, settle: "borosilicate", thick: 2.4,
			readings: []said{{reading.Faces, "250 ±0.5", rule}, {reading.StopDepth, "14", cal}, {reading.TubeOutside, "12.7",
				cal},
				{reading.TubeWall, "2.4", cal}}},
		{by: "ebbe", due: 101, in: desk.TakeIn{Name: "Ferry town museum", Phone: "0550 845",
			Object: "Museum case, sliding front panel", Exposure: "room", Family: "lift-drop", Strike: true,
			Story: "chipped at the foot, it squeals", Like: "toughened"},
			pane: carries(pane.Duty{Push: 400}), steps: 4, readings: rect("602", "602", "401 ±0.3", "401.2 ±0.3",
				said{reading.UpperPocket, "24", cal}, said{reading.LowerPocket, "8.5", cal})},
		{by: "mira", due: 124, in: desk.TakeIn{Name: "Fenland hatchery", Phone: "0550 705",
			Object: "Incubator three, door panel", Exposure: "room", Family: "flat-panel", Power: true,
			Story: "crazed from the cleaner", Like: "acrylic"},
			to: "prove", checks: 1, settle: "polycarbonate", thick: 5, readings: rect("640", "640", "420", "420.5",
				said{reading.Ledge, "22", rule}, said{reading.DepthTop, "9", cal})},
	}
}

// partsAndBoards are a part by its number, a pane stuck again, a board.
func partsAndBoards() []job {
	return []job{
		{by: "ebbe", due: 170, in: desk.TakeIn{Name: "Chapel trust", Phone: "0550 388",
			Object: "Museum case, arched back light", Exposure: "room", Family: "bead-brads", Old: true,
			Story: "the upright is out of true; take the arch by ordinates", Like: "annealed"},
			pane: shaped(outline.Ordinates, 6), steps: 2,
			readings: append(at("base", "600", "o0", "210", "o1", "262", "o2", "291", "o3", "300", "o4", "290", "o5", "263",
				"o6", "212"), said{reading.Ledge, "10", rule})},
		{by: "tor", due: 31, in: desk.TakeIn{Name: "Brindle & Daughters, bakery", Phone: "0550 204",
			Object: "Deck oven, lower door, outer pane", Exposure: "oven", Stands: exposure.Outer, Family: "channel-front",
			Power: true, Story: "a tray corner; the maker sells it", Like: "toughened", Road: road.Chosen{ID: "part",
				Part: road.Part{Number: "71-404", Seen: "plate", Box: []string{"seal", "tape"}, Asked: []road.Asked{
					{Where: "the maker", Says: "96.00, nine days"}, {Where: "parts counter on the quay", Says: "71.50, Friday"}}}}},
			steps: 7, order: &order{who: "Counter on the quay", kind: "parts", each: 6850, days: 1}},
		{by: "ebbe", due: 54, in: desk.TakeIn{Name: "Highmere orchards", Phone: "0550 571",
			Object: "Orchard tractor's cab, rear quarter light", Exposure: "weather", Family: "edge-bonded", Vehicle: true,
			Moves: pane.Machine, Strike: true, Story: "came off its hinges whole in the yard; the glass is sound",
			Like: "toughened", Road: road.Chosen{ID: "stays", How: "stick", Came: road.Whole}},
			seen: bench.Seen{Evidence: map[string]string{"look": "whole", "seal": "let-go", "rust": "rusty"},
				Cause:  "bond-failed",
				Behind: []string{"rust-jacking"}}, steps: 3},
		{by: "mira", due: 12, in: desk.TakeIn{Name: "Saltmarsh nursery", Phone: "0550 519",
			Object: "Greenhouse, light 3 of the north side", Exposure: "weather", Family: "putty-points", Old: true,
			Place: "site",
			Story: "a board until the glass is bought in spring", Road: road.Chosen{ID: "other", How: "board"}},
			steps: 4, settle: "board", thick: 6.5, readings: rect("508", "508.5", "610", "611", said{reading.Ledge, "12",
				rule})},
		{by: "ebbe", due: 148, in: desk.TakeIn{Name: "Ferry town museum", Phone: "0550 845",
			Object: "Museum case, small light with glued beads", Exposure: "room", Family: "glued-beads",
			Story: "glue ran onto the glass, it broke when the timber moved", Like: "annealed"},
			to: "set", settle: "annealed", thick: 3, readings: rect("301", "301", "402", "402.5",
				said{reading.Ledge, "8", rule})},
		{by: "tor", due: 99, in: desk.TakeIn{Name: "Fenland hatchery", Phone: "0550 705",
			Object: "Incubator five, sight window", Exposure: "room", Family: "tabbed-retainer", Power: true,
			Story: "a tab bore on its edge", Like: "toughened"},
			steps: 5, settle: "toughened", thick: 4, readings: rect("180", "180.5", "120", "120", said{reading.Ledge, "9",
				rule}),
			offers: []source.Offer{
				{Kind: source.Cutter, Who: "Glass shop at the lock", Price: 5800, Days: 4, Misfit: 3},
				{Kind: source.Post, Who: "Panes by post", Price: 3400, Carriage: 1450, Lacks: "gasket", Missing: 1800, Days: 6,
					Misfit: 12},
				{Kind: source.Maker, Who: "Counter on the quay", Price: 9600, Carriage: 650, Days: 8, Misfit: 1, Back: true}}},
	}
}

// rowsAndPairs are objects with several panes, and bonds on their clock.
func rowsAndPairs() []job {
	return []job{
		{by: "mira", due: 78, in: desk.TakeIn{Name: "Highmere orchards", Phone: "0550 571",
			Object: "Orchard tractor's cab, roof light", Exposure: "weather", Family: "lugs-cap", Vehicle: true,
			Moves: pane.Machine, Strike: true, Story: "a branch; the cap was screwed down dry", Like: "toughened"},
			strip: []striplog.Entry{screws("cap screw", "along the cap", 6, 20, 9),
				{Kind: striplog.Part, What: "cap", Where: "upper edge", Count: 1, Fate: striplog.Back,
					Held: striplog.Held{How: "screw"}, Facing: "lip down"},
				{Kind: striplog.Seal, What: "rubber strip", Where: "in the lugs", Count: 2, Fate: striplog.Renew,
					Held: striplog.Held{How: "friction"}}},
			to: "refit", settle: "toughened", thick: 5, readings: rect("620", "621", "480", "480",
				said{reading.Ledge, "18", rule})},
		{by: "tor", due: 80, in: desk.TakeIn{Name: "Ferry company", Phone: "0550 100",
			Object: "Ferry wheelhouse, drawn window on the galley side", Exposure: "weather", Family: "two-holes", Water: true,
			Strike: true, Leaf: true, Story: "dropped when a bush wore through; a hole ran out to the edge", Like: "toughened"},
			steps: 4, readings: rect("450", "450.5", "380", "380", said{reading.Ledge, "13", rule}, said{reading.HoleAcross,
				"13", cal},
				said{reading.HoleUp, "40", rule}, said{reading.HoleSide, "90", rule}, said{reading.HoleApart, "266", rule},
				said{reading.BushAcross, "11", cal})},
		{by: "tor", due: 28, in: desk.TakeIn{Name: "Saltmarsh nursery", Phone: "0550 519",
			Object: "Greenhouse, boiler end, four lights", Exposure: "weather", Family: "putty-points", Old: true,
			Story: "a ladder fell along the row", Like: "annealed", Layout: &drawing.Layout{Across: 4, Down: 1}},
			steps: 6, settle: "annealed", thick: 3, readings: rect("506", "506", "402", "402", said{reading.Ledge, "13", rule}),
			others: []job{inRow("506", "402"), inRow("506.5", "402"), inRow("506", "403")}},
		{by: "ebbe", due: 54, in: desk.TakeIn{Name: "Hollin Ferry apothecary", Phone: "0550 233",
			Object: "Apothecary cabinet, pair of lower doors", Exposure: "room", Family: "bead-brads",
			Story: "both, when the cabinet was moved", Like: "annealed", Layout: &drawing.Layout{Across: 2, Down: 1}},
			steps: 6, settle: "annealed", thick: 3, readings: rect("318", "318", "622", "622.5", said{reading.Ledge, "9", rule}),
			others: []job{{steps: 6, settle: "annealed", thick: 3, readings: rect("318", "318.5", "622", "622",
				said{reading.Ledge, "9", rule})}}},
		{by: "ebbe", due: 30, passing: passing{came: 2}, in: desk.TakeIn{Name: "Highmere orchards", Phone: "0550 571",
			Object: "Orchard tractor's cab, fixed side window", Exposure: "weather", Family: "bonded-fixed", Vehicle: true,
			Moves: pane.Machine, Story: "a stone from the flail", Like: "toughened"},
			steps: 13, settle: "toughened", thick: 6, readings: rect("702", "702.5", "498", "498", said{reading.Ledge, "24",
				rule}),
			laid: &hold.Laid{Step: "cure", Adhesive: "urethane", Width: 8, Edges: 2, Place: record.AtBench}, ago: 11},
		// Two that are ready for their bead and could share a tube.
		{by: "tor", due: 78, in: desk.TakeIn{Name: "Hollin Ferry line", Phone: "0550 300",
			Object: "Ferry wheelhouse, starboard side light", Exposure: "weather", Family: "bonded-fixed", Water: true,
			Story: "a fender's hook came through", Like: "toughened"},
			steps: 11, settle: "toughened", thick: 6, readings: rect("412", "412.5", "318", "318", said{reading.Ledge, "22",
				rule})},
		{by: "ebbe", due: 102, in: desk.TakeIn{Name: "Quay stables", Phone: "0550 912",
			Object: "Horse trailer, fixed light beside the ramp", Exposure: "weather", Family: "bonded-fixed", Vehicle: true,
			Moves: pane.Trailer, Story: "kicked out, the bead peeled clean off the paint", Like: "acrylic"},
			steps: 11, settle: "polycarbonate", thick: 4, readings: rect("360", "360", "240", "240.5",
				said{reading.Ledge, "20", rule})},
	}
}

// inRow is one more light of a row that is read and settled.
func inRow(w, h string) job {
	return job{steps: 6, settle: "annealed", thick: 3, readings: rect(w, w, h, h, said{reading.Ledge, "13", rule})}
}
