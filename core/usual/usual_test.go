package usual

import (
	"go/ast"
	"go/parser"
	"go/token"
	"strconv"
	"strings"
	"testing"
	"time"

	"freshshard/core/catalogue"
	"freshshard/core/value"
)

// Each name has its row and each row its name; a row says what it is, lies within its own bounds,
// and stands once.
func TestEachNameHasItsRow(t *testing.T) {
	tree, err := parser.ParseFile(token.NewFileSet(), "usual.go", nil, 0)
	if err != nil {
		t.Fatal(err)
	}
	named := map[string]bool{}
	ast.Inspect(tree, func(n ast.Node) bool {
		s, ok := n.(*ast.ValueSpec)
		if !ok || len(s.Values) != 1 {
			return true
		}
		if id, ok := s.Type.(*ast.Ident); ok && id.Name == "Key" {
			key, err := strconv.Unquote(s.Values[0].(*ast.BasicLit).Value)
			if err != nil {
				t.Fatal(err)
			}
			named[key] = true
		}
		return true
	})
	seen := map[Key]bool{}
	for _, g := range Book.All() {
		for _, r := range g.Rows {
			switch {
			case seen[r.Item]:
				t.Errorf("%s stands twice", r.Item)
			case !named[string(r.Item)]:
				t.Errorf("%s has no name", r.Item)
			case r.Name == "" || r.Value.Origin.Check() != nil:
				t.Errorf("%s does not say what it is or where it is from", r.Item)
			case r.Value.V < r.Least || r.Value.V > r.Most:
				t.Errorf("%s: %v lies outside of %v to %v", r.Item, r.Value.V, r.Least, r.Most)
			}
			seen[r.Item] = true
		}
	}
	if len(seen) != len(named) {
		t.Errorf("%d rows, %d names", len(seen), len(named))
	}
}

// A shop's own number goes before the book's, for its rule alone, with who set it.
func TestOwnGoesFirst(t *testing.T) {
	vs := catalogue.Values{{Kind: catalogue.Usual, ID: "days", Item: "visit", V: 120, Sheet: "the ferry's hours",
		By: "Mira Quill", At: time.Date(2026, 3, 5, 9, 0, 0, 0, time.UTC)}}
	if got := Of(vs, Visit); got != 120 {
		t.Errorf("a visit lasts %v", got)
	}
	if got := Of(nil, Visit); got != 300 {
		t.Errorf("the book's visit lasts %v", got)
	}
	if got := Of(vs, OneGo); got != 90 {
		t.Errorf("another rule is %v", got)
	}
	if o := In(vs, Visit).Origin; o.Kind != value.Shop || !strings.Contains(o.String(), "Mira Quill") {
		t.Errorf("it is from %s", o)
	}
}

// What a shop may set, just inside, at and just outside of its bounds; a rule that is not in the
// book is refused at its field.
func TestCheckOwn(t *testing.T) {
	for _, c := range []struct {
		id, item string
		v        float64
		says     string
	}{
		{"days", "visit", 30, ""}, {"days", "visit", 29.9, "30 to 720 min"}, {"days", "visit", 720, ""},
		{"days", "visit", 720.1, "30 to 720 min"}, {"cut-room", "saw_kerf", 3.2, ""},
		{"days", "saw_kerf", 3.2, "no rule of thumb"}, {"nowhere", "visit", 60, "no rule of thumb"},
		{"days", "nothing", 60, "no value is called"},
	} {
		err := CheckOwn(catalogue.Value{Kind: catalogue.Usual, ID: c.id, Item: c.item, V: c.v})
		if (err == nil) != (c.says == "") || err != nil && !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s %s %v: %v", c.id, c.item, c.v, err)
		}
	}
}
