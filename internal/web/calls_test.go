package web

import (
	"bytes"
	"encoding/json"
	"fmt"
	"net/http"
	"strings"
	"testing"

	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
)

// ok makes a call that must succeed and decodes its answer.
func ok[T any](c *client, method, path string, body any, headers ...string) T {
	c.t.Helper()
	a := c.call(method, path, body, headers...)
	var v T
	if a.status < 200 || a.status > 299 {
		c.t.Fatalf("%s %s: %d %.400s", method, path, a.status, a.body)
	}
	if len(a.body) > 0 {
		if err := json.Unmarshal(a.body, &v); err != nil {
			c.t.Fatalf("%s %s: %v", method, path, err)
		}
	}
	return v
}

type body = map[string]any

// The whole road through the API alone.
func TestRoadByCalls(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	for place, text := range map[string]string{"width_top": "270", "width_bottom": "268.4", "height_left": "242",
		"height_right": `9 17/32"`, "ledge": "14", "bracket_reach": "16"} {
		ok[jobview.View](c, "PUT", job+"/readings/"+place, body{"text": text, "instrument": "rule", "version": 0})
	}
	v := ok[jobview.View](c, "PUT", job+"/diagnosis", body{"evidence": body{"origin": "fixing"},
		"old_pane": body{"colour": "amber"}, "cause": "over-tight", "behind": []string{"seal-perished"},
		"version": 0})
	if v.Reckoning.Cause != "A fixing too tight, because of a seal that shrank or perished" {
		t.Errorf("cause %q", v.Reckoning.Cause)
	}
	entry := body{"id": "", "kind": "fasteners", "what": "bracket screw", "held": body{"how": "screw", "drive": "PH2"},
		"count": 4, "fate": "back", "in": 0}
	v = ok[jobview.View](c, "POST", job+"/strip", entry, "Idempotency-Key", "strip-one")
	e := v.Job.Strip[0]
	if a := c.call("PUT", job+"/strip/"+e.Entry.ID+"/back", body{"in": 4, "version": e.Version}); a.status != 422 ||
		!strings.Contains(string(a.body), "the pane is not in yet") {
		t.Errorf("screws back before the pane: %d %s", a.status, a.body)
	}
	ok[jobview.View](c, "PUT", job+"/choice", body{"material": "glass-ceramic", "thickness": 4})
	pane := v.Pane
	pane.Raked = true
	ok[jobview.View](c, "PUT", job+"/pane", HeldChange{Held: pane.Held, Version: pane.Version})
	object := v.Job.Object
	object.Stamp = "GC 4"
	ok[jobview.View](c, "PUT", job+"/object", object)
	customer := v.Job.Customer
	customer.Note = "rings twice"
	ok[jobview.View](c, "PUT", job+"/customer", customer)
	ok[jobview.View](c, "PUT", job, body{"story": "cracked", "place": "site", "version": v.Job.Version})
	v = ok[jobview.View](c, "PUT", job+"/wait", body{"waits_for": "gasket", "version": pane.Version + 1})
	if v.Job.Object.Stamp != "GC 4" || !v.Pane.Raked || v.Job.Customer.Note != "rings twice" ||
		v.Pane.WaitsFor != "gasket" {
		t.Errorf("%+v", v.Job)
	}
	// While something is waited for, nothing is set.
	if a := c.call("PUT", job+"/steps/gasket-on", body{"outcome": "done"}); a.status != 422 {
		t.Errorf("set while a gasket is waited for: %d %s", a.status, a.body)
	}
	ok[jobview.View](c, "PUT", job+"/wait", body{"waits_for": "", "version": v.Pane.Version})
	for _, s := range v.Reckoning.Plan.Steps {
		ok[jobview.View](c, "PUT", job+"/steps/"+s.Key, body{"outcome": "done"})
	}
	for _, k := range v.Checks {
		a := body{"outcome": "pass"}
		if k.Limit != nil {
			a["value"] = 0.5
		}
		ok[jobview.View](c, "PUT", job+"/checks/"+k.Key, a)
	}
	ok[jobview.View](c, "DELETE", job+"/checks/paper?seen=1", nil)
	a := c.call("POST", job+"/ticket", body{}, "Idempotency-Key", "sign-too-early")
	if p := a.problem(t); a.status != 409 || p.Type != "open" || len(p.Hindrances) != 1 || p.Hindrances[0].Key != "paper" {
		t.Errorf("%d %s", a.status, a.body)
	}
	ok[jobview.View](c, "PUT", job+"/checks/paper", body{"outcome": "not-applicable", "finding": "no seal there"})
	v = ok[jobview.View](c, "POST", job+"/ticket", body{}, "Idempotency-Key", "sign-it-now")
	if v.Job.Ticket == nil || !v.Job.Signed || len(v.Hindrances) != 0 {
		t.Errorf("%+v", v.Job.Ticket)
	}
	if again := ok[jobview.View](c, "POST", job+"/ticket", body{}, "Idempotency-Key",
		"sign-it-now"); again.Job.Ticket.Number != v.Job.Ticket.Number {
		t.Error("a retry made another ticket")
	}
	if h := ok[[]record.Event](c, "GET", job+"/history", nil); len(h) < 30 {
		t.Errorf("%d events", len(h))
	}
	doc := ok[json.RawMessage](c, "GET", job+"/carried", nil)
	made := ok[Made](c, "POST", "/api/jobs/carried", string(doc), "Idempotency-Key", "bring-it-in")
	if back := ok[jobview.View](c, "GET", fmt.Sprintf("/api/jobs/%d", made.ID),
		nil); back.Reckoning.Order != v.Reckoning.Order || len(back.Job.Strip) != 1 {
		t.Errorf("brought in: %s", back.Reckoning.Order)
	}
}

