package jobview

import (
	"freshshard/core/length"
	"freshshard/core/striplog"
	"freshshard/internal/record"
)

// Strip is the strip log with what follows from it.
type Strip struct {
	Back  []striplog.Line  `json:"back" doc:"The order in which things go back"`
	Open  []striplog.Count `json:"open" doc:"What does not count out yet"`
	Needs []striplog.Need  `json:"needs" doc:"What has to be bought"`
	Stack []striplog.Layer `json:"stack" doc:"The panes of a pack in the order in which they came out"`
}

// LogOf is the strip log of a job as the core wants it.
func LogOf(j record.Job) striplog.Log {
	l := make(striplog.Log, 0, len(j.Strip))
	for _, e := range j.Strip {
		l = append(l, e.Entry)
	}
	return l
}

func stripOf(j record.Job) Strip {
	l := LogOf(j)
	return Strip{l.OrderBack(), l.Open(), l.Needs(), l.Stack()}
}

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
