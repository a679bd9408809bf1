package days

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/fault"
	"freshshard/core/kit"
	"freshshard/core/round"
	"freshshard/core/schedule"
	"freshshard/core/supply"
	"freshshard/core/usual"
	"freshshard/internal/record"
	"freshshard/internal/standing"
	"freshshard/internal/store"
)

// Rounds are the days of the van: those that were taken, and what could be visited next.
type Rounds struct {
	Home   string       `json:"home"`
	Places []string     `json:"places" doc:"As the road map calls them"`
	Taken  []RoundSheet `json:"taken"`
	Open   []ToVisit    `json:"open" doc:"Jobs at customers' with what could be done there in one go"`
	Days   []string     `json:"days" doc:"The next days on which anybody works"`
}

// ToVisit is what could be done at a customer's in one go.
type ToVisit struct {
	Job     int64       `json:"job"`
	Object  string      `json:"object"`
	Site    record.Site `json:"site"`
	Minutes int         `json:"minutes"`
	People  int         `json:"people"`
	What    string      `json:"what"`
	From    *time.Time  `json:"from,omitempty" doc:"What it needs is here then"`
	Why     string      `json:"why,omitempty" doc:"Why nobody can go there yet"`
	Round   int64       `json:"round,omitempty" doc:"It is in this round already"`
}

// RoundWanted is a round as somebody asks for it.
type RoundWanted struct {
	Day    string  `json:"day" maxLength:"10" doc:"2026-12-24"`
	People []int64 `json:"people" minItems:"1" maxItems:"4" doc:"Who goes"`
	Jobs   []int64 `json:"jobs" minItems:"1" maxItems:"8"`
}

// RoundTried is a round with what does not go into it.
type RoundTried struct {
	Sheet   RoundSheet `json:"sheet"`
	Left    []DayLeft  `json:"left"`
	Driving int        `json:"driving" doc:"min on the road and on the water"`
	Waiting int        `json:"waiting" doc:"min for a ferry, or for somebody to be in"`
	Apart   int        `json:"apart" doc:"min on the road if each were a trip of its own"`
}

// RoundSheet is a round with the names of what is in it.
type RoundSheet struct {
	record.Round
	Names  []string `json:"names" doc:"Who goes"`
	Visits []Visit  `json:"visits" doc:"In the order of the stops"`
}

// Visit is what is done at a stop, and for whom.
type Visit struct {
	Object   string `json:"object"`
	Customer string `json:"customer"`
	What     string `json:"what"`
	Minutes  int    `json:"minutes"`
}

// visit is what could be done at a job at the customer's in one go, starting now.
type visit struct {
	steps   []schedule.Step
	minutes int
	people  int
	not     int
	needs   []string
	fit     []schedule.Window
	why     string
}

// oneDay is how much later the last thing of a visit may come than the first, min.
const oneDay = 8 * 60

// visitOf takes from what is left of a job what can be done in one go: up to the first
// wait, order or delivery that is far off.
func (w roundWork) visitOf(j schedule.Job) visit {
	v := visit{people: 1}
	in := map[string]bool{}
	for _, s := range j.Steps {
		if !slices.Contains(s.Uses, "van") {
			if len(v.steps) == 0 && v.why == "" {
				v.why = fmt.Sprintf("“%s” comes first", s.Title)
			}
			continue
		}
		open := slices.ContainsFunc(s.After, func(a schedule.After) bool { return !in[a.Step] || a.Wait > 0 })
		if open || len(v.steps) > 0 && (s.Not > v.not+oneDay || v.minutes+w.net(s) > w.rule(usual.Visit)) {
			continue
		}
		in[s.ID] = true
		v.steps = append(v.steps, s)
		v.minutes += w.net(s)
		v.people, v.not = max(v.people, s.People), max(v.not, s.Not)
		if s.Needs != "" && !slices.Contains(v.needs, s.Needs) {
			v.needs = append(v.needs, s.Needs)
		}
		if s.Fit != nil {
			v.fit = s.Fit
		}
	}
	if len(v.steps) > 0 {
		v.why = ""
	}
	return v
}

// roundWork is the work of the days as one who plans a round sees it.
type roundWork struct{ *dayWork }

func (v visit) what(w *dayWork) string {
	var out []string
	for _, s := range v.steps {
		if t := w.steps[s.ID].title; !slices.Contains(out, t) {
			out = append(out, t)
		}
	}
	return strings.Join(out, "; ")
}

