package arrows

import (
	"os"
	"path/filepath"
	"strings"
	"testing"
)

// A newcomer finds in each package of the core an example that runs.
func TestEachPackageOfTheCoreHasAnExample(t *testing.T) {
	all, err := filepath.Glob(filepath.Join("..", "..", "core", "*", "*.go"))
	if err != nil || len(all) == 0 {
		t.Fatal(err)
	}
	shown := map[string]bool{}
	for _, f := range all {
		b, err := os.ReadFile(f)
		if err != nil {
			t.Fatal(err)
		}
		dir := filepath.Base(filepath.Dir(f))
		text := string(b)
		shown[dir] = shown[dir] || strings.Contains(text, "\nfunc Example") && strings.Contains(text, "// Output:")
	}
	for dir, ok := range shown {
		if !ok {
			t.Errorf("core/%s has no example", dir)
		}
	}
}
