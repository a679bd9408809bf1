package exposure

import (
	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

// Fields are the values of an exposure that a shop may start from otherwise.
// Common practice, no source.
var Fields = []catalogue.Field{
	{Item: "steady", Name: "hot side in steady use", Unit: "°C", Least: coldestTaken, Most: hottestTaken},
	{Item: "short", Name: "hottest for minutes", Unit: "°C", Least: coldestTaken, Most: hottestTaken},
	{Item: "frame_hot", Name: "frame when the pane is hot", Unit: "°C", Least: coldestTaken, Most: hottestTaken},
	{Item: "coldest", Name: "the coldest it gets", Unit: "°C", Least: coldestTaken, Most: hottestTaken},
	{Item: "sudden", Name: "sudden change", Unit: "K", Least: 0, Most: hottestTaken},
	{Item: "hours", Name: "hours at full heat", Unit: "h", Least: 0, Most: 200000},
}

// at is where a value lies; nil for an item that an exposure has not.
func (e *Exposure) at(item string) *float64 {
	switch item {
	case "steady":
		return &e.Steady
	case "short":
		return &e.Short
	case "frame_hot":
		return &e.FrameHot
	case "coldest":
		return &e.Coldest
	case "sudden":
		return &e.Sudden
	case "hours":
		return &e.Hours
	}
	return nil
}

// Own is a value of the exposure as it stands; nil where it has none.
func (e Exposure) Own(item string) *float64 {
	if e.ID == "" {
		return nil
	}
	return e.at(item)
}

// with is the exposure with the shop's own values over the book's.
func (e Exposure) with(vs catalogue.Values) Exposure {
	for _, f := range Fields {
		if v, ok := vs.Laid(catalogue.Exposure, e.ID, f.Item); ok {
			*e.at(f.Item) = v.V
		}
	}
	return e
}

// CheckOwn refuses a value that cannot be, alone or beside the others.
func CheckOwn(vs catalogue.Values, v catalogue.Value) error {
	if err := v.Check(Fields, nil); err != nil {
		return err
	}
	e, err := Book.With(append(catalogue.Values{v}, vs...), v.ID)
	if err != nil {
		return err
	}
	if f := fault.Of(e.Check()); f != nil {
		return fault.New("v", f.Why, f.Cure)
	}
	return nil
}
