package typed

import (
	"freshshard/core/fault"
)

// At is a fault that points at a character of what was typed.
type At struct {
	Field    string
	Position int
	Err      *fault.Error
}

func (e *At) Error() string { return e.Err.Error() }

func (e *At) Unwrap() error { return e.Err }
