package e2e

import (
	"fmt"
	"testing"

	"github.com/chromedp/chromedp"
)

// A job that is taken in lies down in somebody's day, is promised by its odds with a tap,
// and moves when somebody is off; on a phone stands my own day.
func days(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	id := g.taken("Greenhouse, ridge light", "putty-points", "weather")
	g.goTo("/days")
	g.until("lanes for three", `document.querySelectorAll("[data-lanes='3'] [data-step]").length > 20`)
	g.accessible("days")
	g.pressAt("[data-step]")
	g.until("why then", `document.querySelector("[data-why]")?.innerText.includes("Why then?")`)
	// Promised on days that were taken: those that were not may be laid out anew behind it.
	g.pressAt("[data-take]")
	g.until("the plan taken", `document.body.innerText.includes("The days as they stand")`)
	line := fmt.Sprintf(`document.querySelector("[data-promise='%d']")`, id)
	g.until("the new job", line+`?.innerText.includes("no promise")`)
	g.pressAt(fmt.Sprintf("[data-promise='%d'] [data-promise-it] button", id))
	g.until("it promised", line+`?.innerText.includes("promised") && !`+line+`.innerText.includes("no promise")`)
	kept := ask[float64](g, fmt.Sprintf(`fetch("/api/days").then(r => r.json()).then(d => d.jobs.find(j => j.job === %d).kept)`, id))
	if kept < 0.8 {
		t.Errorf("promised nine times in ten, and kept %.2f", kept)
	}

	// Her own days in her calendar, by an address that ends when she says so.
	g.press("Make an address for a calendar")
	g.until("the calendar", `document.querySelector("[data-calendar]")?.innerText.includes("/feeds/")`)
	feed := `fetch(new URL(document.querySelector("[data-calendar]").innerText).pathname)`
	if n := ask[int](g, feed+`.then(r => r.text()).then(t => t.split("BEGIN:VEVENT").length - 1)`); n == 0 {
		t.Error("nothing is in the calendar")
	}
	g.press("withdraw it")
	g.until("withdrawn", `!document.querySelector("[data-calendar]")`)

	// Ebbe is off for good: the days go round it.
	ebbe := ask[int](g, `fetch("/api/people").then(r => r.json()).then(a => a.find(p => p.login === "ebbe").id)`)
	g.goTo("/shop")
	week := fmt.Sprintf("[data-week='%d']", ebbe)
	g.until("his week", fmt.Sprintf(`document.querySelector(%q)`, week))
	g.accessible("when people work")
	set := func(label, text string) {
		ask[any](g, fmt.Sprintf(`void (() => { const i = [...document.querySelectorAll(%q)].find(l => l.innerText.startsWith(%q)).control; Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(i, %q); i.dispatchEvent(new Event("input", {bubbles: true})) })()`, week+" label", label, text))
	}
	set("From", "early")
	g.pressAt(week + " button[type=submit]")
	g.until("no time of the day", fmt.Sprintf(`document.querySelector(%q).innerText.includes("no time of the day")`, week))
	set("From", "08:00")
	for range 5 {
		ask[any](g, fmt.Sprintf(`void [...document.querySelectorAll(%q)].find(b => b.getAttribute("aria-checked") === "true" || b.checked)?.click()`, week+` > div:first-of-type [role=checkbox], `+week+` > div:first-of-type input[type=checkbox]`))
	}
	g.pressAt(week + " button[type=submit]")
	g.until("kept", fmt.Sprintf(`fetch("/api/weeks").then(r => r.json()).then(a => a.find(w => w.account === %d).days.length === 0)`, ebbe))
	g.goTo("/days")
	g.until("his lane empty", `[...document.querySelectorAll("[data-lanes] ul[aria-label]")].find(u => u.getAttribute("aria-label").startsWith("Ebbe"))?.children.length === 0`)
	g.until("what moved is said", `document.body.innerText.includes("steps lie elsewhere")`)
	g.do(chromedp.EmulateViewport(390, 844, chromedp.EmulateTouch))
	g.until("my day", `document.querySelector("[data-my-day] ol li")`)
	if ask[bool](g, `document.documentElement.scrollWidth > 390`) {
		t.Error("the days are wider than a phone")
	}
	g.accessible("my day")
	g.do(chromedp.EmulateViewport(1280, 800))
	g.call("PUT", fmt.Sprintf("/api/weeks/%d", ebbe), fmt.Sprintf(`{"account": %d, "days": [1,2,3,4,5], "from": "08:00", "to": "17:00", "noon_from": "12:00", "noon_to": "12:30", "off": [], "may": ["pressure","gas","height"], "version": 1}`, ebbe))
}
