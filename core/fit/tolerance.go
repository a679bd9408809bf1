package fit

import (
	_ "embed"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/value"
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
	Half   float64      `json:"half" doc:"± mm"`
	Name   string       `json:"name"`
	Origin value.Origin `json:"origin"`
}

// CutterInfo is what a cutter keeps when nobody says: hand cut ±1 mm; shop cut
// ±0.8 mm to 3 mm thick and ±1.6 mm above; toughened to 2 m ±2.5 mm; saw-cut
// plastic ±0.5 mm. Common practice, no source.
type CutterInfo struct {
	ID    Cutter       `json:"id"`
	Name  string       `json:"name"`
	Bands []CutterBand `json:"bands"`
	Dress *value.Value `json:"dress,omitempty" doc:"Over size, to dress a round pane, mm; nil if it comes finished"`
}

// CutterBand is the band up to a thickness; the last one has none.
type CutterBand struct {
	Item string      `json:"item"`
	To   float64     `json:"to,omitempty" doc:"Thickness up to which it holds, mm; 0 for any"`
	Name string      `json:"name"`
	Half value.Value `json:"half" doc:"± mm"`
}

//go:embed cutters.json
var cutterFile []byte

// Cutters lists who cuts panes.
var Cutters = catalogue.New(cutterFile, "cutters.json", "cutter", "cutter",
	func(i CutterInfo) string { return string(i.ID) }).
	Over(CutterInfo.with)

// Band is the tolerance to assume when nobody says, for a pane's thickness, mm.
func (i CutterInfo) Band(thickness float64) Band {
	for _, b := range i.Bands {
		if b.To == 0 || thickness <= b.To {
			return Band{Half: b.Half.V, Name: b.Name, Origin: b.Half.Origin.Of(i.Name)}
		}
	}
	return Band{}
}

// Fields are the values of a cutter that a shop may know better. Common
// practice, no source.
var Fields = []catalogue.Field{
	{Item: "half", Name: "the band", Unit: "mm", Least: 0.05, Most: 10},
	{Item: "thin", Name: "the band of thin panes", Unit: "mm", Least: 0.05, Most: 10},
	{Item: "thick", Name: "the band of thick panes", Unit: "mm", Least: 0.05, Most: 10},
	{Item: "dress", Name: "the dressing allowance", Unit: "mm", Least: 0, Most: 10},
}

// at is where a value lies; nil for one that the cutter has not.
func (i *CutterInfo) at(item string) *value.Value {
	if item == "dress" {
		return i.Dress
	}
	for k := range i.Bands {
		if i.Bands[k].Item == item {
			return &i.Bands[k].Half
		}
	}
	return nil
}

// with is the cutter with the shop's own values over the book's.
func (i CutterInfo) with(vs catalogue.Values) CutterInfo {
	i.Bands = append([]CutterBand(nil), i.Bands...)
	if i.Dress != nil {
		d := *i.Dress
		i.Dress = &d
	}
	for _, f := range Fields {
		if at := i.at(f.Item); at != nil {
			if v, ok := vs.Laid(catalogue.Cutter, string(i.ID), f.Item); ok {
				*at = v
			}
		}
	}
	return i
}

// Own is what the book says of a cutter; nil where it says nothing.
func (c Cutter) Own(item string) *float64 {
	i, _ := Cutters.With(nil, string(c))
	if at := i.at(item); at != nil {
		v := at.V
		return &v
	}
	return nil
}

// CheckOwn refuses a value that cannot be.
func CheckOwn(v catalogue.Value) error {
	_, err := Cutters.With(nil, v.ID)
	if err == nil && Cutter(v.ID).Own(v.Item) == nil {
		err = fault.New("item", "this cutter has no such value", "choose one of the page")
	}
	return v.Check(Fields, err)
}
