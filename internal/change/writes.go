package change

import (
	"cmp"
	"context"
	"slices"
	"time"

	"freshshard/core/reading"
	"freshshard/core/timer"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// What can be changed of a pane. Each change is made in the record and noted for the database,
// so that both say the same.

// Read makes a reading the one that counts at its place.
func (e *Edit) Read(p *record.Pane, v record.Reading) {
	replaces := e.dropReading(p, v.Place)
	v.By, v.ByID, v.At = e.By.Name, e.By.ID, asKept(v.At)
	p.Readings = append(p.Readings, v)
	e.Write(func(ctx context.Context, t *store.Tx) error {
		if replaces {
			if err := t.Panes.RetireReading(ctx, p.ID, v.Place); err != nil {
				return err
			}
		}
		return t.Panes.AddReading(ctx, p.ID, v)
	})
}

// TakeBack takes the reading of a place out of the count.
func (e *Edit) TakeBack(p *record.Pane, place reading.Place) {
	e.dropReading(p, place)
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.RetireReading(ctx, p.ID, place) })
}

func (e *Edit) dropReading(p *record.Pane, place reading.Place) (had bool) {
	n := len(p.Readings)
	p.Readings = slices.DeleteFunc(slices.Clone(p.Readings), func(r record.Reading) bool { return r.Place == place })
	return len(p.Readings) < n
}

// Choose settles a material.
func (e *Edit) Choose(p *record.Pane, c record.Choice) {
	c.By, c.At = e.By.Name, asKept(c.At)
	p.Choice = &c
	e.Write(func(ctx context.Context, t *store.Tx) (err error) {
		p.Choice.ID, err = t.Panes.AddChoice(ctx, p.ID, c, e.By.ID)
		return err
	})
}

// Diagnose settles what was seen of the break.
func (e *Edit) Diagnose(p *record.Pane, d record.Diagnosis) {
	d.By, d.At = e.By.Name, asKept(d.At)
	p.Diagnosis = &d
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.SetDiagnosis(ctx, p.ID, d, e.By.ID) })
}

// Tick says how a step ended.
func (e *Edit) Tick(p *record.Pane, v record.Tick) {
	v.By, v.At = e.By.Name, asKept(v.At)
	p.Ticks = append(slices.DeleteFunc(slices.Clone(p.Ticks), func(k record.Tick) bool { return k.Step == v.Step }), v)
	slices.SortStableFunc(p.Ticks, func(a, b record.Tick) int { return byTime(a.At, b.At, a.Step, b.Step) })
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.SetTick(ctx, p.ID, v, e.By.ID) })
}

// Untick opens a step again.
func (e *Edit) Untick(p *record.Pane, step string) {
	p.Ticks = slices.DeleteFunc(slices.Clone(p.Ticks), func(k record.Tick) bool { return k.Step == step })
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.ClearTick(ctx, p.ID, step) })
}

// PutBack says how many of a line of the strip log are in.
func (e *Edit) PutBack(id string, in int) {
	e.Job.Strip = slices.Clone(e.Job.Strip)
	for i := range e.Job.Strip {
		v := &e.Job.Strip[i]
		if v.Entry.ID != id {
			continue
		}
		v.Entry.In, v.At, v.By = in, e.Now, e.By.Name
		kept := *v
		v.Version++
		e.Write(func(ctx context.Context, t *store.Tx) error { return t.Strips.SetStrip(ctx, e.Job.ID, kept, e.By.ID) })
	}
}

// Answer says how a check ended.
func (e *Edit) Answer(p *record.Pane, v record.Answer) {
	v.By, v.At = e.By.Name, asKept(v.At)
	p.Answers = append(slices.DeleteFunc(slices.Clone(p.Answers),
		func(a record.Answer) bool { return a.Check == v.Check }), v)
	slices.SortStableFunc(p.Answers, func(a, b record.Answer) int { return byTime(a.At, b.At, a.Check, b.Check) })
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.SetAnswer(ctx, p.ID, v, e.By.ID) })
}

// Unanswer opens a check again.
func (e *Edit) Unanswer(p *record.Pane, check string) {
	p.Answers = slices.DeleteFunc(slices.Clone(p.Answers), func(a record.Answer) bool { return a.Check == check })
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.ClearAnswer(ctx, p.ID, check) })
}

