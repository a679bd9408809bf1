package days

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"slices"
	"time"

	"freshshard/core/fault"
	"freshshard/core/schedule"
	"freshshard/internal/record"
	"freshshard/internal/standing"
	"freshshard/internal/store"
)

// UsualWeek is when people work while nobody said otherwise. What only those do who may is
// an owner's to say: nobody may by default.
var UsualWeek = record.Week{Days: []int{1, 2, 3, 4, 5}, From: "08:00", To: "17:00", NoonFrom: "12:00", NoonTo: "12:30",
	Off: []string{}, May: []string{}}

// Days is who does what when, of everything that is open.
type Days struct {
	From    time.Time  `json:"from"`
	Hours   []Hour     `json:"hours" doc:"When anybody works, in order"`
	People  []DayLane  `json:"people"`
	Jobs    []DayReady `json:"jobs" doc:"The soonest promised first"`
	Left    []DayLeft  `json:"left" doc:"What has no time, or cannot be planned, with why"`
	Moved   int        `json:"moved" doc:"Steps that are elsewhere than in the plan that was last taken"`
	Late    float64    `json:"late" doc:"Hours late in all"`
	ByHand  float64    `json:"by_hand" doc:"Hours late when the soonest promised is done first"`
	Proved  bool       `json:"proved" doc:"No plan is better"`
	Tidy    Tidied     `json:"tidy"`
	Gap     float64    `json:"gap" doc:"How much better a plan could be at most, share"`
	Weather []DryHour  `json:"weather" doc:"Outdoors, three hours each"`
	Loose   []DayLeft  `json:"loose" doc:"Steps that were pinned and cannot be there any more, with why"`
	Version int        `json:"version" doc:"Whoever changes the days says which ones they saw"`
}

// Tidied is what people notice of the days beside what is promised.
type Tidied struct {
	schedule.Tidy
	Idle float64 `json:"idle" doc:"Hours in which people have nothing to do in the next two days"`
}

// Hour is a stretch of working time.
type Hour struct {
	From time.Time `json:"from"`
	To   time.Time `json:"to"`
}

// DryHour is the weather outdoors.
type DryHour struct {
	From time.Time `json:"from"`
	C    float64   `json:"c"`
	RH   float64   `json:"rh"`
	Fit  bool      `json:"fit" doc:"Fit for bonding and puttying outdoors"`
}

// DayLane is one person's days.
type DayLane struct {
	ID    int64     `json:"id"`
	Name  string    `json:"name"`
	Hours []Hour    `json:"hours"`
	Steps []DayStep `json:"steps"`
}

// DayStep is a step in somebody's day.
type DayStep struct {
	Key     string    `json:"key"`
	Job     int64     `json:"job"`
	Pane    int64     `json:"pane"`
	Object  string    `json:"object"`
	Title   string    `json:"title"`
	Station string    `json:"station"`
	Place   string    `json:"place,omitempty" doc:"bench, van or table"`
	From    time.Time `json:"from"`
	To      time.Time `json:"to"`
	With    []string  `json:"with" doc:"Who else is at it"`
	Why     string    `json:"why" doc:"Why not sooner"`
	Takes   string    `json:"takes,omitempty" doc:"How long it takes, and how that is known"`
	Pinned  bool      `json:"pinned,omitempty" doc:"Somebody put it there"`
	Round   int64     `json:"round,omitempty" doc:"The round of the van that it belongs to"`
	Moved   bool      `json:"moved,omitempty" doc:"It is elsewhere than in the plan that was last taken"`
}

// DayReady is when a job is ready.
type DayReady struct {
	Job      int64      `json:"job"`
	Object   string     `json:"object"`
	Promised *time.Time `json:"promised_at,omitempty"`
	Ready    *time.Time `json:"ready_at,omitempty"`
	Late     int        `json:"late,omitempty" doc:"min"`
	Why      string     `json:"why"`
	Kept     float64    `json:"kept" doc:"Chance that the promise is kept"`
	Safe     bool       `json:"safe" doc:"It is kept nine times in ten, as far as it was played out, or there is none"`
	Nine     *time.Time `json:"nine,omitempty" doc:"Ready by then nine times in ten"`
	Sure     *time.Time `json:"sure,omitempty" doc:"Ready by then ninety-nine times in a hundred"`
	Glass    bool       `json:"waits_for_glass,omitempty" doc:"Somebody said when its glass comes"`
}

// DayLeft is what has no time.
type DayLeft struct {
	Job    int64  `json:"job"`
	Object string `json:"object"`
	Why    string `json:"why"`
}

// Days lays out what is open, calmly beside the plan that was last taken: nothing is moved
// that need not be, however much better another plan were. The first that anybody sees is
// taken: what is said by it holds.
func (s *Service) Days(ctx context.Context, by record.Account) (Days, error) {
	l, err := s.laid(ctx, WhatIf{})
	if err != nil {
		return Days{}, err
	}
	if l.version > 0 || len(l.w.p.Jobs) == 0 {
		return l.days(), nil
	}
	kept, err := s.keepFirst(ctx, l, by)
	if err != nil {
		return Days{}, err
	}
	if l.version = 1; !kept { // somebody else looked first, and theirs holds
		if l, err = s.laid(ctx, WhatIf{}); err != nil {
			return Days{}, err
		}
	}
	return l.days(), nil
}

