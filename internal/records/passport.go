package records

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/cure"
	"freshshard/core/drawing"
	"freshshard/core/due"
	"freshshard/core/handover"
	"freshshard/core/length"
	"freshshard/core/letter"
	"freshshard/core/prove"
	"freshshard/core/working"
	"freshshard/internal/change"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/people"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Passport is what goes with an object: what was put in, on what terms, and what whoever
// opens it next has to know. It says nothing of who owns it, what was paid, or what is
// written between the shop and its customer.
type Passport struct {
	Object string           `json:"object"`
	Shop   string           `json:"shop"`
	Town   string           `json:"town"`
	Ticket int64            `json:"ticket"`
	By     string           `json:"by"`
	Out    time.Time        `json:"out_at" doc:"When it was signed"`
	NoCode string           `json:"no_code,omitempty" doc:"Why its papers have no code"`
	Newer  bool             `json:"newer" doc:"The object was here again since: this is not the last word"`
	Panes  []PassportPane   `json:"panes"`
	Told   []handover.Line  `json:"told" doc:"What the customer has to know"`
	Hard   []HardWhen       `json:"hard" doc:"What hardens still, or did: until when what is left alone"`
	Letter letter.Letter    `json:"letter" doc:"To the next technician"`
	Due    []due.Due        `json:"due"`
	Photos []PassportPhoto  `json:"photos" doc:"Pictures that were put on this page"`
	Sketch *drawing.Drawing `json:"sketch,omitempty" doc:"The object with its panes numbered, where there are several"`
}

// PassportPane is one pane as it went out.
type PassportPane struct {
	Name    string          `json:"name,omitempty"`
	Way     string          `json:"way" doc:"How it is held"`
	What    string          `json:"what" doc:"What is in, or what was done"`
	Size    string          `json:"size,omitempty"`
	Other   string          `json:"other,omitempty" doc:"The size in the other unit"`
	Seal    string          `json:"seal,omitempty"`
	Laid    []string        `json:"laid" doc:"Adhesives with batch"`
	Checks  []PassportCheck `json:"checks"`
	Drawing drawing.Drawing `json:"drawing" doc:"The pane alone with its measures, where one was made"`
}

// PassportPhoto is a picture on the page.
type PassportPhoto struct {
	ID   int64  `json:"id"`
	What string `json:"what" doc:"What it shows, as the strip log names it"`
}

// PassportCheck is one proof as it was passed.
type PassportCheck struct {
	Text string `json:"text"`
	Got  string `json:"got,omitempty"`
	Skip string `json:"skip,omitempty" doc:"Why it did not apply"`
	Fail bool   `json:"fail,omitempty"`
}

// HardWhen is one clock of something that was laid.
type HardWhen struct {
	Title string    `json:"title"`
	May   string    `json:"may"`
	At    time.Time `json:"at"`
}

// notSigned refuses a paper of a job that is open.
func notSigned() error {
	return &record.Conflict{Says: "This goes out with a signed job. Sign it off first."}
}

// Passport makes the passport of a signed job.
func (s *Service) Passport(ctx context.Context, job int64) (Passport, error) {
	views, shop, err := s.Benches(ctx, job)
	if err != nil {
		return Passport{}, err
	}
	k := views[0].Job.Ticket
	if k == nil {
		return Passport{}, notSigned()
	}
	p := passportOf(views, shop, s.TimeZone())
	j, err := s.Store.Jobs.Job(ctx, job)
	if err != nil {
		return p, err
	}
	if p.Photos, err = s.passportPhotos(ctx, j); err != nil {
		return p, err
	}
	first, err := s.Store.Passports.SameObject(ctx, j.Object.ID)
	if err != nil {
		return p, err
	}
	p.Newer, err = s.Store.Passports.NewerOf(ctx, first, job)
	return p, err
}

// passportPhotos are the pictures of a job that stand on its page.
func (s *Service) passportPhotos(ctx context.Context, j record.Job) ([]PassportPhoto, error) {
	shown, err := s.Store.Photos.ShownPhotos(ctx, j.ID)
	out := []PassportPhoto{}
	for _, p := range j.Photos {
		if !slices.Contains(shown, p.ID) {
			continue
		}
		k := PassportPhoto{ID: p.ID, What: j.Object.Name}
		if e, ok := desk.LogEntry(j, p.Entry); ok {
			k.What = e.Entry.What
		}
		out = append(out, k)
	}
	return out, err
}

