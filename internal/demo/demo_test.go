package demo

import (
	"context"
	"os"
	"testing"

	"freshshard/internal/localdb"
	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/shop"
	"freshshard/internal/store"
)

var server *localdb.Server

func TestMain(m *testing.M) {
	os.Exit(dbtest.Run(m, func(s *localdb.Server) { server = s }))
}

func TestFill(t *testing.T) {
	ctx := context.Background()
	st, err := store.Open(ctx, dbtest.Fresh(t, server))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	s := shop.New(st)
	if filled, err := Filled(ctx, s); err != nil || filled {
		t.Fatalf("filled before it was: %v, %v", filled, err)
	}
	if err := Fill(ctx, s); err != nil {
		t.Fatal(err)
	}
	day, err := s.Today(ctx)
	if err != nil {
		t.Fatal(err)
	}
	if day.Open < 10 || day.Signed < 2 || day.First == nil || len(day.Waits) == 0 {
		t.Errorf("open %d, signed %d, %d waiting", day.Open, day.Signed, len(day.Waits))
	}
	stations, families := map[string]bool{}, map[string]bool{}
	for _, turn := range append(day.Turns, day.Waits...) {
		stations[turn.Station] = true
		v, err := s.Job(ctx, turn.Job)
		if err != nil {
			t.Fatal(err)
		}
		families[v.Pane.Family] = true
		if v.Reckoning.Fault != nil {
			t.Errorf("%s: %v", v.Job.Object.Name, v.Reckoning.Fault)
		}
	}
	if len(stations) < 5 || len(families) != 14 {
		t.Errorf("stations %v, families %v", stations, families)
	}
	people, err := s.Store.Accounts(ctx)
	if err != nil || len(people) != 3 {
		t.Errorf("%d people, %v", len(people), err)
	}
}
