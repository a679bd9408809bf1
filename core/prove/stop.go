package prove

import (
	"time"

	"freshshard/core/family"
	"freshshard/core/working"
)

// Stop is a number beyond its limit, a gate that is closed for the settled
// material, or two things that must never meet. It keeps a job from being
// signed until it is read again, ordered otherwise, or taken on by an owner.
type Stop struct {
	Key     string         `json:"key" doc:"The figure's, the gate's with its material, or the clash's"`
	Station family.Station `json:"station" doc:"Where it is put right"`
	Says    string         `json:"says" doc:"The number with its sentence"`
	Limit   string         `json:"limit,omitempty" doc:"What is wanted, and where that is from; empty if not measured"`
	Place   string         `json:"place,omitempty" doc:"The reading that it hangs on"`
	Beyond  float64        `json:"beyond" doc:"How far beyond its limit, in its unit; 0 where nothing is measured"`
	Taken   *Taken         `json:"taken,omitempty" doc:"The owner who took it on"`
}

// Taken is an owner's word that a stop is to stay as it is.
type Taken struct {
	Key    string    `json:"key"`
	Says   string    `json:"says" doc:"What was taken on, as it stood"`
	Beyond float64   `json:"beyond" doc:"How far it was beyond its limit then"`
	Reason string    `json:"reason"`
	By     string    `json:"by"`
	At     time.Time `json:"at"`
}

// slightly is what a number may move by the last bits of its arithmetic.
const slightly = 1e-6

// Covers says whether the word still stands for a stop: it was given for this
// one, and the stop has not become worse since. What is not measured has to be
// the same.
func (t Taken) Covers(s Stop) bool {
	if t.Key != s.Key {
		return false
	}
	if s.Beyond == 0 {
		return t.Beyond == 0 && t.Says == s.Says
	}
	return s.Beyond <= t.Beyond+slightly
}

// With lays what owners took on over the stops.
func With(stops []Stop, taken []Taken) []Stop {
	out := make([]Stop, 0, len(stops))
	for _, s := range stops {
		s.Taken = nil
		for i := range taken {
			if taken[i].Covers(s) {
				s.Taken = &taken[i]
			}
		}
		out = append(out, s)
	}
	return out
}

// Of makes a stop of a figure that is beyond its limit; ok is false for any
// other. Text is the value as it is shown.
func Of(f working.Figure, station family.Station) (s Stop, ok bool) {
	if f.Verdict != working.Stop {
		return s, false
	}
	s = Stop{Key: f.Key, Station: station, Says: f.Sentence, Place: f.Place}
	if f.Text != "" {
		s.Says = f.Text + " " + f.Sentence
	}
	if l := f.Limit; l != nil {
		s.Beyond = max(-f.Margin, slightly)
		s.Limit = said(l.Sense) + " " + working.Num(l.Value, 1)
		if l.Unit != "" {
			s.Limit += " " + l.Unit
		}
		if l.Source != "" {
			s.Limit += "; " + l.Source
		}
	}
	return s, true
}
