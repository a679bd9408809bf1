package e2e

import (
	"fmt"
	"testing"
)

// Water over a ring window: its clock keeps the check shut, a leak is said at once and
// opens the step again that made it; the wall tells what hardens, runs and could be laid.
func timers(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	id := g.taken("Horse trailer, ring window over the groom's door", "clamp-ring", "weather")
	job := fmt.Sprintf("/api/jobs/%d", id)
	g.upTo(id, "trim")
	prove := fmt.Sprintf("/jobs/%d/prove", id)
	g.goTo(prove)
	g.pressAt(`[data-start="water"]`)
	g.until("the water", `document.querySelector("[data-timer=runs]")?.innerText.includes("9:")`)
	g.accessible("a clock that runs")
	line := `document.querySelector("[data-check=water]")`
	g.until("the check to wait", line+`.innerText.includes("its clock runs")`)
	g.call("PUT", job+"/checks/water", `{"outcome": "fail", "finding": "low in the corner"}`)
	g.goTo(prove)
	g.pressAt(`[data-take-up="ring-on"] button`)
	g.until("the step open again", `document.querySelector("[data-take-up='ring-on'] a")`)
	g.pressAt(`[data-take-up="ring-on"] a`)
	g.until("its station", `location.pathname.endsWith("/set")`)

	// A clock of one's own, for nothing but to call.
	g.press("another clock")
	g.fill("What is waited for?", "felt glue")
	g.refill("Minutes", "0")
	g.press("Start it")
	g.until("no clock of no time", `document.querySelector("form[aria-label='Another clock']").innerText
		.includes("from a minute to a fortnight")`)
	g.refill("Minutes", "45")
	// The browser may call; its clock is put forward, so that it does so within seconds.
	ask[bool](g, `(() => { window.Notification = class {
		static permission = "granted"
		constructor(title, more) { (window.called ??= []).push(title + ": " + more.body) }
	}
	const real = Date.now.bind(Date)
	window.back = () => { Date.now = real }
	Date.now = () => real() + 45 * 60e3 - 8e3
	return true })()`)
	g.press("Start it")
	g.until("the call", `window.called?.some(c => c.startsWith("Horse trailer, ring window") && c.includes("felt glue"))`)
	ask[bool](g, `window.back() ?? true`)
	g.until("one call", `window.called.length === 1`)
	g.until("both clocks", `document.querySelectorAll("[data-timer]").length === 2`)
	g.goTo("/")
	g.until("Today to call it", `document.querySelector("section[aria-label=Clocks]")?.innerText.includes("felt glue")`)
	g.press("the adhesive day, for the wall")
	g.until("hours", `document.querySelectorAll("[data-hour]").length > 0`)
	g.until("a shared tube",
		`[...document.querySelectorAll("[data-line=open]")].some(l => l.innerText.includes("one by one it would be 2"))`)
	g.until("the last minute to set", `document.querySelector("[data-line=set-by]")`)
	g.accessible("the adhesive day")
	g.goTo(fmt.Sprintf("/jobs/%d/set", id))
	g.press("remove")
	g.until("one clock", `document.querySelectorAll("[data-timer]").length === 1`)
}
