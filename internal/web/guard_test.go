package web

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net"
	"net/http"
	"net/http/httptest"
	"strings"
	"sync"
	"testing"
	"time"

	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/record"
	"freshshard/internal/reply"
	"freshshard/internal/shop"
	"freshshard/internal/store"
)

// with serves a shop with options.
func with(t *testing.T, o Options) *client {
	t.Helper()
	st, err := store.Open(context.Background(), dbtest.Fresh(t, database))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	s := httptest.NewServer(New(shop.New(st), o))
	t.Cleanup(s.Close)
	return &client{t: t, url: s.URL}
}

// as is another browser of somebody.
func (c *client) as(login, password string) *client {
	c.t.Helper()
	o := &client{t: c.t, url: c.url}
	if a := o.call("POST", "/api/session", map[string]string{"login": login, "password": password}); a.status != 200 {
		c.t.Fatalf("%s: %d %s", login, a.status, a.body)
	}
	return o
}

func (c *client) host(name string) int {
	c.t.Helper()
	q, err := http.NewRequest("GET", c.url+"/api/session", nil)
	if err != nil {
		c.t.Fatal(err)
	}
	q.Host = name
	res, err := http.DefaultClient.Do(q)
	if err != nil {
		c.t.Fatal(err)
	}
	_ = res.Body.Close()
	return res.StatusCode
}

// Only the shop's own names lead in, before the first start as well.
func TestForeignNamesAreRefused(t *testing.T) {
	c := with(t, Options{Hosts: []string{"Bench.Example"}})
	for host, want := range map[string]int{
		"127.0.0.1:8080": 200, "localhost": 200, "[::1]:8080": 200, "192.168.1.5": 200, "bench.example:8080": 200,
		"elsewhere.example": 421, "127.0.0.1.elsewhere.example": 421, "localhost.elsewhere.example:8080": 421,
	} {
		if got := c.host(host); got != want {
			t.Errorf("%s: %d, want %d", host, got, want)
		}
	}
}

func TestAnswersAreNotStored(t *testing.T) {
	c := serve(t).setUp()
	for _, path := range []string{"/api/session", "/api/today", "/api/nothing", "/healthz"} {
		if a := c.call("GET", path, nil); a.header.Get("Cache-Control") != "no-store" || a.header.Get("X-Call-Id") == "" {
			t.Errorf("%s: %v", path, a.header)
		}
	}
	if a := c.call("GET", "/assets/", nil); strings.Contains(string(a.body), "<a href") ||
		strings.Contains(a.header.Get("Cache-Control"), "immutable") {
		t.Errorf("a list of files: %.200s", a.body)
	}
}

func TestTheContractIsForPeopleOfTheShop(t *testing.T) {
	c := serve(t).setUp()
	if a := c.call("GET", "/api/openapi.json", nil); a.status != 200 || !json.Valid(a.body) {
		t.Errorf("%d", a.status)
	}
	c.cookie = ""
	for _, path := range []string{"/api/openapi.json", "/api/openapi.yaml", "/api/openapi", "/api/schemas/ShopView"} {
		if a := c.call("GET", path, nil); a.status == 200 {
			t.Errorf("%s is open to anybody", path)
		}
	}
}

func TestHealth(t *testing.T) {
	c := serve(t)
	if a := c.call("GET", "/healthz", nil); a.status != 200 || !strings.Contains(string(a.body), "well") {
		t.Errorf("%d %s", a.status, a.body)
	}
	st, err := store.Open(context.Background(), dbtest.Fresh(t, database))
	if err != nil {
		t.Fatal(err)
	}
	_ = st.Close()
	w := httptest.NewRecorder()
	New(shop.New(st), Options{}).ServeHTTP(w, httptest.NewRequest("GET", "http://localhost/healthz", nil))
	if w.Code != http.StatusServiceUnavailable {
		t.Errorf("without records: %d %s", w.Code, w.Body)
	}
}

