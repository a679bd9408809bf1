package desk

import (
	"context"
	"crypto/hmac"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"strings"
	"time"
	"unicode/utf8"

	"freshshard/core/compat"
	"freshshard/core/drawing"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/reckon"
	"freshshard/core/work"
	"freshshard/internal/bench"
	"freshshard/internal/bound"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/store"
	"freshshard/internal/strip"
	"freshshard/internal/typed"
)

// Format of a carried job. A reader takes the versions from the first that was
// handed out.
const (
	CarryFormat  = "fresh-shard-job"
	CarryVersion = 4
)

// Carried is a job as a document that another shop can take in. Ids, versions
// and the pulse belong to the shop that wrote it and are made anew; what was
// reckoned does not travel, it is reckoned again where the document arrives.
type Carried struct {
	Format  string         `json:"format" maxLength:"40" doc:"fresh-shard-job"`
	Version int            `json:"version" minimum:"1"`
	Job     record.Job     `json:"job"`
	Photos  []CarriedPhoto `json:"photos,omitempty" maxItems:"60"`
	Seal    string         `json:"seal,omitempty" maxLength:"100" doc:"Keyed digest by the shop that wrote it, in hex"`
}

// Carry gives a job as a document, sealed with the shop's key.
func (s *Service) Carry(ctx context.Context, id int64) (Carried, error) {
	j, _, _, err := s.Whole(ctx, jobview.First(id))
	if err != nil {
		return Carried{}, err
	}
	photos, err := s.Photos.carriedPhotos(ctx, j)
	if err != nil {
		return Carried{}, err
	}
	j.Photos, j.Carried, j.Withdrawn = []record.Photo{}, nil, nil
	c := Carried{Format: CarryFormat, Version: CarryVersion, Job: j, Photos: photos}
	return c, s.Store.Write(ctx, func(t *store.Tx) error {
		c.Seal, err = s.carriedSeal(ctx, t, c.Job)
		return err
	})
}

// carriedSeal is the keyed digest of a carried job.
func (s *Service) carriedSeal(ctx context.Context, t *store.Tx, j record.Job) (string, error) {
	key, err := s.SealKey(ctx, t)
	if err != nil {
		return "", err
	}
	b, err := json.Marshal(j)
	if err != nil {
		return "", err
	}
	m := hmac.New(sha256.New, key)
	m.Write(b)
	return hex.EncodeToString(m.Sum(nil)), nil
}

// says is what a carried document claims of itself, for the record: a claim,
// never a signature.
func (c Carried) says(ours bool) string {
	who := "It does not come from this shop, or was changed on the way."
	if ours {
		who = "This shop wrote it, and it is unchanged."
	}
	if k := c.Job.Ticket; k != nil {
		who += fmt.Sprintf(" It says that it was signed there as ticket %d by %s on %s.", k.Number, k.By,
			k.At.UTC().Format("2 January 2006"))
	}
	return who
}

func (c Carried) check() error {
	if c.Format != CarryFormat {
		return fault.New("format", "this is not a carried job", "export one from a job's ticket page")
	}
	switch {
	case c.Version > CarryVersion:
		return fault.New("version", fmt.Sprintf("version %d is newer than this program reads", c.Version),
			"bring the program up to date")
	case c.Version < CarryVersion:
		return fault.New("version", fmt.Sprintf("version %d is from before the first release", c.Version),
			"export the job again with a program of today")
	}
	if err := carriedTexts(c.Job); err != nil {
		return err
	}
	return carriedParts(c.Job)
}

// carriedTexts holds the texts of a carried job to their lengths.
func carriedTexts(j record.Job) error {
	for _, f := range []struct {
		field, text string
		most        int
		need        bool
	}{{"job.customer.name", j.Customer.Name, 120, true}, {"job.customer.phone", j.Customer.Phone, 40, false},
		{"job.customer.note", j.Customer.Note, 500, false},
		{"job.object.name", j.Object.Name, 120, true}, {"job.object.stamp", j.Object.Stamp, 200, false},
		{"job.story", j.Story, 1000, false},
		{"job.created_by", j.CreatedBy, 80, true}} {
		if _, err := typed.Text(f.field, f.text, f.most, f.need); err != nil {
			return err
		}
	}
	return nil
}

// carriedParts holds what a carried job has against what a job can have.
func carriedParts(j record.Job) error {
	if j.Place != "bench" && j.Place != "site" {
		return fault.New("job.place", "the work is at the bench or at the customer's", "use bench or site")
	}
	if len(j.Strip) > strip.MostEntries {
		return fault.New("job.strip", "a strip log holds 200 entries", "split the job")
	}
	if err := jobview.LogOf(j).Check(); err != nil {
		return fault.New("job.strip", err.Error(), "correct the entry")
	}
	if j.Signed != (j.Ticket != nil) {
		return fault.New("job.ticket", "a signed job has a ticket, an open one has none", "export the job again")
	}
	if j.Ticket != nil {
		if _, err := typed.Text("job.ticket.by", j.Ticket.By, 80, true); err != nil {
			return err
		}
	}
	if err := j.Object.Exposure.Check(); err != nil {
		return err
	}
	if len(j.Panes) == 0 || len(j.Panes) > drawing.MostPanes {
		return fault.New("job.panes", fmt.Sprintf("%d panes", len(j.Panes)),
			fmt.Sprintf("a job has 1 to %d", drawing.MostPanes))
	}
	for i := range j.Panes {
		p := &j.Panes[i]
		if p.Number != i+1 {
			return fault.New(fmt.Sprintf("job.panes[%d].number", i), "panes are numbered from 1 in their order",
				"number them again")
		}
		if err := checkPane(&j, p, fmt.Sprintf("job.panes[%d]", i)); err != nil {
			return err
		}
	}
	return nil
}

