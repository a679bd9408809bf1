package standing

import (
	"freshshard/internal/jobview"
)

// ToCutEver is toCut for a pane whose order is ticked already.
func ToCutEver(b jobview.Pane) *ToCut {
	b.Done = map[string]bool{}
	return toCut(b, "mm")
}
