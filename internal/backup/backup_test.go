package backup

import (
	"archive/zip"
	"bytes"
	"context"
	"crypto/sha256"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"image"
	"image/jpeg"
	"io"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"freshshard/core/length"
	"freshshard/internal/database"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/localdb"
	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/measure"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/shop"
	"freshshard/internal/store"
)

var (
	server *localdb.Server
	ctx    = context.Background()
)

func TestMain(m *testing.M) {
	os.Exit(dbtest.Run(m, func(s *localdb.Server) { server = s }))
}

func opened(t testing.TB, dsn string) (*shop.Shop, *sql.DB) {
	t.Helper()
	st, err := store.Open(ctx, dsn)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	return shop.New(st), st.DB
}

// busy is a small shop with something of everything.
func busy(t testing.TB) (dsn string, s *shop.Shop, db *sql.DB) {
	t.Helper()
	dsn = dbtest.Fresh(t, server)
	s, db = opened(t, dsn)
	mira, err := s.People.Setup(ctx, record.Shop{Name: "Lantern Yard 🏮", Town: "Hollin Ferry", Unit: length.MM},
		people.Person{Name: "Mira", Login: "mira", Password: "three plain words"})
	if err != nil {
		t.Fatal(err)
	}
	var pic bytes.Buffer
	if err := jpeg.Encode(&pic, image.NewGray(image.Rect(0, 0, 60, 40)), nil); err != nil {
		t.Fatal(err)
	}
	for i := range 3 {
		due := s.Now().Add(30 * time.Hour)
		id, err := s.Desk.TakeIn(ctx, mira, fmt.Sprintf("take-in-%d", i), desk.TakeIn{Name: "Oda Marl", Object: "Sauna stove",
			Exposure: "fire", Family: "clip-heat", Place: "bench", Story: "a \"quoted\"\nstory\t🔥", Promised: &due})
		if err != nil {
			t.Fatal(err)
		}
		if err := s.Measure.Read(ctx, mira, jobview.First(id), "width_top",
			measure.Said{Text: "270.123456789", Instrument: length.Tape}); err != nil {
			t.Fatal(err)
		}
		if err := s.Desk.Photos.AddPhoto(ctx, mira, fmt.Sprintf("photo-%d", i), id, "", pic.Bytes()); err != nil {
			t.Fatal(err)
		}
		if i == 0 {
			if _, err := s.Records.Sign(ctx, mira, "sign-it-0", id, records.Signature{Override: "for the test"}); err != nil {
				t.Fatal(err)
			}
		}
	}
	// A table whose rows have a day and no hour.
	if _, err := s.Stock.AddStock(ctx, mira, "a-tube",
		record.StockItem{Kind: record.AdhesiveStock, Name: "urethane", Unit: "pc",
			Quantity: 3, Lot: "U 2214", Expires: "2027-03-31"}); err != nil {
		t.Fatal(err)
	}
	return dsn, s, db
}

func written(t testing.TB, db *sql.DB) ([]byte, Manifest) {
	t.Helper()
	var b bytes.Buffer
	m, err := Write(ctx, db, &b, time.Date(2026, 3, 29, 1, 30, 0, 0, time.UTC))
	if err != nil {
		t.Fatal(err)
	}
	return b.Bytes(), m
}

// Out and back, everything is as it was, to the last checksum, and the shop
// works on: tickets hold their seal, people sign in.
func TestOutAndBack(t *testing.T) {
	_, _, db := busy(t)
	b, m := written(t, db)
	if len(m.Tables) < 15 || len(m.Files) != len(m.Tables)+6 {
		t.Fatalf("%d tables, %d files", len(m.Tables), len(m.Files))
	}
	if got, err := Verify(bytes.NewReader(b), int64(len(b))); err != nil || got.Schema != m.Schema {
		t.Fatalf("%+v, %v", got, err)
	}
	dsn := dbtest.Fresh(t, server)
	if _, err := Restore(ctx, dsn, bytes.NewReader(b), int64(len(b))); err != nil {
		t.Fatal(err)
	}
	s, again := opened(t, dsn)
	_, back := written(t, again)
	x, _ := json.Marshal(m)
	y, _ := json.Marshal(back)
	if !bytes.Equal(x, y) {
		t.Errorf("out:\n%s\nback:\n%s", x, y)
	}
	v, err := s.Table(ctx, jobview.First(1))
	if err != nil || v.Job.Ticket == nil || v.Job.Ticket.Changed || v.Pane.Readings[0].Reading.Value != 270.123456789 ||
		!strings.Contains(v.Job.Story, "🔥") {
		t.Errorf("%+v, %v", v.Job.Ticket, err)
	}
	if _, err := s.People.SignIn(ctx, "mira", "three plain words", "192.0.2.1"); err != nil {
		t.Error(err)
	}
	if rows, err := s.Today.Find(ctx, "sauna", "", 0, 10); err != nil || len(rows) != 3 {
		t.Errorf("%d found, %v", len(rows), err)
	}
	if items, err := s.Store.Stocks.Stock(ctx, false); err != nil || len(items) != 1 || items[0].Expires != "2027-03-31" {
		t.Errorf("%+v, %v", items, err)
	}
	var none *NotEmpty
	if _, err := Restore(ctx, dsn, bytes.NewReader(b), int64(len(b))); !errors.As(err, &none) {
		t.Errorf("over a shop that is there: %v", err)
	}
}

