package localdb

import (
	"context"
	"database/sql"
	"os"
	"strings"
	"testing"
)

func TestStartKillStart(t *testing.T) {
	dir, err := os.MkdirTemp("", "fsdb")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(dir) })
	ctx := context.Background()
	s, err := Start(ctx, dir)
	if err != nil {
		t.Fatal(err)
	}
	if err := s.Create(ctx, "one"); err != nil {
		t.Fatal(err)
	}
	db, err := sql.Open("mysql", s.DSN("one"))
	if err != nil {
		t.Fatal(err)
	}
	for _, q := range []string{"CREATE TABLE a (id INT PRIMARY KEY)", "INSERT INTO a VALUES (7)"} {
		if _, err := db.Exec(q); err != nil {
			t.Fatal(err)
		}
	}
	again, err := Start(ctx, dir)
	if err != nil {
		t.Fatal(err)
	}
	if again.PID != s.PID {
		t.Errorf("a second start did not adopt the running server: %d, %d", again.PID, s.PID)
	}
	if err := s.Kill(); err != nil {
		t.Fatal(err)
	}
	_ = db.Close()
	s, err = Start(ctx, dir)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = s.Stop() }()
	db, err = sql.Open("mysql", s.DSN("one"))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = db.Close() }()
	var id int
	if err := db.QueryRow("SELECT id FROM a").Scan(&id); err != nil || id != 7 {
		t.Errorf("after a kill: %d, %v", id, err)
	}
}

func TestFindSaysWhatToDo(t *testing.T) {
	if _, err := find("no-such-daemon", "/nowhere/no-such-daemon"); err == nil || !strings.Contains(err.Error(), "mariadb-server") {
		t.Errorf("%v", err)
	}
}
