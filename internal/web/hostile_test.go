package web

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"os"
	"runtime"
	"strings"
	"testing"
	"time"
)

// Values that somebody sends who means no good, or whose program is broken.
var hostile = []any{
	nil, true, 0, -1, 1, 5e-324, 1e-300, -1e-300, 1e-12, 1e300, -1e300, 9.9e9, 68, 2147483648, 9007199254740993.0,
	"", " ", "x", "🔥", "\x00", "\u200d", "5 1/0", "1e-300", "NaN", "Infinity", strings.Repeat("9", 300),
	strings.Repeat("ü", 600), "<script>", "'; DROP TABLE job; --", "../../etc/passwd",
	[]any{}, []any{nil}, map[string]any{}, map[string]any{"x": 1},
}

// contractOf reads the program's own contract.
func contractOf(t testing.TB) map[string]any {
	t.Helper()
	b, err := OpenAPI()
	if err != nil {
		t.Fatal(err)
	}
	var doc map[string]any
	if err := json.Unmarshal(b, &doc); err != nil {
		t.Fatal(err)
	}
	return doc
}

// shaper makes values for schemas of the contract: mostly such as the schema
// asks for, now and then something hostile.
type shaper struct {
	schemas map[string]any
	r       *rand.Rand
	bad     float64 // share of hostile values
}

func (s shaper) value(schema map[string]any, deep int) any {
	if s.r.Float64() < s.bad {
		return hostile[s.r.IntN(len(hostile))]
	}
	if ref, ok := schema["$ref"].(string); ok {
		if deep > 6 {
			return map[string]any{}
		}
		return s.value(s.schemas[ref[strings.LastIndex(ref, "/")+1:]].(map[string]any), deep+1)
	}
	if list, ok := schema["enum"].([]any); ok {
		return list[s.r.IntN(len(list))]
	}
	kind, _ := schema["type"].(string)
	if list, ok := schema["type"].([]any); ok {
		kind, _ = list[0].(string)
	}
	switch kind {
	case "object":
		out := map[string]any{}
		props, _ := schema["properties"].(map[string]any)
		for name, p := range props {
			if s.r.Float64() < 0.85 {
				out[name] = s.value(p.(map[string]any), deep+1)
			}
		}
		return out
	case "array":
		items, _ := schema["items"].(map[string]any)
		out := []any{}
		for range s.r.IntN(4) {
			out = append(out, s.value(items, deep+1))
		}
		return out
	case "integer":
		return s.r.IntN(5)
	case "number":
		return []any{0, 0.5, 3, 4, 20, 250, 400}[s.r.IntN(7)]
	case "boolean":
		return s.r.IntN(2) == 0
	}
	return []any{"270", "4", "tape", "glass-ceramic", "toughened", "fire", "clip-heat", "upright", "done", "pass", "mm",
		"", "a word"}[s.r.IntN(13)]
}

// place fills the parameters of a path, mostly with what is there.
func (s shaper) place(path string, ids []int64) string {
	for strings.Contains(path, "{") {
		a, b := strings.Index(path, "{"), strings.Index(path, "}")
		name, v := path[a+1:b], "x"
		switch {
		case name == "id" && strings.Contains(path, "/jobs/"):
			v = fmt.Sprint(ids[s.r.IntN(len(ids))])
		case name == "id":
			v = fmt.Sprint(s.r.IntN(4))
		default:
			v = []string{"width_top", "height_left", "depth", "cold", "paper", "gap", "e1", "1", "laser", "material", "family",
				"%00", "🔥", "0"}[s.r.IntN(14)]
		}
		path = path[:a] + v + path[b+1:]
	}
	return path
}

