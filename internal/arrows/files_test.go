package arrows

import (
	"go/ast"
	"go/importer"
	"go/parser"
	"go/token"
	"go/types"
	"path/filepath"
	"slices"
	"strings"
	"testing"
)

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
	check := types.Config{Importer: importer.ForCompiler(set, "source", nil)}
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
	for _, dir := range []string{"../../core/fit", "../../core/holding", "../../core/reading", "../../core/odds"} {
		used := uses(t, dir)
		if len(used) < 3 {
			t.Errorf("%s: only %d files use another", dir, len(used))
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
