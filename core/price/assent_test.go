package price

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
)

// Just before, at and just after the moment until which it holds, and whatever was said to it.
func TestAssent(t *testing.T) {
	until := time.Date(2027, 4, 1, 12, 0, 0, 0, time.UTC)
	said := func(yes ...bool) (out []Reply) {
		for i, y := range yes {
			out = append(out, Reply{Yes: y, Name: "Oda Marl", At: until.AddDate(0, 0, i-9)})
		}
		return out
	}
	for _, c := range []struct {
		q     Quoted
		at    time.Duration
		want  Assent
		says  string
		heard bool
	}{
		{Quoted{}, -time.Hour, Unasked, "Nobody was asked for a yes.", true},
		{Quoted{Asked: true}, -time.Minute, Waiting, "It waits for the customer's yes, until 1 April 2027.", true},
		{Quoted{Asked: true}, 0, Waiting, "It waits for the customer's yes, until 1 April 2027.", true},
		{Quoted{Asked: true}, time.Minute, Over, "It held until 1 April 2027.", false},
		{Quoted{Asked: true, Replies: said(false)}, -time.Hour, Call, "Oda Marl asks for a call since 23 March 2027.", true},
		{Quoted{Asked: true, Replies: said(false)}, time.Hour, Over, "It held until 1 April 2027.", false},
		{Quoted{Asked: true, Replies: said(false, true)}, -time.Hour, Yes, "Oda Marl said yes on 24 March 2027.", true},
		{Quoted{Replies: said(true)}, time.Hour, Yes, "Oda Marl said yes on 23 March 2027.", true},
		{Quoted{Replies: said(true, false)}, -time.Hour, Call, "Oda Marl asks for a call since 24 March 2027.", true},
		{Quoted{Asked: true, Replaced: true}, -time.Hour, Replaced, "This quote no longer stands.", false},
		{Quoted{Asked: true, Replaced: true, Replies: said(false)}, -time.Hour, Replaced, "This quote no longer stands.",
			false},
		{Quoted{Asked: true, Replaced: true, Replies: said(true)}, -time.Hour, Yes, "Oda Marl said yes on 23 March 2027.",
			false},
	} {
		c.q.Until = until
		now := until.Add(c.at)
		if got, says := c.q.Stands(now); got != c.want || says != c.says {
			t.Errorf("%+v at %v: %s, %q", c.q, c.at, got, says)
		}
		if err := c.q.Hear(Reply{Yes: true, Name: "Oda Marl"}, now); (err == nil) != c.heard {
			t.Errorf("%+v at %v is heard: %v", c.q, c.at, err)
		}
	}
	q := Quoted{Asked: true, Until: until}
	if f := fault.Of(q.Hear(Reply{Yes: true}, until)); f == nil || f.Field != "name" {
		t.Errorf("a yes of nobody: %v", f)
	}
	for range mostReplies {
		if err := q.Hear(Reply{Name: "Oda"}, until); err != nil {
			t.Fatal(err)
		}
		q.Replies = append(q.Replies, Reply{Name: "Oda"})
	}
	if f := fault.Of(q.Hear(Reply{Name: "Oda"}, until)); f == nil || !strings.Contains(f.Why, "often enough") {
		t.Errorf("one more: %v", f)
	}
}
