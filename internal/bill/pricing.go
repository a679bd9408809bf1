package bill

import (
	"context"
	"fmt"
	"slices"
	"time"

	"freshshard/core/fault"
	"freshshard/core/money"
	"freshshard/core/owed"
	"freshshard/core/price"
	"freshshard/core/source"
	"freshshard/core/supply"
	"freshshard/core/thing"
	"freshshard/core/usual"
	"freshshard/internal/buy"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/standing"
	"freshshard/internal/stock"
	"freshshard/internal/store"
	"freshshard/internal/typed"
)

// Priced is what a job costs the customer, with the papers that were written.
type Priced struct {
	price.Sheet
	Rates   price.Rates   `json:"rates"`
	Adjust  price.Adjust  `json:"adjust"`
	Papers  []record.Bill `json:"papers" doc:"In the order in which they were written"`
	Quoted  int64         `json:"quoted" doc:"The last quote's total, 0 for none"`
	Above   int64         `json:"above" doc:"How much the likely total is above it"`
	Billed  bool          `json:"billed" doc:"An invoice stands"`
	MayBill string        `json:"may_bill,omitempty" doc:"Why no invoice can be written yet"`
	Owed
}

// Owed is how a job stands with its customer.
type Owed struct {
	Account  owed.Account   `json:"account"`
	Payments []owed.Payment `json:"payments" doc:"In the order in which they were written down"`
	Payer    record.Payer   `json:"payer"`
	Currency string         `json:"currency,omitempty"`
	XML      bool           `json:"xml" doc:"The shop has said what an invoice in XML needs"`
	Asked    *Asked         `json:"asked,omitempty" doc:"How the last quote stands with the customer"`
}

// Rates are what the shop asks, the usual ones where nobody set them.
func (s *Service) Rates(ctx context.Context) (price.Rates, error) {
	r, ok, err := s.Store.Bills.Rates(ctx)
	if err == nil && !ok {
		r = price.Usual
	}
	return r, err
}

// SetRates keeps them; an owner does.
func (s *Service) SetRates(ctx context.Context, by record.Account, r price.Rates) error {
	if by.Role != record.Owner {
		return &record.Denied{Why: "Only an owner changes the rates."}
	}
	if err := r.Check(); err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.Bills.SetRates(ctx, r)
		if err == nil && !found {
			err = change.Stale("the rates")
		}
		if err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "rates", Action: "changed",
			Said: "the rates were changed", After: r})
	})
}

// Price reckons what a job costs.
func (s *Service) Price(ctx context.Context, at jobview.Bench) (Priced, error) {
	p, _, _, err := s.priced(ctx, at.Job)
	return p, err
}

func (s *Service) priced(ctx context.Context, job int64) (Priced, price.Job, jobview.View, error) {
	out := Priced{}
	v, err := s.Work(ctx, jobview.First(job))
	if err != nil {
		return out, price.Job{}, v, err
	}
	if out.Rates, err = s.Rates(ctx); err != nil {
		return out, price.Job{}, v, err
	}
	if out.Adjust, err = s.Store.Bills.Priced(ctx, job); err != nil {
		return out, price.Job{}, v, err
	}
	if out.Papers, err = s.Store.Bills.OfJob(ctx, job); err != nil {
		return out, price.Job{}, v, err
	}
	if out.Owed, err = s.owed(ctx, job, out.Papers); err != nil {
		return out, price.Job{}, v, err
	}
	if out.Asked, err = s.Yes.asked(ctx, job, out.Papers, v.Job.Signed || v.Job.Withdrawn != nil); err != nil {
		return out, price.Job{}, v, err
	}
	j := toPrice(v)
	j.Adjust = out.Adjust
	if j.Materials, err = s.materials(ctx, v); err != nil {
		return out, j, v, err
	}
	asked := out.Rates
	if out.Payer.TaxFree != "" {
		asked.Tax = 0
	}
	if out.Sheet, err = price.Reckon(j, asked); err != nil {
		return out, j, v, err
	}
	out.stands(v)
	return out, j, v, nil
}

