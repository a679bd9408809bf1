package exposure

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/catalogue"
	"freshshard/core/value"
)

// Each value says where it comes from: the book, the shop over it, a sum behind another pane,
// or somebody who said it of the object in hand; and what is worked on keeps that.
func TestValuesKnowWhereTheyComeFrom(t *testing.T) {
	fire, err := Book.ByID("fire")
	if err != nil {
		t.Fatal(err)
	}
	shops := catalogue.Values{{Kind: catalogue.Exposure, ID: "fire", Item: "steady", V: 510,
		Sheet: "thermocouple, last winter",
		By:    "Mira", At: time.Date(2026, 1, 5, 0, 0, 0, 0, time.UTC)}}
	laid, err := Book.With(shops, "fire")
	if err != nil {
		t.Fatal(err)
	}
	hotter := fire
	hotter.Steady, hotter.Short = fire.Steady+20, max(fire.Short, fire.Steady+20)
	middle := fire.At(Middle)
	middle.sources = Sources{} // as it comes out of the records
	for _, c := range []struct {
		name string
		e    Exposure
		vs   catalogue.Values
		item string
		want value.Kind
	}{
		{"the book's", fire, nil, "steady", value.Trade}, {"the book's room", fire, nil, "room", value.Trade},
		{"said of this stove", hotter, nil, "steady", value.Reading},
		{"what was left as it is", hotter, nil, "coldest", value.Trade},
		{"the shop's", laid, shops, "steady", value.Shop},
		{"the book's, where the shop has its own", fire, shops, "steady", value.Reading},
		{"behind another pane", middle, nil, "steady", value.Computed},
		{"its room", middle, nil, "room", value.Trade},
		{"of no list", Exposure{Steady: 40, Short: 40}, nil, "steady", value.Reading},
		{"no such thing", fire, nil, "luck", value.Reading},
	} {
		e := c.e.Sourced(c.vs)
		if got := e.From(c.item); got.Kind != c.want {
			t.Errorf("%s: %s", c.name, got)
		}
		if again := e.Sourced(nil); again != e {
			t.Errorf("%s: known twice is another", c.name)
		}
	}
	behind := fire.Sourced(nil).Behind(fire.Room + 100)
	for item, want := range map[string]value.Kind{"steady": value.Computed, "short": value.Computed,
		"room": value.Trade, "frame_hot": value.Computed} {
		if got := behind.From(item); got.Kind != want {
			t.Errorf("behind a pane, %s: %s", item, got)
		}
	}
	if o := laid.Sourced(shops).From("steady"); o.Name != "thermocouple, last winter" || o.By != "Mira" ||
		!strings.HasSuffix(o.String(), "; Mira, 5 Jan 2026") {
		t.Errorf("the shop's own says %q", o)
	}
}
