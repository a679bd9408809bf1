package record

import "time"

// Week is when a person works and what they may do. Hours are those of the shop's zone.
type Week struct {
	Account  int64    `json:"account"`
	Days     []int    `json:"days" maxItems:"7" unique:"true" doc:"1 is Monday, 7 Sunday"`
	From     string   `json:"from" maxLength:"5" doc:"08:00"`
	To       string   `json:"to" maxLength:"5"`
	NoonFrom string   `json:"noon_from,omitempty" maxLength:"5" doc:"Nothing for no break"`
	NoonTo   string   `json:"noon_to,omitempty" maxLength:"5"`
	Off      []string `json:"off" maxItems:"100" doc:"Days off: 2026-12-24"`
	May      []string `json:"may" maxItems:"3" unique:"true" enum:"pressure,gas,height" doc:"What only those do who may"`
	Version  int      `json:"version"`
}

// DayPin is a step that somebody put where it is.
type DayPin struct {
	Step   string    `json:"step" minLength:"1" maxLength:"160" doc:"As the days name it"`
	Job    int64     `json:"job"`
	At     time.Time `json:"at"`
	People []int64   `json:"people" minItems:"1" maxItems:"4" doc:"Who does it"`
}

// TickSeen is a step that was ticked, with where it belongs.
type TickSeen struct {
	Who, Job            int64
	Family, Place, Step string
	At                  time.Time
}

// DayPlace is where work is done, and how many of it there are.
type DayPlace struct {
	Name  string `json:"name" enum:"bench,van,table" doc:"Benches, vans, tables to cut on"`
	Count int    `json:"count" minimum:"1" maximum:"20"`
}
