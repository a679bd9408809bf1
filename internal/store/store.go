// Package store keeps the records in MariaDB through database/sql. It has the queries by noun
// and knows no rules; the rooms have those.
package store

import (
	"context"
	"database/sql"
	"fmt"
	"time"

	"freshshard/internal/database"
	"freshshard/internal/store/ledger"
)

// Store is the open database. It is safe for many goroutines; any number of
// processes may have the same database open.
type Store struct {
	DB        *sql.DB
	People    People
	Shops     Shops
	Jobs      Jobs
	Panes     Panes
	Strips    Strips
	Photos    Photos
	Cures     Cures
	Days      Days
	Rounds    Rounds
	Stocks    Stocks
	Orders    Orders
	Bills     ledger.Ledger
	Passports Passports
	Signals   Signals
	Search    Search
	Trail     Trail
}

// What is read, by noun. A transaction reads through its own connection: a writer that asked
// the pool for a second one could wait for itself.
type (
	People    struct{ db database.Querier } // accounts, what opens their sessions, and who tried to get in
	Shops     struct{ db database.Querier } // what the shop says of itself: settings, values of its own, memos
	Jobs      struct{ db database.Querier } // jobs with their customers and objects
	Panes     struct{ db database.Querier } // what belongs to a pane: readings, choices, steps, checks, the ticket
	Strips    struct{ db database.Querier } // what came off, and what is in only for now
	Photos    struct{ db database.Querier } // pictures
	Cures     struct{ db database.Querier } // clocks of what hardens and other clocks, and the air
	Days      struct{ db database.Querier } // weeks, plans and pins
	Rounds    struct{ db database.Querier } // rounds of visits, roads and weather
	Stocks    struct{ db database.Querier } // what is on the shelf, and plans of cuts
	Orders    struct{ db database.Querier } // offers, orders and suppliers
	Passports struct{ db database.Querier } // links, reminders and what was fitted
	Signals   struct{ db database.Querier } // what instruments sent
	Search    struct{ db database.Querier } // jobs found by words
	Trail     struct{ db database.Querier } // what happened, and calls that were made once
)

// What a transaction writes, by noun; each reads what it needs on the way.
type (
	PeopleTx struct {
		People
		database.Writer
	}
	ShopsTx struct {
		Shops
		database.Writer
	}
	JobsTx struct {
		Jobs
		database.Writer
	}
	PanesTx struct {
		Panes
		database.Writer
	}
	StripsTx struct {
		Strips
		database.Writer
	}
	PhotosTx struct {
		Photos
		database.Writer
	}
	CuresTx struct {
		Cures
		database.Writer
	}
	DaysTx struct {
		Days
		database.Writer
	}
	RoundsTx struct {
		Rounds
		database.Writer
	}
	StocksTx struct {
		Stocks
		database.Writer
	}
	OrdersTx struct {
		Orders
		database.Writer
	}
	PassportsTx struct {
		Passports
		database.Writer
	}
	SignalsTx struct {
		Signals
		database.Writer
	}
	SearchTx struct {
		Search
		database.Writer
	}
	TrailTx struct {
		Trail
		database.Writer
	}
)

// over gives the reads of a connection.
func over(q database.Querier) Store {
	return Store{People: People{q}, Shops: Shops{q}, Jobs: Jobs{q}, Panes: Panes{q}, Strips: Strips{q},
		Photos: Photos{q}, Cures: Cures{q}, Days: Days{q}, Rounds: Rounds{q}, Stocks: Stocks{q}, Orders: Orders{q},
		Bills: ledger.Ledger{DB: q}, Passports: Passports{q}, Signals: Signals{q}, Search: Search{q}, Trail: Trail{q}}
}

