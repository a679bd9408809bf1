// Package fault is the one error that the core gives for a value it cannot
// take: the field, what is wrong with it, and what would be right.
package fault

import (
	"errors"
	"fmt"
)

// Error names a field and its cure. Field is the name that the caller used for
// the value, so that a screen can show the message there.
type Error struct {
	Field string `json:"field"`
	Why   string `json:"why"`
	Cure  string `json:"cure"`
}

func (e *Error) Error() string { return fmt.Sprintf("%s: %s; %s", e.Field, e.Why, e.Cure) }

// New makes an error.
func New(field, why, cure string) *Error { return &Error{Field: field, Why: why, Cure: cure} }

// All lists every fault in an error, those of joined errors one after the other.
func All(err error) []*Error {
	var out []*Error
	var walk func(error)
	walk = func(err error) {
		switch e := err.(type) {
		case nil:
		case *Error:
			out = append(out, e)
		case interface{ Unwrap() []error }:
			for _, k := range e.Unwrap() {
				walk(k)
			}
		default:
			walk(errors.Unwrap(err))
		}
	}
	walk(err)
	return out
}

// Of finds the first fault in an error, or nil.
func Of(err error) *Error {
	var e *Error
	if errors.As(err, &e) {
		return e
	}
	return nil
}
