package demo

import (
	"freshshard/core/pane"
	"freshshard/core/reading"
	"freshshard/internal/desk"
	"freshshard/internal/record"
)

// done is a job that came to its end: read, settled, ticked and checked.
func done(by string, in desk.TakeIn, material string, thick float64, readings []said) job {
	return job{by: by, in: in, settle: material, thick: thick, readings: readings, steps: all, checks: all}
}

// of gives a job what its pane is.
func (j job) of(set func(*record.Pane)) job {
	j.pane = set
	return j
}

// ways are one signed job of each way of holding that the rest of the year does not show,
// so that each has its passport, its letter and its experience to look at.
func ways() []gone {
	covered := func(w, h, cover string, more ...said) []said {
		return rect(w, w, h, h, append([]said{{reading.Ledge, cover, rule}}, more...)...)
	}
	return []gone{
		{days: 318, job: done("tor", desk.TakeIn{Name: "Brindle & Daughters, bakery", Object: "Proving cabinet, front pane",
			Exposure: "room", Family: "channel-front", Power: true, Story: "a peel went through it",
			Like: "toughened"}, "toughened", 4, covered("500", "350", "11"))},
		{days: 301, job: done("mira", desk.TakeIn{Name: "Brindle & Daughters, bakery",
			Object:   "Deck oven, window of the lower door",
			Exposure: "oven", Family: "window-pack", Power: true, Story: "the inner pane burst in the night",
			Like: "toughened-coated"}, "toughened-coated", 4, covered("500", "300", "13"))},
		{days: 282, job: done("ebbe", desk.TakeIn{Name: "Tram museum, shed two", Object: "Carriage end screen, roped in",
			Exposure: "weather", Family: "locking-gasket", Vehicle: true, Moves: pane.Road,
			Story: "starred by a stone on its way to the show", Like: "laminated"}, "laminated", 6,
			covered("500", "700", "10", said{reading.Web, "5", cal}))},
		{days: 247, job: done("mira", desk.TakeIn{Name: "Tram museum, shed two", Object: "Carriage droplight, bay 2",
			Exposure: "weather", Family: "drop-glass", Vehicle: true, Moves: pane.Road, Story: "it fell past its stop",
			Like: "toughened"}, "toughened", 5, covered("560", "620", "12"))},
		{days: 231, job: done("ebbe", desk.TakeIn{Name: "Quay stables", Object: "Horse trailer, window of the groom's door",
			Exposure: "weather", Family: "clamp-ring", Vehicle: true, Moves: pane.Trailer, Story: "a hoof",
			Like: "acrylic"}, "acrylic", 4, covered("500", "350", "16"))},
		{days: 216, job: done("tor", desk.TakeIn{Name: "Highmere orchards", Object: "Sprayer's cab, flip window",
			Exposure: "weather", Family: "edge-bonded", Vehicle: true, Moves: pane.Machine, Story: "slammed by the wind",
			Like: "toughened"}, "toughened", 5, covered("450", "350", "30"))},
		{days: 194, job: done("mira", desk.TakeIn{Name: "Ferry company", Object: "Ferry wheelhouse, round window aft",
			Exposure: "weather", Family: "ring-port", Water: true, Story: "cracked from one dog", Like: "toughened"},
			"toughened", 8, []said{{reading.Across0, "300", cal}, {reading.Across45, "300", cal}, {reading.Across90, "300", cal},
				{reading.Across135, "300", cal}, {reading.Ledge, "12", rule}})},
		{days: 181, job: done("tor", desk.TakeIn{Name: "Quay café", Object: "Café boiler, gauge tube of the small boiler",
			Exposure: "boiler", Family: "gauge-tube", Power: true, Story: "weeps at the foot", Like: "borosilicate"},
			"borosilicate", 2.4, []said{{reading.Faces, "250", rule}, {reading.StopDepth, "18", cal}, {reading.TubeOutside,
				"12.7", cal},
				{reading.TubeWall, "2.4", cal}}).of(carries(pane.Duty{Pressure: 1.2}))},
		{days: 143, job: done("ebbe", desk.TakeIn{Name: "Ferry town museum",
			Object:   "Museum case, sliding panel of the rope room",
			Exposure: "room", Family: "lift-drop", Story: "chipped in cleaning", Like: "toughened"}, "toughened", 6,
			rect("600", "600", "400", "400", said{reading.UpperPocket, "26", cal}, said{reading.LowerPocket, "9", cal}))},
		{days: 109, job: done("mira", desk.TakeIn{Name: "Fenland hatchery", Object: "Incubator one, door panel",
			Exposure: "room", Family: "flat-panel", Power: true, Story: "crazed from the cleaner", Like: "acrylic"},
			"polycarbonate", 5, covered("400", "300", "14"))},
		{days: 87, job: done("ebbe", desk.TakeIn{Name: "Ferry town museum", Object: "Museum case, light of the coin drawer",
			Exposure: "room", Family: "glued-beads", Story: "cracked when the timber moved", Like: "annealed"},
			"annealed", 3, covered("300", "400", "8"))},
		{days: 74, job: done("tor", desk.TakeIn{Name: "Brindle & Daughters, bakery", Object: "Deck oven, lamp window",
			Exposure: "oven", Family: "tabbed-retainer", Power: true, Story: "a tab bore on its edge",
			Like: "glass-ceramic"}, "glass-ceramic", 4, covered("180", "120", "10"))},
		{days: 52, job: done("mira", desk.TakeIn{Name: "Highmere orchards", Object: "Orchard tractor's cab, old roof light",
			Exposure: "weather", Family: "lugs-cap", Vehicle: true, Moves: pane.Machine, Story: "a branch",
			Like: "toughened"}, "toughened", 5, covered("620", "480", "18"))},
		{days: 41, job: done("tor", desk.TakeIn{Name: "Ferry company",
			Object:   "Ferry wheelhouse, drawn window of the bridge wing",
			Exposure: "weather", Family: "two-holes", Water: true, Leaf: true, Story: "a bush wore through", Like: "toughened"},
			"toughened", 5, covered("520", "480", "13", said{reading.HoleAcross, "14", cal}, said{reading.HoleUp, "45", rule},
				said{reading.HoleSide, "110", rule}, said{reading.HoleApart, "296", rule}, said{reading.BushAcross, "12", cal}))},
	}
}
