package cure

import (
	"math"
	"slices"
	"time"

	"freshshard/core/fault"
)

// Air is the air at a moment.
type Air struct {
	At time.Time `json:"at"`
	C  float64   `json:"c" minimum:"-40" maximum:"60" doc:"°C"`
	RH float64   `json:"rh" minimum:"1" maximum:"100" doc:"Relative humidity, %"`
}

// Water is how much water is in the air, g/m³: 2.1667 × vapour pressure in Pa ÷ K, the
// pressure by Magnus over water (6.112 hPa, 17.62, 243.12 °C; from memory). 23 °C and
// 50 % give 10.3.
func Water(c, rh float64) float64 {
	pa := 611.2 * math.Exp(17.62*c/(243.12+c)) * rh / 100
	return 2.1667 * pa / (273.15 + c)
}

// reference is the water of the air in which sheets are written, 23 °C and 50 %.
var reference = Water(refC, refRH)

const (
	refC  = 23.0
	refRH = 50.0
)

// Warmed is air brought to a temperature with the water that is in it: its relative
// humidity falls.
func (a Air) Warmed(c float64) Air {
	if c <= a.C {
		return a
	}
	a.RH = min(100, a.RH*Water(a.C, 100)*(273.15+a.C)/(Water(c, 100)*(273.15+c)))
	a.C = c
	return a
}

// checkAir refuses readings that cannot be; errors name air[n].
func checkAir(all []Air) error {
	if len(all) == 0 {
		return fault.New("air", "no reading of the air", "read the temperature and the humidity where it stands")
	}
	for i, a := range all {
		if !(a.C >= -40 && a.C <= 60) || !(a.RH >= 1 && a.RH <= 100) {
			return fault.New("air", "an air from −40 to 60 °C with 1 to 100 % is expected", "read it again, out of the sun")
		}
		if i > 0 && a.At.Before(all[i-1].At) {
			return fault.New("air", "the readings are not in the order of time", "put the earliest first")
		}
	}
	return nil
}

// rest is what is reckoned with behind the last of the air: the coldest and driest of its
// last day.
func rest(all []Air) Air {
	last := all[len(all)-1]
	out := last
	for _, b := range all {
		if last.At.Sub(b.At) <= 24*time.Hour {
			out.C, out.RH = min(out.C, b.C), min(out.RH, b.RH)
		}
	}
	return out
}

// at is the air at a moment: in a straight line between two readings, as the first before
// it, and as the rest behind the last one. sure is false there.
func at(all []Air, rest Air, t time.Time) (a Air, sure bool) {
	i, found := slices.BinarySearchFunc(all, t, func(a Air, t time.Time) int { return a.At.Compare(t) })
	switch {
	case found:
		return all[i], true
	case i == 0:
		return all[0], true
	case i == len(all):
		return rest, false
	}
	p, q := all[i-1], all[i]
	k := float64(t.Sub(p.At)) / float64(q.At.Sub(p.At))
	return Air{t, p.C + k*(q.C-p.C), p.RH + k*(q.RH-p.RH)}, true
}
