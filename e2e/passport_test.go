package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
)

// Signed, the papers go out; a second browser without a sign-in opens the passport by its
// code, until the owner withdraws it. The job is found by what lay in its way, its
// reminders are listed and put off, and the object comes back.
func passport(t *testing.T, p *program) {
	mira := open(t, p)
	mira.signIn("mira")
	id := mira.taken("Sauna stove in the boathouse", "clip-heat", "fire")
	job := fmt.Sprintf("/api/jobs/%d", id)
	mira.readAll(id, map[string]string{"width_top": "270", "width_bottom": "268.4", "height_left": "242",
		"height_right": "242", "ledge": "14", "bracket_reach": "16"})
	mira.call("PUT", job+"/choice", `{"material": "glass-ceramic", "thickness": 4}`)
	mira.call("POST", job+"/strip",
		`{"id": "", "in": 0, "kind": "fasteners", "what": "hearth rail screw", "where": "low edge", "count": 2,
			"fate": "back", "seized": true, "held": {"how": "screw", "drive": "T20", "size": "M5", "length": 16}}`)
	mira.finish(id)
	mira.goTo(fmt.Sprintf("/jobs/%d/prove", id))
	mira.press("Sign as Mira Quill")
	mira.until("what goes out", `document.querySelector("[data-outgoing] [href$='customer.pdf']") &&
		document.querySelector("[data-link]")`)
	mira.accessible("what goes out")
	for _, paper := range []string{"customer", "label", "letter", "passport", "record", "ticket"} {
		if f := string(mira.fetch(job + "/" + paper + ".pdf")); !strings.HasPrefix(f, "%PDF-") {
			t.Errorf("%s: %.60q", paper, f)
		}
	}
	token := ask[string](mira, `document.querySelector("[data-link]").dataset.link`)

	stranger := open(t, p)
	stranger.goTo("/p/" + token)
	stranger.sees("To the next technician")
	stranger.sees("hearth rail screw, low edge: was seized")
	stranger.sees("4 mm glass-ceramic")
	stranger.accessible("a passport")
	if ask[bool](stranger, `document.body.innerText.includes("Oda Marl") || !!document.querySelector("nav")`) {
		t.Error("the passport tells whose it is, or leads into the shop")
	}
	stranger.do(chromedp.EmulateViewport(390, 844, chromedp.EmulateTouch))
	if ask[bool](stranger, `document.documentElement.scrollWidth > 390 ||
		document.querySelector("main").scrollWidth > 390`) {
		t.Error("the passport is wider than a phone")
	}

	mira.goTo("/records")
	mira.fill("Find anything", "hearth rail")
	mira.until("the job by what lay in its way", fmt.Sprintf(`document.querySelector("[data-found='%d']")`, id))
	mira.accessible("found")
	mira.refill("Find anything", "no such thing anywhere")
	mira.sees("Nothing kept has")
	mira.goTo("/records")
	line := `[...document.querySelectorAll("[data-reminder]")].filter(l => l.innerText.includes("boathouse"))`
	mira.until("its reminders", line+".length === 3")
	mira.accessible("what is due")
	first := ask[string](mira, line+"[0].dataset.reminder")
	mira.pressAt(fmt.Sprintf("[data-reminder='%s'] button:last-of-type", first))
	mira.fill("Put off to", "yesterday")
	mira.press("Put it off")
	mira.until("no day that is over", `document.querySelector("[role=alert], .text-stop")`)
	mira.refill("Put off to", "in 20 days")
	mira.press("Put it off")
	mira.until("it put off", fmt.Sprintf(`!document.querySelector("[data-reminder='%s'] input")`, first))
	mira.pressAt(fmt.Sprintf("[data-reminder='%s'] button", first))
	mira.until("it done", line+".length === 2")
	mira.press("Make an address for a calendar")
	mira.until("the address", `document.querySelector("[data-calendar]")`)
	feed := ask[string](mira, `new URL(document.querySelector("[data-calendar]").innerText).pathname`)
	if ics := string(stranger.fetch(feed)); !strings.Contains(ics, "BEGIN:VCALENDAR") ||
		!strings.Contains(ics, "boathouse") {
		t.Errorf("the calendar: %.80q", ics)
	}

	// It is back: one object through time, and the shop's experience says so.
	mira.goTo(fmt.Sprintf("/jobs/%d/prove", id))
	mira.press("copy or withdraw")
	mira.press("It is back: the same object")
	mira.until("the new job",
		fmt.Sprintf(`/^\/jobs\/\d+/.test(location.pathname) && !location.pathname.startsWith("/jobs/%d/") &&
			location.pathname !== "/jobs/%d"`, id, id))
	again := ask[string](mira, `location.pathname.split("/")[2]`)
	mira.goTo("/jobs/" + again + "/assess")
	mira.until("it was here before", `document.querySelector("[data-through='1']")`)
	mira.goTo("/jobs/" + again + "/choose")
	mira.until("how the like went", `document.querySelector("[data-experience]")?.innerText
		.includes("came back within a year")`)
	mira.accessible("experience")
	stranger.goTo("/p/" + token)
	stranger.sees("It was here again since.")

	mira.goTo(fmt.Sprintf("/jobs/%d/prove", id))
	mira.press("withdraw the code")
	mira.press("Withdraw it")
	mira.sees("The code was withdrawn")
	stranger.goTo("/p/" + token)
	stranger.sees("Nothing is behind this code.")
	stranger.accessible("a withdrawn passport")
}
