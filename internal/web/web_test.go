package web

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"image"
	"image/png"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"os"
	"regexp"
	"strings"
	"testing"

	"freshshard/internal/jobview"
	"freshshard/internal/localdb"
	"freshshard/internal/localdb/dbtest"
	"freshshard/internal/reply"
	"freshshard/internal/shop"
	"freshshard/internal/store"
)

var database *localdb.Server

func TestMain(m *testing.M) {
	slog.SetDefault(slog.New(slog.DiscardHandler))
	os.Exit(dbtest.Run(m, func(s *localdb.Server) { database = s }))
}

// client speaks to a server of its own and keeps the session cookie, which is
// marked secure and so would not come back over plain HTTP by itself.
type client struct {
	t      testing.TB
	url    string
	cookie string
	// greeted gets the id of a stream's greeting.
	greeted chan string
}

// serve serves an empty shop; nobody is signed in.
func serve(t testing.TB) *client {
	c, _ := stored(t)
	return c
}

// stored is the same, with the shop's store.
func stored(t testing.TB) (*client, *store.Store) {
	t.Helper()
	st, err := store.Open(context.Background(), empty.Fresh(t, database))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = st.Close() })
	sh := shop.New(st)
	sh.MadeUp = true
	s := httptest.NewServer(New(sh, Options{}))
	t.Cleanup(s.Close)
	return &client{t: t, url: s.URL}, st
}

// empty is a shop of nobody.
var empty = dbtest.Kept{Fill: func(dsn string) error {
	st, err := store.Open(context.Background(), dsn)
	if err != nil {
		return err
	}
	return st.Close()
}}

type answer struct {
	status int
	header http.Header
	body   []byte
}

func (a answer) problem(t *testing.T) reply.Problem {
	t.Helper()
	var p reply.Problem
	if err := json.Unmarshal(a.body, &p); err != nil || !strings.HasPrefix(a.header.Get("Content-Type"),
		"application/problem+json") {
		t.Fatalf("no problem but %s: %.200s", a.header.Get("Content-Type"), a.body)
	}
	return p
}

func (c *client) call(method, path string, body any, headers ...string) answer {
	c.t.Helper()
	var r io.Reader
	switch b := body.(type) {
	case nil:
	case string:
		r = strings.NewReader(b)
	default:
		j, err := json.Marshal(b)
		if err != nil {
			c.t.Fatal(err)
		}
		r = bytes.NewReader(j)
	}
	q, err := http.NewRequest(method, c.url+path, r)
	if err != nil {
		c.t.Fatal(err)
	}
	if r != nil {
		q.Header.Set("Content-Type", "application/json")
	}
	for i := 0; i+1 < len(headers); i += 2 {
		q.Header.Set(headers[i], headers[i+1])
	}
	if c.cookie != "" {
		q.Header.Set("Cookie", c.cookie)
	}
	res, err := http.DefaultClient.Do(q)
	if err != nil {
		c.t.Fatal(err)
	}
	defer func() { _ = res.Body.Close() }()
	b, err := io.ReadAll(res.Body)
	if err != nil {
		c.t.Fatal(err)
	}
	for _, k := range res.Cookies() {
		c.cookie = k.Name + "=" + k.Value
	}
	return answer{res.StatusCode, res.Header, b}
}

func (c *client) setUp() *client {
	c.t.Helper()
	a := c.call("POST", "/api/setup", map[string]any{"shop_name": "Lantern Yard", "unit": "mm",
		"owner": map[string]any{"name": "Mira", "login": "mira", "password": "three plain words", "role": "owner"}})
	if a.status != http.StatusOK {
		c.t.Fatalf("setup: %d %s", a.status, a.body)
	}
	return c
}

func (c *client) takeIn() int64 {
	c.t.Helper()
	a := c.call("POST", "/api/jobs", map[string]any{"name": "Oda Marl", "object": "Sauna stove", "exposure": "fire",
		"family": "clip-heat", "place": "bench"}, "Idempotency-Key", fmt.Sprintf("key-%p-%d", c, len(c.cookie)))
	var m Made
	if err := json.Unmarshal(a.body, &m); err != nil || a.status != http.StatusOK {
		c.t.Fatalf("take-in: %d %s", a.status, a.body)
	}
	return m.ID
}

