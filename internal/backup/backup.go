// Package backup writes a whole shop as one archive of open formats and reads
// it back: a zip file with a JSON line for each row of each table, pictures as
// JPEG files, and a manifest with checksums and the schema.
package backup

import (
	"archive/zip"
	"bufio"
	"context"
	"crypto/sha256"
	"database/sql"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io"
	"strings"
	"time"

	"freshshard/internal/database"
)

// Format of the archive; a reader takes its own version and older ones.
const (
	Format  = "fresh-shard-backup"
	Version = 1
)

// manifestName is the last file of an archive.
const manifestName = "manifest.json"

// Manifest says what an archive holds.
type Manifest struct {
	Format  string    `json:"format"`
	Version int       `json:"version"`
	Schema  int64     `json:"schema"`
	MadeAt  time.Time `json:"made_at"`
	Tables  []Table   `json:"tables"`
	Files   []File    `json:"files"`
}

// Table is one table of the archive.
type Table struct {
	Name string `json:"name"`
	Rows int    `json:"rows"`
}

// File is one file of the archive with its SHA-256, hexadecimal.
type File struct {
	Name   string `json:"name"`
	Bytes  int64  `json:"bytes"`
	SHA256 string `json:"sha256"`
}

// passing are tables that belong to the moment: who is signed in, what failed,
// what a caller may still retry. A restored shop starts without them.
var passing = map[string]bool{
	"session": true, "reset_word": true, "sign_in_attempt": true, "known_address": true,
	"idempotency": true, "instrument_event": true, "goose_db_version": true,
}

// pictures are the columns that become files of their own.
var pictures = map[string]string{"full_jpeg": "full", "thumb_jpeg": "thumb"}

// Write writes everything that is in a database, as it stood at one moment,
// while the shop works on.
func Write(ctx context.Context, db *sql.DB, w io.Writer, now time.Time) (Manifest, error) {
	m := Manifest{Format: Format, Version: Version, MadeAt: now}
	conn, err := db.Conn(ctx)
	if err != nil {
		return m, err
	}
	defer func() { _ = conn.Close() }()
	for _, q := range []string{"SET TRANSACTION ISOLATION LEVEL REPEATABLE READ",
		"START TRANSACTION WITH CONSISTENT SNAPSHOT"} {
		if _, err := conn.ExecContext(ctx, q); err != nil {
			return m, err
		}
	}
	defer func() { _, _ = conn.ExecContext(context.WithoutCancel(ctx), "ROLLBACK") }()
	if m.Schema, err = database.Schema(ctx, conn); err != nil {
		return m, err
	}
	tables, err := tablesOf(ctx, conn)
	if err != nil {
		return m, err
	}
	z := &archive{zip: zip.NewWriter(w), m: &m}
	for _, t := range tables {
		if err := z.table(ctx, conn, t); err != nil {
			return m, fmt.Errorf("table %s: %w", t.name, err)
		}
	}
	if err := z.pictures(ctx, conn); err != nil {
		return m, fmt.Errorf("pictures: %w", err)
	}
	f, err := z.zip.Create(manifestName)
	if err != nil {
		return m, err
	}
	e := json.NewEncoder(f)
	e.SetIndent("", " ")
	if err := e.Encode(m); err != nil {
		return m, err
	}
	return m, z.zip.Close()
}

// table is what a table has, in its own order; computed columns are left out.
type table struct {
	name    string
	columns []column
	keys    []string
}

type column struct{ name, kind string }

