package shop

import (
	"strings"
	"sync"
	"testing"
	"time"

	"freshshard/core/fault"
	"freshshard/internal/hold"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/stock"
	"freshshard/internal/store"
)

// bonded is a cab window whose pane is in, at a winter's noon; how its clock is started.
func bonded(t *testing.T) (s *Shop, tor record.Account, at jobview.Bench,
	start func(key string, change func(*hold.Laid)) error) {
	t.Helper()
	s, _, tor = open(t)
	s.Now = func() time.Time { return time.Date(2027, 1, 12, 12, 0, 0, 0, time.UTC) }
	in := stove()
	in.Object, in.Exposure, in.Family, in.Vehicle = "Orchard tractor's cab, side window", "weather", "bonded-fixed", true
	id, err := s.Desk.TakeIn(ctx, tor, "", in)
	if err != nil {
		t.Fatal(err)
	}
	at = jobview.First(id)
	upTo(t, s, tor, at, "cure", "measure")
	return s, tor, at, func(key string, change func(*hold.Laid)) error {
		l := hold.Laid{Step: "cure", Adhesive: "urethane", Width: 8, Edges: 2, Place: record.AtBench}
		if change != nil {
			change(&l)
		}
		return s.Hold.StartCure(ctx, tor, key, at, l, time.UTC)
	}
}

func held1(t *testing.T, s *Shop, at jobview.Bench) hold.Hold {
	t.Helper()
	h, err := s.Hold.Hold(ctx, at, time.UTC)
	if err != nil {
		t.Fatal(err)
	}
	return h
}

// Dry fit to ready clock: started once, holds its step, hears the cold come in, is warmed,
// and lets go to the minute.
func TestClock(t *testing.T) {
	s, tor, at, start := bonded(t)
	for range 2 { // a tap that comes twice
		if err := start("one-clock", nil); err != nil {
			t.Fatal(err)
		}
	}
	if err := start("", nil); err == nil {
		t.Error("a second clock for the same step")
	}
	h := held1(t, s, at)
	if len(h.Cures) != 1 || h.Cures[0].Ready == nil || len(h.Cures[0].Would) < 2 || len(h.Cures[0].Weather) == 0 {
		t.Fatalf("%+v", h.Cures)
	}
	first := *h.Cures[0].Ready
	if got := h.Cures[0].Curing.Clocks[1].Safe; !got.Equal(first) {
		t.Errorf("kept as %v, shown as %v", first, got)
	}
	// The bench is colder than the station said: later; noted by two at once.
	var wait sync.WaitGroup
	for range 2 {
		wait.Go(func() {
			if err := s.Hold.NoteAir(ctx, tor, record.AirReading{Place: record.AtBench, C: 7, RH: 40}, time.UTC); err != nil {
				t.Error(err)
			}
		})
	}
	wait.Wait()
	h = held1(t, s, at)
	cold := h.Cures[0].Ready
	if !h.Read || h.Air.C != 7 || cold == nil || !cold.After(first) {
		t.Fatalf("%v, before %v; %+v", cold, first, h.Air)
	}
	c := h.Cures[0]
	if err := s.Hold.MoveCure(ctx, tor, at, c.ID, record.Stay{Place: record.AtBench, Heated: 20}, c.Version,
		time.UTC); err != nil {
		t.Fatal(err)
	}
	if err := s.Hold.MoveCure(ctx, tor, at, c.ID, record.Stay{Place: record.InVan}, c.Version, time.UTC); err == nil {
		t.Error("an old copy was taken")
	}
	h = held1(t, s, at)
	warm := h.Cures[0].Ready
	if warm == nil || !warm.Before(*cold) || !warm.Equal(*c.Would[0].Ready) {
		t.Fatalf("warmed %v, cold %v, said before %v", warm, cold, c.Would[0].Ready)
	}
	letGo := h.Cures[0].LetGo
	// The step waits to the minute, after a restart too.
	all := map[string]time.Duration{"a minute before": -time.Minute, "when it is out": 0}
	st, err := store.Open(ctx, lastDSN)
	if err != nil {
		t.Fatal(err)
	}
	defer func() { _ = st.Close() }()
	for name, d := range all {
		again := New(st)
		again.Now = func() time.Time { return letGo.Add(d) }
		v := view1(t, again, at.Job)
		waits := ""
		for _, w := range v.Waits {
			if w.Step == "cure" && w.Until != nil && w.Until.Equal(*letGo) {
				waits = w.Why
			}
		}
		if (waits != "") != (d < 0) {
			t.Errorf("%s: %q, %+v", name, waits, v.Waits)
		}
	}
	if err := s.Hold.DropCure(ctx, tor, at, c.ID, c.Version+1); err != nil {
		t.Fatal(err)
	}
	if h = held1(t, s, at); len(h.Cures) != 0 || len(h.May) == 0 {
		t.Errorf("%+v", h)
	}
}

