// Package store keeps the records in MariaDB through database/sql. It has the
// queries and the migrations and knows no rules; package shop has those.
package store

import (
	"context"
	"database/sql"
	"database/sql/driver"
	"errors"
	"fmt"
	"io"
	"net"
	"slices"
	"time"

	"github.com/go-sql-driver/mysql"
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
	Bills     Bills
	Passports Passports
	Signals   Signals
	Search    Search
	Trail     Trail
}

// querier is what a query runs on: the pool, or one transaction.
type querier interface {
	QueryContext(ctx context.Context, q string, args ...any) (*sql.Rows, error)
	QueryRowContext(ctx context.Context, q string, args ...any) *sql.Row
}

// What is read, by noun. A transaction reads through its own connection: a writer that asked
// the pool for a second one could wait for itself.
type (
	// People reads accounts, what opens their sessions, and who tried to get in.
	People struct{ db querier }
	// Shops reads what the shop says of itself: settings, values of its own, memos.
	Shops struct{ db querier }
	// Jobs reads jobs with their customers and objects.
	Jobs struct{ db querier }
	// Panes reads what belongs to a pane: readings, choices, steps, checks, the ticket.
	Panes struct{ db querier }
	// Strips reads what came off, and what is in only for now.
	Strips struct{ db querier }
	// Photos reads pictures.
	Photos struct{ db querier }
	// Cures reads clocks of what hardens and other clocks, and the air.
	Cures struct{ db querier }
	// Days reads weeks, plans and pins.
	Days struct{ db querier }
	// Rounds reads rounds of visits, roads and weather.
	Rounds struct{ db querier }
	// Stocks reads what is on the shelf, and plans of cuts.
	Stocks struct{ db querier }
	// Orders reads offers, orders and suppliers.
	Orders struct{ db querier }
	// Bills reads prices and bills.
	Bills struct{ db querier }
	// Passports reads links, reminders and what was fitted.
	Passports struct{ db querier }
	// Signals reads what instruments sent.
	Signals struct{ db querier }
	// Search reads jobs found by words.
	Search struct{ db querier }
	// Trail reads what happened, and calls that were made once.
	Trail struct{ db querier }
)

// What a transaction writes, by noun; each reads what it needs on the way.
type (
	PeopleTx struct {
		People
		writer
	}
	ShopsTx struct {
		Shops
		writer
	}
	JobsTx struct {
		Jobs
		writer
	}
	PanesTx struct {
		Panes
		writer
	}
	StripsTx struct {
		Strips
		writer
	}
	PhotosTx struct {
		Photos
		writer
	}
	CuresTx struct {
		Cures
		writer
	}
	DaysTx struct {
		Days
		writer
	}
	RoundsTx struct {
		Rounds
		writer
	}
	StocksTx struct {
		Stocks
		writer
	}
	OrdersTx struct {
		Orders
		writer
	}
	BillsTx struct {
		Bills
		writer
	}
	PassportsTx struct {
		Passports
		writer
	}
	SignalsTx struct {
		Signals
		writer
	}
	SearchTx struct {
		Search
		writer
	}
	TrailTx struct {
		Trail
		writer
	}
)

// over gives the reads of a connection.
func over(q querier) Store {
	return Store{People: People{q}, Shops: Shops{q}, Jobs: Jobs{q}, Panes: Panes{q}, Strips: Strips{q}, Photos: Photos{q}, Cures: Cures{q}, Days: Days{q}, Rounds: Rounds{q}, Stocks: Stocks{q}, Orders: Orders{q}, Bills: Bills{q}, Passports: Passports{q}, Signals: Signals{q}, Search: Search{q}, Trail: Trail{q}}
}

// within gives what a transaction reads and writes.
func within(tx *sql.Tx) *Tx {
	r, w := over(tx), writer{tx}
	return &Tx{People: PeopleTx{r.People, w}, Shops: ShopsTx{r.Shops, w}, Jobs: JobsTx{r.Jobs, w}, Panes: PanesTx{r.Panes, w}, Strips: StripsTx{r.Strips, w}, Photos: PhotosTx{r.Photos, w}, Cures: CuresTx{r.Cures, w}, Days: DaysTx{r.Days, w}, Rounds: RoundsTx{r.Rounds, w}, Stocks: StocksTx{r.Stocks, w}, Orders: OrdersTx{r.Orders, w}, Bills: BillsTx{r.Bills, w}, Passports: PassportsTx{r.Passports, w}, Signals: SignalsTx{r.Signals, w}, Search: SearchTx{r.Search, w}, Trail: TrailTx{r.Trail, w}}
}

