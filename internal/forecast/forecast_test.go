package forecast

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"freshshard/core/fault"
)

const good = "time,c,rh,wet\n2026-12-01T08:00:00Z,4.5,80,\n2026-12-01T10:00:00+01:00,5,82,yes\n"

func TestRead(t *testing.T) {
	json := `[{"time": "2026-12-01T08:00:00Z", "c": 4.5, "rh": 80}, {"time": "2026-12-01T09:00:00Z", "c": 5, "rh": 82,
		"wet": true}]`
	for name, text := range map[string]string{"csv": good, "json": json, "with a mark": "\ufeff" + good,
		"other order": "rh,time,c\n80,2026-12-01T08:00:00Z,4.5\n82,2026-12-01T09:00:00Z,5\n"} {
		got, err := Read(strings.NewReader(text))
		if err != nil || len(got) != 2 {
			t.Fatalf("%s: %v, %v", name, got, err)
		}
		if got[0].C != 4.5 || got[0].RH != 80 || got[0].Wet || !got[1].At.Equal(time.Date(2026, 12, 1, 9, 0, 0, 0,
			time.UTC)) ||
			got[1].Wet != (name != "other order") {
			t.Errorf("%s: %+v", name, got)
		}
	}
}

func TestRefused(t *testing.T) {
	row := func(s string) string { return "time,c,rh\n2026-12-01T08:00:00Z,4.5,80\n" + s + "\n" }
	for name, c := range map[string]struct{ text, field, says string }{
		"nothing":         {"", "file", "empty"},
		"no hours":        {"time,c,rh\n", "file", "no hour"},
		"other columns":   {"when,warm\n1,2\n", "file", "header row"},
		"a gap":           {row("2026-12-01T10:00:00Z,4,80"), "row[2]", "an hour is missing"},
		"backwards":       {row("2026-12-01T07:00:00Z,4,80"), "row[2]", "behind a later hour"},
		"twice":           {row("2026-12-01T08:00:00Z,4,80"), "row[2]", "twice"},
		"half past":       {row("2026-12-01T08:30:00Z,4,80"), "row[2]", "no full hour"},
		"no time":         {row("tomorrow,4,80"), "row[2]", "no time"},
		"no number":       {row("2026-12-01T09:00:00Z,warm,80"), "row[2]", "no temperature"},
		"no number of it": {row("2026-12-01T09:00:00Z,4,damp"), "row[2]", "no humidity"},
		"a share":         {row("2026-12-01T09:00:00Z,4,0.8"), "row[2]", "no humidity"},
		"too hot":         {row("2026-12-01T09:00:00Z,60.1,80"), "row[2]", "no weather"},
		"not a number":    {row("2026-12-01T09:00:00Z,NaN,80"), "row[2]", "no weather"},
		"a column less":   {row("2026-12-01T09:00:00Z,4"), "row[2]", "columns"},
		"no list":         {`{"time": 1}`, "file", "no list"},
		"json without rh": {`[{"time": "2026-12-01T08:00:00Z", "c": 4}]`, "row[1]", "are expected"},
	} {
		_, err := Read(strings.NewReader(c.text))
		if f := fault.Of(err); f == nil || f.Field != c.field || !strings.Contains(f.Why, c.says) {
			t.Errorf("%s: %v", name, err)
		}
	}
	long := "time,c,rh\n"
	for h := range mostHours + 1 {
		long += fmt.Sprintf("%s,4,80\n", time.Date(2026, 12, 1, h, 0, 0, 0, time.UTC).Format(time.RFC3339))
	}
	if _, err := Read(strings.NewReader(long)); fault.Of(err) == nil {
		t.Error("more than a month was taken")
	}
}

func FuzzRead(f *testing.F) {
	f.Add(good)
	f.Add(`[{"time": "2026-12-01T08:00:00Z", "c": 4.5, "rh": 80}]`)
	f.Fuzz(func(t *testing.T, text string) {
		all, err := Read(strings.NewReader(text))
		for i, v := range all {
			if err != nil || v.C < -60 || v.C > 60 || v.RH > 100 || i > 0 && v.At.Sub(all[i-1].At) != time.Hour {
				t.Errorf("%+v, %v", v, err)
			}
		}
	})
}
