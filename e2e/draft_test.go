package e2e

import (
	"fmt"
	"testing"
)

// Whatever an earlier version of the page has kept on a device, no page is
// blank for it, and what still fits is there.
func oldDrafts(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	for _, page := range []struct{ path, draft, fits, there string }{
		{"/take-in", "take-in", `{"name":"Oda Marl","layout":7,"customer":"x","old":"yes","gone":{"a":1}}`,
			`[...document.querySelectorAll("main input")].some(i => i.value === "Oda Marl")`},
		{"/sums", "sash", `{"across":{"lights":["250",4,null],"bars":"x"},"down":3}`,
			`[...document.querySelectorAll("main input")].some(i => i.value === "250")`},
		{"/sums/outline", "outline", `{"kind":"circle","measures":{"diameter":"200","x":{}},"inset":4}`,
			`document.querySelector("main h2")`},
		{"/sums/pack", "pack", `{"panes":[{"material":4},5],"gaps":["a"],"cavity":"hot"}`,
			`document.querySelector("main h2")`},
		{"/sums/load", "load", `{"w":4,"held":[]}`, `document.querySelector("main h2")`},
	} {
		for _, kept := range []string{page.fits, `{}`, `[]`, `"x"`, `null`, `5`, `{`} {
			g.moveTo("/jobs")
			ask[any](g, fmt.Sprintf(`void localStorage.setItem("draft:%s", %q)`, page.draft, kept))
			g.moveTo(page.path)
			g.until("a page for the draft "+kept,
				`document.querySelector("main") && document.querySelector("main").innerText.length > 60 &&
			!document.querySelector("main [role=alert]")?.innerText.includes("could not be shown")`)
			if kept == page.fits {
				g.until("what still fits", page.there)
			}
		}
		ask[any](g, fmt.Sprintf(`void localStorage.removeItem("draft:%s")`, page.draft))
	}
}
