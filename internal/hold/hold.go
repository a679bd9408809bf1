package hold

import (
	"context"
	"fmt"
	"slices"
	"strings"
	"time"

	"freshshard/core/cure"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/plan"
	"freshshard/core/working"
	"freshshard/internal/change"
	"freshshard/internal/instrument"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/stock"
	"freshshard/internal/store"
)

// Hold is what hardens on a pane, with the air that it hardens in.
type Hold struct {
	Cures     []CureView         `json:"cures"`
	May       []MayCure          `json:"may" doc:"Open steps that may wait for something to harden, the usual one first"`
	Adhesives []cure.Adhesive    `json:"adhesives"`
	Tubes     []Tube             `json:"tubes" doc:"Adhesives in the stores"`
	Air       *record.AirReading `json:"air,omitempty" doc:"At the bench now; nothing where nobody read it"`
	Read      bool               `json:"read" doc:"Somebody read it in the last hours"`
}

// MayCure is a step that could have a clock.
type MayCure struct {
	Step  string `json:"step"`
	Title string `json:"title"`
	Usual bool   `json:"usual" doc:"The hold that waits for it without a clock yet; a second bead may keep any other shut"`
}

func boolFirst(a, b bool) int {
	switch {
	case a && !b:
		return -1
	case b && !a:
		return 1
	}
	return 0
}

// Tube is an adhesive in the stores, and whether it can be used.
type Tube struct {
	ID     int64      `json:"id"`
	Name   string     `json:"name"`
	Lot    string     `json:"lot,omitempty"`
	Opened *time.Time `json:"opened,omitempty"`
	Spent  string     `json:"spent,omitempty" doc:"Why it is not used any more"`
}

// CureView is something that hardens, with its clocks.
type CureView struct {
	record.Cure
	Title   string         `json:"title" doc:"Of the step that waits"`
	Curing  *cure.Curing   `json:"curing,omitempty"`
	Short   int            `json:"short,omitempty" doc:"Minutes by which the promise is too soon"`
	Would   []Would        `json:"would" doc:"What else could be done about it"`
	Weather []WeatherHours `json:"weather" doc:"The air, some hours each"`
	Costs   int            `json:"costs,omitempty" doc:"Hours that the air costs against the sheet's day"`
}

// Would is what a heater or another place would make of it.
type Would struct {
	Says   string       `json:"says"`
	Place  record.Where `json:"place" enum:"bench,van,yard"`
	Heated float64      `json:"heated"`
	Ready  *time.Time   `json:"ready,omitempty"`
}

// WeatherHours is the air over some hours.
type WeatherHours struct {
	From time.Time `json:"from"`
	To   time.Time `json:"to"`
	C    float64   `json:"c"`
	RH   float64   `json:"rh"`
	Past bool      `json:"past"`
}

// How far the air is looked up: behind what was laid, and ahead.
const (
	airBefore = 6 * time.Hour
	airAhead  = 14 * 24 // hours
	airFresh  = 3 * time.Hour
	airFades  = 48 * time.Hour // a reading says less and less of the days behind it
)

// airOf is the air of a place hour by hour: as the forecast has it, and as it was read where somebody did. Where
// the last reading was colder or drier than the station, the
// forecast is so too, less and less over two days.
func airOf(place record.Where, read []record.AirReading, all []cure.Air, now time.Time,
	zone *time.Location) []cure.Air {
	out := []cure.Air{}
	station := func(a cure.Air) cure.Air {
		if place == record.AtBench {
			return instrument.Indoors(a, zone)
		}
		return a
	}
	if len(all) == 0 {
		for _, r := range read {
			out = append(out, cure.Air{At: r.At, C: r.C, RH: r.RH})
		}
		return out
	}
	var last *record.AirReading
	next := 0
	for _, a := range all {
		for next < len(read) && !read[next].At.After(a.At) {
			r := read[next]
			out = append(out, cure.Air{At: r.At, C: r.C, RH: r.RH})
			last = &read[next]
			next++
		}
		s := station(a)
		switch {
		case last == nil:
			out = append(out, s)
		case a.At.Sub(last.At) < airFresh && a.At.Before(now):
			// what was read stands for some hours
		case a.At.After(last.At):
			was := station(nearest(all, last.At))
			k := max(0, 1-float64(a.At.Sub(last.At))/float64(airFades))
			s.C, s.RH = s.C+k*min(0, last.C-was.C), max(1, s.RH+k*min(0, last.RH-was.RH))
			out = append(out, s)
		}
	}
	return out
}

