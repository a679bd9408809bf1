package buy

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/money"
	"freshshard/core/reckon"
	"freshshard/core/source"
	"freshshard/core/supply"
	"freshshard/core/thing"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Orders are what was ordered for a job, and what it lacks that nobody ordered.
type Orders struct {
	Orders []OrderView   `json:"orders"`
	Lacks  []supply.Line `json:"lacks" doc:"What the job needs and is on no order: panes, seals, what is renewed"`
	Spare  []string      `json:"spare" doc:"Keys of that which is wanted only where the old one is not good any more"`
	Looks  []supply.Look `json:"looks" doc:"What is looked at when the pane on the table comes"`
}

// OrderView is an order with how far it is, in words.
type OrderView struct {
	supply.Order
	Says  string `json:"says"`
	Out   bool   `json:"out" doc:"Something of it is still waited for"`
	Late  bool   `json:"late" doc:"It should be here"`
	Cents int64  `json:"cents" doc:"What it comes to"`
}

// Orders lists them.
func (s *Service) Orders(ctx context.Context, at jobview.Bench) (Orders, error) {
	out := Orders{Orders: []OrderView{}, Lacks: []supply.Line{}, Spare: []string{}}
	v, err := s.Work(ctx, at)
	if err != nil {
		return out, err
	}
	all, err := s.Store.Orders.OfJob(ctx, at.Job)
	if err != nil {
		return out, err
	}
	on := map[string]bool{}
	for _, o := range all {
		out.Orders = append(out.Orders, OrderView{o, o.Say(), o.Out(), o.Out() && o.Due != nil && o.Due.Before(s.Now()),
			o.Cents()})
		for _, l := range o.Lines {
			on[l.Key] = on[l.Key] || o.Counts(l, all)
		}
	}
	var spare []string
	out.Lacks, spare = Lacks(v, on)
	out.Spare = append(out.Spare, spare...)
	out.Looks = supply.Looks(looking(&v.Job, jobview.Pane{Pane: v.Pane, Reckoning: v.Reckoning}))
	return out, nil
}

// looking is what decides what is looked at when a pane comes.
func looking(j *record.Job, b jobview.Pane) supply.Facts {
	r := &b.Reckoning
	return supply.Facts{Part: r.Road.Part && r.Road.ID != "window", Wall: r.Road.ID == "window",
		Mark:  j.Object.Stamp != "" || j.Object.Vehicle,
		Faced: r.Material.Streaked() || strings.HasSuffix(r.Material.ID, "-coated"),
		Holes: len(r.Fit.Holes) > 0, Curved: b.Pane.Shape.Curved, Glass: !r.Material.Plastic && !r.Material.Other}
}

// Lacks are what a job needs: each new pane as it is ordered, its seal, and what the
// strip log says is renewed. Half of all second visits are for a seal that nobody
// ordered. What is on an order, by its key, is left out. Spare are the keys of what is wanted only
// where the old one, that goes back, is not good any more. Common practice, no source.
func Lacks(v jobview.View, on map[string]bool) (lacks []supply.Line, spare []string) {
	var panes []thing.New
	for _, b := range v.Benches {
		r := &b.Reckoning
		if r.Road.ID == "stays" || r.Road.ID == "kept" {
			continue // nothing new goes in
		}
		p := thing.New{ID: b.Pane.ID, Text: ToOrder(&v.Job, b, len(v.Benches) > 1),
			Gasket: thing.Called(string(b.Pane.Gasket.Kind), b.Pane.Gasket.Free)}
		// As it was reckoned, mm: what is shown is in the unit of whoever looks, and not in a list.
		for _, f := range r.Fit.Figures {
			if f.Key == "gasket_length" && r.Road.Sized {
				p.Length = f.Value
			}
		}
		panes = append(panes, p)
	}
	lacks = []supply.Line{}
	for _, w := range thing.Wanted(panes, jobview.Noted(&v.Job)) {
		if on[w.Key] || w.Was != "" && on[w.Was] {
			continue
		}
		l := supply.Line{Key: w.Key, Text: w.What, Milli: w.Milli, Unit: w.Unit}
		if w.Spare {
			spare = append(spare, w.Key)
		}
		if w.Kind == thing.Pane {
			l.Pane = w.Pane
		}
		if w.Why != "" {
			l.Text = shorten(w.What+" ("+w.Why+")", 300)
		}
		lacks = append(lacks, l)
	}
	return lacks, spare
}