// While people write, an archive shows one moment: no row hangs in the air.
func TestOneMoment(t *testing.T) {
	_, s, db := busy(t)
	mira := record.Account{ID: 1, Name: "Mira", Role: record.Owner}
	stop, done := make(chan struct{}), make(chan struct{})
	go func() {
		defer close(done)
		for i := 0; ; i++ {
			select {
			case <-stop:
				return
			default:
				_, _ = s.Desk.TakeIn(ctx, mira, "",
					desk.TakeIn{Name: "Someone", Object: "Kiln", Exposure: "kiln", Family: "clip-heat",
						Place: "bench"})
			}
		}
	}()
	for range 3 {
		b, _ := written(t, db)
		dsn := dbtest.Fresh(t, server)
		if _, err := Restore(ctx, dsn, bytes.NewReader(b), int64(len(b))); err != nil {
			t.Error(err)
			continue
		}
		_, back := opened(t, dsn)
		for _, q := range []string{
			"SELECT COUNT(*) FROM pane p LEFT JOIN job j ON j.id = p.job_id WHERE j.id IS NULL",
			"SELECT COUNT(*) FROM job j LEFT JOIN pane p ON p.job_id = j.id WHERE p.id IS NULL",
			"SELECT COUNT(*) FROM job j LEFT JOIN object o ON o.id = j.object_id WHERE o.id IS NULL",
			"SELECT COUNT(*) FROM job j LEFT JOIN audit a ON a.job_id = j.id WHERE a.id IS NULL",
		} {
			var n int
			if err := back.QueryRow(q).Scan(&n); err != nil || n != 0 {
				t.Errorf("%d rows hang in the air, %v: %s", n, err, q)
			}
		}
	}
	close(stop)
	<-done
}

