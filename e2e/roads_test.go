package e2e

import (
	"fmt"
	"testing"
)

// A part from take-in to the signature: by its number, with no reading asked;
// the line along the bottom says the next step.
func partByNumber(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/take-in")
	g.fill("Name", "Oda Marl")
	g.press("Next")
	g.fill("The object", "Deck oven, side door")
	g.press("○ Oven heat")
	g.press("Next")
	g.press("○ Metal over it")
	g.press("○ A channel above, a bar below")
	g.press("Next")
	g.press("○ A part as it comes")
	g.accessible("take-in, what is to be done")
	g.press("Lay it on the table")
	g.sees("The part, as it comes")
	g.sees("No number yet: note it at Source.")
	job := ask[int](g, `Number(location.pathname.split("/")[2])`)
	if ask[bool](g, `document.querySelector("#tape-line") !== null`) {
		t.Error("the tape asks for a reading that nobody needs")
	}
	g.until("the next step", `document.querySelector("[data-next]").innerText.includes("Look why it broke")`)
	g.goTo(fmt.Sprintf("/jobs/%d/source", job))
	g.sees("no number noted, nor where the part was seen")
	g.fill("Its number", "71-404")
	g.press("○ off its plate")
	g.press("seal")
	g.press("Keep the part")
	g.sees("Part 71-404, as it comes")
	g.accessible("a part")
	g.finish(job)
	g.goTo(fmt.Sprintf("/jobs/%d/prove", job))
	g.sees("Everything is proved")
	g.press("Sign as Tor")
	g.sees("is signed.")
	g.sees("Told to the customer")
}

// A pane that came off whole is only stuck again: said on an open job, a broken
// pane that stays is refused in words, and nothing that was typed is lost.
func stuckAgain(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/21/assess")
	g.press("a new pane made to size")
	g.sees("What was read and done stays on the record")
	g.press("○ The pane stays")
	g.press("○ broken")
	g.press("Keep it")
	g.sees("a broken pane does not stay")
	g.accessible("what is to be done, refused")
	g.press("○ whole: it came off or fell out")
	g.press("Keep it")
	g.sees("The pane stays: stuck again")
	g.goTo("/jobs/21/strip")
	g.sees("Look at both faces of the old bond")
	g.goTo("/jobs/21/choose")
	g.sees("Nothing is chosen here: stick it again.")
	g.goTo("/jobs/21/measure")
	g.press("stick it again")
	g.press("○ A new pane made to size")
	g.press("Keep it")
	g.until("the order again", `document.querySelector("[data-order]")`)
}
