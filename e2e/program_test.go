package e2e

import (
	"bufio"
	"context"
	"fmt"
	"io"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"freshshard/e2e/browser"
)

// Shared by all walks: the built program and one browser.
var (
	binary string
	tabs   context.Context
)

func TestMain(m *testing.M) { os.Exit(run(m)) }

func run(m *testing.M) int {
	dir, err := os.MkdirTemp("", "fse2e")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer func() { _ = os.RemoveAll(dir) }()
	binary = filepath.Join(dir, "freshshard")
	if out, err := exec.Command("go", "build", "-o", binary, "freshshard/cmd/freshshard").CombinedOutput(); err != nil {
		fmt.Fprintf(os.Stderr, "%v\n%s", err, out)
		return 1
	}
	b, end, err := browser.Start(context.Background(), 1280, 800)
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer end()
	tabs = b
	return m.Run()
}

// program is a running freshshard with its own database.
type program struct {
	t    testing.TB
	kind string // demo or serve
	dir  string
	addr string // kept over restarts, so that open pages find it again
	url  string
	cmd  *exec.Cmd
	log  *tail
}

// tail keeps what a program printed.
type tail struct {
	mu sync.Mutex
	b  strings.Builder
}

func (l *tail) Write(p []byte) (int, error) {
	l.mu.Lock()
	defer l.mu.Unlock()
	return l.b.Write(p)
}

func (l *tail) String() string {
	l.mu.Lock()
	defer l.mu.Unlock()
	return l.b.String()
}

// start runs the program until the test ends: a made-up shop that was filled already.
func start(t testing.TB, kind string) *program {
	t.Helper()
	p := folder(t, kind)
	if kind == "demo" {
		madeUp.once.Do(func() { madeUp.fill(t) })
		if out, err := exec.Command("cp", "-a", madeUp.dir+"/.", p.dir).CombinedOutput(); err != nil {
			t.Fatalf("%v\n%s", err, out)
		}
	}
	p.begin()
	return p
}

// madeUp is the made-up shop, filled once; each test that wants one of its own has a copy.
var madeUp filled

type filled struct {
	once sync.Once
	dir  string
}

// fill fills the shop in a folder that lasts as long as the tests, and stops it.
func (f *filled) fill(t testing.TB) {
	t.Helper()
	f.dir = filepath.Join(filepath.Dir(binary), "shop")
	if err := os.Mkdir(f.dir, 0o700); err != nil {
		t.Fatal(err)
	}
	p := &program{t: t, kind: "demo", dir: f.dir, addr: "127.0.0.1:0"}
	defer p.stop()
	p.begin()
}

// folder is a program that was not started yet, and is stopped when the test ends.
func folder(t testing.TB, kind string) *program {
	t.Helper()
	dir, err := os.MkdirTemp("", "fsrun")
	if err != nil {
		t.Fatal(err)
	}
	p := &program{t: t, kind: kind, dir: dir, addr: "127.0.0.1:0"}
	t.Cleanup(func() {
		p.stop()
		_ = os.RemoveAll(dir)
	})
	return p
}

var address = regexp.MustCompile(`Fresh Shard is at (http://(\S+))`)

// begin starts it and waits until it is filled.
func (p *program) begin() {
	p.t.Helper()
	p.serves()
	p.full()
}

// full waits until nothing is left to be filled.
func (p *program) full() {
	p.t.Helper()
	for end := time.Now().Add(6 * time.Minute); ; time.Sleep(50 * time.Millisecond) {
		// A filling that broke begins anew at the same address; nobody answers for a moment.
		if res, err := http.Get(p.url + "/healthz"); err == nil {
			body, err := io.ReadAll(res.Body)
			_ = res.Body.Close()
			if err == nil && strings.Contains(string(body), "well") {
				return
			}
		}
		if time.Now().After(end) {
			p.t.Fatalf("the shop was not filled:\n%s", p.log)
		}
	}
}

// serves starts it and waits until it serves.
func (p *program) serves() {
	p.t.Helper()
	p.log = &tail{}
	p.cmd = exec.Command(binary, p.kind, "--addr", p.addr, "--dir", p.dir)
	out, in := io.Pipe()
	p.cmd.Stdout, p.cmd.Stderr = io.MultiWriter(p.log, in), p.log
	if err := p.cmd.Start(); err != nil {
		p.t.Fatal(err)
	}
	found := make(chan [2]string, 1)
	go func() {
		s := bufio.NewScanner(out)
		for s.Scan() {
			if m := address.FindStringSubmatch(s.Text()); m != nil {
				found <- [2]string{m[1], m[2]}
			}
		}
	}()
	select {
	case m := <-found:
		p.url, p.addr = m[0], m[1]
	case <-time.After(90 * time.Second):
		p.t.Fatalf("the program did not come up:\n%s", p.log)
	}
}

// stop ends it as Ctrl-C does.
func (p *program) stop() {
	if p.cmd == nil {
		return
	}
	_ = p.cmd.Process.Signal(os.Interrupt)
	_ = p.cmd.Wait()
	p.cmd = nil
}

// kill ends it without a word, as a power cut would, the database with it when
// asked.
func (p *program) kill(database bool) {
	p.t.Helper()
	if database {
		b, err := os.ReadFile(filepath.Join(p.dir, "server.pid"))
		if err != nil {
			p.t.Fatal(err)
		}
		var pid int
		if _, err := fmt.Sscan(string(b), &pid); err != nil {
			p.t.Fatal(err)
		}
		if err := syscall.Kill(pid, syscall.SIGKILL); err != nil {
			p.t.Fatal(err)
		}
	}
	_ = p.cmd.Process.Kill()
	_ = p.cmd.Wait()
	p.cmd = nil
}
