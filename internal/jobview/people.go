package jobview

import (
	"fmt"
	"time"
)

// Ago says how long back a time is, roughly.
func (s *Reader) Ago(at time.Time) string {
	switch d := s.Now().Sub(at); {
	case d < time.Minute:
		return "a moment ago"
	case d < time.Hour:
		return fmt.Sprintf("%d min ago", int(d.Minutes()))
	case d < 24*time.Hour:
		return fmt.Sprintf("%d h ago", int(d.Hours()))
	default:
		return fmt.Sprintf("%d days ago", int(d.Hours()/24))
	}
}