// The tubes: one is opened and booked, the next bead of the session goes on with it, a day
// later the next is opened, and none is left then; one past its day is refused.
func TestTubes(t *testing.T) {
	s, tor, at, start := bonded(t)
	tube := record.StockItem{Kind: record.AdhesiveStock, Name: "urethane", Unit: "pc", Quantity: 1, Lot: "U 9",
		Expires: "2027-01-12"}
	item, err := s.Stock.AddStock(ctx, tor, "", tube)
	if err != nil {
		t.Fatal(err)
	}
	from := func(l *hold.Laid) { l.Item = item }
	if err := start("", from); err != nil {
		t.Fatal(err) // on its last day
	}
	h := held1(t, s, at)
	left, err := s.Stock.StockItem(ctx, item)
	if err != nil || left.Quantity != 0 || h.Cures[0].Lot != "U 9" || len(h.Tubes) != 1 || h.Tubes[0].Opened == nil {
		t.Fatalf("%v, %+v, %+v", err, left, h)
	}
	// The stores say that one is open, till when, and when it is over.
	openOne := func() stock.Stored {
		t.Helper()
		all, err := s.Stock.Stores(ctx)
		if err != nil {
			t.Fatal(err)
		}
		for _, k := range all.Items {
			if k.ID == item {
				return k
			}
		}
		return stock.Stored{}
	}
	begin := *h.Tubes[0].Opened
	for _, c := range []struct {
		after time.Duration
		spent bool
	}{{0, false}, {24*time.Hour - time.Millisecond, false}, {24 * time.Hour, true}, {25 * time.Hour, true}} {
		s.Now = func() time.Time { return begin.Add(c.after) }
		if k := openOne(); k.Opened == nil || !k.OpenTo.Equal(begin.Add(24*time.Hour)) || k.Spent != c.spent {
			t.Errorf("%v after: %v, till %v, spent %v", c.after, k.Opened, k.OpenTo, k.Spent)
		}
	}
	s.Now = func() time.Time { return begin }
	again := func(later time.Duration) error {
		c := held1(t, s, at).Cures
		for _, k := range c {
			if err := s.Hold.DropCure(ctx, tor, at, k.ID, k.Version); err != nil {
				t.Fatal(err)
			}
		}
		now := s.Now()
		s.Now = func() time.Time { return now.Add(later) }
		return start("", from)
	}
	if err := again(8 * time.Hour); err != nil {
		t.Fatal(err)
	}
	if f := fault.Of(again(5 * time.Hour)); f == nil || f.Field != "item" || !strings.Contains(f.Why, "tube's own day") {
		t.Errorf("past its day: %v", f)
	}
	v := left.StockItem
	v.Expires = ""
	if err := s.Stock.SetStock(ctx, tor, v); err != nil {
		t.Fatal(err)
	}
	if f := fault.Of(again(20 * time.Hour)); f == nil || f.Field != "item" ||
		!strings.Contains(f.Why, "none of it is left") {
		t.Errorf("another session: %v", f)
	}
	if err := start("", nil); err != nil {
		t.Errorf("without a tube: %v", err)
	}
}

func TestClockRefuses(t *testing.T) {
	s, tor, at, start := bonded(t)
	cold := 3.0
	damp := 6.0
	rope, err := s.Stock.AddStock(ctx, tor, "",
		record.StockItem{Kind: record.SealStock, Name: "rope", Unit: "m", Quantity: 5})
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		field  string
		change func(*hold.Laid)
	}{
		{"surface", func(l *hold.Laid) { l.Surface = &damp; l.Since = nil }},
		{"air", func(l *hold.Laid) { l.Surface = &cold }},
		{"adhesive", func(l *hold.Laid) { l.Adhesive = "spit" }}, {"edges", func(l *hold.Laid) { l.Edges = 0 }},
		{"width", func(l *hold.Laid) { l.Width = 0 }}, {"item", func(l *hold.Laid) { l.Item = rope }},
		{"since", func(l *hold.Laid) { at := s.Now().Add(time.Hour); l.Since = &at }},
		{"since", func(l *hold.Laid) { at := s.Now().AddDate(0, 0, -61); l.Since = &at }},
	} {
		if c.field == "surface" {
			if err := s.Hold.NoteAir(ctx, tor, record.AirReading{Place: record.AtBench, C: 15, RH: 60}, time.UTC); err != nil {
				t.Fatal(err)
			}
		}
		if f := fault.Of(start("", c.change)); f == nil || f.Field != c.field {
			t.Errorf("%s: %v", c.field, f)
		}
	}
	if err := start("", func(l *hold.Laid) { l.Step = "no-step" }); err == nil {
		t.Error("a clock for no step")
	}
	for field, a := range map[string]record.AirReading{"c": {Place: record.AtBench, C: 61, RH: 50},
		"rh": {Place: record.AtBench,
			C: 20, RH: 0.5}, "place": {Place: "moon", C: 20, RH: 50}} {
		if f := fault.Of(s.Hold.NoteAir(ctx, tor, a, time.UTC)); f == nil || f.Field != field {
			t.Errorf("%s: %v", field, f)
		}
	}
	if len(held1(t, s, at).Cures) != 0 {
		t.Error("what was refused runs")
	}
}

// A putty's step waits for its skin, a day, not for its paint, three weeks.
func TestPuttyWaitsForItsSkin(t *testing.T) {
	s, _, at, start := bonded(t)
	if err := start("", func(l *hold.Laid) { l.Adhesive = "linseed-putty" }); err != nil {
		t.Fatal(err)
	}
	c := held1(t, s, at).Cures[0]
	for d, waits := range map[time.Duration]bool{-time.Minute: true, 0: false} {
		again := s.At(func() time.Time { return c.LetGo.Add(d) })
		got := false
		for _, w := range view1(t, again, at.Job).Waits {
			got = got || w.Step == "cure" && w.Until != nil && w.Until.Equal(*c.LetGo)
		}
		if got != waits || !c.Ready.After(c.LetGo.AddDate(0, 0, 14)) {
			t.Errorf("%v: %v, let go %v, paint %v", d, got, c.LetGo, c.Ready)
		}
	}
}
