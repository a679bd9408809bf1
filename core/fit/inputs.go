package fit

import (
	"fmt"

	"freshshard/core/value"
	"freshshard/core/working"
)

// read is an input that was read, with the instrument's doubt in its name.
func read(symbol, name string, mm, doubt float64) working.Input {
	return working.In(symbol, fmt.Sprintf("%s, ±%s", name, working.Num(doubt, 2)), mm, "mm", value.Read(""))
}
