package reading

import (
	"math"
	"slices"
)

// What a person is asked about before it is kept: a side that its own parallel is off by more
// than a tenth and 20 mm, or that is eight times as long as the others. Common practice, no
// source.
const (
	doubtShare = 0.1
	doubtLeast = 20.0
	doubtTimes = 8.0
)

// Doubt names the reading of a side that speaks against another one of it, or of the sides
// across where there is none; false where nothing does. Nothing is refused by it: people are
// asked once.
func (p Asked) Doubt(place Place, value float64) (against Place, ok bool) {
	along, across := Widths().Places, Heights().Places
	if slices.Contains(across, place) {
		along, across = across, along
	}
	if !slices.Contains(along, place) || value <= 0 {
		return "", false
	}
	parallel := false
	for _, q := range along {
		r, read := p.Readings[q]
		if q == place || !read {
			continue
		}
		parallel = true
		if math.Abs(r.Value-value) <= math.Max(doubtLeast, doubtShare*r.Value) {
			return "", false // one of them agrees
		}
		against = q
	}
	if parallel {
		return against, true
	}
	for _, q := range across {
		if r, read := p.Readings[q]; read {
			if value <= doubtTimes*r.Value && r.Value <= doubtTimes*value {
				return "", false
			}
			against = q
		}
	}
	return against, against != ""
}
