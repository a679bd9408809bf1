package e2e

import (
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os/exec"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
)

func typeInto(selector, text string) chromedp.Action[chromedp.Void] {
	return chromedp.SendKeys(chromedp.CSS(selector), text)
}

// walk is a way through the running program.
type walk struct {
	name string
	do   func(*testing.T, *program)
}

// Walks that change what all others see go before and behind them; the rest go side by side
// in two browsers, each in its order: those that look, count and work at jobs of their own
// beside those that change the demo's.
var before = []walk{
	{"settings", settings},
}

var oneSide = []walk{
	{"wrong readings", wrongReadings},
	{"two browsers", twoBrowsers},
	{"undo and pad", undoAndPad},
	{"why it broke", whyItBroke},
	{"strip and rebuild", stripAndRebuild},
	{"instruments", instruments},
	{"blocked cleaner", blockedCleaner},
	{"warp and weights", warpAndWeights},
	{"may break again", mayBreakAgain},
	{"nine panes", ninePanes},
	{"sash on panes", sashOnPanes},
	{"lift and drop", liftAndDrop},
	{"pack in a job", packInAJob},
	{"clamp ring", clampRing},
	{"part by number", partByNumber},
	{"nine together", nineTogether},
	{"guest shut in", guestShutIn},
	{"old pane alone", oldPaneAlone},
	{"screws counted", screwsCounted},
	{"arrows", arrows},
	{"heard and stock", heardAndStock},
	{"withdrawn", withdrawn},
	{"three offers", threeOffers},
	{"late and wrong", lateAndWrong},
	{"quote to invoice", quoteToInvoice},
	{"bond hardens", bondHardens},
	{"timers", timers},
	{"ring and kiln", ringAndKiln},
	{"days", days},
	{"promised at the door", promisedAtTheDoor},
	{"round of three", roundOfThree},
	{"cut room", cutRoom},
	{"stores", stores},
	{"stuck again", stuckAgain},
	{"today", today},
	{"who is at it", whoIsAtIt},
	{"carried", carried},
	{"gates and reasons", gates},
	{"stops", stops},
	{"passport", passport},
	{"cure waits", cureWaits},
	{"override", override},
	{"cut off", cutOff},
	{"lost answer", lostAnswer},
	{"door and back", doorAndBack},
	{"lamp and leaving", lampAndLeaving},
}

var otherSide = []walk{
	{"sums", sums},
	{"outline", outlines},
	{"heat and odds", heatAndOdds},
	{"every shape", everyShape},
	{"point by point", pointByPoint},
	{"own places", ownPlaces},
	{"traced card", tracedCard},
	{"carries", carries},
	{"load sum", loadSum},
	{"sums of the roads", roadSums},
	{"by keys", byKeys},
	{"in inches", inInches},
	{"by thumb", byThumb},
	{"traced pattern", tracedPattern},
	{"eight photos", eightPhotos},
	{"counted off", countedOff},
	{"evenness", evenness},
	{"dirty hands", dirtyHands},
	{"seal again", sealAgain},
	{"large text", largeText},
	{"photo template", photoTemplate},
	{"every screen is accessible", theDoor},
	{"low screens", lowScreens},
	{"keyboard", keyboard},
	{"take-in draft", takeInDraft},
	{"questions find the family", questionsFindTheFamily},
	{"old drafts", oldDrafts},
	{"quiet screens", quietScreens},
	{"prints whole", printsWhole},
}

var behind = []walk{
	{"own values", ownValues},
	{"people", people},
	{"a lost password", lostPassword},
}

// One demo serves all walks that do not stop it.
func TestDemo(t *testing.T) {
	p := start(t, "demo")
	run := func(t *testing.T, all []walk) {
		for _, w := range all {
			t.Run(w.name, func(t *testing.T) { w.do(t, p) })
		}
	}
	run(t, before)
	t.Run("side by side", func(t *testing.T) {
		for name, all := range map[string][]walk{"one": oneSide, "other": otherSide} {
			t.Run(name, func(t *testing.T) {
				t.Parallel()
				run(t, all)
			})
		}
	})
	run(t, behind)
}

