package people

import (
	"context"
	"os"
	"testing"

	"freshshard/core/length"
	"freshshard/internal/change"
	"freshshard/internal/localdb"
	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

var server *localdb.Server

func TestMain(m *testing.M) {
	os.Exit(dbtest.Run(m, func(s *localdb.Server) { server = s }))
}

var ctx = context.Background()

// open gives a shop with an owner, Mira, and a technician, Tor.
func open(t *testing.T) (*Service, record.Account, record.Account) {
	t.Helper()
	st, err := store.Open(ctx, setUp.Fresh(t, server))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	all, err := st.People.Accounts(ctx)
	if err != nil || len(all) != 2 {
		t.Fatalf("%d people, %v", len(all), err)
	}
	return New(change.New(st)), all[0], all[1]
}

var setUp = dbtest.Kept{Fill: func(dsn string) error {
	st, err := store.Open(ctx, dsn)
	if err != nil {
		return err
	}
	defer func() { _ = st.Close() }()
	s := New(change.New(st))
	mira, err := s.Setup(ctx, record.Shop{Name: "Lantern Yard", Town: "Hollin Ferry", Unit: length.MM},
		Person{Name: "Mira", Login: "Mira", Password: "three plain words"})
	if err != nil {
		return err
	}
	_, err = s.AddPerson(ctx, mira, "", Person{Name: "Tor", Login: "tor", Password: "four plain words here",
		Role: record.Technician})
	return err
}}
