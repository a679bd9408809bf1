package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// stoveReadings are what a technician reads of a stove's door, by the place that
// the line asks for.
var stoveReadings = map[string]string{"width_top": "270", "width_bottom": "268.4", "height_left": "242",
	"height_right": "242",
	"ledge":        "14", "bracket_reach": "16"}

// asked is what the line asks for now.
type asked struct{ Kind, Key, Unit, Says, Place string }

// line waits until the line asks for something else than before, and tells what.
func (g *page) line(before asked) asked {
	g.t.Helper()
	const read = `(() => {
  const tape = document.querySelector('label[for="tape-line"]');
  const band = document.querySelector("[data-line]");
  if (tape) return {Kind: "reading", Key: tape.innerText, Says: tape.innerText, Unit: "", Place: ""};
  if (!band) return {Kind: "", Key: "", Says: "", Unit: "", Place: ""};
  return {Kind: band.dataset.line, Key: band.dataset.lineKey ?? "", Says: band.innerText,
    Unit: band.querySelector("input") ? "number" : "", Place: location.pathname};
})()`
	g.until("the line to ask for something",
		fmt.Sprintf(`(() => { const a = %s; return a.Kind !== "" && JSON.stringify(a) !== %q })()`,
			read, fmt.Sprintf(`{"Kind":%q,"Key":%q,"Says":%s,"Unit":%q,"Place":%q}`, before.Kind, before.Key,
				quoted(before.Says),
				before.Unit, before.Place)))
	return ask[asked](g, read)
}

