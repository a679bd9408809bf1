package web

import (
	"bytes"
	"encoding/json"
	"fmt"
	"net/http"
	"strings"
	"testing"

	"freshshard/internal/record"
)

// The days go out to whoever is signed in; one's own by an address that can be withdrawn,
// made once however often it is asked for.
func TestDaysGoOut(t *testing.T) {
	c := serve(t).setUp()
	c.takeIn()
	link := func(method string) string {
		t.Helper()
		a := c.call(method, "/api/days/link", nil)
		var l DaysLink
		if err := json.Unmarshal(a.body, &l); err != nil || a.status != http.StatusOK {
			t.Fatalf("%s: %d %s", method, a.status, a.body)
		}
		if l.Link == nil {
			return ""
		}
		return l.Link.Token
	}
	if k := link("GET"); k != "" {
		t.Errorf("an address that nobody made: %q", k)
	}
	token := link("POST")
	if token == "" || link("POST") != token || link("GET") != token {
		t.Errorf("asked again, the address is not %q", token)
	}
	feed := "/feeds/" + token + "/days.ics"
	stranger := &client{t: t, url: c.url}
	for path, starts := range map[string]string{"/api/days.csv": "person,from", "/api/days.pdf": "%PDF-",
		feed: "BEGIN:VCALENDAR"} {
		if a := c.call("GET", path, nil); a.status != http.StatusOK || !bytes.HasPrefix(a.body, []byte(starts)) {
			t.Errorf("%s: %d %.60s", path, a.status, a.body)
		}
		want := http.StatusUnauthorized
		if path == feed {
			want = http.StatusOK
		}
		if a := stranger.call("GET", path, nil); a.status != want {
			t.Errorf("%s without signing in: %d, want %d", path, a.status, want)
		}
	}
	a := stranger.call("GET", feed, nil)
	if !strings.Contains(string(a.body), "BEGIN:VEVENT") || strings.Contains(string(a.body), "Oda Marl") {
		t.Errorf("the calendar names the customer, or nothing: %s", a.body)
	}
	if a := stranger.call("GET", "/feeds/"+token+"/reminders.ics", nil); a.status != http.StatusNotFound {
		t.Errorf("it opens the reminders: %d", a.status)
	}
	if k := link("DELETE"); k != "" {
		t.Errorf("withdrawn, and it is %q", k)
	}
	if a := stranger.call("GET", feed, nil); a.status != http.StatusNotFound {
		t.Errorf("withdrawn, and it opens: %d", a.status)
	}
	if again := link("POST"); again == "" || again == token {
		t.Errorf("made anew, the address is %q", again)
	}

	// Who does not work here any more has no days to show.
	ok[record.Account](c, "POST", "/api/people", body{"name": "Ann", "login": "ann", "password": "five plain words here",
		"role": "technician"}, "Idempotency-Key", "add-ann-once")
	d := &client{t: t, url: c.url}
	ann := ok[record.Account](d, "POST", "/api/session", body{"login": "ann", "password": "five plain words here"})
	hers := "/feeds/" + ok[DaysLink](d, "POST", "/api/days/link", nil).Link.Token + "/days.ics"
	if a := stranger.call("GET", hers, nil); a.status != http.StatusOK {
		t.Errorf("Ann's days: %d", a.status)
	}
	ok[record.Account](c, "PUT", fmt.Sprintf("/api/people/%d", ann.ID), body{"role": "technician", "active": false,
		"version": ann.Version})
	if a := stranger.call("GET", hers, nil); a.status != http.StatusNotFound {
		t.Errorf("Ann was shut out, and her days open: %d", a.status)
	}
}