func passportOf(views []jobview.View, shop record.Shop, zone *time.Location) Passport {
	j := views[0].Job
	p := Passport{Object: j.Object.Name, Shop: shop.Name, Town: shop.Town, Ticket: j.Ticket.Number, By: j.Ticket.By,
		Out: j.Ticket.At.In(zone), Panes: []PassportPane{}, Told: []handover.Line{}, Hard: []HardWhen{}, Due: []due.Due{},
		Photos: []PassportPhoto{}}
	f := letter.Facts{Out: p.Out}
	for _, e := range j.Strip {
		f.Strip = append(f.Strip, e.Entry)
	}
	for _, g := range j.Guests {
		if g.Stays && g.Out == nil {
			f.Stays = append(f.Stays, strings.TrimSuffix(g.What+", "+g.Where, ", "))
		}
	}
	for _, v := range views {
		p.Panes = append(p.Panes, passport(v, len(views) > 1))
		f.Panes = append(f.Panes, letterOf(v, len(views) > 1, zone))
		for _, l := range v.Reckoning.Handover {
			if !slices.Contains(p.Told, l) {
				p.Told = append(p.Told, l)
			}
		}
		p.Hard = append(p.Hard, hardWhen(v.Pane.Cures, zone)...)
		p.Due = addDue(p.Due, due.For(dueOf(v), p.Out))
	}
	f.Due = p.Due
	p.Letter = letter.Of(f)
	if len(views) > 1 {
		p.Sketch = &views[0].Object
	}
	return p
}

// addDue adds reminders that are not among some yet: nine lights alike are looked at once.
func addDue(to, more []due.Due) []due.Due {
	for _, d := range more {
		if !slices.ContainsFunc(to, func(o due.Due) bool { return o.Key == d.Key }) {
			to = append(to, d)
		}
	}
	slices.SortStableFunc(to, func(a, b due.Due) int { return a.On.Compare(b.On) })
	return to
}

// dueOf is what the reminders of a pane go by.
func dueOf(v jobview.View) due.Of {
	r := v.Reckoning
	o := due.Of{Family: v.Pane.Family, Exposure: v.Job.Object.Exposure.ID, Road: r.Road.ID, How: r.Road.How}
	if r.Road.Settled {
		o.Material = r.Material.ID
	}
	return o
}

// fittedWords are what is in now: a pane in words, or what was done with the old one.
func fittedWords(v jobview.View) (what string, fresh bool) {
	r := v.Reckoning
	switch {
	case r.Road.Settled && r.Pane != "":
		return r.Pane, true
	case v.Pane.Road.Part.Says() != "":
		return "a part as it comes, " + v.Pane.Road.Part.Says(), true
	case r.Road.Headline != "":
		return r.Road.Headline, false
	}
	return r.Pane, true
}

func sizeWords(v jobview.View) (main, other string) {
	r := v.Reckoning
	if !r.Road.Sized || !r.Fit.Ready {
		return "", ""
	}
	show := func(mm float64) length.Shown { return length.Show(mm, v.Unit) }
	w, h := show(r.Fit.Order.W), show(r.Fit.Order.H)
	main, other = fmt.Sprintf("%s × %s %s", w.Main, h.Main, w.Unit), w.Other+" × "+h.Other
	if f := r.Fit.Form; f != "" && f != "rectangle" {
		main += ", " + f
	}
	return main, other
}

func sealWords(v jobview.View) string {
	g := v.Pane.Gasket
	if g.Kind == "" || g.Kind == "none" {
		return ""
	}
	return fmt.Sprintf("gasket, %s, %s mm free", g.Kind, working.Num(g.Free, 1))
}

func passport(v jobview.View, several bool) PassportPane {
	what, _ := fittedWords(v)
	p := PassportPane{Way: v.Reckoning.Family.Name, What: what, Seal: sealWords(v), Laid: []string{},
		Checks: []PassportCheck{}, Drawing: v.Reckoning.Table}
	p.Size, p.Other = sizeWords(v)
	if o := v.Reckoning.Ordered; o != nil {
		p.Drawing = *o
	}
	if several {
		p.Name = jobview.Name(v.Pane)
	}
	for _, c := range v.Pane.Cures {
		s := jobview.AdhesiveName(c.Adhesive)
		if c.Lot != "" {
			s += ", batch " + c.Lot
		}
		p.Laid = append(p.Laid, s)
	}
	for _, c := range v.Checks {
		k := PassportCheck{Text: c.Text, Fail: c.Outcome == prove.Fail}
		switch {
		case c.Outcome == prove.Open:
			continue // signed over by an owner; the shop's record says why
		case c.Outcome == prove.Skip:
			k.Skip = c.Finding
		case c.Value != nil:
			k.Got = fmt.Sprintf("%s %s", working.Num(*c.Value, 2), c.Unit)
		}
		p.Checks = append(p.Checks, k)
	}
	return p
}

