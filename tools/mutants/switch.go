package main

import (
	"fmt"
	"go/ast"
	"go/token"
	"go/types"
	"path/filepath"
	"slices"
	"strings"
)

// helpers stand in a package whose changes can be switched on one by one: MUTANT is the
// number of the one that is on.
const helpers = `package %s

import (
	"cmp"
	"os"
	"strconv"
)

var mutantOn, _ = strconv.Atoi(os.Getenv("MUTANT"))

type mutantNumber interface {
	~int | ~int8 | ~int16 | ~int32 | ~int64 | ~uint | ~uint8 | ~uint16 | ~uint32 | ~uint64 | ~float32 | ~float64
}

func mutantCmp[T cmp.Ordered](id int, a, b T, plain, edge, side bool) bool {
	switch mutantOn {
	case id:
		return edge
	case id + 1:
		return side
	}
	return plain
}

func mutantLSS[T cmp.Ordered](id int, a, b T) bool { return mutantCmp(id, a, b, a < b, a <= b, a > b) }
func mutantLEQ[T cmp.Ordered](id int, a, b T) bool { return mutantCmp(id, a, b, a <= b, a < b, a >= b) }
func mutantGTR[T cmp.Ordered](id int, a, b T) bool { return mutantCmp(id, a, b, a > b, a >= b, a < b) }
func mutantGEQ[T cmp.Ordered](id int, a, b T) bool { return mutantCmp(id, a, b, a >= b, a > b, a <= b) }

func mutantFlip(id int, b bool) bool { return b != (mutantOn == id) }
func mutantNot(id int, b bool) bool  { return b == (mutantOn == id) }

func mutantLAND(id int, a bool, b func() bool) bool {
	if mutantOn == id {
		return a || b()
	}
	return a && b()
}

func mutantLOR(id int, a bool, b func() bool) bool {
	if mutantOn == id {
		return a && b()
	}
	return a || b()
}

func mutantADD[T mutantNumber](id int, a, b T) T {
	if mutantOn == id {
		return a - b
	}
	return a + b
}

func mutantSUB[T mutantNumber](id int, a, b T) T {
	if mutantOn == id {
		return a + b
	}
	return a - b
}

func mutantMUL[T mutantNumber](id int, a, b T) T {
	if mutantOn == id {
		return a / b
	}
	return a * b
}

func mutantQUO[T mutantNumber](id int, a, b T) T {
	if mutantOn == id {
		return a * b
	}
	return a / b
}

func mutantNeg[T mutantNumber](id int, a T) T {
	if mutantOn == id {
		return a
	}
	return -a
}

func mutantOr[T any](id int, a, b T) T {
	if mutantOn == id {
		return b
	}
	return a
}
`

var named = map[token.Token]string{
	token.LSS: "LSS", token.LEQ: "LEQ", token.GTR: "GTR", token.GEQ: "GEQ", token.LAND: "LAND", token.LOR: "LOR",
	token.ADD: "ADD", token.SUB: "SUB", token.MUL: "MUL", token.QUO: "QUO", token.EQL: "Flip", token.NEQ: "Flip",
}

// edit is a text that goes into a file, in place of some bytes or of none.
type edit struct {
	at, length int
	text       string
}

// switcher writes a file in which each of its changes is on or off by its number.
type switcher struct {
	pkg    *types.Package
	info   *types.Info
	set    *token.FileSet
	file   *ast.File
	next   *int
	ids    map[[2]int][]int // changes by the bytes that they change → their numbers
	before []edit
	after  []edit
}

// offset of a place in the file.
func (s *switcher) offset(p token.Pos) int { return s.set.Position(p).Offset }

// number gives the changes of one place their numbers.
func (s *switcher) number(from token.Pos, length, ways int) int {
	first := *s.next
	*s.next += ways
	at := [2]int{s.offset(from), length}
	for w := range ways {
		s.ids[at] = append(s.ids[at], first+w)
	}
	return first
}

// wrap puts an expression into a call of a helper.
func (s *switcher) wrap(n ast.Expr, call, end string) {
	s.before = append(s.before, edit{s.offset(n.Pos()), 0, call})
	s.after = append(s.after, edit{s.offset(n.End()), 0, end})
}

// typeOf is the type of an expression as it can be written in this file.
func (s *switcher) typeOf(n ast.Expr) (string, bool) {
	t := s.info.TypeOf(n)
	if t == nil {
		return "", false
	}
	known := true
	text := types.TypeString(t, func(p *types.Package) string {
		if p == s.pkg {
			return ""
		}
		for _, i := range s.file.Imports {
			if strings.Trim(i.Path.Value, `"`) == p.Path() {
				return p.Name()
			}
		}
		known = false
		return p.Name()
	})
	b, basic := t.Underlying().(*types.Basic)
	return text, known && !(basic && b.Info()&types.IsUntyped != 0)
}

func (s *switcher) number64(n ast.Expr) bool {
	b, ok := s.info.TypeOf(n).Underlying().(*types.Basic)
	return ok && b.Info()&(types.IsInteger|types.IsFloat) != 0
}

