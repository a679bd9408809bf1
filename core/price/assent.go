package price

import (
	"time"

	"freshshard/core/fault"
)

// Assent is how a quote stands with its customer.
type Assent string

// The ways to stand.
const (
	Unasked  Assent = "unasked"  // there is no page for the customer, and nobody said yes
	Waiting  Assent = "waiting"  // the page is there
	Yes      Assent = "yes"      // the customer said yes
	Call     Assent = "call"     // the customer wants to be called
	Over     Assent = "over"     // it holds no longer
	Replaced Assent = "replaced" // an invoice stands in its place, or the job is closed
)

// Reply is what a customer said to a quote.
type Reply struct {
	Yes  bool
	Name string
	At   time.Time
}

// Quoted is what tells how a quote stands.
type Quoted struct {
	Asked    bool // there is a page for the customer
	Replaced bool // an invoice stands in its place, or the job is closed
	Until    time.Time
	Replies  []Reply // in the order in which they were given, those that were taken back left out
}

// Stands tells how a quote stands at a moment, in the zone of the shop, with its words. A yes holds
// after the day until which the quote did.
func (q Quoted) Stands(now time.Time) (Assent, string) {
	day := func(t time.Time) string { return t.In(now.Location()).Format("2 January 2006") }
	var last Reply
	if n := len(q.Replies); n > 0 {
		last = q.Replies[n-1]
	}
	switch {
	case last.Yes:
		return Yes, last.Name + " said yes on " + day(last.At) + "."
	case q.Replaced:
		return Replaced, "This quote no longer stands."
	case now.After(q.Until):
		return Over, "It held until " + day(q.Until) + "."
	case last.Name != "":
		return Call, last.Name + " asks for a call since " + day(last.At) + "."
	case q.Asked:
		return Waiting, "It waits for the customer's yes, until " + day(q.Until) + "."
	}
	return Unasked, "Nobody was asked for a yes."
}

// mostReplies is more than anybody says to one quote.
const mostReplies = 20

// Hear refuses what cannot be said to a quote any more, or by nobody; errors name the field.
func (q Quoted) Hear(r Reply, now time.Time) error {
	stands, says := q.Stands(now)
	if q.Replaced {
		says = "this quote no longer stands"
	}
	switch {
	case q.Replaced || stands == Over:
		return fault.New("yes", says, "ask the shop for a new one")
	case r.Name == "":
		return fault.New("name", "this is empty", "say who says so")
	case len(q.Replies) >= mostReplies:
		return fault.New("yes", "that was said often enough", "call the shop")
	}
	return nil
}
