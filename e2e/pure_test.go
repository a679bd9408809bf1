package e2e

import (
	"encoding/json"
	"fmt"
	"math/rand/v2"
	"net/http"
	"net/http/httptest"
	"os/exec"
	"path/filepath"
	"slices"
	"sync/atomic"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
)

// pure is a page that has the front end's plain functions under window.pure.
func pure(t *testing.T) *page {
	t.Helper()
	out := t.TempDir()
	build := exec.CommandContext(t.Context(), "npx", "--no-install", "vite", "build", "-c", "vite.pure.config.ts",
		"--outDir", out, "--logLevel", "error")
	build.Dir = filepath.Join("..", "web")
	if said, err := build.CombinedOutput(); err != nil {
		t.Fatalf("%v\n%s", err, said)
	}
	files := http.FileServer(http.Dir(out))
	var cutOff atomic.Int32
	cutOff.Store(2)
	s := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		switch r.URL.Path {
		case "/healthz":
			return
		case "/part.js":
			// The line breaks twice before it is through.
			if cutOff.Add(-1) >= 0 {
				panic(http.ErrAbortHandler)
			}
			w.Header().Set("Content-Type", "text/javascript")
			fmt.Fprint(w, `export const part = "here"`)
			return
		case "/":
			w.Header().Set("Content-Type", "text/html")
			fmt.Fprint(w, `<main></main><script type="module">import * as pure from "/pure.js"; window.pure = pure</script>`)
			return
		}
		files.ServeHTTP(w, r)
	}))
	t.Cleanup(s.Close)
	ctx, end := chromedp.NewContext(tabs, chromedp.WithNewBrowserContext())
	t.Cleanup(end)
	g := &page{t: t, ctx: ctx, url: s.URL}
	g.do(chromedp.Navigate(s.URL))
	g.until("the functions", `"pure" in window`)
	return g
}

// calls is what a function of the front end says to each of some arguments.
func TestPlainFunctions(t *testing.T) {
	t.Parallel()
	g := pure(t)
	for _, c := range []struct{ call, want string }{
		// A shop in millimetres says tenths, one in inches what its tape has: 1 in = 25.4 mm exactly (1959).
		{`lengthIn(595.5, "mm")`, `"595.5"`},
		{`lengthIn(595.04, "mm")`, `"595"`},
		{`lengthIn(25.4, "in")`, `"1"`},
		{`lengthIn(595.3125, "in")`, `"23 7/16"`},
		{`lengthIn(12.7, "in")`, `"1/2"`},
		{`lengthIn(609.6, "in")`, `"24"`},
		{`lengthIn(25.4 - 0.01, "in")`, `"1"`},
		{`lengthIn(10, "in")`, `"0.394"`}, // between 12/32 and 13/32: no tape shows it
		{`lengthIn(3, "in")`, `"0.118"`},
		{`lengthIn(0, "in")`, `"0"`},
		// Money by its digits: nothing is lost in a binary fraction.
		{`cents("12,5")`, `1250`}, {`cents("12.50")`, `1250`}, {`cents("")`, `0`}, {`cents("0.07")`, `7`},
		{`Number.isNaN(cents("12.505"))`, `true`}, {`Number.isNaN(cents("cheap"))`, `true`},
		{`Number.isNaN(cents("1234567"))`, `true`}, {`cents("999999.99")`, `99999999`},
		{`signedCents("−3.20")`, `-320`}, {`signedCents("-3.20")`, `-320`}, {`signedCents("3")`, `300`},
		{`money(1250)`, `"12.50"`}, {`money(-7)`, `"−0.07"`}, {`money(0)`, `"0.00"`},
		{`numberOf(" 2,5 ")`, `2.5`}, {`numberOf("")`, `0`}, {`Number.isNaN(numberOf("two"))`, `true`},
		{`num(0.5)`, `"0.5"`}, {`num(-1.50)`, `"−1.5"`}, {`num(0.0000002)`, `"0.0000002"`}, {`num(3)`, `"3"`},
		{`span(0)`, `"0 min"`}, {`span(59)`, `"59 min"`}, {`span(60)`, `"1 h"`}, {`span(65)`, `"1 h 05"`},
		{`lateBy(89)`, `"89 min"`}, {`lateBy(90)`, `"2 h"`}, {`lateBy(47 * 60)`, `"47 h"`}, {`lateBy(48 * 60)`, `"2 days"`},
		{`sayable("2026-12-01T10:01:00.000Z")`, `"2026-12-01T10:30:00.000Z"`},
		{`sayable("2026-12-01T10:30:00.000Z")`, `"2026-12-01T10:30:00.000Z"`},
		// A draft of another day gives what still fits.
		{`adopt({a: 1, b: "x", c: 3}, {a: 0, b: 0})`, `{"a":1,"b":0,"c":3}`},
		{`adopt(null, {a: 1})`, `{"a":1}`},
	} {
		if got := ask[string](g, "JSON.stringify((({"+names+"}) => "+c.call+")(window.pure))"); got != c.want {
			t.Errorf("%s is %s, not %s", c.call, got, c.want)
		}
	}
	heaps(t, g)
	// A part that does not come is asked for again until it does, and one that is not there is given up.
	if got := ask[string](g, `pure.behind(() => import("/part.js"))().then(m => m.part)`); got != "here" {
		t.Errorf("a part that came at the third try is %q", got)
	}
	got := ask[string](g, `pure.behind(() => import("/none.js"))().then(() => "there", () => "given up")`)
	if got != "given up" {
		t.Errorf("a part that is not there is %q", got)
	}
	if n := ask[int](g, `(async () => { let n = 0; pure.behind(async () => { n++; pure.behind(async () => { n++ }) });
		await pure.loadTheRest(); return n })()`); n != 2 {
		t.Errorf("%d of a part and the one behind it were loaded", n)
	}
}

