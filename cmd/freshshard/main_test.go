package main

import (
	"context"
	"encoding/json"
	"io"
	"net"
	"os"
	"strings"
	"testing"
	"time"
)

// call runs the program with its streams caught.
func call(t *testing.T, stdin string, args ...string) (code int, out, errs string) {
	t.Helper()
	oldIn, oldOut, oldErr := os.Stdin, os.Stdout, os.Stderr
	defer func() { os.Stdin, os.Stdout, os.Stderr = oldIn, oldOut, oldErr }()
	catch := func() (*os.File, chan string) {
		r, w, err := os.Pipe()
		if err != nil {
			t.Fatal(err)
		}
		c := make(chan string, 1)
		go func() {
			b, _ := io.ReadAll(r)
			c <- string(b)
		}()
		return w, c
	}
	in, feed, err := os.Pipe()
	if err != nil {
		t.Fatal(err)
	}
	go func() {
		_, _ = io.WriteString(feed, stdin)
		_ = feed.Close()
	}()
	outW, outC := catch()
	errW, errC := catch()
	os.Stdin, os.Stdout, os.Stderr = in, outW, errW
	ctx, cancel := context.WithTimeout(context.Background(), time.Minute)
	defer cancel()
	code = run(ctx, args)
	_ = outW.Close()
	_ = errW.Close()
	return code, <-outC, <-errC
}

func TestUsage(t *testing.T) {
	for _, args := range [][]string{{}, {"dance"}, {"calc"}, {"calc", "fit", "--what"}} {
		code, _, errs := call(t, "", args...)
		if code != 2 || !strings.Contains(errs, "freshshard demo") {
			t.Errorf("%v: exit %d, %q", args, code, errs)
		}
	}
	if code, _, _ := call(t, "", "serve", "--no-such-flag"); code == 0 {
		t.Error("a flag that is not there was taken")
	}
}

func TestCalc(t *testing.T) {
	code, list, _ := call(t, "", "calc", "--list")
	if code != 0 {
		t.Fatalf("exit %d", code)
	}
	topics := 0
	for _, line := range strings.Split(strings.TrimSpace(list), "\n") {
		topic := strings.Fields(line)[0]
		topics++
		code, example, _ := call(t, "", "calc", topic, "--example")
		if code != 0 || !json.Valid([]byte(example)) {
			t.Errorf("%s --example: exit %d, %q", topic, code, example)
			continue
		}
		if code, out, _ := call(t, example, "calc", topic); code != 0 || !json.Valid([]byte(out)) {
			t.Errorf("%s with its example: exit %d, %.200q", topic, code, out)
		}
		if code, out, _ := call(t, "nonsense", "calc", topic); code != 2 || !strings.Contains(out, `"why"`) {
			t.Errorf("%s with nonsense: exit %d, %.200q", topic, code, out)
		}
	}
	if topics < 8 {
		t.Errorf("only %d topics", topics)
	}
}

func TestOpenAPICommand(t *testing.T) {
	code, out, _ := call(t, "", "openapi")
	if code != 0 || !json.Valid([]byte(out)) || !strings.Contains(out, `"openapi": "3.1`) {
		t.Errorf("exit %d, %.100q", code, out)
	}
}

// Each usual mistake costs one clear sentence.
func TestMistakesAreSentences(t *testing.T) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = l.Close() }()
	for _, c := range []struct {
		name string
		args []string
		says string
	}{
		{"port in use", []string{"demo", "--addr", l.Addr().String(), "--dir", t.TempDir()}, "another program may be there"},
		{"no address", []string{"serve", "--addr", "nowhere:at:all", "--dir", t.TempDir()}, "cannot be used"},
		{"no database there", []string{"serve", "--addr", "127.0.0.1:0", "--dsn", "x:y@tcp(127.0.0.1:1)/z"},
			"does not answer"},
		{"no archive named", []string{"verify"}, "say which archive"},
		{"no such archive", []string{"restore", "--dir", t.TempDir(), "nowhere.zip"}, "no such file"},
		{"nobody named", []string{"password"}, "say whose"},
		{"no address of one", []string{"migrate", "--dsn", "nonsense"}, "cannot be read"},
		{"no folder", []string{"demo", "--addr", "127.0.0.1:0", "--dir", "/proc/nowhere"}, "cannot be made"},
	} {
		code, _, errs := call(t, "", c.args...)
		if code != 1 || !strings.Contains(errs, c.says) || strings.Count(strings.TrimSpace(errs), "\n") > 0 {
			t.Errorf("%s: exit %d, %q", c.name, code, errs)
		}
	}
}

func TestVersion(t *testing.T) {
	code, out, _ := call(t, "", "version")
	if code != 0 || !strings.Contains(out, "Fresh Shard, built from") || !strings.Contains(out, "schema ") {
		t.Errorf("exit %d, %q", code, out)
	}
}
