package e2e

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"freshshard/internal/photo"
)

// held opens the sheet of how the pane is held, changes it and keeps it.
func (g *page) held(words string, change func()) {
	g.t.Helper()
	g.press(words)
	g.until("the sheet", `document.querySelector("[role=dialog]")`)
	change()
	g.press("Save")
	g.until("the sheet away", `!document.querySelector("[role=dialog]")`)
}

// form is what the order says of the pane's form.
const form = `document.querySelector("[data-form]")?.dataset.form`

// Every shape is walked through the tape line in its order, and is ordered as
// what it is; a check that does not fit is named.
func everyShape(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/jobs/9/measure")
	last := "timber · bead"
	for _, c := range []struct {
		shape string
		walk  []string // the tape's words and what is typed
		form  string
	}{
		{"rounded corners", []string{"width", "420", "height", "300", "corner radius", "40"}, "rounded corners"},
		{"cut corners", []string{"cut along each side", "35"}, "cut corners"},
		{"raked, four sides", []string{"bottom", "400", "right side", "300", "top", "400", "left side", "300",
			"diagonal, rising", "500"}, "raked, four sides"},
		{"triangle", []string{}, ""}, // 400, 300 and 300 are read already
		{"circle", []string{"diameter", "9 1/2 in"}, "circle"},
		{"ellipse", []string{}, "ellipse"},
		{"pill", []string{}, "pill"},
		{"round top", []string{"height to the springing", "350", "rise of the curve", "120"}, "round top"},
		{"pointed arch", []string{}, ""}, // its rise is too low: said at the place
	} {
		g.held(last, func() { g.press("○ " + c.shape) })
		for i := 0; i+1 < len(c.walk); i += 2 {
			g.until("the tape at "+c.walk[i], fmt.Sprintf(`document.querySelector('label[for="tape-line"]').innerText === %q`,
				c.walk[i]))
			g.tape(c.walk[i+1])
			g.until("the reading kept", `!document.querySelector("#tape-line")?.value`)
		}
		if c.form != "" {
			g.until(c.shape+" ordered", fmt.Sprintf(`%s === %q`, form, c.form))
		}
		last = "timber · bead"
	}
	g.sees("a pointed arch rises by more than half its width")
	g.held(last, func() { g.press("○ round top") })
	g.read("shape_overall", "492")
	g.sees("misfit: overall height reads 492.0 mm, the rest says 470.0 mm")
	g.until("the check marked",
		`document.querySelector('[data-place=shape_overall]').getAttribute("aria-label").includes("does not fit the rest")`)
	g.accessible("a shape on the table")
}

// Ordinates off a straight edge, and points by two tapes.
func pointByPoint(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/9/measure")
	walk := func(readings ...string) {
		t.Helper()
		for _, r := range readings {
			g.tape(r)
			g.until("the reading kept", `!document.querySelector("#tape-line")?.value`)
		}
	}
	g.held("timber · bead", func() {
		g.press("○ by ordinates")
		for range 2 {
			g.pressAt(`[aria-label="spaces between stations: one less"]`)
		}
	})
	g.until("the tape at the base", `document.querySelector('label[for="tape-line"]').innerText === "base line"`)
	walk("600", "210", "275", "300", "276", "212")
	g.until("an arch", form+` === "by ordinates"`)
	g.held("timber · bead", func() {
		g.press("○ by two tapes")
		for range 2 {
			g.pressAt(`[aria-label="points: one less"]`)
		}
	})
	// The base stays as it was read; four corners of 500 × 300, 60 in and 40 up.
	g.until("the tape at the first point",
		`document.querySelector('label[for="tape-line"]').innerText === "point 1 from A"`)
	for _, c := range [][2]float64{{60, 40}, {560, 40}, {560, 340}, {60, 340}} {
		walk(fmt.Sprintf("%.1f", math.Hypot(c[0], c[1])), fmt.Sprintf("%.1f", math.Hypot(600-c[0], c[1])))
	}
	g.until("four points", form+` === "by two tapes"`)
	size := ask[string](g, `document.querySelector("[data-order]").dataset.order`)
	var w, h float64
	if _, err := fmt.Sscan(size, &w, &h); err != nil || w < 485 || w > 498 || h < 285 || h > 298 {
		t.Errorf("500 × 300 is ordered as %s", size)
	}
	g.read("shape_p1_p2", "520")
	g.sees("misfit: point 1 to point 2 reads 520.0")
	g.held("timber · bead", func() { g.press("The pane is bent") })
	g.read("bend_chord_across", "500")
	g.read("bend_rise_across", "40")
	g.sees("radius of the bend across")
	g.held("timber · bead", func() { g.press("○ rectangle, read all round") })
}