// nearest is the air of a moment, of readings of which there is one at least.
func nearest(all []cure.Air, t time.Time) cure.Air {
	i, _ := slices.BinarySearchFunc(all, t, func(a cure.Air, t time.Time) int { return a.At.Compare(t) })
	return all[min(i, len(all)-1)]
}

// stood is the air that something hardened in and will: that of each place for as long as
// it stood there, warmed where there was a heater.
func stood(stays []record.Stay, air func(record.Where) []cure.Air) []cure.Air {
	out := []cure.Air{}
	for i, s := range stays {
		all := air(s.Place)
		for k, a := range all {
			// The air of the first moment is that of the reading before it.
			if a.At.Before(s.From) && k+1 < len(all) && !all[k+1].At.After(s.From) {
				continue
			}
			if i+1 < len(stays) && !a.At.Before(stays[i+1].From) {
				break
			}
			if a.At.Before(s.From) {
				a.At = s.From
			}
			if s.Heated > 0 {
				a = a.Warmed(s.Heated)
			}
			out = append(out, a)
		}
	}
	return out
}

// Airs reads the air of places, each once.
func (s *Service) Airs(ctx context.Context, q AirReader, since time.Time,
	zone *time.Location) func(record.Where) ([]cure.Air,
	error) {
	kept := map[record.Where][]cure.Air{}
	return func(w record.Where) ([]cure.Air, error) {
		if a, ok := kept[w]; ok {
			return a, nil
		}
		read, err := q.Airs(ctx, w, since.Add(-airBefore))
		if err != nil {
			return nil, err
		}
		from, now := since.Add(-time.Hour), s.Now()
		out, err := s.Outdoors(ctx, q, from, int(now.Sub(from).Hours())+airAhead)
		if err != nil {
			return nil, err
		}
		if !s.MadeUp && w == record.AtBench {
			out.Air = nil // a forecast does not say how a workshop is warmed
		}
		kept[w] = airOf(w, read, out.Air, now, zone)
		return kept[w], nil
	}
}

// AirReader reads the air at the places and outdoors: of the store, or of a write under way.
type AirReader struct {
	store.Cures
	store.Rounds
}

// AirOf reads what is kept.
func AirOf(s *store.Store) AirReader { return AirReader{s.Cures, s.Rounds} }

// airWithin reads within a write.
func airWithin(t *store.Tx) AirReader { return AirReader{t.Cures.Cures, t.Rounds.Rounds} }

// unread is what somebody gets who wants a time from air that nobody read.
func unread(place record.Where) error {
	return fault.New("air", fmt.Sprintf("nobody has read the air: %s", place),
		"read thermometer and hygrometer there, and note both; no time is given before")
}

// curing reckons something that hardens. Air that nobody read is an error at "air".
func (s *Service) curing(c record.Cure, air func(record.Where) ([]cure.Air, error)) (cure.Curing, []cure.Air, error) {
	byPlace := map[record.Where][]cure.Air{}
	for _, st := range c.Stays {
		a, err := air(st.Place)
		if err != nil {
			return cure.Curing{}, nil, err
		}
		byPlace[st.Place] = a
	}
	all := stood(c.Stays, func(w record.Where) []cure.Air { return byPlace[w] })
	if len(all) == 0 && len(c.Stays) > 0 {
		return cure.Curing{}, nil, unread(c.Stays[len(c.Stays)-1].Place)
	}
	b := cure.Bond{Adhesive: c.Adhesive, Since: c.Since, Width: c.Width, Edges: c.Edges, Depth24: c.Depth24}
	k, err := cure.Cure(b, all, s.Now())
	return k, all, err
}

