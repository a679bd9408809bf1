package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"strings"
	"testing"
)

// What was ordered comes late, then 3 mm too wide: it goes back, the pane waits on, and
// nobody says that it was looked over. A seal that nobody ordered is put on an order.
func lateAndWrong(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/31/source")
	g.sees("the breaker's yard: sent")
	if !bytes.HasPrefix(g.fetch(g.href("on paper")), []byte("%PDF")) {
		t.Error("an order that is no PDF")
	}
	g.press("another day")
	g.fill("They say it comes", "5/13")
	g.sees("Not yet:")
	g.refill("They say it comes", "tomorrow noon")
	g.press("Wait for that")
	g.sees("the breaker's yard: confirmed")
	g.press("something is wrong")
	g.press("○ wrong")
	g.press("It goes back")
	g.sees("say what is wrong with it")
	g.accessible("what came, refused")
	g.fill("Width, as read", "177,6")
	g.press("too wide")
	g.press("It goes back")
	g.sees("which was wrong: too wide; 3.1 mm wider than ordered, of ±2.5 mm")
	g.until("it is marked", `document.querySelector("[data-supply]").innerText.includes("goes back: too wide")`)
	g.accessible("an order on its way back")
	g.press("Order what is missing")
	g.fill("And", "tape, 3 mm, a roll")
	g.press("Write the order")
	g.sees("Not yet:")
	g.fill("From", "Fennel Lane parts")
	g.press("Write the order")
	g.until("two orders", `document.querySelectorAll("[data-supply]").length === 2`)
	g.press("It is sent")
	g.until("it is sent", `document.querySelectorAll("[data-supply]")[1].innerText.includes("Fennel Lane parts: sent")`)
	g.press("All of it is here")
	g.sees("the breaker's yard: here")
	g.until("the pane waits no more", `!document.body.innerText.includes("Waits for the pane")`)
	g.pressAt("[data-fold=prices]")
	g.press("Ask all who answer")
	g.until("they have said something", `document.querySelectorAll("[data-asked] li").length >= 2`)
}

// href is where a link with these words leads.
func (g *page) href(words string) string {
	g.t.Helper()
	find := fmt.Sprintf(`[...document.querySelectorAll("a")].find(a => a.innerText.trim() === %q)?.getAttribute("href")`,
		words)
	g.until("a link "+words, find)
	return ask[string](g, find)
}

// A quote from an estimate; an invoice that is taken back and written again, once more
// each, with what it took; and the ledger of it.
func quoteToInvoice(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/jobs/31/choose")
	g.press("what it costs")
	g.until("a range", `/^From .* is likely/.test(document.querySelector("[data-price]")?.innerText)`)
	g.accessible("what it costs")
	g.pressAt(`[data-line="measure"] button`)
	g.refill("It took, minutes of all people", "a while")
	g.sees("whole minutes are expected")
	g.refill("It took, minutes of all people", "25")
	g.press("Keep")
	g.pressAt(`[data-line="measure"] button`)
	g.until("what it took", `document.querySelector('[data-line="measure"]').innerText.includes("25 min, what it took")`)
	g.sees("No invoice yet: the job is not signed off yet.")
	g.press("Write a quote")
	g.sees("no price yet: tape, 3 mm, a roll")
	g.pressAt(`[data-line^="order-"][data-line*="own-"] button`)
	g.refill("It costs, each", "4.5")
	g.press("Keep")
	g.until("it has a price", `document.querySelector('[data-line*="own-"]').innerText.includes("put in by hand")`)
	g.press("Write a quote")
	g.sees("Quote 1,")
	g.saysYes(open(t, p))

	var found []struct{ ID int }
	if err := json.Unmarshal(g.fetch("/api/jobs?state=signed&words=Tolliver"), &found); err != nil || len(found) == 0 {
		t.Fatalf("%v, %+v", err, found)
	}
	// The stove was here a year ago too: its bill is on the ticket that came first.
	first := found[0].ID
	for _, f := range found {
		first = min(first, f.ID)
	}
	g.goTo(fmt.Sprintf("/jobs/%d/prove", first))
	g.press("what it costs")
	g.until("its invoice", `document.querySelector('section[aria-label="Papers"] li')`)
	g.press("Take the invoice back")
	g.sees("Not yet:")
	g.fill("Why it is taken back", "the pane was a warranty")
	g.press("Take the invoice back")
	g.sees("Credit 1,")
	g.press("Write the invoice")
	g.sees("Invoice ")
	g.until("three papers and more", `document.querySelectorAll('section[aria-label="Papers"] li').length === 3`)
	g.paidInParts(first)
	if !bytes.HasPrefix(g.fetch(ask[string](g,
		`document.querySelector('section[aria-label="Papers"] a').getAttribute("href")`)),
		[]byte("%PDF")) {
		t.Error("an invoice that is no PDF")
	}
	if l := g.fetch("/api/ledger.csv"); bytes.Count(l, []byte("\n")) < 5 || !bytes.Contains(l, []byte("credit,1,")) {
		t.Errorf("%s", l)
	}
	g.goTo("/shop")
	g.refill("An hour of one person", "dear")
	g.sees("a number such as 12.50 is expected")
	g.refill("An hour of one person", "52")
	g.press("Save rates")
	g.until("it is kept",
		`[...document.querySelectorAll("label")].some(l => l.innerText === "An hour of one person" &&
			document.getElementById(l.htmlFor).value === "52.00")`)
}

