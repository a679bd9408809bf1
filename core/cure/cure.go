package cure

import (
	"fmt"
	"time"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/value"
	"freshshard/core/working"
)

// Bond is what was laid, and since when.
type Bond struct {
	Adhesive string    `json:"adhesive" maxLength:"40"`
	Since    time.Time `json:"since" doc:"When the pane was in place"`
	Width    float64   `json:"width,omitempty" minimum:"0" maximum:"60" doc:"Pressed width of the bead, mm; moisture cure"`
	Edges    int       `json:"edges,omitempty" minimum:"0" maximum:"2" doc:"Long edges of the bead that the air reaches"`
	Depth24  float64   `json:"depth24,omitempty" minimum:"0" maximum:"10" doc:"By its sheet, mm in 24 h; 0: the book's"`
}

// Key names a clock.
type Key string

// The three clocks.
const (
	LetGo Key = "let-go"
	Ready Key = "ready"
	Full  Key = "full"
)

// Clock is when something may be done. A time that is nil does not come within sixty
// days of such air.
type Clock struct {
	Key      Key            `json:"key" enum:"let-go,ready,full"`
	Title    string         `json:"title"`
	May      string         `json:"may" doc:"What may be done then"`
	Earliest *time.Time     `json:"earliest,omitempty" doc:"By the quickest that sheets say"`
	Safe     *time.Time     `json:"safe,omitempty" doc:"Not before"`
	Over     bool           `json:"over"`
	Left     int            `json:"left" doc:"Minutes to the safe time; 0 when it is over"`
	Unsure   bool           `json:"unsure" doc:"Behind the last forecast: by the coldest and driest of its last day"`
	Figure   working.Figure `json:"figure"`
}

// Point is how far it is at a moment, in parts of what Ready asks.
type Point struct {
	At   time.Time `json:"at"`
	Safe float64   `json:"safe"`
	Fast float64   `json:"fast"`
	C    float64   `json:"c"`
	RH   float64   `json:"rh"`
}

// Curing is how a bond gets on.
type Curing struct {
	Adhesive Adhesive `json:"adhesive"`
	Clocks   []Clock  `json:"clocks"`
	Opens    Key      `json:"opens" enum:"let-go,ready,full" doc:"The clock for which its step waits"`
	Curve    []Point  `json:"curve"`
	LetGoAt  float64  `json:"let_go_at" doc:"Where on the curve it may be let go"`
	Need     string   `json:"need,omitempty" doc:"How deep it has to be, in words"`
	Says     string   `json:"says"`
}

// Of the needed depth, so much holds the pane against its own weight while tapes come
// off. Judgement, no source.
const handlingShare = 0.4

const (
	step    = 10 * time.Minute
	horizon = 60 * 24 * time.Hour
)

// target is one clock of a bond: how many hours of the sheet's own day it takes, at the quickest
// and at the slowest. byTable says that those hours are counted by the adhesive's table.
type target struct {
	key        Key
	fast, slow float64
	title, may string
	byTable    bool
	inputs     []working.Input
	formula    string
	depth      float64
}

// Check refuses a bond that cannot be; errors name the field.
func (b Bond) Check() error {
	a, err := Book.ByID(b.Adhesive)
	switch {
	case err != nil:
		return err
	case b.Since.IsZero():
		return fault.New("since", "the time is missing", "say when the pane was in place")
	case a.Kind != Moisture:
		return nil
	case b.Edges == 0:
		return fault.New("edges", "no edge of it is open: it cures from its rim alone, for weeks",
			"use a two-part, or leave a gap in the bead")
	case b.Edges < 0 || b.Edges > 2:
		return fault.New("edges", "a bead has one or two open edges", "choose one of the two")
	case !(b.Width >= 1 && b.Width <= 60):
		return fault.New("width", "a pressed width from 1 to 60 mm is expected", "12 mm is usual for vehicle glass")
	case !(b.Depth24 >= 0 && b.Depth24 <= 10):
		return fault.New("depth24", "a depth up to 10 mm is expected", "read it off the tube's own sheet, or leave it out")
	}
	return nil
}

// Words are the titles of an adhesive's three clocks with what may be done then.
func Words(id string) [3][2]string {
	a, _ := Book.ByID(id) // of one that is no more, the usual words
	w := a.words()
	return [3][2]string{w[LetGo], w[Ready], w[Full]}
}

func (a Adhesive) words() map[Key][2]string {
	names := map[Key][2]string{LetGo: {"Let go", "tapes and clamps may come off"},
		Ready: {"Ready", "refit it, move it, use it gently"},
		Full:  {"Full", "wash under pressure, slam, load it fully"}}
	switch a.Kind {
	case Putty:
		names = map[Key][2]string{LetGo: {"Skin", "it may be moved with care"},
			Ready: {"Paint", "paint, over onto the glass"},
			Full:  {"Full", "wash it"}}
	case Cement:
		names = map[Key][2]string{LetGo: {"Let go", "the door may be hung"}, Ready: {"Dry", "a slow first fire"},
			Full: {"Full", "fire as usual"}}
	case Butyl:
		names[Full] = [2]string{"Nip again", "nip each screw once more, then leave it"}
	case Table:
		names[Ready] = [2]string{"Ready", "drive it, by its table"}
	}
	return names
}

