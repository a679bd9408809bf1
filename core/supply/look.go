package supply

import (
	"fmt"
	"math"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Look is one thing that is looked at when something comes, with what is often wrong.
type Look struct {
	Key    string   `json:"key"`
	Says   string   `json:"says"`
	Wrongs []string `json:"wrongs" doc:"What is often wrong, in words that can go on the way-bill"`
}

// Facts are what decides what is looked at.
type Facts struct {
	Part   bool // bought as it comes
	Wall   bool // a framed window as it comes
	Mark   bool // a mark is asked for
	Faced  bool // its two faces differ: coated, printed, patterned
	Holes  bool
	Curved bool
	Glass  bool
}

// Looks are what is looked at when a pane comes, by road: size for one that was made,
// the old one laid on it for one that is bought. Common practice, no source.
func Looks(f Facts) []Look {
	out := []Look{}
	add := func(when bool, key, says string, wrongs ...string) {
		if when {
			out = append(out, Look{key, says, wrongs})
		}
	}
	made := !f.Part && !f.Wall
	add(made, "size", "Size both ways and by the caliper", "too wide", "too narrow", "too high", "too low", "too thick",
		"too thin", "out of square")
	add(f.Part, "old-on-new", "Old on new: outline, holes, lugs", "another outline", "holes are off",
		"lugs are off", "for the other side")
	add(f.Part || f.Curved, "curve", "Its curve against the old one or the frame", "another curve")
	add(f.Wall, "window", "Cutout, wall and corner against the object", "for another cutout", "for another wall",
		"hinge on the other side")
	add(f.Holes && made, "holes", "Holes: where and how wide", "holes are off", "holes too small")
	add(f.Mark, "mark", "Its mark, before it goes in", "no mark", "another mark")
	add(f.Faced, "face", "Which face is coated, printed or patterned", "made for the other side")
	add(true, "edges", "Along the edges and across both faces, against the light", edgeWrongs(f.Glass)...)
	add(f.Part || f.Wall, "box", "What is in the box", "seal not in the box", "clips not in the box",
		"screws not in the box")
	return out
}

func edgeWrongs(glass bool) []string {
	if glass {
		return []string{"chipped edge", "scratched", "edges not seamed", "broken"}
	}
	return []string{"scratched", "film gone", "edge not smooth", "cracked"}
}

// Measured is a pane as it was ordered and as it was read, mm. A side that is 0 was not
// read.
type Measured struct {
	W     float64 `json:"w" minimum:"0" maximum:"10000" doc:"As ordered; of a round one its diameter"`
	H     float64 `json:"h" minimum:"0" maximum:"10000"`
	Band  float64 `json:"band" minimum:"0" maximum:"50" doc:"How far the cutter may be off"`
	ReadW float64 `json:"read_w,omitempty" minimum:"0" maximum:"10000"`
	ReadH float64 `json:"read_h,omitempty" minimum:"0" maximum:"10000"`
}

// Judge holds each side that was read against what was ordered, ± the cutter's band.
// Words are in the unit of whoever looks. It returns a *fault.Error where a number
// cannot be.
func (m Measured) Judge(unit length.Unit) ([]working.Figure, error) {
	out := []working.Figure{}
	for _, s := range []struct {
		field, name, more, less string
		ordered, read           float64
	}{{"read_w", "width", "wider", "narrower", m.W, m.ReadW}, {"read_h", "height", "higher", "lower", m.H, m.ReadH}} {
		if s.read == 0 {
			continue
		}
		if !(s.read > 0 && s.read <= 10_000) || !(s.ordered > 0) || !(m.Band >= 0) {
			return nil, fault.New(s.field, "a size in mm up to 10 000 is expected", "read it again")
		}
		off := s.read - s.ordered
		says, word := fmt.Sprintf("%s as ordered", s.name), s.more
		if off < 0 {
			word = s.less
		}
		if math.Abs(off) >= 0.05 {
			says = word + " than ordered"
		}
		shown, band := length.Show(math.Abs(off), unit), length.Show(m.Band, unit)
		f := working.Figure{Key: "arrived_" + s.name, Value: math.Abs(off), Unit: "mm", Text: shown.Main + " " + string(unit),
			Sentence: fmt.Sprintf("%s, of ±%s %s", says, band.Main, unit), Place: s.name,
			Limit: working.Most(m.Band, "mm", value.Own("the order")),
			Working: working.Of("|{r} − {o}|", math.Abs(off), "mm", working.In("r", "read", s.read, "mm", value.Read("")),
				working.In("o", "ordered", s.ordered, "mm", value.Sum()))}
		out = append(out, f.Judge(working.Stop))
	}
	return out, nil
}

// Finding is what is wrong with the size, in words; empty where nothing is.
func Finding(figures []working.Figure) string {
	out := ""
	for _, f := range figures {
		if f.Verdict != working.Stop {
			continue
		}
		if out != "" {
			out += "; "
		}
		out += f.Text + " " + f.Sentence
	}
	return out
}
