package jobview

import (
	"encoding/json"
	"errors"

	"freshshard/core/fault"
)

// CanBeSent says whether an answer can be sent.
func CanBeSent(v any) error {
	_, err := json.Marshal(v)
	var no *json.UnsupportedValueError
	if errors.As(err, &no) {
		return fault.New("", "with this the sums give no number", "look for a value that is far too small or far too large")
	}
	return err
}
