// Mutants changes the core in one place at a time, a comparison, a sign, a
// constant, a returned verdict, runs the tests of the changed package, and lists
// the changes that no test noticed. A verdict that can be changed unnoticed is
// one that nobody has pinned.
//
//	go run ./tools/mutants -packages ./core/... -sample 400
//	go run ./tools/mutants -packages ./internal/stock -tests ./internal/shop -sample 20
package main

import (
	"context"
	"encoding/json"
	"flag"
	"fmt"
	"maps"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"sort"
	"strings"
	"time"
)

func main() {
	packages := flag.String("packages", "./core/...", "which packages to change")
	flag.StringVar(&elsewhere, "tests", "", "package whose tests are run, where those of the changed one stand elsewhere")
	sample := flag.Int("sample", 0, "how many changes to try, drawn evenly; 0 for all")
	seed := flag.Uint64("seed", 1, "which sample")
	jobs := flag.Int("jobs", 2, "how many at once")
	flag.Parse()
	if err := run(*packages, *sample, *seed, *jobs); err != nil {
		fmt.Fprintln(os.Stderr, "mutants:", err)
		os.Exit(1)
	}
}

// Outcomes of a change.
const (
	noticed  = "noticed"
	survived = "survived"
	unbuilt  = "does not build"
)

func run(pattern string, sample int, seed uint64, jobs int) error {
	ctx := context.Background()
	all, err := changesOf(ctx, pattern)
	if err != nil {
		return err
	}
	rand.New(rand.NewPCG(seed, 1)).Shuffle(len(all), func(i, k int) { all[i], all[k] = all[k], all[i] })
	if sample > 0 && sample < len(all) {
		all = all[:sample]
	}
	dir, err := os.MkdirTemp("", "mutants")
	if err != nil {
		return err
	}
	defer func() { _ = os.RemoveAll(dir) }()
	byPackage := map[string][]int{}
	for i, c := range all {
		byPackage[c.pkg] = append(byPackage[c.pkg], i)
	}
	outcomes := make([]string, len(all))
	types := newTypes()
	for n, pkg := range slices.Sorted(maps.Keys(byPackage)) {
		mine := byPackage[pkg]
		changes := make([]change, len(mine))
		for k, i := range mine {
			changes[k] = all[i]
		}
		fmt.Fprintf(os.Stderr, "%s: %d changes\n", pkg, len(mine))
		s := switched(ctx, filepath.Join(dir, fmt.Sprint(n)), types, changes)
		tried := s.tryAll(ctx, changes, jobs)
		for k, o := range tried {
			outcomes[mine[k]] = o
		}
		tell(changes, tried)
	}
	report(all, outcomes)
	return nil
}

// elsewhere is the package whose tests are run in place of those of the changed one.
var elsewhere string

// testsOf is the package whose tests are run when one is changed.
func testsOf(pkg string) string {
	if elsewhere != "" {
		return elsewhere
	}
	return pkg
}

// hung is after how long a test is taken to hang in a loop that a change has made
// endless: it was noticed.
func hung() time.Duration {
	if elsewhere != "" { // the tests of a whole shop
		return 10 * time.Minute
	}
	return 90 * time.Second
}

// oneByOne builds and runs the tests of a package with one change laid over its source.
func oneByOne(ctx context.Context, dir string, c change) string {
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return err.Error()
	}
	changed := filepath.Join(dir, "changed.go")
	if err := os.WriteFile(changed, c.apply(), 0o600); err != nil {
		return err.Error()
	}
	over, err := overlay(dir, map[string]string{c.file: changed})
	if err != nil {
		return err.Error()
	}
	ctx, cancel := context.WithTimeout(ctx, hung())
	defer cancel()
	out, err := exec.CommandContext(ctx, "go", "test", "-overlay", over, "-count", "1", "-timeout",
		(hung() - 10*time.Second).String(), "-failfast", "-vet", "off", testsOf(c.pkg)).CombinedOutput()
	switch {
	case err == nil:
		return survived
	case strings.Contains(string(out), "[build failed]") || strings.Contains(string(out), "[setup failed]"):
		return unbuilt
	}
	return noticed
}

// overlay writes what the compiler takes in place of files.
func overlay(dir string, files map[string]string) (string, error) {
	b, err := json.Marshal(map[string]any{"Replace": files})
	if err != nil {
		return "", err
	}
	name := filepath.Join(dir, "overlay.json")
	return name, os.WriteFile(name, b, 0o600)
}

// tell prints the survivors of a package.
func tell(changes []change, outcomes []string) {
	var lines []string
	for i, c := range changes {
		if outcomes[i] != noticed && outcomes[i] != unbuilt {
			lines = append(lines, fmt.Sprintf("%s: %s", c.where, c.what))
		}
	}
	sort.Strings(lines)
	for _, l := range lines {
		fmt.Println(l)
	}
}

// report prints the share of each package.
func report(all []change, outcomes []string) {
	type count struct{ tried, survived int }
	by := map[string]*count{}
	total := count{}
	for i, c := range all {
		if outcomes[i] == unbuilt {
			continue
		}
		n := by[c.pkg]
		if n == nil {
			n = &count{}
			by[c.pkg] = n
		}
		n.tried++
		total.tried++
		if outcomes[i] != noticed {
			n.survived++
			total.survived++
		}
	}
	fmt.Println()
	for _, n := range slices.Sorted(maps.Keys(by)) {
		fmt.Printf("%-36s %4d tried, %3d survived\n", n, by[n].tried, by[n].survived)
	}
	fmt.Printf("%-36s %4d tried, %3d survived, %.1f in a hundred\n", "all", total.tried, total.survived,
		100*float64(total.survived)/float64(max(1, total.tried)))
}
