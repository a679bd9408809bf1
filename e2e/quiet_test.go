package e2e

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/ledongthuc/pdf"

	"freshshard/internal/demo"
)

// heard keeps what a page writes to its console: errors and exceptions.
type heard struct {
	mu  sync.Mutex
	all []string
}

// listens hears a page's console until the test ends.
func (g *page) listens() *heard {
	h := &heard{}
	ctx, end := context.WithCancel(g.ctx)
	g.t.Cleanup(end)
	go func() {
		for m, err := range chromedp.Console(ctx) {
			if err != nil {
				return
			}
			if m.Type == chromedp.ConsoleError || m.IsException() {
				h.mu.Lock()
				h.all = append(h.all, m.Text)
				h.mu.Unlock()
			}
		}
	}()
	return h
}

// said is what was heard since it was last asked.
func (h *heard) said() []string {
	h.mu.Lock()
	defer h.mu.Unlock()
	out := h.all
	h.all = nil
	return out
}

// everywhere are the screens that a shop has, whatever is in it.
var everywhere = []string{"/", "/jobs", "/take-in", "/days", "/rounds", "/cut-room", "/stores", "/records", "/ledger",
	"/sums", "/sums/outline", "/book", "/book/touch", "/shop", "/wall", "/wall/days"}

// quiet opens screens on a phone and at a desk, with letters as they are and twice as large: they
// show something, fit, stand what else is asked of them at a desk, and leave nothing in the console.
func (g *page) quiet(of string, paths []string, also func(path string)) {
	g.t.Helper()
	h := g.listens()
	sizes := []struct{ w, h int64 }{{390, 844}, {1280, 800}}
	for _, path := range paths {
		// A phone loads it, and is turned into a desk.
		g.do(chromedp.EmulateViewport(sizes[0].w, sizes[0].h))
		g.goTo(path)
		g.until("the content of "+path, `document.querySelector("main").innerText.length > 20 &&
			!document.querySelector("main [role=status]")`)
		for _, size := range sizes {
			g.do(chromedp.EmulateViewport(size.w, size.h))
			for _, letters := range []int{100, 200} {
				ask[any](g, fmt.Sprintf(`void (document.documentElement.style.fontSize = "%d%%")`, letters))
				if g.soon(`document.getAnimations().length === 0 && ` + misfits + `.length === 0`) {
					continue
				}
				g.t.Errorf("%s, %s at %d px, letters at %d %%: %s", of, path, size.w, letters,
					strings.Join(ask[[]string](g, misfits), "; "))
			}
		}
		ask[any](g, `void (document.documentElement.style.fontSize = "")`)
		also(path)
		if said := h.said(); len(said) > 0 {
			g.t.Errorf("%s, %s: %q", of, path, said)
		}
	}
}

// A shop with nothing in it, then with one job, then with two hundred: every screen opens at
// both widths.
func TestScreensOfAnEmptyShop(t *testing.T) {
	t.Parallel()
	p := start(t, "serve")
	g := open(t, p)
	g.do(chromedp.Navigate(g.url + "/healthz"))
	g.call("POST", "/api/setup", fmt.Sprintf(`{"shop_name": "Lantern Yard", "unit": "mm",
		"owner": {"name": "Mira", "login": "mira", "password": %q, "role": "owner"}}`, demo.Password))
	g.signIn("mira")
	nothing := func(string) {}
	g.quiet("with nothing in it", everywhere, nothing)
	taken := func(n int) {
		if g.call("POST", "/api/jobs", fmt.Sprintf(`{"name": "Oda Marl", "object": "Sauna stove %d", "exposure": "fire",
			"family": "clip-heat", "place": "site"}`, n)) == "" {
			t.Fatal("nothing was taken in")
		}
	}
	taken(1)
	one := append([]string{}, everywhere...)
	for _, s := range stations {
		one = append(one, "/jobs/1/"+s)
	}
	g.quiet("with one job", one, nothing)
	for n := 2; n <= 200; n++ {
		taken(n)
	}
	g.goTo("/jobs") // Today is read anew behind it
	g.quiet("with two hundred jobs", everywhere, nothing)
}

var stations = []string{"assess", "strip", "measure", "choose", "source", "prepare", "set", "hold", "refit", "prove"}

// quietScreens opens every screen of the made-up shop, and every station of jobs of each kind. What
// each station is made of is looked at in both lights with two of them: a stove and a tube.
func quietScreens(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	lit := append([]string{"/sums/bend", "/book/held", "/book/heat", "/book/cautions", "/jobs/14/measure"}, everywhere...)
	var plain []string
	for _, job := range []int{1, 9, 12, 16, 23, 26} {
		for _, s := range stations {
			path := fmt.Sprintf("/jobs/%d/%s", job, s)
			if job == 1 || job == 16 {
				lit = append(lit, path)
			} else {
				plain = append(plain, path)
			}
		}
	}
	g.quiet("the made-up shop", lit, g.inBothLights)
	g.quiet("the made-up shop", plain, func(string) {})
}

// printed is a page as the browser prints it: the text of all its sheets, as another reader
// reads it, and how many there are.
func (g *page) printed(path string) (text string, sheets int) {
	g.t.Helper()
	g.goTo(path)
	g.until("the content of "+path, lists+`.length > 0 && document.querySelector("main").innerText.length > 200`)
	// Until nothing more comes: parts of a page load one after another.
	for was, n := -1, 0; n != was; {
		was = n
		time.Sleep(700 * time.Millisecond)
		g.until("nothing loads", `!document.querySelector("main [role=status]")`)
		n = ask[int](g, lists+`.length + document.querySelector("main").innerText.length`)
	}
	g.until("its letters", `document.fonts.ready.then(f => [...f].some(l => l.status === "loaded"))`)
	b, err := chromedp.Run(g.ctx, chromedp.PrintToPDF())
	if err != nil {
		g.fail(err)
	}
	if dir := os.Getenv("FRESHSHARD_PRINTED"); dir != "" {
		_ = os.WriteFile(filepath.Join(dir, strings.ReplaceAll(path, "/", "_")+".pdf"), b, 0o600)
	}
	r, err := pdf.NewReader(bytes.NewReader(b), int64(len(b)))
	if err != nil {
		g.fail(err)
	}
	plain, err := r.GetPlainText()
	if err != nil {
		g.fail(err)
	}
	all, err := io.ReadAll(plain)
	if err != nil {
		g.fail(err)
	}
	return strings.Join(strings.Fields(string(all)), ""), r.NumPage()
}

// lists are the lines of a page's lists that are printed.
const lists = `[...document.querySelectorAll("main li")].filter(e => e.innerText.trim().length > 12 &&
	!e.closest("button, form, nav"))`

// The browser's own print gives all of a page, from its first line to its last, without what
// is pressed on a screen.
func printsWhole(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	for path, wants := range map[string][2]string{
		"/days":           {"Promises", "Plananew"},
		"/jobs/1/measure": {"Saunastove", "Enter"},
		"/jobs":           {"Jobs", "Takein"},
	} {
		text, sheets := g.printed(path)
		last := ask[string](g, lists+`.at(-1).innerText.split("\n")[0].replace(/\s+/g, "").slice(0, 12)`)
		whole := strings.Contains(text, wants[0]) && strings.Contains(text, last) && sheets > 0
		if !whole || strings.Contains(text, wants[1]) {
			t.Errorf("%s: %d sheets, last words %q there: %v; %.300s", path, sheets, last, strings.Contains(text, last), text)
		}
	}
}
