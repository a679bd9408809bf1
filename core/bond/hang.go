package bond

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/strength"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Silicone's strength in a gust and for good, kPa. ASTM C1401, from memory.
const (
	siliconeGust   = 138.0
	siliconeLasts  = 7.0
	sheetShare     = 4.0 // a sheet's strength is used to a quarter in a gust
	lastsOfSheet   = 40.0
	gravity        = 9.81
	fixedEndMoment = 1.0 / 8
	fixedEndShare  = 5.0 / 8
)

// Hang is a pane that hangs on a plate glued along one of its edges.
type Hang struct {
	Weight  float64 `json:"weight" doc:"Pane with what is on it, kg"`
	Along   float64 `json:"along" doc:"Pane along the plate, mm"`
	Out     float64 `json:"out" doc:"Pane from the plate to its free edge, mm"`
	Gust    float64 `json:"gust" doc:"m/s; 0 indoors"`
	Latched bool    `json:"latched,omitempty" doc:"The free edge is held when it blows"`
	Length  float64 `json:"length" doc:"All plates together along the edge, mm"`
	Width   float64 `json:"width" doc:"Bonded width across the edge, mm"`
	Sheet   float64 `json:"sheet,omitempty" doc:"Strength by the adhesive's sheet, kPa; 0 takes silicone's"`
	Carried float64 `json:"carried,omitempty" doc:"Share that carried; 0 for all of it"`
}

// allowed are what the glue may take in a gust and for good, kPa.
func (h Hang) allowed() (gust, lasts float64, of value.Origin) {
	if h.Sheet > 0 {
		return h.Sheet / sheetShare, h.Sheet / lastsOfSheet, value.Read("") // off the adhesive's own sheet
	}
	return siliconeGust, siliconeLasts, value.Std("ASTM C1401")
}

func (h Hang) check() error {
	for _, c := range []struct {
		field      string
		v          float64
		least, top float64
		cure       string
	}{{"weight", h.Weight, 0.01, 500, "weigh the pane, or take it from its size"},
		{"along", h.Along, 10, 10000, "measure the pane along the plate, in mm"},
		{"out", h.Out, 10, 10000, "measure from the plate to the free edge, in mm"},
		{"gust", h.Gust, 0, 100, "30 outdoors, 0 indoors"}, {"length", h.Length, 1, 20000, "all plates together, in mm"},
		{"width", h.Width, 1, 1000, "the bonded width across the edge, in mm"},
		{"sheet", h.Sheet, 0, 1e5, "the strength by its sheet, in kPa"},
		{"carried", h.Carried, 0, 1, "a share from 0 to 1"}} {
		if !(c.v >= c.least && c.v <= c.top) {
			return fault.New(c.field, fmt.Sprintf("a value from %v to %v is expected", c.least, c.top), c.cure)
		}
	}
	return nil
}

// Figures are the shear that lasts, the pull in a gust, and the length of plate
// that carries both. An edge that is free to swing takes the whole gust as a
// cantilever, M = q·A·h/2 and all of q·A; one that is latched takes the moment
// and the share of a beam fixed at one end and propped at the other, q·A·h/8 and
// 5/8 of q·A. Peak σ = 6·M/(L·b²) + share·q·A/(L·b). Beam formulas, from memory.
func (h Hang) Figures() ([]working.Figure, error) {
	if err := h.check(); err != nil {
		return nil, err
	}
	share := h.Carried
	if share == 0 {
		share = 1
	}
	gustLimit, lastLimit, of := h.allowed()
	length := h.Length * share
	shear := h.Weight * gravity / (length * h.Width) * 1000
	shearF := working.Figure{Key: "shear", Value: shear, Unit: "kPa", Limit: working.Most(lastLimit, "kPa", of),
		Sentence: "of shear for good by the pane's own weight",
		Working: working.Of("{W} × 9.81 / ({L} × {c} × {b}) × 1000", shear, "kPa",
			working.In("W", "weight", h.Weight, "kg", value.Read("")),
			working.In("L", "length of plate", h.Length, "mm", value.Read("")),
			working.In("c", "share that carries", share, "", value.Read("")),
			working.In("b", "bonded width", h.Width, "mm", value.Read("")))}.Judge(working.Stop)
	out := []working.Figure{shearF}
	need := h.Length * shear / lastLimit
	if h.Gust > 0 {
		q := strength.Wind(h.Gust, 1) // kPa
		force := q * 1e-3 * h.Along * h.Out
		m, held, how := force*h.Out/2, 1.0, "the free edge swings: M = q·A·h / 2, all of the force"
		if h.Latched {
			m, held = force*h.Out*fixedEndMoment, fixedEndShare
			how = "the free edge is latched: M = q·A·h / 8, five eighths of the force"
		}
		pull := (6*m/(length*h.Width*h.Width) + held*force/(length*h.Width)) * 1000
		out = append(out, working.Figure{Key: "pull", Value: pull, Unit: "kPa", Limit: working.Most(gustLimit, "kPa", of),
			Sentence: fmt.Sprintf("of pull at the plate's edge in a gust of %s m/s", working.Num(h.Gust, 0)),
			Working: working.Of("(6 × {M} / ({L} × {c} × {b}²) + {k} × {F} / ({L} × {c} × {b})) × 1000", pull, "kPa",
				working.In("M", "moment at the plate", m, "N·mm", value.Sum()),
				working.In("L", "length of plate", h.Length, "mm", value.Read("")),
				working.In("c", "share that carries", share, "", value.Read("")),
				working.In("b", "bonded width", h.Width, "mm", value.Read("")),
				working.In("k", "share of the force at the plate", held, "", value.Sum()),
				working.In("F", "force of the gust on the pane", force, "N", value.Sum())).With("Here " + how + ".")}.
			Judge(working.Stop))
		need = math.Max(need, h.Length*pull/gustLimit)
	}
	need = math.Ceil(need*share/5) * 5 // a plate that is glued all over
	out = append(out, working.Figure{Key: "plate", Value: need, Unit: "mm", Verdict: working.Note,
		Sentence: fmt.Sprintf(
			"of plate %s mm wide carries it, glued all over; or a second stay, a latch that shares the gust",
			working.Num(h.Width, 0)),
		Working: working.Of("{n}", need, "mm",
			working.In("n", "length at which the worse of the two meets its limit, up to 5 mm",
				need, "mm", value.Sum()))})
	return out, nil
}
