package change

import (
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/reckon"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
)

// unreckonable is a change after which a pane could not be reckoned any more.
type unreckonable struct {
	pane int64
	err  error
}

func (e *unreckonable) Error() string { return e.err.Error() }

func (e *unreckonable) Unwrap() error { return e.err }

// Reckonable reckons the panes of a job as its screens would: one, or all for 0, but
// those that are broken anyway.
func Reckonable(j *record.Job, pane int64, broken map[int64]bool) error {
	for i := range j.Panes {
		p := &j.Panes[i]
		if pane != 0 && p.ID != pane || broken[p.ID] {
			continue
		}
		if err := sound(j, p); err != nil {
			return &unreckonable{p.ID, err}
		}
	}
	return nil
}

// Worse refuses a pane that could be reckoned and now cannot, before it is
// written: what no column can hold is named at its field.
func Worse(j *record.Job, was, now *record.Pane) error {
	err := sound(j, now)
	if err != nil && sound(j, was) != nil {
		return nil
	}
	return err
}

// sound reckons one pane and holds the answer against being written: a number
// that is none cannot be.
func sound(j *record.Job, p *record.Pane) error {
	if p.Sides.Top < 0 || p.Sides.Right < 0 || p.Sides.Bottom < 0 || p.Sides.Left < 0 || p.Sides.Total() > 160 {
		return fault.New("sides", "between 0 and 40 fixings a side are expected", "count them again")
	}
	if err := p.Turns.Check(); err != nil {
		return err
	}
	k := jobview.Known(j, p, length.MM)
	r, err := reckon.Numbers(k)
	if err != nil {
		return err
	}
	return jobview.CanBeSent(r)
}
