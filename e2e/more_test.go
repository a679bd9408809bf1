package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// A stove refuses toughened glass by its number; settling on it all the same
// wants a reason, which stays. A step that is left out wants one too.
func gates(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/1/choose")
	g.sees("toughened: hot side 480 °C is above the 250 °C that it stands in steady use")
	g.pressAt(`[data-material=toughened] [data-figure] > button`)
	g.until("the gate's number",
		`document.querySelector("[data-material=toughened] table")?.innerText.includes("at most")`)
	g.pressAt(`[data-material=toughened] > button`)
	g.accessible("against the number")
	g.until("no way on without a reason",
		`[...document.querySelectorAll("[data-material=toughened] button")]
			.find(b => b.innerText === "Choose it against the number").disabled`)
	g.fill("Why toughened, against the number?", "only for the photograph")
	g.press("Choose it against the number")
	g.sees("Chosen: 4 mm toughened, by Tor Vanning.")
	g.until("the size follows its band",
		`document.querySelector("[data-order]").innerText.includes("±2.5 mm") || document.body.innerText
			.includes("±2.5 mm")`)
	g.press("Choose 4 mm glass-ceramic")
	g.sees("Chosen: 4 mm glass-ceramic, by Tor Vanning.")
	g.press("what happened")
	g.sees("chose 4 mm toughened")
	g.press("Close")

	g.goTo("/jobs/1/source")
	g.until("the steps", `document.querySelector("[data-step=order]")`)
	g.press("skip")
	g.fill("Why is it left out?", "cut from stock")
	g.press("Skip this step")
	g.sees("Left out: cut from stock, by Tor Vanning")
	g.pressAt(`[data-step=order] button[role=checkbox]`)
	g.until("the step open again",
		`document.querySelector("[data-step=order] button[role=checkbox]").dataset.state === "unchecked"`)
}

// A technician cannot sign over what is open; an owner can, with a reason that
// stays on the ticket.
func override(t *testing.T, p *program) {
	tor := open(t, p)
	tor.signIn("tor")
	tor.goTo("/jobs/6/prove")
	tor.sees("things open.")
	if ask[bool](tor, `document.body.innerText.includes("As the owner, sign over it because")`) {
		t.Error("a technician is offered to sign over what is open")
	}
	if !ask[bool](tor, `[...document.querySelectorAll("button")].find(b => b.innerText.startsWith("Sign as")).disabled`) {
		t.Error("a technician may press sign")
	}
	mira := open(t, p)
	mira.signIn("mira")
	mira.goTo("/jobs/6/prove")
	mira.fill("As the owner, sign over it because", "the nursery has closed for good")
	mira.press("Sign as Mira Quill")
	mira.sees("Signed over what was open: the nursery has closed for good")
	mira.accessible("signed over")
	// The other screen learns of it by itself.
	tor.sees("is signed.")
	tor.until("the tape at rest", `document.querySelector("footer").innerText.includes("Signed: it stays as it is")`)
}

