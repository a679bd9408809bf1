package main

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"io"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
)

// change is one place of a file with other words in it.
type change struct {
	pkg, file   string
	where, what string
	from, to    int // bytes of the file
	with        string
	way         int // which of the changes of this place
	source      []byte
}

func (c change) apply() []byte {
	return bytes.Join([][]byte{c.source[:c.from], []byte(c.with), c.source[c.to:]}, nil)
}

// changesOf lists every change that can be made to the packages of a pattern.
func changesOf(ctx context.Context, pattern string) ([]change, error) {
	out, err := exec.CommandContext(ctx, "go", "list", "-json=ImportPath,Dir,GoFiles,TestGoFiles", pattern).Output()
	if err != nil {
		return nil, err
	}
	var all []change
	d := json.NewDecoder(bytes.NewReader(out))
	for {
		var p struct {
			ImportPath, Dir      string
			GoFiles, TestGoFiles []string
		}
		if err := d.Decode(&p); errors.Is(err, io.EOF) {
			return all, nil
		} else if err != nil {
			return nil, err
		}
		for _, f := range p.GoFiles {
			found, err := inFile(p.ImportPath, filepath.Join(p.Dir, f))
			if err != nil {
				return nil, err
			}
			all = append(all, found...)
		}
	}
}

// turned are operators and what they are changed to: over the edge, and to the
// other side.
var turned = map[token.Token][]string{
	token.LSS: {"<=", ">"}, token.LEQ: {"<", ">="}, token.GTR: {">=", "<"}, token.GEQ: {">", "<="},
	token.EQL: {"!="}, token.NEQ: {"=="}, token.ADD: {"-"}, token.SUB: {"+"}, token.MUL: {"/"}, token.QUO: {"*"},
	token.LAND: {"||"}, token.LOR: {"&&"},
}

// verdicts are words that stand for a judgement, each with another one.
var verdicts = map[string]string{
	"Stop": "Warn", "Warn": "Stop", "Good": "Warn", "Pass": "Fail", "Fail": "Pass", "Skip": "Fail",
	"AtLeast": "AtMost", "AtMost": "AtLeast", "Least": "Most", "Most": "Least", "true": "false", "false": "true",
	"Min": "Max", "Max": "Min",
	"Permanent": "Gust", "Gust": "Permanent",
}

func inFile(pkg, file string) ([]change, error) {
	source, err := os.ReadFile(filepath.Clean(file))
	if err != nil {
		return nil, err
	}
	set := token.NewFileSet()
	tree, err := parser.ParseFile(set, file, source, parser.SkipObjectResolution)
	if err != nil {
		return nil, err
	}
	var out []change
	add := func(from token.Pos, length int, with string, way int) {
		p := set.Position(from)
		was := string(source[p.Offset : p.Offset+length])
		line, _, _ := strings.Cut(string(source[p.Offset-p.Column+1:]), "\n")
		out = append(out, change{pkg: pkg, file: file,
			where: fmt.Sprintf("%s:%d", filepath.Join(strings.TrimPrefix(pkg, "freshshard/"), filepath.Base(file)), p.Line),
			what:  fmt.Sprintf("%s → %s in `%s`", was, with, strings.TrimSpace(line)), from: p.Offset, to: p.Offset + length,
			with: with, way: way, source: source})
	}
	var walk func(n ast.Node) bool
	walk = func(n ast.Node) bool {
		switch n := n.(type) {
		case *ast.ImportSpec, *ast.Field, *ast.ArrayType:
			return false // paths, tags, sizes
		case *ast.CallExpr:
			return !cannotMatter(n, walk)
		case *ast.ReturnStmt:
			if givesError(n) { // nobody looks at what stands beside an error
				ast.Inspect(n.Results[len(n.Results)-1], walk)
				return false
			}
		case *ast.BinaryExpr:
			for way, with := range turned[n.Op] {
				if len(with)+len(n.Op.String()) == 3 && (tolerant(n.X) || tolerant(n.Y)) {
					continue // two sums that are equal but for their rounding
				}
				add(n.OpPos, len(n.Op.String()), with, way)
			}
		case *ast.UnaryExpr:
			if with, ok := map[token.Token]string{token.NOT: "", token.SUB: "+"}[n.Op]; ok {
				add(n.OpPos, 1, with, 0)
			}
			if l, ok := n.X.(*ast.BasicLit); ok && n.Op == token.SUB && l.Value == "1" {
				return false // −1 is no place, and −2 is as little one
			}
		case *ast.BasicLit:
			if with, ok := other(n); ok && !isTiny(n) {
				add(n.Pos(), len(n.Value), with, 0)
			}
		case *ast.Ident:
			if with, ok := verdicts[n.Name]; ok {
				add(n.Pos(), len(n.Name), with, 0)
			}
		}
		return true
	}
	ast.Inspect(tree, walk)
	return out, nil
}