// Hold shows what hardens on the pane on the table.
func (s *Service) Hold(ctx context.Context, at jobview.Bench, zone *time.Location) (Hold, error) {
	out := Hold{Cures: []CureView{}, May: []MayCure{}, Tubes: []Tube{}, Adhesives: cure.Book.All()}
	v, err := s.Work(ctx, at)
	if err != nil {
		return out, err
	}
	since := s.Now()
	for _, c := range v.Pane.Cures {
		if c.Since.Before(since) {
			since = c.Since
		}
	}
	air := s.Airs(ctx, AirOf(s.Store), since, zone)
	title := map[string]string{}
	for _, st := range v.Reckoning.Plan.Steps {
		title[st.Key] = st.Title
		has := slices.ContainsFunc(v.Pane.Cures, func(c record.Cure) bool { return c.Step == st.Key })
		late := slices.Contains([]family.Station{"set", "hold", "refit", "prove"}, st.Station)
		if late && jobview.TickOf(&v.Pane, st.Key) == nil {
			out.May = append(out.May, MayCure{Step: st.Key, Title: st.Title, Usual: st.Station == "hold" && !has})
		}
	}
	slices.SortStableFunc(out.May, func(a, b MayCure) int { return boolFirst(a.Usual, b.Usual) })
	for _, c := range v.Pane.Cures {
		k := CureView{Cure: c, Title: title[c.Step], Would: []Would{}, Weather: []WeatherHours{}}
		got, all, err := s.curing(c, air)
		if f := fault.Of(err); f != nil && f.Field == "air" && len(all) == 0 {
			out.Cures = append(out.Cures, k) // its times stand as they were kept
			continue
		}
		if err != nil {
			return out, err
		}
		k.Curing = &got
		if err := s.wouldBe(&k, all, air); err != nil {
			return out, err
		}
		if r := got.Opened().Safe; r != nil && v.Job.PromisedAt != nil && r.After(*v.Job.PromisedAt) {
			k.Short = int(r.Sub(*v.Job.PromisedAt).Minutes() + 0.5)
		}
		out.Cures = append(out.Cures, k)
	}
	if err := s.tubes(ctx, &out); err != nil {
		return out, err
	}
	return out, s.airNow(ctx, &out, air)
}

// tubes are the adhesives in the stores.
func (s *Service) tubes(ctx context.Context, out *Hold) error {
	stock, err := s.Store.Stocks.Stock(ctx, true)
	if err != nil {
		return err
	}
	for _, i := range stock {
		if i.Kind != record.AdhesiveStock {
			continue
		}
		opened, err := s.Store.Cures.TubeOpened(ctx, i.ID)
		if err != nil {
			return err
		}
		t := Tube{ID: i.ID, Name: i.Name, Lot: i.Lot, Opened: opened, Spent: s.spent(i, opened)}
		if i.Quantity > 0 || opened != nil && t.Spent == "" {
			out.Tubes = append(out.Tubes, t)
		}
	}
	return nil
}

// spent says why a tube is not used any more; empty where it is good. One that was opened
// on another day is thrown away: the next one of its kind is opened.
func (s *Service) spent(i record.StockItem, opened *time.Time) string {
	if s.Stock.Stored(i).Past {
		return "its day was " + i.Expires
	}
	if i.Quantity <= 0 && (opened == nil || s.Now().Sub(*opened) > cure.Session) {
		return "none is left"
	}
	return ""
}

// airNow is the air at the bench.
func (s *Service) airNow(ctx context.Context, out *Hold, air func(record.Where) ([]cure.Air, error)) error {
	all, err := air(record.AtBench)
	if err != nil {
		return err
	}
	now := s.Now()
	if len(all) > 0 {
		a := nearest(all, now)
		out.Air = &record.AirReading{Place: record.AtBench, C: a.C, RH: a.RH, At: now}
	}
	read, err := s.Store.Cures.Airs(ctx, record.AtBench, now.Add(-airFresh))
	if err == nil && len(read) > 0 {
		out.Air, out.Read = &read[len(read)-1], true
	}
	return err
}