// ToOrder is a pane as it is ordered, with its mark and which side is out.
func ToOrder(j *record.Job, b jobview.Pane, several bool) string {
	text := b.Reckoning.Order
	if text == "" || b.Reckoning.Withheld != "" || b.Reckoning.Unsettled() {
		return ""
	}
	if several {
		text = jobview.Name(b.Pane) + ": " + text
	}
	if b.Reckoning.Road.Sized && b.Pane.Stock == "" {
		text += ", edges seamed"
	}
	if j.Object.Stamp != "" {
		text += ", mark: " + j.Object.Stamp
	}
	return text
}

// NewOrder is an order that is to be written.
type NewOrder struct {
	Kind     source.Kind   `json:"kind" enum:"stock,cutter,maker,parts,post,salvage"`
	Who      string        `json:"who" maxLength:"80"`
	Lines    []supply.Line `json:"lines" minItems:"1" maxItems:"60"`
	Carriage int64         `json:"carriage,omitempty" minimum:"0" maximum:"100000000"`
	Days     int           `json:"days" minimum:"0" maximum:"365"`
	Note     string        `json:"note,omitempty" maxLength:"500"`
}

// order checks what is to be ordered for a job.
func (in NewOrder) order(j *record.Job) (supply.Order, error) {
	o := supply.Order{Kind: in.Kind, Who: in.Who, State: supply.ToSend, Lines: slices.Clone(in.Lines),
		Carriage: in.Carriage,
		Note:     in.Note}
	var err error
	if o.Who, err = typed.Text("who", o.Who, 80, true); err != nil {
		return o, err
	}
	if o.Note, err = typed.Text("note", o.Note, 500, false); err != nil {
		return o, err
	}
	if !slices.ContainsFunc(source.Usuals, func(u source.Usual) bool { return u.Kind == o.Kind }) {
		return o, fault.New("kind", "no such source is known", "choose one of the list")
	}
	for i := range o.Lines {
		l := &o.Lines[i]
		if l.Text, err = typed.Text(fmt.Sprintf("lines[%d].text", i), l.Text, 300, true); err != nil {
			return o, err
		}
		if l.Key == "" {
			l.Key = fmt.Sprintf("own-%d", i+1)
		}
		if l.Pane != 0 && (j.Pane(l.Pane) == nil || l.Key != thing.PaneKey(l.Pane)) {
			return o, &record.NotFound{What: "this pane"}
		}
		l.Found, l.Finding = supply.Unseen, ""
	}
	return o, o.Check()
}

// AddOrder writes an order; a retry with the same key writes it once. Its panes wait for
// it from when it is sent.
func (s *Service) AddOrder(ctx context.Context, by record.Account, key string, job int64, in NewOrder,
	zone *time.Location) error {
	request := struct {
		Job int64
		In  NewOrder
	}{job, in}
	_, err := s.CreateBehind(ctx, by, key, "order", request, s.LockOpen(ctx, job), func(t *store.Tx) (int64, error) {
		j, err := t.Jobs.Job(ctx, job)
		if err != nil {
			return 0, err
		}
		o, err := in.order(&j)
		if err != nil {
			return 0, err
		}
		for i, l := range o.Lines {
			if l.Pane == 0 {
				continue
			}
			if err := settled(&j, j.Pane(l.Pane), fmt.Sprintf("lines[%d]", i)); err != nil {
				return 0, err
			}
		}
		if err := s.notOrdered(ctx, t, job, o); err != nil {
			return 0, err
		}
		due := s.dayAfter(in.Days, zone)
		o.Due = &due
		return s.writeOrder(ctx, t, by, job, o)
	})
	return err
}

// settled refuses to order a pane of which nobody has settled what it is made of.
func settled(j *record.Job, p *record.Pane, field string) error {
	h, err := reckon.Hold(jobview.Known(j, p, length.MM))
	if err != nil || !h.Unsettled() {
		return err
	}
	return fault.New(field, jobview.Name(*p)+": nobody has chosen what it is made of",
		"choose it at Choose, then order it")
}

