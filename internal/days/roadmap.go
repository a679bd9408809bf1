package days

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/core/round"
	"freshshard/internal/change"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/timetable"
	"freshshard/internal/typed"
)

// dayRoads are the roads with where the van stands, and the sailings of the days to come.
type dayRoads struct {
	round.Roads
	home string
}

// roadsOf reads the road map for the days to come. A ferry whose timetable cannot be read
// is left out; the first of them is the error.
func (w *dayWork) roadsOf(m record.RoadMap) error {
	var first error
	w.roads = dayRoads{home: m.Home, Roads: round.Roads{Legs: m.Legs}}
	for i, f := range m.Ferries {
		all, err := timetable.Sailings(strings.NewReader(f.Text), w.now, w.now.AddDate(0, 0, roundsAhead), w.zone)
		if err != nil {
			w.warn = append(w.warn, DayLeft{0, f.Name, "its timetable cannot be read: " + fault.Of(err).Why})
			if first == nil {
				first = fault.New(fmt.Sprintf("ferries[%d]", i), fault.Of(err).Why, fault.Of(err).Cure)
			}
			continue
		}
		for _, s := range all {
			w.roads.Sailings = append(w.roads.Sailings, round.Sailing{Ferry: f.Name, From: s.From, To: s.To,
				Leaves: w.minute(s.Leaves),
				Lands:  w.minute(s.Lands)})
		}
	}
	return first
}

// roundsAhead is how far ahead a round can be asked for, days.
const roundsAhead = 21

// RoadMap is what the van can go by.
func (s *Calendar) RoadMap(ctx context.Context) (record.RoadMap, error) {
	return s.Store.Rounds.RoadMap(ctx)
}

// SetRoadMap keeps what the van can go by; an owner's to say.
func (s *Calendar) SetRoadMap(ctx context.Context, by record.Account, m record.RoadMap) error {
	if err := people.OwnerOnly(by); err != nil {
		return err
	}
	var err error
	if m.Home, err = typed.Text("home", m.Home, 80, len(m.Legs) > 0); err != nil {
		return err
	}
	for i := range m.Legs {
		m.Legs[i].A, m.Legs[i].B = strings.TrimSpace(m.Legs[i].A), strings.TrimSpace(m.Legs[i].B)
	}
	if err := (round.Roads{Legs: m.Legs}).Check(); err != nil {
		return err
	}
	w := &dayWork{now: s.Now(), zone: s.TimeZone()}
	if err := w.roadsOf(m); err != nil {
		return err
	}
	if m.Home != "" && len(m.Legs) > 0 && !slices.Contains(w.roads.Places(), m.Home) {
		return fault.New("home", "no road goes to "+m.Home, "write it as the roads do")
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.Rounds.SetRoadMap(ctx, m)
		if err == nil && !found {
			err = change.Stale("the road map")
		}
		if err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "roads", Action: "changed",
			Said: fmt.Sprintf("road map: %d roads, %d ferries", len(m.Legs), len(m.Ferries))})
	})
}

// SetSite says where a job at the customer's is, and when somebody is in.
func (s *Calendar) SetSite(ctx context.Context, by record.Account, in record.Site) error {
	var err error
	if in.Place, err = typed.Text("place", in.Place, 80, true); err != nil {
		return err
	}
	for field, text := range map[string]string{"in_from": in.InFrom, "in_to": in.InTo} {
		if _, err := time.Parse("15:04", text); err != nil && text != "" {
			return fault.New(field, fmt.Sprintf("%q is no time of the day", text), "write 09:00")
		}
	}
	if in.InFrom != "" && in.InTo != "" && in.InTo <= in.InFrom {
		return fault.New("in_to", "they are out before they are in", "give the hours in order")
	}
	m, err := s.Store.Rounds.RoadMap(ctx)
	if err != nil {
		return err
	}
	w := &dayWork{now: s.Now(), zone: s.TimeZone()}
	_ = w.roadsOf(m) // a ferry that cannot be read goes nowhere
	if places := w.roads.Places(); !slices.Contains(places, in.Place) {
		return fault.New("place", "no road goes to "+in.Place, "choose one of the road map, or put it there")
	}
	return s.Change(ctx, by, in.Job, func(t *store.Tx) (store.Change, error) {
		found, err := t.Rounds.SetSite(ctx, in)
		if err == nil && !found {
			err = change.Stale("where the job is")
		}
		return store.Change{Noun: "site", Item: in.Place, Action: "changed", Said: "it is at " + in.Place, After: in}, err
	})
}