func TestNobodyPastTheDoor(t *testing.T) {
	c := serve(t).setUp()
	id := c.takeIn()
	c.cookie = ""
	for _, path := range []string{"/api/today", "/api/jobs", "/api/people", "/api/catalogue",
		fmt.Sprintf("/api/jobs/%d", id), fmt.Sprintf("/api/jobs/%d/ticket.pdf", id), fmt.Sprintf("/api/jobs/%d/drawing.dxf",
			id), fmt.Sprintf("/api/jobs/%d/carried", id)} {
		if a := c.call("GET", path, nil); a.status != http.StatusUnauthorized {
			t.Errorf("%s: %d", path, a.status)
		}
	}
	a := c.call("GET", "/api/session", nil)
	var s Session
	if err := json.Unmarshal(a.body, &s); err != nil || s.Account != nil || s.Setup || s.Shop == nil {
		t.Errorf("%s", a.body)
	}
}

func TestSessionCookie(t *testing.T) {
	c := serve(t).setUp()
	a := c.call("POST", "/api/session", map[string]string{"login": "mira", "password": "three plain words"})
	set := a.header.Get("Set-Cookie")
	for _, want := range []string{"HttpOnly", "Secure", "SameSite=Strict"} {
		if !strings.Contains(set, want) {
			t.Errorf("cookie without %s: %s", want, set)
		}
	}
	old := c.cookie
	if a := c.call("DELETE", "/api/session", nil); a.status != http.StatusNoContent {
		t.Errorf("sign out: %d", a.status)
	}
	c.cookie = old
	if a := c.call("GET", "/api/today", nil); a.status != http.StatusUnauthorized {
		t.Errorf("a session outlived its sign-out: %d", a.status)
	}
}

func TestOtherSitesAreRefused(t *testing.T) {
	c := serve(t).setUp()
	a := c.call("POST", "/api/jobs", map[string]any{}, "Origin", "https://elsewhere.example", "Sec-Fetch-Site",
		"cross-site")
	if a.status != http.StatusForbidden || a.problem(t).Type != "origin" {
		t.Errorf("%d %s", a.status, a.body)
	}
}

// Wrong input gives a clear 4xx that points at the field, never a 500.
func TestWrongInput(t *testing.T) {
	c := serve(t).setUp()
	id := c.takeIn()
	reading := func(text string) map[string]any {
		return map[string]any{"text": text, "instrument": "tape", "version": 0}
	}
	job := fmt.Sprintf("/api/jobs/%d", id)
	big := `{"text":"` + strings.Repeat("9", 10<<20) + `","instrument":"tape","version":0}`
	for _, k := range []struct {
		name, method, path string
		body               any
		status             int
		field              string
	}{
		{"zero under the stroke", "PUT", job + "/readings/width_top", reading("5 1/0"), 422, "width_top"},
		{"negative", "PUT", job + "/readings/width_top", reading("-3"), 422, "width_top"},
		{"a word", "PUT", job + "/readings/width_top", reading("banana"), 422, "width_top"},
		{"40 m high", "PUT", job + "/readings/height_left", reading("40 m"), 422, "height_left"},
		{"no such place", "PUT", job + "/readings/girth", reading("300"), 422, "place"},
		{"10 MB", "PUT", job + "/readings/width_top", big, 413, ""},
		{"no JSON", "PUT", job + "/readings/width_top", "{", 400, ""},
		{"another type", "PUT", job + "/readings/width_top", `{"text":5,"instrument":"tape","version":0}`, 422, "text"},
		{"a field too many", "PUT", job + "/readings/width_top", `{"text":"5","instrument":"tape","version":0,"x":1}`, 422,
			"x"},
		{"stale version", "PUT", job + "/readings/width_top", map[string]any{"text": "300", "instrument": "tape",
			"version": 7}, 409, "width_top"},
		{"changed id", "GET", "/api/jobs/999999", nil, 404, ""},
		{"an id that is none", "GET", "/api/jobs/abc", nil, 422, "id"},
		{"an id below one", "GET", "/api/jobs/-1", nil, 422, "id"},
		{"files of a changed id", "GET", "/api/jobs/999999/ticket.pdf", nil, 404, ""},
		{"files of no id", "GET", "/api/jobs/abc/drawing.svg", nil, 404, ""},
		{"nothing there", "GET", "/api/nothing", nil, 404, ""},
		{"no key", "POST", "/api/jobs", map[string]any{"object": "x"}, 422, ""},
		{"check without its number", "PUT", job + "/checks/gap", map[string]any{"outcome": "pass"}, 422, "value"},
		{"sign-off with open checks", "POST", job + "/ticket", map[string]any{}, 409, ""},
	} {
		a := c.call(k.method, k.path, k.body, "Idempotency-Key", "a-key-for-"+fmt.Sprint(len(k.name)))
		if k.name == "no key" {
			a = c.call(k.method, k.path, k.body)
		}
		if a.status != k.status {
			t.Errorf("%s: %d, want %d: %.300s", k.name, a.status, k.status, a.body)
			continue
		}
		p := a.problem(t)
		if p.Detail == "" || p.Status != k.status {
			t.Errorf("%s: says nothing: %+v", k.name, p)
		}
		if k.field != "" && (len(p.Errors) == 0 || p.Errors[0].Field != k.field) {
			t.Errorf("%s: points at %+v, want %s", k.name, p.Errors, k.field)
		}
	}
	a := c.call("PUT", job+"/readings/width_top", reading("3//4"))
	if p := a.problem(t); p.Errors[0].At == nil || *p.Errors[0].At != 2 || p.Errors[0].Cure == "" {
		t.Errorf("%s", a.body)
	}
}

