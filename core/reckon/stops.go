package reckon

import (
	"fmt"
	"slices"
	"strings"

	"freshshard/core/compat"
	"freshshard/core/family"
	"freshshard/core/pane"
	"freshshard/core/prove"
	"freshshard/core/working"
)

// stops are all numbers beyond their limit, the gates that are closed for the
// settled material, and what is used and must never be. One thing that several
// numbers say stands there once.
func (r Chosen) stops(all []working.Figure) ([]prove.Stop, error) {
	k := r.k
	out := []prove.Stop{}
	worst := map[string]working.Figure{}
	var keys []string
	for _, f := range all {
		if f.Verdict != working.Stop {
			continue
		}
		about := aboutOf(f.Key)
		w, seen := worst[about]
		if !seen {
			keys = append(keys, about)
		}
		if !seen || f.Margin < w.Margin-much {
			worst[about] = f
		}
	}
	said := func(prefix string) bool {
		return slices.ContainsFunc(keys, func(a string) bool { return strings.HasPrefix(a, prefix) })
	}
	for _, about := range keys {
		// The order stops for want of clearance, bite or rest, which say it better.
		// What a limit says by itself it says better than the odds of all of them.
		if about == "odds_order" && len(keys) > 1 {
			continue
		}
		if strings.HasPrefix(about, "order_") && (said("clearance") || said("bite") || said("rest")) {
			continue
		}
		if s, ok := prove.Of(Present([]working.Figure{worst[about]}, k.Unit)[0], stationOf(about)); ok {
			out = append(out, s)
		}
	}
	if k.Material != "" && r.Fault == nil {
		closed, err := r.Material.Against(r.need(r.Told))
		if err != nil {
			return out, err
		}
		same := map[string][]string{"load": {"stress_", "bend_"}, "warp": {"stress_seat"}, "hole": {"hole_rule_"},
			"pressure": {"stress_hoop"}}
		if r.Pack != nil && r.Pack.Here > 0 {
			same["steady"] = []string{fmt.Sprintf("pack_pane_%d", r.Pack.Here)}
		}
		for _, c := range closed {
			// A number of the pane itself says it better than the gate.
			if !slices.ContainsFunc(same[c.Gate], said) {
				out = append(out, gateStop(c))
			}
		}
	}
	// An agent that nobody knows is refused where it is typed; here it clashes
	// with nothing.
	clashes, _ := compat.Clashes(k.Uses, r.Touch)
	for _, c := range clashes {
		out = append(out, prove.Stop{Key: "clash_" + c.Agent, Station: "choose", Says: c.Why + "; " + c.Cure})
	}
	return out, nil
}

// much is how much worse hot or cold has to be than when set to be worth telling
// instead, in the number's unit.
const much = 0.1

// aboutOf is what a number is about: when set, hot and in the coldest are one
// thing.
func aboutOf(key string) string {
	for _, p := range []string{"clearance_", "bite_", "rest_"} {
		if strings.HasPrefix(key, p) {
			return strings.TrimSuffix(p, "_")
		}
	}
	return key
}

func gateStop(c pane.Closed) prove.Stop {
	f := c.Figure
	f.Text = ""
	f.Sentence = c.Name + ": " + c.Sentence
	s, _ := prove.Of(f, "choose")
	// Yes and no have no number worth saying.
	if f.Unit == "" {
		s.Limit = ""
	}
	s.Key = fmt.Sprintf("gate_%s:%s", c.Gate, c.Material)
	return s
}

// stationOf is where a number is put right.
func stationOf(key string) family.Station {
	for _, p := range []string{"stress_", "bend_", "pack_"} {
		if strings.HasPrefix(key, p) {
			return "choose"
		}
	}
	return "measure"
}
