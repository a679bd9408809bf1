// Package heat reckons how warm the panes of a pack get: steady heat flow from
// a hot cavity through panes and gaps to the room, one-dimensional. Gaps carry
// radiation and convection as EN 673 says, from memory, with the gas taken at
// the gap's own temperature. Temperatures are °C, thicknesses mm, conductivity
// W/mK, heat flow W/m².
package heat

import (
	"fmt"
	"math"

	"freshshard/core/fault"
)

// Pane is one pane of a pack; its faces are named by the side that they look
// to.
type Pane struct {
	Name   string  `json:"name"`
	T      float64 `json:"t" doc:"Thickness, mm"`
	Lambda float64 `json:"lambda" doc:"W/mK"`
	Hot    float64 `json:"hot" doc:"Emissivity of the face towards the heat"`
	Cold   float64 `json:"cold" doc:"Emissivity of the face towards the room"`
	Limit  float64 `json:"limit,omitempty" doc:"What it stands in steady use, °C; 0 while unknown"`
}

// Turned is the pane with its faces the other way round.
func (p Pane) Turned() Pane { p.Hot, p.Cold = p.Cold, p.Hot; return p }

// Slope is how the pack stands, which decides how its air moves.
type Slope string

// The slopes that EN 673 tells apart; the heat comes from below where it lies.
const (
	Upright Slope = "upright"
	Leaning Slope = "leaning"
	Lying   Slope = "lying"
)

// Gas is what stands in the gaps; nothing said is air.
type Gas string

// The gases. Argon stands in sealed units.
const (
	Air   Gas = "air"
	Argon Gas = "argon"
)

// Pack is panes from the hot side outwards with a gap between each two.
type Pack struct {
	Cavity  float64   `json:"cavity" doc:"Hot side, °C"`
	Room    float64   `json:"room" doc:"°C"`
	Inside  float64   `json:"inside" doc:"Heat transfer on the hot side, radiation in it, W/m²K"`
	Outside float64   `json:"outside" doc:"The same in the room"`
	Panes   []Pane    `json:"panes" minItems:"1" maxItems:"4"`
	Gaps    []float64 `json:"gaps" maxItems:"3" doc:"Width of each gap, mm"`
	Slope   Slope     `json:"slope" enum:"upright,leaning,lying"`
	Gas     Gas       `json:"gas,omitempty" enum:",air,argon"`
}

// Usual heat transfer where nobody knows better: an oven's cavity with moving
// air, a room. Common practice, no source.
const (
	UsualInside  = 20.0
	UsualOutside = 10.0
)

// Check refuses a pack that cannot be.
func (p Pack) Check() error {
	if len(p.Panes) < 1 || len(p.Panes) > 4 {
		return fault.New("panes", "a pack has one to four panes", "add or take one out")
	}
	if len(p.Gaps) != len(p.Panes)-1 {
		return fault.New("gaps", fmt.Sprintf("%d panes have %d gaps", len(p.Panes), len(p.Panes)-1),
			"give one width for each")
	}
	if !(p.Cavity >= -60 && p.Cavity <= 1200) {
		return fault.New("cavity", "a temperature from −60 to 1200 °C is expected", "give it in °C")
	}
	if !(p.Room >= -60 && p.Room <= 60) {
		return fault.New("room", "a room from −60 to 60 °C is expected", "give it in °C")
	}
	for i, v := range []float64{p.Inside, p.Outside} {
		if !(v > 0 && v <= 500) {
			return fault.New([]string{"inside", "outside"}[i], "a heat transfer up to 500 W/m²K is expected",
				"20 in an oven, 10 in a room")
		}
	}
	for i, g := range p.Gaps {
		if !(g > 0 && g <= 200) {
			return fault.New(fmt.Sprintf("gaps[%d]", i), "a gap from 0 to 200 mm is expected", "measure between the faces")
		}
	}
	for i, q := range p.Panes {
		at := fmt.Sprintf("panes[%d]", i)
		if !(q.T > 0 && q.T <= 60) || !(q.Lambda > 0 && q.Lambda <= 5) {
			return fault.New(at+".t", "a thickness up to 60 mm and a conductivity up to 5 are expected",
				"give them in mm and W/mK")
		}
		if !(q.Hot > 0 && q.Hot <= 1) || !(q.Cold > 0 && q.Cold <= 1) {
			return fault.New(at+".hot", "an emissivity above 0 up to 1 is expected",
				"0.837 for bare glass, 0.15 for a hard coat")
		}
	}
	if _, ok := gases[p.Gas]; !ok && p.Gas != "" {
		return fault.New("gas", "air or argon stands in a gap", "choose one of the two")
	}
	if _, ok := nusselt[p.Slope]; !ok {
		return fault.New("slope", "a pack stands upright, leans or lies", "choose one of the three")
	}
	return nil
}

// nusselt are A and n of Nu = A·(Gr·Pr)ⁿ. EN 673, from memory.
var nusselt = map[Slope][2]float64{Upright: {0.035, 0.38}, Leaning: {0.10, 0.31}, Lying: {0.16, 0.28}}

const (
	stefan  = 5.67e-8
	kelvin  = 273.15
	gravity = 9.81
)

// gas is a gas at 0 °C as EN 673 has it, from memory, and Sutherland's
// temperatures, with which it is carried on to others; of argon, whose molecules
// are single atoms, conductivity goes with viscosity.
type gas struct {
	density, viscosity, conductivity float64 // kg/m³, Pa s, W/mK
	heat                             float64 // J/kgK
	viscous, conducts                float64 // K
}

