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

// A picture stands on the page only when somebody put it there, and no longer than that.
func TestPicturesOnThePage(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	var v struct {
		Job struct {
			Photos []struct {
				ID int64 `json:"id"`
			} `json:"photos"`
		} `json:"job"`
	}
	for i := range 2 {
		a := c.call("POST", job+"/photos", aPicture(t), "Idempotency-Key", fmt.Sprintf("a-picture-%d", i), "Content-Type",
			"application/octet-stream")
		if err := json.Unmarshal(a.body, &v); err != nil || len(v.Job.Photos) != i+1 {
			t.Fatalf("%v: %s", err, a.body)
		}
	}
	c.call("POST", job+"/ticket", map[string]any{"override": "taken back by its owner"}, "Idempotency-Key", "sign-it-over")
	o := ok[Outgoing](c, "GET", job+"/passport", nil)
	if len(o.Passport.Photos) != 0 {
		t.Fatalf("nobody put them there: %+v", o.Passport.Photos)
	}
	page := "/api/passport/" + o.Link.Token + "/photos/"
	stranger := &client{t: t, url: c.url}
	first, second := v.Job.Photos[0].ID, v.Job.Photos[1].ID
	opens := func(id int64) bool {
		a := stranger.call("GET", fmt.Sprint(page, id), nil)
		if a.status != http.StatusOK && a.status != http.StatusNotFound {
			t.Errorf("%d: %s", a.status, a.body)
		}
		return a.status == http.StatusOK && a.header.Get("Content-Type") == "image/jpeg"
	}
	shown := func(id int64) string { return fmt.Sprintf("%s/photos/%d/shown", job, id) }
	o = ok[Outgoing](c, "PUT", shown(first), body{"shown": true})
	if len(o.Passport.Photos) != 1 || !opens(first) || opens(second) || opens(999) {
		t.Errorf("one is shown: %+v", o.Passport.Photos)
	}
	ok[Outgoing](c, "PUT", shown(first), body{"shown": true}) // a retry
	if a := c.call("PUT", shown(999), body{"shown": true}); a.status != http.StatusNotFound {
		t.Errorf("a picture that is not there: %d", a.status)
	}
	if a := stranger.call("PUT", shown(second), body{"shown": true}); a.status != http.StatusUnauthorized {
		t.Errorf("a stranger put it there: %d", a.status)
	}
	o = ok[Outgoing](c, "PUT", shown(first), body{"shown": false})
	if len(o.Passport.Photos) != 0 || opens(first) {
		t.Error("taken off, and it opens")
	}
	ok[Outgoing](c, "PUT", shown(first), body{"shown": true})
	ok[Outgoing](c, "DELETE", job+"/link", nil)
	if opens(first) {
		t.Error("the page was withdrawn, and its picture opens")
	}
}