// DropCures takes the clocks away of what a pane lay on, that is out of its seat again.
func (e *Edit) DropCures(p *record.Pane) {
	for _, c := range p.Cures {
		e.Write(func(ctx context.Context, t *store.Tx) error { return t.Cures.DropCure(ctx, p.ID, c.ID) })
	}
	p.Cures = nil
}

// Begin begins a clock that is no chemistry.
func (e *Edit) Begin(p *record.Pane, r timer.Run) {
	r.Since, r.Until = asKept(r.Since), asKept(r.Until)
	v := record.Timer{Pane: p.ID, Run: r, By: e.By.Name, Version: 1}
	n := len(p.Timers)
	p.Timers = append(slices.Clone(p.Timers), v)
	e.Write(func(ctx context.Context, t *store.Tx) (err error) {
		p.Timers[n].ID, err = t.Cures.AddTimer(ctx, v, e.By.ID, e.Now)
		return err
	})
}

// Drop takes such clocks away.
func (e *Edit) Drop(p *record.Pane, which func(record.Timer) bool) {
	for _, v := range p.Timers {
		if which(v) {
			e.Write(func(ctx context.Context, t *store.Tx) error { return t.Cures.DropTimer(ctx, p.ID, v.ID) })
		}
	}
	p.Timers = slices.DeleteFunc(slices.Clone(p.Timers), which)
}

// Tried keeps a check that failed, before it is tried again.
func (e *Edit) Tried(p *record.Pane, v record.Trial) {
	v.At = asKept(v.At)
	shown := v
	if shown.By = v.Author; shown.By == "" {
		shown.By = e.By.Name
	}
	shown.Author = ""
	p.Trials = append(p.Trials, shown)
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.AddTrial(ctx, p.ID, v, e.By.ID) })
}

// TakeOn notes that an owner takes a stop on.
func (e *Edit) TakeOn(p *record.Pane, v record.Taken) {
	v.By, v.At = e.By.Name, asKept(v.At)
	p.Taken = append(slices.DeleteFunc(slices.Clone(p.Taken), func(k record.Taken) bool { return k.Key == v.Key }), v)
	slices.SortStableFunc(p.Taken, func(a, b record.Taken) int { return byTime(a.At, b.At, a.Key, b.Key) })
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.SetTaken(ctx, p.ID, v, e.By.ID) })
}

// LetGo takes that back.
func (e *Edit) LetGo(p *record.Pane, key string) {
	p.Taken = slices.DeleteFunc(slices.Clone(p.Taken), func(k record.Taken) bool { return k.Key == key })
	e.Write(func(ctx context.Context, t *store.Tx) error { return t.Panes.ClearTaken(ctx, p.ID, key) })
}

// Hold writes how a pane is held and what it waits for, as it stands in the record.
func (e *Edit) Hold(p *record.Pane) {
	was := *p
	p.Version++
	e.Write(func(ctx context.Context, t *store.Tx) error {
		found, err := t.Panes.SetPane(ctx, was)
		if err == nil && !found {
			err = ErrMoved
		}
		return err
	})
}

// Object changes what the object is and what it sees.
func (e *Edit) Object(o record.Object) {
	was := o
	e.Job.Object = o
	e.Job.Object.Version++
	e.Write(func(ctx context.Context, t *store.Tx) error {
		found, err := t.Jobs.SetObject(ctx, was)
		if err == nil && !found {
			err = ErrMoved
		}
		if err != nil {
			return err
		}
		return t.Search.IndexJob(ctx, e.Job.ID)
	})
}

// SetPanes puts the panes where they stand, and adds those that are new behind the others.
func (e *Edit) SetPanes(panes []record.Pane) {
	had := len(e.Job.Panes)
	e.Job.Panes = panes
	for i := range panes {
		p := &panes[i]
		was := *p
		if i < had {
			p.Version++
		} else {
			p.Version = 1
			p.Readings, p.Ticks, p.Answers = []record.Reading{}, []record.Tick{}, []record.Answer{}
		}
		e.Write(func(ctx context.Context, t *store.Tx) (err error) {
			if i < had {
				return t.Panes.MovePane(ctx, was)
			}
			p.ID, err = t.Panes.AddPane(ctx, was, e.Job.ID)
			return err
		})
	}
}

// byTime is the order in which the database gives what was done.
func byTime(a, b time.Time, key, other string) int {
	return cmp.Or(a.Compare(b), cmp.Compare(key, other))
}

// asKept is a moment as finely as the database has it.
func asKept(t time.Time) time.Time { return t.Truncate(time.Millisecond) }
