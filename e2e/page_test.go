package e2e

import (
	"context"
	"encoding/base64"
	"encoding/json"
	"fmt"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"

	"freshshard/internal/demo"
)

// patience is how long a walk waits for something to appear.
const patience = 40 * time.Second

// page is one browser window of its own, with its own session.
type page struct {
	t   testing.TB
	ctx context.Context
	url string
}

// open makes a window that shares nothing with the others.
func open(t testing.TB, p *program) *page {
	t.Helper()
	ctx, end := chromedp.NewContext(tabs, chromedp.WithNewBrowserContext())
	t.Cleanup(end)
	g := &page{t: t, ctx: ctx, url: p.url}
	g.do(chromedp.EmulateViewport(1280, 800))
	return g
}

func (g *page) do(steps ...chromedp.Action[chromedp.Void]) {
	g.t.Helper()
	if err := chromedp.Do(g.ctx, steps...); err != nil {
		g.fail(err)
	}
}

// fail ends the test and says what the page showed.
func (g *page) fail(err error) {
	g.t.Helper()
	shown, _ := chromedp.Run(g.ctx,
		chromedp.Evaluate[string](`location.pathname + "\n" + document.body.innerText.slice(0, 1500)`))
	g.t.Fatalf("%v\nthe page shows %s", err, shown)
}

// ask evaluates JavaScript; a promise is waited for.
func ask[T any](g *page, js string) T {
	g.t.Helper()
	v, err := chromedp.Run(g.ctx, chromedp.Evaluate[T](js, chromedp.EvalAwaitPromise))
	if err != nil {
		g.fail(fmt.Errorf("%s: %w", js, err))
	}
	return v
}

// isTrue is whether JavaScript, or what it promises, is true.
func isTrue(js string) string { return "Promise.resolve(" + js + ").then(v => !!v)" }

// until waits for JavaScript to be true.
func (g *page) until(what, js string) {
	g.t.Helper()
	for end := time.Now().Add(patience); time.Now().Before(end); time.Sleep(30 * time.Millisecond) {
		if v, err := chromedp.Run(g.ctx, chromedp.Evaluate[bool](isTrue(js), chromedp.EvalAwaitPromise)); err == nil && v {
			return
		}
	}
	g.fail(fmt.Errorf("waited in vain for %s", what))
}

// soon says whether JavaScript is true within a few seconds.
func (g *page) soon(js string) bool {
	g.t.Helper()
	for end := time.Now().Add(patience / 10); time.Now().Before(end); time.Sleep(30 * time.Millisecond) {
		if ask[bool](g, isTrue(js)) {
			return true
		}
	}
	return false
}

func (g *page) sees(text string) {
	g.t.Helper()
	g.until("the words "+text, fmt.Sprintf(`document.body.innerText.includes(%q)`, text))
}

func (g *page) goTo(path string) {
	g.t.Helper()
	g.do(chromedp.Navigate(g.url+path), chromedp.WaitVisible(chromedp.CSS("main")))
}

// moveTo goes to another screen without loading the page anew, as a link does.
func (g *page) moveTo(path string) {
	g.t.Helper()
	ask[any](g, fmt.Sprintf(`void (() => { for (const e of document.querySelector("main").children) e.dataset.left = "";
		history.pushState({}, "", %q); dispatchEvent(new PopStateEvent("popstate", {state: {}})) })()`, path))
	g.until("the screen "+path, `document.querySelector("main > *") && !document.querySelector("main > [data-left]")`)
}

// press clicks the first visible button, link or label with these words.
func (g *page) press(words string) {
	g.t.Helper()
	find := fmt.Sprintf(
		`[...document.querySelectorAll("button, a, label, summary")].find(e => e.offsetParent !== null && !e.disabled &&
			e.innerText.replace(/\s+/g, " ").trim().startsWith(%q))`, words)
	g.until("a button "+words, find)
	ask[any](g, "void "+find+".click()")
}

// unfold shows the whole of every list that is shown some rows at a time.
func (g *page) unfold() {
	g.t.Helper()
	const more = `[...document.querySelectorAll("main button")].find(b => /^(\d+ more, of|The last)/.test(b.innerText))`
	g.until("whole lists", `(() => { const b = `+more+`; if (b) b.click(); return !b })()`)
}

// pressAt clicks what a selector finds.
func (g *page) pressAt(selector string) {
	g.t.Helper()
	g.until(selector, fmt.Sprintf("document.querySelector(%q)", selector))
	ask[any](g, fmt.Sprintf(`void document.querySelector(%q).dispatchEvent(new MouseEvent("click", {bubbles: true}))`,
		selector))
}

