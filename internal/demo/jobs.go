package demo

import (
	"slices"

	"freshshard/core/diagnose"
	"freshshard/core/fit"
	"freshshard/core/guest"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/setting"
	"freshshard/core/striplog"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/record"
)

const (
	all  = 99 // every step or check there is
	tape = length.Tape
	rule = length.Rule
	cal  = length.Caliper
)

// rect are the usual readings of an opening.
func rect(wt, wb, hl, hr string, more ...said) []said {
	return append([]said{{reading.WidthTop, wt, tape}, {reading.WidthBottom, wb, tape}, {reading.HeightLeft, hl, tape},
		{reading.HeightRight, hr, tape}}, more...)
}

// screws are what most doors are held together with.
func screws(what, where string, n int, length, toGlass float64, captures ...string) striplog.Entry {
	return striplog.Entry{Kind: striplog.Fasteners, What: what, Where: where, Count: n, Fate: striplog.Back,
		Captures: captures,
		Held: striplog.Held{How: "screw", Drive: "PH2", Size: "4.2", Thread: striplog.SelfTapping, Length: length,
			ToGlass: toGlass}}
}

// ovenDoor comes apart from its pane outwards; entries name what lies under
// them by the order in which they were noted: e1, e2 and so on.
func ovenDoor() []striplog.Entry {
	spot := func(x, y float64) *striplog.Spot { return &striplog.Spot{X: x, Y: y} }
	strip := striplog.Entry{Kind: striplog.Trim, What: "bottom strip", Where: "bottom edge", Spot: spot(0.5, 0.95),
		Count: 1, Fate: striplog.Back, Held: striplog.Held{How: "lip"}, Facing: "long leg down"}
	side := screws("shell screw, side", "left and right", 6, 16, 22)
	side.Spot = spot(0.05, 0.5)
	middle := screws("shell screw, middle", "middle of the top", 1, 8, 11)
	middle.Spot = spot(0.5, 0.05)
	shell := striplog.Entry{Kind: striplog.Part, What: "outer shell", Spot: spot(0.25, 0.25), Count: 1,
		Fate: striplog.Back, Held: striplog.Held{How: "screw"}, Facing: "vent slots up"}
	pane := striplog.Entry{Kind: striplog.Pane, What: "peephole pane", Spot: spot(0.5, 0.5), Count: 1,
		Fate: striplog.Renew, Held: striplog.Held{How: "clip"}, Facing: "stamp reads from the room"}
	gasket := striplog.Entry{Kind: striplog.Seal, What: "tape gasket", Where: "round the pane", Count: 1,
		Fate: striplog.Renew, Held: striplog.Held{How: "friction"}}
	return []striplog.Entry{strip, side, middle, shell, pane, gasket}
}

func clip(p *record.Pane) { p.Sides = setting.Sides{Top: 2, Bottom: 2} }

// jobs are a dozen and more, at different stations.
func jobs() []job {
	return slices.Concat(earlyJobs(), laterJobs())
}

