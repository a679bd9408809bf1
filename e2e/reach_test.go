package e2e

import (
	"fmt"
	"testing"

	"freshshard/internal/demo"
)

// cut is a page whose calls do not get through, until it is mended.
const (
	cut    = `void (window.through ??= window.fetch, window.fetch = () => Promise.reject(new TypeError("no network")))`
	mended = `void (window.fetch = window.through)`
)

// Without a network the page says so within a second, keeps what was answered and sends it as soon
// as there is one, once.
func cutOff(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Kiln, a network that went", "clip-heat", "kiln")
	g.goTo(fmt.Sprintf("/jobs/%d/measure", job))
	g.until("the tape", `document.querySelector("#tape-line")`)
	ask[any](g, `void [...document.querySelectorAll('[data-place=height_left]')].at(-1)
		.dispatchEvent(new MouseEvent("click", {bubbles: true}))`)
	g.until("its place", `document.querySelector("label[for=tape-line]").innerText === "height, left"`)
	ask[any](g, cut)
	g.do(typeInto("#tape-line", "411\r"))
	ask[string](g, `new Promise((done) => setTimeout(() => done(""), 1000))`)
	said := ask[string](g, `document.querySelector("[data-reach]")?.innerText ?? ""`)
	if said != "⚠ No network. Your answer is kept here and will be sent." {
		t.Errorf("cut off for a second, the page says %q", said)
	}
	g.accessible("cut off")
	ask[any](g, mended)
	g.until("the network", `!document.querySelector("[data-reach]")`)
	g.until("the reading", fmt.Sprintf(`fetch("/api/jobs/%d").then(r => r.json())
		.then(v => v.pane.readings.some(r => r.place === "height_left" && r.reading.text === "411"))`, job))
	g.until("the next place", `document.querySelector("label[for=tape-line]").innerText !== "height, left"`)
}

// An answer that got lost on its way back was heard all the same: what is sent again is done once.
func lostAnswer(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/stores")
	g.press("Take something in")
	g.press("○ seal")
	g.fill("What is it?", "cord of a lost answer")
	ask[any](g, `void (window.through ??= window.fetch, window.fetch = (r) => window.through(r)
		.then(() => { throw new TypeError("lost") }))`)
	g.press("Take it in")
	g.until("cut off", `document.querySelector("[data-reach]")`)
	ask[any](g, mended)
	mine := `[...document.querySelectorAll("[data-stock]")].filter(l => l.innerText.includes("cord of a lost answer"))`
	g.fill("Find", "lost answer")
	g.until("it in the list", mine+`.length > 0 && !document.querySelector("[data-reach]")`)
	stored := ask[int](g, `fetch("/api/stores").then(r => r.json())
		.then(s => s.items.filter(i => i.name === "cord of a lost answer").length)`)
	if stored != 1 {
		t.Errorf("it was taken in %d times", stored)
	}
}

// A session that ends under one's hands leads to the door, and from there back to the same field
// with what was typed in it.
func doorAndBack(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo(fmt.Sprintf("/jobs/%d/measure", g.taken("Kiln, a session that ended", "clip-heat", "kiln")))
	g.until("the tape", `document.querySelector("#tape-line")`)
	g.do(typeInto("#tape-line", "297"))
	ask[any](g, `fetch("/api/session", {method: "DELETE"}).then(() => {})`)
	g.until("the door", `document.querySelector("input[type=password]")`)
	g.fill("Your sign-in name", "tor")
	g.fill("Password", demo.Password)
	g.press("Open the shop")
	g.until("the same field with what was typed", `document.activeElement.id === "tape-line" &&
		document.activeElement.value === "297"`)
	ask[any](g, `void Object.keys(localStorage).filter(k => k.startsWith("draft:tape"))
		.forEach(k => localStorage.removeItem(k))`)
}
