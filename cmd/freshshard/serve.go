package main

import (
	"context"
	"database/sql"
	"errors"
	"flag"
	"fmt"
	"io"
	"log/slog"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"sync"
	"time"

	"freshshard/internal/backup"
	"freshshard/internal/demo"
	"freshshard/internal/localdb"
	"freshshard/internal/shop"
	"freshshard/internal/store"
	"freshshard/internal/web"
)

const (
	defaultAddr  = "127.0.0.1:8080"
	databaseName = "freshshard"
	drainTime    = 10 * time.Second
	tidyEvery    = time.Hour
)

// settings are what demo and serve have in common.
type settings struct {
	addr, dir, dsn, backups string
	hosts                   texts
	plain, proxy, fresh     bool
	quiet                   bool // of calls only what went wrong is logged
	// fill says that a made-up shop is put into an empty database.
	fill  bool
	ready func(url string, filled bool)
}

// texts is a flag that may be given several times.
type texts []string

func (t *texts) String() string     { return fmt.Sprint(*t) }
func (t *texts) Set(s string) error { *t = append(*t, s); return nil }

func demoCommand(ctx context.Context, args []string) error {
	f := flag.NewFlagSet("demo", flag.ContinueOnError)
	var s settings
	f.StringVar(&s.addr, "addr", defaultAddr, "where to serve")
	f.StringVar(&s.dir, "dir", filepath.Join("var", "demo"), "where the database keeps its data")
	f.BoolVar(&s.fresh, "fresh", false, "start over with new demo data")
	if err := f.Parse(args); err != nil {
		return err
	}
	s.quiet, s.fill = true, true
	s.ready = func(url string, filled bool) {
		fmt.Printf("\n  Fresh Shard is at %s\n  Sign in as %s (owner) or tor (technician), password: %s\n  Ctrl-C stops "+
			"it; the data stays.\n\n", url, demo.Owner, demo.Password)
		if !filled {
			fmt.Println("  The made-up shop Lantern Yard is being filled; the page says how far it is.")
		}
	}
	for n := 1; ; n++ {
		err := s.run(ctx)
		if !errors.Is(err, errNotFilled) || n == tries || ctx.Err() != nil {
			return err
		}
		fmt.Fprintf(os.Stderr, "freshshard: %v; it is begun anew\n", err)
	}
}

func serveCommand(ctx context.Context, args []string) error {
	f := flag.NewFlagSet("serve", flag.ContinueOnError)
	var s settings
	f.StringVar(&s.addr, "addr", defaultAddr, "where to serve")
	s.where(f)
	f.StringVar(&s.backups, "backups", "",
		"folder for the nightly backups (backups inside --dir, or var/backups with --dsn)")
	f.Var(&s.hosts, "host", "a name under which the shop is reached, beside the machine's own; may be given several times")
	f.BoolVar(&s.plain, "plain-http", false, "let sessions travel without TLS, on a network that you trust")
	f.BoolVar(&s.proxy, "behind-proxy", false, "take callers' addresses from the proxy's X-Forwarded-For")
	if err := f.Parse(args); err != nil {
		return err
	}
	s.ready = func(url string, _ bool) {
		fmt.Printf("\n  Fresh Shard is at %s\n  Ctrl-C stops it.\n\n", url)
	}
	return s.run(ctx)
}

// where are the flags that say which database is meant.
func (s *settings) where(f *flag.FlagSet) {
	f.StringVar(&s.dir, "dir", filepath.Join("var", "shop"), "where the program's own database keeps its data")
	f.StringVar(&s.dsn, "dsn", os.Getenv("FRESHSHARD_DSN"),
		"address of a database that is there already; then none is started")
}

// run brings everything up, serves until the context ends, and takes it down
// in order. The port is taken first: the usual mistake costs no waiting.
func (s *settings) run(ctx context.Context) error {
	s.log()
	l, err := net.Listen("tcp", s.addr)
	if err != nil {
		return fmt.Errorf("%s cannot be used (%w): another program may be there; end it, or choose another port with --addr",
			s.addr, err)
	}
	defer func() { _ = l.Close() }()
	s.addr = l.Addr().String() // once more is at the same address
	dsn, stop, err := s.database(ctx)
	if err != nil {
		return err
	}
	defer stop()
	st, err := store.Open(ctx, dsn, store.Options{Before: s.beforeMigration})
	if err != nil {
		return err
	}
	defer func() { _ = st.Close() }()
	sh := shop.New(st)
	sh.MadeUp = s.fill
	fill, err := s.filling(ctx, sh)
	if err != nil {
		return err
	}
	suppliers := filepath.Join(s.dir, "suppliers")
	sh.Suppliers.SuppliersIn(suppliers)
	keeper := &backup.Keeper{Dir: s.backupFolder(), DSN: dsn, Shop: sh}
	// What runs beside the serving ends before the database does.
	var beside sync.WaitGroup
	defer beside.Wait()
	ctx, end := context.WithCancel(ctx)
	defer end()
	broke := make(chan error, 1)
	beside.Go(func() {
		done, err := s.fillWith(ctx, fill, sh, suppliers)
		if err != nil {
			broke <- err
			end()
			return
		}
		beside.Go(done)
		// Nothing else is at the tables while they are filled.
		beside.Go(func() { tidy(ctx, sh) })
		keeper.Run(ctx)
	})
	h := web.New(sh, web.Options{PlainHTTP: s.plain, Hosts: s.hosts, BehindProxy: s.proxy, Closing: ctx.Done(),
		Backup: keeper.Once, Filled: fill.far})
	if err := serve(ctx, l, h, func(url string) { s.ready(url, fill.far().Over()) }); err != nil {
		return err
	}
	select {
	case err := <-broke:
		return err
	default:
		return nil
	}
}

