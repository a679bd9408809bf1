// Package instrument reads measuring instruments, one line of text a reading,
// and has simulated stand-ins for a laser, a caliper, a tape with a send
// button, a feeler gauge, a screw gauge (which gives a thread's outside) and a
// thermo-hygrometer.
//
// A line is NAME;NUMBER;VALUE;UNIT;STATE, for example
//
//	laser;17;268.4;mm;ok
//	caliper;3;;mm;out-of-range
//	climate;5;19.2/46;C/%;ok
//
// NUMBER counts the readings of an instrument, VALUE is empty when there is
// none, and the climate gives °C and % of relative humidity with a stroke
// between.
package instrument

import (
	"context"
	"fmt"
	"math"
	"strconv"
	"strings"

	"freshshard/core/setting"
)

// State is how an instrument feels.
type State string

// The states.
const (
	OK         State = "ok"
	LowBattery State = "low-battery"
	OutOfRange State = "out-of-range"
)

// Name of an instrument.
type Name string

// The instruments.
const (
	Laser   Name = "laser"
	Caliper Name = "caliper"
	Tape    Name = "tape"
	Feeler  Name = "feeler"
	Screw   Name = "screw"
	Climate Name = "climate"
)

// Driver is what a real instrument has to be: it gives the next line, or an
// error when the context ends or the instrument is gone for good. A line that
// cannot be read is dropped, so a driver may pass on what it hears.
type Driver interface {
	Name() Name
	Next(ctx context.Context) (line string, err error)
}

// Event is one line, read.
type Event struct {
	Name   Name    `json:"name" enum:"laser,caliper,tape,feeler,screw,climate"`
	Number int     `json:"number"`
	State  State   `json:"state" enum:"ok,low-battery,out-of-range"`
	Value  float64 `json:"value" doc:"mm, or °C for the climate"`
	Damp   float64 `json:"damp" doc:"% of relative humidity; the climate only"`
	Has    bool    `json:"has" doc:"There is a value"`
	Size   string  `json:"size,omitempty" doc:"Of a screw, by its outside; the screw gauge only"`
}

// mostLine is longer than any line that makes sense.
const mostLine = 120

// ParseLine reads a line. It returns an error that says what is wrong with it.
func ParseLine(line string) (Event, error) {
	var e Event
	line = strings.TrimSpace(line)
	if len(line) > mostLine {
		return e, fmt.Errorf("instrument: a line of %d characters is no reading", len(line))
	}
	f := strings.Split(line, ";")
	if len(f) != 5 {
		return e, fmt.Errorf("instrument: %q has %d parts; NAME;NUMBER;VALUE;UNIT;STATE has five", line, len(f))
	}
	e.Name, e.State = Name(f[0]), State(f[4])
	var err error
	if e.Number, err = strconv.Atoi(f[1]); err != nil || e.Number < 0 {
		return e, fmt.Errorf("instrument: %q is no number of a reading", f[1])
	}
	switch e.State {
	case OK, LowBattery, OutOfRange:
	default:
		return e, fmt.Errorf("instrument: no state is called %q", f[4])
	}
	unit, value := "mm", f[2]
	switch e.Name {
	case Laser, Caliper, Tape, Feeler, Screw:
	case Climate:
		unit = "C/%"
		c, damp, found := strings.Cut(f[2], "/")
		if f[2] != "" && !found {
			return e, fmt.Errorf("instrument: %q is not temperature/humidity", f[2])
		}
		value = c
		if found {
			if e.Damp, err = number(damp, 0, 100); err != nil {
				return e, err
			}
		}
	default:
		return e, fmt.Errorf("instrument: nothing here is called %q", f[0])
	}
	if f[3] != unit {
		return e, fmt.Errorf("instrument: %s speaks in %s, not in %q", e.Name, unit, f[3])
	}
	if e.Has = value != ""; e.Has {
		if e.Value, err = number(value, -100, 200_000); err != nil {
			return e, err
		}
		if e.Name == Screw {
			e.Size = setting.Gauged(e.Value)
		}
	}
	if e.Has == (e.State == OutOfRange) {
		return e, fmt.Errorf("instrument: %q has a value and none at once", line)
	}
	return e, nil
}

func number(s string, least, most float64) (float64, error) {
	v, err := strconv.ParseFloat(s, 64)
	if err != nil || math.IsNaN(v) || v < least || v > most {
		return 0, fmt.Errorf("instrument: %q is no value between %v and %v", s, least, most)
	}
	return v, nil
}

// Line writes an event as ParseLine reads it.
func (e Event) Line() string {
	value, unit := "", "mm"
	if e.Name == Climate {
		unit = "C/%"
	}
	if e.Has {
		value = strconv.FormatFloat(e.Value, 'f', -1, 64)
		if e.Name == Climate {
			value += "/" + strconv.FormatFloat(e.Damp, 'f', -1, 64)
		}
	}
	return fmt.Sprintf("%s;%d;%s;%s;%s", e.Name, e.Number, value, unit, e.State)
}
