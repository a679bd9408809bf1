// Mutants changes the core in one place at a time, a comparison, a sign, a
// constant, a returned verdict, runs the tests of the changed package, and lists
// the changes that no test noticed. A verdict that can be changed unnoticed is
// one that nobody has pinned.
//
//	go run ./internal/mutants -packages ./core/... -sample 400
package main

import (
	"context"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"sort"
	"strings"
	"sync"
	"time"
)

func main() {
	packages := flag.String("packages", "./core/...", "which packages to change")
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
	work := make(chan int)
	outcomes := make([]string, len(all))
	var wg sync.WaitGroup
	for n := range jobs {
		wg.Go(func() {
			for i := range work {
				outcomes[i] = try(ctx, filepath.Join(dir, fmt.Sprint(n)), all[i])
			}
		})
	}
	for i := range all {
		work <- i
		if i%50 == 49 {
			fmt.Fprintf(os.Stderr, "%d of %d\n", i+1, len(all))
		}
	}
	close(work)
	wg.Wait()
	report(all, outcomes)
	return nil
}

// testTime is after how long a test is taken to hang in a loop that the change
// has made endless: it was noticed.
const testTime = 90 * time.Second

// try runs the tests of a package with one change laid over its source.
func try(ctx context.Context, dir string, c change) string {
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return err.Error()
	}
	changed, overlay := filepath.Join(dir, "changed.go"), filepath.Join(dir, "overlay.json")
	b, err := json.Marshal(map[string]any{"Replace": map[string]string{c.file: changed}})
	if err != nil {
		return err.Error()
	}
	if err := errors.Join(os.WriteFile(changed, c.apply(), 0o600), os.WriteFile(overlay, b, 0o600)); err != nil {
		return err.Error()
	}
	ctx, cancel := context.WithTimeout(ctx, testTime)
	defer cancel()
	out, err := exec.CommandContext(ctx, "go", "test", "-overlay", overlay, "-count", "1", "-timeout",
		(testTime - 10*time.Second).String(), "-failfast", "-vet", "off", c.pkg).CombinedOutput()
	switch {
	case err == nil:
		return survived
	case strings.Contains(string(out), "[build failed]") || strings.Contains(string(out), "[setup failed]"):
		return unbuilt
	}
	return noticed
}

// report prints the survivors and the share of each package.
func report(all []change, outcomes []string) {
	type count struct{ tried, survived int }
	by := map[string]*count{}
	var lines []string
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
			lines = append(lines, fmt.Sprintf("%s: %s", c.where, c.what))
		}
	}
	sort.Strings(lines)
	for _, l := range lines {
		fmt.Println(l)
	}
	names := make([]string, 0, len(by))
	for n := range by {
		names = append(names, n)
	}
	sort.Strings(names)
	fmt.Println()
	for _, n := range names {
		fmt.Printf("%-36s %4d tried, %3d survived\n", n, by[n].tried, by[n].survived)
	}
	fmt.Printf("%-36s %4d tried, %3d survived, %.1f in a hundred\n", "all", total.tried, total.survived,
		100*float64(total.survived)/float64(max(1, total.tried)))
}
