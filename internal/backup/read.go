package backup

import (
	"archive/zip"
	"bufio"
	"bytes"
	"context"
	"crypto/sha256"
	"database/sql"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"strings"

	"freshshard/internal/database"
	"freshshard/internal/store"
)

// The longest row and the longest manifest that are read, bytes.
const (
	mostLine     = 64 << 20
	mostManifest = 64 << 20
)

// Open reads an archive's manifest.
func Open(r io.ReaderAt, size int64) (*zip.Reader, Manifest, error) {
	var m Manifest
	z, err := zip.NewReader(r, size)
	if err != nil {
		return nil, m, fmt.Errorf("this is no backup, or it ends too early: %w", err)
	}
	f, err := z.Open(manifestName)
	if err != nil {
		return nil, m, errors.New("this is no backup: it has no " + manifestName)
	}
	defer func() { _ = f.Close() }()
	b, err := io.ReadAll(io.LimitReader(f, mostManifest+1))
	if err == nil && len(b) > mostManifest {
		err = errors.New("it is longer than any")
	}
	if err == nil {
		err = json.Unmarshal(b, &m)
	}
	if err != nil {
		return nil, m, fmt.Errorf("its %s cannot be read: %w", manifestName, err)
	}
	switch {
	case m.Format != Format:
		return nil, m, errors.New("this is no backup of Fresh Shard")
	case m.Version > Version:
		return nil, m, fmt.Errorf("this backup has version %d, this program reads %d: take the newer program", m.Version,
			Version)
	}
	return z, m, nil
}

// Verify reads an archive through: every file is there, as long and as its
// checksum says, every row is one.
func Verify(r io.ReaderAt, size int64) (Manifest, error) {
	z, m, err := Open(r, size)
	if err != nil {
		return m, err
	}
	if err := restorable(z, m); err != nil {
		return m, err
	}
	rows := map[string]int{}
	for _, t := range m.Tables {
		rows[tableFile(t.Name)] = t.Rows
	}
	for _, f := range m.Files {
		n, err := checkFile(z, f)
		if err != nil {
			return m, err
		}
		if want, ok := rows[f.Name]; ok && want != n {
			return m, fmt.Errorf("%s has %d rows, %d were written", f.Name, n, want)
		}
		delete(rows, f.Name)
	}
	for name := range rows {
		return m, fmt.Errorf("%s is not in the list of files", name)
	}
	return m, nil
}

// restorable refuses at once what could not be brought back: a newer schema, a name that is
// there twice, a file of another length than was written.
func restorable(z *zip.Reader, m Manifest) error {
	latest, err := database.Latest()
	if err != nil {
		return err
	}
	if m.Schema > latest {
		return &database.Newer{Has: m.Schema, Knows: latest}
	}
	long, listed, tables := map[string]uint64{}, map[string]bool{}, map[string]bool{}
	for _, f := range z.File {
		if _, twice := long[f.Name]; twice {
			return fmt.Errorf("%s is in it twice", f.Name)
		}
		long[f.Name] = f.UncompressedSize64
	}
	for _, f := range m.Files {
		n, there := long[f.Name]
		switch {
		case listed[f.Name]:
			return fmt.Errorf("%s is listed twice", f.Name)
		case !there:
			return fmt.Errorf("%s is missing", f.Name)
		case f.Bytes < 0 || n != uint64(f.Bytes):
			return fmt.Errorf("%s is not as it was written: its checksum differs, it has %d bytes, not %d", f.Name, n, f.Bytes)
		}
		listed[f.Name] = true
	}
	for _, t := range m.Tables {
		if tables[t.Name] {
			return fmt.Errorf("table %s is listed twice", t.Name)
		}
		tables[t.Name] = true
	}
	return nil
}

// isRow says that a line is an object with a value for each of its names.
func isRow(line []byte) bool {
	line = bytes.TrimSpace(line)
	return len(line) > 1 && line[0] == '{' && json.Valid(line)
}

// checkFile reads a file of the archive through and counts its lines, where it
// is a table.
func checkFile(z *zip.Reader, f File) (lines int, err error) {
	r, err := z.Open(f.Name)
	if err != nil {
		return 0, fmt.Errorf("%s is missing", f.Name)
	}
	defer func() { _ = r.Close() }()
	sum := sha256.New()
	c := &counter{w: sum}
	in := io.TeeReader(r, c)
	if strings.HasSuffix(f.Name, ".jsonl") {
		s := bufio.NewScanner(in)
		s.Buffer(make([]byte, 1<<16), mostLine)
		for s.Scan() {
			if lines++; !isRow(s.Bytes()) {
				return lines, fmt.Errorf("%s: line %d cannot be read", f.Name, lines)
			}
		}
		err = s.Err()
	}
	if err == nil {
		_, err = io.Copy(io.Discard, in)
	}
	switch {
	case err != nil:
		return lines, fmt.Errorf("%s cannot be read: %w", f.Name, err)
	case c.n != f.Bytes || hex.EncodeToString(sum.Sum(nil)) != f.SHA256:
		return lines, fmt.Errorf("%s is not as it was written: its checksum differs", f.Name)
	}
	return lines, nil
}

// NotEmpty is a database that has a shop in it.
type NotEmpty struct{}

func (*NotEmpty) Error() string {
	return "there is a shop in this database already; restore into an empty one, or another folder"
}