// visit switches what can be switched; constants that the compiler wants are left alone.
func (s *switcher) visit(n ast.Node) bool {
	switch n := n.(type) {
	case *ast.ImportSpec, *ast.Field, *ast.ArrayType:
		return false
	case *ast.GenDecl:
		return n.Tok != token.CONST
	case *ast.CompositeLit:
		s.literal(n)
		return false
	case *ast.BinaryExpr:
		s.binary(n)
	case *ast.UnaryExpr:
		s.unary(n)
	case *ast.BasicLit:
		if with, ok := other(n); ok && s.info.Types[n].Value != nil {
			if t, ok := s.typeOf(n); ok {
				s.wrap(n, fmt.Sprintf("mutantOr[%s](%d, ", t, s.number(n.Pos(), len(n.Value), 1)), ", "+with+")")
			}
		}
	case *ast.SelectorExpr:
		if x, ok := n.X.(*ast.Ident); ok {
			if p, ok := s.info.Uses[x].(*types.PkgName); ok {
				s.word(n, n.Sel, p.Imported().Scope(), x.Name+".")
				return false
			}
		}
		ast.Inspect(n.X, s.visit)
		return false
	case *ast.Ident:
		s.word(n, n, s.pkg.Scope(), "")
	}
	return true
}

// literal leaves the keys of a composite literal alone.
func (s *switcher) literal(n *ast.CompositeLit) {
	for _, e := range n.Elts {
		if kv, ok := e.(*ast.KeyValueExpr); ok {
			if _, isMap := s.info.TypeOf(n).Underlying().(*types.Map); isMap {
				ast.Inspect(kv.Key, s.visit)
			}
			e = kv.Value
		}
		ast.Inspect(e, s.visit)
	}
}

func (s *switcher) binary(n *ast.BinaryExpr) {
	ways := len(turned[n.Op])
	if ways == 0 {
		return
	}
	arithmetic := slices.Contains([]token.Token{token.ADD, token.SUB, token.MUL, token.QUO}, n.Op)
	kind := ""
	if arithmetic {
		t, ok := s.typeOf(n)
		if !ok || !s.number64(n) {
			return
		}
		kind = "[" + t + "]"
	}
	call := fmt.Sprintf("mutant%s%s(%d, ", named[n.Op], kind, s.number(n.OpPos, len(n.Op.String()), ways))
	op := edit{s.offset(n.OpPos), len(n.Op.String()), ","}
	switch n.Op {
	case token.EQL, token.NEQ:
		s.wrap(n, call, ")")
		return
	case token.LAND, token.LOR:
		op.text = ", func() bool { return ("
		s.wrap(n, call, ") })")
	default:
		s.wrap(n, call, ")")
	}
	s.before = append(s.before, op)
}

func (s *switcher) unary(n *ast.UnaryExpr) {
	call := ""
	switch n.Op {
	case token.NOT:
		call = "mutantNot("
	case token.SUB:
		t, ok := s.typeOf(n)
		if !ok {
			return
		}
		call = "mutantNeg[" + t + "]("
	default:
		return
	}
	s.before = append(s.before, edit{s.offset(n.OpPos), 1, fmt.Sprintf("%s%d, ", call, s.number(n.OpPos, 1, 1))})
	s.after = append(s.after, edit{s.offset(n.End()), 0, ")"})
}

// word switches a verdict: one that is a value, where its other stands beside it.
func (s *switcher) word(n ast.Expr, id *ast.Ident, scope *types.Scope, before string) {
	with, ok := verdicts[id.Name]
	o := s.info.Uses[id]
	if !ok || o == nil {
		return
	}
	other := scope.Lookup(with)
	if o.Parent() == types.Universe {
		other = types.Universe.Lookup(with)
	}
	value := func(o types.Object) bool {
		switch o := o.(type) {
		case *types.Const, *types.Var:
			return true
		case *types.Func:
			g, ok := o.Type().(*types.Signature)
			return ok && g.TypeParams() == nil
		}
		return false
	}
	if other == nil || !value(o) || !value(other) || o.Parent() != types.Universe && o.Parent() != scope ||
		!types.Identical(o.Type(), other.Type()) {
		return
	}
	kind := ""
	if _, function := o.(*types.Func); !function {
		t, ok := s.typeOf(n)
		if !ok {
			return
		}
		kind = "[" + t + "]"
	}
	s.wrap(n, fmt.Sprintf("mutantOr%s(%d, ", kind, s.number(id.Pos(), len(id.Name), 1)), ", "+before+with+")")
}

// written is the file with its switches.
func (s *switcher) written(source []byte) []byte {
	slices.Reverse(s.after)
	type place struct {
		edit
		rank int
	}
	var all []place
	for _, e := range s.after { // what ends before what begins, at the same byte
		all = append(all, place{e, 0})
	}
	for _, e := range s.before {
		all = append(all, place{e, 1})
	}
	slices.SortStableFunc(all, func(a, b place) int {
		if a.at != b.at {
			return a.at - b.at
		}
		return a.rank - b.rank
	})
	var out []byte
	at := 0
	for _, e := range all {
		out = append(out, source[at:e.at]...)
		out = append(out, e.text...)
		at = e.at + e.length
	}
	return append(out, source[at:]...)
}

// switchName is the file of the helpers in a package that is switched.
func switchName(dir string) string { return filepath.Join(dir, "mutants_switch.go") }