// A wrong reading is shown at its place and what was typed stays.
func wrongReadings(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/jobs/5/measure")
	g.sees("Two digits swapped, perhaps: 508.0?")
	g.until("the odd reading marked",
		`document.querySelector('[data-place=width_middle]').getAttribute("aria-label").includes("does not fit the rest")`)
	g.press("Stop.")
	if at := g.tapeAt(); at != "width, middle" {
		t.Errorf("the way to the odd reading leads to %q", at)
	}
	g.goTo("/jobs/9/measure")
	for _, c := range []struct{ text, says string }{
		{"5 1/0", "cannot have 0 under the stroke"}, {"-3", "cannot be negative"}, {"banana", "a number was expected"},
		{"40 m", "up to 6000.0 mm is taken"},
	} {
		g.tape(c.text)
		g.sees(c.says)
		if v := ask[string](g, `document.querySelector("#tape-line").value`); v != c.text {
			t.Errorf("%q was typed, %q is left", c.text, v)
		}
		ask[any](g, `void document.querySelector("#tape-line").select()`)
	}
	// A reload loses nothing typed.
	g.tape("50 banana")
	g.goTo("/jobs/9/measure")
	g.until("the draft", `document.querySelector("#tape-line").value === "50 banana"`)
	g.goTo("/jobs/424242")
	g.sees("This job is not here")
	g.goTo("/jobs/none")
	g.until("a way out", `document.querySelector('a[href="/jobs"]')`)
}

// Two people on one job: each sees the other's readings, and a conflict shows
// both.
func twoBrowsers(t *testing.T, p *program) {
	mira, tor := open(t, p), open(t, p)
	mira.signIn("mira")
	tor.signIn("tor")
	mira.goTo("/jobs/10/measure")
	tor.goTo("/jobs/10/measure")
	// Tor types before he can have seen Mira's reading arrive.
	tor.do(typeInto("#tape-line", "305"))
	ask[any](tor, `void (window.fetch = (f => (u,
		o) => String(u.url ?? u).endsWith("/pulse") ? new Promise(() => {}) : f(u,
		o))(window.fetch))`)
	mira.read("width_top", "300")
	tor.do(typeInto("#tape-line", "\r"))
	tor.sees("Mira Quill read 300 for the width, top")
	tor.sees("Yours: 305")
	if v := ask[string](tor, `document.querySelector("#tape-line").value`); v != "305" {
		t.Errorf("Tor's reading is gone: %q", v)
	}
	tor.until("Mira's reading on Tor's table",
		`document.querySelector('[data-place=width_top]').textContent.includes("300.0")`)
	tor.press("Take mine")
	mira.until("Tor's reading on Mira's table",
		`document.querySelector('[data-place=width_top]').textContent.includes("305.0")`)
}

func undoAndPad(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/11/measure")
	g.press("½ pad")
	for _, k := range []string{"2", "0", "1/2", "heavy", "Put it there"} {
		g.press(k)
	}
	g.until("the reading", `document.querySelector('[data-place=width_top]').getAttribute("aria-label").includes("521.5")`)
	g.press("Undo the last reading")
	g.until("the place empty again",
		`document.querySelector('[data-place=width_top]').getAttribute("aria-label").includes("not read yet")`)
	if at := g.tapeAt(); at != "width, top" {
		t.Errorf("after undo the tape is at %q", at)
	}
}

