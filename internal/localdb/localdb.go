// Package localdb starts and stops a MariaDB server on loopback, with its data
// in a folder of its own, and brings it back when it dies. The demo, the serve
// command and the tests use it; a shop that has a server already names its
// address instead.
package localdb

import (
	"context"
	"crypto/rand"
	"database/sql"
	"encoding/hex"
	"errors"
	"fmt"
	"net"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"strings"
	"sync"
	"syscall"
	"time"

	"github.com/go-sql-driver/mysql"
)

// Server is a running server. It may have been started by an earlier process
// that died; then it was adopted as it ran.
type Server struct {
	port     int
	password string
	dir      string
	lock     *os.File

	mu     sync.Mutex
	pid    int
	exited chan struct{} // closed when the child has ended; nil for an adopted one

	ending  context.CancelFunc
	watched sync.WaitGroup
}

const (
	account      = "freshshard"
	startTimeout = 60 * time.Second
	stopTimeout  = 30 * time.Second
	// adoptTimeout is how long a server that an earlier program left behind may
	// take to answer, while it recovers.
	adoptTimeout = 20 * time.Second
	pollEvery    = 25 * time.Millisecond
)

// launchTries is how often a server is started when it dies on the way up: the
// free port may be taken by then, or the machine short of something for a
// moment.
const launchTries = 3

// plainWrites turns asynchronous writing off: kernels give it to few programs
// at once, and a server that gets none dies. A shop's load does not need it.
const plainWrites = "--innodb-use-native-aio=0"

// Start brings a server up with its data in dir, making the folder and the
// data on the first call, and waits until it answers. Whatever an earlier
// program left there, half made or still running, is finished or taken over.
// The folder belongs to the caller until Stop; a second one is refused.
func Start(ctx context.Context, dir string) (*Server, error) {
	dir, err := filepath.Abs(dir)
	if err != nil {
		return nil, err
	}
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return nil, fmt.Errorf("the database folder %s cannot be made: %w", dir, err)
	}
	lock, err := lockFolder(dir)
	if err != nil {
		return nil, err
	}
	s, err := start(ctx, dir)
	if err != nil {
		_ = lock.Close()
		return nil, err
	}
	s.lock = lock
	watching, end := context.WithCancel(context.WithoutCancel(ctx))
	s.ending = end
	s.watched.Go(func() { s.watch(watching) })
	return s, nil
}

func start(ctx context.Context, dir string) (*Server, error) {
	daemon, err := find("mariadbd", "/usr/sbin/mariadbd")
	if err != nil {
		return nil, err
	}
	if !installed(dir) {
		// Whatever works on a half-made folder cannot be used.
		for _, pid := range processes(dir) {
			_ = end(pid, syscall.SIGKILL)
		}
		if err := install(ctx, dir); err != nil {
			return nil, err
		}
	}
	s, err := adopt(ctx, dir)
	if s != nil || err != nil {
		return s, err
	}
	var failed error
	for range launchTries {
		s, err := fresh(dir)
		if err != nil {
			return nil, err
		}
		if err = s.launch(ctx, daemon); err == nil {
			return s, nil
		}
		failed = err
		if ctx.Err() != nil {
			break
		}
	}
	return nil, failed
}

// find looks a program up on the path and where Debian puts it.
func find(name, otherwise string) (string, error) {
	if p, err := exec.LookPath(name); err == nil {
		return p, nil
	}
	if _, err := os.Stat(otherwise); err == nil {
		return otherwise, nil
	}
	return "", fmt.Errorf("MariaDB is not installed (%s was not found): install Debian's package mariadb-server, or run "+
		"make demo, which does", name)
}

func dataDir(dir string) string { return filepath.Join(dir, "data") }

func installed(dir string) bool {
	_, err := os.Stat(filepath.Join(dir, "installed"))
	return err == nil
}

