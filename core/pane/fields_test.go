package pane

import (
	"testing"

	"freshshard/tools/golden"
)

// What a shop may set of a material, and between which numbers.
func TestFieldsAreAsLookedAt(t *testing.T) { golden.Check(t, "fields", golden.Each(Fields)) }
