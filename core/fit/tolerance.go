package fit

import (
	"freshshard/core/fault"
	"freshshard/core/origin"
)

// Cutter is who or what makes the pane to size.
type Cutter string

// The cutters.
const (
	HandCut   Cutter = "hand"
	ShopCut   Cutter = "shop"
	Toughened Cutter = "toughened"
	Saw       Cutter = "saw"
)

// Band is a size tolerance, ± mm, with its name.
type Band struct {
	Half   float64       `json:"half" doc:"± mm"`
	Name   string        `json:"name"`
	Origin origin.Origin `json:"origin"`
}

// Band is the tolerance to assume when nobody says: hand cut ±1 mm; shop cut
// ±0.8 mm to 3 mm thick and ±1.6 mm above; toughened to 2 m ±2.5 mm; saw-cut
// plastic ±0.5 mm. Common practice, no source.
func (c Cutter) Band(thickness float64) (Band, error) {
	b := Band{Origin: origin.Custom()}
	switch c {
	case HandCut:
		b.Half, b.Name = 1, "cut by hand"
	case ShopCut:
		b.Half, b.Name = 1.6, "cut by a glass shop, above 3 mm thick"
		if thickness <= 3 {
			b.Half, b.Name = 0.8, "cut by a glass shop, to 3 mm thick"
		}
	case Toughened:
		b.Half, b.Name = 2.5, "toughened, to 2 m"
	case Saw:
		b.Half, b.Name = 0.5, "sawn plastic"
	default:
		return b, fault.New("cutter", "nobody is called "+string(c), "use hand, shop, toughened or saw")
	}
	return b, nil
}