// Signing out holds, whatever is on its way; so do a new password and being
// shut out, and streams end with their session.
func TestSignOutHolds(t *testing.T) {
	c := serve(t).setUp()
	for range 10 {
		o := c.as("mira", "three plain words")
		var wg sync.WaitGroup
		for range 8 {
			wg.Go(func() {
				q, _ := http.NewRequest("GET", o.url+"/api/today", nil)
				q.Header.Set("Cookie", o.cookie)
				if res, err := http.DefaultClient.Do(q); err == nil {
					_ = res.Body.Close()
				}
			})
		}
		token := o.cookie
		if a := o.call("DELETE", "/api/session", nil); a.status != 204 {
			t.Fatalf("%d", a.status)
		}
		wg.Wait()
		o.cookie = token
		if a := o.call("GET", "/api/today", nil); a.status != 401 {
			t.Fatalf("a call on its way undid the sign-out: %d", a.status)
		}
	}
}

func TestStreamsEndWithTheSession(t *testing.T) {
	closing := make(chan struct{})
	c := with(t, Options{Closing: closing}).setUp()
	stream := func(o *client) *bufio.Reader {
		t.Helper()
		q, _ := http.NewRequest("GET", o.url+streamPath, nil)
		q.Header.Set("Cookie", o.cookie)
		res, err := http.DefaultClient.Do(q)
		if err != nil || res.StatusCode != 200 {
			t.Fatalf("%v, %v", res, err)
		}
		t.Cleanup(func() { _ = res.Body.Close() })
		r := bufio.NewReader(res.Body)
		if _, err := r.ReadString('\n'); err != nil {
			t.Fatal(err)
		}
		return r
	}
	ends := func(what string, r *bufio.Reader) {
		t.Helper()
		done := make(chan struct{})
		go func() { _, _ = io.Copy(io.Discard, r); close(done) }()
		select {
		case <-done:
		case <-time.After(3*streamStill + time.Second):
			t.Errorf("%s: the stream goes on", what)
		}
	}
	o := c.as("mira", "three plain words")
	r := stream(o)
	o.call("DELETE", "/api/session", nil)
	ends("signed out", r)
	// Bounded a person, and free again when one ends.
	for range mostStreams {
		r = stream(c)
	}
	if a := c.call("GET", streamPath, nil); a.status != 429 || a.header.Get("Retry-After") == "" {
		t.Errorf("one more: %d", a.status)
	}
	close(closing)
	ends("the program stops", r)
}

func TestSessionsOverCalls(t *testing.T) {
	c := serve(t).setUp()
	o := c.as("mira", "three plain words")
	list := ok[[]record.Session](c, "GET", "/api/sessions", nil)
	if len(list) != 2 || list[0].Here == list[1].Here {
		t.Fatalf("%+v", list)
	}
	for _, s := range list {
		if !s.Here {
			if a := c.call("DELETE", fmt.Sprintf("/api/sessions/%d", s.ID), nil); a.status != 204 {
				t.Errorf("%d %s", a.status, a.body)
			}
		}
	}
	if a := o.call("GET", "/api/today", nil); a.status != 401 {
		t.Errorf("the other one goes on: %d", a.status)
	}
	if a := c.call("PUT", "/api/password", map[string]string{"old": "three plain words",
		"new": "a ferry and a lantern"}); a.status != 204 {
		t.Errorf("%d %s", a.status, a.body)
	}
	word := ok[Word](c, "POST", "/api/people/1/word", nil)
	fresh := &client{t: t, url: c.url}
	if a := fresh.call("POST", "/api/reset", map[string]string{"login": "mira", "word": word.Word,
		"password": "a lantern and a ferry"}); a.status != 200 || fresh.cookie == "" {
		t.Errorf("%d %s", a.status, a.body)
	}
	if a := c.call("GET", "/api/today", nil); a.status != 401 {
		t.Errorf("the session from before goes on: %d", a.status)
	}
}

func TestWaitsAreSaid(t *testing.T) {
	c := serve(t).setUp()
	var a answer
	for range 7 {
		a = (&client{t: t, url: c.url}).call("POST", "/api/session",
			map[string]string{"login": "mira", "password": "not the password"})
	}
	if p := a.problem(t); a.status != 429 || a.header.Get("Retry-After") == "" || p.RetryAfter < 1 {
		t.Errorf("%d %v %s", a.status, a.header, a.body)
	}
}

