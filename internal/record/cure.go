package record

import (
	"time"

	"freshshard/core/timer"
)

// Where is a place in which something hardens.
type Where string

// The places with an air of their own.
const (
	AtBench Where = "bench"
	InVan   Where = "van"
	InYard  Where = "yard"
)

// Cure is what was laid and has to harden.
type Cure struct {
	ID       int64      `json:"id"`
	Pane     int64      `json:"pane"`
	Step     string     `json:"step" maxLength:"40" doc:"The step that waits for it"`
	Adhesive string     `json:"adhesive" maxLength:"40"`
	Width    float64    `json:"width,omitempty" minimum:"0" maximum:"60" doc:"Pressed width, mm"`
	Edges    int        `json:"edges,omitempty" minimum:"0" maximum:"2" doc:"Long edges that the air reaches"`
	Depth24  float64    `json:"depth24,omitempty" minimum:"0" maximum:"10" doc:"By the tube's own sheet, mm in 24 h"`
	Stays    []Stay     `json:"stays" maxItems:"60" doc:"Where it stood, the first since it was laid"`
	Since    time.Time  `json:"since"`
	LetGo    *time.Time `json:"let_go,omitempty" doc:"Tapes and clamps not before"`
	Ready    *time.Time `json:"ready,omitempty" doc:"Not before; nothing where it does not come within sixty days"`
	Full     *time.Time `json:"full,omitempty"`
	Item     int64      `json:"item,omitempty" doc:"The tube out of the stores"`
	Lot      string     `json:"lot,omitempty" maxLength:"60"`
	By       string     `json:"by"`
	Version  int        `json:"version"`
}

// Timer is a clock that is no chemistry.
type Timer struct {
	ID   int64 `json:"id"`
	Pane int64 `json:"pane"`
	timer.Run
	By      string `json:"by"`
	Version int    `json:"version"`
}

// Stay is where something hardens from a moment on.
type Stay struct {
	From   time.Time `json:"from"`
	Place  Where     `json:"place" enum:"bench,van,yard"`
	Heated float64   `json:"heated,omitempty" minimum:"0" maximum:"40" doc:"Kept at this at least, °C; 0 for no heater"`
}

// Here is where it stands now.
func (c Cure) Here() Stay { return c.Stays[len(c.Stays)-1] }

// AirReading is the air as it was read.
type AirReading struct {
	Place Where     `json:"place" enum:"bench,van,yard"`
	C     float64   `json:"c" minimum:"-40" maximum:"60"`
	RH    float64   `json:"rh" minimum:"1" maximum:"100"`
	By    string    `json:"by"`
	At    time.Time `json:"at"`
}
