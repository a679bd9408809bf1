package store

import (
	"context"
	"database/sql"
	"strings"
	"unicode"

	"freshshard/internal/database"
	"freshshard/internal/record"
)

// indexJob gathers the words of a job: whose it is and what happened, its panes, what came
// off, what was laid with its batch, what was ordered and from whom, what was fitted, the
// numbers of its papers. JSON is taken as it is: a word is found in it like in any text.
const indexJob = `REPLACE INTO job_words (job_id, words) SELECT j.id, LEFT(CONCAT_WS(' ', j.id, o.name, c.name, j.story,
	c.phone, o.stamp,
  (SELECT GROUP_CONCAT(CONCAT_WS(' ', p.name, JSON_VALUE(p.part, '$.number')) SEPARATOR ' ') FROM pane p
  WHERE p.job_id = j.id),
  (SELECT GROUP_CONCAT(CONCAT_WS(' ', JSON_VALUE(e.entry, '$.what'), JSON_VALUE(e.entry, '$.where'), JSON_VALUE(e.entry,
  '$.by'),
    JSON_VALUE(e.entry, '$.bag')) SEPARATOR ' ') FROM strip_entry e WHERE e.job_id = j.id),
  (SELECT GROUP_CONCAT(CONCAT_WS(' ', k.adhesive, k.lot) SEPARATOR ' ') FROM cure k JOIN pane p ON p.id = k.pane_id
  WHERE p.job_id = j.id),
  (SELECT GROUP_CONCAT(CONCAT_WS(' ', CONCAT('order ', q.id), q.who, JSON_QUERY(q.body, '$.lines')) SEPARATOR ' ')
  FROM supply_order q WHERE q.job_id = j.id),
  (SELECT GROUP_CONCAT(CONCAT(b.kind, ' ', b.number) SEPARATOR ' ') FROM bill b WHERE b.job_id = j.id),
  (SELECT GROUP_CONCAT(CONCAT_WS(' ', f.material, f.seal, f.size, f.adhesive, f.cause) SEPARATOR ' ') FROM fitted f
  WHERE f.job_id = j.id),
  (SELECT CONCAT('ticket ', k.number) FROM ticket k WHERE k.job_id = j.id)), 15000)
FROM job j JOIN object o ON o.id = j.object_id JOIN customer c ON c.id = o.customer_id WHERE j.id = ?`

// IndexJob writes the words by which a job is found.
func (t SearchTx) IndexJob(ctx context.Context, job int64) error { return t.Run(ctx, indexJob, job) }

// JobsOf lists the jobs of a customer.
func (s Search) JobsOf(ctx context.Context, customer int64) ([]int64, error) {
	return database.List(ctx, s.db, scanID,
		"SELECT j.id FROM object o JOIN job j ON j.object_id = o.id WHERE o.customer_id = ? ORDER BY j.id", customer)
}

func scanID(r *sql.Rows) (int64, error) {
	var id int64
	return id, r.Scan(&id)
}

// newest is how many of the newest jobs are looked at word by word before the
// full text is asked. A word that many jobs have is found among them at once;
// for one that few have, the full text's list is short.
const newest = 2000

// wordLeast is the shortest word that the full text knows, in letters.
const wordLeast = 3

// Filter is what a list of jobs is narrowed by.
type Filter struct {
	Words  string
	State  string // open, signed, withdrawn, or empty for all
	Before int64  // ids below this one; 0 from the start
	Most   int
}

