package dbtest

import (
	"context"
	"database/sql"
	"fmt"
	"os"
	"strings"
	"sync"
	"testing"

	"freshshard/internal/localdb"
)

// Kept is a database that many tests begin with: filled once, and laid out again in one that a
// test before has done with. That is several times as fast as filling it for each.
type Kept struct {
	// Fill makes the tables of an empty database and what stands in them.
	Fill func(dsn string) error

	mu     sync.Mutex
	master string   // filled, and never handed out
	done   []string // handed out, and done with
}

// Fresh gives the address of a database for one test that is as Fill leaves it.
func (k *Kept) Fresh(t testing.TB, s *localdb.Server) string {
	t.Helper()
	k.mu.Lock()
	defer k.mu.Unlock()
	ctx := context.Background()
	filled := func() string {
		name := fmt.Sprintf("test_%d_%d", os.Getpid(), tests.Add(1))
		if err := s.Create(ctx, name); err != nil {
			t.Fatal(err)
		}
		if err := k.Fill(s.DSN(name)); err != nil {
			t.Fatal(err)
		}
		return name
	}
	if k.master == "" {
		k.master = filled()
	}
	name := ""
	if n := len(k.done); n > 0 {
		name, k.done = k.done[n-1], k.done[:n-1]
		if err := again(ctx, s, k.master, name); err != nil {
			t.Fatal(err)
		}
	} else {
		name = filled()
	}
	t.Cleanup(func() {
		k.mu.Lock()
		defer k.mu.Unlock()
		k.done = append(k.done, name)
	})
	return s.DSN(name)
}

// again empties the tables of a database that a test has filled, lets them count from where they
// did, and puts into them what the kept one has.
func again(ctx context.Context, s *localdb.Server, master, name string) error {
	db, err := sql.Open("mysql", s.DSN(name))
	if err != nil {
		return err
	}
	defer func() { _ = db.Close() }()
	c, err := db.Conn(ctx)
	if err != nil {
		return err
	}
	defer func() { _ = c.Close() }()
	tables, err := names(ctx, c, "SELECT table_name FROM information_schema.tables WHERE table_schema = ?", master)
	if err != nil {
		return err
	}
	var asks []string
	for _, t := range tables {
		asks = append(asks, fmt.Sprintf("SELECT '%[1]s' FROM dual WHERE EXISTS (SELECT 1 FROM `%[1]s`) OR EXISTS "+
			"(SELECT 1 FROM `%[2]s`.`%[1]s`) OR (SELECT COALESCE(MAX(auto_increment), 1) FROM information_schema.tables "+
			"WHERE table_schema = '%[3]s' AND table_name = '%[1]s') > 1", t, master, name))
	}
	touched, err := names(ctx, c, strings.Join(asks, " UNION ALL "))
	if err != nil {
		return err
	}
	do := []string{"SET SESSION foreign_key_checks = 0"}
	for _, t := range touched {
		do = append(do, fmt.Sprintf("DELETE FROM `%s`", t), fmt.Sprintf("ALTER TABLE `%s` AUTO_INCREMENT = 1", t),
			fmt.Sprintf("INSERT INTO `%[1]s` SELECT * FROM `%[2]s`.`%[1]s`", t, master))
	}
	for _, q := range do {
		if _, err := c.ExecContext(ctx, q); err != nil {
			return fmt.Errorf("%s: %w", q, err)
		}
	}
	return nil
}

// names are the first column of a query.
func names(ctx context.Context, c *sql.Conn, query string, args ...any) ([]string, error) {
	rows, err := c.QueryContext(ctx, query, args...)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rows.Close() }()
	var out []string
	for rows.Next() {
		var s string
		if err := rows.Scan(&s); err != nil {
			return nil, err
		}
		out = append(out, s)
	}
	return out, rows.Err()
}
