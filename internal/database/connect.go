package database

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

// How long a call waits for a database that has gone quiet. A query of a shop
// takes milliseconds; whoever waits longer wants to be told.
const (
	dialWait  = 5 * time.Second
	QuietWait = 15 * time.Second
)

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
	// What is committed is seen, statement by statement. Under the server's own level a change that
	// finds no row locks the gap where it would be, and two who write the first line of neighbouring
	// jobs stand in each other's way. Nothing here relies on such gaps: rows are locked by name, and
	// what must be there once has a key.
	c.Params["tx_isolation"] = "'READ-COMMITTED'"
	db, err := sql.Open("mysql", c.FormatDSN())
	if err != nil {
		return nil, "", err
	}
	db.SetMaxOpenConns(20)
	db.SetMaxIdleConns(10)
	db.SetConnMaxLifetime(3 * time.Minute)
	return db, c.Addr, nil
}

// Server errors after which the same transaction may succeed.
const (
	errLockWait  = 1205
	errDeadlock  = 1213
	errChanged   = 1020 // the row changed since it was read, under snapshot isolation
	errDuplicate = 1062
)

// ErrRaced is a write that lost a race and may find the winner's result.
var ErrRaced = errors.New("another write got in between")

func Again(err error) bool {
	if errors.Is(err, ErrRaced) {
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
