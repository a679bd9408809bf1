package shop

import (
	"errors"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/length"
	"freshshard/core/prove"
	"freshshard/core/reading"
	"freshshard/internal/bench"
	"freshshard/internal/jobview"
	"freshshard/internal/measure"
	"freshshard/internal/strip"
	"freshshard/internal/typed"
)

// A person works at a job in inches while everybody else stays in mm: what they see
// and how a bare number of theirs is taken; the job is the same. 10 5/8 in is
// 269.875 mm (25.4 mm to the inch, exact).
func TestUnitForAPerson(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	if err := s.Desk.SetUnit(ctx, tor, id, "cm"); fault.Of(err) == nil {
		t.Errorf("cm was taken: %v", err)
	}
	if err := s.Desk.SetUnit(ctx, tor, 9999, length.IN); err == nil {
		t.Error("a unit for a job that is none")
	}
	pulse := view1(t, s, id).Job.Pulse
	for range 2 { // a retry is as good as one
		if err := s.Desk.SetUnit(ctx, tor, id, length.IN); err != nil {
			t.Fatal(err)
		}
	}
	for place, text := range map[string]string{"width_top": "10 5/8", "width_bottom": "10 9/16", "height_left": "9 1/2",
		"height_right": "9 1/2", "ledge": "9/16", "bracket_reach": "5/8"} {
		read(t, s, tor, id, reading.Place(place), text)
	}
	his, err := s.Table(ctx, jobview.Bench{Job: id, By: tor.ID})
	if err != nil {
		t.Fatal(err)
	}
	hers, err := s.Table(ctx, jobview.Bench{Job: id, By: mira.ID})
	if err != nil {
		t.Fatal(err)
	}
	if his.Unit != length.IN || hers.Unit != length.MM || view1(t, s, id).Unit != length.MM {
		t.Errorf("%s, %s", his.Unit, hers.Unit)
	}
	if his.Reckoning.Fit.Order != hers.Reckoning.Fit.Order {
		t.Errorf("two sizes: %v and %v", his.Reckoning.Fit.Order, hers.Reckoning.Fit.Order)
	}
	if got := hers.Reckoning.Fit.Order.W; got < 255 || got > 269 {
		t.Errorf("10 9/16 in was taken for %v mm", got)
	}
	if o := his.Reckoning.Order; strings.Contains(strings.Replace(o, "4 mm glass-ceramic", "", 1), "mm") ||
		!strings.Contains(o, " in, not chosen yet; best choice: 4 mm glass-ceramic, ±") {
		t.Errorf("his order %q", o)
	}
	if view1(t, s, id).Job.Pulse < pulse+6 {
		t.Error("readings were not counted")
	}
	// Every sentence of his is in inches; a pane's nominal thickness is its name.
	for _, f := range his.Reckoning.Figures {
		if left := length.Words(f.Sentence, length.IN); left != f.Sentence {
			t.Errorf("%s is still in mm: %q", f.Key, f.Sentence)
		}
		if f.Unit == "mm" && !strings.HasSuffix(f.Text, " in") {
			t.Errorf("%s: %q", f.Key, f.Text)
		}
	}
	for _, c := range his.Checks {
		if c.Unit == "mm" && (c.Asks != "in" || !strings.HasSuffix(c.Wants, " in")) {
			t.Errorf("%s wants %q, asks %q", c.Key, c.Wants, c.Asks)
		}
	}
	if err := s.Measure.Read(ctx, tor, jobview.First(id), "width_middle",
		measure.Said{Text: "270", Instrument: length.Rule}); fault.Of(err) == nil {
		t.Errorf("270 in was taken: %v", err)
	}
}

