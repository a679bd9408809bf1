package instrument

import (
	"math"
	"math/rand/v2"
	"testing"

	"freshshard/core/fault"
)

func TestParseLine(t *testing.T) {
	for line, want := range map[string]Event{
		"laser;17;268.4;mm;ok":       {Laser, 17, OK, 268.4, 0, true, ""},
		"caliper;3;;mm;out-of-range": {Caliper, 3, OutOfRange, 0, 0, false, ""},
		"climate;5;19.2/46;C/%;ok":   {Climate, 5, OK, 19.2, 46, true, ""},
		"tape;0;12;mm;low-battery\n": {Tape, 0, LowBattery, 12, 0, true, ""},
		"climate;1;-4/80;C/%;ok":     {Climate, 1, OK, -4, 80, true, ""},
	} {
		if e, err := ParseLine(line); err != nil || e != want {
			t.Errorf("%q: %+v, %v", line, e, err)
		}
	}
	if e, err := ParseLine("screw;2;4.85;mm;ok"); err != nil || e.Size != "4.8" {
		t.Errorf("a screw in its gauge: %+v, %v", e, err)
	}
	for _, bad := range []string{"", "laser", "laser;1;2;mm", "laser;x;2;mm;ok", "laser;1;banana;mm;ok", "laser;1;2;in;ok",
		"laser;1;2;mm;asleep", "sonar;1;2;mm;ok",
		"laser;1;;mm;ok", "laser;1;2;mm;out-of-range", "climate;1;19;C/%;ok", "climate;1;19/200;C/%;ok", "laser;1;NaN;mm;ok",
		"laser;-1;2;mm;ok", "laser;1;1e9;mm;ok"} {
		if e, err := ParseLine(bad); err == nil {
			t.Errorf("%q was read as %+v", bad, e)
		}
	}
}

// Each stand-in stays within its bias and doubt, and is doubtful on a low battery.
func TestSimulate(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 1))
	for n, k := range natures {
		for _, low := range []bool{false, true} {
			sum, worst := 0.0, 0.0
			const tries = 4000
			truth := math.Min(100, k.most*0.8)
			for i := range tries {
				e, err := Simulate(n, i, truth, low, r)
				if err != nil || !e.Has {
					t.Fatalf("%s: %+v, %v", n, e, err)
				}
				if back, err := ParseLine(e.Line()); err != nil || back != e {
					t.Fatalf("%s: %q came back as %+v, %v", n, e.Line(), back, err)
				}
				d := e.Value - truth - k.bias
				sum += d
				worst = math.Max(worst, math.Abs(d))
			}
			doubt := k.doubt
			if low {
				doubt *= lowBatteryDoubt
			}
			if mean := sum / tries; math.Abs(mean) > doubt/20+k.step/2 || worst > doubt+k.step || worst < doubt*0.9-k.step/2 {
				t.Errorf("%s, low %v: off by %v on average, %v at worst", n, low, mean, worst)
			}
		}
	}
}

func TestSimulateLimits(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 1))
	if e, err := Simulate(Caliper, 1, 268, false, r); err != nil || e.State != OutOfRange || e.Has {
		t.Errorf("a caliper at 268 mm: %+v, %v", e, err)
	}
	if e, err := Simulate(Climate, 1, 0, false, r); err != nil || e.Value < 15 || e.Value > 25 || e.Damp < 30 ||
		e.Damp > 60 {
		t.Errorf("%+v, %v", e, err)
	}
	for _, bad := range []struct {
		n     Name
		truth float64
	}{{"sonar", 5}, {Laser, -1}, {Laser, math.NaN()}} {
		if _, err := Simulate(bad.n, 1, bad.truth, false, r); fault.Of(err) == nil {
			t.Errorf("%+v: %v", bad, err)
		}
	}
}

func FuzzParseLine(f *testing.F) {
	for _, s := range []string{"laser;17;268.4;mm;ok", "climate;5;19.2/46;C/%;ok", ";;;;", "laser;1;1e308;mm;ok"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		e, err := ParseLine(s)
		if err != nil {
			return
		}
		if back, err := ParseLine(e.Line()); err != nil || back != e {
			t.Fatalf("%q: %+v, back %+v, %v", s, e, back, err)
		}
	})
}
