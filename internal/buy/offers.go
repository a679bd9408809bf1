package buy

import (
	"context"
	"fmt"
	"slices"
	"time"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/money"
	"freshshard/core/plan"
	"freshshard/core/source"
	"freshshard/core/supply"
	"freshshard/core/thing"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Offers are what was asked for a pane, ranked by what each is expected to cost.
type Offers struct {
	source.Ranking
	Terms  source.Terms   `json:"terms"`
	Usuals []source.Usual `json:"usuals" doc:"What is usual of each kind of source"`
	Taken  int64          `json:"taken,omitempty" doc:"The one that was ordered"`
}

// mostOffers is more than anybody asks for one pane.
const mostOffers = 30

// Offers ranks what was asked for a pane.
func (s *Service) Offers(ctx context.Context, at jobview.Bench) (Offers, error) {
	out := Offers{Usuals: source.Usuals}
	j, err := s.Store.Jobs.Job(ctx, at.Job)
	if err != nil {
		return out, err
	}
	p, err := jobview.Find(&j, at)
	if err != nil {
		return out, err
	}
	all, taken, err := s.Store.Orders.Offers(ctx, p.ID)
	if err != nil {
		return out, err
	}
	terms, ok, err := s.Store.Orders.Terms(ctx, at.Job)
	if err != nil {
		return out, err
	}
	if !ok {
		terms = source.UsualTerms
	}
	// A mark is asked for where the old pane had one, and on a vehicle.
	terms.Mark = j.Object.Stamp != "" || j.Object.Vehicle
	out.Terms, out.Taken = terms, taken
	out.Ranking, err = source.Rank(all, terms)
	return out, err
}

// AddOffer notes what somebody asks for a pane; a retry with the same key notes it once.
func (s *Service) AddOffer(ctx context.Context, by record.Account, key string, at jobview.Bench, o source.Offer) error {
	var err error
	if o.Who, err = typed.Text("who", o.Who, 80, false); err != nil {
		return err
	}
	if o.Lacks, err = typed.Text("lacks", o.Lacks, 120, false); err != nil {
		return err
	}
	if err := o.Check(); err != nil {
		return err
	}
	request := struct {
		At    jobview.Bench
		Offer source.Offer
	}{jobview.Bench{Job: at.Job, Pane: at.Pane}, o}
	_, err = s.Create(ctx, by, key, "offer", request, func(t *store.Tx) (int64, error) {
		p, err := s.lockedPane(ctx, t, at)
		if err != nil {
			return 0, err
		}
		had, _, err := t.Orders.Offers(ctx, p.ID)
		if err != nil {
			return 0, err
		}
		if len(had) >= mostOffers {
			return 0, fault.New("offers", "that is more than anybody asks for one pane", "take one out first")
		}
		id, err := t.Orders.AddOffer(ctx, p.ID, o, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		return id, t.Trail.Audit(ctx, store.Change{Job: at.Job, Account: by.ID, At: s.Now(), Noun: "offer",
			Item:   fmt.Sprint(id),
			Action: "noted", Said: fmt.Sprintf("%s asks %s", o.Called(), money.Text(o.Price)), After: o})
	})
	return err
}

// lockedPane is a pane of an open job, under the job's lock.
func (s *Service) lockedPane(ctx context.Context, t *store.Tx, at jobview.Bench) (*record.Pane, error) {
	signed, err := t.Jobs.LockJob(ctx, at.Job)
	if err != nil {
		return nil, err
	}
	if signed {
		return nil, &record.Conflict{Says: "This job is signed off; its offers stay as they are."}
	}
	j, err := t.Jobs.Job(ctx, at.Job)
	if err != nil {
		return nil, err
	}
	return jobview.Find(&j, at)
}

// DropOffer takes an offer out; one that is gone is as wanted.
func (s *Service) DropOffer(ctx context.Context, _ record.Account, at jobview.Bench, id int64) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		p, err := s.lockedPane(ctx, t, at)
		if err != nil {
			return err
		}
		return t.Orders.DropOffer(ctx, p.ID, id)
	})
}

// NewTerms are terms with those that the screen showed.
type NewTerms struct {
	source.Terms
	Seen source.Terms `json:"seen" doc:"As the screen shows them, so that nobody's are overwritten unseen"`
}

// SetTerms keeps what a second visit and a day of waiting cost a job.
func (s *Service) SetTerms(ctx context.Context, _ record.Account, at jobview.Bench, in NewTerms) error {
	v := in.Terms
	if v.Visit < 0 || v.Visit > 1e8 {
		return fault.New("visit", "a price from 0 up is expected", "type it as 60.00")
	}
	if v.Day < 0 || v.Day > 1e8 {
		return fault.New("day", "a price from 0 up is expected", "type it as 5.00")
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if _, err := s.lockedPane(ctx, t, at); err != nil {
			return err
		}
		now, ok, err := t.Orders.Terms(ctx, at.Job)
		if err != nil {
			return err
		}
		if !ok {
			now = source.UsualTerms
		}
		if now.Visit != in.Seen.Visit || now.Day != in.Seen.Day {
			if now.Visit == v.Visit && now.Day == v.Day {
				return nil // a retry
			}
			return &record.Conflict{Field: "visit", Says: fmt.Sprintf(
				"Somebody else said a moment ago: a second visit costs %s, a day %s. Look again.", money.Text(now.Visit),
				money.Text(now.Day))}
		}
		return t.Orders.SetTerms(ctx, at.Job, v)
	})
}