// earlyJobs are those that come first in the list.
func earlyJobs() []job {
	return []job{
		{by: "mira", due: 4, in: desk.TakeIn{Name: "Tolliver bath house", Phone: "0550 118", Object: "Sauna stove, door pane",
			Exposure: "fire", Family: "clip-heat", Story: "cracked from the lower left bracket on the third fire of the evening",
			Like: "glass-ceramic"},
			object: func(o *record.Object) { o.Stamp = "GC 4" },
			seen: bench.Seen{Evidence: diagnose.Evidence{"origin": "fixing", "doing": "heating", "fixings": "tight",
				"seal": "hard"},
				OldPane: diagnose.Evidence{"colour": "amber", "edge": "seamed", "corner": "lower-right", "reads": "inside"}},
			pane: clip, steps: 4, readings: []said{{reading.WidthTop, "270 ±0.3", rule}, {reading.WidthMiddle, "269.5 ±0.3",
				rule},
				{reading.WidthBottom, "268.4 ±0.3", rule}, {reading.HeightLeft, "242", tape}, {reading.Reach, "16", rule}}},
		{by: "tor", due: 2.5, in: desk.TakeIn{Name: "Brindle & Daughters, bakery", Phone: "0550 204",
			Object: "Deck oven, peephole door", Exposure: "oven", Family: "clip-heat", Power: true,
			Story: "burst into dice after the lower deck was washed down hot", Place: "site", Like: "toughened"},
			pane: func(p *record.Pane) {
				p.Sides, p.Gasket = setting.Sides{Top: 2, Right: 1, Bottom: 2, Left: 1}, fit.Gasket{Kind: fit.Wrapped, Free: 3}
			},
			seen: bench.Seen{Evidence: diagnose.Evidence{"look": "dice", "doing": "wet", "glass": "right"},
				OldPane: diagnose.Evidence{"broke": "dice", "edge": "seamed"}, Cause: "thermal-shock"},
			strip: ovenDoor(), guests: []guest.Guest{{What: "a wedge under the door", Before: "door-on"}},
			steps: 11, settle: "toughened", thick: 5,
			readings: rect("412", "412", "188", "188.5", said{reading.Ledge, "16", rule}, said{reading.Reach, "19", rule},
				said{reading.Rising, "453", tape}, said{reading.Falling, "452.5", tape}, said{reading.DepthTop, "14", cal},
				said{reading.OldThickness, "4.9", cal})},
		{by: "mira", due: 27, in: desk.TakeIn{Name: "Kiln Lane pottery", Phone: "0550 377",
			Object: "Potter's kiln, observation pane", Exposure: "kiln", Family: "clip-heat", Power: true,
			Story: "crack runs from a hole in the corner, pane was borosilicate", Like: "borosilicate"},
			pane: func(p *record.Pane) {
				p.Frame, p.Sides = "stainless", setting.Sides{Top: 2, Right: 2, Bottom: 2, Left: 2}
			}, steps: 7, settle: "glass-ceramic", thick: 5,
			readings: rect(`6 1/4`, `6 1/4-`, `6 3/16`, `6 3/16`, said{reading.Ledge, "12", rule}, said{reading.Reach, "15",
				rule},
				said{reading.OldThickness, "5.02", cal}), order: &order{who: "Glass shop at the lock", kind: "cutter", each: 8600,
				days: 1}},
		{by: "ebbe", due: 50, in: desk.TakeIn{Name: "Hollin Ferry apothecary", Phone: "0550 402",
			Object: "Apothecary cabinet, upper left door", Exposure: "room", Family: "bead-brads", Old: true,
			Story: "a jar fell against it", Like: "annealed"},
			seen: bench.Seen{Evidence: diagnose.Evidence{"origin": "middle", "look": "star", "mark": "bull", "doing": "knock"},
				Cause: "blow"},
			steps: 9, settle: "annealed", thick: 3, readings: rect("14 7/8", "14 7/8+", "22 5/16", "22 5/16",
				said{reading.Ledge, "9", rule}, said{reading.DepthTop, "11.5", cal}, said{reading.OldWidth, "14 3/4", tape},
				said{reading.OldHeight, "22 3/16", tape}, said{reading.OldThickness, "3.02", cal})},
		{by: "tor", due: 74, in: desk.TakeIn{Name: "Saltmarsh nursery", Phone: "0550 519",
			Object: "Greenhouse, light 7 of the south side", Exposure: "weather", Family: "putty-points", Old: true,
			Strike: true, Story: "hail; two neighbours are starred as well", Place: "site", Like: "annealed"},
			steps: 5, readings: rect("508", "509", "610", "611", said{reading.WidthMiddle, "580", tape},
				said{reading.HeightMiddle, "610", tape}, said{reading.Ledge, "12", rule})},
	}
}

