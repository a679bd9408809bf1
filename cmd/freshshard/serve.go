package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"time"

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
)

// settings are what demo and serve have in common.
type settings struct {
	addr, dir, dsn string
	plain          bool
}

func demoCommand(ctx context.Context, args []string) error {
	f := flag.NewFlagSet("demo", flag.ContinueOnError)
	var s settings
	f.StringVar(&s.addr, "addr", defaultAddr, "where to serve")
	f.StringVar(&s.dir, "dir", filepath.Join("var", "demo"), "where the database keeps its data")
	fresh := f.Bool("fresh", false, "start over with new demo data")
	if err := f.Parse(args); err != nil {
		return err
	}
	return s.run(ctx, *fresh, func(ctx context.Context, sh *shop.Shop) error {
		filled, err := demo.Filled(ctx, sh)
		if err != nil || filled {
			return err
		}
		fmt.Println("Filling the made-up shop Lantern Yard …")
		return demo.Fill(ctx, sh)
	}, func(url string) {
		fmt.Printf("\n  Fresh Shard is at %s\n  Sign in as %s (owner) or tor (technician), password: %s\n  Ctrl-C stops it; the data stays.\n\n", url, demo.Owner, demo.Password)
	})
}

func serveCommand(ctx context.Context, args []string) error {
	f := flag.NewFlagSet("serve", flag.ContinueOnError)
	var s settings
	f.StringVar(&s.addr, "addr", defaultAddr, "where to serve")
	f.StringVar(&s.dir, "dir", filepath.Join("var", "shop"), "where the program's own database keeps its data")
	f.StringVar(&s.dsn, "dsn", os.Getenv("FRESHSHARD_DSN"), "address of a database that is there already; then none is started")
	f.BoolVar(&s.plain, "plain-http", false, "let sessions travel without TLS, on a network that you trust")
	if err := f.Parse(args); err != nil {
		return err
	}
	return s.run(ctx, false, nil, func(url string) {
		fmt.Printf("\n  Fresh Shard is at %s\n  Ctrl-C stops it.\n\n", url)
	})
}

// run brings everything up, serves until the context ends, and takes it down
// in order. The port is taken first: the usual mistake costs no waiting.
func (s settings) run(ctx context.Context, fresh bool, fill func(context.Context, *shop.Shop) error, ready func(url string)) error {
	l, err := net.Listen("tcp", s.addr)
	if err != nil {
		return fmt.Errorf("%s cannot be used (%w): another program may be there; end it, or choose another port with --addr", s.addr, err)
	}
	defer func() { _ = l.Close() }()
	dsn := s.dsn
	if dsn == "" {
		db, err := startDatabase(ctx, s.dir, fresh)
		if err != nil {
			return err
		}
		defer func() {
			if err := db.Stop(); err != nil {
				fmt.Fprintln(os.Stderr, "freshshard:", err)
			}
		}()
		dsn = db.DSN(databaseName)
	}
	st, err := store.Open(ctx, dsn)
	if err != nil {
		return err
	}
	defer func() { _ = st.Close() }()
	sh := shop.New(st)
	if fill != nil {
		if err := fill(ctx, sh); err != nil {
			return err
		}
	}
	return serve(ctx, l, web.New(sh, web.Options{PlainHTTP: s.plain}), ready)
}

func startDatabase(ctx context.Context, dir string, fresh bool) (*localdb.Server, error) {
	fmt.Printf("Starting MariaDB on loopback, data in %s …\n", dir)
	db, err := localdb.Start(ctx, dir)
	if err != nil {
		return nil, err
	}
	if fresh {
		if err := db.Drop(ctx, databaseName); err != nil {
			return nil, errors.Join(err, db.Stop())
		}
	}
	if err := db.Create(ctx, databaseName); err != nil {
		return nil, errors.Join(err, db.Stop())
	}
	return db, nil
}

func serve(ctx context.Context, l net.Listener, h http.Handler, ready func(url string)) error {
	server := &http.Server{Handler: h, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: 2 * time.Minute, IdleTimeout: 2 * time.Minute}
	failed := make(chan error, 1)
	go func() { failed <- server.Serve(l) }()
	ready("http://" + l.Addr().String())
	select {
	case err := <-failed:
		return err
	case <-ctx.Done():
		fmt.Println("\nStopping …")
		drain, cancel := context.WithTimeout(context.WithoutCancel(ctx), drainTime)
		defer cancel()
		if err := server.Shutdown(drain); err != nil && !errors.Is(err, context.DeadlineExceeded) {
			return err
		}
		return nil
	}
}
