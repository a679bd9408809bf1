// Package localdb starts and stops a MariaDB server on loopback, with its data
// in a folder of its own. The demo, the serve command and the tests use it; a
// shop that has a server already names its address instead.
package localdb

import (
	"context"
	"crypto/rand"
	"database/sql"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"net"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"strings"
	"syscall"
	"time"

	"github.com/go-sql-driver/mysql"
)

// Server is a running server. It may have been started by an earlier process
// that died; then it was adopted as it ran.
type Server struct {
	Port     int    `json:"port"`
	PID      int    `json:"pid"`
	Password string `json:"password"`
	dir      string
	exited   chan struct{}
}

const (
	account      = "freshshard"
	startTimeout = 60 * time.Second
	stopTimeout  = 30 * time.Second
)

// Start brings a server up with its data in dir, making the folder and the
// data on the first call. It waits until the server answers.
func Start(ctx context.Context, dir string) (*Server, error) {
	dir, err := filepath.Abs(dir)
	if err != nil {
		return nil, err
	}
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return nil, fmt.Errorf("the database folder %s cannot be made: %w", dir, err)
	}
	if s := adopt(ctx, dir); s != nil {
		return s, nil
	}
	daemon, err := find("mariadbd", "/usr/sbin/mariadbd")
	if err != nil {
		return nil, err
	}
	if err := install(ctx, dir); err != nil {
		return nil, err
	}
	return launchAgain(ctx, daemon, dir)
}

// launchTries is how often a server is started when it dies on the way up: the
// free port may be taken by then, or the machine short of something for a
// moment.
const launchTries = 3

// plainWrites turns asynchronous writing off: kernels give it to few programs
// at once, and a server that gets none dies. A shop's load does not need it.
const plainWrites = "--innodb-use-native-aio=0"

