package exchange

import (
	"fmt"
	"io"
	"strings"
	"time"

	"freshshard/core/supply"
	"freshshard/core/working"
	"freshshard/internal/days"
	"freshshard/internal/record"
)

// RoundSheet writes a round of the van with its load list: when it leaves, each way and
// each stop, then what goes in, a box to tick for each thing.
func RoundSheet(w io.Writer, r days.RoundLoad, of record.Shop, zone *time.Location) error {
	clock := func(t time.Time) string { return t.In(zone).Format("15:04") }
	t := sheetOf(of, "Round of the van", zone)
	t.line(12, "B", r.Sheet.Leaves.In(zone).Format("Monday, 2 January")+", "+strings.Join(r.Sheet.Names, " and "))
	t.p.Ln(2)
	hops := func(way []record.RoundHop) {
		for _, h := range way {
			by := "drive"
			if h.Ferry != "" {
				by = h.Ferry
			}
			t.line(10, "", fmt.Sprintf("%s to %s   %s: %s to %s", clock(h.Leaves), clock(h.Lands), by, h.From, h.To))
		}
	}
	for i, s := range r.Sheet.Stops {
		hops(s.Way)
		v := r.Sheet.Visits[i]
		t.line(11, "B", fmt.Sprintf("%s to %s   %s, %s", clock(s.Begins), clock(s.Done), s.Place, v.Object))
		t.line(10, "", strings.TrimPrefix(fmt.Sprintf("%s. %s, job %d", v.What, v.Customer, s.Job), ". "))
	}
	hops(r.Sheet.Home)
	t.p.Ln(3)
	t.line(12, "B", "Into the van")
	for _, k := range r.Load.Tools {
		t.box(k.What, k.Why)
	}
	for _, e := range r.Each {
		if len(e.Parts) == 0 {
			continue
		}
		t.p.Ln(2)
		t.line(11, "B", "For "+e.Object)
		for _, l := range e.Parts {
			t.box(amountOf(l)+"  "+l.Text, "")
		}
	}
	for _, list := range []struct {
		title string
		all   []string
	}{{"Two people", r.Load.Two}, {"Mind", r.Load.Mind}} {
		if len(list.all) == 0 {
			continue
		}
		t.p.Ln(2)
		t.line(11, "B", list.title)
		for _, s := range list.all {
			t.line(10, "", s)
		}
	}
	return t.p.Output(w)
}

// amountOf is how much of a line is wanted: 2 ×, 1.5 m.
func amountOf(l supply.Line) string {
	return working.Num(float64(l.Milli)/1000, 3) + " " + strings.Replace(l.Unit, "pc", "×", 1)
}

// box is one thing with a box to tick, and why it goes along.
func (t sheet) box(what, why string) {
	t.p.Ln(1)
	if t.p.GetY() > pageH-2*margin {
		t.p.AddPage()
	}
	y := t.p.GetY()
	t.p.Rect(margin, y, tickBox, tickBox, "D")
	t.say(margin+tickBox+3, pageW-2*margin-tickBox-3, 10.5, "", strings.TrimSuffix(what+", "+why, ", "))
	if t.p.GetY() < y+tickBox {
		t.p.SetY(y + tickBox)
	}
}
