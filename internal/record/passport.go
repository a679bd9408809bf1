package record

import "time"

// LinkKind is what an address opens without signing in.
type LinkKind string

// The kinds.
const (
	PassportLink LinkKind = "passport"
	CalendarLink LinkKind = "calendar"
	DaysLink     LinkKind = "days" // of the account that made it
	QuoteLink    LinkKind = "quote"
)

// Link is an address that opens one thing without signing in.
type Link struct {
	ID        int64      `json:"id"`
	Kind      LinkKind   `json:"kind" enum:"passport,calendar,days,quote"`
	Token     string     `json:"token"`
	Job       int64      `json:"job,omitempty"`
	MadeBy    string     `json:"made_by"`
	Account   int64      `json:"-"`
	MadeAt    time.Time  `json:"made_at"`
	Withdrawn *time.Time `json:"withdrawn_at,omitempty"`
}

// Reminder is when something is to be looked at again.
type Reminder struct {
	ID       int64     `json:"id"`
	Job      int64     `json:"job"`
	Object   string    `json:"object"`
	Customer string    `json:"customer"`
	Phone    string    `json:"phone"`
	Rule     string    `json:"rule" doc:"What it follows from; own where somebody wrote it"`
	What     string    `json:"what"`
	Why      string    `json:"why"`
	Due      time.Time `json:"due_at"`
	State    string    `json:"state" enum:"open,done,dropped"`
	Note     string    `json:"note"`
	Version  int       `json:"version"`
}

// Fitted is what went out in one pane, and whether it came back.
type Fitted struct {
	Pane      int64      `json:"pane"`
	Job       int64      `json:"job"`
	Object    int64      `json:"-"` // the first row of the object
	Family    string     `json:"family"`
	Exposure  string     `json:"exposure"`
	Material  string     `json:"material"`
	Thickness float64    `json:"thickness"`
	Seal      string     `json:"seal"`
	Adhesive  string     `json:"adhesive"`
	Cause     string     `json:"cause"`
	Source    string     `json:"source"`
	Size      string     `json:"size"`
	Out       time.Time  `json:"out_at"`
	Back      *time.Time `json:"back_at,omitempty"`
	BackJob   int64      `json:"back_job,omitempty"`
}