func quoted(s string) string {
	return `"` + strings.NewReplacer(`\`, `\\`, `"`, `\"`, "\n", `\n`, "\t", `\t`).Replace(s) + `"`
}

// placeOf is the reading that belongs to the name in the line.
func (g *page) placeOf(job int, name string) string {
	return ask[string](g, fmt.Sprintf(
		`fetch("/api/jobs/%d").then(r => r.json()).then(v => v.reckoning.walk.find(w => w.name === %q)?.place ?? "")`, job,
		name))
}

// limitOf is a number that passes a check.
func (g *page) limitOf(job int, check string) string {
	return ask[string](g, fmt.Sprintf(
		`fetch("/api/jobs/%d").then(r => r.json()).then(v => String(v.checks.find(c => c.key === %q).limit.value))`, job,
		check))
}

// The same in inches, as they are typed there.
var stoveInches = map[string]string{"width_top": "10 5/8", "width_bottom": "10 9/16", "height_left": "9 17/32",
	"height_right": "9 17/32", "ledge": "9/16", "bracket_reach": "5/8"}

// byKeys walks a job to its signature with keys alone and counts them; a length or
// a number counts as one.
func byKeys(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Sauna stove, by keys alone", "clip-heat", "fire")
	g.goTo(fmt.Sprintf("/jobs/%d", job))
	g.keysToSignature(job, stoveReadings, g.limitOf)
}

// A person works at a job in inches: nothing on their screens is in mm but what a
// pane is called and what stands small beside, and the numbers of checks are typed as
// fractions. Whoever looks beside them stays in mm.
func inInches(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Sauna stove, read in inches", "clip-heat", "fire")
	g.goTo(fmt.Sprintf("/jobs/%d/measure", job))
	g.press("work in inches here")
	g.sees("work in mm here")
	g.goTo(fmt.Sprintf("/jobs/%d", job))
	g.keysToSignature(job, stoveInches, func(int, string) string { return "1/16" })
	other := open(t, p)
	other.signIn("mira")
	open := g.taken("Sauna stove, two units", "clip-heat", "fire")
	g.goTo(fmt.Sprintf("/jobs/%d/measure", open))
	g.press("work in inches here")
	g.sees("work in mm here")
	g.read("width_top", "10 1/2")
	other.goTo(fmt.Sprintf("/jobs/%d/measure", open))
	other.until("the reading in mm", `document.querySelector("[data-place=width_top]").textContent.includes("266.7")`)
	g.until("and in inches", `document.querySelector("[data-place=width_top]").textContent.includes("10")`)
	if ask[bool](g, `document.querySelector("[data-place=width_top]").textContent.includes("266.7")`) {
		t.Error("the drawing of a person in inches is in mm")
	}
	for place, text := range stoveInches {
		if place != "width_top" {
			g.call("PUT", fmt.Sprintf("/api/jobs/%d/readings/%s", open, place),
				fmt.Sprintf(`{"text": %q, "instrument": "rule", "version": 0}`, text))
		}
	}
	g.call("PUT", fmt.Sprintf("/api/jobs/%d/choice", open), `{"material": "glass-ceramic", "thickness": 4}`)
	for _, station := range []string{"measure", "choose", "source", "prepare", "set", "refit", "prove"} {
		g.goTo(fmt.Sprintf("/jobs/%d/%s", open, station))
		g.until("the station", `document.querySelector("main").innerText.length > 80`)
		if left := ask[[]string](g, inMM); len(left) > 0 {
			t.Errorf("%s: in mm are %q", station, left)
		}
	}
}

// inMM are the large words of a screen that speak of mm, other than a pane by its
// nominal thickness, which is its name.
const inMM = `[...document.querySelectorAll("main :is(p, li, h2, dd, strong, text)")]
  .filter(e => e.offsetParent !== null || e instanceof SVGElement)
  .filter(e => ![...e.children].some(c => /mm/.test(c.textContent)) &&
  !e.closest("details:not([open]), .sr-only, [role=dialog]"))
  .map(e => e.textContent.replace(/\d+(\.\d+)? mm (?=\S*\s?` +
	`(toughened|annealed|laminated|glass|polycarbonate|acrylic|borosilicate|would|coated|clear))/g, ""))
  .filter(s => /\d ?mm\b/.test(s) && !/gasket/.test(s)).slice(0, 8)`

// keysToSignature answers the line with keys alone until the job is signed. A run of
// steps and a pass of screws are taken at once.
func (g *page) keysToSignature(job int, readings map[string]string, number func(int, string) string) {
	t := g.t
	t.Helper()
	keys := 0
	press := func(k string) {
		g.do(chromedp.KeyEvent(k))
		keys++
	}
	var a asked
	for range 120 {
		a = g.line(a)
		switch a.Kind {
		case "reading":
			text := readings[g.placeOf(job, a.Key)]
			if text == "" {
				t.Fatalf("the line asks for %q, which nobody reads", a.Key)
			}
			g.until("the tape in hand", `document.activeElement?.id === "tape-line"`)
			g.do(chromedp.KeyEvent(text))
			keys++
			press(kb.Enter)
		case "look":
			press("1")
		case "check":
			if a.Unit != "" {
				g.until("the field in hand", `document.activeElement?.closest("[data-line]")`)
				g.do(chromedp.KeyEvent(number(job, a.Key)))
				keys++
			}
			press(kb.Enter)
		case "sign":
			press(kb.Enter)
			g.until("the signature in hand", `document.activeElement?.hasAttribute("data-sign")`)
			press(kb.Enter)
			g.sees("is signed.")
			t.Logf("a stove's pane by keys alone: %d keys", keys)
			if keys > 39 { // 52 before the line took with an answer what it answers too
				t.Errorf("%d keys", keys)
			}
			return
		case "go": // the screen goes on by itself
		case "wait", "nothing":
			t.Fatalf("nothing answers %q", a.Says)
		default:
			if ask[bool](g, `!!document.querySelector("[data-answer-all]")`) {
				press("a")
			} else {
				press(kb.Enter)
			}
		}
	}
	t.Errorf("not signed after %d keys, at %+v", keys, a)
}

// byThumb walks a job to its signature at the width of a phone by thumb alone. At
// every station picture, what is asked and what answers it lie on the first screen.
func byThumb(t *testing.T, p *program) {
	g := open(t, p)
	g.do(chromedp.EmulateViewport(390, 844, chromedp.EmulateTouch))
	g.signIn("tor")
	job := g.taken("Sauna stove, by thumb alone", "clip-heat", "fire")
	g.goTo(fmt.Sprintf("/jobs/%d", job))
	taps := 0
	tap := func(selector string) {
		g.pressAt(selector)
		taps++
	}
	seen := map[string]bool{}
	var a asked
	for range 160 {
		a = g.line(a)
		if station := ask[string](g,
			`document.querySelector("[aria-current=step]")?.innerText.split("\n")[0] ?? ""`); station != "" && !seen[station] {
			seen[station] = true
			if bad := ask[string](g, inReach); bad != "" {
				t.Errorf("%s: %s", station, bad)
			}
		}
		switch a.Kind {
		case "reading":
			text := stoveReadings[g.placeOf(job, a.Key)]
			if ask[bool](g, `!document.querySelector("section[aria-label=Pad]")`) {
				g.press("½ pad")
				taps++
			}
			for _, k := range text {
				tap(fmt.Sprintf(`section[aria-label=Pad] button[data-key=%q]`, string(k)))
			}
			tap(`footer form button[type=submit]`)
		case "look":
			tap(`[data-line] a`)
			tap(`#why-it-broke [role=radio]`)
		case "check":
			if a.Unit != "" {
				g.do(chromedp.SendKeys("[data-line] input", g.limitOf(job, a.Key)))
				tap(`[data-line] button[type=submit]`)
				taps++
				continue
			}
			tap(`[data-line] button`)
		case "sign":
			tap(`[data-line] button`)
			tap(`[data-sign]`)
			g.sees("is signed.")
			t.Logf("a stove's pane by thumb alone: %d taps", taps)
			if len(seen) < 8 {
				t.Errorf("only %v were seen", seen)
			}
			return
		case "go":
		case "wait", "nothing":
			t.Fatalf("nothing answers %q", a.Says)
		default:
			tap(`[data-line] [data-answer]`)
		}
	}
	t.Errorf("not signed after %d taps, at %+v", taps, a)
}

