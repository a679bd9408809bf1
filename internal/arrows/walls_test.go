package arrows

import (
	"bufio"
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"maps"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
)

// How large a thing may be before it is parted: methods and fields of a type, lines and ways
// through a function, lines of a package outside the core, files of the front end outside its api
// folder that speak to the server themselves. Tests are not counted.
var walls = map[string]int{"methods": 25, "fields": 20, "lines": 60, "ways": 15, "package": 3000, "speaks": 0}

// wallsList has what is larger still, with how large it is: it only shrinks.
const wallsList = "walls.txt"

// measured is everything that is larger than its wall: "kind name" with its number.
func measured(t *testing.T) map[string]int {
	t.Helper()
	all := map[string]int{}
	root := filepath.Join("..", "..")
	err := filepath.WalkDir(root, func(path string, d fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		if d.IsDir() && (path == filepath.Join(root, "web") ||
			slices.Contains([]string{".git", "node_modules", "bin", "var", "testdata"}, d.Name())) {
			return filepath.SkipDir
		}
		if !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") {
			return nil
		}
		b, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		rel, err := filepath.Rel(root, path)
		if err != nil {
			return err
		}
		pkg := filepath.ToSlash(filepath.Dir(rel))
		if !strings.HasPrefix(pkg, "core") {
			all["package "+pkg] += strings.Count(string(b), "\n")
		}
		set := token.NewFileSet()
		f, err := parser.ParseFile(set, path, b, parser.SkipObjectResolution)
		if err != nil {
			return err
		}
		for _, decl := range f.Decls {
			measure(set, pkg, decl, all)
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	for file, uses := range frontEnd(t) {
		if !strings.HasPrefix(file, "api/") && slices.Contains(uses, "api/client.ts") {
			all["speaks web/src"]++
		}
	}
	maps.DeleteFunc(all, func(name string, n int) bool { return n <= walls[strings.Fields(name)[0]] })
	return all
}

// measure adds what a declaration has.
func measure(set *token.FileSet, pkg string, decl ast.Decl, all map[string]int) {
	switch d := decl.(type) {
	case *ast.GenDecl:
		for _, s := range d.Specs {
			if ty, ok := s.(*ast.TypeSpec); ok {
				if st, ok := ty.Type.(*ast.StructType); ok {
					for _, f := range st.Fields.List {
						all["fields "+pkg+"."+ty.Name.Name] += max(1, len(f.Names))
					}
				}
			}
		}
	case *ast.FuncDecl:
		name := pkg + "." + d.Name.Name
		if d.Recv != nil {
			of := receiver(d.Recv.List[0].Type)
			name = pkg + "." + of + "." + d.Name.Name
			all["methods "+pkg+"."+of]++
		}
		all["lines "+name] = set.Position(d.End()).Line - set.Position(d.Pos()).Line + 1
		all["ways "+name] = ways(d)
	}
}

func receiver(e ast.Expr) string {
	switch t := e.(type) {
	case *ast.StarExpr:
		return receiver(t.X)
	case *ast.IndexExpr:
		return receiver(t.X)
	case *ast.Ident:
		return t.Name
	}
	return "?"
}

// ways counts the ways through a function: one, and one for each branch (McCabe, A complexity
// measure, 1976; from memory).
func ways(d *ast.FuncDecl) int {
	n := 1
	ast.Inspect(d, func(x ast.Node) bool {
		switch x := x.(type) {
		case *ast.IfStmt, *ast.ForStmt, *ast.RangeStmt:
			n++
		case *ast.CaseClause:
			if x.List != nil {
				n++
			}
		case *ast.BinaryExpr:
			if x.Op == token.LAND || x.Op == token.LOR {
				n++
			}
		}
		return true
	})
	return n
}

// Nothing grows over its wall, and what stands over it already only shrinks. What shrank is
// lowered in the list: FRESHSHARD_WALLS=write does that, and adds nothing.
func TestWalls(t *testing.T) {
	listed := map[string]int{}
	file, err := os.Open(wallsList)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = file.Close() }()
	for s := bufio.NewScanner(file); s.Scan(); {
		var kind, name string
		var n int
		if _, err := fmt.Sscan(s.Text(), &kind, &name, &n); err == nil {
			listed[kind+" "+name] = n
		}
	}
	now := measured(t)
	if os.Getenv("FRESHSHARD_WALLS") == "write" {
		writeWalls(t, listed, now)
		return
	}
	for _, name := range slices.Sorted(maps.Keys(now)) {
		switch n, most := now[name], max(listed[name], walls[strings.Fields(name)[0]]); {
		case n > most:
			t.Errorf("%s: %d, and %d is its wall: part it", name, n, most)
		case n < listed[name]:
			t.Errorf("%s: %d, and %d stands in %s: lower it there", name, n, listed[name], wallsList)
		}
	}
	for name := range listed {
		if now[name] == 0 {
			t.Errorf("%s is within its wall now: take it out of %s", name, wallsList)
		}
	}
}

func writeWalls(t *testing.T, listed, now map[string]int) {
	t.Helper()
	b := &strings.Builder{}
	for _, name := range slices.Sorted(maps.Keys(listed)) {
		if n := min(listed[name], now[name]); n > 0 {
			fmt.Fprintf(b, "%s %d\n", name, n)
		}
	}
	if err := os.WriteFile(wallsList, []byte(b.String()), 0o644); err != nil {
		t.Fatal(err)
	}
}