// A diagonal that no opening has is refused at its field. A side that makes an
// earlier diagonal impossible is kept: it may be the right one of the two.
func TestImpossibleDiagonals(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	read := func(place, text string, version int) answer {
		return c.call("PUT", job+"/readings/"+place, map[string]any{"text": text, "instrument": "tape", "version": version})
	}
	for _, r := range [][2]string{{"width_top", "300"}, {"height_left", "400"}, {"diagonal_rising", "500"}} {
		if a := read(r[0], r[1], 0); a.status != 200 {
			t.Fatalf("%s: %d %s", r[0], a.status, a.body)
		}
	}
	for _, text := range []string{"900", "90", "400"} {
		a := read("diagonal_falling", text, 0)
		if p := a.problem(t); a.status != 422 || p.Errors[0].Field != "diagonal_falling" ||
			!strings.Contains(p.Errors[0].Cure, "500.0") {
			t.Errorf("%s: %d %s", text, a.status, a.body)
		}
	}
	if a := read("width_top", "1000", 1); a.status != 200 {
		t.Fatalf("a side: %d %s", a.status, a.body)
	}
	var v jobview.View
	if err := json.Unmarshal(c.call("GET", job, nil).body, &v); err != nil || v.Reckoning.Fault == nil ||
		v.Reckoning.Fault.Field != "diagonal_rising" || len(v.Pane.Readings) != 3 {
		t.Errorf("%v %+v", err, v.Reckoning.Fault)
	}
}

// Answers never hold null where the contract promises a list.
// Every call that reads, on a shop with nothing in it and on one with one of each: it
// answers, and no list is null.
func TestNoNullLists(t *testing.T) {
	c := serve(t).setUp()
	var contract struct {
		Paths map[string]map[string]json.RawMessage `json:"paths"`
	}
	if err := json.Unmarshal(c.call("GET", "/api/openapi.json", nil).body, &contract); err != nil {
		t.Fatal(err)
	}
	param := regexp.MustCompile(`\{[^}]*\}`)
	look := func(of string) {
		n := 0
		for path, calls := range contract.Paths {
			if calls["get"] == nil {
				continue
			}
			a := c.call("GET", param.ReplaceAllString(path, "1"), nil)
			if n++; a.status >= 500 {
				t.Errorf("%s, %s: %d %s", of, path, a.status, a.body)
			}
			if i := bytes.Index(a.body, []byte(":null")); a.status == 200 && (i >= 0 || string(a.body) == "null\n") {
				t.Errorf("%s, %s: null near %.80s", of, path, a.body[max(0, i-60):])
			}
		}
		if n < 40 {
			t.Errorf("%s: %d calls", of, n)
		}
	}
	look("with nothing in it")
	c.takeIn()
	c.call("POST", "/api/stores/stock", map[string]any{"kind": "sheet", "material": "annealed", "thickness": 4, "w": 2000,
		"h": 1000, "quantity": 1}, "Idempotency-Key", "one-of-each")
	look("with one of each")
}

