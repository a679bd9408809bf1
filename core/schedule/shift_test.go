package schedule

import (
	"slices"
	"testing"
)

// lanes is a made-up day of two people: Mira's steps touch each other up to a gap, Tor has
// one and is free then.
func lanes() (Problem, Plan) {
	one := func(id string, minutes int) Job {
		return Job{ID: id, Steps: []Step{{ID: id, Minutes: minutes}}}
	}
	p := Problem{People: []Person{{ID: "mira", Hours: hours(3)}, {ID: "tor", Hours: hours(3)}},
		Jobs: []Job{one("1", 30), one("2", 30), one("3", 30), one("4", 30), one("5", 60)}}
	open := p.People[0].Hours[0].From
	at := func(id, who string, from, to int) Done {
		return Done{Step: id, Job: id, At: open + from, To: open + to, People: []string{who}, Why: "as it was"}
	}
	return p, Plan{Steps: []Done{at("1", "mira", 0, 30), at("5", "tor", 0, 60), at("2", "mira", 30, 60),
		at("3", "mira", 60, 90), at("4", "mira", 150, 180)}}
}

// A step that takes longer pushes what stands behind it in the same hands, up to a gap; what
// is later by a quarter of an hour at most has not moved, as people see it.
func TestPushed(t *testing.T) {
	for _, c := range []struct {
		longer         int
		second, fourth int
		moved          []string
	}{
		{0, 30, 150, nil}, {1, 31, 150, nil}, {15, 45, 150, nil}, {16, 46, 150, []string{"2", "3"}},
		{60, 90, 150, []string{"2", "3"}}, {61, 91, 151, []string{"2", "3"}}, {76, 106, 166, []string{"2", "3", "4"}},
	} {
		p, before := lanes()
		open := p.People[0].Hours[0].From
		p.Jobs[0].Steps[0].Minutes += c.longer
		b := newBuilder(p)
		shifting{b}.shift(before)
		got := b.plan()
		if bad := Verify(p, got); len(bad) > 0 {
			t.Fatalf("%d longer: %v", c.longer, bad)
		}
		for id, want := range map[string]int{"1": 0, "2": c.second, "3": c.second + 30, "4": c.fourth} {
			if d := got.Of(id); d == nil || d.At != open+want || d.People[0] != "mira" {
				t.Errorf("%d longer: %s is at %+v, want %d", c.longer, id, d, want)
			} else if (d.Why == "as it was") != (d.At == before.Of(id).At) {
				t.Errorf("%d longer: %s at %d for %q", c.longer, id, want, d.Why)
			}
		}
		var ids []string
		for _, m := range moved(before, got) {
			ids = append(ids, m.Step)
		}
		if !slices.Equal(ids, c.moved) {
			t.Errorf("%d longer: %v moved, want %v", c.longer, ids, c.moved)
		}
	}
}

// What comes more than two hours late has lost its turn, and so has what others can begin
// two hours sooner: it pushes nobody.
func TestOutOfTurn(t *testing.T) {
	for _, c := range []struct {
		name         string
		change       func(p *Problem, open int)
		first, after int
	}{
		{"in time", func(*Problem, int) {}, 0, 30},
		{"two hours late", func(p *Problem, open int) { p.Jobs[0].Steps[0].Not = open + 120 }, 120, 30},
		{"a minute more", func(p *Problem, open int) { p.Jobs[0].Steps[0].Not = open + 121 }, 180, 30},
	} {
		p, before := lanes()
		p.People = p.People[:1]
		p.Jobs = p.Jobs[:4]
		before.Steps = slices.DeleteFunc(before.Steps, func(d Done) bool { return d.Step == "5" })
		open := p.People[0].Hours[0].From
		c.change(&p, open)
		b := newBuilder(p)
		shifting{b}.shift(before)
		got := b.plan()
		if bad := Verify(p, got); len(bad) > 0 {
			t.Fatalf("%s: %v", c.name, bad)
		}
		if d := got.Of("1"); d == nil || d.At != open+c.first {
			t.Errorf("%s: it is at %+v, want %d", c.name, d, c.first)
		}
		if d := got.Of("2"); d == nil || d.At != open+c.after {
			t.Errorf("%s: what stands behind it is at %+v, want %d", c.name, d, c.after)
		}
	}
	// Mira comes so late: up to which minute she keeps what she had, and Tor does not take it.
	for _, c := range []struct {
		late int
		who  string
	}{{0, "mira"}, {120, "mira"}, {179, "mira"}, {180, "tor"}, {240, "tor"}} {
		p, before := lanes()
		before.Steps[0], before.Steps[1] = before.Steps[1], before.Steps[0] // Tor has his own first
		open := p.People[0].Hours[0].From
		h := slices.Clone(p.People[0].Hours)
		h[0].From += c.late
		p.People[0].Hours = h
		b := newBuilder(p)
		shifting{b}.shift(before)
		if d := b.plan().Of("1"); d == nil || d.People[0] != c.who {
			t.Errorf("she is %d late: %+v, want %s from %d", c.late, d, c.who, open)
		}
	}
}

// Minutes pass and nobody has begun: a full day is pushed on in its order, and each job is
// later by those minutes at most, none thrown behind the others.
func TestMinutesPass(t *testing.T) {
	p := Problem{People: []Person{{ID: "mira", Hours: hours(3)}}}
	open, before := p.People[0].Hours[0].From, Plan{}
	for n := range 7 {
		id, at := string(rune('a'+n)), open+30*n
		promise := at + 30 + 40
		p.Jobs = append(p.Jobs, Job{ID: id, Steps: []Step{{ID: id, Minutes: 30}}, Promise: &promise})
		before.Steps = append(before.Steps, Done{Step: id, Job: id, At: at, To: at + 30, People: []string{"mira"}})
	}
	for _, passed := range []int{0, 1, 7, 15, 16, 29, 30} {
		q, was := p, Plan{Steps: slices.Clone(before.Steps)}
		for i := range was.Steps {
			was.Steps[i].At = max(open+passed, was.Steps[i].At)
		}
		q.People = []Person{{ID: "mira", Hours: slices.Clone(p.People[0].Hours)}}
		q.People[0].Hours[0].From = open + passed
		got, _, err := Replan(ctx, q, was, Options{})
		if err != nil {
			t.Fatal(err)
		}
		for n, r := range got.Ready {
			if want := open + 30*(n+1) + passed; r.At != want || r.Late != 0 {
				t.Errorf("after %d min %s is ready at %d, %d late, want %d", passed, r.Job, r.At, r.Late, want)
			}
		}
	}
}
