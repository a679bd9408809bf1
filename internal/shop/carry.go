package shop

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"sort"
	"strings"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/prove"
	"freshshard/core/reckon"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Format of a carried job. A reader takes its own version and older ones.
const (
	CarryFormat  = "fresh-shard-job"
	CarryVersion = 1
)

// Carried is a job as a document that another shop can take in. Ids, versions
// and the pulse belong to the shop that wrote it and are made anew.
type Carried struct {
	Format    string            `json:"format" enum:"fresh-shard-job"`
	Version   int               `json:"version" minimum:"1"`
	Job       record.Job        `json:"job"`
	Reckoning *reckon.Reckoning `json:"reckoning,omitempty" doc:"What the ticket fixed; only on a signed job"`
}

func document(r reckon.Reckoning) (string, error) {
	b, err := json.Marshal(r)
	return string(b), err
}

// Carry gives a job as a document.
func (s *Shop) Carry(ctx context.Context, id int64) (Carried, error) {
	j, err := s.Store.Job(ctx, id)
	if err != nil {
		return Carried{}, err
	}
	// Pictures stay behind: they would make the document many megabytes.
	j.Photos = []record.Photo{}
	c := Carried{Format: CarryFormat, Version: CarryVersion, Job: j}
	if t := j.Ticket; t != nil {
		if t.Document != "" {
			c.Reckoning = &reckon.Reckoning{}
			if err := json.Unmarshal([]byte(t.Document), c.Reckoning); err != nil {
				return c, err
			}
		}
		t.Document = ""
	}
	return c, nil
}

func (c Carried) check() error {
	if c.Format != CarryFormat {
		return fault.New("format", "this is not a carried job", "export one from a job's ticket page")
	}
	if c.Version < 1 || c.Version > CarryVersion {
		return fault.New("version", fmt.Sprintf("version %d is newer than this program reads", c.Version), "bring the program up to date")
	}
	j := c.Job
	for _, f := range []struct {
		field, text string
		most        int
		need        bool
	}{{"job.customer.name", j.Customer.Name, 120, true}, {"job.customer.phone", j.Customer.Phone, 40, false}, {"job.customer.note", j.Customer.Note, 500, false},
		{"job.object.name", j.Object.Name, 120, true}, {"job.object.stamp", j.Object.Stamp, 200, false}, {"job.story", j.Story, 1000, false}, {"job.waits_for", j.WaitsFor, 200, false},
		{"job.created_by", j.CreatedBy, 80, true}} {
		if _, err := clean(f.field, f.text, f.most, f.need); err != nil {
			return err
		}
	}
	if j.Place != "bench" && j.Place != "site" {
		return fault.New("job.place", "the work is at the bench or at the customer's", "use bench or site")
	}
	if len(j.Strip) > mostEntries {
		return fault.New("job.strip", "a strip log holds 200 entries", "split the job")
	}
	if err := logOf(j).Check(); err != nil {
		return fault.New("job.strip", err.Error(), "correct the entry")
	}
	seen := map[string]bool{}
	for i, r := range j.Readings {
		at := fmt.Sprintf("job.readings[%d]", i)
		if _, err := placeOf(j.Pane.Family, r.Place); err != nil {
			return fault.New(at+".place", err.Error(), "use a place of the family's walk")
		}
		if err := r.Place.Check(r.Reading); err != nil {
			return fault.New(at+".reading", err.Error(), "correct the reading")
		}
		if !r.Instrument.Known() || len(r.Reading.Text) > 60 || seen["r"+string(r.Place)] {
			return fault.New(at, "a reading that is twice, too long or by an unknown instrument", "correct the reading")
		}
		seen["r"+string(r.Place)] = true
	}
	return c.checkWork()
}

// checkWork holds choice, ticks and answers against the catalogues.
func (c Carried) checkWork() error {
	j := c.Job
	if j.Choice != nil {
		if _, err := pane.ByID(j.Choice.Material); err != nil {
			return err
		}
		if len(j.Choice.Reason) > 4000 || !(j.Choice.Thickness > 0 && j.Choice.Thickness <= 60) {
			return fault.New("job.choice", "the choice cannot be read", "give a thickness up to 60 mm and a short reason")
		}
	}
	k := known(j, length.MM)
	r, err := reckon.Pane(k)
	if err != nil {
		return err
	}
	steps, proofs := map[string]bool{}, map[string]prove.Check{}
	for _, st := range r.Plan.Steps {
		steps[st.Key] = true
	}
	for _, p := range prove.Checks(r.Family) {
		proofs[p.Key] = p
	}
	for i, t := range j.Ticks {
		if !steps[t.Step] || (t.Outcome != "done" && t.Outcome != "left-out") || len(t.Reason) > 2000 {
			return fault.New(fmt.Sprintf("job.ticks[%d]", i), "no such step, or no such outcome", "use the steps of the family")
		}
	}
	for i, a := range j.Answers {
		p, ok := proofs[a.Check]
		if !ok {
			return fault.New(fmt.Sprintf("job.answers[%d]", i), "no such check", "use the checks of the family")
		}
		if _, err := p.Take(a.Answer); err != nil {
			return fault.New(fmt.Sprintf("job.answers[%d]", i), err.Error(), "correct the answer")
		}
	}
	if j.Signed != (j.Ticket != nil) {
		return fault.New("job.ticket", "a signed job has a ticket, an open one has none", "export the job again")
	}
	return nil
}

