package strip

import (
	"context"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/striplog"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Entered is an entry as somebody typed it: a screw's length and its depth to the
// glass may be said as lengths, in the unit of whoever says them.
type Entered struct {
	striplog.Entry
	LengthSaid  string `json:"length_said,omitempty" maxLength:"60" doc:"Length under the head, as it was typed"`
	ToGlassSaid string `json:"to_glass_said,omitempty" maxLength:"60" doc:"Depth to the glass, as it was typed"`
	// Under is what came off before it and held it down: that holds it down from now on.
	Under []string `json:"under,omitempty" maxItems:"40" doc:"Ids of what held it down or hid it"`
}

// Noted is an entry with nothing said beside it.
func Noted(e striplog.Entry) Entered { return Entered{Entry: e} }

// longestScrew is the bound of striplog.Held, mm.
const longestScrew = 500

// entry reads what was said; errors name length_said or to_glass_said.
func (in Entered) entry(unit length.Unit) (striplog.Entry, error) {
	e := in.Entry
	for _, f := range []struct {
		field, text string
		to          *float64
	}{{"length_said", in.LengthSaid, &e.Held.Length}, {"to_glass_said", in.ToGlassSaid, &e.Held.ToGlass}} {
		if strings.TrimSpace(f.text) == "" {
			continue
		}
		r, err := typed.Length(f.field, f.text, unit, length.Rule)
		if err != nil {
			return e, err
		}
		if r.Value > longestScrew {
			return e, fault.New(f.field, "that is longer than any screw that holds a pane", "check the unit")
		}
		*f.to = r.Value
	}
	return e, nil
}

// entered reads an entry in the unit in which its author works at the job.
func (s *Service) entered(ctx context.Context, by record.Account, job int64, in Entered) (striplog.Entry, error) {
	unit, err := s.Store.Shops.UnitFor(ctx, job, by.ID)
	if err != nil {
		return in.Entry, err
	}
	return in.entry(unit)
}

// MostEntries is more than any object on a bench comes apart into.
const MostEntries = 200

// stripChange runs a change of the strip log under the job's lock.
func (s *Service) stripChange(ctx context.Context, by record.Account, job int64,
	f func(*store.Tx, record.Job, striplog.Log) (store.Change, error)) error {
	return s.Change(ctx, by, job, func(t *store.Tx) (store.Change, error) {
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return store.Change{}, err
		}
		return f(t, j, jobview.LogOf(j))
	})
}

// AddStrip notes what came off. The entry gets its id and, when it is a bag of
// fasteners, the next bag number. A retry with the same key notes it once.
func (s *Service) AddStrip(ctx context.Context, by record.Account, key string, job int64, in Entered) error {
	e, err := s.entered(ctx, by, job, in)
	if err != nil {
		return err
	}
	request := struct {
		Job   int64
		Entry striplog.Entry
		Under []string
	}{job, e, in.Under}
	_, err = s.Create(ctx, by, key, "strip", request, func(t *store.Tx) (int64, error) {
		signed, err := t.Jobs.LockJob(ctx, job)
		if err != nil {
			return 0, err
		}
		if signed {
			return 0, &record.Conflict{Says: "This job is signed off; its strip log stays as it is."}
		}
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return 0, err
		}
		position, err := s.note(ctx, t, by, j, e, in.Under)
		if err != nil {
			return 0, err
		}
		return int64(position), t.Jobs.TouchJob(ctx, job)
	})
	return err
}

