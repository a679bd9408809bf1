package pane

import (
	"fmt"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/strength"
	"freshshard/core/working"
)

// Duty is what a pane has to do beside standing its heat. What is nothing is
// not looked at.
type Duty struct {
	Windscreen bool    `json:"windscreen,omitempty" doc:"The driver looks through it"`
	Food       bool    `json:"food,omitempty" doc:"Above or beside open food"`
	Pressure   float64 `json:"pressure,omitempty" doc:"Pressure of the plant that it closes, bar"`
	Push       float64 `json:"push,omitempty" doc:"A hand, a head, a load that leans on it at the worst place, N"`
	Water      float64 `json:"water,omitempty" doc:"Water that stands against it, m above its lower edge"`
	Even       float64 `json:"even,omitempty" doc:"Another even pressure for good, kPa"`
	Gust       float64 `json:"gust,omitempty" doc:"Gust that it is held against, m/s; 0 for what is usual outdoors"`
	Lying      bool    `json:"lying,omitempty" doc:"It lies and carries its own weight"`
}

// Check refuses a duty that cannot be.
func (d Duty) Check() error {
	for _, c := range []struct {
		field     string
		v, most   float64
		why, cure string
	}{
		{"duty.pressure", d.Pressure, 400, "a pressure from 0 to 400 bar is expected",
			"read it off the plant's plate, in bar"},
		{"duty.push", d.Push, 10000, "a push from 0 to 10,000 N is expected", "a hand leaning hard is 500 to 1000 N"},
		{"duty.water", d.Water, 20, "a head of water from 0 to 20 m is expected",
			"measure from the pane's lower edge up to the water"},
		{"duty.even", d.Even, 1000, "a pressure from 0 to 1000 kPa is expected", "1 kPa is about 100 kg on a square metre"},
		{"duty.gust", d.Gust, 90, "a gust from 0 to 90 m/s is expected", "30 m/s is usual; local wind rules say more"},
	} {
		if !(c.v >= 0 && c.v <= c.most) {
			return fault.New(c.field, c.why, c.cure)
		}
	}
	return nil
}

// Standing is the even pressure that the duty puts on a flat pane for good, kPa.
// Water counts with its head at the lower edge, all over, which is on the safe
// side.
func (d Duty) Standing() float64 {
	return d.Even + strength.Water(d.Water) + d.Pressure*kPaPerBar
}

// Says is the duty in words; empty where there is none beside wind and seat.
func (d Duty) Says() string {
	var words []string
	for _, c := range []struct {
		v    float64
		says string
	}{{d.Push, "a push of %s N"}, {d.Water, "%s m of water"}, {d.Even, "%s kPa"}, {d.Pressure, "%s bar"},
		{d.Gust, "a gust of %s m/s"}} {
		if c.v > 0 {
			words = append(words, fmt.Sprintf(c.says, working.Num(c.v, 2)))
		}
	}
	for _, c := range []struct {
		is   bool
		says string
	}{{d.Lying, "its own weight"}, {d.Food, "over food"}, {d.Windscreen, "a windscreen"}} {
		if c.is {
			words = append(words, c.says)
		}
	}
	return strings.Join(words, ", ")
}
