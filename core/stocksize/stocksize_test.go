package stocksize

import (
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
	"freshshard/core/pane"
)

func TestBookIsSound(t *testing.T) {
	seen := map[string]bool{}
	for _, s := range book {
		w, h, err := Parse(s.ID)
		m, merr := pane.Book.ByID(s.Material)
		if err != nil || merr != nil || seen[s.ID+s.Material] || m.Nearest(s.Thickness.V) != s.Thickness.V || s.Use == "" ||
			s.Thickness.Origin.Check() != nil {
			t.Errorf("%+v: %v × %v, %v, %v", s, w, h, err, merr)
		}
		seen[s.ID+s.Material] = true
	}
}

func TestParse(t *testing.T) {
	for id, ok := range map[string]bool{"610x457": true, "20x20": true, "6000x6000": true, "19x20": false, "20x19": false,
		"6001x20": false, "20x6001": false, "610": false, "610x457x3": false, "-10x20": false, "610 x 457": false,
		"": false} {
		w, h, err := Parse(id)
		if (err == nil) != ok || err != nil && fault.Of(err).Field != "stock" {
			t.Errorf("%q: %v × %v, %v", id, w, h, err)
		}
	}
	if w, h, _ := Parse("610x457"); w != 610 || h != 457 {
		t.Errorf("%v × %v", w, h)
	}
}

// The shop's own lie over the book's: another thickness, one more, one that is
// sold no more.
func TestOwnSizes(t *testing.T) {
	vs := catalogue.Values{{Kind: catalogue.Stock, ID: "610x610", Item: "annealed", V: 4, Sheet: "list of spring"},
		{Kind: catalogue.Stock, ID: "900x600", Item: "polycarbonate", V: 6, Sheet: "list of spring"},
		{Kind: catalogue.Stock, ID: "457x457", Item: "annealed", V: 0, Sheet: "sold no more"}}
	got := map[string]float64{}
	for _, s := range All(vs) {
		got[s.ID+" "+s.Material] = s.Thickness.V
	}
	if len(got) != len(book) || got["610x610 annealed"] != 4 || got["900x600 polycarbonate"] != 6 {
		t.Errorf("%v", got)
	}
	if _, there := got["457x457 annealed"]; there {
		t.Error("one that is sold no more is still offered")
	}
	if was := Own(vs[0]); was == nil || *was != 3 || Own(vs[1]) != nil {
		t.Error("what the book says")
	}
	// The same size in another material is one more; what is no stock size is none.
	vs = catalogue.Values{{Kind: catalogue.Stock, ID: "610x610", Item: "polycarbonate", V: 4},
		{Kind: catalogue.Stock, ID: "600x600", Item: "annealed", V: 3},
		{Kind: catalogue.Material, ID: "700x700", Item: "annealed", V: 3}}
	all := All(vs)
	if len(all) != len(book)+2 || Own(vs[0]) != nil || Own(catalogue.Value{ID: "600x600", Item: "annealed"}) != nil {
		t.Errorf("%d sizes: %+v", len(all), all[len(book):])
	}
	if last := all[len(all)-1]; last.ID != "600x600" || last.W != 600 || last.Thickness.V != 3 {
		t.Errorf("%+v", last)
	}
	if err := CheckOwn(catalogue.Value{ID: "610x610", Item: "annealed", V: 0.5}); err != nil {
		t.Errorf("half a millimetre: %v", err)
	}
	if w, h, err := Parse("no size"); err == nil || w != 0 || h != 0 {
		t.Errorf("%v × %v", w, h)
	}
	for field, v := range map[string]catalogue.Value{"stock": {ID: "9x9", Item: "annealed", V: 3}, "v": {ID: "610x610",
		Item: "annealed", V: 25.1}, "material": {ID: "610x610", Item: "ice", V: 3}} {
		if f := fault.Of(CheckOwn(v)); f == nil || f.Field != field {
			t.Errorf("%+v: %v", v, f)
		}
	}
	if err := CheckOwn(catalogue.Value{ID: "610x610", Item: "annealed", V: 25}); err != nil {
		t.Error(err)
	}
}