// owed is how a job stands with its customer.
func (s *Service) owed(ctx context.Context, job int64, papers []record.Bill) (out Owed, err error) {
	if out.Payments, err = s.Store.Bills.Payments(ctx, job); err != nil {
		return out, err
	}
	if out.Payer, err = s.Store.Bills.Payer(ctx, job); err != nil {
		return out, err
	}
	head, err := s.Store.Bills.Letterhead(ctx)
	out.Currency, out.XML = head.Currency, head.Currency != "" && head.Postal.Country != ""
	out.Account = owed.Stand(owes(papers), out.Payments, s.Now().In(s.TimeZone()))
	return out, err
}

// stands says what was quoted, whether an invoice stands, and why none can be written.
func (out *Priced) stands(v jobview.View) {
	for _, b := range out.Papers {
		switch b.Kind {
		case price.Quote:
			out.Quoted = b.Total
		case price.Invoice:
			out.Billed = true
		case price.Credit:
			out.Billed = false
		}
	}
	if out.Quoted > 0 {
		out.Above = max(0, out.Total.Cents-out.Quoted)
	}
	switch {
	case !v.Job.Signed && v.Job.Withdrawn == nil:
		out.MayBill = "the job is not signed off yet"
	case out.Billed:
		out.MayBill = "an invoice stands; take it back first"
	}
}

// toPrice is the work of a job: its steps, once each for the object, those that were
// left out marked.
func toPrice(v jobview.View) price.Job {
	j := price.Job{Site: v.Job.Place == "site", Done: v.Job.Signed || v.Job.Withdrawn != nil, Stripped: true}
	counted := map[string]bool{}
	for _, b := range v.Benches {
		if b.Reckoning.Road.ID != "stays" && b.Reckoning.Road.ID != "kept" {
			o := b.Reckoning.Fit.Order // mm
			j.Broken = append(j.Broken, o.W*o.H/1e6)
		}
		left := map[string]string{}
		for _, t := range b.Pane.Ticks {
			left[t.Step] = t.Outcome
		}
		for _, st := range b.Reckoning.Plan.Steps {
			if counted[st.Key] && st.Once {
				continue
			}
			counted[st.Key] = true
			j.Works = append(j.Works, price.Work{Station: string(st.Station), Minutes: st.Minutes, People: st.People,
				// Of a job that came to nothing only what was done is asked for.
				Left: left[st.Key] == "left-out" || v.Job.Withdrawn != nil && left[st.Key] != "done"})
			if st.Station == "strip" && left[st.Key] == "" {
				j.Stripped = false
			}
		}
	}
	return j
}

// materials are what goes into a job, at cost: what was ordered, what was taken out of
// the stores for it, what others ask for its panes, and what nobody was asked for.
func (s *Service) materials(ctx context.Context, v jobview.View) ([]price.Material, error) {
	orders, err := s.Store.Orders.OfJob(ctx, v.Job.ID)
	if err != nil {
		return nil, err
	}
	out, on := ordered(orders, v.Job.Signed)
	used, err := s.Store.Stocks.Used(ctx, v.Job.ID)
	if err != nil {
		return nil, err
	}
	for _, u := range used {
		out = append(out, price.Material{Key: fmt.Sprintf("stock-%d", u.ID), Text: stock.Called(u), Milli: milli(u.Quantity),
			Unit: u.Unit, Low: u.Cents, Each: u.Cents, High: u.Cents, Known: u.Cents > 0, Why: "out of the stores"})
	}
	lacks, spare := buy.Lacks(v, on)
	for _, b := range v.Benches {
		l := slices.IndexFunc(lacks, func(l supply.Line) bool { return l.Key == thing.PaneKey(b.Pane.ID) })
		if on[thing.PaneKey(b.Pane.ID)] || b.Reckoning.Road.ID == "stays" || b.Reckoning.Road.ID == "kept" {
			continue
		}
		m := price.Material{Key: thing.PaneKey(b.Pane.ID), Text: "the pane", Milli: 1000, Unit: "pc",
			Why: "nobody was asked yet"}
		if len(v.Benches) > 1 {
			m.Text = jobview.Name(b.Pane)
		}
		if l >= 0 {
			m.Text = lacks[l].Text
		}
		if err := s.paneCost(ctx, v.Job.ID, b, &m); err != nil {
			return nil, err
		}
		out = append(out, m)
	}
	for _, l := range lacks {
		if l.Pane == 0 && !slices.Contains(spare, l.Key) {
			out = append(out, price.Material{Key: l.Key, Text: l.Text, Milli: l.Milli, Unit: l.Unit,
				Why: "on no order yet, and not taken out of the stores"})
		}
	}
	return out, nil
}

