package shop

import (
	"errors"
	"strings"
	"testing"

	"freshshard/core/drawing"
	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/outline"
	"freshshard/core/reading"
	"freshshard/internal/bench"
	"freshshard/internal/buy"
	"freshshard/internal/change"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/record"
	"freshshard/internal/records"
)

// nine is a sash of nine lights; it gives the ids of its panes.
func nine(t *testing.T, s *Shop, by record.Account) (int64, []int64) {
	t.Helper()
	in := stove()
	in.Object, in.Family, in.Exposure, in.Layout = "Greenhouse, south sash", "putty-points", "weather",
		&drawing.Layout{Across: 3, Down: 3}
	job, err := s.Desk.TakeIn(ctx, by, "", in)
	if err != nil {
		t.Fatal(err)
	}
	v, err := s.Table(ctx, jobview.First(job))
	if err != nil {
		t.Fatal(err)
	}
	ids := []int64{}
	for _, p := range v.Panes {
		ids = append(ids, p.ID)
	}
	return job, ids
}

// Each pane has its own readings, steps and wait; the drawing of the object
// numbers them in reading order.
func TestPanesAreTheirOwn(t *testing.T) {
	s, mira, tor := open(t)
	job, ids := nine(t, s, tor)
	if len(ids) != 9 {
		t.Fatalf("%d panes", len(ids))
	}
	seven := jobview.Bench{Job: job, Pane: ids[6]}
	for p, text := range map[reading.Place]string{"width_top": "508", "height_left": "610", "ledge": "12"} {
		if err := s.Measure.Read(ctx, tor, seven, p, measure.Said{Text: text, Instrument: length.Tape}); err != nil {
			t.Fatal(err)
		}
	}
	if err := s.Bench.Tick(ctx, mira, seven, "cause", bench.Done{Outcome: "done"}); err != nil {
		t.Fatal(err)
	}
	if err := s.Buy.SetWait(ctx, tor, jobview.Bench{Job: job, Pane: ids[1]},
		buy.Wait{For: "glass", Version: 1}); err != nil {
		t.Fatal(err)
	}
	v, err := s.Table(ctx, seven)
	if err != nil {
		t.Fatal(err)
	}
	if v.Pane.Number != 7 || !v.Reckoning.Fit.Ready || len(v.Pane.Ticks) != 1 {
		t.Errorf("pane %d, ready %v, %d ticks", v.Pane.Number, v.Reckoning.Fit.Ready, len(v.Pane.Ticks))
	}
	if v.Panes[1].State != "wait" || v.Panes[6].State != "now" || v.Panes[6].Untouched || !v.Panes[0].Untouched ||
		v.Panes[6].Order == "" {
		t.Errorf("%+v", v.Panes)
	}
	first, err := s.Table(ctx, jobview.First(job))
	if err != nil || first.Reckoning.Fit.Ready || len(first.Pane.Readings) != 0 {
		t.Errorf("the first pane took the seventh's readings: %v", err)
	}
	at := map[string]outline.Point{}
	for _, i := range v.Object.Items {
		if strings.HasPrefix(i.ID, "number-") {
			at[i.Text] = i.Points[0]
		}
	}
	if !(at["1"].X < at["2"].X && at["1"].Y == at["2"].Y && at["4"].Y < at["1"].Y && at["9"].X > at["7"].X) {
		t.Errorf("numbers stand at %v", at)
	}
	if _, err := s.Table(ctx, jobview.Bench{Job: job, Pane: 999999}); err == nil {
		t.Error("a pane of nobody was found")
	}
	h, err := s.Desk.History(ctx, job)
	if err != nil || !strings.Contains(h[len(h)-2].Said, "pane 7") {
		t.Errorf("the trail does not say which pane: %+v, %v", h, err)
	}
}