// keepFirst keeps a plan where there is none; false where somebody else was quicker.
func (s *Service) keepFirst(ctx context.Context, l *daysPlan, by record.Account) (bool, error) {
	kept := false
	err := s.Store.Write(ctx, func(t *store.Tx) error {
		doc, err := l.kept()
		if err != nil {
			return err
		}
		kept, err = t.Days.FirstDayPlan(ctx, doc, by.ID, s.Now())
		return err
	})
	return kept, err
}

// TakeDays plans all anew, what is pinned where it is, and takes that.
func (s *Service) TakeDays(ctx context.Context, by record.Account) (Days, error) {
	l, _, err := s.anew(ctx)
	if err != nil {
		return Days{}, err
	}
	err = s.Store.Write(ctx, func(t *store.Tx) error {
		if err := l.keep(ctx, t, by, s.Now()); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "days", Action: "planned",
			Said: fmt.Sprintf("planned the days: %.1f h late in all", l.plan.Late)})
	})
	if err != nil {
		return Days{}, err
	}
	l.moves = nil
	return l.days(), nil
}

// anew searches for better days than those that stand, in which no promise is taken back
// that they keep, and gives those where there are none.
func (s *Service) anew(ctx context.Context) (better, stands *daysPlan, err error) {
	if stands, err = s.laid(ctx, WhatIf{}); err != nil {
		return nil, nil, err
	}
	if better, err = s.laid(ctx, WhatIf{stands: stands}); err != nil {
		return nil, nil, err
	}
	if !better.is {
		return stands, stands, nil
	}
	better.version = stands.version
	return better, stands, nil
}

// Better is what planning anew would bring.
type Better struct {
	Now  DaysSum `json:"now"`
	Then DaysSum `json:"then"`
	Is   bool    `json:"is" doc:"An hour less late at least, or a promise more that is safe"`
}

// Better tells what planning anew would bring; nothing is changed.
func (s *Service) Better(ctx context.Context) (Better, error) {
	b, stands, err := s.anew(ctx)
	if err != nil {
		return Better{}, err
	}
	out := Better{Now: stands.sum(), Then: b.sum()}
	out.Is = out.Then.Late <= out.Now.Late-1 || out.Then.Unsafe < out.Now.Unsafe
	return out, nil
}

// Promise says when a job is ready, and keeps the plan that it was read from in the same
// stroke: what others do later flows round it.
// seen is the promise that the screen showed, nil for none: what somebody else promised
// meanwhile stands.
func (s *Service) Promise(ctx context.Context, by record.Account, job int64, at time.Time, seen *time.Time) (Days,
	error) {
	if !at.After(s.Now()) {
		return Days{}, fault.New("at", "that has passed", "promise a time to come")
	}
	l, err := s.laid(ctx, WhatIf{promise: map[int64]time.Time{job: at}})
	if err != nil {
		return Days{}, err
	}
	i := slices.IndexFunc(l.w.jobs, func(j standing.Job) bool { return j.ID == job })
	if i < 0 {
		return Days{}, &record.NotFound{What: "this job among the days"}
	}
	if r := l.plan.Ready[i]; r.At < 0 || r.Late > 0 {
		return Days{}, l.tooSoon(i)
	}
	err = s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		before, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		now := before.PromisedAt
		if now != nil && !now.Equal(at) && (seen == nil || !now.Equal(*seen)) || now == nil && seen != nil {
			return store.Change{}, &record.Conflict{Field: "at",
				Says: "Somebody else changed its promise a moment ago. Look again."}
		}
		after := before
		after.PromisedAt = &at
		if _, err := t.Jobs.SetJob(ctx, after); err != nil {
			return store.Change{}, err
		}
		return store.Change{Noun: "job", Item: before.Object.Name, Action: "promised", Said: "promised by the days",
			Before: before.PromisedAt, After: at}, l.keep(ctx, t, by, s.Now())
	})
	if err != nil {
		return Days{}, err
	}
	return s.Days(ctx, by)
}

// tooSoon refuses a promise before a job can be ready, with what holds it up.
func (l *daysPlan) tooSoon(i int) error {
	r := l.plan.Ready[i]
	if r.At < 0 {
		return fault.New("at", "there is no time for it: "+r.Why, "look at the days first")
	}
	at := l.w.at(r.At).In(l.w.zone).Format("Mon 2 Jan 15:04")
	return fault.New("at", fmt.Sprintf("it is ready on %s at the soonest, as the days lie: %s", at, r.Why),
		"promise a later hour, or make room first")
}

// HoldPlace keeps the days with a promise in them that was given otherwise, so that what
// comes later goes round it. Where nobody plans days, or somebody just did, it leaves them.
// What was kept before is kept: that the days could not follow is no error of it.
func (s *Service) HoldPlace(ctx context.Context, by record.Account) {
	if err := s.heldPlace(ctx, by); err != nil {
		slog.ErrorContext(ctx, "the days could not follow what was kept", "error", err)
	}
}

func (s *Service) heldPlace(ctx context.Context, by record.Account) error {
	if _, version, err := s.Store.Days.DayPlan(ctx); err != nil || version == 0 {
		return err
	}
	l, err := s.laid(ctx, WhatIf{})
	if err != nil {
		return err
	}
	err = s.Store.Write(ctx, func(t *store.Tx) error { return l.keep(ctx, t, by, s.Now()) })
	var c *record.Conflict
	if errors.As(err, &c) {
		return nil
	}
	return err
}