// How long a call waits for a database that has gone quiet. A query of a shop
// takes milliseconds; whoever waits longer wants to be told.
const (
	dialWait  = 5 * time.Second
	quietWait = 15 * time.Second
)

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
	patient, addr, err := Connect(dsn, 0)
	if err != nil {
		return nil, err
	}
	defer func() { _ = patient.Close() }()
	if err := patient.PingContext(ctx); err != nil {
		return nil, fmt.Errorf("the database does not answer at %s: %w", addr, err)
	}
	if opt.To == 0 {
		if opt.To, err = Latest(); err != nil {
			return nil, err
		}
	}
	err = migrate(ctx, patient, opt.To, func(ctx context.Context, schema int64) error {
		if opt.Before == nil {
			return nil
		}
		return opt.Before(ctx, patient, schema)
	})
	if err != nil {
		return nil, err
	}
	db, _, err := Connect(dsn, quietWait)
	if err != nil {
		return nil, err
	}
	s := over(db)
	s.DB = db
	return &s, nil
}

// Connect opens a pool with the program's settings and gives the address that
// it speaks to. quiet is how long an answer may take; 0 waits for ever, for
// migrations and backups.
func Connect(dsn string, quiet time.Duration) (*sql.DB, string, error) {
	c, err := mysql.ParseDSN(dsn)
	if err != nil {
		return nil, "", fmt.Errorf("the database address cannot be read: %w", err)
	}
	c.ParseTime, c.Loc = true, time.UTC
	c.Collation = "utf8mb4_unicode_ci"
	c.Timeout, c.ReadTimeout, c.WriteTimeout = dialWait, quiet, quiet
	// An update that changes nothing must still count as one row found.
	c.ClientFoundRows = true
	c.InterpolateParams = true
	if c.Params == nil {
		c.Params = map[string]string{}
	}
	c.Params["time_zone"] = "'+00:00'"
	db, err := sql.Open("mysql", c.FormatDSN())
	if err != nil {
		return nil, "", err
	}
	db.SetMaxOpenConns(20)
	db.SetMaxIdleConns(10)
	db.SetConnMaxLifetime(3 * time.Minute)
	return db, c.Addr, nil
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
	Bills     BillsTx
	Passports PassportsTx
	Signals   SignalsTx
	Search    SearchTx
	Trail     TrailTx
}

// writer runs the writes of a transaction.
type writer struct{ tx *sql.Tx }

// Attempts that a write makes when the database gives way to another one.
const attempts = 5

// Write runs f in a transaction. It runs it again when the database broke the
// transaction off for another one (a deadlock, a lock that took too long, a
// lost certification in a cluster), so f must not keep anything between runs.
func (s *Store) Write(ctx context.Context, f func(*Tx) error) error {
	var err error
	for try := range attempts {
		if err = s.once(ctx, f); !again(err) {
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

// writing is how a write sees others': what is committed, statement by statement. Under the
// server's own level a change that finds no row locks the gap where it would be, and two who
// write the first line of neighbouring jobs stand in each other's way. Nothing here relies on
// such gaps: rows are locked by name, and what must be there once has a key.
var writing = &sql.TxOptions{Isolation: sql.LevelReadCommitted}

func (s *Store) once(ctx context.Context, f func(*Tx) error) error {
	tx, err := s.DB.BeginTx(ctx, writing)
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

// Server errors after which the same transaction may succeed.
const (
	errLockWait  = 1205
	errDeadlock  = 1213
	errChanged   = 1020 // the row changed since it was read, under snapshot isolation
	errDuplicate = 1062
)

// errRaced is a write that lost a race and may find the winner's result.
var errRaced = errors.New("another write got in between")

func again(err error) bool {
	if errors.Is(err, errRaced) {
		return true
	}
	var e *mysql.MySQLError
	return errors.As(err, &e) && (e.Number == errLockWait || e.Number == errDeadlock || e.Number == errChanged)
}

// Server errors of a database that is full, going down, or not yet part of its cluster.
var away = []uint16{1040, 1047, 1053, 1203, errLockWait, errDeadlock}

// Unreachable says that the database does not answer, or is too busy to.
func Unreachable(err error) bool {
	var e *mysql.MySQLError
	var n net.Error
	return errors.Is(err, driver.ErrBadConn) || errors.Is(err, mysql.ErrInvalidConn) || errors.Is(err, sql.ErrConnDone) ||
		errors.Is(err, context.DeadlineExceeded) || errors.As(err, &n) || errors.Is(err, io.EOF) ||
		errors.As(err, &e) && slices.Contains(away, e.Number)
}

// IsDuplicate says whether a write met a key that is taken.
func IsDuplicate(err error) bool {
	var e *mysql.MySQLError
	return errors.As(err, &e) && e.Number == errDuplicate
}

// insert runs an insert and gives the new id.
func (t writer) insert(ctx context.Context, q string, args ...any) (int64, error) {
	r, err := t.tx.ExecContext(ctx, q, args...)
	if err != nil {
		return 0, err
	}
	return r.LastInsertId()
}

// changed runs an update and says whether a row was found.
func (t writer) changed(ctx context.Context, q string, args ...any) (bool, error) {
	r, err := t.tx.ExecContext(ctx, q, args...)
	if err != nil {
		return false, err
	}
	n, err := r.RowsAffected()
	return n > 0, err
}

func (t writer) run(ctx context.Context, q string, args ...any) error {
	_, err := t.tx.ExecContext(ctx, q, args...)
	return err
}