// log writes what happens to standard error, or only what went wrong.
func (s *settings) log() {
	level := slog.LevelInfo
	if s.quiet {
		level = slog.LevelWarn
	}
	slog.SetDefault(slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: level})))
}

// fillWith fills the demo and starts the suppliers that answer by themselves; done returns when
// they have ended.
func (s *settings) fillWith(ctx context.Context, fill *filling, sh *shop.Shop, suppliers string) (done func(),
	err error) {
	if err := fill.run(ctx, sh); err != nil {
		return nil, err
	}
	if !s.fill {
		return func() {}, nil
	}
	return demo.StandIns(ctx, sh, suppliers)
}

// database gives the address of the database and what takes it down again. One
// that is to be filled and was left half filled is made anew.
func (s settings) database(ctx context.Context) (dsn string, stop func(), err error) {
	if s.dsn != "" {
		return s.dsn, func() {}, nil
	}
	fmt.Printf("Starting MariaDB on loopback, data in %s …\n", s.dir)
	db, err := localdb.Start(ctx, s.dir)
	if err != nil {
		return "", nil, err
	}
	stop = func() {
		if err := db.Stop(); err != nil {
			fmt.Fprintln(os.Stderr, "freshshard:", err)
		}
	}
	if s.fill {
		half, err := demo.HalfFilled(ctx, db.DSN(""), databaseName)
		if err != nil {
			stop()
			return "", nil, err
		}
		if s.fresh || half {
			err = db.Drop(ctx, databaseName)
		}
		if err != nil {
			stop()
			return "", nil, err
		}
	}
	if err := db.Create(ctx, databaseName); err != nil {
		stop()
		return "", nil, err
	}
	return db.DSN(databaseName), stop, nil
}

func (s settings) backupFolder() string {
	switch {
	case s.backups != "":
		return s.backups
	case s.dsn != "":
		return filepath.Join("var", "backups")
	}
	return filepath.Join(s.dir, "backups")
}

// beforeMigration keeps what was there before the tables change.
func (s settings) beforeMigration(ctx context.Context, db *sql.DB, schema int64) error {
	path, _, err := backup.ToFile(ctx, db, s.backupFolder(), fmt.Sprintf("schema-%d-", schema), time.Now())
	if err == nil {
		fmt.Printf("The database is brought up to date; as it was before is kept in %s\n", path)
	}
	return err
}

// tidy forgets what has had its time, now and then.
func tidy(ctx context.Context, sh *shop.Shop) {
	t := time.NewTicker(tidyEvery)
	defer t.Stop()
	for {
		if err := sh.Tidy(ctx); err != nil && ctx.Err() == nil {
			slog.ErrorContext(ctx, "tidying failed", "error", err)
		}
		select {
		case <-ctx.Done():
			return
		case <-t.C:
		}
	}
}

func serve(ctx context.Context, l net.Listener, h http.Handler, ready func(url string)) error {
	server := &http.Server{Handler: h, ReadHeaderTimeout: 10 * time.Second, IdleTimeout: 2 * time.Minute,
		MaxHeaderBytes: 64 << 10, ErrorLog: slog.NewLogLogger(slog.DiscardHandler, slog.LevelInfo)}
	failed := make(chan error, 1)
	go func() { failed <- server.Serve(l) }()
	ready("http://" + l.Addr().String())
	select {
	case err := <-failed:
		return err
	case <-ctx.Done():
		say("\nStopping …\n")
		drain, cancel := context.WithTimeout(context.WithoutCancel(ctx), drainTime)
		defer cancel()
		if err := server.Shutdown(drain); err != nil && !errors.Is(err, context.DeadlineExceeded) {
			return err
		}
		return nil
	}
}

// say prints to a terminal that may have been closed.
func say(s string) { _, _ = io.WriteString(os.Stdout, s) }
