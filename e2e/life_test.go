package e2e

import (
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"syscall"
	"testing"
	"time"
)

func (p *program) databasePID() int {
	p.t.Helper()
	b, err := os.ReadFile(filepath.Join(p.dir, "server.pid"))
	if err != nil {
		p.t.Fatal(err)
	}
	var pid int
	if _, err := fmt.Sscan(string(b), &pid); err != nil {
		p.t.Fatal(err)
	}
	return pid
}

func running(pid int) bool {
	b, err := os.ReadFile(fmt.Sprintf("/proc/%d/stat", pid))
	return err == nil && !strings.Contains(string(b), ") Z ")
}

// get makes a call by itself and tells its status and how long it took.
func (p *program) get(method, path, cookie, body string) (*http.Response, string, time.Duration) {
	p.t.Helper()
	q, err := http.NewRequest(method, p.url+path, strings.NewReader(body))
	if err != nil {
		p.t.Fatal(err)
	}
	q.Header.Set("Content-Type", "application/json")
	q.Header.Set("Cookie", cookie)
	start := time.Now()
	res, err := (&http.Client{Timeout: time.Minute}).Do(q)
	if err != nil {
		p.t.Fatal(err)
	}
	defer func() { _ = res.Body.Close() }()
	b, err := io.ReadAll(res.Body)
	if err != nil {
		p.t.Fatal(err)
	}
	return res, string(b), time.Since(start)
}

func (p *program) enter() string {
	p.t.Helper()
	res, body, _ := p.get("POST", "/api/session", "", `{"login":"mira","password":"lantern yard glass"}`)
	if res.StatusCode != 200 {
		p.t.Fatalf("%d %s", res.StatusCode, body)
	}
	return res.Cookies()[0].Name + "=" + res.Cookies()[0].Value
}

// The program's life beside its database: a second one is refused, a frozen
// one is told, a dead one comes back, and stopping ends streams at once and
// leaves nothing running.
func TestLife(t *testing.T) {
	t.Parallel()
	p := start(t, "demo")
	cookie := p.enter()
	if out, err := exec.Command(binary, "demo", "--addr", "127.0.0.1:0", "--dir", p.dir).CombinedOutput(); err == nil ||
		!strings.Contains(string(out), "another Fresh Shard (process") {
		t.Errorf("a second program on the folder: %v\n%s", err, out)
	}
	if res, body, _ := p.get("GET", "/healthz", "", ""); res.StatusCode != 200 {
		t.Errorf("the second one took something away: %d %s", res.StatusCode, body)
	}

	db := p.databasePID()
	if err := syscall.Kill(db, syscall.SIGSTOP); err != nil {
		t.Fatal(err)
	}
	time.Sleep(200 * time.Millisecond) // all of its threads stand still
	res, _, took := p.get("GET", "/healthz", "", "")
	if res.StatusCode != 503 || took > 5*time.Second {
		t.Errorf("frozen, health is %d after %v", res.StatusCode, took)
	}
	res, body, took := p.get("GET", "/api/today", cookie, "")
	if res.StatusCode != 503 || took > 40*time.Second || !strings.Contains(body, "cannot be reached just now") {
		t.Errorf("frozen, a call is %d after %v: %s", res.StatusCode, took, body)
	}
	if err := syscall.Kill(db, syscall.SIGCONT); err != nil {
		t.Fatal(err)
	}
	p.well(5 * time.Second)

	if err := syscall.Kill(db, syscall.SIGKILL); err != nil {
		t.Fatal(err)
	}
	p.well(10 * time.Second)
	if res, body, _ := p.get("GET", "/api/today", cookie, ""); res.StatusCode != 200 {
		t.Errorf("after it came back: %d %s", res.StatusCode, body)
	}

	q, err := http.NewRequest("GET", p.url+"/api/instruments/stream", nil)
	if err != nil {
		t.Fatal(err)
	}
	q.Header.Set("Cookie", cookie)
	stream, err := http.DefaultClient.Do(q)
	if err != nil || stream.StatusCode != 200 {
		t.Fatalf("%v, %v", stream, err)
	}
	defer func() { _ = stream.Body.Close() }()
	db = p.databasePID()
	start := time.Now()
	// As a terminal does that is closed.
	if err := p.cmd.Process.Signal(syscall.SIGHUP); err != nil {
		t.Fatal(err)
	}
	_ = p.cmd.Wait()
	p.cmd = nil
	if took := time.Since(start); took > 8*time.Second {
		t.Errorf("stopping with an open stream took %v", took)
	}
	if running(db) {
		t.Error("the database runs on")
	}
}

// well waits until the program is.
func (p *program) well(most time.Duration) {
	p.t.Helper()
	for end := time.Now().Add(most); ; time.Sleep(50 * time.Millisecond) {
		if res, _, _ := p.get("GET", "/healthz", "", ""); res.StatusCode == 200 {
			return
		}
		if time.Now().After(end) {
			p.t.Fatalf("not well again within %v\n%s", most, p.log)
		}
	}
}

// The way back from an archive on a fresh machine, word for word as the page on
// backups says it.
func TestBackupPage(t *testing.T) {
	t.Parallel()
	page, err := os.ReadFile("../docs/backup/README.md")
	if err != nil {
		t.Fatal(err)
	}
	var commands []string
	block := false
	for _, l := range strings.Split(string(page), "\n") {
		switch {
		case strings.HasPrefix(l, "```"):
			block = !block && strings.HasPrefix(l, "```sh")
		case block && strings.TrimSpace(l) != "":
			commands = append(commands, l)
		}
	}
	if len(commands) < 4 {
		t.Fatalf("the page has %d commands", len(commands))
	}
	p := start(t, "demo")
	work := t.TempDir()
	run := func(command string) string {
		t.Helper()
		c := exec.Command("sh", "-c", command)
		c.Dir, c.Env = work, append(os.Environ(), "PATH="+filepath.Dir(binary)+":"+os.Getenv("PATH"), "OLD="+p.dir)
		out, err := c.CombinedOutput()
		if err != nil {
			t.Fatalf("%s: %v\n%s", command, err, out)
		}
		return string(out)
	}
	if err := os.Mkdir(filepath.Join(work, "bin"), 0o700); err != nil {
		t.Fatal(err)
	}
	if err := os.Symlink(binary, filepath.Join(work, "bin", "freshshard")); err != nil {
		t.Fatal(err)
	}
	if err := os.Symlink(p.dir, filepath.Join(work, "old")); err != nil {
		t.Fatal(err)
	}
	for _, c := range commands {
		if strings.Contains(c, "freshshard serve") {
			continue // it would go on serving; the next lines look at what it would serve
		}
		out := run(c)
		if strings.Contains(c, "restore") && !strings.Contains(out, "Restored in") {
			t.Errorf("%s: %s", c, out)
		}
		if strings.Contains(c, "verify") && !strings.Contains(out, "The backup is whole") {
			t.Errorf("%s: %s", c, out)
		}
	}
	// A program on the restored folder has the same shop.
	other := &program{t: t, kind: "serve", dir: filepath.Join(work, "var", "shop"), addr: "127.0.0.1:0"}
	t.Cleanup(other.stop)
	other.begin()
	var was, is struct{ Open, Signed int }
	for at, into := range map[*program]any{p: &was, other: &is} {
		_, body, _ := at.get("GET", "/api/today", at.enter(), "")
		if err := json.Unmarshal([]byte(body), into); err != nil {
			t.Fatal(err)
		}
	}
	if was != is || is.Open == 0 || is.Signed == 0 {
		t.Errorf("it was %+v and is %+v", was, is)
	}
}
