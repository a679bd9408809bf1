package web

import (
	"bytes"
	"encoding/json"
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

// How much script a page may load, as it is sent, bytes: in one file, before the first screen
// can be drawn, and for a station of a job beyond that.
const (
	oneScript     = 70 << 10
	firstScripts  = 100 << 10
	stationScript = 40 << 10
)

// The first screen's script stays small; stations come when they are asked for.
func TestScriptsAreSmall(t *testing.T) {
	list, err := fs.ReadFile(files, "static/built/manifest.json")
	if err != nil {
		t.Skip("the front end has not been built; make test builds it first")
	}
	var all map[string]builtFile
	if err := json.Unmarshal(list, &all); err != nil {
		t.Fatal(err)
	}
	size := func(name string) int {
		at := "static/built/" + all[name].File
		if b, err := fs.ReadFile(files, at+".br"); err == nil {
			return len(b)
		}
		b, err := fs.ReadFile(files, at)
		if err != nil {
			t.Fatal(err)
		}
		return len(b)
	}
	entry := map[string]bool{}
	for name, p := range all {
		if p.Entry {
			needs(all, name, entry)
		}
		if n := size(name); n > oneScript {
			t.Errorf("%s is %d bytes of script, at most %d in one file", name, n, oneScript)
		}
	}
	first := 0
	for name := range entry {
		first += size(name)
	}
	if first == 0 || first > firstScripts {
		t.Errorf("%d bytes of script are loaded before the first screen, at most %d", first, firstScripts)
	}
	for _, at := range []string{"assess", "strip", "measure", "choose", "source", "set", "hold", "refit", "prove"} {
		column := "src/screens/job/" + at + "/Column.tsx"
		if _, there := all[column]; !there {
			t.Errorf("%s is not loaded on its own", column)
		}
		station, more := map[string]bool{}, 0
		needs(all, "src/screens/job/JobScreen.tsx", station)
		needs(all, column, station)
		for name := range station {
			if !entry[name] {
				more += size(name)
			}
		}
		if more > stationScript {
			t.Errorf("%s is %d bytes of script beyond the first, at most %d", at, more, stationScript)
		}
	}
}

// Whoever is known is sent with the page what its address will ask for; a stranger comes to the door.
func TestPageLoadsAhead(t *testing.T) {
	if _, err := fs.Stat(files, "static/built/manifest.json"); err != nil {
		t.Skip("the front end has not been built; make test builds it first")
	}
	stranger, c := serve(t), serve(t).setUp()
	for at, screen := range map[string]string{"/": "TodayScreen", "/jobs/1": "JobScreen", "/jobs/1/set": "JobScreen"} {
		page := string(c.call("GET", at, nil).body)
		if !strings.Contains(page, screen) || strings.Contains(page, "/api/today") != (at == "/") {
			t.Errorf("%s is sent with %.900s", at, page)
		}
		for _, m := range regexp.MustCompile(`href="/(assets/[^"]+)"`).FindAllStringSubmatch(page, -1) {
			if _, err := fs.Stat(files, "static/built/"+m[1]); err != nil {
				t.Errorf("%s names %s: %v", at, m[1], err)
			}
		}
	}
	for _, at := range []string{"/stores", "/jobs"} {
		if page := string(c.call("GET", at, nil).body); strings.Contains(page, "Screen") {
			t.Errorf("%s is sent with %.900s", at, page)
		}
	}
	if page := string(stranger.call("GET", "/", nil).body); strings.Contains(page, "/api/today") {
		t.Error("a stranger is sent for the day of the shop")
	}
}

// A browser that takes it is sent what the build has compressed already.
func TestStaticIsSentCompressed(t *testing.T) {
	list, err := fs.Glob(files, "static/built/assets/*.js.br")
	if err != nil || len(list) == 0 {
		t.Skip("the front end has not been built; make test builds it first")
	}
	c := serve(t)
	packed, err := fs.ReadFile(files, list[0])
	if err != nil {
		t.Fatal(err)
	}
	name := strings.TrimSuffix(strings.TrimPrefix(list[0], "static/built"), ".br")
	a := c.call("GET", name, nil, "Accept-Encoding", "gzip, br")
	if a.header.Get("Content-Encoding") != "br" || !bytes.Equal(a.body, packed) ||
		!strings.Contains(a.header.Get("Content-Type"), "javascript") {
		t.Errorf("%s: %d bytes of %d, %q", name, len(a.body), len(packed), a.header.Get("Content-Encoding"))
	}
	if a := c.call("GET", name, nil, "Accept-Encoding", "identity"); a.header.Get("Content-Encoding") != "" {
		t.Errorf("%s was sent as %q to whoever cannot read it", name, a.header.Get("Content-Encoding"))
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
