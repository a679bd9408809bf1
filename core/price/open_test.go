package price

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"freshshard/core/fault"
)

// The usual rates stand as they were judged. Common practice, no source.
func TestUsual(t *testing.T) {
	want := "{Hour:4800 CallOut:3500 Disposal:600 Least:4500 Margin:2000 Tax:0 Behind:40 Days:30 Terms:14 Deposit:0 " +
		"Version:0}"
	if got := fmt.Sprintf("%+v", Usual); got != want {
		t.Error(got)
	}
}

// Every line opens with the numbers that a person can check on a calculator.
func TestWorkings(t *testing.T) {
	j := Job{Works: []Work{{"set", 45, 1, false}}, Materials: []Material{{Key: "rope", Text: "rope", Milli: 2500,
		Unit: "m",
		Low:  333, Each: 333, High: 333, Known: true}}, Broken: onePane, Done: true,
		Adjust: Adjust{Own: []Own{{"ferry", 2000, 450}},
			Discount: 1000}}
	r := rates
	r.Least = 9000
	s, err := Reckon(j, r)
	if err != nil {
		t.Fatal(err)
	}
	want := []string{"45 / 60 × 48 = 36", "2.5 × (3.33 + 3.33 × 20 / 100) = 10", "1 × 6 = 6", "2 × 4.5 = 9",
		"−6.1 = −6.1",
		"35.1 = 35.1"}
	for i, l := range s.Lines {
		if i >= len(want) || strings.TrimSpace(l.Figure.Working.Values) != want[i] || l.Milli == 0 {
			t.Errorf("%s: %q", l.Key, l.Figure.Working.Values)
		}
	}
	if f := s.Figure; strings.TrimSpace(f.Working.Values) != "90 + 90 × 20 / 100 = 108" || f.Text != "108.00" {
		t.Errorf("%+v", f)
	}
	b, err := s.Bill(j)
	if err != nil {
		t.Fatal(err)
	}
	if back := b.Back(); back.Net != -9000 || back.Tax != -1800 || back.Total != -10_800 || back.Kind != Credit ||
		b.Lines[0].Cents != 3600 {
		t.Errorf("%+v", back)
	}
}

func TestSays(t *testing.T) {
	for _, c := range []struct {
		s    Sheet
		j    Job
		want string
	}{
		{Sheet{Total: Amount{100, 200, 300}}, Job{},
			"From 1.00 to 3.00, 2.00 is likely. It narrows when the object is stripped."},
		{Sheet{Total: Amount{100, 200, 300}}, Job{Stripped: true}, "From 1.00 to 3.00, 2.00 is likely."},
		{Sheet{Total: Amount{100, 200, 300}}, Job{Done: true}, "From 1.00 to 3.00, 2.00 is likely."},
		{Sheet{Total: Amount{100, 100, 100}, Basis: 1}, Job{}, "1.00, 0.01 % tax in it."},
		{Sheet{Total: Amount{100, 100, 100}, Open: []string{"rope"}}, Job{}, "1.00, without rope: it has no price yet."},
		{Sheet{Total: Amount{100, 100, 100}, Open: []string{"rope", "pane"}}, Job{},
			"1.00, without 2 things that have no price yet."},
	} {
		if got := c.s.say(c.j); got != c.want {
			t.Errorf("%q, want %q", got, c.want)
		}
	}
	for want, basis := range map[string]int{"1 %": 100, "1.5 %": 150, "1.99 %": 199, "19.9 %": 1990} {
		if got := Percent(basis); got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
	if got := (Line{Unit: "m", Milli: 1, Kind: Stuff}).quantity(); got != "0.001 m" {
		t.Error(got)
	}
}

// The least charge fills up what is less than it, at the low end, in the middle, at the high end,
// each by itself.
func TestUpToTheLeast(t *testing.T) {
	r := rates
	r.Tax, r.Margin, r.Disposal = 0, 0, 0
	r.Least = 10_000
	for _, c := range []struct {
		low, each, high int64
		want            Amount
		line            bool
	}{{4000, 6000, 8000, Amount{6000, 4000, 2000}, true}, {4000, 6000, 12000, Amount{6000, 4000, 0}, true},
		{4000, 10000, 12000, Amount{6000, 0, 0}, true}, {4000, 12000, 12000, Amount{6000, 0, 0}, true},
		{9999, 10000, 10000, Amount{1, 0, 0}, true}, {10000, 10000, 10000, Amount{}, false},
		{10001, 12000, 13000, Amount{}, false}} {
		s, err := Reckon(Job{Broken: onePane, Materials: []Material{{Key: "pane", Text: "the pane", Milli: 1000, Unit: "pc",
			Low:  c.low,
			Each: c.each, High: c.high, Known: true}}}, r)
		if err != nil {
			t.Fatal(err)
		}
		i := slices.IndexFunc(s.Lines, func(l Line) bool { return l.Key == "least" })
		if (i >= 0) != c.line || i >= 0 && (Amount{s.Lines[i].Low, s.Lines[i].Cents, s.Lines[i].High}) != c.want {
			t.Errorf("%+v: %+v", c, s.Lines)
		}
	}
}

// What lies on a bound is taken.
func TestOnTheBound(t *testing.T) {
	for name, j := range map[string]Job{
		"a free material": {Adjust: Adjust{Prices: map[string]int64{"x": 0}}},
		"a large own":     {Adjust: Adjust{Own: []Own{{"x", 1, 1e8}, {"y", 1, -1e8}, {"z", 1_000_000_000, 0}}}},
		"a large line":    {Adjust: Adjust{Own: []Own{{"x", 1000, 1e8}}}},
		"a long rope":     {Materials: []Material{{Key: "m", Milli: 1_000_000_000}}},
	} {
		if _, err := Reckon(j, rates); err != nil {
			t.Errorf("%s: %v", name, err)
		}
	}
	for field, j := range map[string]Job{
		"own[0].milli":      {Adjust: Adjust{Own: []Own{{"x", 1_000_000_001, 0}}}},
		"own[0].each":       {Adjust: Adjust{Own: []Own{{"x", 1, -1e8 - 1}}}},
		"materials[0].each": {Materials: []Material{{Key: "m", Milli: 1_000_000_001}}},
		"lines.own-1":       {Adjust: Adjust{Own: []Own{{"x", 2000, -6e7}}}},
	} {
		if _, err := Reckon(j, rates); fault.Of(err) == nil || fault.Of(err).Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
	r := rates
	r.Margin = 30_001
	if f := fault.Of(r.Check()); f == nil || f.Why != "from 0 to 300 in 100 is expected" {
		t.Errorf("%v", f)
	}
	r = rates
	r.Disposal = 0
	if s, err := Reckon(Job{Broken: onePane}, r); err != nil || len(s.Lines) != 0 {
		t.Errorf("%v, %+v", err, s.Lines)
	}
	// Steps of one station are one line, wherever they stand.
	if s, err := Reckon(Job{Works: []Work{{"set", 10, 1, false}, {"hold", 5, 1, false}, {"set", 20, 1, false}}},
		rates); err != nil ||
		len(s.Lines) != 2 || s.Lines[0].Milli != 30_000 {
		t.Errorf("%v, %+v", err, s.Lines)
	}
	r.Disposal = 1
	if s, err := Reckon(Job{Broken: onePane}, r); err != nil || len(s.Lines) != 1 {
		t.Errorf("%v, %+v", err, s.Lines)
	}
}
