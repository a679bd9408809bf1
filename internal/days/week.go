package days

import (
	"cmp"
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/change"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Weeks are when people work; who never said works as usual.
func (s *Calendar) Weeks(ctx context.Context) ([]record.Week, error) {
	people, err := s.Store.People.Accounts(ctx)
	if err != nil {
		return nil, err
	}
	said, err := s.Store.Days.Weeks(ctx)
	if err != nil {
		return nil, err
	}
	out := []record.Week{}
	for _, a := range people {
		if !a.Active {
			continue
		}
		w, ok := said[a.ID]
		if !ok {
			w = UsualWeek
			w.Account = a.ID
		}
		out = append(out, w)
	}
	return out, nil
}

// SetWeek keeps when a person works: their own, or anybody's by an owner.
func (s *Calendar) SetWeek(ctx context.Context, by record.Account, in record.Week) error {
	if by.ID != in.Account {
		if err := people.OwnerOnly(by); err != nil {
			return err
		}
	}
	if err := s.mayAsBefore(ctx, by, in); err != nil {
		return err
	}
	if len(in.Days) == 0 && len(in.Off) > 0 {
		in.Off = []string{}
	}
	for i, d := range in.Days {
		if d < 1 || d > 7 {
			return fault.New(fmt.Sprintf("days[%d]", i), "a week has seven days", "1 is Monday, 7 Sunday")
		}
	}
	for i, d := range in.Off {
		if _, err := time.Parse(time.DateOnly, d); err != nil {
			return fault.New(fmt.Sprintf("off[%d]", i), fmt.Sprintf("%q is no day", d), "write 2026-12-24")
		}
	}
	w := dayWork{now: s.Now(), zone: s.TimeZone()}
	probe := in
	probe.Days, probe.Off = []int{1, 2, 3, 4, 5, 6, 7}, nil
	if _, err := w.hours(probe); err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.Days.SetWeek(ctx, in)
		if err == nil && !found {
			err = change.Stale("these hours")
		}
		if err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "week", Item: fmt.Sprint(in.Account),
			Action: "changed",
			Said: "when they work was changed; they may do: " + cmp.Or(strings.Join(in.May, ", "),
				"nothing of gas, pressure or height"), After: in})
	})
}

// mayAsBefore refuses somebody who is no owner and says what they may do.
func (s *Calendar) mayAsBefore(ctx context.Context, by record.Account, in record.Week) error {
	if by.Role == record.Owner {
		return nil
	}
	weeks, err := s.Store.Days.Weeks(ctx)
	if err != nil {
		return err
	}
	had := slices.Sorted(slices.Values(weeks[in.Account].May))
	if slices.Equal(had, slices.Sorted(slices.Values(in.May))) {
		return nil
	}
	return &record.Denied{Why: "What somebody may do of gas, pressure and height is an owner's to say."}
}

// usualPlaces are those of a small shop, while it has not said how many there are.
var usualPlaces = []record.DayPlace{{Name: "bench", Count: 2}, {Name: "van", Count: 1}, {Name: "table", Count: 1}}

// DayPlaces are how many places there are to work at.
func (s *Calendar) DayPlaces(ctx context.Context) ([]record.DayPlace, error) {
	said, err := s.Store.Days.DayPlaces(ctx)
	return withPlaces(said), err
}

// withPlaces are the usual places, as many of each as were said.
func withPlaces(said []record.DayPlace) []record.DayPlace {
	out := slices.Clone(usualPlaces)
	for i := range out {
		for _, v := range said {
			if v.Name == out[i].Name {
				out[i].Count = v.Count
			}
		}
	}
	return out
}

// NewDayPlace is how many of a place there are, with how many the screen showed.
type NewDayPlace struct {
	record.DayPlace
	Seen int `json:"seen" minimum:"1" maximum:"20"`
}

// SetDayPlace says how many of a place there are; an owner's to say.
func (s *Calendar) SetDayPlace(ctx context.Context, by record.Account, in NewDayPlace) error {
	if err := people.OwnerOnly(by); err != nil {
		return err
	}
	if !slices.ContainsFunc(usualPlaces, func(p record.DayPlace) bool { return p.Name == in.Name }) {
		return fault.New("name", fmt.Sprintf("%q is no place", in.Name), "choose bench, van or table")
	}
	if in.Count < 1 || in.Count > 20 {
		return fault.New("count", "from 1 to 20 are expected", "count them again")
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if err := t.Shops.LockShop(ctx); err != nil {
			return err
		}
		said, err := t.Days.DayPlaces(ctx)
		if err != nil {
			return err
		}
		for _, p := range withPlaces(said) {
			if p.Name == in.Name && p.Count == in.Count {
				return nil // a retry
			}
			if p.Name == in.Name && p.Count != in.Seen {
				return &record.Conflict{Field: "count",
					Says: fmt.Sprintf("Somebody else said %d a moment ago. Look again.", p.Count)}
			}
		}
		if err := t.Days.SetDayPlace(ctx, in.DayPlace); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "place", Item: in.Name, Action: "changed",
			Said: fmt.Sprintf("%s: %d", in.Name, in.Count), After: in})
	})
}
