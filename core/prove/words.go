package prove

import (
	"strings"
	"unicode"

	"freshshard/core/fault"
)

// Words refuses a reason that says nothing: a reason stays on the record for
// whoever opens the object next, and a letter tells them nothing. Two words
// with two letters each are the least.
func Words(field, reason string) error {
	n := 0
	for _, w := range strings.Fields(reason) {
		letters := 0
		for _, r := range w {
			if unicode.IsLetter(r) || unicode.IsDigit(r) {
				letters++
			}
		}
		if letters >= 2 {
			n++
		}
	}
	if n < 2 {
		return fault.New(field, "this tells the next technician nothing", "say why in a few words")
	}
	return nil
}
