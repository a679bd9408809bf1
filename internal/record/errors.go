package record

import "fmt"

// NotFound is a record that is not there.
type NotFound struct{ What string }

func (e *NotFound) Error() string { return e.What + " is not here; it may have a wrong number" }

// Conflict is a write that came from an old copy. Says tells what stands there
// now and by whom, so that a screen can show both.
type Conflict struct {
	Field string
	Says  string
}

func (e *Conflict) Error() string { return e.Says }

// Denied is a call that the account may not make.
type Denied struct{ Why string }

func (e *Denied) Error() string { return e.Why }

// Slow is a sign-in that must wait.
type Slow struct{ Seconds int }

func (e *Slow) Error() string {
	return fmt.Sprintf("too many wrong passwords; try again in %d seconds", e.Seconds)
}

// Broken is an answer that the program made and its own check refused: a fault of the
// program, not of what was typed.
type Broken struct{ What, Why string }

func (e *Broken) Error() string { return e.What + ": " + e.Why }

// Reused is an idempotency key that came with another request.
type Reused struct{}

func (e *Reused) Error() string {
	return "this idempotency key was used for another request; send a new key"
}
