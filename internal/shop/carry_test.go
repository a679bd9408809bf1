package shop

import (
	"encoding/json"
	"reflect"
	"strings"
	"testing"
	"time"

	"freshshard/core/diagnose"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/core/striplog"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/records"
	"freshshard/internal/strip"
)

// content drops what belongs to one shop's database and what carrying itself
// puts in, so that two copies of a job can be held against each other.
func content(c desk.Carried) record.Job {
	j := c.Job
	j.ID, j.Version, j.Pulse, j.Signed, j.Ticket, j.CreatedBy, j.CreatedAt = 0, 0, 0, false, nil, "", time.Time{}
	j.Customer.ID, j.Customer.Version, j.Object.ID, j.Object.Version = 0, 0, 0, 0
	bare := func(by *string) { *by = strings.TrimSuffix(*by, " (carried in)") }
	for i := range j.Strip {
		j.Strip[i].Version = 0
		bare(&j.Strip[i].By)
	}
	for i := range j.Panes {
		p := &j.Panes[i]
		p.ID, p.Version = 0, 0
		if p.Diagnosis != nil {
			p.Diagnosis.Version = 0
			bare(&p.Diagnosis.By)
		}
		if p.Choice != nil {
			p.Choice.ID = 0
			bare(&p.Choice.By)
		}
		for k := range p.Readings {
			p.Readings[k].ByID, p.Readings[k].Version = 0, 0
			bare(&p.Readings[k].By)
		}
		for k := range p.Ticks {
			p.Ticks[k].Version = 0
			bare(&p.Ticks[k].By)
		}
		for k := range p.Answers {
			p.Answers[k].Version = 0
			bare(&p.Answers[k].By)
		}
	}
	return j
}

func finished(t *testing.T, s *Shop, mira, tor record.Account) int64 {
	t.Helper()
	id := takeIn(t, s, tor)
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	read(t, s, mira, id, "width_middle", "269 light")
	if err := s.Bench.Choose(ctx, mira, jobview.First(id),
		bench.Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Diagnose(ctx, tor, jobview.First(id), bench.Seen{Evidence: diagnose.Evidence{"origin": "fixing"},
		OldPane: diagnose.Evidence{"colour": "amber"}, Cause: "over-tight", Behind: []string{"warped-seat"}}); err != nil {
		t.Fatal(err)
	}
	bracket := striplog.Entry{Kind: striplog.Fasteners, What: "bracket screw", Count: 4, Fate: striplog.Back,
		Held: striplog.Held{How: "screw", Drive: "PH2", Size: "M4", Length: 12}}
	if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(bracket)); err != nil {
		t.Fatal(err)
	}
	if err := s.Bench.Tick(ctx, tor, jobview.First(id), "cold",
		bench.Done{Outcome: "left-out", Reason: "the door came by itself"}); err != nil {
		t.Fatal(err)
	}
	upTo(t, s, tor, jobview.First(id), "settle")
	n := 0.7
	if err := s.Bench.Answer(ctx, tor, jobview.First(id), "gap",
		bench.Checked{Answer: prove.Answer{Outcome: prove.Pass, Value: &n}}); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Records.Sign(ctx, mira, "", id, records.Signature{Override: "for the demonstration"}); err != nil {
		t.Fatal(err)
	}
	return id
}

// onPaper is a carried job, written and read again.
func onPaper(t *testing.T, c desk.Carried) desk.Carried {
	t.Helper()
	b, err := json.Marshal(c)
	if err != nil {
		t.Fatal(err)
	}
	var read desk.Carried
	if err := json.Unmarshal(b, &read); err != nil {
		t.Fatal(err)
	}
	return read
}

