package setting

import (
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Screw is a thread by its name: diameter and pitch, mm.
type Screw struct {
	Name     string  `json:"name"`
	Diameter float64 `json:"diameter"`
	Pitch    float64 `json:"pitch"`
}

// Screws are the coarse threads that hold panes: ISO 261, and the inch threads
// of ASME B1.1, both from memory.
var Screws = []Screw{{"M3", 3, 0.5}, {"M4", 4, 0.7}, {"M5", 5, 0.8}, {"M6", 6, 1}, {"M8", 8, 1.25}, {"M10", 10, 1.5},
	{"#6-32", 3.51, 25.4 / 32}, {"#8-32", 4.17, 25.4 / 32}, {"#10-24", 4.83, 25.4 / 24}, {"1/4-20", 6.35, 25.4 / 20},
	{"5/16-18", 7.94, 25.4 / 18}, {"3/8-16", 9.53, 25.4 / 16}}

// alikeWithin is how far the screws of one pane may differ, turns. Common
// practice, no source.
const alikeWithin = 0.125

// nutFactor is what part of a torque draws the screw: F = T / (0.2 × d). Common
// engineering rule, no source.
const nutFactor = 0.2

// Turns is a screw that seats a gasket: from its first touch to the gasket
// seated. Seated is the share of the free thickness that it is pressed to, 0 for
// the usual 60 to 75 %; Torque is what somebody pulls at the end, N·m, 0 for
// nobody asked.
type Turns struct {
	Free   float64 `json:"free" doc:"Gasket's free thickness, mm; 0 where metal meets glass"`
	Screw  string  `json:"screw,omitempty" doc:"Of the list; empty where its pitch is given"`
	Pitch  float64 `json:"pitch,omitempty" minimum:"0" maximum:"10" doc:"mm a turn, where it is not listed"`
	Inch   float64 `json:"per_inch,omitempty" minimum:"0" maximum:"100" doc:"The same in turns to the inch"`
	Seated float64 `json:"seated,omitempty" doc:"Share of the free thickness when seated, 0 for the usual range"`
	Torque float64 `json:"torque,omitempty" doc:"N·m; 0 when nobody asks"`
}

// ScrewBy finds a thread. It returns a *fault.Error for one that is not listed.
func ScrewBy(name string) (Screw, error) {
	i := slices.IndexFunc(Screws, func(s Screw) bool { return s.Name == name })
	if i < 0 {
		return Screw{}, fault.New("screw", fmt.Sprintf("no thread is called %q", name), "choose one of the list")
	}
	return Screws[i], nil
}

// thread is the screw by its name, or one of no name by its pitch.
func (t Turns) thread() (Screw, error) {
	given := 0
	for _, is := range []bool{t.Screw != "", t.Pitch != 0, t.Inch != 0} {
		if is {
			given++
		}
	}
	switch {
	case given > 1:
		return Screw{}, fault.New("screw", "a thread by its name and by its pitch are two", "give one of them")
	case t.Screw != "" || given == 0:
		return ScrewBy(t.Screw)
	case t.Pitch != 0 && !(t.Pitch >= 0.2 && t.Pitch <= 10):
		return Screw{}, fault.New("pitch", "a turn goes 0.2 to 10 mm", "measure over ten threads and divide by ten")
	case t.Inch != 0 && !(t.Inch >= 3 && t.Inch <= 100):
		return Screw{}, fault.New("per_inch", "from 3 to 100 threads to the inch are expected", "count them along an inch")
	case t.Torque > 0:
		return Screw{}, fault.New("torque", "how hard a torque presses goes by the screw's diameter",
			"choose the screw by its name")
	case t.Pitch != 0:
		return Screw{Name: "the screw", Pitch: t.Pitch}, nil
	}
	return Screw{Name: "the screw", Pitch: 25.4 / t.Inch}, nil
}

// Eighths is a number of turns to the nearest eighth, as it is said: 1 1/8.
func Eighths(n float64) string {
	e := int(math.Round(n * 8))
	whole, part := e/8, e%8
	said := [...]string{"", "1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8"}[part]
	switch {
	case part == 0:
		return fmt.Sprint(whole)
	case whole == 0:
		return said
	}
	return fmt.Sprintf("%d %s", whole, said)
}

// Figures are the turns after the first touch and, where a torque is named, what
// it presses with. n = (free − seated) / pitch: 3 mm of tape to 70 % on M5 takes
// 0.9 / 0.8 = 1.125 turns. Common practice, no source.
func (t Turns) Figures() ([]working.Figure, error) {
	s, err := t.thread()
	if err != nil {
		return nil, err
	}
	switch {
	case !(t.Free >= 0 && t.Free <= 40):
		return nil, fault.New("free", "a free thickness between 0 and 40 mm is expected", "measure it unpressed")
	case !(t.Seated == 0 || t.Seated >= 0.3 && t.Seated < 1):
		return nil, fault.New("seated", "a gasket is seated at 30 to 99 % of its free thickness",
			"give a share such as 0.7, or leave it out for the usual range")
	case !(t.Torque >= 0 && t.Torque <= 50):
		return nil, fault.New("torque", "a torque from 0 to 50 N·m is expected", "read it off the driver")
	}
	out := []working.Figure{t.turns(s)}
	if t.Torque > 0 {
		f := t.Torque / (nutFactor * s.Diameter)
		out = append(out, working.Figure{Key: "press", Value: f, Unit: "kN", Verdict: working.Note,
			Sentence: "is what this torque presses with under each screw; a pane's edge, enamel and a wooden thread want far " +
				"less",
			Working: working.Of("{T} / ({k} × {d})", f, "kN", working.In("T", "torque", t.Torque, "N·m", value.Read("")),
				working.In("k", "what friction leaves", nutFactor, "", value.Custom()),
				working.In("d", "diameter of the screw", s.Diameter, "mm", value.Std("ISO 261")))})
	}
	return out, nil
}

func (t Turns) turns(s Screw) working.Figure {
	f := working.Figure{Key: "turns", Unit: "turns", Verdict: working.Note}
	if t.Free == 0 {
		f.Sentence = "after the first touch: metal meets glass with nothing between; touch, and back it off a hair, or lay " +
			"something soft under it"
		f.Working = working.Of("{δ} / {p}", 0, "turns", working.In("δ", "nothing is pressed", 0, "mm", value.Sum()),
			working.In("p", "pitch of "+s.Name, s.Pitch, "mm", value.Std("ISO 261")))
		return f
	}
	share, of := t.Seated, value.Read("")
	if share == 0 {
		share, of = (SeatedLeast+SeatedMost)/2, value.Custom()
	}
	n := t.Free * (1 - share) / s.Pitch
	f.Value = n
	f.Sentence = fmt.Sprintf("after the first touch seat it: %s, all alike within an eighth, in two or three passes",
		Eighths(n))
	if t.Seated == 0 {
		f.Sentence += fmt.Sprintf("; at most %s, where the tape takes no more and the pane pays",
			Eighths(t.Free*(1-SeatedLeast)/s.Pitch))
	}
	f.Working = working.Of("{f} × (1 − {s}) / {p}", n, "turns",
		working.In("f", "gasket's free thickness", t.Free, "mm", value.Read("")),
		working.In("s", "share of it when seated", share, "", of),
		working.In("p", "pitch of "+s.Name, s.Pitch, "mm", value.Std("ISO 261"))).
		With("Once more an eighth after a day where it is butyl or foam, never twice.")
	return f
}

// mostEighths is more than any screw turns after its first touch: ten turns.
const mostEighths = 80

// Counted are the eighths of a turn that each screw has had after its first
// touch, in the order of tightening; 0 for one that nobody has turned yet.
type Counted []int

// Check refuses a count that no screw has.
func (c Counted) Check() error {
	for i, n := range c {
		if n < 0 || n > mostEighths {
			return fault.New(fmt.Sprintf("turns[%d]", i), "from 0 to 80 eighths of a turn are expected",
				"count from the first touch")
		}
	}
	return nil
}

// Even is how alike the screws are that were turned: the greatest difference
// from the middle one, in turns, with the screw that differs most; ok is false
// while fewer than two were turned. All alike within an eighth is right. Common
// practice, no source.
func (c Counted) Even() (f working.Figure, ok bool) {
	var turned []int
	for _, n := range c {
		if n > 0 {
			turned = append(turned, n)
		}
	}
	if len(turned) < 2 {
		return f, false
	}
	slices.Sort(turned)
	middle := turned[(len(turned)-1)/2]
	screw, off := 0, 0
	for i, n := range c {
		if d := n - middle; n > 0 && (screw == 0 || abs(d) > abs(off)) {
			screw, off = i+1, d
		}
	}
	f = working.Figure{Key: "turns_even", Value: float64(abs(off)) / 8, Unit: "turns",
		Limit:    working.Most(alikeWithin, "turns", value.Custom()),
		Sentence: "between the screws that were turned: all alike",
		Working: working.Of("|{n} − {m}|", float64(abs(off))/8, "turns",
			working.In("n", fmt.Sprintf("screw %d", screw), float64(c[screw-1])/8, "turns", value.Read("")),
			working.In("m", "the middle one", float64(middle)/8, "turns", value.Read("")))}
	if off > 0 {
		f.Sentence = fmt.Sprintf("screw %d was turned further than the others: ease it", screw)
	} else if off < 0 {
		f.Sentence = fmt.Sprintf("screw %d was turned less than the others", screw)
	}
	return f.Judge(working.Warn), true
}

func abs(n int) int { return max(n, -n) }
