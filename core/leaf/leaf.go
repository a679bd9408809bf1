// Package leaf is the work of a door or leaf that comes off its hinges: how it
// comes off, how it is hung, set and proved. Any object with a leaf may have it,
// whichever way its panes are held. Common practice, no source.
package leaf

import (
	_ "embed"
	"slices"

	"freshshard/core/catalogue"
	"freshshard/core/family"
)

//go:embed leaf.json
var file []byte

// work are the steps and checks of it.
type work struct {
	Steps  []family.Step  `json:"steps"`
	Checks []family.Check `json:"checks"`
}

var all = catalogue.Must[work](file, "leaf.json")

// Apply puts the work of a leaf into that of a way of holding: off before the rest
// of the strip, hung before the rest of the refit, proved last.
func Apply(f family.Family) family.Family {
	f.Steps = slices.Clone(f.Steps)
	added := map[family.Station]int{}
	for _, s := range all.Steps {
		at := slices.Index(family.Stations, s.Station)
		i := slices.IndexFunc(f.Steps, func(o family.Step) bool { return slices.Index(family.Stations, o.Station) >= at })
		if i < 0 {
			i = len(f.Steps)
		}
		f.Steps = slices.Insert(f.Steps, i+added[s.Station], s)
		added[s.Station]++
	}
	f.Checks = append(slices.Clone(f.Checks), all.Checks...)
	return f
}

// Every are the keys of its steps, and its checks.
func Every() (steps []string, checks []family.Check) {
	for _, s := range all.Steps {
		steps = append(steps, s.Key)
	}
	return steps, all.Checks
}
