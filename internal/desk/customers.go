package desk

import (
	"context"

	"freshshard/internal/record"
)

// Pulse tells cheaply whether a job has changed since it was read.
func (s *Service) Pulse(ctx context.Context, id int64) (int64, error) {
	return s.Store.Jobs.Pulse(ctx, id)
}

// mostEvents is how much of a job's history a screen gets.
const mostEvents = 200

// History lists what happened to a job, newest first.
func (s *Service) History(ctx context.Context, id int64) ([]record.Event, error) {
	if _, err := s.Store.Jobs.Pulse(ctx, id); err != nil {
		return nil, err
	}
	return s.Store.Trail.History(ctx, id, mostEvents)
}

// Customers lists customers like the words.
func (s *Service) Customers(ctx context.Context, words string) ([]record.Customer, error) {
	return s.Store.Jobs.CustomersLike(ctx, words, 8)
}