// Rounds tells what was taken and what could be visited.
func (s *RoundPlanner) Rounds(ctx context.Context) (Rounds, error) {
	w, left, err := s.gathered(ctx, WhatIf{apart: true}, s.Now().Truncate(time.Minute))
	if err != nil {
		return Rounds{}, err
	}
	out := Rounds{Home: w.roads.home, Places: append([]string{}, w.roads.Places()...), Taken: []RoundSheet{},
		Open: []ToVisit{},
		Days: roundWork{w}.workDays(daysShown)}
	for _, r := range w.rounds {
		out.Taken = append(out.Taken, w.sheet(r))
	}
	for i, j := range w.jobs {
		if j.Place != "site" {
			continue
		}
		v := roundWork{w}.visitOf(w.p.Jobs[i])
		k := ToVisit{Job: j.ID, Object: j.Object, Site: w.sites[j.ID], Minutes: v.minutes, People: v.people, What: v.what(w),
			Why: v.why}
		k.Site.Job = j.ID
		if v.not > 0 {
			k.From = w.time(v.not)
		}
		for _, r := range w.rounds {
			if slices.ContainsFunc(r.Stops, func(o record.RoundStop) bool { return o.Job == j.ID }) {
				k.Round = r.ID
			}
		}
		out.Open = append(out.Open, k)
	}
	for _, l := range left {
		if i := slices.IndexFunc(w.all, func(j standing.Job) bool { return j.ID == l.Job }); i >= 0 &&
			w.all[i].Place == "site" {
			out.Open = append(out.Open, ToVisit{Job: l.Job, Object: l.Object, Site: w.sites[l.Job], Why: l.Why})
		}
	}
	return out, nil
}

// daysShown is how many days a round can be asked for.
const daysShown = 6

// workDays are the next days on which anybody works.
func (w roundWork) workDays(n int) []string {
	out := []string{}
	for _, p := range w.p.People {
		for _, h := range p.Hours {
			if d := w.at(h.From).In(w.zone).Format(time.DateOnly); !slices.Contains(out, d) {
				out = append(out, d)
			}
		}
	}
	slices.Sort(out)
	return out[:min(n, len(out))]
}

// PlanRound lays a round out; nothing is kept.
func (s *RoundPlanner) PlanRound(ctx context.Context, in RoundWanted) (RoundTried, error) {
	w, _, err := s.gathered(ctx, WhatIf{apart: true}, s.Now().Truncate(time.Minute))
	if err != nil {
		return RoundTried{}, err
	}
	return roundWork{w}.planRound(ctx, in)
}

// planRound is a round of some jobs on a day by some people.
func (w roundWork) planRound(ctx context.Context, in RoundWanted) (RoundTried, error) {
	day, names, may, err := w.roundDay(in)
	if err != nil {
		return RoundTried{}, err
	}
	p := round.Problem{Home: w.roads.home, Day: day, Roads: w.roads.Roads}
	visits := map[string]visit{}
	for i, id := range in.Jobs {
		v, at, err := w.wantedVisit(id, len(in.People), may)
		if err != nil {
			return RoundTried{}, fault.New(fmt.Sprintf("jobs[%d]", i), err.Why, err.Cure)
		}
		site := w.sites[id]
		key := fmt.Sprint(id)
		visits[key] = v
		p.Visits = append(p.Visits, round.Visit{ID: key, Name: w.jobs[at].Object, Place: site.Place, Minutes: v.minutes,
			Not: v.not,
			In:  w.inHours(site, in.Day), Fit: windows(v.fit)})
	}
	r, err := round.Plan(ctx, p)
	if err != nil {
		return RoundTried{}, err
	}
	if b := round.Verify(p, r); len(b) > 0 {
		return RoundTried{}, &record.Broken{What: "The round that was laid out cannot be driven", Why: fmt.Sprint(b)}
	}
	out := record.Round{People: in.People, Leaves: w.at(r.Leaves), Back: w.at(r.Back), Home: w.hops(r.Home),
		Stops: []record.RoundStop{}}
	for _, st := range r.Stops {
		v := visits[st.Visit]
		k := slices.IndexFunc(p.Visits, func(o round.Visit) bool { return o.ID == st.Visit })
		stop := record.RoundStop{Job: in.Jobs[k], Place: p.Visits[k].Place, Way: w.hops(st.Way), Begins: w.at(st.Begins),
			Done: w.at(st.Done)}
		for _, s := range v.steps {
			stop.Steps = append(stop.Steps, s.ID)
		}
		out.Stops = append(out.Stops, stop)
	}
	tried := RoundTried{Sheet: w.sheet(out), Left: []DayLeft{}, Driving: r.Driving, Waiting: r.Waiting, Apart: r.Apart}
	tried.Sheet.Names = names
	for _, l := range r.Left {
		k := slices.IndexFunc(p.Visits, func(o round.Visit) bool { return o.ID == l.Visit })
		tried.Left = append(tried.Left, DayLeft{in.Jobs[k], p.Visits[k].Name, l.Why})
	}
	return tried, nil
}

