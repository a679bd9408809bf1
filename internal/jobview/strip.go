package jobview

import (
	"fmt"
	"slices"

	"freshshard/core/family"
	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/core/striplog"
	"freshshard/internal/record"
)

// Strip is the strip log with what follows from it.
type Strip struct {
	Back  []striplog.Line  `json:"back" doc:"The order in which things go back"`
	Open  []striplog.Count `json:"open" doc:"What does not count out yet, and no step puts back"`
	Needs []striplog.Need  `json:"needs" doc:"What has to be bought"`
	Stack []striplog.Layer `json:"stack" doc:"The panes of a pack in the order in which they came out"`
}

// Noted is the strip log of a job as it was noted.
func Noted(j *record.Job) striplog.Log {
	l := make(striplog.Log, 0, len(j.Strip))
	for _, e := range j.Strip {
		l = append(l, e.Entry)
	}
	return l
}

// LogOf is the strip log of a job as the core wants it. What a step of the work puts back is in as
// soon as that is done, on every pane that has it.
func LogOf(j record.Job) striplog.Log { return withSteps(&j, putBy(&j)) }

// withSteps is the strip log with what the steps have put back.
func withSteps(j *record.Job, by map[string]puts) striplog.Log {
	l := Noted(j)
	for i := range l {
		switch s, ok := by[l[i].ID]; {
		case !ok:
		case s.done:
			l[i].In = l[i].Wanted()
		case !j.Signed:
			l[i].In = 0
		}
	}
	return l
}

// puts is the step of the work that puts a line of the strip log back.
type puts struct {
	title string
	done  bool
}

// putBy are those steps by line. A line that is a step of its own has none.
func putBy(j *record.Job) map[string]puts {
	out := map[string]puts{}
	if len(j.Strip) == 0 {
		return out
	}
	var f family.Family
	for i := range j.Panes {
		p := &j.Panes[i]
		if i == 0 || !sameWork(p, &j.Panes[i-1]) {
			var err error
			if f, err = workWith(j, p, linesOf(j, p)); err != nil {
				continue
			}
		}
		q := together(j, p)
		for _, s := range f.Steps {
			if family.LineOf(s.Key) != "" {
				continue
			}
			for _, id := range s.Puts {
				had, ok := out[id]
				out[id] = puts{s.Title, (!ok || had.done) && TickOf(&q, s.Key) != nil}
			}
		}
	}
	return out
}

// linesOf are the lines of the strip log that are a pane's: those that its own work puts back, and
// those that no pane's does.
func linesOf(j *record.Job, p *record.Pane) striplog.Log {
	l := Noted(j)
	if len(l) == 0 || !slices.ContainsFunc(j.Panes, func(q record.Pane) bool { return !sameWork(&q, p) }) {
		return l
	}
	mine, others := puttingBack(j, p, l), map[string]bool{}
	for i := range j.Panes {
		if q := &j.Panes[i]; !sameWork(q, p) {
			for id := range puttingBack(j, q, l) {
				others[id] = true
			}
		}
	}
	return slices.DeleteFunc(l, func(e striplog.Entry) bool { return others[e.ID] && !mine[e.ID] })
}

// puttingBack are the lines that the work at a pane puts back.
func puttingBack(j *record.Job, p *record.Pane, l striplog.Log) map[string]bool {
	out := map[string]bool{}
	f, err := workWith(j, p, l)
	if err != nil {
		return out
	}
	for _, s := range f.Steps {
		if family.LineOf(s.Key) != "" {
			continue
		}
		for _, id := range s.Puts {
			out[id] = true
		}
	}
	return out
}

// backIn are the lines of the strip log that are back, as the steps that they are.
func backIn(j *record.Job) []record.Tick {
	var out []record.Tick
	for _, e := range j.Strip {
		if e.Entry.IsBack() {
			out = append(out, record.Tick{Step: family.LineKey(e.Entry.ID), Outcome: "done", Version: e.Version, By: e.By,
				At: e.At})
		}
	}
	return out
}

// stripOf is the strip log of a job with what follows from it.
func stripOf(j record.Job) Strip {
	by := putBy(&j)
	l := withSteps(&j, by)
	s := Strip{l.OrderBack(), l.Open(), l.Needs(), l.Stack()}
	for i, line := range s.Back {
		s.Back[i].Step = by[line.ID].title
	}
	s.Open = slices.DeleteFunc(s.Open, func(c striplog.Count) bool { return by[c.ID].title != "" })
	return s
}

// wait lays the order of work over the lines that are steps of their own.
func (v *Strip) wait(waits []plan.Wait) {
	v.Back = slices.Clone(v.Back)
	for i := range v.Back {
		b := &v.Back[i]
		at := slices.IndexFunc(waits, func(w plan.Wait) bool { return w.Step == family.LineKey(b.ID) })
		if at >= 0 && b.Ready {
			b.Ready, b.Waits = false, waits[at].Why
		}
	}
}

// SeenLine finds a line of the strip log and holds its version against what a person saw.
func (s *Reader) SeenLine(j *record.Job, id string, version int) (record.StripEntry, error) {
	for _, e := range j.Strip {
		if e.Entry.ID != id {
			continue
		}
		if e.Version != version {
			return e, &record.Conflict{Field: id,
				Says: fmt.Sprintf("%s changed “%s” %s. It is shown now; yours is not kept yet.", e.By, e.Entry.What,
					s.Ago(e.At))}
		}
		return e, nil
	}
	return record.StripEntry{}, &record.NotFound{What: "this entry"}
}

// PutBy is the title of the step that puts a line back; empty where none does.
func PutBy(j *record.Job, id string) string { return putBy(j)[id].title }

// inUnit writes the lengths of what is said in the unit of whoever looks.
func (v Strip) inUnit(unit length.Unit) Strip {
	for i := range v.Back {
		b := &v.Back[i]
		b.With = length.Words(b.With, unit)
		for k := range b.Warning {
			b.Warning[k] = length.Words(b.Warning[k], unit)
		}
	}
	for i := range v.Needs {
		v.Needs[i].What = length.Words(v.Needs[i].What, unit)
	}
	return v
}
