package measure

import (
	"context"
	"fmt"
	"slices"

	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/reading"
	"freshshard/internal/bench"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Said is a reading as it was typed. Version is that of the reading which the
// person saw at the place, 0 for none.
type Said struct {
	Text       string            `json:"text" maxLength:"60"`
	Instrument length.Instrument `json:"instrument" enum:"tape,rule,caliper,laser,feeler gauge,traced line"`
	Version    int               `json:"version"`
	Sure       bool              `json:"sure,omitempty" doc:"It is so, though another reading speaks against it"`
}

// Understand reads a length as it would be taken at a place, without keeping
// it. place may be empty.
func Understand(text string, unit length.Unit, with length.Instrument, place reading.Place) (length.Reading, error) {
	field := "text"
	if place != "" {
		field = string(place)
	}
	r, err := typed.Length(field, text, unit, with)
	if err != nil {
		return r, err
	}
	if place != "" {
		if err := place.Check(r); err != nil {
			return r, err
		}
	}
	return r, nil
}

// Read keeps a reading at a place. The earlier one stays in the record. When
// somebody else has read the place since, it is a Conflict that says what they
// read; a retry of the same reading is taken for done.
func (s *Service) Read(ctx context.Context, by record.Account, at jobview.Bench, place reading.Place, in Said) error {
	unit, err := s.Store.Shops.UnitFor(ctx, at.Job, by.ID)
	if err != nil {
		return err
	}
	r, err := Understand(in.Text, unit, in.Instrument, place)
	if err != nil {
		return err
	}
	return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		info, live, err := s.mayRead(e, p, place, r, in, unit)
		if err != nil {
			return store.Change{}, err
		}
		if live != nil && live.ByID == by.ID && live.Reading.Text == r.Text && live.Instrument == in.Instrument {
			return store.Change{}, nil
		}
		if err := s.seen(live, in.Version, info); err != nil {
			return store.Change{}, err
		}
		if err := doubted(p, info, r, unit); err != nil && !in.Sure {
			return store.Change{}, err
		}
		v := record.Reading{Place: place, Reading: r, Instrument: in.Instrument, At: e.Now}
		if v.Version, err = s.nextVersion(ctx, p, place, live); err != nil {
			return store.Change{}, err
		}
		measured := jobview.TickOf(p, bench.MeasureStep) != nil
		e.Read(p, v)
		c := store.Change{Noun: "reading", Item: string(place), Action: "read", Before: live, After: v,
			Said: fmt.Sprintf("%s: %s", info.Name, r.Text)}
		if measured {
			return c, nil
		}
		f := s.Bench.Follower(e, p)
		f.AfterReading()
		return f.With(c), nil
	})
}

// mayRead refuses a reading that the pane has no place for, that is no length in the unit of its
// instrument, or that cannot be true beside the others. It finds the one that counts now.
func (s *Service) mayRead(e *change.Edit, p *record.Pane, place reading.Place, r length.Reading, in Said,
	unit length.Unit) (reading.PlaceInfo, *record.Reading, error) {
	info, err := PlaceOf(p.Held, place)
	if err != nil {
		return info, nil, err
	}
	if err := OwnUnit(p, r, in.Instrument, unit); err != nil {
		return info, nil, err
	}
	return info, liveOf(p, place), bench.Possible(e.Job, p, place, r)
}

// liveOf is the reading that counts at a place, nil for none.
func liveOf(p *record.Pane, place reading.Place) *record.Reading {
	i := slices.IndexFunc(p.Readings, func(r record.Reading) bool { return r.Place == place })
	if i < 0 {
		return nil
	}
	return &p.Readings[i]
}

// nextVersion is the version of a new reading: also after one that was taken back.
func (s *Service) nextVersion(ctx context.Context, p *record.Pane, place reading.Place, live *record.Reading) (int,
	error) {
	if live != nil {
		return live.Version + 1, nil
	}
	last, err := s.Store.Panes.LastReadingVersion(ctx, p.ID, place)
	return last + 1, err
}

// doubted asks about a side that another one speaks against, before it is kept; who enters it
// once more is sure.
func doubted(p *record.Pane, info reading.PlaceInfo, r length.Reading, unit length.Unit) error {
	asked := reading.Asked{Readings: map[reading.Place]length.Reading{}}
	for _, v := range p.Readings {
		asked.Readings[v.Place] = v.Reading
	}
	against, ok := asked.Doubt(info.Place, r.Value)
	if !ok {
		return nil
	}
	other := length.Show(asked.Readings[against].Value, unit)
	name := string(against)
	if i, err := PlaceOf(p.Held, against); err == nil {
		name = i.Name
	}
	is := length.Show(r.Value, unit)
	return fault.New(string(info.Place), fmt.Sprintf("%s %s here, %s %s at %s: is it so?", is.Main, is.Unit, other.Main,
		other.Unit, name), "read it again, or press Enter once more to keep it")
}

// PlaceOf finds a place that the family's walk has.
func PlaceOf(held record.Held, place reading.Place) (reading.PlaceInfo, error) {
	info, err := place.Info()
	if err != nil {
		return info, err
	}
	f, err := family.Book.ByID(held.Family)
	if err != nil {
		return info, err
	}
	p := reading.Asked{Sizing: f.Sizing, Shape: held.Shape, Carried: f.Carried != ""}
	for _, w := range p.Walk() {
		if w.Place == place {
			return w, nil
		}
	}
	return info, fault.New("place", "a "+f.Name+" has no "+info.Name, "choose one that the drawing shows")
}

// seen holds the live reading against the version that the person saw.
func (s *Service) seen(live *record.Reading, version int, info reading.PlaceInfo) error {
	switch {
	case live == nil && version == 0, live != nil && live.Version == version:
		return nil
	case live == nil:
		return &record.Conflict{Field: string(info.Place),
			Says: fmt.Sprintf("The reading of the %s was taken back by somebody else. Yours is not kept yet.", info.Name)}
	default:
		return &record.Conflict{Field: string(info.Place),
			Says: fmt.Sprintf("%s read %s for the %s %s. Yours is not kept yet: look which is right.", live.By,
				live.Reading.Text, info.Name, s.Ago(live.At))}
	}
}

// TakeBack takes the reading of a place out of the count; it stays in the
// record. A place without a reading is as wanted.
func (s *Service) TakeBack(ctx context.Context, by record.Account, at jobview.Bench, place reading.Place,
	version int) error {
	info, err := place.Info()
	if err != nil {
		return err
	}
	return s.Pane(ctx, by, at, func(e *change.Edit, p *record.Pane) (store.Change, error) {
		live := liveOf(p, place)
		if live == nil {
			return store.Change{}, nil
		}
		if err := s.seen(live, version, info); err != nil {
			return store.Change{}, err
		}
		c := store.Change{Noun: "reading", Item: string(place), Action: "taken back",
			Said: fmt.Sprintf("%s: %s taken back", info.Name, live.Reading.Text), Before: live}
		measured := jobview.TickOf(p, bench.MeasureStep) != nil
		if e.TakeBack(p, place); !measured {
			return c, nil
		}
		f := s.Bench.Follower(e, p)
		f.AfterTakenBack()
		return f.With(c), nil
	})
}
