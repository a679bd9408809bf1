package web

import (
	"fmt"
	"testing"
)

// A moment that no shop can mean is refused at its field on every way in, and takes nothing
// from anybody: just inside, at and just outside the years.
func TestMomentsAreBoundedOnce(t *testing.T) {
	c := serve(t).setUp()
	id := c.takeIn()
	for at, good := range map[string]bool{"0001-01-01T00:00:00Z": false, "1989-12-31T23:59:59Z": false,
		"1990-01-01T00:00:00Z": true, "2200-12-31T23:59:59Z": true, "2201-01-01T00:00:00Z": false,
		"9999-12-31T23:59:59Z": false} {
		take := body{"name": "Oda Marl", "object": "Sauna stove", "exposure": "fire", "family": "clip-heat", "place": "bench",
			"promised_at": at}
		version := ok[struct {
			Job struct{ Version int } `json:"job"`
		}](c, "GET", fmt.Sprintf("/api/jobs/%d", id), nil).Job.Version
		for n, call := range []struct {
			method, path string
			body         body
		}{{"POST", "/api/jobs", take}, {"PUT", fmt.Sprintf("/api/jobs/%d", id), body{"story": "", "place": "bench",
			"promised_at": at, "version": version}}, {"POST", fmt.Sprintf("/api/jobs/%d/copy", id), body{"promised_at": at}},
			{"POST", fmt.Sprintf("/api/jobs/%d/again", id), body{"promised_at": at}}} {
			a := c.call(call.method, call.path, call.body, "Idempotency-Key", fmt.Sprintf("moment-%d-%s", n, at))
			if a.status == 409 && n == 3 {
				continue // only a signed job comes back
			}
			if (a.status < 300) != good || !good && a.problem(t).Errors[0].Field != "promised_at" {
				t.Errorf("%s %s, %s: %d %s", call.method, call.path, at, a.status, a.body)
			}
		}
		for _, path := range []string{"/api/days", "/api/days/better", "/api/today"} {
			if a := c.call("GET", path, nil); a.status != 200 {
				t.Errorf("%s after %s: %d %s", path, at, a.status, a.body)
			}
		}
	}
}