// wouldBe adds what a heater or another place would make of it, what the air costs, and
// the air itself.
func (s *Service) wouldBe(k *CureView, all []cure.Air, air func(record.Where) ([]cure.Air, error)) error {
	ready := k.Curing.Opened()
	if ready.Over {
		return nil
	}
	here := k.Here()
	for _, w := range []Would{{Says: "Warm it to 20 °C", Place: here.Place, Heated: 20},
		{Says: "Into the shop", Place: record.AtBench},
		{Says: "A night in the van", Place: record.InVan}} {
		if w.Place == here.Place && w.Heated <= here.Heated {
			continue
		}
		c := k.Cure
		c.Stays = append(slices.Clone(c.Stays), record.Stay{From: s.Now(), Place: w.Place, Heated: w.Heated})
		got, _, err := s.curing(c, air)
		if f := fault.Of(err); f != nil && f.Field == "air" {
			continue // nobody read the air there: nothing is said of it
		}
		if err != nil {
			return err
		}
		w.Ready = got.Opened().Safe
		k.Would = append(k.Would, w)
	}
	// On the sheet's own day.
	day := []cure.Air{{At: k.Since, C: 23, RH: 50}, {At: k.Since.Add(2000 * time.Hour), C: 23, RH: 50}}
	b := cure.Bond{Adhesive: k.Adhesive, Since: k.Since, Width: k.Width, Edges: k.Edges, Depth24: k.Depth24}
	best, err := cure.Cure(b, day, s.Now())
	if err != nil {
		return err
	}
	if r := best.Opened().Safe; r != nil && ready.Safe != nil {
		k.Costs = int(ready.Safe.Sub(*r).Hours() + 0.5)
	}
	k.Weather = s.weather(k.Curing.Curve, all)
	return nil
}

// boxes is how many pieces the air is shown in.
const boxes = 7

// weather is the air under the curve, in some pieces.
func (s *Service) weather(curve []cure.Point, all []cure.Air) []WeatherHours {
	out := []WeatherHours{}
	if len(curve) < 2 || len(all) == 0 {
		return out
	}
	from, to := curve[0].At, curve[len(curve)-1].At
	each := to.Sub(from) / boxes
	for i := range boxes {
		w := WeatherHours{From: from.Add(time.Duration(i) * each), To: from.Add(time.Duration(i+1) * each)}
		n := 0.0
		for _, p := range curve {
			if !p.At.Before(w.From) && !p.At.After(w.To) {
				w.C, w.RH, n = w.C+p.C, w.RH+p.RH, n+1
			}
		}
		if n == 0 {
			continue
		}
		w.C, w.RH, w.Past = w.C/n, w.RH/n, !w.To.After(s.Now())
		out = append(out, w)
	}
	return out
}

// out keeps the three safe times with what hardens.
func out(c *record.Cure, k cure.Curing) {
	c.LetGo, c.Ready, c.Full = k.Clocks[0].Safe, k.Clocks[1].Safe, k.Clocks[2].Safe
}

// Laid is what was laid, to start its clock.
type Laid struct {
	Step     string       `json:"step" maxLength:"40"`
	Adhesive string       `json:"adhesive" maxLength:"40"`
	Width    float64      `json:"width,omitempty"`
	Edges    int          `json:"edges,omitempty"`
	Depth24  float64      `json:"depth24,omitempty"`
	Place    record.Where `json:"place" enum:"bench,van,yard"`
	Heated   float64      `json:"heated,omitempty"`
	Since    *time.Time   `json:"since,omitempty" doc:"When the pane was in place; now for nothing"`
	Item     int64        `json:"item,omitempty" doc:"The tube out of the stores"`
	All      bool         `json:"all,omitempty" doc:"The same on all panes that are held alike, set, and have no clock"`
	Surface  *float64     `json:"surface,omitempty" doc:"Glass and flange as they were read, °C"`
}

// oldest is how long ago something may have been laid that still gets a clock.
const oldest = 60 * 24 * time.Hour