// Restore verifies an archive and brings everything back into an empty
// database, which then has the schema of this program, whatever that of the
// archive was. When it fails the database is left without rows.
func Restore(ctx context.Context, dsn string, r io.ReaderAt, size int64) (Manifest, error) {
	m, err := Verify(r, size)
	if err != nil {
		return m, err
	}
	latest, err := database.Latest()
	if err != nil {
		return m, err
	}
	if m.Schema > latest {
		return m, &database.Newer{Has: m.Schema, Knows: latest}
	}
	z, _, err := Open(r, size)
	if err != nil {
		return m, err
	}
	db, addr, err := database.Connect(dsn, 0)
	if err != nil {
		return m, err
	}
	defer func() { _ = db.Close() }()
	if err := db.PingContext(ctx); err != nil {
		return m, fmt.Errorf("the database does not answer at %s: %w", addr, err)
	}
	if err := empty(ctx, db); err != nil {
		return m, err
	}
	// First to the archive's schema, so that its rows fit; the migrations that
	// came since then bring them up to date like any shop's.
	if s, err := store.Open(ctx, dsn, store.Options{To: m.Schema}); err != nil {
		return m, err
	} else if err := s.Close(); err != nil {
		return m, err
	}
	if err := fill(ctx, db, z, m); err != nil {
		return m, err
	}
	s, err := store.Open(ctx, dsn)
	if err != nil {
		return m, err
	}
	return m, s.Close()
}

// empty says whether a database has no shop in it.
func empty(ctx context.Context, db *sql.DB) error {
	has, err := database.Schema(ctx, db)
	if err != nil || has == 0 {
		return err
	}
	for _, t := range []string{"account", "job", "customer"} {
		var n int
		if err := db.QueryRowContext(ctx, "SELECT COUNT(*) FROM (SELECT 1 FROM `"+t+"` LIMIT 1) x").Scan(&n); err != nil {
			return err
		}
		if n > 0 {
			return &NotEmpty{}
		}
	}
	return nil
}

// fill inserts all rows in one transaction.
func fill(ctx context.Context, db *sql.DB, z *zip.Reader, m Manifest) error {
	conn, err := db.Conn(ctx)
	if err != nil {
		return err
	}
	defer func() { _ = conn.Close() }()
	tables, err := tablesOf(ctx, conn)
	if err != nil {
		return err
	}
	has := map[string]table{}
	for _, t := range tables {
		has[t.name] = t
	}
	// Rows come in the order of the tables' names, not of their keys.
	if _, err := conn.ExecContext(ctx, "SET SESSION foreign_key_checks = 0"); err != nil {
		return err
	}
	defer func() { _, _ = conn.ExecContext(context.WithoutCancel(ctx), "SET SESSION foreign_key_checks = 1") }()
	tx, err := conn.BeginTx(ctx, nil)
	if err != nil {
		return err
	}
	defer func() { _ = tx.Rollback() }()
	for _, t := range m.Tables {
		into, ok := has[t.Name]
		if !ok {
			return fmt.Errorf("the schema %d has no table %s", m.Schema, t.Name)
		}
		if err := fillTable(ctx, tx, z, into); err != nil {
			return fmt.Errorf("table %s: %w", t.Name, err)
		}
	}
	return tx.Commit()
}

// Rows and bytes of one insert.
const (
	batchRows  = 200
	batchBytes = 4 << 20
)

func fillTable(ctx context.Context, tx *sql.Tx, z *zip.Reader, t table) error {
	f, err := z.Open(tableFile(t.name))
	if err != nil {
		return err
	}
	defer func() { _ = f.Close() }()
	names := make([]string, len(t.columns))
	for i, c := range t.columns {
		names[i] = c.name
	}
	head := "INSERT INTO `" + t.name + "` (" + quote(names) + ") VALUES "
	row := "(" + strings.TrimSuffix(strings.Repeat("?, ", len(names)), ", ") + ")"
	var args []any
	rows, bytes := 0, 0
	flush := func() error {
		if rows == 0 {
			return nil
		}
		_, err := tx.ExecContext(ctx, head+strings.TrimSuffix(strings.Repeat(row+", ", rows), ", "), args...)
		args, rows, bytes = args[:0], 0, 0
		return err
	}
	s := bufio.NewScanner(f)
	s.Buffer(make([]byte, 1<<16), mostLine)
	for s.Scan() {
		cells, n, err := cellsOf(z, t, s.Bytes())
		if err != nil {
			return err
		}
		args, rows, bytes = append(args, cells...), rows+1, bytes+n
		if rows >= batchRows || bytes >= batchBytes {
			if err := flush(); err != nil {
				return err
			}
		}
	}
	if err := s.Err(); err != nil {
		return err
	}
	return flush()
}

// cellsOf reads one line into the columns of its table, pictures from their
// files, and tells about how large it is.
func cellsOf(z *zip.Reader, t table, line []byte) ([]any, int, error) {
	var raw map[string]json.RawMessage
	if err := json.Unmarshal(line, &raw); err != nil {
		return nil, 0, err
	}
	out, size := make([]any, len(t.columns)), len(line)
	for i, c := range t.columns {
		which := pictures[c.name]
		if which == "" {
			v, err := cellFrom(c, raw[c.name])
			if err != nil {
				return nil, 0, err
			}
			out[i] = v
			continue
		}
		var id int64
		if err := json.Unmarshal(raw["id"], &id); err != nil {
			return nil, 0, err
		}
		b, err := readFile(z, pictureFile(id, which))
		if err != nil {
			return nil, 0, err
		}
		out[i] = b
		size += len(b)
	}
	return out, size, nil
}

func readFile(z *zip.Reader, name string) ([]byte, error) {
	f, err := z.Open(name)
	if err != nil {
		return nil, err
	}
	defer func() { _ = f.Close() }()
	var b bytes.Buffer
	_, err = io.Copy(&b, f)
	return b.Bytes(), err
}
