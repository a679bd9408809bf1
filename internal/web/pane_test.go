package web

import (
	"bytes"
	"fmt"
	"math"
	"strings"
	"testing"

	"freshshard/core/outline"
	"freshshard/core/pane"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/photo"
)

// Several panes by calls: laid out, one waited for, one taken out, each with
// its own readings; the files of each.
func TestPanesByCalls(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	v := ok[jobview.View](c, "PUT", job+"/layout", body{"across": 2, "down": 2, "behind": false, "had": 1})
	if len(v.Panes) != 4 || v.Pane.Number != 1 {
		t.Fatalf("%d panes, on %d", len(v.Panes), v.Pane.Number)
	}
	third := fmt.Sprintf("?pane=%d", v.Panes[2].ID)
	for place, text := range map[string]string{"width_top": "270", "height_left": "242", "bracket_reach": "16"} {
		v = ok[jobview.View](c, "PUT", job+"/readings/"+place+third, body{"text": text, "instrument": "rule", "version": 0})
	}
	if v.Pane.Number != 3 || !v.Reckoning.Fit.Ready || v.Reckoning.Fit.Chance == nil || len(v.Reckoning.Slide) == 0 {
		t.Errorf("pane %d, %+v", v.Pane.Number, v.Reckoning.Fit.Chance)
	}
	v = ok[jobview.View](c, "PUT", job+"/wait"+third, body{"waits_for": "glass", "version": v.Pane.Version})
	if v.Panes[2].State != "wait" || v.Panes[0].State != "now" {
		t.Errorf("%+v", v.Panes)
	}
	v = ok[jobview.View](c, "DELETE", job+fmt.Sprintf("/pane?pane=%d", v.Panes[3].ID), nil)
	if len(v.Panes) != 3 {
		t.Errorf("%d panes after one was taken out", len(v.Panes))
	}
	for file, begins := range map[string]string{"ticket.pdf": "%PDF-", "template-a4.pdf": "%PDF-",
		"template-letter.pdf": "%PDF-", "object.svg": "<?xml", "drawing.dxf": "  0"} {
		a := c.call("GET", job+"/"+file+third, nil)
		if a.status != 200 || !bytes.HasPrefix(a.body, []byte(begins)) {
			t.Errorf("%s: %d %.60s", file, a.status, a.body)
		}
	}
	// The first pane has no size, so there is nothing to print.
	if a := c.call("GET", job+"/template-a4.pdf", nil); a.status != 422 {
		t.Errorf("a template of nothing: %d", a.status)
	}
	for _, bad := range []string{"?pane=999999", "?pane=-1", "?pane=x"} {
		if a := c.call("GET", job+bad, nil); a.status != 404 && a.status != 422 {
			t.Errorf("%s: %d", bad, a.status)
		}
	}
}

// What is refused by the calls for panes and shapes, with its field and never a
// 500.
func TestPanesRefuse(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	v := ok[jobview.View](c, "GET", job, nil)
	held := func(change func(*HeldChange)) HeldChange {
		h := HeldChange{Held: v.Pane.Held, Version: v.Pane.Version}
		change(&h)
		return h
	}
	for _, k := range []struct {
		name, method, path string
		body               any
		status             int
		field              string
	}{
		{"no layout", "PUT", job + "/layout", body{"across": 0, "down": 1, "behind": false, "had": 1}, 422, "across"},
		{"too many", "PUT", job + "/layout", body{"across": 20, "down": 20, "behind": false, "had": 1}, 422, "layout.across"},
		{"an old view", "PUT", job + "/layout", body{"across": 2, "down": 1, "behind": false, "had": 5}, 409, ""},
		{"the only pane", "DELETE", job + "/pane", nil, 422, "pane"},
		{"no shape", "PUT", job + "/pane", held(func(h *HeldChange) { h.Shape.Kind = "cloud" }), 422, "shape.kind"},
		{"too few points", "PUT", job + "/pane", held(func(h *HeldChange) { h.Shape.Kind, h.Shape.Count = "points", 2 }), 422,
			"shape.count"},
		{"nothing drawn", "PUT", job + "/pane", held(func(h *HeldChange) { h.Shape.Kind = "drawn" }), 422, "shape.drawn"},
		{"no family", "PUT", job + "/pane", held(func(h *HeldChange) { h.Family = "magnets" }), 422, "family"},
		{"abrasive on glass-ceramic", "PUT", job + "/pane", held(func(h *HeldChange) { h.Uses = []string{"abrasive"} }), 422,
			"uses"},
		{"moonshine", "PUT", job + "/pane", held(func(h *HeldChange) { h.Uses = []string{"moonshine"} }), 422, "uses"},
		{"a push that nobody has", "PUT", job + "/pane", held(func(h *HeldChange) { h.Duty.Push = -5 }), 422, "duty.push"},
		{"a stack of ice", "PUT", job + "/pane", held(func(h *HeldChange) {
			h.Stack = pane.Stack{Panes: []pane.Coated{{Material: "ice", Thickness: 4, Coat: "none"}}}
		}), 422, "stack.panes[0].material"},
		{"a stack without its gap", "PUT", job + "/pane", held(func(h *HeldChange) {
			p := pane.Coated{Material: "toughened", Thickness: 4, Coat: "none"}
			h.Stack = pane.Stack{Panes: []pane.Coated{p, p}}
		}), 422, "stack.gaps"},
		{"off the object", "PUT", job + "/spot", body{"x": 0.9, "y": 0, "w": 0.5, "h": 0.5, "depth": 0, "version": 1}, 422,
			"w"},
		{"a load on ice", "POST", "/api/sums/load", body{"w": "900", "h": "600", "held": "", "material": "ice",
			"thickness": 4, "wind": 30, "push": 0, "even": 0, "lying": false, "warp": 0}, 422, "material"},
		{"a mean cutter", "PUT", "/api/book/cutter/saw/half", body{"v": 90, "sheet": "x", "version": 0}, 422, "v"},
		{"no outline", "PUT", job + "/outline", body{"outline": body{"outer": []body{}, "holes": []body{}}, "doubt": 1,
			"version": 1}, 422, "outline"},
		{"a line", "PUT", job + "/outline",
			body{"outline": body{"outer": []body{{"x": 0, "y": 0}, {"x": 9, "y": 0}, {"x": 4, "y": 0}}, "holes": []body{}},
				"doubt": 1, "version": 1}, 422, "outline"},
		{"a weight of 11", "POST", job + "/weigh", body{"weights": body{"cost": 11}}, 422, "weights.cost"},
		{"no judgement", "POST", job + "/weigh", body{"weights": body{"luck": 1}}, 422, "weights.luck"},
		{"another sash", "PUT", job + "/sash",
			body{"across": body{"lights": []string{"250", "250"}, "bars": []string{"20"}, "first": "", "last": "", "whole": "",
				"alike": true}, "down": body{"lights": []string{"300"}, "bars": []string{}, "first": "", "last": "", "whole": "",
				"alike": true}, "instrument": "tape"}, 422, "job"},
		{"no such shape", "GET", "/api/sums/shapes/cloud", nil, 422, "kind"},
		{"no rise", "POST", "/api/sums/bend", body{"chord": "1000", "rise": "banana", "thickness": 4}, 422, "rise"},
		{"a pack of ice", "POST", "/api/sums/pack", body{"cavity": 250, "room": 20, "inside": 20, "outside": 10,
			"slope": "upright", "panes": []body{{"material": "ice", "thickness": 4, "coat": "none"}}, "gaps": []int{}}, 422,
			"panes[0].material"},
		{"a photo without marks", "POST", "/api/sums/photo", body{"sheet": body{"w": 210, "h": 297}, "corners": []body{},
			"points": []body{}, "error": 2}, 422, "corners"},
	} {
		a := c.call(k.method, k.path, k.body)
		if a.status != k.status {
			t.Errorf("%s: %d %.300s", k.name, a.status, a.body)
			continue
		}
		if p := a.problem(t); k.field != "" && (len(p.Errors) == 0 || p.Errors[0].Field != k.field) {
			t.Errorf("%s: %+v, want the field %s", k.name, p.Errors, k.field)
		}
	}
}

