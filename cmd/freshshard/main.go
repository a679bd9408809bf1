// Fresh Shard: the workshop's program for replacing broken glass.
//
//	freshshard demo      the made-up shop, with its own database
//	freshshard serve     a real shop
//	freshshard calc      one sum, JSON in and out
//	freshshard migrate   bring a database up to date
//	freshshard openapi   print the API's contract
package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"os"
	"os/signal"
	"syscall"

	"freshshard/internal/calc"
	"freshshard/internal/store"
	"freshshard/internal/web"
)

const usage = `Fresh Shard

  freshshard demo  [--addr 127.0.0.1:8080] [--dir var/demo] [--fresh]
  freshshard serve [--addr 127.0.0.1:8080] [--dir var/shop | --dsn ADDRESS] [--plain-http]
  freshshard calc  TOPIC < in.json   |  --list  |  TOPIC --example
  freshshard migrate --dsn ADDRESS
  freshshard openapi
`

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	os.Exit(run(ctx, os.Args[1:]))
}

func run(ctx context.Context, args []string) int {
	if len(args) == 0 {
		fmt.Fprint(os.Stderr, usage)
		return 2
	}
	var err error
	switch args[0] {
	case "demo":
		err = demoCommand(ctx, args[1:])
	case "serve":
		err = serveCommand(ctx, args[1:])
	case "calc":
		return calcCommand(args[1:])
	case "migrate":
		err = migrateCommand(ctx, args[1:])
	case "openapi":
		var b []byte
		if b, err = web.OpenAPI(); err == nil {
			fmt.Println(string(b))
		}
	default:
		fmt.Fprint(os.Stderr, usage)
		return 2
	}
	switch {
	case errors.Is(err, flag.ErrHelp):
		return 2
	case err != nil:
		fmt.Fprintln(os.Stderr, "freshshard:", err)
		return 1
	}
	return 0
}

func calcCommand(args []string) int {
	switch {
	case len(args) == 1 && args[0] == "--list":
		for _, t := range calc.Topics() {
			fmt.Printf("%-8s %s\n", t.Name, t.Summary)
		}
		return 0
	case len(args) == 2 && args[1] == "--example":
		return calc.Example(args[0], os.Stdout)
	case len(args) == 1:
		return calc.Run(args[0], os.Stdin, os.Stdout)
	}
	fmt.Fprint(os.Stderr, usage)
	return 2
}

func migrateCommand(ctx context.Context, args []string) error {
	f := flag.NewFlagSet("migrate", flag.ContinueOnError)
	dsn := f.String("dsn", "", "address of the database")
	if err := f.Parse(args); err != nil {
		return err
	}
	if *dsn == "" {
		return errors.New("say which database: --dsn 'user:password@tcp(host:3306)/name'")
	}
	s, err := store.Open(ctx, *dsn)
	if err != nil {
		return err
	}
	fmt.Println("The database is up to date.")
	return s.Close()
}
