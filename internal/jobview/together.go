package jobview

import (
	"slices"

	"freshshard/core/family"
	"freshshard/core/work"
	"freshshard/internal/record"
)

// An object comes apart once, goes together once and is proved once, however
// many panes it has: such a step is ticked on one of its panes and stands on all
// that have it.

// OnceOf are the steps and checks of a pane that belong to its object.
func OnceOf(j *record.Job, p *record.Pane) (steps, checks []string) {
	f, err := familyOf(j, p)
	if err != nil {
		return nil, nil
	}
	for _, s := range f.Steps {
		if s.Once {
			steps = append(steps, s.Key)
		}
	}
	for _, c := range f.Checks {
		if c.Once {
			checks = append(checks, c.Key)
		}
	}
	return steps, checks
}

// bookOnce are the keys of such steps and checks by way of holding, whatever the object.
var bookOnce = func() map[string][2][]string {
	out := map[string][2][]string{}
	for _, f := range family.Book.All() {
		steps, checks := work.Once(f)
		out[f.ID] = [2][]string{steps, checks}
	}
	return out
}()

// together is a pane with what was done once for its object on another pane, and with what is back
// of what came off.
func together(j *record.Job, p *record.Pane) record.Pane {
	out := *p
	out.Ticks = append(slices.Clip(out.Ticks), backIn(j)...)
	if len(j.Panes) < 2 {
		return out
	}
	steps, checks := OnceOf(j, p)
	for i := range j.Panes {
		q := &j.Panes[i]
		if q.ID == p.ID {
			continue
		}
		book := bookOnce[q.Family]
		for _, t := range q.Ticks {
			if slices.Contains(steps, t.Step) && slices.Contains(book[0], t.Step) && TickOf(&out, t.Step) == nil {
				out.Ticks = append(slices.Clip(out.Ticks), t)
			}
		}
		for _, a := range q.Answers {
			if slices.Contains(checks, a.Check) && slices.Contains(book[1], a.Check) && answerOf(&out, a.Check) == nil {
				out.Answers = append(slices.Clip(out.Answers), a)
			}
		}
	}
	return out
}

func TickOf(p *record.Pane, step string) *record.Tick {
	i := slices.IndexFunc(p.Ticks, func(t record.Tick) bool { return t.Step == step })
	if i < 0 {
		return nil
	}
	return &p.Ticks[i]
}

func answerOf(p *record.Pane, check string) *record.Answer {
	i := slices.IndexFunc(p.Answers, func(a record.Answer) bool { return a.Check == check })
	if i < 0 {
		return nil
	}
	return &p.Answers[i]
}

// Holder is the pane on which something that is done once was noted, the pane
// itself where nobody has yet.
func Holder(j *record.Job, p *record.Pane, noted func(*record.Pane) bool, once []string, key string) *record.Pane {
	if noted(p) || !slices.Contains(once, key) {
		return p
	}
	for i := range j.Panes {
		if noted(&j.Panes[i]) {
			return &j.Panes[i]
		}
	}
	return p
}

// Alike are the panes that are held and done as one of them is, that one first.
func Alike(j *record.Job, p *record.Pane) []*record.Pane {
	out := []*record.Pane{p}
	for i := range j.Panes {
		q := &j.Panes[i]
		if q.ID != p.ID && sameWork(p, q) {
			out = append(out, q)
		}
	}
	return out
}
