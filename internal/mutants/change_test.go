package main

import (
	"os"
	"path/filepath"
	"strings"
	"testing"
)

// Each kind of change is found, once for each way, and nothing else.
func TestChanges(t *testing.T) {
	file := filepath.Join(t.TempDir(), "a.go")
	source := `package a

import "math"

type T struct {
	A float64 ` + "`json:\"a\" minimum:\"3\"`" + `
}

const limit = 56.0

func f(x float64, n int) (string, bool) {
	if x > limit && !(n == 2) {
		return Stop, true
	}
	return "text 7", math.Min(x, -1.5) < 0
}
`
	if err := os.WriteFile(file, []byte(source), 0o600); err != nil {
		t.Fatal(err)
	}
	all, err := inFile("freshshard/core/a", file)
	if err != nil {
		t.Fatal(err)
	}
	got := map[string]bool{}
	for _, c := range all {
		w := strings.SplitN(c.what, " in ", 2)[0]
		got[w] = true
		if b := string(c.apply()); b == source || len(b) < len(source)-3 {
			t.Errorf("%s changes nothing, or too much", w)
		}
	}
	for _, want := range []string{"56.0 → 70", "> → >=", "> → <", "&& → ||", "! → ", "== → !=", "2 → 3",
		"Stop → Warn", "true → false", "Min → Max", "- → +", "1.5 → 1.875", "< → <=", "< → >", "0 → 1"} {
		if !got[want] {
			t.Errorf("no %q among %v", want, got)
		}
		delete(got, want)
	}
	if len(got) > 0 {
		t.Errorf("changes that make no sense: %v", got)
	}
}
