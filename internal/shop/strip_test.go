package shop

import (
	"errors"
	"strings"
	"testing"

	"freshshard/core/fault"
	"freshshard/core/striplog"
	"freshshard/internal/record"
	"freshshard/internal/strip"
)

func came(what string, n int, captures ...string) striplog.Entry {
	return striplog.Entry{Kind: striplog.Fasteners, What: what, Count: n, Fate: striplog.Back, Captures: captures,
		Held: striplog.Held{How: "screw", Drive: "T20", Size: "M4"}}
}

// Off in order, back in order, and no signature while something is out.
func TestStripAndRebuild(t *testing.T) {
	s, mira, tor := open(t)
	id := takeIn(t, s, tor)
	for _, e := range []striplog.Entry{came("bracket screw", 4), {Kind: striplog.Part, What: "bracket", Count: 4,
		Fate: striplog.Back, Held: striplog.Held{How: "gravity"}}} {
		if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(e)); err != nil {
			t.Fatal(err)
		}
	}
	v := view1(t, s, id)
	if v.Job.Strip[0].Entry.ID != "e1" || v.Job.Strip[0].Entry.Bag != "1" || v.Job.Strip[1].Entry.Bag != "" {
		t.Errorf("%+v", v.Job.Strip)
	}
	screws := v.Job.Strip[0].Entry
	screws.Captures = []string{"e2"}
	if err := s.Strip.SetStrip(ctx, tor, id, "e1", strip.Noted(screws), 1); err != nil {
		t.Fatal(err)
	}
	var c *record.Conflict
	if err := s.Strip.SetStrip(ctx, mira, id, "e1", strip.Noted(screws), 1); !errors.As(err, &c) ||
		!strings.Contains(c.Says, "Tor changed") {
		t.Errorf("an old copy: %v", err)
	}
	if err := s.Strip.PutBack(ctx, tor, id, "e1", 4, 2); fault.Of(err) == nil {
		t.Errorf("screws went in before their brackets: %v", err)
	}
	held := func() int {
		n := 0
		for _, h := range view1(t, s, id).Hindrances {
			if h.Kind == "strip" {
				n++
			}
		}
		return n
	}
	if held() != 2 {
		t.Errorf("%d entries hold the signature up", held())
	}
	for _, p := range []struct {
		id          string
		in, version int
	}{{"e2", 4, 1}, {"e1", 4, 2}} {
		if err := s.Strip.PutBack(ctx, tor, id, p.id, p.in, p.version); err != nil {
			t.Fatal(err)
		}
	}
	if held() != 0 {
		t.Errorf("%d entries still hold the signature up", held())
	}
	if err := s.Strip.DropStrip(ctx, tor, id, "e2", 2); fault.Of(err) == nil {
		t.Errorf("what the screws hold down was taken out: %v", err)
	}
	if err := s.Strip.DropStrip(ctx, tor, id, "e1", 3); err != nil {
		t.Error(err)
	}
	// An id is never used twice, whatever was taken out.
	if err := s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(came("another", 1))); err != nil {
		t.Fatal(err)
	}
	if got := view1(t, s, id).Job.Strip[1].Entry.ID; got != "e3" {
		t.Errorf("new entry is %s", got)
	}
}

func TestStripCopy(t *testing.T) {
	s, _, tor := open(t)
	first, second := takeIn(t, s, tor), takeIn(t, s, tor)
	for _, e := range []striplog.Entry{came("one", 2), came("two", 3, "e1")} {
		if err := s.Strip.AddStrip(ctx, tor, "", first, strip.Noted(e)); err != nil {
			t.Fatal(err)
		}
	}
	rows, err := s.Strip.Earlier(ctx, second)
	if err != nil || len(rows) != 1 || rows[0].ID != first {
		t.Fatalf("%v, %v", rows, err)
	}
	if err := s.Strip.CopyStrip(ctx, tor, second, first); err != nil {
		t.Fatal(err)
	}
	if j := view1(t, s, second).Job; len(j.Strip) != 2 || j.Strip[1].Entry.Captures[0] != "e1" {
		t.Errorf("%+v", j.Strip)
	}
	if err := s.Strip.CopyStrip(ctx, tor, second, first); fault.Of(err) == nil {
		t.Errorf("copied over what was there: %v", err)
	}
	third := takeIn(t, s, tor)
	if err := s.Strip.CopyStrip(ctx, tor, third, third); fault.Of(err) == nil {
		t.Errorf("copied nothing: %v", err)
	}
}

func TestStripRefuses(t *testing.T) {
	s, _, tor := open(t)
	id := takeIn(t, s, tor)
	for field, e := range map[string]striplog.Entry{"what": came(" ", 1), "count": came("x", 0),
		"captures": came("x", 1, "e9")} {
		if f := fault.Of(s.Strip.AddStrip(ctx, tor, "", id, strip.Noted(e))); f == nil || f.Field != field {
			t.Errorf("want a fault at %s, got %v", field, f)
		}
	}
	for range 2 {
		if err := s.Strip.AddStrip(ctx, tor, "one-key-twice", id, strip.Noted(came("x", 1))); err != nil {
			t.Fatal(err)
		}
	}
	if n := len(view1(t, s, id).Job.Strip); n != 1 {
		t.Errorf("a retry noted it %d times", n)
	}
	var nf *record.NotFound
	if err := s.Strip.PutBack(ctx, tor, id, "e77", 1, 1); !errors.As(err, &nf) {
		t.Errorf("%v", err)
	}
}
