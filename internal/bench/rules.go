package bench

import (
	"slices"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
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
	k.Readings[place] = r
	out, err := reckon.Size(k)
	if err != nil {
		return err
	}
	if out.Fault != nil && out.Fault.Field == string(place) {
		return out.Fault
	}
	return nil
}

// AroundStop refuses a technician's change of what is to be done that would take
// a stop away which nobody has put right or taken on: a road is no way round it.
func AroundStop(by record.Account, j *record.Job, was, now *record.Pane) error {
	if by.Role == record.Owner || was.Road.ID == now.Road.ID && was.Road.How == now.Road.How {
		return nil
	}
	after := jobview.PaneOf(j, now, length.MM, nil, jobview.Numbers).Stops
	for _, k := range jobview.PaneOf(j, was, length.MM, nil, jobview.Numbers).Stops {
		gone := !slices.ContainsFunc(after, func(o prove.Stop) bool { return o.Key == k.Key })
		if k.Taken == nil && gone {
			return fault.New("road.id", "this pane is stopped: "+k.Says,
				"put that right first, or ask an owner, who can change what is to be done")
		}
	}
	return nil
}
