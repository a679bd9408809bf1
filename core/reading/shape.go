package reading

import (
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/holding"
	"freshshard/core/outline"
)

// Drawn is the kind of an outline that was read from a file, traced, or taken
// from a photo.
const Drawn = "drawn"

// Shape is the form of the opening: a rectangle that is read all round when
// Kind is empty, else one of outline's kinds, or Drawn.
type Shape struct {
	Kind   string           `json:"kind" maxLength:"20" doc:"Empty: a rectangle; drawn: a file, a traced line, a photo"`
	Count  int              `json:"count,omitempty" minimum:"0" maximum:"24" doc:"Stations or points, where counted"`
	Drawn  *outline.Outline `json:"drawn,omitempty"`
	Doubt  float64          `json:"doubt,omitempty" minimum:"0" maximum:"50" doc:"Of a drawn outline, mm"`
	Trace  *outline.Trace   `json:"trace,omitempty" doc:"How a drawn outline was traced"`
	Curved bool             `json:"curved,omitempty" doc:"The pane is bent: chord and rise are asked"`
}

// Square says that the opening is read all round as a rectangle.
func (s Shape) Square() bool { return s.Kind == "" }

// Form is the kind of outline that it has.
func (s Shape) Form() (outline.Kind, error) { return outline.KindOf(s.Kind, s.Count) }

// Check refuses a shape that cannot be.
func (s Shape) Check(rule family.Sizing) error {
	no := holding.Of(rule).NoShape
	switch {
	case s.Kind == "":
		return nil
	case no[0] != "":
		return fault.New("shape.kind", no[0], no[1])
	case s.Kind == Drawn:
		if s.Drawn == nil || len(s.Drawn.Outer) == 0 {
			return fault.New("shape.drawn", "there is no outline yet", "bring one in from Sums: a file, or a photo")
		}
		if !(s.Doubt >= 0 && s.Doubt <= 50) {
			return fault.New("shape.doubt", "a doubt from 0 to 50 mm is expected", "say how far a side may be off")
		}
		if s.Trace != nil {
			return s.Trace.Check()
		}
		return nil
	}
	_, err := s.Form()
	if f := fault.Of(err); f != nil {
		return fault.New("shape."+f.Field, f.Why, f.Cure)
	}
	return err
}
