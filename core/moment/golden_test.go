package moment

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"freshshard/tools/golden"
)

// What people type on a Thursday at 10:20: every word that is known, hours to their edges,
// days of the week and of the month, spans of time, and what is refused with which words.
func TestMomentsAreAsLookedAt(t *testing.T) {
	now := time.Date(2026, 11, 26, 10, 20, 30, 0, zone(t))
	b := &strings.Builder{}
	say := func(text string) {
		at, err := Parse("promised", text, now)
		if err != nil {
			fmt.Fprintf(b, "%q: %v\n", text, err)
			return
		}
		fmt.Fprintf(b, "%q: %s, %s\n", text, at.Format("Mon 2006-01-02 15:04"), Say(at, now))
	}
	for _, day := range []string{"", "tonight", "sun", "thu", "fri", "3 dec"} {
		for _, hour := range []string{"", "morning", "noon", "midday", "afternoon", "evening", "close", "7", "8", "11", "12",
			"13", "17:59", "24", "24:01", "25", "0:00", "9:60", "9:59", "12 am", "12 pm", "1 am", "13 am", "0 pm", "8.05",
			"0815",
			"2359", "2400"} {
			say(strings.TrimSpace(day + " " + hour))
		}
	}
	for _, m := range months {
		say("15 " + m)
		say(m + " 28th 9:30")
		say("31 " + m)
	}
	for _, text := range []string{"in 1 min", "in 0 min", "in 1000 min", "in 1001 min", "in 1 hour", "in 5 hours",
		"in 1 day", "in 3 days 9", "in 1 week", "in 2 weeks morning", "in 100 weeks", "in 105 weeks", "26 nov 2028",
		"27 nov 2028", "28 nov 2028",
		"29 nov 2028",
		"1 jan", "0 jan", "32 dec", "30 feb 2028", "29 feb 2027", "2026-13-01", "2026-12-32", "26-12-03", "next",
		"next week", "fri sat",
		"today today", "-4", "4 -", "soon", "4 5", "9 9:30", "fri 9 9", "a", "12:5", "1:2:3", "in 2", "in two days",
		"2 days", "hours"} {
		say(text)
	}
	for _, d := range []time.Duration{-400 * 24 * time.Hour, -48 * time.Hour, -24 * time.Hour, -time.Hour, -time.Minute,
		0, time.Minute, time.Hour, 13 * time.Hour, 24 * time.Hour, 6 * 24 * time.Hour, 7 * 24 * time.Hour,
		60 * 24 * time.Hour,
		400 * 24 * time.Hour} {
		fmt.Fprintf(b, "%s from now: %s\n", d, Say(now.Add(d), now))
	}
	golden.Check(t, "moments", b.String())
}