// within gives what a transaction reads and writes.
func within(tx *sql.Tx) *Tx {
	r, w := over(tx), database.Writer{Tx: tx}
	return &Tx{People: PeopleTx{r.People, w}, Shops: ShopsTx{r.Shops, w}, Jobs: JobsTx{r.Jobs, w},
		Panes: PanesTx{r.Panes, w}, Strips: StripsTx{r.Strips, w}, Photos: PhotosTx{r.Photos, w},
		Cures: CuresTx{r.Cures, w}, Days: DaysTx{r.Days, w}, Rounds: RoundsTx{r.Rounds, w}, Stocks: StocksTx{r.Stocks, w},
		Orders: OrdersTx{r.Orders, w}, Bills: ledger.Tx{Ledger: r.Bills, Writer: w}, Passports: PassportsTx{r.Passports, w},
		Signals: SignalsTx{r.Signals, w}, Search: SearchTx{r.Search, w}, Trail: TrailTx{r.Trail, w}}
}

// Options are what Open can be told.
type Options struct {
	// Before is called before the tables of a database with records in it are
	// changed, with an open connection and the schema that it has. An error
	// leaves the database as it is.
	Before func(ctx context.Context, db *sql.DB, schema int64) error
	// To is the schema to bring it to; 0 is the newest.
	To int64
}

// Open connects and brings the tables up to date.
func Open(ctx context.Context, dsn string, o ...Options) (*Store, error) {
	var opt Options
	if len(o) > 0 {
		opt = o[0]
	}
	patient, addr, err := database.Connect(dsn, 0)
	if err != nil {
		return nil, err
	}
	defer func() { _ = patient.Close() }()
	if err := patient.PingContext(ctx); err != nil {
		return nil, fmt.Errorf("the database does not answer at %s: %w", addr, err)
	}
	if opt.To == 0 {
		if opt.To, err = database.Latest(); err != nil {
			return nil, err
		}
	}
	err = database.Migrate(ctx, patient, opt.To, func(ctx context.Context, schema int64) error {
		if opt.Before == nil {
			return nil
		}
		return opt.Before(ctx, patient, schema)
	})
	if err != nil {
		return nil, err
	}
	db, _, err := database.Connect(dsn, database.QuietWait)
	if err != nil {
		return nil, err
	}
	s := over(db)
	s.DB = db
	return &s, nil
}

// Close ends all connections.
func (s *Store) Close() error { return s.DB.Close() }

// Ping asks the database whether it is there.
func (s *Store) Ping(ctx context.Context) error { return s.DB.PingContext(ctx) }

// Tx is one transaction.
type Tx struct {
	People    PeopleTx
	Shops     ShopsTx
	Jobs      JobsTx
	Panes     PanesTx
	Strips    StripsTx
	Photos    PhotosTx
	Cures     CuresTx
	Days      DaysTx
	Rounds    RoundsTx
	Stocks    StocksTx
	Orders    OrdersTx
	Bills     ledger.Tx
	Passports PassportsTx
	Signals   SignalsTx
	Search    SearchTx
	Trail     TrailTx
}

// attempts that a write makes when the database gives way to another one.
const attempts = 5

// Write runs f in a transaction. It runs it again when the database broke the
// transaction off for another one (a deadlock, a lock that took too long, a
// lost certification in a cluster), so f must not keep anything between runs.
func (s *Store) Write(ctx context.Context, f func(*Tx) error) error {
	var err error
	for try := range attempts {
		if err = s.claim(ctx, f); !database.Again(err) {
			return err
		}
		select {
		case <-ctx.Done():
			return ctx.Err()
		case <-time.After(time.Duration(try+1) * 15 * time.Millisecond):
		}
	}
	return err
}

func (s *Store) claim(ctx context.Context, f func(*Tx) error) error {
	tx, err := s.DB.BeginTx(ctx, nil)
	if err != nil {
		return err
	}
	// A rollback after the commit does nothing; one after a panic frees the
	// locks at once.
	defer func() { _ = tx.Rollback() }()
	if err := f(within(tx)); err != nil {
		return err
	}
	return tx.Commit()
}
