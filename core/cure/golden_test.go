package cure

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"freshshard/tools/golden"
)

// Every adhesive in warm and moist, cold, dry and changing air, its bead narrow and wide, by
// the tube's own sheet: its clocks with their sums, then the bench's gates and a day of it.
func TestClocksAreAsLookedAt(t *testing.T) {
	b := &strings.Builder{}
	since := time.Date(2027, 3, 26, 12, 0, 0, 0, time.UTC)
	at := func(p *time.Time) string {
		if p == nil {
			return "never"
		}
		return p.Format("2 Jan 15:04")
	}
	airs := map[string][]Air{"warm": {{At: since, C: 23, RH: 50}, {At: since.Add(900 * time.Hour), C: 23, RH: 50}},
		"cold": {{At: since, C: 6, RH: 60}, {At: since.Add(900 * time.Hour), C: 6, RH: 60}},
		"dry":  {{At: since, C: 19, RH: 25}, {At: since.Add(900 * time.Hour), C: 19, RH: 25}},
		"turns": {{At: since, C: 21, RH: 55}, {At: since.Add(5 * time.Hour), C: 4, RH: 80}, {At: since.Add(20 * time.Hour),
			C: 16, RH: 45},
			{At: since.Add(30 * time.Hour), C: 24, RH: 40}}}
	for _, a := range Book.All() {
		for _, air := range []string{"warm", "turns"} {
			for _, bond := range []Bond{{Width: 6, Edges: 2}, {Width: 20, Edges: 1}, {Width: 12, Edges: 2, Depth24: 4.5}} {
				bond.Adhesive, bond.Since = a.ID, since
				if air != "turns" && bond.Width == 20 || air == "dry" && bond.Width == 12 {
					continue
				}
				c, err := Cure(bond, airs[air], since.Add(7*time.Hour))
				fmt.Fprintf(b, "= %s, %s, %g wide: %v, opens %s, let go at %.4f, %q, %q, %d points\n", a.ID, air, bond.Width, err,
					c.Opens, c.LetGoAt, c.Need, c.Says, len(c.Curve))
				for _, k := range c.Clocks {
					fmt.Fprintf(b, "  %s %q %q, unsure %v, over %v, left %d: earliest %s, safe %s\n", k.Key, k.Title,
						k.May, k.Unsure, k.Over, k.Left, at(k.Earliest), at(k.Safe))
					if air == "turns" {
						b.WriteString(golden.Figure(k.Figure))
					}
				}
			}
		}
	}
	for _, o := range []Opening{{C: 12, RH: 70, Surface: 9}, {C: 3, RH: 90, Surface: 2}, {C: 36, RH: 20, Surface: 50},
		{C: 20, RH: 50, Surface: 8},
		{C: 20, RH: 50, Surface: 20, Expires: since}, {C: 20, RH: 50, Surface: 20, Expires: since.Add(23 * time.Hour),
			Opened: since.Add(-Session)}, {C: 20, RH: 50, Surface: 20, Opened: since.Add(-Session - time.Minute)}} {
		for _, id := range []string{"urethane", "neutral-silicone", "linseed-putty", "cement"} {
			o.Adhesive, o.Now = id, since
			figures, err := Gates(o)
			fmt.Fprintf(b, "= bench %s %g %g %g: %v\n", id, o.C, o.RH, o.Surface, err)
			for _, f := range figures {
				b.WriteString(golden.Figure(f))
			}
		}
	}
	for _, air := range []string{"warm", "cold", "turns"} {
		lines, err := Day([]Laying{{Job: 1, Name: "cab", Adhesive: "urethane", Ml: 140, Minutes: 4, Width: 12, Edges: 2},
			{Job: 2, Pane: 2, Name: "trailer", Adhesive: "urethane", Ml: 150, Minutes: 4, Width: 8, Edges: 1},
			{Job: 3, Name: "light", Adhesive: "linseed-putty", Ml: 200, Minutes: 12},
			{Job: 4, Name: "door", Adhesive: "two-part-urethane", Ml: 400, Minutes: 20}}, airs[air], since)
		fmt.Fprintf(b, "= a day, %s: %v\n", air, err)
		for _, l := range lines {
			fmt.Fprintf(b, "  %s %+v\n", l.At.Format("2 Jan 15:04"), strings.ReplaceAll(golden.Lines(t, l), "\n", ""))
		}
	}
	golden.Check(t, "clocks", b.String())
}
