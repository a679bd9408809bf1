package calc

import (
	"context"
	"fmt"
	"slices"
	"time"

	"freshshard/core/cure"
	"freshshard/core/cutting"
	"freshshard/core/due"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/price"
	"freshshard/core/setting"
	"freshshard/core/source"
	"freshshard/core/supply"
	"freshshard/core/working"
)

// SparesIn is how many good panes are wanted, how surely, and what is known of the
// tries.
type SparesIn struct {
	Want  int           `json:"want"`
	Sure  float64       `json:"sure"`
	Tries cutting.Tries `json:"tries"`
}

// SourcesIn are offers, with what the job adds; money in cents.
type SourcesIn struct {
	Offers []source.Offer `json:"offers"`
	Terms  source.Terms   `json:"terms"`
}

// PriceIn is a job with what the shop asks; money in cents.
type PriceIn struct {
	Job   price.Job   `json:"job"`
	Rates price.Rates `json:"rates"`
}

// DayIn is what could be laid, in which air, from when on.
type DayIn struct {
	Lay  []cure.Laying `json:"lay" maxItems:"200"`
	Air  []cure.Air    `json:"air" maxItems:"2000"`
	From time.Time     `json:"from"`
}

// DueIn is what went out, and when.
type DueIn struct {
	Family   string    `json:"family"`
	Exposure string    `json:"exposure"`
	Material string    `json:"material,omitempty"`
	Road     string    `json:"road"`
	How      string    `json:"how,omitempty"`
	Out      time.Time `json:"out"`
}

// CureIn is what was laid, the air since, and the moment to look at.
type CureIn struct {
	Bond cure.Bond  `json:"bond"`
	Air  []cure.Air `json:"air"`
	Now  time.Time  `json:"now"`
}

// someNoon is a moment for the examples.
var someNoon = time.Date(2027, 3, 26, 12, 0, 0, 0, time.UTC)

// cutSteps are the plans that are tried at most: the same task has the same answer.
const cutSteps = 4000

func cutTopics() []Topic {
	return slices.Concat(supplyTopics(), bondTopics())
}

// supplyTopics are what is cut, bought and priced.
func supplyTopics() []Topic {
	return []Topic{
		{"cut", "how panes come out of sheets and offcuts, edge to edge", cutting.Task{
			Stock: []cutting.Stock{{ID: "sheet", W: 2250, H: 1605, Count: 2, Trim: cutting.Trim{Left: 15, Bottom: 15}},
				{ID: "offcut", W: 640, H: 480, Offcut: true}},
			Pieces: []cutting.Piece{{ID: "greenhouse", W: 499, H: 394, Count: 3, Turn: true},
				{ID: "cabinet", W: 612, H: 840, Count: 2, Turn: true}},
			Rules: cutting.Rules{Least: cutting.LeastStrip(4), Keep: 200}},
			with(func(t cutting.Task) (cutting.Plan, error) {
				p, err := cutting.Solve(context.Background(), t, cutting.Options{Steps: cutSteps})
				return sound(p, err, cutting.Verify(t, p))
			})},
		{"bars", "how lengths come out of tubes, strips and profiles", cutting.BarTask{
			Bars:  []cutting.Bar{{ID: "tube", Length: 1200, Count: 2}},
			Wants: []cutting.Stretch{{ID: "gauge", Length: 266.5, Count: 5}},
			Dress: 4, Keep: 100},
			with(func(t cutting.BarTask) (cutting.BarPlan, error) {
				p, err := cutting.SolveBars(context.Background(), t)
				return sound(p, err, cutting.VerifyBars(t, p))
			})},
		{"sources", "the expected total cost of each offer, and what would change the order", SourcesIn{
			Offers: []source.Offer{{Kind: source.Cutter, Who: "the cutter", Price: 6400, Days: 3, Misfit: 3},
				{Kind: source.Post, Who: "by post", Price: 4100, Carriage: 1500, Lacks: "seal", Missing: 1900, Days: 6,
					Misfit: 12}},
			Terms: source.Terms{Visit: 6000, Day: 500}},
			with(func(in SourcesIn) (source.Ranking, error) { return source.Rank(in.Offers, in.Terms) })},
		{"price", "what a job costs the customer, from its least to its most, to the cent", PriceIn{
			Job: price.Job{Works: []price.Work{{Station: "measure", Minutes: 10, People: 1}, {Station: "set", Minutes: 20,
				People: 2}}, Materials: []price.Material{{Key: "pane", Text: "the pane", Milli: 1000, Unit: "pc", Low: 5000,
				Each: 6000, High: 8000, Known: true}}, Broken: []float64{0.12}}, Rates: price.Usual},
			with(func(in PriceIn) (price.Sheet, error) { return price.Reckon(in.Job, in.Rates) })},
		{"arrival", "a pane as it was read against what was ordered", supply.Measured{W: 300, H: 200, Band: 1, ReadW: 303,
			ReadH: 199.5},
			with(func(in supply.Measured) ([]working.Figure, error) { return in.Judge(length.MM) })},
		{"cure", "when a bond may be let go, used, and left to everything, in its weather", CureIn{
			Bond: cure.Bond{Adhesive: "urethane", Since: someNoon, Width: 8, Edges: 2},
			Air: []cure.Air{{At: someNoon, C: 19, RH: 52}, {At: someNoon.Add(14 * time.Hour), C: 9, RH: 74},
				{At: someNoon.Add(40 * time.Hour), C: 17, RH: 55}}, Now: someNoon.Add(8 * time.Hour)},
			with(func(in CureIn) (cure.Curing, error) { return cure.Cure(in.Bond, in.Air, in.Now) })},
	}
}