// targets are what its clocks ask for.
func (b Bond) targets(a Adhesive) []target {
	names := a.words()
	hours := func(k Key, h [2]float64) target {
		return target{key: k, fast: h[0], slow: h[1], title: names[k][0], may: names[k][1], formula: "{h}",
			inputs: []working.Input{working.In("h", "hours at 23 °C and 50 %, at the slowest", h[1], "h", value.Sheet(Sheet))}}
	}
	full := hours(Full, a.Full)
	switch a.Kind {
	case Table:
		// Its table says when it may be driven, and nothing of when a tape may go.
		t := target{byTable: true, fast: 1, slow: 1, formula: "{t}", inputs: []working.Input{working.In("t",
			"of its table's way, the slowest corner of the cell", 1, "", value.Sheet(Sheet))}}
		out := []target{t, t, full}
		for i, k := range []Key{LetGo, Ready} {
			out[i].key, out[i].title, out[i].may = k, names[k][0], names[k][1]
		}
		return out
	case Moisture:
		d := a.Depth
		from := value.Sheet(Sheet)
		if b.Depth24 > 0 {
			d, from = [2]float64{b.Depth24, b.Depth24}, value.Own("the tube's own sheet")
		}
		need := b.Width / float64(b.Edges)
		deep := func(k Key, mm float64) target {
			t := target{key: k, title: names[k][0], may: names[k][1], fast: 24 * mm * mm / (d[1] * d[1]), depth: mm,
				slow: 24 * mm * mm / (d[0] * d[0]), formula: "24 × ({d} / {q})²", inputs: []working.Input{
					working.In("d", "how deep it has to be", mm, "mm", value.Sum()),
					working.In("q", "how deep in 24 h at 23 °C and 50 %, at the least", d[0], "mm", from)}}
			return t
		}
		ready := deep(Ready, need)
		if ready.slow > full.slow { // a wide bead is not through when the sheet calls it full
			full.formula, full.inputs = "the greater of {h} and 24 × ({d} / {q})²", append(full.inputs, ready.inputs...)
		}
		full.fast, full.slow = max(full.fast, ready.fast), max(full.slow, ready.slow)
		return []target{deep(LetGo, handlingShare*need), ready, full}
	}
	return []target{hours(LetGo, a.Handling), hours(Ready, a.Ready), full}
}

// Cure reckons the clocks of a bond in its air: what was read, then what is forecast, in
// the order of time. It returns a *fault.Error for what cannot be.
func Cure(b Bond, air []Air, now time.Time) (Curing, error) {
	if err := b.Check(); err != nil {
		return Curing{}, err
	}
	if err := checkAir(air); err != nil {
		return Curing{}, err
	}
	if b.Since.After(now.Add(time.Minute)) {
		return Curing{}, fault.New("since", "it was not laid yet", "a clock does not run backwards: give the time it was set")
	}
	a, err := Book.ByID(b.Adhesive)
	if err != nil {
		return Curing{}, err
	}
	out := Curing{Adhesive: a, Clocks: []Clock{}, Curve: []Point{}}
	targets := b.targets(a)
	way := run(a, b.Since, air, targets)
	ready := targets[1]
	for i, t := range targets {
		c := Clock{Key: t.key, Title: t.title, May: t.may, Earliest: way.fast[i], Safe: way.slow[i], Unsure: way.unsure[i]}
		c.Over = c.Safe != nil && !c.Safe.After(now)
		if c.Safe != nil && !c.Over {
			c.Left = int((c.Safe.Sub(now) + time.Minute - 1) / time.Minute)
		}
		c.Figure = figure(t, b.Since, c)
		out.Clocks = append(out.Clocks, c)
	}
	if out.LetGoAt = handlingShare; a.Kind != Moisture {
		out.LetGoAt = 1
		if ready.slow > 0 {
			out.LetGoAt = targets[0].slow / ready.slow
		}
	}
	if ready.depth > 0 {
		out.Need = fmt.Sprintf("%s through", length.Metric(ready.depth)+" mm")
	}
	out.Curve = way.curve
	out.Opens = a.Opens()
	out.Says = says(out.Opened())
	return out, nil
}

// Opened is the clock for which its step waits.
func (c Curing) Opened() Clock { return c.clock(c.Opens) }

func (c Curing) clock(key Key) Clock {
	for _, k := range c.Clocks {
		if k.Key == key {
			return k
		}
	}
	return Clock{}
}

func says(c Clock) string {
	switch {
	case c.Safe == nil:
		return c.Title + ": not within sixty days of such air. Bring it into the warm."
	case c.Over:
		return c.Title + ": " + c.May + "."
	}
	return fmt.Sprintf("%s in %s: not before.", c.Title, span(c.Left))
}

// span is minutes in words.
func span(minutes int) string {
	switch {
	case minutes < 60:
		return fmt.Sprintf("%d min", minutes)
	case minutes < 48*60:
		return fmt.Sprintf("%d h %02d min", minutes/60, minutes%60)
	}
	return fmt.Sprintf("%d days", (minutes+24*60-1)/(24*60))
}

// figure opens a clock: what it asks in hours of the sheet's day, and how many the air
// made of that.
func figure(t target, since time.Time, c Clock) working.Figure {
	f := working.Figure{Key: "cure_" + string(t.key), Unit: "h", Verdict: working.Note, Sentence: t.may}
	asked := t.slow
	if t.byTable {
		f.Working.Note = "Each hour counts as 60 ÷ the minutes of the slowest corner of the cell of the table that the " +
			"air lies in."
	} else {
		f.Working.Note = "Each hour counts for less in air that is drier or colder than 23 °C and 50 %, for nothing below " +
			"the " +
			"sheet's least temperature, and never for more."
	}
	note := f.Working.Note
	unit := "h"
	if t.byTable {
		unit = "" // a share of its way
	}
	f.Working = working.Of(t.formula, asked, unit, t.inputs...)
	f.Working.Note = note
	if c.Safe != nil {
		f.Value = c.Safe.Sub(since).Hours()
		f.Text = span(int(f.Value*60 + 0.5))
	} else {
		f.Text = "never"
	}
	return f
}