// roundDay is from when until when all who go work on a day; eating is where the way lets
// it.
func (w roundWork) roundDay(in RoundWanted) (day round.Window, names, may []string, err error) {
	if _, e := time.Parse(time.DateOnly, in.Day); e != nil {
		return day, nil, nil, fault.New("day", fmt.Sprintf("%q is no day", in.Day), "write 2026-12-24")
	}
	if w.roads.home == "" {
		return day, nil, nil, fault.New("home", "nobody said where the van stands and how far it is to anywhere",
			"fill in the road map")
	}
	day = round.Window{From: 0, To: 1 << 30}
	for i, id := range in.People {
		k := slices.IndexFunc(w.names, func(a record.Account) bool { return a.ID == id })
		if k < 0 {
			return day, nil, nil, fault.New(fmt.Sprintf("people[%d]", i), "nobody here is this one", "choose one of the shop")
		}
		from, to := -1, -1
		for _, h := range w.p.People[k].Hours {
			if w.at(h.From).In(w.zone).Format(time.DateOnly) == in.Day {
				if from < 0 {
					from = h.From
				}
				to = h.To
			}
		}
		if from < 0 {
			return day, nil, nil, fault.New(fmt.Sprintf("people[%d]", i), w.names[k].Name+" does not work on that day",
				"choose another day, or somebody else")
		}
		day.From, day.To = max(day.From, from), min(day.To, to)
		names, may = append(names, w.names[k].Name), append(may, w.p.People[k].May...)
	}
	if day.To <= day.From {
		return day, nil, nil, fault.New("people", "those who go are never here at the same time on that day", "choose others")
	}
	return day, names, may, nil
}

// wantedVisit is the visit of a job that a round was asked for, with where it stands among
// the jobs.
func (w roundWork) wantedVisit(id int64, people int, may []string) (visit, int, *fault.Error) {
	i := slices.IndexFunc(w.jobs, func(j standing.Job) bool { return j.ID == id && j.Place == "site" })
	if i < 0 {
		return visit{}, 0, fault.New("", "this job is not one at a customer's that is open", "choose one of the list")
	}
	v := w.visitOf(w.p.Jobs[i])
	switch {
	case v.why != "":
		return v, i, fault.New("", w.jobs[i].Object+": "+v.why, "leave it out")
	case w.sites[id].Place == "":
		return v, i, fault.New("", "nobody said where "+w.jobs[i].Object+" is", "say its place")
	case v.people > people:
		return v, i, fault.New("", fmt.Sprintf("%s takes %d", w.jobs[i].Object, v.people), "let one more go along")
	}
	for _, n := range v.needs {
		if !slices.Contains(may, n) {
			return v, i, fault.New("", fmt.Sprintf("none of those who go may do it: %s", n), "let somebody go along who may")
		}
	}
	for _, r := range w.rounds {
		if slices.ContainsFunc(r.Stops, func(o record.RoundStop) bool { return o.Job == id }) {
			return v, i, fault.New("", w.jobs[i].Object+" is in a round already", "give that one up first")
		}
	}
	return v, i, nil
}

// inHours is when somebody is in at a job on a day; nothing for any time.
func (w roundWork) inHours(site record.Site, day string) []round.Window {
	if site.InFrom == "" && site.InTo == "" {
		return nil
	}
	at := func(clock, or string) int {
		if clock == "" {
			clock = or
		}
		t, err := time.ParseInLocation(time.DateOnly+" 15:04", day+" "+clock, w.zone)
		if err != nil {
			return 0
		}
		return w.minute(t)
	}
	return []round.Window{{From: at(site.InFrom, "00:00"), To: at(site.InTo, "23:59")}}
}

func windows(in []schedule.Window) []round.Window {
	var out []round.Window
	for _, h := range in {
		out = append(out, round.Window(h))
	}
	return out
}

func (w *dayWork) hops(way []round.Hop) []record.RoundHop {
	out := []record.RoundHop{}
	for _, h := range way {
		out = append(out, record.RoundHop{From: h.From, To: h.To, Leaves: w.at(h.Leaves), Lands: w.at(h.Lands),
			Ferry: h.Ferry})
	}
	return out
}