// How the pane is held and what it sees change the answer.
func settings(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/jobs/2/measure")
	order := `document.querySelector("[data-order]").dataset.order`
	g.until("an order", order)
	before := ask[string](g, order)
	g.press("steel · wrapped gasket")
	g.accessible("sheet, held")
	g.press("○ flat, on the ledge")
	g.press("Save")
	g.until("another order", fmt.Sprintf("%s !== %q", order, before))
	g.press("240 °C in use")
	g.accessible("sheet, sees")
	g.fill("Hot side in steady use", "0")
	g.press("Save")
	g.sees("a temperature between −60 and 1200 °C is expected")
	if v := ask[string](g, `[...document.querySelectorAll("input")].map(i => i.value).join()`); !strings.Contains(v,
		"2400") {
		t.Errorf("what was typed is gone: %s", v)
	}
	g.press("Close")
	g.press("Brindle & Daughters, bakery")
	g.accessible("sheet, customer")
	g.fill("Note", "ring at the back door")
	g.press("Save")
	g.until("the sheet away", `!document.querySelector("[role=dialog]")`)
	g.press("what happened")
	g.sees("how the pane is held was changed")
	g.accessible("sheet, history")
}

// A tap where the cracks start, two answers, a settled cause: the plan has a
// line that must be ticked.
func whyItBroke(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/10/assess")
	g.pressAt(`[data-origin=fixing]`)
	g.until("the origin kept", `document.querySelector('[data-origin=fixing]').getAttribute("aria-pressed") === "true"`)
	g.press("○ long daggers")
	g.until("the next question", `document.querySelector("[data-ask=doing]")`)
	g.press("○ just fitted or tightened")
	g.sees("A fixing too tight, perhaps")
	g.sees("To tell the first two apart")
	g.accessible("why it broke")
	g.pressAt(`[data-suspect=over-tight] > button`)
	g.sees("So the plan must have:")
	g.press("A warped or twisted seat · seen here")
	g.sees("what does not lie flat is pulled flat")
	g.sees("True the seat or bed it")
	g.accessible("a chain of causes")
	g.press("Take off")
	g.until("the chain shortened", `!document.body.innerText.includes("what does not lie flat is pulled flat")`)
	g.goTo("/jobs/10/set")
	g.sees("must be done")
	if left := ask[int](g,
		`[...document.querySelectorAll("[data-step^=fix-] button")]
			.filter(b => b.innerText === "skip").length`); left != 0 {
		t.Error("what broke the last pane can be left out")
	}
	g.pressAt(`[data-step^=fix-] button[role=checkbox]`)
	g.until("the tick", `document.querySelector("[data-step^=fix-] button[role=checkbox]").dataset.state === "checked"`)
	g.goTo("/jobs/10/measure")
	g.pressAt(`[data-ask=broke] button`)
	g.sees("It was toughened glass")
}