// StartCure starts a clock; a retry with the same key starts it once. What stands against
// opening the tube in this air is refused: cold, dew, a tube past its day or its session.
func (s *Service) StartCure(ctx context.Context, by record.Account, key string, at jobview.Bench, in Laid,
	zone *time.Location) error {
	request := struct {
		At jobview.Bench
		In Laid
	}{jobview.Bench{Job: at.Job, Pane: at.Pane}, in}
	st, err := s.step(ctx, at, in.Step)
	if err != nil {
		return err
	}
	_, err = s.CreateBehind(ctx, by, key, "cure", request, s.LockOpen(ctx, at.Job), func(t *store.Tx) (int64, error) {
		j, err := t.Jobs.Job(ctx, at.Job)
		if err != nil {
			return 0, err
		}
		p, err := jobview.Find(&j, at)
		if err != nil {
			return 0, err
		}
		id, err := s.lay(ctx, t, by, &j, p, in, st, zone)
		if err != nil {
			return 0, err
		}
		if in.All {
			for _, q := range jobview.Alike(&j, p)[1:] {
				if len(q.Cures) > 0 || !setIn(&j, q, in.Step) {
					continue
				}
				if _, err := s.lay(ctx, t, by, &j, q, in, st, zone); err != nil {
					return 0, err
				}
			}
		}
		if err := t.Search.IndexJob(ctx, at.Job); err != nil {
			return 0, err
		}
		return id, t.Jobs.TouchJob(ctx, at.Job)
	})
	return err
}

// setIn says whether a pane is set, so that nothing but its clock is lacking at a step.
func setIn(j *record.Job, p *record.Pane, step string) bool {
	b := jobview.PaneOf(j, p, length.MM, nil, jobview.Numbers)
	st, err := b.Step(step)
	return err == nil && !b.Done[step] && b.Reckoning.Plan.After(st.After, b.Standing) == nil
}

// lay notes what was laid at one pane, with its clocks.
func (s *Service) lay(ctx context.Context, t *store.Tx, by record.Account, j *record.Job, p *record.Pane, in Laid,
	st plan.Step, zone *time.Location) (int64, error) {
	if slices.ContainsFunc(p.Cures, func(c record.Cure) bool { return c.Step == in.Step && c.Adhesive == in.Adhesive }) {
		return 0, &record.Conflict{Says: "A clock of the same runs for this step already. Remove it first."}
	}
	c := record.Cure{Pane: p.ID, Step: in.Step, Adhesive: in.Adhesive, Width: in.Width, Edges: in.Edges,
		Depth24: in.Depth24,
		Since:   s.Now(), Item: in.Item}
	if in.Since != nil {
		c.Since = in.Since.UTC().Truncate(time.Millisecond)
	}
	c.Stays = []record.Stay{{From: c.Since, Place: in.Place, Heated: in.Heated}}
	air := s.Airs(ctx, airWithin(t), c.Since, zone)
	got, all, err := s.curing(c, air)
	if err != nil {
		return 0, err
	}
	if err := s.mayDate(j, p, c.Since, zone); err != nil {
		return 0, err
	}
	if err := s.mayOpen(ctx, t, by, j.ID, &c, in, all); err != nil {
		return 0, err
	}
	out(&c, got)
	id, err := t.Cures.AddCure(ctx, c, by.ID, s.Now())
	if err != nil {
		return 0, err
	}
	return id, t.Trail.Audit(ctx, store.Change{Job: j.ID, Account: by.ID, At: s.Now(), Noun: "clock", Item: in.Step,
		Action: "started", Said: fmt.Sprintf("%s for %s", got.Adhesive.Name, st.Title), After: c})
}

