package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// Eight gaps are read round the pane, Enter leads from one to the next, a wrong one
// says so at its place, and the picture is as they were read.
func evenness(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Sauna stove, gaps read", "clip-heat", "fire")
	g.readAll(job, stoveReadings)
	g.call("PUT", fmt.Sprintf("/api/jobs/%d/choice", job), `{"material": "glass-ceramic", "thickness": 4}`)
	g.finish(job)
	g.call("DELETE", fmt.Sprintf("/api/jobs/%d/checks/gap?seen=1", job), "")
	g.goTo(fmt.Sprintf("/jobs/%d/prove", job))
	first := `document.querySelector('input[aria-label="gap at the top, left, mm"]')`
	g.until("the fields", first)
	ask[any](g, "void "+first+".focus()")
	for i, gap := range []string{"3", "3.5", "wide", "3.1", "2.5", "2.8", "3.4", "3"} {
		g.do(chromedp.KeyEvent(gap))
		if i < 7 {
			g.do(chromedp.KeyEvent(kb.Enter))
		}
	}
	g.accessible("gaps to be read")
	g.press("Keep the gaps")
	g.sees("right, upper:")
	wrong := `document.querySelector('input[aria-label="gap at the right, upper, mm"]')`
	g.until("at its place", wrong+`.getAttribute("aria-invalid") === "true"`)
	if kept := ask[string](g, first+".value"); kept != "3" {
		t.Errorf("what was typed is gone: %q", kept)
	}
	ask[any](g, "void ("+wrong+".focus(), "+wrong+".select())")
	g.do(chromedp.KeyEvent("3.2"), chromedp.KeyEvent(kb.Enter))
	g.until("the picture as read", `document.querySelector("[data-evenness=read]")`)
	g.sees("1.0 mm")
	g.accessible("gaps as read")
}

// A line of the strip log with a voice, a screw gauge, washers and a length in
// inches; what cannot be a length is said at its field. A line moves up.
func dirtyHands(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Deck oven, stripped in the dirt", "channel-front", "oven")
	g.goTo(fmt.Sprintf("/jobs/%d/strip", job))
	ask[any](g, `void (window.SpeechRecognition = window.webkitSpeechRecognition = class {
  start() { setTimeout(() => { this.onresult({results: [[{transcript: "lower rail screw "}]]}); this.onend() }, 20) }
  stop() {}
})`)
	g.press("Note what came off")
	g.press("say what it is")
	g.until("what was said",
		`[...document.querySelectorAll("[role=dialog] input")].some(i => i.value === "lower rail screw")`)
	g.press("from the screw gauge")
	g.until("the gauge linked",
		`[...document.querySelectorAll("[role=dialog] button")].some(b => b.innerText === "Press the gauge" && !b.disabled)`)
	g.press("Press the gauge")
	g.until("its size", `document.querySelector('[role=dialog] [role=radiogroup][aria-label=Size] [data-state=checked]')
		?.innerText.includes("4.2")`)
	g.press("Washers with it")
	g.fill("Length, mm", "long")
	g.press("Note it")
	g.until("what is wrong, at the field",
		`document.querySelector("[role=dialog] [role=alert]")?.closest("div").innerText.includes("Length")`)
	g.refill("Length, mm", "5/8 in")
	g.accessible("a line noted")
	g.press("Note it")
	g.until("it is noted", `document.querySelector("[role=dialog]").innerText.includes("1 noted so far")`)
	g.fill("Called", "front trim")
	g.press("Note it")
	g.until("both", `document.querySelector("[role=dialog]").innerText.includes("2 noted so far")`)
	g.do(chromedp.KeyEvent(kb.Escape))
	g.sees("15.875 mm")
	g.press("came off sooner")
	g.until("the trim first", `document.querySelector("[data-strip]").innerText.includes("front trim")`)
}