// batter sends calls of every kind and holds each answer: no 5xx, one whole
// JSON document, and afterwards Today and every job still open.
func batter(t testing.TB, c *client, doc map[string]any, seed uint64, calls int) {
	t.Helper()
	s := shaper{doc["components"].(map[string]any)["schemas"].(map[string]any), rand.New(rand.NewPCG(seed, 7)), 0.06}
	type call struct {
		method, path string
		schema       map[string]any
	}
	var all []call
	for path, ops := range doc["paths"].(map[string]any) {
		for method, op := range ops.(map[string]any) {
			k := call{method: strings.ToUpper(method), path: path}
			if body, ok := op.(map[string]any)["requestBody"].(map[string]any); ok {
				for _, media := range body["content"].(map[string]any) {
					k.schema, _ = media.(map[string]any)["schema"].(map[string]any)
				}
			}
			switch op.(map[string]any)["operationId"] {
			case "signOut", "endSession", "setPerson", "setPassword", "giveWord", "resetPassword", "signIn", "setUp", "backUp":
				continue // they would end what the others need, and have tests of their own
			}
			all = append(all, k)
		}
	}
	ids := []int64{c.takeIn()}
	for n := range calls {
		k := all[s.r.IntN(len(all))]
		path := s.place(k.path, ids)
		if s.r.Float64() < 0.5 {
			path += fmt.Sprintf("?version=%d&seen=%d&pane=0&most=%d&words=%%F0%%9F%%94%%A5", s.r.IntN(3), s.r.IntN(3),
				s.r.IntN(200))
		}
		var body any
		if k.schema != nil {
			body = s.value(k.schema, 0)
		}
		a := c.call(k.method, path, body, "Idempotency-Key", fmt.Sprintf("key-%d-%d", seed, s.r.IntN(calls)))
		if a.status >= 500 {
			b, _ := json.Marshal(body)
			t.Errorf("seed %d, call %d: %s %s: %d\n%.600s\n%.300s", seed, n, k.method, path, a.status, b, a.body)
		}
		if kind := a.header.Get("Content-Type"); strings.Contains(kind, "json") && len(a.body) > 0 && !json.Valid(a.body) {
			t.Errorf("seed %d, call %d: %s %s: a broken answer: %.200s", seed, n, k.method, path, a.body)
		}
		var made Made
		if k.method == "POST" && strings.HasPrefix(k.path, "/api/jobs") && a.status == 200 &&
			json.Unmarshal(a.body, &made) == nil && made.ID > 0 && len(ids) < 40 {
			ids = append(ids, made.ID)
		}
	}
	if a := c.call("GET", "/api/today", nil); a.status != 200 {
		t.Errorf("seed %d: Today: %d %.300s", seed, a.status, a.body)
	}
	for _, id := range ids {
		for _, file := range []string{"", "/ticket.pdf", "/drawing.svg", "/drawing.dxf"} {
			if a := c.call("GET", fmt.Sprintf("/api/jobs/%d%s", id, file), nil); a.status != 200 {
				t.Errorf("seed %d: job %d%s: %d %.300s", seed, id, file, a.status, a.body)
			}
		}
	}
}

// mostMemory is what the program may hold while it is battered, bytes.
const mostMemory = 600 << 20

// TestHostileForLong batters for as long as FRESHSHARD_FUZZ says, with a shop of
// its own for every seed; make soak sets it.
func TestHostileForLong(t *testing.T) {
	long, err := time.ParseDuration(os.Getenv("FRESHSHARD_FUZZ"))
	if err != nil {
		t.Skip("only with FRESHSHARD_FUZZ, as make soak sets it")
	}
	doc := contractOf(t)
	seeds, most := 0, uint64(0)
	for start := time.Now(); time.Since(start) < long && !t.Failed(); seeds++ {
		t.Run(fmt.Sprint(seeds), func(t *testing.T) { batter(t, serve(t).setUp(), doc, uint64(time.Now().UnixNano()), 2000) })
		var m runtime.MemStats
		runtime.ReadMemStats(&m)
		most = max(most, m.HeapSys-m.HeapReleased+m.StackSys)
	}
	t.Logf("hostile: %d calls, %d MB of memory at most", seeds*2000, most>>20)
	if most > mostMemory {
		t.Errorf("it held %d MB", most>>20)
	}
}

func TestHostileCalls(t *testing.T) {
	doc := contractOf(t)
	for seed := range uint64(3) {
		batter(t, serve(t).setUp(), doc, seed+1, 700)
	}
}
