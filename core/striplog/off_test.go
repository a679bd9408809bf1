package striplog

import "testing"

// What is foreign stays off: it counts out, is bought by nobody, and nothing waits
// for it; put back after all it is one too many. What a substitute is stands in the
// rebuild and on the list to buy.
func TestForeignAndSubstitute(t *testing.T) {
	l := Log{
		{ID: "tape", What: "foil tape", Kind: Part, Count: 2, Fate: Off},
		{ID: "strap", What: "strap", Kind: Part, Count: 1, Fate: Off, Loosen: true},
		{ID: "rivet", What: "hinge rivet", Kind: Fasteners, Count: 3, Fate: Substitute,
			By:   "M5 × 20 bolt, bush, two washers",
			Held: Held{How: "rivet"}},
		{ID: "cover", What: "cover", Kind: Trim, Count: 1, Fate: Back, First: []string{"tape", "strap"}},
	}
	if err := l.Check(); err != nil {
		t.Fatal(err)
	}
	says := map[string]Line{}
	for _, n := range l.OrderBack() {
		says[n.ID] = n
	}
	if n := says["tape"]; n.Say != "Stays off: 2 × foil tape" || !n.Done || n.Of != 0 {
		t.Errorf("%+v", n)
	}
	if n := says["strap"]; n.Say != "Stays off: strap" || !n.Done || n.Slide {
		t.Errorf("%+v", n)
	}
	if n := says["rivet"]; n.Say != "Put in for 3 × hinge rivet: M5 × 20 bolt, bush, two washers" || n.Done {
		t.Errorf("%+v", n)
	}
	if n := says["cover"]; !n.Ready || n.Waits != "" {
		t.Errorf("waits for what stays off: %+v", n)
	}
	if needs := l.Needs(); len(needs) != 1 ||
		needs[0] != (Need{"M5 × 20 bolt, bush, two washers", 3, "in place of hinge rivet"}) {
		t.Errorf("%+v", needs)
	}
	if open := l.Open(); len(open) != 2 || open[0].ID != "rivet" || open[1].ID != "cover" {
		t.Errorf("%+v", open)
	}
	l[0].In = 1
	if open := l.Open(); len(open) != 3 || open[0].Say != "1 more went in than came out" {
		t.Errorf("%+v", open)
	}
	if says := l.OrderBack()[0]; says.Done && says.ID == "tape" {
		t.Errorf("%+v", says)
	}
}