// install makes the system tables on the first start. A half-made folder from
// an interrupted install is made again.
func install(ctx context.Context, dir string) error {
	tool, err := find("mariadb-install-db", "/usr/bin/mariadb-install-db")
	if err != nil {
		return err
	}
	args := append([]string{"--no-defaults", "--datadir=" + dataDir(dir), "--skip-test-db",
		"--auth-root-authentication-method=socket", plainWrites}, asUser()...)
	var failed error
	for range launchTries {
		if err := os.RemoveAll(dataDir(dir)); err != nil {
			return err
		}
		cmd := exec.CommandContext(ctx, tool, args...)
		// The tool starts a server of its own; both end together.
		cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true}
		cmd.Cancel = func() error { return syscall.Kill(-cmd.Process.Pid, syscall.SIGKILL) }
		out, err := cmd.CombinedOutput()
		if err == nil {
			return os.WriteFile(filepath.Join(dir, "installed"), []byte("1\n"), 0o600)
		}
		failed = fmt.Errorf("the database could not be set up in %s: %w\n%s", dir, err, tail(string(out)))
		if ctx.Err() != nil {
			break
		}
	}
	return failed
}

// asUser tells MariaDB to stay root, which it refuses unless it is told.
func asUser() []string {
	if u, err := user.Current(); err == nil {
		return []string{"--user=" + u.Username}
	}
	return nil
}

// fresh is a server that is to be started, on a port and with a password of its
// own.
func fresh(dir string) (*Server, error) {
	port, err := freePort()
	if err != nil {
		return nil, err
	}
	secret := make([]byte, 16)
	if _, err := rand.Read(secret); err != nil {
		return nil, err
	}
	return &Server{port: port, password: hex.EncodeToString(secret), dir: dir}, nil
}

// launch starts the server and waits until it answers. How to reach it is noted
// before it runs: a program that dies here leaves a server that the next one
// can take over.
func (s *Server) launch(ctx context.Context, daemon string) error {
	grant := filepath.Join(s.dir, "grant.sql")
	sqlText := fmt.Sprintf("CREATE OR REPLACE USER %[1]s@'127.0.0.1' IDENTIFIED BY '%[2]s';\nGRANT ALL ON *.* TO "+
		"%[1]s@'127.0.0.1';\n", account, s.password)
	if err := os.WriteFile(grant, []byte(sqlText), 0o600); err != nil {
		return err
	}
	if err := s.note(); err != nil {
		return err
	}
	logFile := filepath.Join(s.dir, "error.log")
	// A server that starts clears left-over tables out of its folder for them:
	// in a shared one it would take those of another server that runs.
	scratch := filepath.Join(s.dir, "scratch")
	if err := os.MkdirAll(scratch, 0o700); err != nil {
		return err
	}
	// A unix socket's path may have 107 characters; a deep folder has more.
	socket := filepath.Join(os.TempDir(), fmt.Sprintf("freshshard-%d.sock", s.port))
	args := append([]string{
		"--no-defaults", dataArg(s.dir), "--bind-address=127.0.0.1", fmt.Sprintf("--port=%d", s.port), "--socket=" + socket,
		"--tmpdir=" + scratch,
		"--pid-file=" + filepath.Join(s.dir, "server.pid"), "--log-error=" + logFile, "--init-file=" + grant,
		"--skip-name-resolve", "--skip-log-bin",
		"--character-set-server=utf8mb4", "--collation-server=utf8mb4_unicode_ci", "--innodb-flush-log-at-trx-commit=1",
		plainWrites, "--innodb-buffer-pool-size=256M",
	}, asUser()...)
	cmd := exec.Command(daemon, args...)
	// A group of its own: Ctrl-C at the terminal reaches the program, which
	// then stops the database in order.
	cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true}
	if err := cmd.Start(); err != nil {
		return fmt.Errorf("the database did not start: %w", err)
	}
	exited := make(chan struct{})
	s.mu.Lock()
	s.pid, s.exited = cmd.Process.Pid, exited
	s.mu.Unlock()
	go func() { _ = cmd.Wait(); close(exited) }()
	if err := s.await(ctx, exited, logFile); err != nil {
		_ = end(cmd.Process.Pid, syscall.SIGKILL)
		return err
	}
	return nil
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, fmt.Errorf("no free port on loopback for the database: %w", err)
	}
	defer func() { _ = l.Close() }()
	return l.Addr().(*net.TCPAddr).Port, nil
}

