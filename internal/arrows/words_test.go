package arrows

import (
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// spoken is what a person may read of a source file: of Go and TypeScript all but comments and the
// words by which the contract is described.
func spoken(path, text string) string {
	if strings.HasSuffix(path, ".json") {
		return text
	}
	text = regexp.MustCompile(`(?s)/\*.*?\*/`).ReplaceAllString(text, "")
	text = regexp.MustCompile(`doc:"[^"]*"`).ReplaceAllString(text, "")
	return regexp.MustCompile(`(?m)(^|\s)//.*$`).ReplaceAllString(text, "")
}

// What docs/words.md says is not said stands on no screen, no paper and in no message.
func TestPlainWords(t *testing.T) {
	root := filepath.Join("..", "..")
	b, err := os.ReadFile(filepath.Join(root, "docs", "words.md"))
	if err != nil {
		t.Fatal(err)
	}
	_, list, ok := strings.Cut(string(b), "## Not said")
	var never []string
	for _, m := range regexp.MustCompile(`(?m)^\| ([^|]+) \| [^|]+ \|$`).FindAllStringSubmatch(list, -1) {
		if m[1] != "instead of" {
			never = append(never, strings.ToLower(m[1]))
		}
	}
	if !ok || len(never) < 20 {
		t.Fatalf("only %d are not said", len(never))
	}
	for _, dir := range []string{"core", "internal", "web/src"} {
		err := filepath.WalkDir(filepath.Join(root, dir), func(path string, d os.DirEntry, err error) error {
			if err != nil || d.IsDir() || strings.HasSuffix(path, "_test.go") || strings.Contains(path, "testdata") ||
				strings.Contains(path, "static") || strings.Contains(path, "schema.gen") {
				return err
			}
			switch filepath.Ext(path) {
			case ".go", ".ts", ".tsx", ".json":
			default:
				return nil
			}
			b, err := os.ReadFile(path)
			if err != nil {
				return err
			}
			text := strings.ToLower(strings.Join(strings.Fields(spoken(path, string(b))), " "))
			for _, n := range never {
				if strings.Contains(text, n) {
					t.Errorf("%s says “%s”", path, n)
				}
			}
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
}
