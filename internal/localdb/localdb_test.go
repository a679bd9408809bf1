package localdb

import (
	"context"
	"database/sql"
	"errors"
	"os"
	"os/exec"
	"strings"
	"syscall"
	"testing"
	"time"
)

var ctx = context.Background()

// folder is a short one: a deep path would not do for every file.
func folder(t *testing.T) string {
	t.Helper()
	dir, err := os.MkdirTemp("", "fsdb")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() {
		for _, pid := range processes(dir) {
			_ = end(pid, syscall.SIGKILL)
		}
		_ = os.RemoveAll(dir)
	})
	return dir
}

func begin(t *testing.T, dir string) *Server {
	t.Helper()
	s, err := Start(ctx, dir)
	if err != nil {
		t.Fatal(err)
	}
	return s
}

// forget lets a server go as a program does that is killed.
func forget(s *Server) {
	s.ending()
	s.watched.Wait()
	_ = s.lock.Close()
}

func rows(t *testing.T, s *Server) (n int) {
	t.Helper()
	db, err := sql.Open("mysql", s.DSN("one"))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = db.Close() }()
	if err := db.QueryRow("SELECT COUNT(*) FROM a").Scan(&n); err != nil {
		t.Fatal(err)
	}
	return n
}

func fillOne(t *testing.T, s *Server) {
	t.Helper()
	if err := s.Create(ctx, "one"); err != nil {
		t.Fatal(err)
	}
	db, err := sql.Open("mysql", s.DSN("one"))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = db.Close() }()
	for _, q := range []string{"CREATE TABLE a (id INT PRIMARY KEY)", "INSERT INTO a VALUES (7)"} {
		if _, err := db.Exec(q); err != nil {
			t.Fatal(err)
		}
	}
}

func TestWhatIsLeftBehind(t *testing.T) {
	dir := folder(t)
	s := begin(t, dir)
	fillOne(t, s)

	var used *InUse
	if _, err := Start(ctx, dir); !errors.As(err, &used) || !strings.Contains(err.Error(), "--dir") {
		t.Fatalf("a second program on the folder: %v", err)
	}
	if rows(t, s) != 1 {
		t.Error("the second program took the first one's database away")
	}

	t.Run("a killed program's server is taken over", func(t *testing.T) {
		old := s.PID()
		forget(s)
		if s = begin(t, dir); s.PID() != old || rows(t, s) != 1 {
			t.Errorf("process %d, was %d", s.PID(), old)
		}
	})
	t.Run("one that nobody can reach is ended", func(t *testing.T) {
		old := s.PID()
		forget(s)
		if err := os.Remove(noteFile(dir)); err != nil {
			t.Fatal(err)
		}
		if s = begin(t, dir); s.PID() == old || rows(t, s) != 1 {
			t.Errorf("process %d, was %d", s.PID(), old)
		}
	})
	t.Run("one that dies comes back at its address", func(t *testing.T) {
		was, dsn := s.PID(), s.DSN("one")
		if err := syscall.Kill(was, syscall.SIGKILL); err != nil {
			t.Fatal(err)
		}
		for deadline := time.Now().Add(20 * time.Second); s.PID() == was || s.ping(ctx) != nil; time.Sleep(pollEvery) {
			if time.Now().After(deadline) {
				t.Fatal("it did not come back")
			}
		}
		if s.DSN("one") != dsn || rows(t, s) != 1 {
			t.Errorf("it came back at another address")
		}
	})
	t.Run("others reach it as it runs", func(t *testing.T) {
		o, ok := Reach(ctx, dir)
		if !ok || rows(t, o) != 1 {
			t.Error("it was not reached")
		}
	})
	t.Run("after a power cut nothing is lost", func(t *testing.T) {
		if err := s.Kill(); err != nil {
			t.Fatal(err)
		}
		if _, ok := Reach(ctx, dir); ok {
			t.Error("a server that is gone was reached")
		}
		if s = begin(t, dir); rows(t, s) != 1 {
			t.Error("a row is gone")
		}
	})
	t.Run("stopped in order it leaves nothing running", func(t *testing.T) {
		if err := s.Stop(); err != nil {
			t.Fatal(err)
		}
		if left := processes(dir); len(left) > 0 {
			t.Errorf("%v still run", left)
		}
	})
}

// A first start that was cut off while the system tables were made is made
// again, whatever still works on the folder.
func TestHalfMadeFolder(t *testing.T) {
	dir := folder(t)
	if err := os.MkdirAll(dataDir(dir), 0o700); err != nil {
		t.Fatal(err)
	}
	if err := os.WriteFile(dataDir(dir)+"/ibdata1", []byte("half"), 0o600); err != nil {
		t.Fatal(err)
	}
	// A stand-in for the tool that was left running.
	left := exec.Command("sh", "-c", "sleep 60; :", dataArg(dir))
	if err := left.Start(); err != nil {
		t.Fatal(err)
	}
	gone := make(chan error, 1)
	go func() { gone <- left.Wait() }()
	s := begin(t, dir)
	defer func() { _ = s.Stop() }()
	select {
	case <-gone:
	case <-time.After(10 * time.Second):
		t.Error("what worked on the half-made folder still does")
	}
	fillOne(t, s)
}

func TestFindSaysWhatToDo(t *testing.T) {
	if _, err := find("no-such-daemon", "/nowhere/no-such-daemon"); err == nil ||
		!strings.Contains(err.Error(), "mariadb-server") {
		t.Errorf("%v", err)
	}
}