// DeliveryHour is when a delivery is looked for, in the shop's own zone.
const DeliveryHour = 12

// TakeOffer orders one: the pane waits for it until it should be here. seen is the offer that
// the screen shows as taken, 0 for none: what somebody else ordered meanwhile stands.
func (s *Service) TakeOffer(ctx context.Context, by record.Account, at jobview.Bench, id, seen int64,
	zone *time.Location) error {
	return s.NotePane(ctx, by, at, func(t *store.Tx, j *record.Job, p *record.Pane) (store.Change, error) {
		all, taken, err := t.Orders.Offers(ctx, p.ID)
		if err != nil {
			return store.Change{}, err
		}
		i := slices.IndexFunc(all, func(o source.Offer) bool { return o.ID == id })
		if i < 0 {
			return store.Change{}, &record.NotFound{What: "this offer"}
		}
		if taken == id {
			return store.Change{}, nil // a retry
		}
		if taken != 0 && taken != seen {
			return store.Change{}, &record.Conflict{Says: "It is ordered elsewhere already: " + calledOffer(all, taken) +
				". Look at that first."}
		}
		o := all[i]
		if (j.Object.Stamp != "" || j.Object.Vehicle) && !o.Mark {
			return store.Change{}, fault.New("mark", "it does not have the mark that is needed here",
				"ask for one with the mark, or say that it has it")
		}
		if err := settled(j, p, "pane"); err != nil {
			return store.Change{}, err
		}
		if _, err := t.Orders.TakeOffer(ctx, p.ID, id, s.Now()); err != nil {
			return store.Change{}, err
		}
		who := o.Called()
		if err := s.orderOf(ctx, t, by, j, p, o, zone); err != nil {
			return store.Change{}, err
		}
		return store.Change{Noun: "offer", Item: fmt.Sprint(id), Action: "ordered",
			Said: fmt.Sprintf("ordered from %s for %s", who, money.Text(o.Price)), After: o}, nil
	})
}

// calledOffer is whose offer one is.
func calledOffer(all []source.Offer, id int64) string {
	for _, o := range all {
		if o.ID == id {
			return o.Called()
		}
	}
	return "an offer that is gone"
}

// orderOf writes the order for an offer that is taken, in place of one for the same pane
// that is not sent yet; what is not in its box is a line that somebody else may fill.
func (s *Service) orderOf(ctx context.Context, t *store.Tx, by record.Account, j *record.Job, p *record.Pane,
	o source.Offer,
	zone *time.Location) error {
	had, err := t.Orders.OfJob(ctx, j.ID)
	if err != nil {
		return err
	}
	key, dropped := thing.PaneKey(p.ID), false
	for _, h := range had {
		if h.State != supply.ToSend && h.State != supply.Sent || len(h.Lines) != 1 || h.Lines[0].Key != key {
			continue
		}
		if err := h.Move(supply.Dropped); err != nil {
			return err
		}
		if err := s.keepOrder(ctx, t, j, h); err != nil {
			return err
		}
		dropped = true
	}
	if dropped { // the pane waits no more for what is not coming
		now, err := t.Jobs.Job(ctx, j.ID)
		if err != nil {
			return err
		}
		if q := now.Pane(p.ID); q != nil {
			*p = *q
		}
	}
	house, err := t.Shops.Shop(ctx)
	if err != nil {
		return err
	}
	b := jobview.PaneOf(j, p, house.Unit, nil, jobview.Numbers)
	text := ToOrder(j, b, len(j.Panes) > 1)
	if text == "" {
		text = "the pane: its size follows"
	}
	due := s.dayAfter(o.Days, zone)
	n := supply.Order{Kind: o.Kind, Who: o.Called(), State: supply.Sent, Carriage: o.Carriage, Due: &due, Version: 1,
		Lines: []supply.Line{{Key: key, Pane: p.ID, Text: shorten(text, 300), Milli: 1000, Unit: "pc", Each: o.Price}}}
	if n.ID, err = s.writeOrder(ctx, t, by, j.ID, n); err != nil {
		return err
	}
	if err := s.paneWaits(ctx, t, p, n, n.Lines[0]); err != nil {
		return err
	}
	return s.tickOrder(ctx, t, by, j, p)
}

// tickOrder ticks the step of a pane at which it is ordered, where nothing stands against
// that: who sends an order has ordered.
func (s *Service) tickOrder(ctx context.Context, t *store.Tx, by record.Account, j *record.Job, p *record.Pane) error {
	b := jobview.PaneOf(j, p, length.MM, nil, jobview.Numbers)
	i := slices.IndexFunc(b.Reckoning.Plan.Steps, func(st plan.Step) bool { return st.Station == "source" })
	if i < 0 || b.Reckoning.Plan.Steps[i].Key == jobview.CheckNew || b.Reckoning.Plan.Steps[i].Once {
		return nil
	}
	st := b.Reckoning.Plan.Steps[i]
	if jobview.TickOf(p, st.Key) != nil || s.WaitOf(j, b, st) != nil {
		return nil
	}
	return t.Panes.SetTick(ctx, p.ID, record.Tick{Step: st.Key, Outcome: "done", Version: 1, At: s.Now()}, by.ID)
}
