package shop

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/ask"
	"freshshard/core/bond"
	"freshshard/core/drawing"
	"freshshard/core/family"
	"freshshard/core/fault"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/core/road"
	"freshshard/internal/bench"
	"freshshard/internal/desk"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/records"
)

// Whatever the work is, the line alone leads from take-in to the signature: each
// thing that it asks for can be answered there and then, nothing is asked twice,
// and what waits for the clock waits for nothing else.
func TestTheLineLeadsToTheSignature(t *testing.T) {
	s, _, tor := open(t)
	now := time.Now().UTC()
	s.Now = func() time.Time { return now }
	for _, j := range jobs {
		id, err := s.Desk.TakeIn(ctx, tor, "",
			desk.TakeIn{Name: "Oda Marl", Object: j.name, Exposure: j.exposure, Family: j.family,
				Road: j.road, Place: "bench", Leaf: j.leaf})
		if err != nil {
			t.Fatal(err)
		}
		v := view1(t, s, id)
		held := v.Pane.Held
		held.Road.Part, held.Stock = j.part, j.stock
		if j.road.How == "stick" {
			held.Peel = bond.Peel{Length: 400, Width: 30, Spots: []bond.Spot{bond.Metal, bond.Torn}}
		}
		if err := s.Desk.SetPane(ctx, tor, jobview.First(id), held, v.Pane.Version); err != nil {
			t.Fatal(err)
		}
		at, answers, taps := family.Station("assess"), 0, tally{}
		v = view1(t, s, id)
		for ; answers < 120; answers++ {
			a := v.Asks[stationAt(at)]
			taps.count(a)
			if a.Kind == ask.Go {
				at = a.To
				continue
			}
			if a.Kind == ask.Sign {
				break
			}
			if err := s.answerAll(t, tor, jobview.First(id), j, v, a, &now); err != nil {
				t.Fatalf("%s: %s %q: %v", j.name, a.Kind, a.Key, err)
			}
			before := said(v)
			v = view1(t, s, id)
			taps.with(a, before, said(v))
		}
		t.Logf("%-46s %2d taps by the line, %2d in the column", j.name, taps.line, taps.column)
		most := 83
		if quarterFewer[j.name] {
			most = 75
		}
		if taps.line*100 > taps.column*most {
			t.Errorf("%s: %d taps by the line are not clearly fewer than %d", j.name, taps.line, taps.column)
		}
		if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{}); err != nil {
			t.Errorf("%s: after %d answers, at %s %+v: %v", j.name, answers, at, v.Asks[stationAt(at)], err)
		}
	}
}

// A pane that falls through its frame is stopped where that is put right and at the
// end; the line leads round it in no circle, and an owner's word lets it go on.
func TestTheLineStops(t *testing.T) {
	s, mira, tor := open(t)
	id, err := s.Desk.TakeIn(ctx, tor, "",
		desk.TakeIn{Name: "Oda Marl", Object: "Sauna stove, narrow ledge", Exposure: "fire",
			Family: "clip-heat", Place: "bench"})
	if err != nil {
		t.Fatal(err)
	}
	for place, text := range with(square("270", "242", "3"), map[reading.Place]string{reading.Reach: "4"}) {
		read(t, s, tor, id, place, text)
	}
	v := view1(t, s, id)
	for _, st := range v.Reckoning.Plan.Steps {
		if st.Station == "measure" {
			if err := s.Bench.Tick(ctx, tor, jobview.First(id), st.Key, bench.Done{Outcome: "done"}); err != nil {
				t.Fatal(err)
			}
		}
	}
	v = view1(t, s, id)
	at := func(st family.Station) ask.Ask { return view1(t, s, id).Asks[stationAt(st)] }
	if a := at("measure"); a.Kind != ask.Stop || !strings.Contains(a.Says, "of bite under a bracket") {
		t.Errorf("%+v", a)
	}
	for _, k := range v.Stops {
		if err := s.Bench.TakeOn(ctx, mira, jobview.First(id), k.Key,
			bench.TakeOn{Reason: "the frame is theirs; tried with the old pane",
				Beyond: k.Beyond}); err != nil {
			t.Fatal(err)
		}
	}
	if a := at("measure"); a.Kind != ask.Go {
		t.Errorf("taken on: %+v", a)
	}
}