func TestPulseMoves(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	before := ok[Pulse](c, "GET", job+"/pulse", nil).Pulse
	ok[jobview.View](c, "PUT", job+"/readings/width_top", body{"text": "300", "instrument": "tape", "version": 0})
	// A retry of the same reading changes nothing.
	ok[jobview.View](c, "PUT", job+"/readings/width_top", body{"text": "300", "instrument": "tape", "version": 0})
	if now := ok[Pulse](c, "GET", job+"/pulse", nil).Pulse; now != before+1 {
		t.Errorf("pulse %d, then %d", before, now)
	}
	ok[jobview.View](c, "DELETE", job+"/readings/width_top?version=1", nil)
	if now := ok[Pulse](c, "GET", job+"/pulse", nil).Pulse; now != before+2 {
		t.Errorf("after taking back: %d", now)
	}
}

func TestJobsAreFoundAndPaged(t *testing.T) {
	c := serve(t).setUp()
	for n := range 7 {
		ok[Made](c, "POST", "/api/jobs", body{"name": fmt.Sprintf("Customer %d", n),
			"object": []string{"Alder", "Birch", "Cedar", "Damson", "Elder", "Fir", "Gean"}[n] + " stove", "exposure": "fire",
			"family": "clip-heat", "place": "bench", "story": "a ball"}, "Idempotency-Key", fmt.Sprintf("take-in-%d", n))
	}
	first := ok[[]record.Row](c, "GET", "/api/jobs?most=5", nil)
	rest := ok[[]record.Row](c, "GET", fmt.Sprintf("/api/jobs?most=5&before=%d", first[4].ID), nil)
	if len(first) != 5 || len(rest) != 2 || rest[0].ID >= first[4].ID {
		t.Errorf("%d and %d", len(first), len(rest))
	}
	for words, want := range map[string]int{"stove+cedar": 1, "customer+ball": 7, "nobody": 0, "%25": 0,
		fmt.Sprint(first[0].ID): 1} {
		if got := ok[[]record.Row](c, "GET", "/api/jobs?words="+words, nil); len(got) != want {
			t.Errorf("%q finds %d, want %d", words, len(got), want)
		}
	}
	if got := ok[[]record.Customer](c, "GET", "/api/customers?words=Customer", nil); len(got) != 7 {
		t.Errorf("%d customers", len(got))
	}
	for _, bad := range []string{"?most=0", "?most=101", "?state=lost", "?before=x"} {
		if a := c.call("GET", "/api/jobs"+bad, nil); a.status != 422 {
			t.Errorf("%s: %d", bad, a.status)
		}
	}
}

