package today

import (
	"context"
	"slices"
	"strings"
	"unicode/utf8"

	"freshshard/internal/record"
	"freshshard/internal/stock"
	"freshshard/internal/store"
)

// Found is what a search found, of each kind the nearest.
type Found struct {
	Jobs      []record.Row      `json:"jobs" doc:"Newest first: by whose it is, what was done to it, its papers"`
	Customers []record.Customer `json:"customers"`
	Stores    []stock.Stored    `json:"stores"`
	More      bool              `json:"more" doc:"There are more jobs"`
}

// How much a search shows.
const (
	foundJobs   = 30
	foundOthers = 8
)

// Search looks for words in everything that is kept. Fewer than two letters find nothing.
func (s *Service) Search(ctx context.Context, words string) (Found, error) {
	out := Found{Jobs: []record.Row{}, Customers: []record.Customer{}, Stores: []stock.Stored{}}
	words = strings.TrimSpace(words)
	if utf8.RuneCountInString(words) < 2 {
		return out, nil
	}
	jobs, err := s.Store.Search.JobsLike(ctx, store.Filter{Words: words, Most: foundJobs + 1})
	if err != nil {
		return out, err
	}
	out.Jobs, out.More = jobs[:min(len(jobs), foundJobs)], len(jobs) > foundJobs
	if out.Customers, err = s.Store.Jobs.CustomersLike(ctx, words, foundOthers); err != nil {
		return out, err
	}
	kept, err := s.Store.Stocks.Stock(ctx, true)
	if err != nil {
		return out, err
	}
	all := strings.Fields(strings.ToLower(words))
	for _, v := range kept {
		text := strings.ToLower(strings.Join([]string{stock.Called(v), v.Place, v.Lot, string(v.Kind)}, " "))
		has := func(w string) bool { return strings.Contains(text, w) }
		if len(out.Stores) < foundOthers && !slices.ContainsFunc(all, func(w string) bool { return !has(w) }) {
			out.Stores = append(out.Stores, s.Stock.Stored(v))
		}
	}
	return out, nil
}