// Where a pane is done the line leads to the next one that somebody can go on with,
// and behind the last to the signature of all.
func TestTheLineGoesFromPaneToPane(t *testing.T) {
	s, _, tor := open(t)
	now := time.Now().UTC()
	s.Now = func() time.Time { return now }
	id, err := s.Desk.TakeIn(ctx, tor, "",
		desk.TakeIn{Name: "Saltmarsh nursery", Object: "Greenhouse, three starred lights",
			Exposure: "weather", Family: "putty-points", Place: "bench", Layout: &drawing.Layout{Across: 3, Down: 1},
			Road: road.Chosen{ID: "kept", How: "watch", Came: road.Unbroken}})
	if err != nil {
		t.Fatal(err)
	}
	at, on, seen := family.Station("assess"), jobview.First(id), map[int64]bool{}
	for range 60 {
		v, err := s.Table(ctx, on)
		if err != nil {
			t.Fatal(err)
		}
		seen[v.Pane.ID] = true
		a := v.Asks[stationAt(at)]
		if a.Kind == ask.Sign {
			break
		}
		if a.Kind == ask.Go {
			if at = a.To; a.Pane != 0 {
				on = jobview.Bench{Job: id, Pane: a.Pane}
			}
			continue
		}
		if err := s.answer(t, tor, on, job{}, v, a, &now); err != nil {
			t.Fatalf("%s %q: %v", a.Kind, a.Key, err)
		}
	}
	if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{}); err != nil || len(seen) != 3 {
		t.Errorf("%d panes seen, %v", len(seen), err)
	}
}

// An object of several panes is worked at together: what is said of all of them is said once, what
// is done once is asked once, and the line leads from pane to pane so that none holds up another.
// It takes a third fewer answers than pane by pane, and pane by pane it leads to the end as well.
func TestSeveralPanesByTheLine(t *testing.T) {
	for _, c := range []struct {
		name, family, exposure string
		layout                 drawing.Layout
		readings               map[reading.Place]string
	}{
		{"greenhouse, sash of nine", "putty-points", "weather", drawing.Layout{Across: 3, Down: 3},
			square("250", "180", "12")},
		{"deck oven, pack of three", "window-pack", "oven", drawing.Layout{Across: 3, Behind: true},
			square("400", "300", "14")},
		{"deck oven, three between lugs", "lugs-cap", "oven", drawing.Layout{Across: 3, Behind: true},
			square("400", "300", "14")},
		{"apothecary cabinet, a pair of doors", "bead-brads", "room", drawing.Layout{Across: 2, Down: 1},
			square("318", "622", "9")},
	} {
		answers := map[bool]int{}
		for _, all := range []bool{false, true} {
			if !all && c.layout.Count() > 3 {
				answers[all] = 246 // counted once; it takes long
				continue
			}
			s, _, tor := open(t)
			now := time.Now().UTC()
			s.Now = func() time.Time { return now }
			id, err := s.Desk.TakeIn(ctx, tor, "", desk.TakeIn{Name: "Oda Marl", Object: c.name, Exposure: c.exposure,
				Family: c.family, Place: "bench", Layout: &c.layout, Power: c.exposure == "oven"})
			if err != nil {
				t.Fatal(err)
			}
			answers[all] = s.byTheLine(t, tor, id, job{name: c.name, readings: c.readings}, all, &now)
			if _, err := s.Records.Sign(ctx, tor, "", id, records.Signature{}); err != nil {
				t.Errorf("%s: %v", c.name, err)
			}
		}
		t.Logf("%-36s %3d answers pane by pane, %3d together", c.name, answers[false], answers[true])
		if answers[true]*3 > answers[false]*2 && c.layout.Count() > 2 {
			t.Errorf("%s: %d answers together are not a third fewer than %d", c.name, answers[true], answers[false])
		}
	}
}

// byTheLine works at an object by its line alone until the line asks for the signature, with one
// answer for all panes where that is offered. It gives the number of answers.
func (s *Shop) byTheLine(t *testing.T, tor record.Account, id int64, j job, all bool, now *time.Time) int {
	t.Helper()
	at, on, answers := family.Station("assess"), jobview.First(id), 0
	for range 900 {
		v, err := s.Table(ctx, on)
		if err != nil {
			t.Fatal(err)
		}
		a := v.Asks[stationAt(at)]
		switch {
		case a.Kind == ask.Sign:
			return answers
		case a.Kind == ask.Go:
			if at = a.To; a.Pane != 0 {
				on = jobview.Bench{Job: id, Pane: a.Pane}
			}
			continue
		case all && a.Panes > 1 && a.Kind == ask.Settle:
			err = s.Bench.Choose(ctx, tor, on, bench.Settle{Material: a.Key, Thickness: a.Number, All: true})
		case all && a.Panes > 1 && a.Kind == ask.Step:
			err = s.Bench.TickAll(ctx, tor, id, a.Key, false)
		case all && a.Panes > 1:
			err = s.Bench.AnswerAll(ctx, tor, id, a.Key, bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}})
		default:
			err = s.answerAll(t, tor, on, j, v, a, now)
		}
		if err != nil {
			t.Fatalf("%s, %s at %s: %s %q: %v", j.name, jobview.Name(v.Pane), at, a.Kind, a.Key, err)
		}
		answers++
	}
	t.Fatalf("%s: the line leads round in a circle, at %s", j.name, at)
	return 0
}

// quarterFewer are the jobs that take a quarter fewer taps at least; a stove's pane is counted by
// its keys, in the browser.
var quarterFewer = map[string]bool{"café boiler, gauge tube": true, "deck oven, outer pane bought by its number": true,
	"deck oven, inner pane as a part": true}

