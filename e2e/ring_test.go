package e2e

import (
	"fmt"
	"math"
	"testing"
)

// A ring window's screws are counted off round, each beside the one before it, first by hand
// and then snug; a kiln's first heat runs in its stages, and its step waits for them.
func ringAndKiln(t *testing.T, p *program) {
	g := open(t, p)
	g.signIn("mira")
	ring := g.taken("Horse trailer, ring window of the tack locker", "clamp-ring", "weather")
	g.readAll(ring, map[string]string{"width_top": "500", "width_bottom": "500", "height_left": "350",
		"height_right": "350", "ledge": "16"})
	g.upTo(ring, "ring-on")
	g.goTo(fmt.Sprintf("/jobs/%d/set", ring))
	g.until("the first screw", `document.querySelector("[data-screw-drawn][data-state=now]")`)
	type spot struct{ N, X, Y float64 }
	screws := ask[[]spot](g, `[...document.querySelectorAll("[data-screw-drawn]")].map(s => {
		const b = s.getBoundingClientRect()
		return {N: Number(s.dataset.screwDrawn), X: b.x + b.width / 2, Y: b.y + b.height / 2}
	})`)
	if len(screws) < 6 {
		t.Fatalf("%d screws are drawn", len(screws))
	}
	at := map[float64]spot{}
	for _, s := range screws {
		at[s.N] = s
	}
	far := func(a, b float64) float64 { return math.Hypot(at[a].X-at[b].X, at[a].Y-at[b].Y) }
	for n := range screws {
		a, b := float64(n+1), float64((n+1)%len(screws)+1)
		nearer := 0
		for _, s := range screws {
			if s.N != a && s.N != b && far(a, s.N) < far(a, b)-1 {
				nearer++
			}
		}
		// Round a corner the one across it may be as near.
		if nearer > 1 {
			t.Errorf("after screw %v comes %v; %d lie nearer", a, b, nearer)
		}
	}
	for n := range len(screws) + 1 {
		g.until("screw by screw", fmt.Sprintf(`document.querySelector("[data-line]").innerText.includes("Screw %d %s")`,
			n%len(screws)+1, []string{"touches", "is snug"}[n/len(screws)]))
		g.pressAt(`[data-screw-drawn][data-state=now]`)
	}
	g.sees("Screw 2 is snug")
	g.accessible("a ring tightened round")

	kiln := g.taken("Potter's kiln, spy hole of the small chamber", "clip-heat", "kiln")
	g.goTo(fmt.Sprintf("/jobs/%d/prove", kiln))
	g.pressAt(`[data-start="first-heat-kiln"]`)
	g.until("the first stage", `document.querySelector("[data-timer=runs]")?.innerText.includes("150 °C")`)
	g.sees("keeps “First heat, empty” shut")
	g.press("what happened")
	g.sees("First heat")
	g.accessible("the first heat of a kiln")
	g.goTo("/")
	g.until("Today to call it",
		`document.querySelector("section[aria-label=Clocks]")?.innerText.includes("spy hole of the small chamber")`)
}
