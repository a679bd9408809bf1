package store

import (
	"context"
	"testing"
	"time"

	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/internal/record"
	"freshshard/internal/store/storetest"
)

// Two people write the first lines of neighbouring jobs: the one who is slow with theirs
// keeps the other from nothing.
func TestNeighboursDoNotWait(t *testing.T) {
	s := open(t)
	storetest.Fill(t, s.DB, 20, 10)
	// Two panes of which nothing was read yet.
	columns := ""
	if err := s.DB.QueryRow("SELECT GROUP_CONCAT(column_name) FROM information_schema.columns WHERE table_schema = " +
		"DATABASE() AND table_name = 'pane' AND column_name NOT IN ('id', 'number')").Scan(&columns); err != nil {
		t.Fatal(err)
	}
	var panes [2]int64
	for n := range panes {
		r, err := s.DB.Exec("INSERT INTO pane (number, "+columns+") SELECT ?, "+columns+" FROM pane WHERE id = 20", n+2)
		if err != nil {
			t.Fatal(err)
		}
		if panes[n], err = r.LastInsertId(); err != nil {
			t.Fatal(err)
		}
	}
	first := func(t *Tx, ctx context.Context, pane int64) error {
		if err := t.Panes.RetireReading(ctx, pane, reading.SeatWarp); err != nil {
			return err
		}
		if err := t.Panes.ClearTick(ctx, pane, "refit"); err != nil {
			return err
		}
		if err := t.Panes.AddReading(ctx, pane, record.Reading{Place: reading.SeatWarp, Reading: length.Reading{Text: "1",
			Value: 1},
			Instrument: length.Rule, ByID: 1, At: time.Now(), Version: 1}); err != nil {
			return err
		}
		return t.Panes.SetTick(ctx, pane, record.Tick{Step: "refit", Outcome: "done", Version: 1, At: time.Now()}, 1)
	}
	written, release, done := make(chan struct{}), make(chan struct{}), make(chan error, 1)
	go func() {
		done <- s.Write(ctx, func(t *Tx) error {
			err := first(t, ctx, panes[0])
			close(written)
			<-release
			return err
		})
	}()
	<-written
	soon, cancel := context.WithTimeout(ctx, 20*time.Second)
	defer cancel()
	if err := s.Write(soon, func(t *Tx) error { return first(t, soon, panes[1]) }); err != nil {
		t.Errorf("the neighbour: %v", err)
	}
	close(release)
	if err := <-done; err != nil {
		t.Errorf("the slow one: %v", err)
	}
}
