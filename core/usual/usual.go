// Package usual holds the rules of thumb that the trade goes by where nothing else says: from when
// an offcut is kept, how long a visit lasts, from what air on is bonded outdoors. None has a
// source; a shop sets its own.
package usual

import (
	_ "embed"
	"slices"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/value"
)

// Key names a rule of thumb.
type Key string

// The rules of thumb, each in the unit of its row.
const (
	OffcutSide   Key = "offcut_side"
	TubeKept     Key = "tube_kept"
	TubeDress    Key = "tube_dress"
	SawKerf      Key = "saw_kerf"
	EdgeTrim     Key = "edge_trim"
	TubeNear     Key = "tube_near"
	SpareSure    Key = "spare_sure"
	BeadPressed  Key = "bead_pressed"
	ThinPressed  Key = "thin_pressed"
	OutdoorsFrom Key = "outdoors_from"
	OutdoorsDamp Key = "outdoors_damp"
	BenchHeat    Key = "bench_heat"
	BenchDamp    Key = "bench_damp"
	OneGo        Key = "one_go"
	Visit        Key = "visit"
	FrontInside  Key = "front_inside"
	FrontDamp    Key = "front_damp"
	Tape         Key = "tape"
	PeakOver     Key = "peak_over"
	CameBack     Key = "came_back"
	Gust         Key = "gust"
	LeastBore    Key = "least_bore"
)

// Group are the rules of one part of the work.
type Group struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Rows []Row  `json:"rows"`
}

// Row is one rule of thumb, with the bounds that nothing real lies outside of.
type Row struct {
	Item  Key         `json:"item"`
	Name  string      `json:"name"`
	Unit  string      `json:"unit"`
	Value value.Value `json:"value"`
	Least float64     `json:"least"`
	Most  float64     `json:"most"`
}

//go:embed usual.json
var file []byte

// Book lists the rules.
var Book = catalogue.New(file, "usual.json", "kind", "rule of thumb",
	func(g Group) string { return g.ID }).Over(Group.with)

// Fields are the rules that a shop may set itself: all of them.
var Fields = func() []catalogue.Field {
	var out []catalogue.Field
	for _, g := range Book.All() {
		for _, r := range g.Rows {
			out = append(out, catalogue.Field{Item: string(r.Item), Name: r.Name, Unit: r.Unit, Least: r.Least, Most: r.Most})
		}
	}
	return out
}()

func (g Group) with(vs catalogue.Values) Group {
	g.Rows = slices.Clone(g.Rows)
	for i, r := range g.Rows {
		if v, ok := vs.Laid(catalogue.Usual, g.ID, string(r.Item)); ok {
			g.Rows[i].Value = v
		}
	}
	return g
}

// Of is a rule's number, the shop's own where it has set one; 0 for a key that is none.
func Of(vs catalogue.Values, k Key) float64 { return In(vs, k).V }

// In is the same with where it is from.
func In(vs catalogue.Values, k Key) value.Value {
	r := placed[k]
	if v, ok := vs.Laid(catalogue.Usual, r.group, string(k)); ok {
		return v
	}
	return r.value
}

// placed are the rules by their keys, each with its group: they are asked for often.
var placed = func() map[Key]rule {
	out := map[Key]rule{}
	for _, g := range Book.All() {
		for _, r := range g.Rows {
			out[r.Item] = rule{g.ID, r.Value}
		}
	}
	return out
}()

type rule struct {
	group string
	value value.Value
}

// Own is what the book says; nil where it has no such rule.
func Own(v catalogue.Value) *float64 {
	r, ok := placed[Key(v.Item)]
	if !ok || r.group != v.ID {
		return nil
	}
	return &r.value.V
}

// CheckOwn refuses a rule that is not in the book, and a number out of its bounds.
func CheckOwn(v catalogue.Value) error {
	_, err := Book.ByID(v.ID)
	if err == nil && Own(v) == nil {
		err = fault.New("item", "no rule of thumb is called "+v.Item+" here", "choose one of the page")
	}
	return v.Check(Fields, err)
}
