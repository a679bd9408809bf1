package shop

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"sort"
	"strings"
	"time"

	"freshshard/core/compat"
	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/fit"
	"freshshard/core/length"
	"freshshard/core/pane"
	"freshshard/core/prove"
	"freshshard/core/reckon"
	"freshshard/core/setting"
	"freshshard/internal/record"
	"freshshard/internal/store"
)

// Format of a carried job. A reader takes its own version and older ones.
const (
	CarryFormat  = "fresh-shard-job"
	CarryVersion = 3
)

// Carried is a job as a document that another shop can take in. Ids, versions
// and the pulse belong to the shop that wrote it and are made anew.
type Carried struct {
	Format    string            `json:"format" enum:"fresh-shard-job"`
	Version   int               `json:"version" minimum:"1"`
	Job       CarriedJob        `json:"job"`
	Photos    []CarriedPhoto    `json:"photos,omitempty"`
	Fixed     []Fixed           `json:"fixed,omitempty" doc:"What the ticket fixed of each pane; only on a signed job"`
	Reckoning *reckon.Reckoning `json:"reckoning,omitempty" doc:"The same in version 1, for its one pane"`
}

// CarriedJob is a job; the fields beside it are those of version 1, whose jobs
// had one pane.
type CarriedJob struct {
	record.Job
	Pane       *CarriedPane      `json:"pane,omitempty"`
	Readings   []record.Reading  `json:"readings,omitempty"`
	Diagnosis  *record.Diagnosis `json:"diagnosis,omitempty"`
	Choice     *record.Choice    `json:"choice,omitempty"`
	Ticks      []record.Tick     `json:"ticks,omitempty"`
	Answers    []record.Answer   `json:"answers,omitempty"`
	WaitsFor   string            `json:"waits_for,omitempty"`
	WaitsUntil *time.Time        `json:"waits_until,omitempty"`
}

// CarriedPane is the pane of version 1.
type CarriedPane struct {
	ID      int64         `json:"id"`
	Family  string        `json:"family"`
	Frame   string        `json:"frame"`
	Cutter  fit.Cutter    `json:"cutter"`
	Gasket  fit.Gasket    `json:"gasket"`
	Sides   setting.Sides `json:"sides"`
	Raked   bool          `json:"raked"`
	Like    string        `json:"like"`
	Version int           `json:"version"`
}

// job is the job whichever version it came in.
func (c Carried) job() (record.Job, []Fixed) {
	j, fixed := c.Job.Job, c.Fixed
	if old := c.Job.Pane; c.Version == 1 && old != nil {
		j.Panes = []record.Pane{{Number: 1, Spot: whole, WaitsFor: c.Job.WaitsFor, WaitsUntil: c.Job.WaitsUntil,
			Held:     record.Held{Family: old.Family, Frame: old.Frame, Cutter: old.Cutter, Gasket: old.Gasket, Sides: old.Sides, Raked: old.Raked, Like: old.Like, Uses: []string{}},
			Readings: c.Job.Readings, Diagnosis: c.Job.Diagnosis, Choice: c.Job.Choice, Ticks: c.Job.Ticks, Answers: c.Job.Answers}}
		if c.Reckoning != nil {
			fixed = []Fixed{{Pane: 1, Reckoning: *c.Reckoning}}
		}
	}
	return j, fixed
}

func document(fixed []Fixed) (string, error) {
	if len(fixed) == 0 {
		return "", nil
	}
	b, err := json.Marshal(fixed)
	return string(b), err
}

