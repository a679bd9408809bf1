package web

import (
	"bufio"
	"context"
	"net/http"
	"strings"
	"testing"
	"time"
)

// Every screen hears within a second that something has changed, and nothing while nothing
// has; a stranger hears nothing at all.
func TestPulse(t *testing.T) {
	c := serve(t).setUp()
	ctx, stop := context.WithTimeout(context.Background(), 20*time.Second)
	defer stop()
	q, err := http.NewRequestWithContext(ctx, "GET", c.url+pulsePath, nil)
	if err != nil {
		t.Fatal(err)
	}
	if res, err := http.DefaultClient.Do(q); err != nil || res.StatusCode != http.StatusUnauthorized {
		t.Fatalf("a stranger: %v, %v", res, err)
	}
	q.Header.Set("Cookie", c.cookie)
	res, err := http.DefaultClient.Do(q)
	if err != nil || res.Header.Get("Content-Type") != "text/event-stream" {
		t.Fatalf("%v, %v", res, err)
	}
	defer func() { _ = res.Body.Close() }()
	lines := make(chan string, 100)
	go func() {
		s := bufio.NewScanner(res.Body)
		for s.Scan() {
			if strings.HasPrefix(s.Text(), "data: ") {
				lines <- s.Text()
			}
		}
		close(lines)
	}()
	next := func(within time.Duration) string {
		select {
		case l := <-lines:
			return l
		case <-time.After(within):
			return ""
		}
	}
	if l := next(5 * time.Second); l != "data: {}" {
		t.Fatalf("greeted with %q", l)
	}
	first := next(5 * time.Second)
	if first == "" {
		t.Fatal("it does not say where the shop stands")
	}
	if l := next(2 * pulseLook); l != "" {
		t.Errorf("nothing changed, and it says %q", l)
	}
	c.takeIn()
	if l := next(5 * time.Second); l == "" || l == first {
		t.Errorf("a job was taken in, and it says %q", l)
	}
}
