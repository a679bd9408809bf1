// Package record holds the plain types of what the shop keeps. The store reads
// and writes them; the rules for changing them are in package shop.
package record

import (
	"time"

	"freshshard/core/bond"
	"freshshard/core/catalogue"
	"freshshard/core/diagnose"
	"freshshard/core/drawing"
	"freshshard/core/exposure"
	"freshshard/core/fit"
	"freshshard/core/guest"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/core/setting"
	"freshshard/core/striplog"
	"freshshard/core/witness"
)

// Role is what an account may do.
type Role string

// An owner may add people, change the shop and sign off over open checks.
const (
	Owner      Role = "owner"
	Technician Role = "technician"
)

// Shop is the workshop itself.
type Shop struct {
	Name    string      `json:"name"`
	Town    string      `json:"town"`
	Unit    length.Unit `json:"unit" enum:"mm,in" doc:"What a bare number means"`
	Address string      `json:"address,omitempty" maxLength:"200" doc:"Where it is reached from outside"`
	Version int         `json:"version"`
}

// Account is a person who signs in.
type Account struct {
	ID      int64  `json:"id"`
	Name    string `json:"name"`
	Login   string `json:"login"`
	Role    Role   `json:"role" enum:"owner,technician"`
	Active  bool   `json:"active"`
	Version int    `json:"version"`
}

// Customer is who owns the object.
type Customer struct {
	ID      int64  `json:"id"`
	Name    string `json:"name"`
	Phone   string `json:"phone"`
	Note    string `json:"note"`
	Version int    `json:"version"`
}

// Object is the thing with the broken pane and what it sees.
type Object struct {
	ID       int64             `json:"id"`
	Name     string            `json:"name"`
	Exposure exposure.Exposure `json:"exposure"`
	Power    bool              `json:"power"`
	Vehicle  bool              `json:"vehicle" doc:"Part of something that drives or is towed"`
	Moves    pane.Moves        `json:"moves,omitempty" enum:",road,trailer,machine" doc:"Nothing said is a road vehicle"`
	Water    bool              `json:"water" doc:"Part of a boat"`
	Gas      bool              `json:"gas"`
	Old      bool              `json:"old"`
	Strike   bool              `json:"strike"`
	Leaf     bool              `json:"leaf,omitempty" doc:"Its door or leaf comes off its hinges"`
	Stamp    string            `json:"stamp" doc:"What the old pane's corner says"`
	Version  int               `json:"version"`
}

// Withdrawal is who closed a job that came to nothing, and why.
type Withdrawal struct {
	By  string    `json:"by"`
	At  time.Time `json:"at"`
	Why string    `json:"why"`
}

// Held is how a pane is held and what form its opening has.
type Held struct {
	Name   string          `json:"name" maxLength:"80" doc:"Which pane of the object it is; empty when there is one"`
	Family string          `json:"family"`
	Road   road.Chosen     `json:"road" doc:"What is to be done with it"`
	Frame  string          `json:"frame"`
	Cutter fit.Cutter      `json:"cutter" enum:",hand,shop,toughened,saw"`
	Gasket fit.Gasket      `json:"gasket"`
	Sides  setting.Sides   `json:"sides"`
	Shape  reading.Shape   `json:"shape"`
	Raked  bool            `json:"raked"`
	Like   string          `json:"like" doc:"Material of the old pane, as far as known"`
	Duty   pane.Duty       `json:"duty" doc:"What it has to carry and to be used for"`
	Stack  pane.Stack      `json:"stack" doc:"The pack that it stands in; empty when it stands alone"`
	Turns  setting.Counted `json:"turns,omitempty" maxItems:"160" doc:"Eighths of a turn of each screw, after its touch"`
	Peel   bond.Peel       `json:"peel" doc:"What the faces of a bond that let go showed; no spot: nobody looked"`
	Stock  string          `json:"stock,omitempty" maxLength:"9" doc:"A stock size that is taken, as the list names it"`
	Uses   []string        `json:"uses" maxItems:"40" unique:"true" doc:"Cleaners, lubricants, adhesives that touch it"`
}

