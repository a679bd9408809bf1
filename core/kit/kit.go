// Package kit tells what goes into the van for a job that is done at the customer's:
// tools for the work that is left, drives from the strip log's own fasteners. Common
// practice, no source.
package kit

import (
	_ "embed"
	"fmt"
	"slices"
	"strings"

	"freshshard/core/catalogue"
	"freshshard/core/family"
	"freshshard/core/striplog"
)

//go:embed kit.json
var file []byte

// rule is one thing with the work that it is for: any of the stations, steps or checks.
type rule struct {
	What     string           `json:"what"`
	Stations []family.Station `json:"stations,omitempty"`
	Steps    []string         `json:"steps,omitempty"`
	Checks   []string         `json:"checks,omitempty"`
	Why      string           `json:"why"`
}

var rules = catalogue.Must[[]rule](file, "kit.json")

// Item is one thing to take along.
type Item struct {
	What string `json:"what"`
	Why  string `json:"why"`
}

// Work is what is left to be done.
type Work struct {
	Stations []family.Station
	Steps    []string
	Checks   []string
	Strip    striplog.Log
}

// Tools are what the work that is left needs, each once, the log's own drives first.
func Tools(w Work) []Item {
	out := []Item{}
	if d := drives(w.Strip); d != "" {
		out = append(out, Item{"drivers: " + d, "what the strip log says is in it"})
	}
	for _, r := range rules {
		any := func(of, in []string) bool {
			return slices.ContainsFunc(of, func(k string) bool { return slices.Contains(in, k) })
		}
		if slices.ContainsFunc(r.Stations, func(s family.Station) bool { return slices.Contains(w.Stations, s) }) ||
			any(r.Steps, w.Steps) || any(r.Checks, w.Checks) {
			out = append(out, Item{r.What, r.Why})
		}
	}
	return out
}

// drives are those of the log's fasteners that are not back yet, each once with how many.
func drives(l striplog.Log) string {
	count := map[string]int{}
	var order []string
	for _, e := range l {
		d := e.Held.Drive
		if d == "" || e.IsBack() {
			continue
		}
		if count[d] == 0 {
			order = append(order, d)
		}
		count[d] += e.Count
	}
	slices.Sort(order)
	for i, d := range order {
		order[i] = fmt.Sprintf("%s for %d", d, count[d])
	}
	return strings.Join(order, ", ")
}
