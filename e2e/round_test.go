package e2e

import (
	"fmt"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
)

// Three jobs at customers' go into one round, over the water and back; taken, it has its
// load list and stands in Tor's day; given up, its visits are free again.
func roundOfThree(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/rounds")
	free := "[data-visit] [role=checkbox]:not([disabled])"
	g.until("whom to visit", fmt.Sprintf(`document.querySelectorAll(%q).length > 3`, free))
	g.accessible("rounds")
	for i := range 3 {
		ask[any](g, fmt.Sprintf(`void document.querySelectorAll(%q)[%d].click()`, free, i))
	}
	ask[any](g, `void [...document.querySelectorAll("fieldset label")].find(l => l.innerText === "Tor").click()`)
	g.pressAt("[data-lay-out]:not([disabled])")
	g.until("three stops", `document.querySelector("[data-laid-out] [data-round='3']")`)
	g.sees("each on its own it would be")
	g.pressAt("[data-take-round]")
	g.until("it taken", `document.querySelector("[data-taken] [data-round='3']")`)
	g.press("what goes into the van")
	g.until("the load list", `document.querySelector("[data-load]")?.innerText.includes("Tools")`)
	g.accessible("a round with its load list")
	if ok := ask[bool](g,
		`fetch(document.querySelector("[data-taken] a[href$='sheet.pdf']").href).then(r => r.ok &&
			r.headers.get("Content-Type") === "application/pdf")`); !ok {
		t.Error("the round has no paper")
	}
	g.do(chromedp.EmulateViewport(390, 844, chromedp.EmulateTouch))
	if ask[bool](g, `document.documentElement.scrollWidth > 390`) {
		t.Error("a round is wider than a phone")
	}
	g.do(chromedp.EmulateViewport(1280, 800))
	g.goTo("/days")
	g.until("the round in Tor's day",
		`[...document.querySelectorAll("[data-lanes] ul[aria-label]")]
			.find(u => u.getAttribute("aria-label").startsWith("Tor"))?.querySelector("[data-step^='round/']")`)

	// A forecast with a gap is refused with its row; a whole one is taken, and given up.
	g.until("the weather", `document.querySelector("[data-forecast] input[type=file]")`)
	put := func(text, want string) {
		ask[any](g, fmt.Sprintf(`void (() => { const i = document.querySelector("[data-forecast] input[type=file]");
			const d = new DataTransfer(); d.items.add(new File([%q], "forecast.csv", {type: "text/csv"})); i.files = d.files;
			i.dispatchEvent(new Event("change", {bubbles: true})) })()`, text))
		g.until(want, fmt.Sprintf(`document.querySelector("[data-forecast]")?.innerText.includes(%q)`, want))
	}
	put("time,c,rh\n2031-01-01T08:00:00Z,5,80\n2031-01-01T10:00:00Z,5,80\n", "an hour is missing")
	put("time,c,rh\n2031-01-01T08:00:00Z,5,80\n2031-01-01T09:00:00Z,5,80\n", "none of that is near")
	soon := time.Now().UTC().Truncate(time.Hour)
	put(fmt.Sprintf("time,c,rh\n%s,5,80\n%s,5,80\n", soon.Add(time.Hour).Format(time.RFC3339),
		soon.Add(2*time.Hour).Format(time.RFC3339)), "As the forecast says it")
	g.press("give it up")
	g.until("the station again", `document.querySelector("[data-forecast='0']")`)

	g.goTo("/wall/days")
	g.until("the days for the wall", `document.querySelector("[data-days-wall='3'] li")`)
	g.accessible("the days for the wall")
	g.goTo("/rounds")
	g.press("give it up")
	g.until("given up", `!document.querySelector("[data-taken]")`)
}