// ordered are what was ordered, with its carriage, and the keys of it. Nobody pays for what went
// back, nor for what never came to a job that is done.
func ordered(orders []supply.Order, signed bool) ([]price.Material, map[string]bool) {
	out, on := []price.Material{}, map[string]bool{}
	for _, o := range orders {
		counted := false
		for _, l := range o.Lines {
			if !o.Counts(l, orders) || signed && (l.Found == supply.Wrong || l.Found == supply.Missing) {
				continue
			}
			counted, on[l.Key] = true, true
			out = append(out, price.Material{Key: fmt.Sprintf("order-%d-%s", o.ID, l.Key), Text: l.Text, Milli: l.Milli,
				Unit: l.Unit, Low: l.Each, Each: l.Each, High: l.Each, Known: l.Each > 0 || o.Kind == source.Own,
				Why: "ordered at " + o.Who})
		}
		if o.Carriage > 0 && counted {
			out = append(out, price.Material{Key: fmt.Sprintf("carriage-%d", o.ID), Text: "Carriage, " + o.Who, Milli: 1000,
				Unit: "pc", Low: o.Carriage, Each: o.Carriage, High: o.Carriage, Known: true, Why: "ordered at " + o.Who})
		}
	}
	return out, on
}

// milli are thousandths of a quantity; it is kept to a thousandth.
func milli(quantity float64) int64 { return int64(quantity*1000 + 0.5) }

// paneCost is what a pane that is on no order costs: what others ask for it, or its share
// of the sheet where it is cut here, with the blanks that it takes to have one good.
func (s *Service) paneCost(ctx context.Context, job int64, b jobview.Pane, m *price.Material) error {
	asked, err := s.Buy.Offers(ctx, jobview.Bench{Job: job, Pane: b.Pane.ID})
	if err != nil {
		return err
	}
	// What is ruled out is nobody's price; the first of the rest is the likely one.
	good := slices.DeleteFunc(asked.Offers, func(o source.Ranked) bool { return o.Out != "" })
	for i, o := range good {
		c := o.Price + o.Carriage + o.Missing
		if i == 0 {
			m.Low, m.Each, m.High = c, c, c
		}
		m.Low, m.High = min(m.Low, c), max(m.High, c)
	}
	if len(good) > 0 {
		m.Known, m.Why = true, fmt.Sprintf("by %d who were asked", len(good))
		return nil
	}
	cut, err := s.Store.Stocks.CutPanes(ctx)
	if err != nil {
		return err
	}
	if standing.ToCutEver(b) == nil && !cut[b.Pane.ID] {
		return nil
	}
	return s.cutCost(ctx, b, m)
}

// cutCost is what a pane costs that is cut here: its share of what it is cut from, with the blanks
// that break.
func (s *Service) cutCost(ctx context.Context, b jobview.Pane, m *price.Material) error {
	r := &b.Reckoning
	kept, err := s.Store.Stocks.Stock(ctx, true)
	if err != nil {
		return err
	}
	own, err := s.Store.Shops.Own(ctx)
	if err != nil {
		return err
	}
	w, h := r.Fit.Order.W, r.Fit.Order.H
	for _, k := range kept {
		k.Quantity = 1 // of what is out of kept the price still holds
		outside := 0.0
		if k.Kind == record.TubeStock {
			outside = standing.ToTenth(w)
		}
		if k.Kind == record.OffcutStock || k.Cents == 0 ||
			!(stock.Glass{Material: r.Material.ID, Thickness: r.Thickness, Outside: outside}).CutFrom(own, k) {
			continue
		}
		part := w * h / (k.W * k.H)
		if k.Kind == record.TubeStock {
			part = h / k.H
		}
		share := int64(float64(k.Cents)*part + 0.5)
		t, err := s.Stock.SparesFor(ctx, record.Account{}, r.Material.ID, r.Fit.Form != "rectangle",
			usual.Of(own, usual.SpareSure)/100)
		blanks := int64(1)
		if err == nil {
			blanks = int64(t.Blanks)
		}
		m.Known, m.Low, m.Each, m.High = true, share, money.Over(share*(blanks+1), 2), share*blanks
		m.Why = fmt.Sprintf("its share of a sheet at %s, 1 to %d blanks", money.Text(k.Cents), blanks)
		return nil
	}
	return nil
}

