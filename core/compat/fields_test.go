package compat

import (
	"testing"

	"freshshard/tools/golden"
)

// What a shop may set here, and between which numbers.
func TestFieldsAreAsLookedAt(t *testing.T) { golden.Check(t, "fields", golden.Each(Fields)) }