// Bring takes a carried job in as a new one. People whom the shop does not
// know are added by name, unable to sign in, so that the record keeps who did
// what.
func (s *Shop) Bring(ctx context.Context, by record.Account, key string, c Carried) (int64, error) {
	if err := c.check(); err != nil {
		return 0, err
	}
	doc := ""
	if c.Reckoning != nil {
		var err error
		if doc, err = document(*c.Reckoning); err != nil {
			return 0, err
		}
	}
	return s.create(ctx, by, key, "carried", c, func(t *store.Tx) (int64, error) {
		who, err := s.people(ctx, t, c.Job)
		if err != nil {
			return 0, err
		}
		j := c.Job
		customer, err := t.AddCustomer(ctx, j.Customer)
		if err != nil {
			return 0, err
		}
		creator := by
		creator.ID = who[j.CreatedBy]
		id, err := s.addJob(ctx, t, creator, customer, j.Object, j.Pane, j)
		if err != nil {
			return 0, err
		}
		if err := s.bringWork(ctx, t, id, j, who); err != nil {
			return 0, err
		}
		if k := j.Ticket; k != nil {
			if _, err := t.AddTicket(ctx, id, who[k.By], k.At, k.Override, doc); err != nil {
				return 0, err
			}
		}
		return id, t.Audit(ctx, store.Change{Job: id, Account: by.ID, At: s.Now(), Noun: "job", Item: j.Object.Name, Action: "brought in", Said: "brought in from a document"})
	})
}

func (s *Shop) bringWork(ctx context.Context, t *store.Tx, id int64, j record.Job, who map[string]int64) error {
	pane, _, err := t.PaneOf(ctx, id)
	if err != nil {
		return err
	}
	for _, r := range j.Readings {
		r.ByID, r.Version = who[r.By], 1
		if err := t.AddReading(ctx, pane, r); err != nil {
			return err
		}
	}
	if d := j.Diagnosis; d != nil {
		d.Evidence, d.OldPane, d.Version = orEmpty(d.Evidence), orEmpty(d.OldPane), 1
		if err := t.SetDiagnosis(ctx, id, *d, who[d.By]); err != nil {
			return err
		}
	}
	for i, e := range j.Strip {
		e.Position, e.Version = i+1, 1
		if err := t.AddStrip(ctx, id, e, who[e.By]); err != nil {
			return err
		}
	}
	if c := j.Choice; c != nil {
		if err := t.AddChoice(ctx, pane, *c, who[c.By]); err != nil {
			return err
		}
	}
	for _, k := range j.Ticks {
		if err := t.SetTick(ctx, id, k, who[k.By]); err != nil {
			return err
		}
	}
	for _, a := range j.Answers {
		if err := t.SetAnswer(ctx, id, a.Check, a.Answer, who[a.By], a.At); err != nil {
			return err
		}
	}
	return nil
}

// people finds or adds everybody whom a job names.
func (s *Shop) people(ctx context.Context, t *store.Tx, j record.Job) (map[string]int64, error) {
	names := map[string]bool{j.CreatedBy: true}
	for _, r := range j.Readings {
		names[r.By] = true
	}
	for _, k := range j.Ticks {
		names[k.By] = true
	}
	for _, a := range j.Answers {
		names[a.By] = true
	}
	if j.Choice != nil {
		names[j.Choice.By] = true
	}
	for _, e := range j.Strip {
		names[e.By] = true
	}
	if j.Diagnosis != nil {
		names[j.Diagnosis.By] = true
	}
	if j.Ticket != nil {
		names[j.Ticket.By] = true
	}
	list := make([]string, 0, len(names))
	for n := range names {
		if _, err := clean("by", n, 80, true); err != nil {
			return nil, err
		}
		list = append(list, n)
	}
	sort.Strings(list)
	out := map[string]int64{}
	for _, n := range list {
		id, err := t.AccountNamed(ctx, n)
		var missing *record.NotFound
		if errors.As(err, &missing) {
			id, err = t.AddStranger(ctx, n, strings.ToLower("carried-"+fmt.Sprint(s.Now().UnixNano())+"-"+fmt.Sprint(len(out))), s.Now())
		}
		if err != nil {
			return nil, err
		}
		out[n] = id
	}
	return out, nil
}
