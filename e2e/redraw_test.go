package e2e

import (
	"fmt"
	"strings"
	"testing"
)

// crowded lays an outline with 200 holes and 160 screws on a table: more than
// 500 drawn parts.
func crowded(g *page, job int) {
	g.t.Helper()
	holes := []string{}
	for i := range 200 {
		x, y := 60+float64(i%20)*90, 60+float64(i/20)*110
		holes = append(holes, fmt.Sprintf(`[{"x":%v,"y":%v,"bulge":1},{"x":%v,"y":%v,"bulge":1}]`, x, y, x+12, y))
	}
	put := func(path, body string) {
		g.t.Helper()
		if status := ask[int](g,
			fmt.Sprintf(`fetch("/api/jobs/%d/%s", {method: "PUT", headers: {"Content-Type": "application/json"},
				body: JSON.stringify(%s)}).then(r => r.status)`, job, path, body)); status != 200 {
			g.t.Fatalf("%s: %d", path, status)
		}
	}
	put("outline", fmt.Sprintf(
		`{outline: {outer: [{x:0,y:0},{x:1900,y:0},{x:1900,y:1200},{x:0,y:1200}], holes: [%s]}, doubt: 1, version: 1}`,
		strings.Join(holes, ",")))
	held := ask[string](g,
		fmt.Sprintf(`fetch("/api/jobs/%d").then(r => r.json()).then(v => JSON.stringify({name: v.pane.name,
			family: v.pane.family, frame: v.pane.frame, cutter: v.pane.cutter, gasket: v.pane.gasket, raked: false,
			like: v.pane.like, uses: v.pane.uses, duty: v.pane.duty, stack: v.pane.stack, shape: v.pane.shape, road: v.pane.road,
			peel: v.pane.peel, stock: v.pane.stock, version: v.pane.version, sides: {top: 40, right: 40, bottom: 40,
			left: 40}}))`, job))
	put("pane", held)
	g.goTo(fmt.Sprintf("/jobs/%d/measure", job))
	g.until("all of it",
		`document.querySelectorAll("main svg[role=group] :is(path, polygon, circle, line, text, rect)").length > 500`)
}

// The light table with more than 500 drawn parts, from a pick of a dimension
// until the page is written again: script alone, in ms. A frame has 16.
func BenchmarkRedraw500(b *testing.B) {
	p := start(b, "demo")
	g := open(b, p)
	g.signIn("mira")
	crowded(g, 25)
	const once = `(async () => { const t = []; for (let n = 0; n < 40; n++) {
		const e = document.querySelector(n % 2 ? "[data-place=shape_width]" : "[data-place=shape_height]");
		const a = performance.now(); e.dispatchEvent(new MouseEvent("click", {bubbles: true})); await Promise.resolve();
		t.push(performance.now() - a); await new Promise(requestAnimationFrame) } t.sort((x, y) => x - y); return t[20] })()`
	medians(b, g, once)
}

// The Choose station, from the last key at a weight until the new order of the
// materials is on the screen, the way to the server and back in it, in ms.
func BenchmarkChooseKey(b *testing.B) {
	p := start(b, "demo")
	g := open(b, p)
	g.signIn("mira")
	g.goTo("/jobs/4/choose")
	g.press("What counts how much")
	g.until("the weights", `document.querySelector("[data-weight=cost]")`)
	const once = `(async () => { const t = []; const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype,
		"value").set; const order = () => document.querySelector("main ol [data-material]").innerText;
		for (let n = 0; n < 20; n++) { const e = document.querySelector("[data-weight=cost]"); const before = order();
		set.call(e, String((Number(e.value) + 3) % 11)); const a = performance.now(); const done = new Promise(r => {
		const o = new MutationObserver(() => { if (order() !== before) { o.disconnect(); r() } });
		o.observe(document.querySelector("main"), {subtree: true, childList: true, characterData: true}); setTimeout(() => {
		o.disconnect(); r() }, 2000) }); e.dispatchEvent(new Event("input", {bubbles: true})); await done;
		await new Promise(requestAnimationFrame); t.push(performance.now() - a); await new Promise(r => setTimeout(r, 50)) } t
		.sort((x, y) => x - y); return t[10] })()`
	medians(b, g, once)
}

// The line, from the key that answers it until the next thing is asked, the way to
// the server and back in it, in ms: a step done and undone again at a station.
func BenchmarkLineKey(b *testing.B) {
	p := start(b, "demo")
	for _, at := range []string{"/jobs/2/set", "/jobs/10/strip", "/jobs/31/source"} {
		b.Run(strings.TrimPrefix(at, "/jobs/"), func(b *testing.B) {
			g := open(b, p)
			g.signIn("mira")
			g.goTo(at)
			g.until("the line", `document.querySelector("[data-answer]")`)
			const once = `(async () => { const t = [];
				const line = () => document.querySelector("[data-line]")?.innerText + location.pathname;
				const wait = (f) => new Promise(r => { const o = setInterval(() => { if (f()) { clearInterval(o); r() } }, 1);
				setTimeout(() => { clearInterval(o); r() }, 3000) }); for (let n = 0; n < 12; n++) { const before = line();
				const key = new KeyboardEvent("keydown", {key: "Enter", bubbles: true}); const a = performance.now();
				document.body.dispatchEvent(key); await wait(() => line() !== before); t.push(performance.now() - a);
				const after = line(); await wait(() => [...document.querySelectorAll("button")].some(b => b.innerText === "Undo"));
				[...document.querySelectorAll("button")].find(b => b.innerText === "Undo").click();
				await wait(() => line() !== after); await new Promise(r => setTimeout(r, 60)) } t.sort((x, y) => x - y);
				return t[6] })()`
			medians(b, g, once)
		})
	}
}

// medians reports the mean of what a script in the page measures, ms.
func medians(b *testing.B, g *page, once string) {
	var sum float64
	n := 0
	for b.Loop() {
		sum += ask[float64](g, once)
		n++
	}
	b.ReportMetric(sum/float64(n), "median-ms")
}