// fill types into the field with this label.
func (g *page) fill(label, text string) {
	g.t.Helper()
	id := fmt.Sprintf(`[...document.querySelectorAll("label")].find(l => l.innerText.trim().startsWith(%q))?.htmlFor`,
		label)
	g.until("a field "+label, id)
	field := ask[string](g, id)
	g.do(chromedp.SendKeys(chromedp.ID(field), text))
}

// refill types over what stands in the field with this label.
func (g *page) refill(label, text string) {
	g.t.Helper()
	field := fmt.Sprintf(
		`document.getElementById([...document.querySelectorAll("label")]
			.find(l => l.innerText.trim().startsWith(%q))?.htmlFor)`, label)
	g.until("a field "+label, field)
	ask[any](g, "void "+field+".select()")
	g.fill(label, text)
}

const hasTape = `document.querySelector('label[for="tape-line"]')`

// tape types a reading at the tape line and sends it.
func (g *page) tape(text string) {
	g.t.Helper()
	g.until("the tape line", hasTape)
	g.do(chromedp.SendKeys(chromedp.ID("tape-line"), text))
	g.do(chromedp.SendKeys(chromedp.ID("tape-line"), kb.Enter))
}

// tapeAt is where the tape line sends the next reading.
func (g *page) tapeAt() string {
	g.t.Helper()
	g.until("the tape line", hasTape)
	return ask[string](g, `document.querySelector('label[for="tape-line"]').innerText`)
}

// read picks a dimension, types and waits until it is kept.
func (g *page) read(place, text string) {
	g.t.Helper()
	g.pressAt(fmt.Sprintf(`[data-place=%q]`, place))
	g.until("the tape at "+place,
		fmt.Sprintf(`document.querySelector('[data-place=%q]').getAttribute("aria-pressed") === "true"`, place))
	g.tape(text)
	g.until("the reading "+text, `!document.querySelector("#tape-line")?.value`)
}

// signIn signs somebody in past the door and comes to the first screen.
func (g *page) signIn(login string) {
	g.t.Helper()
	g.do(chromedp.Navigate(g.url + "/healthz"))
	g.call("POST", "/api/session", fmt.Sprintf(`{"login": %q, "password": %q}`, login, demo.Password))
	g.goTo("/")
	g.until("the shop", `document.querySelector('nav[aria-label="Main"]')`)
}

// comeIn signs somebody in at the door.
func (g *page) comeIn(login string) {
	g.t.Helper()
	g.goTo("/")
	g.fill("Your sign-in name", login)
	g.fill("Password", demo.Password)
	g.press("Open the shop")
	g.until("the shop", `document.querySelector('nav[aria-label="Main"]')`)
}

// fetch gets a file through the page's own session.
func (g *page) fetch(path string) []byte {
	g.t.Helper()
	s := ask[string](g, fmt.Sprintf(
		`fetch(%q).then(async r => { if (!r.ok) throw new Error(r.status); const b = new Uint8Array(await r.arrayBuffer());
			let s = ""; for (const x of b) s += String.fromCharCode(x); return btoa(s) })`, path))
	b, err := base64.StdEncoding.DecodeString(s)
	if err != nil {
		g.t.Fatal(err)
	}
	return b
}

var axe = sync.OnceValues(func() (string, error) {
	b, err := os.ReadFile(filepath.Join("..", "web", "node_modules", "axe-core", "axe.min.js"))
	return string(b), err
})

// accessible runs axe and reports what is serious or worse.
func (g *page) accessible(name string) {
	g.t.Helper()
	g.audited(name, `{}`)
}

// contrasting does so for what other colours can change.
func (g *page) contrasting(name string) {
	g.t.Helper()
	g.audited(name, `{runOnly: ["color-contrast"]}`)
}

func (g *page) audited(name, only string) {
	g.t.Helper()
	source, err := axe()
	if err != nil {
		g.t.Fatal(err)
	}
	if !ask[bool](g, `"axe" in window`) {
		ask[any](g, source+"; void 0")
	}
	out := ask[string](g,
		`axe.run(document, {resultTypes: ["violations"], preload: false, selectors: false, ...`+only+`})
			.then(r => JSON.stringify(r.violations.filter(v => v.impact === "serious" || v.impact === "critical")
			.map(v => v.id + ": " + v.nodes.map(n => n.html.slice(0, 160) + " " + (n.any[0]?.message ?? ""))
			.join(" | "))))`)
	var found []string
	if err := json.Unmarshal([]byte(out), &found); err != nil {
		g.t.Fatal(err)
	}
	if len(found) > 0 {
		g.t.Errorf("%s: %s", name, strings.Join(found, "\n"))
	}
}