// Shapes, weights and cleaners by calls: what is sent comes to effect.
func TestShapeAndUsesByCalls(t *testing.T) {
	c := serve(t).setUp()
	job := fmt.Sprintf("/api/jobs/%d", c.takeIn())
	v := ok[jobview.View](c, "GET", job, nil)
	h := HeldChange{Held: v.Pane.Held, Version: v.Pane.Version}
	h.Shape.Kind, h.Uses = "round-top", []string{"mild-soap"}
	v = ok[jobview.View](c, "PUT", job+"/pane", h)
	for place, text := range map[string]string{"shape_width": "400", "shape_spring": "300", "shape_rise": "120",
		"bracket_reach": "18"} {
		v = ok[jobview.View](c, "PUT", job+"/readings/"+place, body{"text": text, "instrument": "tape", "version": 0})
	}
	if v.Reckoning.Fit.Form != "round top" || len(v.Pane.Uses) != 1 ||
		!strings.Contains(v.Reckoning.Order, "rise above it") {
		t.Errorf("%s, %v, %q", v.Reckoning.Fit.Form, v.Pane.Uses, v.Reckoning.Order)
	}
	usual := v.Reckoning.Choice.Open
	other := ok[pane.Choice](c, "POST", job+"/weigh", body{"weights": body{"heat": 0, "cost": 10}})
	if len(other.Open) != len(usual) || len(usual) > 0 && other.Open[0].Score == usual[0].Score {
		t.Errorf("weights change nothing: %v and %v", usual, other.Open)
	}
	k := ok[outline.Kind](c, "GET", "/api/sums/shapes/points?count=4", nil)
	if len(k.Measures) != 9 || len(k.Checks) != 4 {
		t.Errorf("%d measures, %d checks", len(k.Measures), len(k.Checks))
	}
	bend := ok[measure.BendOut](c, "POST", "/api/sums/bend", body{"chord": "1000", "rise": "50", "thickness": 4})
	if math.Abs(bend.Bend.Radius-2525) > 1e-9 || len(bend.Figures) != 4 {
		t.Errorf("%+v", bend.Bend)
	}
}

// The made-up photo, marked as it should be, gives the case that it shows.
func TestPhotoByCalls(t *testing.T) {
	c := serve(t).setUp()
	a := c.call("GET", "/api/sums/photo/example.jpg", nil)
	if a.status != 200 || a.header.Get("Content-Type") != "image/jpeg" || len(a.body) < 10000 {
		t.Fatalf("%d %s, %d bytes", a.status, a.header.Get("Content-Type"), len(a.body))
	}
	e, err := photo.MakeExample()
	if err != nil {
		t.Fatal(err)
	}
	points := []body{}
	for i, p := range e.Points {
		points = append(points, body{"px": p, "curve": i == 3})
	}
	out := ok[measure.PhotoOut](c, "POST", "/api/sums/photo", body{"sheet": body{"w": 210, "h": 297}, "corners": e.Corners,
		"points": points, "error": 3})
	if b := out.Outline.Outer.Box(); math.Abs(b.Width()-photo.ExampleWidth) > 0.1 || out.Doubt <= 0 ||
		len(out.Figures) < 5 || out.Figures[0].Text == "" {
		t.Errorf("%v, doubt %v, %d figures", b, out.Doubt, len(out.Figures))
	}
}
