package main

import (
	"context"
	"fmt"
	"go/ast"
	"go/importer"
	"go/parser"
	"go/token"
	"go/types"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
	"sync"
	"time"
)

// typesOf reads packages with the types of their expressions.
type typesOf struct {
	set  *token.FileSet
	from types.Importer
}

func newTypes() typesOf {
	set := token.NewFileSet()
	return typesOf{set, importer.ForCompiler(set, "source", nil)}
}

// tests are a package's tests, built once, in which each change has a switch. What has
// none is built and run by itself.
type tests struct {
	dir, binary, folder string
	number              map[*change]int
	usual               time.Duration // that the tests take with nothing changed
	quick               time.Duration // that those take which are asked first
	slow                string        // pattern of those that take long: they are asked last
	why                 error         // that there is no binary
}

// switched builds the tests of the package that the changes are of.
func switched(ctx context.Context, dir string, t typesOf, changes []change) tests {
	out := tests{dir: dir, binary: filepath.Join(dir, "all.test"), folder: filepath.Dir(changes[0].file),
		number: map[*change]int{}}
	if out.why = os.MkdirAll(dir, 0o700); out.why != nil {
		return out
	}
	if out.why = out.build(ctx, t, changes); out.why != nil {
		fmt.Fprintf(os.Stderr, "%s is built anew for each change: %v\n", changes[0].pkg, out.why)
		return out
	}
	began := time.Now()
	said, ok := out.run(ctx, 0, hung(), "-test.v")
	if !ok {
		out.why = fmt.Errorf("its tests fail with switches that are all off")
		fmt.Fprintf(os.Stderr, "%s is built anew for each change: %v\n", changes[0].pkg, out.why)
	}
	out.usual = time.Since(began)
	var slow []string
	for _, m := range passed.FindAllStringSubmatch(said, -1) {
		if s, err := strconv.ParseFloat(m[2], 64); err == nil && s > long.Seconds() {
			slow = append(slow, m[1])
		}
	}
	out.quick = out.usual
	if len(slow) > 0 {
		out.slow = "^(" + strings.Join(slow, "|") + ")$"
		began = time.Now()
		out.run(ctx, 0, hung(), "-test.skip", out.slow)
		out.quick = time.Since(began)
	}
	return out
}

func (t *tests) build(ctx context.Context, read typesOf, changes []change) error {
	paths, err := filepath.Glob(filepath.Join(t.folder, "*.go"))
	if err != nil {
		return err
	}
	var files []*ast.File
	var names []string
	for _, p := range paths {
		if isTest(p) {
			continue
		}
		f, err := parser.ParseFile(read.set, p, nil, 0)
		if err != nil {
			return err
		}
		files, names = append(files, f), append(names, p)
	}
	info := &types.Info{Types: map[ast.Expr]types.TypeAndValue{}, Uses: map[*ast.Ident]types.Object{}}
	pkg, err := (&types.Config{Importer: read.from}).Check(changes[0].pkg, read.set, files, info)
	if err != nil {
		return err
	}
	helper := filepath.Join(t.dir, "helper.go")
	if err := os.WriteFile(helper, fmt.Appendf(nil, helpers, pkg.Name()), 0o600); err != nil {
		return err
	}
	over, next := map[string]string{switchName(t.folder): helper}, 1
	for i, f := range files {
		source, err := os.ReadFile(filepath.Clean(names[i]))
		if err != nil {
			return err
		}
		s := switcher{pkg: pkg, info: info, set: read.set, file: f, next: &next, ids: map[[2]int][]int{}}
		ast.Inspect(f, s.visit)
		over[names[i]] = filepath.Join(t.dir, strconv.Itoa(i)+".go")
		if err := os.WriteFile(over[names[i]], s.written(source), 0o600); err != nil {
			return err
		}
		for k := range changes {
			c := &changes[k]
			at := [2]int{c.from, c.to - c.from}
			if c.file == names[i] && c.way < len(s.ids[at]) {
				t.number[c] = s.ids[at][c.way]
			}
		}
	}
	file, err := overlay(t.dir, over)
	if err != nil {
		return err
	}
	if out, err := exec.CommandContext(ctx, "go", "test", "-c", "-vet", "off", "-overlay", file, "-o", t.binary,
		testsOf(changes[0].pkg)).CombinedOutput(); err != nil {
		return fmt.Errorf("%w: %s", err, out)
	}
	return nil
}

// long is what a test takes that is asked only when no other has noticed a change.
const long = 500 * time.Millisecond

var passed = regexp.MustCompile(`(?m)^--- PASS: (\w+) \(([\d.]+)s\)`)

// run runs tests with one change on, or with none, and says whether they pass.
func (t *tests) run(ctx context.Context, number int, limit time.Duration, flags ...string) (string, bool) {
	ctx, cancel := context.WithTimeout(ctx, limit)
	defer cancel()
	c := exec.CommandContext(ctx, t.binary, append(flags, "-test.failfast")...)
	c.Dir = t.folder
	if elsewhere != "" {
		c.Dir = elsewhere
	}
	c.Env = append(os.Environ(), "MUTANT="+strconv.Itoa(number))
	out, err := c.Output()
	return string(out), err == nil
}

// notices says whether a test notices the change of that number.
func (t *tests) notices(ctx context.Context, number int) bool {
	var skip []string
	if t.slow != "" {
		skip = []string{"-test.skip", t.slow}
	}
	if _, passes := t.run(ctx, number, min(hung(), 10*t.quick+5*time.Second), skip...); !passes || t.slow == "" {
		return !passes
	}
	_, passes := t.run(ctx, number, min(hung(), 4*t.usual+5*time.Second), "-test.run", t.slow)
	return !passes
}

// tryAll tries each change, several at once.
func (t *tests) tryAll(ctx context.Context, changes []change, jobs int) []string {
	out := make([]string, len(changes))
	work := make(chan int)
	var wg sync.WaitGroup
	for n := range jobs {
		wg.Go(func() {
			for i := range work {
				if number := t.number[&changes[i]]; number > 0 && t.why == nil {
					out[i] = survived
					if t.notices(ctx, number) {
						out[i] = noticed
					}
					continue
				}
				out[i] = oneByOne(ctx, filepath.Join(t.dir, fmt.Sprint("one", n)), changes[i])
			}
		})
	}
	for i := range changes {
		work <- i
	}
	close(work)
	wg.Wait()
	return out
}
