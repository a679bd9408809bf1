package e2e

import (
	"encoding/json"
	"fmt"
	"testing"

	"github.com/chromedp/chromedp"
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
	g.press("Start the job")
	g.sees("The part, as it comes")
	g.sees("No number yet: note it at Source.")
	job := ask[int](g, `Number(location.pathname.split("/")[2])`)
	if ask[bool](g, `document.querySelector("#tape-line") !== null`) {
		t.Error("the tape asks for a reading that nobody needs")
	}
	g.until("what is asked first",
		`document.querySelector("[data-line=look]").innerText.includes("What does the break look like?")`)
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

// Screws are counted an eighth a tap; the one that differs is named.
func screwsCounted(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo(fmt.Sprintf("/jobs/%d/set", g.taken("Sauna stove, its screws counted", "clip-heat", "fire")))
	for screw, taps := range []int{3, 3, 1} {
		for n := range taps {
			g.pressAt(fmt.Sprintf(`[data-screw="%d"] button[aria-label$=more]`, screw+1))
			want := []string{"1/8", "1/4", "3/8"}[n]
			g.until("screw at "+want, fmt.Sprintf(
				`document.querySelector('[data-screw="%d"] span:nth-of-type(2)').textContent.replace("⁄", "/").includes(%q) &&
				!document.querySelector('[data-screw="%d"] button[aria-label$=more]').disabled`,
				screw+1, want, screw+1))
		}
	}
	g.sees("screw 3 was turned less than the others")
	g.accessible("turns after the first touch")
}

// An old pane that is brought alone is the pattern: its own two readings, and it
// says that the opening was not read.
func oldPaneAlone(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	id := g.taken("Museum case, an old pane brought alone", "bead-brads", "room")
	g.goTo(fmt.Sprintf("/jobs/%d/measure", id))
	g.press("a new pane made to size")
	g.press("○ Copied from the old pane, taken along")
	g.press("Save")
	g.until("the old pane asked for", hasTape+`.innerText === "old pane, width"`)
	g.tape("374.3")
	g.until("then its height", hasTape+`.innerText === "old pane, height"`)
	g.tape("563.8")
	g.sees("Order 374.5 × 564.0 mm")
	g.goTo(fmt.Sprintf("/jobs/%d/prove", id))
	g.sees("Customer knows that it was not tried in its frame")
	g.accessible("a pattern")
}

// Pins through a sprung hinge would be shut in: the door does not go on before
// they are out.
func guestShutIn(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	id := g.taken("Deck oven, back door", "channel-front", "oven")
	refit := fmt.Sprintf("/jobs/%d/refit", id)
	g.goTo(fmt.Sprintf("/jobs/%d/strip", id))
	g.press("Put something in")
	g.accessible("what is put in for now")
	g.press("pins through the hinges")
	g.sees("out before: Door back on")
	g.upTo(id, "door-on")
	g.goTo(refit)
	g.until("the step waits",
		`document.querySelector("[data-waits=door-on]")?.innerText.includes("pins through the hinges still in")`)
	if !ask[bool](g, `document.querySelector("[data-step=door-on] button[role=checkbox]").disabled`) {
		t.Error("the door goes on over its pins")
	}
	g.press("It is out")
	g.until("the step is free", `!document.querySelector("[data-waits=door-on]")`)
	g.pressAt(`[data-step=door-on] button[role=checkbox]`)
	g.until("the door on",
		`document.querySelector("[data-step=door-on] button[role=checkbox]").dataset.state === "checked"`)
	g.sees("Out again: pins through the hinges.")
}

// Who lies among those that say a size; why a bond let go; how far to turn.
func roadSums(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/sums/witness")
	g.press("One more")
	for n, text := range []string{"270", "258", "266.4 ±1"} {
		id := ask[string](g, fmt.Sprintf(
			`[...document.querySelectorAll("label")].filter(l => l.innerText.trim() === "width")[%d].htmlFor`, n))
		g.do(chromedp.SendKeys(chromedp.ID(id), text))
	}
	g.sees("is off by −8.2 mm from the others, who agree: left out")
	g.accessible("who says the size")
	g.goTo("/sums/bond")
	g.press("○ clean metal")
	for n := range 5 {
		g.pressAt(fmt.Sprintf(`[data-spot="%d"]`, n))
	}
	g.sees("The glue left the metal")
	g.sees("of pull at the plate's edge in a gust of 30 m/s")
	g.accessible("a bond that let go")
	g.goTo("/sums/turns")
	g.sees("after the first touch seat it: 1 1/4")
	g.press("○ M8")
	g.sees("after the first touch seat it: 3/4")
	g.refill("Gasket, free thickness", "60")
	g.sees("a free thickness between 0 and 40 mm is expected")
	g.accessible("how far to turn")
}

// Nine lights are ticked together: one press for all that are ready, what is
// alike is given to the others, and a check is passed on all.
func nineTogether(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	var made struct {
		ID int `json:"id"`
	}
	body := `{"name": "Oda Marl", "object": "Greenhouse, east sash", "exposure": "weather", "family": "putty-points",
		"place": "bench", "layout": {"across": 3, "down": 3, "behind": false}}`
	if err := json.Unmarshal([]byte(g.call("POST", "/api/jobs", body)), &made); err != nil {
		t.Fatal(err)
	}
	job := fmt.Sprintf("/jobs/%d/", made.ID)
	g.goTo(job + "strip")
	g.until("steps", `document.querySelector("[data-step=putty-out]")`)
	g.pressAt(`[data-step=putty-out] button:not([role])`)
	g.until("the tick",
		`document.querySelector("[data-step=putty-out] button[role=checkbox]").dataset.state === "checked"`)
	if n := ask[int](g, fmt.Sprintf(
		`fetch("/api%s").then(r => r.json()).then(v => v.hindrances.filter(h => h.key === "putty-out").length)`,
		job[:len(job)-1])); n != 0 {
		t.Errorf("the step is open on %d lights", n)
	}
	g.goTo(job + "measure")
	g.read("ledge", "12")
	g.press("pane 1, 1 of 9")
	g.sees("8 others are held like pane 1")
	g.accessible("the others as this one")
	g.press("Make them alike")
	g.sees("Done.")
	for _, s := range []string{"points-out", "pane-out", "order", "rebate", "dry-fit", "back-putty", "pane-in",
		"points-in"} {
		g.call("PUT", "/api"+job+"steps/"+s+"/all", "")
	}
	g.goTo(job + "prove")
	g.pressAt(`[data-check=rattle] button:nth-of-type(3)`)
	g.until("the answer", `document.querySelector("[data-check=rattle]").innerText.includes("✓ pass")`)
	g.goTo(job + "refit")
	g.sees("once for all")
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
	g.press("Save")
	g.sees("a broken pane does not stay")
	g.accessible("what is to be done, refused")
	g.press("○ whole: it came off or fell out")
	g.press("Save")
	g.sees("The pane stays: stuck again")
	g.goTo("/jobs/21/strip")
	g.sees("Look at both faces of the old bond")
	g.refill("bond along", "400")
	g.refill("across", "30")
	g.press("○ clean metal")
	for n := range 3 {
		g.pressAt(fmt.Sprintf(`[data-spot="%d"]`, n))
	}
	g.press("Keep the map")
	g.sees("The glue left the metal")
	g.accessible("both faces")
	g.goTo("/jobs/21/assess")
	for range 3 {
		g.pressAt(`[data-face="frame 5"]`)
	}
	g.until("glue on both faces",
		`document.querySelector('[data-face="glass 5"]').ariaLabel.includes("torn in the glue, glue on it")`)
	g.accessible("both faces on the table")
	g.press("Keep both faces")
	g.until("they are kept", `![...document.querySelectorAll("button")].some(b => b.innerText === "Keep both faces")`)
	g.goTo("/jobs/21/prepare")
	g.sees("Down to sound metal, degreased, primed and dry")
	g.goTo("/jobs/21/choose")
	g.sees("Nothing is chosen here: stick it again.")
	g.goTo("/jobs/21/measure")
	g.press("stick it again")
	g.press("○ A new pane made to size")
	g.press("Save")
	g.until("the order again", `document.querySelector("[data-order]")`)
}