// notOrdered refuses a thing that is on another order of the job which is still to come: two
// screens order nothing twice.
func (s *Service) notOrdered(ctx context.Context, t *store.Tx, job int64, o supply.Order) error {
	had, err := t.Orders.OfJob(ctx, job)
	if err != nil {
		return err
	}
	coming := []supply.State{supply.ToSend, supply.Sent, supply.Confirmed}
	for i, l := range o.Lines {
		for _, h := range had {
			same := func(k supply.Line) bool { return k.Key == l.Key && k.Found == supply.Unseen }
			if !strings.HasPrefix(l.Key, "own-") && slices.Contains(coming, h.State) && slices.ContainsFunc(h.Lines, same) {
				return fault.New(fmt.Sprintf("lines[%d]", i), fmt.Sprintf("it is on order %d already, at %s", h.ID, h.Who),
					"leave it out, or cancel that order first")
			}
		}
	}
	return nil
}

// dayAfter is noon of a day so many days on, in the shop's own zone.
func (s *Service) dayAfter(days int, zone *time.Location) time.Time {
	y, m, d := s.Now().In(zone).Date()
	return time.Date(y, m, d+days, DeliveryHour, 0, 0, 0, zone).UTC()
}

func (s *Service) writeOrder(ctx context.Context, t *store.Tx, by record.Account, job int64, o supply.Order) (int64,
	error) {
	id, err := t.Orders.AddOrder(ctx, job, o, by.ID, s.Now())
	if err != nil {
		return 0, err
	}
	if err := t.Search.IndexJob(ctx, job); err != nil {
		return 0, err
	}
	if err := t.Jobs.TouchJob(ctx, job); err != nil {
		return 0, err
	}
	return id, t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "order", Item: fmt.Sprint(id),
		Action: "written", Said: fmt.Sprintf("order %d at %s over %s", id, o.Who, money.Text(o.Cents())), After: o})
}

// OrderStep takes an order on: sent, confirmed for a day, or cancelled.
type OrderStep struct {
	State   supply.State `json:"state" enum:"sent,confirmed,dropped"`
	Due     *time.Time   `json:"due,omitempty" doc:"When it should be here; as it was for nothing"`
	Version int          `json:"version"`
}

// MoveOrder takes an order on.
func (s *Service) MoveOrder(ctx context.Context, by record.Account, at jobview.Bench, id int64, in OrderStep) error {
	return s.orderChange(ctx, by, at, id, in.Version, func(_ *record.Job, o *supply.Order) (string, error) {
		if in.Due != nil {
			o.Due = in.Due
		}
		err := o.Move(in.State)
		said := string(in.State)
		if in.State == supply.Dropped {
			said = "cancelled"
		}
		return said, err
	})
}

// Came is what came of an order.
type Came struct {
	Lines   []supply.Seen `json:"lines" maxItems:"60" doc:"What is not good, or good with a word; the rest is good"`
	W       string        `json:"w,omitempty" maxLength:"40" doc:"Width of the pane on the table as read, in any unit"`
	H       string        `json:"h,omitempty" maxLength:"40"`
	Due     *time.Time    `json:"due,omitempty" doc:"When what is still to come should be here"`
	Version int           `json:"version"`
}

// OrderCame notes what came. What is wrong goes back with its finding, and the pane
// waits on; a step that said the pane was looked at is open again.
func (s *Service) OrderCame(ctx context.Context, by record.Account, at jobview.Bench, id int64, in Came) error {
	return s.orderChange(ctx, by, at, id, in.Version, func(j *record.Job, o *supply.Order) (string, error) {
		for i := range in.Lines {
			var err error
			if in.Lines[i].Finding, err = typed.Text(fmt.Sprintf("lines[%d].finding", i), in.Lines[i].Finding, 300,
				false); err != nil {
				return "", err
			}
		}
		seen, err := s.sizedUp(ctx, j, at, o, in)
		if err != nil {
			return "", err
		}
		if in.Due != nil {
			o.Due = in.Due
		}
		if err := o.Arrive(seen); err != nil {
			return "", err
		}
		said := o.Say()
		for _, l := range o.Lines {
			if l.Found != supply.Good {
				said += "; " + l.Text + ": " + strings.TrimSpace(string(l.Found)+" "+l.Finding)
			}
		}
		return said, nil
	})
}