// Pane is one pane of a job's object, with its own state: what was read of it,
// seen, settled and done.
type Pane struct {
	ID     int64 `json:"id"`
	Number int   `json:"number" doc:"As it stands on the drawing of the object"`
	Held
	Spot       drawing.Spot   `json:"spot" doc:"Where it is on the object"`
	Heard      []witness.Said `json:"heard,omitempty" maxItems:"20" doc:"What else speaks for its size: pieces, a word"`
	Counted    int            `json:"counted,omitempty" minimum:"0" maximum:"480" doc:"Screws counted off, all passes"`
	WaitsFor   string         `json:"waits_for"`
	WaitsUntil *time.Time     `json:"waits_until,omitempty"`
	Cures      []Cure         `json:"cures,omitempty" maxItems:"20" doc:"What was laid and has to harden"`
	Timers     []Timer        `json:"timers,omitempty" maxItems:"40" doc:"Clocks that are no chemistry"`
	Version    int            `json:"version"`
	Readings   []Reading      `json:"readings"`
	Diagnosis  *Diagnosis     `json:"diagnosis,omitempty"`
	Choice     *Choice        `json:"choice,omitempty"`
	Ticks      []Tick         `json:"ticks"`
	Answers    []Answer       `json:"answers"`
	Trials     []Trial        `json:"trials,omitempty" maxItems:"200" doc:"Checks tried again after failing, in order"`
	Taken      []Taken        `json:"taken,omitempty" maxItems:"100" doc:"Stops that an owner took on"`
}

// Reading is one dimension as a person read it.
type Reading struct {
	Place      reading.Place     `json:"place"`
	Reading    length.Reading    `json:"reading"`
	Instrument length.Instrument `json:"instrument"`
	By         string            `json:"by"`
	ByID       int64             `json:"by_id"`
	Author     string            `json:"-"` // who read it, where somebody else brought it in
	At         time.Time         `json:"at"`
	Version    int               `json:"version"`
}

// Choice is a settled material. ID tells two settlings of the same one apart.
type Choice struct {
	ID        int64     `json:"id"`
	Material  string    `json:"material"`
	Thickness float64   `json:"thickness"`
	Reason    string    `json:"reason"`
	By        string    `json:"by"`
	Author    string    `json:"-"`
	At        time.Time `json:"at"`
}

// Tick is a step that is done or left out.
type Tick struct {
	Step    string    `json:"step"`
	Outcome string    `json:"outcome" enum:"done,left-out"`
	Reason  string    `json:"reason"`
	Version int       `json:"version"`
	By      string    `json:"by"`
	Author  string    `json:"-"`
	At      time.Time `json:"at"`
}

// Answer is a check that was answered.
type Answer struct {
	Check   string       `json:"check"`
	Answer  prove.Answer `json:"answer"`
	Version int          `json:"version"`
	By      string       `json:"by"`
	Author  string       `json:"-"`
	At      time.Time    `json:"at"`
}

// Trial is a check that failed before it was tried again.
type Trial struct {
	Check   string    `json:"check" maxLength:"40"`
	Value   *float64  `json:"value,omitempty"`
	Got     string    `json:"got,omitempty" maxLength:"40" doc:"The number in the unit of whoever looks; not kept"`
	Finding string    `json:"finding" maxLength:"500"`
	Changed string    `json:"changed,omitempty" maxLength:"200" doc:"What was changed before it was tried again"`
	By      string    `json:"by" maxLength:"80"`
	Author  string    `json:"-"`
	At      time.Time `json:"at"`
}

// Hand is somebody who is at a job, with when they last did something there.
type Hand struct {
	ID   int64     `json:"id"`
	Name string    `json:"name"`
	At   time.Time `json:"at"`
}

// Taken is a stop that an owner took on.
type Taken = prove.Taken

// Ticket is the sign-off.
type Ticket struct {
	Number   int64     `json:"number"`
	By       string    `json:"by"`
	At       time.Time `json:"at"`
	Override string    `json:"override" doc:"Why an owner signed over what was open"`
	Changed  bool      `json:"changed" doc:"Its document is not the one that was signed"`
	Document string    `json:"-"`
	Seal     []byte    `json:"-"` // keyed digest of the rest
}

// Carriage tells that a job was brought in from a document.
type Carriage struct {
	By   string    `json:"by"`
	At   time.Time `json:"at"`
	Says string    `json:"says" doc:"What the document said of itself, such as a signature there"`
}

// Session is one signed-in browser of a person.
type Session struct {
	ID      int64     `json:"id"`
	Device  string    `json:"device" doc:"What the browser called itself"`
	Address string    `json:"address"`
	Since   time.Time `json:"since"`
	Seen    time.Time `json:"seen"`
	Here    bool      `json:"here" doc:"The one that asks"`
}

