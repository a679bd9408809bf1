package setting

import (
	"fmt"
	"math"
	"slices"

	"freshshard/core/fault"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Brad is a brad or pin that holds a bead, mm.
type Brad struct {
	Diameter float64 `json:"diameter" doc:"Of the brad, mm"`
	ToGlass  float64 `json:"to_glass" doc:"From its side to the glass, mm"`
}

// Common practice, no source.
const (
	pilotLeast, pilotMost = 0.8, 0.9 // of a brad's diameter
	bradClear             = 2.0      // from a brad to the glass, mm
)

// Figures are the pilot hole for a brad, 80 to 90 in 100 of its diameter, and how near it
// comes to the glass. Common practice, no source.
func (b Brad) Figures() ([]working.Figure, error) {
	switch {
	case !(b.Diameter >= 0.5 && b.Diameter <= 6):
		return nil, fault.New("diameter", "a brad from 0.5 to 6 mm is expected", "measure its shank, in mm")
	case !(b.ToGlass >= 0 && b.ToGlass <= 100):
		return nil, fault.New("to_glass", "a distance from 0 to 100 mm is expected",
			"measure from the brad's side to the glass")
	}
	trade := value.Custom()
	lo, hi := pilotLeast*b.Diameter, pilotMost*b.Diameter
	d := working.In("d", "brad", b.Diameter, "mm", value.Read(""))
	near := working.Figure{Key: "brad_glass", Value: b.ToGlass, Unit: "mm", Text: working.Num(b.ToGlass, 1) + " mm",
		Sentence: "from the brad to the glass", Limit: working.Least(bradClear, "mm", trade),
		Working: working.Of("{g}", b.ToGlass, "mm", working.In("g", "as measured", b.ToGlass, "mm", value.Read("")))}
	return []working.Figure{
		{Key: "pilot", Value: hi, Verdict: working.Note, Text: fmt.Sprintf("%s to %s mm", working.Num(lo, 2),
			working.Num(hi, 2)),
			Sentence: "is the drill for its pilot hole", Working: working.Of("{l} × {d} to {m} × {d}", hi, "mm", d,
				working.In("l", "at least", pilotLeast, "", trade), working.In("m", "at most", pilotMost, "", trade))},
		near.Judge(working.Stop)}, nil
}

// Rivet is a rivet that a bolt in a bush takes the place of, mm.
type Rivet struct {
	Size  string  `json:"size" enum:"1/8,5/32,3/16,1/4" doc:"Of the rivet's shank, in"`
	Hole  float64 `json:"hole" doc:"In the glass, mm"`
	Bolt  float64 `json:"bolt" doc:"Diameter of the bolt, mm"`
	Bush  float64 `json:"bush" doc:"Wall of the bush round it, mm; 0 for none"`
	Stack float64 `json:"stack" doc:"Everything between the two heads, mm"`
	Nut   float64 `json:"nut" doc:"Height of the nut with its washers, mm"`
}

// rivetDrills are the drills for the common rivets: by number and letter as the trade
// names them, mm as the number and letter sizes are. [standard number and letter drill
// sizes, from memory: No. 30 0.1285 in, No. 20 0.1610 in, No. 11 0.1910 in, F 0.2570 in]
var rivetDrills = map[string]struct {
	name string
	in   float64
}{"1/8": {"No. 30", 0.1285}, "5/32": {"No. 20", 0.161}, "3/16": {"No. 11", 0.191}, "1/4": {"F", 0.257}}

// RivetSizes lists the rivets that are known.
var RivetSizes = []string{"1/8", "5/32", "3/16", "1/4"}

const boltClear = 0.5 // a side, in the hole of the glass, mm; common practice, no source

// Figures are the drill for the rivet's head, how the bolt in its bush clears the hole in
// the glass, and how long it has to be. A bolt without a bush is metal on glass: refused.
func (r Rivet) Figures() ([]working.Figure, error) {
	drill, ok := rivetDrills[r.Size]
	switch {
	case !ok:
		return nil, fault.New("size", fmt.Sprintf("no rivet is called %q", r.Size), "choose one of the list")
	case !(r.Hole >= 2 && r.Hole <= 60):
		return nil, fault.New("hole", "a hole from 2 to 60 mm is expected", "measure it in the glass, in mm")
	case !(r.Bolt >= 2 && r.Bolt <= 20):
		return nil, fault.New("bolt", "a bolt from 2 to 20 mm is expected", "M4 is 4 mm")
	case !(r.Bush > 0 && r.Bush <= 10):
		return nil, fault.New("bush", "a bolt needs a bush: thread on glass starts a crack", "0.5 to 2 mm of nylon or rubber")
	case !(r.Stack > 0 && r.Stack <= 200):
		return nil, fault.New("stack", "a stack up to 200 mm is expected", "glass, washers and metal together")
	case !(r.Nut >= 0 && r.Nut <= 50):
		return nil, fault.New("nut", "a nut up to 50 mm is expected", "its height with its washers")
	}
	trade := value.Custom()
	side := (r.Hole - r.Bolt - 2*r.Bush) / 2
	clear := working.Figure{Key: "bolt_clear", Value: side, Unit: "mm", Text: working.Num(side, 2) + " mm",
		Sentence: "round bolt and bush in the hole of the glass", Limit: working.Least(boltClear, "mm", trade),
		Working: working.Of("({H} − {d} − 2 × {b}) / 2", side, "mm", working.In("H", "hole", r.Hole, "mm",
			value.Read("")),
			working.In("d", "bolt", r.Bolt, "mm", value.Read("")), working.In("b", "wall of the bush", r.Bush, "mm",
				value.Read("")))}
	grip := r.Stack + r.Nut
	return []working.Figure{
		{Key: "rivet_drill", Value: drill.in * 25.4, Verdict: working.Note,
			Text:     drill.name + ", " + working.Num(drill.in*25.4, 2) + " mm",
			Sentence: "takes the head off, no deeper: no more than the head",
			Working:  working.Of("{i} × 25.4", drill.in*25.4, "mm", working.In("i", drill.name, drill.in, "in", trade))},
		clear.Judge(working.Stop),
		{Key: "bolt_grip", Value: grip, Unit: "mm", Verdict: working.Note, Text: working.Num(grip, 1) + " mm",
			Sentence: "is the least length of the bolt under its head, washers under both",
			Working: working.Of("{s} + {n}", grip, "mm", working.In("s", "stack", r.Stack, "mm", value.Read("")),
				working.In("n", "nut with washers", r.Nut, "mm", value.Read("")))}}, nil
}

// Reuse is a gasket that may go in again, mm.
type Reuse struct {
	Kind   string   `json:"kind" enum:"rope,rubber" doc:"Rope or tape of a hot door; a rubber section or its cord"`
	Free   float64  `json:"free,omitempty" doc:"Thickness of a new one, mm; of a rope"`
	Sprung float64  `json:"sprung,omitempty" doc:"What it springs back to, mm; of a rope"`
	Path   float64  `json:"path" doc:"Round which it goes, mm"`
	Length float64  `json:"length" doc:"Of the old one, laid straight, mm"`
	Seen   []string `json:"seen,omitempty" maxItems:"5" unique:"true" enum:"hard-band,fray,leak-mark,no-nail-mark"`
}

// Common practice, no source.
const (
	springBack = 70.0 // of its free size, in 100
	shrunkMost = 2.0  // of its path, in 100
)

var reuseSeen = map[string]string{"hard-band": "a hard or shiny band", "fray": "frayed",
	"leak-mark":    "an old leak mark",
	"no-nail-mark": "a nail leaves no mark: it is hard"}

// Figures judge whether an old gasket may go in again: a rope that springs back to 70 in
// 100 and is as long as its path, a rubber that shrank by less than 2 in 100; neither with
// anything seen that stands against it. Common practice, no source.
func (g Reuse) Figures() ([]working.Figure, error) {
	if err := g.check(); err != nil {
		return nil, err
	}
	trade := value.Custom()
	out := []working.Figure{}
	if g.Kind == "rope" {
		back := 100 * g.Sprung / g.Free
		f := working.Figure{Key: "spring_back", Value: back, Unit: "in 100", Text: working.Num(back, 0) + " in 100",
			Sentence: "is what it springs back to, of a new one", Limit: working.Least(springBack, "in 100", trade),
			Working: working.Of("100 × {s} / {f}", back, "in 100", working.In("s", "sprung back", g.Sprung, "mm",
				value.Read("")),
				working.In("f", "new", g.Free, "mm", value.Read("")))}
		out = append(out, f.Judge(working.Stop))
	}
	short := 100 * math.Max(0, g.Path-g.Length) / g.Path
	most := shrunkMost
	if g.Kind == "rope" {
		most = 0
	}
	f := working.Figure{Key: "shrunk", Value: short, Unit: "in 100", Text: working.Num(short, 1) + " in 100",
		Sentence: "is how much it is shorter than its path", Limit: working.Most(most, "in 100", trade),
		Working: working.Of("100 × ({p} − {l}) / {p}", short, "in 100", working.In("p", "path", g.Path, "mm",
			value.Read("")),
			working.In("l", "old one", g.Length, "mm", value.Read("")))}
	// At 2 in 100 a rubber is renewed already.
	if f = f.Judge(working.Stop); g.Kind == "rubber" && short >= shrunkMost-1e-9 {
		f.Verdict = working.Stop
	}
	out = append(out, f)
	for _, s := range slices.Sorted(slices.Values(g.Seen)) {
		out = append(out, working.Figure{Key: "seen_" + s, Value: 1, Verdict: working.Stop, Text: "seen",
			Sentence: reuseSeen[s],
			Working:  working.Of("seen", 1, "")})
	}
	ok := !slices.ContainsFunc(out, func(f working.Figure) bool { return f.Verdict == working.Stop })
	end := working.Figure{Key: "reuse", Value: 1, Verdict: working.Good, Text: "goes in again",
		Sentence: "nothing stands against it",
		Working:  working.Of("all of the above", 1, "")}
	if !ok {
		end.Value, end.Verdict, end.Text, end.Sentence = 0, working.Stop, "renew it", "something above stands against it"
	}
	return append([]working.Figure{end}, out...), nil
}

func (g Reuse) check() error {
	switch {
	case g.Kind != "rope" && g.Kind != "rubber":
		return fault.New("kind", fmt.Sprintf("%q is no gasket of the list", g.Kind), "rope or rubber")
	case !(g.Path >= 10 && g.Path <= 50_000):
		return fault.New("path", "a path from 10 mm to 50 m is expected", "measure round the groove, in mm")
	case !(g.Length >= 1 && g.Length <= 60_000):
		return fault.New("length", "a length from 1 mm to 60 m is expected", "lay it straight, without pulling")
	case g.Kind == "rope" && !(g.Free >= 1 && g.Free <= 60):
		return fault.New("free", "a new one from 1 to 60 mm is expected",
			"by the packet, or a piece that was never pressed")
	case g.Kind == "rope" && !(g.Sprung >= 0 && g.Sprung <= g.Free*1.5):
		return fault.New("sprung", "it cannot be thicker than a new one by half",
			"measure where it was pressed, after a minute")
	}
	for i, s := range g.Seen {
		if reuseSeen[s] == "" {
			return fault.New(fmt.Sprintf("seen[%d]", i), fmt.Sprintf("nobody looks for %q", s),
				"choose what is in the list")
		}
	}
	return nil
}

// Puttied is a light that is bedded and faced with putty, mm.
type Puttied struct {
	Length float64 `json:"length" doc:"Round the light, mm"`
	Face   float64 `json:"face" doc:"Depth of the rebate before the glass, mm"`
	Rebate float64 `json:"rebate" doc:"Width of the rebate, mm"`
	Back   float64 `json:"back,omitempty" doc:"Thickness of the bed behind the glass, mm; 2 for nothing"`
}

// Common practice, no source; the density from memory.
const (
	puttyBack    = 2.0
	puttySpare   = 0.1
	puttyDensity = 1.9 // kg a litre
)

// Figures are how much putty a light takes: the slope before the glass and the bed behind
// it, with a tenth for what is cut off and lost.
func (p Puttied) Figures() ([]working.Figure, error) {
	for _, f := range []struct {
		name string
		v, m float64
	}{{"length", p.Length, 1e6}, {"face", p.Face, 60}, {"rebate", p.Rebate, 60}} {
		if !(f.v >= 1 && f.v <= f.m) {
			return nil, fault.New(f.name, fmt.Sprintf("from 1 to %g mm is expected", f.m), "measure it, in mm")
		}
	}
	if !(p.Back >= 0 && p.Back <= 10) {
		return nil, fault.New("back", "a bed up to 10 mm is expected", "2 mm is usual")
	}
	back := p.Back
	if back == 0 {
		back = puttyBack
	}
	trade := value.Custom()
	area := p.Face*p.Rebate/2 + back*p.Rebate
	in := []working.Input{working.In("f", "before the glass", p.Face, "mm", value.Read("")),
		working.In("r", "rebate", p.Rebate, "mm", value.Read("")), working.In("b", "bed", back, "mm", trade),
		working.In("ρ", "density, from memory", puttyDensity, "kg/l", trade), working.In("x", "cut off and lost, share",
			puttySpare, "", trade)}
	metre := area * (1 + puttySpare) * puttyDensity / 1000
	kg := metre * p.Length / 1000
	return []working.Figure{
		{Key: "putty", Value: kg, Unit: "kg", Verdict: working.Note, Text: working.Num(kg, 2) + " kg",
			Sentence: "of putty for this light",
			Working: working.Of("({f} × {r} / 2 + {b} × {r}) × (1 + {x}) × {ρ} × {l} / 1000000", kg, "kg",
				append(in, working.In("l", "round it", p.Length, "mm", value.Read("")))...)},
		{Key: "putty_metre", Value: metre, Unit: "kg/m", Verdict: working.Note, Text: working.Num(metre*1000, 0) +
			" g a metre",
			Sentence: "of sight line", Working: working.Of("({f} × {r} / 2 + {b} × {r}) × (1 + {x}) × {ρ} / 1000", metre,
				"kg/m", in...)}}, nil
}