// sizedUp holds the size that was read against what was ordered: a pane beyond the
// cutter's band is not good without a word.
func (s *Service) sizedUp(ctx context.Context, j *record.Job, at jobview.Bench, o *supply.Order,
	in Came) ([]supply.Seen, error) {
	if strings.TrimSpace(in.W) == "" && strings.TrimSpace(in.H) == "" {
		return in.Lines, nil
	}
	p, err := jobview.Find(j, at)
	if err != nil {
		return nil, err
	}
	unit, err := s.Store.Shops.UnitFor(ctx, at.Job, at.By)
	if err != nil {
		return nil, err
	}
	r := jobview.PaneOf(j, p, unit, nil, jobview.Numbers).Reckoning
	m := supply.Measured{W: r.Fit.Order.W, H: r.Fit.Order.H, Band: r.Fit.Band.Half}
	for _, f := range []struct {
		name, text string
		to         *float64
	}{{"w", in.W, &m.ReadW}, {"h", in.H, &m.ReadH}} {
		if strings.TrimSpace(f.text) == "" {
			continue
		}
		v, err := typed.Length(f.name, f.text, unit, length.Tape)
		if err != nil {
			return nil, err
		}
		*f.to = v.Value
	}
	figures, err := m.Judge(unit)
	if err != nil {
		return nil, err
	}
	finding := supply.Finding(figures)
	if finding == "" {
		return in.Lines, nil
	}
	key := thing.PaneKey(p.ID)
	i := slices.IndexFunc(in.Lines, func(f supply.Seen) bool { return f.Key == key })
	switch {
	case i < 0 && slices.ContainsFunc(o.Lines, func(l supply.Line) bool { return l.Key == key }):
		return append(slices.Clone(in.Lines), supply.Seen{Key: key, Found: supply.Wrong, Finding: finding}), nil
	case i >= 0 && in.Lines[i].Found == supply.Good && in.Lines[i].Finding == "":
		return nil, fault.New(fmt.Sprintf("lines[%d].finding", i), finding,
			"send it back, or say why it is taken all the same")
	case i >= 0 && !strings.Contains(in.Lines[i].Finding, finding):
		seen := slices.Clone(in.Lines)
		seen[i].Finding = strings.TrimPrefix(seen[i].Finding+"; "+finding, "; ")
		return seen, nil
	}
	return in.Lines, nil
}

// orderChange changes an order at the version that the person saw; the panes on it wait
// as it says.
func (s *Service) orderChange(ctx context.Context, by record.Account, at jobview.Bench, id int64, version int,
	f func(*record.Job, *supply.Order) (string, error)) error {
	return s.Change(ctx, by, at.Job, func(t *store.Tx) (store.Change, error) {
		o, err := t.Orders.Order(ctx, at.Job, id)
		if err != nil {
			return store.Change{}, err
		}
		if o.Version != version {
			return store.Change{}, change.Stale("this order")
		}
		j, err := t.Jobs.Job(ctx, at.Job)
		if err != nil {
			return store.Change{}, err
		}
		before := o
		said, err := f(&j, &o)
		if err != nil {
			return store.Change{}, err
		}
		if err := s.keepOrder(ctx, t, &j, o); err != nil {
			return store.Change{}, err
		}
		for _, l := range o.Lines {
			if p := j.Pane(l.Pane); l.Pane != 0 && p != nil && o.State == supply.Sent {
				if err := s.tickOrder(ctx, t, by, &j, p); err != nil {
					return store.Change{}, err
				}
			}
		}
		return store.Change{Noun: "order", Item: fmt.Sprint(id), Action: "changed",
			Said: fmt.Sprintf("order %d at %s: %s", id,
				o.Who, said), Before: before, After: o}, nil
	})
}

// keepOrder writes an order as it stands, and how its panes wait.
func (s *Service) keepOrder(ctx context.Context, t *store.Tx, j *record.Job, o supply.Order) error {
	found, err := t.Orders.SetOrder(ctx, j.ID, o, s.Now())
	if err != nil {
		return err
	}
	if !found {
		return change.Stale("this order")
	}
	for _, l := range o.Lines {
		if l.Pane == 0 {
			continue
		}
		p := j.Pane(l.Pane)
		if p == nil {
			continue // it was taken out of the object since
		}
		was := jobview.PaneOf(j, p, length.MM, nil, jobview.Numbers)
		if err := s.paneWaits(ctx, t, p, o, l); err != nil {
			return err
		}
		if o.State == supply.Back && l.Found != supply.Good {
			if err := s.comesOut(ctx, t, j, p, was); err != nil {
				return err
			}
		}
	}
	return nil
}

