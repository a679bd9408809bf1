// Package timer runs the clocks that are no chemistry: water over a seal, a first heat in
// stages, paint that dries, a thing that cools. Each keeps a step or a check shut until it
// is out. Times are common practice, no source; a sheet, a tin or a maker comes first.
package timer

import (
	_ "embed"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/catalogue"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/value"
)

//go:embed timers.json
var file []byte

// Stage is one part of a clock; the next begins when somebody says so.
type Stage struct {
	What    string      `json:"what"`
	Minutes value.Value `json:"minutes"`
}

// Usual is a clock that is often run.
type Usual struct {
	ID        string         `json:"id"`
	What      string         `json:"what"`
	Stages    []Stage        `json:"stages"`
	Station   family.Station `json:"station"`
	Steps     []string       `json:"steps,omitempty"`
	Checks    []string       `json:"checks,omitempty"`
	Exposures []string       `json:"exposures,omitempty"`
	May       string         `json:"may" doc:"What to do meanwhile, and what it does not say"`
}

var usual = catalogue.Must[[]Usual](file, "timers.json")

// All lists the usual ones.
func All() []Usual { return usual }

// Offer is a usual clock at the step or check that it keeps shut here.
type Offer struct {
	Usual
	Gates string `json:"gates" doc:"Key of what it keeps shut"`
	Check bool   `json:"check,omitempty" doc:"That is a check"`
}

// For lists the clocks that fit a pane's open steps and checks, each at the first of them
// that it names.
func For(exposure string, steps, checks []string) []Offer {
	out := []Offer{}
	for _, u := range usual {
		if len(u.Exposures) > 0 && !slices.Contains(u.Exposures, exposure) {
			continue
		}
		if k := firstOf(u.Checks, checks); k != "" {
			out = append(out, Offer{u, k, true})
		} else if k := firstOf(u.Steps, steps); k != "" {
			out = append(out, Offer{u, k, false})
		}
	}
	return out
}

// At is the first of some open steps that a usual clock keeps shut; empty where it keeps none.
func At(usual string, steps []string) string {
	for _, u := range All() {
		if u.ID == usual {
			return firstOf(u.Steps, steps)
		}
	}
	return ""
}

func firstOf(of, in []string) string {
	for _, k := range in {
		if slices.Contains(of, k) {
			return k
		}
	}
	return ""
}

// Run is one clock that was started.
type Run struct {
	Usual string    `json:"usual,omitempty" maxLength:"40" doc:"The usual one that it is; empty for one's own"`
	What  string    `json:"what" maxLength:"120"`
	Stage int       `json:"stage" minimum:"0" maximum:"9" doc:"Which part of it runs, from 0"`
	Gates string    `json:"gates,omitempty" maxLength:"40" doc:"Key of the step or check that it keeps shut, or empty"`
	Check bool      `json:"check,omitempty"`
	Since time.Time `json:"since"`
	Until time.Time `json:"until" doc:"When this part is out"`
}

// Bounds of a clock.
const (
	least = time.Minute
	most  = 14 * 24 * time.Hour
	// A clock may have been started before it was typed in.
	mostBefore = 24 * time.Hour
)

// Start starts a clock at a moment; minutes of 0 take the usual ones. It returns a
// *fault.Error for a clock that would run backwards, for none at all or for weeks.
func Start(r Run, minutes int, now time.Time) (Run, error) {
	if r.Since.IsZero() {
		r.Since = now
	}
	if r.Usual != "" {
		i := slices.IndexFunc(usual, func(u Usual) bool { return u.ID == r.Usual })
		if i < 0 {
			return r, fault.New("usual", fmt.Sprintf("no clock is called %q", r.Usual),
				"choose one of the list, or type what it is for")
		}
		stages := usual[i].Stages
		if r.Stage < 0 || r.Stage >= len(stages) {
			return r, fault.New("stage", fmt.Sprintf("it has %d parts", len(stages)), "start with the first")
		}
		r.What = stages[r.Stage].What
		if minutes == 0 {
			minutes = int(stages[r.Stage].Minutes.V)
		}
	}
	span := time.Duration(minutes) * time.Minute
	switch {
	case strings.TrimSpace(r.What) == "":
		return r, fault.New("what", "what is waited for?", "say it in a word or two")
	case r.Since.After(now):
		return r, fault.New("since", "a clock does not start tomorrow", "start it when it begins")
	case now.Sub(r.Since) > mostBefore:
		return r, fault.New("since", "that was more than a day ago", "say what time today or last night")
	case span < least || span > most:
		return r, fault.New("minutes", "a clock runs from a minute to a fortnight", "say how long, in minutes")
	}
	r.Until = r.Since.Add(span)
	return r, nil
}

// Out says whether this part of it is out.
func (r Run) Out(now time.Time) bool { return !r.Until.After(now) }

// Next is the part that follows, nil after the last.
func (r Run) Next() *Stage {
	for _, u := range usual {
		if u.ID == r.Usual && r.Stage+1 < len(u.Stages) {
			return &u.Stages[r.Stage+1]
		}
	}
	return nil
}

// Opens says whether what it keeps shut is open: the last part is out.
func (r Run) Opens(now time.Time) bool { return r.Out(now) && r.Next() == nil }

// Ready is when it opens at the earliest: the parts that are left begin one after the
// other at their usual length.
func (r Run) Ready() time.Time {
	at := r.Until
	for _, u := range usual {
		if u.ID != r.Usual {
			continue
		}
		for _, s := range u.Stages[min(r.Stage+1, len(u.Stages)):] {
			at = at.Add(time.Duration(s.Minutes.V) * time.Minute)
		}
	}
	return at
}

// Shut says why something is kept shut; empty where it is open.
func (r Run) Shut(now time.Time) string {
	switch {
	case r.Opens(now):
		return ""
	case r.Out(now):
		return r.What + " is over; next: " + strings.ToLower(r.Next().What[:1]) + r.Next().What[1:]
	}
	return "its clock runs: " + strings.ToLower(r.What[:1]) + r.What[1:]
}
