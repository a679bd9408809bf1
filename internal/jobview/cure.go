package jobview

import (
	"time"

	"freshshard/core/cure"
	"freshshard/internal/record"
)

func AdhesiveName(id string) string {
	if a, err := cure.Book.ByID(id); err == nil {
		return a.Name
	}
	return id
}

// opens is when the step may be ticked that waits for it.
func opens(c record.Cure) *time.Time {
	if a, err := cure.Book.ByID(c.Adhesive); err == nil && a.Opens() == cure.LetGo {
		return c.LetGo
	}
	return c.Ready
}
