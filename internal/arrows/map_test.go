package arrows

import (
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// What the map leads to is there: each file that it names, and in it what it names of it.
func TestTheMapLeadsThere(t *testing.T) {
	root := filepath.Join("..", "..")
	b, err := os.ReadFile(filepath.Join(root, "docs", "map.md"))
	if err != nil {
		t.Fatal(err)
	}
	row := regexp.MustCompile("(?m)^\\| [^|]+ \\| `([^`]+/[^`]+)`(?: \\(`([^`]+)`\\))? \\|$")
	found := row.FindAllStringSubmatch(string(b), -1)
	if len(found) < 10 {
		t.Fatalf("only %d rows lead to a file", len(found))
	}
	for _, m := range found {
		text, err := os.ReadFile(filepath.Join(root, filepath.FromSlash(m[1])))
		if err != nil || !strings.Contains(string(text), m[2]) {
			t.Errorf("%s %s: %v", m[1], m[2], err)
		}
	}
}
