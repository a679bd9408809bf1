package catalogue

import (
	"encoding/json"
	"strings"
	"testing"
	"time"

	"freshshard/core/value"
)

// A data file writes one of three words; what was read is written and read again as it is.
func TestFrom(t *testing.T) {
	for word, want := range map[string]string{"trade": "common practice, no source",
		"sheet": "typical data sheet, steel (from memory)", "std:EN 572-1": "EN 572-1 (from memory)"} {
		v, err := Read[value.Value]([]byte(`{"v": 3, "o": "`+word+`"}`), "x.json")
		if err != nil || v.V != 3 || v.Origin.Check() != nil {
			t.Fatalf("%s: %+v, %v", word, v, err)
		}
		if got := v.Origin.Of("steel").String(); got != want {
			t.Errorf("%s: %s", word, got)
		}
		written, err := json.Marshal(v)
		if err != nil {
			t.Fatal(err)
		}
		var again value.Value
		if err := json.Unmarshal(written, &again); err != nil || again != v {
			t.Errorf("%s: %s is read as %+v, %v", word, written, again, err)
		}
	}
	for _, bad := range []string{`""`, `"std:"`, `"hearsay"`, `"Std:EN 1"`, `"own:sheet 4"`, `7`} {
		if v, err := Read[value.Value]([]byte(`{"v": 3, "o": `+bad+`}`), "x.json"); err == nil {
			t.Errorf("%s was taken for %+v", bad, v.Origin)
		}
	}
	set := value.Value{V: 2, Origin: value.From{Origin: value.Set("sheet 4", "Mira Quill",
		time.Date(2026, 3, 5, 9, 0, 0, 0,
			time.UTC))}}
	if got := set.Origin.Of("steel").String(); got != "set by the shop: sheet 4; Mira Quill, 5 Mar 2026" {
		t.Error(got)
	}
	if (value.Value{}).Origin.Check() == nil {
		t.Error("a value without an origin is taken")
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
