// Fresh Shard: the workshop's program for replacing broken glass.
//
//	freshshard demo      the made-up shop, with its own database
//	freshshard serve     a real shop
//	freshshard calc      one sum, JSON in and out
//	freshshard migrate   bring a database up to date
//	freshshard backup    write everything into one archive
//	freshshard verify    read an archive through
//	freshshard restore   bring an archive back into an empty database
//	freshshard password  a one-time word for somebody who is lost
//	freshshard version   from what it was built
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
	"freshshard/internal/web"
)

const usage = `Fresh Shard

  freshshard demo  [--addr 127.0.0.1:8080] [--dir var/demo] [--fresh]
  freshshard serve [--addr 127.0.0.1:8080] [--dir var/shop | --dsn ADDRESS] [--host NAME]
                   [--backups DIR] [--plain-http] [--behind-proxy]
  freshshard calc  TOPIC < in.json   |  --list  |  TOPIC --example
  freshshard migrate  [--dir var/shop | --dsn ADDRESS]
  freshshard backup   [--dir var/shop | --dsn ADDRESS] [--to DIR]
  freshshard verify   ARCHIVE
  freshshard restore  [--dir var/shop | --dsn ADDRESS] ARCHIVE
  freshshard password [--dir var/shop | --dsn ADDRESS] --login NAME
  freshshard openapi
  freshshard version
`

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM, syscall.SIGHUP)
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
	case "backup":
		err = backupCommand(ctx, args[1:])
	case "verify":
		err = verifyCommand(ctx, args[1:])
	case "restore":
		err = restoreCommand(ctx, args[1:])
	case "password":
		err = passwordCommand(ctx, args[1:])
	case "version":
		var v string
		if v, err = version(); err == nil {
			fmt.Println(v)
		}
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
	var s settings
	s.where(f)
	f.StringVar(&s.backups, "backups", "", "folder for the backup that is made before")
	if err := f.Parse(args); err != nil {
		return err
	}
	_, _, stop, err := s.open(ctx)
	if err != nil {
		return err
	}
	defer stop()
	fmt.Println("The database is up to date.")
	return nil
}
