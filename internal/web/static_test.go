package web

import (
	"bytes"
	"compress/gzip"
	"io/fs"
	"net/http"
	"regexp"
	"strings"
	"testing"
)

// The page answers at every address that is no file and no call; built files
// may be kept for good, the page itself may not.
func TestStatic(t *testing.T) {
	if _, err := fs.Stat(files, "static/built/index.html"); err != nil {
		t.Skip("the front end has not been built; make test builds it first")
	}
	c := serve(t)
	for _, p := range []string{"/", "/jobs/1/measure", "/no/such/place", "/static/../x"} {
		a := c.call("GET", p, nil)
		if a.status != 200 || !strings.Contains(string(a.body), `<div id="root">`) ||
			a.header.Get("Cache-Control") != "no-cache" {
			t.Errorf("%s: %d %s", p, a.status, a.header.Get("Cache-Control"))
		}
	}
	page := string(c.call("GET", "/", nil).body)
	at := strings.Index(page, "/assets/")
	if at < 0 {
		t.Fatalf("the page names no script: %.300s", page)
	}
	script := page[at : at+strings.IndexByte(page[at:], '"')]
	a := c.call("GET", script, nil)
	if a.status != 200 || !strings.Contains(a.header.Get("Cache-Control"), "immutable") {
		t.Errorf("%s: %d %s", script, a.status, a.header.Get("Cache-Control"))
	}
	if a := c.call("GET", "/api/no/such/call", nil); a.status != http.StatusNotFound || a.problem(t).Type != "not-found" {
		t.Errorf("%d %s", a.status, a.body)
	}
}

// firstScript is how much script the first screen may load, compressed, bytes.
const firstScript = 250 << 10

// The first screen's script stays small; stations and screens come when they are
// asked for.
func TestFirstScriptIsSmall(t *testing.T) {
	page, err := fs.ReadFile(files, "static/built/index.html")
	if err != nil {
		t.Skip("the front end has not been built; make test builds it first")
	}
	total := 0
	for _, m := range regexp.MustCompile(`/assets/[^"]+\.js`).FindAllString(string(page), -1) {
		b, err := fs.ReadFile(files, "static/built"+m)
		if err != nil {
			t.Fatal(err)
		}
		var out bytes.Buffer
		z := gzip.NewWriter(&out)
		if _, err := z.Write(b); err != nil {
			t.Fatal(err)
		}
		if err := z.Close(); err != nil {
			t.Fatal(err)
		}
		total += out.Len()
	}
	if total == 0 || total > firstScript {
		t.Errorf("the first screen loads %d bytes of script", total)
	}
}

// Nothing that the page loads comes from anywhere else.
func TestPageNeedsNoNetwork(t *testing.T) {
	err := fs.WalkDir(files, "static/built", func(p string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !strings.HasSuffix(p, ".css") && !strings.HasSuffix(p, ".html") {
			return err
		}
		b, err := fs.ReadFile(files, p)
		for _, bad := range []string{"url(http", "@import", "src=\"http", "href=\"http", "url(//"} {
			if strings.Contains(string(b), bad) {
				t.Errorf("%s has %q", p, bad)
			}
		}
		return err
	})
	if err != nil {
		t.Skip("the front end has not been built; make test builds it first")
	}
}
