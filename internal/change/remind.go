package change

import (
	"time"
)

// TimeZone is the shop's own; UTC where nobody said.
func (s *Keeper) TimeZone() *time.Location {
	if s.Zone != nil {
		return s.Zone
	}
	return time.UTC
}