// A tube by its faces and stop, a seat by four diameters, a pane that is lifted
// and dropped: each has its own places, and says what cannot be.
func ownPlaces(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("ebbe")
	g.goTo("/jobs/23/measure")
	g.sees("Order 262.5 mm")
	g.read("between_faces", "252 ±0.5")
	g.sees("Order 264.5 mm")
	g.goTo("/jobs/22/measure")
	g.read("diameter_45", "248 ±0.1")
	g.sees("out of round")
	g.until("the least diameter ordered", `document.querySelector("[data-order]").dataset.order.startsWith("24")`)
	g.goTo("/jobs/24/measure")
	g.pressAt(`[data-place=upper_pocket]`)
	g.tape("12")
	g.sees("no length goes in and stays")
	ask[any](g, `void document.querySelector("#tape-line").select()`)
	g.tape("26")
	g.until("another height", `!document.querySelector("[role=alert]")`)
	g.sees("of the pane stand in the upper pocket")
}

// A traced card from a file: the pen's width is taken off, and the outline goes
// onto a job's table.
func tracedCard(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/sums/outline")
	g.until("the file field", `document.querySelector("section[aria-label='An outline'] input[type=file]")`)
	ask[any](g, fmt.Sprintf(
		`void (() => { const d = new DataTransfer(); d.items.add(new File([%q], "card.svg"));
			const i = document.querySelector("section[aria-label='An outline'] input[type=file]"); i.files = d.files;
			i.dispatchEvent(new Event("change", {bubbles: true})) })()`,
		`<svg width="400mm" height="400mm" viewBox="0 0 400 400"><path d="M0 0H300V200H0Z"/></svg>`))
	g.press("○ inside the opening")
	g.until("the line taken off", `document.querySelector("[data-outline]")?.innerText.includes("302.0 mm")`)
	g.fill("move every side in by", "1")
	g.until("where to cut", `document.querySelector("[data-say]")?.innerText.includes("cut on the line")`)
	g.accessible("a traced line")
	g.press("Lay it on a job's table")
	g.fill("Which open job?", "top light with the bell")
	g.accessible("choosing a job")
	g.pressAt(`[data-job="9"]`)
	g.press("Start the job")
	g.until("the job's table", `location.pathname === "/jobs/9/measure"`)
	g.sees("as drawn")
	g.until("the outline on the table", `document.querySelector("[data-place=shape_width]")`)
	g.held("timber · bead", func() { g.press("○ rectangle, read all round") })
}

// A sash with a broken middle gives each of nine panes its size.
func sashOnPanes(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/sums/sash")
	for _, f := range [][2]string{{"left stile", "50"}, {"column 1", "505"}, {"column 3", "506"}, {"bar", "20"},
		{"right stile", "50"}, {"whole width", "1656"}, {"top rail", "50"}, {"row 1", "402"}, {"row 2", "402"},
		{"bottom rail", "80"}, {"whole height", "1377"}} {
		g.fill(f[0], f[1])
	}
	ask[any](g, `void 0`)
	bars := ask[string](g,
		`[...document.querySelectorAll("[data-way=down] label")].find(l => l.innerText.trim() === "bar").htmlFor`)
	g.do(typeInto("#"+strings.ReplaceAll(bars, ":", `\:`), "20"))
	g.press("Lay the lights on a job's panes")
	g.fill("Which open job?", "north sash")
	g.pressAt(`[data-job="14"]`)
	g.press("Start the job")
	g.until("the job", `location.pathname === "/jobs/14/measure"`)
	g.until("its panes", pane(9))
	ask[any](g, "void "+pane(9)+`.dispatchEvent(new MouseEvent("click", {bubbles: true}))`)
	g.until("the ninth pane", `document.querySelector("h1").innerText.includes("9 of 9")`)
	// 1656 − 100 − 40 − 505 − 506 = 505; 1377 − 130 − 40 − 804 = 403.
	g.until("its inferred height",
		`document.querySelector('[data-place=height_left]').getAttribute("aria-label").includes("403.0")`)
}

