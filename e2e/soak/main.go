// Soak kills the program, its database or both again and again while people
// write, at any moment, first start and first fill included, and counts what
// was lost and how long the next start took.
//
//	go run ./e2e/soak -kills 100
package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"
)

// What is killed.
var targets = []string{"program", "database", "both"}

// A next start is good within this: the program serves, the records answer, and
// where something is left to be filled it says how far it is.
const goodStart = 5 * time.Second

// firstShare is how many of the kills fall into a first start.
const firstShare = 4 // one in four

func main() {
	kills := flag.Int("kills", 100, "kills of each kind")
	flag.Parse()
	if err := soak(*kills); err != nil {
		fmt.Fprintln(os.Stderr, "soak:", err)
		os.Exit(1)
	}
}

// count is what came of the kills of one kind.
type count struct {
	kills, acknowledged, lost, late int
	starts                          []time.Duration // until it serves
	filling                         []time.Duration // until it is filled, after a first start was cut off
}

func soak(kills int) error {
	dir, err := os.MkdirTemp("", "fssoak")
	if err != nil {
		return err
	}
	defer func() { _ = os.RemoveAll(dir) }()
	binary := filepath.Join(dir, "freshshard")
	if out, err := exec.Command("go", "build", "-o", binary, "freshshard/cmd/freshshard").CombinedOutput(); err != nil {
		return fmt.Errorf("%w\n%s", err, out)
	}
	r := rand.New(rand.NewPCG(uint64(time.Now().UnixNano()), 1))
	failed := false
	for _, target := range targets {
		var c count
		for c.kills < kills {
			home := filepath.Join(dir, fmt.Sprintf("%s-%d", target, c.kills))
			n := min(firstShare+r.IntN(firstShare), kills-c.kills)
			if err := shopLife(&c, binary, home, target, n, r); err != nil {
				return fmt.Errorf("%s, kill %d: %w", target, c.kills, err)
			}
			_ = os.RemoveAll(home)
			fmt.Fprintf(os.Stderr, "\r%s: %d of %d ", target, c.kills, kills)
		}
		fmt.Fprint(os.Stderr, "\r")
		fmt.Println(c.line(target))
		failed = failed || c.lost > 0 || c.late > 0
	}
	if failed {
		return errors.New("something was lost, or a start was late")
	}
	return nil
}

func (c count) line(target string) string {
	longest := func(d []time.Duration) string {
		if len(d) == 0 {
			return "-"
		}
		return fmt.Sprintf("%.1f s", slices.Max(d).Seconds())
	}
	return fmt.Sprintf("%-8s  %d kills, %d writes acknowledged, %d lost; longest next start %s; filled after a first "+
		"start that was cut off in %s; %d starts late",
		target, c.kills, c.acknowledged, c.lost, longest(c.starts), longest(c.filling), c.late)
}

// shopLife is one shop from its first start through n kills, the first of them
// during that start.
func shopLife(c *count, binary, home, target string, n int, r *rand.Rand) error {
	known := map[int64]string{}
	p, err := begin(binary, home)
	if err != nil {
		return err
	}
	defer func() { p.kill("both") }()
	time.Sleep(time.Duration(r.Int64N(int64(9 * time.Second))))
	filled := p.isFull()
	p.kill(target)
	c.kills++
	for {
		start := time.Now()
		// A program whose database alone was killed brings it back by itself.
		if target != "database" || p.gone() {
			if p, err = begin(binary, home); err != nil {
				return err
			}
		}
		err := p.up()
		if errors.Is(err, errEnded) && target == "database" && !filled {
			// Without its database a program that was being filled gives up,
			// and says so; the next start is the one that counts.
			start = time.Now()
			if p, err = begin(binary, home); err == nil {
				err = p.up()
			}
		}
		if err != nil {
			return err
		}
		took := time.Since(start)
		c.starts = append(c.starts, took)
		if took > goodStart {
			c.late++
		}
		if err := p.full(); err != nil {
			return err
		}
		if !filled {
			c.filling = append(c.filling, time.Since(start))
		}
		filled = true
		lost, err := p.missing(known)
		if err != nil {
			return err
		}
		c.lost += lost
		if n--; n <= 0 {
			return p.stop()
		}
		c.acknowledged += p.writeUntilKilled(known, target, time.Duration(r.Int64N(int64(1500*time.Millisecond))))
		c.kills++
	}
}

// program is a running demo.
type program struct {
	cmd    *exec.Cmd
	home   string
	url    chan string
	at     string
	exited chan struct{}
	log    *bytes.Buffer
	client http.Client
	cookie string
}

// errEnded is a program that ended by itself.
var errEnded = errors.New("it did not come up")

var address = regexp.MustCompile(`Fresh Shard is at (http://\S+)`)

func begin(binary, home string) (*program, error) {
	p := &program{cmd: exec.Command(binary, "demo", "--addr", "127.0.0.1:0", "--dir", home), home: home,
		url: make(chan string, 1), exited: make(chan struct{}), log: &bytes.Buffer{}}
	p.client.Timeout = 30 * time.Second
	out, err := p.cmd.StdoutPipe()
	if err != nil {
		return nil, err
	}
	p.cmd.Stderr = p.log
	if err := p.cmd.Start(); err != nil {
		return nil, err
	}
	go func() {
		s := bufio.NewScanner(out)
		for s.Scan() {
			if m := address.FindStringSubmatch(s.Text()); m != nil {
				select {
				case p.url <- m[1]:
				default: // it began anew, at the same address
				}
			}
		}
		_ = p.cmd.Wait()
		close(p.exited)
	}()
	return p, nil
}

