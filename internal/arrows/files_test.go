package arrows

import (
	"go/ast"
	"go/importer"
	"go/parser"
	"go/token"
	"go/types"
	"io"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
	"testing"
)

// compiled finds what the compiler has written of each package that core and rooms import.
func compiled(t *testing.T) importer.Lookup {
	t.Helper()
	out, err := exec.Command("go", "list", "-export", "-deps", "-f", "{{.ImportPath}} {{.Export}}",
		"freshshard/core/...", "freshshard/internal/...").Output()
	if err != nil {
		t.Fatal(err)
	}
	files := map[string]string{}
	for line := range strings.Lines(string(out)) {
		if w := strings.Fields(line); len(w) == 2 {
			files[w[0]] = w[1]
		}
	}
	return func(path string) (io.ReadCloser, error) { return os.Open(files[path]) }
}

// uses are the files of a package that each of its files uses something of, tests left out.
func uses(t *testing.T, dir string) map[string][]string {
	t.Helper()
	paths, err := filepath.Glob(filepath.Join(dir, "*.go"))
	if err != nil {
		t.Fatal(err)
	}
	set := token.NewFileSet()
	var files []*ast.File
	for _, p := range paths {
		if strings.HasSuffix(p, "_test.go") {
			continue
		}
		f, err := parser.ParseFile(set, p, nil, 0)
		if err != nil {
			t.Fatal(err)
		}
		files = append(files, f)
	}
	info := &types.Info{Uses: map[*ast.Ident]types.Object{}}
	check := types.Config{Importer: importer.ForCompiler(set, "gc", compiled(t))}
	pkg, err := check.Check(dir, set, files, info)
	if err != nil {
		t.Fatal(err)
	}
	name := func(p token.Pos) string { return filepath.Base(set.Position(p).Filename) }
	out := map[string][]string{}
	for id, o := range info.Uses {
		if o.Pkg() != pkg || !o.Pos().IsValid() {
			continue
		}
		from, to := name(id.Pos()), name(o.Pos())
		if from != to && !slices.Contains(out[from], to) {
			out[from] = append(out[from], to)
		}
	}
	return out
}

// Within these packages no file uses, by whatever way round, one that uses it: what stands
// low knows nothing of what stands on it.
func TestFilesPointOneWay(t *testing.T) {
	for _, dir := range []string{"../../core/fit", "../../core/holding", "../../core/reading", "../../core/odds",
		"../bill", "../measure", "../strip", "../today",
		"../reply", "../record", "../photo", "../supplier", "../instrument"} {
		used := uses(t, dir)
		if len(used) == 0 {
			t.Errorf("%s: no file uses another", dir)
		}
		done, way := map[string]bool{}, []string{}
		var walk func(string)
		walk = func(f string) {
			if i := slices.Index(way, f); i >= 0 {
				t.Errorf("%s: a circle, %s", dir, strings.Join(append(slices.Clone(way[i:]), f), " → "))
				return
			}
			if done[f] {
				return
			}
			way = append(way, f)
			for _, to := range used[f] {
				walk(to)
			}
			way, done[f] = way[:len(way)-1], true
		}
		for f := range used {
			walk(f)
		}
	}
}
