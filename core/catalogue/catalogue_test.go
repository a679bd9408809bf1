package catalogue

import (
	"strings"
	"testing"

	"freshshard/core/origin"
)

func TestFrom(t *testing.T) {
	for word, want := range map[From]origin.Kind{"trade": origin.Trade, "sheet": origin.Data,
		"std:EN 572-1": origin.Standard} {
		if err := word.Check(); err != nil {
			t.Error(err)
		}
		if o := word.Of("steel"); o.Kind != want || o.Check() != nil {
			t.Errorf("%s: %+v", word, o)
		}
	}
	for _, bad := range []From{"", "std:", "hearsay", "Std:EN 1"} {
		if bad.Check() == nil {
			t.Errorf("%q was taken for an origin", bad)
		}
	}
	if o := From("std:EN 572-1").Of("steel"); o.Name != "EN 572-1" || !o.Memory {
		t.Errorf("%+v", o)
	}
}

// A misspelt field is an error, not a missing value.
func TestReadIsStrict(t *testing.T) {
	type row struct {
		ID string `json:"id"`
	}
	if v, err := Read[[]row]([]byte(`[{"id":"a"}]`), "x.json"); err != nil || v[0].ID != "a" {
		t.Errorf("%v, %v", v, err)
	}
	for _, bad := range []string{`[{"idd":"a"}]`, `{`, `[{"id":5}]`} {
		if _, err := Read[[]row]([]byte(bad), "x.json"); err == nil || !strings.Contains(err.Error(), "x.json") {
			t.Errorf("%s: %v", bad, err)
		}
	}
	defer func() {
		if recover() == nil {
			t.Error("a broken built-in file went unnoticed")
		}
	}()
	Must[[]row]([]byte(`{`), "y.json")
}
