package calc

import (
	"bytes"
	"encoding/json"
	"strings"
	"testing"
)

// Every topic takes its own example.
func TestExamplesRun(t *testing.T) {
	for _, topic := range Topics() {
		in, out := &bytes.Buffer{}, &bytes.Buffer{}
		if code := Example(topic.Name, in); code != 0 {
			t.Fatalf("%s: no example", topic.Name)
		}
		if code := Run(topic.Name, in, out); code != 0 {
			t.Errorf("%s: exit %d: %s", topic.Name, code, out)
		}
		if !json.Valid(out.Bytes()) || out.Len() < 50 {
			t.Errorf("%s: answered %q", topic.Name, out)
		}
	}
}

func TestBadInput(t *testing.T) {
	for _, c := range []struct{ topic, in, field string }{
		{"length", `{"text":"5 1/0"}`, "text"},
		{"length", `{"text":"5","unit":"ells"}`, "unit"},
		{"length", `{"text":"5","instrument":"thumb"}`, "instrument"},
		{"length", `{"txt":"5"}`, ""},
		{"length", `nonsense`, ""},
		{"fit", `{"family":"clip-heat","exposure":"fire","readings":{},"unit":"inch"}`, "unit"},
		{"fit", `{"family":"clip-heat","exposure":"fire","readings":{},"unit":"zzz"}`, "unit"},
		{"bench", `{"adhesive":"urethane","c":18,"rh":50,"surface":18,"expires":"2020-01-01T00:00:00Z"}`, "now"},
		{"due", `{"family":"no-such","exposure":"fire","road":"size","out":"2027-03-26T12:00:00Z"}`, "family"},
		{"due", `{"family":"clip-heat","exposure":"moon","road":"size","out":"2027-03-26T12:00:00Z"}`, "exposure"},
		{"outline", `{"kind":"circle","measures":{"diameter":20},"doubts":{"diameter":-1}}`, "doubts.diameter"},
		{"turns", `{"free":3}`, "screw"},
		{"turns", `{"free":3,"screw":"M5","pitch":1}`, "screw"},
		{"turns", `{"free":3,"pitch":0.1}`, "pitch"},
		{"turns", `{"free":3,"per_inch":2}`, "per_inch"},
		{"turns", `{"free":3,"pitch":1,"torque":2}`, "torque"},
		{"fit", `{"family":"magnets","exposure":"fire"}`, "family"},
		{"fit", `{"family":"clip-heat","exposure":"fire","readings":{"width_top":"40 m"}}`, "width_top"},
		{"fit", `{"family":"clip-heat","exposure":"fire","readings":{"width_top":"300","height_left":"400",
			"diagonal_rising":"900","diagonal_falling":"500"}}`, "diagonal_rising"},
		{"choose", `{"exposure":"lava","thickness":4}`, "exposure"},
		{"choose", `{"exposure":"fire","thickness":-4}`, "thickness"},
		{"plan", `{"family":"clip-heat","exposure":"fire","weight":-1}`, "weight"},
		{"diagnose", `{"origin":"moon"}`, "evidence.origin"},
		{"oldpane", `{"colour":"pink"}`, "evidence.colour"},
		{"thickness", `{"value":-1}`, "value"},
		{"sash", `{"lights":[],"bars":[],"alike":false}`, "lights"},
		{"outline", `{"kind":"cloud"}`, "kind"},
		{"outline", `{"kind":"circle","measures":{}}`, "diameter"},
		{"outline", `{"kind":"circle","measures":{"diameter":20},"inset":15}`, "offset"},
		{"outline", `{"kind":"circle","measures":{"diameter":20},"checks":{"girth":1}}`, "checks.girth"},
		{"outline", `{"kind":"circle","measures":{"diameter":20},"doubts":{"dimeter":1}}`, "doubts.dimeter"},
		{"outline", `{"kind":"circle","measures":{"diameter":20,"width":1}}`, "measures.width"},
		{"carry", `{"w":900,"held":"two","push":500}`, "h"},
		{"carry", `{"h":900,"push":500}`, "w"},
		{"carry", `{"w":900,"h":600,"held":"2","push":500}`, "held"},
		{"carry", `{"w":900,"h":600,"push":-500}`, "load"},
		{"fit", `{"family":"clip-heat","exposure":"fire","gasket":{"kind":"rope","free":9}}`, "gasket.kind"},
		{"fit", `{"family":"clip-heat","exposure":"fire","gasket":{"kind":"flat","free":900}}`, "gasket.free"},
		{"fit", `{"family":"clip-heat","exposure":"fire","sides":{"top":1000000000}}`, "sides.top"},
		{"bend", `{"chord":1e300,"rise":1}`, "chord"},
		{"bend", `{"chord":5e-324,"rise":5e-324}`, "chord"},
		{"layout", `{"across":9223372036854775807,"down":3}`, "across"},
		{"plate", `{"e":70,"nu":0.22,"t":4,"w":700,"h":900,"push":-500,"strength":45,"lasting":"gust"}`, "push"},
		{"touch", `{"materials":["cheese"]}`, "materials[0]"},
		{"touch", `{"seals":["rubber","string"]}`, "seals[1]"},
		{"hoop", `{"outside":12,"wall":2,"pressure":1} {}`, ""},
		{"hoop", `{"outside":12,"wall":2,"pressure":1,"presure":2}`, ""},
		{"trace", `{"along":"air"}`, "along"},
		{"trace", `{"along":"pane","clearance":-1}`, "clearance"},
		{"tapes", `{"base":500,"a":10,"b":10}`, "second"},
		{"bend", `{"chord":100,"rise":90}`, "rise"},
		{"photo", `{"sheet":{"w":210,"h":297},"corners":[]}`, "corners"},
		{"layout", `{"across":0,"down":3}`, "across"},
		{"strip", `[{"id":"a","kind":"part","what":"shell","count":1,"fate":"back","held":{"how":"lip"},"captures":["a"]}]`,
			"entries[0].captures"},
		{"plate", `{"e":70,"nu":0.22,"t":4,"w":700,"h":900,"held":"by faith","strength":45,"lasting":"gust"}`, "held"},
		{"plate", `{"e":70,"nu":0.22,"t":4,"w":700,"h":900,"strength":45,"lasting":"ever"}`, "lasting"},
		{"hoop", `{"outside":10,"wall":6,"pressure":1}`, "wall"},
		{"edge", `{"e":-1}`, "e"},
		{"pack", `{"panes":[]}`, "panes"},
		{"dance", `{}`, "topic"},
	} {
		out := &bytes.Buffer{}
		if code := Run(c.topic, strings.NewReader(c.in), out); code != 2 {
			t.Errorf("%s %s: exit %d", c.topic, c.in, code)
		}
		var p Problem
		if err := json.Unmarshal(out.Bytes(), &p); err != nil || p.Field != c.field || p.Why == "" {
			t.Errorf("%s %s: %s", c.topic, c.in, out)
		}
	}
	out := &bytes.Buffer{}
	if code := Run("length", strings.NewReader(strings.Repeat(" ", 2<<20)), out); code != 2 {
		t.Errorf("2 MiB: exit %d", code)
	}
}

func TestLengthPointsAtTheCharacter(t *testing.T) {
	out := &bytes.Buffer{}
	Run("length", strings.NewReader(`{"text":"3//4"}`), out)
	var p Problem
	if err := json.Unmarshal(out.Bytes(), &p); err != nil || p.At == nil || *p.At != 2 {
		t.Errorf("%s", out)
	}
}