// isFull says whether the program serves and has nothing left to fill.
func (p *program) isFull() bool {
	select {
	case p.at = <-p.url:
	default:
		return false
	}
	_, b, err := p.call("GET", "/healthz", "", "")
	return err == nil && bytes.Contains(b, []byte("well"))
}

// up waits until the program answers.
func (p *program) up() error {
	end := time.Now().Add(2 * time.Minute)
	for p.at == "" {
		select {
		case p.at = <-p.url:
		case <-p.exited:
			return fmt.Errorf("%w:\n%s", errEnded, p.log)
		case <-time.After(time.Until(end)):
			return fmt.Errorf("it did not come up in two minutes:\n%s", p.log)
		}
	}
	for {
		status, b, err := p.call("GET", "/healthz", "", "")
		if err == nil && status == http.StatusOK {
			break
		}
		if time.Now().After(end) {
			return fmt.Errorf("it is not well: %d %s %w", status, b, err)
		}
		time.Sleep(20 * time.Millisecond)
	}
	return nil
}

// full waits until nothing is left to be filled, and signs in.
func (p *program) full() error {
	for end := time.Now().Add(2 * time.Minute); ; time.Sleep(50 * time.Millisecond) {
		status, b, err := p.call("GET", "/healthz", "", "")
		if err == nil && bytes.Contains(b, []byte("well")) {
			break
		}
		if time.Now().After(end) || p.gone() {
			return fmt.Errorf("it was not filled: %d %s %w\n%s", status, b, err, p.log)
		}
	}
	status, b, err := p.call("POST", "/api/session", `{"login":"mira","password":"lantern yard glass"}`, "")
	if err != nil || status != http.StatusOK {
		return fmt.Errorf("nobody can sign in: %d %s %w", status, b, err)
	}
	return nil
}

func (p *program) call(method, path, body, key string) (int, []byte, error) {
	q, err := http.NewRequestWithContext(context.Background(), method, p.at+path, strings.NewReader(body))
	if err != nil {
		return 0, nil, err
	}
	q.Header.Set("Content-Type", "application/json")
	q.Header.Set("Cookie", p.cookie)
	q.Header.Set("Idempotency-Key", key)
	res, err := p.client.Do(q)
	if err != nil {
		return 0, nil, err
	}
	defer func() { _ = res.Body.Close() }()
	b, err := io.ReadAll(res.Body)
	for _, k := range res.Cookies() {
		p.cookie = k.Name + "=" + k.Value
	}
	return res.StatusCode, b, err
}

// writeUntilKilled takes jobs in from four places and ends what is to be ended
// after a while. known gets what was acknowledged.
func (p *program) writeUntilKilled(known map[int64]string, target string, after time.Duration) int {
	var mu sync.Mutex
	var wg sync.WaitGroup
	n := 0
	end := time.Now().Add(after + 200*time.Millisecond)
	for w := range 4 {
		wg.Go(func() {
			for k := 0; time.Now().Before(end); k++ {
				name := fmt.Sprintf("Kiln %d-%d-%d", w, k, time.Now().UnixNano())
				status, b, err := p.call("POST", "/api/jobs",
					fmt.Sprintf(`{"name":"Oda Marl","object":%q,"exposure":"kiln","family":"clip-heat","place":"bench"}`, name), name)
				var made struct{ ID int64 }
				if err != nil || status != http.StatusOK || json.Unmarshal(b, &made) != nil {
					continue
				}
				mu.Lock()
				known[made.ID] = name
				n++
				mu.Unlock()
			}
		})
	}
	time.Sleep(after)
	p.kill(target)
	wg.Wait()
	return n
}

func (p *program) gone() bool {
	select {
	case <-p.exited:
		return true
	default:
		return false
	}
}

// missing counts what was acknowledged and is not there.
func (p *program) missing(known map[int64]string) (int, error) {
	lost := 0
	for id, name := range known {
		status, b, err := p.call("GET", fmt.Sprintf("/api/jobs/%d/carried", id), "", "")
		if err != nil {
			return lost, err
		}
		if status != http.StatusOK || !bytes.Contains(b, []byte(strconv.Quote(name))) {
			lost++
		}
	}
	return lost, nil
}

// kill ends what is meant without a word, as a power cut would.
func (p *program) kill(target string) {
	if target != "database" {
		_ = p.cmd.Process.Kill()
		<-p.exited
	}
	if target == "program" {
		return
	}
	b, err := os.ReadFile(filepath.Join(p.home, "server.pid"))
	if err != nil {
		return // it has not come that far
	}
	if pid, err := strconv.Atoi(strings.TrimSpace(string(b))); err == nil && pid > 1 {
		_ = syscall.Kill(pid, syscall.SIGKILL)
	}
}

// stop ends the program as Ctrl-C does.
func (p *program) stop() error {
	if err := p.cmd.Process.Signal(os.Interrupt); err != nil {
		return err
	}
	select {
	case <-p.exited:
		return nil
	case <-time.After(20 * time.Second):
		return errors.New("it did not stop in twenty seconds")
	}
}
