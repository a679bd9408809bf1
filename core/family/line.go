package family

import "strings"

// line begins the key of a step that puts back one line of the strip log and nothing else.
const line = "line:"

// LineKey is the key of the step that puts a line of the strip log back.
func LineKey(id string) string { return line + id }

// LineOf is the line of the strip log that a step puts back and nothing else; empty for any other
// step.
func LineOf(step string) string {
	id, ok := strings.CutPrefix(step, line)
	if !ok {
		return ""
	}
	return id
}