// laterJobs follow them.
func laterJobs() []job {
	return []job{
		{by: "tor", due: 76, in: desk.TakeIn{Name: "Saltmarsh nursery", Phone: "0550 519",
			Object: "Greenhouse, light 8 of the south side", Exposure: "weather", Family: "putty-points", Old: true,
			Strike: true, Story: "hail", Place: "site", Like: "annealed"},
			steps: 3},
		{by: "mira", due: 30, in: desk.TakeIn{Name: "Tram museum, shed two", Phone: "0550 633",
			Object: "Carriage window, bay 4", Exposure: "weather", Family: "putty-points", Old: true, Strike: true,
			Story: "a branch in the last gale; passengers lean on it", Like: "annealed"},
			steps: 11, settle: "laminated", thick: 6, readings: rect("742", "741", "655.5", "656", said{reading.Ledge, "15",
				rule},
				said{reading.DepthBottom, "22", cal}, said{reading.Rising, "990", tape}, said{reading.Falling, "989", tape})},
		{by: "ebbe", due: -3, in: desk.TakeIn{Name: "Oda Marl", Phone: "0550 781", Object: "Hatchery incubator, door pane",
			Exposure: "room", Family: "bead-brads", Power: true, Story: "cracked across when the bead was screwed down",
			Like: "acrylic"},
			object: func(o *record.Object) { o.Exposure.Steady, o.Exposure.Short, o.Exposure.FrameHot = 39, 45, 39 },
			seen: bench.Seen{Evidence: diagnose.Evidence{"origin": "fixing", "fixings": "tight", "doing": "fitted"},
				OldPane: diagnose.Evidence{"tap": "warm", "broke": "split"}, Cause: "over-tight"},
			steps: 15, settle: "acrylic", thick: 4, checks: 4, readings: rect("360", "360.5", "290", "290",
				said{reading.Ledge, "14", rule}, said{reading.DepthLeft, "13", cal})},
		{by: "mira", due: 100, in: desk.TakeIn{Name: "Ferry town museum", Phone: "0550 845",
			Object: "Museum case, top light with the bell of the first ferry that ever crossed here", Exposure: "room",
			Family: "bead-brads", Strike: true,
			Story: "scratched through the years and chipped at one corner; they want it clear again", Like: "annealed"}},
		{by: "tor", due: 122, in: desk.TakeIn{Name: "Pell's smokehouse", Phone: "0550 902", Object: "Bread oven, fire door",
			Exposure: "fire", Family: "clip-heat", Old: true, Story: "pane gone, hole covered with tin", Place: "site"},
			object: func(o *record.Object) { o.Exposure.Steady, o.Exposure.Short = 520, 580 },
			pane:   func(p *record.Pane) { p.Frame = "cast-iron" }, steps: 2},
		{by: "ebbe", due: 146, in: desk.TakeIn{Name: "Arne Holt", Phone: "0550 933", Object: "Workshop sash, lower light",
			Exposure: "weather", Family: "putty-points", Story: "a ball"},
			steps: 1},
		{by: "mira", due: -20, sign: true, in: desk.TakeIn{Name: "Tolliver bath house", Phone: "0550 118",
			Object: "Sauna stove, second cabin", Exposure: "fire", Family: "clip-heat",
			Story: "renewed with its sister: pitted after two winters", Like: "glass-ceramic"},
			pane: clip, settle: "glass-ceramic", thick: 4, steps: all, checks: all,
			readings: rect("270", "270", "241.8", "242", said{reading.Ledge, "14", rule}, said{reading.Reach, "16.5", rule},
				said{reading.DepthTop, "9", cal}, said{reading.OldWidth, "263", tape}, said{reading.OldHeight, "235.5", tape},
				said{reading.OldThickness, "4.05", cal})},
		{by: "tor", due: -46, sign: true, in: desk.TakeIn{Name: "Hollin Ferry apothecary", Phone: "0550 402",
			Object: "Apothecary cabinet, drawer front", Exposure: "room", Family: "bead-brads", Old: true,
			Story: "cracked by a split bead", Like: "annealed"},
			strip:  []striplog.Entry{screws("bead screw", "four beads", 8, 12, 0)},
			settle: "annealed", thick: 3, steps: all, checks: all, readings: rect("240", "240", "118", "118",
				said{reading.Ledge, "9", rule}, said{reading.OldThickness, "3.0", cal})},
	}
}