// Carry gives a job as a document.
func (s *Shop) Carry(ctx context.Context, id int64) (Carried, error) {
	j, err := s.Store.Job(ctx, id)
	if err != nil {
		return Carried{}, err
	}
	photos, err := s.carriedPhotos(ctx, j)
	if err != nil {
		return Carried{}, err
	}
	j.Photos = []record.Photo{}
	c := Carried{Format: CarryFormat, Version: CarryVersion, Job: CarriedJob{Job: j}, Photos: photos}
	if t := j.Ticket; t != nil {
		if c.Fixed, err = fixedOf(t.Document); err != nil {
			return c, err
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
	j, _ := c.job()
	for _, f := range []struct {
		field, text string
		most        int
		need        bool
	}{{"job.customer.name", j.Customer.Name, 120, true}, {"job.customer.phone", j.Customer.Phone, 40, false}, {"job.customer.note", j.Customer.Note, 500, false},
		{"job.object.name", j.Object.Name, 120, true}, {"job.object.stamp", j.Object.Stamp, 200, false}, {"job.story", j.Story, 1000, false},
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
	if j.Signed != (j.Ticket != nil) {
		return fault.New("job.ticket", "a signed job has a ticket, an open one has none", "export the job again")
	}
	if len(j.Panes) == 0 || len(j.Panes) > drawing.MostPanes {
		return fault.New("job.panes", fmt.Sprintf("%d panes", len(j.Panes)), fmt.Sprintf("a job has 1 to %d", drawing.MostPanes))
	}
	for i := range j.Panes {
		p := &j.Panes[i]
		if p.Number != i+1 {
			return fault.New(fmt.Sprintf("job.panes[%d].number", i), "panes are numbered from 1 in their order", "number them again")
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
	for field, text := range map[string]string{"name": p.Name, "waits_for": p.WaitsFor} {
		if _, err := clean(at+"."+field, text, map[string]int{"name": 80, "waits_for": 200}[field], false); err != nil {
			return err
		}
	}
	if p.Shape.Drawn != nil {
		o, err := checked(*p.Shape.Drawn)
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
	seen := map[fit.Place]bool{}
	for i, r := range p.Readings {
		at := fmt.Sprintf("%s.readings[%d]", at, i)
		if _, err := placeOf(p.Held, r.Place); err != nil {
			return fault.New(at+".place", err.Error(), "use a place of the family's walk")
		}
		if err := r.Place.Check(r.Reading); err != nil {
			return fault.New(at+".reading", err.Error(), "correct the reading")
		}
		if !r.Instrument.Known() || len(r.Reading.Text) > 60 || seen[r.Place] {
			return fault.New(at, "a reading that is twice, too long or by an unknown instrument", "correct the reading")
		}
		seen[r.Place] = true
	}
	if p.Choice != nil {
		if _, err := pane.ByID(p.Choice.Material); err != nil {
			return err
		}
		if len(p.Choice.Reason) > 4000 || !(p.Choice.Thickness > 0 && p.Choice.Thickness <= 60) {
			return fault.New(at+".choice", "the choice cannot be read", "give a thickness up to 60 mm and a short reason")
		}
	}
	return checkWork(j, p, at)
}

// checkWork holds ticks and answers against the plan and the checks.
func checkWork(j *record.Job, p *record.Pane, at string) error {
	r, err := reckon.Pane(known(j, p, length.MM))
	if err != nil {
		return err
	}
	steps, proofs := map[string]bool{}, map[string]prove.Check{}
	for _, st := range r.Plan.Steps {
		steps[st.Key] = true
	}
	for _, c := range prove.Checks(r.Family) {
		proofs[c.Key] = c
	}
	for i, t := range p.Ticks {
		if !steps[t.Step] || (t.Outcome != "done" && t.Outcome != "left-out") || len(t.Reason) > 2000 {
			return fault.New(fmt.Sprintf("%s.ticks[%d]", at, i), "no such step, or no such outcome", "use the steps of the family")
		}
	}
	for i, a := range p.Answers {
		c, ok := proofs[a.Check]
		if !ok {
			return fault.New(fmt.Sprintf("%s.answers[%d]", at, i), "no such check", "use the checks of the family")
		}
		if _, err := c.Take(a.Answer); err != nil {
			return fault.New(fmt.Sprintf("%s.answers[%d]", at, i), err.Error(), "correct the answer")
		}
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
	j, fixed := c.job()
	doc, err := document(fixed)
	if err != nil {
		return 0, err
	}
	photos, err := c.takePhotos(j)
	if err != nil {
		return 0, err
	}
	return s.create(ctx, by, key, "carried", c, func(t *store.Tx) (int64, error) {
		who, err := s.people(ctx, t, j, c.Photos)
		if err != nil {
			return 0, err
		}
		customer, err := t.AddCustomer(ctx, j.Customer)
		if err != nil {
			return 0, err
		}
		creator := by
		creator.ID = who[j.CreatedBy]
		j := j
		j.Panes = append([]record.Pane(nil), j.Panes...)
		id, err := s.addJob(ctx, t, creator, customer, j)
		if err != nil {
			return 0, err
		}
		if err := s.bringWork(ctx, t, id, j, who); err != nil {
			return 0, err
		}
		if err := c.bringPhotos(ctx, t, id, photos, who); err != nil {
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
	for i, e := range j.Strip {
		e.Position, e.Version = i+1, 1
		if err := t.AddStrip(ctx, id, e, who[e.By]); err != nil {
			return err
		}
	}
	for _, p := range j.Panes {
		if err := bringPane(ctx, t, p, who); err != nil {
			return err
		}
	}
	return nil
}

// bringPane writes what was done to a pane; its ID is the new one.
func bringPane(ctx context.Context, t *store.Tx, p record.Pane, who map[string]int64) error {
	for _, r := range p.Readings {
		r.ByID, r.Version = who[r.By], 1
		if err := t.AddReading(ctx, p.ID, r); err != nil {
			return err
		}
	}
	if p.Diagnosis != nil {
		d := *p.Diagnosis
		d.Evidence, d.OldPane, d.Version = orEmpty(d.Evidence), orEmpty(d.OldPane), 1
		if err := t.SetDiagnosis(ctx, p.ID, d, who[d.By]); err != nil {
			return err
		}
	}
	if c := p.Choice; c != nil {
		if err := t.AddChoice(ctx, p.ID, *c, who[c.By]); err != nil {
			return err
		}
	}
	for _, k := range p.Ticks {
		if err := t.SetTick(ctx, p.ID, k, who[k.By]); err != nil {
			return err
		}
	}
	for _, a := range p.Answers {
		if err := t.SetAnswer(ctx, p.ID, a.Check, a.Answer, who[a.By], a.At); err != nil {
			return err
		}
	}
	return nil
}

// people finds or adds everybody whom a job names.
func (s *Shop) people(ctx context.Context, t *store.Tx, j record.Job, photos []CarriedPhoto) (map[string]int64, error) {
	names := map[string]bool{j.CreatedBy: true}
	for _, p := range photos {
		names[p.By] = true
	}
	for _, p := range j.Panes {
		for _, r := range p.Readings {
			names[r.By] = true
		}
		for _, k := range p.Ticks {
			names[k.By] = true
		}
		for _, a := range p.Answers {
			names[a.By] = true
		}
		if p.Choice != nil {
			names[p.Choice.By] = true
		}
		if p.Diagnosis != nil {
			names[p.Diagnosis.By] = true
		}
	}
	for _, e := range j.Strip {
		names[e.By] = true
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