// bondTopics are what is glued, bedded and looked at again.
func bondTopics() []Topic {
	return []Topic{
		{"bench", "whether a tube may be opened: cold, heat, dew, its day and its session", cure.Opening{Adhesive: "urethane",
			C: 12, RH: 70, Surface: 9, Expires: someNoon.AddDate(0, 2, 0), Now: someNoon},
			with(cure.Gates)},
		{"bead", "what a bead takes, how many tubes, and whether it is laid before it skins", setting.Bead{Length: 2400,
			Section: setting.Triangle, Width: 8, Height: 12, Skin: 10}, with(setting.Bead.Figures)},
		{"brad", "the pilot hole of a brad, and how near it comes to the glass", setting.Brad{Diameter: 1.2, ToGlass: 4},
			with(setting.Brad.Figures)},
		{"rivet", "a bolt in a bush in place of a rivet: drill, clearance in the glass, length", setting.Rivet{Size: "3/16",
			Hole: 9, Bolt: 5, Bush: 1, Stack: 9, Nut: 4}, with(setting.Rivet.Figures)},
		{"reuse", "whether an old gasket may go in again", setting.Reuse{Kind: "rope", Free: 10, Sprung: 8, Path: 1240,
			Length: 1250}, with(setting.Reuse.Figures)},
		{"putty", "how much putty a light takes", setting.Puttied{Length: 1800, Face: 10, Rebate: 10},
			with(setting.Puttied.Figures)},
		{"day", "which tubes are opened and shared, by when each pane is in place, when each clock is out", DayIn{
			Lay: []cure.Laying{{Job: 1, Name: "wheelhouse", Adhesive: "urethane", Ml: 140, Minutes: 4, Width: 12, Edges: 2},
				{Job: 2, Name: "trailer", Adhesive: "urethane", Ml: 150, Minutes: 4, Width: 12, Edges: 2}},
			Air: []cure.Air{{At: someNoon, C: 19, RH: 52}, {At: someNoon.Add(40 * time.Hour), C: 17, RH: 55}}, From: someNoon},
			with(func(in DayIn) ([]cure.Line, error) { return cure.Day(in.Lay, in.Air, in.From) })},
		{"due", "when a pane is to be looked at again", DueIn{Family: "clip-heat", Exposure: "fire",
			Material: "glass-ceramic",
			Road:     "size", Out: someNoon}, with(func(in DueIn) ([]due.Due, error) {
			if _, err := family.Book.ByID(in.Family); err != nil {
				return nil, err
			}
			if _, err := exposure.Book.ByID(in.Exposure); err != nil {
				return nil, err
			}
			if _, err := pane.Book.ByID(in.Material); err != nil && in.Material != "" {
				return nil, err
			}
			return due.For(due.Of{Family: in.Family, Exposure: in.Exposure, Material: in.Material, Road: in.Road, How: in.How},
				in.Out), nil
		})},
		{"spares", "how many blanks to cut so that there are enough good ones", SparesIn{1, 0.95, cutting.Tries{Usual: 0.7}},
			with(func(in SparesIn) (cutting.Spares, error) { return cutting.Ladder(in.Want, in.Sure, in.Tries) })},
	}
}

// sound is a plan that the verifier lets through.
func sound[P any](p P, err error, broken []cutting.Broken) (P, error) {
	if err == nil && len(broken) > 0 {
		err = fmt.Errorf("the plan cannot be cut: %v", broken)
	}
	return p, err
}
