package shop

import (
	"encoding/json"
	"reflect"
	"strings"
	"testing"

	"freshshard/core/diagnose"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/core/striplog"
	"freshshard/internal/record"
)

// content drops what belongs to one shop's database, so that two copies of a
// job can be held against each other.
func content(c Carried) record.Job {
	j, _ := c.job()
	j.ID, j.Version, j.Pulse = 0, 0, 0
	j.Customer.ID, j.Customer.Version, j.Object.ID, j.Object.Version = 0, 0, 0, 0
	for i := range j.Strip {
		j.Strip[i].Version = 0
	}
	for i := range j.Panes {
		p := &j.Panes[i]
		p.ID, p.Version = 0, 0
		if p.Diagnosis != nil {
			p.Diagnosis.Version = 0
		}
		for k := range p.Readings {
			p.Readings[k].ByID, p.Readings[k].Version = 0, 0
		}
	}
	if j.Ticket != nil {
		j.Ticket.Number = 0
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
	if err := s.Choose(ctx, mira, First(id), Settle{Material: "glass-ceramic", Thickness: 4}); err != nil {
		t.Fatal(err)
	}
	if err := s.Diagnose(ctx, tor, First(id), Seen{Evidence: diagnose.Evidence{"origin": "fixing"}, OldPane: diagnose.Evidence{"colour": "amber"}, Cause: "over-tight"}); err != nil {
		t.Fatal(err)
	}
	bracket := striplog.Entry{Kind: striplog.Fasteners, What: "bracket screw", Count: 4, Fate: striplog.Back, Held: striplog.Held{How: "screw", Drive: "PH2", Size: "M4", Length: 12}}
	if err := s.AddStrip(ctx, tor, "", id, bracket); err != nil {
		t.Fatal(err)
	}
	if err := s.Tick(ctx, tor, First(id), "cold", Done{Outcome: "left-out", Reason: "came without its stove"}); err != nil {
		t.Fatal(err)
	}
	n := 0.7
	if err := s.Answer(ctx, tor, First(id), "gap", Checked{Answer: prove.Answer{Outcome: prove.Pass, Value: &n}}); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Sign(ctx, mira, "", id, Signature{Override: "demonstration"}); err != nil {
		t.Fatal(err)
	}
	return id
}

// onPaper is a carried job, written and read again.
func onPaper(t *testing.T, c Carried) Carried {
	t.Helper()
	b, err := json.Marshal(c)
	if err != nil {
		t.Fatal(err)
	}
	var read Carried
	if err := json.Unmarshal(b, &read); err != nil {
		t.Fatal(err)
	}
	return read
}

// Out, in at another shop, and out again: nothing is lost.
func TestCarryWithoutLoss(t *testing.T) {
	a, mira, tor := open(t)
	first, err := a.Carry(ctx, finished(t, a, mira, tor))
	if err != nil {
		t.Fatal(err)
	}
	read := onPaper(t, first)
	b, other, _ := open(t)
	// At the other shop nobody is called Tor, so he comes along as a stranger.
	if _, err := b.Store.DB.Exec("UPDATE account SET name = 'Somebody' WHERE login = 'tor'"); err != nil {
		t.Fatal(err)
	}
	id, err := b.Bring(ctx, other, "k", read)
	if err != nil {
		t.Fatal(err)
	}
	second, err := b.Carry(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	if x, y := content(first), content(second); !reflect.DeepEqual(x, y) {
		p, _ := json.MarshalIndent(x, "", " ")
		q, _ := json.MarshalIndent(y, "", " ")
		t.Errorf("out:\n%s\nback:\n%s", p, q)
	}
	if !reflect.DeepEqual(first.Fixed, second.Fixed) || len(first.Fixed) != 1 {
		t.Error("what the ticket fixed has changed on the way")
	}
	again, err := b.Bring(ctx, other, "k", read)
	if err != nil || again != id {
		t.Errorf("a retry brought it in twice: %d, %v", again, err)
	}
	if _, err := b.SignIn(ctx, "carried", ""); err == nil {
		t.Error("a stranger may sign in")
	}
}

func TestBringRefuses(t *testing.T) {
	s, mira, tor := open(t)
	id := finished(t, s, mira, tor)
	for _, c := range []struct {
		field  string
		change func(*Carried)
	}{
		{"format", func(c *Carried) { c.Format = "letter" }},
		{"version", func(c *Carried) { c.Version = 99 }},
		{"job.customer.name", func(c *Carried) { c.Job.Customer.Name = "" }},
		{"job.panes[0].readings[0].place", func(c *Carried) { c.Job.Panes[0].Readings[0].Place = "girth" }},
		{"job.panes[0].readings[0].reading", func(c *Carried) { c.Job.Panes[0].Readings[0].Reading = length.Reading{Value: 40000} }},
		{"job.panes[0].readings[1]", func(c *Carried) { c.Job.Panes[0].Readings[1] = c.Job.Panes[0].Readings[0] }},
		{"family", func(c *Carried) { c.Job.Panes[0].Family, c.Job.Panes[0].Readings = "magnets", nil }},
		{"job.strip", func(c *Carried) { c.Job.Strip[0].Entry.Captures = []string{"e1"} }},
		{"job.panes[0].ticks[0]", func(c *Carried) { c.Job.Panes[0].Ticks[0].Step = "dance" }},
		{"job.panes[0].answers[0]", func(c *Carried) { c.Job.Panes[0].Answers[0].Check = "luck" }},
		{"job.panes", func(c *Carried) { c.Job.Panes = nil }},
		{"job.panes[0].number", func(c *Carried) { c.Job.Panes[0].Number = 7 }},
		{"job.panes[0].name", func(c *Carried) { c.Job.Panes[0].Name = strings.Repeat("n", 81) }},
		{"job.ticket", func(c *Carried) { c.Job.Ticket = nil }},
		{"by", func(c *Carried) { c.Job.Panes[0].Ticks[0].By = "" }},
		{"job.panes[0].choice", func(c *Carried) { c.Job.Panes[0].Choice.Thickness = -1 }},
	} {
		doc, err := s.Carry(ctx, id)
		if err != nil {
			t.Fatal(err)
		}
		c.change(&doc)
		_, err = s.Bring(ctx, mira, "", doc)
		if f := fault.Of(err); f == nil || f.Field != c.field {
			t.Errorf("want a fault at %s, got %v", c.field, err)
		}
	}
}

// A document from when a job had one pane is read as it always was.
func TestBringsVersionOne(t *testing.T) {
	s, mira, tor := open(t)
	doc, err := s.Carry(ctx, finished(t, s, mira, tor))
	if err != nil {
		t.Fatal(err)
	}
	want := content(doc)
	p := doc.Job.Panes[0]
	doc.Version, doc.Job.Panes, doc.Reckoning, doc.Fixed = 1, nil, &doc.Fixed[0].Reckoning, nil
	doc.Job.Pane = &CarriedPane{Family: p.Family, Frame: p.Frame, Cutter: p.Cutter, Gasket: p.Gasket, Sides: p.Sides, Raked: p.Raked, Like: p.Like}
	doc.Job.Readings, doc.Job.Diagnosis, doc.Job.Choice, doc.Job.Ticks, doc.Job.Answers = p.Readings, p.Diagnosis, p.Choice, p.Ticks, p.Answers
	id, err := s.Bring(ctx, mira, "", doc)
	if err != nil {
		t.Fatal(err)
	}
	again, err := s.Carry(ctx, id)
	if err != nil {
		t.Fatal(err)
	}
	if got := content(again); !reflect.DeepEqual(got, want) || len(again.Fixed) != 1 {
		x, _ := json.MarshalIndent(want, "", " ")
		y, _ := json.MarshalIndent(got, "", " ")
		t.Errorf("out:\n%s\nback:\n%s", x, y)
	}
}
