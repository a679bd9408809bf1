package e2e

import (
	"fmt"
	"testing"
)

// A pack on the table: a coat turned round makes the outside hotter, says by
// how much, and turns back.
func packInAJob(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/16/choose")
	touch := `Number(document.querySelector('section[aria-label="The pack"] [data-touch]').dataset.touch)`
	g.until("the pack", `document.querySelector('section[aria-label="The pack"] [data-here="1"]')`)
	g.sees("°C outside")
	before := ask[float64](g, touch)
	g.press("Change the pack")
	g.pressAt(`[role=dialog] [data-coat="0"][data-side=hot]`)
	g.accessible("the pack of a job")
	g.press("Save")
	g.until("the outside to change", touch+" !== "+fmt.Sprint(before))
	if after := ask[float64](g, touch); after <= before {
		t.Errorf("the coat turned to the heat: %v °C outside, %v before", after, before)
	}
	g.sees("K cooler")
	// A cavity that cannot be is refused at its field, and what was typed stays.
	g.press("Change the pack")
	g.refill("Behind its hot side, °C", "-40")
	g.press("Save")
	g.sees("a temperature from 0 °C up is expected")
	g.refill("Behind its hot side, °C", "0")
	g.pressAt(`[role=dialog] [data-coat="0"][data-side=cold]`)
	g.press("Save")
	g.until("the outside as before", touch+" === "+fmt.Sprint(before))
}

// What a pane has to carry changes how thick it is and what is ruled out.
func carries(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/24/choose")
	g.pressAt(`[data-aspect=load]`)
	g.pressAt(`[data-stands=annealed] [data-bar-button]`)
	g.until("the numbers behind a bar", `document.querySelector("[data-why-stands=annealed] [data-figure=stands_load]")`)
	g.pressAt(`[data-figure=stands_load] button`)
	g.sees("The scale ends at 5")
	g.accessible("the numbers behind a bar")
	g.press("Close")
	g.press("carries a push of 400 N")
	g.refill("A push at the worst place, N", "-1")
	g.press("Save")
	g.sees("a push from 0 to 10,000 N is expected")
	g.refill("A push at the worst place, N", "6000")
	g.press("It stands over open food")
	g.accessible("what it has to carry")
	g.press("Save")
	g.until("the words in the row", `document.body.textContent.includes("carries a push of 6000 N, over food")`)
	g.sees("under a push of 6000 N at the worst place")
	g.until("annealed ruled out",
		`document.querySelector("[data-material=annealed]").textContent.includes("safety glazing") ||
			document.querySelector("[data-material=annealed]").textContent.includes("splinters")`)
	g.press("carries a push of 6000 N")
	g.refill("A push at the worst place, N", "400")
	g.press("It stands over open food")
	g.press("Save")
	g.until("as before", `document.body.textContent.includes("carries a push of 400 N")`)
	// Both answers to what people disagree on.
	g.goTo("/jobs/18/choose")
	g.press("Glass or plastic afloat?")
	g.sees("Nothing on the list stands for it here")
	g.until("what to look up", `document.querySelector("[data-asks]") !== null`)
}

// A clamp ring: the screws that came are too long, others are not.
func clampRing(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("ebbe")
	g.goTo("/jobs/20/measure")
	g.sees("its screws bottom out first")
	g.sees("window as it comes")
	g.read("screw_length", "22")
	g.sees("as read, the ring is home before its screws bottom out")
	g.accessible("a clamp ring")
}

// A pane under load and a damp part, by themselves: a free edge and a push ask for more glass, and
// what cannot be says so at its field.
func loadSum(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/sums/load")
	thick := `Number(document.querySelector("[data-carrier=annealed]").dataset.thickness)`
	g.until("the list", `document.querySelector("[data-carrier=annealed]")`)
	before := ask[float64](g, thick)
	g.accessible("a pane under load")
	g.pressAt(`[role=radio][value=two]`)
	g.refill("push, N", "400")
	g.until("thicker glass", thick+" > "+fmt.Sprint(before))
	g.until("the free sides", `document.querySelector('svg[aria-label="held above and below, free at its sides"]')`)
	g.sees("under a push of 400 N at the worst place, held on two sides")
	g.refill("width", "banana")
	g.sees("a number was expected here")
	if v := ask[string](g, `document.querySelector("section input").value`); v != "banana" {
		t.Errorf("what was typed is %q", v)
	}
	// The dew point: a part from the cold van is too damp to bond.
	g.goTo("/sums/dew")
	g.refill("the part, °C", "8")
	g.sees("Stop.")
	g.sees("is the surface above the dew point")
	g.refill("the part, °C", "18")
	g.until("dry enough",
		`document.querySelector("[data-dew]") && !document.querySelector("[data-dew]").innerText.includes("Stop.")`)
	g.refill("humidity, %", "0")
	g.sees("a humidity above 0 and up to 100 % is expected")
	g.accessible("the dew point")

	// A bead that skins before the pane is in: by two, or in parts.
	g.goTo("/sums/bead")
	g.sees("to open, of 310 ml each")
	g.refill("skins in, min", "3")
	g.sees("lay it in two parts, or have a second pair of hands")
	g.refill("who lay it", "2")
	g.until("it is laid in time", `!document.querySelector("[data-sum=bead]").innerText.includes("Stop.")`)
	g.refill("width", "0")
	g.sees("a width from 1 to 100 mm is expected")
	g.accessible("the bead")
}