// inReach says what of picture, line and its keys does not lie on the first screen,
// or is too small for a thumb.
const inReach = `(() => {
  const out = [];
  const lit = document.querySelector(".lit")?.getBoundingClientRect();
  if (!lit || lit.top > 300 || lit.bottom > 800) out.push("the picture runs from " + lit?.top + " to " + lit?.bottom);
  const band = document.querySelector("footer").getBoundingClientRect();
  if (band.bottom > 845) out.push("the line ends at " + band.bottom);
  for (const b of document.querySelectorAll("footer button, footer a")) {
    const r = b.getBoundingClientRect();
    if (r.width === 0) continue;
    if (r.right > 391 || r.bottom > 845) out.push((b.innerText || b.ariaLabel) + " lies outside");
    if (r.height < 44) out.push((b.innerText || b.ariaLabel) + " is " + r.height + " px high");
  }
  if (document.documentElement.scrollWidth > 390) out.push("it scrolls sideways");
  return out.join("; ");
})()`

// What goes before what is said by tapping two pieces, seen as an arrow, and taken
// away alike.
func arrows(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/2/strip")
	g.until("the pieces", `document.querySelectorAll("[data-piece]").length > 4`)
	pair := ask[[]string](g, `[...document.querySelectorAll("[data-piece]")].map(p => p.dataset.piece).slice(0, 2)`)
	at := func(id string) string { return fmt.Sprintf(`[data-piece=%q]`, id) }
	arrow := fmt.Sprintf(`document.querySelector('[data-goes="%s %s"]')`, pair[0], pair[1])
	both := func() {
		g.pressAt(at(pair[0]))
		g.until("the first in hand", fmt.Sprintf(`document.querySelector(%q).getAttribute("aria-pressed") === "true"`,
			at(pair[0])))
		g.pressAt(at(pair[1]))
	}
	both()
	g.until("the arrow", arrow)
	g.accessible("the object in pieces")
	both()
	g.until("no arrow", "!"+arrow)
	// A ring of waits is refused in words, and nothing is changed.
	both()
	g.until("the arrow again", arrow)
	g.pressAt(at(pair[1]))
	g.pressAt(at(pair[0]))
	g.sees("wait for each other in a ring")
	both()
	g.until("none again", "!"+arrow)
}