// checkPane holds one pane against the catalogues; at is its place in the
// document.
func checkPane(j *record.Job, p *record.Pane, at string) error {
	if _, err := typed.Text(at+".name", p.Name, 80, false); err != nil {
		return err
	}
	if _, err := typed.Text(at+".waits_for", p.WaitsFor, 200, false); err != nil {
		return err
	}
	if p.Shape.Drawn != nil {
		o, err := measure.Checked(*p.Shape.Drawn)
		if err != nil {
			return fault.New(at+".shape.drawn", err.Error(), "correct the outline")
		}
		p.Shape.Drawn = &o
	}
	for _, u := range p.Uses {
		if _, err := compat.AgentByID(u); err != nil {
			return fault.New(at+".uses", err.Error(), "use the ids of the catalogue")
		}
	}
	if len(p.Uses) > mostUses {
		return fault.New(at+".uses", "that is more than anybody uses", "leave out what is in the list twice")
	}
	if len(p.Readings) > bench.MostOfPane || len(p.Ticks) > bench.MostOfPane || len(p.Answers) > bench.MostOfPane {
		return fault.New(at, "more was done to this pane than a pane has steps", "leave out what is in the lists twice")
	}
	for i, h := range p.Heard {
		for _, text := range []string{h.Width.Text, h.Height.Text, h.Round.Text} {
			if utf8.RuneCountInString(text) > 60 {
				return fault.New(fmt.Sprintf("%s.heard[%d]", at, i), "a length that is too long", "correct it")
			}
		}
	}
	if err := p.Spot.Check(); err != nil {
		return fault.New(at+".spot", err.Error(), "give a place on the object")
	}
	seen := map[reading.Place]bool{}
	for i, r := range p.Readings {
		at := fmt.Sprintf("%s.readings[%d]", at, i)
		if _, err := measure.PlaceOf(p.Held, r.Place); err != nil {
			return fault.New(at+".place", err.Error(), "use a place of the family's walk")
		}
		if err := r.Place.Check(r.Reading); err != nil {
			return fault.New(at+".reading", err.Error(), "correct the reading")
		}
		if !r.Instrument.Known() || utf8.RuneCountInString(r.Reading.Text) > 60 || seen[r.Place] {
			return fault.New(at, "a reading that is twice, too long or by an unknown instrument", "correct the reading")
		}
		seen[r.Place] = true
	}
	if p.Choice != nil {
		if _, err := pane.Book.ByID(p.Choice.Material); err != nil {
			return err
		}
		if utf8.RuneCountInString(p.Choice.Reason) > 4000 || !(p.Choice.Thickness > 0 && p.Choice.Thickness <= 60) {
			return fault.New(at+".choice", "the choice cannot be read", "give a thickness up to 60 mm and a short reason")
		}
	}
	return checkWork(j, p, at)
}

// checkWork holds ticks and answers against the plan and the checks.
func checkWork(j *record.Job, p *record.Pane, at string) error {
	r, err := reckon.Pane(jobview.Known(j, p, length.MM))
	if err != nil {
		return err
	}
	steps, proofs := map[string]bool{}, map[string]prove.Check{}
	book, err := family.Book.ByID(p.Family)
	if err != nil {
		return err
	}
	keys, all := work.Every(book)
	for _, key := range keys {
		steps[key] = true
	}
	for _, st := range r.Plan.Numbered() { // of what came off the strip log says what is back
		steps[st.Key] = true
	}
	for _, c := range prove.Checks(family.Family{Checks: append(all, r.Family.Checks...)}) {
		proofs[c.Key] = c
	}
	for i, t := range p.Ticks {
		if st, ok := steps[t.Step]; ok && !st {
			return fault.New(fmt.Sprintf("%s.ticks[%d]", at, i), "this step is in the list twice", "leave it out once")
		}
		if !steps[t.Step] || (t.Outcome != "done" && t.Outcome != "left-out") || utf8.RuneCountInString(t.Reason) > 500 {
			return fault.New(fmt.Sprintf("%s.ticks[%d]", at, i), "no such step, no such outcome, or too long a reason",
				"use the steps of the family")
		}
		steps[t.Step] = false
	}
	for i, a := range p.Answers {
		c, ok := proofs[a.Check]
		if !ok {
			return fault.New(fmt.Sprintf("%s.answers[%d]", at, i), "no such check, or one that is in the list twice",
				"use the checks of the family")
		}
		delete(proofs, a.Check)
		if _, err := c.Take(a.Answer); err != nil {
			return fault.New(fmt.Sprintf("%s.answers[%d]", at, i), err.Error(), "correct the answer")
		}
	}
	return nil
}

