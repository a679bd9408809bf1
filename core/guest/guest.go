// Package guest knows what is put into an object only for now: pins, props,
// tapes, clamps, rags. Each has a last moment at which it can be reached.
// Common practice, no source.
package guest

import (
	_ "embed"
	"fmt"
	"slices"
	"strings"

	"freshshard/core/catalogue"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/plan"
)

//go:embed guests.json
var file []byte

// Usual is one that is often put in. Shut are the keys of the steps that shut it
// in; MayStay says that people leave it in for good.
type Usual struct {
	ID      string   `json:"id"`
	What    string   `json:"what"`
	Shut    []string `json:"shut"`
	MayStay bool     `json:"may_stay,omitempty"`
	Why     string   `json:"why"`
}

var usual = catalogue.Must[[]Usual](file, "guests.json")

// All lists the usual ones.
func All() []Usual { return usual }

// Guest is one that was put in. Before is the step before which it must be out;
// one that stays for good has none, and says whether it will be seen.
type Guest struct {
	What   string `json:"what" maxLength:"80"`
	Where  string `json:"where,omitempty" maxLength:"80"`
	Before string `json:"before,omitempty" maxLength:"40" doc:"Key of the step before which it is out; empty if it stays"`
	Stays  bool   `json:"stays,omitempty"`
	Seen   bool   `json:"seen,omitempty" doc:"It stays and will be seen"`
}

// Check refuses a guest that nobody could count out: without a name, or without
// the step before which it goes out while it does not stay.
func (g Guest) Check(steps []plan.Step) error {
	switch {
	case strings.TrimSpace(g.What) == "":
		return fault.New("what", "nobody knows what was put in", "say it in a word or two")
	case g.Stays && g.Before != "":
		return fault.New("before", "what stays for good is not taken out", "leave out the one or the other")
	case g.Stays:
		return nil
	case g.Before == "":
		return fault.New("before", "nobody knows when it has to be out",
			"choose the step before which it goes out, or that it stays")
	case !slices.ContainsFunc(steps, func(s plan.Step) bool { return s.Key == g.Before }):
		return fault.New("before", fmt.Sprintf("the plan has no step %q", g.Before), "choose one of its steps")
	}
	return nil
}

// Last is the last step before which something can still be reached: the first
// of the plan's open steps that shuts it in; where none of them does, the first
// open one of refitting, then of proving. ok is false when the plan has none left.
func Last(u Usual, steps []plan.Step, done map[string]bool) (key string, ok bool) {
	for _, s := range steps {
		if !done[s.Key] && slices.Contains(u.Shut, s.Key) {
			return s.Key, true
		}
	}
	for _, station := range []family.Station{"refit", "prove"} {
		for _, s := range steps {
			if !done[s.Key] && s.Station == station {
				return s.Key, true
			}
		}
	}
	return "", false
}

// In says what a step waits for while guests are in: those that have to be out
// before it; empty when there are none.
func In(key string, guests []Guest) string {
	var names []string
	for _, g := range guests {
		if g.Before == key && !g.Stays {
			names = append(names, g.name())
		}
	}
	if len(names) == 0 {
		return ""
	}
	return strings.Join(names, ", ") + " still in: out first, nobody reaches it afterwards"
}

func (g Guest) name() string {
	if g.Where == "" {
		return g.What
	}
	return g.What + ", " + g.Where
}
