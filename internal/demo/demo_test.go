package demo

import (
	"context"
	"os"
	"slices"
	"sync/atomic"
	"testing"

	"github.com/go-sql-driver/mysql"

	"freshshard/core/family"
	"freshshard/core/route"
	"freshshard/internal/jobview"
	"freshshard/internal/localdb"
	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/record"
	"freshshard/internal/shop"
	"freshshard/internal/store"
	"freshshard/internal/today"
)

var server *localdb.Server

func TestMain(m *testing.M) {
	os.Exit(dbtest.Run(m, func(s *localdb.Server) { server = s }))
}

func TestFill(t *testing.T) {
	ctx := context.Background()
	dsn := dbtest.Fresh(t, server)
	st, err := store.Open(ctx, dsn)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	s := shop.New(st)
	s.MadeUp = true
	half := func() bool {
		t.Helper()
		at, err := mysql.ParseDSN(dsn)
		if err != nil {
			t.Fatal(err)
		}
		is, err := HalfFilled(ctx, dsn, at.DBName)
		if err != nil {
			t.Fatal(err)
		}
		return is
	}
	var in atomic.Int32
	if half() {
		t.Error("an empty shop is half filled")
	}
	if err := fillAll(ctx, s, s.Now(), func() { in.Add(1) }); err != nil {
		t.Fatal(err)
	}
	if !half() {
		t.Error("a shop whose filling did not come to its end is not half filled")
	}
	if err := s.Records.NoteFilled(ctx); err != nil {
		t.Fatal(err)
	}
	if half() {
		t.Error("a filled shop is half filled")
	}
	if err := Fill(ctx, s, func() { in.Add(1) }); err != nil {
		t.Errorf("filling a filled shop: %v", err)
	}
	if int(in.Load()) != Jobs() {
		t.Errorf("%d jobs are said to be in, %d are made", in.Load(), Jobs())
	}
	day, err := s.Today.Today(ctx, record.Account{})
	if err != nil {
		t.Fatal(err)
	}
	if day.Open < 10 || day.Signed < 2 || day.First == nil || len(day.Waits) == 0 {
		t.Errorf("open %d, signed %d, %d waiting", day.Open, day.Signed, len(day.Waits))
	}
	stations, families := map[string]bool{}, map[string]bool{}
	for _, turn := range append(day.Turns, day.Waits...) {
		stations[turn.Station] = true
		v, err := s.Table(ctx, jobview.First(turn.Job))
		if err != nil {
			t.Fatal(err)
		}
		families[v.Pane.Family] = true
		if v.Reckoning.Fault != nil {
			t.Errorf("%s: %v", v.Job.Object.Name, v.Reckoning.Fault)
		}
	}
	if len(stations) < 5 || len(families) != 18 {
		t.Errorf("stations %v, families %v", stations, families)
	}
	// Each way of holding has a job somewhere between Set and its signature.
	late := map[string]bool{}
	all, err := s.Today.Find(ctx, "", "", 0, 200)
	if err != nil {
		t.Fatal(err)
	}
	for _, l := range all {
		v, err := s.Table(ctx, jobview.First(l.ID))
		if err != nil {
			t.Fatal(err)
		}
		now := slices.IndexFunc(v.Route, func(l route.Leg) bool { return l.State == "now" })
		if v.Job.Signed || now >= 0 && slices.Contains([]family.Station{"set", "hold", "refit", "prove"},
			v.Route[now].Station) {
			late[v.Pane.Family] = true
		}
	}
	for _, f := range family.Book.All() {
		if !late[f.ID] {
			t.Errorf("%s: no job from Set on", f.ID)
		}
	}
	saysWhatItWaitsFor(t, all)
	people, err := s.People.List(ctx)
	if err != nil || len(people) != 3 {
		t.Errorf("%d people, %v", len(people), err)
	}
}

// saysWhatItWaitsFor holds the lists against jobs that wait and do not say for what: glass, or what
// hardens.
func saysWhatItWaitsFor(t *testing.T, all []today.Listed) {
	t.Helper()
	glass, bond := 0, 0
	for _, l := range all {
		if !l.Waiting {
			continue
		}
		if l.WaitsFor == "" {
			t.Errorf("job %d, %s waits, and does not say for what", l.ID, l.Object)
		}
		if l.Station == "hold" {
			bond++
		} else {
			glass++
		}
	}
	if glass == 0 || bond == 0 {
		t.Errorf("%d wait for glass and %d for a bond: the test sees too little", glass, bond)
	}
}
