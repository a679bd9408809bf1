package store

import (
	"context"
	"database/sql"
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"sync"
	"testing"

	"freshshard/internal/database"
	"freshshard/internal/store/storetest"
)

// watched is a database that keeps each query that runs through it.
type watched struct {
	database.Querier
	mu   sync.Mutex
	seen map[string][]any
}

func (w *watched) QueryContext(ctx context.Context, q string, args ...any) (*sql.Rows, error) {
	w.keep(q, args)
	return w.Querier.QueryContext(ctx, q, args...)
}

func (w *watched) QueryRowContext(ctx context.Context, q string, args ...any) *sql.Row {
	w.keep(q, args)
	return w.Querier.QueryRowContext(ctx, q, args...)
}

func (w *watched) keep(q string, args []any) {
	w.mu.Lock()
	defer w.mu.Unlock()
	w.seen[regexp.MustCompile(`\?(,\?)+`).ReplaceAllString(q, "?")] = append([]any{q}, args...)
}

func filled(t testing.TB, s *Store, jobs int) {
	t.Helper()
	storetest.Fill(t, s.DB, jobs, jobs/40)
}

// No query of a list or of a job goes through a whole large table.
func TestExplain(t *testing.T) {
	s := open(t)
	const jobs = 6000
	filled(t, s, jobs)
	w := &watched{Querier: s.DB, seen: map[string][]any{}}
	q := over(w)
	var id int64 = jobs / 2
	_, _ = q.Jobs.Job(ctx, id)
	_, _ = q.Jobs.OpenJobs(ctx, 40)
	_, _ = q.Jobs.CountOpen(ctx)
	_, _ = q.Jobs.LastTicket(ctx)
	_, _ = q.Jobs.Pulse(ctx, id)
	_, _ = q.Trail.History(ctx, id, 200)
	_, _ = q.Strips.Stripped(ctx, "clip-heat", id, 6)
	_, _ = q.Search.JobsOf(ctx, 7)
	_, _ = q.Photos.Picture(ctx, id, 1, true)
	_, _ = q.Signals.Signals(ctx, 1, 0)
	_, _ = q.Signals.LastSignal(ctx, 1)
	_, _, _ = q.People.Session(ctx, make([]byte, 32))
	_, _ = q.People.Sessions(ctx, 1)
	_, _, _ = q.People.Credentials(ctx, "mira")
	_, _ = q.People.KnowsAddress(ctx, 1, "x")
	_, _, _ = q.Shops.Memo(ctx, "x")
	for _, f := range []Filter{{Most: 40}, {State: "open", Most: 40}, {State: "signed", Most: 40},
		{Words: "kiln", Most: 40}, {Words: "stove", State: "signed", Most: 40}, {Words: "quill 5021", Most: 40},
		{Words: "quill", Before: id, State: "open", Most: 40}} {
		if _, err := q.Search.JobsLike(ctx, f); err != nil {
			t.Fatalf("%+v: %v", f, err)
		}
	}
	if len(w.seen) < 25 {
		t.Fatalf("only %d queries were seen", len(w.seen))
	}
	// A list looks at its newest two thousand, word by word, and no further.
	const most = newest + 500
	for text, call := range w.seen {
		rows, err := s.DB.Query("EXPLAIN "+call[0].(string), call[1:]...)
		if err != nil {
			t.Errorf("%v\n%s", err, text)
			continue
		}
		columns, err := rows.Columns()
		if err != nil {
			t.Fatal(err)
		}
		for rows.Next() {
			cells, into := make([]sql.NullString, len(columns)), make([]any, len(columns))
			for i := range cells {
				into[i] = &cells[i]
			}
			if err := rows.Scan(into...); err != nil {
				t.Fatal(err)
			}
			at := map[string]string{}
			for i, c := range columns {
				at[c] = cells[i].String
			}
			n, _ := strconv.Atoi(at["rows"])
			// Read in the order of a key, a list ends where its limit does.
			limited := strings.Contains(text, "LIMIT") && at["key"] != "" && (at["type"] == "index" || at["type"] == "range") &&
				!strings.Contains(at["Extra"], "filesort") && !strings.Contains(at["Extra"], "temporary")
			if n > most && !limited || at["type"] == "ALL" && n > 100 {
				t.Errorf("%s reads %d rows of %s by %s (%s, %s)", text, n, at["table"], at["type"], at["key"], at["Extra"])
			}
		}
		if err := rows.Close(); err != nil {
			t.Fatal(err)
		}
	}
}

// What is found does not hang on how far down it lies.
func TestFindsFarBelow(t *testing.T) {
	s := open(t)
	filled(t, s, 6000)
	find := func(f Filter) []int64 {
		t.Helper()
		rows, err := s.Search.JobsLike(ctx, f)
		if err != nil {
			t.Fatal(err)
		}
		ids := []int64{}
		for _, r := range rows {
			ids = append(ids, r.ID)
		}
		return ids
	}
	if got := find(Filter{Words: "stove", Most: 3}); fmt.Sprint(got) != "[6000 5995 5990]" {
		t.Errorf("a word that many have: %v", got)
	}
	if got := find(Filter{Words: "day 17", Most: 100}); len(got) != 100 || got[0] != 1799 && got[0] < 5000 {
		t.Errorf("%v", got)
	}
	if got := find(Filter{Words: "4711", Most: 5}); len(got) != 1 || got[0] != 4711 {
		t.Errorf("a number among the newest: %v", got)
	}
	if got := find(Filter{Words: "cracked 123", Most: 50}); !slices.Contains(got, 123) ||
		!slices.IsSortedFunc(got, func(a, b int64) int { return int(b - a) }) {
		t.Errorf("a number far below: %v", got)
	}
	seen := map[int64]bool{}
	before := int64(0)
	for {
		page := find(Filter{Words: "quill", State: "open", Before: before, Most: 7})
		for _, id := range page {
			if seen[id] {
				t.Fatalf("job %d twice", id)
			}
			seen[id] = true
		}
		if len(page) < 7 {
			break
		}
		before = page[len(page)-1]
	}
	var want int
	if err := s.DB.QueryRow("SELECT COUNT(*) FROM job j JOIN job_words w ON w.job_id = j.id WHERE j.state = 'open' AND " +
		"w.words LIKE '%Quill%'").Scan(&want); err != nil || len(seen) != want {
		t.Errorf("%d of %d by pages, %v", len(seen), want, err)
	}
}