// Gaps round a pane are read at four to eight places, as they are typed; the number
// is the widest less the narrowest. At most 2 mm: common practice, no source.
func TestGaps(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	for p, text := range sized {
		read(t, s, tor, id, p, text)
	}
	upTo(t, s, tor, jobview.First(id), "settle")
	say := func(texts ...string) error {
		return s.Bench.Answer(ctx, tor, jobview.First(id), "gap",
			bench.Checked{Answer: prove.Answer{Outcome: prove.Pass}, Read: texts,
				Seen: seenCheck(t, s, id, "gap")})
	}
	for _, bad := range [][]string{{"3", "3", "3"}, {"3", "x", "3", "3"}, {"3", "3", "3", "3", "3", "3", "3", "3", "3"}} {
		if err := say(bad...); fault.Of(err) == nil {
			t.Errorf("%q was taken: %v", bad, err)
		}
	}
	for _, c := range []struct {
		texts   []string
		outcome prove.Outcome
		got     string
	}{
		{[]string{"3", "3.5", "3.2", "3.1", "2.5", "2.8", "3.4", "3"}, prove.Pass, "1.0 mm"},
		{[]string{"1.6", "3.5", "3.2", "3.1", "2.5", "2.8", "3.4", "3"}, prove.Pass, "1.9 mm"},
		{[]string{"1.5", "3.5", "3.2", "3.1", "2.5", "2.8", "3.4", "3"}, prove.Pass, "2.0 mm"},
		{[]string{"1.4", "3.5", "3.2", "3.1", "2.5", "2.8", "3.4", "3"}, prove.Fail, "2.1 mm"},
		{[]string{"1/16 in", "1/8 in", "3 mm", "2.5"}, prove.Pass, "1.6 mm"},
		{[]string{"1.7"}, prove.Pass, "1.7 mm"},
	} {
		if err := say(c.texts...); err != nil {
			t.Fatalf("%q: %v", c.texts, err)
		}
		for _, k := range view1(t, s, id).Checks {
			gaps := len(c.texts)
			if gaps == 1 {
				gaps = 0
			}
			if k.Key == "gap" && (k.Outcome != c.outcome || k.Got != c.got || len(k.Gaps) != gaps) {
				t.Errorf("%q: %s, %q, %v", c.texts, k.Outcome, k.Got, k.Gaps)
			}
		}
	}
}

func seenCheck(t *testing.T, s *Shop, id int64, key string) int {
	t.Helper()
	for _, k := range view1(t, s, id).Checks {
		if k.Key == key {
			return k.Version
		}
	}
	t.Fatalf("no check %s", key)
	return 0
}

// A line of the strip log moves in the order of removal; the others close up, and
// what holds something down never comes off after it.
func TestMoveStrip(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	screw := came("side screw", 2)
	for i, in := range []strip.Entered{strip.Noted(came("top screw", 4)),
		{Entry: screw, LengthSaid: "5/8 in", ToGlassSaid: "14"},
		strip.Noted(came("side trim", 1, "e2"))} {
		if err := s.Strip.AddStrip(ctx, tor, "", id, in); err != nil {
			t.Fatalf("%d: %v", i, err)
		}
	}
	order := func() string {
		var out []string
		for _, e := range view1(t, s, id).Job.Strip {
			out = append(out, e.Entry.ID)
		}
		return strings.Join(out, " ")
	}
	if h := view1(t, s, id).Job.Strip[1].Entry.Held; h.Length != 15.875 || h.ToGlass != 14 {
		t.Errorf("%+v", h)
	}
	move := func(id64 int64, e string, to, version int) error {
		return s.Strip.MoveStrip(ctx, tor, id64, e, to, version)
	}
	for range 2 { // a second tap of the same changes nothing
		if err := move(id, "e2", 1, 1); err != nil {
			t.Fatal(err)
		}
	}
	if got := order(); got != "e2 e1 e3" {
		t.Errorf("moved to %s", got)
	}
	for _, to := range []int{0, 4} {
		if f := fault.Of(move(id, "e2", to, 1)); f == nil || f.Field != "to" {
			t.Errorf("place %d: %v", to, f)
		}
	}
	if err := move(id, "e2", 2, 7); err == nil {
		t.Error("an old copy moved it")
	}
	// The next line still gets a name of its own.
	if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(came("last", 1))); err != nil {
		t.Fatal(err)
	}
	if got := order(); got != "e2 e1 e3 e4" {
		t.Errorf("then %s", got)
	}
	for field, in := range map[string]strip.Entered{"length_said": {Entry: screw, LengthSaid: "long"},
		"to_glass_said": {Entry: screw, ToGlassSaid: "501"}} {
		err := s.Strip.AddStrip(ctx, tor, "", id, in)
		var at *typed.At
		f := fault.Of(err)
		if errors.As(err, &at) {
			f = at.Err
		}
		if f == nil || f.Field != field {
			t.Errorf("want %s, got %v", field, err)
		}
	}
}
