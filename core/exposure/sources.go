package exposure

import (
	"freshshard/core/catalogue"
	"freshshard/core/value"
)

// Sources are where the values of an exposure come from. A value without one was said of
// the object in hand.
type Sources struct {
	steady, short, room, coldest, frameHot, sudden, hours, cleaning value.Origin
}

// source is where the origin of a value lies; nil for an item that an exposure has not.
func (s *Sources) source(item string) *value.Origin {
	switch item {
	case "steady":
		return &s.steady
	case "short":
		return &s.short
	case "room":
		return &s.room
	case "coldest":
		return &s.coldest
	case "frame_hot":
		return &s.frameHot
	case "sudden":
		return &s.sudden
	case "hours":
		return &s.hours
	case "cleaning":
		return &s.cleaning
	}
	return nil
}

// From is where a value of the exposure comes from: "steady", "short", "room", "coldest",
// "frame_hot", "sudden", "hours" or "cleaning".
func (e Exposure) From(item string) value.Origin {
	if o := e.sources.source(item); o != nil && o.Kind != "" {
		return *o
	}
	return value.Read("")
}

// values are those that have a source.
func (e Exposure) values() map[string]float64 {
	return map[string]float64{"steady": e.Steady, "short": e.Short, "room": e.Room, "coldest": e.Coldest,
		"frame_hot": e.FrameHot, "sudden": e.Sudden, "hours": e.Hours, "cleaning": e.Cleaning}
}

// Sourced is the exposure with the origin of each value: what is as the book has it is the
// book's, or the shop's where the shop has laid its own over it; what is as the book has it
// behind another pane was worked out; what differs was said of this object.
func (e Exposure) Sourced(vs catalogue.Values) Exposure {
	if e.sources != (Sources{}) { // known already, and worked on since
		return e
	}
	book, err := Book.With(vs, e.ID)
	if err != nil {
		return e
	}
	usual, middle, outer := book.values(), book.At(Middle).values(), book.At(Outer).values()
	for item, v := range e.values() {
		switch v {
		case usual[item]:
			*e.sources.source(item) = value.Custom()
			if o, ok := vs.Laid(catalogue.Exposure, e.ID, item); ok {
				*e.sources.source(item) = o.Origin.Of("")
			}
		case middle[item], outer[item]:
			*e.sources.source(item) = value.Sum()
		}
	}
	return e
}
