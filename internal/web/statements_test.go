package web

import (
	"fmt"
	"testing"

	"freshshard/internal/jobview"
	"freshshard/internal/store"
)

// statements is how many the server was asked for so far, but those that ask for it.
func statements(t *testing.T, st *store.Store) int {
	t.Helper()
	var name string
	var n int
	if err := st.DB.QueryRow("SHOW GLOBAL STATUS LIKE 'Questions'").Scan(&name, &n); err != nil {
		t.Fatal(err)
	}
	return n
}

// A reading, a tick and a look at a job cost no more statements than a slow way to the database
// can bear.
func TestStatementsOfACall(t *testing.T) {
	c, st := stored(t)
	c.setUp()
	made := ok[Made](c, "POST", "/api/jobs", body{"name": "Oda Marl", "object": "Sauna stove", "exposure": "fire",
		"family": "clip-heat", "place": "bench"}, "Idempotency-Key", "statements")
	job := fmt.Sprintf("/api/jobs/%d", made.ID)
	spent := func(what string, most int, call func()) {
		t.Helper()
		before := statements(t, st)
		call()
		n := statements(t, st) - before - 1
		t.Logf("%s: %d statements", what, n)
		if n > most {
			t.Errorf("%s: %d statements, and %d is the most", what, n, most)
		}
	}
	spent("a first look", 12, func() { ok[jobview.View](c, "GET", job, nil) })
	for i, r := range []string{"width_top", "width_bottom", "height_left", "height_right", "ledge", "bracket_reach"} {
		text := []string{"270", "268.4", "242", "241", "14", "16"}[i]
		spent("reading "+r, 25, func() {
			ok[jobview.View](c, "PUT", job+"/readings/"+r, body{"text": text, "instrument": "rule", "version": 0})
		})
	}
	spent("a correction", 25, func() {
		ok[jobview.View](c, "PUT", job+"/readings/ledge", body{"text": "13", "instrument": "rule", "version": 1})
	})
	step := ok[jobview.View](c, "GET", job, nil).Reckoning.Plan.Steps[0].Key
	spent("a tick", 25, func() {
		ok[jobview.View](c, "PUT", job+"/steps/"+step, body{"outcome": "done"})
	})
}

// What a reading answers is small enough for a van's network, as it is sent.
func TestAnswerOfAReadingIsSmall(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	var n int
	for place, text := range map[string]string{"width_top": "270", "width_bottom": "268.4", "height_left": "242",
		"height_right": "241", "ledge": "14", "bracket_reach": "16"} {
		a := c.call("PUT", job+"/readings/"+place, body{"text": text, "instrument": "rule", "version": 0},
			"Accept-Encoding", "gzip")
		if a.status != 200 || a.header.Get("Content-Encoding") != "gzip" {
			t.Fatalf("%d, %s", a.status, a.header.Get("Content-Encoding"))
		}
		n = max(n, len(a.body))
	}
	t.Logf("%d bytes as sent", n)
	if n > 20<<10 {
		t.Errorf("%d bytes as sent, and 20 kB are the most", n)
	}
}
