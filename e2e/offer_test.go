package e2e

import "testing"

// Three offers for a pane: the cheap one is not what it seems. A price that is none is
// said at its field; the one that is taken is waited for.
func threeOffers(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/31/source")
	g.pressAt("[data-fold=prices]")
	g.sees("Glass shop at the lock is the cheapest in the end")
	g.until("three ranges", `document.querySelectorAll("[data-offer] svg[role=img]").length === 3`)
	g.sees("The second would be first if")
	g.accessible("three offers")
	g.press("Add a supplier’s price …")
	g.fill("Price", "cheap")
	g.sees("a price such as 12.50 is expected")
	g.accessible("an offer, refused")
	g.press("○ salvage")
	g.fill("Who", "the breaker's yard")
	g.refill("Price", "12.5")
	g.press("Note it")
	g.sees("the breaker's yard is the cheapest in the end")
	g.until("four", `document.querySelectorAll("[data-offer]").length === 4`)
	g.press("Order it")
	g.sees("Waits for the pane from the breaker's yard")
	g.until("it is ordered", `document.querySelector("[data-offer]").innerText.includes("ordered")`)
}
