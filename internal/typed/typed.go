// Package typed takes in what somebody typed: texts bounded and clean, lengths in any unit, with
// all faults of a form at once.
package typed
