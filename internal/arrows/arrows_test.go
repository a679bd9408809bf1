// Package arrows holds the direction in which packages may use each other: the
// core knows nothing outside itself, the web knows the rooms, the rooms know the
// store, and never the other way round.
package arrows

import (
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
	"testing"

	"freshshard/core/family"
)

// imports lists what each package of a pattern imports, tests left out.
func imports(t *testing.T, pattern string) map[string][]string {
	t.Helper()
	out, err := exec.Command("go", "list", "-f", "{{.ImportPath}} {{join .Imports \" \"}}", pattern).Output()
	if err != nil {
		t.Fatal(err)
	}
	m := map[string][]string{}
	for _, line := range strings.Split(strings.TrimSpace(string(out)), "\n") {
		w := strings.Fields(line)
		m[w[0]] = w[1:]
	}
	return m
}

func TestCoreUsesOnlyItself(t *testing.T) {
	found := imports(t, "freshshard/core/...")
	if len(found) < 15 {
		t.Fatalf("only %d packages in the core", len(found))
	}
	for pkg, used := range found {
		for _, u := range used {
			standard := !strings.Contains(strings.Split(u, "/")[0], ".") && !strings.HasPrefix(u, "freshshard/")
			if !standard && !strings.HasPrefix(u, "gonum.org/") && !strings.HasPrefix(u, "freshshard/core/") {
				t.Errorf("%s uses %s", pkg, u)
			}
			if u == "net/http" || u == "database/sql" {
				t.Errorf("%s knows the web or a database: %s", pkg, u)
			}
		}
	}
}

// A way of holding is known by its facts: nothing but its rule asks for it by name.
func TestWaysAreAskedForTheirFacts(t *testing.T) {
	ways := map[string]bool{}
	for _, s := range family.Sizings {
		ways[strings.ToUpper(string(s[:1]))+string(s[1:])] = true
	}
	seen := 0
	err := filepath.WalkDir("../..", func(path string, d fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		if d.IsDir() && (d.Name() == "node_modules" || d.Name() == ".git") {
			return filepath.SkipDir
		}
		if !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return nil
		}
		file, err := parser.ParseFile(token.NewFileSet(), path, nil, 0)
		if err != nil {
			return err
		}
		ast.Inspect(file, func(n ast.Node) bool {
			s, ok := n.(*ast.SelectorExpr)
			if !ok || !ways[s.Sel.Name] {
				return true
			}
			if x, ok := s.X.(*ast.Ident); ok && x.Name == "family" {
				if seen++; filepath.Base(filepath.Dir(path)) != "holding" {
					t.Errorf("%s asks for %s by name", path, s.Sel.Name)
				}
			}
			return true
		})
		return nil
	})
	if err != nil || seen != len(ways) {
		t.Errorf("%d of %d ways seen, %v", seen, len(ways), err)
	}
}

// house are the packages beside the core, from the ground up: each may use what stands below
// it in the list, and the core. What stands on one line knows nothing of its neighbours.
var house = [][]string{
	{"bound", "photo", "reach", "record", "instrument", "timetable", "localdb", "typed",
		"outlinefile", "database"},
	{"forecast", "supplier", "store", "calc"},
	{"jobview"},
	{"change"},
	{"people", "standing", "strip"},
	{"bench", "stock", "buy"},
	{"measure", "hold", "bill"},
	{"desk"},
	{"days", "records"},
	{"today"},
	{"shop", "exchange"},
	{"backup", "demo", "reply"},
	{"download"},
	{"web"},
}

// The web reaches the records through the use cases alone, and what shows or prints a job
// knows no database; nobody but the shop's own package brings all rooms together.
var never = map[string][]string{
	"jobview":  {"store"},
	"exchange": {"store", "shop"},
	"calc":     {"store"},
	"web":      {"store", "localdb", "backup", "demo"},
	"download": {"store", "localdb", "backup", "demo"},
	"reply":    {"store"},
}

func TestArrowsPointOneWay(t *testing.T) {
	storey := map[string]int{}
	for i, names := range house {
		for _, n := range names {
			storey[n] = i
		}
	}
	const internal = "freshshard/internal/"
	for pkg, used := range imports(t, internal+"...") {
		from := strings.Split(strings.TrimPrefix(pkg, internal), "/")[0]
		at, ok := storey[from]
		if !ok && len(used) > 0 && from != "arrows" && from != "mutants" {
			t.Errorf("%s has no place in the house", from)
		}
		for _, u := range used {
			to := strings.Split(strings.TrimPrefix(u, internal), "/")[0]
			if from == "web" && u == "database/sql" || slices.Contains(never[from], to) && strings.HasPrefix(u, internal) {
				t.Errorf("%s uses %s", pkg, u)
			}
			if strings.HasPrefix(u, internal) && to != from && storey[to] >= at {
				t.Errorf("%s uses %s, which stands no lower", from, to)
			}
		}
	}
}