// await waits until the server answers, or says why it does not.
func (s *Server) await(ctx context.Context, exited chan struct{}, logFile string) error {
	ctx, cancel := context.WithTimeout(ctx, startTimeout)
	defer cancel()
	for {
		if s.ping(ctx) == nil {
			return nil
		}
		select {
		case <-exited:
			return fmt.Errorf("the database did not come up; its log ends:\n%s", logTail(logFile))
		case <-ctx.Done():
			return fmt.Errorf("the database did not answer in time; its log ends:\n%s", logTail(logFile))
		case <-time.After(pollEvery):
		}
	}
}

// pingTime is how long one look at a server takes at most.
const pingTime = 2 * time.Second

func (s *Server) ping(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, pingTime)
	defer cancel()
	db, err := sql.Open("mysql", s.DSN(""))
	if err != nil {
		return err
	}
	defer func() { _ = db.Close() }()
	return db.PingContext(ctx)
}

// PID is the server's process.
func (s *Server) PID() int {
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.pid
}

// DSN is the address of a database on the server for database/sql.
func (s *Server) DSN(name string) string {
	c := mysql.NewConfig()
	c.User, c.Passwd, c.Net = account, s.password, "tcp"
	c.Addr, c.DBName = fmt.Sprintf("127.0.0.1:%d", s.port), name
	return c.FormatDSN()
}

// Create makes a database when it is not there.
func (s *Server) Create(ctx context.Context, name string) error {
	return s.do(ctx, "CREATE DATABASE IF NOT EXISTS", name)
}

// Drop takes a database away with all that is in it.
func (s *Server) Drop(ctx context.Context, name string) error {
	return s.do(ctx, "DROP DATABASE IF EXISTS", name)
}

func (s *Server) do(ctx context.Context, what, name string) error {
	db, err := sql.Open("mysql", s.DSN(""))
	if err != nil {
		return err
	}
	defer func() { _ = db.Close() }()
	_, err = db.ExecContext(ctx, what+" `"+strings.ReplaceAll(name, "`", "")+"`")
	return err
}

// Stop shuts the server down in order, waits for it and gives the folder free.
func (s *Server) Stop() error { return s.stop(syscall.SIGTERM) }

// Kill ends the server at once, as a power cut would. Tests use it.
func (s *Server) Kill() error { return s.stop(syscall.SIGKILL) }

func (s *Server) stop(sig syscall.Signal) error {
	if s.ending != nil {
		s.ending()
		s.watched.Wait()
	}
	if s.lock != nil {
		defer func() { _ = s.lock.Close() }()
	}
	if err := end(s.PID(), sig); err != nil {
		return err
	}
	deadline := time.Now().Add(stopTimeout)
	for time.Now().Before(deadline) {
		if s.gone() {
			return os.Remove(noteFile(s.dir))
		}
		time.Sleep(pollEvery)
	}
	return fmt.Errorf("the database (process %d) did not stop within %s", s.PID(), stopTimeout)
}

// end signals a process; one that has gone is as wanted.
func end(pid int, sig syscall.Signal) error {
	if err := syscall.Kill(pid, sig); err != nil && !errors.Is(err, syscall.ESRCH) {
		return err
	}
	return nil
}

func (s *Server) gone() bool {
	s.mu.Lock()
	pid, exited := s.pid, s.exited
	s.mu.Unlock()
	if exited != nil {
		select {
		case <-exited:
			return true
		default:
			return false
		}
	}
	return syscall.Kill(pid, 0) != nil
}

func logTail(path string) string {
	b, err := os.ReadFile(path)
	if err != nil {
		return "(no log)"
	}
	return tail(string(b))
}

// tail is the last lines of a text.
func tail(s string) string {
	lines := strings.Split(strings.TrimSpace(s), "\n")
	return strings.Join(lines[max(0, len(lines)-6):], "\n")
}