// What somebody may not do stays in the trail, with the wrong passwords.
func TestTrailOfRefusals(t *testing.T) {
	c, st := stored(t)
	c.setUp()
	ok[record.Account](c, "POST", "/api/people", body{"name": "Tor", "login": "tor", "password": "four plain words here",
		"role": "technician"}, "Idempotency-Key", "add-tor-once")
	tor := c.as("tor", "four plain words here")
	if a := tor.call("POST", "/api/people/1/word", nil); a.status != 403 {
		t.Errorf("%d", a.status)
	}
	(&client{t: t, url: c.url}).call("POST", "/api/session",
		map[string]string{"login": "tor", "password": "not the password"})
	for what, q := range map[string]string{
		"the denial":         "SELECT COUNT(*) FROM audit WHERE noun = 'denied' AND item = 'giveWord' AND account_id = 2",
		"the wrong password": "SELECT COUNT(*) FROM audit WHERE noun = 'sign-in' AND action = 'refused' AND item = 'tor'",
		"the sign-in":        "SELECT COUNT(*) FROM audit WHERE noun = 'sign-in' AND action = 'signed in' AND item = 'tor'",
	} {
		var n int
		if err := st.DB.QueryRow(q).Scan(&n); err != nil || n != 1 {
			t.Errorf("%s stands %d times, %v", what, n, err)
		}
	}
}

// Behind a proxy the caller is whom the proxy names last; without one the
// header is anybody's word.
func TestAddressOf(t *testing.T) {
	q := httptest.NewRequest("GET", "/", nil)
	q.RemoteAddr = "10.0.0.1:5555"
	q.Header.Set("X-Forwarded-For", "203.0.113.9, 198.51.100.2")
	for behind, want := range map[bool]string{false: "10.0.0.1", true: "198.51.100.2"} {
		if got := (&Server{options: Options{BehindProxy: behind}}).addressOf(q); got != want {
			t.Errorf("behind a proxy %v: %s, want %s", behind, got, want)
		}
	}
	q.Header.Set("X-Forwarded-For", "nonsense")
	if got := (&Server{options: Options{BehindProxy: true}}).addressOf(q); got != "10.0.0.1" {
		t.Errorf("%s", got)
	}
}

// A slow sender is let on as long as something comes.
func TestSlowSenders(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	conn, err := net.Dial("tcp", strings.TrimPrefix(c.url, "http://"))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = conn.Close() }()
	text := `{"text":"270","instrument":"tape","version":0}`
	fmt.Fprintf(conn, "PUT %s/readings/width_top HTTP/1.1\r\nHost: localhost\r\nCookie: %s\r\nContent-Type: "+
		"application/json\r\nContent-Length: %d\r\n\r\n", job, c.cookie, len(text))
	for _, b := range []byte(text) {
		time.Sleep(140 * time.Millisecond) // 6.4 s in all: longer than an end of five seconds
		if _, err := conn.Write([]byte{b}); err != nil {
			t.Fatal(err)
		}
	}
	res, err := http.ReadResponse(bufio.NewReader(conn), nil)
	if err != nil || res.StatusCode != 200 {
		t.Errorf("%v, %v", res, err)
	}
}

// A body that breaks off in the middle of a chunk is the caller's fault.
func TestBrokenChunk(t *testing.T) {
	c := serve(t).setUp()
	conn, err := net.Dial("tcp", strings.TrimPrefix(c.url, "http://"))
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = conn.Close() }()
	fmt.Fprintf(conn, "POST /api/lengths HTTP/1.1\r\nHost: localhost\r\nCookie: %s\r\nContent-Type: "+
		"application/json\r\nTransfer-Encoding: chunked\r\n\r\nzz\r\nnonsense\r\n\r\n", c.cookie)
	res, err := http.ReadResponse(bufio.NewReader(conn), nil)
	if err != nil || res.StatusCode != 400 {
		t.Errorf("%v, %v", res, err)
	}
}

// A value that JSON cannot say becomes one problem, not half an answer.
func TestAnswersAreWhole(t *testing.T) {
	w := httptest.NewRecorder()
	if err := reply.Format.Marshal(w, map[string]any{"a": make(chan int)}); err == nil || w.Body.Len() > 0 {
		t.Errorf("%v, %q", err, w.Body)
	}
}
