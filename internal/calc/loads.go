package calc

import (
	"fmt"

	"freshshard/core/bond"
	"freshshard/core/compat"
	"freshshard/core/fault"
	"freshshard/core/heat"
	"freshshard/core/pane"
	"freshshard/core/setting"
	"freshshard/core/strength"
	"freshshard/core/striplog"
	"freshshard/core/witness"
)

// PlateIn is a pane under loads, each looked at when it is given: an even one
// in kPa, a wind in m/s, a push in N on a square patch, a seat out of flat.
type PlateIn struct {
	strength.Sheet
	W        float64          `json:"w"`
	H        float64          `json:"h"`
	Held     strength.Held    `json:"held,omitempty" enum:"three,two,round,clamped" doc:"Left out: on four sides"`
	Q        float64          `json:"q,omitempty" minimum:"0"`
	Wind     float64          `json:"wind,omitempty" minimum:"0" maximum:"100"`
	Push     float64          `json:"push,omitempty" minimum:"0" maximum:"10000"`
	Patch    float64          `json:"patch,omitempty" minimum:"1" maximum:"1000"`
	Warp     float64          `json:"warp,omitempty" minimum:"0" maximum:"100"`
	Strength float64          `json:"strength"`
	Lasting  strength.Lasting `json:"lasting"`
}

// PlateOut is what each load does, and what the pane may carry.
type PlateOut struct {
	Even      strength.Bent `json:"even" doc:"Under the even load and the wind together"`
	Push      strength.Bent `json:"push"`
	Seat      float64       `json:"seat" doc:"Stress on the warped seat, MPa"`
	Allowable float64       `json:"allowable" doc:"MPa"`
	Limit     float64       `json:"limit" doc:"How far it may bend, mm"`
}

// TubeIn is a tube under pressure, mm and kPa.
type TubeIn struct {
	Outside  float64 `json:"outside"`
	Wall     float64 `json:"wall"`
	Pressure float64 `json:"pressure"`
}

// TubeOut is its hoop stress.
type TubeOut struct {
	Hoop float64 `json:"hoop" doc:"MPa"`
	Note string  `json:"note"`
}

// EdgeIn is a pane whose middle is hotter than its covered edge.
type EdgeIn struct {
	E     float64 `json:"e" doc:"GPa"`
	Alpha float64 `json:"alpha" doc:"1e-6 per kelvin"`
	DT    float64 `json:"dt" doc:"K"`
}

// EdgeOut is the stress at the edge.
type EdgeOut struct {
	Stress float64 `json:"stress" doc:"MPa"`
	Note   string  `json:"note"`
}

// PackOut is a pack with all its orders.
type PackOut struct {
	Result heat.Result        `json:"result"`
	Orders []heat.Arrangement `json:"orders"`
}

// TouchIn is what a job has.
type TouchIn struct {
	Materials []string `json:"materials"`
	Seals     []string `json:"seals"`
}

// WitnessIn is what speaks for a size along one direction, mm.
type WitnessIn struct {
	Clearance float64         `json:"clearance"`
	Heard     []witness.Heard `json:"heard"`
}