// rewrite gives an archive with one of its files changed; nil drops it.
func rewrite(t *testing.T, b []byte, name string, change func([]byte) []byte) []byte {
	t.Helper()
	r, err := zip.NewReader(bytes.NewReader(b), int64(len(b)))
	if err != nil {
		t.Fatal(err)
	}
	var out bytes.Buffer
	w := zip.NewWriter(&out)
	for _, f := range r.File {
		in, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		text, err := io.ReadAll(in)
		if err != nil {
			t.Fatal(err)
		}
		if f.Name == name {
			if text = change(text); text == nil {
				continue
			}
		}
		o, err := w.Create(f.Name)
		if err != nil {
			t.Fatal(err)
		}
		if _, err := o.Write(text); err != nil {
			t.Fatal(err)
		}
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// Whatever is wrong with an archive is found before anything is written.
func TestBadArchives(t *testing.T) {
	_, _, db := busy(t)
	b, _ := written(t, db)
	swap := func(from, to string) func([]byte) []byte {
		return func(text []byte) []byte { return bytes.Replace(text, []byte(from), []byte(to), 1) }
	}
	none := func([]byte) []byte { return nil }
	for _, c := range []struct {
		name string
		b    []byte
		says string
	}{
		{"nothing", nil, "no backup"},
		{"half", b[:len(b)/2], "ends too early"},
		{"no manifest", rewrite(t, b, manifestName, none), "no manifest.json"},
		{"a broken manifest", rewrite(t, b, manifestName, swap("{", "[")), "cannot be read"},
		{"something else", rewrite(t, b, manifestName, swap(Format, "letters")), "no backup of Fresh Shard"},
		{"a later version", rewrite(t, b, manifestName, swap(`"version": 1`, `"version": 9`)), "take the newer program"},
		{"a later schema", rewrite(t, b, manifestName, swap(`"schema": `, `"schema": 9`)), "newer version"},
		{"a table less", rewrite(t, b, "tables/job.jsonl", none), "tables/job.jsonl is missing"},
		{"another name", rewrite(t, b, "tables/customer.jsonl", swap("Oda", "Ada")), "checksum"},
		{"a broken line", rewrite(t, b, "tables/customer.jsonl", swap("{", "[")), "line 1 cannot be read"},
		{"a picture less", rewrite(t, b, "pictures/1-full.jpg", none), "pictures/1-full.jpg is missing"},
		{"a picture changed", rewrite(t, b, "pictures/1-full.jpg", func(p []byte) []byte { p[len(p)/2] ^= 1; return p }),
			"checksum"},
	} {
		dsn := dbtest.Fresh(t, server)
		_, err := Restore(ctx, dsn, bytes.NewReader(c.b), int64(len(c.b)))
		if err == nil || !strings.Contains(err.Error(), c.says) || strings.Contains(err.Error(), "\n") {
			t.Errorf("%s: %v, want %q", c.name, err, c.says)
		}
		db, _, err := database.Connect(dsn, 0)
		if err != nil {
			t.Fatal(err)
		}
		if has, err := database.Schema(ctx, db); err != nil || has != 0 {
			t.Errorf("%s: something was written, %d, %v", c.name, has, err)
		}
		_ = db.Close()
	}
}

// What could not be brought back is no whole archive: a newer schema, a name twice, a file of
// another length, a row that is none, a manifest without an end.
func TestVerifyRefusesWhatIsNotRestored(t *testing.T) {
	latest, err := database.Latest()
	if err != nil {
		t.Fatal(err)
	}
	sum := func(s string) string { return fmt.Sprintf("%x", sha256.Sum256([]byte(s))) }
	row := `{"id":1}` + "\n"
	head := func(schema int64) string {
		return fmt.Sprintf(`{"format":%q,"version":%d,"schema":%d,`, Format, Version, schema)
	}
	file := func(name, body string) string {
		return fmt.Sprintf(`{"name":%q,"bytes":%d,"sha256":%q}`, name, len(body), sum(body))
	}
	one := file("tables/shop.jsonl", row)
	const twoShops = `"tables":[{"name":"shop","rows":1},{"name":"shop","rows":1}],"files":[`
	for name, c := range map[string]struct {
		manifest string
		files    [][2]string
		says     string
	}{
		"whole": {head(latest) + `"tables":[{"name":"shop","rows":1}],"files":[` + one + `]}`,
			[][2]string{{"tables/shop.jsonl", row}}, ""},
		"newer": {head(latest+1) + `"tables":[],"files":[]}`, nil, "newer"},
		"twice": {head(latest) + `"tables":[],"files":[` + one + `]}`,
			[][2]string{{"tables/shop.jsonl", row}, {"tables/shop.jsonl", row}}, "in it twice"},
		"listed twice": {head(latest) + `"tables":[],"files":[` + one + "," + one + `]}`,
			[][2]string{{"tables/shop.jsonl", row}}, "listed twice"},
		"table twice": {head(latest) + twoShops + one + `]}`, [][2]string{{"tables/shop.jsonl", row}}, "listed twice"},
		"another size": {head(latest) + `"tables":[],"files":[` + one + `]}`, [][2]string{{"tables/shop.jsonl", row + row}},
			"bytes"},
		"no row": {head(latest) + `"tables":[{"name":"shop","rows":1}],"files":[` + file("tables/shop.jsonl", "7\n") + `]}`,
			[][2]string{{"tables/shop.jsonl", "7\n"}}, "cannot be read"},
		"blanks": {head(latest) + `"tables":[],"files":[]}` + strings.Repeat(" ", mostManifest), nil, "longer than any"},
	} {
		var b bytes.Buffer
		w := zip.NewWriter(&b)
		for _, f := range append([][2]string{{manifestName, c.manifest}}, c.files...) {
			o, err := w.Create(f[0])
			if err != nil {
				t.Fatal(err)
			}
			_, _ = o.Write([]byte(f[1]))
		}
		_ = w.Close()
		_, err := Verify(bytes.NewReader(b.Bytes()), int64(b.Len()))
		if (err == nil) != (c.says == "") || err != nil && !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
}

func FuzzVerify(f *testing.F) {
	f.Add([]byte("PK\x03\x04"))
	var b bytes.Buffer
	w := zip.NewWriter(&b)
	o, _ := w.Create(manifestName)
	_, _ = o.Write([]byte(`{"format":"fresh-shard-backup","version":1,"schema":10,"files":[{"name":"x","bytes":1}]}`))
	_ = w.Close()
	f.Add(b.Bytes())
	f.Fuzz(func(t *testing.T, b []byte) {
		if _, err := Verify(bytes.NewReader(b), int64(len(b))); err == nil && len(b) == 0 {
			t.Error("nothing is a backup")
		}
	})
}

func TestKeeper(t *testing.T) {
	dsn, s, _ := busy(t)
	dir := filepath.Join(t.TempDir(), "backups")
	now := time.Now()
	k := &Keeper{Dir: dir, DSN: dsn, Shop: s, Now: func() time.Time { return now }}
	if due, err := k.due(ctx); err != nil || !due {
		t.Fatalf("none was made, and none is due: %v, %v", due, err)
	}
	if err := k.Once(ctx); err != nil {
		t.Fatal(err)
	}
	last, err := s.Records.LastBackup(ctx)
	if err != nil || last.At == nil || last.Old || last.Bytes == 0 {
		t.Fatalf("%+v, %v", last, err)
	}
	info, err := os.Stat(filepath.Join(dir, last.File))
	if err != nil || info.Mode().Perm() != 0o600 || info.Size() != last.Bytes {
		t.Errorf("%v, %v", info, err)
	}
	if due, err := k.due(ctx); err != nil || due {
		t.Errorf("due again at once: %v, %v", due, err)
	}
	now = now.Add(25 * time.Hour)
	if due, err := k.due(ctx); err != nil || !due {
		t.Errorf("a day later none is due: %v, %v", due, err)
	}
	real := s.Now
	s.Now = func() time.Time { return real().Add(oldAfter) }
	if last, err := s.Records.LastBackup(ctx); err != nil || !last.Old {
		t.Errorf("%+v, %v", last, err)
	}
	if day, err := s.Today.Today(ctx, record.Account{}); err != nil || day.Backup == nil {
		t.Errorf("Today says nothing of it, %v", err)
	}
	// A folder that cannot be written leaves no half of one.
	k.Dir = "/proc/nowhere"
	if err := k.Once(ctx); err == nil || strings.Contains(err.Error(), "\n") {
		t.Errorf("%v", err)
	}
}

// oldAfter is past two missed nights.
const oldAfter = 51 * time.Hour

func TestLastNight(t *testing.T) {
	at := func(d, h int) time.Time { return time.Date(2026, 11, d, h, 0, 0, 0, time.Local) }
	for now, want := range map[time.Time]time.Time{at(25, 1): at(24, 2), at(25, 2): at(25, 2), at(25, 23): at(25, 2),
		at(1, 0): time.Date(2026, 10, 31, 2, 0, 0, 0, time.Local)} {
		if got := lastNight(now); !got.Equal(want) {
			t.Errorf("at %v: %v, want %v", now, got, want)
		}
	}
}

// Of two years of nights the last fourteen stay, and the first of each of
// twelve months before.
func TestSurplus(t *testing.T) {
	var names []string
	day := time.Date(2024, 1, 1, 2, 0, 0, 0, time.UTC)
	for i := range 730 {
		names = append(names, prefix+day.AddDate(0, 0, i).Format("20060102-150405")+ending)
	}
	gone := map[string]bool{}
	for _, n := range surplus(names) {
		gone[n] = true
	}
	var kept []string
	for _, n := range names {
		if !gone[n] {
			kept = append(kept, n)
		}
	}
	if len(kept) != keptDays+keptMonths || kept[0] != prefix+"20250101-020000.zip" || kept[len(kept)-1] != names[729] ||
		gone[names[716]] {
		t.Errorf("%d kept: %v", len(kept), kept)
	}
	if got := surplus(names[:10]); len(got) != 0 {
		t.Errorf("of ten nights %v go", got)
	}
	if _, ok := madeAt("freshshard-schema-10-20260101-020000.zip"); ok {
		t.Error("one from before a migration would be cleared away")
	}
}
