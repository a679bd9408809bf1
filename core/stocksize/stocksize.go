// Package stocksize keeps the sizes in which panes are sold ready cut, with the
// shop's own laid over. The book's are common practice, from memory.
package stocksize

import (
	_ "embed"
	"fmt"
	"regexp"
	"slices"
	"strconv"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/pane"
	"freshshard/core/value"
)

//go:embed sizes.json
var file []byte

// Size is one of them. W and H are mm, and follow from the ID.
type Size struct {
	ID        string      `json:"id" doc:"610x457"`
	W         float64     `json:"w"`
	H         float64     `json:"h"`
	Use       string      `json:"use" doc:"What it is sold for, or who sells it"`
	Material  string      `json:"material"`
	Thickness value.Value `json:"thickness" doc:"mm; 0 where it is sold no more"`
}

var book = catalogue.Must[[]Size](file, "sizes.json")

var form = regexp.MustCompile(`^(\d{2,4})x(\d{2,4})$`)

// Parse reads a size as the list names it, mm. It returns a *fault.Error for one
// that no pane has.
func Parse(id string) (w, h float64, err error) {
	m := form.FindStringSubmatch(id)
	if m == nil {
		return 0, 0, fault.New("stock", fmt.Sprintf("%q is no size", id), "write it as 610x457, in mm")
	}
	a, _ := strconv.Atoi(m[1])
	b, _ := strconv.Atoi(m[2])
	if a < 20 || b < 20 || a > 6000 || b > 6000 {
		return 0, 0, fault.New("stock", fmt.Sprintf("no pane of %d × %d mm is sold", a, b),
			"give both sides from 20 to 6000 mm")
	}
	return float64(a), float64(b), nil
}

// All are the sizes that are sold: the book's with the shop's own, without those
// that are sold no more.
func All(vs catalogue.Values) []Size {
	return slices.DeleteFunc(Listed(vs), func(s Size) bool { return s.Thickness.V == 0 })
}

// Listed are the book's sizes with the shop's own: another thickness of one, one of
// its own, or one that is sold no more, of no thickness.
func Listed(vs catalogue.Values) []Size {
	out := make([]Size, 0, len(book))
	for _, s := range append(slices.Clone(book), ownOf(vs)...) {
		s.W, s.H, _ = Parse(s.ID) // held by a test, and where the shop's are kept
		if v, ok := vs.Laid(catalogue.Stock, s.ID, s.Material); ok {
			s.Thickness = v
		}
		out = append(out, s)
	}
	return out
}

// ownOf are those that the book has not.
func ownOf(vs catalogue.Values) []Size {
	var out []Size
	for _, v := range vs {
		inBook := slices.ContainsFunc(book, func(s Size) bool { return s.ID == v.ID && s.Material == v.Item })
		if v.Kind == catalogue.Stock && !inBook {
			out = append(out, Size{ID: v.ID, Use: v.Sheet, Material: v.Item})
		}
	}
	return out
}

// Fields are what a shop may say of a size: how thick it is sold of a material.
// Common practice, no source.
var Fields = []catalogue.Field{{Item: "*", Name: "the thickness", Unit: "mm", Least: 0, Most: 25}}

// Own is what the book says; nil where it has no such size.
func Own(v catalogue.Value) *float64 {
	for _, s := range book {
		if s.ID == v.ID && s.Material == v.Item {
			t := s.Thickness.V
			return &t
		}
	}
	return nil
}

// CheckOwn refuses a size that no pane has, and a material that is not on the list.
func CheckOwn(v catalogue.Value) error {
	_, _, err := Parse(v.ID)
	if err == nil {
		_, err = pane.Book.ByID(v.Item)
	}
	return v.Check(Fields, err)
}