// An oven door's pack with one short screw among long ones: noted by tapping,
// warned of, refused in the wrong order, and counted back in.
func stripAndRebuild(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/10/strip")
	g.sees("Start from an earlier one:")
	g.press("Deck oven, peephole door")
	g.sees("the short one, 8 mm, goes here; 16 mm goes to left and right")
	g.accessible("strip log")
	g.press("Note what came off")
	g.accessible("strip form")
	note := func(what, where string, more func()) {
		t.Helper()
		g.fill("Called", what)
		g.fill("In words", where)
		more()
		g.press("Note it")
		g.until(what+" in the log",
			fmt.Sprintf(`[...document.querySelectorAll("[data-strip]")].some(l => l.innerText.includes(%q))`, what))
	}
	note("hinge screw", "lower left", func() {
		g.press("1tap for each one")
		g.press("○ T25")
		g.press("○ M5")
		g.fill("Length, mm", "20")
		ask[any](g, `void (() => { const s = [...document.querySelectorAll("[data-sketch]")].at(-1),
			b = s.getBoundingClientRect(); s.dispatchEvent(new MouseEvent("click", {bubbles: true,
			clientX: b.left + b.width * 0.2, clientY: b.top + b.height * 0.8})) })()`)
		ask[any](g, `void [...document.querySelectorAll("fieldset[aria-label='It holds down or hides'] label")]
			.find(e => e.innerText?.trim() === "4. outer shell").click()`)
	})
	g.press("Close")
	g.sees("2 × hinge screw")
	kept := ask[string](g,
		`(async () => { const c = new OffscreenCanvas(900, 600); c.getContext("2d").fillRect(0, 0, 900, 600);
			const b = await c.convertToBlob({type: "image/webp"}); const f = new File([b], "x.webp"), d = new DataTransfer();
			d.items.add(f); const i = document.querySelector("[data-strip=e7] input[type=file]"); i.files = d.files;
			i.dispatchEvent(new Event("change", {bubbles: true})); return b.type })()`)
	if kept != "image/webp" {
		t.Fatalf("the browser made %s", kept)
	}
	g.until("the picture", `document.querySelector("[data-strip=e7] [data-photo] img")?.naturalWidth === 320`)
	g.goTo("/jobs/10/refit")
	g.sees("Not yet: the pane is not in yet")
	g.upTo(10, "first-fire")
	g.goTo("/jobs/10/refit")
	g.sees("Back with their steps:")
	g.accessible("rebuild")
	// The hinge screws hold the shell down, so the shell goes in first.
	g.pressAt(`[data-back=e7] button:nth-of-type(2)`)
	g.sees("outer shell goes in before hinge screw, which holds it down")
	lines := ask[int](g, `document.querySelectorAll("[data-back]").length`)
	if lines < 3 {
		t.Errorf("%d lines go back at Refit", lines)
	}
	for n := range lines {
		id := ask[string](g, `document.querySelector("[data-back].bg-now-wash").dataset.back`)
		g.press(ask[string](g,
			`[...document.querySelectorAll("[data-back].bg-now-wash button")].map(b => b.innerText)
				.find(t => t.startsWith("all") || t === "in" || t === "snug")`))
		g.until(fmt.Sprintf("line %d done", n+1),
			fmt.Sprintf(`document.querySelector("[data-back].bg-now-wash")?.dataset.back !== %q`, id))
	}
	g.sees("Everything counts out.")
}

// A laser sends to the tape; a caliper is out of range; a tape's connection
// drops on its reading and resumes with it.
func instruments(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/11/measure")
	g.press("tray")
	g.sees("Simulated, linked")
	g.accessible("instrument tray")
	at := func() float64 {
		return ask[float64](g, `Number.parseFloat(document.querySelector("#tape-line").value) || 0`)
	}
	g.pressAt(`[data-instrument=laser]`)
	g.until("the laser's reading", `document.querySelector("#tape-line").value.endsWith("mm")`)
	if v := at(); v < 298.8 || v > 302 {
		t.Errorf("the laser says %v of 300", v)
	}
	if with := ask[string](g, `document.querySelector("#instrument").value`); with != "laser" {
		t.Errorf("the reading is taken for one by %s", with)
	}
	g.tape("")
	g.until("the reading kept",
		`document.querySelector('[data-place=width_top]').getAttribute("aria-label").includes("mm")`)
	g.pressAt(`[data-instrument=caliper]`)
	g.sees("out of range")
	ask[any](g, `void (() => { const s = document.querySelector("section[aria-label='Instrument tray'] select");
		Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, "value").set.call(s, "drop");
		s.dispatchEvent(new Event("change", {bubbles: true})) })()`)
	g.pressAt(`[data-instrument=tape]`)
	g.until("the tape's reading after the drop",
		`document.querySelector("#tape-line").value.endsWith("mm") &&
			document.querySelector("[data-instrument=tape]").innerText.includes("mm")`)
}