// waitsFor is what a pane that is on an order waits for.
func waitsFor(o supply.Order) string { return jobview.FromOrder + o.Who }

// WaitsOn says whether a wait stands for an order: by its whole name, not by how that
// begins.
func WaitsOn(wait string, o supply.Order) bool {
	return wait == waitsFor(o) || strings.HasPrefix(wait, waitsFor(o)+", which was wrong")
}

// paneWaits lets a pane wait for its line of an order, or no longer.
func (s *Service) paneWaits(ctx context.Context, t *store.Tx, p *record.Pane, o supply.Order, l supply.Line) error {
	was := *p
	switch {
	case o.Out() && l.Found != supply.Good:
		p.WaitsFor, p.WaitsUntil = waitsFor(o), o.Due
		if o.State == supply.Back && l.Found == supply.Wrong {
			p.WaitsFor += ", which was wrong: " + l.Finding
		}
	case WaitsOn(p.WaitsFor, o):
		p.WaitsFor, p.WaitsUntil = "", nil
	}
	p.WaitsFor = shorten(p.WaitsFor, mostWait)
	if p.WaitsFor == was.WaitsFor && sameTime(p.WaitsUntil, was.WaitsUntil) {
		return nil
	}
	found, err := t.Panes.SetPane(ctx, *p)
	if err == nil && !found {
		err = change.Stale("what the pane waits for")
	}
	return err
}

// comesOut opens again what was built on a pane that goes back: it is not in its seat, and nothing
// that was proved of it holds. What did not stand before stays as it is.
func (s *Service) comesOut(ctx context.Context, t *store.Tx, j *record.Job, p *record.Pane, was jobview.Pane) error {
	fell := jobview.PaneOf(j, p, length.MM, nil, jobview.Numbers).FellSince(was)
	for _, st := range fell.Steps {
		if err := t.Panes.ClearTick(ctx, jobview.TickedOn(j, p, st.Key).ID, st.Key); err != nil {
			return err
		}
	}
	for _, key := range fell.Checks {
		if err := t.Panes.ClearAnswer(ctx, jobview.CheckedOn(j, p, key).ID, key); err != nil {
			return err
		}
	}
	if !fell.Out {
		return nil
	}
	for _, c := range p.Cures {
		if err := t.Cures.DropCure(ctx, p.ID, c.ID); err != nil {
			return err
		}
	}
	return nil
}

// mostWait is how long what a pane waits for may be, characters.
const mostWait = 200

func shorten(s string, most int) string {
	if r := []rune(s); len(r) > most {
		return string(r[:most-1]) + "…"
	}
	return s
}

func sameTime(a, b *time.Time) bool {
	return a == nil && b == nil || a != nil && b != nil && a.Equal(*b)
}

// cameWith is the order that a pane's wait stands for: it comes when the wait is over,
// and is on its way again when that is taken back.
func (s *Service) cameWith(ctx context.Context, t *store.Tx, j *record.Job, p *record.Pane, before string) error {
	all, err := t.Orders.OfJob(ctx, j.ID)
	if err != nil {
		return err
	}
	for _, o := range all {
		i := slices.IndexFunc(o.Lines, func(l supply.Line) bool { return l.Pane == p.ID })
		switch {
		case i < 0:
			continue
		case p.WaitsFor == "" && o.Out() && WaitsOn(before, o):
			err = o.Arrive(nil)
		case before == "" && o.State == supply.Here && WaitsOn(p.WaitsFor, o):
			o.State, o.Lines = supply.Sent, slices.Clone(o.Lines)
			for k := range o.Lines {
				o.Lines[k].Found, o.Lines[k].Finding = supply.Unseen, ""
			}
		default:
			continue
		}
		if err != nil {
			return err
		}
		found, err := t.Orders.SetOrder(ctx, j.ID, o, s.Now())
		if err == nil && !found {
			err = errors.New("an order changed under its job's lock")
		}
		return err
	}
	return nil
}
