package localdb

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"time"
)

// InUse is a folder that another program works on.
type InUse struct {
	Dir string
	PID string // of the program, as far as it said
}

func (e *InUse) Error() string {
	return fmt.Sprintf("another Fresh Shard (process %s) works on %s: end it, or choose another folder with --dir", e.PID,
		e.Dir)
}

// lockFolder claims a folder for as long as the file stays open; the kernel
// gives it free when the program dies.
func lockFolder(dir string) (*os.File, error) {
	f, err := os.OpenFile(filepath.Join(dir, "lock"), os.O_RDWR|os.O_CREATE, 0o600)
	if err != nil {
		return nil, fmt.Errorf("the database folder %s cannot be used: %w", dir, err)
	}
	if err := syscall.Flock(int(f.Fd()), syscall.LOCK_EX|syscall.LOCK_NB); err != nil {
		b, _ := io.ReadAll(io.LimitReader(f, 20)) // only for the message
		_ = f.Close()
		if errors.Is(err, syscall.EWOULDBLOCK) {
			return nil, &InUse{dir, strings.TrimSpace(string(b))}
		}
		return nil, err
	}
	if err := f.Truncate(0); err != nil {
		return nil, err
	}
	_, err = fmt.Fprintf(f, "%d\n", os.Getpid())
	return f, err
}

// noted is how to reach a server, for the program that comes after.
type noted struct {
	Port     int    `json:"port"`
	Password string `json:"password"`
}

func noteFile(dir string) string { return filepath.Join(dir, "server.json") }

// note writes how to reach the server, whole or not at all.
func (s *Server) note() error {
	b, err := json.Marshal(noted{s.port, s.password})
	if err != nil {
		return err
	}
	part := noteFile(s.dir) + ".part"
	if err := os.WriteFile(part, b, 0o600); err != nil {
		return err
	}
	return os.Rename(part, noteFile(s.dir))
}

func remembered(dir string) (*Server, bool) {
	b, err := os.ReadFile(noteFile(dir))
	if err != nil {
		return nil, false
	}
	var n noted
	if json.Unmarshal(b, &n) != nil || n.Port <= 0 {
		return nil, false
	}
	return &Server{port: n.Port, password: n.Password, dir: dir}, true
}

func dataArg(dir string) string { return "--datadir=" + dataDir(dir) }

// processes are those that work on a folder's data, by what they were started
// with.
func processes(dir string) []int {
	entries, err := os.ReadDir("/proc")
	if err != nil {
		return nil
	}
	want := []byte(dataArg(dir))
	var out []int
	for _, e := range entries {
		pid, err := strconv.Atoi(e.Name())
		if err != nil {
			continue
		}
		b, err := os.ReadFile(filepath.Join("/proc", e.Name(), "cmdline"))
		if err != nil {
			continue
		}
		for _, arg := range bytes.Split(b, []byte{0}) {
			if bytes.Equal(arg, want) {
				out = append(out, pid)
				break
			}
		}
	}
	return out
}

// adopt takes over a server that an earlier program left on the folder, once it
// answers. One that cannot be reached is ended; nil says that there is none.
func adopt(ctx context.Context, dir string) (*Server, error) {
	left := processes(dir)
	if len(left) == 0 {
		return nil, nil
	}
	if s, ok := remembered(dir); ok {
		s.pid = left[0]
		for deadline := time.Now().Add(adoptTimeout); time.Now().Before(deadline) && len(processes(dir)) > 0; {
			if s.ping(ctx) == nil {
				return s, nil
			}
			if ctx.Err() != nil {
				return nil, ctx.Err()
			}
			time.Sleep(pollEvery)
		}
	}
	for _, sig := range []syscall.Signal{syscall.SIGTERM, syscall.SIGKILL} {
		for _, pid := range processes(dir) {
			if err := end(pid, sig); err != nil {
				return nil, err
			}
		}
		for deadline := time.Now().Add(5 * time.Second); time.Now().Before(deadline); time.Sleep(pollEvery) {
			if len(processes(dir)) == 0 {
				return nil, nil
			}
		}
	}
	return nil, fmt.Errorf("a database that cannot be reached works on %s and does not end (process %v): end it by hand",
		dir, processes(dir))
}

// Reach gives the server that runs on a folder for another program, without
// taking it over; false when none answers.
func Reach(ctx context.Context, dir string) (*Server, bool) {
	dir, err := filepath.Abs(dir)
	if err != nil {
		return nil, false
	}
	s, ok := remembered(dir)
	if !ok || s.ping(ctx) != nil {
		return nil, false
	}
	return s, true
}
