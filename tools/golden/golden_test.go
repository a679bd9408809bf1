package golden

import (
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"testing"
)

// said is a test that writes down what it is told instead of failing.
type said struct {
	testing.TB
	errors []string
	ended  bool
}

func (s *said) Helper() {}
func (s *said) Errorf(format string, args ...any) {
	s.errors = append(s.errors, fmt.Sprintf(format, args...))
}
func (s *said) Fatal(...any) { s.ended = true; panic("ended") }

// checked is what a test is told of a text, with what is kept beside it.
func checked(t *testing.T, kept, got string) *said {
	t.Helper()
	t.Setenv("FRESHSHARD_GOLDEN", "")
	t.Chdir(t.TempDir())
	if kept != "none" {
		if err := os.MkdirAll("testdata", 0o755); err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(filepath.Join("testdata", "x.golden"), []byte(kept), 0o600); err != nil {
			t.Fatal(err)
		}
	}
	s := &said{}
	func() {
		defer func() { _ = recover() }()
		Check(s, "x", got)
	}()
	return s
}

// What differs is said with its line, as it is and as it was: the first line that does, one too
// few, one too many; and nothing where nothing does.
func TestCheck(t *testing.T) {
	for _, c := range []struct{ name, kept, got, says string }{
		{"the same", "a\nb", "a\nb", ""},
		{"the second line", "a\nb\nc", "a\nx\ny", "line 2: it is\n  x\nand was\n  b"},
		{"the first line", "a", "b", "line 1: it is\n  b\nand was\n  a"},
		{"a line less", "a\nb", "a", "line 2: it is\n  (nothing)\nand was\n  b"},
		{"two lines more", "a", "a\nb\nc", "2 lines more than it had"},
	} {
		t.Run(c.name, func(t *testing.T) {
			s := checked(t, c.kept, c.got)
			if s.ended || (c.says == "") != (len(s.errors) == 0) || c.says != "" && (len(s.errors) != 1 ||
				!strings.Contains(s.errors[0], c.says)) {
				t.Errorf("%+v", s)
			}
		})
	}
	t.Run("nothing kept", func(t *testing.T) {
		if s := checked(t, "none", "a"); !s.ended {
			t.Error("what nobody kept was taken")
		}
	})
}

// What is written is what is read again.
func TestWritten(t *testing.T) {
	t.Chdir(t.TempDir())
	t.Setenv("FRESHSHARD_GOLDEN", "write")
	Check(t, "x", "a\nb\n")
	t.Setenv("FRESHSHARD_GOLDEN", "")
	Check(t, "x", "a\nb\n")
}

// Numbers are kept to a thousandth, without noughts behind; whole ones as they are.
func TestLines(t *testing.T) {
	got := Lines(t, map[string]any{"a": 1.23456, "b": 2.0004, "c": 3, "d": -0.0001, "e": 123456.7891, "f": "9.99999"})
	for _, want := range []string{`"a":1.235`, `"b":2,`, `"c":3,`, `"e":123456.789`, `"f":"10"`} {
		if !strings.Contains(got, want) {
			t.Errorf("%s is not in %s", want, got)
		}
	}
	if !strings.Contains(got, `"d":0`) || strings.Contains(got, "-0") {
		t.Error(got)
	}
	if got := Each([]struct{ A, B int }{{1, 2}, {3, 4}}); got != "{A:1 B:2}\n{A:3 B:4}\n" {
		t.Errorf("%q", got)
	}
}

// What fits a line stands on one; what does not is broken where it holds other things, and equal
// things in a row are counted.
func TestLinesAreLaidOut(t *testing.T) {
	long := strings.Repeat("x", 60)
	got := Lines(t, map[string]any{"a": []string{"fits", "fits", "tight"}, "b": long, "c": long,
		"d": slices.Repeat([]string{"equal in a row"}, 12)})
	want := "{\n \"a\": [\"fits\",\"fits\",\"tight\"], \"b\": \"" + long + "\",\n \"c\": \"" + long +
		"\",\n \"d\": [\n  \"equal in a row\" × 12\n ]\n}"
	if got != want {
		t.Errorf("%s\nwant %s", got, want)
	}
}
