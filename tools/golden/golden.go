// Package golden holds an answer of a test against one that somebody has looked
// at and kept in the package's testdata. It is for results that are too long
// for a table, such as drawings and whole rankings. FRESHSHARD_GOLDEN=write
// keeps what is there now: look at the difference before you commit it.
package golden

import (
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
	"testing"
)

// digits that are compared, behind the point.
const digits = 3

var number = regexp.MustCompile(`-?\d+\.\d+(e[-+]?\d+)?`)

// Lines are a value as JSON, a field a line, numbers rounded so that the last
// bits of a machine's arithmetic do not matter.
func Lines(t testing.TB, v any) string {
	t.Helper()
	b, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	text, err := laidOut(b, "")
	if err != nil {
		t.Fatal(err)
	}
	return number.ReplaceAllStringFunc(text, func(s string) string {
		f, err := strconv.ParseFloat(s, 64)
		if err != nil {
			return s
		}
		s = strconv.FormatFloat(f, 'f', digits, 64)
		s = strings.TrimRight(strings.TrimRight(s, "0"), ".")
		if s == "-0" {
			s = "0"
		}
		return s
	})
}

// Each is a list, an item a line, with what JSON leaves out.
func Each[T any](items []T) string {
	var b strings.Builder
	for _, i := range items {
		fmt.Fprintf(&b, "%+v\n", i)
	}
	return b.String()
}

// Check compares a text with the kept one of that name.
func Check(t testing.TB, name, got string) {
	t.Helper()
	file := filepath.Join("testdata", name+".golden")
	if os.Getenv("FRESHSHARD_GOLDEN") == "write" {
		if err := os.MkdirAll("testdata", 0o755); err != nil {
			t.Fatal(err)
		}
		if err := os.WriteFile(file, []byte(got), 0o644); err != nil {
			t.Fatal(err)
		}
		return
	}
	b, err := os.ReadFile(filepath.Clean(file))
	if err != nil {
		t.Fatal(err)
	}
	if string(b) == got {
		return
	}
	want, have := strings.Split(string(b), "\n"), strings.Split(got, "\n")
	for i := range want {
		if i >= len(have) || want[i] != have[i] {
			now := "(nothing)"
			if i < len(have) {
				now = have[i]
			}
			t.Errorf("%s, line %d: it is\n  %s\nand was\n  %s", file, i+1, now, want[i])
			return
		}
	}
	t.Errorf("%s: %d lines more than it had", file, len(have)-len(want))
}