// letterOf is what the next one has to know of a pane.
func letterOf(v jobview.View, several bool, zone *time.Location) letter.Pane {
	r := v.Reckoning
	what, fresh := fittedWords(v)
	p := letter.Pane{Way: r.Family.Name, Why: r.Cause, Instead: r.Material.Other && fresh}
	if several {
		p.Name = jobview.Name(v.Pane)
	}
	if fresh {
		p.Is = what
		if p.Was = v.Pane.Like; p.Was != "" {
			p.Was = materialShort(p.Was)
		}
	} else {
		p.Done = strings.ToLower(what[:1]) + what[1:]
	}
	p.Size, _ = sizeWords(v)
	for _, st := range r.Plan.Steps {
		if t := jobview.TickOf(&v.Pane, st.Key); st.Required && t != nil && t.Outcome == "done" {
			p.Changed = append(p.Changed, st.Do)
		}
	}
	for _, k := range v.Stops {
		if k.Pane == v.Pane.ID && k.Taken != nil {
			p.Beyond = append(p.Beyond, k.Says)
		}
	}
	for _, c := range v.Pane.Cures {
		l := letter.Laid{What: jobview.AdhesiveName(c.Adhesive), Lot: c.Lot}
		if c.Full != nil {
			l.Full = c.Full.In(zone)
		}
		p.Laid = append(p.Laid, l)
	}
	return p
}

// hardWhen are the clocks of what was laid, for the customer.
func hardWhen(cures []record.Cure, zone *time.Location) []HardWhen {
	out := []HardWhen{}
	for _, c := range cures {
		words := cure.Words(c.Adhesive)
		for i, at := range []*time.Time{c.LetGo, c.Ready, c.Full} {
			if at != nil && i > 0 { // tapes and clamps are the shop's
				out = append(out, HardWhen{jobview.AdhesiveName(c.Adhesive) + ", " + words[i][0], words[i][1], at.In(zone)})
			}
		}
	}
	return out
}

// MakeLink makes the address of a signed job's passport, of the shop's calendar, or of the
// days of whoever asks.
func (s *Service) MakeLink(ctx context.Context, by record.Account, kind record.LinkKind, job int64) error {
	if kind == record.CalendarLink {
		if err := people.OwnerOnly(by); err != nil {
			return err
		}
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if job == 0 {
			if err := t.Shops.LockShop(ctx); err != nil {
				return err
			}
			return s.AddLink(ctx, t, by, kind, 0)
		}
		signed, err := t.Jobs.LockJob(ctx, job)
		if err != nil {
			return err
		}
		if !signed {
			return notSigned()
		}
		return s.AddLink(ctx, t, by, kind, job)
	})
}

// WithdrawLink ends an address: what it opened is not there any more. An owner's, but for
// one's own days.
func (s *Service) WithdrawLink(ctx context.Context, by record.Account, kind record.LinkKind, job int64) error {
	if kind != record.DaysLink {
		if err := people.OwnerOnly(by); err != nil {
			return err
		}
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		if job != 0 {
			if _, err := t.Jobs.LockJob(ctx, job); err != nil {
				return err
			}
		}
		of := change.LinkOf(by, kind, job)
		had, err := t.Passports.LinkOf(ctx, kind, of)
		if err != nil || had == nil {
			return err
		}
		if err := t.Passports.WithdrawLinks(ctx, kind, of, s.Now()); err != nil {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Job: job, Account: by.ID, At: s.Now(), Noun: "link", Item: string(kind),
			Action: "withdrawn", Said: "the address of the " + string(kind) + " was withdrawn"})
	})
}

// LinkOf is the address of a job's passport, of the shop's calendar, or of somebody's days;
// nil where there is none.
func (s *Service) LinkOf(ctx context.Context, kind record.LinkKind, of int64) (*record.Link, error) {
	return s.Store.Passports.LinkOf(ctx, kind, of)
}

// Opened finds what an address opens. One that was withdrawn opens as little as one that
// never was.
func (s *Service) Opened(ctx context.Context, kind record.LinkKind, token string) (record.Link, error) {
	l, err := s.Store.Passports.LinkBy(ctx, kind, token)
	if err == nil && l == nil {
		err = &record.NotFound{What: "what this address opened"}
	}
	if err != nil {
		return record.Link{}, err
	}
	return *l, nil
}