// tiny is up to where a constant is a tolerance against rounding: a quarter more of it
// changes nothing that anybody sees.
const tiny = 1e-6

func isTiny(l *ast.BasicLit) bool {
	v, err := strconv.ParseFloat(l.Value, 64)
	return l.Kind == token.FLOAT && err == nil && v != 0 && v <= tiny
}

// tolerances are constants and names of that size.
var tolerances = []string{"rounding", "near", "same", "half", "onLine", "crossTol"}

// tolerant says that such a tolerance is added to an operand, or taken off.
func tolerant(e ast.Expr) bool {
	found := false
	ast.Inspect(e, func(n ast.Node) bool {
		switch n := n.(type) {
		case *ast.BasicLit:
			found = found || isTiny(n)
		case *ast.Ident:
			found = found || slices.Contains(tolerances, n.Name)
		}
		return !found
	})
	return found
}

// givesError says that a return gives values with an error that is one: err, or one made there.
func givesError(r *ast.ReturnStmt) bool {
	if len(r.Results) < 2 {
		return false
	}
	switch last := r.Results[len(r.Results)-1].(type) {
	case *ast.Ident:
		return last.Name == "err"
	case *ast.CallExpr:
		f, ok := last.Fun.(*ast.SelectorExpr)
		if !ok {
			return false
		}
		x, ok := f.X.(*ast.Ident)
		return ok && (x.Name == "fault" && f.Sel.Name == "New" || x.Name == "fmt" && f.Sel.Name == "Errorf" ||
			f.Sel.Name == "fail")
	}
	return false
}

// cannotMatter walks a call of which some arguments cannot matter, and says that it was one:
// of math.Inf the sign alone does; how much room a slice is made with does not, nor in how many
// bits a number is read or written.
func cannotMatter(c *ast.CallExpr, walk func(ast.Node) bool) bool {
	switch f := c.Fun.(type) {
	case *ast.SelectorExpr:
		x, ok := f.X.(*ast.Ident)
		if ok && x.Name == "strconv" && len(c.Args) > 1 {
			for _, a := range c.Args[:len(c.Args)-1] {
				ast.Inspect(a, walk)
			}
			return true
		}
		if !ok || x.Name != "math" || f.Sel.Name != "Inf" {
			return false
		}
		ast.Inspect(c.Args[0], func(n ast.Node) bool {
			_, number := n.(*ast.BasicLit)
			return !number && walk(n)
		})
		return true
	case *ast.Ident:
		if f.Name != "make" || len(c.Args) != 3 {
			return false
		}
		ast.Inspect(c.Args[1], walk)
		return true
	}
	return false
}

// other is a constant that differs enough to matter.
func other(l *ast.BasicLit) (string, bool) {
	switch l.Kind {
	case token.INT:
		n, err := strconv.ParseInt(l.Value, 10, 64)
		return strconv.FormatInt(n+1, 10), err == nil
	case token.FLOAT:
		v, err := strconv.ParseFloat(l.Value, 64)
		if v == 0 {
			return "0.25", err == nil
		}
		return strconv.FormatFloat(v*1.25, 'g', 6, 64), err == nil
	}
	return "", false
}

// isTest says that a file is one of tests.
func isTest(path string) bool { return strings.HasSuffix(path, "_test.go") }