// A nine-light sash with two broken lights, in mixed units; then a reading that
// disagrees; then a caliper reading.
func sums(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/sums")
	g.fill("left stile", "50")
	g.fill("column 1", "250; 250.4")
	g.fill("column 3", "25.1cm")
	g.fill("right stile", "50")
	g.until("what would settle", `document.querySelector("[data-way=across] [data-settle]")`)
	g.fill("bar", "20")
	g.fill("whole width", "890")
	g.sees("248.8 ±")
	g.until("nothing open across", `!document.querySelector("[data-way=across] [data-settle]")`)
	g.accessible("sums")
	g.fill("column 2", "205; 249")
	g.sees("column 2 reads 205.0 mm; the others say")
	g.fill("row 1", "banana")
	g.sees("a number was expected here")
	g.goTo("/sums/thickness")
	g.fill("The caliper reads", "4.3")
	g.sees("lies between the bands")
	g.goTo("/sums/length")
	g.fill("As it was said", "23 7/8-")
	g.sees("a little light")
	g.goTo("/sums/pack")
	g.until("its outside", `document.querySelector("[data-touch]")`)
	warm := ask[float64](g, `Number(document.querySelector("[data-touch]").dataset.touch)`)
	g.sees("hotter outside")
	g.accessible("a pack")
	g.pressAt(`[data-coat="0"][data-side=hot]`)
	g.until("a hotter outside", fmt.Sprintf(`Number(document.querySelector("[data-touch]").dataset.touch) > %v`, warm+0.5))
	g.sees("the outside would be")
	g.goTo("/sums/bend")
	g.until("the radius", `document.querySelector("[data-bend]")?.innerText.includes("2525.0 mm")`)
	g.fill("rise", "9")
	g.sees("it rises more than half its chord")
}

// A shape by its measures, moved in; then one from a file; a measure that cannot
// be; and the papers.
func outlines(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/sums/outline")
	g.press("○ circle")
	g.fill("diameter", "250")
	g.until("its area", `document.querySelector("[data-outline]")?.innerText.includes("0.0491 m²")`)
	g.fill("move every side in by", "20")
	g.until("the inset", `document.querySelector("[data-outline]")?.innerText.includes("210.0 mm")`)
	g.fill("move every side in by", "0")
	g.sees("leaves no single outline")
	send := func(name, body string) {
		t.Helper()
		g.until("the file field", `document.querySelector("section[aria-label='An outline'] input[type=file]")`)
		ask[any](g, fmt.Sprintf(
			`void (() => { const d = new DataTransfer(); d.items.add(new File([%q], %q));
				const i = document.querySelector("section[aria-label='An outline'] input[type=file]"); i.files = d.files;
				i.dispatchEvent(new Event("change", {bubbles: true})) })()`, body, name))
	}
	send("x.svg", "banana")
	g.sees("this is not an SVG file")
	g.goTo("/sums/outline")
	send("pane.svg", `<svg width="400mm" height="400mm" viewBox="0 0 400 400">
		<path d="M0 0H300V200H0ZM100 100h50v50h-50z"/></svg>`)
	g.until("the file's outline",
		`[...document.querySelectorAll("[role=radio]")].some(r => r.innerText.includes("from the file") &&
			r.dataset.state === "checked")`)
	ask[any](g, `void [...document.querySelectorAll("label")]
		.find(l => l.innerText.startsWith("move every side")).htmlFor`)
	g.accessible("outline")
	out := ask[string](g,
		`fetch("/api/sums/outline/file?format=dxf", {method: "POST", headers: {"Content-Type": "application/json"},
			body: JSON.stringify({...JSON.parse(localStorage.getItem("draft:outline")), inset: ""})}).then(r => r.text())`)
	if strings.Count(out, "LINE") < 8 || !strings.Contains(out, "PANE") {
		t.Errorf("the DXF: %.200s", out)
	}
	pdf := ask[string](g,
		`fetch("/api/sums/outline/file?format=a4", {method: "POST", headers: {"Content-Type": "application/json"},
			body: JSON.stringify({...JSON.parse(localStorage.getItem("draft:outline")), inset: ""})}).then(r => r.text())
			.then(t => t.slice(0, 5))`)
	if pdf != "%PDF-" {
		t.Errorf("the template begins %q", pdf)
	}
}