func TestPeopleByCalls(t *testing.T) {
	c := serve(t).setUp()
	tor := ok[record.Account](c, "POST", "/api/people",
		body{"name": "Tor", "login": "tor", "password": "four plain words here", "role": "technician"}, "Idempotency-Key",
		"add-tor-once")
	if again := ok[record.Account](c, "POST", "/api/people",
		body{"name": "Tor", "login": "tor", "password": "four plain words here", "role": "technician"}, "Idempotency-Key",
		"add-tor-once"); again.ID != tor.ID {
		t.Error("a retry added a second Tor")
	}
	path := fmt.Sprintf("/api/people/%d", tor.ID)
	tor = ok[record.Account](c, "PUT", path, body{"role": "owner", "active": true, "version": tor.Version})
	if a := c.call("PUT", path, body{"role": "owner", "active": true, "version": 1}); a.status != 409 {
		t.Errorf("an old copy: %d", a.status)
	}
	ok[struct{}](c, "PUT", "/api/password", body{"old": "three plain words", "new": "a new long password"})
	if a := c.call("PUT", "/api/password", body{"old": "three plain words", "new": "another long one"}); a.status != 422 ||
		a.problem(t).Errors[0].Field != "old" {
		t.Errorf("%d %s", a.status, a.body)
	}
	sh := ok[Session](c, "GET", "/api/session", nil).Shop
	sh.Unit = "in"
	if got := ok[record.Shop](c, "PUT", "/api/shop", sh); got.Unit != "in" || got.Version != sh.Version+1 {
		t.Errorf("%+v", got)
	}
	// A technician may do none of this.
	d := &client{t: t, url: c.url}
	ok[record.Account](c, "POST", "/api/people", body{"name": "Ann", "login": "ann", "password": "five plain words here",
		"role": "technician"}, "Idempotency-Key", "add-ann-once")
	ok[record.Account](d, "POST", "/api/session", body{"login": "ann", "password": "five plain words here"})
	for _, k := range []struct {
		method, path string
		b            any
	}{{"PUT", path, body{"role": "owner", "active": true, "version": 1}}, {"PUT", "/api/shop", sh},
		{"POST", "/api/people", body{"name": "X", "login": "xx", "password": "a long password", "role": "owner"}}} {
		if a := d.call(k.method, k.path, k.b, "Idempotency-Key", "not-allowed"); a.status != http.StatusForbidden ||
			a.problem(t).Type != "denied" {
			t.Errorf("%s %s: %d", k.method, k.path, a.status)
		}
	}
	// Shut out while signed in: the next call is the last.
	ann := ok[Session](d, "GET", "/api/session", nil).Account
	ok[record.Account](c, "PUT", fmt.Sprintf("/api/people/%d", ann.ID), body{"role": "technician", "active": false,
		"version": ann.Version})
	if a := d.call("GET", "/api/today", nil); a.status != http.StatusUnauthorized {
		t.Errorf("somebody shut out still gets in: %d", a.status)
	}
}

func TestSignInSlowsDownByCalls(t *testing.T) {
	c := serve(t).setUp()
	d := &client{t: t, url: c.url}
	for n := range 6 {
		a := d.call("POST", "/api/session", body{"login": "mira", "password": "wrong"})
		p := a.problem(t)
		if n < 5 && (a.status != 422 || p.Errors[0].Field != "password") || n == 5 && (a.status != 429 || p.RetryAfter < 1) {
			t.Errorf("try %d: %d %s", n+1, a.status, a.body)
		}
	}
}

