package timer

import (
	"strings"
	"testing"
	"time"

	"freshshard/core/exposure"
	"freshshard/core/family"
	"freshshard/core/fault"
)

var now = time.Date(2026, 3, 28, 23, 55, 0, 0, time.UTC)

// What may be started, and what may not: just inside, at, just outside.
func TestStart(t *testing.T) {
	for _, c := range []struct {
		name    string
		r       Run
		minutes int
		field   string
		until   time.Duration
	}{
		{"the usual water", Run{Usual: "water"}, 0, "", 10 * time.Minute},
		{"longer water", Run{Usual: "water"}, 25, "", 25 * time.Minute},
		{"the second part of a first fire", Run{Usual: "first-fire", Stage: 1}, 0, "", 30 * time.Minute},
		{"a part that there is not", Run{Usual: "first-fire", Stage: 3}, 0, "stage", 0},
		{"before the first", Run{Usual: "first-fire", Stage: -1}, 0, "stage", 0},
		{"one that there is not", Run{Usual: "moon"}, 5, "usual", 0},
		{"one's own", Run{What: "glue on the felt"}, 1, "", time.Minute},
		{"for nothing", Run{What: "  "}, 5, "what", 0},
		{"for no time", Run{What: "x"}, 0, "minutes", 0},
		{"backwards", Run{What: "x"}, -5, "minutes", 0},
		{"a fortnight", Run{What: "x"}, 14 * 24 * 60, "", 14 * 24 * time.Hour},
		{"a minute more", Run{What: "x"}, 14*24*60 + 1, "minutes", 0},
		{"since an hour ago", Run{What: "x", Since: now.Add(-time.Hour)}, 90, "", 30 * time.Minute},
		{"since a day ago", Run{What: "x", Since: now.Add(-24 * time.Hour)}, 60, "", -23 * time.Hour},
		{"since a minute more", Run{What: "x", Since: now.Add(-24*time.Hour - time.Minute)}, 60, "since", 0},
		{"from now on", Run{What: "x", Since: now}, 60, "", time.Hour},
		{"from tomorrow", Run{What: "x", Since: now.Add(time.Second)}, 60, "since", 0},
	} {
		t.Run(c.name, func(t *testing.T) {
			r, err := Start(c.r, c.minutes, now)
			if f := fault.Of(err); (f != nil) != (c.field != "") || f != nil && f.Field != c.field {
				t.Fatalf("%v, want %q", err, c.field)
			}
			if err == nil && r.Until.Sub(now) != c.until {
				t.Errorf("until %v, want %v", r.Until.Sub(now), c.until)
			}
		})
	}
}

// A first fire opens its step after the last of its parts, and says what is next; the
// words are those that a person reads.
func TestStages(t *testing.T) {
	r, err := Start(Run{Usual: "first-fire"}, 0, now)
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		stage int
		after time.Duration
		shut  string
		ready time.Duration // from the first minute
	}{
		{0, 0, "its clock runs: a small fire, door ajar", 90 * time.Minute},
		{0, 30*time.Minute - 1, "its clock runs: a small fire, door ajar", 90 * time.Minute},
		{0, 30 * time.Minute, "A small fire, door ajar is over; next: half a fire", 90 * time.Minute},
		{2, 30*time.Minute - 1, "its clock runs: the whole fire", 30 * time.Minute},
		{2, 30 * time.Minute, "", 30 * time.Minute},
	} {
		r.Stage = c.stage
		if r, err = Start(r, 0, now); err != nil {
			t.Fatal(err)
		}
		if got := r.Shut(now.Add(c.after)); got != c.shut || r.Opens(now.Add(c.after)) != (c.shut == "") {
			t.Errorf("part %d after %v: %q, want %q", c.stage, c.after, got, c.shut)
		}
		if got := r.Ready().Sub(now); got != c.ready {
			t.Errorf("part %d: opens after %v, want %v", c.stage, got, c.ready)
		}
	}
}

// What comes next is the next part, and nothing after the last; one's own clock has one.
func TestNextPart(t *testing.T) {
	for _, u := range usual {
		for i := range u.Stages {
			next := Run{Usual: u.ID, Stage: i}.Next()
			if last := i == len(u.Stages)-1; last != (next == nil) || !last && next.What != u.Stages[i+1].What {
				t.Errorf("%s, part %d: %+v", u.ID, i, next)
			}
		}
	}
	if n := (Run{What: "glue"}).Next(); n != nil {
		t.Errorf("%+v", n)
	}
}

// Minutes are minutes: across midnight and the change of the clock.
func TestAcrossTheChange(t *testing.T) {
	zone, err := time.LoadLocation("Europe/Berlin")
	if err != nil {
		t.Fatal(err)
	}
	for since, want := range map[time.Time]string{
		time.Date(2026, 3, 28, 20, 0, 0, 0, zone):  "2026-03-29 13:00 CEST", // the night is an hour shorter
		time.Date(2026, 10, 24, 20, 0, 0, 0, zone): "2026-10-25 11:00 CET",
	} {
		r, err := Start(Run{Usual: "paint", Since: since}, 0, since)
		if err != nil || r.Until.Format("2006-01-02 15:04 MST") != want {
			t.Errorf("%v, %v, want %s", r.Until, err, want)
		}
	}
}

func TestFor(t *testing.T) {
	for _, c := range []struct {
		name, exposure string
		steps, checks  []string
		want           string
	}{
		{"a ring window to prove", "weather", []string{"trim"}, []string{"gap", "water"}, "water@water"},
		{"its water is answered", "weather", nil, []string{"gap"}, ""},
		{"a stove", "fire", []string{"cold", "first-fire"}, []string{"fire"}, "first-fire@first-fire ash@cold"},
		{"an oven", "oven", []string{"first-heat"}, nil, "first-heat-oven@first-heat"},
		{"a kiln", "kiln", []string{"first-fire"}, nil, "first-heat-kiln@first-fire"},
		{"a cab before its bead", "weather", []string{"bead", "pane-in"}, nil, "paint@bead primer@bead wash@bead"},
		{"a gauge tube", "boiler", nil, []string{"weep"}, "working-heat@weep"},
		{"a cabinet", "room", []string{"beads-on"}, []string{"rattle"}, ""},
	} {
		var got []string
		for _, o := range For(c.exposure, c.steps, c.checks) {
			got = append(got, o.ID+"@"+o.Gates)
		}
		if strings.Join(got, " ") != c.want {
			t.Errorf("%s: %v, want %s", c.name, got, c.want)
		}
	}
}

// Every clock names steps, checks and heats that there are, and says where its time is
// from.
func TestUsual(t *testing.T) {
	steps, checks := map[string]bool{}, map[string]bool{}
	for _, f := range family.Book.All() {
		for _, s := range f.Steps {
			steps[s.Key] = true
		}
		for _, c := range f.Checks {
			checks[c.Key] = true
		}
	}
	for _, u := range All() {
		known := 0
		for _, k := range u.Steps {
			if steps[k] {
				known++
			}
		}
		for _, k := range u.Checks {
			if checks[k] {
				known++
			}
		}
		if known == 0 || u.May == "" || len(u.Stages) == 0 {
			t.Errorf("%s keeps nothing shut that there is", u.ID)
		}
		for _, s := range u.Stages {
			if s.Minutes.Origin.Check() != nil || s.Minutes.V < 1 || s.What == "" {
				t.Errorf("%s: %+v", u.ID, s)
			}
		}
		for _, e := range u.Exposures {
			if _, err := exposure.Book.ByID(e); err != nil {
				t.Errorf("%s: %v", u.ID, err)
			}
		}
	}
}