// SetPrice keeps what a person changed on the price of a job, at the version on the
// screen. A signed job's price may still change: its ticket says nothing of money.
func (s *Service) SetPrice(ctx context.Context, by record.Account, job int64, a price.Adjust) error {
	var err error
	if a.Note, err = typed.Text("note", a.Note, 500, false); err != nil {
		return err
	}
	for i := range a.Own {
		if a.Own[i].Text, err = typed.Text(fmt.Sprintf("own[%d].text", i), a.Own[i].Text, 120, true); err != nil {
			return err
		}
	}
	if err := a.Check(); err != nil {
		return err
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if _, err := t.Jobs.JobState(ctx, job); err != nil {
			return err
		}
		was, err := t.Bills.Priced(ctx, job)
		if err != nil {
			return err
		}
		found, err := t.Bills.SetPriced(ctx, job, a)
		if err == nil && !found {
			err = change.Stale("the price")
		}
		if err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "price", Action: "changed",
			Said: "the price was changed", Before: was, After: a})
	})
}

// Paper is what is to be written: a quote, an invoice, or a credit that takes one back.
type Paper struct {
	Kind   price.Kind `json:"kind" enum:"quote,invoice,credit"`
	Total  int64      `json:"total" doc:"As it stands on the screen, so that nothing else is written"`
	Agreed string     `json:"agreed,omitempty" maxLength:"300" doc:"What was agreed above the quote; why, for a credit"`
}

// Write writes a paper under its number; a retry with the same key writes it once.
func (s *Service) Write(ctx context.Context, by record.Account, key string, job int64, in Paper) error {
	if in.Kind == price.Credit {
		if err := people.OwnerOnly(by); err != nil {
			return err
		}
	}
	var err error
	if in.Agreed, err = typed.Text("agreed", in.Agreed, 300, in.Kind == price.Credit); err != nil {
		return err
	}
	request := struct {
		Job int64
		In  Paper
	}{job, in}
	// Reckoned before the lock: who holds it asks for no second connection.
	p, j, v, err := s.priced(ctx, job)
	if err != nil {
		return err
	}
	head, err := s.Store.Bills.Letterhead(ctx)
	if err != nil {
		return err
	}
	lock := func(t *store.Tx) error { return t.Shops.LockShop(ctx) }
	_, err = s.CreateBehind(ctx, by, key, "bill", request, lock, func(t *store.Tx) (int64, error) {
		had, err := t.Bills.OfJob(ctx, job)
		if err != nil {
			return 0, err
		}
		if len(had) != len(p.Papers) {
			return 0, &record.Conflict{Says: "Somebody else wrote a paper for this job a moment ago. Look at it first."}
		}
		b := record.Bill{Job: job, Customer: v.Job.Customer.Name, Phone: v.Job.Customer.Phone, Object: v.Job.Object.Name,
			Agreed: in.Agreed, At: s.Now()}
		if head.Version > 0 {
			b.From = &head
		}
		if p.Payer.Version > 0 {
			b.Payer = &p.Payer
		}
		if err := s.fill(&b, p, j, v, in); err != nil {
			return 0, err
		}
		if b.Kind != price.Credit && b.Total != in.Total {
			return 0, &record.Conflict{Says: fmt.Sprintf("The price is %s now. What was on your screen is not written.",
				money.Text(b.Total))}
		}
		id, err := t.Bills.AddBill(ctx, b, by.ID)
		if err != nil {
			return 0, err
		}
		return id, s.written(ctx, t, by, b, id)
	})
	return err
}

