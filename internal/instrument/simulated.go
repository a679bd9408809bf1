package instrument

import (
	"fmt"
	"math"
	"math/rand/v2"

	"freshshard/core/fault"
	"freshshard/core/setting"
)

// nature is how a simulated instrument measures, mm.
type nature struct {
	bias  float64 // what it is always off by
	doubt float64 // half-width of what it is off by at random
	step  float64 // what its display can show
	least float64
	most  float64
}

// natures of the stand-ins: made up, of the size that such instruments have.
var natures = map[Name]nature{
	Laser:   {0.4, 1.5, 0.1, 50, 40_000},
	Caliper: {0.01, 0.05, 0.01, 0, 150},
	Tape:    {-0.3, 1, 0.5, 0, 5_000},
	Feeler:  {0, 0.025, 0.01, 0.03, 5},
	Screw:   {0, 0.05, 0.1, 1, 20},
}

// On a low battery an instrument is this many times as doubtful.
const lowBatteryDoubt = 4

// Bench is the air that the climate stand-in feels.
type Bench struct {
	C    float64
	Damp float64
}

// usualBench is a mild workshop.
var usualBench = Bench{19, 46}

// Simulate measures a true length in mm with a stand-in; truth plays no part
// for the climate. number counts the readings. The same source of randomness
// gives the same reading.
func Simulate(n Name, number int, truth float64, low bool, r *rand.Rand) (Event, error) {
	e := Event{Name: n, Number: number, State: OK}
	if low {
		e.State = LowBattery
	}
	if n == Climate {
		e.Has, e.Value, e.Damp = true, round(usualBench.C+0.4*(r.Float64()-0.5), 0.1),
			round(usualBench.Damp+3*(r.Float64()-0.5), 1)
		return e, nil
	}
	k, ok := natures[n]
	if !ok {
		return e, fault.New("name", fmt.Sprintf("no instrument is called %q", string(n)),
			"use laser, caliper, tape, feeler, screw or climate")
	}
	if !(truth > 0 && truth <= 100_000) {
		return e, fault.New("truth", "a length up to 100 m is expected", "give it in mm")
	}
	if truth < k.least || truth > k.most {
		e.State = OutOfRange
		return e, nil
	}
	doubt := k.doubt
	if low {
		doubt *= lowBatteryDoubt
	}
	e.Has, e.Value = true, math.Max(k.step, round(truth+k.bias+doubt*(2*r.Float64()-1), k.step))
	if n == Screw {
		e.Size = setting.Gauged(e.Value)
	}
	return e, nil
}

// round goes to a step and drops the tail that binary fractions leave.
func round(v, step float64) float64 {
	return math.Round(math.Round(v/step)*step*1e6) / 1e6
}
