package desk

import (
	"context"
	"time"

	"freshshard/core/catalogue"
	"freshshard/core/drawing"
	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/pane"
	"freshshard/core/road"
	"freshshard/core/setting"
	"freshshard/core/usual"
	"freshshard/internal/change"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// TakeIn is the answer to the four questions at the door: whose, what, how is
// the pane held, what happened.
type TakeIn struct {
	CustomerID int64           `json:"customer_id,omitempty" doc:"A customer who is known; else 0 and a name"`
	Name       string          `json:"name,omitempty" maxLength:"120"`
	Phone      string          `json:"phone,omitempty" maxLength:"40"`
	Object     string          `json:"object" maxLength:"120"`
	Exposure   string          `json:"exposure" doc:"Id of what heat or weather it sees"`
	Steady     *float64        `json:"steady,omitempty" doc:"Hot side in steady use, °C, when it is known better"`
	Stands     exposure.Stands `json:"stands,omitempty" enum:",inner,middle,outer" doc:"In a door that heat goes through"`
	Power      bool            `json:"power,omitempty"`
	Gas        bool            `json:"gas,omitempty"`
	Vehicle    bool            `json:"vehicle,omitempty"`
	Moves      pane.Moves      `json:"moves,omitempty" enum:",road,trailer,machine"`
	Water      bool            `json:"water,omitempty"`
	Old        bool            `json:"old,omitempty"`
	Strike     bool            `json:"strike,omitempty"`
	Leaf       bool            `json:"leaf,omitempty" doc:"Its door or leaf comes off its hinges"`
	Stamp      string          `json:"stamp,omitempty" maxLength:"200"`
	Family     string          `json:"family"`
	Road       road.Chosen     `json:"road,omitzero" doc:"What is to be done; nothing said is a new pane made to size"`
	Story      string          `json:"story,omitempty" maxLength:"1000"`
	Place      string          `json:"place" enum:"bench,site"`
	Promised   *time.Time      `json:"promised_at,omitempty"`
	Layout     *drawing.Layout `json:"layout,omitempty" doc:"How its panes stand, when there are several"`
	Like       string          `json:"like,omitempty" doc:"Material of the old pane, as far as known"`
}

func (in TakeIn) Records(vs catalogue.Values) (record.Customer, record.Object, record.Pane, error) {
	var c record.Customer
	var o record.Object
	var p record.Pane
	var f typed.Form
	c.Name, c.Phone, o.Name, o.Stamp = in.Name, in.Phone, in.Object, in.Stamp
	f.Text("name", &c.Name, 120, in.CustomerID == 0)
	f.Text("phone", &c.Phone, 40, false)
	f.Text("object", &o.Name, 120, true)
	f.Text("stamp", &o.Stamp, 200, false)
	var err error
	if o.Exposure, err = exposure.Book.With(vs, in.Exposure); f.Check(err) != nil {
		return c, o, p, err
	}
	held, err := family.Book.ByID(in.Family)
	if f.Check(err) != nil {
		return c, o, p, err
	}
	if in.Like != "" {
		if _, err := pane.Book.ByID(in.Like); err != nil {
			f.Faults = append(f.Faults, fault.New("like", "no material is called "+in.Like, "choose one of the list"))
		}
	}
	if err := f.Err(); err != nil {
		return c, o, p, err
	}
	cavity := 0.0
	switch {
	case in.Steady != nil:
		o.Exposure = atSteady(o.Exposure, *in.Steady, usual.Of(vs, usual.PeakOver))
	case in.Stands != "" && in.Stands != exposure.Inner:
		// What the pane sees is less than what the pack is held against.
		cavity = o.Exposure.Steady
		o.Exposure = o.Exposure.At(in.Stands)
	}
	if err = o.Exposure.Check(); err != nil {
		return c, o, p, err
	}
	o.Power, o.Gas, o.Old, o.Strike, o.Leaf = in.Power, in.Gas, in.Old, in.Strike, in.Leaf
	o.Vehicle, o.Moves, o.Water = in.Vehicle, in.Moves, in.Water
	if err := in.Road.Check(held); err != nil {
		return c, o, p, err
	}
	p = record.Pane{Held: record.Held{Family: held.ID, Road: in.Road, Frame: held.Frame,
		Gasket: fit.Gasket{Kind: fit.None},
		Like:   in.Like,
		Stack:  pane.Stack{Cavity: cavity}}}
	if held.Tightening != "" {
		p.Sides = setting.UsualSides[held.Fixing]
	}
	if held.Seal == "gasket" {
		p.Gasket = fit.Gasket{Kind: fit.Flat, Free: usual.Of(vs, usual.Tape)}
	}
	return c, o, p, nil
}

// atSteady moves an exposure to a steady heat that was read or is known: the
// peak and the sudden change move with it, the frame stays as far below.
func atSteady(e exposure.Exposure, steady, peakOver float64) exposure.Exposure {
	d := steady - e.Steady
	e.Steady = steady
	e.Short = max(e.Short+d, steady)
	e.FrameHot = min(e.FrameHot+max(d, e.Room-e.FrameHot), steady)
	e.Sudden = max(0, e.Sudden+d)
	if e.Short < steady+peakOver && e.Steady > 100 {
		e.Short = steady + peakOver
	}
	e.Coldest = min(e.Coldest, steady)
	return e
}

// TakeIn opens a job. A retry with the same key gives the same job.
func (s *Service) TakeIn(ctx context.Context, by record.Account, key string, in TakeIn) (int64, error) {
	vs, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return 0, err
	}
	c, o, p, err := in.Records(vs)
	if err != nil {
		return 0, err
	}
	j := record.Job{Place: in.Place, PromisedAt: in.Promised, CreatedAt: s.Now()}
	if j.Story, err = typed.Text("story", in.Story, 1000, false); err != nil {
		return 0, err
	}
	if j.Place != "bench" && j.Place != "site" {
		return 0, fault.New("place", "the work is at the bench or at the customer's", "choose one of the two")
	}
	panes := []record.Pane{p}
	if in.Layout != nil {
		if panes, err = measure.LaidOut(*in.Layout, panes); err != nil {
			return 0, err
		}
	} else {
		panes[0].Number, panes[0].Spot = 1, measure.Whole
	}
	id, err := s.Create(ctx, by, key, "job", in, func(t *store.Tx) (int64, error) {
		customer := in.CustomerID
		if customer == 0 {
			if customer, err = t.Jobs.AddCustomer(ctx, c); err != nil {
				return 0, err
			}
		} else if has, err := t.Jobs.HasCustomer(ctx, customer); err != nil || !has {
			if err == nil {
				err = fault.New("customer_id", "this customer is not here", "choose one of the list, or type a new name")
			}
			return 0, err
		}
		j.Object, j.Panes, j.Own = o, panes, vs
		if err := change.Reckonable(&j, 0, nil); err != nil {
			return 0, err
		}
		return s.AddJob(ctx, t, by, customer, j)
	})
	if err == nil && in.Promised != nil {
		s.promised(ctx, by)
	}
	return id, err
}

// AddJob writes object, job and panes and opens the trail.
func (s *Service) AddJob(ctx context.Context, t *store.Tx, by record.Account, customer int64, j record.Job) (int64,
	error) {
	o := j.Object
	object, err := t.Jobs.AddObject(ctx, o, customer)
	if err != nil {
		return 0, err
	}
	j.Object.ID = object
	id, err := t.Jobs.AddJob(ctx, j, by.ID)
	if err != nil {
		return 0, err
	}
	for i := range j.Panes {
		if j.Panes[i].ID, err = t.Panes.AddPane(ctx, j.Panes[i], id); err != nil {
			return 0, err
		}
	}
	if err := t.Search.IndexJob(ctx, id); err != nil {
		return 0, err
	}
	return id, t.Trail.Audit(ctx, store.Change{Job: id, Account: by.ID, At: s.Now(), Noun: "job", Item: o.Name,
		Action: "taken in", Said: "taken in: " + o.Name, After: j})
}
