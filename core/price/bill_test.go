package price

import (
	"strings"
	"testing"

	"freshshard/core/fault"
)

func TestQuoteSaysWhatItCovers(t *testing.T) {
	j := Job{Works: []Work{{"set", 85, 1, false}}, Site: true, Broken: onePane,
		Materials: []Material{{Key: "rope", Text: "rope",
			Milli: 2500, Unit: "m", Each: 300, Low: 300, High: 300, Known: true}}}
	s, err := Reckon(j, rates)
	if err != nil {
		t.Fatal(err)
	}
	b, err := s.Quote(j, Facts{Made: []string{"a pane 268 × 198 mm"}, Plant: true, Driven: true,
		Stopped: []string{"it runs hot"}})
	if err != nil {
		t.Fatal(err)
	}
	if got := strings.Join(b.Covers, "|"); got != "Taking out, measuring, setting and proving: a pane 268 × 198 mm.|"+
		"The way to you and back.|The broken glass is taken away." {
		t.Errorf("%q", got)
	}
	if got := strings.Join(b.Not, "|"); !strings.HasPrefix(got, "What shows only when it is apart") ||
		!strings.Contains(got, "|Gas, flue") || !strings.Contains(got, "|Calibration") ||
		!strings.Contains(got, "|As it stands, it runs hot.") ||
		!strings.HasSuffix(got, "|Another break for a cause that stays as it is.") {
		t.Errorf("%q", got)
	}
	j.Stripped, j.Adjust.Off = true, []string{"call-out"}
	if s, err = Reckon(j, rates); err != nil {
		t.Fatal(err)
	}
	if b, err = s.Quote(j, Facts{}); err != nil || len(b.Not) != 1 ||
		strings.Join(b.Covers, "") != "The broken glass is taken away." {
		t.Errorf("%v, %q, %q", err, b.Covers, b.Not)
	}
	if l := b.Lines[0]; l.Text != "Work: set" || l.Quantity != "1 h 25 min" || l.Each != 4800 || l.Cents != 6800 {
		t.Errorf("%+v", l)
	}
	if l := b.Lines[1]; l.Quantity != "2.5 m" || l.Each != 360 || l.Cents != 900 {
		t.Errorf("%+v", l)
	}
}

func TestQuantityInWords(t *testing.T) {
	for want, l := range map[string]Line{"59 min": {Unit: "min", Milli: 59_000},
		"1 h 00 min": {Unit: "min", Milli: 60_000},
		"1 h 01 min": {Unit: "min", Milli: 61_000}, "3": {Unit: "pc", Milli: 3000}, "0.125 m": {Unit: "m", Milli: 125}} {
		if got := l.quantity(); got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
	for want, basis := range map[string]int{"0 %": 0, "20 %": 2000, "12.5 %": 1250, "5.25 %": 525, "5.05 %": 505} {
		if got := Percent(basis); got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
}

func TestBillRefuses(t *testing.T) {
	for _, c := range []struct {
		field string
		job   Job
	}{
		{"open", Job{Materials: []Material{{Key: "pane", Text: "the pane", Milli: 1000}}}},
		{"lines", Job{}},
		{"lines", Job{Adjust: Adjust{Own: []Own{{"goodwill", 1000, -1}}}}},
	} {
		s, err := Reckon(c.job, Rates{Days: 1})
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range []func(Job) (Bill, error){s.Bill, func(j Job) (Bill, error) { return s.Quote(j, Facts{}) }} {
			if _, err := f(c.job); fault.Of(err) == nil || fault.Of(err).Field != c.field {
				t.Errorf("%+v: %v", c.job, err)
			}
		}
	}
	// For nothing is allowed: a job for goodwill.
	free := Job{Adjust: Adjust{Own: []Own{{"pane", 1000, 500}}, Discount: 10_000}}
	s, err := Reckon(free, Rates{Days: 1})
	if err != nil {
		t.Fatal(err)
	}
	if b, err := s.Bill(free); err != nil || b.Total != 0 {
		t.Errorf("%+v, %v", b, err)
	}
}

// Just below, at and above what was quoted.
func TestAbove(t *testing.T) {
	for total, want := range map[int64]int64{9999: 0, 10_000: 0, 10_001: 1} {
		if got := (Bill{Total: total}).Above(10_000); got != want {
			t.Errorf("%d: %d", total, got)
		}
	}
	if got := (Bill{Kind: Invoice, Total: 12345}).Says(7); got != "invoice 7 over 123.45" {
		t.Errorf("%q", got)
	}
}

// What nobody knows the price of is refused, or taken out and named as not in the quote; what is
// given for nothing is not.
func TestQuoteNamesWhatIsNotInIt(t *testing.T) {
	j := Job{Works: []Work{{"set", 45, 1, false}}, Stripped: true, Materials: []Material{
		{Key: "tape", Text: "tape, 3 mm, a roll", Milli: 1000, Unit: "pc"},
		{Key: "rope", Text: "rope", Milli: 1000, Unit: "m", Low: 300, Each: 300, High: 300, Known: true}}}
	for _, c := range []struct {
		off  []string
		says string // nothing where it is refused
	}{{nil, ""}, {[]string{"rope"}, ""}, {[]string{"tape"}, "Tape, 3 mm, a roll: it has no price yet."},
		{[]string{"tape", "rope"}, "Tape, 3 mm, a roll: it has no price yet."}} {
		j.Adjust.Off = c.off
		s, err := Reckon(j, rates)
		if err != nil {
			t.Fatal(err)
		}
		b, err := s.Quote(j, Facts{})
		if (err == nil) != (c.says != "") {
			t.Fatalf("%v off: %v", c.off, err)
		}
		if err == nil && (b.Not[0] != c.says || strings.Contains(strings.Join(b.Not[1:], " "), "ope")) {
			t.Errorf("%v off: %q", c.off, b.Not)
		}
	}
}
