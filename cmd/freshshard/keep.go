package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"time"

	"freshshard/internal/backup"
	"freshshard/internal/localdb"
	"freshshard/internal/shop"
	"freshshard/internal/store"
)

// reach gives the address of the shop's database: the one that was named, the
// one that runs on the folder, or one that is started for as long as it takes.
func (s settings) reach(ctx context.Context) (dsn string, stop func(), err error) {
	if s.dsn == "" {
		if db, ok := localdb.Reach(ctx, s.dir); ok {
			return db.DSN(databaseName), func() {}, nil
		}
	}
	return s.database(ctx)
}

// open opens the shop's database as it is reached, brought up to date. dsn is
// its address; stop closes it and takes down what was started for it.
func (s settings) open(ctx context.Context) (st *store.Store, dsn string, stop func(), err error) {
	dsn, down, err := s.reach(ctx)
	if err != nil {
		return nil, "", nil, err
	}
	if st, err = store.Open(ctx, dsn, store.Options{Before: s.beforeMigration}); err != nil {
		down()
		return nil, "", nil, err
	}
	return st, dsn, func() {
		_ = st.Close()
		down()
	}, nil
}

func backupCommand(ctx context.Context, args []string) error {
	f := flag.NewFlagSet("backup", flag.ContinueOnError)
	var s settings
	s.where(f)
	f.StringVar(&s.backups, "to", "", "folder for the archive (backups inside --dir, or var/backups with --dsn)")
	if err := f.Parse(args); err != nil {
		return err
	}
	st, dsn, stop, err := s.open(ctx)
	if err != nil {
		return err
	}
	defer stop()
	if err := (&backup.Keeper{Dir: s.backupFolder(), DSN: dsn, Shop: shop.New(st)}).Once(ctx); err != nil {
		return err
	}
	last, err := shop.New(st).Records.LastBackup(ctx)
	if err != nil {
		return err
	}
	fmt.Println(filepath.Join(s.backupFolder(), last.File))
	return nil
}

// archive opens the one file that a command names and hands it to what the
// command does with it.
func archive(f *flag.FlagSet, args []string, do func(file *os.File, size int64) error) error {
	if err := f.Parse(args); err != nil {
		return err
	}
	if f.NArg() != 1 {
		return errors.New("say which archive: the path of its zip file")
	}
	file, err := os.Open(f.Arg(0))
	if err != nil {
		return err
	}
	defer func() { _ = file.Close() }()
	info, err := file.Stat()
	if err != nil {
		return err
	}
	return do(file, info.Size())
}

func verifyCommand(_ context.Context, args []string) error {
	f := flag.NewFlagSet("verify", flag.ContinueOnError)
	return archive(f, args, func(file *os.File, size int64) error {
		m, err := backup.Verify(file, size)
		if err != nil {
			return err
		}
		fmt.Println("The backup is whole:", m)
		return nil
	})
}

func restoreCommand(ctx context.Context, args []string) error {
	f := flag.NewFlagSet("restore", flag.ContinueOnError)
	var s settings
	s.where(f)
	return archive(f, args, func(file *os.File, size int64) error {
		dsn, stop, err := s.reach(ctx)
		if err != nil {
			return err
		}
		defer stop()
		start := time.Now()
		m, err := backup.Restore(ctx, dsn, file, size)
		if err != nil {
			return err
		}
		fmt.Printf("Restored in %.1f s: %s\n", time.Since(start).Seconds(), m)
		return nil
	})
}

func passwordCommand(ctx context.Context, args []string) error {
	f := flag.NewFlagSet("password", flag.ContinueOnError)
	var s settings
	s.where(f)
	login := f.String("login", "", "sign-in name of whoever is lost")
	if err := f.Parse(args); err != nil {
		return err
	}
	if *login == "" {
		return errors.New("say whose: --login and the sign-in name")
	}
	st, _, stop, err := s.open(ctx)
	if err != nil {
		return err
	}
	defer stop()
	word, err := shop.New(st).OneTime.GiveWordTo(ctx, *login)
	if err != nil {
		return err
	}
	fmt.Printf("%s can set a new password with this word, once, within a day: %s\nOn the sign-in page choose “I was "+
		"given a word”.\n", *login, word)
	return nil
}