// Out, in at another shop, and out again: what was done is not lost, who did it
// stands as text, and nothing that the document says of itself is taken on
// trust.
func TestCarried(t *testing.T) {
	a, mira, tor := open(t)
	first, err := a.Desk.Carry(ctx, finished(t, a, mira, tor))
	if err != nil {
		t.Fatal(err)
	}
	read := onPaper(t, first)
	b, _, other := open(t)
	before, err := b.People.List(ctx)
	if err != nil {
		t.Fatal(err)
	}
	id, err := b.Desk.Bring(ctx, other, "k", read)
	if err != nil {
		t.Fatal(err)
	}
	second, err := b.Desk.Carry(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	if x, y := content(onPaper(t, first)), content(onPaper(t, second)); !reflect.DeepEqual(x, y) {
		p, _ := json.MarshalIndent(x, "", " ")
		q, _ := json.MarshalIndent(y, "", " ")
		t.Errorf("out:\n%s\nback:\n%s", p, q)
	}
	again, err := b.Desk.Bring(ctx, other, "k", read)
	if err != nil || again != id {
		t.Errorf("a retry brought it in twice: %d, %v", again, err)
	}
	if after, err := b.People.List(ctx); err != nil || len(after) != len(before) {
		t.Errorf("a document made accounts: %v, %v", after, err)
	}
	v := view1(t, b, id)
	if v.Job.Signed || v.Job.Ticket != nil {
		t.Errorf("a document signed itself: %+v", v.Job.Ticket)
	}
	if c := v.Job.Carried; c == nil || c.By != "Tor" || !strings.Contains(c.Says, "signed there as ticket") ||
		!strings.Contains(c.Says, "does not come from this shop") {
		t.Errorf("%+v", c)
	}
	if r := v.Pane.Readings[0]; r.By != "Tor (carried in)" || r.ByID != other.ID {
		t.Errorf("%+v", r)
	}
	if v.Job.CreatedBy != "Tor" || b.Now().Sub(v.Job.CreatedAt) > time.Minute {
		t.Errorf("created by %s at %v", v.Job.CreatedBy, v.Job.CreatedAt)
	}
	// The same document at home is known; one letter of it changed is not.
	home, err := a.Desk.Bring(ctx, tor, "k1", read)
	if err != nil {
		t.Fatal(err)
	}
	if c := view1(t, a, home).Job.Carried; !strings.Contains(c.Says, "This shop wrote it, and it is unchanged") {
		t.Errorf("%s", c.Says)
	}
	read.Job.Panes[0].Readings[0].Reading.Value++
	forged, err := a.Desk.Bring(ctx, tor, "k2", read)
	if err != nil {
		t.Fatal(err)
	}
	if c := view1(t, a, forged).Job.Carried; !strings.Contains(c.Says, "was changed on the way") {
		t.Errorf("%s", c.Says)
	}
}

// A date that lies ahead is none that a document can have.
func TestCarriedDates(t *testing.T) {
	s, mira, tor := open(t)
	doc, err := s.Desk.Carry(ctx, finished(t, s, mira, tor))
	if err != nil {
		t.Fatal(err)
	}
	past, ahead := s.Now().Add(-48*time.Hour), s.Now().Add(48*time.Hour)
	doc.Job.Panes[0].Readings[0].At, doc.Job.Panes[0].Readings[1].At = past, ahead
	id, err := s.Desk.Bring(ctx, tor, "", doc)
	if err != nil {
		t.Fatal(err)
	}
	r := view1(t, s, id).Pane.Readings
	if !r[0].At.Equal(past) || r[1].At.After(s.Now()) {
		t.Errorf("%v, %v", r[0].At, r[1].At)
	}
}

func TestBringRefuses(t *testing.T) {
	s, mira, tor := open(t)
	id := finished(t, s, mira, tor)
	for _, c := range []struct {
		field  string
		change func(*desk.Carried)
	}{
		{"format", func(c *desk.Carried) { c.Format = "letter" }},
		{"version", func(c *desk.Carried) { c.Version = 99 }},
		{"job.customer.name", func(c *desk.Carried) { c.Job.Customer.Name = "" }},
		{"job.panes[0].readings[0].place", func(c *desk.Carried) { c.Job.Panes[0].Readings[0].Place = "girth" }},
		{"job.panes[0].readings[0].reading",
			func(c *desk.Carried) { c.Job.Panes[0].Readings[0].Reading = length.Reading{Value: 40000} }},
		{"job.panes[0].readings[1]", func(c *desk.Carried) { c.Job.Panes[0].Readings[1] = c.Job.Panes[0].Readings[0] }},
		{"family", func(c *desk.Carried) { c.Job.Panes[0].Family, c.Job.Panes[0].Readings = "magnets", nil }},
		{"job.strip", func(c *desk.Carried) { c.Job.Strip[0].Entry.Captures = []string{"e1"} }},
		{"job.panes[0].ticks[0]", func(c *desk.Carried) { c.Job.Panes[0].Ticks[0].Step = "dance" }},
		{"job.panes[0].answers[0]", func(c *desk.Carried) { c.Job.Panes[0].Answers[0].Check = "luck" }},
		{"job.panes", func(c *desk.Carried) { c.Job.Panes = nil }},
		{"job.panes[0].number", func(c *desk.Carried) { c.Job.Panes[0].Number = 7 }},
		{"job.panes[0].name", func(c *desk.Carried) { c.Job.Panes[0].Name = strings.Repeat("n", 81) }},
		{"job.ticket", func(c *desk.Carried) { c.Job.Ticket = nil }},
		{"version", func(c *desk.Carried) { c.Version = 3 }},
		{"job.panes[0].ticks[16]", func(c *desk.Carried) { p := &c.Job.Panes[0]; p.Ticks = append(p.Ticks, p.Ticks[0]) }},
		{"job.panes[0].answers[1]", func(c *desk.Carried) {
			p := &c.Job.Panes[0]
			p.Answers = append(p.Answers,
				p.Answers[0])
		}},
		{"job.panes[0].uses[1]", func(c *desk.Carried) { c.Job.Panes[0].Uses = []string{"soap", "soap"} }},
		{"job.panes[0].gasket.free", func(c *desk.Carried) { c.Job.Panes[0].Gasket.Free = 5e-324 }},
		{"job.panes[0].readings[0].reading.value",
			func(c *desk.Carried) { c.Job.Panes[0].Readings[0].Reading.Value = 1e-300 }},
		{"job.promised_at", func(c *desk.Carried) { at := time.Date(1, 1, 2, 0, 0, 0, 0, time.UTC); c.Job.PromisedAt = &at }},
		{"job.ticket.by", func(c *desk.Carried) { c.Job.Ticket.By = "" }},
		{"job.panes[0].choice", func(c *desk.Carried) { c.Job.Panes[0].Choice.Thickness = -1 }},
	} {
		doc, err := s.Desk.Carry(ctx, id)
		if err != nil {
			t.Fatal(err)
		}
		c.change(&doc)
		_, err = s.Desk.Bring(ctx, mira, "", doc)
		if f := fault.Of(err); f == nil || f.Field != c.field {
			t.Errorf("want a fault at %s, got %v", c.field, err)
		}
	}
}
