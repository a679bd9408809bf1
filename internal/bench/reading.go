package bench

import (
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/core/reckon"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// Possible refuses a reading that cannot be true beside the others, such as a
// diagonal longer than both sides. It refuses only at the place itself: a side
// that makes an earlier diagonal impossible may be the right one of the two.
func Possible(j *record.Job, p *record.Pane, place reading.Place, r length.Reading) error {
	k := jobview.Known(j, p, length.MM)
	k.Readings[place], k.Stage = r, reckon.Work
	out, err := reckon.Pane(k)
	if err != nil {
		return err
	}
	if out.Fault != nil && out.Fault.Field == string(place) {
		return out.Fault
	}
	return nil
}
