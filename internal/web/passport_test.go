package web

import (
	"bytes"
	"encoding/json"
	"fmt"
	"log/slog"
	"net/http"
	"strings"
	"testing"
)

// A passport opens by its address without a session; the rest of the shop does not, and a
// withdrawn one opens as little as one that never was.
func TestPassportWithoutSignIn(t *testing.T) {
	c := serve(t).setUp()
	id := c.takeIn()
	job := fmt.Sprintf("/api/jobs/%d", id)
	if a := c.call("GET", job+"/passport", nil); a.status != http.StatusConflict {
		t.Errorf("an open job: %d %s", a.status, a.body)
	}
	for _, paper := range []string{"customer", "letter", "label", "passport"} {
		if a := c.call("GET", job+"/"+paper+".pdf", nil); a.status != http.StatusConflict {
			t.Errorf("%s of an open job: %d", paper, a.status)
		}
	}
	if a := c.call("POST", job+"/ticket", map[string]any{"override": "taken back by its owner"}, "Idempotency-Key",
		"sign-it-over"); a.status != http.StatusOK {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var o Outgoing
	a := c.call("GET", job+"/passport", nil)
	if err := json.Unmarshal(a.body, &o); err != nil || o.Link == nil {
		t.Fatalf("%v: %s", err, a.body)
	}
	for _, paper := range []string{"customer", "letter", "label", "passport", "record"} {
		if a := c.call("GET", job+"/"+paper+".pdf", nil); a.status != http.StatusOK ||
			!bytes.HasPrefix(a.body, []byte("%PDF-")) {
			t.Errorf("%s: %d", paper, a.status)
		}
	}
	if a := c.call("POST", "/api/reminders/link", nil); a.status != http.StatusOK {
		t.Fatalf("%d %s", a.status, a.body)
	}
	var d Due
	if err := json.Unmarshal(c.call("GET", "/api/reminders", nil).body, &d); err != nil || d.Calendar == nil ||
		len(d.Reminders) == 0 {
		t.Fatalf("%v: %+v", err, d)
	}
	token, feed := o.Link.Token, "/feeds/"+d.Calendar.Token+"/reminders.ics"
	stranger := &client{t: t, url: c.url}
	log := &bytes.Buffer{}
	was := slog.Default()
	slog.SetDefault(slog.New(slog.NewTextHandler(log, &slog.HandlerOptions{Level: slog.LevelDebug})))
	defer slog.SetDefault(was)
	for path, kind := range map[string]string{"/api/passport/" + token: "application/json",
		"/api/passport/" + token + "/passport.pdf": "application/pdf", feed: "text/calendar; charset=utf-8"} {
		a := stranger.call("GET", path, nil)
		if a.status != http.StatusOK || a.header.Get("Content-Type") != kind || strings.Contains(string(a.body),
			"Oda Marl") !=
			(path == feed) {
			t.Errorf("%s: %d %s", path, a.status, a.header.Get("Content-Type"))
		}
	}
	for _, path := range []string{job + "/passport", job + "/customer.pdf", "/api/reminders", "/api/reminders.ics",
		"/api/search?words=stove"} {
		if a := stranger.call("GET", path, nil); a.status != http.StatusUnauthorized {
			t.Errorf("a stranger, %s: %d", path, a.status)
		}
	}
	for _, bad := range []string{strings.Repeat("a", 26), d.Calendar.Token} {
		if a := stranger.call("GET", "/api/passport/"+bad, nil); a.status != http.StatusNotFound {
			t.Errorf("%s opens something: %d", bad, a.status)
		}
	}
	for path, want := range map[string]int{"/api/passport/x": 422, "/feeds/" + token + "/reminders.ics": 404,
		"/feeds/x/reminders.ics":         404,
		"/api/passport/%27/passport.pdf": 404} {
		if a := stranger.call("GET", path, nil); a.status != want {
			t.Errorf("%s: %d, want %d", path, a.status, want)
		}
	}
	for _, secret := range []string{token, d.Calendar.Token} {
		if strings.Contains(log.String(), secret) {
			t.Error("the log tells an address")
		}
	}
	if a := c.call("DELETE", job+"/link", nil); a.status != http.StatusOK {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if a := c.call("DELETE", "/api/reminders/link", nil); a.status != http.StatusOK {
		t.Fatalf("%d %s", a.status, a.body)
	}
	for _, path := range []string{"/api/passport/" + token, "/api/passport/" + token + "/passport.pdf", feed} {
		if a := stranger.call("GET", path, nil); a.status != http.StatusNotFound {
			t.Errorf("withdrawn, %s: %d", path, a.status)
		}
	}
}
