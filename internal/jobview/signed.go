package jobview

import (
	"freshshard/core/reckon"
	"freshshard/internal/record"
)

// Signed is what a ticket fixes: the shop and the job as they stood, and what
// was reckoned of each pane. A later change of a customer's name, of the book
// or of the program does not reach it.
type Signed struct {
	Shop  record.Shop `json:"shop"`
	Job   record.Job  `json:"job"`
	Fixed []Fixed     `json:"fixed"`
}

// Of is what was reckoned of a pane.
func (d Signed) Of(number int) reckon.Reckoning {
	for _, f := range d.Fixed {
		if f.Pane == number {
			return f.Reckoning.Whole()
		}
	}
	return reckon.Bare("")
}