// mayDate refuses a time at which nothing was laid: longer ago than any clock runs, before the job
// came in, or while the pane is still waited for.
func (s *Service) mayDate(j *record.Job, p *record.Pane, since time.Time, zone *time.Location) error {
	// Who works first and takes the job in at night still has that day.
	y, m, d := j.CreatedAt.In(zone).Date()
	day := time.Date(y, m, d, 0, 0, 0, 0, zone)
	switch {
	case s.Now().Sub(since) > oldest:
		return fault.New("since", "that is longer ago than any clock runs", "tick the step: it is hard")
	case since.Before(day):
		return fault.New("since", "the object was not here then: it came in on "+day.Format("2 January"),
			"give the time at which the pane was in place")
	case strings.HasPrefix(p.WaitsFor, jobview.FromOrder):
		return fault.New("since", "the pane is not here: it waits for "+p.WaitsFor, "say first that it has come")
	}
	return nil
}

// step is a step of a pane's plan, worked out under no lock.
func (s *Service) step(ctx context.Context, at jobview.Bench, key string) (plan.Step, error) {
	j, err := s.Store.Jobs.Job(ctx, at.Job)
	if err != nil {
		return plan.Step{}, err
	}
	p, err := jobview.Find(&j, at)
	if err != nil {
		return plan.Step{}, err
	}
	return jobview.PaneOf(&j, p, "mm", nil, jobview.Numbers).Step(key)
}

// mayOpen holds the air and the tube against the sheet, and books a tube that is opened.
func (s *Service) mayOpen(ctx context.Context, t *store.Tx, by record.Account, job int64, c *record.Cure, in Laid,
	all []cure.Air) error {
	a := nearest(all, c.Since)
	o := cure.Opening{Adhesive: c.Adhesive, C: a.C, RH: a.RH, Surface: a.C, Now: c.Since}
	if in.Surface != nil {
		o.Surface = *in.Surface
	}
	opens := false
	if c.Item != 0 {
		i, err := t.Stocks.StockItem(ctx, c.Item)
		if err != nil {
			return err
		}
		if i.Kind != record.AdhesiveStock {
			return fault.New("item", stock.Called(i)+" is no adhesive", "choose a tube of the list")
		}
		opened, err := t.Cures.TubeOpened(ctx, c.Item)
		if err != nil {
			return err
		}
		// One that was opened in this session is gone on with; otherwise the next is opened.
		if opens = opened == nil || c.Since.Sub(*opened) > cure.Session; !opens {
			o.Opened = *opened
		}
		if d, err := time.Parse(time.DateOnly, i.Expires); err == nil {
			o.Expires = d.AddDate(0, 0, 1)
		}
		c.Lot = i.Lot
		if opens {
			found, err := t.Stocks.Move(ctx, i.ID, -1, "opened", job, by.ID, s.Now())
			if err == nil && !found {
				err = fault.New("item", "none of it is left", "take another tube, or book in what there is")
			}
			if err != nil {
				return err
			}
			if err := t.Cures.OpenTube(ctx, i.ID, c.Since); err != nil {
				return err
			}
		}
	}
	gates, err := cure.Gates(o)
	if err != nil {
		return err
	}
	for _, g := range gates {
		if g.Verdict == working.Stop {
			return gateFault(g)
		}
	}
	return nil
}

// gateFault says at which field a gate is closed, and what opens it.
func gateFault(g working.Figure) error {
	field, cure := "air", "warm air and surface first, or wait for a milder hour"
	switch g.Key {
	case "cure_hot":
		cure = "shade it, let it cool"
	case "dew_margin":
		field, cure = "surface", "warm the surface, or wait: water settles on it"
	case "cure_expires", "cure_opened":
		field, cure = "item", "take another tube: this one is spent"
	}
	return fault.New(field, g.Text+" "+g.Sentence, cure)
}

// MoveCure puts what hardens somewhere else, or a heater to it, from now on.
func (s *Service) MoveCure(ctx context.Context, by record.Account, at jobview.Bench, id int64, to record.Stay,
	version int,
	zone *time.Location) error {
	return s.cureChange(ctx, by, at, id, version, func(t *store.Tx, c *record.Cure) (string, error) {
		to.From = s.Now()
		c.Stays = append(slices.Clone(c.Stays), to)
		got, _, err := s.curing(*c, s.Airs(ctx, airWithin(t), c.Since, zone))
		if err != nil {
			return "", err
		}
		out(c, got)
		found, err := t.Cures.SetCure(ctx, *c)
		if err == nil && !found {
			err = change.Stale("this clock")
		}
		said := fmt.Sprintf("stands in the %s from now on", to.Place)
		if to.Heated > 0 {
			said += fmt.Sprintf(", kept at %g °C", to.Heated)
		}
		return said, err
	})
}