// Bring takes a carried job in as a new one, open until it is signed here. Who
// brings it in answers for it: what others did stands under their names, marked
// as carried in, and gives nobody an account.
func (s *Service) Bring(ctx context.Context, by record.Account, key string, c Carried) (int64, error) {
	if err := bound.Check(c); err != nil {
		return 0, err
	}
	if err := c.check(); err != nil {
		return 0, err
	}
	photos, err := s.Photos.takePhotos(ctx, c)
	if err != nil {
		return 0, err
	}
	return s.Create(ctx, by, key, "carried", c, func(t *store.Tx) (int64, error) {
		seal, err := s.carriedSeal(ctx, t, c.Job)
		if err != nil {
			return 0, err
		}
		customer, err := t.Jobs.AddCustomer(ctx, c.Job.Customer)
		if err != nil {
			return 0, err
		}
		j := c.Job
		j.CreatedAt = s.Now()
		j.Panes = append([]record.Pane(nil), j.Panes...)
		id, err := s.AddJob(ctx, t, by, customer, j)
		if err != nil {
			return 0, err
		}
		if err := t.Jobs.CarryJob(ctx, id, by.ID, c.says(c.Seal != "" && hmac.Equal([]byte(c.Seal), []byte(seal))),
			s.Now()); err != nil {
			return 0, err
		}
		b := bringing{s, t, by.ID}
		if err := b.work(ctx, id, j); err != nil {
			return 0, err
		}
		for i, p := range photos {
			from := c.Photos[i]
			if _, err := t.Photos.AddPhoto(ctx, id, from.Entry, p, by.ID, carriedName(from.By), b.when(from.At)); err != nil {
				return 0, err
			}
		}
		return id, t.Trail.Audit(ctx, store.Change{Job: id, Account: by.ID, At: s.Now(), Noun: "job", Item: j.Object.Name,
			Action: "brought in", Said: "brought in from a document"})
	})
}

// bringing writes what a carried job says was done.
type bringing struct {
	s  *Service
	t  *store.Tx
	by int64
}

// carriedName is how a name of a document is shown.
func carriedName(name string) string {
	const mark = " (carried in)"
	r := []rune(strings.TrimSuffix(typed.Plain(name, 80), mark))
	return string(r[:min(len(r), 80-len(mark))]) + mark
}

// when is a date of a document; none lies ahead.
func (b bringing) when(at time.Time) time.Time {
	if now := b.s.Now(); at.IsZero() || at.After(now) {
		return now
	}
	return at
}

func (b bringing) work(ctx context.Context, id int64, j record.Job) error {
	for i, e := range j.Strip {
		e.Position, e.Version, e.Author, e.At = i+1, 1, carriedName(e.By), b.when(e.At)
		if err := b.t.Strips.AddStrip(ctx, id, e, b.by); err != nil {
			return err
		}
	}
	for _, g := range j.Guests {
		guest, err := b.t.Strips.AddGuest(ctx, id, g.Guest, b.by, b.when(g.At))
		if err != nil {
			return err
		}
		if g.Out != nil {
			at := b.when(*g.Out)
			if err := b.t.Strips.SetGuestOut(ctx, id, guest, &b.by, &at); err != nil {
				return err
			}
		}
	}
	for _, p := range j.Panes {
		if err := b.pane(ctx, p); err != nil {
			return err
		}
	}
	return nil
}

// pane writes what was done to a pane; its ID is the new one.
func (b bringing) pane(ctx context.Context, p record.Pane) error {
	for _, r := range p.Readings {
		r.ByID, r.Version, r.Author, r.At = b.by, 1, carriedName(r.By), b.when(r.At)
		if err := b.t.Panes.AddReading(ctx, p.ID, r); err != nil {
			return err
		}
	}
	if p.Diagnosis != nil {
		d := *p.Diagnosis
		d.Evidence, d.OldPane, d.Version, d.Author, d.At = bench.OrEmpty(d.Evidence), bench.OrEmpty(d.OldPane), 1,
			carriedName(d.By),
			b.when(d.At)
		if err := b.t.Panes.SetDiagnosis(ctx, p.ID, d, b.by); err != nil {
			return err
		}
	}
	if p.Choice != nil {
		c := *p.Choice
		c.Author, c.At = carriedName(c.By), b.when(c.At)
		if _, err := b.t.Panes.AddChoice(ctx, p.ID, c, b.by); err != nil {
			return err
		}
	}
	for _, k := range p.Ticks {
		k.Version, k.Author, k.At = 1, carriedName(k.By), b.when(k.At)
		if err := b.t.Panes.SetTick(ctx, p.ID, k, b.by); err != nil {
			return err
		}
	}
	for _, a := range p.Answers {
		a.Version, a.Author, a.At = 1, carriedName(a.By), b.when(a.At)
		if err := b.t.Panes.SetAnswer(ctx, p.ID, a, b.by); err != nil {
			return err
		}
	}
	return nil
}
