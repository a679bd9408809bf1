package pane

import (
	"fmt"
	"strings"

	"freshshard/core/catalogue"
	"freshshard/core/exposure"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Need is what the pane has to stand and to be.
type Need struct {
	Exposure  exposure.Exposure `json:"exposure"`
	Strike    bool              `json:"strike" doc:"People can fall or strike against it"`
	Area      float64           `json:"area" doc:"Area of the pane, mm²; 0 while unknown"`
	Thickness float64           `json:"thickness" doc:"Thickness that is wanted, mm"`
	Read      float64           `json:"read,omitempty" doc:"Nominal old thickness, or wall of a tube, mm; 0 while unread"`
	Depth     float64           `json:"depth,omitempty" doc:"Room for the pane's thickness, mm; 0 while unknown"`
	Like      string            `json:"like,omitempty" doc:"Material of the old pane"`
	Own       catalogue.Values  `json:"-"` // the shop's own values
	Other     bool              `json:"other,omitempty" doc:"Something other than glass is asked for"`
	// Beware is what a new pane must be better at, by what broke the last one.
	Beware  []string           `json:"beware,omitempty" enum:"blow,sudden,seat,flaw,surface,material" maxItems:"6"`
	Load    Load               `json:"load"`
	Duty    Duty               `json:"duty"`
	Vehicle bool               `json:"vehicle,omitempty" doc:"Part of something that drives or is towed"`
	Moves   Moves              `json:"moves,omitempty" enum:",road,trailer,machine" doc:"Nothing said is a road vehicle"`
	Usual   string             `json:"usual,omitempty" doc:"What such a pane usually is"`
	Boat    bool               `json:"boat,omitempty" doc:"Part of a boat"`
	Maker   bool               `json:"maker,omitempty" doc:"A maker's part may be had"`
	Tube    bool               `json:"tube,omitempty" doc:"A tube, not a sheet"`
	Outside float64            `json:"outside,omitempty" doc:"Of a tube, mm"`
	Bent    bool               `json:"bent,omitempty" doc:"Bent to a curve"`
	Outline *outline.Outline   `json:"outline,omitempty" doc:"The pane in true shape with its holes; nil while unknown"`
	Stack   Stack              `json:"stack" doc:"The pack that it stands in"`
	Room    float64            `json:"room,omitempty" doc:"Before the pack, °C"`
	Weights map[string]float64 `json:"weights,omitempty" doc:"How much each judgement counts, 0 to 10"`
}

// Check refuses a need that cannot be.
func (n Need) Check() error {
	if err := n.Exposure.Check(); err != nil {
		return err
	}
	if !(n.Thickness > 0 && n.Thickness <= 60) {
		return fault.New("thickness", "a thickness up to 60 mm is expected", "give the thickness in mm")
	}
	if !(n.Area >= 0 && n.Area <= 1e9) {
		return fault.New("area", "an area up to 1000 m² is expected", "give it in mm²")
	}
	if !(n.Depth >= 0 && n.Depth <= 200) {
		return fault.New("depth", "a depth up to 200 mm is expected", "give the room for the pane")
	}
	if err := n.Duty.Check(); err != nil {
		return err
	}
	if err := n.Load.Check(); err != nil {
		return err
	}
	if err := n.Stack.Check(); err != nil {
		return err
	}
	for k, v := range n.Weights {
		if _, ok := judgements[k]; !ok {
			return fault.New("weights."+k, "nothing is judged by that name", "use "+strings.Join(Judgements(), ", "))
		}
		if !(v >= 0 && v <= 10) {
			return fault.New("weights."+k, "a weight between 0 and 10 is expected", "0 leaves it out")
		}
	}
	return nil
}

// Closed is a material that a gate has ruled out.
type Closed struct {
	Material string         `json:"material"`
	Name     string         `json:"name"`
	Gate     string         `json:"gate" enum:"steady,peak,life,sudden,safety,vehicle,food,pressure,shape,hole,depth,load,warp"`
	Sentence string         `json:"sentence"`
	Unknown  bool           `json:"unknown,omitempty" doc:"No limit is on file; the sheet of the product says it"`
	Figure   working.Figure `json:"figure"`
}

// gates are all that can close for a material, in the order in which they are
// named.
func (m gating) gates() []func(Need) *Closed {
	return []func(Need) *Closed{m.steady, m.peak, m.life, m.sudden, m.safetyGate, m.vehicleGate, m.foodGate,
		m.pressureGate, m.guardGate, m.shapeGate, m.holeGate, m.depth, bending(m).warpGate,
		bending(m).loadGate}
}

// gate returns the first gate that closes for the material, or nil.
func (m gating) gate(n Need) *Closed {
	for _, g := range m.gates() {
		if c := g(n); c != nil {
			return m.named(c)
		}
	}
	return nil
}

func (m gating) named(c *Closed) *Closed {
	c.Material, c.Name = m.ID, m.Short
	c.Figure.Sentence = c.Sentence
	return c
}

// Against are all gates that are closed for the material.
func (m Material) Against(n Need) ([]Closed, error) {
	if err := n.Check(); err != nil {
		return nil, err
	}
	n.Load.known = newPlates()
	var out []Closed
	for _, g := range (gating{m}).gates() {
		if c := g(n); c != nil {
			out = append(out, *gating{m}.named(c))
		}
	}
	return out, nil
}

// closed builds a gate from a value, with where it comes from, that must not pass a limit.
func closed(gate, sentence, unit string, in working.Input, limit *working.Limit) *Closed {
	symbol, value := in.Symbol, in.Value
	sign, against := "≤", ">"
	if limit.Sense == working.AtLeast {
		sign, against = "≥", "<"
	}
	w := working.Working{
		Formula: symbol + " " + sign + " limit",
		Values: strings.TrimSpace(fmt.Sprintf("%s %s %s %s", working.Num(value, 1), against, working.Num(limit.Value, 1),
			unit)),
		Inputs: []working.Input{in},
	}
	f := working.Figure{Key: "gate_" + gate, Value: value, Unit: unit, Limit: limit, Working: w}.Judge(working.Stop)
	if f.Margin >= 0 {
		return nil
	}
	return &Closed{Gate: gate, Sentence: sentence, Figure: f}
}

func (m gating) steady(n Need) *Closed {
	return closed("steady", fmt.Sprintf("hot side %s °C is above the %s °C that it stands in steady use",
		working.Num(n.Exposure.Steady, 0), working.Num(m.Steady.V, 0)),
		"°C", working.In("T", "hot side in steady use", n.Exposure.Steady, "°C", n.Exposure.From("steady")),
		working.Most(m.Steady.V, "°C", m.Steady.Origin.Of(m.Short)))
}

func (m gating) peak(n Need) *Closed {
	if m.Peak == nil {
		// What is not on file is asked for when it matters: when the job goes
		// beyond the heat that it is known to stand for good.
		c := closed("peak", fmt.Sprintf("for minutes it sees %s °C, and what it stands then is not on file: look it up on "+
			"its sheet, and put it into the Book", working.Num(n.Exposure.Short, 0)),
			"°C", working.In("T", "hottest for minutes, against the steady limit", n.Exposure.Short, "°C",
				n.Exposure.From("short")),
			working.Most(m.Steady.V, "°C", m.Steady.Origin.Of(m.Short)))
		if c != nil {
			c.Unknown = true
		}
		return c
	}
	return closed("peak", fmt.Sprintf("a peak of %s °C is above the %s °C that it stands for minutes",
		working.Num(n.Exposure.Short, 0), working.Num(m.Peak.V, 0)),
		"°C", working.In("T", "hottest for minutes", n.Exposure.Short, "°C", n.Exposure.From("short")),
		working.Most(m.Peak.V, "°C", m.Peak.Origin.Of(m.Short)))
}

// lasts is the row of the life table that is at or above a heat. Nothing is read
// between the rows: the next hotter row is on the safe side. ok is false below the
// first row, where the life is longer than the table says, and above the last.
func (m gating) lasts(c float64) (row Life, ok bool) {
	if len(m.Life) == 0 || c < m.Life[0].C {
		return row, false
	}
	for i := len(m.Life) - 1; i >= 0; i-- {
		if m.Life[i].C >= c {
			row, ok = m.Life[i], true
		}
	}
	return row, ok
}

// life holds the hours at the steady heat, and those at a peak such as high-heat
// cleaning, against the life table: an hour at the peak is not an hour of steady
// use. The shares of both are summed, after Palmgren and Miner, from memory.
func (m gating) life(n Need) *Closed {
	e := n.Exposure
	row, hot := m.lasts(e.Steady)
	peak, cleaned := m.lasts(e.Short)
	if cleaned = cleaned && e.Cleaning > 0; cleaned {
		used := e.Cleaning / peak.Hours
		said := fmt.Sprintf("%s h at %s °C", working.Num(e.Cleaning, 0), working.Num(e.Short, 0))
		if hot {
			used += e.Hours / row.Hours
			said = fmt.Sprintf("%s h at %s °C and %s", working.Num(e.Hours, 0), working.Num(e.Steady, 0), said)
		}
		return closed("life", fmt.Sprintf("%s use up %s of its life", said, working.Num(used, 2)), "of its life",
			working.In("n", "shares of its life at each heat, summed", used, "of its life", value.Sum()),
			working.Most(1, "of its life", m.From(peak)))
	}
	if !hot {
		return nil
	}
	return closed("life", fmt.Sprintf("%s h at %s °C is more than the %s h that it lasts at %s °C",
		working.Num(e.Hours, 0), working.Num(e.Steady, 0), working.Num(row.Hours, 0), working.Num(row.C, 0)),
		"h", working.In("t", "hours at the hot temperature", e.Hours, "h", e.From("hours")),
		working.Most(row.Hours, "h", m.From(row)))
}

func (m gating) sudden(n Need) *Closed {
	if m.Sudden == nil {
		return nil
	}
	return closed("sudden", fmt.Sprintf("a sudden change of %s K is above the %s K that it stands",
		working.Num(n.Exposure.Sudden, 0), working.Num(m.Sudden.V, 0)),
		"K", working.In("ΔT", "sudden change", n.Exposure.Sudden, "K", n.Exposure.From("sudden")),
		working.Most(m.Sudden.V, "K", m.Sudden.Origin.Of(m.Short)))
}

func (m gating) safetyGate(n Need) *Closed {
	if !n.Strike || m.Safety {
		return nil
	}
	return never("safety",
		"people can fall against it, and it is not safety glazing; local code says which class is asked for",
		"safety glazing")
}

// never closes for want of something that a material has or has not.
func never(gate, sentence, wants string) *Closed {
	return closed(gate, sentence, "", working.In("s", wants+", 1 is yes", 0, "", value.Custom()),
		working.Least(1, "", value.Custom()))
}

func (m gating) depth(n Need) *Closed {
	if n.Depth <= 0 {
		return nil
	}
	thin := m.Thicknesses[0]
	return closed("depth", fmt.Sprintf("its thinnest pane is %s mm and the rebate has room for %s", working.Num(thin, 1),
		length.Metric(n.Depth)),
		"mm", working.In("t", "thinnest pane", thin, "mm", value.Custom()), working.Most(n.Depth, "mm", value.Read("")))
}