func today(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.sees("Finish the checks: hatchery incubator, door pane.")
	g.sees("the pane from Glass shop at the lock")
	g.press("Go there")
	g.until("its prove station", `location.pathname === "/jobs/8/prove"`)
	g.sees("2 things open")
	g.goTo("/jobs/3/source")
	g.press("It has arrived")
	g.until("nothing waited for", `![...document.querySelectorAll("button")].some(b => b.innerText === "It has arrived")`)
	g.goTo("/")
	g.until("it in the turns", `!document.body.innerText.includes("the pane from Glass shop at the lock")`)
	g.sees("which was wrong: 3 mm too wide")
}

// A job goes out as a document and comes in again as a new one.
func carried(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	made := ask[string](g,
		`fetch("/api/jobs/12/carried").then(r => r.text()).then(t => fetch("/api/jobs/carried", {method: "POST",
			headers: {"Content-Type": "application/json", "Idempotency-Key": "carry-it-over"}, body: t})).then(r => r.text())`)
	var in struct {
		ID int `json:"id"`
	}
	if err := json.Unmarshal([]byte(made), &in); err != nil || in.ID <= 12 {
		t.Fatalf("brought in: %s", made)
	}
	g.goTo(fmt.Sprintf("/jobs/%d/prove", in.ID))
	// It comes in open, with what it says of itself, and is signed here or not at all.
	g.sees("Carried in by Mira Quill")
	g.sees("It says that it was signed there as ticket")
	g.sees("Mira Quill (carried in)")
	g.until("no signature", `!document.querySelector("[data-ticket]")`)
	g.goTo("/jobs")
	g.until("it among the open ones",
		`[...document.querySelectorAll("main li")].some(l => l.innerText.includes("second cabin"))`)
	g.press("○ all")
	g.fill("Find", "second cabin")
	g.until("both in the list",
		`[...document.querySelectorAll("main li")].filter(l => l.innerText.includes("second cabin")).length === 2`)
	g.refill("Find", "nobody knows")
	g.sees("No job has “nobody knows” in it.")
}

// The door can be used by everybody; the screens behind it are looked at as they are opened.
func theDoor(t *testing.T, p *program) {
	g := open(t, p)
	g.goTo("/")
	g.until("the door", `document.querySelector("input[type=password]")`)
	g.accessible("sign in")
	g.comeIn("mira")
}

// inBothLights looks at a screen as it is for who sees it badly, by day and at night.
func (g *page) inBothLights(path string) {
	g.t.Helper()
	for _, light := range []string{"light", "dark"} {
		ask[any](g, fmt.Sprintf(`void (document.documentElement.dataset.theme = %q)`, light))
		g.until("its colours", `document.getAnimations().length === 0`)
		if light == "light" {
			g.accessible(path)
		} else {
			g.contrasting(path + ", dark")
		}
	}
}

// overlaps says what lies over something else on the table, or beyond the screen.
const overlaps = `(() => {
  const out = [], box = (at) => document.querySelector(at)?.getBoundingClientRect();
  const beside = [...document.querySelectorAll("[data-beside] > *")].map((e) => e.getBoundingClientRect());
  const loupe = box("[data-loupe] > circle"), table = box(".lit");
  for (const b of beside) if (b.width > 0 && b.bottom > loupe.top + 1 && b.right > loupe.left) {
    out.push("what stands beside ends at " + b.bottom + ", the loupe begins at " + loupe.top);
  }
  if (loupe.bottom > table.bottom || loupe.top < table.top) out.push("the loupe does not lie on the table");
  for (const e of document.querySelectorAll("main > *")) {
    const r = e.getBoundingClientRect().right;
    if (r > window.innerWidth + 1) out.push("a column ends at " + r);
  }
  return out.join("; ");
})()`