// Half an answer survives a reload; a wrong temperature is told at its field; a
// long name fits; sending twice makes one job.
func takeInDraft(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/take-in")
	long := "Ferdinanda Aurelia von und zu Untermarschen-Salzwiesen & Daughters, late of the old rope walk"
	g.fill("Name", long)
	g.goTo("/take-in")
	g.until("the draft", fmt.Sprintf(`[...document.querySelectorAll("input")].some(i => i.value === %q)`, long))
	g.press("Next")
	g.fill("The object", "Gauge glass cupboard with an unreasonably long and winding description of itself")
	g.press("○ Oven heat")
	g.fill("Known better? Hot side, °C", "banana")
	g.sees("a number is expected")
	ask[any](g, `void (() => { const i = [...document.querySelectorAll("input")].find(i => i.value === "banana");
		i.focus();
		i.select() })()`)
	g.fill("Known better? Hot side, °C", "9000")
	ask[any](g, `void document.querySelector("main").scrollTo(0, 9999)`)
	g.press("Next")
	g.until("the next question from its head",
		`document.querySelector("main").scrollTop === 0 && document.activeElement.innerText === "What holds the pane?"`)
	g.press("○ Putty or beads")
	g.press("○ Wooden or metal beads, nailed or screwed")
	g.press("Next")
	g.press("Start the job")
	g.sees("a temperature between −60 and 1200 °C is expected")
	g.until("back at its question", `document.querySelector("h2").innerText === "What is it, and how hot does it get?"`)
	ask[any](g, `void (() => { const i = [...document.querySelectorAll("input")].find(i => i.value.endsWith("9000"));
		i.focus(); i.select() })()`)
	g.fill("Known better? Hot side, °C", "200")
	g.press("Next")
	g.press("Next")
	ask[any](g, `void (() => { const b = [...document.querySelectorAll("button")]
		.find(b => b.innerText === "Start the job"); b.click(); b.click() })()`)
	g.sees("No size yet")
	g.sees("200 °C in use")
	for _, w := range []int64{390, 1280} {
		g.do(chromedp.EmulateViewport(w, 800))
		if over := ask[int](g, `document.documentElement.scrollWidth - window.innerWidth`); over > 0 {
			t.Errorf("a long name is %d px too wide at %d", over, w)
		}
	}
	g.goTo("/jobs")
	g.fill("Find", "Untermarschen")
	g.until("one job alone", `document.querySelectorAll("main li").length === 1`)
}

// The lamp stays as it was set; leaving closes the door for good.
func lampAndLeaving(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	menu := func(item string) {
		t.Helper()
		g.do(chromedp.Click(chromedp.CSS(`footer button[aria-haspopup=menu]`)))
		g.until("the menu", `document.querySelector("[role=menu]")`)
		g.accessible("menu")
		ask[any](g, fmt.Sprintf(
			`void [...document.querySelectorAll("[role=menuitem]")].find(i => i.innerText.startsWith(%q)).click()`, item))
	}
	was := ask[string](g, `document.documentElement.dataset.theme`)
	name := map[string]string{"light": "Dark table", "dark": "Light table"}[was]
	menu(name)
	g.until("the other lamp", fmt.Sprintf(`document.documentElement.dataset.theme !== %q`, was))
	now := ask[string](g, `getComputedStyle(document.body).backgroundColor`)
	g.goTo("/jobs")
	if again := ask[string](g, `getComputedStyle(document.body).backgroundColor`); again != now {
		t.Errorf("after a reload the lamp is %s, was %s", again, now)
	}
	menu("Sign out")
	g.until("the door", `document.querySelector("input[type=password]")`)
	g.goTo("/jobs/1/measure")
	g.until("the door again", `document.querySelector("input[type=password]")`)
	g.fill("Your sign-in name", "tor")
	g.fill("Password", "not the password")
	g.press("Open the shop")
	g.sees("this name and password do not belong together")
	if v := ask[string](g, `document.querySelector("input[autocomplete=username]").value`); v != "tor" {
		t.Errorf("the name that was typed is gone: %q", v)
	}
	if shown := ask[string](g, `document.body.innerText`); strings.Contains(shown, "Sauna stove") {
		t.Error("a job shows at the door")
	}
}

