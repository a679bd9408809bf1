package web

import (
	"context"
	"database/sql/driver"
	"errors"
	"net"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/internal/record"
	"freshshard/internal/reply"
)

// An error says whether the records or the program is to blame, and every fault of a form is
// told at once.
func TestWhatAnErrorSays(t *testing.T) {
	for name, c := range map[string]struct {
		err    error
		status int
		says   string
		fields int
	}{
		"records away": {driver.ErrBadConn, 503, "cannot be reached", 0},
		"network":      {&net.OpError{Op: "dial", Err: errors.New("refused")}, 503, "cannot be reached", 0},
		"too slow":     {context.DeadlineExceeded, 503, "cannot be reached", 0},
		"its own check": {&record.Broken{What: "The cut room made a plan that cannot be cut", Why: "x"}, 503,
			"its own check", 0},
		"a mistake": {errors.New("index out of range"), 503, "made a mistake", 0},
		"one fault": {fault.New("name", "this is empty", "type it in"), 422, "this is empty", 1},
		"faults at once": {errors.Join(fault.New("name", "this is empty", "x"), fault.New("object", "this is empty", "x")),
			422, "", 2},
	} {
		p := reply.Of(context.Background(), c.err).(*reply.Problem)
		if p.Status != c.status || !strings.Contains(p.Detail, c.says) || len(p.Errors) != c.fields {
			t.Errorf("%s: %d %q, %+v", name, p.Status, p.Detail, p.Errors)
		}
		if strings.Contains(p.Detail, "index out") {
			t.Errorf("%s tells its own text: %q", name, p.Detail)
		}
	}
}

// No answer names a type of the program, and a body that nobody asked for breaks no
// connection.
func TestPlainRefusals(t *testing.T) {
	c := serve(t).setUp()
	id := c.takeIn()
	for _, body := range []string{`{"name": 7}`, `{"promised_at": "tomorrow"}`, `{"steady": "hot"}`, `[]`, `{"layout": 3}`,
		`{"road": {"id": []}}`} {
		a := c.call("POST", "/api/jobs", body, "Idempotency-Key", "plain-refusals")
		text := string(a.body)
		if a.status != 422 && a.status != 400 || strings.Contains(text, "Go ") || strings.Contains(text, "shop.") ||
			strings.Contains(text, "time.Time") || strings.Contains(text, "2006-01-02") {
			t.Errorf("%s: %d %s", body, a.status, text)
		}
	}
	a := c.call("POST", "/api/jobs",
		body{"name": " ", "object": "", "exposure": "fire", "family": "clip-heat", "place": "bench"},
		"Idempotency-Key", "all-at-once")
	if p := a.problem(t); a.status != 422 || len(p.Errors) != 2 || p.Errors[0].Field != "name" ||
		p.Errors[1].Field != "object" {
		t.Errorf("%d %s", a.status, a.body)
	}
	for _, n := range []int{2, 300_000, 3_000_000} {
		path := "/api/jobs/" + string(rune('0'+id)) + "/cut"
		if a := c.call("PUT", path, strings.Repeat(" ", n)+"{}"); a.status == 0 || a.status >= 500 {
			t.Errorf("%d bytes that nobody asked for: %d", n, a.status)
		}
	}
}
