package setting

import (
	"math"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Magnus' numbers over water, from −45 to 60 °C. From memory.
const (
	magnusB = 17.62
	magnusC = 243.12 // °C
)

// dewMargin is how far above the dew point a surface has to be that is bonded or
// painted, K. ISO 8502-4, from memory.
const dewMargin = 3.0

// DewPoint is the temperature at which the air's water settles, °C, by Magnus:
// γ = ln(RH/100) + b·T/(c + T), c·γ/(b − γ). air in °C, damp in % of relative
// humidity. 20 °C and 50 % give 9.3 °C.
func DewPoint(air, damp float64) (float64, error) {
	if !(air >= -45 && air <= 60) {
		return 0, fault.New("air", "an air between −45 and 60 °C is expected", "read it in °C, out of the sun")
	}
	if !(damp > 0 && damp <= 100) {
		return 0, fault.New("damp", "a humidity above 0 and up to 100 % is expected", "read it in per cent")
	}
	g := math.Log(damp/100) + magnusB*air/(magnusC+air)
	return magnusC * g / (magnusB - g), nil
}

// Damp is the air before a surface that is to be bonded or painted.
type Damp struct {
	Air      *float64 `json:"air" doc:"°C"`
	Humidity float64  `json:"damp" doc:"% of relative humidity"`
	Surface  *float64 `json:"surface" doc:"°C"`
}

// What a surface may be to be bonded or painted, °C: no colder than the least of
// most sheets, never frozen, never hot to the hand. Common practice, no source.
const (
	coldLeast = 5.0
	frozen    = 0.0
	hotMost   = 40.0
)

// Figures hold the surface against the dew point: bond and paint only 3 K above
// it.
func (p Damp) Figures() ([]working.Figure, error) {
	if p.Air == nil {
		return nil, fault.New("air", "the air's temperature is wanted", "read it in °C, out of the sun")
	}
	if p.Surface == nil {
		return nil, fault.New("surface", "the surface's temperature is wanted", "lay the probe on the glass or the flange")
	}
	air, damp, surface := *p.Air, p.Humidity, *p.Surface
	if damp > 0 && damp < 1 {
		return nil, fault.New("damp", "this reads like a share", "give it in per cent: 50, not 0.5")
	}
	d, err := DewPoint(air, damp)
	if err != nil {
		return nil, err
	}
	if !(surface >= -60 && surface <= 400) {
		return nil, fault.New("surface", "a surface between −60 and 400 °C is expected",
			"lay the probe on the glass or the flange")
	}
	in := []working.Input{working.In("T", "air", air, "°C", value.Read("")), working.In("RH", "humidity", damp, "%",
		value.Read("")),
		working.In("b", "Magnus", magnusB, "", value.Std("Magnus' formula over water")),
		working.In("c", "Magnus", magnusC, "°C", value.Std("Magnus' formula over water"))}
	point := working.Figure{Key: "dew_point", Value: d, Unit: "°C", Verdict: working.Note,
		Sentence: "is where the air's water settles",
		Working:  working.Of("{c} × γ / ({b} − γ), γ = ln({RH} / 100) + {b} × {T} / ({c} + {T})", d, "°C", in...)}
	over := working.Figure{Key: "dew_margin", Value: surface - d, Unit: "K",
		Limit:    working.Least(dewMargin, "K", value.Std("ISO 8502-4")),
		Sentence: "is the surface above the dew point; bond and paint only where it is enough",
		Working: working.Of("{S} − {D}", surface-d, "K", working.In("S", "surface", surface, "°C", value.Read("")),
			working.In("D", "dew point", d, "°C", value.Sum())).
			With("Warm the part, not the air before it; a part from the cold van stays under the dew point for an hour. Never " +
				"on ice, dew or hot metal, and never below the least temperature of the product's sheet.")}
	return []working.Figure{over.Judge(working.Stop), warmth(surface), point}, nil
}

// warmth holds a surface against frost and heat.
func warmth(surface float64) working.Figure {
	f := working.Figure{Key: "dew_surface", Value: surface, Unit: "°C",
		Limit:    working.Least(coldLeast, "°C", value.Custom()),
		Sentence: "is the surface; the least of the product's sheet comes first",
		Working:  working.Of("{S}", surface, "°C", working.In("S", "surface", surface, "°C", value.Read("")))}
	switch {
	case surface <= frozen:
		f.Sentence = "is the surface: it is frozen, nothing holds on it"
		return f.Judge(working.Stop)
	case surface > hotMost:
		f.Limit, f.Sentence = working.Most(hotMost, "°C", value.Custom()),
			"is the surface: it is hot, and what is laid on it skins before it wets"
		return f.Judge(working.Stop)
	}
	return f.Judge(working.Warn)
}
