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

// What cannot matter is not tried: how much room is made, tolerances, what stands beside an error,
// in how many bits a number is read, how far below nothing no place is.
func TestWhatCannotMatter(t *testing.T) {
	file := filepath.Join(t.TempDir(), "a.go")
	if err := os.WriteFile(file, []byte(`package a

func f(s string, p parser) (int, error) {
	out := make([]int, 3, 44)
	v, err := strconv.ParseFloat(s, 64)
	if err != nil {
		return 55, err
	}
	if v > 7+1e-9 {
		return 66, p.fail(2, "no")
	}
	if strconv.FormatFloat(v, 'f', -1, 64) == "" {
		return -1, nil
	}
	return out[5], fault.New("a", "b", "c")
}
`), 0o600); err != nil {
		t.Fatal(err)
	}
	all, err := inFile("freshshard/core/a", file)
	if err != nil {
		t.Fatal(err)
	}
	tried := map[string]int{}
	for _, c := range all {
		tried[strings.SplitN(c.what, " in ", 2)[0]]++
	}
	for _, not := range []string{"44 → 45", "64 → 65", "55 → 56", "66 → 67", "1e-9 → 1.25e-09", "5 → 6",
		"1 → 2", "> → >="} {
		if tried[not] > 0 {
			t.Errorf("%s is tried", not)
		}
	}
	for _, want := range []string{"3 → 4", "7 → 8", "2 → 3", "- → +", "> → <", "!= → =="} {
		if tried[want] == 0 {
			t.Errorf("%s is not tried: %v", want, tried)
		}
	}
}