// DropCure takes a clock out: it was started by mistake, or the bond was opened again.
func (s *Service) DropCure(ctx context.Context, by record.Account, at jobview.Bench, id int64, version int) error {
	return s.cureChange(ctx, by, at, id, version, func(t *store.Tx, c *record.Cure) (string, error) {
		return "taken out", t.Cures.DropCure(ctx, c.Pane, c.ID)
	})
}

// seenClock finds a clock of a pane and holds its version against what a person saw.
func seenClock[T any](all []T, of func(T) (int64, int), id int64, version int) (c T, err error) {
	for _, c = range all {
		switch is, now := of(c); {
		case is != id:
		case now != version:
			return c, change.Stale("this clock")
		default:
			return c, nil
		}
	}
	return c, &record.NotFound{What: "this clock"}
}

func (s *Service) cureChange(ctx context.Context, by record.Account, at jobview.Bench, id int64, version int,
	f func(*store.Tx, *record.Cure) (string, error)) error {
	return s.NotePane(ctx, by, at, func(t *store.Tx, _ *record.Job, p *record.Pane) (store.Change, error) {
		c, err := seenClock(p.Cures, func(c record.Cure) (int64, int) { return c.ID, c.Version }, id, version)
		if err != nil {
			return store.Change{}, err
		}
		before := c
		said, err := f(t, &c)
		return store.Change{Noun: "clock", Item: c.Step, Action: "changed",
			Said:   jobview.AdhesiveName(c.Adhesive) + ": " + said,
			Before: before, After: c}, err
	})
}

// NoteAir notes what the air is somewhere, and what that makes of everything that hardens
// there.
func (s *Service) NoteAir(ctx context.Context, by record.Account, in record.AirReading, zone *time.Location) error {
	if !(in.C >= -40 && in.C <= 60) {
		return fault.New("c", "a temperature from −40 to 60 °C is expected", "read it again, out of the sun")
	}
	if !(in.RH >= 1 && in.RH <= 100) {
		return fault.New("rh", "a humidity from 1 to 100 % is expected", "read it in per cent: 50, not 0.5")
	}
	if !slices.Contains([]record.Where{record.AtBench, record.InVan, record.InYard}, in.Place) {
		return fault.New("place", "no such place has its own air", "choose bench, van or yard")
	}
	return s.Store.Write(ctx, func(t *store.Tx) error {
		in.At = s.Now()
		if err := t.Cures.AddAir(ctx, in, by.ID); err != nil {
			return err
		}
		return s.reckonedAgain(ctx, t, in.Place, zone)
	})
}

// reckonedAgain is what another air makes of everything that hardens at one place, or
// everywhere.
func (s *Service) reckonedAgain(ctx context.Context, t *store.Tx, place record.Where, zone *time.Location) error {
	now := s.Now()
	running, err := t.Cures.RunningCures(ctx, place)
	if err != nil {
		return err
	}
	for _, c := range running {
		if c.Full != nil && c.Full.Before(now) {
			continue
		}
		was := c.Cure
		got, _, err := s.curing(c.Cure, s.Airs(ctx, airWithin(t), c.Since, zone))
		if f := fault.Of(err); f != nil && f.Field == "air" {
			continue // its times stand as they were kept
		}
		if err != nil {
			return err
		}
		out(&c.Cure, got)
		// What is out stays out.
		if was.LetGo != nil && was.LetGo.Before(now) {
			c.LetGo = was.LetGo
		}
		if was.Ready != nil && was.Ready.Before(now) {
			c.Ready = was.Ready
		}
		if err := t.Cures.SetReady(ctx, c.Cure); err != nil {
			return err
		}
		if err := t.Jobs.TouchJob(ctx, c.Job); err != nil {
			return err
		}
	}
	return nil
}