func launchAgain(ctx context.Context, daemon, dir string) (*Server, error) {
	var failed error
	for range launchTries {
		s, err := launch(ctx, daemon, dir)
		if err == nil || ctx.Err() != nil {
			return s, err
		}
		failed = err
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
	return "", fmt.Errorf("MariaDB is not installed (%s was not found): install Debian's package mariadb-server, or run make demo, which does", name)
}

// adopt takes over a server that an earlier process left running.
func adopt(ctx context.Context, dir string) *Server {
	b, err := os.ReadFile(filepath.Join(dir, "server.json"))
	if err != nil {
		return nil
	}
	s := &Server{dir: dir}
	if json.Unmarshal(b, s) != nil || s.PID <= 0 || syscall.Kill(s.PID, 0) != nil {
		return nil
	}
	ctx, cancel := context.WithTimeout(ctx, 3*time.Second)
	defer cancel()
	if s.ping(ctx) != nil {
		return nil
	}
	return s
}

func dataDir(dir string) string { return filepath.Join(dir, "data") }

// install makes the system tables on the first start. A half-made folder from
// an interrupted install is made again.
func install(ctx context.Context, dir string) error {
	mark := filepath.Join(dir, "installed")
	if _, err := os.Stat(mark); err == nil {
		return nil
	}
	tool, err := find("mariadb-install-db", "/usr/bin/mariadb-install-db")
	if err != nil {
		return err
	}
	args := append([]string{"--no-defaults", "--datadir=" + dataDir(dir), "--skip-test-db", "--auth-root-authentication-method=socket", plainWrites}, asUser()...)
	var failed error
	for range launchTries {
		if err := os.RemoveAll(dataDir(dir)); err != nil {
			return err
		}
		out, err := exec.CommandContext(ctx, tool, args...).CombinedOutput()
		if err == nil {
			failed = nil
			break
		}
		failed = fmt.Errorf("the database could not be set up in %s: %w\n%s", dir, err, tail(string(out)))
		if ctx.Err() != nil {
			break
		}
	}
	if failed != nil {
		return failed
	}
	return os.WriteFile(mark, []byte("1\n"), 0o600)
}

// asUser tells MariaDB to stay root, which it refuses unless it is told.
func asUser() []string {
	if u, err := user.Current(); err == nil {
		return []string{"--user=" + u.Username}
	}
	return nil
}

func launch(ctx context.Context, daemon, dir string) (*Server, error) {
	port, err := freePort()
	if err != nil {
		return nil, err
	}
	secret := make([]byte, 16)
	if _, err := rand.Read(secret); err != nil {
		return nil, err
	}
	s := &Server{Port: port, Password: hex.EncodeToString(secret), dir: dir, exited: make(chan struct{})}
	grant := filepath.Join(dir, "grant.sql")
	sqlText := fmt.Sprintf("CREATE OR REPLACE USER %[1]s@'127.0.0.1' IDENTIFIED BY '%[2]s';\nGRANT ALL ON *.* TO %[1]s@'127.0.0.1';\n", account, s.Password)
	if err := os.WriteFile(grant, []byte(sqlText), 0o600); err != nil {
		return nil, err
	}
	logFile := filepath.Join(dir, "error.log")
	// A unix socket's path may have 107 characters; a deep folder has more.
	socket := filepath.Join(os.TempDir(), fmt.Sprintf("freshshard-%d.sock", port))
	args := append([]string{
		"--no-defaults", "--datadir=" + dataDir(dir), "--bind-address=127.0.0.1", fmt.Sprintf("--port=%d", port), "--socket=" + socket,
		"--pid-file=" + filepath.Join(dir, "server.pid"), "--log-error=" + logFile, "--init-file=" + grant, "--skip-name-resolve", "--skip-log-bin",
		"--character-set-server=utf8mb4", "--collation-server=utf8mb4_unicode_ci", "--innodb-flush-log-at-trx-commit=1",
		plainWrites, "--innodb-buffer-pool-size=256M",
	}, asUser()...)
	cmd := exec.Command(daemon, args...)
	// A group of its own: Ctrl-C at the terminal reaches the program, which
	// then stops the database in order.
	cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true}
	if err := cmd.Start(); err != nil {
		return nil, fmt.Errorf("the database did not start: %w", err)
	}
	s.PID = cmd.Process.Pid
	go func() { _ = cmd.Wait(); close(s.exited) }()
	if err := s.await(ctx, logFile); err != nil {
		_ = syscall.Kill(s.PID, syscall.SIGKILL)
		return nil, err
	}
	b, err := json.Marshal(s)
	if err != nil {
		return nil, err
	}
	return s, os.WriteFile(filepath.Join(dir, "server.json"), b, 0o600)
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
func (s *Server) await(ctx context.Context, logFile string) error {
	ctx, cancel := context.WithTimeout(ctx, startTimeout)
	defer cancel()
	for {
		if s.ping(ctx) == nil {
			return nil
		}
		select {
		case <-s.exited:
			return fmt.Errorf("the database did not come up; its log ends:\n%s", logTail(logFile))
		case <-ctx.Done():
			return fmt.Errorf("the database did not answer in time; its log ends:\n%s", logTail(logFile))
		case <-time.After(50 * time.Millisecond):
		}
	}
}

func (s *Server) ping(ctx context.Context) error {
	db, err := sql.Open("mysql", s.DSN(""))
	if err != nil {
		return err
	}
	defer func() { _ = db.Close() }()
	return db.PingContext(ctx)
}

// DSN is the address of a database on the server for database/sql.
func (s *Server) DSN(name string) string {
	c := mysql.NewConfig()
	c.User, c.Passwd, c.Net = account, s.Password, "tcp"
	c.Addr, c.DBName = fmt.Sprintf("127.0.0.1:%d", s.Port), name
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

// Stop shuts the server down in order and waits for it.
func (s *Server) Stop() error { return s.end(syscall.SIGTERM) }

// Kill ends the server at once, as a power cut would. Tests use it.
func (s *Server) Kill() error { return s.end(syscall.SIGKILL) }

func (s *Server) end(sig syscall.Signal) error {
	if err := syscall.Kill(s.PID, sig); err != nil && !errors.Is(err, syscall.ESRCH) {
		return err
	}
	deadline := time.Now().Add(stopTimeout)
	for time.Now().Before(deadline) {
		if s.gone() {
			return os.Remove(filepath.Join(s.dir, "server.json"))
		}
		time.Sleep(20 * time.Millisecond)
	}
	return fmt.Errorf("the database (process %d) did not stop within %s", s.PID, stopTimeout)
}

func (s *Server) gone() bool {
	if s.exited != nil {
		select {
		case <-s.exited:
			return true
		default:
			return false
		}
	}
	return syscall.Kill(s.PID, 0) != nil
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