// paidInParts takes more than is owed, which is stopped at its field, then a part, then the rest: the
// job stands in the list of what is open until its last cent.
func (g *page) paidInParts(job int) {
	g.t.Helper()
	stands := func(state string) {
		g.until(state, fmt.Sprintf(`document.querySelector("[data-stands]")?.dataset.stands === %q`, state))
	}
	total := ask[string](g, `[...document.querySelectorAll('section[aria-label="Papers"] li strong')].at(-1).innerText`)
	stands("open")
	g.accessible("what is open of it")
	g.refill("Was paid", strings.Replace(total, ".", "", 1))
	g.press("Write the payment down")
	g.sees("more than is owed")
	g.refill("Was paid", "10")
	ask[any](g, `void [...document.querySelectorAll("[data-paid] [role=radio]")]
		.find(b => b.innerText.includes("cash")).click()`)
	g.press("Write the payment down")
	g.until("a part of it", `document.querySelectorAll("[data-paid] li").length === 1`)
	stands("open")
	bill := ask[string](g, `document
		.querySelector('section[aria-label="Papers"] li:last-child a[href$=".xml"]').getAttribute("href")`)
	if x := g.fetch(bill); !bytes.Contains(x, []byte("<cbc:PayableAmount")) || !bytes.Contains(x, []byte(total)) {
		g.t.Errorf("%s: %.300s", bill, x)
	}
	g.goTo("/ledger")
	g.until("it is open", fmt.Sprintf(`document.querySelector("[data-owing='%d']")`, job))
	g.pressAt(fmt.Sprintf("[data-owing='%d'] a", job))
	g.until("what is left", `document.querySelector("[data-paid] form")`)
	g.press("Write the payment down")
	stands("settled")
}

// saysYes sends a quote to its customer by a page: somebody who is not signed in reads it, asks for a
// call, then says yes, each with a name; the shop reads both.
func (g *page) saysYes(customer *page) {
	g.t.Helper()
	g.press("Make a page for their yes")
	g.until("it waits", `document.querySelector("[data-asked-for=waiting] a[href^='/q/']")`)
	g.accessible("a quote that waits for its yes")
	customer.goTo(ask[string](g, `document.querySelector("[data-asked-for] a[href^='/q/']").getAttribute("href")`))
	customer.sees("What is not in it")
	customer.accessible("a quote for its customer")
	customer.press("Yes, do it")
	customer.sees("this is empty")
	customer.fill("Your name", "Wren Fenland")
	customer.press("Call me first")
	customer.until("a call", `document.querySelector("[data-stands=call]")`)
	customer.fill("A word to the shop", "after six")
	customer.press("Yes, do it")
	customer.until("a yes", `document.querySelector("[data-stands=yes]")?.innerText.includes("Wren Fenland said yes")`)
	g.goTo("/jobs/31/choose?price")
	g.until("the yes", `document.querySelector("[data-asked-for=yes]")?.innerText.includes("“after six”")`)
}
