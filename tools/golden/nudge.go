package golden

import (
	"encoding/json"
	"fmt"
	"maps"
	"slices"
	"testing"
)

// Nudge hands out copies of a value in each of which one number, of however deep a place, is
// moved by one of the amounts, one switch is thrown, or one word is another. path names the
// place as JSON does.
func Nudge[T any](t testing.TB, v T, by []float64, see func(path string, way int, changed T)) {
	t.Helper()
	whole, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	var tree any
	if err := json.Unmarshal(whole, &tree); err != nil {
		t.Fatal(err)
	}
	give := func(path string, way int) {
		b, err := json.Marshal(tree)
		if err != nil {
			t.Fatal(err)
		}
		var changed T
		if json.Unmarshal(b, &changed) == nil { // a whole number cannot be moved by a half
			see(path, way, changed)
		}
	}
	var walk func(v any, path string, set func(any))
	walk = func(v any, path string, set func(any)) {
		switch v := v.(type) {
		case map[string]any:
			for _, k := range slices.Sorted(maps.Keys(v)) {
				walk(v[k], path+"."+k, func(x any) { v[k] = x })
			}
		case []any:
			for i := range v {
				walk(v[i], fmt.Sprintf("%s.%d", path, i), func(x any) { v[i] = x })
			}
		case float64:
			for way, d := range by {
				set(v + d)
				give(path, way)
			}
			set(v)
		case bool:
			set(!v)
			give(path, 0)
			set(v)
		case string:
			set("another")
			give(path, 0)
			set(v)
		}
	}
	walk(tree, "", func(any) {})
}