// Signing needs every pane; the ticket keeps each one's numbers.
func TestSignsAllPanesTogether(t *testing.T) {
	s, mira, tor := open(t)
	job, ids := nine(t, s, tor)
	var open *records.Open
	if _, err := s.Records.Sign(ctx, tor, "", job, records.Signature{}); !errors.As(err, &open) {
		t.Fatalf("%v", err)
	}
	seen := map[int64]bool{}
	for _, h := range open.Hindrances {
		seen[h.Pane] = true
	}
	if len(seen) != 9 || !strings.HasPrefix(open.Hindrances[0].Text, "pane 1: ") {
		t.Errorf("%d panes stand in the way, first %q", len(seen), open.Hindrances[0].Text)
	}
	// Whichever pane is on the table, the object is the same: what is left of it, and what stands in
	// the way.
	laid, _, err := s.Benches(ctx, job)
	if err != nil || len(laid) != 9 {
		t.Fatalf("%d benches, %v", len(laid), err)
	}
	for _, v := range laid {
		if v.MinutesTo == 0 || v.MinutesTo != laid[0].MinutesTo || len(v.Hindrances) != len(open.Hindrances) ||
			len(v.Panes) != 9 || v.Job.Panes != nil {
			t.Errorf("pane %d: %d of %d min left, %d of %d stand in the way, %d panes", v.Pane.Number, v.MinutesTo,
				laid[0].MinutesTo, len(v.Hindrances), len(open.Hindrances), len(v.Panes))
		}
	}
	if err := s.Measure.Read(ctx, tor, jobview.Bench{Job: job, Pane: ids[3]}, "width_top", measure.Said{Text: "444",
		Instrument: length.Tape}); err != nil {
		t.Fatal(err)
	}
	if _, err := s.Records.Sign(ctx, mira, "", job, records.Signature{Override: "for the test"}); err != nil {
		t.Fatal(err)
	}
	j, err := s.Store.Jobs.Job(ctx, job)
	if err != nil {
		t.Fatal(err)
	}
	if d, err := change.SignedOf(j.Ticket.Document); err != nil || len(d.Fixed) != 9 || d.Fixed[3].Pane != 4 {
		t.Fatalf("%d fixed, %v", len(d.Fixed), err)
	}
	all, _, err := s.Benches(ctx, job)
	if err != nil || len(all) != 9 || all[3].Reckoning.Fit.Read != 1 {
		t.Errorf("%d benches, %v", len(all), err)
	}
}

func TestLayOut(t *testing.T) {
	s, mira, tor := open(t)
	job := takeIn(t, s, tor)
	if err := s.Measure.SetLayout(ctx, tor, job,
		measure.NewLayout{Layout: drawing.Layout{Across: 3, Behind: true}, Had: 1}); err != nil {
		t.Fatal(err)
	}
	// A second person who saw one pane does not add two more.
	var c *record.Conflict
	if err := s.Measure.SetLayout(ctx, mira, job,
		measure.NewLayout{Layout: drawing.Layout{Across: 3, Behind: true}, Had: 1}); !errors.As(err, &c) {
		t.Errorf("%v", err)
	}
	v, err := s.Table(ctx, jobview.First(job))
	if err != nil || len(v.Panes) != 3 || v.Panes[2].Spot.Depth != 2 {
		t.Fatalf("%+v, %v", v.Panes, err)
	}
	if err := s.Measure.DropPane(ctx, tor, jobview.Bench{Job: job, Pane: v.Panes[1].ID}); err != nil {
		t.Fatal(err)
	}
	if v, err = s.Table(ctx, jobview.First(job)); err != nil || len(v.Panes) != 2 || v.Panes[1].Number != 2 {
		t.Errorf("%+v, %v", v.Panes, err)
	}
	read(t, s, tor, job, "width_top", "300")
	for _, bad := range []struct {
		field string
		err   error
	}{
		{"layout.across", s.Measure.SetLayout(ctx, tor, job,
			measure.NewLayout{Layout: drawing.Layout{Across: 1, Down: 1}, Had: 2})},
		{"layout.across", s.Measure.SetLayout(ctx, tor, job,
			measure.NewLayout{Layout: drawing.Layout{Across: 20, Down: 20}, Had: 2})},
		{"layout.across", s.Measure.SetLayout(ctx, tor, job,
			measure.NewLayout{Layout: drawing.Layout{Across: 11, Behind: true}, Had: 2})},
		{"pane", s.Measure.DropPane(ctx, tor, jobview.First(job))},
	} {
		if f := fault.Of(bad.err); f == nil || f.Field != bad.field {
			t.Errorf("want a fault at %s, got %v", bad.field, bad.err)
		}
	}
}