// note writes one entry behind the others; under is what held it down.
func (s *Service) note(ctx context.Context, t *store.Tx, by record.Account, j record.Job, e striplog.Entry,
	under []string) (int, error) {
	l := jobview.LogOf(j)
	if len(l) >= MostEntries {
		return 0, fault.New("entries", "a strip log holds 200 entries", "put like things into one entry")
	}
	position := 1
	for _, o := range j.Strip {
		position = max(position, o.Position+1)
	}
	e.ID, e.In = fmt.Sprintf("e%d", position), 0
	if e.Bag == "" && e.Kind == striplog.Fasteners && !e.Loosen {
		e.Bag = nextBag(l)
	}
	over, err := holding(j, l, e.ID, under)
	if err != nil {
		return 0, err
	}
	if l, err = l.Remove(e); err != nil {
		return 0, plain(err)
	}
	if err := l.Covered(e.ID); err != nil {
		return 0, plain(err)
	}
	v := record.StripEntry{Entry: e, Position: position, Version: 1, At: s.Now()}
	if err := t.Strips.AddStrip(ctx, j.ID, v, by.ID); err != nil {
		return 0, err
	}
	for _, o := range over {
		o.At = s.Now()
		if err := t.Strips.SetStrip(ctx, j.ID, o, by.ID); err != nil {
			return 0, err
		}
	}
	if err := t.Search.IndexJob(ctx, j.ID); err != nil {
		return 0, err
	}
	return position, t.Trail.Audit(ctx, store.Change{Job: j.ID, Account: by.ID, At: s.Now(), Noun: "strip", Item: e.ID,
		Action: "noted", Said: "came off: " + e.What, After: e})
}

// holding are the entries under which a new one was, holding it down from now on, in the record and
// in the log.
func holding(j record.Job, l striplog.Log, id string, under []string) ([]record.StripEntry, error) {
	var out []record.StripEntry
	for _, u := range under {
		i := slices.IndexFunc(l, func(e striplog.Entry) bool { return e.ID == u })
		if i < 0 {
			return nil, fault.New("under", "what it was under is not in the log", "choose one that is")
		}
		if holds(l[i], id) {
			continue
		}
		l[i].Captures = append(slices.Clone(l[i].Captures), id)
		o := j.Strip[i]
		o.Entry.Captures = l[i].Captures
		out = append(out, o)
	}
	return out, nil
}

func holds(e striplog.Entry, id string) bool {
	for _, c := range e.Captures {
		if c == id {
			return true
		}
	}
	return false
}

// nextBag is one more than the highest bag so far.
func nextBag(l striplog.Log) string {
	most := 0
	for _, e := range l {
		if n, err := strconv.Atoi(e.Bag); err == nil && n > most {
			most = n
		}
	}
	return strconv.Itoa(most + 1)
}

// plain drops the place in the list from a fault's field: the caller sends one
// entry, not the list.
func plain(err error) error {
	f := fault.Of(err)
	if f == nil {
		return err
	}
	field := f.Field
	if i := strings.Index(field, "]."); i >= 0 {
		field = field[i+2:]
	}
	return fault.New(field, f.Why, f.Cure)
}

// SetStrip changes an entry; how many are back is changed by PutBack alone.
func (s *Service) SetStrip(ctx context.Context, by record.Account, job int64, id string, in Entered,
	version int) error {
	e, err := s.entered(ctx, by, job, in)
	if err != nil {
		return err
	}
	return s.stripChange(ctx, by, job, func(t *store.Tx, j record.Job, l striplog.Log) (store.Change, error) {
		was, err := s.SeenLine(&j, id, version)
		if err != nil {
			return store.Change{}, err
		}
		e.ID, e.In = id, was.Entry.In
		for i := range l {
			if l[i].ID == id {
				l[i] = e
			}
		}
		if err := l.Check(); err != nil {
			return store.Change{}, plain(err)
		}
		now := was
		now.Entry, now.At = e, s.Now()
		if err := t.Strips.SetStrip(ctx, job, now, by.ID); err != nil {
			return store.Change{}, err
		}
		return store.Change{Noun: "strip", Item: id, Action: "changed", Said: "strip log: " + e.What + " changed",
			Before: was.Entry, After: e}, t.Search.IndexJob(ctx, job)
	})
}

