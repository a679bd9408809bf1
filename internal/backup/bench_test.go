package backup

import (
	"bytes"
	"encoding/json"
	"math/rand/v2"
	"os"
	"path/filepath"
	"testing"
	"time"

	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/store"
	"freshshard/internal/store/storetest"
)

// Of the shop that is carried away and brought back: a picture a job.
const (
	benchJobs    = 10_000
	pictureBytes = 60 << 10
)

// BenchmarkOutAndBack writes and restores a shop of 10,000 jobs with pictures
// and holds the checksums against each other.
func BenchmarkOutAndBack(b *testing.B) {
	st, err := store.Open(ctx, dbtest.Fresh(b, server))
	if err != nil {
		b.Fatal(err)
	}
	b.Cleanup(func() { _ = st.Close() })
	storetest.Fill(b, st.DB, benchJobs, 200)
	pic, thumb := make([]byte, pictureBytes), make([]byte, 4<<10)
	r := rand.NewChaCha8([32]byte{1})
	for job := 1; job <= benchJobs; job++ {
		_, _ = r.Read(pic)
		_, _ = r.Read(thumb)
		if _, err := st.DB.Exec("INSERT INTO photo (job_id, entry_id, width, height, full_jpeg, thumb_jpeg, taken_by, "+
			"taken_at) VALUES (?, '', 1, 1, ?, ?, 1, NOW())", job, pic, thumb); err != nil {
			b.Fatal(err)
		}
	}
	for b.Loop() {
		dir := b.TempDir()
		start := time.Now()
		path, m, err := ToFile(ctx, st.DB, dir, "", time.Now())
		if err != nil {
			b.Fatal(err)
		}
		out := time.Since(start)
		f, err := os.Open(filepath.Clean(path))
		if err != nil {
			b.Fatal(err)
		}
		info, err := f.Stat()
		if err != nil {
			b.Fatal(err)
		}
		dsn := dbtest.Fresh(b, server)
		start = time.Now()
		if _, err := Restore(ctx, dsn, f, info.Size()); err != nil {
			b.Fatal(err)
		}
		back := time.Since(start)
		_ = f.Close()
		_, again := opened(b, dsn)
		var w bytes.Buffer
		n, err := Write(ctx, again, &w, m.MadeAt)
		if err != nil {
			b.Fatal(err)
		}
		x, _ := json.Marshal(m.Files)
		y, _ := json.Marshal(n.Files)
		if !bytes.Equal(x, y) {
			b.Error("the checksums differ")
		}
		b.ReportMetric(out.Seconds(), "out-s")
		b.ReportMetric(back.Seconds(), "back-s")
		b.ReportMetric((out + back).Seconds(), "both-s")
		b.ReportMetric(float64(info.Size())/1e6, "MB")
	}
}