func TestSumsByCalls(t *testing.T) {
	c := serve(t).setUp()
	sash := ok[Sash](c, "POST", "/api/sums/sash", body{"instrument": "tape",
		"across": body{"lights": []string{"250", "", "250"}, "bars": []string{"20", ""}, "first": "50", "last": "50",
			"whole": "890", "alike": true},
		"down": body{"lights": []string{"9 13/16"}, "bars": []string{}, "first": "", "last": "", "whole": "",
			"alike": false}})
	if l := sash.Across.Lights[1]; !l.Known || l.Shown.Main != "250.0" {
		t.Errorf("%+v", l)
	}
	in := body{"kind": "rounded", "measures": body{"width": "300", "height": "200", "radius": "20"}, "inset": "5",
		"thickness": 4, "instrument": "tape"}
	o := ok[measure.OutlineOut](c, "POST", "/api/sums/outline", in)
	if b := o.Outline.Outer.Box(); b.Width() < 289.9 || b.Width() > 290.1 || !o.Cutting.Hand || len(o.Figures) != 4 {
		t.Errorf("%+v, %+v", b, o.Cutting)
	}
	for format, begin := range map[string]string{"dxf": "  0\r\nSECTION", "svg": "<?xml", "a4": "%PDF", "letter": "%PDF"} {
		if a := c.call("POST", "/api/sums/outline/file?format="+format, in); a.status != 200 ||
			!bytes.HasPrefix(a.body, []byte(begin)) {
			t.Errorf("%s: %d %.60s", format, a.status, a.body)
		}
	}
	svg := c.call("POST", "/api/sums/outline/file?format=svg", in)
	read := c.call("POST", "/api/sums/outline/read?format=svg", string(svg.body), "Content-Type",
		"application/octet-stream")
	if read.status != 200 {
		t.Fatalf("%d %s", read.status, read.body)
	}
	again := ok[measure.OutlineOut](c, "POST", "/api/sums/outline",
		body{"kind": "file", "file": json.RawMessage(read.body),
			"measures": body{}, "inset": "", "thickness": 4, "instrument": "tape"})
	if x, y := again.Outline.Outer.Area(), o.Outline.Outer.Area(); x-y > 0.5 || y-x > 0.5 {
		t.Errorf("area %v came back as %v", y, x)
	}
	for _, k := range []struct {
		path, field string
		b           any
	}{
		{"/api/sums/outline", "radius",
			body{"kind": "rounded", "measures": body{"width": "300", "height": "200", "radius": "200"}, "inset": "",
				"thickness": 4, "instrument": "tape"}},
		{"/api/sums/outline", "width", body{"kind": "rectangle", "measures": body{"width": "x", "height": "2"}, "inset": "",
			"thickness": 4, "instrument": "tape"}},
		{"/api/sums/outline", "kind", body{"kind": "star", "measures": body{}, "inset": "", "thickness": 4,
			"instrument": "tape"}},
		{"/api/sums/outline", "inset", body{"kind": "circle", "measures": body{"diameter": "100"}, "inset": "60",
			"thickness": 4, "instrument": "tape"}},
		{"/api/sums/outline", "file", body{"kind": "file", "measures": body{}, "inset": "", "thickness": 4,
			"instrument": "tape"}},
		{"/api/sums/outline/file?format=a4", "outline", body{"kind": "circle", "measures": body{"diameter": "5 m"},
			"inset": "", "thickness": 4, "instrument": "tape"}},
		{"/api/sums/thickness", "text", body{"text": "5 1/0"}},
		{"/api/lengths", "height_left", body{"text": "40 m", "instrument": "tape", "place": "height_left"}},
	} {
		if a := c.call("POST", k.path, k.b); a.status != 422 || a.problem(t).Errors[0].Field != k.field {
			t.Errorf("%s: want a fault at %s: %d %.200s", k.path, k.field, a.status, a.body)
		}
	}
	if a := c.call("POST", "/api/sums/outline/read?format=dxf", "banana", "Content-Type",
		"application/octet-stream"); a.status != 422 || !strings.Contains(string(a.body), "DXF") {
		t.Errorf("%d %s", a.status, a.body)
	}
}
