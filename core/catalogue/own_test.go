package catalogue

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/core/value"
)

func TestLaid(t *testing.T) {
	vs := Values{{Kind: Material, ID: "cast", Item: "density", V: 2480, Sheet: "sheet 4", By: "Mira Quill",
		At: time.Date(2026, 3, 5, 9, 0, 0, 0, time.UTC)}}
	v, ok := vs.Laid(Material, "cast", "density")
	if !ok || v.V != 2480 {
		t.Fatalf("%+v, %v", v, ok)
	}
	if o := v.Origin.Of("cast"); o.Kind != value.Shop ||
		o.String() != "set by the shop: sheet 4; Mira Quill, 5 Mar 2026" {
		t.Errorf("origin: %s", o)
	}
	for _, miss := range [][3]string{{Family, "cast", "density"}, {Material, "wired", "density"},
		{Material, "cast", "steady"}} {
		if _, ok := vs.Laid(miss[0], miss[1], miss[2]); ok {
			t.Errorf("%v is not set", miss)
		}
	}
}

func TestFields(t *testing.T) {
	all := []Field{{Item: "steady", Name: "steady heat", Unit: "°C", Least: 20, Most: 1500}}
	f, err := FieldOf(all, "steady")
	if err != nil || f.Check(20) != nil || f.Check(1500) != nil {
		t.Fatal(err)
	}
	for _, bad := range []float64{19.9, 1501, nan()} {
		e := fault.Of(f.Check(bad))
		if e == nil || e.Field != "v" || !strings.Contains(e.Why, "20 to 1500 °C") {
			t.Errorf("%v: %v", bad, e)
		}
	}
	if _, err := FieldOf(all, "colour"); fault.Of(err) == nil {
		t.Errorf("an unknown item: %v", err)
	}
}

func nan() float64 { z := 0.0; return z / z }
