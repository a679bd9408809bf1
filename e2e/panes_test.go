package e2e

import (
	"fmt"
	"math"
	"strings"
	"testing"
)

// pane finds a pane on the drawing of the object.
func pane(n int) string {
	return fmt.Sprintf(`[...document.querySelectorAll("main [data-pane]")]
		.find(e => e.getAttribute("aria-label").startsWith("pane %d,"))`, n)
}

// Nine panes of one object: each with its own state on the drawing, some wait
// while others are gone on with.
func ninePanes(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/jobs/14/measure")
	g.until("the object on the table", `document.querySelectorAll("main [data-pane]").length === 9`)
	for n, says := range map[int]string{1: "on the table", 2: "waits for 3 mm glass", 3: "at assess"} {
		if label := ask[string](g, pane(n)+`.getAttribute("aria-label")`); !strings.Contains(label, says) {
			t.Errorf("pane %d is %q, want %q", n, label, says)
		}
	}
	ask[any](g, "void "+pane(5)+`.dispatchEvent(new MouseEvent("click", {bubbles: true}))`)
	g.until("pane 5", `document.querySelector("h1").innerText.includes("pane 5, 5 of 9")`)
	g.read("width_top", "444")
	g.goTo("/jobs/14/measure")
	g.until("pane 1 untouched by it",
		`document.querySelector('[data-place=width_top]').getAttribute("aria-label").includes("508.0")`)
	g.press("pane 1, 1 of 9")
	g.until("the sheet", `document.querySelector("[role=dialog] ol li")`)
	g.accessible("panes of the object")
	if left := ask[int](g,
		`[...document.querySelectorAll("[role=dialog] button")].filter(b => b.innerText === "take out").length`); left != 4 {
		t.Errorf("%d panes can be taken out; 3, 6, 8 and 9 were not touched", left)
	}
	ask[any](g, `void document.querySelector('[aria-label="take out pane 9"]').click()`)
	g.until("eight left", `document.querySelectorAll("[role=dialog] ol li").length === 8`)
	g.press("Add 1 more")
	g.until("nine again", `document.querySelectorAll("[role=dialog] ol li").length === 9`)
	// Two taps put it elsewhere on the object.
	g.press("Put pane 1 elsewhere on it")
	tap := func(x, y float64) {
		ask[any](g, fmt.Sprintf(
			`void (() => { const e = document.querySelector("[data-face]"), b = e.getBoundingClientRect();
				e.dispatchEvent(new MouseEvent("click", {bubbles: true, clientX: b.left + %v * b.width,
				clientY: b.top + %v * b.height})) })()`, x, y))
	}
	tap(0.4, 0.5)
	g.sees("Now tap the corner across.")
	tap(0.1, 0.2)
	g.until("the figures",
		`[...document.querySelectorAll("[role=dialog] input")].map(i => Math.round(Number(i.value)))
			.join() === "10,20,30,30"`)
	g.accessible("a pane put elsewhere")
	g.refill("wide, %", "95")
	g.press("Put it there")
	g.sees("would lie off the object")
	g.refill("wide, %", "30")
	g.press("Put it there")
	g.until("the panes again", `document.querySelectorAll("[role=dialog] ol li").length === 9`)
	if x := ask[float64](g, `fetch("/api/jobs/14").then(r => r.json()).then(v => v.panes[0].spot.x)`); math.Abs(
		x-0.1) > 0.01 {
		t.Errorf("pane 1 stands at %v", x)
	}
	g.press("Close")
	// Its wait ends: the pane is gone on with.
	ask[any](g, "void "+pane(2)+`.dispatchEvent(new MouseEvent("click", {bubbles: true}))`)
	g.until("pane 2", `document.querySelector("h1").innerText.includes("pane 2, 2 of 9")`)
	g.press("Source")
	g.press("It has arrived")
	g.until("nothing waited for", pane(2)+`.getAttribute("aria-label").includes("at ")`)
}

// Take-in finds the family by what is seen at the edge; an object may have
// several panes from the start.
func questionsFindTheFamily(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/take-in")
	g.fill("Name", "Ferry town museum")
	g.press("Next")
	g.fill("The object", "Museum case, two sliding fronts")
	g.press("It has several panes")
	ask[any](g, `void document.querySelector('[aria-label="across: one less"]').click()`)
	g.press("○ Room air")
	g.accessible("take-in, several panes")
	g.press("Next")
	g.press("○ Metal over it")
	g.sees("Which metal?")
	g.press("the question before")
	g.press("○ Nothing fast: it moves")
	g.press("○ It lifts up and the foot swings out")
	g.until("the family", `document.querySelector("[data-family=lift-drop]")`)
	g.press("Something else holds it")
	g.press("○ It is a tube")
	g.until("the other family", `document.querySelector("[data-family=gauge-tube]")`)
	g.press("Something else holds it")
	g.press("○ Nothing fast: it moves")
	g.press("○ It lifts up and the foot swings out")
	g.accessible("take-in, found")
	g.press("Next")
	g.press("Start the job")
	g.until("its panes", `document.querySelectorAll("main [data-pane]").length === 2`)
	g.press("the pane")
	g.until("its places", `document.querySelector("[data-place=upper_pocket]")`)
	g.sees("pane 1, 1 of 2")
}

// A cleaner that crazes the pane is refused with its reason and what is good
// instead; what was ticked before stays.
func blockedCleaner(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/jobs/25/prepare")
	g.pressAt(`[data-agent=mild-soap]`)
	g.until("soap ticked", `document.querySelector("[data-agent=mild-soap]").getAttribute("aria-pressed") === "true"`)
	g.pressAt(`[data-agent=ammonia]`)
	g.until("the refusal",
		`document.querySelector("[data-refused]")?.innerText
			.includes("ammonia crazes it from every edge and hole; take mild soap and water")`)
	if ask[bool](g, `document.querySelector("[data-agent=ammonia]").getAttribute("aria-pressed") === "true"`) {
		t.Error("ammonia is taken")
	}
	g.accessible("what touches it")
	// Another material makes what is used a clash: it is said, and holds the
	// signature up.
	g.pressAt(`[data-agent=alcohol]`)
	g.until("alcohol ticked", `document.querySelector("[data-agent=alcohol]").getAttribute("aria-pressed") === "true"`)
	g.goTo("/book/touch")
	g.pressAt(`[aria-label^="✕ acetone"]`)
	g.sees("ketones and aromatic solvents dissolve and craze it")
	g.accessible("book, touch")
}

// A warped ring leads to plastic, with the number; moving a weight ranks anew
// and says so.
func warpAndWeights(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/22/choose")
	g.sees("annealed glass is ruled out, the seat is 1.2 mm out of flat")
	first := `document.querySelector("[data-material]").dataset.material`
	g.until("plastic first", `["polycarbonate", "acrylic"].includes(`+first+`)`)
	before := ask[string](g, first)
	ask[any](g, `void document.querySelector("details").setAttribute("open", "")`)
	weigh := func(k string, v int) {
		ask[any](g, fmt.Sprintf(
			`void (() => { const e = document.querySelector("[data-weight=%s]");
				Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(e, "%d");
				e.dispatchEvent(new Event("input", {bubbles: true})) })()`, k, v))
	}
	weigh("warp", 0)
	weigh("scratch", 10)
	weigh("heat", 10)
	g.until("another order", first+" !== "+fmt.Sprintf("%q", before))
	g.sees("as usual")
	g.accessible("weights")
	g.press("as usual again")
	g.until("the usual order", first+" === "+fmt.Sprintf("%q", before))
}