// JobsLike lists the jobs whose object, customer, story or number hold words
// that begin as given, newest first.
func (s Search) JobsLike(ctx context.Context, f Filter) ([]record.Row, error) {
	words := splitWords(f.Words)
	if len(words) == 0 && strings.TrimSpace(f.Words) != "" {
		return []record.Row{}, nil // nothing but signs
	}
	if len(words) == 0 {
		return rows(ctx, s.db, "", nil, f)
	}
	low, err := nthBelow(ctx, s.db, f.Before, newest)
	if err != nil {
		return nil, err
	}
	near, args := "", []any{}
	for _, w := range words {
		near += " AND w.words LIKE ?"
		args = append(args, "%"+likeEscape.Replace(w)+"%")
	}
	found, err := rows(ctx, s.db, near+" AND j.id > ?", append(args, low), f)
	if err != nil || len(found) == f.Most || low == 0 {
		return found, err
	}
	all := ""
	for _, w := range words {
		if len([]rune(w)) >= wordLeast {
			all += "+" + w + "* "
		}
	}
	if all == "" {
		return found, nil
	}
	f.Most -= len(found)
	rest, err := rows(ctx, s.db, " AND MATCH(w.words) AGAINST(? IN BOOLEAN MODE) AND j.id <= ?", []any{all, low}, f)
	return append(found, rest...), err
}

// nthBelow is the id that stands n jobs below another, 0 when there are fewer.
func nthBelow(ctx context.Context, db database.Querier, before int64, n int) (int64, error) {
	q, args := "SELECT id FROM job", []any{}
	if before > 0 {
		q, args = q+" WHERE id < ?", append(args, before)
	}
	ids, err := database.List(ctx, db, scanID, q+" ORDER BY id DESC LIMIT 1 OFFSET ?", append(args, n)...)
	if err != nil || len(ids) == 0 {
		return 0, err
	}
	return ids[0], nil
}

// splitWords takes a text apart at everything that is neither letter nor
// digit, as the full text does.
func splitWords(s string) []string {
	words := strings.FieldsFunc(s, func(r rune) bool {
		return !unicode.IsLetter(r) && !unicode.IsDigit(r) &&
			!unicode.IsMark(r)
	})
	return words[:min(len(words), 8)]
}

var likeEscape = strings.NewReplacer(`\`, `\\`, "%", `\%`, "_", `\_`)

// rowQuery begins at the jobs, in the order of their keys: a list ends after
// as many as it shows, however many there are.
const rowQuery = `SELECT j.id, o.name, c.name, j.story, j.promised_at,
  COALESCE((SELECT p.waits_for FROM pane p WHERE p.job_id = j.id AND p.waits_for <> '' ORDER BY p.number LIMIT 1), ''),
  (SELECT p.waits_until FROM pane p WHERE p.job_id = j.id AND p.waits_for <> '' ORDER BY p.number
  LIMIT 1), j.state = 'signed', j.state = 'withdrawn', j.pulse
FROM `

const rowJoins = ` STRAIGHT_JOIN object o ON o.id = j.object_id STRAIGHT_JOIN customer c ON c.id = o.customer_id `

func scanRow(r *sql.Rows) (record.Row, error) {
	var v record.Row
	err := r.Scan(&v.ID, &v.Object, &v.Customer, &v.Story, &v.PromisedAt, &v.WaitsFor, &v.WaitsUntil, &v.Signed,
		&v.Withdrawn, &v.Pulse)
	return v, err
}

func rows(ctx context.Context, db database.Querier, where string, args []any, f Filter) ([]record.Row, error) {
	q, args := rowsQuery(where, args, f)
	return database.List(ctx, db, scanRow, q, args...)
}

func rowsQuery(where string, args []any, f Filter) (string, []any) {
	from := "job j"
	if strings.Contains(where, "w.words") {
		from = "job_words w STRAIGHT_JOIN job j ON j.id = w.job_id"
	}
	q := rowQuery + from + rowJoins + "WHERE TRUE" + where
	if f.State != "" {
		q, args = q+" AND j.state = ?", append(args, f.State)
	}
	key := "j.id"
	if from != "job j" {
		key = "w.job_id" // the same, and the table that is read first
	}
	if f.Before > 0 {
		q, args = q+" AND "+key+" < ?", append(args, f.Before)
	}
	return q + " ORDER BY " + key + " DESC LIMIT ?", append(args, f.Most)
}