// DropStrip takes an entry out that was noted by mistake.
func (s *Service) DropStrip(ctx context.Context, by record.Account, job int64, id string, version int) error {
	return s.stripChange(ctx, by, job, func(t *store.Tx, j record.Job, l striplog.Log) (store.Change, error) {
		was, err := s.SeenLine(&j, id, version)
		if err != nil {
			return store.Change{}, err
		}
		for _, e := range l {
			if holds(e, id) {
				return store.Change{}, fault.New("captures", e.What+" is noted to hold it down", "change that one first")
			}
			if slices.Contains(e.First, id) {
				return store.Change{}, fault.New("first", "it was said to go in before "+e.What, "change that one first")
			}
		}
		return store.Change{Noun: "strip", Item: id, Action: "dropped", Said: "strip log: " + was.Entry.What + " taken out",
			Before: was.Entry}, t.Strips.DropStrip(ctx, job, id)
	})
}

// MoveStrip puts an entry at another place in the order of removal, counted from 1;
// the others close up.
func (s *Service) MoveStrip(ctx context.Context, by record.Account, job int64, id string, to, version int) error {
	return s.stripChange(ctx, by, job, func(t *store.Tx, j record.Job, _ striplog.Log) (store.Change, error) {
		was, err := s.SeenLine(&j, id, version)
		if err != nil {
			return store.Change{}, err
		}
		if to < 1 || to > len(j.Strip) {
			return store.Change{}, fault.New("to", fmt.Sprintf("there is no place %d", to),
				fmt.Sprintf("choose one from 1 to %d", len(j.Strip)))
		}
		from := slices.IndexFunc(j.Strip, func(e record.StripEntry) bool { return e.Entry.ID == id })
		if from == to-1 {
			return store.Change{}, nil
		}
		places := make([]int, len(j.Strip))
		for i, e := range j.Strip {
			places[i] = e.Position
		}
		moved := slices.Insert(slices.Delete(slices.Clone(j.Strip), from, from+1), to-1, was)
		order := make([]string, len(moved))
		l := make(striplog.Log, len(moved))
		for i, e := range moved {
			order[i], l[i] = e.Entry.ID, e.Entry
		}
		if err := l.Check(); err != nil {
			return store.Change{}, plain(err)
		}
		return store.Change{Noun: "strip", Item: id, Action: "moved",
			Said:   fmt.Sprintf("strip log: %s came off as number %d", was.Entry.What, to),
			Before: from + 1, After: to}, t.Strips.PlaceStrip(ctx, job, order, places)
	})
}

// Earlier lists jobs whose strip log could be the start of this one's.
func (s *Service) Earlier(ctx context.Context, job int64) ([]record.Row, error) {
	j, err := s.Store.Jobs.Job(ctx, job)
	if err != nil {
		return nil, err
	}
	return s.Store.Strips.Stripped(ctx, j.Panes[0].Family, job, 6)
}

// CopyStrip starts an empty strip log from that of an earlier job.
func (s *Service) CopyStrip(ctx context.Context, by record.Account, job, from int64) error {
	return s.stripChange(ctx, by, job, func(t *store.Tx, j record.Job, l striplog.Log) (store.Change, error) {
		if len(l) > 0 {
			return store.Change{}, fault.New("from", "something is noted here already", "copy before the first entry")
		}
		old, err := t.Jobs.Job(ctx, from)
		if err != nil {
			return store.Change{}, err
		}
		if len(old.Strip) == 0 {
			return store.Change{}, fault.New("from", "that job has no strip log", "choose one that has")
		}
		for i, e := range jobview.LogOf(old).Copy() {
			if err := t.Strips.AddStrip(ctx, job, record.StripEntry{Entry: e, Position: i + 1, Version: 1, At: s.Now()},
				by.ID); err != nil {
				return store.Change{}, err
			}
		}
		return store.Change{Noun: "strip", Item: fmt.Sprint(from), Action: "copied",
			Said: fmt.Sprintf("strip log started from job %d, %s", from, old.Object.Name)}, t.Search.IndexJob(ctx, job)
	})
}
