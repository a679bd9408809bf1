package web

import (
	"fmt"
	"net/http"
	"strings"
	"testing"

	"freshshard/core/catalogue"
	"freshshard/core/working"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// The shop's own limit reaches the book, the open job and its working; the
// book's comes back. Old copies and technicians are refused.
func TestOwnValuesByCalls(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	for place, text := range map[string]string{"width_top": "270 ±0.3", "height_left": "242 ±0.3",
		"bracket_reach": "16"} {
		ok[jobview.View](c, "PUT", job+"/readings/"+place, body{"text": text, "instrument": "rule", "version": 0})
	}
	first := ok[jobview.View](c, "GET", job, nil)
	before, pulse := first.Reckoning, first.Job.Pulse
	const path = "/api/book/family/clip-heat/clearance"
	vs := ok[catalogue.Values](c, "PUT", path, body{"v": 4, "sheet": "house rule after two cracked stoves", "version": 0})
	if len(vs) != 1 || vs[0].By != "Mira" || vs[0].Version != 1 || vs[0].Was == nil || *vs[0].Was == 4 ||
		vs[0].At.IsZero() {
		t.Fatalf("%+v", vs)
	}
	now := ok[jobview.View](c, "GET", job, nil)
	if after := now.Reckoning; now.Job.Pulse == pulse || !(after.Fit.Order.W < before.Fit.Order.W) {
		t.Errorf("with more clearance %v is ordered, before %v; pulse %d, before %d", after.Fit.Order, before.Fit.Order,
			now.Job.Pulse, pulse)
	}
	after := now.Reckoning
	told := false
	for _, f := range after.Figures {
		told = told || f.Limit != nil && strings.HasPrefix(f.Limit.Origin.String(),
			"set by the shop: house rule after two cracked stoves; Mira") || tells(f.Working)
	}
	if !told {
		t.Error("no working says that the shop has set it")
	}
	for _, f := range ok[Catalogue](c, "GET", "/api/catalogue", nil).Families {
		if f.ID == "clip-heat" && f.Limits.Clearance.V != 4 {
			t.Errorf("the book shows %v", f.Limits.Clearance)
		}
	}
	for _, k := range []struct {
		what, path string
		b          body
		status     int
		field      string
	}{
		{"an old copy", path, body{"v": 5, "sheet": "x", "version": 0}, 409, ""},
		{"a clearance that nobody keeps", path, body{"v": 500, "sheet": "x", "version": 1}, 422, "v"},
		{"no sheet", path, body{"v": 5, "sheet": " ", "version": 1}, 422, "sheet"},
		{"an unknown value", "/api/book/family/clip-heat/colour", body{"v": 5, "sheet": "x", "version": 0}, 422, "item"},
		{"an unknown material", "/api/book/material/moonstone/steady", body{"v": 500, "sheet": "x", "version": 0}, 422,
			"material"},
		{"a peak below the steady heat", "/api/book/material/glass-ceramic/peak", body{"v": 300, "sheet": "x", "version": 0},
			422, "v"},
	} {
		a := c.call("PUT", k.path, k.b)
		if a.status != k.status || k.field != "" &&
			(len(a.problem(t).Errors) == 0 || a.problem(t).Errors[0].Field != k.field) {
			t.Errorf("%s: %d %s", k.what, a.status, a.body)
		}
	}
	if a := c.call("PUT", "/api/book/weather/rain/steady", body{"v": 5, "sheet": "x", "version": 0}); a.status != 422 {
		t.Errorf("an unknown kind: %d", a.status)
	}
	d := &client{t: t, url: c.url}
	ok[record.Account](c, "POST", "/api/people", body{"name": "Ann", "login": "ann", "password": "five plain words here",
		"role": "technician"}, "Idempotency-Key", "add-ann-once")
	ok[record.Account](d, "POST", "/api/session", body{"login": "ann", "password": "five plain words here"})
	for _, a := range []answer{d.call("PUT", path, body{"v": 5, "sheet": "x", "version": 1}),
		d.call("DELETE", path+"?version=1", nil)} {
		if a.status != http.StatusForbidden {
			t.Errorf("a technician: %d", a.status)
		}
	}
	if vs = ok[catalogue.Values](c, "PUT", path, body{"v": 3.5, "sheet": "house rule", "version": 1}); vs[0].V != 3.5 ||
		vs[0].Version != 2 {
		t.Errorf("%+v", vs)
	}
	if a := c.call("DELETE", path+"?version=1", nil); a.status != 409 {
		t.Errorf("an old copy taken off: %d", a.status)
	}
	if vs = ok[catalogue.Values](c, "DELETE", path+"?version=2", nil); len(vs) != 0 {
		t.Errorf("%+v", vs)
	}
	if again := ok[jobview.View](c, "GET", job, nil).Reckoning; again.Fit.Order != before.Fit.Order {
		t.Errorf("with the book's value again %v, before %v", again.Fit.Order, before.Fit.Order)
	}
}

func tells(w working.Working) bool {
	for _, i := range w.Inputs {
		if strings.HasPrefix(i.Origin.String(), "set by the shop: house rule") {
			return true
		}
	}
	return false
}