func TestFiles(t *testing.T) {
	c := serve(t).setUp()
	id := c.takeIn()
	for file, begin := range map[string]string{"ticket.pdf": "%PDF", "drawing.svg": "<?xml",
		"drawing.dxf": "  0\r\nSECTION", "section.svg": "<?xml", "section.dxf": "  0\r\nSECTION"} {
		a := c.call("GET", fmt.Sprintf("/api/jobs/%d/%s", id, file), nil)
		if a.status != 200 || !bytes.HasPrefix(a.body, []byte(begin)) ||
			!strings.Contains(a.header.Get("Content-Disposition"), fmt.Sprintf("job-%d", id)) {
			t.Errorf("%s: %d %.40s", file, a.status, a.body)
		}
	}
}

// aPicture is a grey PNG of 500 × 250.
func aPicture(t *testing.T) string {
	t.Helper()
	var b bytes.Buffer
	if err := png.Encode(&b, image.NewGray(image.Rect(0, 0, 500, 250))); err != nil {
		t.Fatal(err)
	}
	return b.String()
}

// A picture goes in as it is and comes out upright JPEG; what is none is refused
// at its field.
func TestPhotos(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	send := func(body, key string) answer {
		return c.call("POST", job+"/photos", body, "Idempotency-Key", key, "Content-Type", "application/octet-stream")
	}
	for range 2 {
		if a := send(aPicture(t), "one-picture"); a.status != 200 {
			t.Fatalf("%d %s", a.status, a.body)
		}
	}
	var v jobview.View
	if err := json.Unmarshal(c.call("GET", job, nil).body, &v); err != nil || len(v.Job.Photos) != 1 ||
		v.Job.Photos[0].Width != 500 {
		t.Fatalf("%v %+v", err, v.Job.Photos)
	}
	path := fmt.Sprintf("%s/photos/%d", job, v.Job.Photos[0].ID)
	for _, p := range []string{path, path + "/thumb"} {
		if a := c.call("GET", p, nil); a.status != 200 || !bytes.HasPrefix(a.body, []byte{0xFF, 0xD8}) {
			t.Errorf("%s: %d", p, a.status)
		}
	}
	if a := send("banana", "no-picture"); a.status != 422 || a.problem(t).Errors[0].Field != "photo" {
		t.Errorf("%d %s", a.status, a.body)
	}
	if a := send(strings.Repeat("x", 16<<20), "too-large-one"); a.status != 413 {
		t.Errorf("16 MB: %d", a.status)
	}
	if a := c.call("GET", job+"/photos/999", nil); a.status != 404 {
		t.Errorf("%d", a.status)
	}
	if a := c.call("DELETE", path, nil); a.status != 200 {
		t.Errorf("%d %s", a.status, a.body)
	}
	if a := c.call("GET", path, nil); a.status != 404 {
		t.Errorf("a picture outlived its end: %d", a.status)
	}
}

func TestPageAndHeaders(t *testing.T) {
	c := serve(t)
	a := c.call("GET", "/jobs/12", nil)
	if csp := a.header.Get("Content-Security-Policy"); !strings.Contains(csp, "default-src 'self'") ||
		a.header.Get("X-Content-Type-Options") != "nosniff" {
		t.Errorf("headers %v", a.header)
	}
	if a := c.call("POST", "/jobs/12", map[string]any{}); a.status != http.StatusMethodNotAllowed {
		t.Errorf("a write to the page: %d", a.status)
	}
}

// Two processes serve one shop: a session made at one holds at the other.
func TestSessionsAreShared(t *testing.T) {
	dsn := dbtest.Fresh(t, database)
	var urls []string
	for range 2 {
		st, err := store.Open(context.Background(), dsn)
		if err != nil {
			t.Fatal(err)
		}
		t.Cleanup(func() { _ = st.Close() })
		s := httptest.NewServer(New(shop.New(st), Options{}))
		t.Cleanup(s.Close)
		urls = append(urls, s.URL)
	}
	c := (&client{t: t, url: urls[0]}).setUp()
	c.url = urls[1]
	if a := c.call("GET", "/api/today", nil); a.status != 200 {
		t.Errorf("the other process: %d", a.status)
	}
}

// The contract is complete enough for the client that is made from it.
func TestOpenAPI(t *testing.T) {
	b, err := OpenAPI()
	if err != nil {
		t.Fatal(err)
	}
	for _, want := range []string{`"/api/jobs/{id}/readings/{place}"`, `"ReplyProblem"`, `"Idempotency-Key"`} {
		if !bytes.Contains(b, []byte(want)) {
			t.Errorf("no %s", want)
		}
	}
}