// On a low screen, as of a tablet whose browser takes a part of it, nothing lies over the loupe
// and nothing beyond the edge.
func lowScreens(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	for _, path := range []string{"/jobs/1/measure", "/jobs/16/measure", "/jobs/23/measure"} {
		for _, size := range [][2]int64{{1280, 800}, {1280, 660}, {1024, 768}, {1024, 640}} {
			g.do(chromedp.EmulateViewport(size[0], size[1]))
			g.goTo(path)
			g.until("the loupe", `document.querySelector("[data-loupe]")`)
			if !g.soon(overlaps + ` === ""`) {
				t.Errorf("%s at %v: %s", path, size, ask[string](g, overlaps))
			}
		}
	}
}

// The drawing's dimensions can be reached and picked without a mouse.
func keyboard(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/7/measure")
	g.until("the dimension", `document.querySelector('[data-place=height_middle]')`)
	ask[any](g, `void document.querySelector('[data-place=height_middle]').focus()`)
	g.do(chromedp.SendKeys(chromedp.CSS(`[data-place=height_middle]`), "\r"))
	if at := g.tapeAt(); at != "height, middle" {
		t.Errorf("Enter on a dimension leads the tape to %q", at)
	}
}

func people(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/shop")
	g.fill("Sign-in name", "tor")
	g.fill("First password", "another long one")
	g.press("Add")
	g.sees("this is empty; type it in")
	ask[any](g, `void 0`)
	names := ask[string](g,
		`[...document.querySelectorAll("form")].find(f => f.innerText.includes("Add a person")).querySelector("input").id`)
	g.do(chromedp.SendKeys(chromedp.ID(names), "Ann Pell"))
	g.press("Add")
	g.sees("somebody has this sign-in name already")
	g.fill("Sign-in name", "2")
	g.press("Add")
	g.until("the new person",
		`[...document.querySelectorAll("main li")].some(l => l.innerText.includes("Ann Pell") && l.innerText
			.includes("tor2"))`)
	h := open(t, p)
	h.signIn("tor")
	h.goTo("/shop")
	h.sees("Ann Pell")
	if ask[bool](h, `document.body.innerText.includes("Add a person")`) {
		t.Error("a technician is offered to add people")
	}
}

// An owner makes a word for somebody who is lost; with it they set a password
// and are in. They see where they are signed in and end the other place; the
// owner makes a backup.
func lostPassword(t *testing.T, p *program) {
	g, h := open(t, p), open(t, p)
	g.signIn("mira")
	g.goTo("/shop")
	g.sees("Ebbe Sand")
	ask[any](g, `void [...[...document.querySelectorAll("main li")].find(l => l.innerText.includes("Ebbe Sand"))
		.querySelectorAll("button")].at(-1).click()`)
	g.sees("Tell Ebbe Sand this code")
	word := ask[string](g,
		`[...document.querySelectorAll("main li strong")].map(s => s.innerText).find(s => /^\w{4}-\w{4}-\w{4}$/.test(s))`)
	h.goTo("/")
	h.press("I was given a code")
	h.fill("Your sign-in name", "ebbe")
	h.fill("The word", "aaaa-bbbb-cccc")
	h.fill("A new password", "1234567890")
	h.press("Set it and open the shop")
	h.sees("this is among the first that anybody tries")
	h.refill("A new password", "a ferry and a lantern")
	h.press("Set it and open the shop")
	h.sees("do not belong together")
	h.refill("The word", word)
	h.press("Set it and open the shop")
	h.sees("Ebbe Sand")
	h.goTo("/shop")
	h.sees("Where you are signed in")
	h.sees("this one")

	k := open(t, p)
	k.signIn("mira")
	k.goTo("/shop")
	k.sees("Where you are signed in")
	k.until("the places", `[...document.querySelectorAll("main button")].some(b => b.innerText === "sign it out")`)
	places := `[...document.querySelectorAll("main button")].filter(b => b.innerText === "sign it out").length`
	before := ask[int](k, places)
	k.press("sign it out")
	k.until("one place less", fmt.Sprintf("%s === %d", places, before-1))
	k.press("Make one now")
	k.sees("Made and read back.")
	k.sees("The last good one is from today")
}