// The template from a photo: the sheet's corners, the opening round, one point
// on the curve; the made-up case is 420 wide.
func photoTemplate(t *testing.T, p *program) {
	e, err := photo.MakeExample()
	if err != nil {
		t.Fatal(err)
	}
	g := open(t, p)
	g.signIn("mira")
	g.goTo("/sums/photo")
	g.accessible("a photo to choose")
	g.press("Try it on a made-up one")
	g.until("the photo", `document.querySelector("[data-photo-marks]")`)
	tap := func(x, y float64) {
		t.Helper()
		before := ask[int](g, `document.querySelectorAll("[data-photo-marks] [role=button]").length`)
		ask[any](g, fmt.Sprintf(
			`void (() => { const s = document.querySelector("[data-photo-marks]"), b = s.getBoundingClientRect();
				s.dispatchEvent(new PointerEvent("pointerup", {bubbles: true, pointerId: 1, clientX: b.left + %v / %d * b.width,
				clientY: b.top + %v / %d * b.height})) })()`, x, e.W, y, e.H))
		g.until("the mark", fmt.Sprintf(`document.querySelectorAll("[data-photo-marks] [role=button]").length === %d`,
			before+1))
	}
	tap(e.Points[0].X, e.Points[0].Y)
	g.press("take the last tap back")
	g.until("no mark", `document.querySelectorAll("[data-photo-marks] [role=button]").length === 0`)
	for _, c := range e.Corners {
		tap(c.X, c.Y)
	}
	for i, c := range e.Points {
		if i == 3 {
			g.press("next one lies on a curve")
		}
		tap(c.X, c.Y)
	}
	g.until("its width", `/4(19|20)\.\d mm/.test(document.querySelector("[data-photo-result]")?.innerText)`)
	g.sees("may be off")
	g.accessible("a marked photo")
	// A corner mark can be moved with the keys.
	ask[any](g, `void document.querySelector("[data-photo-marks] [role=button]").focus()`)
	g.do(typeInto("[data-photo-marks] [role=button]", kb.ArrowRight))
	g.press("Lay it on a job's table")
	g.fill("Which open job?", "arched back light")
	g.pressAt(`[data-job="26"]`)
	g.press("Start the job")
	g.until("the job's table", `location.pathname === "/jobs/26/measure"`)
	g.until("the outline on it", form+` === "as drawn"`)
}

// The slider moves the edge in the loupe; a short bite is marked when hot; a
// vague reading lowers the odds and is the one that would help.
func heatAndOdds(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/9/measure")
	for _, r := range [][2]string{{"width_top", "300 ±0.3"}, {"width_bottom", "300 ±0.3"}, {"height_left", "240 ±0.3"},
		{"height_right", "240 ±0.3"}, {"ledge", "9.4 ±0.2"}} {
		g.read(r[0], r[1])
	}
	odds := func() int { return ask[int](g, `Number(document.querySelector("[data-odds]").dataset.odds)`) }
	g.until("the odds", `document.querySelector("[data-odds]")`)
	before := odds()
	g.read("width_bottom", "300 ±4")
	g.until("worse odds", fmt.Sprintf(`Number(document.querySelector("[data-odds]").dataset.odds) < %d`, before))
	g.sees("Read width, bottom with a finer instrument")
	g.press("Read width, bottom with a finer instrument")
	if at := g.tapeAt(); at != "width, bottom" {
		t.Errorf("the way to what helps leads to %q", at)
	}
	clearance := `document.querySelector("[data-dim=clearance] text").textContent`
	cold := ask[string](g, clearance)
	slide := func(n int) {
		ask[any](g, fmt.Sprintf(
			`void (() => { const e = document.querySelector("[data-heat]");
				Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set.call(e, "%d");
				e.dispatchEvent(new Event("input", {bubbles: true})) })()`, n))
	}
	slide(8)
	g.until("the edge moved",
		`document.querySelector("[data-heat]").getAttribute("aria-valuetext").includes("pane 30 °C")`)
	g.accessible("the table when hot")
	slide(4)
	g.until("the edge back", fmt.Sprintf(`%s === %q`, clearance, cold))
	g.goTo("/jobs/1/measure")
	g.until("the stove's clearance", clearance)
	cold = ask[string](g, clearance)
	slide(8)
	g.until("the stove's edge moved", fmt.Sprintf(`%s !== %q`, clearance, cold))
}

// A case's panel and a boiler's tube go in by three positions; what the foot
// clears follows the readings.
func liftAndDrop(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	words := `document.querySelector('section[aria-label="How it goes in"] svg').textContent`
	for _, c := range []struct{ path, place, text string }{{"/jobs/24/measure", "upper_pocket", "28"},
		{"/jobs/23/measure", "stop_depth", "15"}} {
		g.goTo(c.path)
		for _, w := range []string{"1 up and in", "2 upright", "3 let down", "clears ", "head ", "foot "} {
			g.until("the words "+w, fmt.Sprintf("%s.includes(%q)", words, w))
		}
		g.accessible("lifted and dropped, " + c.path)
		before := ask[string](g, words)
		g.read(c.place, c.text)
		g.until("the picture to follow", fmt.Sprintf("%s !== %q", words, before))
	}
}

// A jar broke the pane: what a jar would break again says so, and settling the
// cause anew changes what is flagged.
func mayBreakAgain(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("tor")
	g.goTo("/jobs/4/choose")
	g.sees("Like the old one would be")
	g.until("the flag at the old glass", `document.querySelector("[data-material=annealed] [data-again]")`)
	g.press("laminated")
	g.until("laminated opened", `document.querySelector("[data-material=laminated] button[aria-expanded=true]")`)
	if n := ask[int](g, `document.querySelectorAll("[data-material=laminated] [data-again]").length`); n != 0 {
		t.Error("laminated is flagged against a blow")
	}
	g.accessible("a pane that may break again")
}