// sheet puts names to a round.
func (w *dayWork) sheet(r record.Round) RoundSheet {
	out := RoundSheet{Round: r, Names: []string{}, Visits: []Visit{}}
	for _, id := range r.People {
		out.Names = append(out.Names, w.nameOf(id))
	}
	for _, st := range r.Stops {
		v := Visit{Minutes: int(st.Done.Sub(st.Begins).Minutes())}
		if i := slices.IndexFunc(w.all, func(j standing.Job) bool { return j.ID == st.Job }); i >= 0 {
			v.Object, v.Customer = w.all[i].Object, w.all[i].Customer
		}
		var what []string
		for _, s := range st.Steps {
			if t := w.steps[s].title; t != "" && !slices.Contains(what, t) {
				what = append(what, t)
			}
		}
		v.What = strings.Join(what, "; ")
		out.Visits = append(out.Visits, v)
	}
	return out
}

// TakeRound keeps a round; the days go round it. A retry with the same key keeps one.
func (s *RoundPlanner) TakeRound(ctx context.Context, by record.Account, key string, in RoundWanted) (int64, error) {
	w, _, err := s.gathered(ctx, WhatIf{apart: true}, s.Now().Truncate(time.Minute))
	if err != nil {
		return 0, err
	}
	id, err := s.Create(ctx, by, key, "round", in, func(t *store.Tx) (int64, error) {
		tried, err := roundWork{w}.planRound(ctx, in)
		if err != nil {
			return 0, err
		}
		if len(tried.Left) > 0 {
			return 0, fault.New("jobs", tried.Left[0].Object+": "+tried.Left[0].Why, "leave it out, or choose another day")
		}
		id, err := t.Rounds.AddRound(ctx, tried.Sheet.Round, by.ID, s.Now())
		if err != nil {
			return 0, err
		}
		return id, t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "round", Item: fmt.Sprint(id),
			Action: "taken",
			Said:   fmt.Sprintf("round of %d visits on %s", len(tried.Sheet.Stops), in.Day), After: tried.Sheet.Round})
	})
	if err == nil {
		s.HoldPlace(ctx, by)
	}
	return id, err
}

// DropRound gives a round up: its visits go back among the days. One that is gone stays
// gone.
func (s *RoundPlanner) DropRound(ctx context.Context, by record.Account, id int64) error {
	return s.Store.Write(ctx, func(t *store.Tx) error {
		found, err := t.Rounds.DropRound(ctx, id)
		if err != nil || !found {
			return err
		}
		return t.Trail.Audit(ctx, store.Change{Account: by.ID, At: s.Now(), Noun: "round", Item: fmt.Sprint(id),
			Action: "dropped",
			Said:   "round given up"})
	})
}

// RoundLoad is a round with what goes into the van for it.
type RoundLoad struct {
	Sheet RoundSheet  `json:"sheet"`
	Load  VanLoad     `json:"load" doc:"All tools once; parts, two-person work and cautions of every stop"`
	Each  []StopParts `json:"each" doc:"Parts by stop, so that what is for whom lies together"`
}

// StopParts are the parts for one stop.
type StopParts struct {
	Object string        `json:"object"`
	Parts  []supply.Line `json:"parts"`
}

// RoundLoad tells what goes into the van for a round.
func (s *RoundPlanner) RoundLoad(ctx context.Context, id int64) (RoundLoad, error) {
	w, _, err := s.gathered(ctx, WhatIf{apart: true}, s.Now().Truncate(time.Minute))
	if err != nil {
		return RoundLoad{}, err
	}
	i := slices.IndexFunc(w.rounds, func(r record.Round) bool { return r.ID == id })
	if i < 0 {
		return RoundLoad{}, &record.NotFound{What: "this round"}
	}
	out := RoundLoad{Sheet: w.sheet(w.rounds[i]), Each: []StopParts{},
		Load: VanLoad{Tools: []kit.Item{}, Parts: []supply.Line{}, Two: []string{}, Mind: []string{}}}
	for n, st := range w.rounds[i].Stops {
		l, err := s.VanLoad(ctx, st.Job)
		if err != nil {
			return out, err
		}
		out.Load.add(l)
		out.Each = append(out.Each, StopParts{Object: out.Sheet.Visits[n].Object, Parts: l.Parts})
	}
	return out, nil
}

// add puts another job's load into the same van: each tool once.
func (l *VanLoad) add(o VanLoad) {
	for _, t := range o.Tools {
		if !slices.ContainsFunc(l.Tools, func(have kit.Item) bool { return have.What == t.What }) {
			l.Tools = append(l.Tools, t)
		}
	}
	l.Parts = append(l.Parts, o.Parts...)
	for _, pair := range []struct {
		to   *[]string
		from []string
	}{{&l.Two, o.Two}, {&l.Mind, o.Mind}} {
		for _, v := range pair.from {
			if !slices.Contains(*pair.to, v) {
				*pair.to = append(*pair.to, v)
			}
		}
	}
}