const names = "adopt, lengthIn, lateBy, sayable, span, numberOf, cents, money, signedCents, num"

// A lane of random work drawn by heaps: every piece is drawn once and in its order, nothing lies
// over something else, a finger can hit each that has room, and none of short pieces hides the day.
func heaps(t *testing.T, g *page) {
	t.Helper()
	r := rand.New(rand.NewPCG(7, 30))
	day := time.Date(2026, 12, 2, 8, 0, 0, 0, time.UTC)
	type step struct {
		Key  string    `json:"key"`
		From time.Time `json:"from"`
		To   time.Time `json:"to"`
	}
	for range 200 {
		var lane []step
		at := day
		for n := 0; at.Before(day.Add(8 * time.Hour)); n++ {
			at = at.Add(time.Duration(max(0, r.IntN(40)-25)) * time.Minute)
			to := at.Add(time.Duration(1+r.IntN(70)) * time.Minute)
			lane = append(lane, step{fmt.Sprint(n), at, to})
			at = to
		}
		in, err := json.Marshal(lane)
		if err != nil {
			t.Fatal(err)
		}
		hours := fmt.Sprintf(`[{from: %q, to: %q}]`, day.Format(time.RFC3339), day.Add(11*time.Hour).Format(time.RFC3339))
		var drawn []struct {
			Steps []step
			X, W  float64
		}
		said := ask[string](g, fmt.Sprintf(`JSON.stringify(pure.heapsOf(%s, pure.stretches(%s)))`, in, hours))
		if err := json.Unmarshal([]byte(said), &drawn); err != nil {
			t.Fatal(err)
		}
		var keys []string
		for n, h := range drawn {
			for _, s := range h.Steps {
				keys = append(keys, s.Key)
			}
			if n+1 < len(drawn) && h.X+h.W > drawn[n+1].X+0.01 {
				t.Fatalf("%s: the piece at %.0f lies over the next at %.0f", in, h.X, drawn[n+1].X)
			}
			if h.W < 43.9 && (n+1 == len(drawn) || drawn[n+1].X-h.X >= 44) {
				t.Fatalf("%s: a piece at %.0f is %.0f px wide, with room for a finger", in, h.X, h.W)
			}
		}
		want := make([]string, len(lane))
		for n := range lane {
			want[n] = fmt.Sprint(n)
		}
		if !slices.Equal(keys, want) {
			t.Fatalf("%s is drawn as %v", in, keys)
		}
	}
}
