// Package due knows when a pane wants to be looked at again: consumable panes, seals
// that settle, bonds, tubes, rubbers. Common practice, no source; the maker's sheets come
// first.
package due

import (
	_ "embed"
	"slices"
	"time"

	"freshshard/core/catalogue"
	"freshshard/core/value"
)

//go:embed due.json
var file []byte

// rule is one reminder with what it is for; an empty list is for all.
type rule struct {
	Key       string      `json:"key"`
	Families  []string    `json:"families,omitempty"`
	Exposures []string    `json:"exposures,omitempty"`
	Materials []string    `json:"materials,omitempty"`
	Roads     []string    `json:"roads,omitempty"`
	How       []string    `json:"how,omitempty"`
	After     value.Value `json:"after"` // days
	What      string      `json:"what"`
	Why       string      `json:"why"`
}

var rules = catalogue.Must[[]rule](file, "due.json")

// Of is what a reminder goes by, as the catalogues name it.
type Of struct {
	Family   string
	Exposure string
	Material string // of what was put in; empty where the old pane stays
	Road     string
	How      string
}

// Due is one reminder.
type Due struct {
	Key    string       `json:"key"`
	What   string       `json:"what"`
	Why    string       `json:"why"`
	On     time.Time    `json:"on" doc:"The day on which it is due"`
	Origin value.Origin `json:"origin" doc:"Where the time is from"`
}

// hour is when a day's work begins.
const hour = 9

// For lists what is due for a pane that went out at a moment, the soonest first: each at
// nine in the morning of its day, in the zone of the moment. What was only cleaned, or is
// only watched, has no reminders of what was fitted.
func For(o Of, out time.Time) []Due {
	var list []Due
	for _, r := range rules {
		if !r.is(o) {
			continue
		}
		day := out.AddDate(0, 0, int(r.After.V))
		list = append(list, Due{Key: r.Key, What: r.What, Why: r.Why, Origin: r.After.Origin.Of(""),
			On: time.Date(day.Year(), day.Month(), day.Day(), hour, 0, 0, 0, out.Location())})
	}
	slices.SortStableFunc(list, func(a, b Due) int { return a.On.Compare(b.On) })
	return list
}

const kept = "kept"

func (r rule) is(o Of) bool {
	in := func(list []string, v string) bool { return len(list) == 0 || slices.Contains(list, v) }
	if o.Road == kept && !slices.Contains(r.Roads, kept) {
		return false
	}
	return in(r.Families, o.Family) && in(r.Exposures, o.Exposure) && in(r.Materials, o.Material) && in(r.Roads, o.Road) &&
		in(r.How, o.How)
}
