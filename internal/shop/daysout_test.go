package shop

import (
	"errors"
	"strings"
	"testing"
	"time"

	"freshshard/core/schedule"
	"freshshard/internal/record"
)

// A job at which the plan of days is refused is left out and named; the others keep their
// days, and what is taken in meanwhile is kept. Where no job is to blame it is said that the
// program made a mistake.
func TestOneJobTakesNoDaysFromTheOthers(t *testing.T) {
	s, mira, tor := open(t)
	s.Now = func() time.Time { return monday }
	bad := toCutLight(t, s, tor, "Greenhouse, light 1", "506", "402")
	toCutLight(t, s, tor, "Greenhouse, light 2", "506", "402")
	refuse := ""
	s.Days.Verify = func(p schedule.Problem, plan schedule.Plan) []schedule.Broken {
		for _, j := range p.Jobs {
			if j.Name == "Greenhouse, light 1" {
				return []schedule.Broken{{Job: j.ID, Why: "job 1 is ready at 9"}}
			}
		}
		if refuse != "" {
			return []schedule.Broken{{Why: refuse}}
		}
		return schedule.Verify(p, plan)
	}
	d := dayOf(t, s, mira)
	if len(d.Jobs) != 1 || len(d.Left) != 1 || d.Left[0].Job != bad ||
		!strings.Contains(d.Left[0].Why, "no place in the days") {
		t.Errorf("%d jobs, left %+v", len(d.Jobs), d.Left)
	}
	refuse = "nobody"
	var broken *record.Broken
	if _, err := s.Days.Days(ctx, mira); !errors.As(err, &broken) || !strings.Contains(broken.Error(), "nobody") {
		t.Errorf("%v", err)
	}
	at := monday.AddDate(0, 0, 9)
	in := stove()
	in.Promised = &at
	id, err := s.Desk.TakeIn(ctx, tor, "kept-all-the-same", in)
	if err != nil {
		t.Errorf("what was kept is answered by an error: %v", err)
	}
	if again, err := s.Desk.TakeIn(ctx, tor, "kept-all-the-same", in); err != nil || again != id {
		t.Errorf("a retry gives %d, %v, the first was %d", again, err, id)
	}
}
