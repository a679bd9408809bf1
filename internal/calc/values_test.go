package calc

import (
	"bytes"
	"encoding/json"
	"fmt"
	"math"
	"strconv"
	"strings"
	"testing"
)

// at finds a value in an answer by its way, such as ranked.0.id.
func at(v any, way string) any {
	for _, k := range strings.Split(way, ".") {
		switch x := v.(type) {
		case map[string]any:
			v = x[k]
		case []any:
			i, err := strconv.Atoi(k)
			if err != nil || i >= len(x) {
				return nil
			}
			v = x[i]
		default:
			return nil
		}
	}
	return v
}

// Every topic gives what is known from elsewhere. A number is held to a
// thousandth of itself, unless the source gives fewer digits.
func TestValues(t *testing.T) {
	const sheet = `"e":70,"nu":0.3,"t":6,"strength":45,"lasting":"gust"`
	pack := func(panes, gaps string) string {
		return `{"cavity":20,"room":0,"inside":7.7,"outside":25,"slope":"upright","panes":[` + panes + `],"gaps":[` + gaps +
			`]}`
	}
	const pane4 = `{"name":"p","t":4,"lambda":1,"hot":0.837,"cold":0.837}`
	seen := map[string]bool{}
	for _, c := range []struct {
		topic, in, way string
		want           any
		within         float64
		source         string
	}{
		{"length", `{"text":"23 7/8-"}`, "reading.value", 605.63, 1e-3,
			"23 7/8 in less a quarter of an eighth; common practice, no source"},
		{"length", `{"text":"11½ in"}`, "reading.value", 292.1, 1e-6, "25.4 mm an inch, exact by definition"},
		{"bend", `{"chord":1000,"rise":50}`, "radius", 2525, 1e-9, "R = ((c/2)² + h²)/(2h), school geometry"},
		{"tapes", `{"base":500,"a":400,"b":300}`, "point.x", 320, 1e-9, "triangle of 3, 4, 5"},
		{"tapes", `{"base":500,"a":400,"b":300}`, "point.y", 240, 1e-9, "the same, by its absolute value"},
		{"tapes", `{"base":500,"a":400,"b":300}`, "crossing", 90, 1e-9, "the same"},
		{"hoop", `{"outside":12.7,"wall":2.4,"pressure":800}`, "hoop",
			0.8 * (6.35*6.35 + 3.95*3.95) / (6.35*6.35 - 3.95*3.95), 1e-9, "Lamé, at the bore"},
		{"edge", `{"e":70,"alpha":9,"dt":1}`, "stress", 0.63, 1e-9, "E·α·ΔT of soda-lime"},
		{"dew", `{"air":20,"damp":50,"surface":20}`, "2.value", 9.3, 6e-3, "Magnus formula, 17.62 and 243.12"},
		{"turns", `{"free":3,"screw":"M5","seated":0.7}`, "0.value", 1.125, 1e-9, "0.9 mm on a pitch of 0.8, ISO 261"},
		{"turns", `{"free":3,"screw":"M10","seated":0.7}`, "0.value", 0.6, 1e-9, "0.9 mm on a pitch of 1.5, ISO 261"},
		{"turns", `{"free":3,"pitch":1.5,"seated":0.7}`, "0.value", 0.6, 1e-9, "0.9 mm at 1.5 mm a turn, by hand"},
		{"turns", `{"free":3,"per_inch":16,"seated":0.7}`, "0.value", 0.9 * 16 / 25.4, 1e-9, "25.4 / 16 mm a turn, by hand"},
		{"turns", `{"free":3,"screw":"M5","torque":2}`, "1.value", 2.0, 1e-9, "T / (0.2 d), common engineering rule"},
		{"cut", `{"stock":[{"id":"s","w":1000,"h":600}],"pieces":[{"id":"p","w":500,"h":600,"count":2}]}`, "yield", 1.0, 1e-9,
			"two halves of a sheet"},
		{"cut", `{"stock":[{"id":"s","w":1000,"h":600}],"pieces":[{"id":"p","w":990,"h":600}],"rules":{"least":32}}`,
			"left.0.count", 1.0, 1e-9, "10 mm beside it do not snap off"},
		{"bars", `{"bars":[{"id":"t","length":1200}],"wants":[{"id":"g","length":266.5,"count":4}],"dress":4}`,
			"bars.0.remnant", 118.0, 1e-9, "1200 − 4 · 270.5"},
		{"sources", `{"offers":[{"kind":"parts","price":10000,"carriage":800,"missing":1500,"days":4,"misfit":8,"back":true}],
			"terms":{"visit":6000,"day":500}}`, "offers.0.expected", 14844.0, 1e-9, "by hand: 12300 + 2000 + 8 in 100 of 6800"},
		{"price", `{"job":{"works":[{"station":"set","minutes":50,"people":2}],"site":true,"done":true},
			"rates":{"hour":4800,"call_out":3500,"tax":2000,"days":30}}`,
			"total.cents", 13800, 1e-9, "(100/60 × 48.00 + 35.00) × 1.2, by hand"},
		{"arrival", `{"w":300,"h":200,"band":1,"read_w":303}`, "0.margin", -2, 1e-9, "|303 − 300| against 1"},
		{"cure", `{"bond":{"adhesive":"urethane","since":"2027-03-26T12:00:00Z","width":6,"edges":2},
			"air":[{"at":"2027-03-26T12:00:00Z","c":23,"rh":50},{"at":"2027-04-26T12:00:00Z","c":23,"rh":50}],
			"now":"2027-03-26T12:00:00Z"}`,
			"clocks.1.left", 1440, 1e-9, "the root law: 3 mm at 3 mm a day"},
		{"bench", `{"adhesive":"urethane","c":20,"rh":50,"surface":20,"now":"2027-03-26T12:00:00Z"}`, "2.value", 10.7, 6e-3,
			"Magnus: 20 °C less a dew point of 9.3"},
		{"bead", `{"length":8600,"section":"joint","width":6,"height":6}`, "1.value", 2, 1e-9,
			"310 ml make 8.6 m of 6 × 6 mm, and some is wasted; makers' tables, from memory"},
		{"brad", `{"diameter":1.2,"to_glass":1.9}`, "1.margin", -0.1, 1e-9, "2 mm to the glass, common practice, no source"},
		{"rivet", `{"size":"1/8","hole":9,"bolt":5,"bush":1,"stack":9,"nut":4}`, "0.value", 3.264, 1e-3,
			"No. 30: 0.1285 in, from memory"},
		{"reuse", `{"kind":"rope","free":10,"sprung":6.9,"path":1000,"length":1000}`, "1.margin", -1, 1e-9,
			"70 in 100, common practice, no source"},
		{"putty", `{"length":1000,"face":10,"rebate":10}`, "0.value", 0.1463, 1e-9, "70 mm² · 1.1 · 1.9 kg/l"},
		{"day", `{"lay":[{"job":1,"pane":1,"name":"a","adhesive":"two-part-urethane","ml":140,"minutes":4,"width":12,
			"edges":2}],"air":[{"at":"2027-03-26T12:00:00Z","c":23,"rh":50},{"at":"2027-04-26T12:00:00Z","c":23,"rh":50}],
			"from":"2027-03-26T12:00:00Z"}`,
			"2.at", "2027-03-26T13:04:00Z", 0, "set at 12:04, an hour at the slowest"},
		{"due", `{"family":"putty-points","exposure":"weather","road":"size","out":"2027-03-26T12:00:00Z"}`, "0.on",
			"2027-04-09T09:00:00Z", 0,
			"a fortnight, common practice, no source"},
		{"schedule", `{"people":[{"id":"m","hours":[{"from":0,"to":480}]}],"jobs":[{"id":"a","steps":[{"id":"1",
			"minutes":30},{"id":"2","minutes":20,"after":[{"step":"1","wait":60}]}]},{"id":"b","steps":[{"id":"3",
			"minutes":60}]}]}`,
			"steps.2.at", 90.0, 1e-9, "one pair of hands: the other job into the wait, 30 + 60"},
		{"promise", `{"job":"a","people":[{"id":"m","hours":[{"from":0,"to":480}]}],"jobs":[{"id":"a","promise":480,
			"steps":[{"id":"1","minutes":30}]}]}`,
			"kept", 1.0, 1e-9, "half an hour of work in eight hours"},
		{"round", `{"home":"yard","day":{"from":0,"to":480},"roads":{"legs":[{"a":"yard","b":"orchard","minutes":25}]},
			"visits":[{"id":"cab","place":"orchard","minutes":60}]}`,
			"back", 110.0, 1e-9, "25 there, 60 of work, 25 back"},
		{"spares", `{"want":1,"sure":0.95,"tries":{"usual":0.7}}`, "ladder.2.chance", 0.973, 1e-9, "1 − 0.3³"},
		{"peel", `{"length":120,"width":30,"spots":["metal","metal","metal","torn"]}`, "carried", 0.25, 1e-9, "one in four"},
		{"hang", `{"weight":2,"along":488,"out":402,"gust":0,"length":100,"width":30}`, "0.value", 6.54, 1e-3,
			"2 · 9.81 / 3000 N/mm²"},
		{"order", `[{"id":"a","what":"bead","kind":"trim","count":1,"fate":"back","stands":"over"},
			{"id":"p","what":"pane","kind":"pane","count":1,"fate":"back"}]`, "0.id", "p", 0, "a bead goes over the pane"},
		{"order", `[{"id":"p","what":"pane","kind":"pane","count":1,"fate":"back"},
			{"id":"b","what":"block","kind":"part","count":1,"fate":"back","stands":"under"}]`, "0.id", "b", 0,
			"a block goes under it"},
		{"witness", `{"clearance":2,"heard":[{"kind":"opening","value":270},{"kind":"old","value":265}]}`, "size", 265.36,
			1e-4,
			"weights 1 and 1.778"},
		{"plate", `{` + sheet + `,"w":1000,"h":1000,"q":1}`, "even.stress", 6 * 0.0479 * 1e3 / 36, 1e-3,
			"Timoshenko and Woinowsky-Krieger, Table 8, from memory"},
		{"plate", `{` + sheet + `,"w":1000,"h":2000,"q":1}`, "even.stress", 6 * 0.1017 * 1e3 / 36, 1e-3, "the same, b/a 2"},
		{"plate", `{` + sheet + `,"w":1000,"h":500,"held":"two","q":1}`, "limit", 500.0 / 60, 1e-9,
			"held above and below it bends over its height"},
		{"plate", `{` + sheet + `,"w":500,"h":500,"held":"clamped","q":1}`, "even.stress", 0.75 * 1e-3 * 250 * 250 / 36, 1e-9,
			"clamped circle, the same, from memory"},
		{"plate", `{"e":70,"nu":0.25,"t":6,"w":400,"h":0,"held":"round","warp":2,"strength":45,"lasting":"gust"}`, "seat",
			70e3 * 6 * 1 / (1.25 * 200 * 200), 1e-9, "σ = E·t·w/((1+ν)·R²), w half the gap"},
		{"plate", `{` + sheet + `,"w":500,"h":500}`, "allowable", 0.74*45/1.8 + 0, 1e-3, "EN 16612, gust, from memory"},
		{"pack", pack(pane4+","+pane4, "12"), "result.u", 2.85, 1e-2,
			"EN 673, 4-12-4 of air, from memory; its gap has 15 K, this one a little less"},
		{"pack", pack(pane4, ""), "result.u", 5.75, 2e-3, "EN 673, one pane, from memory"},
		{"sash", "", "lights.1.value", 250.0, 2e-3, "891 − 2·50 − 2·20 − 250 − 251"},
		{"outline", `{"kind":"circle","measures":{"diameter":200}}`, "area", math.Pi * 1e4, 1e-4, "π·r²"},
		{"outline", `{"kind":"round-top","measures":{"width":400,"spring":300,"rise":200}}`, "area", 400*300 + math.Pi*4e4/2,
			1e-4, "a rectangle and half a circle"},
		{"outline", `{"kind":"circle","measures":{"diameter":200},"inset":10}`, "makes.0.value", 180, 1e-9,
			"a circle moved in keeps its middle"},
		{"trace", `{"along":"pane","pen":2,"lean":0.5,"clearance":0}`, "off", 1.5, 1e-9, "half the pen and its lean"},
		{"layout", `{"across":3,"down":2}`, "5.x", 2.0 / 3, 0.05, "thirds, with a bar between"},
		{"thickness", `{"value":5.02,"doubt":0.05}`, "nominal", 5.0, 1e-9,
			"ASTM C1036, 3/16 in is 4.57 to 5.05, from memory"},
		{"photo", "", "outline.outer.0.x", nil, 0, "looked at by its sides below"},
		{"fit", "", "order", "261.5 × 235.0 mm", 0,
			"268.4 − 2 × 2 − 1 for the tape − 1.6 for the cutter is 261.8; down to half a millimetre"},
		{"choose", "", "open.0.material", "glass-ceramic", 0, "what stoves have; common practice, no source"},
		{"plan", "", "steps.0.key", "cold", 0, "cold first; common practice, no source"},
		{"diagnose", "", "ranked.0.id", "over-tight", 0, "a crack from a fixing that was tight; common practice, no source"},
		{"oldpane", "", "ranked.0.id", "toughened", 0, "dice and seamed edges; common practice, no source"},
		{"strip", "", "back.0.say", "Put back: outer shell", 0, "what was held down goes on first"},
		{"touch", `{"materials":["polycarbonate"]}`, "0.verdict", nil, 0, "looked at below"},
		{"carry", `{"w":900,"h":600,"held":"two","wind":30}`, "0.thickness", nil, 0, "looked at below"},
	} {
		in := c.in
		if in == "" {
			b := &bytes.Buffer{}
			Example(c.topic, b)
			in = b.String()
		}
		out := &bytes.Buffer{}
		if code := Run(c.topic, strings.NewReader(in), out); code != 0 {
			t.Errorf("%s %s: exit %d: %s", c.topic, c.in, code, out)
			continue
		}
		seen[c.topic] = true
		var v any
		if err := json.Unmarshal(out.Bytes(), &v); err != nil {
			t.Fatal(err)
		}
		got := at(v, c.way)
		switch want := c.want.(type) {
		case string:
			if s, _ := got.(string); !strings.HasPrefix(s, want) {
				t.Errorf("%s: %s is %v, want %s (%s)", c.topic, c.way, got, want, c.source)
			}
		case float64, int:
			w, _ := strconv.ParseFloat(fmt.Sprint(want), 64)
			g, ok := got.(float64)
			if c.way == "point.y" {
				g = math.Abs(g)
			}
			if !ok || math.Abs(g-w) > math.Max(c.within, 1e-9)*math.Abs(w) {
				t.Errorf("%s: %s is %v, want %v (%s)", c.topic, c.way, got, w, c.source)
			}
		}
	}
	for _, topic := range Topics() {
		if !seen[topic.Name] {
			t.Errorf("%s: no value of it is checked", topic.Name)
		}
	}
}