// Diagnosis is what was seen of the break and of the old pane, and the cause
// that somebody settled on; Cause is empty while it is open. Behind is what
// stood behind it, nearest first.
type Diagnosis struct {
	Evidence diagnose.Evidence `json:"evidence"`
	OldPane  diagnose.Evidence `json:"old_pane"`
	Cause    string            `json:"cause"`
	Behind   []string          `json:"behind,omitempty"`
	By       string            `json:"by"`
	Author   string            `json:"-"`
	At       time.Time         `json:"at"`
	Version  int               `json:"version"`
}

// Guest is one thing that was put in only for now. Out is nil while it is in.
type Guest struct {
	ID int64 `json:"id"`
	guest.Guest
	By    string     `json:"by"`
	At    time.Time  `json:"at"`
	OutBy string     `json:"out_by,omitempty"`
	Out   *time.Time `json:"out,omitempty"`
}

// StripEntry is one thing that came off, with who noted it.
type StripEntry struct {
	Entry    striplog.Entry `json:"entry"`
	Position int            `json:"position" doc:"In the order of removal"`
	By       string         `json:"by"`
	Author   string         `json:"-"`
	At       time.Time      `json:"at"`
	Version  int            `json:"version"`
}

// Photo is a picture of a job; its points are fetched by themselves.
type Photo struct {
	ID     int64     `json:"id"`
	Entry  string    `json:"entry" doc:"Entry of the strip log that it shows; empty for none"`
	Width  int       `json:"width"`
	Height int       `json:"height"`
	By     string    `json:"by"`
	At     time.Time `json:"at"`
}

// Job is a broken pane from the doorstep to the signed ticket.
type Job struct {
	ID         int64            `json:"id"`
	Story      string           `json:"story" doc:"What happened"`
	Place      string           `json:"place" enum:"bench,site"`
	PromisedAt *time.Time       `json:"promised_at,omitempty"`
	Signed     bool             `json:"signed"`
	Version    int              `json:"version" doc:"Of story, place and promise"`
	Pulse      int64            `json:"pulse" doc:"Counts every change to the job"`
	CreatedBy  string           `json:"created_by"`
	CreatedAt  time.Time        `json:"created_at"`
	Customer   Customer         `json:"customer"`
	Object     Object           `json:"object"`
	Panes      []Pane           `json:"panes,omitempty" doc:"In the order of their numbers"`
	Strip      []StripEntry     `json:"strip" doc:"What came off, in the order of removal"`
	Guests     []Guest          `json:"guests" maxItems:"60" doc:"Put in only for now, those that are out among them"`
	Photos     []Photo          `json:"photos"`
	Ticket     *Ticket          `json:"ticket,omitempty"`
	Withdrawn  *Withdrawal      `json:"withdrawn,omitempty" doc:"It came to nothing; nothing is done at it any more"`
	Carried    *Carriage        `json:"carried,omitempty" doc:"It was brought in from a document"`
	Own        catalogue.Values `json:"-"` // the shop's own values as they stand
	Marks      length.Unit      `json:"-"` // the shop's unit: the size is ordered to its marks, whoever looks
}

// Pane finds a pane of the job, its first one for 0; nil when it has none such.
func (j *Job) Pane(id int64) *Pane {
	for i := range j.Panes {
		if id == 0 || j.Panes[i].ID == id {
			return &j.Panes[i]
		}
	}
	return nil
}

// Event is one entry of the audit trail.
type Event struct {
	At     time.Time `json:"at"`
	By     string    `json:"by"`
	Noun   string    `json:"noun"`
	Item   string    `json:"item"`
	Action string    `json:"action"`
	Said   string    `json:"said"`
}

// Row is a job in a list.
type Row struct {
	ID         int64      `json:"id"`
	Object     string     `json:"object"`
	Customer   string     `json:"customer"`
	Story      string     `json:"story"`
	PromisedAt *time.Time `json:"promised_at,omitempty"`
	WaitsFor   string     `json:"waits_for"`
	WaitsUntil *time.Time `json:"waits_until,omitempty"`
	Signed     bool       `json:"signed"`
	Withdrawn  bool       `json:"withdrawn"`
	Pulse      int64      `json:"-"`
}
