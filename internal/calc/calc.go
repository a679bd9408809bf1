// Package calc offers single sums of the core as JSON in and JSON out, for
// the command line and for scripts. It needs no database.
package calc

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"sort"

	"freshshard/core/diagnose"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/plan"
	"freshshard/core/reading"
	"freshshard/core/reckon"
	"freshshard/core/sash"
	"freshshard/core/setting"
	"freshshard/core/thickness"
	"freshshard/core/work"
	"freshshard/internal/bound"
)

// Topic is one sum.
type Topic struct {
	Name    string
	Summary string
	Example any
	run     func([]byte) (any, error)
}

// Problem is what bad input gets.
type Problem struct {
	Field string `json:"field,omitempty"`
	Why   string `json:"why"`
	Cure  string `json:"cure,omitempty"`
	At    *int   `json:"at,omitempty"`
}

// LengthIn is a length as it was said.
type LengthIn struct {
	Text       string            `json:"text"`
	Unit       length.Unit       `json:"unit"`
	Instrument length.Instrument `json:"instrument"`
}

// LengthOut is how it is taken and written.
type LengthOut struct {
	Reading length.Reading `json:"reading"`
	Said    string         `json:"said"`
	Metric  string         `json:"metric"`
	Inches  string         `json:"inches"`
}

// PaneIn is a pane with its readings as texts.
type PaneIn struct {
	Family    string                   `json:"family"`
	Exposure  string                   `json:"exposure"`
	Readings  map[reading.Place]string `json:"readings"`
	Material  string                   `json:"material,omitempty"`
	Thickness float64                  `json:"thickness,omitempty"`
	Gasket    fit.Gasket               `json:"gasket"`
	Sides     setting.Sides            `json:"sides"`
	Unit      length.Unit              `json:"unit" enum:"mm,in"`
}

// PlanIn is a family and its facts, the exposure by name.
type PlanIn struct {
	Family   string  `json:"family"`
	Exposure string  `json:"exposure"`
	Power    bool    `json:"power,omitempty"`
	Gas      bool    `json:"gas,omitempty"`
	Old      bool    `json:"old,omitempty"`
	Strike   bool    `json:"strike,omitempty"`
	Weight   float64 `json:"weight,omitempty"`
	Longest  float64 `json:"longest,omitempty"`
}

// ChooseIn is a need, the exposure by name.
type ChooseIn struct {
	Exposure  string             `json:"exposure"`
	Strike    bool               `json:"strike,omitempty"`
	Area      float64            `json:"area,omitempty"`
	Thickness float64            `json:"thickness"`
	Like      string             `json:"like,omitempty"`
	Weights   map[string]float64 `json:"weights,omitempty"`
}

// Topics lists the sums by name.
func Topics() []Topic {
	t := []Topic{
		{"length", "read a length as people say it", LengthIn{"23 7/8-", length.MM, length.Tape}, with(runLength)},
		{"fit", "pane size, tolerance, clearance and bite from readings", PaneIn{
			Family: "clip-heat", Exposure: "fire", Gasket: fit.Gasket{Kind: fit.Flat, Free: 3},
			Sides: setting.Sides{Top: 2, Bottom: 2}, Unit: length.MM,
			Readings: map[reading.Place]string{reading.WidthTop: "270", reading.WidthBottom: "268.4", reading.HeightLeft: "242",
				reading.HeightRight: "9 17/32", reading.Ledge: "14", reading.Reach: "16"},
		}, with(runFit)},
		{"choose", "which material stands it, and why", ChooseIn{Exposure: "fire", Area: 62000, Thickness: 4,
			Like: "toughened"}, with(runChoose)},
		{"plan", "the order of work with holds and cautions", PlanIn{Family: "clip-heat", Exposure: "fire", Old: true,
			Weight: 1.2, Longest: 270}, with(runPlan)},
	}
	t = append(t,
		Topic{"diagnose", "why it broke, from what was seen", diagnose.Evidence{"origin": "fixing", "fixings": "tight",
			"doing": "first-fire"}, with(diagnose.Why)},
		Topic{"oldpane", "what the old pane was, from its clues", diagnose.Evidence{"broke": "dice", "edge": "seamed"},
			with(diagnose.OldPane)},
		Topic{"thickness", "nominal thickness from a caliper reading", length.Reading{Value: 5.02, Doubt: 0.05},
			with(runThickness)},
	)
	t = append(t, Topic{"sash", "the lights of a sash one way across, from what could be read", sashExample(),
		with(func(d sash.Direction) (sash.Result, error) {
			return sash.Solve(d, "light", "bar", "first edge", "last edge", "the whole")
		})})
	t = append(t, shapeTopics()...)
	t = append(t, append(loadTopics(), cutTopics()...)...)
	t = append(t, daysTopics()...)
	sort.Slice(t, func(i, j int) bool { return t[i].Name < t[j].Name })
	return t
}

// with decodes strictly before it runs a sum.
func with[In, Out any](f func(In) (Out, error)) func([]byte) (any, error) {
	return func(b []byte) (any, error) {
		var in In
		d := json.NewDecoder(bytes.NewReader(b))
		d.DisallowUnknownFields()
		if err := d.Decode(&in); err != nil {
			return nil, fault.New("", "the input is not the JSON that this topic takes: "+err.Error(), "look at --example")
		}
		if _, err := d.Token(); !errors.Is(err, io.EOF) {
			return nil, fault.New("", "there is something after the JSON", "send one value")
		}
		if err := bound.Check(in); err != nil {
			return nil, err
		}
		return f(in)
	}
}