func tablesOf(ctx context.Context, conn *sql.Conn) ([]table, error) {
	rows, err := conn.QueryContext(ctx,
		`SELECT c.table_name, c.column_name, c.data_type, c.column_key FROM information_schema.columns c
JOIN information_schema.tables t ON t.table_schema = c.table_schema AND t.table_name = c.table_name
AND t.table_type = 'BASE TABLE'
WHERE c.table_schema = DATABASE() AND c.is_generated = 'NEVER' ORDER BY c.table_name, c.ordinal_position`)
	if err != nil {
		return nil, err
	}
	defer func() { _ = rows.Close() }()
	var out []table
	for rows.Next() {
		var name, key string
		var c column
		if err := rows.Scan(&name, &c.name, &c.kind, &key); err != nil {
			return nil, err
		}
		if passing[name] {
			continue
		}
		if len(out) == 0 || out[len(out)-1].name != name {
			out = append(out, table{name: name})
		}
		t := &out[len(out)-1]
		t.columns = append(t.columns, c)
		if key == "PRI" {
			t.keys = append(t.keys, c.name)
		}
	}
	return out, rows.Err()
}

func quote(names []string) string { return "`" + strings.Join(names, "`, `") + "`" }

// archive is an archive that is being written.
type archive struct {
	zip *zip.Writer
	m   *Manifest
}

// file writes one file; method is how it is packed.
func (a *archive) file(name string, method uint16, write func(io.Writer) error) error {
	f, err := a.zip.CreateHeader(&zip.FileHeader{Name: name, Method: method, Modified: a.m.MadeAt})
	if err != nil {
		return err
	}
	sum := sha256.New()
	c := &counter{w: io.MultiWriter(f, sum)}
	if err := write(c); err != nil {
		return err
	}
	a.m.Files = append(a.m.Files, File{name, c.n, hex.EncodeToString(sum.Sum(nil))})
	return nil
}

type counter struct {
	w io.Writer
	n int64
}

func (c *counter) Write(p []byte) (int, error) {
	n, err := c.w.Write(p)
	c.n += int64(n)
	return n, err
}

func tableFile(name string) string { return "tables/" + name + ".jsonl" }

func (a *archive) table(ctx context.Context, conn *sql.Conn, t table) error {
	var names []string
	var columns []column
	for _, c := range t.columns {
		if pictures[c.name] == "" {
			names, columns = append(names, c.name), append(columns, c)
		}
	}
	n := 0
	err := a.file(tableFile(t.name), zip.Deflate, func(w io.Writer) error {
		b := bufio.NewWriterSize(w, 1<<16)
		rows, err := conn.QueryContext(ctx, "SELECT "+quote(names)+" FROM `"+t.name+"` ORDER BY "+quote(t.keys))
		if err != nil {
			return err
		}
		defer func() { _ = rows.Close() }()
		cells, into := make([]any, len(columns)), make([]any, len(columns))
		for i := range cells {
			into[i] = &cells[i]
		}
		for rows.Next() {
			if err := rows.Scan(into...); err != nil {
				return err
			}
			line, err := lineOf(columns, cells)
			if err != nil {
				return err
			}
			if _, err := b.Write(line); err != nil {
				return err
			}
			n++
		}
		if err := rows.Err(); err != nil {
			return err
		}
		return b.Flush()
	})
	a.m.Tables = append(a.m.Tables, Table{t.name, n})
	return err
}

func pictureFile(id int64, size string) string { return fmt.Sprintf("pictures/%d-%s.jpg", id, size) }

func (a *archive) pictures(ctx context.Context, conn *sql.Conn) error {
	rows, err := conn.QueryContext(ctx, "SELECT id, full_jpeg, thumb_jpeg FROM photo ORDER BY id")
	if err != nil {
		return err
	}
	defer func() { _ = rows.Close() }()
	for rows.Next() {
		var id int64
		var full, thumb sql.RawBytes
		if err := rows.Scan(&id, &full, &thumb); err != nil {
			return err
		}
		for _, p := range []struct {
			size string
			b    []byte
		}{{"full", full}, {"thumb", thumb}} {
			// JPEG does not pack any further.
			if err := a.file(pictureFile(id, p.size), zip.Store,
				func(w io.Writer) error { _, err := w.Write(p.b); return err }); err != nil {
				return err
			}
		}
	}
	return rows.Err()
}
