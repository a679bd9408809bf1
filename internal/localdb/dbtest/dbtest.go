// Package dbtest gives tests a database server of their own.
package dbtest

import (
	"context"
	"fmt"
	"os"
	"slices"
	"strings"
	"sync/atomic"
	"testing"

	"freshshard/internal/localdb"
)

var tests atomic.Int64

// Run starts a server in a temporary folder for the tests of a package
// runs them and stops it. Use it from TestMain.
func Run(m *testing.M, use func(*localdb.Server)) int {
	// A parser is fuzzed by many processes; none of them needs a database.
	if slices.ContainsFunc(os.Args, func(a string) bool { return strings.HasPrefix(a, "-test.fuzz=") }) {
		return m.Run()
	}
	dir, err := Quick("fsdb")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer func() { _ = os.RemoveAll(dir) }()
	s, err := localdb.Start(context.Background(), dir)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer func() { _ = s.Stop() }()
	use(s)
	return m.Run()
}

// Fresh makes an empty database for one test and gives its address.
func Fresh(t testing.TB, s *localdb.Server) string {
	t.Helper()
	name := fmt.Sprintf("test_%d_%d", os.Getpid(), tests.Add(1))
	if err := s.Create(context.Background(), name); err != nil {
		t.Fatal(err)
	}
	return s.DSN(name)
}