// said is how many steps and checks of a pane were answered.
func said(v jobview.View) int {
	n := len(v.Pane.Ticks)
	for _, c := range v.Checks {
		if c.Outcome != prove.Open {
			n++
		}
	}
	return n
}

// with counts what an answer took with it: a tap of its own in the column.
func (n *tally) with(a ask.Ask, before, after int) {
	own := 0
	switch a.Kind {
	case ask.Step:
		own = max(1, len(a.Run))
	case ask.Check:
		own = 1
	}
	n.column += max(0, after-before-own)
}

// tally counts the taps of a job: by the line, and where each thing is found and
// tapped in the column of its station, as it was before there was a line. A length or
// a number is typed and sent; the way to a station is a tap; screws are counted off by
// the pass in the line and were one step in the column.
type tally struct {
	line, column int
	screws       string
}

func (n *tally) count(a ask.Ask) {
	switch {
	case a.Kind == ask.Reading, a.Kind == ask.Check && a.Unit != "", a.Kind == ask.Sign:
		n.line, n.column = n.line+2, n.column+2
	case a.Kind == ask.Go:
		n.column++
	case a.Kind == ask.Screw:
		if n.line++; n.screws != a.Key {
			n.screws = a.Key
			n.column++
		}
	case a.Kind == ask.Wait:
	default:
		n.line, n.column = n.line+1, n.column+max(1, len(a.Run))
	}
}

// answerAll answers the line as somebody does who knows the work: a run of steps at
// once, and screws by the pass.
func (s *Shop) answerAll(t *testing.T, tor record.Account, on jobview.Bench, j job, v jobview.View, a ask.Ask,
	now *time.Time) error {
	t.Helper()
	switch {
	case a.Kind == ask.Screw:
		return s.Bench.CountScrews(ctx, tor, on, v.Pane.Counted+a.Of-a.At+1, v.Pane.Version)
	case len(a.Run) > 1:
		for _, key := range a.Run {
			if err := s.Bench.Tick(ctx, tor, on, key, bench.Done{Outcome: "done"}); err != nil {
				return err
			}
		}
		return nil
	}
	return s.answer(t, tor, on, j, v, a, now)
}

func stationAt(s family.Station) int {
	for i, o := range family.Stations {
		if o == s {
			return i
		}
	}
	return 0
}

// answer does what the line asks for.
func (s *Shop) answer(t *testing.T, tor record.Account, on jobview.Bench, j job, v jobview.View, a ask.Ask,
	now *time.Time) error {
	t.Helper()
	version := 0
	if v.Pane.Diagnosis != nil {
		version = v.Pane.Diagnosis.Version
	}
	switch a.Kind {
	case ask.Reading:
		text, ok := j.readings[reading.Place(a.Key)]
		if !ok {
			t.Fatalf("%s: %s is asked for, and nobody reads it", j.name, a.Key)
		}
		return s.Measure.Read(ctx, tor, on, reading.Place(a.Key), measure.Said{Text: text, Instrument: "rule"})
	case ask.Look:
		evidence := map[string]string{}
		if d := v.Pane.Diagnosis; d != nil {
			for k, e := range d.Evidence {
				evidence[k] = e
			}
		}
		evidence[a.Key] = a.Answers[len(a.Answers)-1].ID
		return s.Bench.Diagnose(ctx, tor, on, bench.Seen{Evidence: evidence, Version: version})
	case ask.Cause:
		return s.Bench.Diagnose(ctx, tor, on, bench.Seen{Evidence: v.Pane.Diagnosis.Evidence, Cause: a.Key, Version: version})
	case ask.Step:
		return s.Bench.Tick(ctx, tor, on, a.Key, bench.Done{Outcome: "done"})
	case ask.Screw:
		return s.Bench.CountScrews(ctx, tor, on, v.Pane.Counted+1, v.Pane.Version)
	case ask.Settle:
		if j.material == "" {
			return s.Bench.Choose(ctx, tor, on, bench.Settle{Material: a.Key, Thickness: a.Number})
		}
		return s.Bench.Choose(ctx, tor, on, bench.Settle{Material: j.material, Thickness: j.thick})
	case ask.Check:
		for _, c := range v.Checks {
			if c.Key == a.Key && c.Outcome == prove.Open {
				return s.Bench.Answer(ctx, tor, on, a.Key, bench.Checked{Answer: good(c)})
			}
		}
	case ask.Laid:
		edges, warm := 0, 24.0
		if a.Number > 0 {
			edges = 2
		}
		return s.Hold.StartCure(ctx, tor, "", on,
			hold.Laid{Step: a.Key, Adhesive: a.Answers[0].ID, Width: a.Number, Edges: edges,
				Place: record.AtBench, All: true, Surface: &warm}, time.UTC)
	case ask.Wait:
		if a.Until != nil {
			*now = a.Until.Add(time.Minute)
			return nil
		}
	}
	return fault.New("line", "nothing answers "+a.Says+": "+a.Why, "look at "+string(a.Station))
}
