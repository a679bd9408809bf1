// Package exposure describes the heat and weather that a pane sees. The values
// of the list are starting points, common practice with no source; the
// technician corrects them for the object in hand.
package exposure

import (
	_ "embed"

	"freshshard/core/catalogue"
	"freshshard/core/fault"
)

//go:embed exposures.json
var file []byte

// Exposure is what a pane sees, in degrees Celsius, kelvin for the sudden
// change and hours for the time spent hot.
type Exposure struct {
	ID       string  `json:"id"`
	Name     string  `json:"name"`
	Hint     string  `json:"hint"`
	Steady   float64 `json:"steady" doc:"Hot side in steady use, °C"`
	Short    float64 `json:"short" doc:"Hot side for minutes, °C"`
	Room     float64 `json:"room" doc:"When it is measured and cut, °C"`
	Coldest  float64 `json:"coldest" doc:"The coldest it gets, °C"`
	FrameHot float64 `json:"frame_hot" doc:"The frame when the pane is hot, °C"`
	Sudden   float64 `json:"sudden" doc:"Sudden change, K"`
	Hours    float64 `json:"hours" doc:"Hours at the hot temperature that the pane should last"`
	Cleaning float64 `json:"cleaning,omitempty" doc:"Hours at the short peak beside those, as in high-heat cleaning"`
	Outdoors bool    `json:"outdoors"`

	sources Sources
}

// Book lists the exposures that take-in offers.
var Book = catalogue.New(file, "exposures.json", "exposure", "exposure", func(e Exposure) string { return e.ID }).
	Over(Exposure.with)

// limits keep a slipped digit out; in °C. The hottest is above any glass here.
const (
	coldestTaken = -60.0
	hottestTaken = 1200.0
)

// Check refuses temperatures that do not belong together.
func (e Exposure) Check() error {
	for _, v := range []struct {
		field string
		c     float64
	}{{"steady", e.Steady}, {"short", e.Short}, {"room", e.Room}, {"coldest", e.Coldest}, {"frame_hot", e.FrameHot}} {
		if !(v.c >= coldestTaken && v.c <= hottestTaken) {
			return fault.New(v.field, "a temperature between −60 and 1200 °C is expected", "type it in °C")
		}
	}
	switch {
	case e.Short < e.Steady:
		return fault.New("short", "the short peak is below the steady heat", "give the hottest that it gets for minutes")
	case e.Coldest > e.Steady:
		return fault.New("coldest", "the coldest is above the steady heat", "give the coldest that it gets")
	case !(e.Sudden >= 0 && e.Sudden <= hottestTaken):
		return fault.New("sudden", "a sudden change between 0 and 1200 K is expected", "give the change in kelvin")
	case !(e.Hours >= 0 && e.Hours <= 1e6):
		return fault.New("hours", "between 0 and a million hours is expected", "give the hours at full heat")
	case !(e.Cleaning >= 0 && e.Cleaning <= 1e6):
		return fault.New("cleaning", "between 0 and a million hours is expected", "give the hours at the peak")
	}
	return nil
}