// written is what follows from a paper: a quote is asked about anew, it is found by its words, and it
// stands in the trail.
func (s *Service) written(ctx context.Context, t *store.Tx, by record.Account, b record.Bill, id int64) error {
	if b.Kind == price.Quote {
		if err := s.Yes.anew(ctx, t, b.Job); err != nil {
			return err
		}
	}
	if err := t.Search.IndexJob(ctx, b.Job); err != nil {
		return err
	}
	return t.Trail.Audit(ctx, store.Change{Job: b.Job, Account: by.ID, At: s.Now(), Noun: string(b.Kind),
		Item: fmt.Sprint(id), Action: "written", Said: fmt.Sprintf("%s over %s", b.Kind, money.Text(b.Total)), After: b})
}

// fill is what a paper says.
func (s *Service) fill(b *record.Bill, p Priced, j price.Job, v jobview.View, in Paper) error {
	var err error
	switch in.Kind {
	case price.Quote:
		until := s.Now().AddDate(0, 0, p.Rates.Days).Truncate(time.Minute)
		b.Until = &until
		b.Bill, err = p.Quote(j, priceFacts(v))
		b.Ahead = money.Part(b.Total, p.Rates.Deposit)
	case price.Invoice:
		if p.MayBill != "" {
			return &record.Conflict{Says: "No invoice yet: " + p.MayBill + "."}
		}
		b.Bill, err = p.Bill(j)
		due := s.Now().AddDate(0, 0, p.Rates.Terms).Truncate(time.Minute)
		b.Due, b.Had = &due, min(b.Total, max(0, -p.Account.Open))
		if p.Quoted > 0 && b.Above(p.Quoted) > 0 && in.Agreed == "" {
			return fault.New("agreed", fmt.Sprintf("it is %s above what was quoted", money.Text(b.Above(p.Quoted))),
				"say what was agreed with the customer, or bring it down")
		}
	case price.Credit:
		i := len(p.Papers) - 1
		for i >= 0 && p.Papers[i].Kind != price.Invoice {
			i--
		}
		if !p.Billed || i < 0 {
			return &record.Conflict{Says: "There is no invoice to take back."}
		}
		was := p.Papers[i]
		b.Bill, b.Of, b.Payer = was.Back(), was.ID, was.Payer
	default:
		return fault.New("kind", "a quote, an invoice or a credit is expected", "choose one of the three")
	}
	return err
}

// priceFacts are what the limits of a quote depend on.
func priceFacts(v jobview.View) price.Facts {
	o := v.Job.Object
	f := price.Facts{Plant: o.Gas || o.Power, Driven: o.Vehicle && o.Moves != "trailer"}
	for _, b := range v.Benches {
		f.Plant = f.Plant || b.Pane.Duty.Pressure > 0
		if t := buy.ToOrder(&v.Job, b, len(v.Benches) > 1); t != "" {
			f.Made = append(f.Made, t)
		} else {
			f.Made = append(f.Made, jobview.Name(b.Pane))
		}
	}
	for _, k := range v.Stops {
		if k.Taken == nil {
			f.Stopped = append(f.Stopped, k.Says)
		}
	}
	return f
}

// Bill is one paper of a job as it was written, with the shop that wrote it.
func (s *Service) Bill(ctx context.Context, job, id int64) (record.Bill, record.Shop, error) {
	b, err := s.Store.Bills.Bill(ctx, job, id)
	if err != nil {
		return b, record.Shop{}, err
	}
	shop, err := s.Store.Shops.Shop(ctx)
	return b, shop, err
}

// Ledger lists invoices and credits of the days from one to another, both with; an owner's
// to read.
func (s *Service) Ledger(ctx context.Context, by record.Account, from, to time.Time) ([]record.Bill, error) {
	if err := people.OwnerOnly(by); err != nil {
		return nil, err
	}
	if to.Before(from) {
		return nil, fault.New("to", "this is before the first day", "turn the two round")
	}
	return s.Store.Bills.Between(ctx, from, to.AddDate(0, 0, 1))
}
