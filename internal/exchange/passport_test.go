package exchange

import (
	"bytes"
	"fmt"
	"strings"
	"testing"
	"time"

	ics "github.com/arran4/golang-ical"

	"freshshard/core/due"
	"freshshard/core/handover"
	"freshshard/core/letter"
	"freshshard/internal/jobview"
	"freshshard/internal/record"
	"freshshard/internal/records"
)

func passport() records.Passport {
	out := time.Date(2026, 3, 4, 15, 0, 0, 0, time.UTC)
	return records.Passport{Object: "Sauna stove ☂", Shop: "Lantern Yard", Town: "Hollin Ferry", Ticket: 3, By: "Mira",
		Out: out,
		Panes: []records.PassportPane{{What: "5 mm glass-ceramic", Size: "418 × 302 mm", Other: "16 15/32 × 11 7/8 in",
			Laid: []string{"vehicle urethane, batch U 9"}}},
		Told: []handover.Line{{Title: "First fire", Text: "A small one."}},
		Hard: []records.HardWhen{{Title: "vehicle urethane, ready", May: "it may be driven", At: out.Add(6 * time.Hour)}},
		Due:  []due.Due{{Key: "nip", What: "Nip the fixings again", Why: "rope settles", On: out.AddDate(0, 0, 14)}},
		Letter: letter.Letter{Differs: []string{"Changed: bracket bent away"}, Odd: []string{"screws, low edge: was seized"},
			WayIn: []string{"Off: 4 × screws"}, Palm: []string{"screws, low edge: was seized"}}}
}

// Each paper says what it is for, and no more.
func TestPassportPapers(t *testing.T) {
	for name, c := range map[string]struct {
		write   func(*bytes.Buffer, records.Passport, string) error
		has     []string
		hasNone []string
	}{
		"customer": {func(b *bytes.Buffer, p records.Passport, a string) error { return CustomerPage(b, p, a, time.UTC) },
			[]string{"418 × 302 mm", "batch U 9", "it may be driven: not before 4 March 2026, 21:00",
				"First fire: A small one.",
				"18 March 2026: Nip the fixings again. Rope settles."}, []string{"seized", "Off: 4"}},
		"letter": {func(b *bytes.Buffer, p records.Passport, a string) error { return LetterPage(b, p, a, time.UTC) },
			[]string{"To the next technician", "bracket bent away", "was seized", "1. Off: 4 × screws"},
			[]string{"First fire"}},
		"passport": {func(b *bytes.Buffer, p records.Passport, a string) error { return Passport(b, p, a, time.UTC) },
			[]string{"First fire", "was seized"}, nil},
		"label": {func(b *bytes.Buffer, p records.Passport, a string) error { return PalmLabel(b, p, a, time.UTC) },
			[]string{"Sauna stove", "Before you open it:", "was seized"}, []string{"First fire"}},
	} {
		t.Run(name, func(t *testing.T) {
			for _, address := range []string{"", "http://127.0.0.1:8080/p/abcdefghjkmnpqrstuvwxyz234"} {
				b := &bytes.Buffer{}
				if err := c.write(b, passport(), address); err != nil {
					t.Fatal(err)
				}
				text := textOf(t, b.Bytes())
				for _, want := range c.has {
					if !strings.Contains(text, want) {
						t.Errorf("%q is not on it: %q", want, text)
					}
				}
				for _, not := range c.hasNone {
					if strings.Contains(text, not) {
						t.Errorf("%q is on it", not)
					}
				}
			}
		})
	}
	newer := passport()
	newer.Newer = true
	b := &bytes.Buffer{}
	if err := CustomerPage(b, newer, "", time.UTC); err != nil || !strings.Contains(textOf(t, b.Bytes()), "newer page") {
		t.Errorf("an old page says nothing of the newer one: %v", err)
	}
}

// However long the letter, the label is one page and keeps to its edges.
func TestPalmLabelIsOne(t *testing.T) {
	p := passport()
	p.Object = strings.Repeat("a long name of an object ", 4)
	for i := range 40 {
		p.Letter.Palm = append(p.Letter.Palm, fmt.Sprintf("line %d of a letter that does not fit on a palm", i))
	}
	b := &bytes.Buffer{}
	if err := PalmLabel(b, p, "http://127.0.0.1:8080/p/abcdefghjkmnpqrstuvwxyz234", time.UTC); err != nil {
		t.Fatal(err)
	}
	if n := bytes.Count(b.Bytes(), []byte("/Type /Page\n")); n > 1 {
		t.Errorf("%d pages", n)
	}
	if text := textOf(t, b.Bytes()); strings.Contains(text, "line 39") || !strings.Contains(text, "line 1 of") {
		t.Errorf("%q", text)
	}
}

// The workshop's record has every number with its sum.
func TestRecord(t *testing.T) {
	v := stove(t)
	b := &bytes.Buffer{}
	if err := Record(b, record.Shop{Name: "Lantern Yard"}, []jobview.View{v}, time.UTC); err != nil {
		t.Fatal(err)
	}
	text := textOf(t, b.Bytes())
	for _, f := range v.Reckoning.Figures {
		if !strings.Contains(strings.Join(strings.Fields(text), ""), strings.Join(strings.Fields(printable(f.Sentence)),
			"")) {
			t.Errorf("%s is not in the record", f.Key)
		}
	}
	if !strings.Contains(text, "common practice, no source") {
		t.Error("no number says where it is from")
	}
}

// Read back by the library: an hour each, its identity kept, what is said of it.
func TestCalendar(t *testing.T) {
	at := time.Date(2026, 3, 28, 23, 30, 0, 0, time.UTC)
	b := &bytes.Buffer{}
	if err := Calendar(b, []record.Reminder{{ID: 4, Job: 7, Object: "Sauna stove; second, cabin", Customer: "Oda Marl",
		Phone: "0550 1", What: "Nip it", Why: "rope settles", Due: at, Version: 3}}, "http://x", at); err != nil {
		t.Fatal(err)
	}
	c, err := ics.ParseCalendar(b)
	if err != nil || len(c.Events()) != 1 {
		t.Fatal(err)
	}
	e := c.Events()[0]
	start, err1 := e.GetStartAt()
	end, err2 := e.GetEndAt()
	if err1 != nil || err2 != nil || !start.Equal(at) || !end.Equal(at.Add(time.Hour)) {
		t.Errorf("from %v to %v", start, end)
	}
	for p, want := range map[ics.ComponentProperty]string{ics.ComponentPropertySummary: "Nip it: Sauna stove; " +
		"second, cabin",
		ics.ComponentPropertyUniqueId: "reminder-4@fresh-shard", ics.ComponentPropertySequence: "3"} {
		if got := e.GetProperty(p); got == nil || ics.FromText(got.Value) != want {
			t.Errorf("%s: %+v, want %q", p, got, want)
		}
	}
	b.Reset()
	if err := Calendar(b, nil, "http://x", at); err != nil || !strings.Contains(b.String(), "END:VCALENDAR") {
		t.Errorf("nothing due: %v, %q", err, b)
	}
}
