// Package records has what stays of a job: the signature, the passport, reminders, what was
// learnt, and the backups.
package records

import (
	"freshshard/internal/change"
	"freshshard/internal/desk"
	"freshshard/internal/people"
)

// Service has the use cases of this room.
type Service struct {
	*change.Keeper
	Desk   *desk.Service
	People *people.Service
	Book   *Book
}

// New makes it over the records.
func New(k *change.Keeper, d *desk.Service, p *people.Service) *Service {
	return &Service{Keeper: k, Desk: d, People: p, Book: &Book{k}}
}

// Book keeps the values of the trade that the shop has of its own, over those of the program.
type Book struct{ *change.Keeper }
