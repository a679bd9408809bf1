package arrows

import (
	"io/fs"
	"os"
	"path"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"
)

// storeys of the front end, from the ground: each uses what lies under it. The top is what
// brings the screens together.
var storeys = []string{"api", "app", "bench", "parts", "form", "screens", "top"}

var imported = regexp.MustCompile(`(?:from|import)\s*\(?\s*"(\.[^"]+)"`)

// frontEnd are the files of the front end with those that each imports, from its root.
func frontEnd(t *testing.T) map[string][]string {
	t.Helper()
	root, out := "../../web/src", map[string][]string{}
	err := filepath.WalkDir(root, func(name string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !slices.Contains([]string{".ts", ".tsx"}, filepath.Ext(name)) {
			return err
		}
		source, err := os.ReadFile(filepath.Clean(name))
		if err != nil {
			return err
		}
		rel, err := filepath.Rel(root, name)
		if err != nil {
			return err
		}
		rel = filepath.ToSlash(rel)
		out[rel] = nil
		for _, m := range imported.FindAllStringSubmatch(string(source), -1) {
			to := path.Join(path.Dir(rel), m[1])
			for _, end := range []string{"", ".ts", ".tsx"} {
				if st, err := os.Stat(filepath.Join(root, to+end)); err == nil && !st.IsDir() {
					out[rel] = append(out[rel], to+end)
				}
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	if len(out) < 200 {
		t.Fatalf("only %d files", len(out))
	}
	return out
}

// storeyOf is where a file stands.
func storeyOf(t *testing.T, file string) int {
	t.Helper()
	folder, _, in := strings.Cut(file, "/")
	if !in {
		folder = "top"
	}
	n := slices.Index(storeys, folder)
	if n < 0 {
		t.Errorf("%s stands in a folder that has no place in the house", file)
	}
	return n
}

// No file of the front end uses one of a storey above it, and none, by whatever way round,
// one that uses it.
func TestTheFrontEndPointsOneWay(t *testing.T) {
	files := frontEnd(t)
	done, way := map[string]bool{}, []string{}
	var walk func(string)
	walk = func(f string) {
		if i := slices.Index(way, f); i >= 0 {
			t.Errorf("a circle: %s", strings.Join(append(slices.Clone(way[i:]), f), " → "))
			return
		}
		if done[f] {
			return
		}
		way = append(way, f)
		for _, to := range files[f] {
			if storeyOf(t, to) > storeyOf(t, f) {
				t.Errorf("%s uses %s, which stands above it", f, to)
			}
			walk(to)
		}
		way, done[f] = way[:len(way)-1], true
	}
	for f := range files {
		walk(f)
	}
}