func loadTopics() []Topic {
	coat := heat.Pane{Name: "coated", T: 4, Lambda: 1, Hot: 0.837, Cold: 0.15, Limit: 300}
	plain := heat.Pane{Name: "toughened", T: 4, Lambda: 1, Hot: 0.837, Cold: 0.837, Limit: 250}
	return []Topic{
		{"plate", "stress and deflection of a pane under wind, push and a warped seat",
			PlateIn{Sheet: strength.Sheet{E: 70, Nu: 0.22, T: 4}, W: 700, H: 900, Wind: 30, Push: 500, Patch: 100, Warp: 1,
				Strength: 45, Lasting: strength.Gust}, with(runPlate)},
		{"carry", "how thick each material has to be to carry some loads", pane.Load{W: 900, H: 600, Held: pane.Two, Wind: 30,
			Push: 500}, with(runCarry)},
		{"hoop", "hoop stress of a tube under pressure", TubeIn{12.7, 2.4, 800}, with(runHoop)},
		{"edge", "stress at the cold, covered edge of a hot pane", EdgeIn{70, 9, 40}, with(runEdge)},
		{"pack", "how warm the panes of a pack get, in every order and facing",
			heat.Pack{Cavity: 250, Room: 22, Inside: heat.UsualInside, Outside: heat.UsualOutside,
				Panes: []heat.Pane{coat, plain, plain}, Gaps: []float64{16, 20}, Slope: heat.Upright}, with(runPack)},
		{"dew", "whether a surface is dry enough to bond and paint", setting.Damp{Air: degrees(19.2), Humidity: 46,
			Surface: degrees(12)}, with(setting.Damp.Figures)},
		{"turns", "how far a screw turns from its first touch to a seated gasket", setting.Turns{Free: 3, Screw: "M5",
			Seated: 0.7}, with(setting.Turns.Figures)},
		{"peel", "what let go in a bond, from its two faces", bond.Peel{Length: 120, Width: 30, Spots: []bond.Spot{bond.Metal,
			bond.Metal, bond.Metal, bond.Torn}}, with(bond.Peel.Read)},
		{"hang", "what a glued plate carries that a pane hangs on", bond.Hang{Weight: 2, Along: 488, Out: 402, Gust: 30,
			Latched: true, Length: 100, Width: 30}, with(bond.Hang.Figures)},
		{"witness", "the size that several readings of a pane stand for, and which of them lies", WitnessIn{2,
			[]witness.Heard{{Kind: "opening", Value: 270}, {Kind: "old", Value: 258}, {Kind: "neighbour", Value: 266.4}}},
			with(func(in WitnessIn) (witness.Joined, error) { return witness.Join(in.Heard, in.Clearance) })},
		{"order", "what goes back in which order, from what came off and what goes before what", striplog.Log{
			{ID: "bead", What: "bead", Kind: striplog.Trim, Count: 1, Fate: striplog.Back, Stands: striplog.Over},
			{ID: "pane", What: "pane", Kind: striplog.Pane, Count: 1, Fate: striplog.Renew},
			{ID: "block", What: "setting blocks", Kind: striplog.Part, Count: 2, Fate: striplog.Back, Stands: striplog.Under}},
			with(func(l striplog.Log) ([]striplog.Line, error) { return l.OrderBack(), l.Check() })},
		{"touch", "what may touch a pane, its frame and its seals", TouchIn{[]string{"polycarbonate", "bronze"},
			[]string{"rubber"}}, with(runTouch)},
	}
}

func runPlate(in PlateIn) (PlateOut, error) {
	out := PlateOut{}
	var err error
	if out.Even, err = in.Held.Even(in.Sheet, in.W, in.H, in.Q+strength.Wind(in.Wind, 1)); err != nil {
		return out, err
	}
	if in.Push > 0 {
		if out.Push, err = in.Held.Push(in.Sheet, in.W, in.H, in.Push, in.Patch); err != nil {
			return out, err
		}
	}
	if in.Warp != 0 {
		if out.Seat, err = in.Held.Seat(in.Sheet, in.W, in.H, in.Warp); err != nil {
			return out, err
		}
	}
	out.Limit = strength.DeflectionLimit(in.Held.Span(in.W, in.H))
	out.Allowable, err = strength.Allowable(in.Strength, in.Lasting)
	return out, err
}

func runCarry(in pane.Load) ([]pane.Carrier, error) {
	if err := in.Check(); err != nil {
		return nil, err
	}
	for i, v := range []float64{in.W, in.H} {
		if v <= 0 && !(i == 1 && in.Held == pane.Round) {
			return nil, fault.New([]string{"w", "h"}[i], "a pane that carries something has a size", "give it in mm")
		}
	}
	return pane.Carriers(nil, in), nil
}

func runTouch(in TouchIn) ([]compat.Finding, error) {
	all := compat.All()
	for _, list := range []struct {
		field string
		names []string
	}{{"materials", in.Materials}, {"seals", in.Seals}} {
		for i, n := range list.names {
			if !all.Knows(n) {
				return nil, fault.New(fmt.Sprintf("%s[%d]", list.field, i), fmt.Sprintf("the matrix has no %q", n),
					"use the ids of the book's page What touches what")
			}
		}
	}
	return all.Ask(in.Materials, in.Seals), nil
}

func runHoop(in TubeIn) (TubeOut, error) {
	h, err := strength.Tube(in.Outside, in.Wall, in.Pressure)
	return TubeOut{h, "only a tube rated for the plant is fitted, by people allowed to work on it"}, err
}

func runEdge(in EdgeIn) (EdgeOut, error) {
	if !(in.E > 0 && in.E <= 500) || !(in.Alpha >= -1 && in.Alpha <= 300) || !(in.DT >= -1500 && in.DT <= 1500) {
		return EdgeOut{}, fault.New("e", "stiffness in GPa, growth in 1e-6 per kelvin, difference in K are expected",
			"70, 9 and 40, say")
	}
	return EdgeOut{heat.EdgeStress(in.E, in.Alpha, in.DT), "σ = E·α·ΔT, the edge held back in full"}, nil
}

func runPack(in heat.Pack) (PackOut, error) {
	r, err := heat.Solve(in)
	if err != nil {
		return PackOut{}, err
	}
	all, err := heat.Orders(in)
	return PackOut{r, all}, err
}

func degrees(v float64) *float64 { return &v }