// Who else says the size is heard beside the opening; a stock size that fits is
// taken in one tap, and given back.
func heardAndStock(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Greenhouse, a light with its neighbours", "putty-points", "weather")
	for place, text := range map[string]string{"width_top": "616", "width_bottom": "616", "height_left": "463",
		"height_right": "463",
		"ledge":        "13"} {
		g.call("PUT", fmt.Sprintf("/api/jobs/%d/readings/%s", job, place),
			fmt.Sprintf(`{"text": %q, "instrument": "rule", "version": 0}`, text))
	}
	g.call("PUT", fmt.Sprintf("/api/jobs/%d/choice", job), `{"material": "annealed", "thickness": 3}`)
	g.goTo(fmt.Sprintf("/jobs/%d/measure", job))
	g.press("Somebody else says it")
	g.fill("width", "twelve")
	g.press("Keep who says it")
	g.until("what is wrong, at the field",
		`document.querySelector("section[aria-label='Who else says the size'] [role=alert]")`)
	g.refill("width", "617")
	g.press("Keep who says it")
	g.sees("one of them is wrong")
	g.accessible("who else says the size")
	g.goTo(fmt.Sprintf("/jobs/%d/source", job))
	g.sees("A stock size fits: 610.0 × 457.0 mm, greenhouse, 24 × 18 in")
	g.press("Take the stock size")
	g.sees("stock size 610.0 × 457.0 mm, 3 mm annealed glass, as it comes")
	g.accessible("a stock size")
	g.press("Have one made to size instead")
	g.sees("A stock size fits")
	g.goTo("/book/stock")
	g.sees("610 × 457 mm, greenhouse")
	g.accessible("stock sizes")
}

// A pane traced round its edge is the pane: its size is that of the line less the
// pen, and no clearance comes off it.
func tracedPattern(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	job := g.taken("Tram, a rear light traced on card", "locking-gasket", "weather")
	g.goTo("/sums/outline")
	g.until("the file field", `document.querySelector("section[aria-label='An outline'] input[type=file]")`)
	ask[any](g, fmt.Sprintf(
		`void (() => { const d = new DataTransfer(); d.items.add(new File([%q], "card.svg"));
			const i = document.querySelector("section[aria-label='An outline'] input[type=file]"); i.files = d.files;
			i.dispatchEvent(new Event("change", {bubbles: true})) })()`,
		`<svg width="400mm" height="400mm" viewBox="0 0 400 400"><path d="M0 0H302V202H0Z"/></svg>`))
	g.press("○ round the old pane")
	g.until("the pen taken off", `document.querySelector("[data-outline]")?.innerText.includes("300.0 mm")`)
	g.press("Lay it on a job's table")
	g.fill("Which open job?", "a rear light traced on card")
	g.pressAt(fmt.Sprintf(`[data-job="%d"]`, job))
	g.press("Start the job")
	g.until("the job's table", fmt.Sprintf(`location.pathname === "/jobs/%d/measure"`, job))
	g.until("the pane itself ordered", `document.querySelector("[data-order]")?.dataset.order === "300 200"`)
	g.goTo(fmt.Sprintf("/jobs/%d/source", job))
	g.sees("its opening was not read")
}

// A job that came to nothing leaves the open ones and can be taken up again; the
// same is taken in again with a tap.
func withdrawn(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Kiln, taken in by mistake", "clip-heat", "kiln")
	g.goTo(fmt.Sprintf("/jobs/%d/assess", job))
	g.press("copy or withdraw")
	g.accessible("the job")
	g.press("Withdraw: taken in twice")
	g.sees("Withdrawn by Tor Vanning: taken in twice")
	g.accessible("a withdrawn job")
	g.goTo("/jobs")
	g.until("the open ones", `document.querySelectorAll("[data-listed]").length > 10`)
	listed := fmt.Sprintf(`document.querySelector('[data-listed="%d"]')`, job)
	if ask[bool](g, listed+" !== null") {
		t.Error("a withdrawn job stands among the open ones")
	}
	g.accessible("jobs")
	g.press("○ waiting")
	g.until("those that wait",
		`[...document.querySelectorAll("[data-listed]")].every(l => l.innerText.includes("waits for")) &&
			document.querySelector("[data-listed]")`)
	g.press("○ withdrawn")
	g.until("the withdrawn one", listed)
	g.pressAt(fmt.Sprintf(`[data-listed="%d"] a`, job))
	g.press("Take it up again")
	g.until("taken up", `!document.body.innerText.includes("Withdrawn by")`)
	g.press("copy or withdraw")
	g.press("Another one like it")
	g.until("another job",
		fmt.Sprintf(`/^\/jobs\/\d+/.test(location.pathname) && !location.pathname.startsWith("/jobs/%d")`, job))
	g.sees("Kiln, taken in by mistake")
}

