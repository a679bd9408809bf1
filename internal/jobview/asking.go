package jobview

import (
	"slices"

	"freshshard/core/ask"
	"freshshard/core/cure"
	"freshshard/core/family"
	"freshshard/core/prove"
	"freshshard/core/road"
	"freshshard/internal/record"
)

// asking are the facts from which the one next thing of each station is told.
func (v *View) asking(b Pane) ask.Facts {
	r := b.Reckoning
	f := ask.Facts{Signed: v.Job.Signed, Withdrawn: v.Job.Withdrawn != nil, Plan: r.Plan, Done: b.Done, Waits: v.Waits,
		Missing: r.Fit.Missing, Odd: r.Fit.Odd,
		Fault: r.Fault,
		Why:   r.Why, Looked: len(r.Chain) > 0 || b.Pane.Road.Came == road.Unbroken,
		Settles: r.Road.Settled, Settled: b.chosen(), WaitsFor: b.Pane.WaitsFor, WaitsUntil: b.Pane.WaitsUntil,
		Screws: ScrewsOf(b.Pane, r.Family), Counted: b.Pane.Counted, Back: v.Strip.Back, Hindrances: v.Hindrances,
		CheckWaits: map[string]string{}, Route: map[family.Station]int{}}
	if b.Pane.Diagnosis != nil {
		f.Evidence = b.Pane.Diagnosis.Evidence
	}
	if len(r.Choice.Open) > 0 {
		f.First = &r.Choice.Open[0]
	}
	for _, c := range b.Checks {
		f.Checks = append(f.Checks, c.Check)
		f.CheckWaits[c.Key] = c.Waits
	}
	if b.Finished() {
		f.Other = v.otherPane()
	}
	for _, k := range b.Stops {
		if k.Taken == nil {
			f.Stops = append(f.Stops, k)
		}
	}
	for _, l := range b.Route {
		f.Route[l.Station] = l.Open
	}
	f.Lays = b.lays(v.Job.Object.Vehicle)
	f.Order = family.Order(b.Pane.Road.BoughtFirst())
	v.together(&f)
	return f
}

// together are the panes of the object, where each can be gone on with, and what can be taken on
// several of them at once.
func (v *View) together(f *ask.Facts) {
	if len(v.Benches) < 2 || v.Job.Signed {
		return
	}
	f.Alike = map[string]int{}
	for i, b := range v.Benches {
		o := ask.Other{Pane: b.Pane.ID, Name: Name(b.Pane), Station: v.ready(i, f.Alike)}
		if b.Pane.ID == v.Pane.ID {
			o.Station = "" // it is here
		}
		f.Panes = append(f.Panes, o)
	}
	f.Alike["the choice"] = v.settlesAlike()
}

// settlesAlike is how many panes that are held and done alike want a material, with all read that is
// asked of them. What does not stand it on one of them is refused for all.
func (v *View) settlesAlike() int {
	n := 0
	for _, b := range v.Benches {
		if sameWork(&b.Pane, &v.Pane) && !b.chosen() && b.Pane.Choice == nil && len(b.Reckoning.Fit.Missing) == 0 {
			n++
		}
	}
	return n
}

// ready is the first station at which one of the panes can be gone on with, none where it cannot.
// It counts what can be taken there now.
func (v *View) ready(i int, alike map[string]int) family.Station {
	b := v.Benches[i]
	order := family.Order(b.Pane.Road.BoughtFirst())
	first := len(order)
	at := func(s family.Station) { first = min(first, slices.Index(order, s)) }
	for _, st := range b.Reckoning.Plan.Steps {
		if b.Done[st.Key] || v.object.Wait(i, st, v.now) != nil {
			continue
		}
		if at(st.Station); !st.Once && !st.Screws {
			alike[st.Key]++
		}
	}
	for _, c := range b.Checks {
		if c.Outcome == prove.Open && c.Waits == "" && !c.Once {
			alike["check "+c.Key]++
		}
	}
	if len(b.Reckoning.Fit.Missing) > 0 {
		at("measure")
	}
	if first == len(order) {
		return ""
	}
	return order[first]
}

// lays is what hardens here and has no clock yet; nil where nothing does.
func (b Pane) lays(drives bool) *ask.Lays {
	if len(b.Pane.Cures) > 0 || !b.Reckoning.Plan.Hardens() {
		return nil
	}
	a, err := cure.Book.ByID(cure.UsualFor(b.Pane.Family))
	if err != nil {
		return nil
	}
	out := &ask.Lays{Adhesive: a.ID, Name: a.Name}
	if a.Kind == cure.Moisture {
		out.Width = b.Pressed()
	}
	if fast, err := cure.Book.ByID(cure.FastFor(b.Pane.Family, drives)); err == nil {
		out.Fast = &ask.Answer{ID: fast.ID, Say: fast.Name}
	}
	return out
}

// otherPane is the next pane of the object that somebody can go on with, behind the
// one on the table and round; nil where there is none.
func (v *View) otherPane() *ask.Other {
	n := len(v.Panes)
	on := slices.IndexFunc(v.Panes, func(p PaneState) bool { return p.ID == v.Pane.ID })
	for i := 1; i < n; i++ {
		if p := v.Panes[(on+i)%n]; p.State == "now" {
			return &ask.Other{Pane: p.ID, Name: p.Name, Station: family.Station(p.Station)}
		}
	}
	return nil
}

// ScrewsOf is how many fixings of a pane are tightened in an order.
func ScrewsOf(p record.Pane, f family.Family) int {
	if f.Tightening == "" {
		return 0
	}
	return p.Sides.Total()
}
