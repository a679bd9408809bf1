package schedule

import "testing"

// What people notice of a plan: stretches for two, changes of place, tubes, waits by day; at
// each limit still, beyond it not.
func TestTidy(t *testing.T) {
	pin := func(id string, at, minutes, people int, place, shares string, after ...After) Step {
		s := Step{ID: id, Minutes: minutes, People: people, Shares: shares, After: after,
			Pin: &Pin{At: at, People: []string{"mira", "tor"}[:max(1, people)]}}
		if place != "" {
			s.Uses = []string{place}
		}
		return s
	}
	for _, c := range []struct {
		name  string
		steps []Step
		want  Tidy
	}{
		{"nothing to notice", []Step{pin("1", 0, 30, 1, "bench", ""), pin("2", 30, 30, 1, "bench", "")}, Tidy{}},
		{"two stretches a quarter apart are one", []Step{pin("1", 0, 30, 2, "", ""), pin("2", 45, 30, 2, "", "")},
			Tidy{Pairs: 1}},
		{"a minute more, and they are two", []Step{pin("1", 0, 30, 2, "", ""), pin("2", 46, 30, 2, "", "")}, Tidy{Pairs: 2}},
		{"bench, van, bench", []Step{pin("1", 0, 30, 1, "bench", ""), pin("2", 30, 30, 1, "van", ""),
			pin("3", 60, 30, 1, "bench", "")},
			Tidy{Changes: 2}},
		{"the next morning is no change", []Step{pin("1", 0, 30, 1, "bench", ""), pin("2", 1440, 30, 1, "van", "")}, Tidy{}},
		{"a tube for two within eight hours", []Step{pin("1", 0, 30, 1, "", "urethane"),
			pin("2", 479, 30, 1, "", "urethane")}, Tidy{Opened: 1}},
		{"at eight hours it is another", []Step{pin("1", 0, 30, 1, "", "urethane"), pin("2", 480, 30, 1, "", "urethane")},
			Tidy{Opened: 2}},
		{"two kinds are two tubes", []Step{pin("1", 0, 30, 1, "", "urethane"), pin("2", 40, 30, 1, "", "silicone")},
			Tidy{Opened: 2}},
		{"four hours of the day", []Step{pin("1", 0, 30, 1, "", ""), pin("2", 270, 30, 1, "", "", After{"1", 240})},
			Tidy{ByDay: 1}},
		{"a minute less is no long wait", []Step{pin("1", 0, 30, 1, "", ""), pin("2", 270, 30, 1, "", "", After{"1", 239})},
			Tidy{}},
		{"over the night", []Step{pin("1", 400, 30, 1, "", ""), pin("2", 1440, 30, 1, "", "", After{"1", 240})}, Tidy{}},
	} {
		p := Problem{People: []Person{{ID: "mira", Hours: []Window{{0, 600}, {1440, 2000}}},
			{ID: "tor", Hours: []Window{{0, 600}, {1440, 2000}}}},
			Places: []Place{{ID: "bench"}, {ID: "van"}}, Jobs: []Job{{ID: "a", Steps: c.steps}}}
		plan, err := Solve(ctx, p, Options{})
		if err != nil || len(plan.Left) > 0 {
			t.Fatalf("%s: %v, %+v", c.name, err, plan.Left)
		}
		if plan.Tidy != c.want {
			t.Errorf("%s: %+v, want %+v", c.name, plan.Tidy, c.want)
		}
	}
}

// Of plans that keep the same promises the search takes the tidier one: two bonds out of one
// tube, and no way to the van and back.
func TestTidied(t *testing.T) {
	p := Problem{People: []Person{{ID: "mira", Hours: hours(4)}}, Places: []Place{{ID: "bench"}, {ID: "van"}}}
	far := 4 * 1440
	for i, place := range []string{"bench", "van", "bench", "van", "bench", "van", "bench", "van", "bench", "van", "bench",
		"van"} {
		p.Jobs = append(p.Jobs, Job{ID: string(rune('a' + i)), Promise: &far, Steps: []Step{{ID: string(rune('a' + i)),
			Minutes: 30, Uses: []string{place}}}})
	}
	plan, err := Solve(ctx, p, Options{Tries: 4000})
	if err != nil {
		t.Fatal(err)
	}
	hand := ByHand(p)
	if plan.Tidy.Changes >= hand.Tidy.Changes || plan.Cost > hand.Cost+1e-9 {
		t.Errorf("%d changes of place, by hand %d", plan.Tidy.Changes, hand.Tidy.Changes)
	}
}
