package web

import (
	"bufio"
	"encoding/json"
	"net/http"
	"strings"
	"testing"
	"time"

	"freshshard/internal/instrument"
)

// events reads a stream until n readings came or it ended.
func (c *client) events(lastID string, n int) (readings []instrument.Event, id string) {
	c.t.Helper()
	q, err := http.NewRequest("GET", c.url+streamPath, nil)
	if err != nil {
		c.t.Fatal(err)
	}
	q.Header.Set("Cookie", c.cookie)
	if lastID != "" {
		q.Header.Set("Last-Event-ID", lastID)
	}
	res, err := (&http.Client{Timeout: 10 * time.Second}).Do(q)
	if err != nil {
		c.t.Fatal(err)
	}
	defer func() { _ = res.Body.Close() }()
	if res.StatusCode != 200 || res.Header.Get("Content-Type") != "text/event-stream" {
		c.t.Fatalf("%d %s", res.StatusCode, res.Header.Get("Content-Type"))
	}
	s := bufio.NewScanner(res.Body)
	event := ""
	for s.Scan() {
		k, v, _ := strings.Cut(s.Text(), ": ")
		switch {
		case k == "id":
			id = v
		case k == "event":
			event = v
		case k == "data" && event == "hello":
			c.greeted <- id
		case k == "data":
			var e instrument.Event
			if err := json.Unmarshal([]byte(v), &e); err != nil {
				c.t.Fatal(err)
			}
			if readings = append(readings, e); len(readings) == n {
				return readings, id
			}
		}
	}
	return readings, id
}

func (c *client) press(name string, body map[string]any) {
	c.t.Helper()
	if a := c.call("POST", "/api/instruments/"+name+"/press", body); a.status != 200 {
		c.t.Fatalf("%s: %d %s", name, a.status, a.body)
	}
}

// A stream gives each reading once, drops when the connection does, and goes on
// from where it was.
func TestStreamResumes(t *testing.T) {
	c := serve(t).setUp()
	c.greeted = make(chan string, 4)
	done := make(chan string)
	var first, second []instrument.Event
	go func() {
		var id string
		first, id = c.events("", 9)
		done <- id
	}()
	<-c.greeted
	c.press("laser", map[string]any{"truth": 268})
	c.press("caliper", map[string]any{"truth": 268})
	c.press("tape", map[string]any{"truth": 300, "drop": true})
	id := <-done
	if len(first) != 2 || first[0].Name != "laser" || first[1].State != instrument.OutOfRange {
		t.Fatalf("before the drop: %+v", first)
	}
	c.press("climate", map[string]any{"truth": 0})
	second, _ = c.events(id, 2)
	if len(second) != 2 || second[0].Name != "tape" || second[1].Name != "climate" || second[0].Number != 3 {
		t.Errorf("after the drop: %+v", second)
	}
}

func TestPressRefuses(t *testing.T) {
	c := serve(t).setUp()
	if a := c.call("POST", "/api/instruments/sonar/press", map[string]any{"truth": 5}); a.status != 422 {
		t.Errorf("%d", a.status)
	}
	if a := c.call("POST", "/api/instruments/laser/press", map[string]any{"truth": -5}); a.status != 422 ||
		a.problem(t).Errors[0].Field != "truth" {
		t.Errorf("%d %s", a.status, a.body)
	}
	c.cookie = ""
	if a := c.call("GET", streamPath, nil); a.status != http.StatusUnauthorized {
		t.Errorf("a stranger's stream: %d", a.status)
	}
}
