package web

import (
	"fmt"
	"testing"

	"freshshard/core/family"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// A change whose answer got lost is sent again with its key: it is made once, nobody is told that
// somebody else was quicker, and the answer is the job as it is. Without the key it is another one.
func TestChangeSentAgain(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	view := func() jobview.View { return ok[jobview.View](c, "GET", job, nil) }
	v := ok[jobview.View](c, "POST", job+"/strip", body{"id": "", "in": 0, "kind": "part", "what": "outer shell",
		"count": 2, "held": body{"how": "gravity"}, "fate": "back"}, "Idempotency-Key", "strip-once")
	shell := v.Job.Strip[0]
	for place, text := range map[string]string{"width_top": "270", "width_bottom": "270", "height_left": "242",
		"height_right": "242", "ledge": "14", "bracket_reach": "16"} {
		ok[jobview.View](c, "PUT", job+"/readings/"+place, body{"text": text, "instrument": "rule", "version": 0})
	}
	steps := v.Reckoning.Plan.Steps
	step := steps[len(steps)-1].Key
	for _, s := range steps {
		if s.Key != step && family.LineOf(s.Key) == "" {
			ok[jobview.View](c, "PUT", job+"/steps/"+s.Key, body{"outcome": "done"})
		}
	}
	for n, change := range []struct {
		method, path string
		body         func(jobview.View) any
	}{
		{"PUT", "/screws", func(v jobview.View) any { return body{"counted": 1, "version": v.Pane.Version} }},
		{"PUT", "/customer", func(v jobview.View) any {
			return body{"id": v.Job.Customer.ID, "name": "Oda Marl", "phone": "0550 1", "note": "",
				"version": v.Job.Customer.Version}
		}},
		{"PUT", "/object", func(v jobview.View) any { o := v.Job.Object; o.Exposure.Steady = 400; return o }},
		{"PUT", "/strip/" + shell.Entry.ID + "/back", func(jobview.View) any {
			return body{"in": 2, "version": shell.Version}
		}},
		{"PUT", "/steps/" + step, func(jobview.View) any { return body{"outcome": "done", "seen": 0} }},
		{"PUT", "/readings/width_top", func(jobview.View) any {
			return body{"text": "271", "instrument": "rule", "version": 1}
		}},
		{"DELETE", "/readings/width_top?version=2", nil},
		{"PUT", "/wait", func(v jobview.View) any {
			return body{"waits_for": "glass-ceramic", "version": v.Pane.Version}
		}},
	} {
		var in any
		if change.body != nil {
			in = change.body(view())
		}
		key := fmt.Sprintf("sent-again-%d", n)
		first := c.call(change.method, job+change.path, in, "Idempotency-Key", key)
		events := ok[[]record.Event](c, "GET", job+"/history", nil)
		second := c.call(change.method, job+change.path, in, "Idempotency-Key", key)
		if first.status != 200 || second.status != 200 {
			t.Errorf("%s: %d, then %d %s", change.path, first.status, second.status, second.body)
		}
		if now := ok[[]record.Event](c, "GET", job+"/history", nil); len(now) != len(events) {
			t.Errorf("%s: %d lines of what happened, and %d when it was sent again", change.path, len(events), len(now))
		}
	}
	v = view()
	if v.Pane.Counted != 1 || v.Job.Strip[0].Entry.In != 2 || v.Pane.WaitsFor != "glass-ceramic" {
		t.Errorf("%d screws, %d in again, waits for %q", v.Pane.Counted, v.Job.Strip[0].Entry.In, v.Pane.WaitsFor)
	}
	// Another key is another change, of an old copy; the same key for another call is refused.
	old := body{"counted": 2, "version": v.Pane.Version - 1}
	if a := c.call("PUT", job+"/screws", old, "Idempotency-Key", "another-change"); a.status != 409 {
		t.Errorf("an old copy under another key: %d %s", a.status, a.body)
	}
	if a := c.call("PUT", job+"/wait", body{"waits_for": "", "version": v.Pane.Version}, "Idempotency-Key",
		"sent-again-0"); a.status < 400 || a.status >= 500 {
		t.Errorf("the key of another call: %d %s", a.status, a.body)
	}
	if now := view(); now.Pane.Counted != 1 || now.Pane.WaitsFor == "" {
		t.Errorf("%d screws, waits for %q", now.Pane.Counted, now.Pane.WaitsFor)
	}
}