func runLength(in LengthIn) (LengthOut, error) {
	if in.Unit == "" {
		in.Unit = length.MM
	}
	if in.Instrument == "" {
		in.Instrument = length.Tape
	}
	if !in.Instrument.Known() {
		return LengthOut{}, fault.New("instrument", "no instrument of that name",
			"use tape, rule, caliper, laser, feeler gauge or traced line")
	}
	if in.Unit != length.MM && in.Unit != length.IN {
		return LengthOut{}, fault.New("unit", "a bare number is mm or in", "use mm or in")
	}
	r, err := length.Parse(in.Text, in.Unit, in.Instrument)
	if err != nil {
		return LengthOut{}, err
	}
	return LengthOut{r, r.Understood(), length.Metric(r.Value) + " mm", length.InFraction(r.Value, 32).String()}, nil
}

// FitOut is the part of the reckoning that sizing gives.
type FitOut struct {
	Order string     `json:"order"`
	Fit   fit.Result `json:"fit"`
}

func runFit(in PaneIn) (FitOut, error) {
	e, err := exposure.Book.ByID(in.Exposure)
	if err != nil {
		return FitOut{}, err
	}
	if in.Unit == "" {
		in.Unit = length.MM
	}
	r, err := reading.FromTexts(in.Readings, in.Unit)
	if err != nil {
		return FitOut{}, err
	}
	k, err := reckon.Pane(reckon.Known{Object: reckon.Object{Exposure: e},
		Holding: reckon.Holding{Family: in.Family, Gasket: in.Gasket, Sides: in.Sides}, Seen: reckon.Seen{Readings: r},
		Settled: reckon.Settled{Material: in.Material, Thickness: in.Thickness}, Unit: in.Unit})
	if err != nil {
		return FitOut{}, err
	}
	if k.Fault != nil {
		return FitOut{}, k.Fault
	}
	return FitOut{k.Order, k.Fit}, nil
}

func runChoose(in ChooseIn) (pane.Choice, error) {
	e, err := exposure.Book.ByID(in.Exposure)
	if err != nil {
		return pane.Choice{}, err
	}
	return pane.Choose(pane.Need{Exposure: e, Strike: in.Strike, Area: in.Area, Thickness: in.Thickness, Like: in.Like,
		Weights: in.Weights})
}

// sashExample has a broken light in the middle.
func sashExample() sash.Direction {
	at := func(v, doubt float64) *length.Reading { return &length.Reading{Value: v, Doubt: doubt} }
	return sash.Direction{Lights: [][]length.Reading{{*at(250, 1)}, {}, {*at(251, 1)}},
		Bars: []*length.Reading{at(20, 0.5), nil}, Alike: true, First: at(50, 1), Last: at(50, 1), Whole: at(891, 1)}
}

func runThickness(in length.Reading) (thickness.Answer, error) {
	if !(in.Value > 0 && in.Value <= 100 && in.Doubt >= 0) {
		return thickness.Answer{}, fault.New("value", "a thickness up to 100 mm is expected",
			"give it in mm, with a doubt of 0 or more")
	}
	return thickness.Of(in), nil
}

func runPlan(in PlanIn) (plan.Plan, error) {
	e, err := exposure.Book.ByID(in.Exposure)
	if err != nil {
		return plan.Plan{}, err
	}
	f, err := family.Book.ByID(in.Family)
	if err != nil {
		return plan.Plan{}, err
	}
	f = work.ToSize(f, work.Object{Exposure: e, Power: in.Power, Gas: in.Gas})
	return plan.Build(f, plan.Facts{Exposure: e, Power: in.Power, Gas: in.Gas, Old: in.Old, Strike: in.Strike,
		Weight: in.Weight, Longest: in.Longest})
}

// mostInput is how much a topic reads, bytes.
const mostInput = 1 << 20

// Run does one topic: JSON from in, JSON to out. Bad input writes a Problem
// and gives 2; anything else that fails gives 1.
func Run(name string, in io.Reader, out io.Writer) int {
	b, err := io.ReadAll(io.LimitReader(in, mostInput+1))
	if err != nil {
		return give(out, Problem{Why: err.Error()}, 1)
	}
	if len(b) > mostInput {
		return give(out, Problem{Why: "the input is larger than 1 MiB", Cure: "send one pane"}, 2)
	}
	for _, t := range Topics() {
		if t.Name == name {
			v, err := t.run(b)
			if err != nil {
				return give(out, problemOf(err), 2)
			}
			return give(out, v, 0)
		}
	}
	return give(out, Problem{Field: "topic", Why: fmt.Sprintf("no topic is called %q", name),
		Cure: "calc --list shows them"}, 2)
}

// Example writes the example input of a topic.
func Example(name string, out io.Writer) int {
	for _, t := range Topics() {
		if t.Name == name {
			return give(out, t.Example, 0)
		}
	}
	return give(out, Problem{Field: "topic", Why: fmt.Sprintf("no topic is called %q", name),
		Cure: "calc --list shows them"}, 2)
}

func problemOf(err error) Problem {
	var le *length.Error
	if errors.As(err, &le) {
		return Problem{Field: "text", Why: le.Why, Cure: le.Cure, At: &le.At}
	}
	if f := fault.Of(err); f != nil {
		return Problem{Field: f.Field, Why: f.Why, Cure: f.Cure}
	}
	return Problem{Why: err.Error()}
}

func give(out io.Writer, v any, code int) int {
	e := json.NewEncoder(out)
	e.SetIndent("", "  ")
	e.SetEscapeHTML(false)
	if err := e.Encode(v); err != nil {
		return 1
	}
	return code
}
