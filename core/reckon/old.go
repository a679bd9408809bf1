package reckon

import (
	"freshshard/core/compat"
	"freshshard/core/drawing"
	"freshshard/core/outline"
	"freshshard/core/pane"
)

// Whole fills the lists that a reckoning lacks which an earlier version of the
// program has written, so that a reader finds a list where one is promised.
func (r *Reckoning) Whole() {
	if r.Makes == nil {
		r.Makes = []Made{}
	}
	if r.Slide == nil {
		r.Slide = []drawing.Drawing{}
	}
	if r.Touch == nil {
		r.Touch = []compat.Finding{}
	}
	if r.Choice.Schools == nil {
		r.Choice.Schools = []pane.School{}
	}
	for i := range r.Choice.Open {
		if o := &r.Choice.Open[i]; o.Asks == nil {
			o.Asks = []string{}
		}
	}
	if r.Fit.Broken == nil {
		r.Fit.Broken = []outline.Broken{}
	}
	if r.Fit.Makes == nil {
		r.Fit.Makes = []outline.Dimension{}
	}
}