// Two people see who is at what: what another has in hand is not what comes first.
func whoIsAtIt(t *testing.T, p *program) {
	mira, tor := open(t, p), open(t, p)
	mira.signIn("mira")
	tor.signIn("tor")
	first := `document.querySelector("[data-first]")?.dataset.first`
	mira.goTo("/")
	mira.until("what comes first", first)
	job := ask[string](mira, first)
	tor.goTo("/jobs/" + job + "/assess")
	tor.call("PUT", "/api/jobs/"+job+"/unit", `{"unit": "mm"}`) // looks alone are no work
	steps := ask[[]string](tor,
		`fetch("/api/jobs/`+job+
			`").then(r => r.json()).then(v => [v.checks.find(c => c.outcome === "")?.key ?? "", v.job.story ?? "",
				String(v.job.version), v.job.place])`)
	tor.call("PUT", "/api/jobs/"+job, fmt.Sprintf(`{"story": %q, "place": %q, "version": %s}`, steps[1]+" (asked again)",
		steps[3], steps[2]))
	mira.goTo("/")
	mira.until("another one first", first+` && `+first+` !== "`+job+`"`)
	mira.until("and who is at it", fmt.Sprintf(
		`[...document.querySelectorAll("main a")].some(a => a.getAttribute("href").startsWith("/jobs/%s/") && a.innerText
			.includes("Tor is at it"))`, job))
	mira.accessible("who is at it")
	tor.goTo("/")
	tor.until("his own first", first)
	if ask[string](tor, `document.querySelector("main").innerText`); strings.Contains(ask[string](tor,
		`[...document.querySelectorAll("main a")].filter(a => a.getAttribute("href").startsWith("/jobs/`+job+
			`/")).map(a => a.innerText).join()`), "Tor is at it") {
		t.Error("Tor is told of himself")
	}
}

// Text at twice its size, as a browser enlarges it (WCAG 2.2, 1.4.4): nothing runs
// out of the page, and no word is cut off without a way to it. Letters follow the
// browser's own size as well.
func largeText(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.do(chromedp.EmulateViewport(640, 400, chromedp.EmulateScale(2)))
	for _, path := range []string{"/", "/jobs", "/take-in", "/jobs/1/measure", "/jobs/2/set", "/jobs/3/source",
		"/jobs/8/prove",
		"/jobs/4/choose"} {
		g.goTo(path)
		g.until("its content", `document.querySelector("main").innerText.length > 40`)
		if over := ask[int](g, `document.documentElement.scrollWidth - window.innerWidth`); over > 0 {
			t.Errorf("%s at 200 %% is %d px too wide", path, over)
		}
		if lost := ask[string](g, outOfSight); lost != "" {
			t.Errorf("%s at 200 %%: %s", path, lost)
		}
		if fixed := ask[[]string](g, ownSize); len(fixed) > 0 {
			t.Errorf("%s: letters that do not grow with the browser's: %q", path, fixed)
		}
	}
}

// ownSize are words whose letters keep their size when the browser's own grows.
const ownSize = `(() => {
  const all = [...document.querySelectorAll("main :is(p, button, a, h1, h2, label, span), header p, footer p")]
  .filter(e => e.offsetParent && e.innerText.trim() && !e.closest("svg"));
  const before = all.map(e => parseFloat(getComputedStyle(e).fontSize));
  document.documentElement.style.fontSize = "200%";
  const out = all.filter((e, n) => parseFloat(getComputedStyle(e).fontSize) < before[n] * 1.9)
  .map(e => e.innerText.slice(0, 30));
  document.documentElement.style.fontSize = "";
  return out.slice(0, 5);
})()`

// outOfSight are words in the page that are cut off without a way to reach them.
const outOfSight = `[...document.querySelectorAll(
    "main :is(p, button, a, h1, h2, label), header :is(h1, p, button), footer :is(p, button, a)")]
  .filter(e => e.offsetParent && !e.closest("svg, .sr-only, [aria-hidden=true], fieldset") && e.innerText.trim())
  .filter(e => { const r = e.getBoundingClientRect(); return r.right > window.innerWidth + 2 && ![...function* () {
  for (let p = e; p; p = p.parentElement) yield p }()].some(p => /auto|scroll/.test(getComputedStyle(p).overflowX)) })
  .map(e => e.innerText.slice(0, 30)).slice(0, 5).join("; ")`
