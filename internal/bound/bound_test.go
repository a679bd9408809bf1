package bound

import (
	"math"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
)

type inner struct {
	Size float64 `json:"size" minimum:"0" maximum:"40"`
	Kind string  `json:"kind" enum:",flat,wrapped"`
}

type sample struct {
	Free   float64            `json:"free"`
	Count  int                `json:"count" minimum:"1" maximum:"24"`
	Name   string             `json:"name" maxLength:"5"`
	Word   string             `json:"word,omitempty" minLength:"3"`
	Uses   []string           `json:"uses" maxItems:"3" unique:"true"`
	Two    []float64          `json:"two,omitempty" minItems:"2"`
	Inner  inner              `json:"inner"`
	List   []inner            `json:"list"`
	Map    map[string]float64 `json:"map"`
	At     *time.Time         `json:"at"`
	Hidden float64            `json:"-"`
	Any    any                `json:"any"`
}

func good() sample {
	return sample{Free: 3, Count: 1, Name: "ölige", Uses: []string{"soap", "water"}, Map: map[string]float64{"a": 1},
		Hidden: math.NaN()}
}

// Just inside, at and just outside each bound.
func TestCheck(t *testing.T) {
	at := func(y int) *time.Time { v := time.Date(y, 1, 1, 0, 0, 0, 0, time.UTC); return &v }
	for _, c := range []struct {
		name   string
		change func(*sample)
		field  string // empty for what passes
	}{
		{"as it is", func(*sample) {}, ""},
		{"nothing", func(s *sample) { s.Free = 0 }, ""},
		{"the smallest", func(s *sample) { s.Free = 1e-9 }, ""},
		{"smaller", func(s *sample) { s.Free = 9e-10 }, "free"},
		{"smaller, negative", func(s *sample) { s.Free = -1e-300 }, "free"},
		{"the least double", func(s *sample) { s.Free = 5e-324 }, "free"},
		{"the largest", func(s *sample) { s.Free = -1e9 }, ""},
		{"larger", func(s *sample) { s.Free = 1.001e9 }, "free"},
		{"no number", func(s *sample) { s.Free = math.NaN() }, "free"},
		{"without end", func(s *sample) { s.Free = math.Inf(-1) }, "free"},
		{"count below", func(s *sample) { s.Count = 0 }, "count"},
		{"count at most", func(s *sample) { s.Count = 24 }, ""},
		{"count above", func(s *sample) { s.Count = 25 }, "count"},
		{"a long name", func(s *sample) { s.Name = "sechse" }, "name"},
		{"half a letter", func(s *sample) { s.Name = "\xff" }, "name"},
		{"a nothing in a text", func(s *sample) { s.Name = "a\x00" }, "name"},
		{"a short word", func(s *sample) { s.Word = "ab" }, "word"},
		{"three uses", func(s *sample) { s.Uses = []string{"a", "b", "c"} }, ""},
		{"four uses", func(s *sample) { s.Uses = []string{"a", "b", "c", "d"} }, "uses"},
		{"one use twice", func(s *sample) { s.Uses = []string{"a", "b", "a"} }, "uses[2]"},
		{"one of two", func(s *sample) { s.Two = []float64{1} }, "two"},
		{"inside another", func(s *sample) { s.Inner.Size = 40.5 }, "inner.size"},
		{"a word that is none", func(s *sample) { s.Inner.Kind = "rope" }, "inner.kind"},
		{"in a list", func(s *sample) { s.List = []inner{{}, {Size: -1}} }, "list[1].size"},
		{"in a map", func(s *sample) { s.Map["b"] = math.Inf(1) }, "map.b"},
		{"in anything", func(s *sample) { s.Any = inner{Size: 41} }, "any.size"},
		{"the first year", func(s *sample) { s.At = at(1990) }, ""},
		{"before it", func(s *sample) { s.At = at(1989) }, "at"},
		{"the last year", func(s *sample) { s.At = at(2200) }, ""},
		{"after it", func(s *sample) { s.At = at(2201) }, "at"},
	} {
		s := good()
		c.change(&s)
		err := Check(&s)
		if c.field == "" {
			if err != nil {
				t.Errorf("%s: %v", c.name, err)
			}
			continue
		}
		f := fault.Of(err)
		if f == nil || f.Field != c.field || f.Why == "" || f.Cure == "" {
			t.Errorf("%s: %v, want a fault at %s", c.name, err, c.field)
		}
	}
}

func TestCallsAreNamedAsTheirCallersNameThem(t *testing.T) {
	call := struct {
		ID   int64 `path:"id" minimum:"1"`
		Most int   `query:"most" maximum:"100"`
		Body inner
	}{ID: 1, Most: 101}
	if f := fault.Of(Check(&call)); f == nil || f.Field != "most" {
		t.Errorf("%v", f)
	}
	call.Most, call.Body.Size = 1, 50
	if f := fault.Of(Check(&call)); f == nil || f.Field != "size" {
		t.Errorf("%v", f)
	}
}

func TestEnds(t *testing.T) {
	if err := Check(make([]float64, mostItems)); err != nil {
		t.Errorf("%v", err)
	}
	if Check(make([]float64, mostItems+1)) == nil {
		t.Error("a list without an end")
	}
	type knot struct{ Next *knot }
	k := &knot{}
	k.Next = k
	if err := Check(k); err == nil || !strings.Contains(err.Error(), "deep") {
		t.Errorf("%v", err)
	}
}
