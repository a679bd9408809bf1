package striplog

import (
	"fmt"
	"sort"
	"strings"
)

// Count is one entry that does not count out yet.
type Count struct {
	ID   string `json:"id"`
	What string `json:"what"`
	Say  string `json:"say"`
}

// Open lists what does not count out: out = back + recorded lost, the renewed
// among those back. What is over is named too.
func (l Log) Open() []Count {
	out := []Count{}
	for _, e := range l {
		left := e.Wanted() - e.In
		switch {
		case e.Loosen && e.In == 0 && e.Fate != Off:
			out = append(out, Count{e.ID, e.What, "not slid back yet"})
		case e.Loosen && e.Fate != Off:
		case left > 0:
			out = append(out, Count{e.ID, e.What, fmt.Sprintf("%d of %d still out", left, e.Count)})
		case left < 0:
			out = append(out, Count{e.ID, e.What, fmt.Sprintf("%d more went in than came out", -left)})
		}
	}
	return out
}

// Need is one thing to buy.
type Need struct {
	What  string `json:"what"`
	Count int    `json:"count"`
	Why   string `json:"why"`
}

// A tab stands two or three bends; the next after this is its last.
const lastBend = 2

// Needs is the order list: what is renewed or lost, drilled rivets, tabs on
// their last bend. Like things are added up.
func (l Log) Needs() []Need {
	sum := map[Need]int{}
	add := func(what string, n int, why string) {
		if n > 0 {
			sum[Need{What: what, Why: why}] += n
		}
	}
	for _, e := range l {
		if e.Loosen {
			continue
		}
		what := e.What
		if w := e.spec(); w != "" {
			what += ", " + w
		}
		switch e.Fate {
		case Renew:
			add(what, e.Count, "renewed")
		case Lost:
			add(what, max(e.Missing, 1), "lost")
		case Off:
		case Substitute:
			if e.By != "" {
				add(e.By, e.Count, "in place of "+e.What)
			} else {
				add(what, e.Count, "a substitute for it")
			}
		default:
			add(what, e.Renewed, "renewed")
			add(what, e.Missing, "lost")
		}
		if e.Held.How == "rivet" && e.Fate == Back {
			add("rivet, "+e.spec(), e.Count, "drilled out")
		}
		if e.Held.How == "tab" && e.Held.Bends >= lastBend {
			add(e.What, 1, "its tab is on its last bend")
		}
	}
	out := make([]Need, 0, len(sum))
	for n, c := range sum {
		n.Count = c
		out = append(out, n)
	}
	sort.Slice(out, func(i, j int) bool { return out[i].What+out[i].Why < out[j].What+out[j].Why })
	return out
}

// spec is what a shop needs to know to sell the like.
func (e Entry) spec() string {
	var w []string
	for _, s := range []string{e.Held.Size, e.Held.Drive, string(e.Held.Thread)} {
		if s != "" {
			w = append(w, s)
		}
	}
	if e.Held.Length > 0 {
		w = append(w, fmt.Sprintf("%g mm", e.Held.Length))
	}
	return strings.Join(w, ", ")
}

// Layer is one pane of a pack, outermost removal first.
type Layer struct {
	Number int    `json:"number"`
	What   string `json:"what"`
	Facing string `json:"facing"`
}

// Stack is the panes of a pack in the order in which they came out.
func (l Log) Stack() []Layer {
	out := []Layer{}
	for _, e := range l {
		if e.Kind == Pane && !e.Loosen {
			out = append(out, Layer{len(out) + 1, e.What, e.Facing})
		}
	}
	return out
}

// Copy starts a new log from an earlier one: the same things in the same order,
// nothing back yet, nothing lost or renewed.
func (l Log) Copy() Log {
	out := append(Log(nil), l...)
	for i := range out {
		out[i].In, out[i].Missing, out[i].Renewed = 0, 0, 0
		if out[i].Fate == Lost || out[i].Fate == Substitute {
			out[i].Fate = Back
		}
		if out[i].Held.How == "tab" {
			out[i].Held.Bends++
		}
	}
	return out
}
