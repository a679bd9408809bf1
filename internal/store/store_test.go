package store

import (
	"context"
	"errors"
	"fmt"
	"os"
	"strings"
	"sync"
	"testing"
	"time"

	"freshshard/internal/localdb"
	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/record"
)

var server *localdb.Server

func TestMain(m *testing.M) {
	os.Exit(dbtest.Run(m, func(s *localdb.Server) { server = s }))
}

var ctx = context.Background()

func open(t *testing.T) *Store {
	t.Helper()
	s, err := Open(ctx, dbtest.Fresh(t, server))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = s.Close() })
	return s
}

func customers(t *testing.T, s *Store) int {
	t.Helper()
	list, err := s.Jobs.CustomersLike(ctx, "", 1000)
	if err != nil {
		t.Fatal(err)
	}
	return len(list)
}

func TestEveryTableHasAKey(t *testing.T) {
	s := open(t)
	rows, err := s.DB.Query(
		`SELECT t.table_name FROM information_schema.tables t LEFT JOIN information_schema.table_constraints c
		ON c.table_schema = t.table_schema AND c.table_name = t.table_name AND c.constraint_type = 'PRIMARY KEY'
		WHERE t.table_schema = DATABASE() AND (c.constraint_name IS NULL OR t.engine <> 'InnoDB')`)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = rows.Close() }()
	for rows.Next() {
		var name string
		if err := rows.Scan(&name); err != nil {
			t.Fatal(err)
		}
		t.Errorf("table %s has no primary key or another engine", name)
	}
}

// A write that fails half way leaves nothing.
func TestWriteIsWhole(t *testing.T) {
	s := open(t)
	boom := errors.New("boom")
	err := s.Write(ctx, func(t *Tx) error {
		if _, err := t.Jobs.AddCustomer(ctx, record.Customer{Name: "A"}); err != nil {
			return err
		}
		return boom
	})
	if !errors.Is(err, boom) || customers(t, s) != 0 {
		t.Errorf("%v, %d customers", err, customers(t, s))
	}
}

// Two writers that lock in opposite order: the database breaks one off, and it
// runs again.
func TestDeadlockRunsAgain(t *testing.T) {
	s := open(t)
	var ids [2]int64
	for i := range ids {
		if err := s.Write(ctx, func(t *Tx) (err error) {
			ids[i], err = t.Jobs.AddCustomer(ctx, record.Customer{Name: fmt.Sprint(i)})
			return err
		}); err != nil {
			t.Fatal(err)
		}
	}
	var wg, both sync.WaitGroup
	both.Add(2)
	tries := make([]int, 2)
	for n := range 2 {
		wg.Go(func() {
			err := s.Write(ctx, func(t *Tx) error {
				tries[n]++
				for k := range 2 {
					if err := t.Jobs.Run(ctx, "UPDATE customer SET note = ? WHERE id = ?", fmt.Sprint(n), ids[(n+k)%2]); err != nil {
						return err
					}
					if k == 0 && tries[n] == 1 {
						both.Done()
						both.Wait()
					}
				}
				return nil
			})
			if err != nil {
				t.Errorf("writer %d: %v", n, err)
			}
		})
	}
	wg.Wait()
	if tries[0]+tries[1] != 3 {
		t.Errorf("tries %v: nothing ran again", tries)
	}
}

func TestLikeTakesWordsAsTheyAre(t *testing.T) {
	s := open(t)
	for _, n := range []string{"100% Glass", "Under_score", `Back\slash`, "Plain"} {
		if err := s.Write(ctx, func(t *Tx) error {
			_, err := t.Jobs.AddCustomer(ctx, record.Customer{Name: n})
			return err
		}); err != nil {
			t.Fatal(err)
		}
	}
	for words, want := range map[string]int{"%": 1, "_": 1, `\`: 1, "plain": 1, "'; DROP TABLE customer; --": 0, "": 4} {
		got, err := s.Jobs.CustomersLike(ctx, words, 10)
		if err != nil || len(got) != want {
			t.Errorf("%q finds %d, want %d, %v", words, len(got), want, err)
		}
	}
}

func TestTimesStayWhole(t *testing.T) {
	s := open(t)
	at := time.Date(2026, 3, 29, 1, 30, 0, 123_000_000, time.UTC)
	var n int
	var last time.Time
	err := s.Write(ctx, func(t *Tx) (err error) {
		if err = t.People.CountAttempt(ctx, "pair", "tor", at); err == nil {
			n, last, err = t.People.Attempt(ctx, "pair", "tor")
		}
		return err
	})
	if err != nil || n != 1 || !last.Equal(at) {
		t.Errorf("%d, %v, %v", n, last, err)
	}
}

func TestOpenSaysWhere(t *testing.T) {
	if _, err := Open(ctx, "x:y@tcp(127.0.0.1:1)/z"); err == nil || !strings.Contains(err.Error(), "127.0.0.1:1") {
		t.Errorf("%v", err)
	}
	if _, err := Open(ctx, "nonsense"); err == nil {
		t.Error("an address that is none was taken")
	}
}

func TestMissingJob(t *testing.T) {
	s := open(t)
	var nf *record.NotFound
	if _, err := s.Jobs.Job(ctx, 1); !errors.As(err, &nf) {
		t.Errorf("%v", err)
	}
	if _, err := s.Jobs.Pulse(ctx, 1); !errors.As(err, &nf) {
		t.Errorf("%v", err)
	}
	if err := s.Write(ctx, func(t *Tx) error { _, err := t.Jobs.LockJob(ctx, 1); return err }); !errors.As(err, &nf) {
		t.Errorf("%v", err)
	}
}