var gases = map[Gas]gas{
	Air:   {1.277, 1.711e-5, 0.02416, 1008, 110.4, 194},
	Argon: {1.762, 2.101e-5, 0.01634, 519, 144.4, 144.4},
}

// at is density, viscosity and conductivity of a gas at a temperature in K.
func (g gas) at(k float64) (density, viscosity, conductivity float64) {
	r := k / kelvin
	warm := func(s float64) float64 { return math.Pow(r, 1.5) * (kelvin + s) / (k + s) }
	return g.density / r, g.viscosity * warm(g.viscous), g.conductivity * warm(g.conducts)
}

// gas is what stands in the gaps.
func (p Pack) gas() gas {
	if g, ok := gases[p.Gas]; ok {
		return g
	}
	return gases[Air]
}

// gap is the conductance of a gap between two faces, W/m²K: hot and cold are
// the faces' temperatures in K.
func (g gas) gap(width, hot, cold, e1, e2 float64, s Slope) float64 {
	mean := (hot + cold) / 2
	radiation := 4 * stefan * mean * mean * mean / (1/e1 + 1/e2 - 1)
	density, viscosity, conductivity := g.at(mean)
	m := width / 1000
	grashof := gravity * m * m * m * math.Abs(hot-cold) * density * density / (mean * viscosity * viscosity)
	prandtl := viscosity * g.heat / conductivity
	k := nusselt[s]
	nu := math.Max(1, k[0]*math.Pow(grashof*prandtl, k[1]))
	return radiation + nu*conductivity/m
}

// Face is one face of a pane.
type Face struct {
	Hot  float64 `json:"hot" doc:"Towards the heat, °C"`
	Cold float64 `json:"cold" doc:"Towards the room, °C"`
	Left float64 `json:"left" doc:"Margin to what the pane stands, K; 0 while unknown"`
}

// Result is a pack, solved.
type Result struct {
	Flow  float64 `json:"flow" doc:"W/m²"`
	U     float64 `json:"u" doc:"W/m²K, from air to air"`
	Faces []Face  `json:"faces" doc:"Each pane from the hot side outwards"`
	Touch float64 `json:"touch" doc:"Outermost face, °C"`
	Steps int     `json:"steps" doc:"Rounds until it stood still"`
}

// Rounds until temperatures stand still to a thousandth of a kelvin.
const (
	mostRounds = 200
	still      = 1e-3
)

// Solve finds the temperatures: conductances from the temperatures, and the
// temperatures from the conductances, in turn. Temperatures that do not come to
// rest are a *fault.Error, not an answer.
func Solve(p Pack) (Result, error) {
	if err := p.Check(); err != nil {
		return Result{}, err
	}
	r := p.solve()
	return r, r.atRest()
}

func (r Result) atRest() error {
	if r.Steps > mostRounds {
		return fault.New("gaps", fmt.Sprintf("the temperatures do not come to rest in %d rounds", mostRounds),
			"look for a gap or an emissivity that is far too small or too large")
	}
	return nil
}

func (p Pack) solve() Result {
	n := len(p.Panes)
	r := Result{Faces: make([]Face, n)}
	// A straight line from hot to cold to start with.
	for i := range r.Faces {
		at := func(k float64) float64 { return p.Cavity + (p.Room-p.Cavity)*k/float64(2*n+1) }
		r.Faces[i] = Face{Hot: at(float64(2*i + 1)), Cold: at(float64(2*i + 2))}
	}
	for r.Steps = 1; r.Steps <= mostRounds; r.Steps++ {
		resist := 1/p.Inside + 1/p.Outside
		gaps := make([]float64, n-1)
		for i, q := range p.Panes {
			resist += q.T / 1000 / q.Lambda
			if i < n-1 {
				gaps[i] = 1 / p.gas().gap(p.Gaps[i], r.Faces[i].Cold+kelvin, r.Faces[i+1].Hot+kelvin, q.Cold, p.Panes[i+1].Hot,
					p.Slope)
				resist += gaps[i]
			}
		}
		r.Flow, r.U = (p.Cavity-p.Room)/resist, 1/resist
		moved, at := 0.0, p.Cavity-r.Flow/p.Inside
		for i, q := range p.Panes {
			f := Face{Hot: at, Cold: at - r.Flow*q.T/1000/q.Lambda}
			moved = math.Max(moved, math.Max(math.Abs(f.Hot-r.Faces[i].Hot), math.Abs(f.Cold-r.Faces[i].Cold)))
			// Half the way: the fourth power would swing otherwise.
			r.Faces[i] = Face{Hot: (f.Hot + r.Faces[i].Hot) / 2, Cold: (f.Cold + r.Faces[i].Cold) / 2}
			at = f.Cold
			if i < n-1 {
				at -= r.Flow * gaps[i]
			}
		}
		if moved < still {
			break
		}
	}
	for i, q := range p.Panes {
		if q.Limit > 0 {
			r.Faces[i].Left = q.Limit - math.Max(r.Faces[i].Hot, r.Faces[i].Cold)
		}
	}
	r.Touch = r.Faces[n-1].Cold
	return r
}

// EdgeStress is the stress at the cold, covered edge of a pane whose middle is
// hotter by dT: σ = E·α·ΔT, MPa; E in GPa, α in 1e-6 per kelvin. Soda-lime
// takes 0.63 MPa a kelvin.
func EdgeStress(e, alpha, dT float64) float64 { return e * 1e3 * alpha * 1e-6 * dT }

// Temperatures of glass at which a touch burns: a long one, and one of a
// second. ISO 13732-1, from memory.
const (
	LongTouch  = 56.0
	ShortTouch = 75.0
)