// Whatever was acknowledged is there after the program or the database is
// killed in the middle of typing.
func TestKill(t *testing.T) {
	t.Parallel()
	p := start(t, "demo")
	g := open(t, p)
	g.signIn("mira")
	places := []string{"width_top", "width_bottom", "height_left", "height_right"}
	for n, database := range []bool{false, true} {
		g.goTo("/jobs/9/measure")
		for i := range 2 {
			g.read(places[2*n+i], fmt.Sprint(500+2*n+i))
		}
		g.do(typeInto("#tape-line", "123"))
		p.kill(database)
		g.do(typeInto("#tape-line", "\r"))
		g.sees("Not kept.")
		p.begin()
		g.goTo("/jobs/9/measure")
		for k := range 2*n + 2 {
			g.until("the reading at "+places[k],
				fmt.Sprintf(`document.querySelector('[data-place=%s]')?.getAttribute("aria-label").includes("%d.0")`, places[k],
					500+k))
		}
		g.until("what was typed", `document.querySelector("#tape-line").value === "123"`)
		ask[any](g, `void document.querySelector("#tape-line").select()`)
		g.do(typeInto("#tape-line", "\b"))
	}
}

// While the made-up shop is filled the program serves and says how far it is; what is killed
// on the way begins again, and opens by itself when it is filled.
func TestFilling(t *testing.T) {
	t.Parallel()
	p := folder(t, "demo")
	p.serves()
	g := open(t, p)
	g.goTo("/jobs/3")
	g.sees("The made-up shop is being filled")
	g.accessible("a shop that is being filled")
	if res, body, _ := p.get("GET", "/api/today", "", ""); res.StatusCode != 503 || !strings.Contains(body, "filling") ||
		res.Header.Get("Retry-After") != "1" {
		t.Errorf("a call into a shop that is being filled: %d %s", res.StatusCode, body)
	}
	if res, body, _ := p.get("GET", "/healthz", "", ""); res.StatusCode != 200 || !strings.Contains(body, "being filled") {
		t.Errorf("its health: %d %s", res.StatusCode, body)
	}
	g.until("some jobs to be in", `Number(document.querySelector("[role=progressbar]")?.ariaValueNow) > 2`)
	p.kill(false)
	p.serves()
	g.goTo("/jobs/3")
	g.sees("jobs are in")
	p.full()
	g.until("the door", `document.body.innerText.includes("Your sign-in name")`)
	g.signIn("mira")
	g.goTo("/jobs/3")
	g.sees("Potter's kiln, observation pane")
}

// A second start is quick, keeps the data, and says so when the port is taken.
func TestStarts(t *testing.T) {
	p := start(t, "demo")
	out, err := exec.Command(binary, "demo", "--addr", p.addr, "--dir", p.dir).CombinedOutput()
	if err == nil || !strings.Contains(string(out), "another program may be there") ||
		strings.Count(strings.TrimSpace(string(out)), "\n") > 0 {
		t.Errorf("a taken port: %v\n%s", err, out)
	}
	p.stop()
	if !strings.Contains(p.log.String(), "Stopping") {
		t.Errorf("Ctrl-C says nothing:\n%s", p.log)
	}
	p.begin()
	if strings.Contains(p.log.String(), "is being filled") {
		t.Error("the second start filled the shop again")
	}
	res, err := (&http.Client{Timeout: 5 * time.Second}).Get(p.url + "/api/session")
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = res.Body.Close() }()
	b, err := io.ReadAll(res.Body)
	if err != nil || !strings.Contains(string(b), "Lantern Yard") {
		t.Errorf("%s, %v", b, err)
	}
}