// Screws are counted off one by one on the drawing, pass by pass; undo takes one
// back, and another screen sees it.
func countedOff(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Sauna stove, screws counted off", "clip-heat", "fire")
	g.readAll(job, stoveReadings)
	g.upTo(job, "brackets")
	g.goTo(fmt.Sprintf("/jobs/%d/set", job))
	other := open(t, p)
	other.signIn("mira")
	other.goTo(fmt.Sprintf("/jobs/%d/set", job))
	g.sees("Screw 1 touches")
	for n := range 5 {
		g.pressAt(`[data-screw-drawn][data-state=now]`)
		g.until("the next screw", fmt.Sprintf(`!document.querySelector("[data-line]").innerText.includes("Screw %d %s")`,
			n%4+1,
			[]string{"touches", "is snug"}[n/4]))
	}
	g.sees("Screw 2 is snug")
	g.accessible("screws counted off")
	other.sees("Screw 2 is snug")
	g.press("Undo")
	g.sees("Screw 1 is snug")
	other.sees("Screw 1 is snug")
}

// Eight pictures in a row become eight lines in their order; words come later, and a
// screw that was named counts like any other.
func eightPhotos(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	job := g.taken("Deck oven, stripped with gloves on", "channel-front", "oven")
	g.goTo(fmt.Sprintf("/jobs/%d/strip", job))
	g.until("the camera", `document.querySelector("input[type=file][multiple]")`)
	ask[any](g, `(async () => {
  const d = new DataTransfer();
  for (let n = 0; n < 8; n++) {
    const c = document.createElement("canvas");
    c.width = 320; c.height = 240;
    const x = c.getContext("2d");
    x.fillStyle = "hsl(" + n * 40 + " 50% 60%)";
    x.fillRect(0, 0, 320, 240);
    const b = await new Promise(r => c.toBlob(r, "image/jpeg"));
    d.items.add(new File([b], n + ".jpg", {type: "image/jpeg"}));
  }
  const i = document.querySelector("input[type=file][multiple]");
  i.files = d.files;
  i.dispatchEvent(new Event("change", {bubbles: true}));
})()`)
	g.until("eight lines, each with its picture",
		`document.querySelectorAll("[data-strip]").length === 8 && [...document.querySelectorAll("[data-strip]")].every(l => l
			.querySelectorAll("[data-photo]").length === 1)`)
	g.until("eight pieces on the table", `document.querySelectorAll("[data-piece]").length === 8`)
	g.accessible("a strip log of pictures")
	first := `document.querySelector("[data-strip]").innerText`
	g.press("say what it is")
	g.fill("What is it?", "shell screw")
	g.press("○ fasteners")
	g.refill("How many", "4")
	g.fill("Drive", "square 2")
	g.accessible("a line corrected")
	g.press("Save")
	g.until("the words", first+`.includes("4 × shell screw")`)
	g.sees("screw, square 2")
	if n := ask[int](g, `document.querySelectorAll("[data-strip] button").length &&
		[...document.querySelectorAll("[data-strip] button")].filter(b => b.innerText === "say what it is").length`); n != 7 {
		t.Errorf("%d lines without words", n)
	}
	g.press("say what it is")
	g.fill("What is it?", "kitchen foil")
	g.press("○ foreign: stays off")
	g.press("Save")
	g.until("it is kept", `!document.querySelector("[data-strip] form")`)
	g.press("say what it is")
	g.fill("What is it?", "hinge rivet")
	g.press("○ replaced by")
	g.fill("Replaced by", "M5 × 20 bolt and bush")
	g.press("Save")
	g.sees("M5 × 20 bolt and bush (in place of hinge rivet)")
	g.press("Note what came off")
	g.press("Same as the last")
	g.until("the last one's name",
		`[...document.querySelectorAll("[role=dialog] input")].some(i => i.value === "picture 8")`)
}