// An owner lays a value of the shop's own over the book's: it is refused when
// it cannot be, keeps what was typed, is shown with who said so, and goes again.
// A technician sees it and cannot change it.
func ownValues(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/book/materials")
	row := `document.querySelector('[data-value="cast/steady"]')`
	g.until("the row", row)
	g.pressAt(`[data-value="cast/steady"] button`)
	g.until("the form", `document.querySelector("form input")`)
	g.accessible("a value of the shop's own")
	ask[any](g, `void document.querySelector("form input").select()`)
	g.fill("The shop's value, °C", "9")
	g.fill("Where it says so", "House rule, spring")
	g.press("Lay it over the book's")
	g.sees("steady heat is expected from 20 to 1500 °C")
	g.until("what was typed", `[...document.querySelectorAll("form input")].some(i => i.value === "House rule, spring")`)
	ask[any](g, `void document.querySelector("form input").select()`)
	g.fill("The shop's value, °C", "95")
	g.press("Lay it over the book's")
	g.until("the value", row+`?.innerText.includes("95 °C") && `+row+
		`.innerText.includes("set by the shop: House rule, spring; Mira Quill") && `+row+
		`.innerText.includes("the book says")`)
	g.pressAt(`[data-value="cast/steady"] button`)
	g.press("As in the book again")
	g.until("the book's value", `!`+row+`.innerText.includes("set by the shop")`)

	// A cutter that is known better, and a cleaner that the sheet allows.
	g.goTo("/book/heat")
	g.pressAt(`[data-value="saw/half"] button`)
	g.refill("The shop's value, mm", "0.3")
	g.fill("Where it says so", "Its own test cuts")
	g.press("Lay it over the book's")
	g.until("the band", `document.querySelector('[data-value="saw/half"]')?.innerText.includes("0.3 mm") &&
		document.querySelector('[data-value="saw/half"]').innerText.includes("the book says 0.5 mm")`)
	g.pressAt(`[data-value="oven/steady"] button`)
	g.refill("The shop's value, °C", "245")
	g.fill("Where it says so", "Probe, two ovens")
	g.press("Lay it over the book's")
	g.until("the heat", `document.querySelector('[data-value="oven/steady"]')?.innerText
		.includes("set by the shop: Probe, two ovens; Mira Quill")`)
	g.goTo("/book/touch")
	pair := `[data-pair="ammonia/polycarbonate"]`
	g.pressAt(pair)
	g.press("the shop's own word on it")
	g.pressAt(`form [role=radio][value="1"]`)
	g.accessible("the shop's own word on a pair")
	g.press("Lay it over the book's")
	g.sees("this is empty")
	g.fill("Where it says so", "Sheet of the foam")
	g.press("Lay it over the book's")
	g.until("the shop's word", `document.querySelector('`+pair+`').getAttribute("aria-label").endsWith(": good")`)
	g.press("change the shop's word")
	g.press("As in the book again")
	g.until("the book's word", `document.querySelector('`+pair+`').getAttribute("aria-label").endsWith(": never")`)

	tor := open(t, p)
	tor.signIn("tor")
	tor.goTo("/book/materials")
	tor.sees("set by the shop: Delivery sheet 4 of the patterned glass; Mira Quill")
	if n := ask[int](tor, `document.querySelectorAll("[data-value] button").length`); n != 0 {
		t.Errorf("a technician may change %d values", n)
	}
}

// An old seal is judged where it stands in the log, and what becomes of it is said with a
// tap.
func sealAgain(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	id := g.taken("Sauna stove, door of the long cabin", "clip-heat", "fire")
	g.call("POST", fmt.Sprintf("/api/jobs/%d/strip", id),
		`{"id": "", "in": 0, "kind": "seal", "what": "rope of the door", "count": 1, "fate": "back",
			"held": {"how": "friction"}}`)
	g.goTo(fmt.Sprintf("/jobs/%d/strip", id))
	g.press("may it go in again?")
	g.until("it may", `document.querySelector("[data-seal-again] [data-figure='reuse']")?.innerText
		.includes("goes in again")`)
	g.accessible("an old seal again")
	ask[any](g, `void [...document.querySelectorAll("[data-seal-again] label")]
		.find(l => l.innerText === "frayed").click()`)
	g.until("it may not", `document.querySelector("[data-seal-again] [data-figure='reuse']")?.innerText
		.includes("renew it")`)
	g.press("Renew it")
	g.until("it is renewed", `document.querySelector("[data-strip]")?.innerText.includes("renew") &&
		!document.querySelector("[data-seal-again]")`)
}
