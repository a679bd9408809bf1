package record

import (
	"time"

	"freshshard/core/round"
)

// RoadMap is what the van can go by, as the shop keeps it.
type RoadMap struct {
	Home    string      `json:"home" maxLength:"80" doc:"Where the van stands at night"`
	Legs    []round.Leg `json:"legs" maxItems:"200"`
	Ferries []Timetable `json:"ferries" maxItems:"10"`
	Version int         `json:"version"`
}

// Timetable is a ferry's, as its file says it.
type Timetable struct {
	Name string `json:"name" maxLength:"80"`
	Text string `json:"text" maxLength:"400000" doc:"iCalendar"`
}

// Site is where a job at the customer's is.
type Site struct {
	Job     int64  `json:"job"`
	Place   string `json:"place" maxLength:"80" doc:"As the road map calls it"`
	InFrom  string `json:"in_from,omitempty" maxLength:"5" doc:"Somebody is in from then on: 09:00; nothing for all day"`
	InTo    string `json:"in_to,omitempty" maxLength:"5"`
	Version int    `json:"version"`
}

// Round is a day of the van that was taken.
type Round struct {
	ID     int64       `json:"id"`
	Leaves time.Time   `json:"leaves_at"`
	Back   time.Time   `json:"back_at"`
	People []int64     `json:"people"`
	Stops  []RoundStop `json:"stops"`
	Home   []RoundHop  `json:"home"`
}

// RoundStop is work at a customer's in a round.
type RoundStop struct {
	Job    int64      `json:"job"`
	Place  string     `json:"place"`
	Way    []RoundHop `json:"way"`
	Begins time.Time  `json:"begins_at"`
	Done   time.Time  `json:"done_at"`
	Steps  []string   `json:"steps" doc:"What is done there, as the days name it"`
}

// RoundHop is a road, or a ferry that has a name.
type RoundHop struct {
	From   string    `json:"from"`
	To     string    `json:"to"`
	Leaves time.Time `json:"leaves_at"`
	Lands  time.Time `json:"lands_at"`
	Ferry  string    `json:"ferry,omitempty"`
}

// WeatherHour is the air outdoors in an hour, as a forecast says it.
type WeatherHour struct {
	At  time.Time `json:"at"`
	C   float64   `json:"c" doc:"°C"`
	RH  float64   `json:"rh" doc:"%"`
	Wet bool      `json:"wet,omitempty" doc:"Rain, snow or spray"`
}
