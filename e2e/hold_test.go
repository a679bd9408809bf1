package e2e

import (
	"fmt"
	"testing"
)

// A bonded cab window hardens: the cold comes in and the clock says later, a heater says
// sooner, the promise is held against it, and its step waits.
func bondHardens(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("ebbe")
	g.goTo("/jobs/36/hold")
	g.until("the curve, over its table", `document.querySelector("[data-curve]")?.getBoundingClientRect().width > 300`)
	g.sees("What does the bench say?")
	g.sees("Let go")
	g.accessible("what hardens")
	ready := func() string {
		return ask[string](g, `document.querySelector('[data-cure] > p').innerText`)
	}
	first := ready()
	g.fill("The air, °C and %", "10 200")
	g.press("Enter")
	g.sees("read it in per cent")
	g.refill("The air, °C and %", "11,5 34")
	g.press("Enter")
	g.until("the clock to hear of it", fmt.Sprintf(`document.querySelector('[data-cure] > p').innerText !== %q`, first))
	cold := ready()
	g.pressAt(`[data-clock="ready"] button`)
	g.sees("how deep in 24 h at 23 °C and 50 %, at the least")
	g.press("Warm it to 20 °C")
	g.until("the heater to tell", fmt.Sprintf(`document.querySelector('[data-cure] > p').innerText !== %q`, cold))
	g.sees("kept at 20 °C")
	g.sees("vehicle urethane has to harden")
	g.goTo("/")
	g.sees("vehicle urethane to harden")
	g.until("the next clock", `document.querySelector('section[aria-label="Clocks"]')?.innerText
		.includes("Orchard tractor")`)

	// Another one, from the form: frost on the flange keeps its tube shut.
	id := g.taken("Ferry wheelhouse, side window", "bonded-fixed", "weather")
	g.upTo(id, "cure")
	g.goTo(fmt.Sprintf("/jobs/%d/hold", id))
	g.press("Start a cure clock")
	g.fill("Glass and flange, °C", "1")
	g.press("Start its clock")
	g.sees("Not yet:")
	g.accessible("what was laid, refused")
	g.refill("Glass and flange, °C", "18")
	ask[any](g, `void (() => { const s = [...document.querySelectorAll('form[aria-label="What was laid"] select')]
		.find(s => [...s.options].some(o => o.value === "urethane"));
		Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value").set.call(s, "urethane");
		s.dispatchEvent(new Event("change", {bubbles: true})) })()`)
	g.press("○ one edge open")
	g.refill("Pressed width", "5")
	g.press("Start its clock")
	g.until("a clock", `document.querySelectorAll("[data-clock]").length === 3`)
	g.press("take this clock out")
	g.until("no clock", `document.querySelectorAll("[data-cure]").length === 0`)
}