// A pane is put elsewhere on its object, in a pack as deep as before; off it,
// it is refused.
func TestPlacePane(t *testing.T) {
	s, _, tor := open(t)
	job := takeIn(t, s, tor)
	if err := s.Measure.SetLayout(ctx, tor, job,
		measure.NewLayout{Layout: drawing.Layout{Across: 2, Behind: true}, Had: 1}); err != nil {
		t.Fatal(err)
	}
	v, err := s.Table(ctx, jobview.First(job))
	if err != nil {
		t.Fatal(err)
	}
	at := jobview.Bench{Job: job, Pane: v.Panes[1].ID}
	if err := s.Measure.PlacePane(ctx, tor, at,
		measure.Placed{Spot: drawing.Spot{X: 0.6, Y: 0.1, W: 0.3, H: 0.5}, Version: 1}); err != nil {
		t.Fatal(err)
	}
	if v, err = s.Table(ctx, jobview.First(job)); err != nil ||
		v.Panes[1].Spot != (drawing.Spot{X: 0.6, Y: 0.1, W: 0.3, H: 0.5, Depth: 1}) || v.Panes[0].Spot.X == 0.6 {
		t.Errorf("%+v, %v", v.Panes, err)
	}
	if f := fault.Of(s.Measure.PlacePane(ctx, tor, at,
		measure.Placed{Spot: drawing.Spot{X: 0.9, Y: 0.1, W: 0.3, H: 0.5}, Version: 1})); f == nil ||
		f.Field != "w" {
		t.Errorf("half off the object: %v", f)
	}
}

// Today goes on with the pane that does not wait.
func TestTodayTakesThePaneThatDoesNotWait(t *testing.T) {
	s, _, tor := open(t)
	job, ids := nine(t, s, tor)
	if err := s.Buy.SetWait(ctx, tor, jobview.Bench{Job: job, Pane: ids[0]},
		buy.Wait{For: "glass", Version: 1}); err != nil {
		t.Fatal(err)
	}
	day, err := s.Today.Today(ctx, record.Account{})
	if err != nil || len(day.Turns) != 1 || day.Turns[0].Pane != ids[1] || day.Turns[0].Name != "pane 2" ||
		day.Turns[0].Panes != 9 {
		t.Fatalf("%+v, %v", day.Turns, err)
	}
	for _, id := range ids[1:] {
		if err := s.Buy.SetWait(ctx, tor, jobview.Bench{Job: job, Pane: id}, buy.Wait{For: "putty", Version: 1}); err != nil {
			t.Fatal(err)
		}
	}
	if day, err = s.Today.Today(ctx, record.Account{}); err != nil || len(day.Waits) != 1 || len(day.Turns) != 0 {
		t.Errorf("%+v, %v", day, err)
	}
}

// An outline from a file becomes the opening; nonsense does not.
func TestLayDrawn(t *testing.T) {
	s, mira, tor := open(t)
	job := takeIn(t, s, tor)
	p, err := outline.RoundTop(200, 300, 100)
	if err != nil {
		t.Fatal(err)
	}
	o := outline.Outline{Outer: p, Holes: []outline.Path{}}
	if err := s.Measure.SetDrawing(ctx, tor, jobview.First(job),
		measure.Drawn{Outline: o, Doubt: 0.8, Version: 1}); err != nil {
		t.Fatal(err)
	}
	read(t, s, mira, job, "shape_width", "200.5")
	v, err := s.Table(ctx, jobview.First(job))
	if err != nil || !v.Reckoning.Fit.Ready || v.Reckoning.Fit.Form != "as drawn" || v.Reckoning.Order == "" {
		t.Fatalf("%+v, %v", v.Reckoning.Fit, err)
	}
	var c *record.Conflict
	if err := s.Measure.SetDrawing(ctx, mira, jobview.First(job), measure.Drawn{Outline: o, Version: 1}); !errors.As(err,
		&c) {
		t.Errorf("an old version was taken: %v", err)
	}
	if err := s.Measure.SetDrawing(ctx, mira, jobview.First(job), measure.Drawn{Version: 2}); fault.Of(err) == nil {
		t.Errorf("no outline at all: %v", err)
	}
	// The other places are no longer asked.
	if err := s.Measure.Read(ctx, tor, jobview.First(job), "width_top",
		measure.Said{Text: "300", Instrument: length.Tape}); fault.Of(err) == nil {
		t.Errorf("a drawn opening was read as a rectangle: %v", err)
	}
}
