package e2e

import (
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
	g.goTo("/jobs/10/measure")
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
	g.until("the reading", `fetch("/api/jobs/10").then(r => r.json())
		.then(v => v.pane.readings.some(r => r.place === "height_left" && r.reading.text === "411"))`)
	g.until("the next place", `document.querySelector("label[for=tape-line]").innerText !== "height, left"`)
}

// A session that ends under one's hands leads to the door, and from there back to the same field
// with what was typed in it.
func doorAndBack(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/9/measure")
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
